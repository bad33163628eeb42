package org.biokinet.core.figure;

import java.util.Optional;
import org.biokinet.core.anatomy.Side;

/** Finds the angles of an arm that lay a hand on a point. */
final class Reach {

  /** From the wrist to the middle of the palm, in centimetres. */
  static final double PALM = 8;

  private static final double MOST = 0.995;

  private Reach() {}

  /**
   * The pose with this arm changed. Where the point is too far, the arm is stretched toward it.
   *
   * @param beyond what reaches beyond the wrist: {@link #PALM}, or 0 where the hand is bent back
   * @param swivel turns the elbow about the line from shoulder to palm, outward and up, in degrees;
   *     at 0 it hangs
   */
  static Pose to(Pose pose, Side side, Vec target, double beyond, double swivel) {
    Pose now = pose;
    // The girdle follows the arm, so the shoulder has moved once the arm is placed.
    for (int round = 0; round < 4; round++) now = step(now, side, target, beyond, swivel);
    return now;
  }

  private static Pose step(Pose pose, Side side, Vec target, double beyond, double swivel) {
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
    Vec hang = thorax.turn().apply(new Vec(0.5 * sign, -1, -0.35));
    Vec pole = hang.minus(u.times(hang.dot(u)));
    if (pole.length() < 1e-6) pole = thorax.turn().apply(new Vec(sign, 0, 0));
    Vec bent = Rotation.about(u, sign * swivel).apply(pole.unit());
    Vec elbow = shoulder.plus(u.times(along)).plus(bent.times(off));
    Vec palm = shoulder.plus(u.times(far));

    Rotation back = thorax.turn().inverse();
    Vec upper = back.apply(elbow.minus(shoulder)).unit();
    Vec fore = back.apply(palm.minus(elbow)).unit();
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
