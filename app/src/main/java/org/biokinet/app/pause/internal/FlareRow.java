package org.biokinet.app.pause.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.platform.Row;
import org.jspecify.annotations.Nullable;

/** A flare that a client told of. */
@Entity
@Table(name = "flare")
public class FlareRow extends Row {

  /** How it came to an end. */
  public enum Ended {
    SETTLED,
    BY_PRACTITIONER,
    MISTAKE
  }

  private UUID clientId;
  private UUID versionId;
  private int days;
  private Instant begunAt;
  private @Nullable Instant endedAt;

  @Enumerated(EnumType.STRING)
  private @Nullable Ended endedHow;

  private @Nullable UUID endedBy;

  @SuppressWarnings("NullAway.Init")
  protected FlareRow() {}

  public FlareRow(UUID clientId, UUID versionId, int days, Instant begunAt) {
    this.clientId = clientId;
    this.versionId = versionId;
    this.days = days;
    this.begunAt = begunAt;
  }

  public UUID clientId() {
    return clientId;
  }

  public UUID versionId() {
    return versionId;
  }

  public int days() {
    return days;
  }

  public Instant begunAt() {
    return begunAt;
  }

  public Optional<Instant> endedAt() {
    return Optional.ofNullable(endedAt);
  }

  public Optional<Ended> endedHow() {
    return Optional.ofNullable(endedHow);
  }

  /**
   * @param by null where the client said so
   */
  public void end(Ended how, @Nullable UUID by, Instant at) {
    endedHow = how;
    endedBy = by;
    endedAt = at;
  }

  public Optional<UUID> endedBy() {
    return Optional.ofNullable(endedBy);
  }
}
