package org.biokinet.core.figure.body;

import java.util.Arrays;
import java.util.Optional;
import org.biokinet.core.anatomy.Side;

/**
 * Where a hand can go: a point on the body, of the left side where there are two, or on what the
 * body rests on. Centimetres from the part's joint; our choice.
 */
enum Place {
  CROWN("crown", Part.HEAD, 0, 16, -1),
  TEMPLE("temple", Part.HEAD, 7, 12, 0),
  BACK_OF_HEAD("back of head", Part.HEAD, 1.5, 9, -9),
  FOREHEAD("forehead", Part.HEAD, 0, 12, 10),
  CHIN("chin", Part.HEAD, 0, -3, 11),
  CHEEK("cheek", Part.HEAD, 6, 1, 7),
  NAPE("nape", Part.NECK, 2, 6, -5),
  COLLARBONE("collarbone", Part.THORAX, 6, 22, 9),
  BREASTBONE("breastbone", Part.THORAX, 0, 14, 11),
  RIBS("ribs", Part.THORAX, 15, 4, 1),
  BELLY("belly", Part.LUMBAR, 0, 3, 12),
  LOW_BACK("low back", Part.LUMBAR, 0, 3, -11),
  UPPER_BACK("upper back", Part.THORAX, 3, 16, -12),
  SEAT("seat", Part.PELVIS, 17, -8, -2),
  BEHIND_SEAT("chair back", Part.PELVIS, 14, 2, -20),
  HIP("hip", Part.PELVIS, 14, 6, 3),
  SHOULDER("shoulder", Part.LEFT_SCAPULA, 0, 2, 1),
  BLADE("blade", Part.LEFT_SCAPULA, -6, 1, -5),
  UPPER_ARM("upper arm", Part.LEFT_UPPER_ARM, 2, -16, 3),
  ELBOW("elbow", Part.LEFT_UPPER_ARM, 0, -30, -3),
  WRIST("wrist", Part.LEFT_FOREARM, 0, -22, 0),
  HAND("hand", Part.LEFT_HAND, 0, -8, 0),
  THIGH("thigh", Part.LEFT_THIGH, 0, -24, 8),
  KNEE("knee", Part.LEFT_THIGH, 2, -40, 6),
  SHIN("shin", Part.LEFT_SHANK, 0, -14, 6),
  ANKLE("ankle", Part.LEFT_SHANK, 3, -38, 2);

  private static final double HEAD_MIDDLE = 7;

  private final String code;
  private final Part part;
  private final double x;
  private final double y;
  private final double z;

  Place(String code, Part part, double x, double y, double z) {
    this.code = code;
    this.part = part;
    this.x = x;
    this.y = y;
    this.z = z;
  }

  static Optional<Place> find(String code) {
    return Arrays.stream(values()).filter(p -> p.code.equals(code)).findFirst();
  }

  boolean onHead() {
    return part == Part.HEAD || part == Part.NECK;
  }

  /** Whether it is on an arm, which then has to be placed before the hand that reaches for it. */
  boolean onArm() {
    return part.name().contains("ARM") || part.name().contains("HAND");
  }

  Vec in(Skeleton body, Side side) {
    Vec local = new Vec(x, y, z);
    return side == Side.LEFT
        ? body.point(part, local)
        : body.point(part.mirrored(), local.mirrored());
  }

  /** Away from the surface here, of length 1. */
  Vec outward(Skeleton body, Side side) {
    Vec local =
        switch (this) {
          case CROWN, SHOULDER, SEAT -> new Vec(0, 1, 0);
          case NAPE, UPPER_BACK, LOW_BACK, BLADE -> new Vec(0, 0, -1);
          case ELBOW, WRIST, HAND -> Vec.ZERO;
          default -> new Vec(x, part == Part.HEAD ? y - HEAD_MIDDLE : 0, z).unit();
        };
    Skeleton.Placed on = body.part(side == Side.LEFT ? part : part.mirrored());
    return on.turn().apply(side == Side.LEFT ? local : local.mirrored());
  }
}
