package org.biokinet.core.dose;

/**
 * The bounds of a dose. All are our choice, wide enough for what is heard in practice; the
 * intensity ceiling ends at 6 because 7 and above on the stretch scale is too much by definition.
 */
public enum Bounds {
  SETS("sets", 1, 10, ""),
  REPETITIONS("repetitions", 1, 50, ""),
  HOLD_SECONDS("a hold", 1, 300, " s"),
  HOLD_BREATHS("a hold", 1, 30, " breaths"),
  END_HOLD_SECONDS("a hold at the end of a movement", 1, 15, " s"),
  EFFORT("effort", 5, 100, " %"),
  CONTRACT_EFFORT("contract–relax effort", 10, 75, " %"),
  CONTRACT_SECONDS("a contraction", 3, 15, " s"),
  DEEPER_SECONDS("the deeper hold", 5, 60, " s"),
  DEEPER_BREATHS("the deeper hold", 1, 10, " breaths"),
  CYCLES("contract–relax cycles", 1, 6, ""),
  TEMPO("tempo", 1, 30, " s"),
  REST("rest", 0, 120, " s"),
  PER_DAY("times a day", 1, 12, ""),
  PER_WEEK("days a week", 1, 7, ""),
  EVERY_MINUTES("the desk interval", 15, 120, " min"),
  HALF_KILOGRAMS("a weight", 1, 60, " half kg"),
  BAND("a band", 1, 5, ""),
  WALK_MINUTES("a walk", 1, 60, " min"),
  CEILING("the intensity ceiling", 1, 6, "");

  private final String what;
  private final int least;
  private final int most;
  private final String unit;

  Bounds(String what, int least, int most, String unit) {
    this.what = what;
    this.least = least;
    this.most = most;
    this.unit = unit;
  }

  /** Of a single length in this unit. */
  static Bounds of(Length.Unit unit) {
    return switch (unit) {
      case SECONDS -> HOLD_SECONDS;
      case BREATHS -> HOLD_BREATHS;
      case MINUTES -> WALK_MINUTES;
    };
  }

  public int least() {
    return least;
  }

  public int most() {
    return most;
  }

  public boolean allows(int value) {
    return value >= least && value <= most;
  }

  /** The clear error for a value outside: what, the bound, what was read. */
  public String refusal(int value) {
    if (this == CEILING && value > most) {
      return "@%d is too much: the ceiling is @1 to @6, and 7 or more on the stretch scale is too strong"
          .formatted(value);
    }
    if (this == HALF_KILOGRAMS) return "a weight: 0.5 to 30 kg, in halves";
    return "%s: %d to %d%s, not %d".formatted(what, least, most, unit, value);
  }

  /**
   * The value itself.
   *
   * @throws IllegalArgumentException outside the bound
   */
  public int check(int value) {
    if (!allows(value)) throw new IllegalArgumentException(refusal(value));
    return value;
  }
}
