package org.biokinet.core.dose;

import org.biokinet.core.anatomy.Coded;

/**
 * Whether an exercise is done once, once per side, once per direction, or per side and direction.
 */
public enum Sidedness implements Coded {
  BOTH("both", "both sides at once", false, false),
  EACH("each", "each side by itself", true, false),
  DIRECTIONS("dirs", "in two directions", false, true),
  EACH_AND_DIRECTIONS("each+dirs", "each side in two directions", true, true);

  private final String code;
  private final String label;
  private final boolean sided;
  private final boolean directed;

  Sidedness(String code, String label, boolean sided, boolean directed) {
    this.code = code;
    this.label = label;
    this.sided = sided;
    this.directed = directed;
  }

  @Override
  public String code() {
    return code;
  }

  public String label() {
    return label;
  }

  public boolean sided() {
    return sided;
  }

  public boolean directed() {
    return directed;
  }
}
