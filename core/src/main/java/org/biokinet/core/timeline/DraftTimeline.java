package org.biokinet.core.timeline;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.dose.Parsed;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.program.Draft;
import org.biokinet.core.program.DraftItem;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Item.Priority;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.SessionLength;

/**
 * A draft with its times: what is understood is compiled, what is not says why.
 *
 * @param lines one for each item of the draft
 * @param timeline of the items that are understood; empty when that would be too long
 * @param problem why it cannot be shared yet; empty when it can
 */
public record DraftTimeline(
    List<TimedItem> lines, Optional<Timeline> timeline, Optional<String> problem) {

  /**
   * One item of the draft.
   *
   * @param parsed what the parser made of the typed dose
   * @param target what it made of the typed target; empty where none is typed
   * @param now whether it is done today: an item may come in later, or have ended
   * @param seconds of this item in the session, 0 when not understood
   * @param stretchLeft seconds of stretch on the left
   * @param stretchRight seconds of stretch on the right
   */
  public record TimedItem(
      DraftItem draft,
      Exercise exercise,
      Position position,
      Parsed parsed,
      Optional<Parsed> target,
      boolean now,
      int seconds,
      int stretchLeft,
      int stretchRight) {

    /** As it would be done, today or when its week has come; empty when not understood. */
    public Optional<Item> item() {
      return DraftTimeline.item(draft, exercise, parsed, target);
    }

    /** As it is done from now on; empty as well where it is not. */
    public Optional<Item> itemNow() {
      return item().filter(i -> now);
    }
  }

  public DraftTimeline {
    lines = List.copyOf(lines);
  }

  /**
   * Compiles what can be compiled.
   *
   * @param breathSeconds one breath of this client
   * @param pacing the practice's
   * @param today of the client: what is not done on that day takes no time
   */
  public static DraftTimeline of(
      Draft draft, double breathSeconds, Pacing pacing, Catalogue catalogue, LocalDate today) {
    List<Item> items = new ArrayList<>();
    List<Parsed> parsed = new ArrayList<>();
    List<Optional<Parsed>> targets = new ArrayList<>();
    for (DraftItem d : draft.items()) {
      Exercise e = catalogue.get(d.exercise());
      Parsed p = DoseNotation.parse(d.dose(), e.doseContext());
      Optional<Parsed> t = d.target().map(x -> DoseNotation.parse(x, e.doseContext()));
      parsed.add(p);
      targets.add(t);
      if (d.done(today)) item(d, e, p, t).ifPresent(items::add);
    }
    Optional<Timeline> timeline = Optional.empty();
    Optional<String> problem = Optional.empty();
    try {
      timeline =
          Optional.of(
              Timeline.compile(
                  new Program(
                      draft.title(),
                      breathSeconds,
                      pacing,
                      draft.lead(),
                      SessionLength.USUAL,
                      items,
                      Set.of())));
    } catch (IllegalArgumentException e) {
      problem = Optional.ofNullable(e.getMessage());
    }
    List<TimedItem> lines = new ArrayList<>();
    int index = 0;
    for (int i = 0; i < parsed.size(); i++) {
      DraftItem d = draft.items().get(i);
      boolean timed = parsed.get(i) instanceof Parsed.Understood && d.done(today);
      boolean counts = timed && timeline.isPresent();
      Exercise e = catalogue.get(d.exercise());
      lines.add(
          new TimedItem(
              d,
              e,
              d.position(e),
              parsed.get(i),
              targets.get(i),
              d.done(today),
              counts ? timeline.get().seconds(index) : 0,
              counts ? timeline.get().stretchSeconds(index, Side.LEFT) : 0,
              counts ? timeline.get().stretchSeconds(index, Side.RIGHT) : 0));
      if (timed) index++;
    }
    return new DraftTimeline(lines, timeline, problem.or(() -> problem(draft, lines)));
  }

  private static Optional<Item> item(
      DraftItem d, Exercise e, Parsed parsed, Optional<Parsed> target) {
    if (!(parsed instanceof Parsed.Understood ok)) return Optional.empty();
    Priority priority = d.priority().orElse(Priority.NORMAL);
    Optional<Dose> end =
        target.flatMap(
            t -> t instanceof Parsed.Understood x ? Optional.of(x.dose()) : Optional.empty());
    return Optional.of(new Item(e, ok.dose(), d.position(e), d.order(), d.lead(), priority, end));
  }

  private static Optional<String> problem(Draft draft, List<TimedItem> lines) {
    if (lines.stream().noneMatch(TimedItem::now)) {
      return Optional.of(
          lines.isEmpty()
              ? "There is nothing in the program yet."
              : "Nothing in the program is done now: bring an item in.");
    }
    if (draft.title().isBlank()) return Optional.of("The program needs a title.");
    List<String> unread = new ArrayList<>();
    for (int i = 0; i < lines.size(); i++) {
      if (lines.get(i).parsed() instanceof Parsed.Fault f) {
        unread.add("Item %d: %s.".formatted(i + 1, f.message()));
      }
      if (lines.get(i).target().orElse(null) instanceof Parsed.Fault f) {
        unread.add("Target of item %d: %s.".formatted(i + 1, f.message()));
      }
    }
    return unread.isEmpty() ? Optional.empty() : Optional.of(String.join(" ", unread));
  }

  public int seconds() {
    return timeline.map(Timeline::seconds).orElse(0);
  }
}
