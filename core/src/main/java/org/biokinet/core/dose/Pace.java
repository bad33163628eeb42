package org.biokinet.core.dose;

import org.biokinet.core.anatomy.Coded;

/**
 * The seconds between the work, one by one, with default and bounds. All are our choice, the
 * defaults near what is heard in practice; a practice can edit each.
 */
public enum Pace implements Coded {
  FIRST_POSITION("firstPosition", "get into the first position", 5, 0, 60),
  CHAIR_STANDING("betweenChairAndStanding", "between chair and standing", 5, 0, 60),
  FLOOR("toOrFromFloor", "to the floor or up from it", 15, 0, 120),
  BETWEEN_FLOOR("betweenFloorPositions", "between positions on the floor", 8, 0, 60),
  FETCH("fetchEquipment", "fetch equipment not at hand", 10, 0, 120),
  SET_UP("setUp", "set up an exercise", 4, 0, 60),
  ENTER("enter", "enter a hold", 3, 0, 30),
  LEAVE("leave", "leave a hold", 2, 0, 30),
  ENTER_NECK("enterNeck", "enter a hold of the neck", 3, 0, 30),
  LEAVE_NECK("leaveNeck", "leave a hold of the neck", 3, 0, 30),
  MOVE("move", "one repetition of a movement", 4, 1, 30),
  CIRCLE("circle", "one circle", 6, 1, 30),
  RISE("rise", "rise into an isometric hold", 1, 0, 10),
  RELEASE("release", "release it", 1, 0, 10),
  CHANGE_SIDES("changeSides", "change sides", 4, 0, 60),
  CHANGE_DIRECTION("changeDirection", "change direction", 2, 0, 60),
  REST_HOLDS("restBetweenHolds", "rest between holds", 2, 0, 120),
  REST_SETS("restBetweenSets", "rest between sets", 10, 0, 120),
  SETTLE("settle", "settle and notice after both sides", 3, 0, 60);

  private final String code;
  private final String label;
  private final int usual;
  private final int least;
  private final int most;

  Pace(String code, String label, int usual, int least, int most) {
    this.code = code;
    this.label = label;
    this.usual = usual;
    this.least = least;
    this.most = most;
  }

  /** Its key in a program document. */
  @Override
  public String code() {
    return code;
  }

  public String label() {
    return label;
  }

  public int usual() {
    return usual;
  }

  public int least() {
    return least;
  }

  public int most() {
    return most;
  }

  public boolean allows(int seconds) {
    return seconds >= least && seconds <= most;
  }

  /** The clear error for a value outside the bounds. */
  public String refusal(int seconds) {
    return "%s: %d to %d s, not %d".formatted(label, least, most, seconds);
  }
}
