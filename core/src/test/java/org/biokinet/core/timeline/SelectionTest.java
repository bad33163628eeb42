package org.biokinet.core.timeline;

import static org.assertj.core.api.Assertions.assertThat;
import static org.biokinet.core.timeline.TimelineTest.high;
import static org.biokinet.core.timeline.TimelineTest.item;

import java.util.List;
import java.util.Set;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.SessionLength;
import org.junit.jupiter.api.Test;

/** Handbook section 7, the row on minutes: common practice, no source. */
class SelectionTest {

  private static List<Integer> select(SessionLength length, Item... items) {
    return Selection.of(
        new Program("p", 5, Pacing.DEFAULT, List.of(items)).session(Side.LEFT, length));
  }

  // Seconds of each as an item of its own; the first also takes position, 5 s.
  private static final Item BREATHS_24 = item("diaphragmatic-breathing", "3br"); // 4 + 15, + 5
  private static final Item ROTATION_47 = item("neck-rotation", "5"); // 4 + 40 + 3
  private static final Item STRETCH_103 = item("upper-trap-stretch", "2x15s"); // 4 + 84 + 12 + 3
  private static final Item TUCK_44 = item("chin-tuck", "3x10s"); // 4 + 36 + 4

  @Test
  void shortTakesWhatFitsIntoHalfInTheProgramsOrder() {
    // 24 + 47 + 103 + 44 = 218, half 109: 24 and 47 leave 38, neither 103 nor 44 fits.
    assertThat(select(SessionLength.SHORT, BREATHS_24, ROTATION_47, STRETCH_103, TUCK_44))
        .containsExactly(0, 1);
  }

  /** What a newer screening locks waits alone; the rest keeps its place in the program. */
  @Test
  void whatWaitsIsLeftOutOfEveryLength() {
    Program program =
        new Program(
            "p", 5, Pacing.DEFAULT, List.of(BREATHS_24, ROTATION_47, high(STRETCH_103), TUCK_44));
    for (SessionLength length : SessionLength.values()) {
      Program session = program.without(Set.of(2)).session(Side.LEFT, length);
      assertThat(Selection.of(session)).as(length.code()).isNotEmpty().doesNotContain(2);
    }
    assertThat(
            Selection.of(
                program.without(Set.of(0, 1, 2, 3)).session(Side.LEFT, SessionLength.SHORT)))
        .isEmpty();
    assertThat(Selection.of(program.without(Set.of(0)).session(Side.LEFT, SessionLength.SHORT)))
        .as("half of 5 + 47 + 103 + 44, not of what waits")
        .containsExactly(2);
  }

  @Test
  void whatIsOfHighPriorityStaysAndComesOutOfTheSameHalf() {
    // The stretch takes 103 of 109; nothing else fits.
    assertThat(select(SessionLength.SHORT, BREATHS_24, ROTATION_47, high(STRETCH_103), TUCK_44))
        .containsExactly(2);
    // Of high priority in all: nothing is cut, even beyond the half.
    assertThat(select(SessionLength.SHORT, high(STRETCH_103), high(TUCK_44))).containsExactly(0, 1);
    // 5 + 103 + 44 = 152, half 76: the tuck of high priority leaves 32.
    assertThat(select(SessionLength.SHORT, STRETCH_103, high(TUCK_44))).containsExactly(1);
  }

  @Test
  void exactlyHalfFitsAndSomethingAlwaysStays() {
    // Two of the same: 24 + 19 = 43, half 21: the second, 19, fits.
    assertThat(select(SessionLength.SHORT, BREATHS_24, BREATHS_24)).containsExactly(1);
    // 52 + 103: half 77; the first is 52, and 25 are left.
    assertThat(select(SessionLength.SHORT, ROTATION_47, STRETCH_103)).containsExactly(0);
    // Alone it would not fit into its own half, but nobody is sent away with nothing.
    assertThat(select(SessionLength.SHORT, STRETCH_103)).containsExactly(0);
    assertThat(select(SessionLength.SHORT)).isEmpty();
  }

  @Test
  void longRepeatsBreathingMobilityAndReleaseAndNeverAStretch() {
    assertThat(
            select(
                SessionLength.LONG,
                BREATHS_24,
                ROTATION_47,
                STRETCH_103,
                TUCK_44,
                item("seated-trunk-rotation", "2br"), // mobility by group, but a held stretch
                item("shoulder-roll", "4"),
                item("seated-cat-cow", "3"),
                item("arm-reach-shake", "10s"),
                item("tall-posture-reset", "3x5s")))
        .containsExactly(0, 1, 2, 3, 4, 5, 6, 7, 8, 0, 1, 5, 6, 7);
  }

  @Test
  void usualIsAll() {
    assertThat(select(SessionLength.USUAL, STRETCH_103, TUCK_44)).containsExactly(0, 1);
  }
}
