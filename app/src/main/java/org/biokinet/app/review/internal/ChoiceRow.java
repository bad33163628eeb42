package org.biokinet.app.review.internal;

import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.core.progress.Choice;

/** What somebody has chosen on a suggestion, while nothing has been made of it yet. */
@Entity
@Table(name = "review_choice")
public class ChoiceRow {

  /** One for each part of the program, whoever chose. */
  @Embeddable
  public record Key(UUID clientId, String part) implements Serializable {}

  @EmbeddedId private Key key;
  private String suggested;

  @Enumerated(EnumType.STRING)
  private Choice.Kind kind;

  private String dose;
  private String reason;
  private UUID chosenBy;
  private Instant chosenAt;

  @SuppressWarnings("NullAway.Init")
  protected ChoiceRow() {}

  /**
   * @param suggested what it was chosen on, so that it does not outlive that
   * @param dose as it is written, or empty
   */
  public ChoiceRow(
      Key key,
      String suggested,
      Choice.Kind kind,
      String dose,
      String reason,
      UUID chosenBy,
      Instant chosenAt) {
    this.key = key;
    this.suggested = suggested;
    this.kind = kind;
    this.dose = dose;
    this.reason = reason;
    this.chosenBy = chosenBy;
    this.chosenAt = chosenAt;
  }

  public String part() {
    return key.part();
  }

  public String suggested() {
    return suggested;
  }

  public Choice.Kind kind() {
    return kind;
  }

  public String dose() {
    return dose;
  }

  public String reason() {
    return reason;
  }

  public UUID chosenBy() {
    return chosenBy;
  }

  public Instant chosenAt() {
    return chosenAt;
  }
}
