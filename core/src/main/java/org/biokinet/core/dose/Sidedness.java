package org.biokinet.core.dose;

import org.biokinet.core.anatomy.Coded;

/**
 * Whether an exercise is done once, once per side, once per direction, or per side and direction.
 */
public enum Sidedness implements Coded {
  BOTH("both", false, false),
  EACH("each", true, false),
  DIRECTIONS("dirs", false, true),
  EACH_AND_DIRECTIONS("each+dirs", true, true);

  private final String code;
  private final boolean sided;
  private final boolean directed;

  Sidedness(String code, boolean sided, boolean directed) {
    this.code = code;
    this.sided = sided;
    this.directed = directed;
  }

  @Override
  public String code() {
    return code;
  }

  public boolean sided() {
    return sided;
  }

  public boolean directed() {
    return directed;
  }
}
