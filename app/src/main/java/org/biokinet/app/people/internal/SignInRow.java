package org.biokinet.app.people.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.people.SignInHistory;
import org.biokinet.app.platform.Row;

/** A try to sign in, and what came of it. */
@Entity
@Table(name = "sign_in")
@SuppressWarnings("UnusedVariable") // whose it is is only asked for
public class SignInRow extends Row {

  private UUID practitionerId;
  private Instant at;

  @Enumerated(EnumType.STRING)
  private SignInHistory.Outcome outcome;

  private String address;
  private String device;

  @SuppressWarnings("NullAway.Init")
  protected SignInRow() {}

  public SignInRow(
      UUID practitionerId,
      Instant at,
      SignInHistory.Outcome outcome,
      String address,
      String device) {
    this.practitionerId = practitionerId;
    this.at = at;
    this.outcome = outcome;
    this.address = address;
    this.device = device;
  }

  public SignInHistory.Tried tried() {
    return new SignInHistory.Tried(at, outcome, address, device);
  }
}
