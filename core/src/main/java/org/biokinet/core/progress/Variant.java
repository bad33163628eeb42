package org.biokinet.core.progress;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.Irritability;
import org.biokinet.core.screening.Use;

/**
 * Another form of an exercise that is offered beside a decision, never taken by itself: an easier
 * one where nothing is lower, a harder one at the target, and one with sides where only one side of
 * what both do at once was worse.
 *
 * @param item with the dose with which it begins
 */
public record Variant(Kind kind, Item item) {

  public enum Kind {
    EASIER("easier form"),
    ONE_SIDED("one side at a time"),
    HARDER("harder form");

    private final String label;

    Kind(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  /**
   * @param program the one that was reviewed
   * @param allowed empty where nobody has been screened, and then nothing is offered
   */
  public static Optional<Variant> of(
      Decision d, Program program, Optional<Allowed> allowed, Catalogue catalogue) {
    Item item = program.items().get(d.part().place(program).orElseThrow());
    if (d.asks().contains(Decision.Ask.EASIER_OR_PAUSE)) {
      return allowed
          .flatMap(a -> a.easier(catalogue, item, d.part().side()).stream().findFirst())
          .map(easier -> new Variant(Kind.EASIER, easier));
    }
    if (d.asks().contains(Decision.Ask.ONE_SIDE)) {
      return allowed.flatMap(a -> oneSided(item, a, catalogue));
    }
    return d.line() == Line.HOLD || d.line() == Line.MAINTAIN
        ? allowed.flatMap(a -> harder(item, a, catalogue))
        : Optional.empty();
  }

  /** The next one, where the client can take a position for it and nothing limits or forbids it. */
  private static Optional<Variant> harder(Item item, Allowed allowed, Catalogue catalogue) {
    if (allowed.assessment().irritability() == Irritability.HIGH) return Optional.empty();
    return item.exercise()
        .harder()
        .flatMap(catalogue::find)
        .filter(catalogue.offered()::contains)
        .flatMap(e -> possible(e, item, allowed))
        .filter(i -> free(i, allowed))
        .map(i -> new Variant(Kind.HARDER, i));
  }

  /**
   * Of the stretches with sides that are done for the same the one that shares most of what else it
   * reaches; our choice.
   */
  private static Optional<Variant> oneSided(Item item, Allowed allowed, Catalogue catalogue) {
    Exercise both = item.exercise();
    return catalogue.offered().stream()
        .filter(e -> e.sided() && e.doseContext().mode() == both.doseContext().mode())
        .filter(e -> e.targets().get(0) == both.targets().get(0))
        .flatMap(e -> possible(e, item, allowed).stream())
        .filter(i -> allowed.objections(i.exercise(), i.position(), i.dose()).isEmpty())
        .max(Comparator.comparingLong(i -> shared(i.exercise(), both)))
        .map(i -> new Variant(Kind.ONE_SIDED, i));
  }

  private static long shared(Exercise one, Exercise other) {
    return one.targets().stream().filter(other.targets()::contains).count();
  }

  /** With what the client has, in a position that the client can take. */
  private static Optional<Item> possible(Exercise e, Item before, Allowed allowed) {
    return e.equipment().stream().allMatch(allowed.means()::has)
        ? in(e, before.position(), allowed).map(p -> begun(e, p, allowed))
        : Optional.empty();
  }

  /** As before where it can be done so. */
  private static Optional<Position> in(Exercise e, Position before, Allowed allowed) {
    List<Position> possible =
        e.positions().stream().filter(allowed.means().positions()::contains).toList();
    return possible.contains(before) ? Optional.of(before) : possible.stream().findFirst();
  }

  private static Item begun(Exercise e, Position position, Allowed allowed) {
    return new Item(e, allowed.inForce(e, position, e.start())).in(position);
  }

  /** With a precaution no harder rung is taken, so no harder form either. */
  private static boolean free(Item item, Allowed allowed) {
    Exercise e = item.exercise();
    Dose dose = item.dose();
    return allowed.objections(e, item.position(), dose).isEmpty()
        && Arrays.stream(Side.values())
            .flatMap(side -> Use.atStart(e, allowed.setting(item.position()), side).stream())
            .noneMatch(use -> allowed.assessment().of(use).limited());
  }
}
