package org.biokinet.app.library.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.platform.Row;

/** What one practitioner has written and not yet saved. */
@Entity
@Table(name = "exercise_draft")
public class ExerciseDraftRow extends Row {
  private UUID practitionerId;
  private String code;
  private int base;
  private String entry;
  private Instant madeAt;

  @SuppressWarnings("NullAway.Init")
  protected ExerciseDraftRow() {}

  public ExerciseDraftRow(
      UUID practitionerId, String code, int base, String entry, Instant madeAt) {
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

  /** As JSON. */
  public String entry() {
    return entry;
  }

  public Instant madeAt() {
    return madeAt;
  }

  public void write(int newBase, String newEntry, Instant now) {
    base = newBase;
    entry = newEntry;
    madeAt = now;
  }
}
