package org.biokinet.core.timeline;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Direction;

/** What becomes of a session where something in it is made easier while it is done. */
public final class Easier {

  private record Key(
      int item,
      Optional<Side> side,
      Optional<Direction> direction,
      int set,
      int rep,
      Segment.Kind kind) {

    static Key of(Segment s) {
      return new Key(s.item(), s.side(), s.direction(), s.set(), s.rep(), s.kind());
    }
  }

  private Easier() {}

  /**
   * How long each segment is once an item falls away, or one side of it. All others stay as they
   * are, with what they need to be got ready for.
   *
   * @param side empty for all of the item
   */
  public static List<Integer> without(Timeline timeline, int item, Optional<Side> side) {
    boolean other =
        side.map(Side::opposite)
            .flatMap(timeline.program().items().get(item).dose()::on)
            .isPresent();
    return timeline.segments().stream()
        .map(s -> s.item() == item && (!other || s.side().equals(side)) ? 0 : s.seconds())
        .toList();
  }

  /**
   * How long each segment is with smaller doses: a hold ends earlier, a repetition falls away.
   *
   * @param lower the same session with smaller doses
   * @return seconds for each segment of the timeline, never more than it has; 0 for what falls away
   */
  public static List<Integer> seconds(Timeline timeline, Timeline lower) {
    Map<Key, Deque<Integer>> left = new HashMap<>();
    for (Segment s : lower.segments()) {
      left.computeIfAbsent(Key.of(s), k -> new ArrayDeque<>()).add(s.seconds());
    }
    List<Integer> seconds = new ArrayList<>();
    for (Segment s : timeline.segments()) {
      Deque<Integer> next = left.getOrDefault(Key.of(s), new ArrayDeque<>());
      seconds.add(next.isEmpty() ? 0 : Math.min(s.seconds(), next.remove()));
    }
    return seconds;
  }
}
