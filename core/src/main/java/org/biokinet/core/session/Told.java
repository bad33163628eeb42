package org.biokinet.core.session;

/** How a session became known. */
public enum Told {
  /** The player led it and counted its seconds. */
  PLAYER,
  /**
   * Ticked on a printed sheet: done in full as far as anybody knows, at an hour nobody wrote down.
   */
  PAPER,
  /** The client told it afterwards: item by item, by heart, at an hour nobody wrote down. */
  CLIENT
}
