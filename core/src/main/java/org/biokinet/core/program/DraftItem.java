package org.biokinet.core.program;

import java.time.LocalDate;
import java.util.Optional;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.program.Item.Priority;

/**
 * An item while it is being written. Doses are kept as typed, right or wrong, so that closing the
 * page loses nothing.
 *
 * @param key names the item within the draft, whatever its place
 * @param exercise id in the catalogue
 * @param mark empty where the item is the practitioner's own
 * @param target where its ladder ends, as typed; empty for the catalogue's
 * @param weeks empty where it is done from now on
 */
public record DraftItem(
    String key,
    String exercise,
    String dose,
    Optional<Position> position,
    Optional<Order> order,
    Optional<Side> lead,
    Optional<Priority> priority,
    Optional<Mark> mark,
    Optional<String> target,
    Optional<Weeks> weeks) {

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
        Optional.empty(),
        Optional.empty(),
        Optional.empty());
  }

  /** Where it is done: as chosen, if its exercise can be done so, else as usual. */
  public Position position(Exercise e) {
    return position.filter(e.positions()::contains).orElse(e.usualPosition());
  }

  public DraftItem withDose(String text) {
    return touched(text, position, order, lead, priority, target, weeks);
  }

  public DraftItem withPosition(Position p) {
    return touched(dose, Optional.of(p), order, lead, priority, target, weeks);
  }

  public DraftItem withOrder(Optional<Order> o) {
    return touched(dose, position, o, lead, priority, target, weeks);
  }

  public DraftItem withLead(Optional<Side> side) {
    return touched(dose, position, order, side, priority, target, weeks);
  }

  public DraftItem withPriority(Priority p) {
    return touched(dose, position, order, lead, Optional.of(p), target, weeks);
  }

  public DraftItem withTarget(Optional<String> text) {
    return touched(dose, position, order, lead, priority, text, weeks);
  }

  public DraftItem withWeeks(Weeks w) {
    return touched(
        dose,
        position,
        order,
        lead,
        priority,
        target,
        Optional.of(w).filter(x -> !x.equals(Weeks.USUAL)));
  }

  private DraftItem touched(
      String text,
      Optional<Position> p,
      Optional<Order> o,
      Optional<Side> side,
      Optional<Priority> high,
      Optional<String> end,
      Optional<Weeks> through) {
    return new DraftItem(key, exercise, text, p, o, side, high, Optional.empty(), end, through);
  }

  /** The same under another key. */
  public DraftItem keyed(String other) {
    return new DraftItem(
        other, exercise, dose, position, order, lead, priority, mark, target, weeks);
  }

  public boolean suggested() {
    return mark.isPresent();
  }

  /** Suggested, or the practitioner's own. */
  public DraftItem suggested(boolean so) {
    Optional<Mark> other = so ? Optional.of(Mark.SUGGESTED) : Optional.empty();
    return new DraftItem(
        key, exercise, dose, position, order, lead, priority, other, target, weeks);
  }

  /** Whether it is done on a day of the client's. */
  public boolean done(LocalDate day) {
    return weeks.orElse(Weeks.USUAL).done(day);
  }
}
