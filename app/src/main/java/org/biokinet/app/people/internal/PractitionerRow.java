package org.biokinet.app.people.internal;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.biokinet.app.people.Person;
import org.biokinet.app.platform.Row;
import org.biokinet.app.practice.Role;
import org.jspecify.annotations.Nullable;

/** Somebody of a practice: whoever prescribes, and the front desk. */
@Entity
@Table(name = "practitioner")
public class PractitionerRow extends Row {
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

  public PractitionerRow(
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
  public Person person() {
    return new Person(getId(), name, email, role, active());
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

  public void setPasswordHash(String hash) {
    this.passwordHash = hash;
  }

  public Role role() {
    return role;
  }

  public void setRole(Role other) {
    this.role = other;
  }

  /** Whether the person may still sign in; the name stays on what they did. */
  public boolean active() {
    return leftAt == null;
  }

  public void leave(Instant at) {
    leftAt = at;
  }

  public void comeBack() {
    leftAt = null;
  }

  /** Whether single letters work as keys on a focused row. */
  public boolean singleKeys() {
    return singleKeys;
  }

  /** Whether the front of the body map is seen as by somebody who faces the client. */
  public boolean facingView() {
    return facingView;
  }

  public void useFacingView(boolean on) {
    this.facingView = on;
  }

  public void useSingleKeys(boolean on) {
    this.singleKeys = on;
  }
}
