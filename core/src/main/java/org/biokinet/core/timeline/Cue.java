package org.biokinet.core.timeline;

/**
 * The words of one segment.
 *
 * @param headline the movement or action, shortest and largest: "Tilt left"
 * @param detail what else to know, may be empty
 * @param not where it must not be felt; empty outside the movement
 * @param spoken what is said and printed at the start of the segment
 * @param ending what is said so that it ends with the segment: the way out; empty for most
 */
public record Cue(String headline, String detail, String not, String spoken, String ending) {

  /** Only what is said at the start. */
  Cue(String headline, String detail, String spoken) {
    this(headline, detail, "", spoken, "");
  }

  /** Seconds before the end of the segment at which the ending begins; 0 without one. */
  public double endingSeconds() {
    return ending.isEmpty() ? 0 : Cues.seconds(ending);
  }

  Cue saying(String text, String last) {
    return new Cue(headline, detail, not, text, last);
  }

  Cue showing(String whereNot) {
    return new Cue(headline, detail, whereNot, spoken, ending);
  }
}
