package org.biokinet.core.safety;

import java.time.Instant;

/**
 * A practitioner's record that opens a gate.
 *
 * @param by who, as shown
 * @param examined what was examined, in words; never blank
 * @param found what was found, in words; never blank
 * @param medicalOutcome what a doctor has decided, in words; blank where none was asked
 */
public record Clearance(
    Instant at, String by, String examined, String found, String medicalOutcome) {

  public Clearance {
    if (examined.isBlank() || found.isBlank()) {
      throw new IllegalArgumentException("a gate opens on what was examined and found");
    }
  }

  public boolean medical() {
    return !medicalOutcome.isBlank();
  }
}
