package org.biokinet.app.teaching.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.platform.Row;
import org.jspecify.annotations.Nullable;

/** A program that was taught. */
@Entity
@Table(name = "teaching")
public class TeachingRow extends Row {
  private UUID clientId;
  private UUID versionId;
  private UUID practitionerId;
  private Instant begunAt;
  private String note = "";
  private @Nullable Instant keptAt;

  @SuppressWarnings("NullAway.Init")
  protected TeachingRow() {}

  public TeachingRow(UUID clientId, UUID versionId, UUID practitionerId, Instant begunAt) {
    this.clientId = clientId;
    this.versionId = versionId;
    this.practitionerId = practitionerId;
    this.begunAt = begunAt;
  }

  public UUID clientId() {
    return clientId;
  }

  public UUID versionId() {
    return versionId;
  }

  public UUID practitionerId() {
    return practitionerId;
  }

  public Instant begunAt() {
    return begunAt;
  }

  public String note() {
    return note;
  }

  /** Empty while it goes on. */
  public Optional<Instant> keptAt() {
    return Optional.ofNullable(keptAt);
  }

  public void keep(String words, Instant at) {
    note = words;
    keptAt = at;
  }
}
