package org.biokinet.app.program;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.biokinet.core.program.ProgramKind;

/**
 * A shared version: never changed again.
 *
 * @param document the program document
 * @param seconds length of one session when it was shared
 * @param over warnings that stood when it was shared
 * @param reason why it was shared all the same, or empty
 * @param note what the practitioner says to the client with it, or empty
 */
public record ProgramVersion(
    UUID id,
    UUID clientId,
    Name name,
    String title,
    String document,
    int seconds,
    String note,
    List<String> over,
    String reason,
    UUID sharedBy,
    Instant sharedAt) {

  /**
   * Which of a client's versions.
   *
   * @param number from 1 for each program, going on from episode to episode
   */
  public record Name(ProgramKind program, int number) {

    /** "version 3", or "desk version 1". */
    public String inFull() {
      return (program == ProgramKind.MAIN ? "" : program.code() + " ") + "version " + number;
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
