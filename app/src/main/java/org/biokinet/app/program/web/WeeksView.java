package org.biokinet.app.program.web;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import org.biokinet.app.platform.Days;
import org.biokinet.app.program.CourseService;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.dose.Volume;
import org.biokinet.core.program.Course;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.progress.Forecast;
import org.biokinet.core.progress.Forecast.Move;
import org.biokinet.core.timeline.DraftTimeline;
import org.biokinet.core.timeline.Timeline;

/**
 * The weeks of a draft as the grid shows them: a column for each week with an axis of its own, a
 * row for each item.
 *
 * @param unread what has no row in the grid because its dose is not understood
 */
public record WeeksView(List<Column> columns, List<Row> rows, List<String> unread) {

  /** Half the width of a cell's bars, in units of the drawing. */
  static final int HALF = 40;

  /**
   * A week.
   *
   * @param week from 0 for the one that begins today; below it what is behind
   * @param phase only where one begins, or empty
   * @param clock of one session, or empty
   */
  public record Column(int week, String day, String phase, boolean review, String clock) {

    public boolean past() {
      return week < 0;
    }
  }

  /**
   * An item.
   *
   * @param target where it is going: "to 2x30s"
   * @param inForce what the client does now, where the draft says something else; or empty
   */
  public record Row(
      String key, int number, String name, String target, String inForce, List<Cell> cells) {}

  /**
   * An item in a week.
   *
   * @param words the dose where it is new and alike on both sides; else empty
   * @param leftWords of the left, where the sides differ
   * @param rightWords of the right
   * @param left width of the bar
   * @param mark a sign for what is not a step: held, barred, not yet, over
   * @param label all of it in words
   */
  public record Cell(
      int week,
      boolean done,
      String words,
      String leftWords,
      String rightWords,
      double left,
      double right,
      boolean leftSteps,
      boolean rightSteps,
      String mark,
      String label) {

    public boolean past() {
      return week < 0;
    }

    public boolean steps() {
      return leftSteps || rightSteps;
    }
  }

  static WeeksView of(CourseService.Ahead ahead) {
    Forecast forecast = ahead.forecast().orElse(new Forecast(List.of()));
    List<Row> rows = new ArrayList<>();
    List<String> unread = new ArrayList<>();
    Map<String, Integer> seen = new HashMap<>();
    int number = 0;
    for (DraftTimeline.TimedItem line : ahead.draft().lines()) {
      number++;
      String id = line.exercise().id();
      String name = ahead.library().name(line.exercise());
      int nth = seen.merge(id, 1, Integer::sum) - 1;
      if (line.item().isEmpty() || forecast.weeks().isEmpty()) {
        unread.add("%d. %s".formatted(number, name));
        continue;
      }
      rows.add(row(ahead, forecast, line, number, name, nth));
    }
    return new WeeksView(columns(ahead, forecast), rows, unread);
  }

  private static List<Column> columns(CourseService.Ahead ahead, Forecast forecast) {
    List<Column> columns = new ArrayList<>();
    int week = -ahead.past().size();
    for (CourseService.Past p : ahead.past()) {
      String clock = p.program().map(x -> Timeline.clock(Timeline.compile(x).seconds())).orElse("");
      columns.add(new Column(week++, Days.day(p.from()), "", false, clock));
    }
    Optional<Course.Phase> before = Optional.empty();
    for (Forecast.Week w : forecast.weeks()) {
      Optional<Course.Phase> phase = ahead.course().phase(w.to());
      String begins = phase.equals(before) ? "" : phase.map(Course.Phase::name).orElse("");
      before = phase;
      columns.add(
          new Column(
              w.number(), Days.day(w.from()), begins, w.review(), Timeline.clock(w.seconds())));
    }
    return columns;
  }

  private static Row row(
      CourseService.Ahead ahead,
      Forecast forecast,
      DraftTimeline.TimedItem line,
      int number,
      String name,
      int nth) {
    Item item = line.item().orElseThrow();
    String key = line.draft().key();
    List<Optional<Item>> all = new ArrayList<>();
    for (CourseService.Past p : ahead.past()) {
      all.add(p.program().flatMap(x -> nth(x, item.exercise().id(), nth)));
    }
    for (Forecast.Week w : forecast.weeks()) {
      all.add(
          w.state(key) instanceof Forecast.State.Done d ? Optional.of(d.item()) : Optional.empty());
    }
    double most = 1;
    for (Optional<Item> i : all) {
      for (Side side : Side.values()) most = Math.max(most, amount(i, side, ahead));
    }
    List<Cell> cells = new ArrayList<>();
    Optional<Item> previous = Optional.empty();
    for (int c = 0; c < all.size(); c++) {
      int week = c - ahead.past().size();
      Optional<Forecast.State> state =
          week < 0 ? Optional.empty() : Optional.of(forecast.weeks().get(week).state(key));
      cells.add(cell(ahead, week, all.get(c), previous, state, most));
      previous = all.get(c);
    }
    Optional<Item> shared =
        ahead.state().shared().flatMap(r -> nth(r.program(), item.exercise().id(), nth));
    return new Row(
        key,
        number,
        name,
        "to " + DoseNotation.format(item.target().orElse(item.exercise().target())),
        shared
            .filter(s -> !s.dose().equals(item.dose()))
            .map(s -> "in force " + DoseNotation.format(s.dose()))
            .orElse(""),
        cells);
  }

  private static Optional<Item> nth(Program program, String exercise, int nth) {
    return program.items().stream()
        .filter(i -> i.exercise().id().equals(exercise))
        .skip(nth)
        .findFirst();
  }

  /** What is asked of a side in a day, seconds and repetitions alike: the bars of a row compare. */
  private static double amount(Optional<Item> item, Side side, CourseService.Ahead ahead) {
    double breath = ahead.state().client().breathSeconds();
    return item.flatMap(
            i -> i.dose().on(side).map(d -> Volume.of(d, i.exercise().doseContext(), breath)))
        .map(v -> v.secondsADay() > 0 ? v.secondsADay() : v.repetitionsADay())
        .orElse(0.0);
  }

  private static Cell cell(
      CourseService.Ahead ahead,
      int week,
      Optional<Item> item,
      Optional<Item> before,
      Optional<Forecast.State> state,
      double most) {
    Optional<Dose> fresh =
        item.map(Item::dose).filter(d -> !before.map(Item::dose).equals(Optional.of(d)));
    Optional<Dose> apart = fresh.filter(d -> !(d instanceof Dose.Alike));
    Map<Side, Forecast.Cell> sides =
        state.orElse(null) instanceof Forecast.State.Done d ? d.sides() : Map.of();
    boolean sided = item.filter(i -> i.exercise().sided()).isPresent();
    boolean left = steps(sides, Side.LEFT);
    boolean right = sided ? steps(sides, Side.RIGHT) : left;
    return new Cell(
        week,
        item.isPresent(),
        fresh
            .filter(Dose.Alike.class::isInstance)
            .flatMap(d -> d.on(Side.LEFT))
            .map(WeeksView::work)
            .orElse(""),
        apart.flatMap(d -> d.on(Side.LEFT)).map(WeeksView::work).orElse(""),
        apart.flatMap(d -> d.on(Side.RIGHT)).map(WeeksView::work).orElse(""),
        HALF * amount(item, Side.LEFT, ahead) / most,
        HALF * amount(item, Side.RIGHT, ahead) / most,
        left,
        right,
        state.map(WeeksView::mark).orElse(""),
        label(week, item, state));
  }

  private static boolean steps(Map<Side, Forecast.Cell> sides, Side side) {
    Forecast.Cell cell = sides.get(side);
    return cell != null && cell.move() == Move.STEP;
  }

  /** Held and barred differ; what has arrived needs no sign. */
  private static String mark(Forecast.State state) {
    if (state instanceof Forecast.State.Ended) return "ended";
    if (state instanceof Forecast.State.Later l) return l.why().isEmpty() ? "later" : "✕ waits";
    var sides = ((Forecast.State.Done) state).sides().values();
    if (sides.stream().anyMatch(c -> c.move() == Move.HELD)) return "held";
    return sides.stream().anyMatch(c -> c.move().barred()) ? "△" : "";
  }

  private static String label(int week, Optional<Item> item, Optional<Forecast.State> state) {
    String when = week < 0 ? "%d weeks ago".formatted(-week) : week == 0 ? "now" : "week " + week;
    String what = item.map(i -> DoseNotation.format(i.dose())).orElse("not done");
    return state
        .map(s -> String.join(", ", explained(s)))
        .filter(s -> !s.isEmpty())
        .map(s -> "%s: %s; %s".formatted(when, what, s))
        .orElse("%s: %s".formatted(when, what));
  }

  /** What becomes of it at the beginning of the week, side by side, in words. */
  static List<String> explained(Forecast.State state) {
    List<String> words = new ArrayList<>();
    if (state instanceof Forecast.State.Ended) words.add("ended");
    if (state instanceof Forecast.State.Later l) {
      words.add(l.why().isEmpty() ? "comes in later" : "cannot come in yet: " + l.why());
    }
    if (state instanceof Forecast.State.Done d) {
      if (d.fresh()) words.add("new");
      for (Side side : Side.values()) {
        Forecast.Cell cell = d.sides().get(side);
        if (cell == null || cell.move() == Move.NO_REVIEW) continue;
        String on = d.item().exercise().sided() ? side.label() + ": " : "";
        words.add(on + words(cell));
      }
    }
    return words;
  }

  private static String words(Forecast.Cell cell) {
    return switch (cell.move()) {
      case STEP -> "one step, to " + format(cell.dose());
      case AT_TARGET -> "at its target";
      case HELD -> "held";
      default -> "no step: " + cell.why();
    };
  }

  /** Without its ceiling, for which a cell has no room; the label says all of it. */
  private static String work(SideDose dose) {
    return format(dose.withCeiling(OptionalInt.empty()));
  }

  private static String format(SideDose dose) {
    return DoseNotation.format(new Dose.Alike(dose));
  }
}
