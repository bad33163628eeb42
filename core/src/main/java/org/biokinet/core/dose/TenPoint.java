package org.biokinet.core.dose;

/**
 * The scales on which clients tell pain (NPRS) and how much stretch they feel: whole numbers from 0
 * to 10. What was not told is not on the scale.
 */
public final class TenPoint {

  public static final int LEAST = 0;
  public static final int MOST = 10;

  private TenPoint() {}

  public static boolean valid(int told) {
    return told >= LEAST && told <= MOST;
  }
}
