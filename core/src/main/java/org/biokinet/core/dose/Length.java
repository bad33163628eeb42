package org.biokinet.core.dose;

/**
 * How long a hold lasts, in whole seconds, breaths or minutes.
 *
 * @param amount at least 1
 */
public record Length(int amount, Unit unit) {

  /** What a length is counted in. */
  public enum Unit {
    SECONDS,
    BREATHS,
    MINUTES
  }

  public Length {
    if (amount < 1) throw new IllegalArgumentException("a length is at least 1, not " + amount);
  }

  public static Length seconds(int n) {
    return new Length(n, Unit.SECONDS);
  }

  public static Length breaths(int n) {
    return new Length(n, Unit.BREATHS);
  }

  public static Length minutes(int n) {
    return new Length(n, Unit.MINUTES);
  }

  public boolean inBreaths() {
    return unit == Unit.BREATHS;
  }

  /**
   * Whole seconds: n breaths last round(n × breath).
   *
   * @param breathSeconds one breath of this client, in seconds
   */
  public int toSeconds(double breathSeconds) {
    return switch (unit) {
      case SECONDS -> amount;
      case BREATHS -> (int) Math.round(amount * breathSeconds);
      case MINUTES -> 60 * amount;
    };
  }
}
