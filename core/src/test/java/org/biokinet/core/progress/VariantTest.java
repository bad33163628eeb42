package org.biokinet.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.program.Program;
import org.biokinet.core.progress.DiaryBuilder.Answers;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.Condition;
import org.biokinet.core.screening.Irritability.Settles;
import org.junit.jupiter.api.Test;

/** Which other form is offered beside a decision; the forms are those of the catalogue. */
class VariantTest {

  private static final String L = "upper-trap-stretch L";

  private static DiaryBuilder stretching(String dose, String target) {
    return new DiaryBuilder("upper-trap-stretch", dose, target);
  }

  private static Optional<Variant> offered(Diary diary, Optional<Allowed> allowed) {
    Program program = diary.version().program();
    return Variant.of(Review.of(diary).of(Part.of(L)), program, allowed, DiaryBuilder.CATALOGUE);
  }

  private static Optional<Variant> offered(Diary diary) {
    return offered(diary, diary.allowed());
  }

  private static Allowed allowed(Settles settles, Set<Position> positions, Condition... with) {
    Means means = new Means(positions, EnumSet.of(Equipment.CHAIR));
    return DiaryBuilder.allowed(settles, means, with);
  }

  private static final Set<Position> SEATED = EnumSet.of(Position.CHAIR);

  /** Two weeks at the target. */
  private static Diary atTarget() {
    return stretching("2x30s @3", "2x30s @3").good(1, 14).on(15);
  }

  @Test
  void aHarderFormAtTheTarget() {
    Variant harder = offered(atTarget()).orElseThrow();
    assertThat(harder.kind()).isEqualTo(Variant.Kind.HARDER);
    assertThat(harder.item().exercise().id()).isEqualTo("upper-trap-anchored");
    assertThat(DoseNotation.format(harder.item().dose())).isEqualTo("2x15s @4");
    Diary below = stretching("2x20s @3", "2x30s @3").good(1, 14).on(15);
    assertThat(Review.of(below).of(Part.of(L)).line()).isEqualTo(Line.GO_ON);
    assertThat(offered(below)).as("not while there is a step").isEmpty();
  }

  /** Not to the highly irritable, nor where it is locked or only cautiously done, nor unseated. */
  @Test
  void noHarderFormWhereAnythingSpeaksAgainstIt() {
    Diary diary = atTarget();
    assertThat(offered(diary, Optional.of(allowed(Settles.WITHIN_10_MINUTES, SEATED)))).isPresent();
    assertThat(offered(diary, Optional.of(allowed(Settles.LATER, SEATED)))).isEmpty();
    assertThat(
            offered(
                diary,
                Optional.of(allowed(Settles.WITHIN_10_MINUTES, SEATED, Condition.NERVE_ROOT))))
        .isEmpty();
    assertThat(
            offered(
                diary,
                Optional.of(allowed(Settles.WITHIN_10_MINUTES, EnumSet.of(Position.SUPINE)))))
        .as("nothing is seated any more")
        .isEmpty();
    assertThat(offered(diary, Optional.empty())).isEmpty();
  }

  /** Where nothing is lower. */
  @Test
  void anEasierFormAtTheFoot() {
    Answers red = Answers.of(2, 5, 3).provoked("0L");
    Diary diary =
        stretching("2x15s @3", "2x30s @3")
            .good(1, 6)
            .day(7, red, 2)
            .day(8, DiaryBuilder.GOOD, 2)
            .day(9, red, 2)
            .on(11);
    assertThat(Review.of(diary).of(Part.of(L)).asks()).contains(Decision.Ask.EASIER_OR_PAUSE);
    Variant easier = offered(diary).orElseThrow();
    assertThat(easier.kind()).isEqualTo(Variant.Kind.EASIER);
    assertThat(easier.item().exercise().id()).isEqualTo("neck-lateral-flexion");
    assertThat(easier.item().dose().on(Side.RIGHT)).as("for this side").isEmpty();
    assertThat(offered(diary, Optional.empty())).isEmpty();
  }
}
