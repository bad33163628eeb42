package org.biokinet.core.progress;

import org.biokinet.core.anatomy.Coded;

/**
 * How soon a step is suggested. It moves only what is waited for before one goes on, never what
 * stops, eases or rests. All three are our choice.
 */
public enum Pace implements Coded {
  CAREFUL("careful"),
  USUAL("usual"),
  BRISK("brisk");

  private final String code;

  Pace(String code) {
    this.code = code;
  }

  @Override
  public String code() {
    return code;
  }

  /** "careful: 5 answered days, 10 days at a dose, 80 % done". */
  public String words() {
    return "%s: %d answered days, %d days at a dose, %d %% done"
        .formatted(code, answeredDays(), days(), adherence());
  }

  /** Days that were answered in full, at this rung. */
  public int answeredDays() {
    return this == CAREFUL ? 5 : 3;
  }

  /** Days at this rung; irritability may ask for more. */
  public int days() {
    return this == CAREFUL ? 10 : 7;
  }

  /** Of what was planned in seven days, in percent. */
  public int adherence() {
    return this == BRISK ? 70 : 80;
  }
}
