package org.biokinet.app.writing.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.platform.Row;
import org.biokinet.app.writing.Writing;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** A note or letter as it is stored. */
@Entity
@Table(name = "writing")
public class WritingRow extends Row {
  private UUID clientId;

  @Enumerated(EnumType.STRING)
  private Writing.Kind kind;

  private LocalDate day;
  private String recipient;

  @JdbcTypeCode(SqlTypes.JSON)
  @Column(columnDefinition = "longtext")
  private List<String> head;

  @JdbcTypeCode(SqlTypes.JSON)
  @Column(columnDefinition = "longtext")
  private List<Writing.Section> sections;

  private UUID madeBy;
  private Instant madeAt;
  private @Nullable Instant signedAt;
  private @Nullable UUID amends;

  @Version private int version;

  @SuppressWarnings("NullAway.Init")
  protected WritingRow() {}

  public WritingRow(
      UUID clientId,
      Writing.Kind kind,
      LocalDate day,
      String recipient,
      List<Writing.Section> sections,
      UUID madeBy,
      Instant madeAt,
      @Nullable UUID amends) {
    this.clientId = clientId;
    this.kind = kind;
    this.day = day;
    this.recipient = recipient;
    this.head = List.of();
    this.sections = List.copyOf(sections);
    this.madeBy = madeBy;
    this.madeAt = madeAt;
    this.amends = amends;
  }

  public UUID clientId() {
    return clientId;
  }

  public UUID madeBy() {
    return madeBy;
  }

  public int version() {
    return version;
  }

  public boolean signed() {
    return signedAt != null;
  }

  public void write(String to, List<Writing.Section> written) {
    if (signed()) throw new IllegalStateException("signed");
    recipient = to;
    sections = List.copyOf(written);
  }

  public void sign(List<String> letterhead, Instant at) {
    if (signed()) throw new IllegalStateException("signed");
    head = List.copyOf(letterhead);
    signedAt = at;
  }

  public Writing writing(String by) {
    return new Writing(
        getId(),
        kind,
        day,
        recipient,
        head,
        sections,
        madeBy,
        by,
        madeAt,
        Optional.ofNullable(signedAt),
        Optional.ofNullable(amends),
        version);
  }
}
