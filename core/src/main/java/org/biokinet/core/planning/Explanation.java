package org.biokinet.core.planning;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.biokinet.core.anatomy.Intent;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.measure.Finding;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.timeline.Timeline;

/** Says of a solution what serves what, what is missing, and what would change that. */
final class Explanation {

  /** Minutes and exercises more that are tried, to say what they would bring (our choice). */
  private static final List<Integer> MORE_MINUTES = List.of(1, 2, 3, 5, 10);

  private static final List<Integer> MORE_ITEMS = List.of(1, 2);
  private static final double HARDLY = 1e-9;

  /** Less than this is not worth a word (our choice). */
  private static final double NOTICED = 0.05;

  private static final int MOST_NEEDED = 2;

  private final Planner planner;
  private final Planner.Solved solved;
  private final List<Double> shares;
  private final List<Option> options;

  /** Another case that could be had, and how far it serves the findings. */
  private record Option(String words, List<Double> shares) {}

  Explanation(Planner planner, Planner.Solved solved) {
    this.planner = planner;
    this.solved = solved;
    shares = solved.shares();
    options = shares.stream().allMatch(s -> s >= 1) ? List.of() : options();
  }

  private List<Option> options() {
    Case c = solved.of();
    List<Option> tried = new ArrayList<>();
    for (int more : MORE_MINUTES) {
      if (c.minutes() + more > c.kind().mostMinutes()) break;
      String words = more == 1 ? "one more minute" : more + " more minutes";
      tried.add(option(words, c.withMinutes(c.minutes() + more)));
    }
    for (int more : MORE_ITEMS) {
      if (c.preferences().mostItems() + more > Preferences.MOST) break;
      String words = more == 1 ? "one more exercise" : more + " more exercises";
      tried.add(option(words, c.withMost(c.preferences().mostItems() + more)));
    }
    int minutes = Math.min(c.kind().mostMinutes(), c.minutes() + 10);
    int items = Math.min(Preferences.MOST, c.preferences().mostItems() + 2);
    tried.add(option("more minutes and more exercises", c.withMinutes(minutes).withMost(items)));
    return tried;
  }

  private Option option(String words, Case c) {
    return new Option(words, planner.glimpse(solved, c).shares());
  }

  Suggestion suggestion(List<String> left) {
    Program program = planner.program(solved);
    Timeline timeline = Timeline.compile(program);
    List<Suggestion.Place> places = new ArrayList<>();
    for (int i = 0; i < program.items().size(); i++) {
      places.add(place(program.items().get(i), timeline.seconds(i)));
    }
    List<Suggestion.Served> served = new ArrayList<>();
    for (int f = 0; f < solved.of().findings().size(); f++) {
      boolean inFull = shares.get(f) > 1 - HARDLY;
      served.add(
          new Suggestion.Served(
              solved.of().findings().get(f),
              inFull ? 1 : shares.get(f),
              inFull ? List.of() : missing(f)));
    }
    List<String> notes = new ArrayList<>();
    int most = 60 * solved.of().minutes();
    if (timeline.seconds() > most) {
      notes.add(
          "what stays takes %s, more than the %d min that there are"
              .formatted(Timeline.clock(timeline.seconds()), solved.of().minutes()));
    }
    return new Suggestion(
        program,
        places,
        served,
        solved.worth(solved.model().worth(solved.best().activities())),
        solved.worth(solved.model().full()),
        timeline.seconds(),
        left,
        notes);
  }

  private Suggestion.Place place(Item item, int seconds) {
    Activity a =
        solved.best().activities().stream()
            .filter(x -> x.exercise().id().equals(item.exercise().id()))
            .findFirst()
            .orElseThrow();
    boolean given = solved.model().pinned().contains(a);
    List<Suggestion.Service> serves = new ArrayList<>();
    for (int f = 0; f < solved.goals().shares().size(); f++) {
      Map<Finding.Target, Integer> credits = new LinkedHashMap<>();
      for (Goal.Share s : solved.goals().shares().get(f)) {
        if (a.serves(s.goal())) credits.put(goal(s.goal()).target(), a.credits().get(s.goal()));
      }
      for (var c : bothSidesAsOne(credits).entrySet()) {
        serves.add(new Suggestion.Service(f, c.getKey(), credit(c.getKey(), c.getValue())));
      }
    }
    return new Suggestion.Place(item, given, seconds, serves);
  }

  private Goal goal(int place) {
    return solved.goals().all().get(place);
  }

  /** What is alike on both sides is said once, without a side. */
  private static <T> Map<Finding.Target, T> bothSidesAsOne(Map<Finding.Target, T> targets) {
    Map<Finding.Target, T> fewer = new LinkedHashMap<>();
    targets.forEach(
        (target, value) -> {
          Finding.Target other = otherSide(target);
          if (!value.equals(targets.get(other))) {
            fewer.put(target, value);
          } else {
            fewer.put(onBoth(target), value);
          }
        });
    return fewer;
  }

  private static Finding.Target otherSide(Finding.Target target) {
    return target instanceof Finding.Target.OfTissue t
        ? new Finding.Target.OfTissue(t.intent(), t.tissue(), t.side().map(Side::opposite))
        : target;
  }

  private static Finding.Target onBoth(Finding.Target target) {
    return target instanceof Finding.Target.OfTissue t
        ? new Finding.Target.OfTissue(t.intent(), t.tissue(), Optional.empty())
        : target;
  }

  /** "lengthen right upper trapezius 30 of 60 s a day". */
  private String credit(Finding.Target target, int credit) {
    if (target.intent() != Intent.LENGTHEN) return target.words();
    return "%s %s of %d s a day".formatted(target.words(), seconds(credit), Goal.edge(solved.of()));
  }

  static String change(Goal g, int before, int after) {
    if (g.inSeconds()) {
      return "%s %s → %s of %d s"
          .formatted(g.target().words(), seconds(before), seconds(after), g.enough() / 2);
    }
    return "%s %s".formatted(after > before ? "more:" : "less:", g.target().words());
  }

  private static String seconds(int halves) {
    return halves % 2 == 0
        ? Integer.toString(halves / 2)
        : String.format(Locale.ROOT, "%.1f", halves / 2.0);
  }

  // ---- what is missing ---------------------------------------------------------------------

  private List<String> missing(int f) {
    Finding finding = solved.of().findings().get(f);
    if (finding.treat().isEmpty()) {
      return List.of("it names nothing to stretch, strengthen or move");
    }
    Map<Finding.Target, String> blocked = new LinkedHashMap<>();
    boolean open = false;
    for (Goal.Share share : solved.goals().shares().get(f)) {
      if (reached(share.goal())) continue;
      Optional<String> why = blocked(share.goal());
      why.ifPresent(w -> blocked.put(goal(share.goal()).target(), w));
      open |= why.isEmpty();
    }
    Map<String, List<String>> byReason = new LinkedHashMap<>();
    bothSidesAsOne(blocked)
        .forEach(
            (target, why) ->
                byReason.computeIfAbsent(why, x -> new ArrayList<>()).add(target.words()));
    List<String> reasons = new ArrayList<>();
    byReason.forEach((why, targets) -> reasons.add(String.join(", ", targets) + ": " + why));
    if (open) reasons.add(would(f));
    return reasons;
  }

  private boolean reached(int goal) {
    return solved.model().credit(solved.best().activities(), goal) >= goal(goal).enough();
  }

  /** Why nothing at all can be done for a goal; empty where something can. */
  private Optional<String> blocked(int goal) {
    Goal g = goal(goal);
    boolean can =
        Stream.concat(solved.model().free().stream(), solved.model().pinned().stream())
            .anyMatch(a -> a.serves(goal));
    if (can) return Optional.empty();
    List<Exercise> would = planner.catalogue().offered().stream().filter(g::servedBy).toList();
    return Optional.of(would.isEmpty() ? "no exercise does it" : words(would, g));
  }

  private String words(List<Exercise> would, Goal g) {
    List<Obstacle> all =
        would.stream()
            .map(e -> solved.repertoire().obstacles().get(e.id()))
            .filter(Objects::nonNull)
            .toList();
    List<String> means = words(all, Obstacle.Kind.MEANS);
    if (!means.isEmpty()) return String.join(" or ", means);
    List<String> locks = words(all, Obstacle.Kind.LOCKED);
    if (!locks.isEmpty()) return "everything for it is locked by " + String.join(", ", locks);
    List<String> school = words(all, Obstacle.Kind.SCHOOL);
    if (!school.isEmpty()) return String.join(", ", school);
    if (!all.isEmpty()) return "what does it was disliked or provoked pain";
    Set<String> locked = new LinkedHashSet<>();
    would.forEach(e -> onThatSide(e, g).ifPresent(locked::add));
    return locked.isEmpty()
        ? "it would be the second of a family"
        : "everything for it is locked by " + String.join(", ", locked);
  }

  /** What locks an exercise on the side that would have to be treated, the other being open. */
  private Optional<String> onThatSide(Exercise e, Goal g) {
    return e.positions().stream()
        .filter(solved.of().means().positions()::contains)
        .flatMap(p -> solved.of().allowed().objections(e, p, e.start()).stream())
        .filter(o -> o.limit() == Allowed.Limit.LOCKED && o.side().equals(g.treated(e)))
        .map(o -> o.reasons().get(0).condition().label())
        .findFirst();
  }

  private static List<String> words(List<Obstacle> all, Obstacle.Kind kind) {
    return all.stream()
        .filter(o -> o.kind() == kind)
        .map(Obstacle::words)
        .distinct()
        .limit(MOST_NEEDED)
        .toList();
  }

  /** What more time or another place would bring; else what the doses are short of. */
  private String would(int f) {
    double now = shares.get(f);
    for (Option o : options) {
      if (o.shares().get(f) > 1 - HARDLY) return o.words() + " would do it";
    }
    for (Option o : options) {
      double then = o.shares().get(f);
      if (then > now + NOTICED) {
        return "%s would bring it from %.0f to %.0f %%".formatted(o.words(), 100 * now, 100 * then);
      }
    }
    return now > HARDLY
        ? "at the doses that it begins with; a review takes them further"
        : "other findings weigh more";
  }
}
