package org.biokinet.app.client;

import java.time.Instant;

/**
 * One thing that happened with a client.
 *
 * @param what in a few words
 * @param detail the rest of it, as it was kept; or empty
 * @param by who did it; empty where the client did
 */
public record Happened(Instant at, Kind kind, String what, String detail, String by) {

  /** What sort of thing. */
  public enum Kind {
    SCREENING("Screening"),
    MEASURED("Measured"),
    PROGRAM("Programs"),
    REVIEW("Reviews"),
    TEACHING("Teaching"),
    SESSION("Sessions"),
    TOLD("Told"),
    CALL("Calls"),
    MESSAGE("Messages"),
    MAIL("Mails"),
    DOCUMENT("Notes and letters"),
    RECORD("Record");

    private final String label;

    Kind(String label) {
      this.label = label;
    }

    /** Several of them. */
    public String label() {
      return label;
    }
  }

  /** Whether it was in a time. */
  public boolean in(Instant from, Instant until) {
    return !at.isBefore(from) && at.isBefore(until);
  }
}
