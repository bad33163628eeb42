package org.biokinet.app.appointment;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.temporal.Temporal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.data.ParserException;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.Component;
import net.fortuna.ical4j.model.Period;
import net.fortuna.ical4j.model.Property;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.DtEnd;
import net.fortuna.ical4j.model.property.DtStart;
import net.fortuna.ical4j.util.CompatibilityHints;

/**
 * What an iCalendar file (RFC 5545) says of some days: what repeats is laid out, what was moved or
 * called off is where it is now, days that are taken as a whole are no appointments.
 *
 * @param events the first first
 * @param faults what could not be read, by event; the others are kept
 */
public record CalendarFile(List<Event> events, List<Fault> faults) {

  /** Our choice: a practice of ten has fewer in a year. */
  static final int MOST_EVENTS = 20_000;

  private static final int LONGEST_TITLE = 200;

  static {
    // Files of well-known programs break the standard in small ways.
    CompatibilityHints.setHintEnabled(CompatibilityHints.KEY_RELAXED_UNFOLDING, true);
    CompatibilityHints.setHintEnabled(CompatibilityHints.KEY_RELAXED_PARSING, true);
    CompatibilityHints.setHintEnabled(CompatibilityHints.KEY_RELAXED_VALIDATION, true);
  }

  /**
   * @param mails addresses of whoever is invited, in small letters
   */
  public record Event(Instant from, Instant until, String title, Set<String> mails) {
    public Event {
      mails = Set.copyOf(mails);
    }
  }

  /**
   * @param event its title, or its id where it has none
   */
  public record Fault(String event, String why) {}

  /** It is no calendar file at all. */
  public static final class Unreadable extends Exception {
    Unreadable(String why) {
      super(why);
    }
  }

  public CalendarFile {
    events = List.copyOf(events);
    faults = List.copyOf(faults);
  }

  /**
   * @param zone for times that name none
   * @param last the last day that is looked at
   * @throws Unreadable where it is no iCalendar file, with the line
   */
  public static CalendarFile read(byte[] file, ZoneId zone, LocalDate first, LocalDate last)
      throws Unreadable {
    Calendar calendar;
    try {
      calendar =
          new CalendarBuilder()
              .build(new InputStreamReader(new ByteArrayInputStream(file), StandardCharsets.UTF_8));
    } catch (ParserException e) {
      throw new Unreadable("line %d: no iCalendar".formatted(e.getLineNo()));
    } catch (IOException | IllegalArgumentException | DateTimeException e) {
      throw new Unreadable("no iCalendar file");
    }
    List<VEvent> all = calendar.getComponents(Component.VEVENT);
    if (all.isEmpty()) throw new Unreadable("there is no event in it");
    if (all.size() > MOST_EVENTS) {
      throw new Unreadable("more than %,d events".formatted(MOST_EVENTS));
    }
    return new Reading(zone, first, last).of(all);
  }

  /** One file being read. */
  private static final class Reading {
    private final ZoneId zone;
    private final Instant from;
    private final Instant until;
    private final List<Event> events = new ArrayList<>();
    private final List<Fault> faults = new ArrayList<>();

    Reading(ZoneId zone, LocalDate first, LocalDate last) {
      this.zone = zone;
      this.from = first.atStartOfDay(zone).toInstant();
      this.until = last.plusDays(1).atStartOfDay(zone).toInstant();
    }

    CalendarFile of(List<VEvent> all) {
      Map<String, List<VEvent>> byId = new LinkedHashMap<>();
      for (VEvent e : all) {
        byId.computeIfAbsent(text(e, Property.UID), id -> new ArrayList<>()).add(e);
      }
      byId.values().forEach(this::series);
      events.sort(Comparator.comparing(Event::from).thenComparing(Event::title));
      return new CalendarFile(events, faults);
    }

    /** An event, and those of its repetitions that were moved, changed or called off. */
    private void series(List<VEvent> those) {
      Set<Instant> elsewhere = new HashSet<>();
      for (VEvent e : those) {
        tried(
            e,
            () ->
                moved(e)
                    .ifPresent(
                        at -> {
                          elsewhere.add(at);
                          add(e, start(e), end(e));
                        }));
      }
      for (VEvent e : those) {
        if (moved(e).isEmpty()) tried(e, () -> repeated(e, elsewhere));
      }
    }

    private void tried(VEvent e, Runnable reading) {
      try {
        reading.run();
      } catch (RuntimeException broken) {
        // The library tells of whatever it cannot read by many kinds of it.
        String title = text(e, Property.SUMMARY);
        String why = Optional.ofNullable(broken.getMessage()).orElse("cannot be read");
        faults.add(new Fault(title.isEmpty() ? text(e, Property.UID) : title, why));
      }
    }

    private void repeated(VEvent e, Set<Instant> elsewhere) {
      Temporal start = start(e);
      if (start instanceof LocalDate) return;
      for (Period<Temporal> p : e.calculateRecurrenceSet(span(start))) {
        if (!elsewhere.contains(instant(p.getStart()))) add(e, p.getStart(), p.getEnd());
      }
    }

    /** The days that are looked at, in the form in which the event has its times. */
    private Period<? extends Temporal> span(Temporal like) {
      if (like instanceof LocalDateTime) {
        return new Period<>(
            LocalDateTime.ofInstant(from, zone), LocalDateTime.ofInstant(until, zone));
      }
      if (like instanceof ZonedDateTime z) {
        return new Period<>(from.atZone(z.getZone()), until.atZone(z.getZone()));
      }
      if (like instanceof OffsetDateTime o) {
        return new Period<>(from.atOffset(o.getOffset()), until.atOffset(o.getOffset()));
      }
      return new Period<>(from, until);
    }

    private void add(VEvent e, Temporal start, Temporal end) {
      if (start instanceof LocalDate || text(e, Property.STATUS).equals("CANCELLED")) return;
      Instant at = instant(start);
      if (at.isBefore(from) || !at.isBefore(until)) return;
      String title = text(e, Property.SUMMARY);
      Set<String> mails = new TreeSet<>();
      e.getProperties(Property.ATTENDEE)
          .forEach(a -> mails.add(a.getValue().toLowerCase(Locale.ROOT).replace("mailto:", "")));
      events.add(
          new Event(
              at,
              instant(end),
              title.length() > LONGEST_TITLE ? title.substring(0, LONGEST_TITLE) : title,
              mails));
    }

    private Instant instant(Temporal at) {
      if (at instanceof LocalDateTime local) return local.atZone(zone).toInstant();
      if (at instanceof LocalDate day) return day.atStartOfDay(zone).toInstant();
      return Instant.from(at);
    }

    private Optional<Instant> moved(VEvent e) {
      return Optional.ofNullable(e.getRecurrenceId()).map(id -> instant(id.getDate()));
    }

    private static Temporal start(VEvent e) {
      DtStart<Temporal> start = e.getDateTimeStart();
      if (start == null) throw new IllegalArgumentException("it has no beginning");
      return start.getDate();
    }

    private static Temporal end(VEvent e) {
      return e.getEndDate(true)
          .map(DtEnd::getDate)
          .orElseThrow(() -> new IllegalArgumentException("it has no end"));
    }

    private static String text(VEvent e, String property) {
      return e.getProperty(property).map(Property::getValue).map(String::strip).orElse("");
    }
  }
}
