package org.biokinet.core.cli;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintStream;
import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.biokinet.core.calendar.CalendarFile;
import org.biokinet.core.calendar.Span;
import org.biokinet.core.workday.BreakPlan;
import org.biokinet.core.workday.BreakWish;
import org.biokinet.core.workday.Busy;
import org.biokinet.core.workday.Hours;
import org.biokinet.core.workday.TimeOfDay;
import org.biokinet.core.workday.Unkept;
import org.biokinet.core.workday.WorkRhythm;
import org.biokinet.core.workday.Workday;

/** The breaks of some days around a calendar: as text, or as JSON. */
final class BreaksCommand {

  private static final String USAGE =
      """
      usage: biokinet breaks CALENDAR --from DAY --to DAY --zone ZONE [--json]
        [--hours "mon-fri 09:00-17:00"]… [--quiet 22:00-06:00]… [--shifts WORD]
        [--interval MINUTES] [--least MINUTES] [--most MINUTES] [--number N] [--length MINUTES]""";

  private static final List<String> DAYS = List.of("mon", "tue", "wed", "thu", "fri", "sat", "sun");

  private static final String TIMES = "(\\d\\d:\\d\\d)-(\\d\\d:\\d\\d)";
  private static final Pattern QUIET = Pattern.compile(TIMES);
  private static final Pattern HOURS = Pattern.compile("([a-z]{3})(?:-([a-z]{3}))? " + TIMES);

  private static final LocalDate EARLIEST = LocalDate.of(1900, 1, 1);
  private static final LocalDate LATEST = LocalDate.of(2200, 1, 1);

  /** Our choice; a year is planned in seconds. */
  private static final int MOST_DAYS = 366;

  private final PrintStream out;
  private final PrintStream err;

  BreaksCommand(PrintStream out, PrintStream err) {
    this.out = out;
    this.err = err;
  }

  /** What was asked for. */
  private static final class Asked {
    private final List<String> files = new ArrayList<>();
    private final List<Hours> hours = new ArrayList<>();
    private final List<TimeOfDay> quiet = new ArrayList<>();
    private Optional<LocalDate> from = Optional.empty();
    private Optional<LocalDate> to = Optional.empty();
    private Optional<ZoneId> zone = Optional.empty();
    private String shifts = "";
    private int interval = BreakWish.USUAL.preferred();
    private int least = BreakWish.USUAL.least();
    private int most = BreakWish.USUAL.most();
    private int number = BreakWish.USUAL.number();
    private int length = BreakWish.USUAL.length();
    private boolean json;

    /**
     * @throws IllegalArgumentException for an option that is none
     * @throws DateTimeException for a day, time or zone that is none
     */
    static Asked of(List<String> arguments) {
      Asked asked = new Asked();
      for (Iterator<String> rest = arguments.iterator(); rest.hasNext(); ) {
        String argument = rest.next();
        if (argument.equals("--json")) {
          asked.json = true;
        } else if (!argument.startsWith("--")) {
          asked.files.add(argument);
        } else if (rest.hasNext()) {
          asked.option(argument, rest.next());
        } else {
          throw new IllegalArgumentException(argument + " wants a value");
        }
      }
      if (asked.files.size() != 1) throw new IllegalArgumentException("one calendar is wanted");
      if (asked.hours.isEmpty()) asked.hours.addAll(hours("mon-fri 09:00-17:00"));
      return asked;
    }

    private void option(String name, String value) {
      switch (name) {
        case "--from" -> from = Optional.of(LocalDate.parse(value));
        case "--to" -> to = Optional.of(LocalDate.parse(value));
        case "--zone" -> zone = Optional.of(ZoneId.of(value));
        case "--hours" -> hours.addAll(hours(value));
        case "--quiet" -> quiet.add(time(matched(QUIET, value), 1));
        case "--shifts" -> shifts = value;
        case "--interval" -> interval = Integer.parseInt(value);
        case "--least" -> least = Integer.parseInt(value);
        case "--most" -> most = Integer.parseInt(value);
        case "--number" -> number = Integer.parseInt(value);
        case "--length" -> length = Integer.parseInt(value);
        default -> throw new IllegalArgumentException("there is no option " + name);
      }
    }

    private static List<Hours> hours(String value) {
      Matcher m = matched(HOURS, value.toLowerCase(Locale.ROOT));
      int first = DAYS.indexOf(m.group(1));
      int last = m.group(2) == null ? first : DAYS.indexOf(m.group(2));
      if (first < 0 || last < 0) throw new IllegalArgumentException("no day of the week: " + value);
      TimeOfDay time = time(m, 3);
      List<Hours> hours = new ArrayList<>();
      // From Friday to Monday goes over Sunday.
      for (int day = first; ; day = (day + 1) % DAYS.size()) {
        hours.add(new Hours(DayOfWeek.of(day + 1), time));
        if (day == last) return hours;
      }
    }

    private static Matcher matched(Pattern pattern, String value) {
      Matcher m = pattern.matcher(value);
      if (!m.matches()) throw new IllegalArgumentException("cannot read " + value);
      return m;
    }

    private static TimeOfDay time(Matcher m, int group) {
      return new TimeOfDay(LocalTime.parse(m.group(group)), LocalTime.parse(m.group(group + 1)));
    }
  }

  int run(List<String> arguments) {
    Asked asked;
    BreakWish wish;
    try {
      asked = Asked.of(arguments);
      wish = new BreakWish(asked.interval, asked.least, asked.most, asked.number, asked.length);
    } catch (IllegalArgumentException | DateTimeException e) {
      return bad(String.valueOf(e.getMessage()));
    }
    if (asked.from.isEmpty() || asked.to.isEmpty() || asked.zone.isEmpty()) {
      return bad("--from, --to and --zone are wanted");
    }
    LocalDate first = asked.from.get();
    LocalDate last = asked.to.get();
    if (last.isBefore(first)) return bad("--to is before --from");
    if (ChronoUnit.DAYS.between(first, last) > MOST_DAYS) return bad("more than a year");
    if (first.isBefore(EARLIEST) || last.isAfter(LATEST)) return bad("nobody works then");
    Optional<byte[]> file = Main.bytes(asked.files.get(0), err);
    if (file.isEmpty()) return Main.BAD_INPUT;
    CalendarFile calendar;
    try {
      // A night shift goes on after the last day.
      calendar =
          CalendarFile.read(file.get(), asked.zone.get(), first.minusDays(1), last.plusDays(1));
    } catch (CalendarFile.Unreadable e) {
      err.println(asked.files.get(0) + ": " + e.getMessage());
      return Main.BAD_INPUT;
    }
    calendar.faults().forEach(f -> err.println("left out: %s: %s".formatted(f.event(), f.why())));
    List<Busy> busy =
        calendar.events().stream().flatMap(e -> Busy.of(e, asked.shifts).stream()).toList();
    List<Workday> days =
        new WorkRhythm(asked.hours, asked.quiet, asked.zone.get()).days(busy, first, last);
    if (asked.json) {
      json(days, wish, asked.zone.get());
    } else {
      days.forEach(d -> print(d, wish, asked.zone.get()));
    }
    return Main.OK;
  }

  private int bad(String why) {
    err.println(why);
    err.println(USAGE);
    return Main.BAD_INPUT;
  }

  private void print(Workday day, BreakWish wish, ZoneId zone) {
    BreakPlan.Situation s = BreakPlan.Situation.fresh(day, wish);
    BreakPlan plan = BreakPlan.of(s);
    out.println(
        "%s %s  %s"
            .formatted(
                DAYS.get(day.date().getDayOfWeek().getValue() - 1), day.date(), summary(plan)));
    day.work().forEach(w -> out.println("  work   " + times(w, zone)));
    day.hard().forEach(m -> out.println("  booked " + times(m, zone)));
    day.soft().forEach(m -> out.println("  soft   " + times(m, zone)));
    plan.breaks().forEach(b -> out.println("  break  " + times(b, zone)));
    Unkept.of(s, plan).forEach(u -> out.println("  ! " + u.words(zone)));
  }

  private static String summary(BreakPlan plan) {
    return plan.longest()
        .map(
            l ->
                "%d breaks, longest sitting %s"
                    .formatted(plan.breaks().size(), Unkept.length(l.minutes())))
        .orElse("no work");
  }

  private static String times(Span span, ZoneId zone) {
    return time(span.from(), zone) + "–" + time(span.until(), zone);
  }

  private static LocalTime time(Instant at, ZoneId zone) {
    return LocalTime.ofInstant(at, zone);
  }

  private void json(List<Workday> days, BreakWish wish, ZoneId zone) {
    ObjectNode root = new ObjectMapper().createObjectNode();
    root.put("zone", zone.getId());
    for (Workday day : days) {
      BreakPlan.Situation s = BreakPlan.Situation.fresh(day, wish);
      BreakPlan plan = BreakPlan.of(s);
      ObjectNode node = root.withArray("days").addObject().put("date", day.date().toString());
      spans(node, "work", day.work());
      spans(node, "hard", day.hard());
      spans(node, "soft", day.soft());
      spans(node, "breaks", plan.breaks());
      spans(node, "sittings", plan.sittings());
      node.put("longestMinutes", plan.longest().map(Span::minutes).orElse(0L));
      Unkept.of(s, plan).forEach(u -> node.withArray("unkept").add(u.words(zone)));
    }
    out.println(root.toPrettyString());
  }

  private static void spans(ObjectNode node, String name, List<Span> spans) {
    node.putArray(name);
    for (Span s : spans) {
      node.withArray(name)
          .addObject()
          .put("from", s.from().toString())
          .put("until", s.until().toString());
    }
  }
}
