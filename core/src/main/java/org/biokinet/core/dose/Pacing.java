package org.biokinet.core.dose;

import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;

/**
 * The seconds between the work: everything in a session that is not the dose itself. One breath of
 * 5 s is the 12 a minute at the slow end of resting adults (12–20 a minute, physiology texts, value
 * recalled from memory).
 *
 * @param values seconds of every pace
 */
public record Pacing(Map<Pace, Integer> values) {

  public static final double DEFAULT_BREATH_SECONDS = 5;

  public static final Pacing DEFAULT = of(Map.of());

  /**
   * @throws IllegalArgumentException outside a bound, or when a detour over another position would
   *     be quicker than the direct change: then leaving an exercise out could make a session longer
   */
  public Pacing {
    for (Pace p : Pace.values()) {
      int seconds = values.getOrDefault(p, -1);
      if (!p.allows(seconds)) throw new IllegalArgumentException(p.refusal(seconds));
    }
    int detour = 2 * values.getOrDefault(Pace.FLOOR, 0);
    for (Pace direct : new Pace[] {Pace.CHAIR_STANDING, Pace.BETWEEN_FLOOR}) {
      int seconds = values.getOrDefault(direct, 0);
      if (seconds > detour) {
        throw new IllegalArgumentException(
            "%s: at most %d s, twice the way to the floor, not %d"
                .formatted(direct.label(), detour, seconds));
      }
    }
    values = Collections.unmodifiableMap(new EnumMap<>(values));
  }

  /** The defaults with these values in their place. */
  public static Pacing of(Map<Pace, Integer> changed) {
    Map<Pace, Integer> values = new EnumMap<>(Pace.class);
    for (Pace p : Pace.values()) values.put(p, changed.getOrDefault(p, p.usual()));
    return new Pacing(values);
  }

  public int seconds(Pace pace) {
    return values.getOrDefault(pace, pace.usual());
  }

  /** What differs from the defaults. */
  public Map<Pace, Integer> changes() {
    Map<Pace, Integer> changes = new EnumMap<>(Pace.class);
    values.forEach(
        (pace, seconds) -> {
          if (seconds != pace.usual()) changes.put(pace, seconds);
        });
    return changes;
  }
}
