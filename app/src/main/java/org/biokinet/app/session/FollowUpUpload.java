package org.biokinet.app.session;

import jakarta.validation.constraints.AssertTrue;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * What a client tells between two sessions.
 *
 * @param uploadId made where it was told; sending the same again changes nothing
 * @param sessionUploadId the session whose pain had settled or not; null for a morning
 * @param settled whether it had; null for a morning
 * @param day the morning that is told about, where the client is; null for a session
 * @param pain of that morning, 0–10; null where it was not told
 * @param woken whether pain woke in the night; null where it was not told
 * @param toldAt by the device's clock
 */
public record FollowUpUpload(
    @NotNull UUID uploadId,
    @NotNull Kind kind,
    @Nullable UUID sessionUploadId,
    @Nullable Boolean settled,
    @Nullable LocalDate day,
    @Nullable Integer pain,
    @Nullable Boolean woken,
    @NotNull OffsetDateTime toldAt) {

  /** What it is about. */
  public enum Kind {
    SETTLED,
    MORNING
  }

  @AssertTrue(message = "says what it is about")
  boolean isWhole() {
    return kind == Kind.SETTLED ? sessionUploadId != null && settled != null : day != null;
  }

  public static FollowUpUpload settled(
      UUID uploadId, UUID session, boolean settled, OffsetDateTime at) {
    return new FollowUpUpload(uploadId, Kind.SETTLED, session, settled, null, null, null, at);
  }

  public static FollowUpUpload morning(
      UUID uploadId,
      LocalDate day,
      @Nullable Integer pain,
      @Nullable Boolean woken,
      OffsetDateTime at) {
    return new FollowUpUpload(uploadId, Kind.MORNING, null, null, day, pain, woken, at);
  }
}
