package org.biokinet.core.workday;

/**
 * How often somebody who sits is to stand up. All in minutes but the number.
 *
 * @param preferred of sitting before a break
 * @param least of sitting before a break; nearer together there are never two
 * @param most of sitting at once: more is said to be too long, and for that a soft meeting gives
 *     way
 * @param number of breaks a day at most
 * @param length of one
 */
public record BreakWish(int preferred, int least, int most, int number, int length) {

  /** A break every 30 to 60 minutes of sitting: common practice, no source. */
  public static final int SHORTEST_INTERVAL = 30;

  public static final int LONGEST_INTERVAL = 60;

  /** A break is one to five minutes: common practice, no source. */
  public static final int LONGEST_BREAK = 5;

  /** In a long shift, every half an hour; our choice. */
  public static final int MOST_BREAKS = 24;

  /** Ten minutes after one break another one is no help; our choice. */
  public static final int NEAREST = 10;

  /** Beyond two hours nobody means a bound; our choice. */
  public static final int FARTHEST = 120;

  /** Where nobody has said (our choice, within common practice). */
  public static final BreakWish USUAL = new BreakWish(45, 20, 60, 8, 2);

  /**
   * @throws IllegalArgumentException for what is not within the limits above
   */
  public BreakWish {
    within("interval", preferred, SHORTEST_INTERVAL, LONGEST_INTERVAL);
    within("least", least, NEAREST, preferred);
    within("most", most, preferred, FARTHEST);
    within("breaks a day", number, 0, MOST_BREAKS);
    within("minutes of a break", length, 1, LONGEST_BREAK);
  }

  private static void within(String what, int value, int from, int to) {
    if (value < from || value > to) {
      throw new IllegalArgumentException("%s: %d to %d".formatted(what, from, to));
    }
  }

  /** The same with breaks as long as a desk program of so many seconds, begun minutes in full. */
  public BreakWish lasting(int seconds) {
    int minutes = Math.max(1, Math.min(LONGEST_BREAK, (seconds + 59) / 60));
    return new BreakWish(preferred, least, most, number, minutes);
  }

  /** The same with fewer breaks left. */
  public BreakWish less(int breaks) {
    return new BreakWish(preferred, least, most, Math.max(0, number - breaks), length);
  }
}
