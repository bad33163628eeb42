package org.biokinet.core.timeline;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.program.Draft;
import org.biokinet.core.program.DraftItem;
import org.junit.jupiter.api.Test;

/** A draft while it is typed: what is right is timed, what is wrong says why nothing is shared. */
class DraftTimelineTest {

  private static DraftTimeline of(String title, DraftItem... items) {
    Draft draft =
        new Draft(
            title,
            Optional.empty(),
            Optional.empty(),
            List.of(items),
            Optional.empty(),
            Optional.empty(),
            Optional.empty());
    return DraftTimeline.of(
        draft, 5, Pacing.DEFAULT, TimelineTest.CATALOGUE, LocalDate.parse("2026-11-26"));
  }

  private static DraftItem item(String key, String exercise, String dose) {
    return DraftItem.of(key, exercise, dose);
  }

  @Test
  void whatIsNotUnderstoodIsLeftOutOfTheTimeAndNamed() {
    DraftTimeline t =
        of(
            "p",
            item("a", "upper-trap-stretch", "3x20"),
            item("b", "upper-trap-stretch", "L 2x15s R 15s"),
            item("c", "chin-tuck", "3x10s"));
    // By hand: the second now comes first, 5 + 4 + 3 × 21 + two changes of 4 + 3 = 83;
    // then 4 + 3 × 12 + 2 × 2 = 44.
    assertThat(t.lines()).extracting(DraftTimeline.TimedItem::seconds).containsExactly(0, 83, 44);
    assertThat(t.seconds()).isEqualTo(127);
    assertThat(t.lines().get(1).stretchLeft()).isEqualTo(30);
    assertThat(t.lines().get(1).stretchRight()).isEqualTo(15);
    assertThat(t.problem()).hasValueSatisfying(p -> assertThat(p).startsWith("Item 1: 3x20"));
  }

  @Test
  void nothingIsSharedWithoutItemsOrTitle() {
    assertThat(of("p").problem()).contains("There is nothing in the program yet.");
    assertThat(of(" ", item("a", "chin-tuck", "5s")).problem())
        .contains("The program needs a title.");
    assertThat(of("p", item("a", "chin-tuck", "5s")).problem()).isEmpty();
  }

  @Test
  void aSessionThatIsTooLongHasNoTimesAndSaysSo() {
    List<DraftItem> many = new ArrayList<>();
    for (int i = 0; i < 4; i++) many.add(item("k" + i, "goalpost-chest-opener", "10x300s"));
    DraftTimeline t = of("p", many.toArray(DraftItem[]::new));
    assertThat(t.timeline()).isEmpty();
    assertThat(t.seconds()).isZero();
    assertThat(t.lines()).allMatch(l -> l.seconds() == 0 && l.stretchLeft() == 0);
    assertThat(t.problem()).hasValueSatisfying(p -> assertThat(p).contains("2 hours is the most"));
  }

  @Test
  void aPositionThatTheExerciseDoesNotHaveFallsBackToTheUsualOne() {
    DraftItem tuck = item("a", "chin-tuck", "5s");
    assertThat(of("p", tuck.withPosition(Position.SUPINE)).lines().get(0).position())
        .isEqualTo(Position.SUPINE);
    assertThat(of("p", tuck.withPosition(Position.PRONE)).lines().get(0).position())
        .isEqualTo(Position.CHAIR);
  }
}
