package org.biokinet.app.program.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.platform.Row;
import org.biokinet.app.program.LeftOut;

/** Whether an exercise may be suggested to a client; the newest word on one holds. */
@Entity
@Table(name = "left_out")
public class LeftOutRow extends Row {

  private UUID clientId;
  private String exercise;

  @Enumerated(EnumType.STRING)
  private LeftOut.Reason reason;

  private UUID practitionerId;
  private Instant at;

  @SuppressWarnings("NullAway.Init")
  protected LeftOutRow() {}

  public LeftOutRow(
      UUID clientId, String exercise, LeftOut.Reason reason, UUID practitionerId, Instant at) {
    this.clientId = clientId;
    this.exercise = exercise;
    this.reason = reason;
    this.practitionerId = practitionerId;
    this.at = at;
  }

  public UUID clientId() {
    return clientId;
  }

  public String exercise() {
    return exercise;
  }

  public LeftOut.Reason reason() {
    return reason;
  }

  public UUID practitionerId() {
    return practitionerId;
  }

  public Instant at() {
    return at;
  }
}
