package org.biokinet.core.measure;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import org.biokinet.core.anatomy.Intent;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.SidedMotion;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.exercise.Catalogue;
import org.junit.jupiter.api.Test;

class ExaminationTest {

  private static Examination turns(int left, int right) {
    return new Examination(
        Map.of(
            "flexion-rotation-LEFT", Integer.toString(left),
            "flexion-rotation-RIGHT", Integer.toString(right)));
  }

  /** Hall and Robinson, recalled from memory: under 32°, or 10° less than the other side. */
  @Test
  void theFlexionRotationTestIsReadSideBySide() {
    assertThat(turns(31, 40).limitedTurn(Side.LEFT)).isTrue();
    assertThat(turns(32, 41).limitedTurn(Side.LEFT)).isFalse();
    assertThat(turns(34, 44).limitedTurn(Side.LEFT)).isTrue();
    assertThat(turns(34, 44).limitedTurn(Side.RIGHT)).isFalse();
    assertThat(turns(30, 30).limitedTurn(Side.RIGHT)).as("both").isTrue();
    assertThat(Examination.NOTHING.limitedTurn(Side.LEFT)).as("not examined").isFalse();
    assertThat(new Examination(Map.of("flexion-rotation-LEFT", "44")).limitedTurn(Side.RIGHT))
        .as("only the other side was examined")
        .isFalse();
  }

  /** A turn that is short to the right is helped where the catalogue turns the head right. */
  @Test
  void aShortTurnOfTheUpperNeckNamesTheSideToTreat() {
    Findings findings = new Findings(Catalogue.load());
    List<Finding> found =
        findings.of(
            new Findings.Measures(
                Map.of(), PainMap.EMPTY, Optional.empty(), OptionalInt.empty(), turns(42, 28)));
    assertThat(found).hasSize(1);
    assertThat(found.get(0).evidence()).isEqualTo("turning right with the neck bent 28°");
    assertThat(found.get(0).treat())
        .containsExactly(
            new Finding.Target.OfTissue(
                Intent.LENGTHEN, Tissue.SUBOCCIPITALS, Optional.of(Side.LEFT)),
            new Finding.Target.OfMotion(SidedMotion.NECK_ROTATION, Side.RIGHT));
  }

  @Test
  void onlyWhatALaterDecisionNeedsStandsOut() {
    Examination e =
        new Examination(
            Map.of(
                "c5-LEFT", "normal",
                "c6-RIGHT", "strength 4",
                "neural-RIGHT", "Negative",
                "pinch-LEFT", "closing",
                "pinch-RIGHT", "none",
                "passive-LEFT", "more",
                "pressure", "138/92",
                "sleep", "5 h",
                "fears", " a slipped disc "));
    assertThat(e.faults()).isEmpty();
    assertThat(e.standsOut())
        .containsExactly(
            "C6 right: strength 4",
            "Passive turn left: more",
            "Pinch at the end of a turn left: closing",
            "Blood pressure: 138/92",
            "Fears: a slipped disc");
    assertThat(new Examination(Map.of("pressure", "128/82")).raisedPressure()).isFalse();
    for (String raised : List.of("140/70", "120/90")) {
      assertThat(new Examination(Map.of("pressure", raised)).raisedPressure()).as(raised).isTrue();
    }
    assertThat(new Examination(Map.of("pressure", "139/89")).raisedPressure()).isFalse();
    assertThat(new Examination(Map.of("neural-LEFT", "reproduces arm pain")).standsOut())
        .containsExactly("Neural tension left: reproduces arm pain");
    assertThat(Examination.NOTHING.standsOut()).isEmpty();
  }

  @Test
  void whatCannotBeReadIsSaidBesideItsField() {
    Examination e =
        new Examination(
            Map.of(
                "flexion-rotation-LEFT", "forty",
                "pressure", "high",
                "pinch-LEFT", "sideways",
                "day", "x".repeat(201)));
    assertThat(e.faults())
        .containsOnlyKeys("flexion-rotation-LEFT", "pressure", "pinch-LEFT", "day");
    assertThat(e.faults().get("flexion-rotation-LEFT")).contains("0 to 70");
    assertThat(new Examination(Map.of("flexion-rotation-LEFT", "71")).faults()).hasSize(1);
    assertThat(
            new Examination(Map.of("flexion-rotation-LEFT", "70", "day", "x".repeat(200))).faults())
        .isEmpty();
    assertThat(Examination.keys()).contains("c5-LEFT", "t1-RIGHT", "hopes").hasSize(24);
  }
}
