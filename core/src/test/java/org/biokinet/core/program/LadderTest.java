package org.biokinet.core.program;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseContext;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.dose.Parsed;
import org.biokinet.core.dose.Sidedness;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.junit.jupiter.api.Test;

/** Handbook section 10: hold, then repetitions, then sets or times a day, then effort. */
class LadderTest {

  private static List<String> between(Mode mode, String start, String target) {
    DoseContext context = new DoseContext(mode, Sidedness.EACH, mode == Mode.HOLD, List.of());
    return texts(Ladder.between(dose(start, context), dose(target, context)));
  }

  private static Dose dose(String text, DoseContext context) {
    return ((Parsed.Understood) DoseNotation.parse(text, context)).dose();
  }

  private static List<String> texts(Ladder ladder) {
    return ladder.rungs().stream().map(r -> DoseNotation.format(new Dose.Alike(r))).toList();
  }

  @Test
  void theHoldGrowsBeforeTheRepetitions() {
    assertThat(between(Mode.HOLD, "2x15s", "3x30s"))
        .containsExactly("2x15s", "2x20s", "2x30s", "3x30s");
    assertThat(between(Mode.HOLD, "2br", "2x5br"))
        .containsExactly("2br", "3br", "4br", "5br", "2x5br");
  }

  @Test
  void setsThenTimesADayThenEffortThenCeiling() {
    assertThat(between(Mode.MOVE, "3", "2x10"))
        .containsExactly("3", "4", "5", "6", "8", "10", "2x10");
    assertThat(between(Mode.ISO, "3x5s 30% 1/d", "3x10s 50% 2/d"))
        .containsExactly(
            "3x5s 30% 1/d", "3x10s 30% 1/d", "3x10s 30% 2/d", "3x10s 40% 2/d", "3x10s 50% 2/d");
    assertThat(between(Mode.HOLD, "30s @2", "30s @4"))
        .containsExactly("30s @2", "30s @3", "30s @4");
    assertThat(between(Mode.HOLD, "cr2(6s+15s)", "cr4(6s+15s)"))
        .containsExactly("cr2(6s+15s)", "cr3(6s+15s)", "cr4(6s+15s)");
  }

  @Test
  void aTargetBetweenTwoStepsIsReachedExactly() {
    assertThat(between(Mode.HOLD, "10s", "25s")).containsExactly("10s", "15s", "20s", "25s");
    // Breaths and seconds cannot be compared: nothing lies between.
    assertThat(between(Mode.HOLD, "3br", "30s")).containsExactly("3br", "30s");
  }

  /** Property over the catalogue: one thing changes a step, and the ladder ends at the target. */
  @Test
  void everyLadderOfTheCatalogueLeadsFromStartToTarget() {
    for (Exercise e : Catalogue.load().all()) {
      Ladder ladder = Ladder.between(e.start(), e.target());
      List<String> texts = texts(ladder);
      assertThat(texts.get(0)).isEqualTo(DoseNotation.format(e.start()));
      assertThat(texts.get(texts.size() - 1)).isEqualTo(DoseNotation.format(e.target()));
      assertThat(texts).as(e.id()).doesNotHaveDuplicates().hasSizeLessThan(14);
    }
  }
}
