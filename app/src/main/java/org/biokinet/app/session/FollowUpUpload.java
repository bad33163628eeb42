package org.biokinet.app.session;

import jakarta.validation.constraints.AssertTrue;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.biokinet.core.session.SelfCheck;
import org.jspecify.annotations.Nullable;

/**
 * What a client tells between two sessions.
 *
 * @param uploadId made where it was told; sending the same again changes nothing
 * @param sessionUploadId the session whose pain had settled or not; null for a morning
 * @param settled whether it had; null for a morning
 * @param day the morning that is told about, where the client is; null for a session
 * @param pain of that morning, or now, 0–10; null where it was not told
 * @param woken whether pain woke in the night; null where it was not told
 * @param joints how each is, by {@link SelfCheck.Part#text}; null for anything but a self-check
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
    @Nullable @Size(max = 12) Map<@NotNull String, SelfCheck.@NotNull Felt> joints,
    @NotNull OffsetDateTime toldAt) {

  /** What it is about. */
  public enum Kind {
    SETTLED,
    MORNING,
    SELF_CHECK,
    /** Pain now, with which somebody wanted to begin a session and may not. */
    START
  }

  @AssertTrue(message = "says what it is about")
  boolean isWhole() {
    return switch (kind) {
      case SETTLED -> sessionUploadId != null && settled != null;
      case MORNING -> day != null;
      case SELF_CHECK -> day != null && joints != null;
      case START -> pain != null;
    };
  }

  /** How the joints are; empty where it is about something else. */
  public Map<SelfCheck.Part, SelfCheck.Felt> felt() {
    return joints == null
        ? Map.of()
        : joints.entrySet().stream()
            .collect(
                Collectors.toUnmodifiableMap(
                    e -> SelfCheck.Part.of(e.getKey()), Map.Entry::getValue));
  }

  public static FollowUpUpload settled(
      UUID uploadId, UUID session, boolean settled, OffsetDateTime at) {
    return new FollowUpUpload(uploadId, Kind.SETTLED, session, settled, null, null, null, null, at);
  }

  public static FollowUpUpload selfCheck(
      UUID uploadId, LocalDate day, Map<String, SelfCheck.Felt> joints, OffsetDateTime at) {
    return new FollowUpUpload(uploadId, Kind.SELF_CHECK, null, null, day, null, null, joints, at);
  }

  public static FollowUpUpload start(UUID uploadId, int pain, OffsetDateTime at) {
    return new FollowUpUpload(uploadId, Kind.START, null, null, null, pain, null, null, at);
  }

  public static FollowUpUpload morning(
      UUID uploadId,
      LocalDate day,
      @Nullable Integer pain,
      @Nullable Boolean woken,
      OffsetDateTime at) {
    return new FollowUpUpload(uploadId, Kind.MORNING, null, null, day, pain, woken, null, at);
  }
}
