package org.biokinet.core.program;

import java.util.Optional;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;

/**
 * An item while it is being written. The dose is kept as typed, right or wrong, so that closing the
 * page loses nothing.
 *
 * @param key names the item within the draft, whatever its place
 * @param exercise id in the catalogue
 */
public record DraftItem(
    String key,
    String exercise,
    String dose,
    Optional<Position> position,
    Optional<Order> order,
    Optional<Side> lead) {

  public static DraftItem of(String key, String exercise, String dose) {
    return new DraftItem(key, exercise, dose, Optional.empty(), Optional.empty(), Optional.empty());
  }

  public DraftItem withDose(String text) {
    return new DraftItem(key, exercise, text, position, order, lead);
  }

  public DraftItem withPosition(Position p) {
    return new DraftItem(key, exercise, dose, Optional.of(p), order, lead);
  }
}
