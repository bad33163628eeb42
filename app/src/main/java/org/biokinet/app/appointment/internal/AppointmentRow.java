package org.biokinet.app.appointment.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.appointment.Appointment;
import org.biokinet.app.platform.Row;
import org.jspecify.annotations.Nullable;

/** One appointment of the newest file. */
@Entity
@Table(name = "appointment")
@SuppressWarnings("UnusedVariable") // whose it is is only asked for
public class AppointmentRow extends Row {
  private UUID practiceId;
  private @Nullable UUID clientId;
  private Instant fromAt;
  private Instant untilAt;
  private String title;

  @SuppressWarnings("NullAway.Init")
  protected AppointmentRow() {}

  public AppointmentRow(UUID practiceId, Appointment a) {
    this.practiceId = practiceId;
    this.clientId = a.client().orElse(null);
    this.fromAt = a.from();
    this.untilAt = a.until();
    this.title = a.title();
  }

  public Appointment appointment() {
    return new Appointment(fromAt, untilAt, title, Optional.ofNullable(clientId));
  }
}
