package org.biokinet.app.audit.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.platform.Row;
import org.jspecify.annotations.Nullable;

/** Who saw or changed what. */
@Entity
@Table(name = "audit")
@SuppressWarnings("UnusedVariable") // whose practice it is is only asked for
public class AuditRow extends Row {
  private UUID practiceId;
  private Instant at;
  private String actor;
  private UUID actorId;
  private @Nullable UUID clientId;
  private String action;
  private String detail;

  @SuppressWarnings("NullAway.Init")
  protected AuditRow() {}

  public AuditRow(
      UUID practiceId,
      Instant at,
      String actor,
      UUID actorId,
      @Nullable UUID clientId,
      String action,
      String detail) {
    this.practiceId = practiceId;
    this.at = at;
    this.actor = actor;
    this.actorId = actorId;
    this.clientId = clientId;
    this.action = action;
    this.detail = detail;
  }

  public Audit.Entry entry() {
    return new Audit.Entry(
        at, actor.equals("client"), actorId, Optional.ofNullable(clientId), action, detail);
  }
}
