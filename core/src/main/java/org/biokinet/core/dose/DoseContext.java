package org.biokinet.core.dose;

import java.util.List;

/**
 * What the exercise implies about its dose; the parser needs no more than this.
 *
 * @param directions the exercise's own pair in the order they are done; empty without directions
 */
public record DoseContext(
    Mode mode, Sidedness sides, boolean contractRelax, List<Direction> directions) {

  public DoseContext {
    directions = List.copyOf(directions);
    if (sides.directed() != (directions.size() == 2)) {
      throw new IllegalArgumentException("directed exercises name two directions, others none");
    }
  }
}
