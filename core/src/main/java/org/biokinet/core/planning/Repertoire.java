package org.biokinet.core.planning;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Intent;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Setting;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.Bounds;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.Length;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.dose.Volume;
import org.biokinet.core.dose.Work;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.Precaution;
import org.biokinet.core.measure.Finding;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Ladder;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.Irritability;
import org.biokinet.core.screening.StartDose;

/**
 * What of a catalogue this client can do now, with which doses, and what stands against the rest.
 *
 * <p>Something new begins with its start dose. Where irritability is low a stretch may begin
 * further up its ladder, as far as the band asks for it (our choice; elsewhere only a review takes
 * it further). Beside each dose stands the same with one step more on the side that is limited,
 * where that may be, and beside the start the same as contract–relax where the practice likes that.
 * All of it is asked of {@link Allowed}.
 *
 * @param activities in the order of the catalogue
 * @param obstacles what stands against an exercise that is not among them, by its id
 */
record Repertoire(List<Activity> activities, Map<String, Obstacle> obstacles) {

  /** Garber 2011: a contraction of 3 to 6 s, value recalled from memory. */
  private static final int CONTRACT_SECONDS = 5;

  /** A dose, and how much of what is wished for it brings. */
  private record Choice(Dose dose, int wishes) {}

  /** What may be proposed. */
  static Repertoire of(Catalogue catalogue, Case c, List<Goal> goals) {
    return new Builder(catalogue, c, goals, false).all();
  }

  /** What a practitioner may choose instead: harder forms of a stretch at any irritability, too. */
  static Repertoire wide(Catalogue catalogue, Case c, List<Goal> goals) {
    return new Builder(catalogue, c, goals, true).all();
  }

  private static final class Builder {

    private final Catalogue catalogue;
    private final Case c;
    private final List<Goal> goals;
    private final boolean wide;
    private final List<Activity> activities = new ArrayList<>();
    private final Map<String, Obstacle> obstacles = new LinkedHashMap<>();

    Builder(Catalogue catalogue, Case c, List<Goal> goals, boolean wide) {
      this.catalogue = catalogue;
      this.c = c;
      this.goals = goals;
      this.wide = wide;
    }

    Repertoire all() {
      int rank = 0;
      for (Exercise e : catalogue.offered()) {
        Optional<Obstacle> obstacle = obstacle(e);
        if (obstacle.isPresent()) {
          obstacles.put(e.id(), obstacle.get());
        } else {
          add(e, rank);
        }
        rank++;
      }
      return new Repertoire(List.copyOf(activities), obstacles);
    }

    private Optional<Obstacle> obstacle(Exercise e) {
      if (c.avoided().contains(e.id())) return Obstacle.of(Obstacle.Kind.AVOIDED, "");
      if (Together.circlesTheNeck(e) && !c.preferences().circles()) {
        return Obstacle.of(Obstacle.Kind.SCHOOL, "the practice moves necks in straight planes");
      }
      if (e.targets().stream().anyMatch(t -> t.kind() == Tissue.Kind.NERVE)) {
        return Obstacle.of(
            Obstacle.Kind.SCHOOL, "what is for the nerves of an arm is chosen by hand only");
      }
      // What is easily stirred up, or takes its time to settle, begins with the easier form.
      if (!wide
          && c.allowed().assessment().irritability() != Irritability.LOW
          && e.doseContext().mode() == Mode.HOLD
          && Together.harderForm(catalogue, e)) {
        return Obstacle.of(
            Obstacle.Kind.SCHOOL, "only harder stretches do it: not before irritability is low");
      }
      if (e.positions().stream().noneMatch(c.means().positions()::contains)) {
        return Obstacle.of(Obstacle.Kind.MEANS, "needs to be done " + e.usualPosition().label());
      }
      for (Equipment needed : e.equipment()) {
        if (!c.means().has(needed) && !c.means().canDoWithout(needed)) {
          return Obstacle.of(Obstacle.Kind.MEANS, "needs " + article(needed.label()));
        }
      }
      return Optional.empty();
    }

    private static String article(String thing) {
      if (thing.startsWith("two ")) return thing;
      return ("aeiou".indexOf(thing.charAt(0)) < 0 ? "a " : "an ") + thing;
    }

    private void add(Exercise e, int rank) {
      Map<Choice, List<Position>> choices = new LinkedHashMap<>();
      Optional<Obstacle> against = Optional.empty();
      for (Position p : e.positions()) {
        if (!c.means().positions().contains(p)) continue;
        Optional<Dose> start = start(e, p);
        if (start.isEmpty()) against = against.or(() -> locked(e, p));
        for (Choice choice : start.map(dose -> choices(e, p, dose)).orElse(List.of())) {
          choices.computeIfAbsent(choice, x -> new ArrayList<>()).add(p);
        }
      }
      if (choices.isEmpty()) {
        obstacles.put(
            e.id(), against.orElse(new Obstacle(Obstacle.Kind.LOCKED, "beyond the screening")));
      }
      choices.forEach((choice, in) -> take(e, choice, in, rank));
    }

    private void take(Exercise e, Choice choice, List<Position> in, int rank) {
      Item item = item(e, choice.dose(), in.get(0));
      int wishes = choice.wishes() - (Together.harderForm(catalogue, e) ? 1 : 0);
      Activity activity = Activity.of(item, in, c, goals, wishes, rank);
      // More of it that reaches no more is no choice.
      boolean idle =
          activities.stream()
              .filter(other -> other.exercise().id().equals(e.id()))
              .anyMatch(other -> asGood(other, activity));
      if (!idle) activities.add(activity);
    }

    private boolean asGood(Activity other, Activity activity) {
      if (other.seconds() > activity.seconds() || other.wishes() < activity.wishes()) return false;
      if (!other.positions().containsAll(activity.positions())) return false;
      for (int g = 0; g < goals.size(); g++) {
        if (activity.credits().get(g) > other.credits().get(g)
            && other.credits().get(g) < goals.get(g).enough()) {
          return false;
        }
      }
      return other.stage() == activity.stage();
    }

    /** From the start dose up, as far as irritability lets it begin. */
    private List<Choice> choices(Exercise e, Position p, Dose start) {
      List<Choice> choices = new ArrayList<>();
      for (Dose dose : rungs(e, p, start)) {
        choices.add(new Choice(dose, 0));
        moreOnTheLimitedSide(e, p, dose).ifPresent(d -> choices.add(new Choice(d, 1)));
      }
      contractRelax(e, p, start).ifPresent(d -> choices.add(new Choice(d, 1)));
      return choices;
    }

    private List<Dose> rungs(Exercise e, Position p, Dose start) {
      boolean fromTheStartOn =
          c.allowed().assessment().irritability() == Irritability.LOW
              && e.doseContext().mode() == Mode.HOLD
              && e.intentFor(e.targets().get(0)) == Intent.LENGTHEN
              && !(start instanceof Dose.LeftAndRight);
      if (!fromTheStartOn) return List.of(start);
      Side any = start instanceof Dose.OneSide one ? one.side() : Side.LEFT;
      return ladder(e, start.on(any).orElseThrow()).stream()
          .map(rung -> each(start, d -> rung))
          .filter(d -> d.equals(start) || !moreThanEnough(e, d))
          .filter(d -> allows(e, p, d))
          .toList();
    }

    /** Nobody begins with more of one exercise than the band asks of a muscle. */
    private boolean moreThanEnough(Exercise e, Dose dose) {
      Side any = dose instanceof Dose.OneSide one ? one.side() : Side.LEFT;
      Volume volume = Volume.of(dose.on(any).orElseThrow(), e.doseContext(), c.breathSeconds());
      return volume.secondsADay() > Goal.edge(c);
    }

    /** From this dose to the target, with its own ceiling and as often a day. */
    private List<SideDose> ladder(Exercise e, SideDose from) {
      SideDose target = ((Dose.Alike) e.target()).both();
      SideDose to =
          (e.doseContext().mode() == Mode.HOLD ? counted(target) : target)
              .withCeiling(from.ceiling())
              .withPerDay(from.perDay());
      return Ladder.between(from, to, e.doseContext()).rungs();
    }

    private static Item item(Exercise e, Dose dose, Position position) {
      return new Item(e, dose).in(position);
    }

    private Optional<Obstacle> locked(Exercise e, Position p) {
      return c.allowed().assessment().of(e, Setting.of(p, c.means())).locks().stream()
          .findFirst()
          .map(reason -> new Obstacle(Obstacle.Kind.LOCKED, reason.condition().label()));
    }

    // ---- doses -----------------------------------------------------------------------------

    /** The start dose on every side that is open, as often a day as it may be. */
    private Optional<Dose> start(Exercise e, Position p) {
      Setting at = Setting.of(p, c.means());
      Dose start = StartDose.of(c.allowed().assessment(), e, at, c.breathSeconds());
      Optional<Dose> counted = counted(e, start).flatMap(d -> open(e, p, d));
      return counted.or(() -> open(e, p, start)).map(d -> oftener(e, p, d));
    }

    /** Without the sides that are locked; empty where something stands against what is left. */
    private Optional<Dose> open(Exercise e, Position p, Dose dose) {
      Set<Side> closed = EnumSet.noneOf(Side.class);
      for (Allowed.Objection o : c.allowed().objections(e, p, dose)) {
        if (o.side().isEmpty() || o.limit() != Allowed.Limit.LOCKED) return Optional.empty();
        closed.add(o.side().get());
      }
      if (closed.isEmpty()) return Optional.of(dose);
      if (closed.size() == Side.values().length) return Optional.empty();
      Side left = closed.contains(Side.LEFT) ? Side.RIGHT : Side.LEFT;
      return dose.on(left).map(d -> new Dose.OneSide(left, d));
    }

    private boolean allows(Exercise e, Position p, Dose dose) {
      return c.allowed().objections(e, p, dose).isEmpty();
    }

    private Dose oftener(Exercise e, Position p, Dose dose) {
      for (int times = c.timesADay(); times > 1; times--) {
        OptionalInt a = OptionalInt.of(times);
        Dose more = each(dose, d -> d.withPerDay(a));
        if (allows(e, p, more)) return more;
      }
      return dose;
    }

    private static Dose each(Dose dose, UnaryOperator<SideDose> change) {
      if (dose instanceof Dose.OneSide one) {
        return new Dose.OneSide(one.side(), change.apply(one.dose()));
      }
      return Dose.of(
          change.apply(dose.on(Side.LEFT).orElseThrow()),
          change.apply(dose.on(Side.RIGHT).orElseThrow()));
    }

    /** A stretch in the unit that the practice counts in; never longer than it was. */
    private Optional<Dose> counted(Exercise e, Dose dose) {
      if (e.doseContext().mode() != Mode.HOLD) return Optional.empty();
      return Optional.of(each(dose, this::counted));
    }

    private SideDose counted(SideDose dose) {
      if (!(dose.work() instanceof Work.Holds h)) return dose;
      return dose.withWork(h.withHold(counted(h.hold())));
    }

    private Length counted(Length hold) {
      return switch (c.preferences().counting()) {
        case AS_LISTED -> hold;
        case SECONDS -> Length.seconds(hold.toSeconds(c.breathSeconds()));
        case BREATHS ->
            hold.inBreaths()
                ? hold
                : Length.breaths(Math.max(1, (int) (hold.amount() / c.breathSeconds())));
      };
    }

    /** One step more on the limited side; empty where that is not for this exercise or side. */
    private Optional<Dose> moreOnTheLimitedSide(Exercise e, Position p, Dose start) {
      if (!e.sided() || !(start instanceof Dose.Alike)) return Optional.empty();
      if (c.allowed().assessment().irritability() == Irritability.HIGH) return Optional.empty();
      if (e.precautions().contains(Precaution.NEURAL)) return Optional.empty();
      boolean left = limited(e, Side.LEFT);
      if (left == limited(e, Side.RIGHT)) return Optional.empty();
      Side side = left ? Side.LEFT : Side.RIGHT;
      if (hurts(e, side) || pinches(e, side)) return Optional.empty();
      return stepped(e, start.on(side).orElseThrow())
          .map(more -> Dose.of(left ? more : other(start, side), left ? other(start, side) : more))
          .filter(d -> allows(e, p, d));
    }

    private static SideDose other(Dose dose, Side side) {
      return dose.on(side.opposite()).orElseThrow();
    }

    private Optional<SideDose> stepped(Exercise e, SideDose from) {
      return ladder(e, from).stream().skip(1).findFirst().filter(more -> !more.equals(from));
    }

    /** Whether treating this side serves what is less than on the other side. */
    private boolean limited(Exercise e, Side treated) {
      return serves(e, treated, Finding.Kind.ONE_SIDED);
    }

    private boolean hurts(Exercise e, Side treated) {
      return serves(e, treated, Finding.Kind.FELT);
    }

    private boolean serves(Exercise e, Side treated, Finding.Kind kind) {
      return c.findings().stream()
          .filter(f -> f.kind() == kind)
          .flatMap(f -> f.treat().stream())
          .anyMatch(t -> serves(e, treated, t));
    }

    private static boolean serves(Exercise e, Side treated, Finding.Target target) {
      if (target instanceof Finding.Target.OfMotion m) {
        return e.treatedSideFor(m.motion(), m.toward()).equals(Optional.of(treated));
      }
      Finding.Target.OfTissue t = (Finding.Target.OfTissue) target;
      return t.side().equals(Optional.of(treated)) && e.serves(t.tissue(), t.intent());
    }

    /** A pinch on the side that is moved to is no short muscle. */
    private boolean pinches(Exercise e, Side treated) {
      return e.group().isNeck()
          && e.doseContext().mode() == Mode.HOLD
          && e.headTurnsToward(treated)
              .or(() -> e.movesToward(treated))
              .filter(c.pinch()::contains)
              .isPresent();
    }

    /** The same seconds of stretch as contract–relax. */
    private Optional<Dose> contractRelax(Exercise e, Position p, Dose start) {
      if (!c.preferences().contractRelax() || !e.doseContext().contractRelax()) {
        return Optional.empty();
      }
      Set<Boolean> fits = new LinkedHashSet<>();
      Dose dose =
          each(
              start,
              d -> {
                boolean can = d.work() instanceof Work.Holds h && Bounds.CYCLES.allows(h.reps());
                fits.add(can);
                return can ? contracted(d, (Work.Holds) d.work()) : d;
              });
      return fits.contains(false)
          ? Optional.empty()
          : Optional.of(dose).filter(d -> allows(e, p, d));
    }

    private static SideDose contracted(SideDose d, Work.Holds h) {
      Length least = h.hold().inBreaths() ? Length.breaths(1) : Length.seconds(5);
      Length deeper = h.hold().amount() < least.amount() ? least : h.hold();
      return d.withWork(new Work.ContractRelax(h.sets(), h.reps(), CONTRACT_SECONDS, deeper));
    }
  }
}
