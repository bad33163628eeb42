package org.biokinet.app.library.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.Group;
import org.biokinet.core.exercise.Precaution;
import org.junit.jupiter.api.Test;

/** Each choice narrows the list to what it says, and what does not exist narrows nothing. */
class FilterTest {

  private static final Catalogue CATALOGUE = Catalogue.load();

  private static Filter filter(String... keysAndValues) {
    Map<String, String> v = new java.util.HashMap<>();
    for (int i = 0; i < keysAndValues.length; i += 2) v.put(keysAndValues[i], keysAndValues[i + 1]);
    return new Filter(
        "",
        v.getOrDefault("group", ""),
        v.getOrDefault("target", ""),
        v.getOrDefault("position", ""),
        v.getOrDefault("equipment", ""),
        v.getOrDefault("without", ""),
        v.getOrDefault("show", ""));
  }

  private static List<Exercise> left(Filter filter) {
    return CATALOGUE.all().stream().filter(e -> filter.allows(e, CATALOGUE)).toList();
  }

  @Test
  void nothingChosenShowsAll() {
    assertThat(left(filter())).hasSize(135);
    assertThat(filter().narrow()).isFalse();
    assertThat(filter("group", "eyes").narrow()).isTrue();
  }

  @Test
  void eachChoiceHolds() {
    assertThat(left(filter("group", "neck-stretch")))
        .isNotEmpty()
        .allMatch(e -> e.group() == Group.NECK_STRETCH);
    assertThat(left(filter("target", "levator")))
        .isNotEmpty()
        .allMatch(e -> e.targets().contains(Tissue.LEVATOR));
    assertThat(left(filter("position", "supine")))
        .isNotEmpty()
        .allMatch(e -> e.positions().contains(Position.SUPINE));
    assertThat(left(filter("equipment", "roller")))
        .isNotEmpty()
        .allMatch(e -> e.equipment().contains(Equipment.ROLLER));
    assertThat(left(filter("equipment", Filter.NOTHING)))
        .isNotEmpty()
        .allMatch(e -> e.equipment().isEmpty());
    assertThat(left(filter("without", "overpressure")))
        .isNotEmpty()
        .noneMatch(e -> e.precautions().contains(Precaution.OVERPRESSURE));
  }

  @Test
  void choicesHoldTogether() {
    List<Exercise> both = left(filter("target", "lats", "position", "chair"));
    assertThat(both)
        .isNotEmpty()
        .allMatch(e -> e.targets().contains(Tissue.LATS) && e.positions().contains(Position.CHAIR));
    assertThat(both.size()).isLessThan(left(filter("target", "lats")).size());
  }

  @Test
  void aCodeThatDoesNotExistNarrowsNothing() {
    assertThat(left(filter("group", "no-such", "target", "'; drop table", "without", "x")))
        .hasSize(135);
  }

  @Test
  void theRetiredShowOnlyWhenTheyAreAskedFor() {
    Catalogue practice = CATALOGUE.with(new Catalogue.Snapshot("", Map.of()), Set.of("chin-tuck"));
    Exercise retired = practice.get("chin-tuck");
    Exercise other = practice.get("chin-nod");
    assertThat(filter().allows(retired, practice)).isFalse();
    assertThat(filter("show", Filter.RETIRED).allows(retired, practice)).isTrue();
    assertThat(filter("show", Filter.RETIRED).allows(other, practice)).isFalse();
    assertThat(filter("show", Filter.OWN).allows(other, practice)).isFalse();
  }
}
