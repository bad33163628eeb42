package org.biokinet.core.advice;

import java.util.List;
import java.util.Optional;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.Length;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.dose.Work;

/**
 * A dose with a little less or more of it, the way one says it.
 *
 * @param words "drop the third hold"
 */
record Less(SideDose dose, String words) {

  private static final List<String> ORDINALS =
      List.of(
          "", "first", "second", "third", "fourth", "fifth", "sixth", "seventh", "eighth", "ninth",
          "tenth");

  /** One hold, set, cycle or a few repetitions fewer; else a shorter hold. Empty at the least. */
  static Optional<Less> than(SideDose dose) {
    Work work = dose.work();
    if (work.sets() > 1) {
      return Optional.of(
          new Less(dose.withWork(sets(work, work.sets() - 1)), drop(work.sets(), "set")));
    }
    if (work instanceof Work.Holds h) {
      if (h.reps() > 1) {
        Work fewer = h.withReps(h.reps() - 1);
        return Optional.of(new Less(dose.withWork(fewer), drop(h.reps(), "hold")));
      }
      return shorter(dose, h);
    }
    if (work instanceof Work.ContractRelax cr && cr.cycles() > 1) {
      Work fewer =
          new Work.ContractRelax(cr.sets(), cr.cycles() - 1, cr.contractSeconds(), cr.deeper());
      return Optional.of(new Less(dose.withWork(fewer), drop(cr.cycles(), "cycle")));
    }
    if (work instanceof Work.Repetitions r && r.reps() > 2) {
      int fewer = r.reps() - Math.max(1, r.reps() / 4);
      String words = "%d instead of %d repetitions".formatted(fewer, r.reps());
      return Optional.of(new Less(dose.withWork(new Work.Repetitions(r.sets(), fewer)), words));
    }
    return Optional.empty();
  }

  private static Optional<Less> shorter(SideDose dose, Work.Holds h) {
    int amount = h.hold().amount();
    int fewer = amount - Math.max(1, amount / 3);
    if (fewer < 1 || (!h.hold().inBreaths() && fewer < 5)) return Optional.empty();
    Length length = new Length(fewer, h.hold().unit());
    String unit = h.hold().inBreaths() ? "breaths" : "s";
    return Optional.of(
        new Less(
            dose.withWork(h.withHold(length)),
            "hold %d instead of %d %s".formatted(fewer, amount, unit)));
  }

  /** One hold more. Empty for what is not held, or held as often as can be written. */
  static Optional<Less> more(SideDose dose) {
    if (!(dose.work() instanceof Work.Holds h) || h.sets() > 1 || h.reps() >= ORDINALS.size() - 1) {
      return Optional.empty();
    }
    Work more = h.withReps(h.reps() + 1);
    return Optional.of(
        new Less(dose.withWork(more), "a %s hold".formatted(ORDINALS.get(h.reps() + 1))));
  }

  private static String drop(int number, String what) {
    return "drop the %s %s"
        .formatted(number < ORDINALS.size() ? ORDINALS.get(number) : "last", what);
  }

  private static Work sets(Work work, int sets) {
    if (work instanceof Work.Holds h) return h.withSets(sets);
    if (work instanceof Work.Repetitions r) return new Work.Repetitions(sets, r.reps());
    Work.ContractRelax cr = (Work.ContractRelax) work;
    return new Work.ContractRelax(sets, cr.cycles(), cr.contractSeconds(), cr.deeper());
  }

  /** The whole dose with another on one side. */
  static Dose on(Dose dose, Side side, SideDose other) {
    Optional<SideDose> beside = dose.on(side.opposite());
    if (beside.isEmpty()) return new Dose.OneSide(side, other);
    return side == Side.LEFT ? Dose.of(other, beside.get()) : Dose.of(beside.get(), other);
  }
}
