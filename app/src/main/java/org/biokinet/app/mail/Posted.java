package org.biokinet.app.mail;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;

/**
 * A mail and what became of it.
 *
 * @param at when it was written
 * @param changed when it became what it is
 * @param answer what the mail server said, where it was not taken; or empty
 * @param next when it is tried again, while it waits
 */
public record Posted(
    UUID id,
    Instant at,
    String to,
    String subject,
    State state,
    Instant changed,
    String answer,
    Optional<Instant> next) {

  public enum State {
    WAITING("waits to be sent"),
    SENT("sent"),
    REFUSED("refused"),
    GIVEN_UP("given up"),
    WITHDRAWN("not sent");

    private final String words;

    State(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }
}
