package org.biokinet.app.people.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.platform.Row;
import org.jspecify.annotations.Nullable;

/** Lets somebody choose a password, once; the token is known only as a hash. */
@Entity
@Table(name = "password_link")
public class PasswordLinkRow extends Row {
  private UUID practitionerId;
  private String tokenHash;
  private UUID madeBy;
  private Instant madeAt;
  private @Nullable Instant usedAt;

  @SuppressWarnings("NullAway.Init")
  protected PasswordLinkRow() {}

  public PasswordLinkRow(UUID practitionerId, String tokenHash, UUID madeBy, Instant madeAt) {
    this.practitionerId = practitionerId;
    this.tokenHash = tokenHash;
    this.madeBy = madeBy;
    this.madeAt = madeAt;
  }

  public UUID practitionerId() {
    return practitionerId;
  }

  public Instant madeAt() {
    return madeAt;
  }

  public boolean used() {
    return usedAt != null;
  }

  public void use(Instant at) {
    if (usedAt == null) usedAt = at;
  }

  @Override
  public String toString() {
    return "%s by %s %s, used %s, %s".formatted(practitionerId, madeBy, madeAt, usedAt, tokenHash);
  }
}
