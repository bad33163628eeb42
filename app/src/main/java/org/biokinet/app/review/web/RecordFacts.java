package org.biokinet.app.review.web;

import static java.util.stream.Collectors.toList;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.biokinet.app.library.Library;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.review.DiaryService;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.measure.Change;
import org.biokinet.core.measure.Goal;
import org.biokinet.core.measure.PainMap;
import org.biokinet.core.measure.Scored;
import org.biokinet.core.measure.Visit;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.progress.Overview;
import org.biokinet.core.session.CheckIn;
import org.biokinet.core.session.Session;
import org.biokinet.core.session.SkipReason;
import org.biokinet.core.timeline.Performance;

/** What else the record says before anything is decided, a line or a few of each. */
final class RecordFacts {

  private RecordFacts() {}

  /**
   * One kind of fact.
   *
   * @param lines at least one
   */
  record Fact(String label, List<Line> lines) {}

  /**
   * @param matters whether it is more than a measure errs by, or what was wanted
   */
  record Line(String words, boolean matters) {}

  static List<Fact> of(DiaryService.Kept kept, Overview overview) {
    List<Fact> facts = new ArrayList<>();
    facts.add(
        new Fact(
            "Done",
            plain(
                List.of(
                    "%d sessions in 7 days, %d %% of what was planned"
                        .formatted(overview.done(), overview.percent())))));
    LocalDate from = overview.days().get(0).day();
    add(facts, "Left out", plain(leftOut(kept)));
    add(
        facts,
        "Joints",
        plain(
            JointWords.of(
                kept.told().selfChecks().stream().filter(c -> !c.day().isBefore(from)).toList())));
    add(facts, "Where it hurts", plain(felt(kept.visits())));
    add(facts, "Measures", measures(kept));
    add(facts, "Goals", kept.goals().stream().map(g -> goal(g, kept.visits())).toList());
    return facts;
  }

  private static void add(List<Fact> facts, String label, List<Line> lines) {
    if (!lines.isEmpty()) facts.add(new Fact(label, lines));
  }

  private static List<Line> plain(List<String> lines) {
    return lines.stream().map(l -> new Line(l, false)).toList();
  }

  /** Of the program in force: how often, and why as far as it was said. */
  private static List<String> leftOut(DiaryService.Kept kept) {
    VersionService.Replay now = kept.now();
    Map<Left, Integer> times = new LinkedHashMap<>();
    Map<Integer, Map<SkipReason, Integer>> why = new LinkedHashMap<>();
    for (Session s : kept.diary().sessions()) {
      if (s.program() != ProgramKind.MAIN || s.version() != now.version().number()) continue;
      for (Left left : left(s)) times.merge(left, 1, Integer::sum);
      s.checkIn()
          .map(CheckIn::skipped)
          .ifPresent(
              skipped ->
                  skipped.forEach(
                      (item, reason) ->
                          why.computeIfAbsent(item, i -> new EnumMap<>(SkipReason.class))
                              .merge(reason, 1, Integer::sum)));
    }
    List<String> lines = new ArrayList<>();
    times.forEach(
        (left, count) -> {
          String said =
              why.getOrDefault(left.item(), Map.of()).entrySet().stream()
                  .map(e -> "%s %d×".formatted(ToldWords.words(e.getKey()), e.getValue()))
                  .collect(Collectors.joining(", "));
          lines.add(
              "%s%s %d×%s"
                  .formatted(
                      now.name(left.item(), Library.LANGUAGE),
                      left.side().map(side -> " " + side.letter()).orElse(""),
                      count,
                      said.isEmpty() ? "" : " (" + said + ")"));
        });
    return lines;
  }

  /**
   * @param side the only one that was left out; empty where all of the item was
   */
  private record Left(int item, Optional<Side> side) {}

  private static List<Left> left(Session s) {
    Map<Integer, List<Performance.Part>> items =
        s.parts().stream()
            .filter(p -> p.plannedSeconds() > 0)
            .collect(Collectors.groupingBy(Performance.Part::item, TreeMap::new, toList()));
    List<Left> left = new ArrayList<>();
    items.forEach(
        (item, parts) -> {
          if (parts.stream().allMatch(p -> p.seconds() == 0)) {
            left.add(new Left(item, Optional.empty()));
          } else {
            parts.stream()
                .filter(p -> p.seconds() == 0)
                .forEach(p -> left.add(new Left(item, p.side())));
          }
        });
    return left;
  }

  /** Area by area, from the first map of the episode to the newest. */
  private static List<String> felt(List<Visit> newestFirst) {
    List<PainMap> maps =
        newestFirst.stream().flatMap(v -> v.map(false).or(() -> v.map(true)).stream()).toList();
    return maps.size() < 2
        ? List.of()
        : maps.get(0).changesSince(maps.get(maps.size() - 1)).stream().toList();
  }

  /** What is a goal stands there. */
  private static List<Line> measures(DiaryService.Kept kept) {
    Set<String> goals = kept.goals().stream().map(Goal::activity).collect(Collectors.toSet());
    List<Line> lines = new ArrayList<>();
    for (Scored s : Scored.of(Visit.oldestFirst(kept.visits()))) {
      Optional<Change> change = s.change();
      if (change.isEmpty() || goals.contains(s.label())) continue;
      lines.add(
          new Line(
              "%s: %s".formatted(s.label(), change.get().words()), change.get().beyondError()));
    }
    return lines;
  }

  private static Line goal(Goal goal, List<Visit> newestFirst) {
    boolean met = goal.met(newestFirst);
    Optional<Change> change =
        Scored.of(Visit.oldestFirst(newestFirst)).stream()
            .filter(s -> s.label().equals(goal.activity()))
            .findFirst()
            .flatMap(Scored::change);
    return new Line(
        "%s: %d of the %d wanted%s"
            .formatted(
                goal.activity(),
                goal.now(newestFirst),
                goal.wanted(),
                met ? ", met" : change.map(c -> ", " + c.words()).orElse("")),
        met || change.filter(Change::beyondError).isPresent());
  }
}
