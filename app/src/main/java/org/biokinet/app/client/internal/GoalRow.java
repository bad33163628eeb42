package org.biokinet.app.client.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.platform.Row;
import org.biokinet.core.measure.Goal;
import org.jspecify.annotations.Nullable;

/** A goal as it was set; ends when it is changed or given up. */
@Entity
@Table(name = "goal")
public class GoalRow extends Row {
  private UUID clientId;
  private String activity;
  private int rated;
  private int wanted;
  private UUID madeBy;
  private Instant madeAt;
  private @Nullable Instant endedAt;

  @SuppressWarnings("NullAway.Init")
  protected GoalRow() {}

  public GoalRow(UUID clientId, Goal goal, UUID madeBy, Instant madeAt) {
    this.clientId = clientId;
    this.activity = goal.activity();
    this.rated = goal.rated();
    this.wanted = goal.wanted();
    this.madeBy = madeBy;
    this.madeAt = madeAt;
  }

  public UUID clientId() {
    return clientId;
  }

  public Goal goal() {
    return new Goal(activity, rated, wanted);
  }

  public void end(Instant at) {
    endedAt = at;
  }

  @Override
  public String toString() {
    return "%s %s by %s %s–%s".formatted(clientId, goal(), madeBy, madeAt, endedAt);
  }
}
