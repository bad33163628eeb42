package org.biokinet.app.review.web;

import org.biokinet.core.progress.Outlook;

/**
 * The weeks ahead in words.
 *
 * @param lead the estimate in a sentence
 * @param sixty when the targets would be reached with 60 % of what is planned done
 */
record OutlookWords(String lead, String sixty, String ninety) {

  static OutlookWords of(Outlook o) {
    String lead =
        o.steps() == 0
            ? "Every target is reached; only kept up in %s".formatted(words(o.finish()))
            : "Every target in %s, only kept up in %s"
                .formatted(words(o.target()), words(o.finish()));
    return new OutlookWords(lead, words(o.sixty()), words(o.ninety()));
  }

  /** "about 9 weeks (7 to 13)". */
  private static String words(Outlook.Range r) {
    if (r.low().isEmpty()) return "more than a year";
    if (r.middle().isEmpty()) {
      return "%d weeks at the soonest, more likely over a year".formatted(r.low().getAsInt());
    }
    String high = r.high().isPresent() ? Integer.toString(r.high().getAsInt()) : "over 52";
    int middle = r.middle().getAsInt();
    return "about %d %s (%d to %s)"
        .formatted(middle, middle == 1 ? "week" : "weeks", r.low().getAsInt(), high);
  }
}
