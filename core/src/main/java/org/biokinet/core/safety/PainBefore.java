package org.biokinet.core.safety;

/**
 * Pain right before a session, whole numbers 0–10 (NPRS).
 *
 * <p>Common practice, no source: up to 6 a client may exercise at home; from 7 there is no session,
 * and the practitioner is told.
 */
public record PainBefore(int nprs) {

  public static final int LEAST = 0;
  public static final int MOST = 10;

  /** From here on no session. */
  public static final int TOO_MUCH = 7;

  public PainBefore {
    if (!valid(nprs)) throw new IllegalArgumentException("pain is 0 to 10, not " + nprs);
  }

  public static boolean valid(int nprs) {
    return nprs >= LEAST && nprs <= MOST;
  }

  public boolean mayStart() {
    return nprs < TOO_MUCH;
  }
}
