package org.biokinet.app.session.internal;

import jakarta.persistence.Convert;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.platform.Row;
import org.biokinet.core.session.CheckIn;
import org.biokinet.core.session.Tighter;
import org.jspecify.annotations.Nullable;

/**
 * What the client says after a session; a correction is a new row that names the one it replaces.
 */
@Entity
@Table(name = "check_in")
@SuppressWarnings("UnusedVariable") // some of it is kept for who looks into a fault
public class CheckInRow extends Row {
  private UUID clientId;
  private UUID uploadId;
  private String contentHash;
  private UUID sessionUploadId;
  private @Nullable Integer highestPain;
  private @Nullable Integer stretchFelt;

  @Convert(converter = TighterText.class)
  private Map<Integer, Tighter> tighter;

  private String note;
  private Instant receivedAt;
  private @Nullable UUID supersedes;

  @SuppressWarnings("NullAway.Init")
  protected CheckInRow() {}

  public CheckInRow(
      UUID clientId,
      UUID uploadId,
      String contentHash,
      UUID sessionUploadId,
      @Nullable Integer highestPain,
      @Nullable Integer stretchFelt,
      Map<Integer, Tighter> tighter,
      String note,
      Instant receivedAt,
      @Nullable UUID supersedes) {
    this.clientId = clientId;
    this.uploadId = uploadId;
    this.contentHash = contentHash;
    this.sessionUploadId = sessionUploadId;
    this.highestPain = highestPain;
    this.stretchFelt = stretchFelt;
    this.tighter = Map.copyOf(tighter);
    this.note = note;
    this.receivedAt = receivedAt;
    this.supersedes = supersedes;
  }

  public CheckIn checkIn() {
    return new CheckIn(
        Optional.ofNullable(highestPain), Optional.ofNullable(stretchFelt), tighter, note);
  }

  public String contentHash() {
    return contentHash;
  }

  public UUID sessionUploadId() {
    return sessionUploadId;
  }
}
