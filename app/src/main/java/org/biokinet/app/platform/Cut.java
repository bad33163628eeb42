package org.biokinet.app.platform;

/** What somebody has written, no longer than there is room for. */
public final class Cut {

  private Cut() {}

  /** Without white space at its ends, and cut there where it is too long. */
  public static String to(int most, String text) {
    String stripped = text.strip();
    return stripped.length() > most ? stripped.substring(0, most) : stripped;
  }
}
