package org.biokinet.core.program;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.biokinet.core.dose.Bounds;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseContext;
import org.biokinet.core.dose.Length;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.dose.Resistance;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.dose.Volume;
import org.biokinet.core.dose.Work;
import org.biokinet.core.exercise.Exercise;

/**
 * The ordered doses from a start to a target. A step changes one thing only, in this order: hold,
 * repetitions, sets, times a day, load, effort, intensity ceiling. No step adds more than half to
 * the day's seconds or repetitions, or 30 s of stretch where that is more; one repetition of a
 * movement is always allowed. A step that would is split: what comes more often comes shorter
 * first, {@code 60s → 2x40s → 2x60s}. All steps are our choice.
 */
public record Ladder(List<SideDose> rungs) {

  private static final List<Integer> HOLD_SECONDS =
      List.of(5, 10, 15, 20, 30, 45, 60, 90, 120, 180);
  private static final List<Integer> HOLD_BREATHS = List.of(1, 2, 3, 4, 5, 6, 8, 10, 12, 15);
  private static final List<Integer> REPETITIONS = List.of(2, 3, 4, 5, 6, 8, 10, 12, 15);
  private static final int EFFORT_STEP = 10;
  private static final double MOST_MORE = 1.5;
  private static final double STRETCH_MORE = 30;

  public Ladder {
    rungs = List.copyOf(rungs);
  }

  /** From the catalogue's start to its target; both are alike on both sides. */
  public static Ladder of(Exercise e) {
    if (e.start() instanceof Dose.Alike a && e.target() instanceof Dose.Alike b) {
      return between(a.both(), b.both(), e.doseContext());
    }
    throw new IllegalArgumentException("a ladder is climbed on one side at a time");
  }

  /**
   * From the first to the last, both included. Doses that no step connects (breaths and seconds)
   * make a ladder of these two alone.
   */
  public static Ladder between(SideDose start, SideDose target, DoseContext context) {
    List<SideDose> rungs = new ArrayList<>();
    rungs.add(start);
    Optional<SideDose> next = next(start, target, context);
    while (next.isPresent()) {
      rungs.add(next.get());
      next = next(next.get(), target, context);
    }
    if (!rungs.get(rungs.size() - 1).equals(target)) rungs.add(target);
    return new Ladder(rungs);
  }

  /**
   * The next rung on the way to a target; empty where it is reached, or no step leads there without
   * asking more of a day than the target does.
   */
  public static Optional<SideDose> next(SideDose now, SideDose target, DoseContext c) {
    Volume most = volume(target, c);
    return wanted(now, target, c)
        .filter(
            d ->
                volume(d, c).secondsADay() <= most.secondsADay()
                    && volume(d, c).repetitionsADay() <= most.repetitionsADay());
  }

  /**
   * So many rungs lower, no lower than where the ladder starts. Who is at its foot, or does less
   * than that, stays.
   */
  public static SideDose down(SideDose now, SideDose start, DoseContext c, int rungs) {
    List<SideDose> below = between(foot(now, start), now, c).rungs();
    SideDose lower = below.get(Math.max(0, below.size() - 1 - rungs));
    return volume(lower, c).exceeds(volume(now, c)) ? now : lower;
  }

  /** The start in the form of a dose: what the start leaves open is as it is. */
  private static SideDose foot(SideDose now, SideDose start) {
    boolean lighter =
        now.resistance().flatMap(r -> start.resistance().filter(r::moreThan)).isPresent();
    return now.withWork(foot(now.work(), start.work()))
        .withEffort(smaller(now.effort(), start.effort()))
        .withCeiling(smaller(now.ceiling(), start.ceiling()))
        .withPerDay(
            now.perDay().isPresent() ? OptionalInt.of(start.perDay().orElse(1)) : now.perDay())
        .withResistance(lighter ? start.resistance() : now.resistance());
  }

  /** Contract–relax stays that, down to one cycle. */
  private static Work foot(Work now, Work start) {
    return now instanceof Work.ContractRelax cr && !(start instanceof Work.ContractRelax)
        ? new Work.ContractRelax(cr.sets(), 1, cr.contractSeconds(), cr.deeper())
        : start;
  }

  private static OptionalInt smaller(OptionalInt now, OptionalInt start) {
    boolean less = now.isPresent() && start.isPresent() && start.getAsInt() < now.getAsInt();
    return less ? start : now;
  }

  private static Optional<SideDose> wanted(SideDose now, SideDose target, DoseContext c) {
    return length(now, target, c)
        .or(() -> repetitions(now, target, c))
        .or(() -> sets(now, target, c))
        .or(() -> perDay(now, target, c))
        .or(() -> load(now, target))
        .or(() -> up(now.effort(), target.effort(), EFFORT_STEP).map(now::withEffort))
        .or(() -> up(now.ceiling(), target.ceiling(), 1).map(now::withCeiling));
  }

  /** Whether the target asks nothing more in any way. */
  public static boolean reached(SideDose now, SideDose target, DoseContext c) {
    return next(now, target, c).isEmpty() && !volume(target, c).exceeds(volume(now, c));
  }

  // ---- one thing at a time -----------------------------------------------------------------

  private static Optional<SideDose> length(SideDose now, SideDose target, DoseContext c) {
    if (now.work() instanceof Work.Holds n && target.work() instanceof Work.Holds t) {
      if (n.hold().unit() != t.hold().unit()) return Optional.empty();
      return grown(now, n.hold().amount(), t.hold().amount(), series(n.hold()), c);
    }
    // All cycles of contract–relax come before the deeper phase.
    if (now.work() instanceof Work.ContractRelax n
        && target.work() instanceof Work.ContractRelax t) {
      if (n.cycles() < t.cycles() || n.deeper().unit() != t.deeper().unit())
        return Optional.empty();
      return grown(now, n.deeper().amount(), t.deeper().amount(), series(n.deeper()), c);
    }
    return Optional.empty();
  }

  private static List<Integer> series(Length length) {
    return length.inBreaths() ? HOLD_BREATHS : HOLD_SECONDS;
  }

  private static Optional<SideDose> repetitions(SideDose now, SideDose target, DoseContext c) {
    if (now.work() instanceof Work.Holds n && target.work() instanceof Work.Holds t) {
      return step(REPETITIONS, n.reps(), t.reps())
          .map(r -> oftener(now, now.withWork(n.withReps(r)), c));
    }
    if (now.work() instanceof Work.Repetitions n && target.work() instanceof Work.Repetitions t) {
      return grown(now, n.reps(), t.reps(), REPETITIONS, c);
    }
    if (now.work() instanceof Work.ContractRelax n
        && target.work() instanceof Work.ContractRelax t
        && n.cycles() < t.cycles()) {
      Work more = new Work.ContractRelax(n.sets(), n.cycles() + 1, n.contractSeconds(), n.deeper());
      return Optional.of(now.withWork(more));
    }
    return Optional.empty();
  }

  private static Optional<SideDose> sets(SideDose now, SideDose target, DoseContext c) {
    int sets = now.work().sets() + 1;
    if (sets > target.work().sets() || now.work().getClass() != target.work().getClass()) {
      return Optional.empty();
    }
    if (now.work() instanceof Work.Holds n) {
      return Optional.of(oftener(now, now.withWork(n.withSets(sets)), c));
    }
    if (now.work() instanceof Work.Repetitions n) {
      return Optional.of(oftener(now, now.withWork(new Work.Repetitions(sets, n.reps())), c));
    }
    return Optional.empty();
  }

  private static Optional<SideDose> perDay(SideDose now, SideDose target, DoseContext c) {
    if (target.perDay().isEmpty() || now.everyMinutes().isPresent()) return Optional.empty();
    return step(List.of(), Volume.times(now), target.perDay().getAsInt())
        .map(t -> Volume.times(now) + 1)
        .map(t -> oftener(now, now.withPerDay(OptionalInt.of(t)), c));
  }

  /** The next band, half a kilogram or a tenth. */
  private static Optional<SideDose> load(SideDose now, SideDose target) {
    if (now.resistance().isEmpty() || target.resistance().isEmpty()) return Optional.empty();
    Resistance from = now.resistance().get();
    Resistance to = target.resistance().get();
    if (from.getClass() != to.getClass() || from.amount() >= to.amount()) return Optional.empty();
    int more =
        from instanceof Resistance.Weight w
            ? Math.min(to.amount(), w.halves() + Math.max(1, w.halves() / 10))
            : from.amount() + 1;
    Resistance next =
        from instanceof Resistance.Weight ? new Resistance.Weight(more) : new Resistance.Band(more);
    return Optional.of(now.withResistance(Optional.of(next)));
  }

  // ---- how much at once --------------------------------------------------------------------

  /** The next length or count of the series, or as much of it as one step may add. */
  private static Optional<SideDose> grown(
      SideDose now, int from, int to, List<Integer> series, DoseContext c) {
    Optional<Integer> wanted = step(series, from, to);
    if (wanted.isEmpty()) return Optional.empty();
    // A value between the steps came of a split: as far on as may be.
    int most = series.contains(from) || from < series.get(0) ? wanted.get() : to;
    for (int amount = most; amount > from + 1; amount--) {
      SideDose more = with(now, amount);
      if (fits(now, more, c)) return Optional.of(more);
    }
    return Optional.of(with(now, from + 1));
  }

  /**
   * More often, and shorter where that would be too much at once: the least length from which one
   * more step leads back.
   */
  private static SideDose oftener(SideDose now, SideDose more, DoseContext c) {
    if (fits(now, more, c)) return more;
    int full = amount(more);
    for (int amount = least(more); amount < full; amount++) {
      SideDose shorter = with(more, amount);
      if (volume(shorter, c).secondsADay() + volume(shorter, c).repetitionsADay()
              > volume(now, c).secondsADay() + volume(now, c).repetitionsADay()
          && fits(shorter, more, c)
          && fits(now, shorter, c)) {
        return shorter;
      }
    }
    return more;
  }

  private static boolean fits(SideDose now, SideDose more, DoseContext c) {
    Volume a = volume(now, c);
    Volume b = volume(more, c);
    double stretch = c.mode() == Mode.HOLD ? STRETCH_MORE : 0;
    boolean oneMore = b.repetitions() <= a.repetitions() + 1 && b.times() == a.times();
    return b.secondsADay() <= Math.max(MOST_MORE * a.secondsADay(), a.secondsADay() + stretch)
        && (oneMore || b.repetitionsADay() <= MOST_MORE * a.repetitionsADay());
  }

  private static Volume volume(SideDose dose, DoseContext c) {
    return Volume.of(dose, c, Pacing.DEFAULT_BREATH_SECONDS);
  }

  /** What a split makes shorter: the hold, the deeper phase, the repetitions of a movement. */
  private static int amount(SideDose dose) {
    if (dose.work() instanceof Work.Holds h) return h.hold().amount();
    if (dose.work() instanceof Work.ContractRelax cr) return cr.deeper().amount();
    return ((Work.Repetitions) dose.work()).reps();
  }

  /** Nothing is made shorter than that. */
  private static int least(SideDose dose) {
    boolean deeperInSeconds =
        dose.work() instanceof Work.ContractRelax cr && !cr.deeper().inBreaths();
    return deeperInSeconds ? Bounds.DEEPER_SECONDS.least() : 1;
  }

  private static SideDose with(SideDose dose, int amount) {
    if (dose.work() instanceof Work.Holds h) {
      return dose.withWork(h.withHold(new Length(amount, h.hold().unit())));
    }
    if (dose.work() instanceof Work.ContractRelax cr) {
      Length deeper = new Length(amount, cr.deeper().unit());
      return dose.withWork(
          new Work.ContractRelax(cr.sets(), cr.cycles(), cr.contractSeconds(), deeper));
    }
    Work.Repetitions r = (Work.Repetitions) dose.work();
    return dose.withWork(new Work.Repetitions(r.sets(), amount));
  }

  /** The next of the series, at most the target; empty when it is reached. */
  private static Optional<Integer> step(List<Integer> series, int now, int target) {
    if (now >= target) return Optional.empty();
    return Optional.of(
        series.stream().filter(v -> v > now && v < target).findFirst().orElse(target));
  }

  private static Optional<OptionalInt> up(OptionalInt now, OptionalInt target, int step) {
    if (now.isEmpty() || target.isEmpty() || now.getAsInt() >= target.getAsInt()) {
      return Optional.empty();
    }
    return Optional.of(OptionalInt.of(Math.min(now.getAsInt() + step, target.getAsInt())));
  }
}
