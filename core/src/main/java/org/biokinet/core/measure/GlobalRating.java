package org.biokinet.core.measure;

/**
 * Global rating of change, −7 to +7, in words: Jaeschke and others 1989, recalled from memory;
 * steps below 3 in our words.
 */
public record GlobalRating(int value) {

  public static final int MOST = 7;

  public GlobalRating {
    if (!valid(value)) throw new IllegalArgumentException("-7 to 7");
  }

  public static boolean valid(int value) {
    return value >= -MOST && value <= MOST;
  }

  public String words() {
    if (value == 0) return "about the same";
    String how =
        switch (Math.abs(value)) {
          case 1 -> "almost the same, hardly";
          case 2 -> "a little";
          case 3 -> "somewhat";
          case 4 -> "moderately";
          case 5 -> "quite a bit";
          case 6 -> "a great deal";
          default -> "a very great deal";
        };
    return how + (value > 0 ? " better" : " worse");
  }
}
