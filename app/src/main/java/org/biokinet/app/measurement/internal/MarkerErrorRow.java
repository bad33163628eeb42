package org.biokinet.app.measurement.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.platform.Row;

/** How steadily somebody marks one picture; the newest holds. */
@Entity
@Table(name = "marker_error")
public class MarkerErrorRow extends Row {
  private UUID practitionerId;
  private double degrees;
  private int repeats;
  private Instant at;

  @SuppressWarnings("NullAway.Init")
  protected MarkerErrorRow() {}

  public MarkerErrorRow(UUID practitionerId, double degrees, int repeats, Instant at) {
    this.practitionerId = practitionerId;
    this.degrees = degrees;
    this.repeats = repeats;
    this.at = at;
  }

  public double degrees() {
    return degrees;
  }

  @Override
  public String toString() {
    return "%s %.2f° of %d %s".formatted(practitionerId, degrees, repeats, at);
  }
}
