package org.biokinet.app.screening.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import org.biokinet.app.platform.Row;
import org.jspecify.annotations.Nullable;

/** Something that the gate of a client is decided on, beside the answers; only ever added. */
@Entity
@Table(name = "gate_fact")
@SuppressWarnings("UnusedVariable") // only summed up by queries
public class GateFactRow extends Row {

  /** What it is. */
  public enum Kind {
    /** The client stopped because something was wrong. */
    STOP,
    /** A stop has its outcome. */
    DEALT_WITH,
    /** A session was done while the gate was open. */
    SESSION,
    /** A session after a week or more without one. */
    RETURNED,
    /** An illness with fever was told. */
    FEVER,
    /** The client has begun the plan for a flare. */
    FLARE_BEGUN,
    /** It is over. */
    FLARE_ENDED,
    /** It was begun by mistake. */
    FLARE_UNDONE,
    /** A practitioner has shared a version or given the full doses back. */
    LOOKED_AT,
    /** Answers from before open nothing any more. */
    ASK_AGAIN,
    ARCHIVED,
    REACTIVATED
  }

  private UUID clientId;

  @Enumerated(EnumType.STRING)
  private Kind kind;

  private Instant at;
  private Instant knownAt;
  private @Nullable LocalDate day;

  @SuppressWarnings("NullAway.Init")
  protected GateFactRow() {}

  /**
   * @param at when it was
   * @param knownAt when the practice learned of it
   * @param day the client's day, of a session
   */
  public GateFactRow(
      UUID clientId, Kind kind, Instant at, Instant knownAt, @Nullable LocalDate day) {
    this.clientId = clientId;
    this.kind = kind;
    this.at = at;
    this.knownAt = knownAt;
    this.day = day;
  }
}
