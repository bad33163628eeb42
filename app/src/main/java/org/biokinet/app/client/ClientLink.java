package org.biokinet.app.client;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.support.Row;
import org.jspecify.annotations.Nullable;

/** A client's link: token and PIN are known only as hashes. */
@Entity
class ClientLink extends Row {
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

  ClientLink(UUID clientId, String tokenHash, String pinHash, UUID madeBy, Instant madeAt) {
    this.clientId = clientId;
    this.tokenHash = tokenHash;
    this.pinHash = pinHash;
    this.madeBy = madeBy;
    this.madeAt = madeAt;
  }

  UUID clientId() {
    return clientId;
  }

  String pinHash() {
    return pinHash;
  }

  /** Another PIN; nobody waits for one any more. */
  void setPinHash(String hash) {
    pinHash = hash;
    pinForgottenAt = null;
  }

  UUID madeBy() {
    return madeBy;
  }

  Instant madeAt() {
    return madeAt;
  }

  String tokenHash() {
    return tokenHash;
  }

  Optional<Instant> openedAt() {
    return Optional.ofNullable(openedAt);
  }

  void opened(Instant at) {
    if (openedAt == null) openedAt = at;
  }

  /** Since when the client waits for another PIN. */
  Optional<Instant> pinForgottenAt() {
    return Optional.ofNullable(pinForgottenAt);
  }

  void pinForgotten(Instant at) {
    pinForgottenAt = at;
  }

  boolean revoked() {
    return revokedAt != null;
  }

  void revoke(Instant at) {
    if (revokedAt == null) revokedAt = at;
  }
}
