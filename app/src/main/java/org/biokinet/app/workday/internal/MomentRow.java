package org.biokinet.app.workday.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.platform.Row;
import org.biokinet.core.workday.Moment;

/** What was told of a break, under the id that the device gave it. */
@Entity
@Table(name = "desk_moment")
@SuppressWarnings("UnusedVariable") // by these it is found
public class MomentRow extends Row {
  private UUID clientId;
  private UUID uploadId;

  @Enumerated(EnumType.STRING)
  private Moment.Kind kind;

  private Instant at;

  @SuppressWarnings("NullAway.Init")
  protected MomentRow() {}

  public MomentRow(UUID clientId, UUID uploadId, Moment moment) {
    this.clientId = clientId;
    this.uploadId = uploadId;
    this.kind = moment.kind();
    this.at = moment.at();
  }

  public Moment moment() {
    return new Moment(kind, at);
  }
}
