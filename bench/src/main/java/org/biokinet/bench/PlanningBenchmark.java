package org.biokinet.bench;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.ledger.Band;
import org.biokinet.core.measure.BodyArea;
import org.biokinet.core.measure.Examination;
import org.biokinet.core.measure.Finding;
import org.biokinet.core.measure.Findings;
import org.biokinet.core.measure.Motion;
import org.biokinet.core.measure.PainMap;
import org.biokinet.core.planning.Case;
import org.biokinet.core.planning.Planner;
import org.biokinet.core.planning.Preferences;
import org.biokinet.core.planning.Suggestion;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.Assessment;
import org.biokinet.core.screening.Irritability;
import org.biokinet.core.screening.Screening;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/**
 * The search for one program in the whole catalogue: 12 findings read off made-up measures, 15
 * minutes, everything at hand, and nothing irritable, which leaves the most to choose from. Every
 * call takes the next of {@value #CASES} cases.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 5)
@Measurement(iterations = 5, time = 5)
@Fork(1)
public class PlanningBenchmark {

  private static final int CASES = 100;
  private static final int FINDINGS = 12;
  private static final int MINUTES = 15;

  private final Catalogue catalogue = Catalogue.load();
  private final Planner planner = new Planner(catalogue, Locale.ENGLISH);
  private final List<Case> cases = cases();
  private int next;

  private List<Case> cases() {
    List<Case> all = new ArrayList<>();
    for (int seed = 0; all.size() < CASES; seed++) {
      List<Finding> findings = findings(new Random(seed));
      if (findings.size() >= FINDINGS) all.add(of(findings.subList(0, FINDINGS)));
    }
    return all;
  }

  private List<Finding> findings(Random random) {
    Map<Motion, Map<Side, Double>> ranges = new EnumMap<>(Motion.class);
    for (Motion m : Motion.values()) {
      double norm = m.norm().orElse(60);
      Map<Side, Double> sides = new EnumMap<>(Side.class);
      for (Side side : Side.values()) {
        sides.put(side, norm * (0.5 + 0.5 * random.nextDouble()));
      }
      ranges.put(m, sides);
    }
    PainMap map = PainMap.EMPTY;
    BodyArea[] areas = BodyArea.values();
    for (int i = 0; i < FINDINGS; i++) {
      map =
          map.with(
              new PainMap.Mark(
                  areas[random.nextInt(areas.length)],
                  random.nextBoolean() ? Side.LEFT : Side.RIGHT,
                  PainMap.Feeling.ACHE,
                  3 + random.nextInt(5)));
    }
    return new Findings(catalogue)
        .of(
            new Findings.Measures(
                ranges,
                map,
                Optional.empty(),
                OptionalInt.of(random.nextInt(40)),
                Examination.NOTHING));
  }

  private static Case of(List<Finding> findings) {
    Screening clear =
        new Screening(
            Set.of(),
            Set.of(),
            3,
            false,
            Irritability.Settles.WITHIN_10_MINUTES,
            false,
            OptionalInt.of(3),
            Map.of(),
            "",
            "",
            "",
            false,
            false);
    Means everything = new Means(EnumSet.allOf(Position.class), EnumSet.allOf(Equipment.class));
    return new Case(
        ProgramKind.MAIN,
        findings,
        new Allowed(Assessment.of(clear, Optional.empty()), everything, 5),
        MINUTES,
        1,
        Pacing.DEFAULT,
        Band.ACSM,
        Preferences.USUAL,
        Set.of(),
        Set.of(),
        List.of(),
        Optional.empty(),
        List.of());
  }

  /** One search; its worth, so that it is not optimised away. */
  @Benchmark
  public List<Suggestion.Point> search() {
    next = (next + 1) % CASES;
    return planner.curve(cases.get(next), List.of(MINUTES));
  }

  /** A whole suggestion, with what other times and places would bring. */
  @Benchmark
  public Suggestion suggestion() {
    next = (next + 1) % CASES;
    return planner.suggest(cases.get(next));
  }
}
