package org.biokinet.core.screening;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.biokinet.core.anatomy.Setting;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.junit.jupiter.api.Test;

/** Where somebody begins whose pain is easily stirred up (handbook, section 8). */
class StartDoseTest {

  private static Assessment of(boolean easily, Irritability.Settles settles) {
    Screening s =
        new Screening(
            Set.of(),
            Set.of(),
            3,
            false,
            settles,
            easily,
            OptionalInt.of(easily ? 8 : 3),
            Map.of(),
            "",
            "",
            "",
            false,
            false);
    return Assessment.of(s, Optional.empty());
  }

  /** At most twice a day where more was said; what says nothing keeps its form. */
  @Test
  void timesADayAreLowered() {
    Exercise e = Catalogue.load().get("chin-tuck");
    Setting at = new Setting(e.usualPosition(), false);
    SideDose start = e.start().on(Side.LEFT).orElseThrow();
    for (int times : new int[] {1, 2, 3, 4, 6}) {
      Use use = new Use(e, at, Optional.empty(), start.withPerDay(OptionalInt.of(times)));
      assertThat(perDay(use, false)).hasValue(times);
      assertThat(perDay(use, true)).as(times + "/d").hasValue(Math.min(2, times));
    }
    Use silent = new Use(e, at, Optional.empty(), start.withPerDay(OptionalInt.empty()));
    assertThat(perDay(silent, true)).isEmpty();
  }

  private static OptionalInt perDay(Use use, boolean high) {
    Assessment a =
        high
            ? of(true, Irritability.Settles.LATER)
            : of(false, Irritability.Settles.WITHIN_10_MINUTES);
    assertThat(a.irritability() == Irritability.HIGH).isEqualTo(high);
    return StartDose.of(use, a.irritability(), a.of(use), 5).perDay();
  }
}
