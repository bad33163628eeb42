package org.biokinet.app.client;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.support.Row;

/** A browser that has given the PIN; ends with its link. */
@Entity
class ClientDevice extends Row {
  private UUID linkId;
  private String cookieHash;
  private Instant madeAt;

  @SuppressWarnings("NullAway.Init")
  protected ClientDevice() {}

  ClientDevice(UUID linkId, String cookieHash, Instant madeAt) {
    this.linkId = linkId;
    this.cookieHash = cookieHash;
    this.madeAt = madeAt;
  }

  UUID linkId() {
    return linkId;
  }

  String cookieHash() {
    return cookieHash;
  }

  Instant madeAt() {
    return madeAt;
  }
}
