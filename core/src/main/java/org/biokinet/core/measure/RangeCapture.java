package org.biokinet.core.measure;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Reads ranges off an inclinometer while the practitioner's hands are on the client: a reading is
 * taken when the angle has stood still far from where it rested. It zeroes itself whenever the head
 * is still in the middle, which takes drift out; what cannot be is left out. Figures are our
 * choice.
 */
public final class RangeCapture {

  private static final int STILL_MILLIS = 900;
  private static final double STILL_WITHIN = 1.6;

  private static final double CREEP = 0.4;

  /** Nearer to the middle than this nobody's range ends. */
  private static final double AWAY = 10;

  /** Faster than this, in degrees a second, no neck turns. */
  private static final double FASTEST = 400;

  private static final int LOST_MILLIS = 1_500;

  /** What is known after a sample. */
  public sealed interface Event {
    /**
     * @param degrees from the middle
     */
    record Angle(double degrees) implements Event {}

    /** Stood still: this is a reading. */
    record Taken(double degrees) implements Event {}

    /** Nothing sensible for too long. */
    record Lost() implements Event {}

    /** Nothing new. */
    record Quiet() implements Event {}
  }

  private record Sample(long millis, double degrees) {}

  private final Motion motion;
  private final Deque<Sample> recent = new ArrayDeque<>();
  private double zero;
  private boolean zeroed;
  private boolean waitsForTheMiddle;
  private long lastGood;

  public RangeCapture(Motion motion) {
    this.motion = motion;
  }

  /** Takes in one sample; times only grow. */
  public Event sample(long millis, OptionalDouble raw) {
    Optional<Sample> good = sensible(millis, raw);
    if (good.isEmpty()) {
      return millis - lastGood > LOST_MILLIS ? new Event.Lost() : new Event.Quiet();
    }
    Sample s = good.get();
    lastGood = millis;
    recent.addLast(s);
    while (s.millis() - recent.getFirst().millis() > STILL_MILLIS) recent.removeFirst();
    if (!zeroed) zero = s.degrees();
    double angle = s.degrees() - zero;
    if (!still()) return new Event.Angle(angle);
    double middle = middle();
    if (!zeroed || Math.abs(middle - zero) < AWAY) {
      zero = middle;
      zeroed = true;
      waitsForTheMiddle = false;
      return new Event.Angle(s.degrees() - zero);
    }
    if (waitsForTheMiddle) return new Event.Angle(angle);
    waitsForTheMiddle = true;
    return new Event.Taken(Math.abs(middle - zero));
  }

  /** The reading as it stands, for who takes it by hand. */
  public OptionalDouble now() {
    return recent.isEmpty() || !zeroed
        ? OptionalDouble.empty()
        : OptionalDouble.of(Math.abs(middle() - zero));
  }

  private Optional<Sample> sensible(long millis, OptionalDouble raw) {
    if (raw.isEmpty() || !Double.isFinite(raw.getAsDouble())) return Optional.empty();
    double degrees = raw.getAsDouble();
    if (Math.abs(degrees - zero) > motion.most() + STILL_WITHIN) return Optional.empty();
    Sample last = recent.peekLast();
    if (last != null) {
      double seconds = (millis - last.millis()) / 1000.0;
      // After a gap anything in range is believed again.
      boolean jumped = Math.abs(degrees - last.degrees()) > FASTEST * seconds + STILL_WITHIN;
      if (jumped && seconds < LOST_MILLIS / 1000.0) return Optional.empty();
    }
    return Optional.of(new Sample(millis, degrees));
  }

  private boolean still() {
    if (recent.getLast().millis() - recent.getFirst().millis() < STILL_MILLIS - 100) return false;
    double least = Double.POSITIVE_INFINITY;
    double most = Double.NEGATIVE_INFINITY;
    for (Sample s : recent) {
      least = Math.min(least, s.degrees());
      most = Math.max(most, s.degrees());
    }
    return most - least <= 2 * STILL_WITHIN && Math.abs(creep()) <= CREEP;
  }

  /**
   * How far the later half lies from the earlier one: the end of a motion is not standing still.
   */
  private double creep() {
    long half = (recent.getFirst().millis() + recent.getLast().millis()) / 2;
    double earlier =
        recent.stream()
            .filter(s -> s.millis() <= half)
            .mapToDouble(Sample::degrees)
            .average()
            .orElseThrow();
    double later =
        recent.stream()
            .filter(s -> s.millis() > half)
            .mapToDouble(Sample::degrees)
            .average()
            .orElse(earlier);
    return later - earlier;
  }

  /** The median of the last moment. */
  private double middle() {
    double[] sorted = recent.stream().mapToDouble(Sample::degrees).sorted().toArray();
    int half = sorted.length / 2;
    return sorted.length % 2 == 1 ? sorted[half] : (sorted[half - 1] + sorted[half]) / 2;
  }
}
