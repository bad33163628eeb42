package org.biokinet.core.screening;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Stiell and others 2001, JAMA 286:1841, recalled from memory. */
class CSpineRuleTest {

  private static final Optional<Boolean> UNTRIED = Optional.empty();

  @Test
  void anyHighRiskFactorWantsImagingWithoutTurning() {
    for (int factor = 0; factor < 3; factor++) {
      CSpineRule rule =
          new CSpineRule(true, factor == 0, factor == 1, factor == 2, true, Optional.of(true));
      assertThat(rule.mayTurn()).isFalse();
      assertThat(rule.result()).isEqualTo(CSpineRule.Result.IMAGING);
    }
  }

  @Test
  void withoutALowRiskFactorNothingIsTurned() {
    CSpineRule rule = new CSpineRule(true, false, false, false, false, UNTRIED);
    assertThat(rule.mayTurn()).isFalse();
    assertThat(rule.result()).isEqualTo(CSpineRule.Result.IMAGING);
  }

  @Test
  void atLastTheNeckTurns45DegreesBothWaysOrIsImaged() {
    assertThat(new CSpineRule(true, false, false, false, true, UNTRIED).result())
        .isEqualTo(CSpineRule.Result.UNFINISHED);
    assertThat(new CSpineRule(true, false, false, false, true, Optional.of(false)).result())
        .isEqualTo(CSpineRule.Result.IMAGING);
    assertThat(new CSpineRule(true, false, false, false, true, Optional.of(true)).result())
        .isEqualTo(CSpineRule.Result.NO_IMAGING);
  }

  @Test
  void itDoesNotHoldForWhoIsNotAlertOrTooYoung() {
    assertThat(new CSpineRule(false, false, false, false, true, Optional.of(true)).result())
        .isEqualTo(CSpineRule.Result.DOES_NOT_HOLD);
  }

  @Test
  void aFreshInjuryOpensOnTheRuleOrOnADoctor() {
    Screening hurt = AssessmentTest.with(Set.of(), Set.of(RedFlag.TRAUMA_NEW), 2, Map.of());
    assertThat(open(hurt, Optional.empty(), "")).isFalse();
    assertThat(open(hurt, rule(true), "")).isTrue();
    assertThat(open(hurt, rule(false), "")).isFalse();
    assertThat(open(hurt, rule(false), "clinic: films are clear")).isTrue();
    Screening also =
        AssessmentTest.with(Set.of(EmergencySign.LEGS), Set.of(RedFlag.TRAUMA_NEW), 2, Map.of());
    assertThat(open(also, rule(true), "")).as("an emergency sign beside it").isFalse();
  }

  /** Known vertebral disease, earlier neck surgery, acute weakness: the rule opens nothing. */
  @Test
  void itDoesNotHoldForAnUnstableOrOperatedNeck() {
    for (RedFlag with :
        Set.of(
            RedFlag.INFLAMMATORY,
            RedFlag.FUSION,
            RedFlag.SURGERY,
            RedFlag.BONE,
            RedFlag.WEAKNESS)) {
      Screening hurt = AssessmentTest.with(Set.of(), Set.of(RedFlag.TRAUMA_NEW, with), 2, Map.of());
      assertThat(open(hurt, rule(true), "")).as(with.code()).isFalse();
      assertThat(open(hurt, rule(true), "clinic: films are clear")).as(with.code()).isTrue();
    }
    for (Condition with :
        Set.of(Condition.NECK_SURGERY, Condition.INFLAMMATORY, Condition.OSTEOPOROSIS)) {
      Screening hurt =
          AssessmentTest.with(
              Set.of(), Set.of(RedFlag.TRAUMA_NEW), 2, Map.of(with, Optional.empty()));
      assertThat(open(hurt, rule(true), "")).as(with.code()).isFalse();
    }
  }

  private static Optional<CSpineRule> rule(boolean turns) {
    return Optional.of(new CSpineRule(true, false, false, false, true, Optional.of(turns)));
  }

  private static boolean open(Screening s, Optional<CSpineRule> rule, String outcome) {
    Clearance record =
        new Clearance(Instant.EPOCH, "M. Okafor", "neck", "moves freely", outcome, rule);
    return Assessment.of(s, Optional.of(record)).result().open();
  }
}
