package org.biokinet.core.figure.body;

/**
 * The angles that pose a body, in degrees, clinical signs: flexion, elevation, protraction,
 * supination, external rotation and dorsiflexion are positive, tilting and turning go to the left.
 * All are zero standing with the arms hanging, palms to the thighs. Limits are those of healthy
 * adults (AAOS, Norkin and White, recalled from memory), rounded up, and shared out between the two
 * joints that stand for the neck and for the trunk (our choice).
 */
public enum Joint {
  PELVIS_FLEX("pelvis flex", -40, 110, Kind.BOTH_ALIKE),
  PELVIS_TILT("pelvis tilt", -30, 30, Kind.FLIPS),
  PELVIS_TURN("pelvis turn", -60, 60, Kind.FLIPS),
  LUMBAR_FLEX("lumbar flex", -30, 60, Kind.BOTH_ALIKE),
  LUMBAR_TILT("lumbar tilt", -25, 25, Kind.FLIPS),
  LUMBAR_TURN("lumbar turn", -15, 15, Kind.FLIPS),
  THORAX_FLEX("thorax flex", -35, 45, Kind.BOTH_ALIKE),
  THORAX_TILT("thorax tilt", -30, 30, Kind.FLIPS),
  THORAX_TURN("thorax turn", -50, 50, Kind.FLIPS),
  NECK_FLEX("neck flex", -50, 50, Kind.BOTH_ALIKE),
  NECK_TILT("neck tilt", -40, 40, Kind.FLIPS),
  NECK_TURN("neck turn", -50, 50, Kind.FLIPS),
  HEAD_FLEX("head flex", -30, 30, Kind.BOTH_ALIKE),
  HEAD_TILT("head tilt", -15, 15, Kind.FLIPS),
  HEAD_TURN("head turn", -45, 45, Kind.FLIPS),
  /** Of the shoulder girdle. */
  GIRDLE_UP("girdle up", -15, 35, Kind.OF_A_SIDE),
  GIRDLE_FORWARD("girdle forward", -30, 35, Kind.OF_A_SIDE),
  /** Upward rotation of the shoulder blade, beyond what goes with the arm. */
  BLADE_ROTATION("blade rotation", -20, 40, Kind.OF_A_SIDE),
  /** The arm is lifted by this angle … */
  ARM_LIFT("arm lift", 0, 180, Kind.OF_A_SIDE),
  /** … in this plane: 0 forward, 90 out to the side, 180 behind, negative across the chest. */
  ARM_PLANE("arm plane", -180, 180, Kind.OF_A_SIDE),
  ARM_ROTATION("arm rotation", -110, 135, Kind.OF_A_SIDE),
  ELBOW("elbow", 0, 155, Kind.OF_A_SIDE),
  FOREARM("forearm", -90, 90, Kind.OF_A_SIDE),
  WRIST("wrist", -85, 85, Kind.OF_A_SIDE),
  HIP_FLEX("hip flex", -30, 135, Kind.OF_A_SIDE),
  HIP_OUT("hip out", -40, 75, Kind.OF_A_SIDE),
  HIP_ROTATION("hip rotation", -50, 80, Kind.OF_A_SIDE),
  KNEE("knee", 0, 160, Kind.OF_A_SIDE),
  ANKLE("ankle", -60, 35, Kind.OF_A_SIDE);

  /** What becomes of an angle in the mirror. */
  enum Kind {
    BOTH_ALIKE,
    FLIPS,
    OF_A_SIDE
  }

  private final String code;
  private final double least;
  private final double most;
  private final Kind kind;

  Joint(String code, double least, double most, Kind kind) {
    this.code = code;
    this.least = least;
    this.most = most;
    this.kind = kind;
  }

  public String code() {
    return code;
  }

  public double least() {
    return least;
  }

  public double most() {
    return most;
  }

  /** What the least means, in a word; empty where nothing is said. */
  public String low() {
    return ends()[0];
  }

  /** What the most means, in a word. */
  public String high() {
    return ends()[1];
  }

  private String[] ends() {
    return switch (this) {
      case PELVIS_FLEX, LUMBAR_FLEX, THORAX_FLEX, NECK_FLEX, HEAD_FLEX, HIP_FLEX, GIRDLE_FORWARD ->
          new String[] {"back", "forward"};
      case PELVIS_TILT, LUMBAR_TILT, THORAX_TILT, NECK_TILT, HEAD_TILT -> toTheSides();
      case PELVIS_TURN, LUMBAR_TURN, THORAX_TURN, NECK_TURN, HEAD_TURN -> toTheSides();
      case GIRDLE_UP, ANKLE -> new String[] {"down", "up"};
      case BLADE_ROTATION, ARM_ROTATION, HIP_ROTATION, HIP_OUT -> new String[] {"in", "out"};
      case ARM_LIFT -> new String[] {"hangs", "overhead"};
      case ARM_PLANE -> new String[] {"across", "behind"};
      case ELBOW, KNEE -> new String[] {"straight", "bent"};
      case FOREARM -> new String[] {"palm down", "palm up"};
      case WRIST -> new String[] {"back", "toward the palm"};
    };
  }

  private static String[] toTheSides() {
    return new String[] {"right", "left"};
  }

  /** Whether there is one on each side. */
  public boolean ofASide() {
    return kind == Kind.OF_A_SIDE;
  }

  Kind kind() {
    return kind;
  }

  public boolean allows(double degrees) {
    return degrees >= least && degrees <= most;
  }
}
