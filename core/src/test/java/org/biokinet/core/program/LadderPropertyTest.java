package org.biokinet.core.program;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseContext;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Length;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.dose.Resistance;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.dose.Sidedness;
import org.biokinet.core.dose.Volume;
import org.biokinet.core.dose.Work;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;

/**
 * Handbook section 10, "one step changes one thing", with its split ({@code 60s → 2x40s → 2x60s}):
 * over the catalogue and over a thousand starts and targets.
 */
class LadderPropertyTest {

  /** A dose as the things of which a step changes one; the length comes first. */
  private record Parts(List<Integer> all) {

    static Parts of(SideDose d) {
      Work w = d.work();
      int length = 0;
      int reps = 0;
      if (w instanceof Work.Holds h) {
        length = h.hold().amount();
        reps = h.reps();
      } else if (w instanceof Work.ContractRelax c) {
        length = c.deeper().amount();
        reps = c.cycles();
      } else {
        length = ((Work.Repetitions) w).reps();
      }
      return new Parts(
          List.of(
              length,
              reps,
              w.sets(),
              Volume.times(d),
              d.effort().orElse(0),
              d.ceiling().orElse(0),
              d.resistance().map(Resistance::amount).orElse(0),
              d.rest().orElse(0),
              d.tempo().orElse(0),
              d.perWeek().orElse(0)));
    }

    /** What grows and what shrinks from here to there, by place. */
    List<Integer> changed(Parts then, int sign) {
      List<Integer> changed = new ArrayList<>();
      for (int i = 0; i < all.size(); i++) {
        if (Integer.signum(then.all.get(i) - all.get(i)) == sign) changed.add(i);
      }
      return changed;
    }
  }

  /** One thing grows; in a split the length shrinks with it and grows back in the next step. */
  private static void oneThingAStep(List<SideDose> rungs, String what) {
    for (int i = 1; i < rungs.size(); i++) {
      Parts before = Parts.of(rungs.get(i - 1));
      Parts now = Parts.of(rungs.get(i));
      String step =
          "%s: %s → %s of %s"
              .formatted(what, text(rungs.get(i - 1)), text(rungs.get(i)), texts(rungs));
      assertThat(before.changed(now, 1)).as(step).hasSize(1);
      List<Integer> less = before.changed(now, -1);
      if (less.isEmpty()) continue;
      assertThat(less).as(step).containsExactly(0);
      assertThat(before.changed(now, 1).get(0))
          .as("in a split something comes oftener: " + step)
          .isIn(1, 2, 3);
      assertThat(i + 1).as("a split is not the end: " + step).isLessThan(rungs.size());
      assertThat(now.changed(Parts.of(rungs.get(i + 1)), 1))
          .as("and grows back: " + step)
          .containsExactly(0);
    }
  }

  private static String text(SideDose d) {
    return DoseNotation.format(new Dose.Alike(d));
  }

  private static List<String> texts(List<SideDose> rungs) {
    return rungs.stream().map(LadderPropertyTest::text).toList();
  }

  @Property(tries = 1, seed = "14")
  void ofTheWholeCatalogue() {
    for (Exercise e : Catalogue.load().all()) oneThingAStep(Ladder.of(e).rungs(), e.id());
  }

  /** Targets that ask for more of everything, or as much. */
  @Property(tries = 1000, seed = "20261126")
  void ofAnyStartAndTarget(@ForAll long chance) {
    Random r = new Random(chance);
    Mode mode = r.nextBoolean() ? Mode.HOLD : r.nextBoolean() ? Mode.ISO : Mode.MOVE;
    DoseContext context = new DoseContext(mode, Sidedness.EACH, mode == Mode.HOLD, List.of());
    int sets = 1 + r.nextInt(3);
    int reps = 2 + r.nextInt(6); // sets of a single hold are repetitions
    int hold = 3 + r.nextInt(40);
    int perDay = 1 + r.nextInt(2);
    int effort = 10 + 10 * r.nextInt(3);
    SideDose start = dose(mode, sets, reps, hold, perDay, effort);
    SideDose target =
        dose(
            mode,
            sets + r.nextInt(3),
            reps + r.nextInt(6),
            hold + r.nextInt(60),
            perDay + r.nextInt(3),
            effort + 10 * r.nextInt(3));
    List<SideDose> rungs = Ladder.between(start, target, context).rungs();
    assertThat(rungs.get(0)).isEqualTo(start);
    assertThat(rungs.get(rungs.size() - 1)).isEqualTo(target);
    oneThingAStep(rungs, "random");
  }

  private static SideDose dose(Mode mode, int sets, int reps, int hold, int perDay, int effort) {
    Work work =
        mode == Mode.MOVE
            ? new Work.Repetitions(sets, reps)
            : new Work.Holds(sets, reps, new Length(hold, Length.Unit.SECONDS));
    SideDose dose = SideDose.of(work).withPerDay(OptionalInt.of(perDay));
    return mode == Mode.HOLD
        ? dose
        : dose.withEffort(OptionalInt.of(effort)).withResistance(Optional.empty());
  }
}
