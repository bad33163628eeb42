package org.biokinet.app.program.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import jakarta.persistence.Transient;
import java.io.Serializable;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.core.program.DraftEdit;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.annotations.Mutability;
import org.hibernate.type.SqlTypes;
import org.hibernate.type.descriptor.java.Immutability;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Persistable;

/** One line of a draft's log. */
@Entity
@Table(name = "draft_entry")
public class DraftEntryRow implements Persistable<DraftEntryRow.Key> {

  public enum Kind {
    EDIT,
    UNDO,
    REDO
  }

  /** Place in the log. */
  @Embeddable
  public record Key(UUID draftId, int seq) implements Serializable {}

  @EmbeddedId private Key key;

  @Enumerated(EnumType.STRING)
  private Kind kind;

  @JdbcTypeCode(SqlTypes.JSON)
  @Column(columnDefinition = "longtext")
  @Mutability(Immutability.class)
  private @Nullable DraftEdit payload;

  private UUID madeBy;
  private Instant madeAt;
  @Transient private boolean fresh;

  @SuppressWarnings("NullAway.Init")
  protected DraftEntryRow() {}

  public DraftEntryRow(
      Key key, Kind kind, @Nullable DraftEdit payload, UUID madeBy, Instant madeAt) {
    this.key = key;
    this.kind = kind;
    this.payload = payload;
    this.madeBy = madeBy;
    this.madeAt = madeAt;
    this.fresh = true;
  }

  @Override
  public Key getId() {
    return key;
  }

  @Override
  public boolean isNew() {
    return fresh;
  }

  public Kind kind() {
    return kind;
  }

  /** What was changed, of an edit. */
  public Optional<DraftEdit> payload() {
    return Optional.ofNullable(payload);
  }

  public UUID madeBy() {
    return madeBy;
  }

  public Instant madeAt() {
    return madeAt;
  }
}
