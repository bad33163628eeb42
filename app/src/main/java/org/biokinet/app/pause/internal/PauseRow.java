package org.biokinet.app.pause.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.platform.Row;
import org.biokinet.core.progress.Pause;
import org.jspecify.annotations.Nullable;

/** A pause that was told. */
@Entity
@Table(name = "pause")
public class PauseRow extends Row {
  private UUID clientId;

  @Enumerated(EnumType.STRING)
  private Pause.Kind kind;

  private LocalDate fromDay;
  private LocalDate untilDay;
  private boolean fever;
  private @Nullable UUID toldBy;
  private Instant toldAt;
  private @Nullable LocalDate endedOn;

  @SuppressWarnings("NullAway.Init")
  protected PauseRow() {}

  /**
   * @param toldBy null where the client did
   */
  public PauseRow(UUID clientId, Pause pause, @Nullable UUID toldBy, Instant toldAt) {
    this.clientId = clientId;
    this.kind = pause.kind();
    this.fromDay = pause.from();
    this.untilDay = pause.until();
    this.fever = pause.fever();
    this.toldBy = toldBy;
    this.toldAt = toldAt;
  }

  public UUID clientId() {
    return clientId;
  }

  public Optional<UUID> toldBy() {
    return Optional.ofNullable(toldBy);
  }

  public Instant toldAt() {
    return toldAt;
  }

  public Pause pause() {
    return new Pause(kind, fromDay, untilDay, fever, Optional.ofNullable(endedOn));
  }

  /** The client is back from this day on. */
  public void end(LocalDate day) {
    endedOn = day;
  }
}
