package org.biokinet.core.calendar;

import static java.time.temporal.ChronoUnit.DAYS;

import java.io.IOException;
import java.io.StringReader;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.time.temporal.Temporal;
import java.time.temporal.TemporalAmount;
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
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.data.ParserException;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.Component;
import net.fortuna.ical4j.model.Parameter;
import net.fortuna.ical4j.model.Period;
import net.fortuna.ical4j.model.Property;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.DtEnd;
import net.fortuna.ical4j.model.property.DtStart;
import net.fortuna.ical4j.model.property.RRule;
import net.fortuna.ical4j.transform.recurrence.Frequency;
import net.fortuna.ical4j.util.CompatibilityHints;

/**
 * What an iCalendar file (RFC 5545) says of some days: what repeats is laid out, what was moved or
 * called off is where it is now.
 *
 * @param events the first first
 * @param faults what could not be read, by event; the others are kept
 */
public record CalendarFile(List<Event> events, List<Fault> faults) {

  /** Our choice: a practice of ten has fewer in a year. */
  static final int MOST_EVENTS = 20_000;

  /** With all repetitions laid out; our choice. */
  private static final int MOST_TIMES = 50_000;

  /** What repeats within the day is laid out no longer than that after it began; our choice. */
  private static final Duration LONGEST_BY_THE_HOUR = Duration.ofDays(400);

  /** By how much all that follow a repetition may be moved, with how long they are; our choice. */
  private static final Duration FARTHEST = Duration.ofDays(31);

  private static final int LONGEST_TITLE = 200;

  static {
    // Files of well-known programs break the standard in small ways.
    CompatibilityHints.setHintEnabled(CompatibilityHints.KEY_RELAXED_UNFOLDING, true);
    CompatibilityHints.setHintEnabled(CompatibilityHints.KEY_RELAXED_PARSING, true);
    CompatibilityHints.setHintEnabled(CompatibilityHints.KEY_RELAXED_VALIDATION, true);
    CompatibilityHints.setHintEnabled(CompatibilityHints.KEY_OUTLOOK_COMPATIBILITY, true);
  }

  /** What an event makes of its time. */
  public enum Shown {
    BUSY,
    /** It may not take place. */
    TENTATIVE,
    /** It takes no time, as a birthday does. */
    FREE
  }

  /**
   * @param until the end, which may be the beginning
   * @param mails addresses of whoever is invited, in small letters
   * @param wholeDay days are meant and no times; then from midnight to midnight of the zone
   * @param id of the event; the same for its repetitions, and empty where it has none
   */
  public record Event(
      Instant from,
      Instant until,
      String title,
      Set<String> mails,
      boolean wholeDay,
      Shown shown,
      String id) {
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
   * @return what touches these days, and what could not be read
   * @throws Unreadable where it is no iCalendar file, with the line
   */
  public static CalendarFile read(byte[] file, ZoneId zone, LocalDate first, LocalDate last)
      throws Unreadable {
    List<Fault> faults = new ArrayList<>();
    List<VEvent> all = events(text(file), faults);
    if (all.isEmpty() && faults.isEmpty()) throw new Unreadable("there is no event in it");
    if (all.size() > MOST_EVENTS) {
      throw new Unreadable("more than %,d events".formatted(MOST_EVENTS));
    }
    return new Reading(zone, first, last, faults).of(all);
  }

  /** As its first bytes say; else UTF-8, or what older programs of Windows write. */
  private static String text(byte[] file) {
    if (starts(file, 0xEF, 0xBB, 0xBF))
      return new String(file, StandardCharsets.UTF_8).substring(1);
    if (starts(file, 0xFF, 0xFE) || starts(file, 0xFE, 0xFF)) {
      return new String(file, StandardCharsets.UTF_16);
    }
    try {
      return StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(file)).toString();
    } catch (CharacterCodingException e) {
      return new String(file, Charset.forName("windows-1252"));
    }
  }

  private static boolean starts(byte[] file, int... with) {
    for (int i = 0; i < with.length; i++) {
      if (i >= file.length || (file[i] & 0xFF) != with[i]) return false;
    }
    return true;
  }

  private static final Pattern EVENT =
      Pattern.compile(
          "^BEGIN:VEVENT\\s*$.*?^END:VEVENT\\s*$",
          Pattern.MULTILINE | Pattern.DOTALL | Pattern.CASE_INSENSITIVE);

  private static List<VEvent> events(String text, List<Fault> faults) throws Unreadable {
    try {
      return parsed(text);
    } catch (ParserException e) {
      // The library gives up on all of it for one line: the good ones are looked for.
      Matcher blocks = EVENT.matcher(text);
      List<String> each = blocks.results().map(r -> r.group()).toList();
      if (each.isEmpty() || !text.contains("BEGIN:VCALENDAR")) {
        throw new Unreadable("line %d: no iCalendar".formatted(e.getLineNo()));
      }
      String others = blocks.replaceAll("").replaceFirst("(?s)END:VCALENDAR.*", "");
      return sound(others, each, faults);
    }
  }

  /** Those that can be read, by halves, and a fault for each that cannot. */
  private static List<VEvent> sound(String others, List<String> each, List<Fault> faults)
      throws Unreadable {
    try {
      return parsed(others + String.join("\r\n", each) + "\r\nEND:VCALENDAR\r\n");
    } catch (ParserException e) {
      if (each.size() == 1) {
        faults.add(new Fault(named(each.get(0)), "cannot be read"));
        return List.of();
      }
      List<VEvent> sound = new ArrayList<>();
      int half = each.size() / 2;
      sound.addAll(sound(others, each.subList(0, half), faults));
      sound.addAll(sound(others, each.subList(half, each.size()), faults));
      return sound;
    }
  }

  private static List<VEvent> parsed(String text) throws ParserException, Unreadable {
    try {
      Calendar calendar = new CalendarBuilder().build(new StringReader(text));
      return calendar.getComponents(Component.VEVENT);
    } catch (IOException | IllegalArgumentException | DateTimeException e) {
      throw new Unreadable("no iCalendar file");
    }
  }

  private static String named(String event) {
    for (String by : List.of(Property.SUMMARY, Property.UID)) {
      Matcher line = Pattern.compile("(?m)^" + by + "[^:]*:(.*)$").matcher(event);
      if (line.find()) return line.group(1).strip();
    }
    return "an event";
  }

  /** One file being read. */
  private static final class Reading {
    private final ZoneId zone;
    private final Instant from;
    private final Instant until;
    private final List<Event> events = new ArrayList<>();
    private final List<Fault> faults;

    Reading(ZoneId zone, LocalDate first, LocalDate last, List<Fault> faults) {
      this.zone = zone;
      this.from = first.atStartOfDay(zone).toInstant();
      this.until = last.plusDays(1).atStartOfDay(zone).toInstant();
      this.faults = faults;
    }

    CalendarFile of(List<VEvent> all) throws Unreadable {
      Map<Object, List<VEvent>> byId = new LinkedHashMap<>();
      for (VEvent e : all) {
        String id = text(e, Property.UID);
        // Without an id each is for itself.
        byId.computeIfAbsent(id.isEmpty() ? e : id, x -> new ArrayList<>()).add(e);
      }
      for (List<VEvent> those : byId.values()) {
        series(those);
        if (events.size() > MOST_TIMES) {
          throw new Unreadable("more than %,d times in these days".formatted(MOST_TIMES));
        }
      }
      events.sort(Comparator.comparing(Event::from).thenComparing(Event::title));
      return new CalendarFile(events, faults);
    }

    /**
     * A repetition that was changed together with all that follow it (RFC 5545, 3.2.13): they begin
     * by the same time on the clock later or earlier, and are as long as it is.
     *
     * @param first where the first of them was
     * @param later by the clocks of the zone that the event repeats in
     */
    private record Onward(Instant first, VEvent event, Duration later, TemporalAmount lasts) {}

    /** An event, and those of its repetitions that were moved, changed or called off. */
    private void series(List<VEvent> those) {
      Set<Instant> elsewhere = new HashSet<>();
      List<VEvent> andAllAfter = new ArrayList<>();
      for (VEvent e : those) {
        if (moved(e).isEmpty()) continue;
        tried(
            e,
            () -> {
              elsewhere.add(moved(e).orElseThrow());
              Temporal start = start(e);
              add(e, start, end(e, start));
              if (e.getRecurrenceId().getParameter(Parameter.RANGE).isPresent()) andAllAfter.add(e);
            });
      }
      for (VEvent e : those) {
        if (moved(e).isEmpty()) tried(e, () -> repeated(e, elsewhere, onward(e, andAllAfter)));
      }
    }

    private List<Onward> onward(VEvent repeats, List<VEvent> andAllAfter) {
      Temporal like = start(repeats);
      List<Onward> all = new ArrayList<>();
      for (VEvent e : andAllAfter) {
        tried(
            e,
            () -> {
              Temporal start = start(e);
              if (start instanceof LocalDate != like instanceof LocalDate) {
                throw new IllegalArgumentException(
                    "all after it change between days and times: only the first is read");
              }
              Instant first = moved(e).orElseThrow();
              Temporal end = end(e, start);
              Duration later = Duration.between(local(first, like), local(instant(start), like));
              Duration lasts = Duration.between(instant(start), instant(end));
              if (later.abs().plus(lasts).compareTo(FARTHEST) > 0 || lasts.isNegative()) {
                throw new IllegalArgumentException(
                    "all after it are moved too far: only the first is read");
              }
              all.add(
                  new Onward(
                      first,
                      e,
                      later,
                      start instanceof LocalDate day
                          ? java.time.Period.between(day, (LocalDate) end)
                          : lasts));
            });
      }
      all.sort(Comparator.comparing(Onward::first));
      return all;
    }

    /** By the clocks of the zone in which an event repeats. */
    private LocalDateTime local(Instant at, Temporal like) {
      return LocalDateTime.ofInstant(at, zoneOf(like));
    }

    private ZoneId zoneOf(Temporal like) {
      if (like instanceof ZonedDateTime z) return z.getZone();
      if (like instanceof OffsetDateTime o) return o.getOffset();
      return like instanceof Instant ? ZoneOffset.UTC : zone;
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

    private void repeated(VEvent e, Set<Instant> elsewhere, List<Onward> onward) {
      Temporal start = start(e);
      Temporal end = end(e, start);
      Instant begin = instant(start);
      Duration length = Duration.between(begin, instant(end));
      if (length.isNegative()) throw new IllegalArgumentException("it ends before it begins");
      if (e.getProperties(Property.RRULE, Property.RDATE).isEmpty()) {
        if (!elsewhere.contains(begin)) add(e, start, end);
        return;
      }
      for (Property p : e.getProperties(Property.RRULE)) {
        Frequency by = ((RRule<?>) p).getRecur().getFrequency();
        boolean withinTheDay = by == Frequency.HOURLY || by == Frequency.MINUTELY;
        if (by == Frequency.SECONDLY
            || (withinTheDay && begin.plus(LONGEST_BY_THE_HOUR).isBefore(until))) {
          throw new IllegalArgumentException("it repeats too often");
        }
      }
      // What was moved onward may come into these days from outside them.
      Duration about = onward.isEmpty() ? Duration.ZERO : FARTHEST;
      for (Period<Temporal> p : e.calculateRecurrenceSet(span(start, length.plus(about), about))) {
        Temporal at = p.getStart();
        Instant was = instant(at);
        if (elsewhere.contains(was)) continue;
        Optional<Onward> changed =
            onward.stream().filter(o -> !o.first().isAfter(was)).reduce((one, next) -> next);
        if (changed.isPresent()) {
          Onward o = changed.get();
          LocalDateTime begins = local(was, start).plus(o.later());
          Temporal there =
              start instanceof LocalDate ? begins.toLocalDate() : begins.atZone(zoneOf(start));
          add(o.event(), there, there.plus(o.lasts()));
          continue;
        }
        // The library knows no end of days that say none.
        add(e, at, at instanceof LocalDate ? at.plus(start.until(end, DAYS), DAYS) : p.getEnd());
      }
    }

    /**
     * The days that are looked at, in the form in which the event has its times.
     *
     * @param before how much before them is looked at as well: what began may still go on
     */
    private Period<? extends Temporal> span(Temporal like, Duration before, Duration after) {
      Instant begin = from.minus(before);
      Instant end = until.plus(after);
      if (like instanceof LocalDate) {
        return new Period<>(LocalDate.ofInstant(begin, zone), LocalDate.ofInstant(end, zone));
      }
      if (like instanceof LocalDateTime) return new Period<>(local(begin, like), local(end, like));
      if (like instanceof Instant) return new Period<>(begin, end);
      return like instanceof OffsetDateTime o
          ? new Period<>(begin.atOffset(o.getOffset()), end.atOffset(o.getOffset()))
          : new Period<>(begin.atZone(zoneOf(like)), end.atZone(zoneOf(like)));
    }

    private void add(VEvent e, Temporal start, Temporal end) {
      if (text(e, Property.STATUS).equalsIgnoreCase("CANCELLED")) return;
      Instant at = instant(start);
      Instant over = instant(end);
      boolean touches = over.isAfter(from) || (over.equals(at) && at.equals(from));
      if (!touches || !at.isBefore(until)) return;
      String title = text(e, Property.SUMMARY);
      Set<String> mails = new TreeSet<>();
      e.getProperties(Property.ATTENDEE)
          .forEach(a -> mails.add(a.getValue().toLowerCase(Locale.ROOT).replace("mailto:", "")));
      events.add(
          new Event(
              at,
              over,
              title.length() > LONGEST_TITLE ? title.substring(0, LONGEST_TITLE) : title,
              mails,
              start instanceof LocalDate,
              shown(e),
              text(e, Property.UID)));
    }

    private static Shown shown(VEvent e) {
      if (text(e, Property.TRANSP).equalsIgnoreCase("TRANSPARENT")) return Shown.FREE;
      return text(e, Property.STATUS).equalsIgnoreCase("TENTATIVE") ? Shown.TENTATIVE : Shown.BUSY;
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

    /** Where none is said it is that of the day, or the beginning (RFC 5545, 3.6.1). */
    private static Temporal end(VEvent e, Temporal start) {
      boolean said =
          e.getProperty(Property.DTEND).isPresent() || e.getProperty(Property.DURATION).isPresent();
      if (said)
        return e.getEndDate(/* deriveFromDuration= */ true).map(DtEnd::getDate).orElse(start);
      return start instanceof LocalDate day ? day.plusDays(1) : start;
    }

    private static String text(VEvent e, String property) {
      return e.getProperty(property).map(Property::getValue).map(String::strip).orElse("");
    }
  }
}
