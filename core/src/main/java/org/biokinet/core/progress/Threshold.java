package org.biokinet.core.progress;

import org.biokinet.core.anatomy.Coded;

/**
 * A figure of a decision that a practice may set for itself. Figures that stop, ease or rest can
 * only be set to the safer side of what is usual. All of them are our choice, after the
 * pain-monitoring model of Thomeé (1997) and Silbernagel (2007), which was made for knee and
 * Achilles (values recalled from memory), where it has such a figure.
 */
public enum Threshold implements Coded {
  RE_ENTER_DAYS("re-enter-days", 2, "Days without an item after which it begins anew", 14, 10, 14),
  PAIN_AT_REST("pain-at-rest", 4, "Pain before a session, of 10, that eases", 7, 5, 7),
  RED_WITHIN_DAYS("red-within-days", 4, "Days back in which red days count", 14, 14, 28),
  MEAN_WORSE("mean-worse", 4, "Points by which a weekly mean is worse", 2, 1, 2),
  CREEP_WEEKS("creep-weeks", 4, "Weeks back with which it is compared", 4, 4, 8),
  AGAIN_DAYS("again-days", 4, "Days in which a second ease asks for an examination", 28, 28, 56),
  RETURN_DAYS("return-days", 5, "Days without an item after which it goes a rung lower", 7, 5, 7),
  LITTLE_DONE("little-done", 6, "Done of what was planned, in %, below which it stays", 60, 60, 80),
  AT_TARGET_DAYS("at-target-days", 7, "Days between two reviews at the target", 14, 14, 42),
  OVERDOING("overdoing", 8, "Done of what was planned, in %, that is too much", 130, 110, 130),
  HARDLY_FELT("hardly-felt", 9, "Stretch felt, of 10, that asks for technique first", 1, 1, 2),
  LITTLE_PAIN("little-pain", 0, "Weekly mean of pain at which the whole may finish", 2, 0, 2),
  NO_RESPONSE_WEEKS(
      "no-response-weeks", 0, "Weeks without a change after which it is examined", 6, 4, 6);

  private final String code;
  private final int line;
  private final String label;
  private final int usual;
  private final int least;
  private final int most;

  Threshold(String code, int line, String label, int usual, int least, int most) {
    this.code = code;
    this.line = line;
    this.label = label;
    this.usual = usual;
    this.least = least;
    this.most = most;
  }

  @Override
  public String code() {
    return code;
  }

  /** Of the line of a decision in which it is asked; 0 for the program as a whole. */
  public int line() {
    return line;
  }

  public String label() {
    return label;
  }

  public int usual() {
    return usual;
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

  public String source() {
    return "our choice";
  }
}
