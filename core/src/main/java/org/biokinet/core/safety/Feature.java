package org.biokinet.core.safety;

import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.SidedMotion;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.Group;
import org.biokinet.core.exercise.Precaution;
import org.biokinet.core.library.Alternatives;

/** What of an exercise, done in a position, a condition can lock or limit. */
public enum Feature {
  CX_EXT(Precaution.CX_EXT),
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
  TRUNK_ROTATION("turning the trunk"),
  ANTERIOR_NECK("for the front of the neck"),
  EFFORT("isometric or contract–relax"),
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

  /** Where and on what an exercise is done. */
  public record Setting(Position position, boolean onBed) {

    /** Who has a bed lies on it, not on the floor. */
    public static Setting of(Position position, Alternatives.Means means) {
      return new Setting(position, position.lying() && means.equipment().contains(Equipment.BED));
    }
  }

  private static final Set<Group> NECK_GROUPS =
      EnumSet.of(Group.NECK_MOBILITY, Group.NECK_STRETCH, Group.NECK_STRENGTH);
  private static final Set<Tissue> FRONT =
      EnumSet.of(Tissue.ANTERIOR_NECK, Tissue.SCM, Tissue.DNF, Tissue.C_RETRACTION);

  /** Whether an exercise has it in this setting. */
  public boolean of(Exercise e, Setting at) {
    if (precaution.isPresent()) return e.precautions().contains(precaution.get());
    Mode mode = e.doseContext().mode();
    return switch (this) {
      case FLOOR -> at.position().onFloor() && !at.onBed();
      case KNEELING -> at.position() == Position.KNEEL || at.position() == Position.ALL_FOURS;
      case PRONE -> at.position() == Position.PRONE;
      // A press-up is done lying face down, with the hands under the shoulders.
      case WRIST_LOAD ->
          at.position() == Position.ALL_FOURS
              || (at.position() == Position.PRONE && mode == Mode.MOVE);
      case SUPINE -> at.position() == Position.SUPINE;
      case STANDING -> at.position() == Position.STAND;
      case NECK -> NECK_GROUPS.contains(e.group()) || targets(e, Tissue.Region.NECK);
      case TRUNK_ROTATION ->
          e.motion().equals(Optional.of(SidedMotion.TRUNK_ROTATION))
              || e.targets().contains(Tissue.THORACIC_ROTATION);
      case ANTERIOR_NECK -> e.targets().stream().anyMatch(FRONT::contains);
      case EFFORT -> mode == Mode.ISO || e.doseContext().contractRelax();
      case SELF_MASSAGE ->
          e.group() == Group.RELEASE && e.targets().get(0).kind() == Tissue.Kind.MUSCLE;
      case SUBOCCIPITAL -> e.targets().contains(Tissue.SUBOCCIPITALS);
      default -> throw new IllegalStateException(name());
    };
  }

  private static boolean targets(Exercise e, Tissue.Region region) {
    return e.targets().get(0).region() == region;
  }
}
