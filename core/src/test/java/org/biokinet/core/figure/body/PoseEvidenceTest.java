package org.biokinet.core.figure.body;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.ExerciseWords;
import org.biokinet.core.exercise.Precaution;
import org.junit.jupiter.api.Test;

/** Pictures and words do not show or warn of anything that the codes keep quiet about. */
class PoseEvidenceTest {

  private static final Catalogue CATALOGUE = Catalogue.load();

  private static Movement movement(String id) {
    return Movements.shipped().of(CATALOGUE.get(id), Side.RIGHT).orElseThrow();
  }

  @Test
  void whatThePictureProvesTheEntrySays() {
    for (Exercise e : CATALOGUE.all()) {
      Movements.shipped()
          .of(e, Side.RIGHT)
          .ifPresent(
              m -> assertThat(PoseEvidence.unsaid(e, m)).as("unsaid in " + e.id()).isEmpty());
    }
  }

  /** So that the test above cannot pass by proving nothing: one picture for each code. */
  @Test
  void everyCodeIsProvenBySomePicture() {
    assertThat(PoseEvidence.of(movement("wall-slide")))
        .contains(new PoseEvidence.Proof(Precaution.GH_ELEV, Optional.of(Side.LEFT)));
    assertThat(PoseEvidence.of(movement("upper-trap-stretch")))
        .containsExactly(new PoseEvidence.Proof(Precaution.GH_ELEV, Optional.of(Side.LEFT)));
    assertThat(PoseEvidence.of(movement("lateral-neck-elbow-back")))
        .containsExactly(new PoseEvidence.Proof(Precaution.GH_EXT, Optional.of(Side.RIGHT)));
    assertThat(PoseEvidence.of(movement("goalpost-chest-opener")))
        .contains(new PoseEvidence.Proof(Precaution.GH_ER_ABD, Optional.of(Side.RIGHT)));
    assertThat(PoseEvidence.of(movement("cross-body-stretch")))
        .containsExactly(new PoseEvidence.Proof(Precaution.GH_ADDUCT, Optional.of(Side.RIGHT)));
    assertThat(PoseEvidence.of(movement("neck-rotation")))
        .containsExactly(new PoseEvidence.Proof(Precaution.CX_ROT, Optional.empty()));
    assertThat(PoseEvidence.of(movement("seated-forward-fold")))
        .contains(
            new PoseEvidence.Proof(Precaution.HEAD_DOWN, Optional.empty()),
            new PoseEvidence.Proof(Precaution.SPINE_FLEX, Optional.empty()));
    assertThat(PoseEvidence.of(movement("half-neck-circle")))
        .containsExactly(new PoseEvidence.Proof(Precaution.CX_FLEX, Optional.empty()));
    assertThat(PoseEvidence.of(movement("seated-trunk-rotation")))
        .contains(new PoseEvidence.Proof(Precaution.TRUNK_ROT, Optional.empty()));
    assertThat(PoseEvidence.of(movement("chin-nod"))).isEmpty();
  }

  private static final Pattern TINGLING = Pattern.compile("tingl|numb", Pattern.CASE_INSENSITIVE);
  private static final Pattern DIZZINESS = Pattern.compile("dizz", Pattern.CASE_INSENSITIVE);
  private static final Set<Precaution> MAY_MAKE_DIZZY =
      Set.of(
          Precaution.CX_EXT,
          Precaution.CX_FLEX,
          Precaution.CX_ROT,
          Precaution.CX_CIRCLE,
          Precaution.HEAD_DOWN);

  @Test
  void whatTheWordsWarnOfTheCodesSayToo() {
    for (Exercise e : CATALOGUE.all()) {
      ExerciseWords w = CATALOGUE.words(e, Locale.ENGLISH);
      StringBuilder said = new StringBuilder();
      List.of(w.setup(), w.how(), w.feel(), w.not(), w.out())
          .forEach(t -> said.append(t).append(' '));
      w.faults().forEach(f -> said.append(f.what()).append(' ').append(f.mend()).append(' '));
      if (TINGLING.matcher(said).find()) {
        assertThat(e.precautions()).as(e.id() + " warns of tingling").contains(Precaution.NEURAL);
      }
      if (DIZZINESS.matcher(said).find()) {
        assertThat(e.precautions())
            .as(e.id() + " warns of dizziness")
            .containsAnyElementsOf(MAY_MAKE_DIZZY);
      }
    }
  }
}
