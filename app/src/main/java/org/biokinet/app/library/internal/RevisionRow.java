package org.biokinet.app.library.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.platform.Row;
import org.biokinet.core.exercise.OwnExercise;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.annotations.Mutability;
import org.hibernate.type.SqlTypes;
import org.hibernate.type.descriptor.java.Immutability;
import org.jspecify.annotations.Nullable;

/** One state of one entry; the newest is in force. */
@Entity
@Table(name = "exercise_revision")
public class RevisionRow extends Row {
  private UUID practiceId;
  private String code;
  private int number;
  private boolean retired;

  @JdbcTypeCode(SqlTypes.JSON)
  @Column(columnDefinition = "longtext")
  @Mutability(Immutability.class)
  private @Nullable OwnExercise entry;

  private UUID madeBy;
  private Instant madeAt;

  @SuppressWarnings("NullAway.Init")
  protected RevisionRow() {}

  public RevisionRow(
      UUID practiceId,
      String code,
      int number,
      boolean retired,
      @Nullable OwnExercise entry,
      UUID madeBy,
      Instant madeAt) {
    this.practiceId = practiceId;
    this.code = code;
    this.number = number;
    this.retired = retired;
    this.entry = entry;
    this.madeBy = madeBy;
    this.madeAt = madeAt;
  }

  public UUID practiceId() {
    return practiceId;
  }

  public String code() {
    return code;
  }

  public int number() {
    return number;
  }

  public boolean retired() {
    return retired;
  }

  /** Empty where the shipped entry is in force. */
  public Optional<OwnExercise> entry() {
    return Optional.ofNullable(entry);
  }

  public UUID madeBy() {
    return madeBy;
  }

  public Instant madeAt() {
    return madeAt;
  }
}
