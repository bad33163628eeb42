package org.biokinet.core.screening;

import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.SidedMotion;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.dose.Work;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.Group;
import org.biokinet.core.exercise.Precaution;

/** What of an exercise, done in a position, a condition can lock or limit. */
public enum Feature {
  CX_EXT(Precaution.CX_EXT),
  CX_FLEX(Precaution.CX_FLEX),
  CX_ROT(Precaution.CX_ROT),
  CX_CIRCLE(Precaution.CX_CIRCLE),
  OVERPRESSURE(Precaution.OVERPRESSURE),
  NEURAL(Precaution.NEURAL),
  GH_ELEV(Precaution.GH_ELEV),
  GH_IR(Precaution.GH_IR),
  GH_EXT(Precaution.GH_EXT),
  GH_ER_ABD(Precaution.GH_ER_ABD),
  GH_ADDUCT(Precaution.GH_ADDUCT),
  SPINE_FLEX(Precaution.SPINE_FLEX),
  SPINE_EXT(Precaution.SPINE_EXT),
  TRUNK_ROT(Precaution.TRUNK_ROT),
  KNEE_LOAD(Precaution.KNEE_LOAD),
  HIP_DEEP(Precaution.HIP_DEEP),
  HEAD_DOWN(Precaution.HEAD_DOWN),
  BALANCE(Precaution.BALANCE),
  ROLLER(Precaution.ROLLER),
  FLOOR("on the floor"),
  KNEELING("on the knees"),
  PRONE("lying face down"),
  WRIST_LOAD("weight on the hands"),
  SUPINE("lying on the back"),
  STANDING("standing"),
  NECK("for the neck"),
  LATERAL_FLEXION("lateral flexion toward the painful arm"),
  CHIN("for the front of the neck, chin tucks, fingers on the chin"),
  EFFORT("effort: isometric, contract–relax, tensed or against a load"),
  SELF_MASSAGE("self-massage"),
  SUBOCCIPITAL("for the suboccipitals");

  private final Optional<Precaution> precaution;
  private final String label;

  Feature(Precaution precaution) {
    this.precaution = Optional.of(precaution);
    this.label = precaution.label();
  }

  Feature(String label) {
    this.precaution = Optional.empty();
    this.label = label;
  }

  public String label() {
    return label;
  }

  private static final Set<Group> NECK_GROUPS =
      EnumSet.of(Group.NECK_MOBILITY, Group.NECK_STRETCH, Group.NECK_STRENGTH);
  private static final Set<Tissue> FRONT =
      EnumSet.of(Tissue.ANTERIOR_NECK, Tissue.SCM, Tissue.DNF, Tissue.C_RETRACTION);

  /**
   * Whether an exercise has it, as it is done.
   *
   * @param affected the side that a condition is on; empty for both, or where it is not known
   */
  public boolean of(Use use, Optional<Side> affected) {
    Exercise e = use.exercise();
    Position position = use.at().position();
    if (precaution.isPresent()) {
      return affected
          .map(side -> e.bears(precaution.get(), use.treated(), side))
          .orElseGet(() -> e.precautions().contains(precaution.get()));
    }
    return switch (this) {
      case FLOOR -> position.onFloor() && !use.at().onBed();
      case KNEELING -> position == Position.KNEEL || position == Position.ALL_FOURS;
      case PRONE -> position == Position.PRONE;
      case WRIST_LOAD ->
          position == Position.ALL_FOURS || e.precautions().contains(Precaution.WRIST_LOAD);
      case SUPINE -> position == Position.SUPINE;
      case STANDING -> position == Position.STAND;
      case NECK ->
          NECK_GROUPS.contains(e.group()) || e.targets().get(0).region() == Tissue.Region.NECK;
      case LATERAL_FLEXION -> tiltsToward(use, affected);
      case CHIN ->
          e.targets().stream().anyMatch(FRONT::contains)
              || (e.targets().get(0) == Tissue.SUBOCCIPITALS
                  && e.precautions().contains(Precaution.OVERPRESSURE));
      case EFFORT -> takesEffort(use);
      case SELF_MASSAGE ->
          e.group() == Group.RELEASE && e.targets().get(0).kind() == Tissue.Kind.MUSCLE;
      case SUBOCCIPITAL -> e.targets().contains(Tissue.SUBOCCIPITALS);
      default -> throw new IllegalStateException(name());
    };
  }

  /** What tilts both ways tilts toward the painful arm too. */
  private static boolean tiltsToward(Use use, Optional<Side> affected) {
    Exercise e = use.exercise();
    if (use.treated().isEmpty()) return e.targets().contains(Tissue.C_LATERAL);
    if (!e.motion().equals(Optional.of(SidedMotion.NECK_LATERAL_FLEXION))) return false;
    Optional<Side> toward = e.movesToward(use.treated().get());
    return affected.isEmpty() || toward.equals(affected);
  }

  /** Where the dose has it, not where it could have it. */
  private static boolean takesEffort(Use use) {
    SideDose dose = use.dose();
    return use.exercise().doseContext().mode() == Mode.ISO
        || dose.work() instanceof Work.ContractRelax
        || dose.effort().isPresent()
        || dose.resistance().isPresent();
  }
}
