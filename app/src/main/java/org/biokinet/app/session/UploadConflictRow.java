package org.biokinet.app.session;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.support.Row;

/** An upload whose id came before with other content; kept for the practitioner to look at. */
@Entity
@Table(name = "upload_conflict")
class UploadConflictRow extends Row {
  private UUID clientId;
  private UUID uploadId;
  private String content;
  private Instant receivedAt;

  @SuppressWarnings("NullAway.Init")
  protected UploadConflictRow() {}

  UploadConflictRow(UUID clientId, UUID uploadId, String content, Instant receivedAt) {
    this.clientId = clientId;
    this.uploadId = uploadId;
    this.content = content;
    this.receivedAt = receivedAt;
  }

  UUID clientId() {
    return clientId;
  }

  UUID uploadId() {
    return uploadId;
  }

  String content() {
    return content;
  }

  Instant receivedAt() {
    return receivedAt;
  }
}
