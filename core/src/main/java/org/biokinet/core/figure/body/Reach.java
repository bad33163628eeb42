package org.biokinet.core.figure.body;

import java.util.Optional;
import org.biokinet.core.anatomy.Side;

/** Finds the angles of an arm that lay a hand on a point. */
final class Reach {

  /** From the wrist to the middle of the palm, in centimetres. */
  static final double PALM = 8;

  private static final double MOST = 0.995;

  /** How far a hand bends to lie flat, in degrees. */
  private static final double BEND = 80;

  /** Below this the hand is straight and may be turned palm down. */
  private static final double STRAIGHT = 8;

  /** How thick half a hand is, in centimetres. */
  private static final double THICK = 1.5;

  /**
   * Where the elbow goes.
   *
   * @param pole its direction at 0 degrees, for the left arm
   * @param degrees turned from there about the line from shoulder to palm, for the left arm
   */
  record Elbow(Vec pole, double degrees) {

    /** It hangs; by degrees it is lifted outward. */
    static Elbow hanging(double degrees) {
      return new Elbow(new Vec(0.5, -1, -0.35), degrees);
    }

    /** Out to the side, as with a hand on the head; by degrees it comes forward. */
    static Elbow out(double degrees) {
      return new Elbow(new Vec(1, -0.3, 0.35), -degrees);
    }
  }

  private Reach() {}

  /**
   * The pose with this arm changed. Where the point is too far, the arm is stretched toward it.
   *
   * @param beyond what reaches beyond the wrist, in centimetres
   */
  static Pose to(Pose pose, Side side, Vec target, double beyond, Elbow elbow) {
    Pose now = pose;
    // The girdle follows the arm, so the shoulder has moved once the arm is placed.
    for (int round = 0; round < 4; round++) now = step(now, side, target, beyond, elbow);
    return now;
  }

  /**
   * Lays the palm flat on a surface.
   *
   * @param outward away from the surface, of length 1
   * @param fingers where they point; empty for in line with the forearm, as far as it can be
   */
  static Pose flat(
      Pose pose, Side side, Vec target, Vec outward, Optional<Vec> fingers, Elbow elbow) {
    Vec point = target.plus(outward.times(THICK));
    Pose now = to(pose, side, point, PALM, elbow);
    for (int round = 0; round < 4; round++) {
      Vec fore = Skeleton.of(now).part(Part.of(side, "FOREARM")).turn().apply(new Vec(0, -1, 0));
      Vec along = fingers.orElse(fore.minus(outward.times(fore.dot(outward))));
      if (along.length() < 1e-3) return now;
      Vec hand = along.unit();
      double angle = Math.toDegrees(Math.acos(Math.max(-1, Math.min(1, hand.dot(fore)))));
      if (angle > BEND) {
        Vec across = hand.minus(fore.times(hand.dot(fore))).unit();
        double bend = Math.toRadians(BEND);
        hand = fore.times(Math.cos(bend)).plus(across.times(Math.sin(bend)));
      }
      now = to(now, side, point.minus(hand.times(PALM)), 0, elbow);
      now = bent(now, side, hand, outward);
    }
    return now;
  }

  /** Turns the forearm and bends the wrist until the hand points along this. */
  private static Pose bent(Pose pose, Side side, Vec hand, Vec outward) {
    double sign = side == Side.LEFT ? 1 : -1;
    Optional<Side> of = Optional.of(side);
    Skeleton.Placed upper = Skeleton.of(pose).part(Part.of(side, "UPPER_ARM"));
    Rotation elbow = upper.turn().times(Rotation.aboutX(-pose.angle(Joint.ELBOW, side)));
    Vec own = elbow.inverse().apply(hand);
    double wrist = Math.toDegrees(Math.acos(Math.max(-1, Math.min(1, -own.y()))));
    if (wrist < STRAIGHT) {
      // The palm looks inward and is to look at the surface.
      Vec in = elbow.inverse().apply(outward.times(-1));
      double turn = sign * Math.toDegrees(Math.atan2(sign * in.z(), -sign * in.x()));
      return pose.with(Joint.WRIST, of, 0).with(Joint.FOREARM, of, within(Joint.FOREARM, turn));
    }
    double turn = sign * Math.toDegrees(Math.atan2(sign * own.z(), -sign * own.x()));
    if (!Joint.FOREARM.allows(turn)) {
      turn += turn > 0 ? -180 : 180;
      wrist = -wrist;
    }
    return pose.with(Joint.WRIST, of, within(Joint.WRIST, wrist)).with(Joint.FOREARM, of, turn);
  }

  private static Pose step(Pose pose, Side side, Vec target, double beyond, Elbow elbow) {
    double sign = side == Side.LEFT ? 1 : -1;
    Skeleton body = Skeleton.of(pose);
    Skeleton.Placed thorax = body.part(Part.THORAX);
    Vec shoulder = body.part(Part.of(side, "UPPER_ARM")).origin();
    double a = Skeleton.UPPER_ARM;
    double b = Skeleton.FOREARM + beyond;
    Vec way = target.minus(shoulder);
    double far = Math.max(Math.abs(a - b) + 1, Math.min(way.length(), (a + b) * MOST));
    Vec u = way.unit();
    double along = (a * a + far * far - b * b) / (2 * far);
    double off = Math.sqrt(Math.max(0, a * a - along * along));
    Vec own = side == Side.LEFT ? elbow.pole() : elbow.pole().mirrored();
    Vec hang = thorax.turn().apply(own);
    Vec pole = hang.minus(u.times(hang.dot(u)));
    if (pole.length() < 1e-6) pole = thorax.turn().apply(new Vec(sign, 0, 0));
    Vec bent = Rotation.about(u, sign * elbow.degrees()).apply(pole.unit());
    Vec joint = shoulder.plus(u.times(along)).plus(bent.times(off));
    Vec palm = shoulder.plus(u.times(far));

    Rotation back = thorax.turn().inverse();
    Vec upper = back.apply(joint.minus(shoulder)).unit();
    Vec fore = back.apply(palm.minus(joint)).unit();
    double lift = Math.toDegrees(Math.acos(Math.max(-1, Math.min(1, -upper.y()))));
    double plane = Math.toDegrees(Math.atan2(sign * upper.x(), upper.z()));
    Rotation swing =
        Rotation.aboutY(sign * plane)
            .times(Rotation.aboutX(-lift))
            .times(Rotation.aboutY(-sign * plane));
    Vec flat = swing.inverse().apply(fore.minus(upper.times(fore.dot(upper))));
    double rotation = sign * Math.toDegrees(Math.atan2(flat.x(), flat.z()));
    double bend = Math.toDegrees(Math.acos(Math.max(-1, Math.min(1, upper.dot(fore)))));
    Optional<Side> of = Optional.of(side);
    return pose.with(Joint.ARM_LIFT, of, lift)
        .with(Joint.ARM_PLANE, of, plane)
        .with(Joint.ARM_ROTATION, of, within(Joint.ARM_ROTATION, rotation))
        .with(Joint.ELBOW, of, within(Joint.ELBOW, bend));
  }

  private static double within(Joint joint, double degrees) {
    return Math.max(joint.least(), Math.min(joint.most(), degrees));
  }

  /** The point that is that far beyond the wrist. */
  static Vec point(Skeleton body, Side side, double beyond) {
    return body.point(Part.of(side, "HAND"), new Vec(0, -beyond, 0));
  }
}
