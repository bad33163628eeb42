package org.biokinet.core.measure;

import java.util.Locale;

/**
 * A change between two scores of one scale.
 *
 * @param by after minus before, in the scale's points
 */
public record Change(Scale scale, double by, Size size, boolean better) {

  /** How much a change says. */
  public enum Size {
    NONE("the same"),
    WITHIN_ERROR("within error"),
    BEYOND_ERROR("beyond error"),
    IMPORTANT("important");

    private final String label;

    Size(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  /** Scores have few decimals; what they differ by is compared to a thousandth. */
  private static final double GRAIN = 0.001;

  public static Change of(Scale scale, double before, double after) {
    double by = after - before;
    double amount = Math.abs(by) + GRAIN / 2;
    Size size = Size.WITHIN_ERROR;
    if (Math.abs(by) < GRAIN) size = Size.NONE;
    else if (scale.important().isPresent() && amount >= scale.important().getAsDouble()) {
      size = Size.IMPORTANT;
    } else if (amount >= scale.error()) size = Size.BEYOND_ERROR;
    return new Change(scale, by, size, scale.lessIsBetter() ? by < 0 : by > 0);
  }

  /** Whether it is more than the measure errs by, and so may be called a change. */
  public boolean beyondError() {
    return size == Size.BEYOND_ERROR || size == Size.IMPORTANT;
  }

  /** "4 better, important", "1.5 worse, within error", "the same". */
  public String words() {
    if (size == Size.NONE) return size.label();
    String amount = String.format(Locale.ROOT, "%.1f", Math.abs(by)).replaceAll("\\.0$", "");
    return "%s %s, %s".formatted(amount, better ? "better" : "worse", size.label());
  }
}
