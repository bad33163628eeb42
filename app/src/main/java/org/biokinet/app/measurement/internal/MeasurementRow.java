package org.biokinet.app.measurement.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.platform.Row;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.measure.Measured;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.annotations.Mutability;
import org.hibernate.type.SqlTypes;
import org.hibernate.type.descriptor.java.Immutability;
import org.jspecify.annotations.Nullable;

/** One measure as it was taken; never changed. */
@Entity
@Table(name = "measurement")
public class MeasurementRow extends Row {
  private UUID clientId;
  private LocalDate localDate;

  @Enumerated(EnumType.STRING)
  private Measured.Kind kind;

  private String part;

  @Enumerated(EnumType.STRING)
  private @Nullable Side side;

  @JdbcTypeCode(SqlTypes.JSON)
  @Column(columnDefinition = "longtext")
  @Mutability(Immutability.class)
  private Measured value;

  private @Nullable UUID practitionerId;
  private Instant at;
  private @Nullable UUID supersedes;

  @SuppressWarnings("NullAway.Init")
  protected MeasurementRow() {}

  public MeasurementRow(
      UUID clientId,
      LocalDate localDate,
      Measured measured,
      @Nullable UUID practitionerId,
      Instant at,
      @Nullable UUID supersedes) {
    this.clientId = clientId;
    this.localDate = localDate;
    this.kind = measured.kind();
    this.part = measured.part();
    this.side = measured.sideMeasured().orElse(null);
    this.value = measured;
    this.practitionerId = practitionerId;
    this.at = at;
    this.supersedes = supersedes;
  }

  public UUID clientId() {
    return clientId;
  }

  public LocalDate localDate() {
    return localDate;
  }

  public String part() {
    return part;
  }

  public Measured value() {
    return value;
  }

  /** Empty where the client has answered through the link. */
  public Optional<UUID> practitionerId() {
    return Optional.ofNullable(practitionerId);
  }

  public Instant at() {
    return at;
  }

  public Optional<UUID> supersedes() {
    return Optional.ofNullable(supersedes);
  }

  /** Whether a new value of the same day and author takes the place of this one. */
  public boolean isOf(Measured m, LocalDate day, boolean byClient) {
    return kind == m.kind()
        && part.equals(m.part())
        && Optional.ofNullable(side).equals(m.sideMeasured())
        && localDate.equals(day)
        && byClient == (practitionerId == null);
  }
}
