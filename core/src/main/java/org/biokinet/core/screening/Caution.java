package org.biokinet.core.screening;

import java.util.OptionalInt;

/**
 * A limit that a condition sets on what has a feature: start dose, no harder rung, the easier form
 * first, and what else is said here.
 *
 * @param ceiling the highest stretch intensity, of 10
 * @param effort the highest effort, in percent
 * @param startSeconds the longest hold to start with
 * @param note what to mind, in words; empty when the limits say it all
 */
public record Caution(
    Feature feature, int ceiling, OptionalInt effort, OptionalInt startSeconds, String note) {

  /** Common practice, no source. */
  public static final int CEILING = 3;

  static Caution on(Feature feature) {
    return new Caution(feature, CEILING, OptionalInt.empty(), OptionalInt.empty(), "");
  }

  Caution noting(String text) {
    return new Caution(feature, ceiling, effort, startSeconds, text);
  }

  Caution effortUpTo(int percent) {
    return new Caution(feature, ceiling, OptionalInt.of(percent), startSeconds, note);
  }

  Caution startingAt(int seconds) {
    return new Caution(feature, ceiling, effort, OptionalInt.of(seconds), note);
  }

  Caution ceilingOf(int most) {
    return new Caution(feature, most, effort, startSeconds, note);
  }
}
