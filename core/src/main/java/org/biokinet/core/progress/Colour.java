package org.biokinet.core.progress;

/**
 * How a session, or a day, was borne. From the best to the worst; the worst that applies counts.
 */
public enum Colour {
  GREEN("green"),
  /** Not enough was told for it to be green. */
  UNCOLOURED("not answered in full"),
  AMBER("amber"),
  RED("red");

  private final String word;

  Colour(String word) {
    this.word = word;
  }

  public String word() {
    return word;
  }

  Colour worse(Colour other) {
    return compareTo(other) >= 0 ? this : other;
  }
}
