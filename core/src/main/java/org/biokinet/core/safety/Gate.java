package org.biokinet.core.safety;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.Optional;

/**
 * Whether anything may be prescribed, started or kept up: one rule, asked everywhere. Periods are
 * common practice, no source; the lease is our choice.
 */
public sealed interface Gate {

  /** A screening holds for this many days. */
  int VALID_DAYS = 90;

  /** From this day on it can be renewed, and both sides are reminded. */
  int REMIND_FROM_DAY = 76;

  /** After so many days without a session it is asked again. */
  int PAUSE_DAYS = 14;

  /** How long a device may start sessions without asking again. */
  Duration LEASE = Duration.ofDays(3);

  /**
   * @param renewable whether it is time to ask again, so that nobody well is shut out
   * @param validUntil the last day of it
   */
  record Open(Assessment assessment, boolean renewable, LocalDate validUntil) implements Gate {

    /**
     * Until when a device may start sessions by itself.
     *
     * @param contact when it last spoke with the server
     */
    public Instant leaseUntil(Instant contact, ZoneId zone) {
      Instant ends = validUntil.plusDays(1).atStartOfDay(zone).toInstant();
      Instant lease = contact.plus(LEASE);
      return lease.isBefore(ends) ? lease : ends;
    }
  }

  /**
   * @param assessment empty where nobody has answered anything yet
   */
  record Closed(Why why, Optional<Assessment> assessment) implements Gate {}

  /** Why a gate is closed, and what opens it. */
  enum Why {
    NOT_SCREENED("not screened yet", "Screen first."),
    EMERGENCY("emergency signs", "It opens on a recorded medical outcome, never on a reason."),
    EXAMINE("examine first", "Record what you examined and found."),
    CONSENT("under 18, no consent on record", "Record a guardian's consent."),
    STOPPED("stopped by the client", "Record the call or the outcome."),
    LAPSED("screening is over 90 days old", "Screen again, or let the client renew it."),
    LONG_PAUSE("no session for 14 days", "Ask again whether anything is new.");

    private final String label;
    private final String opens;

    Why(String label, String opens) {
      this.label = label;
      this.opens = opens;
    }

    public String label() {
      return label;
    }

    public String opens() {
      return opens;
    }
  }

  /**
   * What a gate is decided on.
   *
   * @param screenedOn the day of the newest screening, in the client's zone
   * @param clearance what a practitioner has recorded about it
   * @param stopped whether a stop waits to be dealt with
   * @param lastSession the day of the newest session of this program; empty where none was done
   */
  record Facts(
      Optional<Screening> screening,
      LocalDate screenedOn,
      Optional<Clearance> clearance,
      boolean stopped,
      Optional<LocalDate> lastSession) {}

  static Gate of(Facts f, LocalDate today) {
    if (f.screening().isEmpty()) return new Closed(Why.NOT_SCREENED, Optional.empty());
    Assessment a = Assessment.of(f.screening().get(), f.clearance());
    Optional<Why> why =
        switch (a.result()) {
          case EMERGENCY -> Optional.of(Why.EMERGENCY);
          case EXAMINE -> Optional.of(Why.EXAMINE);
          case CONSENT -> Optional.of(Why.CONSENT);
          case CLEAR, PRECAUTIONS -> lapsed(f, today);
        };
    return why.map(w -> (Gate) new Closed(w, Optional.of(a)))
        .orElseGet(
            () ->
                new Open(
                    a,
                    ChronoUnit.DAYS.between(f.screenedOn(), today) >= REMIND_FROM_DAY,
                    f.screenedOn().plusDays(VALID_DAYS - 1L)));
  }

  private static Optional<Why> lapsed(Facts f, LocalDate today) {
    if (f.stopped()) return Optional.of(Why.STOPPED);
    if (ChronoUnit.DAYS.between(f.screenedOn(), today) >= VALID_DAYS) {
      return Optional.of(Why.LAPSED);
    }
    // What was before the screening was asked about by it; who never began has no pause.
    boolean quiet =
        f.lastSession()
            .map(day -> day.isBefore(f.screenedOn()) ? f.screenedOn() : day)
            .filter(day -> ChronoUnit.DAYS.between(day, today) >= PAUSE_DAYS)
            .isPresent();
    return quiet ? Optional.of(Why.LONG_PAUSE) : Optional.empty();
  }

  /** Whether anything may go on. */
  default boolean open() {
    return this instanceof Open;
  }
}
