package org.biokinet.app.program;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.support.Row;
import org.jspecify.annotations.Nullable;

/** A draft: where it started, and whether it is still open. */
@Entity
@Table(name = "draft")
class DraftRow extends Row {
  private UUID clientId;
  private @Nullable Byte openSlot = 1;
  private String startState;
  private Instant madeAt;

  @SuppressWarnings("NullAway.Init")
  protected DraftRow() {}

  DraftRow(UUID clientId, String startState, Instant madeAt) {
    this.clientId = clientId;
    this.startState = startState;
    this.madeAt = madeAt;
  }

  UUID clientId() {
    return clientId;
  }

  String startState() {
    return startState;
  }

  Instant madeAt() {
    return madeAt;
  }

  boolean open() {
    return openSlot != null;
  }

  void close() {
    openSlot = null;
  }
}
