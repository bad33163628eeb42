package org.biokinet.app.account;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.support.Row;
import org.jspecify.annotations.Nullable;

/** Somebody of a practice: whoever prescribes, and the front desk. */
@Entity
public class Practitioner extends Row {
  private UUID practiceId;
  private String email;
  private String name;
  private String passwordHash;
  private boolean singleKeys = true;
  private boolean facingView;
  private Instant createdAt;

  @Enumerated(EnumType.STRING)
  private Role role;

  private @Nullable Instant leftAt;

  @SuppressWarnings("NullAway.Init")
  protected Practitioner() {}

  public Practitioner(
      UUID practiceId,
      String email,
      String name,
      Role role,
      String passwordHash,
      Instant createdAt) {
    this.practiceId = practiceId;
    this.email = email;
    this.name = name;
    this.role = role;
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

  void setPasswordHash(String hash) {
    this.passwordHash = hash;
  }

  public Role role() {
    return role;
  }

  void setRole(Role other) {
    this.role = other;
  }

  /** Whether the person may still sign in; the name stays on what they did. */
  public boolean active() {
    return leftAt == null;
  }

  void leave(Instant at) {
    leftAt = at;
  }

  void comeBack() {
    leftAt = null;
  }

  public Instant createdAt() {
    return createdAt;
  }

  /** Whether single letters work as keys on a focused row. */
  public boolean singleKeys() {
    return singleKeys;
  }

  /** Whether the front of the body map is seen as by somebody who faces the client. */
  boolean facingView() {
    return facingView;
  }

  void useFacingView(boolean on) {
    this.facingView = on;
  }

  public void useSingleKeys(boolean on) {
    this.singleKeys = on;
  }
}
