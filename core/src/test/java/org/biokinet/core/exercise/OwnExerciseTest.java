package org.biokinet.core.exercise;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.DoseNotation;
import org.junit.jupiter.api.Test;

/** What a practice writes passes the checks of the shipped entries, or is told why not. */
class OwnExerciseTest {

  private static final Catalogue CATALOGUE = Catalogue.load();
  private static final Locale EN = Locale.ENGLISH;

  private static OwnExercise shipped(String id) {
    return OwnExercise.of(CATALOGUE.snapshot(List.of(id)), id, EN);
  }

  private static OwnExercise with(OwnExercise e, String key, String value) {
    Map<String, String> facts = new HashMap<>(e.facts());
    Map<String, String> words = new HashMap<>(e.words());
    (words.containsKey(key) || key.startsWith("fault") ? words : facts).put(key, value);
    return new OwnExercise(e.id(), facts, words);
  }

  private static String problem(OwnExercise e) {
    List<WordsCheck.Problem> problems = e.check(CATALOGUE, EN);
    return problems.isEmpty() ? "" : problems.get(0).field() + ": " + problems.get(0).message();
  }

  @Test
  void everyShippedEntryCopiedIsRight() {
    for (Exercise e : CATALOGUE.all()) {
      OwnExercise copy = shipped(e.id()).copiedAs("own-" + e.id());
      assertThat(problem(copy)).as(e.id()).startsWith("name: Another exercise has this name");
      String other = copy.words().get("name") + ", ours";
      assertThat(problem(with(copy, "name", other))).as(e.id()).isEmpty();
    }
  }

  @Test
  void aCopyIsTheSameExerciseUnderAnotherId() {
    OwnExercise copy = shipped("levator-stretch").copiedAs("own-levator");
    Catalogue practice = CATALOGUE.with(copy.snapshot(EN), Set.of());
    Exercise own = practice.get("own-levator");
    Exercise original = CATALOGUE.get("levator-stretch");
    assertThat(own.targets()).isEqualTo(original.targets());
    assertThat(own.turn()).isEqualTo(original.turn());
    assertThat(practice.words(own, EN)).isEqualTo(CATALOGUE.words(original, EN));
  }

  @Test
  void eachFieldSaysWhatIsWrongWithIt() {
    OwnExercise good = shipped("upper-trap-stretch");
    assertThat(problem(with(good, "start", "10"))).startsWith("start: ");
    assertThat(problem(with(good, "target", ""))).startsWith("target: ");
    assertThat(problem(with(good, "targets", ""))).isEqualTo("targets: Choose at least one.");
    assertThat(problem(with(good, "positions", "chair, moon"))).contains("moon is none of chair");
    assertThat(problem(with(good, "easier", "nowhere"))).contains("easier: no exercise is called");
    assertThat(problem(with(good, "sides", "both")))
        .startsWith("moves: Only an exercise with sides");
    assertThat(problem(with(good, "sides", "dirs"))).startsWith("directions: ");
    assertThat(problem(with(good, "feel", "Feel it on the left."))).startsWith("feel: “left”");
    assertThat(problem(with(good, "fault-1", "no arrow"))).contains("fault-1");
    assertThat(problem(with(good, "name", ""))).startsWith("name: Write this one too");
  }

  @Test
  void aForgivinglyTypedDoseIsKeptInItsOneForm() {
    OwnExercise typed = with(shipped("upper-trap-stretch"), "start", "2 x 20 sec");
    assertThat(typed.check(CATALOGUE, EN)).isEmpty();
    Catalogue practice = CATALOGUE.with(typed.canonical().snapshot(EN), Set.of());
    assertThat(DoseNotation.format(practice.get("upper-trap-stretch").start())).isEqualTo("2x20s");
  }

  @Test
  void wordsAreCheckedWhileTheFactsAreNotRightYet() {
    OwnExercise typed =
        with(with(shipped("upper-trap-stretch"), "targets", ""), "feel", "Feel it on the left.");
    assertThat(typed.check(CATALOGUE, EN))
        .extracting(WordsCheck.Problem::field)
        .contains("targets", "feel");
  }

  @Test
  void faultsAreKeptAsPartsOfASentence() {
    OwnExercise typed =
        with(shipped("chin-tuck"), "fault-1", "The chin lifts. → Look at your TV.").canonical();
    assertThat(typed.words().get("fault-1")).isEqualTo("the chin lifts → look at your TV");
  }

  @Test
  void aPreviewFillsWhatItCanAndLeavesTheRestAsTyped() {
    OwnExercise typed = with(shipped("upper-trap-stretch"), "feel", "Feel it {somewhere}.");
    Exercise e = typed.exercise().orElseThrow();
    ExerciseWords left = typed.preview(e, Optional.of(Side.LEFT), EN);
    assertThat(left.move()).isEqualTo("Tilt right");
    assertThat(left.feel()).isEqualTo("Feel it {somewhere}.");
    assertThat(typed.preview(e, Optional.of(Side.RIGHT), EN).move()).isEqualTo("Tilt left");
    assertThat(with(typed, "start", "10").exercise()).isEmpty();
  }

  @Test
  void aRevisionIsNamedInTheCatalogueAndIsNoDifference() {
    OwnExercise own = shipped("chin-tuck").asRevision(3);
    Catalogue practice = CATALOGUE.with(own.snapshot(EN), Set.of());
    assertThat(practice.revision(practice.get("chin-tuck"))).isEqualTo(3);
    assertThat(CATALOGUE.revision(CATALOGUE.get("chin-tuck"))).isZero();
    assertThat(own.differences(shipped("chin-tuck"))).isEmpty();
    assertThat(with(own, "how", "Slide it back.").differences(shipped("chin-tuck")))
        .containsExactly("how");
  }

  @Test
  void linesAndSpacesCannotBreakTheFormat() {
    OwnExercise typed =
        with(shipped("chin-tuck"), "how", "Slide the chin back.\nfeel: trick\n\n  Keep breathing.");
    assertThat(typed.words().get("how"))
        .isEqualTo("Slide the chin back. feel: trick Keep breathing.");
    Catalogue practice = CATALOGUE.with(typed.snapshot(EN), Set.of());
    assertThat(practice.words(practice.get("chin-tuck"), EN).feel()).contains("deep at the front");
  }
}
