package org.biokinet.core.figure.body;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.biokinet.core.anatomy.Side;

/**
 * A body in space: where every part is and how it is turned, by forward kinematics. Lengths are
 * shares of the height (Drillis and Contini 1966, in Winter, Biomechanics and Motor Control of
 * Human Movement, recalled from memory); widths and depths within the trunk are our choice.
 */
public final class Skeleton {

  /** Centimetres. */
  public static final double HEIGHT = 170;

  public static final double UPPER_ARM = 0.186 * HEIGHT;
  public static final double FOREARM = 0.146 * HEIGHT;
  public static final double HAND = 0.108 * HEIGHT;
  public static final double THIGH = 0.245 * HEIGHT;
  public static final double SHANK = 0.246 * HEIGHT;
  public static final double ANKLE = 0.039 * HEIGHT;
  public static final double FOOT = 0.152 * HEIGHT;

  /** Height of the hip joints on a chair, in centimetres. */
  private static final double SEAT = SHANK + ANKLE;

  private static final Vec TO_LUMBAR = new Vec(0, 10, -2);
  private static final Vec TO_THORAX = new Vec(0, 14, 0);
  private static final Vec TO_NECK = new Vec(0, 27, -3);
  private static final Vec TO_HEAD = new Vec(0, 10.8, 2);
  private static final Vec TO_CLAVICLE = new Vec(2, 21.5, 6);
  private static final Vec TO_SCAPULA = new Vec(16, 3, -7);
  private static final Vec TO_ARM = new Vec(0.5, -2, 0);
  private static final Vec TO_HIP = new Vec(8.5, 0, 0);

  /**
   * The blade turns upward with the arm, about one degree in three beyond the first 30 (Inman,
   * Saunders and Abbott 1944, recalled from memory).
   */
  private static final double BLADE_SHARE = 0.36;

  private static final double BLADE_FROM = 30;

  /** Above this the girdle rises with the arm, by this share; our choice. */
  private static final double GIRDLE_FROM = 60;

  private static final double GIRDLE_SHARE = 0.14;

  /** A knee that is so much higher than the other is off the floor, in centimetres. */
  private static final double LIFTED = 3;

  /** One part: where its joint nearer to the pelvis is, and how it is turned. */
  public record Placed(Vec origin, Rotation turn) {
    public Vec point(Vec local) {
      return origin.plus(turn.apply(local));
    }

    Placed next(Vec offset, Rotation own) {
      return new Placed(point(offset), turn.times(own));
    }
  }

  private final Map<Part, Placed> parts = new EnumMap<>(Part.class);

  private Skeleton() {}

  /** The floor is at height 0. What it rests on stays where it is, whatever else moves. */
  public static Skeleton of(Pose pose) {
    Skeleton s = new Skeleton();
    Rotation pelvis =
        pose.base()
            .trunk()
            .times(Rotation.aboutY(pose.angle(Joint.PELVIS_TURN)))
            .times(Rotation.aboutZ(-pose.angle(Joint.PELVIS_TILT)))
            .times(Rotation.aboutX(pose.angle(Joint.PELVIS_FLEX)));
    Placed root = new Placed(new Vec(0, SEAT, 0), pelvis);
    s.parts.put(Part.PELVIS, root);
    Placed lumbar =
        root.next(TO_LUMBAR, spine(pose, Joint.LUMBAR_FLEX, Joint.LUMBAR_TILT, Joint.LUMBAR_TURN));
    Placed thorax =
        lumbar.next(
            TO_THORAX, spine(pose, Joint.THORAX_FLEX, Joint.THORAX_TILT, Joint.THORAX_TURN));
    Placed neck =
        thorax.next(TO_NECK, spine(pose, Joint.NECK_FLEX, Joint.NECK_TILT, Joint.NECK_TURN));
    Placed head =
        neck.next(TO_HEAD, spine(pose, Joint.HEAD_FLEX, Joint.HEAD_TILT, Joint.HEAD_TURN));
    s.parts.put(Part.LUMBAR, lumbar);
    s.parts.put(Part.THORAX, thorax);
    s.parts.put(Part.NECK, neck);
    s.parts.put(Part.HEAD, head);
    for (Side side : Side.values()) {
      s.arm(pose, side, thorax);
      s.leg(pose, side, root);
    }
    s.settle(pose.base());
    return s;
  }

  /** On a chair the pelvis stays; else the lowest part of legs or trunk lies on the floor. */
  private void settle(Base base) {
    List<Part> still = base.still();
    if (still.isEmpty()) return;
    // Who kneels may lift one knee; the other one stays then.
    double ground = still.stream().mapToDouble(p -> part(p).origin().y()).min().orElse(0);
    List<Part> down =
        still.stream()
            .filter(p -> !base.onFloor() || part(p).origin().y() < ground + LIFTED)
            .toList();
    Vec middle = Vec.ZERO;
    for (Part p : down) middle = middle.plus(part(p).origin());
    middle = middle.times(1.0 / down.size());
    double aside = down.size() == still.size() ? middle.x() : 0;
    double lowest = Double.MAX_VALUE;
    for (Outline.Ball b : Outline.bearing()) {
      lowest = Math.min(lowest, point(b.part(), b.local()).y() - b.radius());
    }
    Vec by = new Vec(-aside, -lowest, -middle.z());
    parts.replaceAll((part, placed) -> new Placed(placed.origin().plus(by), placed.turn()));
  }

  /** Turn about the own long axis first, then bending to the side, then forward. */
  private static Rotation spine(Pose pose, Joint flex, Joint tilt, Joint turn) {
    return Rotation.aboutX(pose.angle(flex))
        .times(Rotation.aboutZ(-pose.angle(tilt)))
        .times(Rotation.aboutY(pose.angle(turn)));
  }

  private static double sign(Side side) {
    return side == Side.LEFT ? 1 : -1;
  }

  private static Vec on(Side side, Vec ofTheLeft) {
    return side == Side.LEFT ? ofTheLeft : ofTheLeft.mirrored();
  }

  private void arm(Pose pose, Side side, Placed thorax) {
    double sign = sign(side);
    double lift = pose.angle(Joint.ARM_LIFT, side);
    double up = pose.angle(Joint.GIRDLE_UP, side) + GIRDLE_SHARE * Math.max(0, lift - GIRDLE_FROM);
    double forward = pose.angle(Joint.GIRDLE_FORWARD, side);
    Placed clavicle =
        thorax.next(
            on(side, TO_CLAVICLE),
            Rotation.aboutY(-sign * forward).times(Rotation.aboutZ(sign * up)));
    double blade =
        pose.angle(Joint.BLADE_ROTATION, side) + BLADE_SHARE * Math.max(0, lift - BLADE_FROM);
    Placed scapula =
        new Placed(
            clavicle.point(on(side, TO_SCAPULA)),
            thorax
                .turn()
                .times(Rotation.aboutY(-sign * forward))
                .times(Rotation.aboutZ(sign * blade)));
    double plane = sign * pose.angle(Joint.ARM_PLANE, side);
    Rotation lifted =
        Rotation.aboutY(plane).times(Rotation.aboutX(-lift)).times(Rotation.aboutY(-plane));
    Rotation rotated = Rotation.aboutY(sign * pose.angle(Joint.ARM_ROTATION, side));
    Placed upper =
        new Placed(
            scapula.origin().plus(thorax.turn().apply(on(side, TO_ARM))),
            thorax.turn().times(lifted).times(rotated));
    Placed forearm =
        upper.next(
            new Vec(0, -UPPER_ARM, 0),
            Rotation.aboutX(-pose.angle(Joint.ELBOW, side))
                .times(Rotation.aboutY(sign * pose.angle(Joint.FOREARM, side))));
    Placed hand =
        forearm.next(
            new Vec(0, -FOREARM, 0), Rotation.aboutZ(-sign * pose.angle(Joint.WRIST, side)));
    parts.put(Part.of(side, "CLAVICLE"), clavicle);
    parts.put(Part.of(side, "SCAPULA"), scapula);
    parts.put(Part.of(side, "UPPER_ARM"), upper);
    parts.put(Part.of(side, "FOREARM"), forearm);
    parts.put(Part.of(side, "HAND"), hand);
  }

  private void leg(Pose pose, Side side, Placed pelvis) {
    double sign = sign(side);
    Placed thigh =
        pelvis.next(
            on(side, TO_HIP),
            Rotation.aboutX(-pose.angle(Joint.HIP_FLEX, side))
                .times(Rotation.aboutZ(sign * pose.angle(Joint.HIP_OUT, side)))
                .times(Rotation.aboutY(sign * pose.angle(Joint.HIP_ROTATION, side))));
    Placed shank = thigh.next(new Vec(0, -THIGH, 0), Rotation.aboutX(pose.angle(Joint.KNEE, side)));
    Placed foot =
        shank.next(new Vec(0, -SHANK, 0), Rotation.aboutX(-pose.angle(Joint.ANKLE, side)));
    parts.put(Part.of(side, "THIGH"), thigh);
    parts.put(Part.of(side, "SHANK"), shank);
    parts.put(Part.of(side, "FOOT"), foot);
  }

  public Placed part(Part part) {
    Placed placed = parts.get(part);
    if (placed == null) throw new IllegalStateException("no " + part);
    return placed;
  }

  public Vec point(Part part, Vec local) {
    return part(part).point(local);
  }
}
