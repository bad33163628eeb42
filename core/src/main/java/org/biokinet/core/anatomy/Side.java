package org.biokinet.core.anatomy;

/**
 * The client's own left or right. Everywhere in Biokinet a side is the <em>treated</em> side: the
 * tissue that is stretched or worked. The direction of a movement is derived from it and never
 * typed.
 */
public enum Side {
  LEFT,
  RIGHT;

  public Side opposite() {
    return this == LEFT ? RIGHT : LEFT;
  }

  public boolean left() {
    return this == LEFT;
  }

  public String label() {
    return this == LEFT ? "left" : "right";
  }

  /** The letter that accompanies the side's colour wherever a side is shown. */
  public String letter() {
    return this == LEFT ? "L" : "R";
  }
}
