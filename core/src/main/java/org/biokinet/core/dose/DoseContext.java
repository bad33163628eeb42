package org.biokinet.core.dose;

import java.util.List;

/**
 * What the exercise implies about its dose; the parser needs no more than this.
 *
 * @param resisted whether it works against a weight or a band
 * @param directions the exercise's own pair in the order they are done; empty without directions
 */
public record DoseContext(
    Mode mode,
    Sidedness sides,
    boolean contractRelax,
    boolean resisted,
    List<Direction> directions) {

  /** Without resistance. */
  public DoseContext(
      Mode mode, Sidedness sides, boolean contractRelax, List<Direction> directions) {
    this(mode, sides, contractRelax, false, directions);
  }

  public DoseContext {
    directions = List.copyOf(directions);
    if (sides.directed() != (directions.size() == 2)) {
      throw new IllegalArgumentException("directed exercises name two directions, others none");
    }
  }
}
