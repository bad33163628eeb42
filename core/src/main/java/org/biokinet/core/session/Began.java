package org.biokinet.core.session;

import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.Optional;

/**
 * When a session began, as far as the clock of the device can be believed. What it said is kept
 * beside, never refused: a phone may be hours off.
 *
 * @param putRight what the device had told, in words, where another time was taken
 */
public record Began(Instant at, Optional<String> putRight) {

  /** A device's clock may be this far ahead; our choice. */
  static final Duration AHEAD = Duration.ofMinutes(10);

  /** Nobody does a version before it is shared, but a clock may be a day behind; our choice. */
  static final Duration BEFORE_SHARED = Duration.ofDays(1);

  /**
   * @param told by the device
   * @param shared when the version that was done was shared
   * @param received when it came in, which is taken where the device cannot be right
   */
  public static Began of(OffsetDateTime told, Instant shared, Instant received) {
    Instant at = told.toInstant();
    boolean ahead = at.isAfter(received.plus(AHEAD));
    boolean behind = at.isBefore(shared.minus(BEFORE_SHARED));
    return ahead || behind
        ? new Began(received, Optional.of("the device's clock said " + told))
        : new Began(at, Optional.empty());
  }

  /** The moment at which the gate is asked: never before the version was there to be done. */
  public Instant asked(Instant shared) {
    return at.isBefore(shared) ? shared : at;
  }
}
