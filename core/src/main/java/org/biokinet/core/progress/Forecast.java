package org.biokinet.core.progress;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.DoseContext;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.ledger.Ledger;
import org.biokinet.core.program.Course;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Ladder;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.Weeks;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.timeline.Timeline;

/**
 * The rungs that would be reached week by week if every review agreed to every step that the rules
 * leave open: at most one step on a tissue side and two items in a region at a review, no rise of a
 * week beyond {@link Ledger#mostAfter}, a step a fortnight at high irritability, nothing that the
 * screening does not allow. It is a forecast and moves nothing: only a decision does. The rules of
 * a step are our choice.
 *
 * @param weeks the first is the program as it is written now
 */
public record Forecast(List<Week> weeks) {

  public static final int DAYS_A_WEEK = 7;

  /**
   * An item with its weeks.
   *
   * @param key as in the draft
   */
  public record Row(String key, Item item, Weeks weeks) {}

  /**
   * What a forecast goes by.
   *
   * @param program whose title, breath, pacing and lead the weeks have; its items do not matter
   * @param today the first day of the first week
   * @param allowed empty where nobody has been screened: then no step is foreseen
   * @param before what goes before where a day is limited
   * @param beside stretch of what the client does as well, the same in every week
   */
  public record Given(
      Program program,
      List<Row> rows,
      Course course,
      LocalDate today,
      Optional<Allowed> allowed,
      List<Item> before,
      Ledger beside) {
    public Given {
      rows = List.copyOf(rows);
      before = List.copyOf(before);
    }
  }

  /** What becomes of one side of an item at the beginning of a week. */
  public enum Move {
    /** Nothing: there is no review. */
    NO_REVIEW,
    STEP,
    AT_TARGET,
    /** Neither reached, nor does a step lead there. */
    NO_WAY,
    HELD,
    NOT_SCREENED,
    FORTNIGHT,
    SCREENING,
    RISE,
    TISSUE,
    REGION,
    TOO_LONG;

    /** Whether a rule stands against a step that is wanted. */
    public boolean barred() {
      return compareTo(NOT_SCREENED) >= 0;
    }
  }

  /**
   * One side of an item in a week.
   *
   * @param why in words what stands against a step; empty where nothing does
   */
  public record Cell(SideDose dose, Move move, String why) {}

  /** An item in a week. */
  public sealed interface State {

    /**
     * Done.
     *
     * @param fresh whether it came in at the beginning of this week
     * @param sides only those that are treated; an exercise without sides has the left one alone
     */
    record Done(Item item, boolean fresh, Map<Side, Cell> sides) implements State {
      public Done {
        sides = Map.copyOf(sides);
      }
    }

    /**
     * Not yet.
     *
     * @param why it cannot come in although its day has come; empty before that day
     */
    record Later(String why) implements State {}

    record Ended() implements State {}
  }

  /**
   * A week.
   *
   * @param number from 0 for the one that begins today
   * @param review whether it begins with one
   * @param states by key, in the order of the rows
   * @param seconds of one session
   * @param stretch of this program alone
   */
  public record Week(
      int number,
      LocalDate from,
      boolean review,
      Map<String, State> states,
      Program program,
      int seconds,
      Ledger stretch) {

    /**
     * Where an item of these rows stands.
     *
     * @throws IllegalArgumentException for any other
     */
    public State state(String key) {
      State state = states.get(key);
      if (state == null) throw new IllegalArgumentException("no row " + key);
      return state;
    }

    /** The last day of it. */
    public LocalDate to() {
      return from.plusDays(DAYS_A_WEEK - 1);
    }
  }

  public Forecast {
    weeks = List.copyOf(weeks);
  }

  /**
   * @param weeks how many, from the one that begins today
   * @throws Timeline.TooLong where the program is too long as it is written
   */
  public static Forecast of(Given given, int weeks) {
    return new Run(given).forecast(weeks);
  }

  /** One run through the weeks. */
  private static final class Run {
    private final Given given;

    /** What each item is dosed with as far as the run has come; those that are done. */
    private final Map<String, Item> done = new LinkedHashMap<>();

    /** The week of the last step by key and side. */
    private final Map<String, Map<Side, Integer>> stepped = new HashMap<>();

    private final Map<Item, Ledger> stretches = new HashMap<>();

    Run(Given given) {
      this.given = given;
    }

    Forecast forecast(int number) {
      List<Week> weeks = new ArrayList<>();
      for (int w = 0; w < number; w++) weeks.add(week(w));
      return new Forecast(weeks);
    }

    private Week week(int number) {
      LocalDate day = given.today().plusDays((long) number * DAYS_A_WEEK);
      boolean review = number > 0 && number % given.course().everyWeeks() == 0;
      Ledger before = stretch(done.values());
      Map<String, Item> previous = new HashMap<>(done);
      Map<String, String> waits = new HashMap<>();
      for (Row row : given.rows()) if (!row.weeks().done(day)) done.remove(row.key());
      // What comes in goes before what steps: it was asked for by name.
      for (Row row : given.rows()) {
        if (!row.weeks().done(day) || previous.containsKey(row.key())) continue;
        Optional<String> against = number == 0 ? Optional.empty() : entering(row.item(), before);
        if (against.isEmpty()) done.put(row.key(), row.item());
        else waits.put(row.key(), against.get());
      }
      Map<String, Map<Side, Cell>> cells = cells(number, review, before, previous);
      Map<String, State> states = new LinkedHashMap<>();
      for (Row row : given.rows()) {
        states.put(row.key(), state(row, day, previous, waits, cells));
      }
      Program program = given.program().of(inOrder());
      int seconds = Timeline.compile(program).seconds();
      return new Week(number, day, review, states, program, seconds, stretch(done.values()));
    }

    private State state(
        Row row,
        LocalDate day,
        Map<String, Item> previous,
        Map<String, String> waits,
        Map<String, Map<Side, Cell>> cells) {
      Item item = done.get(row.key());
      if (item != null) {
        boolean fresh = !previous.containsKey(row.key());
        return new State.Done(item, fresh, cells.getOrDefault(row.key(), Map.of()));
      }
      if (row.weeks().ended(day)) return new State.Ended();
      return new State.Later(waits.getOrDefault(row.key(), ""));
    }

    private List<Item> inOrder() {
      return given.rows().stream().flatMap(r -> Stream.ofNullable(done.get(r.key()))).toList();
    }

    // ---- coming in -------------------------------------------------------------------------

    private Optional<String> entering(Item item, Ledger before) {
      return new Steps(given, done, List.of(before), this::stretch).entering(item, inOrder());
    }

    // ---- steps -----------------------------------------------------------------------------

    private Map<String, Map<Side, Cell>> cells(
        int week, boolean review, Ledger before, Map<String, Item> previous) {
      Map<String, Map<Side, Cell>> cells = new HashMap<>();
      Steps steps = new Steps(given, done, List.of(before), this::stretch);
      for (Row row : byPriority()) {
        Map<Side, Cell> sides = new EnumMap<>(Side.class);
        for (Side side : sides(row)) {
          boolean waits = !review || !previous.containsKey(row.key());
          sides.put(side, waits ? resting(row, side) : cell(row, side, week, steps));
        }
        cells.put(row.key(), sides);
      }
      return cells;
    }

    private List<Side> sides(Row row) {
      Item item = done.get(row.key());
      if (item == null) return List.of();
      if (!item.exercise().sided()) return List.of(Side.LEFT);
      return Stream.of(Side.values()).filter(s -> item.dose().on(s).isPresent()).toList();
    }

    private Cell resting(Row row, Side side) {
      return new Cell(dose(row, side), Move.NO_REVIEW, "");
    }

    private SideDose dose(Row row, Side side) {
      return get(row).dose().on(side).orElseThrow();
    }

    private Item get(Row row) {
      Item item = done.get(row.key());
      if (item == null) throw new IllegalStateException(row.key() + " is not done");
      return item;
    }

    private List<Row> byPriority() {
      List<Row> rows = new ArrayList<>(given.rows());
      rows.removeIf(r -> !done.containsKey(r.key()));
      rows.sort((a, b) -> a.item().priority().compareTo(b.item().priority()));
      return rows;
    }

    /** The next step of one side, and what stands against it. */
    private Cell cell(Row row, Side side, int week, Steps steps) {
      Item item = get(row);
      DoseContext context = item.exercise().doseContext();
      SideDose now = dose(row, side);
      SideDose target = item.target(side).orElse(now);
      Optional<SideDose> next = Ladder.next(now, target, context);
      if (next.isEmpty()) {
        return Ladder.reached(now, target, context)
            ? new Cell(now, Move.AT_TARGET, "")
            : new Cell(now, Move.NO_WAY, Steps.noWay(target));
      }
      LocalDate review = given.today().plusDays((long) week * DAYS_A_WEEK);
      LocalDate after = review.minusDays((long) given.course().everyWeeks() * DAYS_A_WEEK);
      if (row.weeks().held(after, review, side)) return new Cell(now, Move.HELD, "");
      int last = stepped.getOrDefault(row.key(), Map.of()).getOrDefault(side, 0);
      Item more = item.dosed(Steps.with(item, side, next.get()));
      Optional<Steps.Bar> bar =
          steps.bar(row.key(), side, more, (long) (week - last) * DAYS_A_WEEK);
      if (bar.isPresent()) return new Cell(now, bar.get().move(), bar.get().why());
      steps.take(row.key(), side, more);
      stepped.computeIfAbsent(row.key(), x -> new EnumMap<>(Side.class)).put(side, week);
      return new Cell(next.get(), Move.STEP, "");
    }

    private Ledger stretch(Iterable<Item> items) {
      Ledger sum = Ledger.NOTHING;
      for (Item item : items) sum = sum.plus(stretches.computeIfAbsent(item, this::stretch));
      return sum;
    }

    /** Seconds of stretch do not depend on what else is done. */
    private Ledger stretch(Item item) {
      return Ledger.of(Timeline.compile(given.program().of(List.of(item))));
    }
  }

  /** The week of the first step of a side after another, or none within these weeks. */
  public Optional<Integer> nextStep(String key, Side side, int after) {
    return IntStream.range(after + 1, weeks.size())
        .filter(w -> move(key, side, w).filter(m -> m == Move.STEP).isPresent())
        .boxed()
        .findFirst();
  }

  /** What becomes of a side in a week; empty where it is not done then. */
  public Optional<Move> move(String key, Side side, int week) {
    return weeks.get(week).state(key) instanceof State.Done d
        ? Optional.ofNullable(d.sides().get(side)).map(Cell::move)
        : Optional.empty();
  }
}
