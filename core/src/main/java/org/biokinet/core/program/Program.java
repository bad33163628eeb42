package org.biokinet.core.program;

import java.util.List;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Pacing;

/**
 * What is performed in one session: everything its timeline needs.
 *
 * @param breathSeconds one breath of this client, in seconds, {@value #SHORTEST_BREATH} to {@value
 *     #LONGEST_BREATH}
 * @param lead the side that goes first
 */
public record Program(
    String title, double breathSeconds, Pacing pacing, Side lead, List<Item> items) {

  /** Our choice: 30 breaths a minute, faster than any relaxed adult breathes. */
  public static final double SHORTEST_BREATH = 2;

  /** Our choice: twice as slow as the six breaths a minute of slow breathing (Russo 2017). */
  public static final double LONGEST_BREATH = 20;

  /** Our choice, far above any real program. */
  public static final int MOST_ITEMS = 60;

  public static final int LONGEST_TITLE = 120;

  public Program {
    items = List.copyOf(items);
    if (!(breathSeconds >= SHORTEST_BREATH && breathSeconds <= LONGEST_BREATH)) {
      throw new IllegalArgumentException("breathSeconds: 2 to 20, not " + breathSeconds);
    }
    if (items.size() > MOST_ITEMS) {
      throw new IllegalArgumentException("a program has at most " + MOST_ITEMS + " items");
    }
  }
}
