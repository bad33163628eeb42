package org.biokinet.app.measurement.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import org.biokinet.app.measurement.Picture;
import org.biokinet.app.platform.Row;
import org.biokinet.core.anatomy.Side;
import org.jspecify.annotations.Nullable;

/** A photograph from the side; never changed, but it can be withdrawn. */
@Entity
@Table(name = "photograph")
public class PhotographRow extends Row {
  private UUID clientId;
  private LocalDate localDate;

  @Enumerated(EnumType.STRING)
  private Side facing;

  private int width;
  private int height;
  @Lob private byte[] image;
  private UUID practitionerId;
  private Instant at;
  private @Nullable Instant withdrawnAt;

  @SuppressWarnings("NullAway.Init")
  protected PhotographRow() {}

  public PhotographRow(
      UUID clientId,
      LocalDate localDate,
      Side facing,
      Picture picture,
      UUID practitionerId,
      Instant at) {
    this.clientId = clientId;
    this.localDate = localDate;
    this.facing = facing;
    this.width = picture.width();
    this.height = picture.height();
    this.image = picture.jpeg();
    this.practitionerId = practitionerId;
    this.at = at;
  }

  public UUID clientId() {
    return clientId;
  }

  public LocalDate localDate() {
    return localDate;
  }

  public Side facing() {
    return facing;
  }

  public int width() {
    return width;
  }

  public int height() {
    return height;
  }

  public byte[] image() {
    return image;
  }

  public UUID practitionerId() {
    return practitionerId;
  }

  public Instant at() {
    return at;
  }

  public boolean withdrawn() {
    return withdrawnAt != null;
  }

  /** The pixels are gone for good. */
  public void withdraw(Instant when) {
    image = new byte[0];
    withdrawnAt = when;
  }
}
