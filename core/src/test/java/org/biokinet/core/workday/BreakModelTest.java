package org.biokinet.core.workday;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.biokinet.core.workday.BreakPlan.Situation;
import org.junit.jupiter.api.Test;

/** The same days by a solver of integer programs (ojAlgo), which knows nothing of our search. */
class BreakModelTest {

  @Test
  void aSolverFindsNothingBetter() {
    int beyond = 0;
    int full = 0;
    for (long seed = 1000; seed < 1200; seed++) {
      Situation s = BreakPlanTest.seeded(seed, 16);
      List<Long> ours = BreakPlanTest.worth(s, BreakPlan.of(s).breaks());
      assertThat(BreakModel.ask(s)).as("seed " + seed).isEqualTo(ours);
      if (ours.get(0) > 0) beyond++;
      if (ours.get(40) == s.wish().number()) full++;
    }
    // Of all sorts there are some.
    assertThat(beyond).isBetween(20, 199);
    assertThat(full).isBetween(20, 180);
  }
}
