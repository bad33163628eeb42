package org.biokinet.core.progress;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What may be made of a review by itself, where a practitioner has allowed it: to ease, and on the
 * day of a review to stay. It never gives more, and leaves to a practitioner whatever somebody has
 * to look at. All of it is our choice.
 */
public final class Automatic {

  /** Why something that might go on, or is kept up, stays meanwhile. */
  public static final String WAITS = "waits for a practitioner";

  private Automatic() {}

  /**
   * What is decided of it by itself.
   *
   * @param due whether the day of the review has come
   * @return each part of the program; empty where it is left to a practitioner
   */
  public static Optional<List<Agreed>> of(Review review, boolean due) {
    if (review.course().isPresent() || review.decisions().stream().anyMatch(Automatic::wanted)) {
      return Optional.empty();
    }
    boolean eases = review.decisions().stream().anyMatch(d -> d.line() == Line.EASE);
    boolean stays = review.decisions().stream().allMatch(Automatic::stays);
    if (!eases && !(due && stays)) return Optional.empty();
    List<Agreed> agreed = new ArrayList<>();
    for (Decision d : review.decisions()) {
      boolean taken = d.line() == Line.EASE || stays(d);
      agreed.add(new Agreed(d, taken ? Choice.accept("") : Choice.reject(WAITS)));
    }
    return Optional.of(agreed);
  }

  private static boolean stays(Decision d) {
    return switch (d.line()) {
      case NOT_KNOWN, STAY, HOLD -> true;
      case STOP, RE_ENTER, FLARE, EASE, RETURN, MAINTAIN, GO_ON -> false;
    };
  }

  /** Whether somebody has to look at it, or to choose. */
  private static boolean wanted(Decision d) {
    return switch (d.line()) {
      case STOP, RE_ENTER, FLARE, RETURN -> true;
      case EASE, NOT_KNOWN, MAINTAIN, STAY, GO_ON, HOLD ->
          d.examine()
              || d.asks().contains(Decision.Ask.EASIER_OR_PAUSE)
              || d.asks().contains(Decision.Ask.FOUR_WEEKS);
    };
  }
}
