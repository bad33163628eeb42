package org.biokinet.core.advice;

import java.util.List;
import java.util.Optional;
import org.biokinet.core.program.DraftEdit;

/**
 * Something that a practitioner should know before a draft is shared.
 *
 * @param key of the item that it is about; empty where it is about all of it
 * @param words what is so, in words
 * @param weight what sharing takes
 * @param fixes what would put it right, the one that costs least first
 */
public record Warning(
    Kind kind, Optional<String> key, String words, Weight weight, List<Fix> fixes) {

  /** What sharing takes while it stands. */
  public enum Weight {
    /** Nothing: it is as it should be at this stage, and worth knowing. */
    NOTE(""),
    /** A reason, which is kept. */
    REASON("△"),
    /** It cannot be shared. */
    BLOCKS("✕");

    private final String sign;

    Weight(String sign) {
      this.sign = sign;
    }

    public String sign() {
      return sign;
    }
  }

  /** The rule that it comes from. */
  public enum Kind {
    LOCKED("The screening locks it; a record of what was examined can open it."),
    LIMIT("The screening limits it: ceiling, effort, start dose or times a day."),
    MISPLACED("A desk program is short, on a chair or standing, with nothing in the hand."),
    MINUTES("A session fits into the minutes that the client has; asked of the client."),
    UNDER("Published bands of stretch, recalled from memory; see bands and sources."),
    OVER("Beyond about 10 min a week little more is gained (Ingram 2025, recalled from memory)."),
    RISE("From week to week at most half more, or 30 s a day more, on a side; our choice."),
    AFTER_FOLD("After a fold with the head down only slow rising; common practice, no source."),
    ORDER("The usual order of a session; common practice, no source."),
    HOPPING("As few changes of position as possible; common practice, no source."),
    TWICE("One exercise stands once, with one dose and one ladder; our choice."),
    UNHEARD(
        "Words are heard in the time of their exercise, 150 a minute; common practice, no source."),
    FINDING("What was found is treated, or somebody says why not; our choice.");

    private final String rule;

    Kind(String rule) {
      this.rule = rule;
    }

    /** In one sentence, with where it comes from. */
    public String rule() {
      return rule;
    }
  }

  /**
   * One tap that puts it right.
   *
   * @param words what it does: "drop the third hold of upper trapezius stretch"
   * @param cost what comes of it: "→ 7:47; right upper trapezius 60 of 60 s"
   */
  public record Fix(String words, DraftEdit edit, String cost) {}

  public Warning {
    fixes = List.copyOf(fixes);
  }
}
