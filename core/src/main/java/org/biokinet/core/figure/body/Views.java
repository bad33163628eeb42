package org.biokinet.core.figure.body;

import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.biokinet.core.anatomy.Side;

/** Chooses from where a movement is seen best. */
public final class Views {

  /** Points whose movement matters to the eye. */
  public static final List<Part> WATCHED =
      List.of(
          Part.HEAD,
          Part.THORAX,
          Part.LEFT_FOREARM,
          Part.RIGHT_FOREARM,
          Part.LEFT_HAND,
          Part.RIGHT_HAND,
          Part.LEFT_SHANK,
          Part.RIGHT_SHANK,
          Part.LEFT_FOOT,
          Part.RIGHT_FOOT);

  private static final Vec TIP = new Vec(0, 8, 9);

  /** The head moves less far than a hand and matters more. */
  private static final double HEAD_WEIGHT = 3;

  /** The view from the front has left and right where the reader feels them. */
  private static final double FRONT_WEIGHT = 1.15;

  /** How far over the hip joints the lap is, and how far before them it begins, in centimetres. */
  private static final double LAP = 12;

  private Views() {}

  /** The view in which most is seen of the movement, unless another is asked for. */
  public static View best(Movement movement, Side treated) {
    if (movement.view().isPresent()) return movement.view().get();
    return Stream.of(View.FRONT, View.SIDE, View.THREE_QUARTER)
        .max(Comparator.comparingDouble(v -> seen(movement, treated, v)))
        .orElse(View.FRONT);
  }

  private static double seen(Movement movement, Side treated, View view) {
    double sum = 0;
    List<Skeleton> frames = movement.poses().stream().map(Skeleton::of).toList();
    for (int i = 1; i < frames.size(); i++) {
      for (Part p : WATCHED) {
        Vec local = p == Part.HEAD ? TIP : Vec.ZERO;
        Vec from = view.project(frames.get(i - 1).point(p, local), treated);
        Vec to = view.project(frames.get(i).point(p, local), treated);
        double moved = Math.hypot(to.x() - from.x(), to.y() - from.y());
        sum += p == Part.HEAD ? HEAD_WEIGHT * moved : moved;
      }
    }
    return view == View.FRONT ? FRONT_WEIGHT * sum : sum;
  }

  /** Whether only the upper body has to be shown: upright, and nothing below the hips moves. */
  public static boolean upperBody(Movement movement) {
    Base base = movement.rest().base();
    if (base != Base.CHAIR && base != Base.STAND) return false;
    if (movement.poses().stream().anyMatch(Views::handOnLeg)) return false;
    return movement.poses().stream()
        .flatMap(p -> p.angles().keySet().stream())
        .noneMatch(k -> k.joint().name().matches("PELVIS.*|HIP.*|KNEE|ANKLE"));
  }

  /** A hand in the lap of who sits would lie on nothing. */
  private static boolean handOnLeg(Pose pose) {
    if (pose.base() != Base.CHAIR) return false;
    Skeleton body = Skeleton.of(pose);
    Vec hip = body.part(Part.PELVIS).origin();
    return Stream.of(Part.LEFT_HAND, Part.RIGHT_HAND)
        .map(h -> body.point(h, new Vec(0, -Reach.PALM, 0)))
        .anyMatch(p -> p.y() < hip.y() + LAP && p.z() > hip.z() + LAP);
  }
}
