package org.biokinet.app.program.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.platform.Row;
import org.jspecify.annotations.Nullable;

/** A draft: where it started, and whether it is still open. */
@Entity
@Table(name = "draft")
public class DraftRow extends Row {
  private UUID clientId;
  private @Nullable Byte openSlot = 1;
  private String startState;
  private Instant madeAt;

  @SuppressWarnings("NullAway.Init")
  protected DraftRow() {}

  public DraftRow(UUID clientId, String startState, Instant madeAt) {
    this.clientId = clientId;
    this.startState = startState;
    this.madeAt = madeAt;
  }

  public UUID clientId() {
    return clientId;
  }

  public String startState() {
    return startState;
  }

  public Instant madeAt() {
    return madeAt;
  }

  public boolean open() {
    return openSlot != null;
  }

  public void close() {
    openSlot = null;
  }
}
