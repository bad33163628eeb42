package org.biokinet.core.figure.body;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.CatalogueException;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.OwnExercise;
import org.biokinet.core.figure.draw.Figure;
import org.junit.jupiter.api.Test;

/** Poses that a practice sets itself, and what is found wrong in them. */
class PoseCheckTest {

  private static final Catalogue CATALOGUE = Catalogue.load();

  private static Exercise posed(String id, String text) {
    OwnExercise own = OwnExercise.of(CATALOGUE.snapshot(List.of(id)), id, Locale.ENGLISH);
    Map<String, String> facts = new TreeMap<>(own.facts());
    facts.put("posed", text);
    return new OwnExercise(id, facts, own.words()).exercise().orElseThrow();
  }

  @Test
  void nothingSpeaksAgainstWhatShips() {
    for (Exercise e : CATALOGUE.all()) {
      Movement m = Movements.shipped().of(e, Side.RIGHT).orElseThrow();
      assertThat(PoseCheck.of(e, m)).as(e.id()).isEmpty();
    }
  }

  @Test
  void aWrongSideIsFound() {
    assertThat(PoseCheck.of(posed("upper-trap-stretch", "| neck tilt 28, head tilt 12"))).isEmpty();
    assertThat(PoseCheck.of(posed("upper-trap-stretch", "| neck tilt -28, head tilt -12")))
        .hasSize(2)
        .anyMatch(m -> m.contains("the words go to the left") && m.contains("neck tilt"))
        .anyMatch(m -> m.contains("upper trapezius") && m.contains("−"));
  }

  @Test
  void whatLooksTheSameOnBothSidesIsFound() {
    assertThat(PoseCheck.of(posed("upper-trap-stretch", "| neck flex 30")))
        .anyMatch(m -> m.contains("looks the same for both sides"));
  }

  @Test
  void whatIsDoneForBothHasToBeAlike() {
    assertThat(PoseCheck.of(posed("chin-tuck", "| head flex 12, neck tilt 10")))
        .anyMatch(m -> m.contains("once for both sides"));
    // It may sway to one side and then to the other.
    assertThat(
            PoseCheck.of(posed("full-neck-circle", "neck flex 20 | neck tilt 20 | neck tilt -20")))
        .isEmpty();
  }

  @Test
  void posesAreWrittenAndReadBack() {
    for (Exercise e : CATALOGUE.all()) {
      Movement m = Movements.shipped().of(e, Side.RIGHT).orElseThrow();
      if (m.poses().size() > Movement.MOST_POSES) continue;
      String text = m.text();
      assertThat(Movement.posed(e.usualPosition(), text).text()).as(e.id()).isEqualTo(text);
    }
  }

  @Test
  void itIsDrawnAsPosedAndMirroredForTheLeft() {
    Exercise e = posed("upper-trap-stretch", "| neck tilt 20");
    assertThat(Movements.shipped().of(e, Side.RIGHT).orElseThrow().end().angle(Joint.NECK_TILT))
        .isEqualTo(20);
    assertThat(Movements.shipped().of(e, Side.LEFT).orElseThrow().end().angle(Joint.NECK_TILT))
        .isEqualTo(-20);
  }

  @Test
  void whatIsNotUnderstoodIsSaidAndNotDrawn() {
    Exercise e = posed("upper-trap-stretch", "| neck tilt 300");
    assertThat(PoseCheck.of(e)).singleElement().asString().contains("neck tilt 300");
    assertThat(Figure.of(e, Side.LEFT)).isEmpty();
    assertThatThrownBy(() -> Movement.posed(Position.CHAIR, "only one"))
        .isInstanceOf(CatalogueException.class);
    assertThatThrownBy(() -> Movement.posed(Position.CHAIR, "||||||"))
        .hasMessageContaining("at most 5");
  }

  @Test
  void posesCanBeAddedAndTakenAway() {
    Movement two = Movement.posed(Position.CHAIR, "| neck flex 20");
    assertThat(two.twice(1).text()).isEqualTo(" | neck flex 20 | neck flex 20");
    assertThat(two.twice(1).without(0).text()).isEqualTo("neck flex 20 | neck flex 20");
    assertThatThrownBy(() -> two.without(0)).isInstanceOf(IllegalArgumentException.class);
  }
}
