package org.biokinet.app.session.internal;

import jakarta.persistence.Convert;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.biokinet.app.platform.Row;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.session.CheckIn;
import org.biokinet.core.session.Eased;
import org.biokinet.core.session.Ended;
import org.biokinet.core.session.Pressed;
import org.biokinet.core.session.Session;
import org.biokinet.core.session.Told;
import org.biokinet.core.timeline.Performance;
import org.jspecify.annotations.Nullable;

/** One performance of a program, as it was done. */
@Entity
@Table(name = "session_record")
@SuppressWarnings("UnusedVariable") // some of it is kept for who looks into a fault
public class SessionRow extends Row {

  private UUID clientId;

  @Enumerated(EnumType.STRING)
  private ProgramKind program;

  private UUID uploadId;
  private int revision;
  private String contentHash;
  private UUID programVersionId;
  private int version;

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
  private boolean whileClosed;
  private String putRight;

  @Enumerated(EnumType.STRING)
  private Told told;

  @Convert(converter = EasedText.class)
  private Set<Eased> eased;

  @Convert(converter = PressedText.class)
  private List<Pressed> pressed;

  @SuppressWarnings("NullAway.Init")
  protected SessionRow() {}

  public SessionRow(
      UUID clientId,
      UUID uploadId,
      int revision,
      String contentHash,
      UUID programVersionId,
      ProgramVersion.Name version,
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
      boolean whileClosed,
      String putRight,
      Told told,
      Set<Eased> eased,
      List<Pressed> pressed) {
    this.clientId = clientId;
    this.uploadId = uploadId;
    this.revision = revision;
    this.contentHash = contentHash;
    this.programVersionId = programVersionId;
    this.program = version.program();
    this.version = version.number();
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
    this.whileClosed = whileClosed;
    this.putRight = putRight;
    this.told = told;
    this.eased = eased;
    this.pressed = pressed;
  }

  /** As everybody else sees it. */
  public Session session(
      List<Performance.Part> parts, Optional<CheckIn> checkIn, Optional<Session.Settled> settled) {
    return new Session(
        program,
        version,
        lead,
        length,
        startedAt,
        localDate,
        Optional.ofNullable(painBefore),
        ended,
        secondsDone,
        secondsPlanned,
        whileClosed,
        putRight,
        told,
        parts,
        checkIn,
        settled,
        eased,
        pressed);
  }

  public UUID clientId() {
    return clientId;
  }

  public int revision() {
    return revision;
  }

  public Ended ended() {
    return ended;
  }

  public Instant receivedAt() {
    return receivedAt;
  }

  public UUID uploadId() {
    return uploadId;
  }

  public String contentHash() {
    return contentHash;
  }

  public Instant startedAt() {
    return startedAt;
  }

  public LocalDate localDate() {
    return localDate;
  }

  public int secondsDone() {
    return secondsDone;
  }

  public boolean whileClosed() {
    return whileClosed;
  }
}
