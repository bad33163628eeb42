package org.biokinet.app.appointment.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** The file that was taken last. */
@Entity
@Table(name = "calendar_file")
public class CalendarFileRow {
  @Id private UUID practiceId;
  private String name;
  private UUID takenBy;
  private Instant takenAt;

  @SuppressWarnings("NullAway.Init")
  protected CalendarFileRow() {}

  public CalendarFileRow(UUID practiceId, String name, UUID takenBy, Instant takenAt) {
    this.practiceId = practiceId;
    this.name = name;
    this.takenBy = takenBy;
    this.takenAt = takenAt;
  }

  public String name() {
    return name;
  }

  public UUID takenBy() {
    return takenBy;
  }

  public Instant takenAt() {
    return takenAt;
  }
}
