package org.biokinet.core.workday;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.SplittableRandom;
import org.biokinet.core.calendar.Span;
import org.biokinet.core.workday.BreakPlan.Situation;
import org.junit.jupiter.api.Test;

/** Breaks of a day; every figure is worked out from docs/WORKDAY.md by hand. */
class BreakPlanTest {

  static final LocalDate DAY = LocalDate.of(2026, 5, 4);

  static Instant at(String time) {
    String[] parts = time.split(":", -1);
    return DAY.atStartOfDay(ZoneOffset.UTC)
        .plusHours(Integer.parseInt(parts[0]))
        .plusMinutes(Integer.parseInt(parts[1]))
        .toInstant();
  }

  static Span span(String fromUntil) {
    String[] parts = fromUntil.split("-", -1);
    return new Span(at(parts[0]), at(parts[1]));
  }

  static List<Span> spans(String... those) {
    return Arrays.stream(those).map(BreakPlanTest::span).toList();
  }

  static Workday day(List<Span> work, List<Span> hard) {
    return new Workday(DAY, work, hard, List.of(), List.of());
  }

  static List<String> times(BreakPlan plan) {
    return plan.breaks().stream()
        .map(b -> b.from().atOffset(ZoneOffset.UTC).toLocalTime().toString())
        .toList();
  }

  static List<Long> minutes(BreakPlan plan) {
    return plan.sittings().stream().map(Span::minutes).toList();
  }

  /** 09:00 to 12:00 at 45 minutes: three breaks of 2 leave 174 of sitting, which is 43 or 44. */
  @Test
  void anEmptyMorningIsEven() {
    BreakPlan plan = BreakPlan.of(day(spans("9:00-12:00"), List.of()), BreakWish.USUAL);
    assertThat(minutes(plan)).containsExactlyInAnyOrder(43L, 43L, 44L, 44L);
    assertThat(plan.breaks()).hasSize(3).allMatch(b -> b.minutes() == 2);
  }

  /** As many as there have to be and no more: 92 minutes hold two sittings of 45 and one break. */
  @Test
  void noMoreBreaksThanAreNeeded() {
    assertThat(times(BreakPlan.of(day(spans("9:00-10:32"), List.of()), BreakWish.USUAL)))
        .containsExactly("09:45");
    assertThat(BreakPlan.of(day(spans("9:00-10:33"), List.of()), BreakWish.USUAL).breaks())
        .hasSize(2);
    assertThat(BreakPlan.of(day(spans("9:00-9:45"), List.of()), BreakWish.USUAL).breaks())
        .isEmpty();
  }

  /** A morning that is booked is as it is, and is no reason to leave the afternoon without. */
  @Test
  void oneLongMeetingDoesNotSpoilTheRestOfTheDay() {
    BreakPlan plan = BreakPlan.of(day(spans("9:00-17:00"), spans("9:00-12:30")), BreakWish.USUAL);
    assertThat(plan.longest()).contains(span("9:00-12:30"));
    assertThat(times(plan).get(0)).isEqualTo("12:30");
    // 268 minutes after it: five breaks of 2 leave 258 in six sittings of 43.
    assertThat(minutes(plan)).containsExactly(210L, 43L, 43L, 43L, 43L, 43L, 43L);
  }

  /** Between two meetings: the break goes into the one gap, though the interval is longer so. */
  @Test
  void aBreakFitsBetweenMeetings() {
    BreakPlan plan =
        BreakPlan.of(day(spans("9:00-10:55"), spans("9:30-10:10", "10:12-10:50")), BreakWish.USUAL);
    // 09:28 to 10:10 is 40; without the gap at 10:10 somebody would sit from there to 10:50.
    assertThat(times(plan)).containsExactly("09:28", "10:10");
    assertThat(minutes(plan)).containsExactly(28L, 40L, 43L);
  }

  @Test
  void anHourOfQuietHasNone() {
    Workday quiet =
        new Workday(DAY, spans("8:00-12:00"), List.of(), List.of(), spans("9:00-11:00"));
    BreakPlan plan = BreakPlan.of(quiet, BreakWish.USUAL);
    assertThat(plan.breaks()).noneMatch(span("9:00-11:00")::overlaps);
    assertThat(plan.longest()).contains(span("9:00-11:00"));
  }

  /** A soft meeting is left alone until a sitting would be longer than the most. */
  @Test
  void aSoftMeetingGivesWayOnlyToWhatIsTooLong() {
    List<Span> work = spans("9:00-11:00");
    BreakWish wish = new BreakWish(45, 20, 60, 8, 2);
    Workday hour = new Workday(DAY, work, List.of(), spans("9:30-10:25"), List.of());
    assertThat(BreakPlan.of(hour, wish).breaks()).noneMatch(span("9:30-10:25")::overlaps);
    // From 09:20 at the earliest to 10:40 are 78 minutes, 18 more than the most.
    Workday longer = new Workday(DAY, work, List.of(), spans("9:20-10:40"), List.of());
    assertThat(BreakPlan.of(longer, wish).breaks()).anyMatch(span("9:20-10:40")::overlaps);
    Workday hard = new Workday(DAY, work, spans("9:20-10:40"), List.of(), List.of());
    assertThat(BreakPlan.of(hard, wish).breaks()).noneMatch(span("9:20-10:40")::overlaps);
  }

  /** Two breaks for eight hours: three sittings of 158 or 159 minutes. */
  @Test
  void neverMoreThanTheNumber() {
    BreakWish two = new BreakWish(45, 20, 60, 2, 2);
    BreakPlan plan = BreakPlan.of(day(spans("9:00-17:00"), List.of()), two);
    assertThat(minutes(plan)).containsExactlyInAnyOrder(158L, 159L, 159L);
    BreakWish none = new BreakWish(45, 20, 60, 0, 2);
    assertThat(BreakPlan.of(day(spans("9:00-17:00"), List.of()), none).breaks()).isEmpty();
  }

  /** Lunch is no sitting: both halves begin anew. */
  @Test
  void betweenTwoShiftsNobodySits() {
    BreakPlan plan =
        BreakPlan.of(day(spans("8:00-9:30", "10:00-11:30"), List.of()), BreakWish.USUAL);
    assertThat(minutes(plan)).containsExactly(44L, 44L, 44L, 44L);
  }

  @Test
  void nobodyWhoDoesNotWorkIsAsked() {
    BreakPlan plan = BreakPlan.of(day(List.of(), spans("9:00-10:00")), BreakWish.USUAL);
    assertThat(plan.breaks()).isEmpty();
    assertThat(plan.longest()).isEmpty();
  }

  /** From now on; what was had before splits the sitting, and what is near stays. */
  @Test
  void aMissedBreakIsPlannedAnewAndTheRestStays() {
    Workday day = day(spans("9:00-12:00"), List.of());
    BreakPlan first = BreakPlan.of(day, BreakWish.USUAL);
    assertThat(times(first)).containsExactly("09:44", "10:30", "11:15");
    BreakPlan later =
        BreakPlan.of(
            new Situation(
                day,
                BreakWish.USUAL,
                at("9:55"),
                List.of(),
                first.breaks().stream().map(Span::from).toList()));
    // 09:55 at once (sitting 55); 10:30 is 33 after it and stays, and so does 11:15.
    assertThat(times(later)).containsExactly("09:55", "10:30", "11:15");
  }

  @Test
  void aBreakTakenEarlyCounts() {
    Workday day = day(spans("9:00-12:00"), List.of());
    BreakPlan later =
        BreakPlan.of(
            new Situation(day, BreakWish.USUAL.less(1), at("9:22"), spans("9:20-9:22"), List.of()));
    assertThat(later.sittings().get(0)).isEqualTo(span("9:00-9:20"));
    assertThat(later.breaks()).allMatch(b -> !b.from().isBefore(at("9:42"))).hasSize(3);
    assertThat(later.longest().orElseThrow().minutes()).isLessThanOrEqualTo(45);
  }

  /** Seconds that a break was had at do not shift the minutes of the rest. */
  @Test
  void planIsInWholeMinutes() {
    Workday day = day(spans("9:00-12:00"), List.of());
    Span had = new Span(at("9:20").plusSeconds(7), at("9:21").plusSeconds(40));
    BreakPlan later =
        BreakPlan.of(new Situation(day, BreakWish.USUAL, had.until(), List.of(had), List.of()));
    assertThat(later.breaks()).isNotEmpty().allMatch(b -> b.from().getEpochSecond() % 60 == 0);
  }

  @Test
  void aWishHasItsLimits() {
    for (int[] w :
        new int[][] {
          {29, 20, 60, 8, 2}, {61, 20, 90, 8, 2}, {45, 9, 60, 8, 2}, {45, 46, 60, 8, 2},
          {45, 20, 44, 8, 2}, {45, 20, 121, 8, 2}, {45, 20, 60, -1, 2}, {45, 20, 60, 25, 2},
          {45, 20, 60, 8, 0}, {45, 20, 60, 8, 6}
        }) {
      assertThatThrownBy(() -> new BreakWish(w[0], w[1], w[2], w[3], w[4]))
          .as(Arrays.toString(w))
          .isInstanceOf(IllegalArgumentException.class);
    }
    assertThat(new BreakWish(30, 10, 120, 24, 5)).isNotNull();
    assertThat(BreakWish.USUAL.lasting(121).length()).isEqualTo(3);
    assertThat(BreakWish.USUAL.lasting(0).length()).isEqualTo(1);
    assertThat(BreakWish.USUAL.lasting(3600).length()).isEqualTo(5);
  }

  /** What is compared of two plans: as docs/WORKDAY.md has it, written a second time. */
  static List<Long> worth(Situation s, List<Span> breaks) {
    List<Span> rests = new ArrayList<>(s.taken());
    rests.addAll(breaks);
    List<Span> sittings = Span.without(s.day().work(), rests);
    BreakWish w = s.wish();
    List<Long> beyond = new ArrayList<>();
    long uneven = 0;
    for (Span sitting : sittings) {
      long off = sitting.minutes() - w.preferred();
      if (off > 0) beyond.add(off);
      uneven += off * off;
    }
    for (Span b : breaks) {
      if (s.day().soft().stream().anyMatch(b::overlaps)) {
        beyond.add(Math.max(1L, w.most() - w.preferred()));
      }
    }
    beyond.sort(Comparator.reverseOrder());
    while (beyond.size() < 40) beyond.add(0L);
    beyond.add((long) breaks.size());
    beyond.add(
        s.before().isEmpty()
            ? 0
            : breaks.stream().filter(b -> !s.before().contains(b.from())).count());
    beyond.add(uneven);
    return beyond;
  }

  static int compare(List<Long> a, List<Long> b) {
    for (int i = 0; i < a.size(); i++) {
      int by = a.get(i).compareTo(b.get(i));
      if (by != 0) return by;
    }
    return 0;
  }

  /** Whether breaks may be so at all: when they are, how near, how many. */
  static boolean allowed(Situation s, List<Span> breaks) {
    if (breaks.size() > s.wish().number()) return false;
    List<Span> rests = new ArrayList<>(s.taken());
    rests.addAll(breaks);
    List<Span> sittings = Span.without(s.day().work(), rests);
    for (Span b : breaks) {
      if (s.day().hard().stream().anyMatch(b::overlaps)) return false;
      if (s.day().quiet().stream().anyMatch(b::overlaps)) return false;
      if (b.from().isBefore(s.from())) return false;
      boolean afterSitting =
          sittings.stream()
              .anyMatch(x -> x.until().equals(b.from()) && x.minutes() >= s.wish().least());
      if (!afterSitting) return false;
    }
    return true;
  }

  /** A made-up day whose free minutes are few, so that all there is can be gone through. */
  static Situation seeded(long seed, int most) {
    SplittableRandom random = new SplittableRandom(seed);
    Instant begin = at("8:00");
    List<Span> work = new ArrayList<>();
    int minutes = random.nextInt(120, 300);
    if (random.nextInt(3) == 0) {
      work.add(Span.ofMinutes(begin, minutes / 2));
      work.add(Span.ofMinutes(begin.plus(Duration.ofMinutes(minutes / 2 + 30)), minutes));
    } else {
      work.add(Span.ofMinutes(begin, minutes));
    }
    int end = (int) Duration.between(begin, work.get(work.size() - 1).until()).toMinutes();
    BreakWish wish =
        new BreakWish(
            random.nextInt(30, 61),
            random.nextInt(10, 31),
            random.nextInt(60, 91),
            random.nextInt(0, 7),
            random.nextInt(1, 4));
    // All is booked but some minutes here and there.
    List<Span> gaps = new ArrayList<>();
    for (int left = most; left > 0; ) {
      int free = Math.min(left, random.nextInt(1, 4));
      gaps.add(
          Span.ofMinutes(
              begin.plus(Duration.ofMinutes(random.nextInt(end))), free + wish.length() - 1));
      left -= free;
    }
    List<Span> hard = Span.without(work, gaps);
    List<Span> soft = random.nextInt(3) == 0 ? List.of(work.get(0)) : List.of();
    if (!soft.isEmpty()) hard = Span.without(hard, List.of());
    List<Span> taken =
        random.nextInt(4) == 0
            ? List.of(Span.ofMinutes(begin.plus(Duration.ofMinutes(random.nextInt(end))), 5))
            : List.of();
    Instant from =
        random.nextInt(4) == 0 ? begin.plus(Duration.ofMinutes(random.nextInt(end))) : Instant.MIN;
    List<Instant> before =
        random.nextBoolean()
            ? List.of()
            : gaps.stream().filter(g -> random.nextBoolean()).map(Span::from).toList();
    return new Situation(new Workday(DAY, work, hard, soft, List.of()), wish, from, taken, before);
  }

  /** The least of all that is allowed, by trying every set of the minutes that are free. */
  private static List<Long> least(Situation s) {
    List<Span> candidates = new ArrayList<>();
    Span first = s.day().work().get(0);
    Span last = s.day().work().get(s.day().work().size() - 1);
    for (Instant t = first.from(); t.isBefore(last.until()); t = t.plusSeconds(60)) {
      Span one = Span.ofMinutes(t, s.wish().length());
      boolean inside =
          Span.without(s.day().work(), s.taken()).stream()
              .anyMatch(w -> !one.from().isBefore(w.from()) && !one.until().isAfter(w.until()));
      if (inside && s.day().hard().stream().noneMatch(one::overlaps)) candidates.add(one);
    }
    return tried(s, candidates, 0, new ArrayList<>(), worth(s, List.of()));
  }

  private static List<Long> tried(
      Situation s, List<Span> candidates, int next, List<Span> chosen, List<Long> best) {
    for (int i = next; i < candidates.size(); i++) {
      Span one = candidates.get(i);
      if (!chosen.isEmpty() && one.from().isBefore(chosen.get(chosen.size() - 1).until())) continue;
      chosen.add(one);
      if (allowed(s, chosen)) {
        List<Long> worth = worth(s, chosen);
        if (compare(worth, best) < 0) best = worth;
      }
      best = tried(s, candidates, i + 1, chosen, best);
      chosen.remove(chosen.size() - 1);
    }
    return best;
  }

  @Test
  void nothingIsBetterOfAllThatThereIs() {
    int planned = 0;
    for (long seed = 0; seed < 400; seed++) {
      Situation s = seeded(seed, 12);
      BreakPlan plan = BreakPlan.of(s);
      assertThat(allowed(s, plan.breaks())).as("seed " + seed).isTrue();
      assertThat(worth(s, plan.breaks())).as("seed " + seed).isEqualTo(least(s));
      planned += plan.breaks().size();
    }
    // Days on which nothing can be would show nothing.
    assertThat(planned).isGreaterThan(400);
  }

  /** Until the call, until the end of work; what stands right before one cannot wait. */
  @Test
  void howLongABreakCanBePutOff() {
    Workday day = day(spans("9:00-12:00"), spans("10:00-11:00"));
    assertThat(day.latest(span("9:40-9:42"))).isEqualTo(at("9:58"));
    assertThat(day.latest(span("9:58-10:00"))).isEqualTo(at("9:58"));
    assertThat(day.latest(span("11:30-11:33"))).isEqualTo(at("11:57"));
    assertThat(day.latest(span("8:00-8:02"))).isEqualTo(at("8:00"));
    Workday quiet = new Workday(DAY, day.work(), List.of(), day.hard(), spans("11:30-11:45"));
    assertThat(quiet.latest(span("9:40-9:42"))).isEqualTo(at("11:28"));
  }
}
