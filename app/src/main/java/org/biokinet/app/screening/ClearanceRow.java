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
  private String neck;
  private UUID practitionerId;
  private Instant at;

  @SuppressWarnings("NullAway.Init")
  protected ClearanceRow() {}

  ClearanceRow(
      UUID screeningId,
      String examined,
      String found,
      String medicalOutcome,
      String neck,
      UUID practitionerId,
      Instant at) {
    this.screeningId = screeningId;
    this.examined = examined;
    this.found = found;
    this.medicalOutcome = medicalOutcome;
    this.neck = neck;
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

  /** The rule for a neck that was just hurt, as JSON; empty where it was not asked. */
  String neck() {
    return neck;
  }

  UUID practitionerId() {
    return practitionerId;
  }

  Instant at() {
    return at;
  }
}
