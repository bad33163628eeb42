package org.biokinet.core.planning;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.Pace;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.timeline.SessionOrder;
import org.biokinet.core.timeline.Timeline;

/**
 * A choice: an exercise with a dose for each side, and the positions in which this client may do it
 * so.
 *
 * @param item the exercise and the dose, in the first of the positions
 * @param positions the usual one first
 * @param seconds its own: without getting into the position and fetching things
 * @param fetched things that are not at hand
 * @param credits by goal
 * @param wishes how much of what is wished for it brings: the extra of a limited side, the form of
 *     stretch that the practice prefers; one less where it is a harder form of another
 * @param rank its place in the catalogue, and in front of that of its doses
 */
record Activity(
    Item item,
    List<Position> positions,
    int seconds,
    Set<Equipment> fetched,
    SessionOrder.Stage stage,
    List<Integer> credits,
    int wishes,
    int rank) {

  private static final int LEAST_PART = 8;

  static Activity of(
      Item item, List<Position> positions, Case c, List<Goal> goals, int wishes, int rank) {
    Timeline alone = alone(item, c);
    Set<Equipment> fetched = EnumSet.noneOf(Equipment.class);
    item.exercise().equipment().stream().filter(e -> !e.atHand()).forEach(fetched::add);
    int own =
        alone.seconds()
            - c.pacing().seconds(Pace.FIRST_POSITION)
            - fetched.size() * c.pacing().seconds(Pace.FETCH);
    return new Activity(
        item,
        List.copyOf(positions),
        own,
        fetched,
        SessionOrder.stage(item.exercise(), Optional.of(item.dose())),
        goals.stream().map(g -> g.credit(alone)).toList(),
        wishes,
        rank);
  }

  static Timeline alone(Item item, Case c) {
    return Timeline.compile(new Program("one item", c.breathSeconds(), c.pacing(), List.of(item)));
  }

  Exercise exercise() {
    return item.exercise();
  }

  Dose dose() {
    return item.dose();
  }

  /** As an item, done in this position. */
  Item in(Position position) {
    return item.in(position);
  }

  boolean serves(int goal) {
    return credits.get(goal) > 0;
  }

  /**
   * Whether it brings at least an eighth of enough to some goal that is not reached besides; less
   * is not worth getting ready for (our choice).
   */
  boolean worthDoing(List<Goal> goals) {
    return IntStream.range(0, goals.size())
        .anyMatch(
            g ->
                goals.get(g).given() < goals.get(g).enough()
                    && LEAST_PART * credits.get(g) >= goals.get(g).enough());
  }
}
