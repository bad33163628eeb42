package org.biokinet.app.workday.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.PostLoad;
import jakarta.persistence.PostPersist;
import jakarta.persistence.Table;
import jakarta.persistence.Transient;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.core.workday.Moment;
import org.springframework.data.domain.Persistable;

/** What was told of a break, under the id that the device gave it. */
@Entity
@Table(name = "desk_moment")
@SuppressWarnings("UnusedVariable") // by these it is found
public class MomentRow implements Persistable<UUID> {
  @Id private UUID id;
  private UUID clientId;

  @Enumerated(EnumType.STRING)
  private Moment.Kind kind;

  private Instant at;

  @Transient private boolean fresh = true;

  @SuppressWarnings("NullAway.Init")
  protected MomentRow() {}

  public MomentRow(UUID id, UUID clientId, Moment moment) {
    this.id = id;
    this.clientId = clientId;
    this.kind = moment.kind();
    this.at = moment.at();
  }

  @Override
  public UUID getId() {
    return id;
  }

  @Override
  public boolean isNew() {
    return fresh;
  }

  @PostLoad
  @PostPersist
  void stored() {
    fresh = false;
  }

  public Moment moment() {
    return new Moment(kind, at);
  }
}
