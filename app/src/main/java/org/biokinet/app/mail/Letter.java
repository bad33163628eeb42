package org.biokinet.app.mail;

import java.time.Duration;
import java.util.Optional;
import java.util.UUID;

/**
 * A mail that is to be sent.
 *
 * @param id made by whoever asks for it, so that asking twice sends it once
 * @param practiceName under which it is sent
 * @param by who had it sent; empty where the application did by itself
 * @param to one address
 * @param off where the receiver ends mails like this one, where that can be done (RFC 8058)
 */
public record Letter(
    UUID id,
    Kind kind,
    UUID practiceId,
    String practiceName,
    UUID clientId,
    Optional<UUID> by,
    String to,
    String subject,
    String text,
    Optional<String> off) {

  /** What it is for. */
  public enum Kind {
    LINK(Duration.ofHours(24)),
    REMINDER(Duration.ofHours(2));

    private final Duration goodFor;

    Kind(Duration goodFor) {
      this.goodFor = goodFor;
    }

    /**
     * After that it is given up (our choice): a link that comes days later is a riddle, a reminder
     * that comes in the evening of what was meant for noon is a nuisance.
     */
    public Duration goodFor() {
      return goodFor;
    }
  }
}
