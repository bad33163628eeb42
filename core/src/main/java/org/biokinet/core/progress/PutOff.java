package org.biokinet.core.progress;

import java.time.Instant;

/**
 * A client who is looked at later, since somebody has decided so.
 *
 * @param what they were on the list for
 * @param at when it was decided
 * @param until when they are back on it
 */
public record PutOff(Attention what, Instant at, Instant until) {

  /** Our choice: what waits longer is decided, not put off. */
  public static final int MOST_DAYS = 28;

  /** Whether that may wait at all: nobody who was stopped, or has to be examined. */
  public static boolean may(Attention what) {
    return switch (what.level()) {
      case URGENT, STOP, STEADY -> false;
      case EASE, STAY, PLAIN -> true;
    };
  }

  /**
   * Whether it holds: until its time, and as long as nothing has come up since, nor anything that
   * presses more.
   *
   * @param since when the reason of now began
   */
  public boolean holds(Attention now, Instant since, Instant moment) {
    return moment.isBefore(until) && may(now) && now.place() >= what.place() && !since.isAfter(at);
  }
}
