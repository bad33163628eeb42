package org.biokinet.core.session;

import java.util.Optional;
import org.biokinet.core.anatomy.Side;

/** Which side goes first where the practitioner has fixed none. */
public final class Lead {

  private Lead() {}

  /**
   * The sides take turns, so that neither always gets the fresher half of a session (common
   * practice, no source); the very first one begins on the left (our choice).
   *
   * @param last the side that led the session before; empty where there was none
   */
  public static Side next(Optional<Side> last) {
    return last.map(Side::opposite).orElse(Side.LEFT);
  }
}
