package org.biokinet.app.measurement;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.support.Row;

/** What a practitioner made of a finding; the newest of a code holds. */
@Entity
@Table(name = "finding_decision")
class DecisionRow extends Row {

  /** Confirmed, dismissed, or the practitioner's own. */
  enum Decision {
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

  DecisionRow(
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

  UUID clientId() {
    return clientId;
  }

  String code() {
    return code;
  }

  Decision decision() {
    return decision;
  }

  String words() {
    return words;
  }

  UUID practitionerId() {
    return practitionerId;
  }

  Instant at() {
    return at;
  }
}
