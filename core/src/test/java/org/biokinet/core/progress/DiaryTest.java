package org.biokinet.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.anatomy.Intent;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.measure.BodyArea;
import org.biokinet.core.measure.Finding;
import org.biokinet.core.measure.PainMap;
import org.biokinet.core.program.Program;
import org.junit.jupiter.api.Test;

/** What a diary takes from what was measured. */
class DiaryTest {

  private static final Program PROGRAM =
      DiaryBuilder.program(
          "upper-trap-stretch", "2x20s @3", "3x30s @3", "chin-tuck", "3x5s", "3x10s");

  private static Finding finding(Finding.Kind kind, Tissue tissue) {
    return new Finding(
        "f",
        kind,
        "tilting",
        "tilting left 31 of 45",
        List.of(new Finding.Target.OfTissue(Intent.LENGTHEN, tissue, Optional.of(Side.RIGHT))),
        1);
  }

  /** A device's clock may be ahead: what is later than the review is none of it. */
  @Test
  void whatIsToComeIsNotRead() {
    DiaryBuilder told =
        new DiaryBuilder("upper-trap-stretch", "2x15s @3", "3x30s @3")
            .good(1, 4)
            .refused(2, 7)
            .refused(4, 7);
    Diary then = told.on(2);
    assertThat(then.sessions()).hasSize(2).noneMatch(s -> s.startedAt().isAfter(then.now()));
    assertThat(then.mornings()).hasSize(1);
    assertThat(then.refused()).hasSize(1);
  }

  @Test
  void whatServesTheShorterSideIsNotMaintained() {
    assertThat(
            Diary.asymmetric(PROGRAM, List.of(finding(Finding.Kind.ONE_SIDED, Tissue.UPPER_TRAP))))
        .extracting(Part::text)
        .containsExactlyInAnyOrder("upper-trap-stretch L", "upper-trap-stretch R");
    assertThat(Diary.asymmetric(PROGRAM, List.of(finding(Finding.Kind.LIMITED, Tissue.UPPER_TRAP))))
        .as("short on both sides alike")
        .isEmpty();
    assertThat(
            Diary.asymmetric(PROGRAM, List.of(finding(Finding.Kind.ONE_SIDED, Tissue.HAMSTRINGS))))
        .isEmpty();
  }

  @Test
  void whereItHurtsIsWhatLiesThere() {
    PainMap neck = marked(BodyArea.LOWER_NECK);
    assertThat(neck.regions()).isEqualTo(Set.of(Tissue.Region.NECK));
    assertThat(PainMap.EMPTY.regions()).isEmpty();
    assertThat(
            neck.with(new PainMap.Mark(BodyArea.JAW, Side.LEFT, PainMap.Feeling.ACHE, 3)).regions())
        .as("over no tissue that is known, so it may be anywhere")
        .isEmpty();
  }

  private static PainMap marked(BodyArea area) {
    return PainMap.EMPTY.with(new PainMap.Mark(area, Side.LEFT, PainMap.Feeling.ACHE, 4));
  }
}
