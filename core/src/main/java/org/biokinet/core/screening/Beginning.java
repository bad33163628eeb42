package org.biokinet.core.screening;

import java.util.Optional;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.program.Ladder;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramKind;

/**
 * With which doses somebody begins who was away, from the full ones to the least, until a
 * practitioner has looked. Each is a function of the item alone, so that it can be replayed. Common
 * practice, no source.
 */
public enum Beginning {
  /** As they were shared. */
  AS_SHARED(0, "as shared"),
  /** After {@link Gate#RETURN_DAYS} days without a session: one rung down, once. */
  ONE_DOWN(1, "after 7 days or more without a session they start one rung down"),
  /** After a flare that has settled: two rungs lower than before. */
  TWO_DOWN(2, "after the flare they start two rungs lower than before it"),
  /** After {@link Gate#PAUSE_DAYS} days: {@link ReEntry}. */
  RE_ENTRY(
      0,
      "after 14 days or more without one, and renewed at home, they start with half the dose or the"
          + " start dose, whichever is less");

  private final int rungs;
  private final String words;

  Beginning(int rungs, String words) {
    this.rungs = rungs;
    this.words = words;
  }

  /** Of sessions: "after 7 days or more without a session they start one rung down". */
  public String words() {
    return words;
  }

  /** Of one of the client's programs, as the gate stands; what is for a flare is small as it is. */
  public static Beginning of(ProgramKind kind, Gate gate) {
    return gate instanceof Gate.Open open && kind != ProgramKind.FLARE
        ? open.beginning()
        : AS_SHARED;
  }

  /** All of a program with such doses. */
  public Program of(Program program) {
    return switch (this) {
      case AS_SHARED -> program;
      case ONE_DOWN, TWO_DOWN -> program.dosed(i -> i.dosed(lower(i.exercise(), i.dose())));
      case RE_ENTRY -> ReEntry.of(program);
    };
  }

  private Dose lower(Exercise e, Dose dose) {
    if (e.isRest()) return dose;
    Optional<SideDose> left = lower(e, dose, Side.LEFT);
    Optional<SideDose> right = lower(e, dose, Side.RIGHT);
    if (left.isEmpty()) return new Dose.OneSide(Side.RIGHT, right.orElseThrow());
    if (right.isEmpty()) return new Dose.OneSide(Side.LEFT, left.orElseThrow());
    return Dose.of(left.get(), right.get());
  }

  private Optional<SideDose> lower(Exercise e, Dose dose, Side side) {
    return dose.on(side)
        .map(
            now ->
                e.start()
                    .on(side)
                    .map(start -> Ladder.down(now, start, e.doseContext(), rungs))
                    .orElse(now));
  }

  /** Whether doses are smaller than they were shared. */
  public boolean smaller() {
    return this != AS_SHARED;
  }

  /** Whether it asks less than another. */
  @SuppressWarnings("EnumOrdinal") // the order is that of the rules, the least last
  public boolean asksLessThan(Beginning other) {
    return ordinal() > other.ordinal();
  }
}
