package org.biokinet.core.progress;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.progress.Diary.Sign.Kind;
import org.biokinet.core.progress.DiaryBuilder.Answers;
import org.biokinet.core.screening.Irritability.Settles;
import org.biokinet.core.session.Ended;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Every line of the decision at both sides of its thresholds; handbook, section 10. */
class ReviewTest {

  private static final String L = "upper-trap-stretch L";
  private static final String R = "upper-trap-stretch R";
  private static final String TUCK = "chin-tuck";

  /** A stretch with two rungs to its target, and one without sides in the same region. */
  private static DiaryBuilder diary() {
    return new DiaryBuilder(
        "upper-trap-stretch", "2x20s @3", "3x30s @3", "chin-tuck", "3x5s", "3x10s");
  }

  private static String next(Decision d) {
    return d.next().map(n -> DoseNotation.format(new Dose.Alike(n))).orElse("");
  }

  // ---- 9, 10: go on, hold --------------------------------------------------------------------

  @Test
  void aGoodWeekGoesOnOneRung() {
    Decision d = diary().good(0, 6).decide(7, L);
    assertThat(d.line()).isEqualTo(Line.GO_ON);
    assertThat(next(d)).isEqualTo("2x30s @3");
    assertThat(d.evidence())
        .containsExactly(
            "7 of 7 days green",
            "next-morning pain 2 → 2",
            "stretch felt 3 against a ceiling of 3");
    assertThat(d.barred()).isEmpty();
    assertThat(d.takes()).isNotEmpty();
    assertThat(d.asks()).isEmpty();
  }

  /** Felt at 1 on all of the last three: technique first. */
  @ParameterizedTest
  @CsvSource({"1, true", "2, false"})
  void aStretchThatIsHardlyFeltIsLookedAt(int felt, boolean asked) {
    DiaryBuilder diary = diary().good(0, 3);
    for (int day = 4; day <= 6; day++) diary.day(day, Answers.of(2, 2, felt), 2);
    Decision d = diary.decide(7, L);
    assertThat(d.line()).isEqualTo(Line.GO_ON);
    assertThat(d.asks().contains(Decision.Ask.TECHNIQUE)).isEqualTo(asked);
    assertThat(diary.decide(7, TUCK).asks()).as("no stretch").isEmpty();
  }

  @Test
  void atTheTargetItIsHeldAndThenMaintained() {
    DiaryBuilder diary = new DiaryBuilder("upper-trap-stretch", "2x30s @3", "2x30s @3").good(0, 20);
    Decision first = diary.decide(7, L);
    assertThat(first.line()).isEqualTo(Line.HOLD);
    assertThat(first.atTarget()).isTrue();
    assertThat(first.evidence()).contains("the target is reached");
    diary.decided(7, L, Outcome.HOLD, true);
    assertThat(diary.decide(20, L).line()).as("13 days and 18 hours").isEqualTo(Line.HOLD);
    assertThat(diary.decide(21, L).line()).as("at noon, not 14 days").isEqualTo(Line.HOLD);
    diary.good(21, 21);
    assertThat(diary.decide(22, L).line()).isEqualTo(Line.MAINTAIN);
    assertThat(diary.decide(22, R).line()).as("nobody reviewed it").isEqualTo(Line.HOLD);
    assertThat(next(diary.decide(22, L))).as("with the other side").isEqualTo("2x30s @3");
    assertThat(diary.asymmetric(L).decide(22, L).line()).isEqualTo(Line.HOLD);
  }

  /** Handbook section 10, line 7: "half the sessions for it". */
  @Test
  void whatIsKeptUpOnBothSidesIsDoneInHalfTheSessionsAndStaysAtItsRung() {
    DiaryBuilder diary =
        new DiaryBuilder("upper-trap-stretch", "2x30s @3", "2x30s @3", "chin-tuck", "3x5s", "")
            .good(0, 21)
            .decided(7, L, Outcome.HOLD, true)
            .decided(7, R, Outcome.HOLD, true);
    assertThat(next(diary.decide(22, L))).isEqualTo("2x30s @3 3/w");
    assertThat(next(diary.decide(22, R))).isEqualTo("2x30s @3 3/w");
    diary.share(22, "upper-trap-stretch", "2x30s @3 3/w", "2x30s @3", "chin-tuck", "3x5s", "");
    diary.good(22, 24);
    assertThat(new Evidence(diary.on(25)).days(Part.of(L))).as("days 22 and 24").hasSize(24);
    Decision again = diary.decide(25, L);
    assertThat(again.line()).isEqualTo(Line.MAINTAIN);
    assertThat(next(again)).as("not halved again").isEqualTo("2x30s @3 3/w");
    // More often is more: what was seen of it at fewer days says nothing of that.
    diary.share(26, "upper-trap-stretch", "2x30s @3", "2x30s @3", "chin-tuck", "3x5s", "");
    assertThat(diary.decide(27, L).line()).isEqualTo(Line.NOT_KNOWN);
  }

  @Test
  void aRedDayBetweenTwoReviewsBarsMaintaining() {
    DiaryBuilder diary =
        new DiaryBuilder("upper-trap-stretch", "2x30s @3", "2x30s @3")
            .good(0, 9)
            .day(10, Answers.of(2, 5, 3).provoked("0L"), 2)
            .good(11, 21)
            .decided(7, L, Outcome.HOLD, true)
            .decided(7, R, Outcome.HOLD, true);
    assertThat(diary.decide(22, L).line()).isEqualTo(Line.HOLD);
    assertThat(diary.decide(22, R).line()).as("the other side").isEqualTo(Line.MAINTAIN);
  }

  // ---- 1: stop -------------------------------------------------------------------------------

  @ParameterizedTest
  @EnumSource(Kind.class)
  void aSignThatNobodyHasExaminedStopsEverything(Kind kind) {
    DiaryBuilder diary = diary().good(0, 6).sign(6, kind, false);
    Decision d = diary.decide(7, TUCK);
    if (kind == Kind.HEADACHE) {
      assertThat(d.line()).isEqualTo(Line.GO_ON);
      return;
    }
    assertThat(Review.of(diary.on(7)).decisions())
        .allSatisfy(x -> assertThat(x.line()).isEqualTo(Line.STOP));
    assertThat(d.next()).isEmpty();
    assertThat(d.evidence()).containsExactly(kind.words() + " on 2026-10-07");
  }

  @Test
  void afterAnExaminedStopItIsBegunAgainAtHalf() {
    DiaryBuilder diary = diary().good(0, 6).sign(6, Kind.TINGLING, true);
    Decision d = diary.decide(7, L);
    assertThat(d.line()).isEqualTo(Line.RE_ENTER);
    assertThat(next(d)).isEqualTo("2x10s @3");
    // Somebody looks, and shares the same again for the other side.
    diary.share(
        8, "upper-trap-stretch", "L 2x10s @3 R 2x20s @3", "3x30s @3", "chin-tuck", "3x5s", "");
    assertThat(diary.decide(9, L).line()).as("dosed since").isEqualTo(Line.NOT_KNOWN);
    assertThat(diary.decide(9, R).line()).as("shared since").isEqualTo(Line.STAY);
  }

  // ---- 2, 5: after a gap ---------------------------------------------------------------------

  @ParameterizedTest
  @CsvSource({"6, NOT_KNOWN", "7, RETURN", "13, RETURN", "14, RE_ENTER"})
  void daysWithoutIt(int days, Line line) {
    Decision d = diary().good(0, 6).decide(6 + days, L);
    assertThat(d.line()).isEqualTo(line);
    if (line == Line.RETURN) assertThat(next(d)).isEqualTo("2x15s @3");
    if (line == Line.RE_ENTER) assertThat(next(d)).isEqualTo("2x10s @3");
  }

  /** What nobody has begun is no gap; one side can be left out for a fortnight. */
  @Test
  void aGapIsThatOfTheItemOnItsSide() {
    DiaryBuilder diary = diary();
    assertThat(diary.decide(20, L).line()).isEqualTo(Line.NOT_KNOWN);
    DiaryBuilder without = diary().good(0, 3);
    for (int day = 4; day <= 18; day++) {
      without
          .session(day, DiaryBuilder.GOOD, ProgramKind.MAIN, Ended.FINISHED, Set.of(1))
          .morning(day + 1, 2);
    }
    assertThat(without.decide(18, L).line()).isEqualTo(Line.GO_ON);
    assertThat(without.decide(17, TUCK).line()).isEqualTo(Line.RE_ENTER);
    without.share(18, "upper-trap-stretch", "2x20s @3", "3x30s @3", "chin-tuck", "1x5s", "3x10s");
    assertThat(without.decide(18, TUCK).line()).as("once").isEqualTo(Line.NOT_KNOWN);
  }

  // ---- 3: flare ------------------------------------------------------------------------------

  /** Baseline 2: mornings of 4 for 24 hours and one minute; of 3 it is none. */
  @ParameterizedTest
  @CsvSource({"4, FLARE", "3, GO_ON"})
  void painFarAboveTheBaselineForADayIsAFlare(int pain, Line line) {
    DiaryBuilder diary = diary().good(0, 5).refused(6, pain).refused(7, pain);
    assertThat(diary.decide(7, L).line()).as("exactly 24 hours").isNotEqualTo(Line.FLARE);
    diary.morning(8, pain);
    Decision d = diary.decide(8, L);
    if (line == Line.FLARE) {
      assertThat(d.line()).isEqualTo(line);
      assertThat(d.evidence()).containsExactly("pain 2 or more above the baseline for 43 hours");
      assertThat(d.next()).isEmpty();
    } else {
      assertThat(d.line()).isNotEqualTo(Line.FLARE);
    }
  }

  @Test
  void twoRedDaysWithinTwoDaysAreAFlare() {
    Answers red = Answers.of(2, 5, 3);
    DiaryBuilder one = diary().good(0, 5).day(6, red, 2).day(7, DiaryBuilder.GOOD, 2);
    assertThat(one.decide(7, L).line()).isNotEqualTo(Line.FLARE);
    DiaryBuilder two = diary().good(0, 5).day(6, red, 2).day(7, red, 2);
    assertThat(two.decide(7, L).line()).isEqualTo(Line.FLARE);
    assertThat(two.decide(7, L).evidence()).containsExactly("2 red days within 48 hours");
    assertThat(two.decide(8, L).line()).as("one of them is over 48 hours ago").isEqualTo(Line.EASE);
  }

  @Test
  void aFlareThatLastsAndOneThatHasSettled() {
    DiaryBuilder lasting = diary().good(0, 6).flare(7, Optional.empty(), Optional.empty());
    assertThat(lasting.decide(8, L).line()).isEqualTo(Line.FLARE);
    assertThat(lasting.decide(8, L).asks()).isEmpty();
    assertThat(lasting.decide(10, L).asks()).as("72 h").contains(Decision.Ask.EXAMINE_FLARE);
    DiaryBuilder again = diary().good(0, 6).flare(7, Optional.empty(), Optional.of(1));
    assertThat(again.decide(8, L).asks()).contains(Decision.Ask.EXAMINE_FLARE);
    DiaryBuilder over =
        new DiaryBuilder("upper-trap-stretch", "2x30s @3", "3x30s @3")
            .good(0, 6)
            .flare(7, Optional.of(9), Optional.empty());
    Decision d = over.decide(9, L);
    assertThat(d.line()).isEqualTo(Line.FLARE);
    assertThat(next(d)).as("two rungs lower").isEqualTo("2x15s @3");
  }

  // ---- 4: ease -------------------------------------------------------------------------------

  /** Two of the last three, and of the side that was named alone. */
  @Test
  void twoRedDaysOfThreeEaseTheSideThatWasNamed() {
    Answers red = Answers.of(2, 5, 3).provoked("0L");
    DiaryBuilder diary =
        diary().good(0, 3).day(4, red, 2).day(5, DiaryBuilder.GOOD, 2).day(6, red, 2);
    Decision d = diary.decide(7, L);
    assertThat(d.line()).isEqualTo(Line.EASE);
    assertThat(next(d)).isEqualTo("2x15s @3");
    assertThat(d.evidence()).containsExactly("2 of the last 3 days red");
    assertThat(diary.decide(7, R).line()).isEqualTo(Line.GO_ON);
    // Another item of the same region does not go on in this review.
    assertThat(diary.decide(7, TUCK).line()).isEqualTo(Line.STAY);
    assertThat(diary.decide(7, TUCK).barred())
        .containsExactly("another item of this region is eased now");
  }

  @Test
  void redDaysOfLongAgoDoNotEase() {
    Answers red = Answers.of(2, 5, 3).provoked("0L");
    DiaryBuilder diary = diary().good(0, 3).day(4, red, 2).day(5, red, 2).session(12, Answers.NONE);
    assertThat(diary.decide(17, L).line()).isEqualTo(Line.EASE);
    assertThat(diary.decide(18, L).line()).as("one is 14 days ago").isEqualTo(Line.NOT_KNOWN);
  }

  @ParameterizedTest
  @CsvSource({"WITHIN_10_MINUTES, GO_ON, GO_ON", "LATER, NOT_KNOWN, EASE"})
  void oneRedDayEasesWhereIrritabilityIsHigh(Settles settles, Line without, Line with) {
    DiaryBuilder good = diary().irritable(settles).good(0, 6);
    assertThat(good.decide(7, L).line()).isEqualTo(without);
    DiaryBuilder red =
        diary().irritable(settles).good(0, 1).day(2, Answers.of(2, 5, 3), 2).good(3, 5);
    assertThat(red.decide(6, L).line()).isEqualTo(with);
  }

  /** Weekly means of 2 and 4, and of 2 and 3.9. */
  @ParameterizedTest
  @CsvSource({"4, true", "3, false"})
  void aWeeklyMeanThatIsWorseByTwoEases(int later, boolean eases) {
    DiaryBuilder diary = diary().good(0, 6);
    // It creeps, so that no morning is far above its baseline.
    for (int day = 7; day <= 13; day++) diary.session(day, Answers.of(later, later, 3));
    Decision d = diary.decide(13, L);
    assertThat(d.line() == Line.EASE).isEqualTo(eases);
    if (eases) assertThat(d.evidence()).containsExactly("weekly mean 4.0, and it was 2.0");
    // What led to a review leads to nothing again.
    diary.decided(13, L, Outcome.EASE, false);
    assertThat(diary.decide(14, L).line()).isNotEqualTo(Line.EASE);
  }

  @ParameterizedTest
  @CsvSource({"2, EASE", "1, STAY"})
  void aStretchOverItsCeilingOnTwoOfThreeEases(int times, Line line) {
    DiaryBuilder diary = diary().good(0, 3);
    for (int n = 0; n < 3; n++) {
      Answers told = n < times ? Answers.of(2, 2, 5).tooStrong("0R") : DiaryBuilder.GOOD;
      diary.day(4 + n, told, 2);
    }
    assertThat(diary.decide(7, R).line()).isEqualTo(line);
    assertThat(diary.decide(7, L).line()).isEqualTo(Line.GO_ON);
  }

  @Test
  void wokenTwoNightsRunningEases() {
    DiaryBuilder apart = diary().good(0, 6).woken(3).woken(5);
    assertThat(apart.decide(7, L).line()).isNotEqualTo(Line.EASE);
    DiaryBuilder running = diary().good(0, 6).woken(3).woken(4);
    assertThat(running.decide(7, L).line()).isEqualTo(Line.EASE);
    running.painful(Tissue.Region.LEG);
    assertThat(running.decide(7, L).line()).as("not where it hurts").isEqualTo(Line.GO_ON);
  }

  @ParameterizedTest
  @CsvSource({"7, EASE", "6, GO_ON"})
  void tooMuchPainToBeginWithEases(int pain, Line line) {
    DiaryBuilder diary = diary().good(0, 6).refused(3, pain);
    assertThat(diary.decide(7, L).line()).isEqualTo(line);
    for (String part : new String[] {L, R, TUCK}) diary.decided(3, part, Outcome.STAY, false);
    assertThat(diary.decide(7, L).line()).as("before the last review").isEqualTo(Line.GO_ON);
  }

  @Test
  void easedTwiceInFourWeeksIsExaminedAgain() {
    DiaryBuilder diary = diary().good(0, 6).refused(6, 8).decided(-22, L, Outcome.EASE, false);
    assertThat(diary.decide(7, L).asks()).as("29 days").isEmpty();
    diary.decided(-20, L, Outcome.EASE, false);
    assertThat(diary.decide(7, L).asks()).containsExactly(Decision.Ask.RE_EXAMINE);
  }

  @Test
  void atTheLowestRungThereIsAnEasierOneOrAPause() {
    DiaryBuilder diary = new DiaryBuilder("chin-tuck", "2x3s", "3x10s").good(0, 6).refused(6, 8);
    Decision d = diary.decide(7, TUCK);
    assertThat(d.line()).isEqualTo(Line.EASE);
    assertThat(d.next()).isEmpty();
    assertThat(d.asks()).containsExactly(Decision.Ask.EASIER_OR_PAUSE);
  }

  // ---- 6: not enough known -------------------------------------------------------------------

  @ParameterizedTest
  @CsvSource({"2, NOT_KNOWN", "3, GO_ON"})
  void threeDaysAreAnsweredInFull(int answered, Line line) {
    // On three days a week, with two days between: the next pain before is no morning of theirs.
    DiaryBuilder diary = new DiaryBuilder("upper-trap-stretch", "2x15s @3 3/w", "2x30s @3 3/w");
    for (int n = 0; n < 3; n++) {
      diary.session(2 * n, DiaryBuilder.GOOD);
      if (n < answered) diary.morning(2 * n + 1, 2);
    }
    Decision d = diary.decide(7, L);
    assertThat(d.line()).isEqualTo(line);
    if (line == Line.NOT_KNOWN) {
      assertThat(d.barred()).containsExactly("2 of 3 days answered in full at this dose");
      assertThat(d.takes()).containsExactly("1 more with the morning after told");
    }
  }

  @ParameterizedTest
  @CsvSource({"WITHIN_10_MINUTES, 6, 7", "LATER, 13, 14"})
  void aDoseIsKeptForAWeekOrAFortnight(Settles settles, int tooSoon, int soon) {
    // At high irritability nothing is done above 2x10s of it, and 2 of 10.
    DiaryBuilder diary =
        new DiaryBuilder("upper-trap-stretch", "2x5s @2", "2x10s @2").irritable(settles);
    for (int day = 0; day <= 20; day++) diary.day(day, Answers.of(2, 2, 2), 2);
    // Shared on the evening before the first day.
    assertThat(diary.decide(tooSoon - 1, L).line()).isEqualTo(Line.NOT_KNOWN);
    assertThat(diary.decide(soon - 1, L).line()).isEqualTo(Line.GO_ON);
    assertThat(diary.decide(tooSoon - 1, L).takes().get(0)).startsWith(soon + " days, on");
  }

  /** Of seven planned: 4 are under 60 %, 5 under 80 %, 6 are enough; 10 are too many. */
  @ParameterizedTest
  @CsvSource({
    "4, NOT_KNOWN, SHORTER_SESSION",
    "5, STAY, ",
    "6, GO_ON, ",
    "9, GO_ON, ",
    "10, STAY, OVERDOING"
  })
  void howMuchWasDoneOfWhatWasPlanned(int done, Line line, Decision.Ask ask) {
    DiaryBuilder diary = diary().good(0, 6);
    for (int day = 7; day <= 13; day++) {
      if (day - 7 >= 7 - done) diary.day(day, DiaryBuilder.GOOD, 2);
      else diary.morning(day + 1, 2);
      if (day - 7 < done - 7) diary.session(day, Answers.of(2, 2, 2));
    }
    Decision d = diary.decide(13, L);
    assertThat(d.line()).isEqualTo(line);
    assertThat(d.asks()).isEqualTo(ask == null ? Set.of() : Set.of(ask));
  }

  /** Twice a week: three planned days at a dose are over a week and a half. */
  @ParameterizedTest
  @CsvSource({"8, true", "12, false"})
  void threePlannedDaysAreLongerWhereTheyAreFew(int day, boolean tooFew) {
    DiaryBuilder diary = new DiaryBuilder("upper-trap-stretch", "2x20s @3 2/w", "3x30s @3 2/w");
    for (int n = 0; n <= 12; n += 4) diary.day(n, DiaryBuilder.GOOD, 2);
    diary.day(day - 1, DiaryBuilder.GOOD, 2).day(day - 2, DiaryBuilder.GOOD, 2);
    Decision d = diary.decide(day, L);
    assertThat(d.barred().contains("fewer than 3 planned days at this dose")).isEqualTo(tooFew);
  }

  /** Nothing is missed in a pause. */
  @Test
  void aPauseLowersNothing() {
    DiaryBuilder diary = diary().good(0, 6).good(11, 13);
    assertThat(diary.decide(13, L).line()).isEqualTo(Line.NOT_KNOWN);
    assertThat(diary.pause(7, 10).decide(13, L).line()).isEqualTo(Line.GO_ON);
  }

  @Test
  void aCarefulPaceWaitsLongerAndNoPaceChangesWhatEases() {
    DiaryBuilder careful = diary().pace(Pace.CAREFUL).good(0, 12);
    assertThat(careful.decide(8, L).line()).isEqualTo(Line.NOT_KNOWN);
    assertThat(careful.decide(9, L).line()).isEqualTo(Line.GO_ON);
    for (Pace pace : Pace.values()) {
      DiaryBuilder diary = diary().pace(pace).good(0, 6).refused(6, 7);
      assertThat(diary.decide(7, L).line()).isEqualTo(Line.EASE);
    }
  }

  // ---- 8: stay -------------------------------------------------------------------------------

  @Test
  void oneRedOrTwoThatAreNotGreenOfThreeStay() {
    Answers red = Answers.of(2, 5, 3).provoked("0L");
    DiaryBuilder one = diary().good(0, 3).day(4, red, 2).good(5, 6);
    assertThat(one.decide(7, L).line()).isEqualTo(Line.STAY);
    assertThat(one.decide(7, L).barred()).containsExactly("a red day among the last 3");
    assertThat(one.decide(7, R).line()).isEqualTo(Line.GO_ON);
    Answers amber = Answers.of(2, 4, 3).provoked("0L");
    DiaryBuilder still = diary().good(0, 3).day(4, amber, 2).good(5, 6);
    assertThat(still.decide(7, L).line()).as("two are green").isEqualTo(Line.GO_ON);
    DiaryBuilder two = diary().good(0, 3).day(4, amber, 2).day(5, amber, 2).good(6, 6);
    assertThat(two.decide(7, L).line()).isEqualTo(Line.STAY);
    assertThat(two.decide(7, L).barred()).containsExactly("1 of the last 3 days green");
    assertThat(two.decide(7, L).takes()).containsExactly("2 green of the last 3");
  }

  @Test
  void whereNobodyHasScreenedNothingGoesOn() {
    Decision d = diary().notScreened().good(0, 20).decide(20, L);
    assertThat(d.line()).isEqualTo(Line.STAY);
    assertThat(d.barred()).containsExactly("nobody has been screened, or the gate is closed");
  }

  /** Two items of a region step at a review, and a tissue side once. */
  @Test
  void notAllGoOnAtOnce() {
    DiaryBuilder diary =
        new DiaryBuilder(
                "upper-trap-stretch",
                "2x15s @3",
                "2x30s @3",
                "levator-stretch",
                "2x15s @3",
                "2x30s @3",
                "scalene-stretch-arm-behind",
                "2x15s @3",
                "2x30s @3")
            .good(0, 6);
    Review r = Review.of(diary.on(7));
    assertThat(r.of(Part.of(L)).line()).isEqualTo(Line.GO_ON);
    assertThat(r.of(Part.of("levator-stretch R")).line()).isEqualTo(Line.GO_ON);
    assertThat(r.of(Part.of("scalene-stretch-arm-behind L")).line()).isEqualTo(Line.STAY);
    assertThat(r.of(Part.of("scalene-stretch-arm-behind L")).barred())
        .containsExactly(
            "two items of the same region step at this review, or did in the week before");
  }

  /** Two reviews in a week are no way round the limits of one. */
  @ParameterizedTest
  @CsvSource({"8, false", "13, false", "14, true"})
  void aSecondReviewInTheSameWeekTakesNoFurtherStep(int day, boolean stepsAgain) {
    String scalene = "scalene-stretch-arm-behind L";
    DiaryBuilder diary =
        new DiaryBuilder(
                "upper-trap-stretch",
                "2x15s @3",
                "2x30s @3",
                "levator-stretch",
                "2x15s @3",
                "2x30s @3",
                "scalene-stretch-arm-behind",
                "2x15s @3",
                "2x30s @3")
            .good(0, 6)
            // On the evening of the seventh day two of them go on.
            .share(
                8,
                "upper-trap-stretch",
                "2x20s @3",
                "2x30s @3",
                "levator-stretch",
                "2x20s @3",
                "2x30s @3",
                "scalene-stretch-arm-behind",
                "2x15s @3",
                "2x30s @3")
            .good(8, day - 1);
    Decision d = diary.decide(day, scalene);
    assertThat(d.line()).as("the others come first again").isEqualTo(Line.STAY);
    assertThat(d.barred())
        .containsExactly(
            "two items of the same region step at this review, or did in the week before");
    assertThat(diary.decide(day, L).line()).isEqualTo(stepsAgain ? Line.GO_ON : Line.NOT_KNOWN);
  }

  /** A rise is one of a week, however many versions were shared in it. */
  @Test
  void theRiseOfAWeekIsThatOfAWeek() {
    // Of the trapezius 75 s a day a week ago, 135 since; half of the second stretch counts too.
    DiaryBuilder diary =
        new DiaryBuilder(
                "upper-trap-stretch",
                "2x30s @3",
                "4x30s @3",
                "scalene-stretch-arm-behind",
                "1x30s @3",
                "2x60s @3",
                "floor-pec-stretch",
                "1x30s @3",
                "2x60s @3")
            .good(0, 9);
    String[] more = {
      "upper-trap-stretch",
      "4x30s @3",
      "4x30s @3",
      "scalene-stretch-arm-behind",
      "1x30s @3",
      "2x60s @3",
      "floor-pec-stretch",
      "1x30s @3",
      "2x60s @3"
    };
    diary.share(10, more).good(10, 17);
    assertThat(diary.decide(13, "scalene-stretch-arm-behind L").barred())
        .singleElement()
        .asString()
        .contains("left upper trapezius: 525 → 998 s a week");
    assertThat(diary.decide(13, "floor-pec-stretch L").line())
        .as("what adds nothing to that")
        .isEqualTo(Line.GO_ON);
    assertThat(diary.decide(18, "scalene-stretch-arm-behind L").line()).isEqualTo(Line.GO_ON);
  }

  @Test
  void nothingMovesForFourWeeks() {
    DiaryBuilder diary = diary().good(0, 40);
    for (int day = 0; day <= 35; day += 7) diary.decided(day, L, Outcome.STAY, false);
    diary.day(40, Answers.of(2, 5, 3).provoked("0L"), 2);
    assertThat(diary.decide(40, L).asks()).containsExactly(Decision.Ask.FOUR_WEEKS);
  }

  // ---- the program ---------------------------------------------------------------------------

  @Test
  void finishNeedsAllOfIt() {
    DiaryBuilder diary =
        new DiaryBuilder("chin-tuck", "3x10s", "3x10s")
            .good(0, 21)
            .decided(7, TUCK, Outcome.HOLD, true);
    assertThat(Review.of(diary.on(22)).course()).isEmpty();
    diary.measures(new Diary.Measures(true, false, OptionalInt.empty(), true));
    assertThat(Review.of(diary.on(22)).course()).as("weekly mean 2").contains(Review.Whole.FINISH);
    DiaryBuilder sore =
        new DiaryBuilder("chin-tuck", "3x10s", "3x10s").decided(7, TUCK, Outcome.HOLD, true);
    for (int day = 0; day <= 21; day++) sore.day(day, Answers.of(3, 3, 3), 3);
    sore.measures(new Diary.Measures(true, false, OptionalInt.of(5), true));
    assertThat(Review.of(sore.on(22)).course()).isEmpty();
    sore.measures(new Diary.Measures(true, false, OptionalInt.of(4), true));
    assertThat(Review.of(sore.on(22)).course()).contains(Review.Whole.FINISH);
    sore.measures(new Diary.Measures(true, true, OptionalInt.of(30), true));
    assertThat(Review.of(sore.on(22)).course()).contains(Review.Whole.FINISH);
  }

  @Test
  void sixWeeksWithoutAChangeAreNoResponse() {
    DiaryBuilder diary = diary().good(0, 45);
    assertThat(Review.of(diary.on(41)).course()).isEmpty();
    assertThat(Review.of(diary.on(42)).course()).contains(Review.Whole.NO_RESPONSE);
    diary.measures(new Diary.Measures(false, false, OptionalInt.empty(), true));
    assertThat(Review.of(diary.on(42)).course()).isEmpty();
  }

  /** A practice may be more careful; what is decided otherwise stays on its line. */
  @ParameterizedTest
  @CsvSource({
    "RETURN_DAYS, 5, 4, NOT_KNOWN",
    "RETURN_DAYS, 5, 5, RETURN",
    "RE_ENTER_DAYS, 10, 9, RETURN",
    "RE_ENTER_DAYS, 10, 10, RE_ENTER"
  })
  void aPracticeMovesItsOwnThresholds(Threshold which, int value, int days, Line line) {
    DiaryBuilder diary = diary().good(0, 1).threshold(which, value);
    assertThat(diary.decide(1 + days, L).line()).isEqualTo(line);
  }

  @ParameterizedTest
  @CsvSource({"5, 5, EASE", "5, 4, GO_ON", "7, 6, STAY", "7, 7, EASE"})
  void painAtRestThatEasesIsAThreshold(int threshold, int pain, Line line) {
    DiaryBuilder diary = diary().good(0, 6).threshold(Threshold.PAIN_AT_REST, threshold);
    diary.day(7, Answers.of(pain, pain, 3), 2);
    assertThat(diary.decide(8, L).line() == Line.EASE).isEqualTo(line == Line.EASE);
  }

  /** Nothing that stops, eases or rests can be made later than usual. */
  @ParameterizedTest
  @EnumSource
  void whatProtectsCanOnlyBeMadeStricter(Threshold t) {
    assertThat(t.usual()).isBetween(t.least(), t.most());
    assertThatThrownBy(() -> new Thresholds(Map.of(t, t.most() + 1)))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(t.label());
    assertThatThrownBy(() -> new Thresholds(Map.of(t, t.least() - 1)))
        .isInstanceOf(IllegalArgumentException.class);
    boolean lessIsStricter =
        switch (t) {
          case RE_ENTER_DAYS,
              PAIN_AT_REST,
              MEAN_WORSE,
              RETURN_DAYS,
              OVERDOING,
              LITTLE_PAIN,
              NO_RESPONSE_WEEKS ->
              true;
          case RED_WITHIN_DAYS, CREEP_WEEKS, AGAIN_DAYS, LITTLE_DONE, AT_TARGET_DAYS, HARDLY_FELT ->
              false;
        };
    assertThat(lessIsStricter ? t.most() : t.least()).isEqualTo(t.usual());
  }

  /** Handbook section 10, "finish": the weekly mean up by 2 means the full plan again. */
  @ParameterizedTest
  @CsvSource({"2, false", "3, false", "4, true"})
  void painThatIsBackAsksForTheFullPlan(int pain, boolean again) {
    DiaryBuilder diary = diary().good(0, 9).keptUp(9);
    for (int day = 10; day < 17; day++) diary.day(day, Answers.of(pain, pain, 3), pain);
    assertThat(Review.of(diary.on(17)).course())
        .isEqualTo(again ? Optional.of(Review.Whole.FULL_AGAIN) : Optional.empty());
  }
}
