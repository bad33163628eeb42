package org.biokinet.core.screening;

import java.util.Optional;
import org.biokinet.core.anatomy.Setting;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.exercise.Exercise;

/**
 * An exercise as somebody does it: on one side, in a position, with a dose.
 *
 * @param treated empty where the exercise has no sides
 */
public record Use(Exercise exercise, Setting at, Optional<Side> treated, SideDose dose) {

  /** With the dose that the catalogue begins with; empty where that leaves this side out. */
  public static Optional<Use> atStart(Exercise e, Setting at, Side treated) {
    Optional<Side> side = e.sided() ? Optional.of(treated) : Optional.empty();
    return e.start().on(treated).map(dose -> new Use(e, at, side, dose));
  }
}
