package org.biokinet.app.program;

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

/**
 * What may be done of a program now.
 *
 * @param replay the program with the doses of today
 */
public record Permitted(Permit permit, VersionService.Replay replay) {

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

  /** A session of it, without what waits, each stretch with the ceiling that is in force. */
  public Program session(Side turn, SessionLength length) {
    return replay.session(turn, length, permit.waiting()).dosed(i -> i.dosed(dose(i)));
  }

  /** How often it is done, without what waits. */
  public Rhythm rhythm() {
    return Rhythm.of(replay.program().without(permit.waiting()));
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
