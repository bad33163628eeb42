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
   */
  record Holds(int sets, int reps, Length hold) implements Work {
    public Holds {
      Bounds.SETS.check(sets);
      Bounds.REPETITIONS.check(reps);
      Bounds.of(hold.unit()).check(hold.amount());
      if (sets > 1 && reps == 1) {
        throw new IllegalArgumentException("sets of a single hold are repetitions");
      }
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
