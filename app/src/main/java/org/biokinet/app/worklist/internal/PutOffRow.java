package org.biokinet.app.worklist.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.core.progress.Attention;
import org.biokinet.core.progress.PutOff;

/** Who is looked at later; the newest word about each client. */
@Entity
@Table(name = "put_off")
@SuppressWarnings("UnusedVariable") // who it was is there to be asked for
public class PutOffRow {
  @Id private UUID clientId;

  @Enumerated(EnumType.STRING)
  private Attention what;

  private Instant putAt;
  private Instant untilAt;
  private String reason;
  private UUID byId;

  @SuppressWarnings("NullAway.Init")
  protected PutOffRow() {}

  public PutOffRow(UUID clientId, PutOff off, String reason, UUID byId) {
    this.clientId = clientId;
    this.what = off.what();
    this.putAt = off.at();
    this.untilAt = off.until();
    this.reason = reason;
    this.byId = byId;
  }

  public PutOff off() {
    return new PutOff(what, putAt, untilAt);
  }

  public String reason() {
    return reason;
  }
}
