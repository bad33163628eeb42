package org.biokinet.core.timeline;

/**
 * The words of one segment.
 *
 * @param headline the movement or action, shortest and largest: "Tilt left"
 * @param detail what else to know, may be empty
 * @param not where it must not be felt; empty outside the movement
 * @param limits how strong, how hard and against what, as prescribed; empty where nothing is
 * @param spoken what is said at the start of the segment; empty where it is told before
 * @param ending what is said so that it ends with the segment: the way out; empty for most
 */
public record Cue(
    String headline, String detail, String not, String limits, String spoken, String ending) {

  static Cue shown(String headline, String detail) {
    return new Cue(headline, detail, "", "", "", "");
  }

  /** Seconds before the end of the segment at which the ending begins; 0 without one. */
  public double endingSeconds() {
    return ending.isEmpty() ? 0 : Phrases.seconds(ending);
  }

  Cue saying(String text, String last) {
    return new Cue(headline, detail, not, limits, text, last);
  }

  Cue limited(String whereNot, String most) {
    return new Cue(headline, detail, whereNot, most, spoken, ending);
  }
}
