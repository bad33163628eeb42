package org.biokinet.app.session.internal;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import jakarta.persistence.Transient;
import java.io.Serializable;
import java.util.Arrays;
import java.util.UUID;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.timeline.Performance;
import org.springframework.data.domain.Persistable;

/** What was done of one item on one side. */
@Entity
@Table(name = "session_item")
public class SessionItemRow implements Persistable<SessionItemRow.Key> {

  /** Side is LEFT, RIGHT, or BOTH where the exercise has no sides. */
  @Embeddable
  public record Key(UUID sessionId, int item, @Column(length = 5) String side)
      implements Serializable {}

  @EmbeddedId private Key key;
  private int secondsDone;
  private int secondsPlanned;
  private int stretchSeconds;
  private int repsDone;
  private int repsPlanned;
  @Transient private boolean fresh;

  @SuppressWarnings("NullAway.Init")
  protected SessionItemRow() {}

  public SessionItemRow(UUID sessionId, Performance.Part part) {
    this.key = new Key(sessionId, part.item(), part.side().map(Enum::name).orElse("BOTH"));
    this.secondsDone = part.seconds();
    this.secondsPlanned = part.plannedSeconds();
    this.stretchSeconds = part.stretchSeconds();
    this.repsDone = part.reps();
    this.repsPlanned = part.plannedReps();
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

  /** What it says, of one session. */
  public Performance.Part part() {
    return new Performance.Part(
        key.item(),
        Arrays.stream(Side.values()).filter(s -> s.name().equals(key.side())).findFirst(),
        secondsDone,
        secondsPlanned,
        stretchSeconds,
        repsDone,
        repsPlanned);
  }
}
