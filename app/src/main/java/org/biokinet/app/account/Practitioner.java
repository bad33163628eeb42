package org.biokinet.app.account;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.support.Row;

/** A person who prescribes. */
@Entity
public class Practitioner extends Row {
  private UUID practiceId;
  private String email;
  private String name;
  private String passwordHash;
  private boolean singleKeys = true;
  private Instant createdAt;

  @SuppressWarnings("NullAway.Init")
  protected Practitioner() {}

  public Practitioner(
      UUID practiceId, String email, String name, String passwordHash, Instant createdAt) {
    this.practiceId = practiceId;
    this.email = email;
    this.name = name;
    this.passwordHash = passwordHash;
    this.createdAt = createdAt;
  }

  public UUID practiceId() {
    return practiceId;
  }

  public String email() {
    return email;
  }

  public String name() {
    return name;
  }

  public String passwordHash() {
    return passwordHash;
  }

  public Instant createdAt() {
    return createdAt;
  }

  /** Whether single letters work as keys on a focused row. */
  public boolean singleKeys() {
    return singleKeys;
  }

  public void useSingleKeys(boolean on) {
    this.singleKeys = on;
  }
}
