package org.biokinet.core.progress;

import static org.assertj.core.api.Assertions.assertThat;
import static org.biokinet.core.progress.DiaryBuilder.GOOD;

import java.util.List;
import java.util.Optional;
import org.biokinet.core.progress.DiaryBuilder.Answers;
import org.biokinet.core.screening.Irritability.Settles;
import org.junit.jupiter.api.Test;

/** What may be made of a review by itself; all of it our choice. */
class AutomaticTest {

  private static final String L = "upper-trap-stretch L";
  private static final String R = "upper-trap-stretch R";

  /** It rises by 3, and settles. */
  private static final Answers LEFT_RED = Answers.of(2, 5, 3).provoked("0L");

  private static DiaryBuilder stretching() {
    return new DiaryBuilder("upper-trap-stretch", "2x20s @3", "3x30s @3");
  }

  /** Good days, then two on the left, two days apart, that are too much. */
  private static DiaryBuilder leftTooMuch() {
    return stretching().good(1, 6).day(7, LEFT_RED, 2).day(8, GOOD, 2).day(9, LEFT_RED, 2);
  }

  private static Optional<List<Agreed>> made(DiaryBuilder diary, int day, boolean due) {
    return Automatic.of(Review.of(diary.on(day)), due);
  }

  private static Agreed of(Optional<List<Agreed>> made, String part) {
    return made.orElseThrow().stream()
        .filter(a -> a.suggested().part().equals(Part.of(part)))
        .findFirst()
        .orElseThrow();
  }

  /** The side that is too much is eased on any day; the other may go on, and waits. */
  @Test
  void itEases() {
    for (boolean due : List.of(false, true)) {
      Optional<List<Agreed>> made = made(leftTooMuch(), 11, due);
      Agreed left = of(made, L);
      assertThat(left.suggested().line()).isEqualTo(Line.EASE);
      assertThat(left.dose()).isEqualTo(left.suggested().next());
      assertThat(left.changes()).isTrue();
      Agreed right = of(made, R);
      assertThat(right.changes()).isFalse();
      assertThat(right.dose()).contains(right.suggested().now());
    }
  }

  @Test
  void whatMayGoOnWaitsBesideIt() {
    DiaryBuilder diary =
        new DiaryBuilder(
                "upper-trap-stretch",
                "2x20s @3",
                "3x30s @3",
                "wrist-flexor-stretch",
                "2x15s",
                "3x30s")
            .good(1, 6)
            .day(7, LEFT_RED, 2)
            .day(8, GOOD, 2)
            .day(9, LEFT_RED, 2);
    Optional<List<Agreed>> made = made(diary, 11, false);
    Agreed other = of(made, "wrist-flexor-stretch L");
    assertThat(other.suggested().line()).isEqualTo(Line.GO_ON);
    assertThat(other.changes()).isFalse();
    assertThat(other.choice()).isEqualTo(Choice.reject(Automatic.WAITS));
    assertThat(of(made, L).changes()).isTrue();
  }

  /** On its day a review where all stays is made; where something may go on it waits. */
  @Test
  void itStaysOnTheDayOfTheReview() {
    DiaryBuilder little = stretching().day(1, GOOD, 2);
    assertThat(made(little, 3, false)).isEmpty();
    assertThat(made(little, 3, true).orElseThrow())
        .allSatisfy(a -> assertThat(a.changes()).isFalse())
        .allSatisfy(a -> assertThat(a.choice()).isEqualTo(Choice.accept("")));
    assertThat(made(stretching().good(1, 9), 10, true)).isEmpty();
  }

  /** A second time in four weeks somebody examines; so it is where nothing is lower. */
  @Test
  void whatSomebodyHasToLookAtIsLeftToThem() {
    assertThat(made(leftTooMuch().decided(1, L, Outcome.EASE, false), 11, true)).isEmpty();
    DiaryBuilder lowest =
        new DiaryBuilder("upper-trap-stretch", "1x10s @3", "3x30s @3")
            .good(1, 6)
            .day(7, LEFT_RED, 2)
            .day(8, GOOD, 2)
            .day(9, LEFT_RED, 2);
    assertThat(Review.of(lowest.on(11)).of(Part.of(L)).asks())
        .contains(Decision.Ask.EASIER_OR_PAUSE);
    assertThat(made(lowest, 11, true)).isEmpty();
  }

  /** A stop, a flare, a return, and a program that is to finish. */
  @Test
  void whatIsMoreThanADoseIsLeftToThem() {
    DiaryBuilder stopped = leftTooMuch().sign(10, Diary.Sign.Kind.STOP_RULE, false);
    assertThat(made(stopped, 11, true)).isEmpty();
    assertThat(made(stretching().good(1, 6), 15, true)).as("away for a week").isEmpty();
    assertThat(made(stretching().good(1, 6), 25, true)).as("away for longer").isEmpty();
    DiaryBuilder flaring = stretching().good(1, 6).flare(6, Optional.empty(), Optional.empty());
    assertThat(made(flaring, 7, true)).isEmpty();
  }

  /** At high irritability one red day is enough, and is eased by itself all the same. */
  @Test
  void itEasesTheHighlyIrritable() {
    DiaryBuilder once =
        stretching().irritable(Settles.LATER).good(1, 6).day(7, LEFT_RED, 2).day(8, GOOD, 2);
    assertThat(of(made(once, 9, false), L).changes()).isTrue();
  }
}
