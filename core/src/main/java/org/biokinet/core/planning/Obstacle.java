package org.biokinet.core.planning;

import java.util.Optional;

/**
 * What stands against an exercise for this client.
 *
 * @param words in words; empty where the kind says it all
 */
record Obstacle(Kind kind, String words) {

  enum Kind {
    LOCKED,
    /** A position that cannot be taken, or a thing that is not there. */
    MEANS,
    AVOIDED,
    /** The practice does it otherwise. */
    SCHOOL
  }

  static Optional<Obstacle> of(Kind kind, String words) {
    return Optional.of(new Obstacle(kind, words));
  }
}
