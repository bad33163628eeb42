package org.biokinet.app.review.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Embedded;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.UUID;
import org.biokinet.app.platform.Row;
import org.biokinet.app.review.KeptDecision;
import org.biokinet.app.review.Terms;
import org.biokinet.core.progress.Review;
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
  private Review.@Nullable Whole whole;

  private boolean byItself;

  @Embedded private Terms terms;
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
   * @param terms from then on
   * @param nextOn the day of the client's on which the next one is planned
   * @param whole what was followed of what was suggested for the program as a whole
   * @param shared whether that was shared with it, or left as a draft
   * @param byItself whether it was made by itself, as {@code madeBy} had allowed
   */
  public ReviewRow(
      UUID clientId,
      Instant madeAt,
      UUID madeBy,
      int rules,
      int ofVersion,
      @Nullable Integer toVersion,
      boolean shared,
      Optional<Review.Whole> whole,
      boolean byItself,
      Terms terms,
      LocalDate nextOn,
      List<KeptDecision> decided) {
    this.clientId = clientId;
    this.madeAt = madeAt;
    this.madeBy = madeBy;
    this.rules = rules;
    this.ofVersion = ofVersion;
    this.toVersion = toVersion;
    this.shared = shared;
    this.whole = whole.orElse(null);
    this.byItself = byItself;
    this.terms = terms;
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

  public Optional<Review.Whole> whole() {
    return Optional.ofNullable(whole);
  }

  /** Whether it was finished with it, and is only kept up. */
  public boolean keptUp() {
    return whole == Review.Whole.FINISH;
  }

  public boolean byItself() {
    return byItself;
  }

  public Terms terms() {
    return terms;
  }

  public LocalDate nextOn() {
    return nextOn;
  }

  public List<KeptDecision> decided() {
    return decided;
  }
}
