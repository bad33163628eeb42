package org.biokinet.app.library;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.support.Row;

/** What one practitioner has written and not yet saved. */
@Entity
@Table(name = "exercise_draft")
class ExerciseDraftRow extends Row {
  private UUID practitionerId;
  private String code;
  private int base;
  private String entry;
  private Instant madeAt;

  @SuppressWarnings("NullAway.Init")
  protected ExerciseDraftRow() {}

  ExerciseDraftRow(UUID practitionerId, String code, int base, String entry, Instant madeAt) {
    this.practitionerId = practitionerId;
    this.code = code;
    this.base = base;
    this.entry = entry;
    this.madeAt = madeAt;
  }

  UUID practitionerId() {
    return practitionerId;
  }

  String code() {
    return code;
  }

  int base() {
    return base;
  }

  /** As JSON. */
  String entry() {
    return entry;
  }

  Instant madeAt() {
    return madeAt;
  }

  void write(int newBase, String newEntry, Instant now) {
    base = newBase;
    entry = newEntry;
    madeAt = now;
  }
}
