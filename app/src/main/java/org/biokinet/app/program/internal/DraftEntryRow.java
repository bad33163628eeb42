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
    REDO,
    /** Somebody takes the draft over from whoever was in it. */
    TURN,
    /** A change that was not taken, since somebody else was in the draft. */
    REFUSED,
    /** Its maker goes on in a draft of their own, with what was refused. */
    APART;

    /** Whether it makes its maker the one who is in the draft. */
    public boolean counts() {
      return this != REFUSED && this != APART;
    }
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

  private @Nullable Integer seen;
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

  /**
   * A change that was not taken.
   *
   * @param seen how much of the log its maker had seen
   */
  public static DraftEntryRow refused(
      Key key, DraftEdit payload, int seen, UUID madeBy, Instant madeAt) {
    DraftEntryRow row = new DraftEntryRow(key, Kind.REFUSED, payload, madeBy, madeAt);
    row.seen = seen;
    return row;
  }

  /** The same line in another draft. */
  public DraftEntryRow in(Key other) {
    return new DraftEntryRow(other, kind, payload, madeBy, madeAt);
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

  /** How much of the log was seen by whom it was refused; of another line all before it. */
  public int seen() {
    return seen == null ? key.seq() - 1 : seen;
  }

  public UUID madeBy() {
    return madeBy;
  }

  public Instant madeAt() {
    return madeAt;
  }
}
