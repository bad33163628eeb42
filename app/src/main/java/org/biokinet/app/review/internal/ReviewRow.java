package org.biokinet.app.review.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.OptionalInt;
import java.util.UUID;
import org.biokinet.app.platform.Row;
import org.biokinet.app.review.KeptDecision;
import org.biokinet.core.progress.Pace;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** A review that was made; never changed. */
@Entity
@Immutable
@Table(name = "review")
public class ReviewRow extends Row {
  private UUID clientId;
  private Instant madeAt;
  private UUID madeBy;
  private int rules;
  private int ofVersion;
  private @Nullable Integer toVersion;
  private boolean shared;

  @Enumerated(EnumType.STRING)
  private Pace pace;

  private LocalDate nextOn;

  @JdbcTypeCode(SqlTypes.JSON)
  @Column(columnDefinition = "longtext")
  private List<KeptDecision> decided;

  @SuppressWarnings("NullAway.Init")
  protected ReviewRow() {}

  /**
   * @param rules revision of the rules that suggested
   * @param ofVersion of the main program that was reviewed
   * @param toVersion number of what was made of it; null where nothing changed
   * @param pace from then on
   * @param nextOn the day of the client's on which the next one is planned
   * @param shared whether that was shared with it, or left as a draft
   */
  public ReviewRow(
      UUID clientId,
      Instant madeAt,
      UUID madeBy,
      int rules,
      int ofVersion,
      @Nullable Integer toVersion,
      boolean shared,
      Pace pace,
      LocalDate nextOn,
      List<KeptDecision> decided) {
    this.clientId = clientId;
    this.madeAt = madeAt;
    this.madeBy = madeBy;
    this.rules = rules;
    this.ofVersion = ofVersion;
    this.toVersion = toVersion;
    this.shared = shared;
    this.pace = pace;
    this.nextOn = nextOn;
    this.decided = List.copyOf(decided);
  }

  public UUID clientId() {
    return clientId;
  }

  public Instant madeAt() {
    return madeAt;
  }

  public UUID madeBy() {
    return madeBy;
  }

  public int rules() {
    return rules;
  }

  public int ofVersion() {
    return ofVersion;
  }

  public OptionalInt toVersion() {
    return toVersion == null ? OptionalInt.empty() : OptionalInt.of(toVersion);
  }

  public boolean shared() {
    return shared;
  }

  public Pace pace() {
    return pace;
  }

  public LocalDate nextOn() {
    return nextOn;
  }

  public List<KeptDecision> decided() {
    return decided;
  }
}
