package org.biokinet.core.exercise;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Direction;
import org.biokinet.core.dose.Mode;
import org.junit.jupiter.api.Test;

class CatalogueTest {

  private final Catalogue catalogue = Catalogue.load();

  @Test
  void treatingOneSideMovesTheHeadTheRightWay() {
    // Handbook, section 3: treating the right upper trapezius means the head tilts LEFT.
    assertThat(catalogue.get("upper-trap-stretch").movesToward(Side.RIGHT)).contains(Side.LEFT);
    assertThat(catalogue.get("neck-rotation").movesToward(Side.RIGHT)).contains(Side.RIGHT);
    assertThat(catalogue.get("levator-stretch").headTurnsToward(Side.LEFT)).contains(Side.RIGHT);
    assertThat(catalogue.get("chin-tuck").movesToward(Side.LEFT)).isEmpty();
  }

  @Test
  void noCueSaysAwayOppositeOrLimited() {
    for (Exercise e : catalogue.all()) {
      ExerciseWords w = catalogue.words(e, Locale.ENGLISH);
      assertThat(String.join(" ", w.name(), w.move(), w.how(), w.feel()))
          .as(e.id())
          .doesNotContainIgnoringCase("away from")
          .doesNotContainIgnoringCase("opposite")
          .doesNotContainIgnoringCase("limited");
    }
  }

  @Test
  void theTwoSidesOfACueMirrorEachOther() {
    for (Exercise e : catalogue.all()) {
      if (!e.sided()) continue;
      String move = catalogue.words(e, Locale.ENGLISH).move();
      Optional<Direction> way = e.doseContext().directions().stream().findFirst();
      String left = ExerciseWords.fill(move, e, Optional.of(Side.LEFT), way, Locale.ENGLISH);
      String right = ExerciseWords.fill(move, e, Optional.of(Side.RIGHT), way, Locale.ENGLISH);
      assertThat(left).as(e.id()).isNotEqualTo(right);
      assertThat(swap(left)).isEqualTo(right);
    }
  }

  private static String swap(String text) {
    return text.replace("left", "#").replace("right", "left").replace("#", "right");
  }

  @Test
  void aSnapshotReplaysWithoutTheRestOfTheCatalogue() {
    Catalogue.Snapshot snapshot = catalogue.snapshot(List.of("upper-trap-stretch"));
    Catalogue replayed = Catalogue.of(snapshot);
    assertThat(replayed.all()).containsExactly(catalogue.get("upper-trap-stretch"));
    assertThat(replayed.words(replayed.get("upper-trap-stretch"), Locale.ENGLISH))
        .isEqualTo(catalogue.words(catalogue.get("upper-trap-stretch"), Locale.ENGLISH));
  }

  @Test
  void searchFindsByNameThenByTissue() {
    List<Exercise> found = catalogue.search("trap", Locale.ENGLISH);
    assertThat(found.get(0).id()).isEqualTo("upper-trap-stretch");
    assertThat(catalogue.search("pectoralis", Locale.ENGLISH))
        .extracting(Exercise::id)
        .containsExactly("goalpost-chest-opener");
    assertThat(catalogue.search("no such thing", Locale.ENGLISH)).isEmpty();
  }

  @Test
  void wrongDataIsNamedWhenRead() {
    String good = catalogue.snapshot(List.of("chin-tuck")).facts();
    Map<String, String> words = catalogue.snapshot(List.of("chin-tuck")).words();
    assertThat(Catalogue.of(new Catalogue.Snapshot(good, words)).get("chin-tuck").doseContext())
        .extracting(c -> c.mode())
        .isEqualTo(Mode.ISO);
    refused(good.replace("mode: iso", "mode: isso"), words, "isso is none of hold, iso");
    refused(good.replace("start: 3x10s", "start: 3 x 10 s"), words, "write 3x10s");
    refused(good.replace("start: 3x10s", "start: 10"), words, "seconds or breaths");
    refused(good.replace("  mode: iso\n", ""), words, "does not say its mode");
    refused(
        good,
        Map.of("en", "chin-tuck\n  name: x\n  move: Tilt {way}\n  how: h\n  feel: f\n"),
        "{way} has no meaning");
  }

  private static void refused(String facts, Map<String, String> words, String message) {
    assertThatThrownBy(() -> Catalogue.of(new Catalogue.Snapshot(facts, words)))
        .isInstanceOf(CatalogueException.class)
        .hasMessageContaining(message);
  }
}
