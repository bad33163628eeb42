package org.biokinet.core.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Intent;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.SidedMotion;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.dose.Parsed;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.ledger.Band;
import org.biokinet.core.ledger.Ledger;
import org.biokinet.core.measure.Finding;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.Assessment;
import org.biokinet.core.screening.Condition;
import org.biokinet.core.screening.Irritability;
import org.biokinet.core.timeline.Timeline;
import org.junit.jupiter.api.Test;

/** The short program beside the main one (handbook section 7, "how often"; limits our choice). */
class DeskTest {

  private static final Catalogue CATALOGUE = Catalogue.load();
  private static final Planner PLANNER = new Planner(CATALOGUE, Locale.ENGLISH);

  private static Item item(String exercise, String dose) {
    Exercise e = CATALOGUE.get(exercise);
    Parsed p = DoseNotation.parse(dose, e.doseContext());
    return new Item(e, ((Parsed.Understood) p).dose());
  }

  private static Finding finding(String code, double weight, Finding.Target... targets) {
    return new Finding(code, Finding.Kind.LIMITED, code, "", List.of(targets), weight);
  }

  private static Finding.Target lengthen(Tissue tissue, Side side) {
    return new Finding.Target.OfTissue(Intent.LENGTHEN, tissue, Optional.of(side));
  }

  private static Case desk(Irritability.Settles settles, List<Item> beside, Finding... findings) {
    Assessment assessment = SeededCase.assessment(Map.of(), settles, /* easily= */ false);
    Means home =
        new Means(
            Set.of(Position.CHAIR, Position.STAND, Position.SUPINE),
            Set.of(Equipment.CHAIR, Equipment.BAND, Equipment.WALL));
    return new Case(
        ProgramKind.DESK,
        List.of(findings),
        new Allowed(assessment, ProgramKind.DESK.within(home).orElseThrow(), 5),
        2,
        1,
        Pacing.DEFAULT,
        Band.ACSM,
        Preferences.USUAL,
        Set.of(),
        Set.of(),
        List.of(),
        Optional.empty(),
        beside);
  }

  private static Ledger ledger(List<Item> items) {
    return Ledger.of(Timeline.compile(new Program("both", 5, Pacing.DEFAULT, items)));
  }

  @Test
  void whateverTheClientItKeepsToTheDeskToTheMinutesAndToTheLimitsOfBothTogether() {
    int some = 0;
    for (long seed = 500; seed < 620; seed++) {
      Case c = SeededCase.atTheDesk(PLANNER, seed);
      Suggestion s = PLANNER.suggest(c);
      assertThat(s.seconds()).isLessThanOrEqualTo(60 * c.minutes());
      List<Item> both = new ArrayList<>(c.beside());
      for (Item item : s.program().items()) {
        assertThat(ProgramKind.DESK.against(item.exercise(), item.position())).isEmpty();
        assertThat(c.allowed().objections(item.exercise(), item.position(), item.dose()))
            .as("case %s, %s beside %s", seed, item, c.beside())
            .isEmpty();
        both.add(item);
        some++;
      }
      if (!c.beside().isEmpty()) {
        assertThat(ledger(both).risesFrom(ledger(c.beside()))).as("case %s", seed).isEmpty();
      }
    }
    assertThat(some).isGreaterThan(100);
  }

  /** 3 × 20 s on the right is the 60 s of the band: at the desk the left has its turn. */
  @Test
  void whatTheMainProgramStretchesEnoughIsNotStretchedAgain() {
    Finding right = finding("right", 2, lengthen(Tissue.UPPER_TRAP, Side.RIGHT));
    Finding left = finding("left", 1, lengthen(Tissue.LEVATOR, Side.LEFT));
    List<Item> main = List.of(item("upper-trap-stretch", "R 3x20s"));
    Suggestion alone =
        PLANNER.suggest(desk(Irritability.Settles.WITHIN_10_MINUTES, List.of(), right, left));
    Suggestion beside =
        PLANNER.suggest(desk(Irritability.Settles.WITHIN_10_MINUTES, main, right, left));
    assertThat(stretches(alone, Tissue.UPPER_TRAP, Side.RIGHT)).isPositive();
    assertThat(beside.served().get(0).share()).isEqualTo(1);
    assertThat(stretches(beside, Tissue.LEVATOR, Side.LEFT)).isPositive();
    Suggestion done = PLANNER.suggest(desk(Irritability.Settles.WITHIN_10_MINUTES, main, right));
    assertThat(done.program().items()).isEmpty();
    assertThat(done.served().get(0).share()).isEqualTo(1);
  }

  private static double stretches(Suggestion s, Tissue tissue, Side side) {
    return Ledger.of(Timeline.compile(s.program()))
        .find(tissue)
        .map(e -> e.on(side).aDay())
        .orElse(0.0);
  }

  /** A movement is as good again at another time of the day. */
  @Test
  void whatIsNotCountedInSecondsIsDoneAgain() {
    Finding stiff =
        finding("stiff", 2, new Finding.Target.OfMotion(SidedMotion.NECK_ROTATION, Side.LEFT));
    Suggestion s =
        PLANNER.suggest(
            desk(
                Irritability.Settles.WITHIN_10_MINUTES,
                List.of(item("neck-rotation", "5")),
                stiff));
    assertThat(s.program().items())
        .anySatisfy(i -> assertThat(i.exercise().id()).isEqualTo("neck-rotation"));
  }

  /** Dizziness limits the day: the main program keeps what it has, the desk does without. */
  @Test
  void whereTheDayIsLimitedOnlyTheDeskGivesWay() {
    Item turn = item("neck-rotation", "3");
    Finding stiff =
        finding("stiff", 2, new Finding.Target.OfMotion(SidedMotion.NECK_ROTATION, Side.LEFT));
    Map<Condition, Optional<Side>> dizzy = Map.of(Condition.DIZZINESS, Optional.empty());
    Case desk =
        SeededCase.withConditions(
            desk(Irritability.Settles.WITHIN_10_MINUTES, List.of(turn), stiff), dizzy);
    assertThat(PLANNER.suggest(desk).program().items())
        .noneSatisfy(i -> assertThat(i.exercise().id()).isEqualTo("neck-rotation"));
    Case main =
        new Case(
                ProgramKind.MAIN,
                desk.findings(),
                desk.allowed(),
                8,
                1,
                Pacing.DEFAULT,
                Band.ACSM,
                Preferences.USUAL,
                Set.of(),
                Set.of(),
                List.of(),
                Optional.empty(),
                List.of(turn))
            .after(new Program("Main", 5, Pacing.DEFAULT, List.of(turn)));
    Suggestion s = PLANNER.suggest(main);
    assertThat(s.left()).isEmpty();
    assertThat(s.program().items()).contains(turn);
  }

  @Test
  void atThreeMinutesNoMoreMinutesArePromised() {
    Finding[] many = {
      finding("a", 2, lengthen(Tissue.UPPER_TRAP, Side.RIGHT)),
      finding("b", 2, lengthen(Tissue.LEVATOR, Side.RIGHT)),
      finding("c", 2, lengthen(Tissue.PEC_MAJOR, Side.RIGHT)),
      finding("d", 2, lengthen(Tissue.TRICEPS, Side.RIGHT)),
    };
    Case three = desk(Irritability.Settles.WITHIN_10_MINUTES, List.of(), many).withMinutes(3);
    assertThat(PLANNER.suggest(three).served())
        .flatExtracting(Suggestion.Served::missing)
        .isNotEmpty()
        .allSatisfy(why -> assertThat(why).doesNotContain("more minute would"));
  }
}
