package org.biokinet.app.screening.internal;

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
import org.biokinet.app.screening.Answers;
import org.biokinet.core.screening.Answered;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.annotations.Mutability;
import org.hibernate.type.SqlTypes;
import org.hibernate.type.descriptor.java.Immutability;
import org.jspecify.annotations.Nullable;

/** Answers as they were given; never changed. */
@Entity
@Table(name = "screening")
public class ScreeningRow extends Row {
  private UUID clientId;
  private int formVersion;

  @JdbcTypeCode(SqlTypes.JSON)
  @Column(columnDefinition = "longtext")
  @Mutability(Immutability.class)
  private Answers answers;

  private LocalDate localDate;
  private @Nullable UUID practitionerId;

  @Enumerated(EnumType.STRING)
  private Answered.Source source;

  private Instant at;
  private boolean minor;

  @SuppressWarnings("NullAway.Init")
  protected ScreeningRow() {}

  public ScreeningRow(
      UUID clientId,
      int formVersion,
      Answers answers,
      LocalDate localDate,
      @Nullable UUID practitionerId,
      Answered.Source source,
      Instant at,
      boolean minor) {
    this.clientId = clientId;
    this.formVersion = formVersion;
    this.answers = answers;
    this.localDate = localDate;
    this.practitionerId = practitionerId;
    this.source = source;
    this.at = at;
    this.minor = minor;
  }

  public UUID clientId() {
    return clientId;
  }

  public int formVersion() {
    return formVersion;
  }

  public Answers answers() {
    return answers;
  }

  public LocalDate localDate() {
    return localDate;
  }

  /** Empty where the client has answered through the link. */
  public Optional<UUID> practitionerId() {
    return Optional.ofNullable(practitionerId);
  }

  public Answered.Source source() {
    return source;
  }

  public Instant at() {
    return at;
  }

  /** Whether the client was under 18 on that day, by the birth date that was known then. */
  public boolean minor() {
    return minor;
  }
}
