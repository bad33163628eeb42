package org.biokinet.core.measure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.Predicate;
import org.biokinet.core.anatomy.Intent;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.SidedMotion;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;

/**
 * Reads findings off the measures of a visit and ranks them. Weights, and which muscles are thought
 * of for a shoulder motion, are our choice after common practice, no source.
 */
public final class Findings {

  /**
   * What was measured, as far as it was.
   *
   * @param ranges mean degrees by motion; a motion without sides stands under both
   * @param map what hurts
   * @param posture angles of the photograph
   * @param endurance of the neck flexors, in seconds
   * @param examination what was examined by hand
   */
  public record Measures(
      Map<Motion, Map<Side, Double>> ranges,
      PainMap map,
      Optional<Posture> posture,
      OptionalInt endurance,
      Examination examination) {}

  /** A side under this share of its norm is limited, whether the other is so too (our choice). */
  private static final double LIMITED = 0.8;

  /**
   * Mean of a small group with neck pain: Harris and others 2005, recalled from memory; that less
   * is a finding is our choice.
   */
  private static final double LOW_ENDURANCE = 24.1;

  /** Pain below this does not rank beside a measure (our choice). */
  private static final int FELT = 3;

  private static final int MOST_TARGETS = 3;

  private static final Map<Motion, List<Tissue>> ARM =
      new EnumMap<>(
          Map.of(
              Motion.SHOULDER_FLEXION, List.of(Tissue.LATS, Tissue.PEC_MINOR),
              Motion.SHOULDER_ABDUCTION, List.of(Tissue.LATS, Tissue.PEC_MAJOR),
              Motion.SHOULDER_EXTENSION, List.of(Tissue.ANTERIOR_DELTOID, Tissue.PEC_MAJOR),
              Motion.SHOULDER_INTERNAL_ROTATION,
                  List.of(Tissue.EXTERNAL_ROTATORS, Tissue.POSTERIOR_DELTOID),
              Motion.SHOULDER_EXTERNAL_ROTATION,
                  List.of(Tissue.PEC_MAJOR, Tissue.ANTERIOR_DELTOID)));

  private final Catalogue catalogue;

  public Findings(Catalogue catalogue) {
    this.catalogue = catalogue;
  }

  /** Strongest first. */
  public List<Finding> of(Measures m) {
    List<Finding> found = new ArrayList<>();
    m.ranges().forEach((motion, sides) -> range(motion, sides, found));
    pain(m.map(), found);
    m.posture()
        .filter(Posture::forwardHead)
        .ifPresent(
            p ->
                found.add(
                    new Finding(
                        "forward-head",
                        Finding.Kind.POSTURE,
                        "Forward head",
                        String.format(
                            Locale.ROOT,
                            "craniovertebral angle %.1f°, under %.0f",
                            p.craniovertebral(),
                            Posture.FORWARD_HEAD),
                        both(
                            Aim.strengthen(Tissue.DNF),
                            Aim.lengthen(Tissue.SUBOCCIPITALS),
                            Aim.strengthen(Tissue.MID_TRAP),
                            Aim.strengthen(Tissue.LOWER_TRAP),
                            Aim.lengthen(Tissue.PEC_MAJOR),
                            Aim.lengthen(Tissue.PEC_MINOR)),
                        (Posture.FORWARD_HEAD - p.craniovertebral()) / 5)));
    if (m.endurance().isPresent() && m.endurance().getAsInt() < LOW_ENDURANCE) {
      found.add(
          new Finding(
              "flexor-endurance",
              Finding.Kind.WEAK,
              "Neck flexors tire early",
              String.format(
                  Locale.ROOT,
                  "held %d s, under the %.1f s of a small group with neck pain",
                  m.endurance().getAsInt(),
                  LOW_ENDURANCE),
              both(Aim.strengthen(Tissue.DNF)),
              (LOW_ENDURANCE - m.endurance().getAsInt()) / 10));
    }
    for (Side side : Side.values()) {
      if (m.examination().limitedTurn(side)) found.add(upperNeck(m.examination(), side));
    }
    found.sort(Comparator.comparingDouble(Finding::weight).reversed());
    return List.copyOf(found);
  }

  /** The flexion–rotation test: what turns the upper neck that way lengthens the suboccipitals. */
  private Finding upperNeck(Examination e, Side toward) {
    int degrees = e.flexionRotation(toward).orElseThrow();
    List<Finding.Target> targets = new ArrayList<>();
    lengthenedBy(SidedMotion.NECK_ROTATION, toward, Tissue.SUBOCCIPITALS::equals)
        .forEach(targets::add);
    targets.add(new Finding.Target.OfMotion(SidedMotion.NECK_ROTATION, toward));
    return new Finding(
        "flexion-rotation-" + toward.label(),
        Finding.Kind.LIMITED,
        "Flexion–rotation test " + toward.label(),
        "turning %s with the neck bent %d°".formatted(toward.label(), degrees),
        targets,
        (Examination.LIMITED_DEGREES + Examination.DIFFERENCE - degrees) / 5.0);
  }

  private static List<Finding.Target> both(Aim... aims) {
    return Arrays.stream(aims).map(a -> target(a, Optional.empty())).toList();
  }

  private static Finding.Target target(Aim aim, Optional<Side> side) {
    return new Finding.Target.OfTissue(aim.intent(), aim.tissue(), side);
  }

  private void range(Motion motion, Map<Side, Double> sides, List<Finding> found) {
    if (!motion.hasSides()) {
      Optional.ofNullable(sides.get(Side.LEFT))
          .filter(d -> limited(motion, d))
          .ifPresent(d -> found.add(straight(motion, d)));
      return;
    }
    Double left = sides.get(Side.LEFT);
    Double right = sides.get(Side.RIGHT);
    Optional<Asymmetry> asymmetry =
        left == null || right == null
            ? Optional.empty()
            : Optional.of(Asymmetry.of(left, right)).filter(Asymmetry::flagged);
    for (Side side : Side.values()) {
      Double degrees = sides.get(side);
      if (degrees == null) continue;
      boolean lower = asymmetry.flatMap(Asymmetry::lower).equals(Optional.of(side));
      if (!lower && !limited(motion, degrees)) continue;
      String evidence = degrees(motion, side, degrees);
      double weight = motion.norm().isPresent() ? 10 * missing(motion, degrees) : 0;
      if (lower) {
        evidence +=
            ", %.0f° less than %s"
                .formatted(asymmetry.orElseThrow().degrees(), side.opposite().label());
        weight += asymmetry.orElseThrow().degrees() / 5;
      }
      found.add(
          new Finding(
              motion.code() + "-" + side.label(),
              lower ? Finding.Kind.ONE_SIDED : Finding.Kind.LIMITED,
              motion.label() + " " + side.label(),
              evidence,
              targets(motion, side),
              weight));
    }
  }

  private static boolean limited(Motion motion, double degrees) {
    return motion.norm().isPresent() && degrees < LIMITED * motion.norm().getAsInt();
  }

  /** Share of the norm that is missing. */
  private static double missing(Motion motion, double degrees) {
    return Math.max(0, 1 - degrees / motion.norm().orElseThrow());
  }

  private static String degrees(Motion motion, Side side, double degrees) {
    String how =
        switch (motion) {
          case NECK_ROTATION -> "turning " + side.label();
          case NECK_LATERAL_FLEXION -> "tilting " + side.label();
          case THORACIC_ROTATION -> "turning the trunk " + side.label();
          default -> side.label() + " " + motion.label().toLowerCase(Locale.ROOT);
        };
    String norm = motion.norm().isPresent() ? " of " + motion.norm().getAsInt() : "";
    return "%s %.0f°%s".formatted(how, degrees, norm);
  }

  private static Finding straight(Motion motion, double degrees) {
    List<Finding.Target> treat =
        motion == Motion.NECK_FLEXION
            ? both(
                Aim.mobilise(Tissue.C_FLEXION),
                Aim.lengthen(Tissue.NECK_EXTENSORS),
                Aim.lengthen(Tissue.SUBOCCIPITALS))
            : both(
                Aim.mobilise(Tissue.C_EXTENSION),
                Aim.lengthen(Tissue.ANTERIOR_NECK),
                Aim.lengthen(Tissue.SCM));
    return new Finding(
        motion.code(),
        Finding.Kind.LIMITED,
        motion.label(),
        "%s %.0f° of %d"
            .formatted(
                motion.label().toLowerCase(Locale.ROOT), degrees, motion.norm().orElseThrow()),
        treat,
        10 * missing(motion, degrees));
  }

  /**
   * What helps a limited motion. Of the neck, the muscles with the side to treat that exercises
   * containing this very motion lengthen, by the catalogue's own mapping, so that a direction is
   * turned into a side in one place only, and the motion itself; of the trunk the motion alone,
   * since it is the joints that are stiff; of an arm the muscles that hold it back.
   */
  List<Finding.Target> targets(Motion motion, Side toward) {
    SidedMotion limited = motion.sided().orElseThrow();
    List<Finding.Target> targets = new ArrayList<>();
    if (limited.ofALimb()) {
      ARM.getOrDefault(motion, List.of())
          .forEach(t -> targets.add(target(Aim.lengthen(t), Optional.of(toward))));
    } else if (motion.ofTheNeck()) {
      targets.addAll(lengthenedBy(limited, toward, t -> true));
    }
    targets.add(new Finding.Target.OfMotion(limited, toward));
    return targets;
  }

  private List<Finding.Target> lengthenedBy(
      SidedMotion limited, Side toward, Predicate<Tissue> which) {
    Map<Finding.Target.OfTissue, Integer> votes = new HashMap<>();
    for (Exercise e : catalogue.offered()) {
      Optional<Side> treated = e.treatedSideFor(limited, toward);
      Tissue first = e.targets().get(0);
      if (treated.isEmpty() || !which.test(first)) continue;
      if (e.intentFor(first) != Intent.LENGTHEN) continue;
      votes.merge(new Finding.Target.OfTissue(Intent.LENGTHEN, first, treated), 1, Integer::sum);
    }
    return votes.entrySet().stream()
        .sorted(
            Map.Entry.<Finding.Target.OfTissue, Integer>comparingByValue()
                .reversed()
                .thenComparing(v -> v.getKey().tissue()))
        .limit(MOST_TARGETS)
        .map(v -> (Finding.Target) v.getKey())
        .toList();
  }

  /** What hurts ranks by how much; tingling and numbness name no muscle to stretch. */
  private static void pain(PainMap map, List<Finding> found) {
    for (PainMap.Mark mark : map.strongest()) {
      if (mark.intensity() < FELT) continue;
      List<Finding.Target> treat =
          mark.ofANerve()
              ? List.of()
              : mark.area().aims().stream().map(a -> target(a, Optional.of(mark.side()))).toList();
      found.add(
          new Finding(
              "felt-" + mark.area().code() + "-" + mark.side().label(),
              Finding.Kind.FELT,
              "Felt: " + mark.area().on(mark.side()),
              mark.words(),
              treat,
              mark.intensity() / 3.0));
    }
  }
}
