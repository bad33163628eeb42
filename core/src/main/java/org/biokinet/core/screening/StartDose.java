package org.biokinet.core.screening;

import java.util.Optional;
import java.util.OptionalInt;
import org.biokinet.core.anatomy.Setting;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.Length;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.dose.Work;
import org.biokinet.core.exercise.Exercise;

/**
 * The dose to begin with. Highly irritable: the smaller of the catalogue's start and 2 × 10 s,
 * repetitions half the start, at most twice a day; else the catalogue's start. Breaths count as the
 * seconds that they take; breathing and rest positions are left as they are, for these calm. Common
 * practice, no source.
 */
public final class StartDose {

  private static final int GENTLE_SECONDS = 10;
  private static final int GENTLE_HOLDS = 2;

  private StartDose() {}

  /**
   * Of an exercise, each side by its own verdict; a side that is locked keeps its start, for nobody
   * shares it.
   */
  public static Dose of(Assessment a, Exercise e, Setting at, double breathSeconds) {
    Optional<SideDose> left = on(a, e, at, Side.LEFT, breathSeconds);
    Optional<SideDose> right = on(a, e, at, Side.RIGHT, breathSeconds);
    if (left.isEmpty()) return new Dose.OneSide(Side.RIGHT, right.orElseThrow());
    if (right.isEmpty()) return new Dose.OneSide(Side.LEFT, left.orElseThrow());
    return Dose.of(left.get(), right.get());
  }

  private static Optional<SideDose> on(
      Assessment a, Exercise e, Setting at, Side side, double breathSeconds) {
    return Use.atStart(e, at, side).map(use -> of(use, a.irritability(), a.of(use), breathSeconds));
  }

  /**
   * Of one side.
   *
   * @param start the exercise with the catalogue's start dose
   * @param breathSeconds one breath of this client
   */
  static SideDose of(
      Use start, Irritability irritability, Assessment.Verdict verdict, double breathSeconds) {
    SideDose dose = start.dose();
    if (irritability == Irritability.HIGH && !start.exercise().isRest()) {
      dose = dose.withWork(gentle(dose.work(), breathSeconds));
    }
    return dose.withWork(shortened(dose.work(), verdict.startSeconds(), breathSeconds))
        .withCeiling(smaller(dose.ceiling(), verdict.ceiling()))
        .withEffort(effort(dose.effort(), verdict.effort()))
        .withPerDay(smaller(dose.perDay(), irritability.mostPerDay()));
  }

  private static Work gentle(Work work, double breathSeconds) {
    if (work instanceof Work.Repetitions r) {
      return new Work.Repetitions(1, Math.max(1, r.sets() * r.reps() / 2));
    }
    if (!(work instanceof Work.Holds h)) return work; // no entry begins with contract–relax
    if (h.atEnd()) return h.withSets(1).withReps(Math.max(1, h.sets() * h.reps() / 2));
    int most = GENTLE_HOLDS * GENTLE_SECONDS;
    Length hold = h.hold();
    if (h.sets() * h.reps() * hold.toSeconds(breathSeconds) <= most) return h;
    if (!hold.inBreaths()) return new Work.Holds(1, GENTLE_HOLDS, Length.seconds(GENTLE_SECONDS));
    int breaths = (int) Math.max(1, GENTLE_SECONDS / breathSeconds);
    Length shorter = Length.breaths(breaths);
    boolean twice = GENTLE_HOLDS * shorter.toSeconds(breathSeconds) <= most;
    return new Work.Holds(1, twice ? GENTLE_HOLDS : 1, shorter);
  }

  private static Work shortened(Work work, OptionalInt most, double breathSeconds) {
    if (most.isEmpty()
        || !(work instanceof Work.Holds h)
        || h.hold().toSeconds(breathSeconds) <= most.getAsInt()) {
      return work;
    }
    Length shorter =
        h.hold().inBreaths()
            ? Length.breaths((int) Math.max(1, most.getAsInt() / breathSeconds))
            : Length.seconds(most.getAsInt());
    return h.withHold(shorter);
  }

  /** Only what is said is limited; a dose that says nothing keeps its form. */
  private static OptionalInt smaller(OptionalInt said, int most) {
    return said.isPresent() ? OptionalInt.of(Math.min(said.getAsInt(), most)) : said;
  }

  private static OptionalInt effort(OptionalInt said, OptionalInt most) {
    return most.isPresent() ? smaller(said, most.getAsInt()) : said;
  }
}
