package org.biokinet.app.account;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.support.Row;
import org.jspecify.annotations.Nullable;

/** Somebody of a practice: whoever prescribes, and the front desk. */
@Entity
@Table(name = "practitioner")
class PractitionerRow extends Row {
  private UUID practiceId;
  private String email;
  private String name;
  private String passwordHash;
  private boolean singleKeys = true;
  private boolean facingView;

  @SuppressWarnings("UnusedVariable") // for who looks into a fault
  private Instant createdAt;

  @Enumerated(EnumType.STRING)
  private Role role;

  private @Nullable Instant leftAt;

  @SuppressWarnings("NullAway.Init")
  protected PractitionerRow() {}

  PractitionerRow(
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

  /** As everybody else sees it. */
  Person person() {
    return new Person(getId(), name, email, role, active());
  }

  UUID practiceId() {
    return practiceId;
  }

  String email() {
    return email;
  }

  String name() {
    return name;
  }

  String passwordHash() {
    return passwordHash;
  }

  void setPasswordHash(String hash) {
    this.passwordHash = hash;
  }

  Role role() {
    return role;
  }

  void setRole(Role other) {
    this.role = other;
  }

  /** Whether the person may still sign in; the name stays on what they did. */
  boolean active() {
    return leftAt == null;
  }

  void leave(Instant at) {
    leftAt = at;
  }

  void comeBack() {
    leftAt = null;
  }

  /** Whether single letters work as keys on a focused row. */
  boolean singleKeys() {
    return singleKeys;
  }

  /** Whether the front of the body map is seen as by somebody who faces the client. */
  boolean facingView() {
    return facingView;
  }

  void useFacingView(boolean on) {
    this.facingView = on;
  }

  void useSingleKeys(boolean on) {
    this.singleKeys = on;
  }
}
