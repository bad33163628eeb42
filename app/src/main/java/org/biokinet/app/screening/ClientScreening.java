package org.biokinet.app.screening;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.core.screening.Answered;
import org.biokinet.core.screening.Assessment;
import org.biokinet.core.screening.Clearance;
import org.biokinet.core.screening.Gate;

/**
 * All that is known of a client's screening at one moment, read once.
 *
 * @param all the newest first
 * @param today in the client's zone
 */
public record ClientScreening(List<KeptScreening> all, Gate.Facts facts, LocalDate today) {

  public ClientScreening {
    all = List.copyOf(all);
  }

  /**
   * A screening as it was, with the record that goes with it.
   *
   * @param counts whether it may open anything; others are history
   */
  public record KeptScreening(
      UUID id, String by, Answers answers, Answered answered, boolean counts) {

    public Assessment assessment() {
      return Assessment.of(answered.screening(), answered.clearance());
    }
  }

  /**
   * That a client can tell what is new, since when, and whether it is time to.
   *
   * @param due from {@link Gate#REMIND_FROM_DAY} on, or when a pause has closed the gate
   */
  public record Renewable(LocalDate since, boolean due) {}

  public Gate gate() {
    return Gate.of(facts, today);
  }

  /** The next day on which time alone may change the gate. */
  public Optional<LocalDate> gateChanges() {
    return Gate.changes(facts, today);
  }

  /** Empty where nobody has answered anything. */
  public Optional<KeptScreening> newest() {
    return all.stream().findFirst();
  }

  /** The record on which the gate stands open; empty where none was needed. */
  public Optional<Clearance> opened() {
    return all.stream()
        .filter(KeptScreening::counts)
        .map(KeptScreening::answered)
        .flatMap(a -> a.clearance().stream())
        .findFirst();
  }

  /** Whether a client may still answer before the first visit: until a practitioner has asked. */
  public boolean answersBeforeVisit() {
    return !facts.archived()
        && all.stream()
            .filter(KeptScreening::counts)
            .allMatch(k -> k.answered().source() == Answered.Source.BEFORE_VISIT);
  }

  /** What the client has answered before the first visit and nobody has confirmed. */
  public Optional<KeptScreening> toConfirm() {
    return newest()
        .filter(k -> k.counts() && k.answered().source() == Answered.Source.BEFORE_VISIT);
  }

  /** Known numbness or tingling, as recorded last; empty where there is none. */
  public String baseline() {
    return newest().map(k -> k.answers().baseline()).orElse("");
  }

  /** Empty where a practitioner has to ask first. */
  public Optional<Renewable> renewal() {
    Optional<LocalDate> since = newest().map(k -> k.answered().day());
    Gate gate = gate();
    if (gate instanceof Gate.Open open) {
      return since.map(day -> new Renewable(day, open.renewable()));
    }
    return ((Gate.Closed) gate).why().renewedByClient()
        ? since.map(day -> new Renewable(day, true))
        : Optional.empty();
  }
}
