package org.biokinet.core.exercise;

import org.biokinet.core.anatomy.Coded;

/** The family an exercise belongs to. */
public enum Group implements Coded {
  BREATH("breath"),
  POSTURE("posture"),
  EYES("eyes"),
  NECK_MOBILITY("neck-mobility"),
  NECK_STRETCH("neck-stretch"),
  NECK_STRENGTH("neck-strength"),
  SHOULDER_MOBILITY("shoulder-mobility"),
  SHOULDER_STRETCH("shoulder-stretch"),
  SHOULDER_STRENGTH("shoulder-strength"),
  SCAPULAR_STRENGTH("scapular-strength"),
  CHEST_STRETCH("chest-stretch"),
  THORACIC_MOBILITY("thoracic-mobility"),
  TRUNK("trunk"),
  FOREARM("forearm"),
  WHOLE_BODY("whole-body"),
  RELEASE("release");

  private final String code;

  Group(String code) {
    this.code = code;
  }

  @Override
  public String code() {
    return code;
  }

  public String label() {
    return code.replace('-', ' ');
  }

  public boolean isStrength() {
    return this == NECK_STRENGTH || this == SHOULDER_STRENGTH || this == SCAPULAR_STRENGTH;
  }

  /** Neck positions are entered and left more slowly. */
  public boolean isNeck() {
    return this == NECK_MOBILITY || this == NECK_STRETCH || this == NECK_STRENGTH;
  }
}
