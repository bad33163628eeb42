package org.biokinet.app.measurement;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import org.biokinet.app.support.Row;
import org.biokinet.core.anatomy.Side;
import org.jspecify.annotations.Nullable;

/** A photograph from the side; never changed, but it can be withdrawn. */
@Entity
@Table(name = "photograph")
class PhotographRow extends Row {
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

  PhotographRow(
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

  UUID clientId() {
    return clientId;
  }

  LocalDate localDate() {
    return localDate;
  }

  Side facing() {
    return facing;
  }

  int width() {
    return width;
  }

  int height() {
    return height;
  }

  byte[] image() {
    return image;
  }

  UUID practitionerId() {
    return practitionerId;
  }

  Instant at() {
    return at;
  }

  boolean withdrawn() {
    return withdrawnAt != null;
  }

  /** The pixels are gone for good. */
  void withdraw(Instant when) {
    image = new byte[0];
    withdrawnAt = when;
  }
}
