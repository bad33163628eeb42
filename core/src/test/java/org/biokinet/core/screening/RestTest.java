package org.biokinet.core.screening;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.junit.jupiter.api.Test;

/** Handbook, section 8: pain of 7 or more before a session leaves breathing and rest positions. */
class RestTest {

  private static final Catalogue CATALOGUE = Catalogue.load();

  private static List<String> of(
      Set<Condition> conditions, Set<Position> positions, Set<Equipment> equipment) {
    Map<Condition, Optional<Side>> has = new HashMap<>();
    conditions.forEach(c -> has.put(c, Optional.empty()));
    Screening s = AssessmentTest.with(Set.of(), Set.of(), 2, has);
    return Rest.of(
            CATALOGUE,
            Optional.of(Assessment.of(s, Optional.empty())),
            new Means(positions, equipment))
        .stream()
        .map(Exercise::id)
        .toList();
  }

  @Test
  void onlyBreathingAndLyingStillAreRest() {
    assertThat(CATALOGUE.all().stream().filter(Exercise::isRest).map(Exercise::id))
        .containsExactlyInAnyOrder("diaphragmatic-breathing", "quiet-finish", "neck-wedge-rest");
  }

  @Test
  void whatTheClientCannotDoIsLeftOut() {
    Set<Position> all = EnumSet.allOf(Position.class);
    Set<Equipment> towel = EnumSet.of(Equipment.ROLLED_TOWEL);
    assertThat(of(Set.of(), all, towel)).contains("neck-wedge-rest");
    assertThat(of(Set.of(), all, Set.of())).doesNotContain("neck-wedge-rest");
    assertThat(of(Set.of(Condition.NO_FLOOR), all, towel))
        .doesNotContain("neck-wedge-rest")
        .contains("diaphragmatic-breathing");
    assertThat(
            of(Set.of(Condition.NO_FLOOR), all, EnumSet.of(Equipment.ROLLED_TOWEL, Equipment.BED)))
        .as("on the bed")
        .contains("neck-wedge-rest");
  }

  /** With any one condition, something is left. */
  @Test
  void thereIsAlwaysBreathing() {
    for (Condition c : Condition.values()) {
      assertThat(of(Set.of(c), EnumSet.of(Position.CHAIR), Set.of())).as(c.code()).isNotEmpty();
    }
  }
}
