package org.biokinet.core.progress;

import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;

/**
 * The figures by which a practice decides.
 *
 * @param changes what differs from the usual
 */
public record Thresholds(Map<Threshold, Integer> changes) {

  public static final Thresholds USUAL = new Thresholds(Map.of());

  /**
   * @throws IllegalArgumentException outside a bound
   */
  public Thresholds {
    Map<Threshold, Integer> own = new EnumMap<>(Threshold.class);
    changes.forEach(
        (threshold, value) -> {
          if (!threshold.allows(value)) {
            throw new IllegalArgumentException(
                "%s: %d to %d, not %d"
                    .formatted(threshold.label(), threshold.least(), threshold.most(), value));
          }
          if (value != threshold.usual()) own.put(threshold, value);
        });
    changes = Collections.unmodifiableMap(own);
  }

  public int of(Threshold threshold) {
    return changes.getOrDefault(threshold, threshold.usual());
  }
}
