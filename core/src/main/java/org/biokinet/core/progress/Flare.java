package org.biokinet.core.progress;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;

/**
 * A flare: for some days only the plan that was set ahead. Periods are common practice, no source.
 *
 * @param days for which the plan is followed
 * @param ended empty while it lasts
 * @param before when the flare before it began
 */
public record Flare(Instant begun, int days, Optional<Instant> ended, Optional<Instant> before) {

  /** It is not over before it has been quiet for so long. */
  public static final Duration QUIET_FOR = Duration.ofDays(1);

  /** What has not settled by then is examined. */
  public static final Duration SETTLES_WITHIN = Duration.ofDays(3);

  /** So is a second one within this time. */
  public static final Duration AGAIN_WITHIN = Duration.ofDays(28);

  public boolean lasts() {
    return ended.isEmpty();
  }

  /** Until when the plan is followed. */
  public Instant until() {
    return begun.plus(Duration.ofDays(days));
  }

  /** Whether the client may say that it has settled. */
  public boolean maySettle(Instant now) {
    return lasts() && !now.isBefore(begun.plus(QUIET_FOR));
  }

  /** Whether the days are over, and the client is asked how it is. */
  public boolean asks(Instant now) {
    return lasts() && !now.isBefore(until());
  }

  /** Whether it is the second within {@link #AGAIN_WITHIN}. */
  public boolean again() {
    return before.filter(at -> begun.isBefore(at.plus(AGAIN_WITHIN))).isPresent();
  }

  /** When it has to be examined if it lasts until then. */
  public Instant examinedFrom() {
    return begun.plus(SETTLES_WITHIN);
  }

  /** Whether it has lasted too long. */
  public boolean unsettled(Instant now) {
    return lasts() && !now.isBefore(examinedFrom());
  }
}
