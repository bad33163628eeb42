package org.biokinet.core.program;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.dose.Parsed;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.program.Difference.Change;
import org.junit.jupiter.api.Test;

/** Worked by hand in each comment. */
class DifferenceTest {

  private static final Catalogue CATALOGUE = Catalogue.load();
  private static final double BREATH = 5;

  private static Item item(String exercise, String dose) {
    Exercise e = CATALOGUE.get(exercise);
    Parsed p = DoseNotation.parse(dose, e.doseContext());
    return new Item(e, ((Parsed.Understood) p).dose());
  }

  private static Program program(Item... items) {
    return new Program("p", BREATH, Pacing.DEFAULT, List.of(items));
  }

  private static Difference between(Program before, Program after) {
    return Difference.of(before, after);
  }

  private static String format(Optional<SideDose> dose) {
    return dose.map(d -> DoseNotation.format(new Dose.Alike(d))).orElse("");
  }

  private static String words(Change c) {
    if (c instanceof Change.Dosed d) {
      return "%s %s: %s > %s (%s)"
          .formatted(
              d.item().exercise().id(),
              d.side().map(Side::letter).orElse("LR"),
              format(d.was()),
              format(d.now()),
              d.more(BREATH).words());
    }
    return c.getClass().getSimpleName() + " " + c.item().exercise().id();
  }

  private static List<String> words(Program before, Program after) {
    return between(before, after).changes().stream().map(DifferenceTest::words).toList();
  }

  @Test
  void aDoseSaysOnWhichSideItChangedAndByHowMuchADay() {
    Program before = program(item("upper-trap-stretch", "2x15s"), item("chin-tuck", "3x5s"));
    // Right 2 x 15 = 30 to 3 x 20 = 60 s; the left as it was.
    assertThat(
            words(
                before,
                program(item("upper-trap-stretch", "L 2x15s R 3x20s"), item("chin-tuck", "3x5s"))))
        .containsExactly("upper-trap-stretch R: 2x15s > 3x20s (+30 s a day)");
    // Alike on both is said once; 2 x 15 to 2 x 10 twice a day is 30 to 40.
    assertThat(
            words(
                before,
                program(item("upper-trap-stretch", "2x10s 2/d"), item("chin-tuck", "3x5s"))))
        .containsExactly("upper-trap-stretch LR: 2x15s > 2x10s 2/d (+10 s a day)");
    // One side given up: 30 s less; from breaths to seconds at 5 s a breath nothing.
    assertThat(
            words(
                before, program(item("upper-trap-stretch", "L 2x15s"), item("chin-tuck", "3x1br"))))
        .containsExactly(
            "upper-trap-stretch R: 2x15s >  (−30 s a day)", "chin-tuck LR: 3x5s > 3x1br ()");
    assertThat(
            words(program(item("neck-rotation", "5")), program(item("neck-rotation", "L 5 R 8"))))
        .containsExactly("neck-rotation R: 5 > 8 (+3 a day)");
  }

  @Test
  void whatCameWhatWentAndWhatStandsElsewhere() {
    Item tuck = item("chin-tuck", "3x5s");
    Item roll = item("shoulder-roll", "5");
    Item turn = item("neck-rotation", "5");
    Item standing =
        new Item(
            tuck.exercise(),
            tuck.dose(),
            Position.STAND,
            Optional.empty(),
            Optional.empty(),
            Item.Priority.NORMAL,
            Optional.empty());
    assertThat(words(program(turn, tuck), program(roll, standing)))
        .containsExactly("Added shoulder-roll", "Placed chin-tuck", "Removed neck-rotation");
    assertThat(between(program(turn, tuck), program(tuck, turn)))
        .isEqualTo(new Difference(List.of(), /* reordered= */ true));
    assertThat(between(program(turn, tuck), program(turn, roll, tuck)).reordered()).isFalse();
    assertThat(between(program(turn, tuck), program(turn, tuck)).none()).isTrue();
  }

  /** Of two of the same the first goes with the first. */
  @Test
  void theSameTwice() {
    Program twice = program(item("chin-tuck", "3x5s"), item("chin-tuck", "2x5s"));
    assertThat(words(twice, program(item("chin-tuck", "3x5s"))))
        .containsExactly("Removed chin-tuck");
    assertThat(words(program(item("chin-tuck", "3x5s")), twice)).containsExactly("Added chin-tuck");
  }

  /** Whatever the programs: what came one way goes the other. */
  @Test
  void backIsTheOtherWayRound() {
    Random random = new Random(7);
    List<Item> all =
        CATALOGUE.offered().stream().map(e -> new Item(e, e.start())).limit(40).toList();
    for (int i = 0; i < 300; i++) {
      Program a = some(all, random);
      Program b = some(all, random);
      assertThat(count(between(a, b), Change.Added.class))
          .isEqualTo(count(between(b, a), Change.Removed.class));
      assertThat(count(between(a, b), Change.Dosed.class))
          .isEqualTo(count(between(b, a), Change.Dosed.class));
      assertThat(between(a, a).none()).isTrue();
    }
  }

  private static Program some(List<Item> all, Random random) {
    List<Item> items = new ArrayList<>();
    for (int i = 0; i < 5; i++) {
      Item item = all.get(random.nextInt(all.size()));
      items.add(random.nextBoolean() ? item : new Item(item.exercise(), item.exercise().target()));
    }
    return program(items.toArray(new Item[0]));
  }

  private static long count(Difference d, Class<? extends Change> kind) {
    return d.changes().stream().filter(kind::isInstance).count();
  }
}
