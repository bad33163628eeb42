package org.biokinet.app.people.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import org.biokinet.app.people.Absence;
import org.biokinet.app.platform.Row;
import org.jspecify.annotations.Nullable;

/** Days on which somebody is away; ended early or not, it stays. */
@Entity
@Table(name = "absence")
@SuppressWarnings("UnusedVariable") // who made it is there to be asked for
public class AbsenceRow extends Row {
  private UUID practiceId;
  private UUID whoId;
  private UUID coverId;
  private LocalDate fromDay;
  private LocalDate lastDay;
  private UUID madeBy;
  private Instant madeAt;
  private @Nullable Instant endedAt;

  @SuppressWarnings("NullAway.Init")
  protected AbsenceRow() {}

  public AbsenceRow(
      UUID practiceId,
      UUID whoId,
      UUID coverId,
      LocalDate fromDay,
      LocalDate lastDay,
      UUID madeBy,
      Instant madeAt) {
    this.practiceId = practiceId;
    this.whoId = whoId;
    this.coverId = coverId;
    this.fromDay = fromDay;
    this.lastDay = lastDay;
    this.madeBy = madeBy;
    this.madeAt = madeAt;
  }

  public Absence absence() {
    return new Absence(getId(), whoId, coverId, fromDay, lastDay);
  }

  public void end(Instant now) {
    endedAt = now;
  }
}
