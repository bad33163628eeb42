package org.biokinet.app.offline;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.SessionLength;

/**
 * What a device keeps of a client's pages.
 *
 * @param until when it asks the server again before anything is shown or begun
 * @param mark the same as long as the pages that are kept need not be fetched again
 * @param pages the addresses of all of them
 * @param players those of them that play a session
 * @param mayStartWith pain, 0–10, with which a session may be begun
 * @param rest where one is led with more pain
 * @param over what is shown after {@code until}
 */
public record KeptPages(
    UUID client,
    Instant until,
    String mark,
    List<String> pages,
    List<Player> players,
    List<Integer> mayStartWith,
    String rest,
    String over) {

  /**
   * A session that can be begun.
   *
   * @param next whether its leading side is that whose turn it is
   */
  public record Player(ProgramKind program, SessionLength length, boolean next, String address) {}
}
