package org.biokinet.app.account;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.support.Row;

/** A try to sign in, and what came of it. */
@Entity
@Table(name = "sign_in")
class SignInRow extends Row {

  /** What came of it. */
  enum Outcome {
    IN("signed in"),
    WRONG("wrong password"),
    /** Not even looked at, after too many tries. */
    LOCKED("refused, too many tries");

    private final String label;

    Outcome(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  private UUID practitionerId;
  private Instant at;

  @Enumerated(EnumType.STRING)
  private Outcome outcome;

  private String address;
  private String device;

  @SuppressWarnings("NullAway.Init")
  protected SignInRow() {}

  SignInRow(UUID practitionerId, Instant at, Outcome outcome, String address, String device) {
    this.practitionerId = practitionerId;
    this.at = at;
    this.outcome = outcome;
    this.address = address;
    this.device = device;
  }

  UUID practitionerId() {
    return practitionerId;
  }

  Instant at() {
    return at;
  }

  Outcome outcome() {
    return outcome;
  }

  String address() {
    return address;
  }

  String device() {
    return device;
  }
}
