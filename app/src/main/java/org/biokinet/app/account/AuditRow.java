package org.biokinet.app.account;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.support.Row;
import org.jspecify.annotations.Nullable;

/** Who saw or changed what. */
@Entity
@Table(name = "audit")
class AuditRow extends Row {
  private UUID practiceId;
  private Instant at;
  private String actor;
  private UUID actorId;
  private @Nullable UUID clientId;
  private String action;
  private String detail;

  @SuppressWarnings("NullAway.Init")
  protected AuditRow() {}

  AuditRow(
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

  Instant at() {
    return at;
  }

  String actor() {
    return actor;
  }

  UUID actorId() {
    return actorId;
  }

  Optional<UUID> clientId() {
    return Optional.ofNullable(clientId);
  }

  String action() {
    return action;
  }

  String detail() {
    return detail;
  }

  UUID practiceId() {
    return practiceId;
  }
}
