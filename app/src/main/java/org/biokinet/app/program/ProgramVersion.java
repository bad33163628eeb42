package org.biokinet.app.program;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.support.Row;

/** A shared version: never changed again. */
@Entity
public class ProgramVersion extends Row {
  private UUID clientId;
  private int number;
  private String title;
  private String document;
  private String exercises;
  private int ruleSet;
  private int seconds;
  private UUID sharedBy;
  private Instant sharedAt;

  @SuppressWarnings("NullAway.Init")
  protected ProgramVersion() {}

  ProgramVersion(
      UUID clientId,
      int number,
      String title,
      String document,
      String exercises,
      int ruleSet,
      int seconds,
      UUID sharedBy,
      Instant sharedAt) {
    this.clientId = clientId;
    this.number = number;
    this.title = title;
    this.document = document;
    this.exercises = exercises;
    this.ruleSet = ruleSet;
    this.seconds = seconds;
    this.sharedBy = sharedBy;
    this.sharedAt = sharedAt;
  }

  public UUID clientId() {
    return clientId;
  }

  public int number() {
    return number;
  }

  public String title() {
    return title;
  }

  /** The program document. */
  public String document() {
    return document;
  }

  /** The catalogue entries it uses, as they were, as JSON. */
  String exercises() {
    return exercises;
  }

  int ruleSet() {
    return ruleSet;
  }

  /** Length of one session when it was shared. */
  public int seconds() {
    return seconds;
  }

  public UUID sharedBy() {
    return sharedBy;
  }

  public Instant sharedAt() {
    return sharedAt;
  }
}
