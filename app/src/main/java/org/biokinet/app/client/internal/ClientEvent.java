package org.biokinet.app.client.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.platform.Row;

/** What a practitioner did about a client; only ever added. */
@Entity
@SuppressWarnings("UnusedVariable") // whose it is is only asked for
public class ClientEvent extends Row {

  /** What happened. */
  public enum Kind {
    /** Somebody has called the client; what is open stays open. */
    CALLED,
    /** The practitioner has dealt with what came before. */
    DEALT_WITH,
    ARCHIVED,
    REACTIVATED,
    /** The client is back with something new; programs and answers begin again. */
    NEW_EPISODE,
    /** A second record of the same person was joined to this one. */
    MERGED,
    /** Somebody else of the practice treats them from now on. */
    GIVEN
  }

  private UUID clientId;
  private Instant at;

  @Enumerated(EnumType.STRING)
  private Kind kind;

  private UUID practitionerId;
  private String detail;

  @SuppressWarnings("NullAway.Init")
  protected ClientEvent() {}

  public ClientEvent(UUID clientId, Instant at, Kind kind, UUID practitionerId, String detail) {
    this.clientId = clientId;
    this.at = at;
    this.kind = kind;
    this.practitionerId = practitionerId;
    this.detail = detail;
  }

  public Instant at() {
    return at;
  }

  public Kind kind() {
    return kind;
  }

  public UUID practitionerId() {
    return practitionerId;
  }

  public String detail() {
    return detail;
  }
}
