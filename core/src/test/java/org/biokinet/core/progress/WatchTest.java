package org.biokinet.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;
import java.util.SplittableRandom;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** Clients made up by {@link Simulated}; nothing is claimed of real people. */
class WatchTest {

  private static final LocalDate FIRST = LocalDate.parse("2026-01-01");
  private static final int YEAR = 365;

  private static SortedMap<LocalDate, Double> highest(List<Simulated.Day> days) {
    SortedMap<LocalDate, Double> values = new TreeMap<>();
    for (Simulated.Day d : days) {
      if (d.done()) values.put(FIRST.plusDays(d.day()), (double) d.highest());
    }
    return values;
  }

  private static SortedMap<LocalDate, Double> values(int... each) {
    SortedMap<LocalDate, Double> values = new TreeMap<>();
    for (int n = 0; n < each.length; n++) values.put(FIRST.plusDays(n), (double) each[n]);
    return values;
  }

  private static Simulated somebody(SplittableRandom random) {
    return new Simulated(
        0.5 + random.nextDouble() / 2,
        1,
        1 + 5 * random.nextDouble(),
        0,
        2 * random.nextDouble(),
        3);
  }

  /** The issue that asked for it: at most one a client a year. */
  @Test
  void aSteadyClientIsSuspectedLessThanOnceAYear() {
    SplittableRandom random = new SplittableRandom(21);
    int clients = 10_000;
    int alarms = 0;
    int most = 0;
    for (int n = 0; n < clients; n++) {
      int own =
          Watch.all(highest(Simulated.days(n, new Simulated.Phase(YEAR, somebody(random))))).size();
      alarms += own;
      most = Math.max(most, own);
    }
    assertThat((double) alarms / clients).isBetween(0.2, 0.4); // 0.36
    assertThat(most).isLessThanOrEqualTo(4);
  }

  /** Where half to all of the days are told; counted with the first day of the rise. */
  @Test
  void aRiseByTwoIsFoundWithinDays() {
    SplittableRandom random = new SplittableRandom(22);
    List<Long> delays = new ArrayList<>();
    int missed = 0;
    for (int n = 0; n < 1000; n++) {
      Simulated usual = somebody(random);
      Simulated worse =
          new Simulated(usual.adherence(), 1, usual.pain() + 2, 0, usual.rise(), usual.felt());
      List<Simulated.Day> days =
          Simulated.days(n, new Simulated.Phase(42, usual), new Simulated.Phase(14, worse));
      Optional<Watch> found =
          Watch.all(highest(days)).stream()
              .filter(w -> !w.seen().isBefore(FIRST.plusDays(42)))
              .findFirst();
      if (found.isEmpty()) missed++;
      else delays.add(ChronoUnit.DAYS.between(FIRST.plusDays(42), found.get().seen()) + 1);
    }
    double mean = delays.stream().mapToLong(days -> days).average().orElseThrow();
    assertThat(mean).isBetween(3.5, 4.0); // 3.9
    assertThat(missed).isLessThan(20); // 15
  }

  private static int[] then(int usual, int days, int... more) {
    int[] each = new int[days + more.length];
    Arrays.fill(each, usual);
    System.arraycopy(more, 0, each, days, more.length);
    return each;
  }

  /** By hand: a deviation counts as 0.7 at least, so 4 after 2 is 2.9 of them; no day is over 2. */
  @Test
  void twoDaysOfTwoMoreAreEnoughAndOneIsNeverHoweverBad() {
    assertThat(Watch.of(values(then(2, 20, 10)))).isEmpty();
    assertThat(Watch.of(values(then(2, 20, 5)))).isEmpty();
    assertThat(Watch.of(values(then(2, 20, 5, 5))))
        .contains(new Watch(FIRST.plusDays(20), FIRST.plusDays(21), 2, true));
    assertThat(Watch.of(values(then(2, 20, 4, 4))))
        .contains(new Watch(FIRST.plusDays(20), FIRST.plusDays(21), 2, true));
    // 0.83 a day.
    assertThat(Watch.of(values(then(2, 20, 3, 3, 3, 3, 3)))).isEmpty();
    assertThat(Watch.of(values(then(2, 20, 3, 3, 3, 3, 3, 3))))
        .contains(new Watch(FIRST.plusDays(20), FIRST.plusDays(25), 2, true));
  }

  /** Seven values that are more than a week old are the least that is usual. */
  @Test
  void nothingIsUsualBeforeThereIsEnough() {
    assertThat(Watch.of(values(then(2, 13, 9, 9)))).isEmpty();
    assertThat(Watch.of(values(then(2, 14, 9, 9)))).isPresent();
  }

  @Test
  void threeUsualDaysRunningEndIt() {
    assertThat(Watch.of(values(then(2, 20, 5, 5, 2, 2)))).isPresent();
    assertThat(Watch.of(values(then(2, 20, 5, 5, 2, 2, 5, 2, 2)))).isPresent();
    assertThat(Watch.of(values(then(2, 20, 5, 5, 2, 2, 2)))).isEmpty();
  }

  @Test
  void whatLastsForFourWeeksIsUsual() {
    int[] lasts = new int[28];
    Arrays.fill(lasts, 5);
    assertThat(Watch.of(values(then(2, 20, lasts)))).isPresent();
    int[] longer = new int[31];
    Arrays.fill(longer, 5);
    assertThat(Watch.of(values(then(2, 20, longer)))).isEmpty();
  }
}
