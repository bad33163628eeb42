package org.biokinet.core.safety;

import java.util.OptionalInt;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.Length;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.dose.Work;
import org.biokinet.core.exercise.Exercise;

/**
 * The dose to begin with. Highly irritable: the smaller of the catalogue's start and 2 × 10 s,
 * repetitions half the start, at most twice a day; else the catalogue's start. Common practice, no
 * source.
 */
public final class StartDose {

  private static final int GENTLE_SECONDS = 10;
  private static final int GENTLE_HOLDS = 2;

  private StartDose() {}

  public static Dose of(Exercise e, Irritability irritability, Assessment.Verdict verdict) {
    Dose start = e.start();
    // What ships begins alike on both sides.
    if (!(start instanceof Dose.Alike alike)) return start;
    SideDose dose = alike.both();
    Work work = irritability == Irritability.HIGH ? gentle(dose.work()) : dose.work();
    return new Dose.Alike(
        new SideDose(
            shortened(work, verdict.startSeconds()),
            dose.only(),
            smaller(dose.ceiling(), verdict.ceiling()),
            effort(dose.effort(), verdict.effort()),
            dose.resistance(),
            dose.tempo(),
            dose.rest(),
            smaller(dose.perDay(), irritability.mostPerDay()),
            dose.perWeek(),
            dose.everyMinutes()));
  }

  private static Work gentle(Work work) {
    if (work instanceof Work.Repetitions r) {
      return new Work.Repetitions(r.sets(), Math.max(1, r.reps() / 2));
    }
    if (work instanceof Work.Holds h && !h.hold().inBreaths()) {
      int seconds = h.sets() * h.reps() * h.hold().amount();
      boolean small = seconds <= GENTLE_HOLDS * GENTLE_SECONDS;
      return small
          ? h
          : new Work.Holds(1, GENTLE_HOLDS, new Length(GENTLE_SECONDS, h.hold().unit()));
    }
    return work;
  }

  private static Work shortened(Work work, OptionalInt most) {
    if (most.isPresent()
        && work instanceof Work.Holds h
        && !h.hold().inBreaths()
        && h.hold().amount() > most.getAsInt()) {
      return new Work.Holds(h.sets(), h.reps(), new Length(most.getAsInt(), h.hold().unit()));
    }
    return work;
  }

  /** Only what is said is limited; a dose that says nothing keeps its form. */
  private static OptionalInt smaller(OptionalInt said, int most) {
    return said.isPresent() ? OptionalInt.of(Math.min(said.getAsInt(), most)) : said;
  }

  private static OptionalInt effort(OptionalInt said, OptionalInt most) {
    return most.isPresent() ? smaller(said, most.getAsInt()) : said;
  }
}
