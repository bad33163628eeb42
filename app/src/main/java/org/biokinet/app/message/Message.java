package org.biokinet.app.message;

import java.time.Instant;
import java.util.Optional;

/**
 * Something that was written.
 *
 * @param by the practitioner; empty where the client wrote it
 * @param at when it came in
 * @param told when it was written, where a device had no network then
 * @param seen when the client read it; empty until then, and for what the client wrote
 */
public record Message(
    Optional<String> by, String text, Instant at, Optional<Instant> told, Optional<Instant> seen) {

  /** As much as anybody may write at once. */
  public static final int LONGEST = 1000;

  /** Whether it is an answer that the client has not read. */
  public boolean isNew() {
    return by.isPresent() && seen.isEmpty();
  }
}
