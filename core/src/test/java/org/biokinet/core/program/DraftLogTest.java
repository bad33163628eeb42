package org.biokinet.core.program;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.biokinet.core.program.DraftLog.Entry;
import org.junit.jupiter.api.Test;

class DraftLogTest {

  private static final Draft EMPTY =
      new Draft(
          "First week",
          Optional.empty(),
          Optional.empty(),
          List.of(),
          Optional.empty(),
          Optional.empty(),
          Optional.empty());

  private static Entry edit(DraftEdit e) {
    return new Entry.Edited(e);
  }

  private static List<String> keys(List<Entry> log) {
    return DraftLog.replay(EMPTY, log).draft().items().stream().map(DraftItem::key).toList();
  }

  @Test
  void undoAndRedoWalkTheLog() {
    List<Entry> log = new ArrayList<>();
    log.add(edit(new DraftEdit.Add("a", "chin-tuck", "3x10s")));
    log.add(edit(new DraftEdit.Add("b", "neck-rotation", "5")));
    log.add(edit(new DraftEdit.Move("b", 0)));
    assertThat(keys(log)).containsExactly("b", "a");
    log.add(new Entry.Undone());
    log.add(new Entry.Undone());
    assertThat(keys(log)).containsExactly("a");
    log.add(new Entry.Redone());
    assertThat(keys(log)).containsExactly("a", "b");
    log.add(edit(new DraftEdit.Remove("a")));
    assertThat(DraftLog.replay(EMPTY, log).canRedo()).isFalse();
    log.add(new Entry.Redone());
    assertThat(keys(log)).containsExactly("b");
  }

  @Test
  void aWrongDoseIsKeptAsTyped() {
    List<Entry> log =
        List.of(
            edit(new DraftEdit.Add("a", "chin-tuck", "3x10s")),
            edit(new DraftEdit.SetDose("a", "three tens")));
    assertThat(DraftLog.replay(EMPTY, log).draft().items().get(0).dose()).isEqualTo("three tens");
  }

  @Test
  void fiftyStepsCanBeTakenBack() {
    List<Entry> log = new ArrayList<>();
    IntStream.range(0, 60)
        .forEach(i -> log.add(edit(new DraftEdit.Add("k" + i, "chin-tuck", "5s"))));
    IntStream.range(0, 60).forEach(i -> log.add(new Entry.Undone()));
    assertThat(keys(log)).hasSize(10);
  }

  @Property(seed = "20261124")
  void asManyRedosAsUndosBringBackTheDraft(
      @ForAll @Size(max = 20) List<@IntRange(max = 5) Integer> kinds,
      @ForAll @IntRange(max = 25) int steps) {
    List<Entry> log = new ArrayList<>();
    for (int i = 0; i < kinds.size(); i++) {
      String key = "k" + i / 2;
      log.add(
          edit(
              switch (kinds.get(i)) {
                case 0 -> new DraftEdit.Remove(key);
                case 1 -> new DraftEdit.Move(key, i % 3);
                case 2 -> new DraftEdit.SetDose(key, "5s" + i);
                case 3 -> new DraftEdit.SetTitle("t" + i);
                default -> new DraftEdit.Add("k" + i, "chin-tuck", "5s");
              }));
    }
    Draft before = DraftLog.replay(EMPTY, log).draft();
    for (int i = 0; i < steps; i++) log.add(new Entry.Undone());
    for (int i = 0; i < steps; i++) log.add(new Entry.Redone());
    assertThat(DraftLog.replay(EMPTY, log).draft()).isEqualTo(before);
  }
}
