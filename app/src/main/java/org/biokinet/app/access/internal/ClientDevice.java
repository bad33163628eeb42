package org.biokinet.app.access.internal;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.platform.Row;
import org.jspecify.annotations.Nullable;

/** A browser that has given the PIN; ends with its link. */
@Entity
public class ClientDevice extends Row {
  private UUID linkId;
  private String cookieHash;
  private Instant madeAt;
  private @Nullable Instant syncedAt;
  private @Nullable Instant endedAt;

  @SuppressWarnings("NullAway.Init")
  protected ClientDevice() {}

  public ClientDevice(UUID linkId, String cookieHash, Instant madeAt) {
    this.linkId = linkId;
    this.cookieHash = cookieHash;
    this.madeAt = madeAt;
  }

  public UUID linkId() {
    return linkId;
  }

  public String cookieHash() {
    return cookieHash;
  }

  public Instant madeAt() {
    return madeAt;
  }

  /** Empty for one that never was. */
  public Optional<Instant> syncedAt() {
    return Optional.ofNullable(syncedAt);
  }

  public void synced(Instant at) {
    syncedAt = at;
  }

  public void end(Instant at) {
    if (endedAt == null) endedAt = at;
  }
}
