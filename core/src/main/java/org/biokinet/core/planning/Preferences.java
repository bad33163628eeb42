package org.biokinet.core.planning;

import org.biokinet.core.anatomy.Coded;

/**
 * How a practice likes its programs.
 *
 * @param contractRelax whether stretches are done as contract–relax where nothing limits them
 * @param circles whether the neck may move in circles and combined planes; else in straight ones
 * @param mostItems how many exercises a program has at most, 1–{@value #MOST}
 */
public record Preferences(
    Counting counting, boolean contractRelax, boolean circles, int mostItems) {

  /** What a stretch is counted in. */
  public enum Counting implements Coded {
    AS_LISTED("as-listed", "as the exercise has it"),
    SECONDS("seconds", "in seconds"),
    BREATHS("breaths", "in breaths");

    private final String code;
    private final String label;

    Counting(String code, String label) {
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
  }

  /** Common practice, no source: more are not done at home. */
  public static final int USUAL_ITEMS = 6;

  /** Our choice. */
  public static final int MOST = 12;

  /** As the catalogue has it, in straight planes. */
  public static final Preferences USUAL =
      new Preferences(Counting.AS_LISTED, false, false, USUAL_ITEMS);

  public Preferences {
    if (mostItems < 1 || mostItems > MOST) {
      throw new IllegalArgumentException("1 to %d exercises, not %d".formatted(MOST, mostItems));
    }
  }

  Preferences withMost(int items) {
    return new Preferences(counting, contractRelax, circles, items);
  }
}
