package org.biokinet.app.program.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.platform.Row;
import org.biokinet.core.program.Draft;
import org.biokinet.core.program.ProgramKind;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.annotations.Mutability;
import org.hibernate.type.SqlTypes;
import org.hibernate.type.descriptor.java.Immutability;
import org.jspecify.annotations.Nullable;

/**
 * A draft: where it started, and whether it is still open. One is shared by the practice; somebody
 * may keep another beside it.
 */
@Entity
@Table(name = "draft")
public class DraftRow extends Row {
  private static final UUID NOBODY = new UUID(0, 0);

  private UUID clientId;

  @Enumerated(EnumType.STRING)
  private ProgramKind program;

  private @Nullable Byte openSlot = 1;

  private UUID owner = NOBODY;
  private boolean aside;

  @JdbcTypeCode(SqlTypes.JSON)
  @Column(columnDefinition = "longtext")
  @Mutability(Immutability.class)
  private Draft startState;

  private Instant madeAt;

  @SuppressWarnings("NullAway.Init")
  protected DraftRow() {}

  public DraftRow(UUID clientId, ProgramKind program, Draft startState, Instant madeAt) {
    this.clientId = clientId;
    this.program = program;
    this.startState = startState;
    this.madeAt = madeAt;
  }

  /** Somebody's own, beside the one that all share. */
  public static DraftRow apart(DraftRow from, UUID owner, Instant madeAt) {
    DraftRow row = new DraftRow(from.clientId, from.program, from.startState, madeAt);
    row.owner = owner;
    return row;
  }

  public UUID owner() {
    return owner;
  }

  public boolean isShared() {
    return owner.equals(NOBODY);
  }

  /** Whether its owner looks at the shared one meanwhile. */
  public boolean isAside() {
    return aside;
  }

  public void setAside(boolean aside) {
    this.aside = aside;
  }

  public UUID clientId() {
    return clientId;
  }

  public ProgramKind program() {
    return program;
  }

  public Draft startState() {
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
