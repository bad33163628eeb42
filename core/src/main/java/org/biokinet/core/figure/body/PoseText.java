package org.biokinet.core.figure.body;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.exercise.CatalogueException;

/**
 * Reads a pose from a line such as {@code neck tilt 25, R girdle up -8, L hand temple R @20}:
 * angles of joints, {@code R}, {@code L} or {@code both} before those of a side, and hands laid on
 * places, with the elbow's swivel behind {@code @}. A hand is placed last, so that it finds the
 * body as posed; bending the pelvis leaves the legs where they are.
 */
public final class PoseText {

  /**
   * @param place on the body; empty for the floor
   * @param floor where on the floor; empty for where the hand rests on this base
   */
  private record Touch(
      Side hand, Optional<Place> place, Optional<Vec> floor, Side on, double swivel) {
    boolean onArm() {
      return place.filter(Place::onArm).isPresent();
    }

    Vec target(Pose pose) {
      return place
          .map(p -> p.in(Skeleton.of(pose), on))
          .orElseGet(() -> floor.orElseGet(() -> resting(pose.base())));
    }

    /** A limb is grasped; anything else is lain upon, if the hand comes there. */
    Pose reach(Pose pose, Vec target) {
      Reach.Elbow bend =
          place.filter(Place::onHead).isPresent()
              ? Reach.Elbow.out(swivel)
              : Reach.Elbow.hanging(swivel);
      Pose straight = Reach.to(pose, hand, target, Reach.PALM, bend);
      Vec outward = place.map(p -> p.outward(Skeleton.of(pose), on)).orElse(UP);
      if (outward.length() == 0) return straight;
      Optional<Vec> fingers = place.isPresent() ? Optional.empty() : Optional.of(AHEAD);
      Pose flat = Reach.flat(pose, hand, target, outward, fingers, bend);
      boolean comesThere = gap(flat, target) <= Math.max(FLAT_GAP, gap(straight, target));
      return comesThere && elbow(flat).minus(elbow(straight)).length() < ELBOW_STAYS
          ? flat
          : straight;
    }

    private Vec elbow(Pose pose) {
      return Skeleton.of(pose).part(Part.of(hand, "FOREARM")).origin();
    }

    double gap(Pose pose, Vec target) {
      return Reach.point(Skeleton.of(pose), hand, Reach.PALM).minus(target).length();
    }

    private Vec resting(Base base) {
      Vec p = Reach.point(Skeleton.of(Pose.resting(base)), hand, Reach.PALM);
      return new Vec(p.x(), 0, p.z());
    }
  }

  /** How far off what it touches a palm may end, in centimetres; our choice. */
  static final double LARGEST_GAP = 6;

  /** How far off a hand may end that lies flat, where a straight one would end nearer. */
  private static final double FLAT_GAP = 3;

  /** A hand that only lies flat with the elbow so far elsewhere is left straight. */
  private static final double ELBOW_STAYS = 16;

  private static final Vec UP = new Vec(0, 1, 0);
  private static final Vec AHEAD = new Vec(0, 0, 1);

  private static final String FLOOR = "floor";

  private PoseText() {}

  /**
   * @param from the angles that hold where nothing else is said
   * @throws CatalogueException when a part of the line is not understood or beyond a joint's limits
   */
  public static Pose read(String line, Pose from) {
    Pose pose = from;
    Map<Side, Touch> touches = new EnumMap<>(Side.class);
    for (String part : line.split(",", -1)) {
      String text = part.strip();
      if (text.isEmpty()) continue;
      List<String> words = new ArrayList<>(Arrays.asList(text.split("\\s+", -1)));
      List<Side> sides = sides(words);
      try {
        if (!sides.isEmpty() && words.get(0).equals("hand")) {
          for (Side s : sides) touches.put(s, touch(s, words));
        } else {
          // An arm that is lifted lets go.
          if (words.get(0).equals("arm")) sides.forEach(touches::remove);
          pose = angle(pose, sides, words);
        }
      } catch (IllegalArgumentException e) {
        throw new CatalogueException("'%s': %s".formatted(text, e.getMessage()));
      }
    }
    for (boolean onArm : new boolean[] {false, true}) {
      for (Touch t : touches.values()) {
        if (t.onArm() == onArm) {
          Vec target = t.target(pose);
          pose = t.reach(pose, target);
          double gap = t.gap(pose, target);
          if (gap > LARGEST_GAP) {
            throw new CatalogueException(
                "'%s': the %s hand ends %.0f cm off".formatted(line, t.hand, gap));
          }
        }
      }
    }
    return pose;
  }

  /** The angles of a pose, in whole degrees; read again it is the same pose. */
  static String write(Pose pose) {
    // The pelvis first, as it takes the legs with it.
    return pose.angles().entrySet().stream()
        .sorted(Comparator.comparing(a -> a.getKey().joint()))
        .map(
            a ->
                a.getKey().side().map(s -> s.letter() + " ").orElse("")
                    + a.getKey().joint().code()
                    + " "
                    + Math.round(a.getValue()))
        .collect(Collectors.joining(", "));
  }

  private static List<Side> sides(List<String> words) {
    return switch (words.get(0)) {
      case "L" -> taken(words, List.of(Side.LEFT));
      case "R" -> taken(words, List.of(Side.RIGHT));
      case "both" -> taken(words, List.of(Side.LEFT, Side.RIGHT));
      default -> List.of();
    };
  }

  private static List<Side> taken(List<String> words, List<Side> sides) {
    words.remove(0);
    return sides;
  }

  private static Touch touch(Side hand, List<String> words) {
    double swivel = 0;
    List<String> place = new ArrayList<>(words.subList(1, words.size()));
    if (place.get(place.size() - 1).startsWith("@")) {
      swivel = Double.parseDouble(place.remove(place.size() - 1).substring(1));
    }
    Side on = hand;
    String last = place.get(place.size() - 1);
    if (last.equals("L") || last.equals("R")) {
      on = last.equals("L") ? Side.LEFT : Side.RIGHT;
      place.remove(place.size() - 1);
    }
    if (place.get(0).equals(FLOOR)) {
      return new Touch(hand, Optional.empty(), onTheFloor(hand, place), on, swivel);
    }
    String name = String.join(" ", place);
    Optional<Place> found = Place.find(name);
    if (found.isEmpty()) throw new IllegalArgumentException("no place " + name);
    return new Touch(hand, found, Optional.empty(), on, swivel);
  }

  /** {@code floor OUT/AHEAD}: centimetres to the hand's own side and ahead of what stays still. */
  private static Optional<Vec> onTheFloor(Side hand, List<String> words) {
    if (words.size() == 1) return Optional.empty();
    String[] at = words.get(1).split("/", -1);
    if (at.length != 2) throw new IllegalArgumentException("the floor takes out/ahead");
    Vec left = new Vec(Double.parseDouble(at[0]), 0, Double.parseDouble(at[1]));
    return Optional.of(hand == Side.LEFT ? left : left.mirrored());
  }

  private static Pose angle(Pose pose, List<Side> sides, List<String> words) {
    String value = words.remove(words.size() - 1);
    String name = String.join(" ", words);
    if (name.equals("arm")) {
      int slash = value.indexOf('/');
      if (slash < 0) throw new IllegalArgumentException("an arm takes lift/plane");
      return set(
          set(pose, Joint.ARM_LIFT, sides, value.substring(0, slash)),
          Joint.ARM_PLANE,
          sides,
          value.substring(slash + 1));
    }
    Joint joint =
        Arrays.stream(Joint.values())
            .filter(j -> j.code().equals(name))
            .findFirst()
            .orElseThrow(() -> new IllegalArgumentException("no joint " + name));
    Pose changed = set(pose, joint, sides, value);
    if (joint == Joint.PELVIS_FLEX) {
      double by = Double.parseDouble(value) - pose.angle(joint);
      for (Side s : Side.values()) {
        changed =
            changed.with(Joint.HIP_FLEX, Optional.of(s), changed.angle(Joint.HIP_FLEX, s) + by);
      }
    }
    return changed;
  }

  private static Pose set(Pose pose, Joint joint, List<Side> sides, String value) {
    double degrees = Double.parseDouble(value);
    if (!joint.ofASide()) return pose.with(joint, Optional.empty(), degrees);
    if (sides.isEmpty()) throw new IllegalArgumentException(joint.code() + " needs L, R or both");
    Pose changed = pose;
    for (Side s : sides) changed = changed.with(joint, Optional.of(s), degrees);
    return changed;
  }
}
