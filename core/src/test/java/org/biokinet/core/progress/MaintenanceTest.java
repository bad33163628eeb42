package org.biokinet.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.dose.Parsed;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Handbook section 10, "finish": half the sessions, at least 2 a week; weekly mean up by 2: the
 * full plan again, one rung down. Rungs are those of section 4.
 */
class MaintenanceTest {

  private static Dose dose(Exercise e, String text) {
    return ((Parsed.Understood) DoseNotation.parse(text, e.doseContext())).dose();
  }

  private static Program program(String... exerciseAndDose) {
    Catalogue all = Catalogue.load();
    List<Item> items = new java.util.ArrayList<>();
    for (int i = 0; i < exerciseAndDose.length; i += 2) {
      Exercise e = all.get(exerciseAndDose[i]);
      items.add(new Item(e, dose(e, exerciseAndDose[i + 1])));
    }
    return new Program("kept up", 5, Pacing.DEFAULT, items);
  }

  @ParameterizedTest
  @CsvSource({"3x5s, 3", "3x5s 6/w, 3", "3x5s 5/w, 2", "3x5s 4/w, 2", "3x5s 3/w, 2", "3x5s 1/w, 2"})
  void halfTheDaysButTwo(String dose, int days) {
    assertThat(Maintenance.days(new DiaryBuilder("chin-tuck", dose, "").on(1))).isEqualTo(days);
  }

  private static String text(Optional<Dose> dose) {
    return dose.map(DoseNotation::format).orElse("out");
  }

  @Test
  void everyItemOnThoseDaysAndWhatIsRarerStays() {
    DiaryBuilder diary =
        new DiaryBuilder(
            "chin-tuck",
            "3x5s",
            "",
            "upper-trap-stretch",
            "L 2x20s @3",
            "",
            "shoulder-roll",
            "6 1/w",
            "");
    assertThat(doses(diary.on(1), Map.of())).containsExactly("3x5s 3/w", "L 2x20s @3 3/w", "6 1/w");
  }

  /** Each item was kept up by itself before: it is not halved again. */
  @Test
  void halfOfTheMostThatItEverWas() {
    DiaryBuilder diary = new DiaryBuilder("chin-tuck", "3x5s", "", "shoulder-roll", "6", "");
    diary.share(5, "chin-tuck", "3x5s 3/w", "", "shoulder-roll", "6 3/w", "");
    assertThat(doses(diary.on(6), Map.of())).containsExactly("3x5s 3/w", "6 3/w");
  }

  private static List<String> doses(Diary diary, Map<Integer, Optional<Dose>> decided) {
    return Maintenance.doses(diary, decided).values().stream().map(MaintenanceTest::text).toList();
  }

  @Test
  void whatElseWasDecidedIsKept() {
    Diary diary = new DiaryBuilder("chin-tuck", "3x5s", "", "shoulder-roll", "6", "").on(1);
    Exercise tuck = Catalogue.load().get("chin-tuck");
    assertThat(doses(diary, Map.of(0, Optional.of(dose(tuck, "2x5s")), 1, Optional.empty())))
        .containsExactly("2x5s 3/w", "out");
  }

  private static List<String> again(
      Program full, Program now, Map<Integer, Optional<Dose>> decided) {
    return Maintenance.fullAgain(full, now, decided, List.of()).values().stream()
        .map(MaintenanceTest::text)
        .toList();
  }

  @Test
  void wherePainIsBackAllOfItIsDoneAsOftenAsBeforeOneRungLower() {
    Program full = program("upper-trap-stretch", "3x30s @3", "chin-tuck", "3x20s 5/w");
    Program now = program("chin-tuck", "3x20s 2/w", "upper-trap-stretch", "3x30s @3 3/w");
    assertThat(again(full, now, Map.of())).containsExactly("3x15s 5/w", "2x30s @3");
  }

  @Test
  void eachSideGoesItsOwnRungDown() {
    Program full = program("upper-trap-stretch", "L 2x30s @3 R 3x30s @3");
    Program now = program("upper-trap-stretch", "L 2x30s @3 3/w R 3x30s @3 3/w");
    assertThat(again(full, now, Map.of())).containsExactly("L 2x20s R 2x30s @3");
    Program one = program("upper-trap-stretch", "L 2x30s @3 3/w");
    assertThat(again(full, one, Map.of())).containsExactly("L 2x20s @3");
  }

  @Test
  void whatWasDecidedForAnItemTakesThePlaceOfTheRung() {
    Program full =
        program("upper-trap-stretch", "3x30s @3", "chin-tuck", "3x20s", "shoulder-roll", "6");
    Program now =
        program(
            "upper-trap-stretch",
            "3x30s @3 3/w",
            "chin-tuck",
            "3x20s 3/w",
            "shoulder-roll",
            "6 3/w");
    Dose eased = dose(Catalogue.load().get("upper-trap-stretch"), "1x20s @3 3/w");
    assertThat(again(full, now, Map.of(0, Optional.of(eased), 2, Optional.empty())))
        .containsExactly("20s @3", "3x15s", "out");
  }

  /** The left was eased, the right goes a rung down as all does. */
  @Test
  void whatWasDecidedForOneSideIsNothingToTheOther() {
    Program full = program("upper-trap-stretch", "3x30s @3");
    Program now = program("upper-trap-stretch", "3x30s @3 3/w");
    Dose eased = dose(Catalogue.load().get("upper-trap-stretch"), "L 1x20s @3 3/w R 3x30s @3 3/w");
    assertThat(again(full, now, Map.of(0, Optional.of(eased)))).containsExactly("L 20s R 2x30s @3");
  }

  @Test
  void whatSomebodyKeepsAsItIsKeepsItsDose() {
    Program full = program("upper-trap-stretch", "3x30s @3", "chin-tuck", "3x20s");
    Program now = program("upper-trap-stretch", "3x30s @3 3/w", "chin-tuck", "3x20s 3/w");
    List<Part> kept = List.of(Part.of("upper-trap-stretch L"), Part.of("chin-tuck"));
    assertThat(Maintenance.fullAgain(full, now, Map.of(), kept).values())
        .extracting(MaintenanceTest::text)
        .containsExactly("L 3x30s R 2x30s @3", "3x20s");
  }

  @Test
  void whatCameSinceStaysAsOftenAsItIs() {
    Program full = program("chin-tuck", "3x5s");
    Program now = program("chin-tuck", "3x5s 3/w", "shoulder-roll", "6 2/w");
    assertThat(again(full, now, Map.of()).get(1)).endsWith("2/w");
  }
}
