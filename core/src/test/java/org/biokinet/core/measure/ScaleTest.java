package org.biokinet.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.biokinet.core.measure.Change.Size;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Scoring and the meaning of changes; sources beside each, all recalled from memory. */
class ScaleTest {

  private static List<Integer> items(int... scores) {
    List<Integer> items = new ArrayList<>();
    for (int s : scores) items.add(s < 0 ? null : s);
    return items;
  }

  /** Vernon and Mior 1991: ten sections of 0–5; prorated sum ÷ answered × 10. */
  @Test
  void theNeckDisabilityIndexIsProrated() {
    assertThat(Questionnaire.NDI.score(items(2, 2, 2, 2, 2, 2, 2, 2, 2, 2))).hasValue(20);
    assertThat(Questionnaire.NDI.score(items(3, 1, 2, 0, 4, 2, 1, -1, 3, 2)).orElseThrow())
        .as("18 of nine sections")
        .isEqualTo(20);
    assertThat(Questionnaire.NDI.score(items(3, 1, 2, 0, 4, 2, 1, -1, -1, 2)).orElseThrow())
        .as("15 of eight sections")
        .isEqualTo(18.75);
    assertThat(Questionnaire.NDI.score(items(3, 1, 2, 0, 4, 2, 1, -1, -1, -1))).isEmpty();
    assertThatThrownBy(() -> Questionnaire.NDI.score(items(6, 0, 0, 0, 0, 0, 0, 0, 0, 0)))
        .hasMessageContaining("0 to 5");
    assertThatThrownBy(() -> Questionnaire.NDI.score(items(1, 2))).hasMessageContaining("10");
  }

  @ParameterizedTest
  @CsvSource({
    "0, none",
    "4.9, none",
    "5, mild",
    "14.9, mild",
    "15, moderate",
    "24.9, moderate",
    "25, severe",
    "34.9, severe",
    "35, complete",
    "50, complete"
  })
  void itsBandsBeginAtTheirEdges(double raw, String band) {
    assertThat(Questionnaire.ndiBand(raw)).isEqualTo(band);
  }

  /** Beaton and others 2005: (mean − 1) × 25, at least ten of eleven. */
  @Test
  void quickDashIsTheMeanFromZeroToHundred() {
    assertThat(Questionnaire.QUICK_DASH.score(Collections.nCopies(11, 1))).hasValue(0);
    assertThat(Questionnaire.QUICK_DASH.score(Collections.nCopies(11, 5))).hasValue(100);
    assertThat(Questionnaire.QUICK_DASH.score(items(2, 3, 2, 3, 2, 3, 2, 3, 2, 3, -1)))
        .hasValue(37.5);
    assertThat(Questionnaire.QUICK_DASH.score(items(2, 3, 2, 3, 2, 3, 2, 3, 2, -1, -1))).isEmpty();
    assertThatThrownBy(() -> Questionnaire.QUICK_DASH.score(Collections.nCopies(11, 0)))
        .hasMessageContaining("1 to 5");
  }

  /** Each threshold at and just under it: handbook section 9. */
  @ParameterizedTest
  @CsvSource({
    // Cleland 2008: the important change, 1.3, lies inside the error
    "NPRS, 6, 4, WITHIN_ERROR",
    "NPRS, 6, 3.9, IMPORTANT",
    "NPRS, 6, 4.7, WITHIN_ERROR",
    // MacDermid 2009
    "NDI, 20, 15.1, WITHIN_ERROR",
    "NDI, 20, 15, BEYOND_ERROR",
    "NDI, 20, 13.1, BEYOND_ERROR",
    "NDI, 20, 13, IMPORTANT",
    "NDI_ARM, 20, 10.1, WITHIN_ERROR",
    "NDI_ARM, 20, 10, IMPORTANT",
    // Stratford 1995
    "PSFS, 3, 4.9, WITHIN_ERROR",
    "PSFS, 3, 5, BEYOND_ERROR",
    "PSFS_ONE, 3, 5, WITHIN_ERROR",
    "PSFS_ONE, 3, 6, BEYOND_ERROR",
    // Mintken 2009: important 8, but beyond error only from 11
    "QUICK_DASH, 50, 42, WITHIN_ERROR",
    "QUICK_DASH, 50, 39.1, WITHIN_ERROR",
    "QUICK_DASH, 50, 39, IMPORTANT",
    // Harris 2005
    "ENDURANCE, 20, 39, WITHIN_ERROR",
    "ENDURANCE, 20, 40, BEYOND_ERROR",
    "NDI, 20, 20, NONE"
  })
  void aChangeIsCalledByItsSize(Scale scale, double before, double after, Size size) {
    assertThat(Change.of(scale, before, after).size()).isEqualTo(size);
    assertThat(Change.of(scale, after, before).size()).as("both ways").isEqualTo(size);
  }

  /** Stratford and others 1995: three to five activities. */
  @Test
  void thePatientsOwnScaleIsTheMeanOfThreeActivities() {
    assertThat(Psfs.mean(List.of(3, 4, 8))).hasValue(5);
    assertThat(Psfs.mean(List.of(3, 4))).isEmpty();
  }

  @Test
  void betterIsLessPainAndMoreActivity() {
    assertThat(Change.of(Scale.NPRS, 6, 3).words()).isEqualTo("3 better, important");
    assertThat(Change.of(Scale.NPRS, 3, 4.5).words()).isEqualTo("1.5 worse, within error");
    assertThat(Change.of(Scale.PSFS, 3, 6).words()).isEqualTo("3 better, beyond error");
    assertThat(Change.of(Scale.NDI, 12, 12).words()).isEqualTo("the same");
  }

  /** Nothing is called important below the error. */
  @Test
  void noScaleClaimsWhatLiesInsideItsError() {
    for (Scale scale : Scale.values()) {
      scale
          .important()
          .ifPresent(i -> assertThat(i).as(scale.code()).isGreaterThanOrEqualTo(scale.error()));
      assertThat(scale.source()).contains("recalled from memory");
    }
  }

  /** Jaeschke and others 1989. */
  @Test
  void theGlobalRatingHasItsWords() {
    assertThat(new GlobalRating(7).words()).isEqualTo("a very great deal better");
    assertThat(new GlobalRating(5).words()).isEqualTo("quite a bit better");
    assertThat(new GlobalRating(-3).words()).isEqualTo("somewhat worse");
    assertThat(new GlobalRating(0).words()).isEqualTo("about the same");
    assertThat(GlobalRating.valid(8)).isFalse();
  }

  /** What a practice has to see beside a score: its name, its items, its bounds. */
  @Test
  void formsNameTheirTopicsAndBounds() {
    assertThat(Questionnaire.NDI.label()).isEqualTo("Neck Disability Index");
    assertThat(Questionnaire.NDI.topics()).hasSize(10).doesNotHaveDuplicates();
    assertThat(Questionnaire.NDI.least()).isZero();
    assertThat(Questionnaire.NDI.most()).isEqualTo(5);
    assertThat(Questionnaire.QUICK_DASH.topics()).hasSize(11).doesNotHaveDuplicates();
    assertThat(Questionnaire.QUICK_DASH.least()).isEqualTo(1);
    assertThat(Scale.QUICK_DASH.label()).isEqualTo("QuickDASH");
    assertThat(Scale.QUICK_DASH.most()).isEqualTo(100);
    assertThat(Scale.QUICK_DASH.code()).isEqualTo("quick-dash");
  }

  /** A change of a scale where more is better goes up, and the same is neither. */
  @Test
  void whichWayIsBetterDependsOnTheScale() {
    assertThat(Change.of(Scale.ENDURANCE, 20, 45).words()).isEqualTo("25 better, beyond error");
    assertThat(Change.of(Scale.ENDURANCE, 45, 20).better()).isFalse();
    assertThat(Change.of(Scale.ENDURANCE, 20, 20).words()).isEqualTo("the same");
    assertThat(Change.of(Scale.QUICK_DASH, 40, 29).words()).isEqualTo("11 better, important");
  }
}
