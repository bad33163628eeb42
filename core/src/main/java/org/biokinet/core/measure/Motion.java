package org.biokinet.core.measure;

import java.util.Optional;
import java.util.OptionalInt;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.SidedMotion;
import org.jspecify.annotations.Nullable;

/**
 * A motion whose range is measured, in degrees. The side of a neck or trunk motion is where it
 * goes; of a shoulder motion it is the arm's own. Norms are not age-adjusted and recalled from
 * memory: neck AMA Guides 5th ed., shoulder AAOS 1965 (rotation at 90° of abduction); for the
 * turning trunk none is known to us, so none is shown.
 */
public enum Motion implements Coded {
  NECK_ROTATION("neck-rotation", "Neck rotation", 80, SidedMotion.NECK_ROTATION, 120),
  NECK_LATERAL_FLEXION(
      "neck-lateral-flexion", "Neck lateral flexion", 45, SidedMotion.NECK_LATERAL_FLEXION, 90),
  NECK_FLEXION("neck-flexion", "Neck flexion", 50, null, 110),
  NECK_EXTENSION("neck-extension", "Neck extension", 60, null, 120),
  SHOULDER_FLEXION("shoulder-flexion", "Shoulder flexion", 180, SidedMotion.SHOULDER, 200),
  SHOULDER_ABDUCTION("shoulder-abduction", "Shoulder abduction", 180, SidedMotion.SHOULDER, 200),
  SHOULDER_EXTENSION("shoulder-extension", "Shoulder extension", 60, SidedMotion.SHOULDER, 100),
  SHOULDER_INTERNAL_ROTATION(
      "shoulder-internal-rotation", "Shoulder internal rotation", 70, SidedMotion.SHOULDER, 120),
  SHOULDER_EXTERNAL_ROTATION(
      "shoulder-external-rotation", "Shoulder external rotation", 90, SidedMotion.SHOULDER, 140),
  THORACIC_ROTATION("thoracic-rotation", "Thoracic rotation", 0, SidedMotion.TRUNK_ROTATION, 100);

  private final String code;
  private final String label;
  private final int norm;
  private final Optional<SidedMotion> sided;
  private final int most;

  Motion(String code, String label, int norm, @Nullable SidedMotion sided, int most) {
    this.code = code;
    this.label = label;
    this.norm = norm;
    this.sided = Optional.ofNullable(sided);
    this.most = most;
  }

  @Override
  public String code() {
    return code;
  }

  public String label() {
    return label;
  }

  /** Degrees; empty where none is known. */
  public OptionalInt norm() {
    return norm == 0 ? OptionalInt.empty() : OptionalInt.of(norm);
  }

  public boolean hasSides() {
    return sided.isPresent();
  }

  /** What it is called where exercises are chosen for it; empty where it has no sides. */
  public Optional<SidedMotion> sided() {
    return sided;
  }

  /** No body goes further, so a larger reading is a slip (our choice). */
  public int most() {
    return most;
  }

  public boolean ofTheNeck() {
    return this == NECK_ROTATION
        || this == NECK_LATERAL_FLEXION
        || this == NECK_FLEXION
        || this == NECK_EXTENSION;
  }

  /**
   * How the client is while it is measured: rotation of the neck lying, since a gravity instrument
   * reads it only there (AMA Guides 5th ed.); rotation of the shoulder at 90° of abduction, as the
   * norms are (AAOS 1965); both recalled from memory. The rest is common practice, no source.
   */
  public String how() {
    return switch (this) {
      case NECK_ROTATION -> "lying on the back, nose up in the middle";
      case SHOULDER_INTERNAL_ROTATION, SHOULDER_EXTERNAL_ROTATION ->
          "lying on the back, arm out at 90°, elbow bent";
      case THORACIC_ROTATION -> "sitting, arms crossed, pelvis still";
      default -> "sitting upright, shoulders still";
    };
  }

  /** Where the norm comes from. */
  public String source() {
    if (norm == 0) return "no norm known to us";
    return ofTheNeck()
        ? "AMA Guides 5th ed., not age-adjusted, recalled from memory"
        : "AAOS 1965, recalled from memory";
  }
}
