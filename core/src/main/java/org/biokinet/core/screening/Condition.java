package org.biokinet.core.screening;

import static org.biokinet.core.screening.Feature.*;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import org.biokinet.core.anatomy.Coded;

/**
 * What a client has that locks or limits exercises. Common practice, no source, but where another
 * is named; local rules and licensed practice come first.
 */
@SuppressWarnings("ImmutableEnumChecker") // both collections are unmodifiable copies
public enum Condition implements Coded {
  CORD(
      "cord",
      "signs of the cord (examined, cleared by a physician)",
      false,
      EnumSet.of(CX_EXT, CX_FLEX, CX_CIRCLE, OVERPRESSURE, NEURAL),
      Caution.on(CX_ROT)),
  VASCULAR(
      "vascular",
      "vascular risk or event (examined, cleared by a physician)",
      false,
      EnumSet.of(CX_EXT, CX_CIRCLE, OVERPRESSURE),
      Caution.on(CX_ROT)),
  NECK_SURGERY(
      "neck-surgery",
      "neck fusion or surgery (cleared)",
      false,
      EnumSet.of(OVERPRESSURE, CX_CIRCLE, CX_EXT),
      Caution.on(NECK)),
  NECK_TRAUMA(
      "neck-trauma",
      "recent whiplash or other neck trauma (examined)",
      false,
      EnumSet.of(OVERPRESSURE, CX_CIRCLE),
      Caution.on(NECK)),
  THORACIC_OUTLET(
      "thoracic-outlet",
      "thoracic outlet symptoms",
      true,
      EnumSet.of(NEURAL, GH_ER_ABD),
      Caution.on(GH_ELEV)),
  DIZZINESS(
      "dizziness",
      "dizziness on neck movement (examined, cleared), positional vertigo",
      false,
      EnumSet.of(CX_EXT, CX_CIRCLE, HEAD_DOWN, OVERPRESSURE),
      Caution.on(CX_ROT)),
  NERVE_ROOT(
      "nerve-root",
      "nerve-root pain or arm tingling (examined, stable)",
      true,
      EnumSet.of(NEURAL, CX_CIRCLE, OVERPRESSURE),
      Caution.on(CX_EXT),
      Caution.on(CX_ROT),
      Caution.on(LATERAL_FLEXION)),
  CERVICAL_STENOSIS(
      "cervical-stenosis",
      "cervical stenosis",
      false,
      EnumSet.of(CX_EXT, CX_CIRCLE),
      Caution.on(OVERPRESSURE),
      Caution.on(CX_ROT)),
  INFLAMMATORY(
      "inflammatory",
      "inflammatory disease or upper-neck instability (examined, cleared)",
      false,
      EnumSet.of(OVERPRESSURE, CX_CIRCLE, CX_EXT, CX_FLEX, CX_ROT),
      Caution.on(NECK)),
  ROTATOR_CUFF(
      "rotator-cuff",
      "rotator-cuff pain",
      true,
      EnumSet.of(GH_IR),
      Caution.on(GH_ELEV),
      Caution.on(GH_ADDUCT)),
  FROZEN_SHOULDER(
      "frozen-shoulder",
      "frozen shoulder",
      true,
      EnumSet.of(GH_IR, GH_ER_ABD),
      Caution.on(GH_ELEV),
      Caution.on(GH_EXT),
      Caution.on(GH_ADDUCT)),
  SHOULDER_FRONT(
      "shoulder-front",
      "shoulder instability, front",
      true,
      EnumSet.of(GH_ER_ABD, GH_EXT),
      Caution.on(GH_ELEV)),
  SHOULDER_BACK(
      "shoulder-back",
      "shoulder instability, back or several directions",
      true,
      EnumSet.of(GH_ADDUCT, GH_ER_ABD, GH_EXT),
      Caution.on(GH_ELEV)),
  HYPERMOBILITY(
      "hypermobility",
      "general hypermobility",
      false,
      EnumSet.of(CX_CIRCLE),
      Caution.on(OVERPRESSURE).ceilingOf(2),
      Caution.on(GH_ER_ABD).ceilingOf(2),
      Caution.on(GH_EXT).ceilingOf(2)),
  OSTEOPOROSIS(
      "osteoporosis",
      "osteoporosis or long-term steroids",
      false,
      EnumSet.of(SPINE_FLEX, CX_FLEX, ROLLER, OVERPRESSURE, CX_CIRCLE),
      Caution.on(SPINE_EXT),
      Caution.on(TRUNK_ROT)),
  LUMBAR("lumbar", "lumbar stenosis, back pain on bending back", false, EnumSet.of(SPINE_EXT)),
  SCIATICA(
      "sciatica",
      "sciatica or back pain on bending forward",
      false,
      EnumSet.of(HEAD_DOWN),
      Caution.on(SPINE_FLEX)),
  HIP_REPLACEMENT(
      "hip-replacement",
      "hip replacement",
      false,
      EnumSet.noneOf(Feature.class),
      Caution.on(HIP_DEEP)),
  PRESSURE(
      "pressure",
      "glaucoma, uncontrolled blood pressure",
      false,
      EnumSet.of(HEAD_DOWN),
      Caution.on(EFFORT).effortUpTo(30).noting("never hold the breath; effort up to 30 %")),
  BLOOD_THINNERS(
      "blood-thinners",
      "blood thinners",
      false,
      EnumSet.of(ROLLER),
      Caution.on(SELF_MASSAGE).noting("light")),
  PREGNANCY(
      "pregnancy",
      "pregnancy",
      false,
      EnumSet.of(PRONE),
      Caution.on(SUPINE).noting("on the back at most 3 min")),
  JAW("jaw", "jaw joint pain", true, EnumSet.noneOf(Feature.class), Caution.on(CHIN)),
  KNEE("knee", "knee pain", true, EnumSet.of(KNEELING), Caution.on(KNEE_LOAD)),
  WRIST("wrist", "wrist pain", true, EnumSet.of(WRIST_LOAD)),
  NO_FLOOR(
      "no-floor", "cannot get to or from the floor", false, EnumSet.of(FLOOR, KNEELING, PRONE)),
  POOR_BALANCE(
      "poor-balance",
      "poor balance",
      false,
      EnumSet.of(BALANCE),
      Caution.on(STANDING).noting("a chair within reach")),
  HEADACHE(
      "headache",
      "headache with neck stretches",
      false,
      EnumSet.noneOf(Feature.class),
      Caution.on(CX_EXT).startingAt(5),
      Caution.on(SUBOCCIPITAL).startingAt(5));

  private final String code;
  private final String label;
  private final boolean sided;
  private final Set<Feature> locks;
  private final List<Caution> cautions;

  Condition(String code, String label, boolean sided, Set<Feature> locks, Caution... cautions) {
    this.code = code;
    this.label = label;
    this.sided = sided;
    this.locks = Set.copyOf(locks);
    this.cautions = List.copyOf(Arrays.asList(cautions));
  }

  @Override
  public String code() {
    return code;
  }

  public String label() {
    return label;
  }

  /** Whether it is on a side. */
  public boolean sided() {
    return sided;
  }

  /** What must not be done. */
  public Set<Feature> locks() {
    return locks;
  }

  /** What is limited. */
  public List<Caution> cautions() {
    return cautions;
  }

  /** Of everything, whatever it is; general hypermobility keeps all of it gentle. */
  public OptionalInt generalCeiling() {
    return this == HYPERMOBILITY ? OptionalInt.of(2) : OptionalInt.empty();
  }

  /** A strong pull is not for nerves, unstable joints and those that give too much. */
  boolean forbidsStrongPull() {
    return switch (this) {
      case CORD,
          NERVE_ROOT,
          THORACIC_OUTLET,
          CERVICAL_STENOSIS,
          SHOULDER_FRONT,
          SHOULDER_BACK,
          HYPERMOBILITY,
          INFLAMMATORY ->
          true;
      default -> false;
    };
  }

  /** The rule in words, for the page: what is locked and what is limited. */
  public String rule() {
    String locked = locks.stream().sorted().map(Feature::label).collect(Collectors.joining(", "));
    String limited =
        cautions.stream()
            .map(c -> c.feature().label() + (c.note().isEmpty() ? "" : " (" + c.note() + ")"))
            .collect(Collectors.joining(", "));
    return (locked.isEmpty() ? "" : "✕ " + locked)
        + (locked.isEmpty() || limited.isEmpty() ? "" : " · ")
        + (limited.isEmpty() ? "" : "△ " + limited);
  }
}
