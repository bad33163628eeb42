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

/** A plan that a practice begins with; never changed, only taken out of use. */
@Entity
@Table(name = "saved_plan")
public class SavedPlanRow extends Row {
  private UUID practiceId;

  @Enumerated(EnumType.STRING)
  private ProgramKind program;

  private String title;
  private String forWhom;

  @JdbcTypeCode(SqlTypes.JSON)
  @Column(columnDefinition = "longtext")
  @Mutability(Immutability.class)
  private Draft plan;

  private UUID madeBy;
  private Instant madeAt;
  private @Nullable Instant retiredAt;

  @SuppressWarnings("NullAway.Init")
  protected SavedPlanRow() {}

  public SavedPlanRow(
      UUID practiceId,
      ProgramKind program,
      String title,
      String forWhom,
      Draft plan,
      UUID madeBy,
      Instant madeAt) {
    this.practiceId = practiceId;
    this.program = program;
    this.title = title;
    this.forWhom = forWhom;
    this.plan = plan;
    this.madeBy = madeBy;
    this.madeAt = madeAt;
  }

  public UUID practiceId() {
    return practiceId;
  }

  public ProgramKind program() {
    return program;
  }

  public String title() {
    return title;
  }

  public String forWhom() {
    return forWhom;
  }

  public Draft plan() {
    return plan;
  }

  public UUID madeBy() {
    return madeBy;
  }

  public Instant madeAt() {
    return madeAt;
  }

  public void retire(Instant now) {
    if (retiredAt == null) retiredAt = now;
  }
}
