package org.biokinet.core.progress;

/**
 * How a session, or a day, was borne. From the best to the worst; the worst that applies counts.
 */
public enum Colour {
  GREEN,
  /** Not enough was told for it to be green. */
  UNCOLOURED,
  AMBER,
  RED;

  Colour worse(Colour other) {
    return compareTo(other) >= 0 ? this : other;
  }
}
