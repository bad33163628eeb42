package org.biokinet.core.progress;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import org.apache.commons.statistics.distribution.TDistribution;

/**
 * What can be said of a row of values, one a day.
 *
 * @param values how many
 * @param level the mean in which a value counts half after {@link #HALF_LIFE_DAYS}
 * @param perWeek the slope of the straight line through all of them
 * @param since by how much the level has changed with a version; empty while there are too few
 *     values on either side of it
 */
public record Trend(int values, double level, Estimate perWeek, Optional<Since> since) {

  /** With fewer nothing is said; our choice. */
  public static final int LEAST_VALUES = 5;

  /** After so many days a value counts half; our choice. */
  public static final int HALF_LIFE_DAYS = 7;

  /** So far before and after a version it is compared; our choice. */
  static final int STEP_DAYS = 21;

  private static final double TWO_SIDED_95 = 0.975;
  private static final int DAYS_A_WEEK = 7;

  /**
   * A figure, and between which two it lies with a confidence of 95 %, as far as the days are
   * independent of each other (which they are less than is assumed: read it as too narrow rather
   * than too wide).
   */
  public record Estimate(double value, double low, double high) {

    private static Estimate of(double value, double error, double freedom) {
      double t = TDistribution.of(freedom).inverseCumulativeProbability(TWO_SIDED_95);
      return new Estimate(value, value - t * error, value + t * error);
    }

    /** Whether it is not nothing, as far as one can tell. */
    public boolean clear() {
      return low > 0 || high < 0;
    }

    Estimate times(double factor) {
      return new Estimate(value * factor, low * factor, high * factor);
    }
  }

  /**
   * Mean after less mean before.
   *
   * @param version the number
   */
  public record Since(int version, Estimate by) {}

  /**
   * @param values by day
   * @param versions by the day from which they were done
   * @return empty with fewer than five values
   */
  public static Optional<Trend> of(
      SortedMap<LocalDate, Double> values, SortedMap<LocalDate, Integer> versions) {
    if (values.size() < LEAST_VALUES) return Optional.empty();
    return Optional.of(
        new Trend(
            values.size(), level(values), slope(values), since(new TreeMap<>(values), versions)));
  }

  private static double level(SortedMap<LocalDate, Double> values) {
    LocalDate last = values.lastKey();
    double sum = 0;
    double weights = 0;
    for (Map.Entry<LocalDate, Double> e : values.entrySet()) {
      double halvings = (double) ChronoUnit.DAYS.between(e.getKey(), last) / HALF_LIFE_DAYS;
      double weight = Math.pow(2, -halvings);
      sum += weight * e.getValue();
      weights += weight;
    }
    return sum / weights;
  }

  /** Ordinary least squares; the error of the slope from what is left over. */
  private static Estimate slope(SortedMap<LocalDate, Double> values) {
    List<double[]> points = new ArrayList<>();
    values.forEach(
        (day, value) ->
            points.add(new double[] {ChronoUnit.DAYS.between(values.firstKey(), day), value}));
    double x = mean(points.stream().map(p -> p[0]).toList());
    double y = mean(points.stream().map(p -> p[1]).toList());
    double xx = points.stream().mapToDouble(p -> (p[0] - x) * (p[0] - x)).sum();
    double xy = points.stream().mapToDouble(p -> (p[0] - x) * (p[1] - y)).sum();
    double slope = xy / xx;
    double left =
        points.stream()
            .mapToDouble(p -> p[1] - y - slope * (p[0] - x))
            .map(residual -> residual * residual)
            .sum();
    int freedom = points.size() - 2;
    return Estimate.of(slope, Math.sqrt(left / freedom / xx), freedom).times(DAYS_A_WEEK);
  }

  /** Of the newest version with enough values on both sides of it. */
  private static Optional<Since> since(
      SortedMap<LocalDate, Double> values, SortedMap<LocalDate, Integer> versions) {
    return versions.entrySet().stream()
        .sorted(Map.Entry.<LocalDate, Integer>comparingByKey(Comparator.reverseOrder()))
        .flatMap(
            e -> {
              LocalDate from = e.getKey();
              return step(
                  values.subMap(from.minusDays(STEP_DAYS), from).values(),
                  values.subMap(from, from.plusDays(STEP_DAYS)).values())
                  .map(by -> new Since(e.getValue(), by))
                  .stream();
            })
        .findFirst();
  }

  /** The two need not scatter alike: Welch 1947, Biometrika 34:28; recalled from memory. */
  static Optional<Estimate> step(Collection<Double> before, Collection<Double> after) {
    if (before.size() < LEAST_VALUES || after.size() < LEAST_VALUES) return Optional.empty();
    double by = mean(after) - mean(before);
    double one = variance(before) / before.size();
    double two = variance(after) / after.size();
    double both = one + two;
    if (both == 0) return Optional.of(new Estimate(by, by, by));
    double freedom =
        both * both / (one * one / (before.size() - 1) + two * two / (after.size() - 1));
    return Optional.of(Estimate.of(by, Math.sqrt(both), freedom));
  }

  private static double mean(Collection<Double> values) {
    return values.stream().mapToDouble(Double::doubleValue).average().orElseThrow();
  }

  private static double variance(Collection<Double> values) {
    double mean = mean(values);
    return values.stream().mapToDouble(v -> (v - mean) * (v - mean)).sum() / (values.size() - 1);
  }
}
