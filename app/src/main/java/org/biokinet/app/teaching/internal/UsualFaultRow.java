package org.biokinet.app.teaching.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.platform.Row;

/** What a client usually does wrong in an exercise. */
@Entity
@Table(name = "usual_fault")
public class UsualFaultRow extends Row {
  private UUID clientId;
  private String exercise;
  private String what;
  private UUID setBy;
  private Instant setAt;

  @SuppressWarnings("NullAway.Init")
  protected UsualFaultRow() {}

  public UsualFaultRow(UUID clientId, String exercise, String what, UUID setBy, Instant setAt) {
    this.clientId = clientId;
    this.exercise = exercise;
    this.what = what;
    this.setBy = setBy;
    this.setAt = setAt;
  }

  public UUID clientId() {
    return clientId;
  }

  public String exercise() {
    return exercise;
  }

  public String what() {
    return what;
  }

  public UUID setBy() {
    return setBy;
  }

  public Instant setAt() {
    return setAt;
  }
}
