package org.biokinet.core.program;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Pacing;

/**
 * What is performed in one session: everything its timeline needs.
 *
 * @param breathSeconds one breath of this client, in seconds, {@value #SHORTEST_BREATH} to {@value
 *     #LONGEST_BREATH}
 * @param lead the side that goes first; empty where the sides take turns from session to session
 * @param length how much of it one session does
 * @param paused the items that wait, by their place; a session does without them
 */
public record Program(
    String title,
    double breathSeconds,
    Pacing pacing,
    Optional<Side> lead,
    SessionLength length,
    List<Item> items,
    Set<Integer> paused) {

  /** Our choice: 30 breaths a minute, faster than any relaxed adult breathes. */
  public static final double SHORTEST_BREATH = 2;

  /** Our choice: twice as slow as the six breaths a minute of slow breathing (Russo 2017). */
  public static final double LONGEST_BREATH = 20;

  /** Our choice, far above any real program. */
  public static final int MOST_ITEMS = 60;

  public static final int LONGEST_TITLE = 120;

  /** A usual session in which the sides take turns. */
  public Program(String title, double breathSeconds, Pacing pacing, List<Item> items) {
    this(title, breathSeconds, pacing, Optional.empty(), SessionLength.USUAL, items, Set.of());
  }

  /** One session of it: the side that goes first where none is fixed, and its length. */
  public Program session(Side turn, SessionLength of) {
    return new Program(title, breathSeconds, pacing, Optional.of(leadOr(turn)), of, items, paused);
  }

  /** The same for other items, of which none waits. */
  public Program of(List<Item> others) {
    return new Program(title, breathSeconds, pacing, lead, length, others, Set.of());
  }

  /** The same without these items, which keep their place. */
  public Program without(Set<Integer> waiting) {
    return new Program(title, breathSeconds, pacing, lead, length, items, waiting);
  }

  /** The same with other doses. */
  public Program dosed(UnaryOperator<Item> changed) {
    List<Item> others = items.stream().map(changed).toList();
    return new Program(title, breathSeconds, pacing, lead, length, others, paused);
  }

  public Side leadOr(Side turn) {
    return lead.orElse(turn);
  }

  public Program {
    items = List.copyOf(items);
    paused = Set.copyOf(paused);
    if (!(breathSeconds >= SHORTEST_BREATH && breathSeconds <= LONGEST_BREATH)) {
      throw new IllegalArgumentException("breathSeconds: 2 to 20, not " + breathSeconds);
    }
    if (items.size() > MOST_ITEMS) {
      throw new IllegalArgumentException("a program has at most " + MOST_ITEMS + " items");
    }
  }
}
