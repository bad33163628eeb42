package org.biokinet.core.progress;

/** What is decided about an item on one side, from the weakest to the strongest. */
public enum Outcome {
  STOP("stop", 0),
  RE_ENTER("re-enter", 1),
  FLARE_PLAN("flare plan", 2),
  EASE("ease", 3),
  RETURN("return", 4),
  STAY("stay", 5),
  HOLD("hold", 5),
  MAINTAIN("maintain", 5),
  GO_ON("go on", 6);

  private final String word;
  private final int strength;

  Outcome(String word, int strength) {
    this.word = word;
    this.strength = strength;
  }

  public String word() {
    return word;
  }

  /** A worse answer of the client's never leads to more of it; three are equally strong. */
  public int strength() {
    return strength;
  }
}
