package org.biokinet.core.timeline;

import java.util.Optional;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Direction;

/**
 * A stretch of a session in which one thing happens.
 *
 * @param start seconds from the beginning of the session
 * @param seconds at least 1
 * @param item index of the item, from 0
 * @param side the treated side; empty where none is
 * @param set from 1; 0 outside repetitions
 * @param rep from 1 within the set and side; 0 outside repetitions
 * @param reps repetitions of this set and side; 0 outside repetitions
 * @param breaths that it lasts; 0 where it is not counted in breaths
 */
public record Segment(
    int start,
    int seconds,
    Kind kind,
    int item,
    Optional<Side> side,
    Optional<Direction> direction,
    int set,
    int rep,
    int reps,
    int breaths) {

  /** What happens. */
  public enum Kind {
    POSITION,
    EQUIPMENT,
    SETUP,
    ENTER,
    HOLD,
    EXIT,
    CONTRACT,
    DEEPER,
    RISE,
    RELEASE,
    MOVE,
    MOVE_BACK,
    BREATHE,
    TIMED,
    SWITCH_SIDE,
    SWITCH_DIRECTION,
    REST,
    SET_REST,
    SETTLE;

    /** The work that was prescribed, as against getting there and resting. */
    public boolean isWork() {
      return switch (this) {
        case HOLD, CONTRACT, DEEPER, MOVE, MOVE_BACK, BREATHE, TIMED -> true;
        default -> false;
      };
    }
  }

  public int end() {
    return start + seconds;
  }
}
