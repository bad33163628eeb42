package org.biokinet.app.program;

import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import jakarta.persistence.Transient;
import java.io.Serializable;
import java.time.Instant;
import java.util.UUID;
import org.springframework.data.domain.Persistable;

/** One line of a draft's log. */
@Entity
@Table(name = "draft_entry")
class DraftEntryRow implements Persistable<DraftEntryRow.Key> {

  enum Kind {
    EDIT,
    UNDO,
    REDO
  }

  /** Place in the log. */
  @Embeddable
  record Key(UUID draftId, int seq) implements Serializable {}

  @EmbeddedId private Key key;

  @Enumerated(EnumType.STRING)
  private Kind kind;

  private String payload;
  private UUID madeBy;
  private Instant madeAt;
  @Transient private boolean fresh;

  @SuppressWarnings("NullAway.Init")
  protected DraftEntryRow() {}

  DraftEntryRow(Key key, Kind kind, String payload, UUID madeBy, Instant madeAt) {
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

  Kind kind() {
    return kind;
  }

  String payload() {
    return payload;
  }

  UUID madeBy() {
    return madeBy;
  }

  Instant madeAt() {
    return madeAt;
  }
}
