package org.biokinet.core.figure.draw;

import java.util.List;
import java.util.Optional;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.figure.body.Base;
import org.biokinet.core.figure.body.Joint;
import org.biokinet.core.figure.body.Movement;
import org.biokinet.core.figure.body.Part;
import org.biokinet.core.figure.body.Pose;
import org.biokinet.core.figure.body.Skeleton;
import org.biokinet.core.figure.body.Vec;
import org.biokinet.core.figure.body.View;

/**
 * A made-up photograph from the side with a known posture, to learn marking on and to check it
 * with. Points are millimetres on paper, to the right and down.
 *
 * @param facing the side of the body that the camera sees
 * @param tragus in front of the ear canal
 * @param c7 the most prominent spinous process at the base of the neck
 * @param shoulder the tip of the acromion
 */
public record SidePhotograph(String svg, Side facing, Vec tragus, Vec c7, Vec shoulder) {

  private static final Vec TRAGUS = new Vec(7.4, 5.5, 0.4);
  private static final Vec C7 = new Vec(0, 0.5, -5.6);
  private static final Vec ACROMION = new Vec(0, 0, 0);

  /** How far the neck can be flexed in a photograph, in degrees. */
  private static final double LEAST_FLEXION = -40;

  private static final double MOST_FLEXION = 50;

  /**
   * @param craniovertebralAngle between the horizontal through C7 and the line to the tragus, in
   *     degrees; about 50 in adults who feel well, less with the head forward (value recalled from
   *     memory; the handbook's section 9)
   * @throws IllegalArgumentException when no neck of the figure makes this angle
   */
  public static SidePhotograph of(double craniovertebralAngle, Side facing) {
    double low = LEAST_FLEXION;
    double high = MOST_FLEXION;
    if (craniovertebralAngle > angle(pose(low)) || craniovertebralAngle < angle(pose(high))) {
      throw new IllegalArgumentException("no neck makes %.0f°".formatted(craniovertebralAngle));
    }
    // More flexion, less angle: halved until the angle is right to a thousandth of a degree.
    for (int step = 0; step < 50; step++) {
      double middle = (low + high) / 2;
      if (angle(pose(middle)) > craniovertebralAngle) low = middle;
      else high = middle;
    }
    Pose pose = pose(low);
    Skeleton body = Skeleton.of(pose);
    Movement still = new Movement(List.of(pose, pose), List.of(), Optional.of(View.SIDE));
    String svg =
        Drawing.still(
            pose,
            still,
            facing,
            false,
            View.SIDE,
            Optional.empty(),
            true,
            new Drawing.Words("A made-up person from the side", ""));
    return new SidePhotograph(
        svg,
        facing,
        paper(body, facing, Part.HEAD, TRAGUS),
        paper(body, facing, Part.NECK, C7),
        paper(body, facing, Part.of(facing, "SCAPULA"), ACROMION));
  }

  /** The head stays level, as people look ahead. */
  private static Pose pose(double flexion) {
    double back = Math.max(Joint.HEAD_FLEX.least(), Math.min(Joint.HEAD_FLEX.most(), -flexion));
    return Pose.resting(Base.STAND)
        .with(Joint.NECK_FLEX, Optional.empty(), flexion)
        .with(Joint.HEAD_FLEX, Optional.empty(), back);
  }

  private static double angle(Pose pose) {
    Skeleton body = Skeleton.of(pose);
    Vec way = body.point(Part.HEAD, TRAGUS).minus(body.point(Part.NECK, C7));
    return Math.toDegrees(Math.atan2(way.y(), way.z()));
  }

  private static Vec paper(Skeleton body, Side facing, Part part, Vec local) {
    Vec own = facing == Side.LEFT ? local : local.mirrored();
    Vec p = View.SIDE.project(body.point(part, own), facing);
    return new Vec(10 * p.x(), 10 * p.y(), 0);
  }
}
