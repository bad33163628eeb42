package org.biokinet.app.practice;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** What somebody of a practice may do; docs/PERMISSIONS.md has the whole table. */
public enum Role {
  /** A practitioner who also answers for the practice: its people and who saw what. */
  OWNER("owner"),
  /** Screens, measures, prescribes and reviews. */
  PRACTITIONER("practitioner"),
  /** Contact data and links; that something is urgent, not why. */
  FRONT_DESK("front desk");

  private final String label;

  Role(String label) {
    this.label = label;
  }

  public String label() {
    return label;
  }

  /** Whether health data may be seen. */
  public boolean clinical() {
    return this != FRONT_DESK;
  }

  /** Whether the practice itself is theirs to keep. */
  public boolean owner() {
    return this == OWNER;
  }

  /** The doors that are open, as the security chain names them. */
  public List<String> authorities() {
    Stream<Role> all = this == OWNER ? Stream.of(OWNER, PRACTITIONER) : Stream.of(this);
    return Stream.concat(Stream.of("ROLE_STAFF"), all.map(r -> "ROLE_" + r.name())).toList();
  }

  public static Optional<Role> find(String name) {
    return Arrays.stream(values()).filter(r -> r.name().equals(name)).findFirst();
  }
}
