package org.biokinet.app.session;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.support.Row;
import org.jspecify.annotations.Nullable;

/**
 * What the client says after a session; a correction is a new row that names the one it replaces.
 */
@Entity
@Table(name = "check_in")
public class CheckInRow extends Row {
  private UUID clientId;
  private UUID uploadId;
  private String contentHash;
  private UUID sessionUploadId;
  private @Nullable Integer highestPain;
  private @Nullable Integer stretchFelt;
  private String note;
  private Instant receivedAt;
  private @Nullable UUID supersedes;

  @SuppressWarnings("NullAway.Init")
  protected CheckInRow() {}

  CheckInRow(
      UUID clientId,
      UUID uploadId,
      String contentHash,
      UUID sessionUploadId,
      @Nullable Integer highestPain,
      @Nullable Integer stretchFelt,
      String note,
      Instant receivedAt,
      @Nullable UUID supersedes) {
    this.clientId = clientId;
    this.uploadId = uploadId;
    this.contentHash = contentHash;
    this.sessionUploadId = sessionUploadId;
    this.highestPain = highestPain;
    this.stretchFelt = stretchFelt;
    this.note = note;
    this.receivedAt = receivedAt;
    this.supersedes = supersedes;
  }

  public UUID clientId() {
    return clientId;
  }

  UUID uploadId() {
    return uploadId;
  }

  String contentHash() {
    return contentHash;
  }

  public UUID sessionUploadId() {
    return sessionUploadId;
  }

  public Optional<Integer> highestPain() {
    return Optional.ofNullable(highestPain);
  }

  public Optional<Integer> stretchFelt() {
    return Optional.ofNullable(stretchFelt);
  }

  public String note() {
    return note;
  }

  public Instant receivedAt() {
    return receivedAt;
  }

  @Nullable UUID supersedes() {
    return supersedes;
  }
}
