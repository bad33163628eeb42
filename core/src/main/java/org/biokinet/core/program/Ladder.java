package org.biokinet.core.program;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.Length;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.dose.Work;

/**
 * The ordered doses from a start to a target. A step changes one thing only, in this order: hold,
 * repetitions, sets, times a day, effort, intensity ceiling; the steps are our choice.
 */
public record Ladder(List<SideDose> rungs) {

  private static final List<Integer> HOLD_SECONDS =
      List.of(5, 10, 15, 20, 30, 45, 60, 90, 120, 180);
  private static final List<Integer> HOLD_BREATHS = List.of(1, 2, 3, 4, 5, 6, 8, 10, 12, 15);
  private static final List<Integer> REPETITIONS = List.of(2, 3, 4, 5, 6, 8, 10, 12, 15);
  private static final int EFFORT_STEP = 10;

  public Ladder {
    rungs = List.copyOf(rungs);
  }

  /** The same on both sides, or without sides; doses of other shapes are not climbed. */
  public static Ladder between(Dose start, Dose target) {
    if (start instanceof Dose.Alike a && target instanceof Dose.Alike b) {
      return between(a.both(), b.both());
    }
    throw new IllegalArgumentException("a ladder is climbed on one side at a time");
  }

  /**
   * From the first to the last, both included. Doses that no step connects (breaths and seconds)
   * make a ladder of these two alone.
   */
  public static Ladder between(SideDose start, SideDose target) {
    List<SideDose> rungs = new ArrayList<>();
    rungs.add(start);
    Optional<SideDose> next = next(start, target);
    while (next.isPresent()) {
      rungs.add(next.get());
      next = next(next.get(), target);
    }
    if (!rungs.get(rungs.size() - 1).equals(target)) rungs.add(target);
    return new Ladder(rungs);
  }

  private static Optional<SideDose> next(SideDose now, SideDose target) {
    return work(now.work(), target.work())
        .map(w -> with(w, now, now.perDay(), now.effort(), now.ceiling()))
        .or(
            () ->
                up(now.perDay(), target.perDay(), 1)
                    .map(v -> with(now.work(), now, v, now.effort(), now.ceiling())))
        .or(
            () ->
                up(now.effort(), target.effort(), EFFORT_STEP)
                    .map(v -> with(now.work(), now, now.perDay(), v, now.ceiling())))
        .or(
            () ->
                up(now.ceiling(), target.ceiling(), 1)
                    .map(v -> with(now.work(), now, now.perDay(), now.effort(), v)));
  }

  private static SideDose with(
      Work work, SideDose from, OptionalInt perDay, OptionalInt effort, OptionalInt ceiling) {
    return new SideDose(
        work,
        from.only(),
        ceiling,
        effort,
        from.resistance(),
        from.tempo(),
        from.rest(),
        perDay,
        from.perWeek(),
        from.everyMinutes());
  }

  private static Optional<Work> work(Work now, Work target) {
    if (now instanceof Work.Holds n && target instanceof Work.Holds t) {
      if (n.hold().unit() != t.hold().unit()) return Optional.empty();
      List<Integer> lengths = n.hold().inBreaths() ? HOLD_BREATHS : HOLD_SECONDS;
      return up(lengths, n.hold().amount(), t.hold().amount())
          .map(h -> (Work) new Work.Holds(n.sets(), n.reps(), new Length(h, n.hold().unit())))
          .or(() -> up(REPETITIONS, n.reps(), t.reps()).map(r -> new Work.Holds(1, r, n.hold())))
          .or(
              () ->
                  n.sets() < t.sets()
                      ? Optional.of(new Work.Holds(n.sets() + 1, n.reps(), n.hold()))
                      : Optional.empty());
    }
    if (now instanceof Work.Repetitions n && target instanceof Work.Repetitions t) {
      return up(REPETITIONS, n.reps(), t.reps())
          .map(r -> (Work) new Work.Repetitions(n.sets(), r))
          .or(
              () ->
                  n.sets() < t.sets()
                      ? Optional.of(new Work.Repetitions(n.sets() + 1, n.reps()))
                      : Optional.empty());
    }
    if (now instanceof Work.ContractRelax n && target instanceof Work.ContractRelax t) {
      return n.cycles() < t.cycles()
          ? Optional.of(
              new Work.ContractRelax(n.sets(), n.cycles() + 1, n.contractSeconds(), n.deeper()))
          : Optional.empty();
    }
    return Optional.empty();
  }

  /** The next step of the series, at most the target; empty when it is reached. */
  private static Optional<Integer> up(List<Integer> series, int now, int target) {
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
