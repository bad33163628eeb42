package org.biokinet.app.screening.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.platform.Row;
import org.biokinet.core.screening.CSpineRule;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.annotations.Mutability;
import org.hibernate.type.SqlTypes;
import org.hibernate.type.descriptor.java.Immutability;
import org.jspecify.annotations.Nullable;

/** A practitioner's record about one screening; never changed. */
@Entity
@Table(name = "clearance")
public class ClearanceRow extends Row {
  private UUID screeningId;
  private String examined;
  private String found;
  private String medicalOutcome;

  @JdbcTypeCode(SqlTypes.JSON)
  @Column(columnDefinition = "longtext")
  @Mutability(Immutability.class)
  private @Nullable CSpineRule neck;

  private UUID practitionerId;
  private Instant at;

  @SuppressWarnings("NullAway.Init")
  protected ClearanceRow() {}

  public ClearanceRow(
      UUID screeningId,
      String examined,
      String found,
      String medicalOutcome,
      @Nullable CSpineRule neck,
      UUID practitionerId,
      Instant at) {
    this.screeningId = screeningId;
    this.examined = examined;
    this.found = found;
    this.medicalOutcome = medicalOutcome;
    this.neck = neck;
    this.practitionerId = practitionerId;
    this.at = at;
  }

  public UUID screeningId() {
    return screeningId;
  }

  public String examined() {
    return examined;
  }

  public String found() {
    return found;
  }

  public String medicalOutcome() {
    return medicalOutcome;
  }

  /** The rule for a neck that was just hurt, as JSON; empty where it was not asked. */
  public Optional<CSpineRule> neck() {
    return Optional.ofNullable(neck);
  }

  public UUID practitionerId() {
    return practitionerId;
  }

  public Instant at() {
    return at;
  }
}
