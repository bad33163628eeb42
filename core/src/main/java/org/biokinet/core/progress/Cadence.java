package org.biokinet.core.progress;

import java.time.LocalDate;
import java.util.Collection;
import java.util.Optional;

/** When a program is reviewed next, unless a practitioner wants another day. All our choice. */
public final class Cadence {

  /** After a program was shared, and after anything had to be taken back. */
  public static final int SOON_DAYS = 7;

  public static final int USUAL_DAYS = 14;

  /** Where nothing is left to step. */
  public static final int STEADY_DAYS = 28;

  /** A review is planned no further ahead than that. */
  public static final int MOST_DAYS = 84;

  private Cadence() {}

  /** Days from a review to the next, by what was decided at it. */
  public static int days(Collection<Outcome> decided) {
    if (decided.stream().anyMatch(o -> o.strength() < Outcome.STAY.strength())) return SOON_DAYS;
    boolean steady = decided.stream().allMatch(o -> o == Outcome.HOLD || o == Outcome.MAINTAIN);
    return steady ? STEADY_DAYS : USUAL_DAYS;
  }

  /**
   * The day on which the next review is due.
   *
   * @param planned at the review before
   * @param shared the day on which the version in force was shared; whoever shares looks at it
   */
  public static LocalDate due(Optional<LocalDate> planned, LocalDate shared) {
    LocalDate afterSharing = shared.plusDays(SOON_DAYS);
    return planned.filter(afterSharing::isBefore).orElse(afterSharing);
  }
}
