package org.biokinet.core.program;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.dose.Volume;

/**
 * What is different between two programs. Items are the same where they have the same exercise; of
 * several with one exercise the first is compared with the first.
 *
 * @param changes in the order of the newer program, what was taken out at the end
 * @param reordered whether what is in both comes in another order
 */
public record Difference(List<Change> changes, boolean reordered) {

  /** One thing that is different. */
  public sealed interface Change {

    /** Of the newer program where it is in both. */
    Item item();

    record Added(Item item) implements Change {}

    record Removed(Item item) implements Change {}

    /**
     * Another dose.
     *
     * @param side empty where it changed alike on both, or where there are no sides
     * @param was empty where the side was not treated before; {@code now} where it is no longer
     */
    record Dosed(Item item, Optional<Side> side, Optional<SideDose> was, Optional<SideDose> now)
        implements Change {

      /**
       * How much more (or less) a day on one side, in seconds where the dose is counted in them,
       * else in repetitions.
       *
       * @param breathSeconds one breath of this client
       */
      public More more(double breathSeconds) {
        Volume before = volume(was, breathSeconds);
        Volume after = volume(now, breathSeconds);
        double seconds = after.secondsADay() - before.secondsADay();
        double repetitions = after.repetitionsADay() - before.repetitionsADay();
        return new More((int) Math.round(seconds), (int) Math.round(repetitions));
      }

      private Volume volume(Optional<SideDose> dose, double breathSeconds) {
        return dose.map(d -> Volume.of(d, item.exercise().doseContext(), breathSeconds))
            .orElse(Volume.NONE);
      }
    }

    /** Done in another position. */
    record Placed(Item item, Position before) implements Change {}
  }

  /**
   * More or less of a dose.
   *
   * @param seconds a day on one side
   * @param repetitions a day on one side
   */
  public record More(int seconds, int repetitions) {

    /** "+30 s a day", or empty where it is the same. */
    public String words() {
      if (seconds != 0) return "%+d s a day".formatted(seconds).replace('-', '−');
      if (repetitions != 0) return "%+d a day".formatted(repetitions).replace('-', '−');
      return "";
    }
  }

  public Difference {
    changes = List.copyOf(changes);
  }

  public boolean none() {
    return changes.isEmpty() && !reordered;
  }

  public static Difference of(Program before, Program after) {
    Map<String, Deque<Integer>> old = new HashMap<>();
    for (int i = 0; i < before.items().size(); i++) {
      String id = before.items().get(i).exercise().id();
      old.computeIfAbsent(id, x -> new ArrayDeque<>()).addLast(i);
    }
    List<Change> changes = new ArrayList<>();
    List<Integer> kept = new ArrayList<>();
    for (Item item : after.items()) {
      Integer place = old.getOrDefault(item.exercise().id(), new ArrayDeque<>()).pollFirst();
      if (place == null) {
        changes.add(new Change.Added(item));
        continue;
      }
      kept.add(place);
      Item was = before.items().get(place);
      changes.addAll(dosed(was, item));
      if (was.position() != item.position()) changes.add(new Change.Placed(item, was.position()));
    }
    for (int i = 0; i < before.items().size(); i++) {
      if (!kept.contains(i)) changes.add(new Change.Removed(before.items().get(i)));
    }
    return new Difference(changes, !kept.equals(kept.stream().sorted().toList()));
  }

  /** What changed on one side, on each of them, or alike on both. */
  private static List<Change> dosed(Item was, Item now) {
    List<Change> changes = new ArrayList<>();
    for (Side side : Side.values()) {
      Optional<SideDose> before = was.dose().on(side);
      Optional<SideDose> after = now.dose().on(side);
      if (before.equals(after)) continue;
      Optional<Side> where = now.exercise().sided() ? Optional.of(side) : Optional.empty();
      changes.add(new Change.Dosed(now, where, before, after));
      if (where.isEmpty()) break;
    }
    boolean alike =
        changes.size() == 2
            && was.dose().on(Side.LEFT).equals(was.dose().on(Side.RIGHT))
            && now.dose().on(Side.LEFT).equals(now.dose().on(Side.RIGHT));
    if (!alike) return changes;
    return List.of(
        new Change.Dosed(
            now, Optional.empty(), was.dose().on(Side.LEFT), now.dose().on(Side.LEFT)));
  }
}
