package org.biokinet.core.calendar;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import net.fortuna.ical4j.data.CalendarOutputter;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.ParameterList;
import net.fortuna.ical4j.model.component.VAlarm;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.parameter.Related;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.DtEnd;
import net.fortuna.ical4j.model.property.DtStamp;
import net.fortuna.ical4j.model.property.DtStart;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Sequence;
import net.fortuna.ical4j.model.property.Summary;
import net.fortuna.ical4j.model.property.Trigger;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.XProperty;
import net.fortuna.ical4j.model.property.immutable.ImmutableAction;
import net.fortuna.ical4j.model.property.immutable.ImmutableMethod;
import net.fortuna.ical4j.model.property.immutable.ImmutableStatus;
import net.fortuna.ical4j.model.property.immutable.ImmutableTransp;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;

/** Times of ours as an iCalendar file (RFC 5545), for calendars of others. */
public final class CalendarWriter {

  /** What the ids of our events end with, so that they are known when they come back. */
  public static final String OURS = "@biokinet";

  private CalendarWriter() {}

  /**
   * @param id the same for as long as it is the same thing, wherever it moves; without {@link
   *     #OURS}
   * @param sequence more each time that something about it changed
   * @param busy whether nothing else should be put there
   * @param calledOff it was written before, and does not take place
   * @param alarm how long before it begins somebody is told; empty for not at all
   */
  public record Entry(
      String id,
      int sequence,
      Span span,
      String title,
      boolean busy,
      boolean calledOff,
      Optional<Duration> alarm) {}

  /**
   * @param stamp when the file was made
   * @return text with lines as the standard wants them; times are in UTC, so that every zone shows
   *     them right
   */
  public static String write(String name, Instant stamp, Collection<Entry> entries) {
    Calendar calendar = new Calendar();
    calendar.add(new ProdId("-//Biokinet//EN"));
    calendar.add(ImmutableVersion.VERSION_2_0);
    calendar.add(ImmutableMethod.PUBLISH);
    // No standard has it, and most calendars read it.
    calendar.add(new XProperty("X-WR-CALNAME", name));
    entries.forEach(e -> calendar.add(event(e, stamp)));
    StringWriter text = new StringWriter();
    try {
      new CalendarOutputter(/* validating= */ false).output(calendar, text);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return text.toString();
  }

  private static VEvent event(Entry e, Instant stamp) {
    VEvent event = new VEvent(/* initialise= */ false);
    event.add(new Uid(e.id + OURS));
    event.add(new DtStamp(stamp));
    event.add(new Sequence(e.sequence));
    event.add(new DtStart<>(e.span.from()));
    event.add(new DtEnd<>(e.span.until()));
    event.add(new Summary(e.title));
    event.add(e.busy ? ImmutableTransp.OPAQUE : ImmutableTransp.TRANSPARENT);
    event.add(e.calledOff ? ImmutableStatus.VEVENT_CANCELLED : ImmutableStatus.VEVENT_CONFIRMED);
    if (!e.calledOff) e.alarm.ifPresent(before -> alarm(event, before, e.title));
    return event;
  }

  private static void alarm(VEvent event, Duration before, String title) {
    VAlarm alarm = new VAlarm();
    alarm.add(ImmutableAction.DISPLAY);
    alarm.add(new Trigger(new ParameterList(List.of(Related.START)), before.negated()));
    alarm.add(new Description(title));
    event.add(alarm);
  }
}
