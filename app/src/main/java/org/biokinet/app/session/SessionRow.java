package org.biokinet.app.session;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.support.Row;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.session.Ended;
import org.jspecify.annotations.Nullable;

/** One performance of a program, as it was done. */
@Entity
@Table(name = "session_record")
public class SessionRow extends Row {

  private UUID clientId;
  private UUID uploadId;
  private String contentHash;
  private UUID programVersionId;

  @Enumerated(EnumType.STRING)
  private Side lead;

  @Enumerated(EnumType.STRING)
  private SessionLength length;

  private BigDecimal breathSeconds;
  private Instant startedAt;
  private int offsetMinutes;
  private String zone;
  private LocalDate localDate;
  private Instant receivedAt;
  private @Nullable Integer painBefore;

  @Enumerated(EnumType.STRING)
  private Ended ended;

  private int secondsDone;
  private int secondsPlanned;
  private int stretchLeft;
  private int stretchRight;
  private boolean whileClosed;
  private String putRight;

  @SuppressWarnings("NullAway.Init")
  protected SessionRow() {}

  SessionRow(
      UUID clientId,
      UUID uploadId,
      String contentHash,
      UUID programVersionId,
      Side lead,
      SessionLength length,
      double breathSeconds,
      Instant startedAt,
      int offsetMinutes,
      String zone,
      LocalDate localDate,
      Instant receivedAt,
      @Nullable Integer painBefore,
      Ended ended,
      int secondsDone,
      int secondsPlanned,
      int stretchLeft,
      int stretchRight,
      boolean whileClosed,
      String putRight) {
    this.clientId = clientId;
    this.uploadId = uploadId;
    this.contentHash = contentHash;
    this.programVersionId = programVersionId;
    this.lead = lead;
    this.length = length;
    this.breathSeconds = BigDecimal.valueOf(breathSeconds);
    this.startedAt = startedAt.truncatedTo(ChronoUnit.MICROS);
    this.offsetMinutes = offsetMinutes;
    this.zone = zone;
    this.localDate = localDate;
    this.receivedAt = receivedAt;
    this.painBefore = painBefore;
    this.ended = ended;
    this.secondsDone = secondsDone;
    this.secondsPlanned = secondsPlanned;
    this.stretchLeft = stretchLeft;
    this.stretchRight = stretchRight;
    this.whileClosed = whileClosed;
    this.putRight = putRight;
  }

  public UUID clientId() {
    return clientId;
  }

  public UUID uploadId() {
    return uploadId;
  }

  String contentHash() {
    return contentHash;
  }

  public UUID programVersionId() {
    return programVersionId;
  }

  /** The side that went first. */
  public Side lead() {
    return lead;
  }

  public SessionLength length() {
    return length;
  }

  public double breathSeconds() {
    return breathSeconds.doubleValue();
  }

  public Instant startedAt() {
    return startedAt;
  }

  int offsetMinutes() {
    return offsetMinutes;
  }

  String zone() {
    return zone;
  }

  /** The client's day. */
  public LocalDate localDate() {
    return localDate;
  }

  public Instant receivedAt() {
    return receivedAt;
  }

  public Optional<Integer> painBefore() {
    return Optional.ofNullable(painBefore);
  }

  public Ended ended() {
    return ended;
  }

  public int secondsDone() {
    return secondsDone;
  }

  public int secondsPlanned() {
    return secondsPlanned;
  }

  public int stretchLeft() {
    return stretchLeft;
  }

  /** Whether the gate was closed to it; then it is no session for the gate. */
  public boolean whileClosed() {
    return whileClosed;
  }

  /** What of it the device had told wrongly, in words; empty where nothing was put right. */
  public String putRight() {
    return putRight;
  }

  public int stretchRight() {
    return stretchRight;
  }
}
