package org.biokinet.app.platform;

/** Pages of lists, as numbers that somebody may have typed into the address. */
public final class Pages {

  /** Nobody turns so many pages; beyond it the arithmetic of the database ends. */
  private static final int LAST = 100_000;

  private Pages() {}

  public static int bounded(int page) {
    return Math.max(0, Math.min(page, LAST));
  }
}
