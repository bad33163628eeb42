package org.biokinet.core.progress;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.ledger.Ledger;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Rhythm;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.Irritability;
import org.biokinet.core.timeline.Timeline;

/**
 * The steps of one review and of the week before, and what stands against another one: at most one
 * step on a tissue side and two items in a region, not sooner than irritability allows, no rise of
 * a week beyond {@link Ledger#mostAfter}, nothing that the screening does not allow. All of it is
 * our choice. A forecast and a decision ask the same.
 */
final class Steps {

  /** At one review, in one region. */
  static final int MOST_ITEMS_OF_A_REGION = 2;

  /** What stands against a step, in words. */
  record Bar(Forecast.Move move, String why) {}

  /** One side of a tissue. */
  private record TissueSide(Tissue tissue, Side side) {}

  private final Forecast.Given given;
  private final Map<String, Item> done;
  private final List<Ledger> before;
  private final Function<Iterable<Item>, Ledger> stretch;
  private final Set<TissueSide> tissues = new HashSet<>();
  private final Map<Tissue.Region, Set<String>> regions = new EnumMap<>(Tissue.Region.class);

  /**
   * @param done what each item is dosed with by now, by key; those that are done. It is changed by
   *     what is taken
   * @param before stretch of the program: before this review, and where that is known a week ago
   * @param stretch of items in a week
   */
  Steps(
      Forecast.Given given,
      Map<String, Item> done,
      List<Ledger> before,
      Function<Iterable<Item>, Ledger> stretch) {
    this.given = given;
    this.done = done;
    this.before = before;
    this.stretch = stretch;
  }

  /** What stands against an item that comes in. */
  Optional<String> entering(Item item, List<Item> inOrder) {
    if (given.allowed().isEmpty()) return Optional.of(NOT_SCREENED);
    return objection(item, without(""))
        .or(() -> rise(Stream.concat(done.values().stream(), Stream.of(item)).toList()))
        .or(() -> tooLong(Stream.concat(inOrder.stream(), Stream.of(item)).toList()));
  }

  private static final String NOT_SCREENED = "nobody has been screened, or the gate is closed";

  /**
   * What stands against a step.
   *
   * @param more the item with the step taken on this side
   * @param sinceStep days since the last step of this side
   */
  Optional<Bar> bar(String key, Side side, Item more, long sinceStep) {
    if (given.allowed().isEmpty()) {
      return Optional.of(new Bar(Forecast.Move.NOT_SCREENED, NOT_SCREENED));
    }
    Irritability irritability = given.allowed().get().assessment().irritability();
    if (sinceStep < irritability.daysBetweenSteps()) {
      return Optional.of(
          new Bar(
              Forecast.Move.FORTNIGHT,
              irritability == Irritability.HIGH
                  ? "high irritability: one step a fortnight"
                  : "one step a week"));
    }
    for (TissueSide t : touched(more.exercise(), side)) {
      if (!tissues.contains(t)) continue;
      String where = more.exercise().sided() ? t.side().label() + " " : "";
      String why =
          "another step on the %s%s at this review, or in the week before"
              .formatted(where, t.tissue().label());
      return Optional.of(new Bar(Forecast.Move.TISSUE, why));
    }
    Set<String> others = regions.getOrDefault(region(more.exercise()), Set.of());
    if (!others.contains(key) && others.size() >= MOST_ITEMS_OF_A_REGION) {
      return Optional.of(
          new Bar(
              Forecast.Move.REGION,
              "two items of the same region step at this review, or did in the week before"));
    }
    List<Item> all = replaced(key, more);
    return objection(more, without(key))
        .map(why -> new Bar(Forecast.Move.SCREENING, why))
        .or(() -> rise(all).map(why -> new Bar(Forecast.Move.RISE, why)))
        .or(() -> tooLong(all).map(why -> new Bar(Forecast.Move.TOO_LONG, why)));
  }

  /**
   * An item as it is dosed by now.
   *
   * @throws IllegalArgumentException for one that is not done
   */
  Item now(String key) {
    Item item = done.get(key);
    if (item == null) throw new IllegalArgumentException(key + " is not done");
    return item;
  }

  /** The step is taken. */
  void take(String key, Side side, Item more) {
    done.put(key, more);
    taken(key, side, more);
  }

  /** A step that was taken not long ago. */
  void taken(String key, Side side, Item more) {
    tissues.addAll(touched(more.exercise(), side));
    regions.computeIfAbsent(region(more.exercise()), x -> new HashSet<>()).add(key);
  }

  /** The dose of an item with another one on this side. */
  static Dose with(Item item, Side side, SideDose next) {
    if (!item.exercise().sided()) return new Dose.Alike(next);
    return item.dose()
        .on(side.opposite())
        .map(other -> pair(side, next, other))
        .orElse(new Dose.OneSide(side, next));
  }

  /**
   * Both sides of a dose.
   *
   * @throws IllegalArgumentException where one has a part that the other has not
   */
  static Dose pair(Side side, SideDose own, SideDose other) {
    SideDose a = asOften(own, other);
    SideDose b = asOften(other, own);
    return side == Side.LEFT ? Dose.of(a, b) : Dose.of(b, a);
  }

  /** How often it is done said in full where the other side says it: it has to be on both. */
  private static SideDose asOften(SideDose dose, SideDose other) {
    SideDose often =
        dose.perDay().isEmpty() && other.perDay().isPresent()
            ? dose.withPerDay(OptionalInt.of(1))
            : dose;
    return often.perWeek().isEmpty() && other.perWeek().isPresent()
        ? often.withPerWeek(OptionalInt.of(Rhythm.daysAWeek(often)))
        : often;
  }

  /** Neither is the target reached, nor does a step lead there. */
  static String noWay(SideDose target) {
    String words = DoseNotation.format(new Dose.Alike(target));
    return "no step leads to %s; another target would".formatted(words);
  }

  static Tissue.Region region(Exercise e) {
    return e.targets().get(0).region();
  }

  /**
   * What it is done for, its first target (our choice): what it reaches by the way is held by the
   * rise limit, which counts it at half.
   */
  private static List<TissueSide> touched(Exercise e, Side side) {
    List<Side> sides = e.sided() ? List.of(side) : List.of(Side.values());
    return sides.stream().map(s -> new TissueSide(e.targets().get(0), s)).toList();
  }

  private List<Item> replaced(String key, Item more) {
    List<Item> all = new ArrayList<>();
    for (Forecast.Row r : given.rows()) {
      Item item = r.key().equals(key) ? more : done.get(r.key());
      if (item != null) all.add(item);
    }
    return all;
  }

  /** What goes before, and every other item that is done. */
  private List<Item> without(String key) {
    Map<String, Item> others = new LinkedHashMap<>(done);
    others.remove(key);
    return Stream.concat(given.before().stream(), others.values().stream()).toList();
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

  private Optional<String> rise(Iterable<Item> items) {
    Ledger then = stretch.apply(items).plus(given.beside());
    return before.stream()
        .flatMap(was -> then.risesFrom(was.plus(given.beside())).stream())
        .filter(this::more)
        .findFirst()
        .map(Ledger.Rise::words);
  }

  /** Whether a rise comes of what is added now, and not of what was shared in this week. */
  private boolean more(Ledger.Rise rise) {
    double now =
        before.get(0).plus(given.beside()).find(rise.tissue()).stream()
            .mapToDouble(e -> e.on(rise.side()).aWeek())
            .sum();
    return rise.now() > now;
  }

  private Optional<String> tooLong(List<Item> items) {
    try {
      Timeline.compile(given.program().of(items));
      return Optional.empty();
    } catch (IllegalArgumentException e) { // too long, or too many items
      return Optional.ofNullable(e.getMessage());
    }
  }
}
