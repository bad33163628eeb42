package org.biokinet.core.measure;

import java.util.List;
import java.util.Optional;
import org.biokinet.core.anatomy.Side;

/**
 * How far two sides differ: (higher − lower) ÷ higher, and in degrees. Common practice, no source.
 *
 * @param degrees never negative
 * @param share of the higher one, 0 to 1; 0 when both are 0
 * @param lower the side with less; empty when they are the same
 */
public record Asymmetry(double degrees, double share, Optional<Side> lower) {

  /** From here on, both together, extra dose goes to the lower side. */
  public static final double FLAG_DEGREES = 10;

  public static final double FLAG_SHARE = 0.15;

  public static Asymmetry of(double left, double right) {
    double higher = Math.max(left, right);
    double difference = Math.abs(left - right);
    Optional<Side> lower =
        left == right ? Optional.empty() : Optional.of(left < right ? Side.LEFT : Side.RIGHT);
    return new Asymmetry(difference, higher == 0 ? 0 : difference / higher, lower);
  }

  public boolean flagged() {
    return degrees >= FLAG_DEGREES && share >= FLAG_SHARE;
  }

  /**
   * Whether extra dose on the lower side ends: under the flag in two measurements running.
   *
   * @param oldestFirst all that were measured
   */
  public static boolean evenedOut(List<Asymmetry> oldestFirst) {
    int size = oldestFirst.size();
    return size >= 2
        && !oldestFirst.get(size - 1).flagged()
        && !oldestFirst.get(size - 2).flagged();
  }
}
