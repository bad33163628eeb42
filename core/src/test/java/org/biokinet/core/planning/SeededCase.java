package org.biokinet.core.planning;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Intent;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.SidedMotion;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.ledger.Band;
import org.biokinet.core.measure.Finding;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.Assessment;
import org.biokinet.core.screening.Condition;
import org.biokinet.core.screening.Irritability;
import org.biokinet.core.screening.Screening;

/** Made-up cases of every kind, the same for the same seed. */
public final class SeededCase {

  private static final List<Tissue> SHORT =
      List.of(
          Tissue.UPPER_TRAP,
          Tissue.LEVATOR,
          Tissue.SCALENES,
          Tissue.SCM,
          Tissue.SUBOCCIPITALS,
          Tissue.NECK_EXTENSORS,
          Tissue.PEC_MAJOR,
          Tissue.PEC_MINOR,
          Tissue.LATS,
          Tissue.RHOMBOIDS,
          Tissue.TRICEPS,
          Tissue.WRIST_FLEXORS);
  private static final List<Tissue> WEAK =
      List.of(
          Tissue.DNF,
          Tissue.MID_TRAP,
          Tissue.LOWER_TRAP,
          Tissue.SERRATUS,
          Tissue.EXTERNAL_ROTATORS);
  private static final List<SidedMotion> STIFF =
      List.of(
          SidedMotion.NECK_ROTATION, SidedMotion.NECK_LATERAL_FLEXION, SidedMotion.TRUNK_ROTATION);
  private static final List<Condition> CONDITIONS =
      List.of(
          Condition.DIZZINESS,
          Condition.FROZEN_SHOULDER,
          Condition.NO_FLOOR,
          Condition.NERVE_ROOT,
          Condition.OSTEOPOROSIS,
          Condition.KNEE,
          Condition.HYPERMOBILITY,
          Condition.PREGNANCY);

  private SeededCase() {}

  /** With 1 to 12 findings and 3 to 20 minutes. */
  public static Case of(long seed) {
    Random random = new Random(seed);
    int findings = 1 + random.nextInt(12);
    return of(random, findings, 3 + random.nextInt(18));
  }

  /** One to three minutes at the desk, beside what is suggested as the main program. */
  static Case atTheDesk(Planner planner, long seed) {
    Case main = of(seed);
    Allowed there =
        new Allowed(
            main.allowed().assessment(),
            ProgramKind.DESK.within(main.means()).orElseThrow(),
            main.breathSeconds());
    return new Case(
        ProgramKind.DESK,
        main.findings(),
        there,
        1 + new Random(seed).nextInt(ProgramKind.DESK.mostMinutes()),
        main.timesADay(),
        main.pacing(),
        main.band(),
        main.preferences(),
        main.avoided(),
        main.pinch(),
        List.of(),
        Optional.empty(),
        planner.program(planner.solve(main)).items());
  }

  static Case of(Random random, int findings, int minutes) {
    return new Case(
        ProgramKind.MAIN,
        findings(random, findings),
        new Allowed(assessment(random), means(random), 5),
        minutes,
        1 + random.nextInt(2),
        Pacing.DEFAULT,
        random.nextInt(4) == 0 ? Band.THOMAS : Band.ACSM,
        new Preferences(
            pick(random, List.of(Preferences.Counting.values())),
            false,
            random.nextBoolean(),
            Preferences.USUAL_ITEMS),
        Set.of(),
        Set.of(),
        List.of(),
        Optional.empty(),
        List.of());
  }

  private static List<Finding> findings(Random random, int count) {
    List<Finding> all = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      Finding.Kind kind = pick(random, List.of(Finding.Kind.values()));
      double weight = (1 + random.nextInt(40)) / 10.0;
      all.add(new Finding("finding-" + i, kind, "Finding " + i, "", targets(random, kind), weight));
    }
    return all;
  }

  private static List<Finding.Target> targets(Random random, Finding.Kind kind) {
    Side side = pick(random, List.of(Side.values()));
    return switch (kind) {
      case LIMITED, ONE_SIDED ->
          List.of(
              tissue(Intent.LENGTHEN, pick(random, SHORT), Optional.of(side)),
              tissue(Intent.LENGTHEN, pick(random, SHORT), Optional.of(side)),
              new Finding.Target.OfMotion(pick(random, STIFF), side));
      case POSTURE ->
          List.of(
              tissue(Intent.STRENGTHEN, pick(random, WEAK), Optional.empty()),
              tissue(Intent.LENGTHEN, pick(random, SHORT), Optional.empty()),
              tissue(Intent.LENGTHEN, pick(random, SHORT), Optional.empty()));
      case WEAK -> List.of(tissue(Intent.STRENGTHEN, pick(random, WEAK), Optional.empty()));
      case FELT ->
          List.of(
              tissue(Intent.LENGTHEN, pick(random, SHORT), Optional.of(side)),
              tissue(Intent.MOBILISE, Tissue.THORACIC_EXTENSION, Optional.of(side)));
    };
  }

  private static Finding.Target tissue(Intent intent, Tissue tissue, Optional<Side> side) {
    return new Finding.Target.OfTissue(intent, tissue, side);
  }

  static Assessment assessment(Random random) {
    Map<Condition, Optional<Side>> conditions = new EnumMap<>(Condition.class);
    while (random.nextInt(3) == 0) {
      Condition c = pick(random, CONDITIONS);
      conditions.put(
          c, c.sided() ? Optional.of(pick(random, List.of(Side.values()))) : Optional.empty());
    }
    return assessment(
        conditions, pick(random, List.of(Irritability.Settles.values())), random.nextBoolean());
  }

  static Assessment assessment(
      Map<Condition, Optional<Side>> conditions, Irritability.Settles settles, boolean easily) {
    return Assessment.of(
        new Screening(
            Set.of(),
            Set.of(),
            4,
            false,
            settles,
            easily,
            OptionalInt.of(4),
            conditions,
            "",
            "",
            "",
            false,
            false),
        Optional.empty());
  }

  private static Means means(Random random) {
    Set<Position> positions = EnumSet.of(Position.CHAIR, Position.STAND);
    if (random.nextBoolean()) {
      positions.add(pick(random, List.of(Position.values())));
      positions.add(pick(random, List.of(Position.values())));
    }
    Set<Equipment> equipment = EnumSet.of(Equipment.CHAIR);
    for (Equipment e : Equipment.values()) if (random.nextInt(3) == 0) equipment.add(e);
    return new Means(positions, equipment);
  }

  /** The same client seen in a mirror. */
  static Case mirrored(Case c) {
    Assessment a = c.allowed().assessment();
    Map<Condition, Optional<Side>> conditions = new EnumMap<>(Condition.class);
    a.screening()
        .conditions()
        .forEach((condition, side) -> conditions.put(condition, side.map(Side::opposite)));
    Assessment mirrored =
        assessment(conditions, a.screening().settles(), a.screening().easilyProvoked());
    return c.withAllowed(new Allowed(mirrored, c.means(), c.breathSeconds()))
        .withFindings(c.findings().stream().map(SeededCase::mirrored).toList());
  }

  private static Finding mirrored(Finding f) {
    List<Finding.Target> treat = f.treat().stream().map(SeededCase::mirrored).toList();
    return new Finding(f.code(), f.kind(), f.title(), f.evidence(), treat, f.weight());
  }

  private static Finding.Target mirrored(Finding.Target target) {
    if (target instanceof Finding.Target.OfMotion m) {
      return new Finding.Target.OfMotion(m.motion(), m.toward().opposite());
    }
    Finding.Target.OfTissue t = (Finding.Target.OfTissue) target;
    return tissue(t.intent(), t.tissue(), t.side().map(Side::opposite));
  }

  /** With only these conditions. */
  static Case withConditions(Case c, Map<Condition, Optional<Side>> conditions) {
    var screening = c.allowed().assessment().screening();
    return c.withAllowed(
        new Allowed(
            assessment(conditions, screening.settles(), screening.easilyProvoked()),
            c.means(),
            c.breathSeconds()));
  }

  static Case withPositions(Case c, Set<Position> positions) {
    return c.withAllowed(
        new Allowed(
            c.allowed().assessment(),
            new Means(positions, c.means().equipment()),
            c.breathSeconds()));
  }

  private static <T> T pick(Random random, List<T> from) {
    return from.get(random.nextInt(from.size()));
  }
}
