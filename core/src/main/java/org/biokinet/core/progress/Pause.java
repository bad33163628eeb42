package org.biokinet.core.progress;

import java.time.LocalDate;
import java.util.Optional;

/**
 * Days on which a client is away or ill: nothing is missed on them.
 *
 * @param until the last of them, as it was told
 * @param fever whether the illness came with fever, so that the red flags are asked first
 * @param ended the first day on which the client was back, where that was told
 */
public record Pause(
    Kind kind, LocalDate from, LocalDate until, boolean fever, Optional<LocalDate> ended) {

  /** The longest that can be told ahead (our choice). */
  public static final int LONGEST_DAYS = 120;

  public enum Kind {
    HOLIDAY("away"),
    ILLNESS("ill");

    private final String words;

    Kind(String words) {
      this.words = words;
    }

    /** What the client is: "away", "ill". */
    public String words() {
      return words;
    }
  }

  /** The last day of it. */
  public LocalDate last() {
    return ended.map(day -> day.minusDays(1)).filter(day -> day.isBefore(until)).orElse(until);
  }

  /** Whether a day is one of them. */
  public boolean holds(LocalDate day) {
    return !day.isBefore(from) && !day.isAfter(last());
  }

  /**
   * Whether sessions wait for the client to say how it is: an illness is over when that is told,
   * not when its days are.
   */
  public boolean waits(LocalDate day) {
    return kind == Kind.ILLNESS && ended.isEmpty() && !day.isBefore(from);
  }

  /** Whether it is over on a day. */
  public boolean over(LocalDate day) {
    return !waits(day) && day.isAfter(last());
  }
}
