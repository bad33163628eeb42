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
 * @param mark empty where the item is the practitioner's own
 */
public record DraftItem(
    String key,
    String exercise,
    String dose,
    Optional<Position> position,
    Optional<Order> order,
    Optional<Side> lead,
    Optional<Priority> priority,
    Optional<Mark> mark) {

  /** What an item is that nobody has touched yet. */
  public enum Mark {
    SUGGESTED
  }

  public static DraftItem of(String key, String exercise, String dose) {
    return new DraftItem(
        key,
        exercise,
        dose,
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty());
  }

  public DraftItem withDose(String text) {
    return new DraftItem(key, exercise, text, position, order, lead, priority, Optional.empty());
  }

  public DraftItem withPosition(Position p) {
    return new DraftItem(
        key, exercise, dose, Optional.of(p), order, lead, priority, Optional.empty());
  }

  public DraftItem withOrder(Optional<Order> o) {
    return new DraftItem(key, exercise, dose, position, o, lead, priority, Optional.empty());
  }

  public DraftItem withLead(Optional<Side> side) {
    return new DraftItem(key, exercise, dose, position, order, side, priority, Optional.empty());
  }

  public DraftItem withPriority(Priority p) {
    return new DraftItem(
        key, exercise, dose, position, order, lead, Optional.of(p), Optional.empty());
  }

  public boolean suggested() {
    return mark.isPresent();
  }

  /** Suggested, or the practitioner's own. */
  public DraftItem suggested(boolean so) {
    Optional<Mark> other = so ? Optional.of(Mark.SUGGESTED) : Optional.empty();
    return new DraftItem(key, exercise, dose, position, order, lead, priority, other);
  }
}
