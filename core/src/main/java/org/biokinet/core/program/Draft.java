package org.biokinet.core.program;

import java.util.List;
import java.util.Optional;
import org.biokinet.core.anatomy.Side;

/**
 * A program while it is being written.
 *
 * @param lead the side that always goes first; empty where the sides take turns
 * @param note to the client, in the practitioner's words; empty where there is none
 * @param days how long a flare plan is followed, 1 to {@link #MOST_DAYS}; empty for as long as
 *     usual
 * @param breath one breath of the client in seconds, where it was changed here; sharing makes it
 *     theirs
 * @param course what it is meant to be over the weeks; empty for the usual one
 */
public record Draft(
    String title,
    Optional<Side> lead,
    Optional<String> note,
    List<DraftItem> items,
    Optional<Course> course,
    Optional<Integer> days,
    Optional<Double> breath) {

  public static final int LONGEST_NOTE = 500;

  /** A flare that has not settled by then is examined. */
  public static final int MOST_DAYS = 3;

  /** 48 hours (our choice, with the rules of a flare). */
  public static final int USUAL_DAYS = 2;

  public Draft {
    items = List.copyOf(items);
  }

  public Draft withItems(List<DraftItem> others) {
    return new Draft(title, lead, note, others, course, days, breath);
  }

  public Draft withLead(Optional<Side> side) {
    return new Draft(title, side, note, items, course, days, breath);
  }

  /** Without anything in it. */
  public static Draft empty(String title) {
    return new Draft(
        title,
        Optional.empty(),
        Optional.empty(),
        List.of(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty());
  }

  /** Place of an item, or -1 when it is gone. */
  public int indexOf(String key) {
    for (int i = 0; i < items.size(); i++) {
      if (items.get(i).key().equals(key)) return i;
    }
    return -1;
  }
}
