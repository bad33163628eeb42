package org.biokinet.app.session.internal;

import jakarta.persistence.Convert;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.biokinet.app.platform.Row;
import org.biokinet.core.session.CheckIn;
import org.biokinet.core.session.ItemSide;
import org.biokinet.core.session.SkipReason;
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

  @Convert(converter = ByItem.Tight.class)
  private Map<Integer, Tighter> tighter;

  @Convert(converter = PlacesText.class)
  private Set<ItemSide> provoked;

  @Convert(converter = PlacesText.class)
  private Set<ItemSide> tooStrong;

  @Convert(converter = ByItem.Skipped.class)
  private Map<Integer, SkipReason> skipped;

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
      CheckIn said,
      Instant receivedAt,
      @Nullable UUID supersedes) {
    this.clientId = clientId;
    this.uploadId = uploadId;
    this.contentHash = contentHash;
    this.sessionUploadId = sessionUploadId;
    this.highestPain = said.highestPain().orElse(null);
    this.stretchFelt = said.stretchFelt().orElse(null);
    this.tighter = said.tighter();
    this.provoked = said.provoked();
    this.tooStrong = said.tooStrong();
    this.skipped = said.skipped();
    this.note = said.note();
    this.receivedAt = receivedAt;
    this.supersedes = supersedes;
  }

  public CheckIn checkIn() {
    return new CheckIn(
        Optional.ofNullable(highestPain),
        Optional.ofNullable(stretchFelt),
        tighter,
        provoked,
        tooStrong,
        skipped,
        note);
  }

  public String contentHash() {
    return contentHash;
  }

  public UUID sessionUploadId() {
    return sessionUploadId;
  }
}
