package org.biokinet.core.measure;

import java.util.OptionalDouble;
import java.util.SplittableRandom;

/**
 * A made-up neck with a known range, moved again and again to its end and back, seen through an
 * instrument with noise, drift, lost samples and now and then nonsense. All figures are our choice;
 * nobody's instrument is imitated.
 *
 * <p>The same seed gives the same samples, asked in order.
 */
public final class SimulatedInclinometer implements Inclinometer {

  /** Of each sample, in degrees: standard deviation. */
  public static final double NOISE = 0.4;

  /** From one try to the next, in degrees: standard deviation. */
  public static final double TRIES_DIFFER = 1.2;

  /** In degrees a minute. */
  public static final double DRIFT = 1.0;

  private static final double LOST = 0.03;
  private static final double NONSENSE = 0.01;
  private static final double IMPOSSIBLE = 640;
  private static final long REST = 1_500;
  private static final long THERE = 1_600;
  private static final long HOLD = 2_200;
  private static final long BACK = 1_400;
  private static final long ROUND = REST + THERE + HOLD + BACK;

  private final double range;
  private final SplittableRandom random;
  private long round = -1;
  private double end;

  /**
   * @param range in degrees, as the neck really goes
   */
  public SimulatedInclinometer(double range, long seed) {
    this.range = range;
    this.random = new SplittableRandom(seed);
  }

  @Override
  public OptionalDouble degrees(long millis) {
    long now = millis / ROUND;
    if (now != round) {
      round = now;
      end = Math.max(0, range + TRIES_DIFFER * random.nextGaussian());
    }
    double chance = random.nextDouble();
    if (chance < LOST) return OptionalDouble.empty();
    if (chance < LOST + NONSENSE)
      return OptionalDouble.of(IMPOSSIBLE * (chance < LOST + NONSENSE / 2 ? 1 : -1));
    double drift = DRIFT * millis / 60_000;
    return OptionalDouble.of(end * share(millis % ROUND) + drift + NOISE * random.nextGaussian());
  }

  /** How far of the way to the end, smoothly. */
  private static double share(long at) {
    if (at < REST) return 0;
    if (at < REST + THERE) return smooth((at - REST) / (double) THERE);
    if (at < REST + THERE + HOLD) return 1;
    return smooth(1 - (at - REST - THERE - HOLD) / (double) BACK);
  }

  private static double smooth(double x) {
    return x * x * (3 - 2 * x);
  }
}
