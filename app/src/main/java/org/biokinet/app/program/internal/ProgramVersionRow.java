package org.biokinet.app.program.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.platform.Row;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.core.program.Draft;
import org.biokinet.core.program.ProgramKind;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.annotations.Mutability;
import org.hibernate.type.SqlTypes;
import org.hibernate.type.descriptor.java.Immutability;
import org.jspecify.annotations.Nullable;

/** A shared version as it is stored, with all that its replay needs; never changed. */
@Entity
@Table(name = "program_version")
public class ProgramVersionRow extends Row {
  private UUID clientId;

  @Enumerated(EnumType.STRING)
  private ProgramKind program;

  private int number;
  private String title;
  private String document;
  private String exercises;
  private int ruleSet;
  private int seconds;
  private String note;

  @JdbcTypeCode(SqlTypes.JSON)
  @Column(columnDefinition = "longtext")
  @Mutability(Immutability.class)
  private @Nullable Draft draft;

  @JdbcTypeCode(SqlTypes.JSON)
  @Column(name = "shared_over", columnDefinition = "longtext")
  @Mutability(Immutability.class)
  private @Nullable List<String> over;

  private String reason;
  private UUID sharedBy;
  private Instant sharedAt;

  @SuppressWarnings("NullAway.Init")
  protected ProgramVersionRow() {}

  public ProgramVersionRow(
      UUID clientId,
      ProgramKind program,
      int number,
      String title,
      String document,
      String exercises,
      int ruleSet,
      int seconds,
      String note,
      Draft draft,
      List<String> over,
      String reason,
      UUID sharedBy,
      Instant sharedAt) {
    this.clientId = clientId;
    this.program = program;
    this.number = number;
    this.title = title;
    this.document = document;
    this.exercises = exercises;
    this.ruleSet = ruleSet;
    this.seconds = seconds;
    this.note = note;
    this.draft = draft;
    this.over = over;
    this.reason = reason;
    this.sharedBy = sharedBy;
    this.sharedAt = sharedAt;
  }

  /** As everybody else sees it. */
  public ProgramVersion version() {
    return new ProgramVersion(
        getId(),
        clientId,
        new ProgramVersion.Name(program, number),
        title,
        document,
        seconds,
        note,
        over == null ? List.of() : over,
        reason,
        sharedBy,
        sharedAt);
  }

  public ProgramKind program() {
    return program;
  }

  public int number() {
    return number;
  }

  public String document() {
    return document;
  }

  /** The catalogue entries it uses, as they were, as JSON. */
  public String exercises() {
    return exercises;
  }

  public int ruleSet() {
    return ruleSet;
  }

  /** As it was written; empty where it was shared before that was kept. */
  public Optional<Draft> draft() {
    return Optional.ofNullable(draft);
  }

  public Instant sharedAt() {
    return sharedAt;
  }
}
