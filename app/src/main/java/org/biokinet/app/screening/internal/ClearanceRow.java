package org.biokinet.app.screening.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.platform.Row;

/** A practitioner's record about one screening; never changed. */
@Entity
@Table(name = "clearance")
public class ClearanceRow extends Row {
  private UUID screeningId;
  private String examined;
  private String found;
  private String medicalOutcome;
  private String neck;
  private UUID practitionerId;
  private Instant at;

  @SuppressWarnings("NullAway.Init")
  protected ClearanceRow() {}

  public ClearanceRow(
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

  public UUID screeningId() {
    return screeningId;
  }

  public String examined() {
    return examined;
  }

  public String found() {
    return found;
  }

  public String medicalOutcome() {
    return medicalOutcome;
  }

  /** The rule for a neck that was just hurt, as JSON; empty where it was not asked. */
  public String neck() {
    return neck;
  }

  public UUID practitionerId() {
    return practitionerId;
  }

  public Instant at() {
    return at;
  }
}
