package org.biokinet.core.dose;

/** The work of one side (or of an exercise without sides): what is counted, before its parts. */
public sealed interface Work {

  int sets();

  /** Repetitions without a hold, such as {@code 2x10}. */
  record Repetitions(int sets, int reps) implements Work {
    public Repetitions {
      Bounds.SETS.check(sets);
      Bounds.REPETITIONS.check(reps);
    }
  }

  /**
   * Holds, such as {@code 3x30s}. Several sets of a single hold are that many repetitions, so sets
   * above 1 need repetitions above 1.
   *
   * @param atEnd whether each is held at the end of a repetition of a movement: a single one is
   *     still written as a repetition, {@code 1x6s}
   */
  record Holds(int sets, int reps, Length hold, boolean atEnd) implements Work {
    public Holds {
      Bounds.SETS.check(sets);
      Bounds.REPETITIONS.check(reps);
      Bounds.of(hold.unit()).check(hold.amount());
      if (sets > 1 && reps == 1) {
        throw new IllegalArgumentException("sets of a single hold are repetitions");
      }
    }

    public Holds(int sets, int reps, Length hold) {
      this(sets, reps, hold, false);
    }

    public Holds withSets(int other) {
      return new Holds(other, reps, hold, atEnd);
    }

    public Holds withReps(int other) {
      return new Holds(sets, other, hold, atEnd);
    }

    public Holds withHold(Length other) {
      return new Holds(sets, reps, other, atEnd);
    }
  }

  /** Contract–relax: contract, then move deeper, so many cycles without coming out. */
  record ContractRelax(int sets, int cycles, int contractSeconds, Length deeper) implements Work {
    public ContractRelax {
      Bounds.SETS.check(sets);
      Bounds.CYCLES.check(cycles);
      Bounds.CONTRACT_SECONDS.check(contractSeconds);
      (deeper.inBreaths() ? Bounds.DEEPER_BREATHS : Bounds.DEEPER_SECONDS).check(deeper.amount());
    }
  }
}
