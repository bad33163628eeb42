package org.biokinet.core.safety;

import java.util.Optional;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.library.Alternatives;

/**
 * An exercise as somebody does it: on one side, in a position, with a dose.
 *
 * @param treated empty where the exercise has no sides
 */
public record Use(Exercise exercise, Setting at, Optional<Side> treated, SideDose dose) {

  /** Where and on what it is done. */
  public record Setting(Position position, boolean onBed) {

    /** Who has a bed lies on it, not on the floor. */
    public static Setting of(Position position, Alternatives.Means means) {
      return new Setting(position, position.lying() && means.equipment().contains(Equipment.BED));
    }
  }

  /** With the dose that the catalogue begins with; empty where that leaves this side out. */
  static Optional<Use> atStart(Exercise e, Setting at, Side treated) {
    Optional<Side> side = e.sided() ? Optional.of(treated) : Optional.empty();
    return e.start().on(treated).map(dose -> new Use(e, at, side, dose));
  }
}
