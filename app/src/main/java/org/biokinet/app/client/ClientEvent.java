package org.biokinet.app.client;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.support.Row;
import org.jspecify.annotations.Nullable;

/** Something that happened to a client; only ever added. */
@Entity
public class ClientEvent extends Row {

  /** What happened, as far as it is about who is treated, and the link. */
  public enum Kind {
    LINK_MADE,
    LINK_OPENED,
    /** Somebody has called the client; what is open stays open. */
    CALLED,
    /** The practitioner has dealt with what came before. */
    DEALT_WITH,
    /** The client has forgotten the PIN and asks for another. */
    PIN_FORGOTTEN,
    ARCHIVED,
    REACTIVATED,
    /** The client is back with something new; programs and answers begin again. */
    NEW_EPISODE,
    /** A second record of the same person was joined to this one. */
    MERGED
  }

  private UUID clientId;
  private Instant at;

  @Enumerated(EnumType.STRING)
  private Kind kind;

  private @Nullable UUID practitionerId;
  private String detail;

  @SuppressWarnings("NullAway.Init")
  protected ClientEvent() {}

  ClientEvent(UUID clientId, Instant at, Kind kind, @Nullable UUID practitionerId, String detail) {
    this.clientId = clientId;
    this.at = at;
    this.kind = kind;
    this.practitionerId = practitionerId;
    this.detail = detail;
  }

  public UUID clientId() {
    return clientId;
  }

  public Instant at() {
    return at;
  }

  public Kind kind() {
    return kind;
  }

  public Optional<UUID> practitionerId() {
    return Optional.ofNullable(practitionerId);
  }

  public String detail() {
    return detail;
  }
}
