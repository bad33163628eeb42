package org.biokinet.core.timeline;

import static org.assertj.core.api.Assertions.assertThat;
import static org.biokinet.core.timeline.TimelineTest.CATALOGUE;
import static org.biokinet.core.timeline.TimelineTest.in;
import static org.biokinet.core.timeline.TimelineTest.item;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.program.Item;
import org.biokinet.core.timeline.SessionOrder.Stage;
import org.junit.jupiter.api.Test;

/** Handbook section 5, order within a session: common practice, no source. */
class SessionOrderTest {

  private static final List<Item> USUAL =
      List.of(
          item("diaphragmatic-breathing", "3br"),
          item("tall-posture-reset", "3x5s"),
          item("neck-rotation", "3"),
          item("seated-cat-cow", "3"),
          item("full-neck-circle", "2"),
          item("seated-trunk-rotation", "2br"),
          item("upper-trap-stretch", "2x15s"),
          item("levator-stretch", "cr3(6s+15s)"),
          item("chin-tuck", "3x10s"),
          item("arm-reach-shake", "10s"),
          item("quiet-finish", "4br"),
          item("seated-forward-fold", "3br"));

  @Test
  void theUsualOrderIsFoundFromAnyOther() {
    assertThat(SessionOrder.explain(USUAL)).isEmpty();
    List<Item> shuffled = new ArrayList<>(USUAL);
    Collections.shuffle(shuffled, new Random(7));
    List<Stage> stages = new ArrayList<>();
    List<Integer> order = SessionOrder.usual(shuffled);
    for (int i : order) {
      Item item = shuffled.get(i);
      stages.add(SessionOrder.stage(item.exercise(), Optional.of(item.dose())));
    }
    assertThat(stages).isSorted();
    assertThat(order).doesNotHaveDuplicates().hasSize(USUAL.size());
  }

  @Test
  void theUsualOrderOfTheWholeCatalogueNeedsNoExplaining() {
    List<Item> all = new ArrayList<>();
    for (Exercise e : CATALOGUE.all()) all.add(new Item(e, e.start()));
    Collections.shuffle(all, new Random(11));
    List<Item> sorted = SessionOrder.usual(all).stream().map(all::get).toList();
    assertThat(SessionOrder.explain(sorted)).isEmpty();
  }

  @Test
  void positionsAreKeptTogetherBeginningWhereTheStageBeforeEnded() {
    List<Item> items =
        List.of(
            item("neck-rotation", "3"),
            in(Position.STAND, item("cross-body-stretch", "10s")),
            item("seated-trunk-rotation", "2br"),
            in(Position.STAND, item("seated-side-bend", "2br")));
    assertThat(SessionOrder.usual(items)).containsExactly(0, 2, 1, 3);
    assertThat(SessionOrder.explain(List.of(items.get(1), items.get(2), items.get(3))))
        .containsExactly(
            new SessionOrder.Remark(
                2,
                "item 3 goes back to an earlier position: standing",
                SessionOrder.About.POSITION));
  }

  @Test
  void breakingTheOrderIsExplained() {
    assertThat(
            SessionOrder.explain(List.of(item("chin-tuck", "3x10s"), item("neck-rotation", "3"))))
        .extracting(SessionOrder.Remark::text)
        .containsExactly(
            "item 2 (mobility in straight planes) usually comes before strength and posture"
                + " holds");
    assertThat(
            SessionOrder.explain(
                List.of(item("seated-forward-fold", "3br"), item("quiet-finish", "4br"))))
        .extracting(SessionOrder.Remark::text)
        .containsExactly("item 2 comes after a fold: after it only rise slowly");
  }
}
