package org.biokinet.core.exercise;

import java.util.Set;
import org.biokinet.core.anatomy.Coded;

/** What an exercise does to the body that some clients must not, or only gently, have done. */
public enum Precaution implements Coded {
  CX_EXT("cx-ext", "end-range neck extension"),
  CX_FLEX("cx-flex", "end-range neck flexion, also in a fold or curl"),
  CX_ROT("cx-rot", "end-range neck rotation"),
  CX_CIRCLE("cx-circle", "combined circling of the neck"),
  OVERPRESSURE("overpressure", "the hand adds force to the neck"),
  NEURAL("neural", "loads the nerves of the arm"),
  GH_ELEV("gh-elev", "arm above shoulder height"),
  GH_IR("gh-ir", "hand behind the back"),
  GH_EXT("gh-ext", "arm drawn behind the trunk"),
  GH_ER_ABD("gh-er-abd", "arm out at or above shoulder height and turned outward"),
  GH_ADDUCT("gh-adduct", "arm across the chest"),
  SPINE_FLEX("spine-flex", "end-range forward bending of the trunk"),
  SPINE_EXT("spine-ext", "end-range backward bending of the trunk"),
  TRUNK_ROT("trunk-rot", "end-range turning of the trunk"),
  KNEE_LOAD("knee-load", "deep bend of a loaded knee"),
  HIP_DEEP("hip-deep", "hip deeply bent or turned"),
  WRIST_LOAD("wrist-load", "weight on the hands"),
  HEAD_DOWN("head-down", "head below the heart"),
  BALANCE("balance", "needs balance"),
  ROLLER("roller", "lying on a roller");

  /** What half a range does not make easy (our choice). */
  static final Set<Precaution> BEYOND_EASE =
      Set.of(CX_CIRCLE, OVERPRESSURE, NEURAL, HEAD_DOWN, ROLLER);

  private final String code;
  private final String label;

  Precaution(String code, String label) {
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

  /**
   * Whether one arm or leg bears it, so that a condition of the other side need not lock it. What
   * loads the nerves of an arm is not among them: it moves the neck along.
   */
  public boolean ofALimb() {
    return switch (this) {
      case GH_ELEV, GH_IR, GH_EXT, GH_ER_ABD, GH_ADDUCT, KNEE_LOAD -> true;
      default -> false;
    };
  }
}
