package org.biokinet.core.planning;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Bounds;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.ledger.Band;
import org.biokinet.core.measure.Finding;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.screening.Allowed;

/**
 * What a suggestion goes by.
 *
 * @param findings those that a practitioner let stand
 * @param allowed what the screening lets this client do, with the positions, the equipment and the
 *     breath of the client
 * @param minutes of one session, 1–{@value #MOST_MINUTES}
 * @param timesADay sessions a day
 * @param band whose lower edge is enough stretch of a muscle
 * @param avoided ids of exercises that this client disliked or that provoked pain
 * @param pinch sides toward which a turn of the neck ends with a pinch on that very side
 * @param pinned items that stay whatever else is suggested, as they are
 * @param inForce the program that the client does now
 */
public record Case(
    List<Finding> findings,
    Allowed allowed,
    int minutes,
    int timesADay,
    Pacing pacing,
    Band band,
    Preferences preferences,
    Set<String> avoided,
    Set<Side> pinch,
    List<Item> pinned,
    Optional<Program> inForce) {

  /** Our choice: nobody plans more of it at home. */
  public static final int MOST_MINUTES = 60;

  /** A desk break may be that long (our choice). */
  public static final int MOST_DESK_MINUTES = 3;

  public Case {
    findings = List.copyOf(findings);
    avoided = Set.copyOf(avoided);
    pinch = Set.copyOf(pinch);
    pinned = List.copyOf(pinned);
    if (minutes < 1 || minutes > MOST_MINUTES) {
      throw new IllegalArgumentException(
          "1 to %d minutes, not %d".formatted(MOST_MINUTES, minutes));
    }
    Bounds.PER_DAY.check(timesADay);
  }

  public Means means() {
    return allowed.means();
  }

  public double breathSeconds() {
    return allowed.breathSeconds();
  }

  public Case withMinutes(int other) {
    return new Case(
        findings,
        allowed,
        other,
        timesADay,
        pacing,
        band,
        preferences,
        avoided,
        pinch,
        pinned,
        inForce);
  }

  public Case withPinned(List<Item> others) {
    return new Case(
        findings,
        allowed,
        minutes,
        timesADay,
        pacing,
        band,
        preferences,
        avoided,
        pinch,
        others,
        inForce);
  }

  /** For a client who does this program now. */
  public Case after(Program now) {
    return new Case(
        findings,
        allowed,
        minutes,
        timesADay,
        pacing,
        band,
        preferences,
        avoided,
        pinch,
        pinned,
        Optional.of(now));
  }

  public Case withFindings(List<Finding> others) {
    return new Case(
        others,
        allowed,
        minutes,
        timesADay,
        pacing,
        band,
        preferences,
        avoided,
        pinch,
        pinned,
        inForce);
  }

  public Case withAllowed(Allowed other) {
    return new Case(
        findings,
        other,
        minutes,
        timesADay,
        pacing,
        band,
        preferences,
        avoided,
        pinch,
        pinned,
        inForce);
  }

  public Case withMost(int items) {
    Preferences p = preferences;
    return new Case(
        findings,
        allowed,
        minutes,
        timesADay,
        pacing,
        band,
        new Preferences(p.counting(), p.contractRelax(), p.circles(), items),
        avoided,
        pinch,
        pinned,
        inForce);
  }

  /** The same for a break at the desk: on the chair or standing, with nothing in the hand. */
  public Case atTheDesk() {
    Set<Position> upright = EnumSet.of(Position.CHAIR, Position.STAND);
    upright.retainAll(means().positions());
    if (upright.isEmpty()) upright = EnumSet.of(Position.CHAIR);
    Means desk = new Means(upright, Set.of());
    Allowed there = new Allowed(allowed.assessment(), desk, breathSeconds());
    return withAllowed(there).withMinutes(Math.min(minutes, MOST_DESK_MINUTES));
  }
}
