package org.biokinet.core.screening;

import java.util.Locale;
import java.util.OptionalInt;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.dose.Pain;
import org.biokinet.core.dose.TenPoint;

/**
 * How easily symptoms are stirred up and how long they last. Common practice after Maitland, no
 * source for the figures.
 */
public enum Irritability {
  LOW,
  MODERATE,
  HIGH;

  /** How soon what was stirred up settles. */
  public enum Settles implements Coded {
    WITHIN_10_MINUTES("10-min", "within 10 minutes"),
    WITHIN_AN_HOUR("hour", "within an hour"),
    LATER("later", "after more than an hour, or by next morning");

    private final String code;
    private final String label;

    Settles(String code, String label) {
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

  /**
   * Decided in this order: high, low, else moderate.
   *
   * @param easilyProvoked whether a small thing stirs it up at all
   * @param provokedPain the pain that it reaches when it is stirred up, asked for itself and not
   *     the worst of the day, NPRS 0–10; not known counts as too much
   */
  public static Irritability of(Settles settles, boolean easilyProvoked, OptionalInt provokedPain) {
    if (settles == Settles.LATER) return HIGH;
    if (easilyProvoked && provokedPain.orElse(TenPoint.MOST) >= Pain.TOO_MUCH) return HIGH;
    return !easilyProvoked && settles == Settles.WITHIN_10_MINUTES ? LOW : MODERATE;
  }

  /** Comfort first: the highest intensity of a stretch where nothing limits it, of 10. */
  public static final int COMFORT_CEILING = 4;

  public String label() {
    return name().toLowerCase(Locale.ROOT);
  }

  /** The highest stretch intensity to prescribe, of 10. */
  public int ceiling() {
    return switch (this) {
      case HIGH -> 2;
      case MODERATE -> 3;
      case LOW -> COMFORT_CEILING;
    };
  }

  /**
   * The most sessions of a day that may be prescribed; 6 where nothing limits them (our choice).
   */
  public int mostPerDay() {
    return this == HIGH ? 2 : 6;
  }

  /** The least days between two steps up. */
  public int daysBetweenSteps() {
    return this == HIGH ? 14 : 7;
  }
}
