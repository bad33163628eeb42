package org.biokinet.core.screening;

import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * A practitioner's record that opens a gate.
 *
 * @param by who, as shown
 * @param examined what was examined, in words; never blank
 * @param found what was found, in words; never blank
 * @param medicalOutcome what a doctor has decided, in words; blank where none was asked
 * @param neck the rule for a neck that was hurt in the last 48 hours; empty where it was not asked
 */
public record Clearance(
    Instant at,
    String by,
    String examined,
    String found,
    String medicalOutcome,
    Optional<CSpineRule> neck) {

  public Clearance(Instant at, String by, String examined, String found, String medicalOutcome) {
    this(at, by, examined, found, medicalOutcome, Optional.empty());
  }

  public Clearance {
    if (examined.isBlank() || found.isBlank()) {
      throw new IllegalArgumentException("a gate opens on what was examined and found");
    }
  }

  public boolean medical() {
    return !medicalOutcome.isBlank();
  }

  /** What is still missing for these answers, in words; empty when it is enough. */
  public Optional<String> lacks(Screening s) {
    if (medical()) return Optional.empty();
    if (!s.emergencies().isEmpty()) {
      return Optional.of("Emergency signs: the gate opens on what a doctor has decided.");
    }
    if (!s.neckJustHurt()) return Optional.empty();
    List<String> without = CSpineRule.doesNotHoldFor(s);
    if (!without.isEmpty()) {
      return Optional.of(
          "The Canadian C-Spine Rule does not hold here (%s). The gate opens on what a doctor has"
                  .formatted(without.get(0))
              + " decided.");
    }
    if (neck.isEmpty()) {
      return Optional.of(
          "A neck that was just hurt: answer the Canadian C-Spine Rule, or write what a doctor has"
              + " decided.");
    }
    CSpineRule.Result result = neck.get().result();
    return result == CSpineRule.Result.NO_IMAGING
        ? Optional.empty()
        : Optional.of(result.label() + " The gate opens on what a doctor has decided.");
  }

  boolean settles(Screening s) {
    return lacks(s).isEmpty();
  }
}
