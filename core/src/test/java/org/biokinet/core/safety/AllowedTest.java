package org.biokinet.core.safety;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.time.LocalDate;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Parsed;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.library.Alternatives;
import org.junit.jupiter.api.Test;

/** What a screening allows, as it is used: handbook section 8. */
class AllowedTest {

  private static final Catalogue CATALOGUE = Catalogue.load();

  private static Assessment having(Condition... conditions) {
    Map<Condition, Optional<Side>> map = new EnumMap<>(Condition.class);
    for (Condition c : conditions) map.put(c, Optional.empty());
    return Assessment.of(AssessmentTest.with(Set.of(), Set.of(), 3, map), Optional.empty());
  }

  private static Optional<String> objection(Assessment a, String exercise, String dose) {
    Exercise e = CATALOGUE.get(exercise);
    Parsed parsed = DoseNotation.parse(dose, e.doseContext());
    return DoseCheck.objection(
        a, e, new Feature.Setting(e.usualPosition(), false), ((Parsed.Understood) parsed).dose());
  }

  /** "An examined and cleared red flag leaves its row on": which row, typed in again. */
  @Test
  void examinedFlagsLeaveTheseConditionsOn() {
    assertThat(RedFlag.INFLAMMATORY.leaves()).contains(Condition.INFLAMMATORY);
    assertThat(RedFlag.BONE.leaves()).contains(Condition.OSTEOPOROSIS);
    assertThat(RedFlag.WEAKNESS.leaves()).contains(Condition.NERVE_ROOT);
    assertThat(RedFlag.FEVER.leaves()).isEmpty();
  }

  @Test
  void theHeadListsEveryLockOnce() {
    assertThat(having().lockedFeatures()).isEmpty();
    assertThat(having(Condition.KNEE, Condition.NO_FLOOR).lockedFeatures())
        .containsExactlyInAnyOrder(Feature.KNEELING, Feature.FLOOR, Feature.PRONE);
  }

  /** "Long is not offered with high irritability or a △". */
  @Test
  void theLongSessionIsForWhoHasNoLimit() {
    List<Exercise> program = List.of(CATALOGUE.get("chin-tuck"));
    List<Feature.Setting> chair = List.of(new Feature.Setting(Position.CHAIR, false));
    assertThat(having().allowsLongSession(program, chair)).isTrue();
    assertThat(having(Condition.HEADACHE).allowsLongSession(program, chair)).isFalse();
    assertThat(having(Condition.KNEE).allowsLongSession(program, chair)).isTrue();
    Screening high =
        new Screening(
            Set.of(),
            Set.of(),
            3,
            false,
            Irritability.Settles.LATER,
            false,
            Map.of(),
            "",
            "",
            "",
            false,
            false);
    assertThat(Assessment.of(high, Optional.empty()).allowsLongSession(program, chair)).isFalse();
    Screening flagged = AssessmentTest.with(Set.of(), Set.of(RedFlag.FEVER), 2, Map.of());
    assertThat(Assessment.of(flagged, Optional.empty()).allowsLongSession(program, chair))
        .isFalse();
  }

  @Test
  void insteadOfWhatIsLockedComesWhatIsNot() {
    Assessment stenosis = having(Condition.CERVICAL_STENOSIS);
    Alternatives.Means means =
        new Alternatives.Means(
            EnumSet.allOf(Position.class), EnumSet.of(Equipment.CHAIR, Equipment.MAT));
    Exercise circle = CATALOGUE.get("full-neck-circle");
    Alternatives.Alternative nearest =
        stenosis.nearest(new Alternatives(CATALOGUE, Locale.ENGLISH), circle, means).orElseThrow();
    assertThat(nearest.exercise().id()).isNotEqualTo(circle.id());
    assertThat(
            stenosis.of(nearest.exercise(), Feature.Setting.of(nearest.position(), means)).locked())
        .isFalse();
  }

  /** "Isometric and contract–relax: effort ≤ 30 %". */
  @Test
  void effortIsLimitedForGlaucoma() {
    Assessment pressure = having(Condition.PRESSURE);
    assertThat(objection(pressure, "chin-tuck", "3x5s 30%")).isEmpty();
    assertThat(objection(pressure, "chin-tuck", "3x5s 40%"))
        .hasValueSatisfying(w -> assertThat(w).startsWith("30 % at most"));
  }

  @Test
  void repetitionsAreComparedWithTheStartToo() {
    Assessment dizzy = having(Condition.DIZZINESS);
    Exercise rotation = CATALOGUE.get("neck-rotation");
    String start = DoseNotation.format(rotation.start());
    assertThat(objection(dizzy, "neck-rotation", start)).isEmpty();
    assertThat(objection(dizzy, "neck-rotation", "2x10"))
        .hasValueSatisfying(w -> assertThat(w).contains("no more than the start dose"));
  }

  @Test
  void aConditionWithoutSidesTakesNone() {
    assertThatThrownBy(
            () ->
                AssessmentTest.with(
                    Set.of(), Set.of(), 2, Map.of(Condition.PREGNANCY, Optional.of(Side.LEFT))))
        .hasMessageContaining("has no side");
    assertThat(Condition.KNEE.sided()).isTrue();
  }

  @Test
  void theRuleIsPrintedAsItHolds() {
    assertThat(Condition.KNEE.rule()).contains("✕", Feature.KNEELING.label()).doesNotContain("△");
    assertThat(Condition.JAW.rule()).contains("△").doesNotContain("✕");
    assertThat(Condition.LUMBAR.rule()).contains("✕");
  }

  @Test
  void aGateAnswersWithWhatIsKnown() {
    Gate closed = new Gate.Closed(Gate.Why.NOT_SCREENED, Optional.empty());
    assertThat(closed.answers()).isEmpty();
    Gate open = new Gate.Open(having(), false, LocalDate.EPOCH);
    assertThat(open.answers()).isPresent();
    for (Gate.Why why : Gate.Why.values()) {
      assertThat(why.label()).isNotBlank();
      assertThat(why.opens()).isNotBlank();
    }
    assertThat(new Clearance(Instant.EPOCH, "x", "a", "b", "").lacks(AssessmentTest.calm()))
        .isEmpty();
  }
}
