package org.biokinet.core.exercise;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Direction;
import org.junit.jupiter.api.Test;

/** The words of the shipped entries, on every side and in every direction. */
class WordsTest {

  private static final Catalogue CATALOGUE = Catalogue.load();
  private static final Locale EN = Locale.ENGLISH;

  @Test
  void everyEntryPassesTheCheckOfWords() {
    List<String> wrong = new ArrayList<>();
    for (Exercise e : CATALOGUE.all()) {
      for (WordsCheck.Problem p : WordsCheck.of(e, CATALOGUE.words(e, EN), EN)) {
        wrong.add(e.id() + " " + p.field() + ": " + p.message());
      }
    }
    assertThat(wrong).isEmpty();
  }

  @Test
  void everyEntryHasTwoFaultsOtherNamesAndALineForThePractitioner() {
    for (Exercise e : CATALOGUE.all()) {
      ExerciseWords w = CATALOGUE.words(e, EN);
      assertThat(w.faults()).as(e.id()).hasSize(2);
      assertThat(w.also()).as(e.id()).hasSizeGreaterThanOrEqualTo(2);
      assertThat(w.why()).as(e.id()).hasSizeBetween(20, 140);
      assertThat(w.name().length()).as(e.id()).isLessThanOrEqualTo(WordsCheck.LONGEST_NAME);
    }
  }

  /** Handbook section 3: a side means the treated side; directions are derived from it. */
  @Test
  void theTextsOfTheTwoSidesDifferOnlyInTheirSidesAndMirrorEachOther() {
    for (Exercise e : CATALOGUE.all()) {
      ExerciseWords w = CATALOGUE.words(e, EN);
      for (Optional<Direction> direction : Catalogue.directionsOf(e)) {
        if (!e.sided()) {
          String text = all(w.on(e, Optional.empty(), direction, EN));
          // Without sides, only the way that a circle starts may be left or right.
          boolean circles = direction.flatMap(WordsTest::turned).isPresent();
          assertThat(circles || !text.matches("(?is).*\\b(left|right)\\b.*")).as(e.id()).isTrue();
          continue;
        }
        String left = all(w.on(e, Optional.of(Side.LEFT), direction, EN));
        String right =
            all(w.on(e, Optional.of(Side.RIGHT), direction.map(WordsTest::mirrored), EN));
        assertThat(exchanged(left)).as(e.id()).isEqualTo(right);
        assertThat(left).as(e.id()).isNotEqualTo(right).doesNotContainPattern("[.] [a-z]");
      }
    }
  }

  @Test
  void treatingTheRightLevatorTurnsLeftAndIsFeltOnTheRight() {
    Exercise e = CATALOGUE.get("levator-stretch");
    ExerciseWords right =
        CATALOGUE.words(e, EN).on(e, Optional.of(Side.RIGHT), Optional.empty(), EN);
    assertThat(right.move()).isEqualTo("Turn left, then nose to the left knee");
    assertThat(right.setup()).contains("left hand");
    assertThat(right.feel()).contains("on the right");
    assertThat(right.not()).contains("on the left side");
    // One source, two forms.
    ExerciseWords.Fault fault = right.faults().get(0);
    assertThat(fault.printed(EN)).isEqualTo("The back slumps: sit tall, then look down.");
    assertThat(fault.spoken(EN)).isEqualTo("If the back slumps, sit tall, then look down.");
  }

  @Test
  void aCircleSaysWhichWayItGoesFirst() {
    // Seen from above a clockwise circle goes from the front to the right.
    Exercise e = CATALOGUE.get("full-neck-circle");
    ExerciseWords w = CATALOGUE.words(e, EN);
    assertThat(w.on(e, Optional.empty(), Optional.of(Direction.CLOCKWISE), EN).how())
        .startsWith("Roll right first");
    assertThat(w.on(e, Optional.empty(), Optional.of(Direction.COUNTERCLOCKWISE), EN).how())
        .startsWith("Roll left first");
  }

  @Test
  void theCheckFindsWhatWouldGoWrongOnTheOtherSide() {
    Exercise e = CATALOGUE.get("upper-trap-stretch");
    ExerciseWords good = CATALOGUE.words(e, EN);
    assertThat(problems(e, feel(good, "Feel it on the left."))).contains("feel: “left” would be");
    assertThat(problems(e, feel(good, "Feel it on the opposite side.")))
        .contains("feel: “opposite” can be misheard");
    assertThat(problems(e, feel(good, "Feel it {direction}.")))
        .contains("feel: Here only {side} {other} {way} have a meaning.");
    assertThat(problems(e, feel(good, ""))).contains("feel: Write this one too");
    assertThat(problems(e, feel(good, "Hold the breath on the {side}."))).contains("breath");
    assertThat(problems(e, feel(good, "Feel it " + "very ".repeat(20) + "much.")))
        .contains("At most 89");
    assertThat(
            problems(
                e,
                feel(
                    good,
                    "Experience considerable musculotendinous elongation. ".repeat(12).strip())))
        .contains("Flesch");
    assertThat(problems(CATALOGUE.get("chin-tuck"), feel(good, "Feel it on the {side}.")))
        .contains("neither sides nor directions");
  }

  private static String problems(Exercise e, ExerciseWords w) {
    StringBuilder all = new StringBuilder();
    for (WordsCheck.Problem p : WordsCheck.of(e, w, EN)) {
      all.append(p.field()).append(": ").append(p.message()).append('\n');
    }
    return all.toString();
  }

  private static ExerciseWords feel(ExerciseWords w, String feel) {
    return new ExerciseWords(
        w.name(),
        w.also(),
        w.move(),
        w.setup(),
        w.how(),
        w.contract(),
        feel,
        w.not(),
        w.faults(),
        w.out(),
        w.why());
  }

  /** By hand: 6 words and 6 syllables in one sentence, 206.835 − 1.015 × 6 − 84.6 × 1. */
  @Test
  void readingEaseFollowsTheFormula() {
    assertThat(ReadingEase.of(List.of("The cat sat on the mat."))).isCloseTo(116.145, within(1e-9));
    // Syllables as a dictionary splits them.
    assertThat(ReadingEase.syllables("shoulder")).isEqualTo(2);
    assertThat(ReadingEase.syllables("breathe")).isEqualTo(1);
    assertThat(ReadingEase.syllables("little")).isEqualTo(2);
    assertThat(ReadingEase.syllables("trapezius")).isBetween(3, 4);
  }

  private static String all(ExerciseWords w) {
    return String.join("\n", w.cues(EN)) + "\n" + w.name();
  }

  private static Optional<Direction> turned(Direction d) {
    return Optional.of(d).filter(x -> mirrored(x) != x);
  }

  /** In a mirror a clockwise circle goes counterclockwise; forward stays forward. */
  private static Direction mirrored(Direction d) {
    return switch (d) {
      case CLOCKWISE -> Direction.COUNTERCLOCKWISE;
      case COUNTERCLOCKWISE -> Direction.CLOCKWISE;
      case FORWARD, BACKWARD -> d;
    };
  }

  private static String exchanged(String text) {
    return text.replaceAll("\\bleft\\b", "#")
        .replaceAll("\\bright\\b", "left")
        .replace("#", "right")
        .replaceAll("\\bLeft\\b", "#")
        .replaceAll("\\bRight\\b", "Left")
        .replace("#", "Right")
        .replace("counterclockwise", "#")
        .replace("clockwise", "counterclockwise")
        .replace("#", "clockwise");
  }
}
