package org.biokinet.core.planning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.measure.Finding;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.screening.Assessment;
import org.biokinet.core.timeline.Timeline;

/**
 * Suggests a program for a case: the one of the greatest worth that fits, and of several the one
 * with the fewest items, the most of what is wished for, the fewest changes of position and
 * equipment, the fewest seconds, the first in the catalogue. The same case gives the same answer
 * everywhere. The model is written down in docs/PLANNING.md.
 */
public final class Planner {

  /** The most items of a program in force that may give way to new ones (our choice). */
  private static final int MOST_GIVING_WAY = 2;

  /** Branches that are looked at to say what another length would bring (our choice). */
  private static final int GLIMPSE = 4_000;

  private static final int RUNNERS_UP = 3;
  private static final double MILLIONTHS = 1e6;

  private final Catalogue catalogue;
  private final Locale locale;

  public Planner(Catalogue catalogue, Locale locale) {
    this.catalogue = catalogue;
    this.locale = locale;
  }

  /** A case with everything that was worked out about it. */
  record Solved(
      Case of, Goal.Goals goals, Repertoire repertoire, Model model, ExactSearch.Best best) {

    double worth(long onScale) {
      return onScale / MILLIONTHS / model.scale();
    }

    /** How far each finding is served, 0–1; one that names nothing to treat is not. */
    List<Double> shares() {
      boolean strength =
          best.activities().stream().anyMatch(a -> Together.strengthens(a.exercise()));
      return goals.shares().stream().map(shares -> share(shares, strength)).toList();
    }

    private double share(List<Goal.Share> shares, boolean strength) {
      double got = 0;
      double all = 0;
      for (Goal.Share s : shares) {
        all += s.weight();
        got += s.weight() * reached(s.goal(), strength);
      }
      return all == 0 ? 0 : got / all;
    }

    private double reached(int goal, boolean strength) {
      Goal g = goals.all().get(goal);
      if (g.strengthToo() && !strength) return 0;
      return Math.min(1, model.credit(best.activities(), goal) / (double) g.enough());
    }
  }

  /**
   * The best program for a case; for a client who has one, the smallest change of it. Nothing while
   * the answers of the screening keep the gate closed.
   */
  public Suggestion suggest(Case c) {
    Assessment assessment = c.allowed().assessment();
    if (!assessment.result().open()) return nothing(c, assessment);
    if (c.inForce().isPresent()) return new Revision(this, c, MOST_GIVING_WAY).suggestion();
    return explained(solve(c), List.of());
  }

  /** What a list of items that somebody else has made serves, and what it misses. */
  public Suggestion explain(Case c, List<Item> items) {
    return explained(solve(c.withPinned(items).withMost(Math.max(1, items.size()))), List.of());
  }

  private static Suggestion nothing(Case c, Assessment closed) {
    String why =
        "the gate is closed, %s: %s"
            .formatted(closed.result().label(), String.join(", ", closed.causes()));
    List<Suggestion.Served> served =
        c.findings().stream().map(f -> new Suggestion.Served(f, 0, List.of(why))).toList();
    double bound = c.findings().stream().mapToDouble(Finding::weight).sum();
    Program none = program(c, List.of(), new Placement(List.of(), 0, 0));
    return new Suggestion(none, List.of(), served, 0, bound, 0, List.of(), List.of(why));
  }

  /** What other times would buy, in the same case. */
  public List<Suggestion.Point> curve(Case c, List<Integer> minutes) {
    Goal.Goals goals = Goal.Goals.of(c);
    Repertoire repertoire = Repertoire.of(catalogue, c, goals.all());
    return minutes.stream()
        .map(m -> solve(c.withMinutes(m), goals, repertoire))
        .map(s -> new Suggestion.Point(s.of().minutes(), s.worth(s.best().worth())))
        .toList();
  }

  Suggestion explained(Solved s, List<String> left) {
    return new Explanation(this, s).suggestion(left);
  }

  Solved solve(Case c) {
    Goal.Goals goals = Goal.Goals.of(c);
    return solve(c, goals, Repertoire.of(catalogue, c, goals.all()));
  }

  /**
   * The same client with other minutes or another number of exercises, without the proof that
   * nothing is better: what it says can be had can be had.
   */
  Solved glimpse(Solved of, Case other) {
    return solve(other, of.goals(), of.repertoire(), GLIMPSE);
  }

  private Solved solve(Case c, Goal.Goals goals, Repertoire repertoire) {
    return solve(c, goals, repertoire, Integer.MAX_VALUE);
  }

  private Solved solve(Case c, Goal.Goals goals, Repertoire repertoire, int visits) {
    Model model = Model.of(catalogue, c, goals.all(), repertoire);
    ExactSearch.Best best = ExactSearch.of(model, visits).orElseGet(() -> onlyPinned(model));
    return new Solved(c, goals, repertoire, model, best);
  }

  /** What is pinned stays, even where it is too long by itself. */
  private static ExactSearch.Best onlyPinned(Model model) {
    List<Activity> pinned = model.pinned();
    Placement there =
        new Placement(
            pinned.stream().map(a -> a.positions().get(0)).toList(), Integer.MAX_VALUE, 0);
    return new ExactSearch.Best(pinned, there, model.worth(pinned));
  }

  /** The items in the usual order. */
  Program program(Solved s) {
    return program(s.of(), s.best().activities(), s.best().placement());
  }

  static Program program(Case c, List<Activity> activities, Placement placement) {
    List<Item> items =
        Arrangement.of(activities, placement.positions()).stream()
            .map(p -> p.activity().in(p.position()))
            .toList();
    return new Program(
        c.inForce().map(Program::title).orElse("Main program"),
        c.breathSeconds(),
        c.pacing(),
        c.inForce().flatMap(Program::lead),
        SessionLength.USUAL,
        items,
        Set.of());
  }

  // ---- runners-up --------------------------------------------------------------------------

  /**
   * What could stand in the place of an item, the others staying as they are: the best first.
   *
   * @param program of which all items but this one stay
   * @param place of the item
   */
  public List<Suggestion.RunnerUp> runnersUp(Case c, Program program, int place) {
    List<Item> others = new ArrayList<>(program.items());
    Item instead = others.remove(place);
    Solved now = solve(c.withPinned(program.items()).withMost(program.items().size()));
    Case without = c.withPinned(others).withMost(Math.max(1, others.size()));
    Goal.Goals goals = now.goals();
    Solved s = solve(without, goals, Repertoire.wide(catalogue, without, goals.all()));
    int seconds = Timeline.compile(program(now)).seconds();
    Map<String, Suggestion.RunnerUp> best = new LinkedHashMap<>();
    IntStream.range(0, s.model().free().size())
        .mapToObj(i -> joined(s, s.model().free().get(i)))
        .flatMap(Optional::stream)
        .filter(j -> !j.added().exercise().id().equals(instead.exercise().id()))
        .sorted(
            Comparator.comparingLong(Joined::worth)
                .reversed()
                .thenComparing(Comparator.comparingInt((Joined j) -> j.added().wishes()).reversed())
                .thenComparingInt(j -> j.placement().seconds()))
        .forEach(
            j ->
                best.computeIfAbsent(
                    j.added().exercise().id(), id -> runnerUp(s, now, j, seconds)));
    return best.values().stream().limit(RUNNERS_UP).toList();
  }

  /** The pinned activities with one more. */
  private record Joined(Activity added, List<Activity> all, Placement placement, long worth) {}

  private static Optional<Joined> joined(Solved s, Activity added) {
    if (!added.worthDoing(s.goals().all())) return Optional.empty();
    List<Activity> all = new ArrayList<>(s.model().pinned());
    all.add(added);
    boolean stretch = all.stream().anyMatch(a -> Together.stretchesTheNeck(a.exercise()));
    if (stretch && all.stream().noneMatch(a -> Together.movesTheNeckStraight(a.exercise()))) {
      return Optional.empty();
    }
    int index = s.model().free().indexOf(added);
    boolean tooFast =
        s.model().rises().stream().anyMatch(r -> r.brings().get(index) > Math.max(0, r.room()));
    if (tooFast) return Optional.empty();
    return Placement.best(all, s.model().possible(), s.model().pacing(), s.model().seconds())
        .map(p -> new Joined(added, all, p, s.model().worth(all)));
  }

  private Suggestion.RunnerUp runnerUp(Solved s, Solved now, Joined j, int secondsNow) {
    Program program = program(s.of(), j.all(), j.placement());
    Item item =
        program.items().stream()
            .filter(i -> i.exercise().id().equals(j.added().exercise().id()))
            .findFirst()
            .orElseThrow();
    List<String> changes = new ArrayList<>();
    for (int g = 0; g < s.goals().all().size(); g++) {
      int before = now.model().credit(now.best().activities(), g);
      int after = s.model().credit(j.all(), g);
      if (Math.min(before, enough(s, g)) != Math.min(after, enough(s, g))) {
        changes.add(Explanation.change(s.goals().all().get(g), before, after));
      }
    }
    return new Suggestion.RunnerUp(
        item,
        program,
        Timeline.compile(program).seconds() - secondsNow,
        s.worth(j.worth()) - now.worth(now.model().worth(now.best().activities())),
        changes);
  }

  private static int enough(Solved s, int goal) {
    return s.goals().all().get(goal).enough();
  }

  Catalogue catalogue() {
    return catalogue;
  }

  String name(Item item) {
    return catalogue.words(item.exercise(), locale).name();
  }
}
