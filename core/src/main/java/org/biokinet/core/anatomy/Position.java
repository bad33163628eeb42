package org.biokinet.core.anatomy;

/** The body position an exercise starts from. */
public enum Position implements Coded {
  CHAIR("chair", "on a chair"),
  STAND("stand", "standing"),
  FLOOR_SIT("floor-sit", "sitting on the floor"),
  KNEEL("kneel", "kneeling"),
  ALL_FOURS("all-fours", "on all fours"),
  SUPINE("supine", "lying on the back"),
  PRONE("prone", "lying face down"),
  SIDE_LYING("side-lying", "lying on the side");

  private final String code;
  private final String label;

  Position(String code, String label) {
    this.code = code;
    this.label = label;
  }

  @Override
  public String code() {
    return code;
  }

  public String label() {
    return label;
  }

  /** Whether getting there means getting down to the floor. */
  public boolean onFloor() {
    return this != CHAIR && this != STAND;
  }

  /** Whether it is done lying, so that a bed does as well as the floor. */
  public boolean lying() {
    return this == SUPINE || this == PRONE || this == SIDE_LYING;
  }
}
