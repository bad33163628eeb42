package org.biokinet.app.people;

import java.util.UUID;
import org.biokinet.app.practice.Role;

/**
 * Somebody of a practice: whoever prescribes, and the front desk.
 *
 * @param active whether the person may still sign in; the name stays on what they did
 */
public record Person(UUID id, String name, String email, Role role, boolean active) {

  /** The same as the id, for templates. */
  public UUID getId() {
    return id;
  }
}
