package org.biokinet.core.screening;

import java.util.Optional;
import java.util.OptionalInt;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseContext;
import org.biokinet.core.dose.Length;
import org.biokinet.core.dose.Resistance;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.dose.Volume;
import org.biokinet.core.dose.Work;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.program.Program;

/**
 * The dose with which somebody begins again after a pause: the lesser of half the hold or
 * repetitions and the start dose. Common practice, no source; which of two is less is our choice.
 * It depends on nothing but the item, so that it can be replayed.
 */
public final class ReEntry {

  /** The shortest deeper phase that there is. */
  private static final int LEAST_DEEPER = 5;

  private ReEntry() {}

  /** All of a program with such doses. */
  public static Program of(Program program) {
    return program.dosed(i -> i.dosed(of(i.exercise(), i.dose(), program.breathSeconds())));
  }

  /**
   * @param breathSeconds one breath of this client
   */
  public static Dose of(Exercise e, Dose dose, double breathSeconds) {
    Optional<SideDose> left = side(e, dose, Side.LEFT, breathSeconds);
    Optional<SideDose> right = side(e, dose, Side.RIGHT, breathSeconds);
    if (left.isEmpty()) return new Dose.OneSide(Side.RIGHT, right.orElseThrow());
    if (right.isEmpty()) return new Dose.OneSide(Side.LEFT, left.orElseThrow());
    return Dose.of(left.get(), right.get());
  }

  private static Optional<SideDose> side(Exercise e, Dose dose, Side side, double breathSeconds) {
    Optional<SideDose> now = dose.on(side);
    if (e.isRest()) return now;
    return now.map(
        d -> {
          SideDose half = d.withWork(halved(d.work()));
          Optional<SideDose> start = e.start().on(side);
          return start.map(s -> lesser(half, s, e.doseContext(), breathSeconds)).orElse(half);
        });
  }

  private static Work halved(Work work) {
    if (work instanceof Work.Repetitions r) return new Work.Repetitions(r.sets(), half(r.reps()));
    if (work instanceof Work.Holds h) {
      return h.withHold(new Length(half(h.hold().amount()), h.hold().unit()));
    }
    Work.ContractRelax cr = (Work.ContractRelax) work;
    if (cr.cycles() > 1) {
      return new Work.ContractRelax(
          cr.sets(), half(cr.cycles()), cr.contractSeconds(), cr.deeper());
    }
    int least = cr.deeper().inBreaths() ? 1 : LEAST_DEEPER;
    int deeper = Math.max(least, half(cr.deeper().amount()));
    return new Work.ContractRelax(
        cr.sets(), 1, cr.contractSeconds(), new Length(deeper, cr.deeper().unit()));
  }

  private static int half(int n) {
    return Math.max(1, n / 2);
  }

  /** The work that is less, with no more effort or load than either. */
  private static SideDose lesser(SideDose half, SideDose start, DoseContext c, double breath) {
    Volume a = Volume.of(half, c, breath);
    Volume b = Volume.of(start, c, breath);
    boolean startIsLess =
        b.seconds() <= a.seconds()
            && b.repetitions() <= a.repetitions()
            && b.seconds() + b.repetitions() < a.seconds() + a.repetitions();
    // Contractions that are left out leave their effort out too.
    OptionalInt effort =
        startIsLess && half.work() instanceof Work.ContractRelax
            ? start.effort()
            : smaller(half, start);
    SideDose lesser =
        startIsLess ? half.withEffort(OptionalInt.empty()).withWork(start.work()) : half;
    return lesser
        .withEffort(effort)
        .withResistance(resistance(half.resistance(), start.resistance()));
  }

  private static OptionalInt smaller(SideDose dose, SideDose start) {
    boolean less =
        dose.effort().isPresent()
            && start.effort().isPresent()
            && !(dose.work() instanceof Work.ContractRelax)
            && start.effort().getAsInt() < dose.effort().getAsInt();
    return less ? start.effort() : dose.effort();
  }

  private static Optional<Resistance> resistance(
      Optional<Resistance> now, Optional<Resistance> start) {
    boolean less = now.isPresent() && start.isPresent() && now.get().moreThan(start.get());
    return less ? start : now;
  }
}
