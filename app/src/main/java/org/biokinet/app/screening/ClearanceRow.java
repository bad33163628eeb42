package org.biokinet.app.screening;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.support.Row;

/** A practitioner's record about one screening; never changed. */
@Entity
@Table(name = "clearance")
class ClearanceRow extends Row {
  private UUID screeningId;
  private String examined;
  private String found;
  private String medicalOutcome;
  private UUID practitionerId;
  private Instant at;

  @SuppressWarnings("NullAway.Init")
  protected ClearanceRow() {}

  ClearanceRow(
      UUID screeningId,
      String examined,
      String found,
      String medicalOutcome,
      UUID practitionerId,
      Instant at) {
    this.screeningId = screeningId;
    this.examined = examined;
    this.found = found;
    this.medicalOutcome = medicalOutcome;
    this.practitionerId = practitionerId;
    this.at = at;
  }

  UUID screeningId() {
    return screeningId;
  }

  String examined() {
    return examined;
  }

  String found() {
    return found;
  }

  String medicalOutcome() {
    return medicalOutcome;
  }

  UUID practitionerId() {
    return practitionerId;
  }

  Instant at() {
    return at;
  }
}
