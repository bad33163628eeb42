package org.biokinet.core.planning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.timeline.SessionOrder;

/**
 * Activities in the order of a session: by stage, and in a stage so that the floor is gone to once
 * and a position that was just taken is kept.
 */
final class Arrangement {

  /** An activity in its position. */
  record Placed(Activity activity, Position position) {}

  private Arrangement() {}

  static List<Placed> of(List<Activity> activities, List<Position> positions) {
    List<Placed> all = new ArrayList<>();
    for (int i = 0; i < activities.size(); i++) {
      all.add(new Placed(activities.get(i), positions.get(i)));
    }
    all.sort(
        Comparator.comparing((Placed p) -> p.activity().stage())
            .thenComparingInt(p -> p.activity().rank()));
    List<Placed> order = new ArrayList<>();
    for (SessionOrder.Stage stage : SessionOrder.Stage.values()) {
      List<Placed> here =
          new ArrayList<>(all.stream().filter(p -> p.activity().stage() == stage).toList());
      here.sort(Comparator.comparingInt(p -> turn(p, here, order)));
      order.addAll(here);
    }
    return order;
  }

  /** The position that was just taken, then others on the same level, then the rest. */
  private static int turn(Placed p, List<Placed> here, List<Placed> before) {
    List<Position> first = here.stream().map(Placed::position).distinct().toList();
    int place = first.indexOf(p.position());
    if (before.isEmpty()) {
      // Down to the floor at the end of a stage, for a next stage may go on there.
      return p.position().onFloor() ? first.size() + place : place;
    }
    Position last = before.get(before.size() - 1).position();
    if (p.position() == last) return -1;
    return p.position().onFloor() == last.onFloor() ? place : first.size() + place;
  }
}
