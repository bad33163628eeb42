package org.biokinet.core.progress;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.function.ToIntFunction;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.measure.Goal;
import org.biokinet.core.measure.Visit;
import org.biokinet.core.program.Rhythm;
import org.biokinet.core.session.CheckIn;
import org.biokinet.core.session.Session;
import org.biokinet.core.timeline.Performance;

/**
 * Where the record of a client goes, each row of it in a sentence.
 *
 * @param rows that have any value
 * @param watch the highest pain of sessions, where it is above what is usual
 */
public record Trends(List<Row> rows, Optional<Watch> watch) {

  /** So far back values are read; our choice. */
  public static final int WEEKS = 8;

  private static final int DAYS_A_WEEK = 7;
  private static final int DAYS = WEEKS * DAYS_A_WEEK;
  private static final double PERCENT = 100;

  /** What the values of a row are. */
  public enum Unit {
    /** Of ten, less is better. */
    PAIN,
    /** Of ten, neither is better. */
    FELT,
    /** Percent of what was planned. */
    SHARE,
    /** Of ten, more is better. */
    ABILITY
  }

  /**
   * One row.
   *
   * @param trend empty with fewer than {@link Trend#LEAST_VALUES} values
   */
  public record Row(String name, Unit unit, int values, Optional<Trend> trend) {

    /** "Pain before a session falls by 0.4 a week, 2.1 now". */
    public String sentence() {
      return trend
          .map(
              t ->
                  t.perWeek().clear()
                      ? "%s %s by %s a week, %s now"
                          .formatted(
                              name,
                              t.perWeek().value() < 0 ? "falls" : "rises",
                              say(Math.abs(t.perWeek().value())),
                              say(t.level()))
                      : "%s: no clear change, %s".formatted(name, say(t.level())))
          .orElse(
              "%s: %d of the %d values that a trend takes"
                  .formatted(name, values, Trend.LEAST_VALUES));
    }

    /** The figures behind it. */
    public List<String> why() {
      List<String> why = new ArrayList<>();
      trend.ifPresent(
          t -> {
            why.add("%d values of the last %d weeks".formatted(t.values(), WEEKS));
            why.add("per week " + say(t.perWeek()));
            t.since()
                .ifPresent(s -> why.add("since version %d %s".formatted(s.version(), say(s.by()))));
          });
      return List.copyOf(why);
    }

    private boolean clear() {
      return trend.filter(t -> t.perWeek().clear()).isPresent();
    }

    /** Whether it clearly goes the wrong way. */
    public boolean worse() {
      return trend
          .map(Trend::perWeek)
          .filter(Trend.Estimate::clear)
          .filter(
              e ->
                  switch (unit) {
                    case PAIN -> e.value() > 0;
                    case SHARE, ABILITY -> e.value() < 0;
                    case FELT -> false;
                  })
          .isPresent();
    }

    /** "−0.4 (95 % from −0.6 to −0.2)". */
    private String say(Trend.Estimate e) {
      return "%s (95 %% from %s to %s)"
          .formatted(signed(e.value()), signed(e.low()), signed(e.high()));
    }

    private String signed(double value) {
      String plain = say(Math.abs(value));
      boolean nothing = plain.equals(say(0));
      return nothing ? plain : (value < 0 ? "−" : "+") + plain;
    }

    private String say(double value) {
      return unit == Unit.SHARE
          ? "%d %%".formatted(Math.round(value))
          : String.format(Locale.ROOT, "%.1f", value);
    }
  }

  public Trends {
    rows = List.copyOf(rows);
  }

  /** The row that says most: what gets worse, else what clearly changes; empty where none does. */
  public Optional<Row> lead() {
    return rows.stream()
        .filter(Row::worse)
        .findFirst()
        .or(() -> rows.stream().filter(Row::clear).findFirst());
  }

  /** Whether any row has values enough. */
  public boolean known() {
    return rows.stream().anyMatch(r -> r.trend().isPresent());
  }

  /**
   * @param visits of the episode
   * @param goals the client's own activities
   */
  public static Trends of(Diary diary, List<Visit> visits, List<Goal> goals) {
    Overview overview = Overview.of(diary, DAYS);
    SortedMap<LocalDate, Integer> versions = new TreeMap<>();
    // Done from the day after, as a rule: versions are shared at a visit.
    diary
        .versions()
        .forEach(
            v ->
                versions.put(
                    LocalDate.ofInstant(v.sharedAt(), diary.zone()).plusDays(1), v.number()));
    SortedMap<LocalDate, Double> highest = told(overview, Overview.Day::highest);
    List<Row> rows = new ArrayList<>();
    add(rows, "Pain in the morning", Unit.PAIN, told(overview, Overview.Day::morning), versions);
    add(rows, "Pain before a session", Unit.PAIN, told(overview, Overview.Day::before), versions);
    add(rows, "Highest pain in a session", Unit.PAIN, highest, versions);
    add(rows, "Stretch felt", Unit.FELT, felt(diary), versions);
    for (Side side : Side.values()) {
      String name = "Done of what is planned, " + side.label();
      add(rows, name, Unit.SHARE, done(diary, side), versions);
    }
    for (Goal goal : goals) {
      SortedMap<LocalDate, Double> rated = new TreeMap<>();
      visits.forEach(
          v -> v.activity(goal.activity()).ifPresent(r -> rated.put(v.day(), (double) r)));
      add(rows, goal.activity(), Unit.ABILITY, rated, versions);
    }
    return new Trends(rows, Watch.of(highest));
  }

  private static void add(
      List<Row> rows,
      String name,
      Unit unit,
      SortedMap<LocalDate, Double> values,
      SortedMap<LocalDate, Integer> versions) {
    if (values.isEmpty()) return;
    rows.add(new Row(name, unit, values.size(), Trend.of(values, versions)));
  }

  private static SortedMap<LocalDate, Double> told(
      Overview overview, Function<Overview.Day, Optional<Integer>> what) {
    SortedMap<LocalDate, Double> values = new TreeMap<>();
    overview.days().forEach(d -> what.apply(d).ifPresent(v -> values.put(d.day(), (double) v)));
    return values;
  }

  /** The strongest of each day. */
  private static SortedMap<LocalDate, Double> felt(Diary diary) {
    SortedMap<LocalDate, Double> values = new TreeMap<>();
    for (Session s : recent(diary)) {
      s.checkIn()
          .flatMap(CheckIn::stretchFelt)
          .ifPresent(f -> values.merge(s.day(), (double) f, Math::max));
    }
    return values;
  }

  /** Percent of each week of the plan that was done on a side, by the last day of the week. */
  private static SortedMap<LocalDate, Double> done(Diary diary, Side side) {
    SortedMap<LocalDate, Double> values = new TreeMap<>();
    if (recent(diary).stream().noneMatch(s -> planned(s, side) > 0)) return values;
    LocalDate last = diary.today().minusDays(1);
    for (int week = 0; week < WEEKS; week++) {
      LocalDate to = last.minusDays((long) week * DAYS_A_WEEK);
      LocalDate from = to.minusDays(DAYS_A_WEEK - 1L);
      double planned =
          from.datesUntil(to.plusDays(1)).mapToDouble(day -> planned(diary, day)).sum();
      double done =
          recent(diary).stream()
              .filter(s -> !s.day().isBefore(from) && !s.day().isAfter(to))
              .filter(Evidence::counts)
              .mapToDouble(s -> part(s, side))
              .sum();
      boolean whole = !from.isBefore(begun(diary));
      if (whole && planned > 0) values.put(to, Math.min(PERCENT, PERCENT * done / planned));
    }
    return values;
  }

  private static LocalDate begun(Diary diary) {
    return LocalDate.ofInstant(diary.versions().get(0).sharedAt(), diary.zone()).plusDays(1);
  }

  /** Sessions of a day, by the rhythm of what was in force; none in a pause. */
  private static double planned(Diary diary, LocalDate day) {
    if (diary.paused(day)) return 0;
    return diary.versions().stream()
        .filter(v -> LocalDate.ofInstant(v.sharedAt(), diary.zone()).isBefore(day))
        .reduce((a, b) -> b)
        .map(v -> Rhythm.of(v.program()))
        .map(r -> (double) r.perWeek() * r.perDay() / DAYS_A_WEEK)
        .orElse(0.0);
  }

  /**
   * How much of a session was done on one side; where nothing was to be done, nothing is missed.
   */
  private static double part(Session s, Side side) {
    int planned = planned(s, side);
    return planned == 0 ? 1 : (double) seconds(s, side, Performance.Part::seconds) / planned;
  }

  private static int planned(Session s, Side side) {
    return seconds(s, side, Performance.Part::plannedSeconds);
  }

  /** What has no side, or both at once, aside. */
  private static int seconds(Session s, Side side, ToIntFunction<Performance.Part> of) {
    Optional<Side> own = Optional.of(side);
    return s.parts().stream().filter(p -> p.side().equals(own)).mapToInt(of).sum();
  }

  private static List<Session> recent(Diary diary) {
    LocalDate from = diary.today().minusDays(DAYS);
    return diary.sessions().stream().filter(s -> s.day().isAfter(from)).toList();
  }
}
