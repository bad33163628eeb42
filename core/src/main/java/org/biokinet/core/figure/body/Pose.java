package org.biokinet.core.figure.body;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.biokinet.core.anatomy.Side;

/**
 * A body in one position: what it rests on and its angles where they differ from the base's own.
 *
 * @param angles by joint and, where it has one on each side, the side; within the joint's limits
 */
public record Pose(Base base, Map<Key, Double> angles) {

  /** A joint of the middle has no side. */
  public record Key(Joint joint, Optional<Side> side) {
    public Key {
      if (joint.ofASide() != side.isPresent()) {
        throw new IllegalArgumentException(
            joint.code() + (side.isPresent() ? " has no" : " has a") + " side");
      }
    }

    Key mirrored() {
      return new Key(joint, side.map(Side::opposite));
    }
  }

  public Pose {
    angles = Collections.unmodifiableMap(new LinkedHashMap<>(angles));
    angles.forEach(
        (key, degrees) -> {
          if (!key.joint().allows(degrees)) {
            throw new IllegalArgumentException(
                "%s %.0f is beyond %.0f to %.0f"
                    .formatted(
                        key.joint().code(), degrees, key.joint().least(), key.joint().most()));
          }
        });
  }

  public static Pose resting(Base base) {
    return new Pose(base, Map.of());
  }

  public double angle(Joint joint) {
    return angle(new Key(joint, Optional.empty()));
  }

  public double angle(Joint joint, Side side) {
    return angle(new Key(joint, Optional.of(side)));
  }

  double angle(Key key) {
    return angles.getOrDefault(key, base.usual(key.joint()));
  }

  public Pose with(Joint joint, Optional<Side> side, double degrees) {
    Map<Key, Double> changed = new LinkedHashMap<>(angles);
    changed.put(new Key(joint, side), degrees);
    return new Pose(base, changed);
  }

  /** The same on the other side; mirrored twice it is itself again. */
  public Pose mirrored() {
    Map<Key, Double> other = new LinkedHashMap<>();
    angles.forEach(
        (key, degrees) ->
            other.put(key.mirrored(), key.joint().kind() == Joint.Kind.FLIPS ? -degrees : degrees));
    return new Pose(base.mirrored(), other);
  }

  /** Part of the way to another pose on the same base: 0 is this one, 1 the other. */
  public Pose toward(Pose other, double part) {
    Map<Key, Double> between = new LinkedHashMap<>();
    for (Map<Key, Double> all : List.of(angles, other.angles)) {
      for (Key key : all.keySet()) {
        between.put(key, angle(key) + part * (other.angle(key) - angle(key)));
      }
    }
    return new Pose(base, between);
  }
}
