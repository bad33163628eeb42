package org.biokinet.core.planning;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Bounds;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.ledger.Band;
import org.biokinet.core.measure.Finding;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.screening.Allowed;

/**
 * What a suggestion goes by.
 *
 * @param kind of the program that is wanted
 * @param findings those that a practitioner let stand
 * @param allowed what the screening lets this client do, with the positions and the equipment that
 *     there are where it is done, and the breath of the client
 * @param minutes of one session, from 1 to what the kind of program has at most
 * @param timesADay sessions a day
 * @param band whose lower edge is enough stretch of a muscle
 * @param avoided ids of exercises that this client disliked or that provoked pain
 * @param pinch sides toward which a turn of the neck ends with a pinch on that very side
 * @param pinned items that stay whatever else is suggested, as they are
 * @param inForce the program that the client does now
 * @param beside what the client does besides and goes on doing; it counts in the ledger, and for
 *     the limits of a day where the wanted program is the one that gives way
 */
public record Case(
    ProgramKind kind,
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
    Optional<Program> inForce,
    List<Item> beside) {

  public Case {
    beside = List.copyOf(beside);
    allowed = allowed.beside(kind.givesWay() ? beside : List.of());
    findings = List.copyOf(findings);
    avoided = Set.copyOf(avoided);
    pinch = Set.copyOf(pinch);
    pinned = List.copyOf(pinned);
    if (minutes < 1 || minutes > kind.mostMinutes()) {
      throw new IllegalArgumentException(
          "1 to %d minutes, not %d".formatted(kind.mostMinutes(), minutes));
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
    return with(findings, allowed, other, preferences, pinned, inForce);
  }

  public Case withPinned(List<Item> others) {
    return with(findings, allowed, minutes, preferences, others, inForce);
  }

  public Case withFindings(List<Finding> others) {
    return with(others, allowed, minutes, preferences, pinned, inForce);
  }

  public Case withAllowed(Allowed other) {
    return with(findings, other, minutes, preferences, pinned, inForce);
  }

  public Case withMost(int items) {
    return with(findings, allowed, minutes, preferences.withMost(items), pinned, inForce);
  }

  /** For a client who does this program now. */
  public Case after(Program now) {
    return with(findings, allowed, minutes, preferences, pinned, Optional.of(now));
  }

  private Case with(
      List<Finding> what,
      Allowed open,
      int length,
      Preferences liked,
      List<Item> staying,
      Optional<Program> now) {
    return new Case(
        kind, what, open, length, timesADay, pacing, band, liked, avoided, pinch, staying, now,
        beside);
  }
}
