package org.biokinet.app.client.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.client.Matter;
import org.biokinet.app.platform.Row;
import org.biokinet.core.progress.Attention;

/** A matter as it came in; only ever added. */
@Entity
@Table(name = "matter")
@SuppressWarnings("UnusedVariable") // whose it is is only asked for
public class MatterRow extends Row {
  private UUID clientId;
  private Instant at;

  @Enumerated(EnumType.STRING)
  private Attention attention;

  private String detail;

  @SuppressWarnings("NullAway.Init")
  protected MatterRow() {}

  public MatterRow(UUID clientId, Matter matter) {
    this.clientId = clientId;
    this.at = matter.at();
    this.attention = matter.as();
    this.detail = matter.detail();
  }

  public Matter matter() {
    return new Matter(attention, at, detail);
  }
}
