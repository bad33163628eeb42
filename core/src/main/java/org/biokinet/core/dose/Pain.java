package org.biokinet.core.dose;

/**
 * Pain as it is told, whole numbers 0–10 (NPRS).
 *
 * <p>Common practice, no source: up to 6 a client may exercise at home; from 7 there is no session,
 * and the practitioner is told.
 */
public record Pain(int nprs) {

  /** From here on no session. */
  public static final int TOO_MUCH = 7;

  public Pain {
    if (!TenPoint.valid(nprs)) throw new IllegalArgumentException("pain is 0 to 10, not " + nprs);
  }

  public boolean mayStart() {
    return nprs < TOO_MUCH;
  }
}
