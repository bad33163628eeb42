package org.biokinet.core.program;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.junit.jupiter.api.Test;

/** Each change does what it says to the item that it names, and nothing to the others. */
class DraftEditTest {

  private static final Draft DRAFT =
      new Draft(
          "Before",
          Optional.empty(),
          Optional.empty(),
          List.of(
              DraftItem.of("a", "chin-tuck", "3x10s"),
              DraftItem.of("b", "neck-rotation", "5"),
              DraftItem.of("c", "shoulder-roll", "5")),
          Optional.empty(),
          Optional.empty(),
          Optional.empty());

  private static List<String> keys(DraftEdit edit) {
    return edit.apply(DRAFT).items().stream().map(DraftItem::key).toList();
  }

  private static DraftItem b(DraftEdit edit) {
    Draft after = edit.apply(DRAFT);
    assertThat(after.title()).isEqualTo(DRAFT.title());
    assertThat(after.items().get(0)).isEqualTo(DRAFT.items().get(0));
    assertThat(after.items().get(2)).isEqualTo(DRAFT.items().get(2));
    return after.items().get(1);
  }

  @Test
  void itemsComeGoAndMove() {
    assertThat(keys(new DraftEdit.Add("d", "chin-tuck", "30s", Optional.empty(), Optional.empty())))
        .containsExactly("a", "b", "c", "d");
    assertThat(keys(new DraftEdit.Add("d", "chin-tuck", "30s", Optional.of(0), Optional.empty())))
        .containsExactly("d", "a", "b", "c");
    assertThat(keys(new DraftEdit.Add("d", "chin-tuck", "30s", Optional.of(3), Optional.empty())))
        .containsExactly("a", "b", "c", "d");
    for (int odd : new int[] {-1, 4}) {
      assertThat(
              keys(new DraftEdit.Add("d", "chin-tuck", "30s", Optional.of(odd), Optional.empty())))
          .as("a place that is none: the end")
          .containsExactly("a", "b", "c", "d");
    }
    assertThat(keys(new DraftEdit.Remove("b"))).containsExactly("a", "c");
    assertThat(keys(new DraftEdit.Remove("z"))).containsExactly("a", "b", "c");
    assertThat(keys(new DraftEdit.Move("a", 1))).containsExactly("b", "a", "c");
    assertThat(keys(new DraftEdit.Move("c", -5))).containsExactly("c", "a", "b");
    assertThat(keys(new DraftEdit.Move("a", 50))).containsExactly("b", "c", "a");
    assertThat(keys(new DraftEdit.Move("z", 0))).containsExactly("a", "b", "c");
    assertThat(keys(new DraftEdit.Arrange(List.of("c", "a")))).containsExactly("c", "a", "b");
  }

  @Test
  void anItemIsChangedAndTheOthersAreNot() {
    assertThat(b(new DraftEdit.SetDose("b", "8")).dose()).isEqualTo("8");
    assertThat(b(new DraftEdit.SetPosition("b", Position.STAND)).position())
        .contains(Position.STAND);
    assertThat(b(new DraftEdit.SetOrder("b", Optional.of(Order.BLOCK))).order())
        .contains(Order.BLOCK);
    assertThat(b(new DraftEdit.SetItemLead("b", Optional.of(Side.LEFT))).lead())
        .contains(Side.LEFT);
    assertThat(b(new DraftEdit.SetPriority("b", Item.Priority.HIGH)).priority())
        .contains(Item.Priority.HIGH);
  }

  @Test
  void theProgramIsChangedAndItsItemsAreNot() {
    Draft titled = new DraftEdit.SetTitle("After").apply(DRAFT);
    assertThat(titled.title()).isEqualTo("After");
    assertThat(titled.items()).isEqualTo(DRAFT.items());
    Draft led = new DraftEdit.SetLead(Optional.of(Side.RIGHT)).apply(DRAFT);
    assertThat(led.lead()).contains(Side.RIGHT);
    assertThat(led.items()).isEqualTo(DRAFT.items());
    assertThat(new DraftEdit.SetTitle("After").apply(led).lead()).contains(Side.RIGHT);
  }
}
