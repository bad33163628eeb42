package org.biokinet.core.figure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.exercise.CatalogueException;

/**
 * Reads a pose from a line such as {@code neck tilt 25, R girdle up -8, L hand temple R @20}:
 * angles of joints, {@code R}, {@code L} or {@code both} before those of a side, and hands laid on
 * places, with the elbow's swivel behind {@code @}. A hand is placed last, so that it finds the
 * body as posed; bending the pelvis leaves the legs where they are.
 */
final class PoseText {

  /**
   * @param place empty for where the hand rests on this base, such as the floor
   */
  private record Touch(Side hand, Optional<Place> place, Side on, double swivel) {
    boolean onArm() {
      return place.filter(Place::onArm).isPresent();
    }

    Vec target(Pose pose) {
      return place
          .map(p -> p.in(Skeleton.of(pose), on))
          .orElseGet(() -> Reach.point(Skeleton.of(Pose.resting(pose.base())), hand, beyond()));
    }

    /** On the floor the hand is bent back, and the wrist is over its place. */
    double beyond() {
      return place.isPresent() ? Reach.PALM : 0;
    }
  }

  /** How far off what it touches a palm may end, in centimetres; our choice. */
  static final double LARGEST_GAP = 6;

  private static final String FLOOR = "floor";

  private PoseText() {}

  /**
   * @param from the angles that hold where nothing else is said
   * @throws CatalogueException when a part of the line is not understood or beyond a joint's limits
   */
  static Pose read(String line, Pose from) {
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
          pose = Reach.to(pose, t.hand, target, t.beyond(), t.swivel);
          double gap = Reach.point(Skeleton.of(pose), t.hand, t.beyond()).minus(target).length();
          if (gap > LARGEST_GAP) {
            throw new CatalogueException(
                "'%s': the %s hand ends %.0f cm off".formatted(line, t.hand, gap));
          }
        }
      }
    }
    return pose;
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
    String name = String.join(" ", place);
    Optional<Place> found = Place.find(name);
    if (found.isEmpty() && !name.equals(FLOOR)) {
      throw new IllegalArgumentException("no place " + name);
    }
    return new Touch(hand, found, on, swivel);
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
