package org.biokinet.app.library.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.platform.Row;
import org.biokinet.core.exercise.OwnExercise;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.annotations.Mutability;
import org.hibernate.type.SqlTypes;
import org.hibernate.type.descriptor.java.Immutability;

/** What one practitioner has written and not yet saved. */
@Entity
@Table(name = "exercise_draft")
public class ExerciseDraftRow extends Row {
  private UUID practitionerId;
  private String code;
  private int base;

  @JdbcTypeCode(SqlTypes.JSON)
  @Column(columnDefinition = "longtext")
  @Mutability(Immutability.class)
  private OwnExercise entry;

  private Instant madeAt;

  @SuppressWarnings("NullAway.Init")
  protected ExerciseDraftRow() {}

  public ExerciseDraftRow(
      UUID practitionerId, String code, int base, OwnExercise entry, Instant madeAt) {
    this.practitionerId = practitionerId;
    this.code = code;
    this.base = base;
    this.entry = entry;
    this.madeAt = madeAt;
  }

  public UUID practitionerId() {
    return practitionerId;
  }

  public String code() {
    return code;
  }

  public int base() {
    return base;
  }

  public OwnExercise entry() {
    return entry;
  }

  public Instant madeAt() {
    return madeAt;
  }

  public void write(int newBase, OwnExercise newEntry, Instant now) {
    base = newBase;
    entry = newEntry;
    madeAt = now;
  }
}
