package org.biokinet.core.progress;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.SortedMap;

/**
 * Days on which values are higher than usual: how far each is above what was usual a week before is
 * summed up, less an allowance, until a limit is reached (cumulative sums: Page 1954, Biometrika
 * 41:100; recalled from memory). Allowance, limit and windows are our choice: 10,000 made-up
 * clients who are steady are wrongly suspected 0.36 times a year each, and a rise by 2 that lasts
 * is seen on its fourth day on average ({@code WatchTest} measures both).
 *
 * @param since the first day of the rise
 * @param seen the day on which it was clear
 * @param usual the mean before
 * @param lasts whether it is not over
 */
public record Watch(LocalDate since, LocalDate seen, double usual, boolean lasts) {

  /** What is usual is not taken from the last days, lest a rise is usual by the time it is seen. */
  static final int LAG_DAYS = 7;

  /** Days before these from which it is taken; after as many a rise that lasts is usual itself. */
  static final int USUAL_DAYS = 28;

  /** With fewer values nothing is usual yet. */
  static final int LEAST_USUAL = 7;

  /** So many values running that are not above the allowance end it. */
  static final int BACK = 3;

  /** In deviations, of each value. */
  private static final double ALLOWANCE = 0.6;

  private static final double LIMIT = 4.4;

  /** Whole numbers are no steadier than that: nobody's deviation is taken for less. */
  private static final double LEAST_DEVIATION = 0.7;

  /** The rise that lasts; empty where the last value is within what is usual. */
  public static Optional<Watch> of(SortedMap<LocalDate, Double> values) {
    return lasting(all(values));
  }

  /**
   * Each rise, the oldest first.
   *
   * @param values by day
   */
  public static List<Watch> all(SortedMap<LocalDate, Double> values) {
    Sum sum = new Sum();
    values.forEach(sum::add);
    return sum.rises;
  }

  /** Only the last can. */
  private static Optional<Watch> lasting(List<Watch> rises) {
    return rises.stream().filter(Watch::lasts).findFirst();
  }

  private record Value(LocalDate day, double value) {}

  private static final class Sum {
    private final List<Watch> rises = new ArrayList<>();

    /** The last days, which are not usual yet, and those before them. */
    private final Deque<Value> waiting = new ArrayDeque<>();

    private final Deque<Value> usual = new ArrayDeque<>();
    private double sum;
    private LocalDate begun = LocalDate.MIN;
    private int back;

    void add(LocalDate day, double value) {
      if (lasting(rises).filter(w -> far(w.seen(), day) > USUAL_DAYS).isPresent()) end();
      if (lasting(rises).isEmpty()) age(day);
      waiting.addLast(new Value(day, value));
      if (usual.size() < LEAST_USUAL) return;
      double mean = usual.stream().mapToDouble(Value::value).average().orElseThrow();
      double above = (value - mean) / deviation(mean) - ALLOWANCE;
      back = above > 0 ? 0 : back + 1;
      if (lasting(rises).isPresent()) {
        if (back == BACK) end();
        return;
      }
      if (sum == 0) begun = day;
      // One day alone, however bad, is none.
      sum = Math.max(0, sum + Math.min(above, LIMIT / 2));
      if (sum >= LIMIT) rises.add(new Watch(begun, day, mean, true));
    }

    private void end() {
      Watch last = rises.remove(rises.size() - 1);
      rises.add(new Watch(last.since(), last.seen(), last.usual(), false));
      sum = 0;
    }

    private void age(LocalDate day) {
      while (!waiting.isEmpty() && far(waiting.getFirst().day(), day) > LAG_DAYS) {
        usual.addLast(waiting.removeFirst());
      }
      while (!usual.isEmpty() && far(usual.getFirst().day(), day) > LAG_DAYS + USUAL_DAYS) {
        usual.removeFirst();
      }
    }

    private double deviation(double mean) {
      double squares =
          usual.stream().mapToDouble(v -> (v.value() - mean) * (v.value() - mean)).sum();
      return Math.max(LEAST_DEVIATION, Math.sqrt(squares / (usual.size() - 1)));
    }

    private static long far(LocalDate from, LocalDate to) {
      return ChronoUnit.DAYS.between(from, to);
    }
  }
}
