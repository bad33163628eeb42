package org.biokinet.core.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.LongStream;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.ledger.Ledger;
import org.biokinet.core.measure.Finding;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.screening.Condition;
import org.biokinet.core.timeline.SessionOrder;
import org.biokinet.core.timeline.Timeline;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What holds for every case, tried on made-up ones. */
class PlannerPropertyTest {

  private static final Catalogue CATALOGUE = Catalogue.load();
  private static final Planner PLANNER = new Planner(CATALOGUE, Locale.ENGLISH);

  static LongStream seeds() {
    return LongStream.range(1000, 1080);
  }

  private static long worth(Case c) {
    return PLANNER.solve(c).best().worth();
  }

  @ParameterizedTest
  @MethodSource("seeds")
  void whatMustHoldHolds(long seed) {
    Case c = SeededCase.of(seed);
    Suggestion s = PLANNER.suggest(c);
    List<Item> items = s.program().items();
    assertThat(s.seconds()).isLessThanOrEqualTo(60 * c.minutes());
    assertThat(s.seconds()).isEqualTo(Timeline.compile(s.program()).seconds());
    assertThat(items).hasSizeLessThanOrEqualTo(c.preferences().mostItems());
    for (Item item : items) {
      assertThat(c.allowed().objections(item.exercise(), item.position(), item.dose())).isEmpty();
    }
    assertThat(SessionOrder.explain(items)).isEmpty();
    assertThat(SessionOrder.usual(items)).isSorted();
    assertThat(staysOnTheFloor(items)).isLessThanOrEqualTo(1);
    neckStretchesComeAfterAMovement(items);
    noFamilyTwice(items);
    postureBringsStrength(s);
  }

  private static int staysOnTheFloor(List<Item> items) {
    int stays = 0;
    boolean down = false;
    for (Item item : items) {
      if (item.position().onFloor() && !down) stays++;
      down = item.position().onFloor();
    }
    return stays;
  }

  private static void neckStretchesComeAfterAMovement(List<Item> items) {
    boolean moved = false;
    for (Item item : items) {
      if (Together.stretchesTheNeck(item.exercise())) assertThat(moved).isTrue();
      moved |= Together.movesTheNeckStraight(item.exercise());
    }
  }

  private static void noFamilyTwice(List<Item> items) {
    Set<String> ids = new HashSet<>();
    items.forEach(i -> ids.add(i.exercise().id()));
    assertThat(ids).hasSameSizeAs(items);
    for (Item item : items) {
      Exercise e = item.exercise();
      for (Item other : items) {
        boolean sameDeed =
            e.intentFor(e.targets().get(0))
                == other.exercise().intentFor(other.exercise().targets().get(0));
        if (!sameDeed) continue;
        assertThat(e.easier()).isNotEqualTo(Optional.of(other.exercise().id()));
        assertThat(e.harder()).isNotEqualTo(Optional.of(other.exercise().id()));
      }
    }
  }

  private static void postureBringsStrength(Suggestion s) {
    boolean strength =
        s.program().items().stream().anyMatch(i -> Together.strengthens(i.exercise()));
    for (Suggestion.Served served : s.served()) {
      if (served.finding().kind() == Finding.Kind.POSTURE && served.share() > 0) {
        assertThat(strength).isTrue();
      }
    }
  }

  /** Our own amounts for positions and things are never less than what the compiler gives. */
  @ParameterizedTest
  @MethodSource("seeds")
  void aPlacementCostsNoLessThanTheCompiler(long seed) {
    Case c = SeededCase.of(seed);
    Planner.Solved s = PLANNER.solve(c);
    List<Activity> all = new ArrayList<>(s.model().free());
    java.util.Collections.shuffle(all, new java.util.Random(seed));
    for (int size = 1; size <= Math.min(6, all.size()); size++) {
      List<Activity> some = all.subList(0, size);
      Optional<Placement> placed =
          Placement.best(some, c.means().positions(), c.pacing(), Integer.MAX_VALUE);
      if (placed.isEmpty()) continue;
      Program program = Planner.program(c, some, placed.get());
      assertThat(Timeline.compile(program).seconds()).isLessThanOrEqualTo(placed.get().seconds());
      assertThat(placed.get().seconds()).isGreaterThanOrEqualTo(Placement.least(some, c.pacing()));
    }
  }

  @ParameterizedTest
  @MethodSource("seeds")
  void moreMinutesNeverLowerTheWorth(long seed) {
    Case c = SeededCase.of(seed);
    long before = 0;
    for (int minutes : List.of(1, 2, 3, 5, 8, 13, 21)) {
      long now = worth(c.withMinutes(minutes));
      assertThat(now).isGreaterThanOrEqualTo(before);
      before = now;
    }
  }

  @ParameterizedTest
  @MethodSource("seeds")
  void oneLockFewerNeverLowersTheWorth(long seed) {
    Case c = SeededCase.of(seed);
    Map<Condition, Optional<Side>> all = c.allowed().assessment().screening().conditions();
    for (Condition gone : all.keySet()) {
      Map<Condition, Optional<Side>> fewer = new EnumMap<>(all);
      fewer.remove(gone);
      assertThat(worth(SeededCase.withConditions(c, fewer))).isGreaterThanOrEqualTo(worth(c));
    }
  }

  @ParameterizedTest
  @MethodSource("seeds")
  void onePositionMoreNeverLowersTheWorth(long seed) {
    Case c = SeededCase.of(seed);
    for (Position more : Position.values()) {
      Set<Position> positions = EnumSet.copyOf(c.means().positions());
      positions.add(more);
      assertThat(worth(SeededCase.withPositions(c, positions))).isGreaterThanOrEqualTo(worth(c));
    }
  }

  @ParameterizedTest
  @MethodSource("seeds")
  void mirroredFindingsGiveTheMirroredProgram(long seed) {
    Case c = SeededCase.of(seed);
    List<Item> items = PLANNER.suggest(c).program().items();
    List<Item> mirrored = PLANNER.suggest(SeededCase.mirrored(c)).program().items();
    assertThat(mirrored).isEqualTo(items.stream().map(i -> i.dosed(i.dose().mirrored())).toList());
  }

  /** A practitioner with a program makes no leaps: nothing rises faster than is flagged. */
  @ParameterizedTest
  @MethodSource("seeds")
  void noMuscleRisesTooFast(long seed) {
    Case first = SeededCase.of(seed).withMinutes(6);
    Program now = PLANNER.suggest(first).program();
    Case other = SeededCase.of(seed + 1);
    Case c =
        new Case(
            ProgramKind.MAIN,
            other.findings(),
            first.allowed(),
            15,
            first.timesADay(),
            first.pacing(),
            first.band(),
            first.preferences().mostItems() > 6
                ? first.preferences()
                : first.withMost(9).preferences(),
            Set.of(),
            Set.of(),
            List.of(),
            Optional.of(now),
            List.of());
    Program next = PLANNER.suggest(c).program();
    Ledger before = Ledger.of(Timeline.compile(now));
    assertThat(Ledger.of(Timeline.compile(next)).risesFrom(before)).isEmpty();
  }

  @ParameterizedTest
  @MethodSource("seeds")
  void neverBelowAGreedyChoice(long seed) {
    Planner.Solved s = PLANNER.solve(SeededCase.of(seed));
    assertThat(s.best().worth()).isGreaterThanOrEqualTo(Greedy.worth(s.model()));
  }
}
