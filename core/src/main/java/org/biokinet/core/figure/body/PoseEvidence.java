package org.biokinet.core.figure.body;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.Precaution;

/**
 * What the picture of an exercise proves of its precautions: whoever is drawn with an arm overhead
 * lifts it above the shoulder, whatever the entry says. Only what is clear is proven, so the
 * thresholds lie well inside the range that a code names (our choice); what is not proven may still
 * hold.
 */
public final class PoseEvidence {

  private static final double FOLDED_NECK = 30;
  private static final double TURNED_NECK = 40;
  private static final double FOLDED_TRUNK = 40;
  private static final double TWISTED_TRUNK = 25;

  /** In centimetres that the skull is below the breastbone. */
  private static final double HEAD_BELOW_HEART = 10;

  private static final double ARM_ABOVE = 110;

  private static final Vec SKULL = new Vec(0, 5, 0);
  private static final Vec HEART = new Vec(0, 12, 0);

  /**
   * @param limb whose arm shows it; empty for neck, trunk and head
   */
  public record Proof(Precaution precaution, Optional<Side> limb) {}

  private PoseEvidence() {}

  /** All that the poses of a movement prove, for the right treated side. */
  public static Set<Proof> of(Movement movement) {
    Set<Proof> proofs = new LinkedHashSet<>();
    for (Pose pose : movement.poses()) {
      neckAndTrunk(pose).forEach(p -> proofs.add(new Proof(p, Optional.empty())));
      for (Side side : Side.values()) {
        arm(pose, side).forEach(p -> proofs.add(new Proof(p, Optional.of(side))));
      }
    }
    return proofs;
  }

  /** What is proven and the entry does not say, in the order of the poses. */
  public static List<Proof> unsaid(Exercise e, Movement movement) {
    Optional<Side> treated = e.sided() ? Optional.of(Side.RIGHT) : Optional.empty();
    return of(movement).stream()
        .filter(
            p ->
                p.limb().isPresent()
                    ? !e.bears(p.precaution(), treated, p.limb().get())
                    : !e.precautions().contains(p.precaution()))
        .toList();
  }

  private static List<Precaution> neckAndTrunk(Pose p) {
    List<Precaution> found = new ArrayList<>();
    if (sum(p, Joint.NECK_FLEX, Joint.HEAD_FLEX) >= FOLDED_NECK) found.add(Precaution.CX_FLEX);
    if (Math.abs(sum(p, Joint.NECK_TURN, Joint.HEAD_TURN)) >= TURNED_NECK) {
      found.add(Precaution.CX_ROT);
    }
    if (sum(p, Joint.LUMBAR_FLEX, Joint.THORAX_FLEX) >= FOLDED_TRUNK) {
      found.add(Precaution.SPINE_FLEX);
    }
    if (Math.abs(sum(p, Joint.LUMBAR_TURN, Joint.THORAX_TURN)) >= TWISTED_TRUNK) {
      found.add(Precaution.TRUNK_ROT);
    }
    Skeleton body = Skeleton.of(p);
    double below = body.point(Part.THORAX, HEART).y() - body.point(Part.HEAD, SKULL).y();
    if (below >= HEAD_BELOW_HEART) found.add(Precaution.HEAD_DOWN);
    return found;
  }

  private static double sum(Pose p, Joint a, Joint b) {
    return p.angle(a) + p.angle(b);
  }

  private static List<Precaution> arm(Pose p, Side side) {
    double lift = p.angle(Joint.ARM_LIFT, side);
    double plane = p.angle(Joint.ARM_PLANE, side);
    double turnedOut = p.angle(Joint.ARM_ROTATION, side);
    List<Precaution> found = new ArrayList<>();
    if (lift >= ARM_ABOVE) found.add(Precaution.GH_ELEV);
    if (lift >= 30 && lift < ARM_ABOVE && plane >= 150) found.add(Precaution.GH_EXT);
    if (lift >= 80 && plane >= 60 && turnedOut >= 60) found.add(Precaution.GH_ER_ABD);
    if (lift >= 45 && lift < ARM_ABOVE && plane <= -30) found.add(Precaution.GH_ADDUCT);
    return found;
  }
}
