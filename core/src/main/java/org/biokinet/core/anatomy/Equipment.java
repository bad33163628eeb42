package org.biokinet.core.anatomy;

/** What an exercise needs beside the body. */
public enum Equipment implements Coded {
  CHAIR("chair", "chair"),
  MAT("mat", "mat"),
  ROLLER("roller", "foam roller"),
  ROLLED_TOWEL("rolled-towel", "rolled towel"),
  TOWEL("towel", "towel"),
  WALL("wall", "wall"),
  ROLLED_BLANKET("rolled-blanket", "rolled blanket"),
  BLOCKS("blocks", "two blocks"),
  STRAP("strap", "strap"),
  BALL("ball", "large ball"),
  BED("bed", "bed"),
  CARPET("carpet", "carpet"),
  BAND("band", "elastic band"),
  WEIGHT("weight", "small weight");

  private final String code;
  private final String label;

  Equipment(String code, String label) {
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

  /**
   * Chair, mat, bed and carpet count as at hand, so that fetching them takes no time (our choice).
   */
  public boolean atHand() {
    return this == CHAIR || this == MAT || this == BED || this == CARPET;
  }
}
