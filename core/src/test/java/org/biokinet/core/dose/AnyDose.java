package org.biokinet.core.dose;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import org.biokinet.core.anatomy.Side;

/** Arbitrary valid doses of every mode, for properties. */
public final class AnyDose {

  /** A dose with the exercise context it is valid in. */
  public record InContext(DoseContext context, Dose dose) {}

  private AnyDose() {}

  public static Arbitrary<InContext> all() {
    return contexts().flatMap(context -> doses(context).map(dose -> new InContext(context, dose)));
  }

  public static Arbitrary<DoseContext> contexts() {
    return Combinators.combine(
            Arbitraries.of(Mode.class),
            Arbitraries.of(Sidedness.class),
            Arbitraries.of(true, false))
        .as(
            (mode, sides, cr) ->
                new DoseContext(
                    mode,
                    sides,
                    cr && mode == Mode.HOLD,
                    !cr && (mode == Mode.MOVE || mode == Mode.ISO),
                    sides.directed() ? List.of(Direction.BACKWARD, Direction.FORWARD) : List.of()));
  }

  public static Arbitrary<Dose> doses(DoseContext c) {
    Arbitrary<Dose> alike = side(c).map(Dose.Alike::new);
    if (!c.sides().sided()) return alike;
    Arbitrary<Dose> one =
        Combinators.combine(Arbitraries.of(Side.class), side(c)).as(Dose.OneSide::new);
    Arbitrary<Dose> two =
        Combinators.combine(side(c), side(c), work(c), Arbitraries.of(true, false))
            .as((a, b, w, own) -> Dose.of(a, own ? sameKinds(a, b) : withWork(a, w)));
    return Arbitraries.oneOf(alike, one, two.filter(d -> restHasPlace(c, d)));
  }

  private static boolean restHasPlace(DoseContext c, Dose d) {
    boolean repeats = c.mode() == Mode.MOVE || c.mode() == Mode.CIRCLE;
    return !repeats
        || d.on(Side.LEFT).orElseThrow().rest().isEmpty()
        || d.on(Side.LEFT).orElseThrow().work().sets() > 1
        || d.on(Side.RIGHT).orElseThrow().work().sets() > 1;
  }

  /** Other work, the same parts; where an effort would not suit both kinds of work, no change. */
  private static SideDose withWork(SideDose d, Work work) {
    boolean contract = work instanceof Work.ContractRelax || d.work() instanceof Work.ContractRelax;
    if (contract && d.effort().isPresent()) return d;
    return new SideDose(
        work,
        d.only(),
        d.ceiling(),
        d.effort(),
        d.resistance(),
        d.tempo(),
        d.rest(),
        d.perDay(),
        d.perWeek(),
        d.everyMinutes());
  }

  /** The parts of b, where a has that kind too; the parts of a where b lacks them. */
  private static SideDose sameKinds(SideDose a, SideDose b) {
    boolean effort =
        a.effort().isPresent()
            && !(b.work() instanceof Work.ContractRelax)
            && !(a.work() instanceof Work.ContractRelax);
    if (a.effort().isPresent() && !effort) return a;
    return new SideDose(
        b.work(),
        a.only().isPresent() ? b.only().or(a::only) : Optional.empty(),
        merge(a.ceiling(), b.ceiling()),
        merge(a.effort(), b.effort()),
        a.resistance().isPresent() ? b.resistance().or(a::resistance) : Optional.empty(),
        merge(a.tempo(), b.tempo()),
        merge(a.rest(), b.rest()),
        merge(a.perDay(), b.perDay()),
        merge(a.perWeek(), b.perWeek()),
        merge(a.everyMinutes(), b.everyMinutes()));
  }

  private static OptionalInt merge(OptionalInt a, OptionalInt b) {
    if (a.isEmpty()) return OptionalInt.empty();
    return b.isPresent() ? b : a;
  }

  private static Arbitrary<SideDose> side(DoseContext c) {
    return work(c).flatMap(w -> side(c, w));
  }

  private static Arbitrary<SideDose> side(DoseContext c, Work w) {
    boolean repeats = c.mode() == Mode.MOVE || c.mode() == Mode.CIRCLE;
    boolean contract = w instanceof Work.ContractRelax;
    boolean active = repeats || c.mode() == Mode.ISO || c.mode() == Mode.PULSE || contract;
    boolean quiet = c.mode() == Mode.BREATH || c.mode() == Mode.GAZE || c.mode() == Mode.WALK;
    Arbitrary<Optional<Direction>> only =
        c.sides().directed()
            ? Arbitraries.of(c.directions()).optional()
            : Arbitraries.just(Optional.empty());
    Arbitrary<Optional<Integer>> daily = range(Bounds.PER_DAY, true);
    Arbitrary<Optional<Integer>> desk = range(Bounds.EVERY_MINUTES, true);
    Arbitrary<Optional<Resistance>> load =
        c.resisted()
            ? Arbitraries.oneOf(
                    num(Bounds.HALF_KILOGRAMS).map(h -> (Resistance) new Resistance.Weight(h)),
                    num(Bounds.BAND).map(b -> (Resistance) new Resistance.Band(b)))
                .optional(0.4)
            : Arbitraries.just(Optional.empty());
    Arbitrary<SideDose> unloaded =
        unloaded(c, w, only, active, contract, quiet, repeats, daily, desk);
    return Combinators.combine(unloaded, load)
        .as(
            (d, l) ->
                new SideDose(
                    d.work(),
                    d.only(),
                    d.ceiling(),
                    d.effort(),
                    l,
                    d.tempo(),
                    d.rest(),
                    d.perDay(),
                    d.perWeek(),
                    d.everyMinutes()));
  }

  private static Arbitrary<SideDose> unloaded(
      DoseContext c,
      Work w,
      Arbitrary<Optional<Direction>> only,
      boolean active,
      boolean contract,
      boolean quiet,
      boolean repeats,
      Arbitrary<Optional<Integer>> daily,
      Arbitrary<Optional<Integer>> desk) {
    return Combinators.combine(
            only,
            range(Bounds.CEILING, !quiet),
            range(contract ? Bounds.CONTRACT_EFFORT : Bounds.EFFORT, active),
            range(Bounds.TEMPO, repeats),
            range(
                Bounds.REST,
                c.mode() != Mode.BREATH && c.mode() != Mode.WALK && (!repeats || w.sets() > 1)),
            daily,
            range(Bounds.PER_WEEK, true),
            desk)
        .as(
            (o, at, effort, tempo, rest, d, week, q) ->
                new SideDose(
                    w,
                    o,
                    opt(at),
                    opt(effort),
                    Optional.empty(),
                    opt(tempo),
                    opt(rest),
                    opt(d),
                    opt(week),
                    d.isPresent() ? OptionalInt.empty() : opt(q)));
  }

  private static Arbitrary<Work> work(DoseContext c) {
    Arbitrary<Work> reps =
        Combinators.combine(num(Bounds.SETS), num(Bounds.REPETITIONS)).as(Work.Repetitions::new);
    Arbitrary<Length> seconds = num(Bounds.HOLD_SECONDS).map(Length::seconds);
    Arbitrary<Length> breaths = num(Bounds.HOLD_BREATHS).map(Length::breaths);
    return switch (c.mode()) {
      case CIRCLE -> reps;
      case MOVE ->
          Arbitraries.oneOf(
              reps,
              Combinators.combine(
                      num(Bounds.SETS), num(Bounds.REPETITIONS), num(Bounds.END_HOLD_SECONDS))
                  .as(
                      (s, r, h) ->
                          (Work) new Work.Holds(r == 1 ? 1 : s, r, Length.seconds(h), true)));
      case BREATH -> holds(breaths);
      case GAZE, RELEASE, PULSE -> holds(seconds);
      case WALK ->
          num(Bounds.WALK_MINUTES).map(m -> (Work) new Work.Holds(1, 1, Length.minutes(m)));
      case ISO -> holds(Arbitraries.oneOf(seconds, breaths));
      case HOLD ->
          c.contractRelax()
              ? Arbitraries.oneOf(holds(Arbitraries.oneOf(seconds, breaths)), contractRelax())
              : holds(Arbitraries.oneOf(seconds, breaths));
    };
  }

  private static Arbitrary<Work> holds(Arbitrary<Length> lengths) {
    return Combinators.combine(num(Bounds.SETS), num(Bounds.REPETITIONS), lengths)
        .as((s, r, l) -> new Work.Holds(r == 1 ? 1 : s, r, l));
  }

  private static Arbitrary<Work> contractRelax() {
    Arbitrary<Length> deeper =
        Arbitraries.oneOf(
            num(Bounds.DEEPER_SECONDS).map(Length::seconds),
            num(Bounds.DEEPER_BREATHS).map(Length::breaths));
    return Combinators.combine(
            num(Bounds.SETS), num(Bounds.CYCLES), num(Bounds.CONTRACT_SECONDS), deeper)
        .as(Work.ContractRelax::new);
  }

  private static Arbitrary<Integer> num(Bounds b) {
    return Arbitraries.integers().between(b.least(), b.most());
  }

  private static Arbitrary<Optional<Integer>> range(Bounds b, boolean allowed) {
    return allowed ? num(b).optional(0.4) : Arbitraries.just(Optional.empty());
  }

  private static OptionalInt opt(Optional<Integer> v) {
    return v.map(OptionalInt::of).orElseGet(OptionalInt::empty);
  }
}
