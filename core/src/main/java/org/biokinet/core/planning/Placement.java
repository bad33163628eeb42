package org.biokinet.core.planning;

import java.util.Arrays;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.dose.Pace;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.timeline.SessionOrder;
import org.jspecify.annotations.Nullable;

/**
 * In which position each activity is done, and what that costs beside the activities themselves.
 *
 * <p>The amounts are stated so that they are never less than what the compiler gives, and depend on
 * nothing but what is used: one position is at home, and being there costs the way into the first
 * position. Whatever a stage of the session does in another position costs the way there and back;
 * the floor is gone to once, so it costs its way there and back once, and a change for every
 * further stage and position on it. Every thing that is fetched costs its fetching.
 *
 * @param positions by activity, in their order
 * @param seconds of all of it, with the activities
 * @param changes ways to other positions, and things fetched
 */
record Placement(List<Position> positions, int seconds, int changes) {

  /** What no placement goes below: the activities, the first position and what is fetched. */
  static int least(List<Activity> activities, Pacing pacing) {
    Set<Equipment> fetched = EnumSet.noneOf(Equipment.class);
    int seconds = pacing.seconds(Pace.FIRST_POSITION);
    for (Activity a : activities) {
      seconds += a.seconds();
      fetched.addAll(a.fetched());
    }
    return seconds + fetched.size() * pacing.seconds(Pace.FETCH);
  }

  /**
   * The one with the fewest changes, then the fewest seconds, then the most usual positions.
   *
   * @param most seconds at most; empty where nothing fits into them
   */
  static Optional<Placement> best(
      List<Activity> activities, Set<Position> possible, Pacing pacing, int most) {
    if (activities.isEmpty()) return Optional.of(new Placement(List.of(), 0, 0));
    Chooser chooser = new Chooser(activities, pacing, most);
    List<Position> homes = Arrays.stream(Position.values()).filter(possible::contains).toList();
    for (Position home : homes) {
      if (activities.stream().allMatch(a -> a.positions().contains(home))) {
        return chooser.allAt(home); // nothing is better than no change at all
      }
    }
    homes.forEach(chooser::from);
    return Optional.ofNullable(chooser.best);
  }

  private static final class Chooser {

    private final List<Activity> activities;
    private final Pacing pacing;
    private final int most;
    private final int least;
    private final int fetched;
    private final Position[] chosen;
    private final int[] stages;
    private @Nullable Placement best;

    Chooser(List<Activity> activities, Pacing pacing, int most) {
      this.activities = activities;
      this.pacing = pacing;
      this.most = most;
      least = Placement.least(activities, pacing);
      Set<Equipment> things = EnumSet.noneOf(Equipment.class);
      activities.forEach(a -> things.addAll(a.fetched()));
      fetched = things.size();
      chosen = new Position[activities.size()];
      List<SessionOrder.Stage> used =
          activities.stream().map(Activity::stage).distinct().sorted().toList();
      stages = activities.stream().mapToInt(a -> used.indexOf(a.stage())).toArray();
    }

    Optional<Placement> allAt(Position home) {
      if (least > most) return Optional.empty();
      return Optional.of(
          new Placement(Collections.nCopies(activities.size(), home), least, fetched));
    }

    void from(Position home) {
      place(0, home);
    }

    private void place(int index, Position home) {
      if (index == chosen.length) {
        price(home);
        return;
      }
      for (Position p : activities.get(index).positions()) {
        chosen[index] = p;
        place(index + 1, home);
      }
    }

    private void price(Position home) {
      int upright = 0;
      int floor = 0;
      for (int i = 0; i < chosen.length; i++) {
        if (chosen[i] == home || counted(i)) continue;
        if (chosen[i].onFloor()) {
          floor++;
        } else {
          upright++;
        }
      }
      int seconds = least + away(home, upright, floor);
      int changes = upright + floor + fetched;
      boolean better =
          best == null
              || changes < best.changes
              || (changes == best.changes && seconds < best.seconds);
      if (seconds <= most && better && oneStay()) {
        best = new Placement(List.of(chosen), seconds, changes);
      }
    }

    /** Whether an activity before it has the same stage and position. */
    private boolean counted(int index) {
      for (int i = 0; i < index; i++) {
        if (stages[i] == stages[index] && chosen[i] == chosen[index]) return true;
      }
      return false;
    }

    private int away(Position home, int upright, int floor) {
      if (home.onFloor()) {
        return 2 * floor * pacing.seconds(Pace.BETWEEN_FLOOR)
            + 2 * upright * pacing.seconds(Pace.FLOOR);
      }
      int down =
          floor == 0
              ? 0
              : 2 * pacing.seconds(Pace.FLOOR) + (floor - 1) * pacing.seconds(Pace.BETWEEN_FLOOR);
      return 2 * upright * pacing.seconds(Pace.CHAIR_STANDING) + down;
    }

    /** Nobody goes down to the floor twice. */
    private boolean oneStay() {
      int first = Integer.MAX_VALUE;
      int last = -1;
      for (int i = 0; i < chosen.length; i++) {
        if (!chosen[i].onFloor()) continue;
        first = Math.min(first, stages[i]);
        last = Math.max(last, stages[i]);
      }
      for (int i = 0; i < chosen.length; i++) {
        if (!chosen[i].onFloor() && stages[i] > first && stages[i] < last) return false;
      }
      return true;
    }
  }
}
