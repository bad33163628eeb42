package org.biokinet.app.program;

import java.util.EnumMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.Pain;
import org.biokinet.core.dose.TenPoint;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.Rhythm;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.screening.Permit;
import org.biokinet.core.timeline.Timeline;

/**
 * What may be done of a program now.
 *
 * @param replay the program with the doses of today
 * @param off the items that are done on other days, by their place
 */
public record Permitted(Permit permit, VersionService.Replay replay, Set<Integer> off) {

  public Permitted {
    off = Set.copyOf(off);
  }

  /** The same on a day on which these items are not done. */
  public Permitted without(Set<Integer> others) {
    return new Permitted(permit, replay, others);
  }

  public ProgramKind program() {
    return replay.version().program();
  }

  /** A dose that names no ceiling has that of the screening. */
  public Dose dose(Item i) {
    return permit
        .allowed()
        .map(a -> a.inForce(i.exercise(), i.position(), i.dose()))
        .orElse(i.dose());
  }

  /** A session of it, without what is not done now, each stretch with the ceiling in force. */
  public Program session(Side turn, SessionLength length) {
    Set<Integer> not = new HashSet<>(permit.waiting());
    not.addAll(off);
    return replay.session(turn, length, not).dosed(i -> i.dosed(dose(i)));
  }

  /** The program without what waits. */
  public Program left() {
    return replay.program().without(permit.waiting());
  }

  /** How often it is done, without what waits. */
  public Rhythm rhythm() {
    return Rhythm.of(left());
  }

  /**
   * The seconds of each length that can be done; one that would be longer than any session may be
   * is none.
   */
  public Map<SessionLength, Integer> lengths(Side turn) {
    Map<SessionLength, Integer> lengths = new EnumMap<>(SessionLength.class);
    for (SessionLength length : program().lengths()) {
      if (length.needsScreening() && !permit.longSession()) continue;
      try {
        lengths.put(length, Timeline.compile(session(turn, length)).seconds());
      } catch (Timeline.TooLong e) {
        // Nobody is offered it.
      }
    }
    return lengths;
  }

  public boolean mayStart(SessionLength length, int pain) {
    return !permit.nothing()
        && program().lengths().contains(length)
        && (!length.needsScreening() || permit.longSession())
        && TenPoint.valid(pain)
        && new Pain(pain).mayStart();
  }

  /** Whether it is there for a flare, and there is none. */
  public boolean onlyForAFlare() {
    return permit.notItsTurn().filter(turn -> turn == Permit.Turn.NO_FLARE).isPresent();
  }

  /** Whether the screening leaves none of it, whoever's turn it is. */
  public boolean noneAllowed() {
    return permit.objections().size() == replay.program().items().size();
  }
}
