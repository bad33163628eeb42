package org.biokinet.core.anatomy;

/** A motion that goes to the left or to the right, and can be limited one way. */
public enum SidedMotion implements Coded {
  NECK_LATERAL_FLEXION("neck-tilt", "neck lateral flexion"),
  NECK_ROTATION("neck-turn", "neck rotation"),
  TRUNK_LATERAL_FLEXION("trunk-tilt", "trunk lateral flexion"),
  TRUNK_ROTATION("trunk-turn", "trunk rotation"),
  /** Of an arm or a leg: its side is the limb's own. */
  LIMB("limb", "motion of the limb");

  private final String code;
  private final String label;

  SidedMotion(String code, String label) {
    this.code = code;
    this.label = label;
  }

  @Override
  public String code() {
    return code;
  }

  public String label() {
    return label;
  }
}
