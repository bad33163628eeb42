package org.biokinet.core.session;

/** How a session came to its end. */
public enum Ended {
  FINISHED,
  /** Ended early because the client chose to. */
  EARLY,
  /** Stopped because something was wrong. */
  STOPPED
}
