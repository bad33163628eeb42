package org.biokinet.core.figure.body;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.SidedMotion;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.exercise.CatalogueException;
import org.biokinet.core.exercise.Exercise;

/**
 * What speaks against a movement as the picture of an exercise: a wrong side, above all, which is
 * worse than no picture.
 */
public final class PoseCheck {

  /** Below this nobody would call it a stretch; our choice. */
  public static final double LEAST_LENGTHENING = 0.03;

  /** Angles that are this near to each other are the same to the eye, in degrees. */
  private static final double SAME = 1;

  private PoseCheck() {}

  /** For an exercise that a practice has posed itself; empty for any other. */
  public static List<String> of(Exercise exercise) {
    if (exercise.posed().isEmpty()) return List.of();
    try {
      return of(exercise, Movement.posed(exercise.usualPosition(), exercise.posed().get()));
    } catch (CatalogueException e) {
      return List.of(String.valueOf(e.getMessage()));
    }
  }

  /** In words, each with what would be right; empty when nothing speaks against it. */
  public static List<String> of(Exercise exercise, Movement movement) {
    List<String> found = new ArrayList<>();
    if (exercise.sided()) {
      sides(exercise, movement, found);
    } else {
      bothAlike(movement, found);
    }
    stretch(exercise, movement, found);
    for (PoseEvidence.Proof p : PoseEvidence.unsaid(exercise, movement)) {
      String whose =
          p.limb().map(s -> s == Side.RIGHT ? " on the right" : " on the left").orElse("");
      found.add(
          "A pose shows “%s”%s; tick it among what has to be minded."
              .formatted(p.precaution().label(), whose));
    }
    return found.stream().distinct().toList();
  }

  private static void sides(Exercise e, Movement m, List<String> found) {
    if (m.poses().stream().allMatch(PoseCheck::isItsOwnMirror)) {
      found.add("It looks the same for both sides, but it is done for one side at a time.");
    }
    e.motion()
        .flatMap(PoseCheck::joint)
        .ifPresent(j -> way(e.movesToward(Side.RIGHT), m.end().angle(j), j, found));
    way(e.headTurnsToward(Side.RIGHT), m.end().angle(Joint.NECK_TURN), Joint.NECK_TURN, found);
  }

  private static Optional<Joint> joint(SidedMotion motion) {
    return switch (motion) {
      case NECK_LATERAL_FLEXION -> Optional.of(Joint.NECK_TILT);
      case NECK_ROTATION -> Optional.of(Joint.NECK_TURN);
      case TRUNK_LATERAL_FLEXION -> Optional.of(Joint.THORAX_TILT);
      case TRUNK_ROTATION -> Optional.of(Joint.THORAX_TURN);
      default -> Optional.empty();
    };
  }

  private static void way(Optional<Side> toward, double angle, Joint joint, List<String> found) {
    if (toward.isEmpty()) return;
    double sign = toward.get() == Side.LEFT ? 1 : -1;
    if (sign * angle > SAME) return;
    found.add(
        "Treating the right, the words go to the %s; “%s” of the last pose does not."
            .formatted(toward.get().name().toLowerCase(Locale.ROOT), joint.code()));
  }

  private static boolean isItsOwnMirror(Pose pose) {
    return alike(pose, pose.mirrored(), false);
  }

  private static boolean alike(Pose a, Pose b, boolean middleOnly) {
    Set<Pose.Key> keys = new HashSet<>(a.angles().keySet());
    keys.addAll(b.angles().keySet());
    if (middleOnly) keys.removeIf(k -> k.side().isPresent());
    return keys.stream().allMatch(k -> Math.abs(a.angle(k) - b.angle(k)) <= SAME);
  }

  /**
   * What is done once for both sides may sway, if it sways to either side. One hand may hold: only
   * head and trunk are looked at.
   */
  private static void bothAlike(Movement m, List<String> found) {
    for (Pose pose : m.poses()) {
      if (m.poses().stream().noneMatch(other -> alike(other, pose.mirrored(), true))) {
        found.add(
            "It is done once for both sides, but head or trunk go to one side in a pose"
                + " and not to the other in any.");
        return;
      }
    }
  }

  private static void stretch(Exercise e, Movement m, List<String> found) {
    Tissue target = e.targets().get(0);
    TissuePaths paths = TissuePaths.shipped();
    if (e.doseContext().mode() != Mode.HOLD || !paths.has(target)) return;
    Skeleton end = Skeleton.of(m.end());
    double own = paths.lengthening(end, target, Side.RIGHT);
    double other = paths.lengthening(end, target, Side.LEFT);
    if (own < LEAST_LENGTHENING) {
      found.add(
          "The last pose changes the treated %s by %s; a stretch lengthens it by 3 %% or more."
              .formatted(target.label(), percent(own)));
    } else if (e.sided() && own <= other) {
      found.add(
          "The last pose lengthens the %s of the untreated side (%s) more than that of the treated one (%s)."
              .formatted(target.label(), percent(other), percent(own)));
    }
  }

  private static String percent(double share) {
    return String.format(Locale.ENGLISH, "%+.0f %%", 100 * share).replace('-', '−');
  }
}
