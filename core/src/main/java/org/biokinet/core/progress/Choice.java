package org.biokinet.core.progress;

import java.util.Optional;
import org.biokinet.core.dose.SideDose;

/**
 * What a practitioner makes of a suggestion.
 *
 * @param dose of {@link Kind#ALTER} alone: what is to be done instead; empty where the item is left
 *     out on this side
 * @param reason why, or what was examined and found; empty where none was asked for
 */
public record Choice(Kind kind, Optional<SideDose> dose, String reason) {

  public enum Kind {
    /** As it was suggested. */
    ACCEPT("accepted"),
    /** Another dose. */
    ALTER("altered"),
    /** Nothing changes. */
    REJECT("rejected");

    private final String word;

    Kind(String word) {
      this.word = word;
    }

    public String word() {
      return word;
    }
  }

  public Choice {
    reason = reason.strip();
    if (kind != Kind.ALTER && dose.isPresent()) {
      throw new IllegalArgumentException("only another dose has one");
    }
  }

  public static Choice accept(String reason) {
    return new Choice(Kind.ACCEPT, Optional.empty(), reason);
  }

  public static Choice alter(Optional<SideDose> dose, String reason) {
    return new Choice(Kind.ALTER, dose, reason);
  }

  public static Choice reject(String reason) {
    return new Choice(Kind.REJECT, Optional.empty(), reason);
  }
}
