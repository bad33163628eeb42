package org.biokinet.core.search;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.search.Alternatives.Alternative;
import org.junit.jupiter.api.Test;

/** Never a dead end; the stand-ins are those of the handbook, section 7 and 12. */
class AlternativesTest {

  private static final Catalogue CATALOGUE = Catalogue.load();
  private static final Alternatives ALTERNATIVES = new Alternatives(CATALOGUE, Locale.ENGLISH);
  private static final Set<Position> AT_A_DESK = EnumSet.of(Position.CHAIR, Position.STAND);
  private static final Set<Position> ALL = EnumSet.allOf(Position.class);

  private static List<Alternative> of(String id, Set<Position> positions, Equipment... has) {
    return ALTERNATIVES.of(CATALOGUE.get(id), new Means(positions, Set.of(has)));
  }

  private static String nearest(String id, Set<Position> positions, Equipment... has) {
    return ALTERNATIVES.describe(of(id, positions, has).get(0));
  }

  @Test
  void whatCanBeDoneAsItIsStaysAsItIs() {
    Alternative same = of("upper-trap-stretch", AT_A_DESK).get(0);
    assertThat(same.exercise().id()).isEqualTo("upper-trap-stretch");
    assertThat(same.lost()).isEmpty();
    assertThat(same.distance()).isZero();
  }

  @Test
  void aStandInComesBeforeAnotherExercise() {
    assertThat(nearest("supine-arms-wide", ALL, Equipment.ROLLED_BLANKET))
        .isEqualTo(
            "Supine arms wide on roller, lying on the back:"
                + " rolled blanket instead of foam roller: softer, and it does not roll");
    assertThat(nearest("thoracic-extension-over-support", ALL, Equipment.BLOCKS))
        .contains("two blocks instead");
    assertThat(nearest("hands-behind-back-lift", ALL, Equipment.STRAP))
        .endsWith("strap instead of towel");
    assertThat(nearest("cat-cow", ALL, Equipment.CARPET)).contains("carpet instead of mat");
    assertThat(nearest("double-knee-hug", ALL, Equipment.BED)).contains("bed instead of mat");
  }

  /** A ball is no chair to hold on to, and blocks do not go under a skull. */
  @Test
  void whatStandsInIsSaidByTheExercise() {
    assertThat(nearest("chair-lat-stretch", EnumSet.of(Position.STAND), Equipment.BALL))
        .doesNotContain("ball");
    assertThat(nearest("lateral-lunge", EnumSet.of(Position.STAND), Equipment.BALL))
        .doesNotContain("ball");
    assertThat(nearest("lateral-lunge", EnumSet.of(Position.STAND), Equipment.WALL))
        .contains("wall instead of chair: a hand on it");
    assertThat(nearest("head-roll-on-roller", ALL, Equipment.BLOCKS)).doesNotContain("block");
    assertThat(nearest("head-roll-on-roller", ALL, Equipment.ROLLED_TOWEL, Equipment.BLOCKS))
        .contains("rolled towel instead of foam roller");
  }

  @Test
  void withoutTheFloorTheChairServes() {
    // The easier form is on the chair and has the same first target.
    assertThat(of("cat-cow", AT_A_DESK).get(0).exercise().id()).isEqualTo("seated-cat-cow");
    assertThat(of("thoracic-extension-over-support", AT_A_DESK).get(0).exercise().id())
        .isEqualTo("chair-back-extension");
    assertThat(of("childs-pose", AT_A_DESK).get(0).exercise().id()).isEqualTo("chair-lat-stretch");
    Alternative pec = of("floor-pec-stretch", AT_A_DESK).get(0);
    assertThat(pec.exercise().id()).isEqualTo("goalpost-chest-opener");
    assertThat(pec.lost())
        .contains("both sides at once, not one", "standing instead of lying face down");
  }

  @Test
  void fromTheChairToStanding() {
    Alternative standing = of("seated-trunk-rotation", EnumSet.of(Position.STAND)).get(0);
    assertThat(standing.exercise().targets().get(0))
        .isEqualTo(CATALOGUE.get("seated-trunk-rotation").targets().get(0));
    assertThat(standing.position()).isEqualTo(Position.STAND);
    assertThat(standing.lost()).anyMatch(l -> l.startsWith("standing instead"));
  }

  @Test
  void whatIsLostOrAddedIsSaid() {
    List<Alternative> all = of("seated-trunk-rotation", EnumSet.of(Position.STAND));
    Alternative archer =
        all.stream().filter(a -> a.exercise().id().equals("archer-open")).findFirst().orElseThrow();
    assertThat(archer.lost())
        .contains(
            "not held: no stretch seconds",
            "adds: arm out at or above shoulder height and turned outward");
    // Nearest first.
    assertThat(all).isSortedAccordingTo((a, b) -> Integer.compare(a.distance(), b.distance()));
  }

  @Test
  void whoeverCanLieDownHasSomethingToLieOn() {
    assertThat(nearest("double-knee-hug", EnumSet.of(Position.SUPINE)))
        .endsWith("lying on the back: without a mat: something soft below");
    assertThat(of("double-knee-hug", EnumSet.of(Position.SUPINE), Equipment.MAT).get(0).lost())
        .isEmpty();
  }

  @Test
  void whatHasNothingInCommonStandsAloneOrNotAtAll() {
    for (Exercise wanted : CATALOGUE.all()) {
      List<Alternative> found = of(wanted.id(), EnumSet.of(Position.PRONE));
      boolean nothing = found.get(0).lost().stream().anyMatch(l -> l.contains("nothing for"));
      if (nothing) assertThat(found).as(wanted.id()).hasSize(1);
    }
  }

  /** Every exercise, every combination of positions, with nothing at hand: the hardest case. */
  @Test
  void thereIsNeverADeadEnd() {
    List<Set<Position>> combinations = new ArrayList<>(List.of(Set.of()));
    for (Position p : Position.values()) {
      for (Set<Position> without : List.copyOf(combinations)) {
        Set<Position> with = new HashSet<>(without);
        with.add(p);
        combinations.add(with);
      }
    }
    combinations.remove(Set.of());
    assertThat(combinations).hasSize(255);
    for (Exercise wanted : CATALOGUE.all()) {
      for (Set<Position> positions : combinations) {
        List<Alternative> found = ALTERNATIVES.of(wanted, new Means(positions, Set.of()));
        assertThat(found).as(wanted.id() + " " + positions).isNotEmpty();
        assertThat(positions).contains(found.get(0).position());
      }
    }
  }

  /** On a chair or standing there is something for the same region. */
  @Test
  void atTheDeskTheRegionIsServed() {
    for (Exercise wanted : CATALOGUE.all()) {
      Alternative nearest = ALTERNATIVES.of(wanted, new Means(AT_A_DESK, Set.of())).get(0);
      assertThat(nearest.lost()).as(wanted.id()).noneMatch(l -> l.contains("nothing for"));
    }
  }
}
