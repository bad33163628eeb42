package org.biokinet.core.screening;

import static java.util.stream.Collectors.toMap;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Setting;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Parsed;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Handbook section 7, "how strong": ceilings 4 and 6 (our choice), and where the latter is not. */
class PolicyTest {

  private static final Exercise STRETCH = Catalogue.load().get("upper-trap-stretch");

  private static Assessment of(
      Irritability.Settles settles, boolean easily, int provoked, Set<Condition> conditions) {
    Map<Condition, Optional<Side>> map =
        conditions.stream().collect(toMap(c -> c, c -> Optional.empty()));
    return Assessment.of(
        new Screening(
            Set.of(),
            Set.of(),
            3,
            false,
            settles,
            easily,
            OptionalInt.of(provoked),
            map,
            "",
            "",
            "",
            false,
            false),
        Optional.empty());
  }

  private static Assessment low(Condition... conditions) {
    return of(Irritability.Settles.WITHIN_10_MINUTES, false, 2, Set.of(conditions));
  }

  private static final Assessment MODERATE =
      of(Irritability.Settles.WITHIN_AN_HOUR, false, 2, Set.of());
  private static final Assessment HIGH = of(Irritability.Settles.LATER, false, 2, Set.of());

  private static List<String> objections(Assessment a, String dose) {
    Means all = new Means(EnumSet.allOf(Position.class), EnumSet.allOf(Equipment.class));
    return new Allowed(a, all, 5)
            .objections(
                STRETCH,
                STRETCH.usualPosition(),
                ((Parsed.Understood) DoseNotation.parse(dose, STRETCH.doseContext())).dose())
            .stream()
            .map(Allowed.Objection::words)
            .toList();
  }

  @Test
  void aStrongPullIsAllowedOnlyUnderItsPolicy() {
    assertThat(objections(low(), "2x30s @5")).isNotEmpty();
    assertThat(objections(low().under(Policy.TOLERABLE_STRETCH), "2x30s @6")).isEmpty();
    assertThat(DoseNotation.parse("2x30s @7", STRETCH.doseContext()))
        .as("stronger than any policy")
        .isInstanceOf(Parsed.Fault.class);
  }

  @Test
  void moderateIrritabilityKeepsItsCeiling() {
    Assessment a = MODERATE.under(Policy.TOLERABLE_STRETCH);
    assertThat(a.policy()).isEqualTo(Policy.TOLERABLE_STRETCH);
    assertThat(objections(a, "2x20s @3")).isEmpty();
    assertThat(objections(a, "2x20s @4")).isNotEmpty();
  }

  @Test
  void highIrritabilityRefusesIt() {
    assertThat(Policy.TOLERABLE_STRETCH.against(HIGH)).containsExactly("high irritability");
    assertThat(HIGH.under(Policy.TOLERABLE_STRETCH).policy()).isEqualTo(Policy.COMFORT_FIRST);
    assertThat(Policy.COMFORT_FIRST.against(HIGH)).isEmpty();
  }

  /** Whichever of these is known, no strong pull; a precaution of its own is smaller still. */
  @ParameterizedTest
  @EnumSource(
      names = {
        "CORD",
        "NERVE_ROOT",
        "THORACIC_OUTLET",
        "CERVICAL_STENOSIS",
        "INFLAMMATORY",
        "SHOULDER_FRONT",
        "SHOULDER_BACK",
        "HYPERMOBILITY"
      })
  void nervesAndWhatGivesWayRefuseIt(Condition c) {
    assertThat(Policy.TOLERABLE_STRETCH.against(low(c))).containsExactly(c.label());
    assertThat(low(c).under(Policy.TOLERABLE_STRETCH).policy()).isEqualTo(Policy.COMFORT_FIRST);
    assertThat(objections(low(c).under(Policy.TOLERABLE_STRETCH), "2x30s @5")).isNotEmpty();
  }

  /** What locks an exercise that loads nerves is always one of them. */
  @ParameterizedTest
  @EnumSource
  void whoeverMayNotLoadNervesMayNotPullHardEither(Condition c) {
    if (c.locks().contains(Feature.NEURAL)) {
      assertThat(Policy.TOLERABLE_STRETCH.against(low(c))).isNotEmpty();
    }
  }

  @Test
  void aPrecautionIsSmallerThanThePolicy() {
    Assessment a = low(Condition.JAW).under(Policy.TOLERABLE_STRETCH);
    assertThat(a.policy()).isEqualTo(Policy.TOLERABLE_STRETCH);
    Exercise chin = Catalogue.load().get("chin-tuck");
    assertThat(
            a.of(
                    new Use(
                        chin,
                        new Setting(chin.usualPosition(), false),
                        Optional.empty(),
                        chin.start().on(Side.LEFT).orElseThrow()))
                .ceiling())
        .isEqualTo(3);
  }
}
