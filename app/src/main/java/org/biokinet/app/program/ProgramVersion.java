package org.biokinet.app.program;

import java.time.Instant;
import java.util.UUID;
import org.biokinet.core.program.ProgramKind;

/**
 * A shared version: never changed again.
 *
 * @param document the program document
 * @param seconds length of one session when it was shared
 */
public record ProgramVersion(
    UUID id,
    UUID clientId,
    Name name,
    String title,
    String document,
    int seconds,
    UUID sharedBy,
    Instant sharedAt) {

  /**
   * Which of a client's versions.
   *
   * @param number from 1 for each program, going on from episode to episode
   */
  public record Name(ProgramKind program, int number) {

    /** "version 3", or "version 1 of the desk program". */
    public String inFull() {
      return "version "
          + number
          + (program == ProgramKind.MAIN ? "" : " of the " + program.label());
    }

    /** "v3", or "desk v1". */
    public String words() {
      return program == ProgramKind.MAIN ? "v" + number : program.code() + " v" + number;
    }
  }

  public ProgramKind program() {
    return name.program();
  }

  public int number() {
    return name.number();
  }
}
