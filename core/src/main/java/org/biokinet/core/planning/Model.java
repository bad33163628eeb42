package org.biokinet.core.planning;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.ledger.Ledger;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.timeline.Timeline;

/**
 * A case as something to be solved: goals with weights, activities with their credit for them, and
 * what must hold. Worth is linear with capped credits: the sum over the goals of weight × min(1,
 * credit ÷ enough).
 *
 * @param free what may be chosen
 * @param pinned what is in the program in any case
 * @param seconds of a session at most
 * @param most activities at most, pinned ones included
 * @param apart which of the free activities exclude each other, by place
 * @param possible positions of this client
 * @param rises seconds a week that a tissue side may have more, and what each free activity brings
 */
record Model(
    List<Goal> goals,
    List<Activity> free,
    List<Activity> pinned,
    int seconds,
    int most,
    List<BitSet> apart,
    Set<Position> possible,
    Pacing pacing,
    List<Rise> rises) {

  /**
   * How much more stretch one side of a muscle may have than now.
   *
   * @param room seconds a week
   * @param brings seconds a week, by free activity
   */
  record Rise(Tissue tissue, Side side, double room, List<Double> brings) {}

  static Model of(Catalogue catalogue, Case c, List<Goal> goals, Repertoire repertoire) {
    Together together = new Together(catalogue);
    List<Activity> pinned = new ArrayList<>();
    for (Item item : c.pinned()) {
      int rank = catalogue.all().indexOf(item.exercise());
      pinned.add(Activity.of(item, List.of(item.position()), c, goals, 0, rank));
    }
    List<Activity> free =
        repertoire.activities().stream()
            .filter(
                a -> pinned.stream().noneMatch(p -> together.family(p.exercise(), a.exercise())))
            .filter(a -> useful(a, goals))
            .toList();
    return new Model(
        goals,
        free,
        pinned,
        60 * c.minutes(),
        Math.max(c.preferences().mostItems(), pinned.size()),
        apart(together, free),
        c.means().positions(),
        c.pacing(),
        c.inForce().isEmpty() && c.beside().isEmpty() ? List.of() : rises(c, free));
  }

  /** What serves nothing is only looked at where something else needs it. */
  private static boolean useful(Activity a, List<Goal> goals) {
    return a.worthDoing(goals)
        || Together.movesTheNeckStraight(a.exercise())
        || (Together.strengthens(a.exercise()) && goals.stream().anyMatch(Goal::strengthToo));
  }

  private static List<BitSet> apart(Together together, List<Activity> free) {
    List<BitSet> apart = new ArrayList<>();
    for (Activity a : free) {
      BitSet others = new BitSet(free.size());
      for (int j = 0; j < free.size(); j++) {
        if (together.family(a.exercise(), free.get(j).exercise())) others.set(j);
      }
      apart.add(others);
    }
    return apart;
  }

  private static List<Rise> rises(Case c, List<Activity> free) {
    Optional<Ledger> before = c.inForce().map(now -> Ledger.of(Timeline.compile(now)));
    Ledger beside = ledger(c.beside(), c);
    List<Ledger> alone = free.stream().map(a -> ledger(List.of(a.item()), c)).toList();
    Ledger pinned = ledger(c.pinned(), c);
    Map<Tissue, Boolean> touched = new EnumMap<>(Tissue.class);
    alone.forEach(l -> l.entries().forEach(e -> touched.put(e.tissue(), e.banded())));
    List<Rise> rises = new ArrayList<>();
    touched.forEach(
        (tissue, banded) -> {
          if (!banded) return;
          for (Side side : Side.values()) {
            double goesOn = aWeek(beside, tissue, side);
            double was = goesOn + before.map(l -> aWeek(l, tissue, side)).orElse(0.0);
            double room = Ledger.mostAfter(was) - goesOn - aWeek(pinned, tissue, side);
            List<Double> brings = alone.stream().map(l -> aWeek(l, tissue, side)).toList();
            rises.add(new Rise(tissue, side, room, brings));
          }
        });
    return rises;
  }

  private static Ledger ledger(List<Item> items, Case c) {
    return Ledger.of(Timeline.compile(new Program("part", c.breathSeconds(), c.pacing(), items)));
  }

  private static double aWeek(Ledger ledger, Tissue tissue, Side side) {
    return ledger.find(tissue).map(e -> e.on(side).aWeek()).orElse(0.0);
  }

  /** Worth of a unit of credit of a goal: all goals on one scale, in whole numbers. */
  long unit(int goal) {
    Goal g = goals.get(goal);
    return g.weight() * (scale() / g.enough());
  }

  /** A common multiple of what is enough for any goal. */
  long scale() {
    return goals.stream().mapToInt(Goal::enough).max().orElse(2);
  }

  /** All that can be had. */
  long full() {
    return goals.stream().mapToLong(Goal::weight).sum() * scale();
  }

  /** Worth of a list of activities, of which pinned ones are no special case. */
  long worth(List<Activity> chosen) {
    boolean strength = chosen.stream().anyMatch(a -> Together.strengthens(a.exercise()));
    long worth = 0;
    for (int g = 0; g < goals.size(); g++) {
      if (goals.get(g).strengthToo() && !strength) continue;
      worth += unit(g) * Math.min(goals.get(g).enough(), credit(chosen, g));
    }
    return worth;
  }

  /** With what is given by what the client does besides. */
  int credit(List<Activity> chosen, int goal) {
    return goals.get(goal).given() + chosen.stream().mapToInt(a -> a.credits().get(goal)).sum();
  }
}
