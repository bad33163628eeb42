package org.biokinet.app.measurement.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.platform.Row;

/** What a practitioner made of a finding; the newest of a code holds. */
@Entity
@Table(name = "finding_decision")
public class DecisionRow extends Row {

  /** Confirmed, dismissed, or the practitioner's own. */
  public enum Decision {
    CONFIRMED,
    DISMISSED,
    ADDED
  }

  private UUID clientId;
  private String code;

  @Enumerated(EnumType.STRING)
  private Decision decision;

  private String words;
  private UUID practitionerId;
  private Instant at;

  @SuppressWarnings("NullAway.Init")
  protected DecisionRow() {}

  public DecisionRow(
      UUID clientId,
      String code,
      Decision decision,
      String words,
      UUID practitionerId,
      Instant at) {
    this.clientId = clientId;
    this.code = code;
    this.decision = decision;
    this.words = words;
    this.practitionerId = practitionerId;
    this.at = at;
  }

  public UUID clientId() {
    return clientId;
  }

  public String code() {
    return code;
  }

  public Decision decision() {
    return decision;
  }

  public String words() {
    return words;
  }

  public UUID practitionerId() {
    return practitionerId;
  }

  public Instant at() {
    return at;
  }
}
