package org.biokinet.app.session.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.platform.Row;

/** An upload whose id came before with other content; kept for the practitioner to look at. */
@Entity
@Table(name = "upload_conflict")
public class UploadConflictRow extends Row {
  private UUID clientId;
  private UUID uploadId;
  private String content;
  private Instant receivedAt;

  @SuppressWarnings("NullAway.Init")
  protected UploadConflictRow() {}

  public UploadConflictRow(UUID clientId, UUID uploadId, String content, Instant receivedAt) {
    this.clientId = clientId;
    this.uploadId = uploadId;
    this.content = content;
    this.receivedAt = receivedAt;
  }

  public UUID clientId() {
    return clientId;
  }

  public UUID uploadId() {
    return uploadId;
  }

  public String content() {
    return content;
  }

  public Instant receivedAt() {
    return receivedAt;
  }
}
