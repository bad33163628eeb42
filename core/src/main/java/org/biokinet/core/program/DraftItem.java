package org.biokinet.core.program;

import java.util.Optional;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.program.Item.Priority;

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
    Optional<Side> lead,
    Optional<Priority> priority) {

  public static DraftItem of(String key, String exercise, String dose) {
    return new DraftItem(
        key,
        exercise,
        dose,
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty());
  }

  public DraftItem withDose(String text) {
    return new DraftItem(key, exercise, text, position, order, lead, priority);
  }

  public DraftItem withPosition(Position p) {
    return new DraftItem(key, exercise, dose, Optional.of(p), order, lead, priority);
  }

  public DraftItem withOrder(Optional<Order> o) {
    return new DraftItem(key, exercise, dose, position, o, lead, priority);
  }

  public DraftItem withLead(Optional<Side> side) {
    return new DraftItem(key, exercise, dose, position, order, side, priority);
  }

  public DraftItem withPriority(Priority p) {
    return new DraftItem(key, exercise, dose, position, order, lead, Optional.of(p));
  }
}
