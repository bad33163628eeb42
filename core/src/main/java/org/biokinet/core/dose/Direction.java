package org.biokinet.core.dose;

import org.biokinet.core.anatomy.Coded;

/** The direction of a circle. Every circling exercise names its own pair. */
public enum Direction implements Coded {
  FORWARD("fwd"),
  BACKWARD("back"),
  CLOCKWISE("cw"),
  COUNTERCLOCKWISE("ccw");

  private final String code;

  Direction(String code) {
    this.code = code;
  }

  @Override
  public String code() {
    return code;
  }
}
