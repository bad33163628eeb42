package org.biokinet.core.program;

import org.biokinet.core.anatomy.Coded;

/** How much of a program is done in one session. */
public enum SessionLength implements Coded {
  /** About half the time: every item of high priority, whole, and others as they fit. */
  SHORT("short"),
  USUAL("usual"),
  /** The usual session, then the breathing, mobility and release items once more. */
  LONG("long");

  private final String code;

  SessionLength(String code) {
    this.code = code;
  }

  @Override
  public String code() {
    return code;
  }

  /**
   * The long session is not for clients who are highly irritable or have a precaution, so it needs
   * a screening that says otherwise (our choice: blocked while nothing is known).
   */
  public boolean needsScreening() {
    return this == LONG;
  }
}
