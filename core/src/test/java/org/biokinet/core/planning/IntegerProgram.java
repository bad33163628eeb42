package org.biokinet.core.planning;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.Pace;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.ledger.Ledger;
import org.biokinet.core.measure.Finding;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.timeline.SessionOrder.Stage;
import org.biokinet.core.timeline.Timeline;
import org.ojalgo.optimisation.Expression;
import org.ojalgo.optimisation.ExpressionsBasedModel;
import org.ojalgo.optimisation.Optimisation;
import org.ojalgo.optimisation.Variable;

/**
 * The planning model of docs/PLANNING.md as a mixed-integer program for a solver that is not ours:
 * a binary for each activity in each position, a capped variable for each goal.
 */
final class IntegerProgram {

  private record Spot(Activity activity, Position position, Variable chosen) {}

  private record Stay(Stage stage, Position position) {}

  /** There and back to the floor, and a stay more. */
  private static final double LONGEST_WAY = 45;

  private static final double HARDLY = 1e-6;

  private final ExpressionsBasedModel program = new ExpressionsBasedModel();
  private final List<Spot> spots = new ArrayList<>();
  private final List<Variable> reached = new ArrayList<>();
  private final Case c;
  private final List<Goal> goals;
  private final List<Activity> activities;
  private int names;

  private IntegerProgram(Catalogue catalogue, Case c) {
    this.c = c;
    goals = Goal.Goals.of(c).all();
    activities = Repertoire.of(catalogue, c, goals).activities();
    for (Activity a : activities) {
      if (!a.worthDoing(goals)
          && !Together.movesTheNeckStraight(a.exercise())
          && !Together.strengthens(a.exercise())) continue;
      for (Position p : a.positions()) spots.add(new Spot(a, p, binary("x")));
    }
    worth();
    families(new Together(catalogue));
    sum("most", spots, 1).upper(c.preferences().mostItems());
    neck();
    floor();
    minutes();
    rises();
  }

  /**
   * What the solver comes to.
   *
   * @param proven whether it had the time to prove that its best is the best
   * @param worth of the best that it found, in weights of findings; not a number where none
   */
  record Answer(boolean proven, double worth) {}

  /**
   * Asks the solver.
   *
   * @param known what is said to be possible, so that the solver need not look below it
   * @param milliseconds for the proof
   * @throws IllegalStateException where it is not
   */
  static Answer ask(Catalogue catalogue, Case c, double known, int milliseconds) {
    IntegerProgram p = new IntegerProgram(catalogue, c);
    if (p.spots.isEmpty()) return new Answer(/* proven= */ true, 0);
    Expression all = p.program.newExpression("known").lower(known - HARDLY);
    for (int g = 0; g < p.goals.size(); g++) {
      all.set(p.reached.get(g), p.goals.get(g).weight() / 1e6);
    }
    p.program.options.time_abort = milliseconds;
    Optimisation.Result result = p.program.maximise();
    if (result.getState() == Optimisation.State.INFEASIBLE) {
      throw new IllegalStateException("nothing is worth " + known);
    }
    boolean found = result.getState().isFeasible();
    return new Answer(result.getState().isOptimal(), found ? result.getValue() : Double.NaN);
  }

  private Variable binary(String name) {
    Variable v = program.newVariable(name + names++);
    v.binary();
    return v;
  }

  private Expression sum(String name, List<Spot> of, double factor) {
    Expression e = program.newExpression(name + names++);
    of.forEach(s -> e.set(s.chosen, factor));
    return e;
  }

  private List<Spot> where(Predicate<Activity> which) {
    return spots.stream().filter(s -> which.test(s.activity)).toList();
  }

  /** reached ≤ 1, enough · reached ≤ credit, and with posture reached ≤ a strength item. */
  private void worth() {
    for (int g = 0; g < goals.size(); g++) {
      int goal = g;
      Goal of = goals.get(g);
      Variable reached = program.newVariable("reached" + g);
      reached.lower(0).upper(1).weight(of.weight() / 1e6);
      this.reached.add(reached);
      double given = part(besides(of), of);
      List<Spot> serving = where(a -> a.serves(goal));
      if (given < 1 && !serving.isEmpty()) {
        Expression credit = program.newExpression("credit" + g).lower(-given);
        serving.forEach(s -> credit.set(s.chosen, part(s.activity.credits().get(goal), of)));
        credit.set(reached, -1);
      } else {
        reached.upper(given);
      }
      if (!of.strengthToo()) continue;
      Expression gate = sum("gate", where(a -> Together.strengthens(a.exercise())), 1).lower(0);
      gate.set(reached, -1);
    }
  }

  /** Half seconds that the ledger of what the client does besides has, in whole ones. */
  private int besides(Goal of) {
    if (!of.inSeconds()) return 0;
    Tissue tissue = ((Finding.Target.OfTissue) of.target()).tissue();
    return (int)
        Math.round(
            2
                * Ledger.of(Timeline.compile(whole(c.beside())))
                    .find(tissue)
                    .map(e -> e.on(of.side()).aDay())
                    .orElse(0.0));
  }

  private Program whole(List<Item> items) {
    return new Program("items", c.breathSeconds(), c.pacing(), items);
  }

  /** After what is done besides, no muscle gets more than half as much again, or 30 s a day. */
  private void rises() {
    if (c.beside().isEmpty()) return;
    Ledger before = Ledger.of(Timeline.compile(whole(c.beside())));
    List<Ledger> alone =
        spots.stream()
            .map(s -> Ledger.of(Timeline.compile(whole(List.of(s.activity.item())))))
            .toList();
    for (Tissue tissue : Tissue.values()) {
      for (Side side : Side.values()) {
        if (tissue.kind() != Tissue.Kind.MUSCLE) continue;
        double was = aWeek(before, tissue, side);
        double most = Math.max(1.5 * was, was + 210) - was;
        Expression more = program.newExpression("rise" + names++).upper(1);
        for (int i = 0; i < spots.size(); i++) {
          double part = aWeek(alone.get(i), tissue, side) / most;
          if (part > 0) more.set(spots.get(i).chosen, part);
        }
      }
    }
  }

  private static double aWeek(Ledger ledger, Tissue tissue, Side side) {
    return ledger.find(tissue).map(e -> e.on(side).aWeek()).orElse(0.0);
  }

  /** Of what is enough; one that is more than enough reaches it as well as one that is just so. */
  private static double part(int credit, Goal of) {
    return Math.min(1, credit / (double) of.enough());
  }

  private void families(Together together) {
    Map<String, List<Spot>> byExercise = new HashMap<>();
    spots.forEach(
        s -> byExercise.computeIfAbsent(s.activity.exercise().id(), x -> new ArrayList<>()).add(s));
    List<Exercise> all = spots.stream().map(s -> s.activity.exercise()).distinct().toList();
    Set<Set<Exercise>> said = new HashSet<>();
    for (Exercise a : all) {
      for (Exercise b : all) {
        if (!together.family(a, b)) continue;
        // As many as exclude one another in one line: that bounds better than pairs do.
        Set<Exercise> family = new LinkedHashSet<>(List.of(a));
        family.add(b);
        for (Exercise x : all) {
          if (family.stream().allMatch(y -> together.family(x, y))) family.add(x);
        }
        if (!said.add(family)) continue;
        List<Spot> them = new ArrayList<>();
        family.forEach(e -> them.addAll(byExercise.get(e.id())));
        sum("family", them, 1).upper(1);
      }
    }
  }

  private void neck() {
    for (Spot stretch : where(a -> Together.stretchesTheNeck(a.exercise()))) {
      Expression before =
          sum("before", where(a -> Together.movesTheNeckStraight(a.exercise())), 1).lower(0);
      before.set(stretch.chosen, -1);
    }
  }

  private Variable any(String name, List<Spot> of) {
    Variable any = binary(name);
    for (Spot s : of) {
      Expression e = program.newExpression("implies" + names++).lower(0);
      e.set(any, 1);
      e.set(s.chosen, -1);
    }
    return any;
  }

  /** Between two stages on the floor nobody is off it. */
  private void floor() {
    if (spots.stream().noneMatch(s -> s.position.onFloor())) return;
    Map<Stage, Variable> down = new HashMap<>();
    Map<Stage, Variable> up = new HashMap<>();
    for (Stage stage : Stage.values()) {
      List<Spot> here = where(a -> a.stage() == stage);
      down.put(stage, any("down", here.stream().filter(s -> s.position.onFloor()).toList()));
      up.put(stage, any("up", here.stream().filter(s -> !s.position.onFloor()).toList()));
    }
    for (Stage a : Stage.values()) {
      for (Stage between : Stage.values()) {
        for (Stage b : Stage.values()) {
          if (a.compareTo(between) >= 0 || between.compareTo(b) >= 0) continue;
          Expression e = program.newExpression("stay" + names++).upper(2);
          e.set(down.get(a), 1);
          e.set(down.get(b), 1);
          e.set(up.get(between), 1);
        }
      }
    }
  }

  /** For the one home that is chosen, everything fits into the minutes. */
  private void minutes() {
    Map<Stay, Variable> stays = new HashMap<>();
    Set<Position> positions = new HashSet<>();
    Set<Equipment> things = new HashSet<>();
    for (Spot s : spots) {
      Stay stay = new Stay(s.activity.stage(), s.position);
      positions.add(s.position);
      things.addAll(s.activity.fetched());
      if (stays.containsKey(stay)) continue;
      stays.put(
          stay,
          any(
              "stay",
              spots.stream()
                  .filter(o -> o.position == s.position && o.activity.stage() == stay.stage)
                  .toList()));
    }
    Map<Equipment, Variable> fetched = new HashMap<>();
    things.forEach(t -> fetched.put(t, any("thing", where(a -> a.fetched().contains(t)))));
    Variable onFloor = any("floor", spots.stream().filter(s -> s.position.onFloor()).toList());
    double never = c.preferences().mostItems() * LONGEST_WAY; // the ways from a home that is none
    Expression one = program.newExpression("oneHome").level(1);
    for (Position home : positions) {
      Variable at = binary("home");
      one.set(at, 1);
      Expression time =
          program
              .newExpression("time" + names++)
              .upper(60 * c.minutes() - seconds(Pace.FIRST_POSITION) + never);
      time.set(at, never);
      spots.forEach(s -> time.set(s.chosen, s.activity.seconds()));
      fetched.values().forEach(f -> time.set(f, seconds(Pace.FETCH)));
      stays.forEach(
          (stay, used) -> {
            if (stay.position != home) time.set(used, away(stay.position, home));
          });
      if (!home.onFloor()) {
        time.set(onFloor, 2 * seconds(Pace.FLOOR) - seconds(Pace.BETWEEN_FLOOR));
      }
    }
  }

  private int away(Position there, Position home) {
    if (!there.onFloor()) {
      return 2 * seconds(home.onFloor() ? Pace.FLOOR : Pace.CHAIR_STANDING);
    }
    return (home.onFloor() ? 2 : 1) * seconds(Pace.BETWEEN_FLOOR);
  }

  private int seconds(Pace pace) {
    return c.pacing().seconds(pace);
  }
}
