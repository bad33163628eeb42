package org.biokinet.app.program.web;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.biokinet.app.library.Library;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.planning.Suggestion;
import org.biokinet.core.program.Draft;
import org.biokinet.core.program.DraftItem;
import org.biokinet.core.timeline.Timeline;

/**
 * How far a program serves what was found, as the template shows it.
 *
 * @param percent of all that could be had
 */
record ServedView(List<Line> lines, int percent) {

  /**
   * One finding.
   *
   * @param by what serves it, item by item
   * @param missing why not in full
   */
  record Line(String title, int percent, List<String> by, List<String> missing) {}

  /**
   * What one length of a session is worth, for the curve.
   *
   * @param height of its bar, 0–40
   * @param now whether it is the length that is looked at
   */
  record Bar(int minutes, int percent, int height, boolean now) {}

  /**
   * What a row is there for.
   *
   * @param words by finding; one line that says so where it serves none
   */
  record RowFor(String key, List<String> words) {}

  private static final List<String> NONE = List.of("serves none of the findings by itself");

  /** By row that is understood; of two with the same exercise the first has it all. */
  static List<RowFor> rows(Draft draft, Suggestion s) {
    List<RowFor> rows = new ArrayList<>();
    Set<String> said = new HashSet<>();
    for (DraftItem row : draft.items()) {
      s.places().stream()
          .filter(p -> p.item().exercise().id().equals(row.exercise()))
          .filter(p -> said.add(row.exercise()))
          .findFirst()
          .ifPresent(p -> rows.add(new RowFor(row.key(), words(p, s))));
    }
    return rows;
  }

  private static List<String> words(Suggestion.Place place, Suggestion s) {
    Map<String, List<String>> byFinding = new LinkedHashMap<>();
    place
        .serves()
        .forEach(
            x ->
                byFinding
                    .computeIfAbsent(
                        s.served().get(x.finding()).finding().title(), t -> new ArrayList<>())
                    .add(x.words()));
    List<String> words = new ArrayList<>();
    byFinding.forEach((finding, what) -> words.add(finding + ": " + String.join(", ", what)));
    return words.isEmpty() ? NONE : words;
  }

  /** A runner-up in words. */
  record Other(String exercise, String name, String dose, String clock, List<String> changes) {}

  static final int TALLEST = 40;

  static ServedView of(Suggestion s, Library mine) {
    List<Line> lines = new ArrayList<>();
    for (int f = 0; f < s.served().size(); f++) {
      Suggestion.Served served = s.served().get(f);
      List<String> by = new ArrayList<>();
      for (Suggestion.Place place : s.places()) {
        int finding = f;
        List<String> words =
            place.serves().stream()
                .filter(x -> x.finding() == finding)
                .map(Suggestion.Service::words)
                .toList();
        if (!words.isEmpty()) {
          by.add(mine.name(place.item().exercise()) + ": " + String.join(", ", words));
        }
      }
      lines.add(
          new Line(served.finding().title(), percent(served.share(), 1), by, served.missing()));
    }
    return new ServedView(lines, percent(s.worth(), s.bound()));
  }

  static List<Bar> bars(List<Suggestion.Point> curve, double bound, int minutes) {
    return curve.stream()
        .map(
            p ->
                new Bar(
                    p.minutes(),
                    percent(p.worth(), bound),
                    (int) Math.round(bound == 0 ? 0 : TALLEST * p.worth() / bound),
                    p.minutes() == minutes))
        .toList();
  }

  static Other other(Suggestion.RunnerUp r, Library mine) {
    return new Other(
        r.item().exercise().id(),
        mine.name(r.item().exercise()),
        DoseNotation.format(r.item().dose()),
        longer(r.seconds()),
        r.changes().isEmpty() ? List.of("serves the same") : r.changes());
  }

  private static String longer(int seconds) {
    if (seconds == 0) return "as long";
    return (seconds < 0 ? "−" : "+") + Timeline.clock(Math.abs(seconds));
  }

  private static int percent(double part, double of) {
    return of == 0 ? 0 : (int) Math.round(100 * part / of);
  }
}
