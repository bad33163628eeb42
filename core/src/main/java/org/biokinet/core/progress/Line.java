package org.biokinet.core.progress;

/**
 * The lines of the decision, in their order: the first that applies is the one that counts. All of
 * them, and their figures, are our choice.
 */
public enum Line {
  STOP(
      1,
      "stop and refer",
      Outcome.STOP,
      "a stop rule, an emergency sign, a red flag, symptoms that spread down the arm, new or worse"
          + " tingling or numbness, or constant night pain, that nobody has examined since"),
  RE_ENTER(
      2,
      "re-enter",
      Outcome.RE_ENTER,
      "14 or more days without this item on this side, or a stop that was examined, and nobody has"
          + " reviewed it since: the lesser of half of it and the start"),
  FLARE(
      3,
      "flare plan",
      Outcome.FLARE_PLAN,
      "pain 2 or more above the baseline for over 24 hours, or two red days within 48 hours;"
          + " afterwards two rungs lower"),
  EASE(
      4,
      "ease one rung",
      Outcome.EASE,
      "2 red of the last 3 days within 14; or the weekly mean up by 2 on last week's or on the"
          + " lowest of the last four; or the stretch felt over its ceiling on 2 of the last 3; or"
          + " woken two nights running; or pain of 7 or more since the last review; or any red"
          + " while irritability is high"),
  RETURN(
      5,
      "return",
      Outcome.RETURN,
      "7 to 13 days without this item on this side: one rung down, once"),
  NOT_KNOWN(
      6,
      "stay: not enough known",
      Outcome.STAY,
      "too few days answered in full at this rung, too few days since it was shared, under 60 % of"
          + " what was planned, or fewer than 3 planned days yet"),
  MAINTAIN(
      7,
      "maintain",
      Outcome.MAINTAIN,
      "at the target at two reviews at least 14 days apart, no red between, and the sides alike:"
          + " half the sessions for it"),
  STAY(
      8,
      "stay",
      Outcome.STAY,
      "of the last 3 days any red, too few green, or any over its ceiling; less done than is wanted"
          + " before one goes on, or more than 130 % of it; another item of the region eased in this"
          + " review; or every step barred"),
  GO_ON(9, "go on one rung", Outcome.GO_ON, "nothing of the above, and there is a step to take"),
  HOLD(10, "hold at the target", Outcome.HOLD, "nothing of the above, and nothing left to step");

  private final int number;
  private final String title;
  private final Outcome outcome;
  private final String condition;

  Line(int number, String title, Outcome outcome, String condition) {
    this.number = number;
    this.title = title;
    this.outcome = outcome;
    this.condition = condition;
  }

  public int number() {
    return number;
  }

  public String title() {
    return title;
  }

  public Outcome outcome() {
    return outcome;
  }

  /** "9, go on one rung: nothing of the above, and there is a step to take". */
  public String words() {
    return "%d, %s: %s".formatted(number, title, condition);
  }

  /** When it applies, in words; what is "too few" is said by {@link Pace}. */
  public String condition() {
    return condition;
  }
}
