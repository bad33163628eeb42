package org.biokinet.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.List;
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

  private static final Answers LEFT = Answers.of(2, 4, 3).provoked("0L");
  private static final Answers RIGHT = Answers.of(2, 4, 3).provoked("0R");
  private static final Answers GOOD = DiaryBuilder.GOOD;

  private static Decision ofBothArms(Answers... lastDays) {
    DiaryBuilder diary = bothArms(lastDays);
    return Review.of(diary.on(6 + lastDays.length)).of(Part.of("overhead-triceps-both"));
  }

  private static DiaryBuilder bothArms(Answers... lastDays) {
    DiaryBuilder diary =
        new DiaryBuilder("overhead-triceps-both", "2x15s @3", "2x30s @3").good(0, 5);
    for (int i = 0; i < lastDays.length; i++) diary.day(6 + i, lastDays[i], 2);
    return diary;
  }

  /**
   * Handbook section 10, scope: of what both sides do at once, where twice running only one side
   * was worse, the one-sided form is offered.
   */
  @Test
  void oneSideAtATimeWhereTwiceRunningOnlyOneWasWorse() {
    Diary diary = bothArms(LEFT, LEFT).on(8);
    Decision d = ofBothArms(LEFT, LEFT);
    assertThat(d.asks()).contains(Decision.Ask.ONE_SIDE);
    Variant variant =
        Variant.of(d, diary.version().program(), diary.allowed(), DiaryBuilder.CATALOGUE)
            .orElseThrow();
    assertThat(variant.kind()).isEqualTo(Variant.Kind.ONE_SIDED);
    assertThat(variant.item().exercise().id()).isEqualTo("overhead-triceps-stretch");
    assertThat(variant.item().dose().on(Side.LEFT)).isPresent();
    assertThat(variant.item().dose().on(Side.RIGHT)).isPresent();
    Allowed supine = allowed(Settles.WITHIN_10_MINUTES, EnumSet.of(Position.SUPINE));
    assertThat(
            Variant.of(d, diary.version().program(), Optional.of(supine), DiaryBuilder.CATALOGUE))
        .as("nobody who lies can do it")
        .isEmpty();
    Answers strong = Answers.of(2, 2, 5).tooStrong("0R");
    assertThat(ofBothArms(strong, RIGHT).asks()).contains(Decision.Ask.ONE_SIDE);
  }

  @Test
  void bothArmsAsBeforeWhereItWasOnceOrOnEither() {
    Answers both = Answers.of(2, 4, 3).provoked("0L", "0R");
    Answers unsaid = Answers.of(2, 4, 3).provoked("0");
    for (Answers[] days :
        List.of(
            new Answers[] {LEFT},
            new Answers[] {LEFT, RIGHT},
            new Answers[] {LEFT, both},
            new Answers[] {unsaid, unsaid},
            new Answers[] {LEFT, GOOD, LEFT},
            new Answers[] {LEFT, LEFT, GOOD})) {
      assertThat(ofBothArms(days).asks())
          .as(List.of(days).toString())
          .doesNotContain(Decision.Ask.ONE_SIDE);
    }
    assertThat(
            stretching("2x15s @3", "2x30s @3")
                .good(0, 5)
                .day(6, LEFT, 2)
                .day(7, LEFT, 2)
                .decide(8, L)
                .asks())
        .as("it has sides")
        .doesNotContain(Decision.Ask.ONE_SIDE);
  }
}
