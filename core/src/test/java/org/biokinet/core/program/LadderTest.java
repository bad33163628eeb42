package org.biokinet.core.program;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseContext;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.dose.Parsed;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.dose.Sidedness;
import org.biokinet.core.dose.Volume;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.junit.jupiter.api.Test;

/** Handbook section 10: hold, then repetitions, then sets or times a day, then effort. */
class LadderTest {

  private static List<String> between(Mode mode, String start, String target) {
    DoseContext context = new DoseContext(mode, Sidedness.EACH, mode == Mode.HOLD, List.of());
    return texts(
        Ladder.between(
            ((Dose.Alike) dose(start, context)).both(),
            ((Dose.Alike) dose(target, context)).both(),
            context));
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
        .containsExactly("3", "4", "5", "6", "8", "10", "2x7", "2x10");
    assertThat(between(Mode.ISO, "3x5s 30% 1/d", "3x10s 50% 2/d"))
        .containsExactly(
            "3x5s 30% 1/d",
            "3x7s 30% 1/d",
            "3x10s 30% 1/d",
            "3x7s 30% 2/d",
            "3x10s 30% 2/d",
            "3x10s 40% 2/d",
            "3x10s 50% 2/d");
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

  @Test
  void setsAreKeptWhileRepetitionsGrow() {
    assertThat(between(Mode.HOLD, "2x5x10s", "2x6x10s")).containsExactly("2x5x10s", "2x6x10s");
  }

  /** Handbook section 10: "a step that would is split (60s → 2x40s → 2x60s)". */
  @Test
  void aStepThatWouldDoubleIsSplit() {
    assertThat(between(Mode.HOLD, "60s", "2x60s")).containsExactly("60s", "2x40s", "2x60s");
    assertThat(between(Mode.HOLD, "30s", "2x30s"))
        .as("30 s of stretch may be added")
        .containsExactly("30s", "2x30s");
    assertThat(between(Mode.HOLD, "45s 1/d", "45s 2/d"))
        .containsExactly("45s 1/d", "30s 2/d", "45s 2/d");
    assertThat(between(Mode.ISO, "20s", "2x20s")).containsExactly("20s", "2x14s", "2x20s");
    assertThat(between(Mode.MOVE, "1", "4"))
        .as("one repetition is always allowed")
        .containsExactly("1", "2", "3", "4");
  }

  /** "load (next band, 0.5 kg or a tenth)", after times a day and before effort. */
  @Test
  void theLoadGrowsLast() {
    DoseContext rows = new DoseContext(Mode.MOVE, Sidedness.BOTH, false, true, List.of());
    assertThat(rungs("8 band1", "10 band3", rows))
        .containsExactly("8 band1", "10 band1", "10 band2", "10 band3");
    assertThat(rungs("8 1kg 20%", "8 2kg 30%", rows))
        .containsExactly("8 20% 1kg", "8 20% 1.5kg", "8 20% 2kg", "8 30% 2kg");
    assertThat(rungs("8 20kg", "8 22kg", rows)).containsExactly("8 20kg", "8 22kg");
  }

  private static List<String> rungs(String start, String target, DoseContext context) {
    SideDose from = ((Dose.Alike) dose(start, context)).both();
    return texts(Ladder.between(from, ((Dose.Alike) dose(target, context)).both(), context));
  }

  /** No step of any shipped ladder adds more than half to the day, or 30 s of stretch. */
  @Test
  void noStepIsTooLarge() {
    for (Exercise e : Catalogue.load().all()) {
      List<SideDose> rungs = Ladder.of(e).rungs();
      for (int i = 1; i < rungs.size(); i++) {
        Volume a = Volume.of(rungs.get(i - 1), e.doseContext(), 5);
        Volume b = Volume.of(rungs.get(i), e.doseContext(), 5);
        double stretch = e.doseContext().mode() == Mode.HOLD ? 30 : 0;
        String step =
            "%s: %s → %s"
                .formatted(
                    e.id(),
                    DoseNotation.format(new Dose.Alike(rungs.get(i - 1))),
                    DoseNotation.format(new Dose.Alike(rungs.get(i))));
        assertThat(b.secondsADay())
            .as(step)
            .isLessThanOrEqualTo(Math.max(1.5 * a.secondsADay(), a.secondsADay() + stretch));
        int ways = e.doseContext().directions().isEmpty() ? 1 : 2;
        assertThat(b.repetitionsADay())
            .as(step)
            .isLessThanOrEqualTo(Math.max(1.5 * a.repetitionsADay(), a.repetitionsADay() + ways));
      }
    }
  }

  /** Property over the catalogue: one thing changes a step, and the ladder ends at the target. */
  @Test
  void everyLadderOfTheCatalogueLeadsFromStartToTarget() {
    for (Exercise e : Catalogue.load().all()) {
      Ladder ladder = Ladder.of(e);
      List<String> texts = texts(ladder);
      assertThat(texts.get(0)).isEqualTo(DoseNotation.format(e.start()));
      assertThat(texts.get(texts.size() - 1)).isEqualTo(DoseNotation.format(e.target()));
      assertThat(texts).as(e.id()).doesNotHaveDuplicates().hasSizeLessThan(14);
    }
  }
}
