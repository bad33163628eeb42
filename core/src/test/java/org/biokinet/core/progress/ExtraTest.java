package org.biokinet.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.biokinet.core.anatomy.Intent;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.measure.BodyArea;
import org.biokinet.core.measure.Finding;
import org.biokinet.core.measure.Measured;
import org.biokinet.core.measure.Motion;
import org.biokinet.core.measure.PainMap;
import org.biokinet.core.measure.Readings;
import org.biokinet.core.measure.Visit;
import org.biokinet.core.program.Program;
import org.biokinet.core.progress.DiaryBuilder.Answers;
import org.biokinet.core.screening.Irritability;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Handbook section 10, "extra on a side" and "even out"; the flag is 10° and 15 % (section 9,
 * common practice, no source).
 */
class ExtraTest {

  private static final Part L = Part.of("upper-trap-stretch L");
  private static final Part R = Part.of("upper-trap-stretch R");

  private static Program program(String dose) {
    return DiaryBuilder.program("upper-trap-stretch", dose, "", "chin-tuck", "3x5s", "");
  }

  private static Finding oneSided(Finding.Target target) {
    return new Finding("f", Finding.Kind.ONE_SIDED, "tilting", "11° less", List.of(target), 1);
  }

  private static final Finding RIGHT_SHORT =
      oneSided(
          new Finding.Target.OfTissue(Intent.LENGTHEN, Tissue.UPPER_TRAP, Optional.of(Side.RIGHT)));

  private static Set<Part> limited(PainMap map, Finding... findings) {
    return Extra.limited(program("2x20s @3"), List.of(findings), map);
  }

  private static PainMap marked(Side side, BodyArea area) {
    return PainMap.EMPTY.with(new PainMap.Mark(area, side, PainMap.Feeling.ACHE, 4));
  }

  @Test
  void onlyAStretchForTheShorterSideThatDoesNotHurt() {
    assertThat(limited(PainMap.EMPTY, RIGHT_SHORT)).as("nobody has marked anything").isEmpty();
    assertThat(limited(marked(Side.LEFT, BodyArea.LOWER_NECK), RIGHT_SHORT)).containsExactly(R);
    assertThat(limited(marked(Side.RIGHT, BodyArea.LOWER_NECK), RIGHT_SHORT)).isEmpty();
    assertThat(limited(marked(Side.RIGHT, BodyArea.JAW), RIGHT_SHORT))
        .as("over no tissue that is known: it may be anywhere")
        .isEmpty();
    Finding joint =
        oneSided(
            new Finding.Target.OfTissue(
                Intent.MOBILISE, Tissue.UPPER_TRAP, Optional.of(Side.RIGHT)));
    assertThat(limited(marked(Side.LEFT, BodyArea.LOWER_NECK), joint))
        .as("mobility instead")
        .isEmpty();
  }

  private static Optional<String> extra(
      DiaryBuilder diary, int day, Part part, Set<Part> limited, Set<Part> evened) {
    Diary d = diary.on(day);
    return Extra.of(Review.of(d).of(part), d.version().program(), d.allowed(), limited, evened)
        .map(x -> x.kind() + " " + DoseNotation.format(new Dose.Alike(x.dose())));
  }

  private static DiaryBuilder diary(String dose) {
    return new DiaryBuilder("upper-trap-stretch", dose, "3x30s @3", "chin-tuck", "3x5s", "");
  }

  @Test
  void oneHoldMoreOnTheShorterSide() {
    assertThat(extra(diary("2x20s @3").good(0, 8), 9, R, Set.of(R), Set.of()))
        .contains("MORE 3x20s @3");
    assertThat(extra(diary("2x20s @3").good(0, 8), 9, L, Set.of(R), Set.of())).isEmpty();
    assertThat(extra(diary("L 2x20s R 3x20s @3").good(0, 8), 9, R, Set.of(R), Set.of()))
        .as("it has more already")
        .isEmpty();
  }

  @Test
  void nothingMoreWhileItIsToEaseOrIsIrritable() {
    DiaryBuilder away = diary("2x20s @3").good(0, 3);
    assertThat(extra(away, 11, R, Set.of(R), Set.of())).as("a week without it").isEmpty();
    DiaryBuilder sore = diary("2x20s @3").good(0, 8).day(9, Answers.of(7, 7, 3), 2);
    assertThat(extra(sore, 10, R, Set.of(R), Set.of())).as("eases").isEmpty();
    DiaryBuilder high = diary("2x10s @2").irritable(Irritability.Settles.LATER).good(0, 8);
    assertThat(extra(high, 9, R, Set.of(R), Set.of())).isEmpty();
    assertThat(extra(diary("2x20s @3").notScreened().good(0, 8), 9, R, Set.of(R), Set.of()))
        .isEmpty();
  }

  @Test
  void alikeAgainBothSidesDoAsMuch() {
    DiaryBuilder more = diary("L 2x20s R 3x20s @3").good(0, 8);
    assertThat(extra(more, 9, R, Set.of(), Set.of(L, R))).contains("EVEN 2x20s @3");
    assertThat(extra(more, 9, L, Set.of(), Set.of(L, R))).isEmpty();
    assertThat(extra(diary("2x20s @3").good(0, 8), 9, R, Set.of(R), Set.of(L, R)))
        .as("nothing more where they were alike just now")
        .isEmpty();
  }

  private static List<Visit> tilts(String leftAndRight) {
    List<Visit> visits = new ArrayList<>();
    for (String pair : leftAndRight.split(",", -1)) {
      String[] degrees = pair.strip().split("/", -1);
      visits.add(
          new Visit(
              LocalDate.of(2026, 3, 1).plusDays(visits.size()),
              Stream.of(tilt(Side.LEFT, degrees[0]), tilt(Side.RIGHT, degrees[1])).toList()));
    }
    Collections.reverse(visits);
    return visits;
  }

  private static Visit.Taken tilt(Side side, String degrees) {
    Readings.Reading read =
        Readings.parse(
            degrees + " " + degrees, Motion.NECK_LATERAL_FLEXION, Readings.Protocol.USUAL);
    Measured range =
        new Measured.Range(
            Motion.NECK_LATERAL_FLEXION,
            side,
            ((Readings.Reading.Ok) read).readings(),
            Measured.Source.TYPED);
    return new Visit.Taken(UUID.randomUUID(), range, "A", false, Instant.EPOCH, false);
  }

  /** Alike in one motion, and not in another that it serves as well. */
  @Test
  void whatServesAnotherDifferenceWaits() {
    assertThat(Extra.evened(program("2x20s @3"), tilts("30/44, 40/44, 41/44"), Set.of(L, R)))
        .isEmpty();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = ';',
      value = {
        "30/44; false",
        "30/44, 40/44; false",
        "30/44, 40/44, 41/44; true",
        "40/44, 41/44; false",
        "30/44, 40/44, 30/44, 41/44; false"
      })
  void underTheFlagInTwoMeasurementsRunning(String leftAndRight, boolean evened) {
    assertThat(Extra.evened(program("2x20s @3"), tilts(leftAndRight), Set.of()))
        .isEqualTo(evened ? Set.of(L, R) : Set.of());
  }
}
