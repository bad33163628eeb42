package org.biokinet.core.workday;

import java.time.Instant;
import org.biokinet.core.anatomy.Coded;

/** What was told of a break. */
public record Moment(Kind kind, Instant at) {

  /** What became of it. */
  public enum Kind implements Coded {
    /** It was had, from then on; with or without the desk program. */
    HAD("had"),
    /** Not now, in a moment. */
    LATER("later"),
    /** Not this one. */
    SKIPPED("skipped"),
    /** Somebody was asked, and did not answer. */
    MISSED("missed");

    private final String code;

    Kind(String code) {
      this.code = code;
    }

    @Override
    public String code() {
      return code;
    }
  }
}
