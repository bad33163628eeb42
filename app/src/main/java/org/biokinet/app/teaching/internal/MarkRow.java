package org.biokinet.app.teaching.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.platform.Row;
import org.biokinet.app.teaching.Mark;

/** Something that was seen. */
@Entity
@Table(name = "teaching_mark")
public class MarkRow extends Row {
  private UUID teachingId;
  private int step;

  @Enumerated(EnumType.STRING)
  private Mark.Kind kind;

  private int fault;
  private Instant at;

  @SuppressWarnings("NullAway.Init")
  protected MarkRow() {}

  public MarkRow(UUID teachingId, Mark mark, Instant at) {
    this.teachingId = teachingId;
    this.step = mark.step();
    this.kind = mark.kind();
    this.fault = mark.fault();
    this.at = at;
  }

  public UUID teachingId() {
    return teachingId;
  }

  public Instant at() {
    return at;
  }

  public Mark mark() {
    return new Mark(step, kind, fault);
  }
}
