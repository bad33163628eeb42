package org.biokinet.core.progress;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseContext;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.ledger.Ledger;
import org.biokinet.core.program.Course;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Ladder;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.Weeks;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.Irritability;
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

  /** At one review, in one region. */
  static final int MOST_ITEMS_OF_A_REGION = 2;

  private static final int WEEKS_BETWEEN_WHEN_IRRITABLE = 2;

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
      if (given.allowed().isEmpty()) return Optional.of("nobody has been screened yet");
      return objection(item, without(""))
          .or(() -> rise(Stream.concat(done.values().stream(), Stream.of(item)).toList(), before))
          .or(() -> tooLong(Stream.concat(inOrder().stream(), Stream.of(item)).toList()));
    }

    // ---- steps -----------------------------------------------------------------------------

    private Map<String, Map<Side, Cell>> cells(
        int week, boolean review, Ledger before, Map<String, Item> previous) {
      Map<String, Map<Side, Cell>> cells = new HashMap<>();
      Set<TissueSide> tissues = new HashSet<>();
      Map<Tissue.Region, Set<String>> regions = new EnumMap<>(Tissue.Region.class);
      for (Row row : byPriority()) {
        Map<Side, Cell> sides = new EnumMap<>(Side.class);
        for (Side side : sides(row)) {
          Attempt a = new Attempt(row, side, week, before, tissues, regions);
          boolean waits = !review || !previous.containsKey(row.key());
          sides.put(side, waits ? resting(row, side) : a.cell());
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

    /** One side of a tissue. */
    private record TissueSide(Tissue tissue, Side side) {}

    /** The next step of one side, and what stands against it. */
    private final class Attempt {
      private final Row row;
      private final Side side;
      private final int week;
      private final Ledger before;
      private final Set<TissueSide> tissues;
      private final Map<Tissue.Region, Set<String>> regions;

      Attempt(
          Row row,
          Side side,
          int week,
          Ledger before,
          Set<TissueSide> tissues,
          Map<Tissue.Region, Set<String>> regions) {
        this.row = row;
        this.side = side;
        this.week = week;
        this.before = before;
        this.tissues = tissues;
        this.regions = regions;
      }

      Cell cell() {
        Item item = get(row);
        DoseContext context = item.exercise().doseContext();
        SideDose now = dose(row, side);
        SideDose target = item.target(side).orElse(now);
        Optional<SideDose> next = Ladder.next(now, target, context);
        if (next.isEmpty()) {
          return Ladder.reached(now, target, context)
              ? new Cell(now, Move.AT_TARGET, "")
              : new Cell(
                  now,
                  Move.NO_WAY,
                  "no step leads to %s; another target would".formatted(words(target)));
        }
        LocalDate review = given.today().plusDays((long) week * DAYS_A_WEEK);
        LocalDate after = review.minusDays((long) given.course().everyWeeks() * DAYS_A_WEEK);
        if (row.weeks().held(after, review, side)) return new Cell(now, Move.HELD, "");
        Item more = item.dosed(with(item, next.get()));
        Optional<Cell> barred = barred(item, more, now);
        if (barred.isPresent()) return barred.get();
        done.put(row.key(), more);
        stepped.computeIfAbsent(row.key(), x -> new EnumMap<>(Side.class)).put(side, week);
        tissues.addAll(touched(item.exercise()));
        regions.computeIfAbsent(region(item.exercise()), x -> new HashSet<>()).add(row.key());
        return new Cell(next.get(), Move.STEP, "");
      }

      private Optional<Cell> barred(Item item, Item more, SideDose now) {
        if (given.allowed().isEmpty()) {
          return bar(now, Move.NOT_SCREENED, "nobody has been screened yet");
        }
        int last = stepped.getOrDefault(row.key(), Map.of()).getOrDefault(side, 0);
        if (given.allowed().get().assessment().irritability() == Irritability.HIGH
            && week - last < WEEKS_BETWEEN_WHEN_IRRITABLE) {
          return bar(now, Move.FORTNIGHT, "high irritability: one step a fortnight");
        }
        for (TissueSide t : touched(item.exercise())) {
          if (tissues.contains(t)) {
            String where = item.exercise().sided() ? t.side().label() + " " : "";
            return bar(
                now,
                Move.TISSUE,
                "another step on the %s%s at this review".formatted(where, t.tissue().label()));
          }
        }
        Tissue.Region region = region(item.exercise());
        Set<String> others = regions.getOrDefault(region, Set.of());
        if (!others.contains(row.key()) && others.size() >= MOST_ITEMS_OF_A_REGION) {
          return bar(now, Move.REGION, "two items of the same region step at this review");
        }
        return objection(more, without(row.key()))
            .flatMap(why -> bar(now, Move.SCREENING, why))
            .or(() -> rise(replaced(more), before).flatMap(why -> bar(now, Move.RISE, why)))
            .or(() -> tooLong(replaced(more)).flatMap(why -> bar(now, Move.TOO_LONG, why)));
      }

      private Optional<Cell> bar(SideDose now, Move move, String why) {
        return Optional.of(new Cell(now, move, why));
      }

      private List<Item> replaced(Item more) {
        return given.rows().stream()
            .flatMap(
                r ->
                    r.key().equals(row.key())
                        ? Stream.of(more)
                        : Stream.ofNullable(done.get(r.key())))
            .toList();
      }

      private Dose with(Item item, SideDose next) {
        if (!item.exercise().sided()) return new Dose.Alike(next);
        Optional<SideDose> other = item.dose().on(side.opposite());
        if (other.isEmpty()) return new Dose.OneSide(side, next);
        // What is left out on one side is once a day; said on one it has to be said on both.
        SideDose beside =
            next.perDay().isPresent() && other.get().perDay().isEmpty()
                ? other.get().withPerDay(OptionalInt.of(1))
                : other.get();
        return side == Side.LEFT ? Dose.of(next, beside) : Dose.of(beside, next);
      }

      /**
       * What it is done for, its first target (our choice): what it reaches by the way is held by
       * the rise limit, which counts it at half.
       */
      private List<TissueSide> touched(Exercise e) {
        List<Side> sides = e.sided() ? List.of(side) : List.of(Side.values());
        return sides.stream().map(s -> new TissueSide(e.targets().get(0), s)).toList();
      }
    }

    private static Tissue.Region region(Exercise e) {
      return e.targets().get(0).region();
    }

    private static String words(SideDose dose) {
      return DoseNotation.format(new Dose.Alike(dose));
    }

    // ---- rules that are asked elsewhere ------------------------------------------------------

    /** What goes before, and every other item that is done. */
    private List<Item> without(String key) {
      return Stream.concat(
              given.before().stream(),
              done.entrySet().stream()
                  .filter(e -> !e.getKey().equals(key))
                  .map(Map.Entry::getValue))
          .toList();
    }

    private Optional<String> objection(Item item, List<Item> others) {
      return given
          .allowed()
          .orElseThrow()
          .beside(others)
          .objections(item.exercise(), item.position(), item.dose())
          .stream()
          .findFirst()
          .map(Allowed.Objection::words);
    }

    private Optional<String> rise(Iterable<Item> items, Ledger before) {
      return stretch(items).plus(given.beside()).risesFrom(before.plus(given.beside())).stream()
          .findFirst()
          .map(Ledger.Rise::words);
    }

    private Optional<String> tooLong(List<Item> items) {
      try {
        Timeline.compile(given.program().of(items));
        return Optional.empty();
      } catch (IllegalArgumentException e) { // too long, or too many items
        return Optional.ofNullable(e.getMessage());
      }
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
