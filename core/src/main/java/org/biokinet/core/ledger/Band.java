package org.biokinet.core.ledger;

import org.biokinet.core.anatomy.Coded;

/**
 * How much stretching of one muscle is enough, as published. All values are recalled from memory.
 * The upper limit is common to all: beyond about 10 min a week little more is gained (Ingram 2025,
 * meta-analysis).
 */
public enum Band implements Coded {
  /** Garber 2011, ACSM position stand: 60 s in all for an exercise, at least 2–3 days a week. */
  ACSM("acsm", "ACSM position stand, Garber 2011: 60 s a day, 2 or more days a week", 60, 0, 2),
  /** Thomas 2018, meta-analysis, mostly leg muscles: 5 min a week, at least 5 days a week. */
  THOMAS("thomas", "Thomas 2018, meta-analysis: 5 min a week on 5 or more days", 0, 300, 5),
  /** Warneke 2025, expert Delphi, lasting range: at least 2 sets of 30 s, daily. */
  WARNEKE("warneke", "Warneke 2025, expert panel: 2 or 3 times 30 to 120 s, daily", 60, 0, 7),
  /** Warneke 2025, immediate effect: at least twice 5 s. */
  WARNEKE_NOW("warneke-now", "Warneke 2025, for an effect at once: 2 times 5 to 30 s", 10, 0, 1);

  /** Ingram 2025, meta-analysis, value recalled from memory. */
  public static final int MOST_A_WEEK = 600;

  private final String code;
  private final String source;
  private final int leastADay;
  private final int leastAWeek;
  private final int leastDays;

  Band(String code, String source, int leastADay, int leastAWeek, int leastDays) {
    this.code = code;
    this.source = source;
    this.leastADay = leastADay;
    this.leastAWeek = leastAWeek;
    this.leastDays = leastDays;
  }

  @Override
  public String code() {
    return code;
  }

  public String source() {
    return source;
  }

  /** Where an amount stands. */
  public enum Verdict {
    NONE,
    UNDER,
    IN,
    OVER
  }

  public Verdict of(Amount amount) {
    if (amount.aWeek() == 0) return Verdict.NONE;
    if (amount.aWeek() > MOST_A_WEEK) return Verdict.OVER;
    boolean enough =
        amount.onDays(leastDays) >= leastADay
            && amount.aWeek() >= leastAWeek
            && amount.days() >= leastDays;
    return enough ? Verdict.IN : Verdict.UNDER;
  }

  /** Lower end on a scale of seconds a day, when done on so many days a week. */
  public int leastOn(int days) {
    return Math.max(leastADay, (leastAWeek + days - 1) / days);
  }

  /** Upper end on the same scale: 86 s on seven days. */
  public static int mostOn(int days) {
    return (int) Math.round((double) MOST_A_WEEK / days);
  }
}
