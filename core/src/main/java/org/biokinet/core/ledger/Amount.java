package org.biokinet.core.ledger;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;

/**
 * Stretch of one tissue on one side.
 *
 * @param byDays seconds a day of all that is done on so many days a week, 1–7
 */
public record Amount(Map<Integer, Double> byDays) {

  public static final Amount NONE = new Amount(Map.of());

  public Amount {
    byDays = Collections.unmodifiableMap(new TreeMap<>(byDays));
  }

  /** So many seconds on so many days a week. */
  public static Amount of(double seconds, int days) {
    return new Amount(Map.of(days, seconds));
  }

  Amount plus(double daily, int onDays) {
    Map<Integer, Double> sums = new TreeMap<>(byDays);
    sums.merge(onDays, daily, Double::sum);
    return new Amount(sums);
  }

  Amount plus(Amount other) {
    Map<Integer, Double> sums = new TreeMap<>(byDays);
    other.byDays.forEach((days, daily) -> sums.merge(days, daily, Double::sum));
    return new Amount(sums);
  }

  /** Seconds on a day on which all of it is done. */
  public double aDay() {
    return onDays(1);
  }

  /**
   * Seconds that at least so many days a week have; what is done on fewer days falls on some of
   * these (our choice), and does not make the others longer.
   */
  public double onDays(int least) {
    return byDays.entrySet().stream()
        .filter(e -> e.getKey() >= least)
        .mapToDouble(Map.Entry::getValue)
        .sum();
  }

  /** Seconds in a week. */
  public double aWeek() {
    return byDays.entrySet().stream().mapToDouble(e -> e.getKey() * e.getValue()).sum();
  }

  /** Days a week, 0–7; of several items the most. */
  public int days() {
    return byDays.keySet().stream().mapToInt(Integer::intValue).max().orElse(0);
  }
}
