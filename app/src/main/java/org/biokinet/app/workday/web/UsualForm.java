package org.biokinet.app.workday.web;

import java.time.DayOfWeek;
import java.time.LocalTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.biokinet.app.workday.WorkdayService.Usual;
import org.biokinet.core.workday.Hours;
import org.biokinet.core.workday.SessionWish;
import org.biokinet.core.workday.TimeOfDay;
import org.jspecify.annotations.Nullable;

/**
 * What a client says of their days, as it was typed.
 *
 * @param from beginnings of the working times, row by row; {@code until} their ends
 * @param quietFrom beginnings of quiet hours; {@code quietUntil} their ends
 * @param time at which a session is liked
 * @param apart hours between two of them
 */
record UsualForm(
    @Nullable Set<DayOfWeek> days0,
    @Nullable Set<DayOfWeek> days1,
    @Nullable Set<DayOfWeek> days2,
    @Nullable Set<DayOfWeek> days3,
    @Nullable List<String> from,
    @Nullable List<String> until,
    @Nullable List<String> quietFrom,
    @Nullable List<String> quietUntil,
    @Nullable List<String> time,
    @Nullable String apart,
    @Nullable String shifts,
    @Nullable String titles) {

  static final int ROWS = 4;
  static final int QUIET_ROWS = 2;

  private static final int LONGEST_WORD = 60;
  private static final int MOST_HOURS = 12;

  /** Working time of some days, as typed. */
  record Row(int place, Set<DayOfWeek> days, String from, String until) {
    boolean empty() {
      return days.isEmpty() && from.isEmpty() && until.isEmpty();
    }
  }

  /** Quiet hours, as typed. */
  record Quiet(String from, String until) {}

  static UsualForm of(Usual usual) {
    Map<TimeOfDay, Set<DayOfWeek>> byTime = new LinkedHashMap<>();
    usual.hours().forEach(h -> byTime.computeIfAbsent(h.time(), t -> new TreeSet<>()).add(h.day()));
    List<Set<DayOfWeek>> days = List.copyOf(byTime.values());
    List<TimeOfDay> times = List.copyOf(byTime.keySet());
    return new UsualForm(
        at(days, 0),
        at(days, 1),
        at(days, 2),
        at(days, 3),
        times.stream().map(t -> t.from().toString()).toList(),
        times.stream().map(t -> t.until().toString()).toList(),
        usual.quiet().stream().map(t -> t.from().toString()).toList(),
        usual.quiet().stream().map(t -> t.until().toString()).toList(),
        usual.times().stream().map(LocalTime::toString).toList(),
        usual.apart() % 60 == 0 ? "" + usual.apart() / 60 : "" + usual.apart() / 60.0,
        usual.shifts(),
        usual.titles() ? "true" : "");
  }

  private static @Nullable Set<DayOfWeek> at(List<Set<DayOfWeek>> days, int place) {
    return place < days.size() ? days.get(place) : null;
  }

  List<Row> rows() {
    List<@Nullable Set<DayOfWeek>> days = new ArrayList<>();
    days.add(days0);
    days.add(days1);
    days.add(days2);
    days.add(days3);
    List<Row> rows = new ArrayList<>();
    for (int i = 0; i < ROWS; i++) {
      Set<DayOfWeek> chosen = days.get(i);
      rows.add(new Row(i, chosen == null ? Set.of() : chosen, text(from, i), text(until, i)));
    }
    return rows;
  }

  /** How many rows there are until the last that says something; one at least. */
  int used() {
    return rows().stream().filter(r -> !r.empty()).mapToInt(r -> r.place() + 1).max().orElse(1);
  }

  List<Quiet> quietRows() {
    return Stream.iterate(0, i -> i + 1)
        .limit(QUIET_ROWS)
        .map(i -> new Quiet(text(quietFrom, i), text(quietUntil, i)))
        .toList();
  }

  List<String> times() {
    return Stream.iterate(0, i -> i + 1).limit(SessionWish.MOST).map(i -> text(time, i)).toList();
  }

  String apartTyped() {
    return apart == null ? "" : apart.strip();
  }

  String word() {
    return shifts == null ? "" : shifts.strip();
  }

  boolean withTitles() {
    return "true".equals(titles);
  }

  private static String text(@Nullable List<String> all, int place) {
    return all == null || place >= all.size() || all.get(place) == null
        ? ""
        : all.get(place).strip();
  }

  /** What is wrong with it, by field: the key of the words. */
  Map<String, String> problems() {
    Map<String, String> problems = new LinkedHashMap<>();
    for (Row r : rows()) {
      boolean blank = r.from().isEmpty() && r.until().isEmpty();
      if (blank && r.days().isEmpty()) continue;
      if (time(r.from(), r.until()).isEmpty()) {
        problems.put("hours" + r.place(), "work.wrong.time");
      } else if (r.days().isEmpty()) {
        problems.put("hours" + r.place(), "work.wrong.days");
      }
    }
    for (Quiet q : quietRows()) {
      boolean blank = q.from().isEmpty() && q.until().isEmpty();
      if (!blank && time(q.from(), q.until()).isEmpty()) problems.put("quiet", "work.wrong.time");
    }
    if (times().stream().anyMatch(t -> !t.isEmpty() && clock(t).isEmpty())) {
      problems.put("time", "work.wrong.times");
    }
    if (apartMinutes().isEmpty()) problems.put("apart", "work.wrong.apart");
    if (word().length() > LONGEST_WORD) problems.put("shifts", "work.wrong.word");
    return problems;
  }

  /** What was said; only where there are no {@link #problems}. */
  Usual usual() {
    List<Hours> hours = new ArrayList<>();
    for (Row r : rows()) {
      time(r.from(), r.until())
          .ifPresent(t -> r.days().stream().sorted().forEach(d -> hours.add(new Hours(d, t))));
    }
    return new Usual(
        hours,
        quietRows().stream().flatMap(q -> time(q.from(), q.until()).stream()).toList(),
        times().stream().flatMap(t -> clock(t).stream()).distinct().sorted().toList(),
        apartMinutes().orElseThrow(),
        word(),
        withTitles());
  }

  private Optional<Integer> apartMinutes() {
    try {
      double hours = Double.parseDouble(apartTyped().replace(',', '.'));
      return hours >= 0 && hours <= MOST_HOURS
          ? Optional.of((int) Math.round(60 * hours))
          : Optional.empty();
    } catch (NumberFormatException e) {
      return Optional.empty();
    }
  }

  private static Optional<TimeOfDay> time(String from, String until) {
    Optional<LocalTime> begin = clock(from);
    Optional<LocalTime> end = clock(until);
    if (begin.isEmpty() || end.isEmpty() || begin.equals(end)) return Optional.empty();
    return Optional.of(new TimeOfDay(begin.get(), end.get()));
  }

  static Optional<LocalTime> clock(String typed) {
    try {
      return Optional.of(LocalTime.parse(typed).withSecond(0).withNano(0));
    } catch (DateTimeParseException e) {
      return Optional.empty();
    }
  }
}
