package org.biokinet.core.progress;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.apache.commons.math3.distribution.TDistribution;
import org.apache.commons.math3.stat.descriptive.SummaryStatistics;
import org.apache.commons.math3.stat.inference.TTest;
import org.apache.commons.math3.stat.regression.SimpleRegression;
import org.junit.jupiter.api.Test;

/**
 * Against Apache Commons Math, which computes slopes, intervals and Welch's test in its own way.
 */
class TrendTest {

  private static final LocalDate FIRST = LocalDate.parse("2026-10-01");

  private static SortedMap<LocalDate, Double> values(List<Integer> gaps, List<Double> each) {
    SortedMap<LocalDate, Double> values = new TreeMap<>();
    LocalDate day = FIRST;
    for (int n = 0; n < each.size(); n++) {
      day = day.plusDays(gaps.get(n));
      values.put(day, each.get(n));
    }
    return values;
  }

  private static SortedMap<LocalDate, Double> daily(double... each) {
    List<Double> list = Arrays.stream(each).boxed().toList();
    return values(Collections.nCopies(each.length, 1), list);
  }

  @Property(tries = 300)
  void slopeAndIntervalAreThoseOfCommonsMath(
      @ForAll @Size(min = 5, max = 40) List<@DoubleRange(max = 10) Double> each,
      @ForAll @Size(40) List<@IntRange(min = 1, max = 4) Integer> gaps) {
    SimpleRegression line = new SimpleRegression();
    SortedMap<LocalDate, Double> values = values(gaps, each);
    values.forEach((day, v) -> line.addData((double) ChronoUnit.DAYS.between(FIRST, day), v));
    Trend.Estimate own = Trend.of(values, new TreeMap<>()).orElseThrow().perWeek();
    double half = 7 * line.getSlopeConfidenceInterval(0.05);
    assertThat(own.value()).isCloseTo(7 * line.getSlope(), within(1e-6));
    assertThat(own.high() - own.value()).isCloseTo(half, within(1e-6));
    assertThat(own.value() - own.low()).isCloseTo(half, within(1e-6));
  }

  /** Welch's degrees of freedom are protected there. */
  private static final class Welch extends TTest {
    double half(SummaryStatistics a, SummaryStatistics b) {
      double freedom = df(a.getVariance(), b.getVariance(), (double) a.getN(), (double) b.getN());
      double error = Math.sqrt(a.getVariance() / a.getN() + b.getVariance() / b.getN());
      return error * new TDistribution(freedom).inverseCumulativeProbability(0.975);
    }
  }

  @Property(tries = 300)
  void whatChangedWithAVersionIsThatOfCommonsMath(
      @ForAll @Size(min = 5, max = 20) List<@DoubleRange(max = 10) Double> before,
      @ForAll @Size(min = 5, max = 20) List<@DoubleRange(max = 10) Double> after) {
    SummaryStatistics a = new SummaryStatistics();
    SummaryStatistics b = new SummaryStatistics();
    before.forEach(a::addValue);
    after.forEach(b::addValue);
    Trend.Estimate own = Trend.step(before, after).orElseThrow();
    assertThat(own.value()).isCloseTo(b.getMean() - a.getMean(), within(1e-9));
    if (a.getVariance() + b.getVariance() > 1e-9) {
      assertThat(own.high() - own.value()).isCloseTo(new Welch().half(a, b), within(1e-5));
    }
  }

  @Test
  void noTrendUnderFiveValues() {
    assertThat(Trend.of(daily(5, 4, 3, 2), new TreeMap<>())).isEmpty();
    assertThat(Trend.of(daily(5, 4, 3, 2, 1), new TreeMap<>())).isPresent();
    List<Double> four = List.of(1.0, 2.0, 3.0, 4.0);
    List<Double> five = List.of(1.0, 2.0, 3.0, 4.0, 5.0);
    assertThat(Trend.step(four, five)).isEmpty();
    assertThat(Trend.step(five, four)).isEmpty();
    assertThat(Trend.step(five, five)).isPresent();
  }

  /** By hand: a value a week old counts half, two weeks a quarter. */
  @Test
  void anOlderValueCountsLess() {
    SortedMap<LocalDate, Double> values =
        values(List.of(1, 7, 7, 7, 7), List.of(1.0, 1.0, 1.0, 1.0, 5.0));
    double mean = (5 + 0.5 + 0.25 + 0.125 + 0.0625) / (1 + 0.5 + 0.25 + 0.125 + 0.0625);
    assertThat(Trend.of(values, new TreeMap<>()).orElseThrow().level())
        .isCloseTo(mean, within(1e-9));
  }

  @Test
  void whatDoesNotScatterIsSureAndWhatDoesNotMoveIsNothing() {
    Trend falls = Trend.of(daily(9, 8, 7, 6, 5), new TreeMap<>()).orElseThrow();
    assertThat(falls.perWeek().value()).isCloseTo(-7, within(1e-9));
    assertThat(falls.perWeek().clear()).isTrue();
    Trend still = Trend.of(daily(3, 3, 3, 3, 3), new TreeMap<>()).orElseThrow();
    assertThat(still.perWeek()).isEqualTo(new Trend.Estimate(0, 0, 0));
    assertThat(still.perWeek().clear()).isFalse();
    assertThat(Trend.of(daily(3, 2, 3, 2, 3), new TreeMap<>()).orElseThrow().perWeek().clear())
        .isFalse();
  }

  /** The newest version that has five values on both sides of its day. */
  @Test
  void aVersionIsComparedOnceThereIsEnoughOfIt() {
    SortedMap<LocalDate, Double> values = daily(4, 4, 4, 4, 4, 4, 2, 2, 2, 2, 2, 2);
    SortedMap<LocalDate, Integer> versions = new TreeMap<>();
    versions.put(FIRST.plusDays(7), 2);
    versions.put(FIRST.plusDays(10), 3);
    Trend.Since since = Trend.of(values, versions).orElseThrow().since().orElseThrow();
    assertThat(since).isEqualTo(new Trend.Since(2, new Trend.Estimate(-2, -2, -2)));
    assertThat(Trend.of(values.headMap(FIRST.plusDays(11)), versions).orElseThrow().since())
        .isEmpty();
  }

  /** Three weeks on either side count, no more. */
  @Test
  void whatIsLongAgoIsNotCompared() {
    SortedMap<LocalDate, Double> values = new TreeMap<>();
    for (int n = 0; n < 60; n++) values.put(FIRST.plusDays(n), n < 9 || n > 50 ? 10.0 : 1.0);
    SortedMap<LocalDate, Integer> versions = new TreeMap<>();
    versions.put(FIRST.plusDays(30), 2);
    assertThat(Trend.of(values, versions).orElseThrow().since().orElseThrow().by())
        .isEqualTo(new Trend.Estimate(0, 0, 0));
  }
}
