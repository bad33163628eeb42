package org.biokinet.core.anatomy;

import java.util.Set;

/**
 * What a client can do and has.
 *
 * @param positions that the client can take; never empty
 * @param equipment that is at hand; a client who can sit on a chair has a chair
 */
public record Means(Set<Position> positions, Set<Equipment> equipment) {
  public Means {
    positions = Set.copyOf(positions);
    equipment = Set.copyOf(equipment);
    if (positions.isEmpty()) throw new IllegalArgumentException("a client is in some position");
  }

  /** Whoever gets down to the floor has a floor to lie on. */
  public boolean canDoWithout(Equipment e) {
    return e == Equipment.MAT && positions.stream().anyMatch(Position::onFloor);
  }

  public boolean has(Equipment e) {
    return equipment.contains(e) || (e == Equipment.CHAIR && positions.contains(Position.CHAIR));
  }
}
