package org.biokinet.app.access.internal;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.platform.Row;
import org.jspecify.annotations.Nullable;

/** A client's link: token and PIN are known only as hashes. */
@Entity
public class ClientLink extends Row {
  private UUID clientId;
  private String tokenHash;
  private String pinHash;
  private UUID madeBy;
  private Instant madeAt;
  private @Nullable Instant openedAt;
  private @Nullable Instant revokedAt;
  private @Nullable Instant pinForgottenAt;

  @SuppressWarnings("NullAway.Init")
  protected ClientLink() {}

  public ClientLink(UUID clientId, String tokenHash, String pinHash, UUID madeBy, Instant madeAt) {
    this.clientId = clientId;
    this.tokenHash = tokenHash;
    this.pinHash = pinHash;
    this.madeBy = madeBy;
    this.madeAt = madeAt;
  }

  public UUID clientId() {
    return clientId;
  }

  public String pinHash() {
    return pinHash;
  }

  /** Another PIN; nobody waits for one any more. */
  public void setPinHash(String hash) {
    pinHash = hash;
    pinForgottenAt = null;
  }

  public UUID madeBy() {
    return madeBy;
  }

  public Instant madeAt() {
    return madeAt;
  }

  public String tokenHash() {
    return tokenHash;
  }

  public Optional<Instant> openedAt() {
    return Optional.ofNullable(openedAt);
  }

  public void opened(Instant at) {
    if (openedAt == null) openedAt = at;
  }

  /** Since when the client waits for another PIN. */
  public Optional<Instant> pinForgottenAt() {
    return Optional.ofNullable(pinForgottenAt);
  }

  public void pinForgotten(Instant at) {
    pinForgottenAt = at;
  }

  public boolean revoked() {
    return revokedAt != null;
  }

  public void revoke(Instant at) {
    if (revokedAt == null) revokedAt = at;
  }
}
