package org.biokinet.core.anatomy;

/** A motion that goes to the left or to the right, and can be limited one way. */
public enum SidedMotion implements Coded {
  NECK_LATERAL_FLEXION("neck-tilt", "neck lateral flexion"),
  NECK_ROTATION("neck-turn", "neck rotation"),
  TRUNK_LATERAL_FLEXION("trunk-tilt", "trunk lateral flexion"),
  TRUNK_ROTATION("trunk-turn", "trunk rotation"),
  /** Of a joint of an arm or a leg, one for each: its side is the limb's own. */
  SHOULDER_BLADE("shoulder-blade", "motion of the shoulder blade"),
  SHOULDER("shoulder", "motion of the shoulder"),
  WRIST("wrist", "motion of the wrist"),
  HIP("hip", "motion of the hip"),
  KNEE("knee", "motion of the knee"),
  ANKLE("ankle", "motion of the ankle"),
  /** As entries said it before the joints were told apart; it serves no motion. */
  LIMB("limb", "motion of a limb");

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

  /** Whether it is of an arm or a leg, so that it goes neither left nor right. */
  public boolean ofALimb() {
    return switch (this) {
      case NECK_LATERAL_FLEXION, NECK_ROTATION, TRUNK_LATERAL_FLEXION, TRUNK_ROTATION -> false;
      default -> true;
    };
  }
}
