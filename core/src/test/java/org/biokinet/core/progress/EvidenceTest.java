package org.biokinet.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.progress.DiaryBuilder.Answers;
import org.biokinet.core.screening.Policy;
import org.biokinet.core.session.Ended;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * The colour of a session and what it is about, by the table of handbook section 10: our choice,
 * after the pain-monitoring model of Thomeé (1997) and Silbernagel (2007), values from memory.
 */
class EvidenceTest {

  private static final Part L = Part.of("upper-trap-stretch L");
  private static final Part R = Part.of("upper-trap-stretch R");

  private static DiaryBuilder diary() {
    return new DiaryBuilder("upper-trap-stretch", "2x20s @3", "3x30s @3", "chin-tuck", "3x5s", "");
  }

  /** Of the newest session, seen a few days later. */
  private static Colour colour(DiaryBuilder diary) {
    Diary now = diary.on(14);
    return new Evidence(now).colour(now.sessions().get(now.sessions().size() - 1));
  }

  /** Five days with pain 2 before, then one with these answers and the morning after. */
  private static Colour after(Policy policy, int before, int highest, int morning) {
    return colour(
        diary().policy(policy).good(0, 4).day(5, Answers.of(before, highest, 3), morning));
  }

  @ParameterizedTest
  @CsvSource({
    "COMFORT_FIRST, 1, GREEN",
    "COMFORT_FIRST, 2, AMBER",
    "COMFORT_FIRST, 3, RED",
    "TOLERABLE_STRETCH, 2, GREEN",
    "TOLERABLE_STRETCH, 3, AMBER",
    "TOLERABLE_STRETCH, 4, RED",
  })
  void theRiseThatAPolicyBears(Policy policy, int rise, Colour colour) {
    assertThat(after(policy, 1, 1 + rise, 2)).isEqualTo(colour);
  }

  /** Baseline 2. */
  @ParameterizedTest
  @CsvSource({"3, GREEN", "4, RED"})
  void theMorningAboveAWholeBaseline(int morning, Colour colour) {
    assertThat(after(Policy.COMFORT_FIRST, 2, 2, morning)).isEqualTo(colour);
  }

  /**
   * Of 2, 2, 3, 3 the median is 2.5: a morning of 4 is above it by more than 1, and less than 2.
   */
  @Test
  void theMorningAboveAHalfBaseline() {
    DiaryBuilder diary = diary();
    int[] before = {2, 2, 3, 3};
    for (int day = 0; day < 4; day++) diary.session(day, Answers.of(before[day], before[day], 3));
    assertThat(new Evidence(diary.on(5)).baseline(DiaryBuilder.FIRST.plusDays(3))).hasValue(2.5);
    assertThat(colour(diary.morning(4, 4))).isEqualTo(Colour.AMBER);
  }

  /** With two days there is no median yet: the first pain of the episode is the baseline. */
  @Test
  void theBaselineOfAnEpisodeThatHasJustBegun() {
    DiaryBuilder diary = diary().session(0, Answers.of(4, 4, 3)).session(1, Answers.of(2, 2, 3));
    assertThat(new Evidence(diary.on(3)).baseline(DiaryBuilder.FIRST.plusDays(1))).hasValue(4);
    diary.session(2, Answers.of(2, 2, 3));
    assertThat(new Evidence(diary.on(3)).baseline(DiaryBuilder.FIRST.plusDays(2))).hasValue(2);
    assertThat(new Evidence(diary.on(20)).baseline(DiaryBuilder.FIRST.plusDays(9)))
        .as("nothing in the last seven days")
        .hasValue(4);
  }

  @ParameterizedTest
  @CsvSource({"5, 6, RED", "6, 6, AMBER", "4, 5, GREEN", "5, 5, AMBER", "4, 4, GREEN"})
  void muchPainBeforeOrDuring(int before, int highest, Colour colour) {
    DiaryBuilder diary = diary();
    for (int day = 0; day < 4; day++) diary.day(day, Answers.of(4, 4, 3), 4);
    assertThat(colour(diary.day(4, Answers.of(before, highest, 3), 4))).isEqualTo(colour);
  }

  /** Rose by 2, which the tolerable policy bears: settled, not yet, or nothing said. */
  @ParameterizedTest
  @CsvSource({
    "true, 2, GREEN",
    "false, 2, AMBER",
    "false, 3, AMBER",
    "false, 4, RED",
    ", 2, UNCOLOURED"
  })
  void whetherItHasSettled(Boolean settled, int morning, Colour colour) {
    Answers told = Answers.of(2, 4, 3).settled(Optional.ofNullable(settled));
    DiaryBuilder diary = diary().policy(Policy.TOLERABLE_STRETCH);
    for (int day = 0; day < 5; day++) diary.day(day, Answers.of(3, 3, 3), 3);
    assertThat(colour(diary.day(5, told, morning))).isEqualTo(colour);
  }

  @Test
  void wokenOrANewHeadacheIsAmber() {
    assertThat(colour(diary().good(0, 5).woken(6))).isEqualTo(Colour.AMBER);
    assertThat(colour(diary().good(0, 5).sign(5, Diary.Sign.Kind.HEADACHE, false)))
        .isEqualTo(Colour.AMBER);
  }

  @Test
  void aStopRuleIsRedEverywhere() {
    DiaryBuilder diary =
        diary()
            .good(0, 4)
            .painful(Tissue.Region.LEG)
            .session(5, DiaryBuilder.GOOD, ProgramKind.MAIN, Ended.STOPPED, Set.of());
    assertThat(colour(diary)).isEqualTo(Colour.RED);
    List<Evidence.Day> days = new Evidence(diary.on(6)).days(L);
    assertThat(days.get(days.size() - 1).colour()).isEqualTo(Colour.RED);
  }

  @Test
  void whatWasNotToldIsNotGreen() {
    DiaryBuilder noMorning = diary().good(0, 4).session(6, DiaryBuilder.GOOD);
    assertThat(colour(noMorning)).isEqualTo(Colour.UNCOLOURED);
    assertThat(colour(diary().good(0, 4).session(5, Answers.NONE).morning(6, 2)))
        .isEqualTo(Colour.UNCOLOURED);
    // Amber and red stand without a morning.
    assertThat(colour(diary().good(0, 4).session(6, Answers.of(2, 5, 3)))).isEqualTo(Colour.RED);
  }

  /** At the desk only a stop, or a rise of 2, colours; the day of the program has it too. */
  @ParameterizedTest
  @CsvSource({"1, GREEN", "2, AMBER", "4, RED"})
  void aBreakAtTheDeskColoursTheDay(int rise, Colour colour) {
    DiaryBuilder diary =
        diary()
            .policy(Policy.TOLERABLE_STRETCH)
            .good(0, 4)
            .session(4, Answers.of(1, 1 + rise, 3), ProgramKind.DESK, Ended.FINISHED, Set.of());
    assertThat(colour(diary)).isEqualTo(colour);
    List<Evidence.Day> days = new Evidence(diary.on(6)).days(R);
    assertThat(days.get(days.size() - 1).colour()).isEqualTo(colour);
    assertThat(days).hasSize(5);
  }

  @Test
  void whatIsNamedCountsWhereItWasNamedAndTheRestWhereItHurts() {
    DiaryBuilder diary =
        diary()
            .good(0, 3)
            .day(4, Answers.of(2, 5, 3).provoked("0L"), 2)
            .painful(Tissue.Region.NECK);
    Evidence evidence = new Evidence(diary.on(6));
    assertThat(evidence.days(L).get(4).colour()).isEqualTo(Colour.RED);
    assertThat(evidence.days(R).get(4).colour()).isEqualTo(Colour.GREEN);
    assertThat(evidence.days(Part.of("chin-tuck")).get(4).colour()).isEqualTo(Colour.GREEN);
    DiaryBuilder unnamed =
        diary().good(0, 3).day(4, Answers.of(2, 5, 3), 2).painful(Tissue.Region.LEG);
    assertThat(new Evidence(unnamed.on(6)).days(L).get(4).colour()).isEqualTo(Colour.GREEN);
    DiaryBuilder nowhere = diary().good(0, 3).day(4, Answers.of(2, 5, 3), 2);
    assertThat(new Evidence(nowhere.on(6)).days(L).get(4).colour()).isEqualTo(Colour.RED);
  }

  /** A report of what has no sides concerns it on whichever side it was said. */
  @Test
  void bothSidesAtOnceFollowTheWorse() {
    DiaryBuilder diary = diary().good(0, 3).day(4, Answers.of(2, 5, 3).provoked("1R"), 2);
    Evidence evidence = new Evidence(diary.on(6));
    assertThat(evidence.days(Part.of("chin-tuck")).get(4).colour()).isEqualTo(Colour.RED);
    assertThat(evidence.days(R).get(4).colour()).isEqualTo(Colour.GREEN);
  }

  @Test
  void overTheCeilingIsWhatHasTheHighestOrWasNamed() {
    DiaryBuilder diary =
        new DiaryBuilder("upper-trap-stretch", "2x20s @3", "", "levator-stretch", "2x15s @2", "");
    Part levator = Part.of("levator-stretch L");
    diary.day(0, Answers.of(2, 2, 3), 2).day(1, Answers.of(2, 2, 4), 2);
    diary.day(2, Answers.of(2, 2, 3).tooStrong("1L"), 2);
    Evidence evidence = new Evidence(diary.on(4));
    assertThat(evidence.days(L)).extracting(Evidence.Day::over).containsExactly(false, true, false);
    assertThat(evidence.days(levator))
        .extracting(Evidence.Day::over)
        .containsExactly(false, false, true);
  }

  /** From four in the morning on, and within 36 hours; what was told at night is no morning. */
  @Test
  void aMorningIsThatOfTheNextDay() {
    Diary diary = diary().session(0, DiaryBuilder.GOOD).session(1, Answers.of(4, 4, 3)).on(3);
    Evidence evidence = new Evidence(diary);
    assertThat(evidence.morning(diary.sessions().get(0))).as("before the next").contains(4);
    Diary late = diary().session(0, DiaryBuilder.GOOD).session(2, Answers.of(4, 4, 3)).on(3);
    assertThat(new Evidence(late).morning(late.sessions().get(0))).as("48 hours").isEmpty();
    Diary asked = diary().day(0, DiaryBuilder.GOOD, 1).session(1, Answers.of(4, 4, 3)).on(3);
    assertThat(new Evidence(asked).morning(asked.sessions().get(0))).contains(1);
  }

  @Test
  void daysCountFromThePresentDoseOfTheSide() {
    DiaryBuilder diary =
        diary()
            .good(0, 3)
            .share(
                4,
                "upper-trap-stretch",
                "L 2x30s @3 R 2x20s @3",
                "3x30s @3",
                "chin-tuck",
                "3x5s",
                "")
            .good(4, 5)
            .share(
                6,
                "chin-tuck",
                "3x5s",
                "",
                "upper-trap-stretch",
                "L 2x30s @3 R 2x20s @3",
                "3x30s @3")
            .good(6, 7);
    Evidence evidence = new Evidence(diary.on(8));
    assertThat(evidence.days(L)).hasSize(4);
    assertThat(evidence.days(R)).hasSize(8);
    assertThat(evidence.days(Part.of("chin-tuck"))).as("in another place by now").hasSize(8);
  }

  @Test
  void partsAreWrittenAndRead() {
    for (String text :
        List.of("chin-tuck", "upper-trap-stretch L", "chin-tuck#2", "wand-up#11 R")) {
      assertThat(Part.of(text).text()).isEqualTo(text);
    }
    assertThat(
            Part.of(
                DiaryBuilder.program("chin-tuck", "3x5s", "", "chin-tuck", "2x5s", ""),
                1,
                Optional.empty()))
        .isEqualTo(Part.of("chin-tuck#2"));
  }
}
