package org.biokinet.core.safety;

import java.util.Arrays;
import java.util.Optional;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Length;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.dose.Work;
import org.biokinet.core.exercise.Exercise;

/** Whether a dose keeps to what a screening allows. */
public final class DoseCheck {

  /** For comparing breaths with breaths only, any length would do. */
  private static final double BREATH = 5;

  private DoseCheck() {}

  /** The first thing that speaks against it, in words with what would be right. */
  public static Optional<String> objection(
      Assessment a, Exercise e, Feature.Setting at, Dose dose) {
    Assessment.Verdict verdict = a.of(e, at);
    if (verdict.locked()) {
      return Optional.of("locked: %s".formatted(verdict.locks().get(0).words()));
    }
    String why =
        verdict.limited()
            ? verdict.limits().get(0).words()
            : a.irritability().label() + " irritability";
    return Arrays.stream(Side.values())
        .map(dose::on)
        .flatMap(Optional::stream)
        .map(d -> objection(a, e, verdict, d, why))
        .flatMap(Optional::stream)
        .findFirst();
  }

  private static Optional<String> objection(
      Assessment a, Exercise e, Assessment.Verdict verdict, SideDose dose, String why) {
    if (dose.ceiling().orElse(0) > verdict.ceiling()) {
      return Optional.of("up to %d of 10 at most: %s".formatted(verdict.ceiling(), why));
    }
    if (verdict.effort().isPresent() && dose.effort().orElse(0) > verdict.effort().getAsInt()) {
      return Optional.of("%d %% at most: %s".formatted(verdict.effort().getAsInt(), why));
    }
    if (dose.perDay().orElse(0) > a.irritability().mostPerDay()) {
      return Optional.of(
          "%d times a day at most: %s irritability"
              .formatted(a.irritability().mostPerDay(), a.irritability().label()));
    }
    Dose start = StartDose.of(e, a.irritability(), verdict);
    boolean more = start.on(Side.LEFT).filter(s -> larger(dose.work(), s.work())).isPresent();
    if (verdict.limited() && more) {
      return Optional.of(
          "no more than the start dose, %s: %s".formatted(DoseNotation.format(start), why));
    }
    return Optional.empty();
  }

  /** Of two that are counted alike; others cannot be compared. */
  private static boolean larger(Work work, Work than) {
    if (work instanceof Work.Holds h && than instanceof Work.Holds s) {
      return seconds(h.hold()) > seconds(s.hold())
          || h.sets() * h.reps() * seconds(h.hold()) > s.sets() * s.reps() * seconds(s.hold());
    }
    if (work instanceof Work.Repetitions r && than instanceof Work.Repetitions s) {
      return r.sets() * r.reps() > s.sets() * s.reps();
    }
    return false;
  }

  private static int seconds(Length hold) {
    return hold.toSeconds(BREATH);
  }
}
