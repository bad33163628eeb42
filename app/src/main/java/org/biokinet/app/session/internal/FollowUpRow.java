package org.biokinet.app.session.internal;

import jakarta.persistence.Convert;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.platform.Row;
import org.biokinet.app.session.FollowUpUpload;
import org.biokinet.core.progress.Diary;
import org.biokinet.core.session.Morning;
import org.biokinet.core.session.SelfCheck;
import org.biokinet.core.session.Session;
import org.jspecify.annotations.Nullable;

/** What a client has told between two sessions. */
@Entity
@Table(name = "follow_up")
@SuppressWarnings("UnusedVariable") // some of it is kept for who looks into a fault
public class FollowUpRow extends Row {
  private UUID clientId;
  private UUID uploadId;
  private String contentHash;

  @Enumerated(EnumType.STRING)
  private FollowUpUpload.Kind kind;

  private @Nullable UUID sessionUploadId;
  private @Nullable LocalDate day;
  private @Nullable Boolean settled;
  private @Nullable Integer pain;
  private @Nullable Boolean woken;

  @Convert(converter = JointsText.class)
  private Map<SelfCheck.Part, SelfCheck.Felt> joints;

  private Instant toldAt;
  private Instant receivedAt;

  @SuppressWarnings("NullAway.Init")
  protected FollowUpRow() {}

  /**
   * @param day that it is about, where it is about one
   * @param toldAt as far as the device's clock is believed
   */
  public FollowUpRow(
      UUID clientId,
      String contentHash,
      FollowUpUpload u,
      Optional<LocalDate> day,
      Instant toldAt,
      Instant receivedAt) {
    this.clientId = clientId;
    this.uploadId = u.uploadId();
    this.contentHash = contentHash;
    this.kind = u.kind();
    this.sessionUploadId = u.sessionUploadId();
    this.day = day.orElse(null);
    this.settled = u.settled();
    this.pain = u.pain();
    this.woken = u.woken();
    this.joints = u.felt();
    this.toldAt = toldAt.truncatedTo(ChronoUnit.MICROS);
    this.receivedAt = receivedAt;
  }

  public String contentHash() {
    return contentHash;
  }

  public Instant toldAt() {
    return toldAt;
  }

  public @Nullable UUID sessionUploadId() {
    return sessionUploadId;
  }

  /** Empty where it is about something else. */
  public Optional<Morning> morning() {
    return Optional.ofNullable(day)
        .filter(d -> kind == FollowUpUpload.Kind.MORNING)
        .map(d -> new Morning(d, Optional.ofNullable(pain), Optional.ofNullable(woken)));
  }

  /** Empty where it is about something else. */
  public Optional<Diary.Refused> refused() {
    return Optional.ofNullable(pain)
        .filter(p -> kind == FollowUpUpload.Kind.START)
        .map(p -> new Diary.Refused(toldAt, p));
  }

  /** Empty where it is about something else. */
  public Optional<SelfCheck> selfCheck() {
    return Optional.ofNullable(day)
        .filter(d -> kind == FollowUpUpload.Kind.SELF_CHECK)
        .map(d -> new SelfCheck(d, joints));
  }

  /** Empty where it is about something else. */
  public Optional<Session.Settled> settled() {
    return Optional.ofNullable(settled).map(s -> new Session.Settled(s, toldAt));
  }
}
