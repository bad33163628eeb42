package org.biokinet.app.practice;

import java.io.Serializable;
import java.util.UUID;

/** Somebody of a practice who is signed in, as kept in the session. */
public record Me(UUID id, UUID practiceId, String name, String practice, String zone, Role role)
    implements Serializable {

  /** The name under which sessions of this person are found. */
  @Override
  public String toString() {
    return id.toString();
  }
}
