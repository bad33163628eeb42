package org.biokinet.app.program.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.PostLoad;
import jakarta.persistence.PostPersist;
import jakarta.persistence.Table;
import jakarta.persistence.Transient;
import java.time.Instant;
import java.util.UUID;
import org.springframework.data.domain.Persistable;

/** That a version is not to be done any more; written once. */
@Entity
@Table(name = "version_withdrawal")
@SuppressWarnings("UnusedVariable") // who it was is kept for who asks later
public class WithdrawalRow implements Persistable<UUID> {
  @Id private UUID versionId;
  private UUID clientId;
  private UUID madeBy;
  private Instant madeAt;
  private String why;
  @Transient private boolean fresh = true;

  @SuppressWarnings("NullAway.Init")
  protected WithdrawalRow() {}

  public WithdrawalRow(UUID versionId, UUID clientId, UUID madeBy, Instant madeAt, String why) {
    this.versionId = versionId;
    this.clientId = clientId;
    this.madeBy = madeBy;
    this.madeAt = madeAt;
    this.why = why;
  }

  @Override
  public UUID getId() {
    return versionId;
  }

  @Override
  public boolean isNew() {
    return fresh;
  }

  @PostLoad
  @PostPersist
  public void stored() {
    fresh = false;
  }

  public Instant at() {
    return madeAt;
  }

  public String why() {
    return why;
  }
}
