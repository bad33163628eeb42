package org.biokinet.core.progress;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.program.Program;
import org.biokinet.core.progress.Diary.Sign.Kind;
import org.biokinet.core.progress.DiaryBuilder.Answers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a practitioner may make of a suggestion; handbook, section 10, and our choice. */
class AgreedTest {

  private static final String L = "upper-trap-stretch L";
  private static final String R = "upper-trap-stretch R";
  private static final String TUCK = "chin-tuck";
  private static final Program PROGRAM =
      DiaryBuilder.program(
          "upper-trap-stretch", "2x20s @3", "3x30s @3", "chin-tuck", "3x5s", "3x10s");

  private static DiaryBuilder diary() {
    return new DiaryBuilder(
        "upper-trap-stretch", "2x20s @3", "3x30s @3", "chin-tuck", "3x5s", "3x10s");
  }

  /** Red on the left on two of three days. */
  private static DiaryBuilder worseOnTheLeft() {
    return diary()
        .good(0, 4)
        .day(5, Answers.of(2, 6, 3).provoked("0L"), 2)
        .day(7, Answers.of(2, 6, 3).provoked("0L"), 2);
  }

  private static Optional<SideDose> dose(String text) {
    Dose dose = DiaryBuilder.dose(DiaryBuilder.CATALOGUE.get("upper-trap-stretch"), text);
    return dose.on(Side.LEFT);
  }

  private static List<String> written(Map<Integer, Optional<Dose>> doses) {
    List<String> lines = new ArrayList<>();
    doses.forEach(
        (place, d) -> lines.add(place + ": " + d.map(DoseNotation::format).orElse("out")));
    return lines;
  }

  private static Optional<String> fault(Decision d, Choice choice) {
    return Agreed.fault(d, choice, PROGRAM);
  }

  @Test
  void whatNobodyHasExaminedIsNotChosenAwayInAnyWay() {
    Decision d = diary().good(0, 6).sign(6, Kind.TINGLING, false).decide(7, L);
    assertThat(d.line()).isEqualTo(Line.STOP);
    for (Choice c :
        List.of(
            Choice.accept("looked"),
            Choice.alter(dose("2x10s @3"), "looked"),
            Choice.reject("looked"))) {
      assertThat(fault(d, c)).as(c.kind().word()).get().asString().contains("examined");
    }
  }

  @Test
  void aSuggestionIsAcceptedWithoutAWordAndAnythingElseTakesOne() {
    Decision d = diary().good(0, 6).decide(7, L);
    assertThat(fault(d, Choice.accept(""))).isEmpty();
    assertThat(fault(d, Choice.reject(" "))).contains("say why");
    assertThat(fault(d, Choice.alter(dose("2x25s @3"), ""))).contains("say why");
    assertThat(fault(d, Choice.reject("busy week"))).isEmpty();
    assertThat(fault(d, Choice.alter(dose("2x25s @3"), "half a step"))).isEmpty();
  }

  @Test
  void aSecondEaseIsNotTakenUpBeforeItWasExamined() {
    Decision d = worseOnTheLeft().decided(1, L, Outcome.EASE, false).decide(8, L);
    assertThat(d.line()).isIn(Line.EASE, Line.FLARE);
    assertThat(d.asks()).contains(Decision.Ask.RE_EXAMINE);
    assertThat(fault(d, Choice.accept(""))).contains("say what was examined and found");
    assertThat(fault(d, Choice.reject(""))).contains("say what was examined and found");
    assertThat(fault(d, Choice.accept("turn to the left is free, no signs"))).isEmpty();
  }

  /** Who is worse is given no more, whatever reason stands beside it. */
  @ParameterizedTest
  @CsvSource({"2x20s @3, true", "2x15s @3, true", "2x21s @3, false", "3x20s @3, false"})
  void whatIsTooMuchAlreadyIsNotMadeMore(String typed, boolean taken) {
    Decision d = worseOnTheLeft().decide(8, L);
    assertThat(d.line()).isEqualTo(Line.EASE);
    assertThat(fault(d, Choice.alter(dose(typed), "feels ready")).isEmpty()).isEqualTo(taken);
  }

  @Test
  void whereNothingIsLowerItIsNotJustAccepted() {
    DiaryBuilder diary =
        new DiaryBuilder("upper-trap-stretch", "1x15s @3", "3x30s @3", "chin-tuck", "3x5s", "3x10s")
            .good(0, 4)
            .day(5, Answers.of(2, 6, 3).provoked("0L"), 2)
            .day(7, Answers.of(2, 6, 3).provoked("0L"), 2);
    Decision d = diary.decide(8, L);
    assertThat(d.asks()).contains(Decision.Ask.EASIER_OR_PAUSE);
    Program program = diary.on(8).version().program();
    assertThat(Agreed.fault(d, Choice.accept("x"), program)).isPresent();
    assertThat(Agreed.fault(d, Choice.alter(Optional.empty(), "rests"), program)).isEmpty();
  }

  /** By what was done about the dose, not by what had been suggested. */
  @ParameterizedTest
  @CsvSource({
    "2x20s @3, STAY",
    "2x15s @3, EASE",
    "1x20s @3, EASE",
    "2x30s @3, GO_ON",
    "1x60s @3, GO_ON",
    "2x20s @4, GO_ON"
  })
  void anotherDoseIsWhatItComesTo(String typed, Outcome outcome) {
    Decision d = diary().good(0, 6).decide(7, L);
    Agreed a = new Agreed(d, Choice.alter(dose(typed), "so"));
    assertThat(a.outcome(PROGRAM)).isEqualTo(outcome);
  }

  @Test
  void leavingOutIsAnEaseAndRejectingAStay() {
    Decision d = diary().good(0, 6).decide(7, L);
    Agreed out = new Agreed(d, Choice.alter(Optional.empty(), "so"));
    assertThat(out.outcome(PROGRAM)).isEqualTo(Outcome.EASE);
    assertThat(out.changes()).isTrue();
    Agreed not = new Agreed(d, Choice.reject("so"));
    assertThat(not.outcome(PROGRAM)).isEqualTo(Outcome.STAY);
    assertThat(not.changes()).isFalse();
    assertThat(new Agreed(d, Choice.accept("")).outcome(PROGRAM)).isEqualTo(Outcome.GO_ON);
  }

  @Test
  void eachSideHasItsOwn() {
    Diary diary = worseOnTheLeft().on(8);
    Review review = Review.of(diary);
    List<Agreed> all = new ArrayList<>();
    for (Decision d : review.decisions()) all.add(new Agreed(d, Choice.accept("")));
    Map<Integer, Optional<Dose>> doses = Agreed.doses(all, PROGRAM);
    assertThat(review.of(Part.of(L)).outcome()).isEqualTo(Outcome.EASE);
    assertThat(review.of(Part.of(R)).outcome()).isEqualTo(Outcome.GO_ON);
    assertThat(written(doses)).containsExactly("0: L 2x15s R 2x30s @3");
  }

  @Test
  void oneSideIsLeftOutAndThenTheOther() {
    Review review = Review.of(diary().good(0, 6).on(7));
    Choice out = Choice.alter(Optional.empty(), "rests");
    Agreed left = new Agreed(review.of(Part.of(L)), out);
    Agreed right = new Agreed(review.of(Part.of(R)), out);
    Agreed tuck = new Agreed(review.of(Part.of(TUCK)), out);
    assertThat(written(Agreed.doses(List.of(left), PROGRAM))).containsExactly("0: R 2x20s @3");
    assertThat(written(Agreed.doses(List.of(left, right, tuck), PROGRAM)))
        .containsExactly("0: out", "1: out");
  }

  /** The notation cannot say a ceiling on one side alone. */
  @Test
  void aDoseThatCannotStandBesideTheOtherSideIsSaid() {
    Decision d = diary().good(0, 6).decide(7, L);
    assertThat(fault(d, Choice.alter(dose("2x20s"), "no ceiling")))
        .get()
        .asString()
        .contains("both sides")
        .contains("Plan");
  }

  @Test
  void onlyAnotherDoseHasOne() {
    assertThatThrownBy(() -> new Choice(Choice.Kind.ACCEPT, dose("2x20s"), ""))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
