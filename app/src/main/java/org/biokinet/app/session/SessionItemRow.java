package org.biokinet.app.session;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import jakarta.persistence.Transient;
import java.io.Serializable;
import java.util.UUID;
import org.biokinet.core.timeline.Performance;
import org.springframework.data.domain.Persistable;

/** What was done of one item on one side. */
@Entity
@Table(name = "session_item")
class SessionItemRow implements Persistable<SessionItemRow.Key> {

  /** Side is LEFT, RIGHT, or BOTH where the exercise has no sides. */
  @Embeddable
  record Key(UUID sessionId, int item, @Column(length = 5) String side) implements Serializable {}

  @EmbeddedId private Key key;
  private int secondsDone;
  private int secondsPlanned;
  private int stretchSeconds;
  private int repsDone;
  private int repsPlanned;
  private boolean skipped;
  @Transient private boolean fresh;

  @SuppressWarnings("NullAway.Init")
  protected SessionItemRow() {}

  SessionItemRow(UUID sessionId, Performance.Part part) {
    this.key = new Key(sessionId, part.item(), part.side().map(Enum::name).orElse("BOTH"));
    this.secondsDone = part.seconds();
    this.secondsPlanned = part.plannedSeconds();
    this.stretchSeconds = part.stretchSeconds();
    this.repsDone = part.reps();
    this.repsPlanned = part.plannedReps();
    this.skipped = part.seconds() == 0;
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

  int repsDone() {
    return repsDone;
  }

  int repsPlanned() {
    return repsPlanned;
  }

  int secondsDone() {
    return secondsDone;
  }

  int secondsPlanned() {
    return secondsPlanned;
  }

  int stretchSeconds() {
    return stretchSeconds;
  }

  boolean skipped() {
    return skipped;
  }
}
