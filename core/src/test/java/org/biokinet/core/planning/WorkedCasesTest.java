package org.biokinet.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.biokinet.core.anatomy.Intent;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.measure.Finding;
import org.biokinet.core.program.Program;
import org.junit.jupiter.api.Test;

/** Cases worked out by hand, from the handbook's rules; what they suggest is common practice. */
class WorkedCasesTest {

  private static final Catalogue CATALOGUE = Catalogue.load();
  private static final Planner PLANNER = new Planner(CATALOGUE, Locale.ENGLISH);

  private static Case read(String text) {
    CaseDocument.Reading reading = CaseDocument.read(text, CATALOGUE);
    assertThat(reading).isInstanceOf(CaseDocument.Reading.Ok.class);
    return ((CaseDocument.Reading.Ok) reading).read();
  }

  private static List<String> lines(Suggestion s) {
    return s.program().items().stream()
        .map(
            i ->
                "%s %s %s"
                    .formatted(
                        i.exercise().id(), DoseNotation.format(i.dose()), i.position().code()))
        .toList();
  }

  /**
   * The usual one: tilting left is short by a stiff right side, which aches. The neck moves first,
   * the side that it is limited to once more than the other; then the two muscles, at their start,
   * alike since the right side hurts.
   *
   * <p>Worth: 3.4 ÷ 4 × (30⁄60 + 30⁄60 + 15⁄60 + 1) + 1.7 ÷ 2 × (30⁄60 + 30⁄60) = 2.7625. Seconds:
   * 5 + (4 + 7 × 4 + 3) + 2 × (4 + 4 × 21 + 3 × 4 + 3) = 246.
   */
  @Test
  void aStiffSideThatAches() throws Exception {
    Suggestion s =
        PLANNER.suggest(read(Files.readString(Path.of("../docs/formats/example-case.json"))));
    assertThat(lines(s))
        .containsExactly(
            "neck-lateral-flexion L 3 R 4 chair",
            "upper-trap-stretch 2x15s chair",
            "levator-stretch 2x15s chair");
    assertThat(s.worth()).isCloseTo(2.7625, within(1e-6));
    assertThat(s.seconds()).isEqualTo(246);
    assertThat(s.served().get(1).missing())
        .containsExactly("at the doses that it begins with; a review takes them further");
  }

  /**
   * Highly irritable, and no way down to the floor: half the start of movements, 2 × 10 s of
   * stretches, both sides alike, all on the chair.
   *
   * <p>Worth: 2.5 ÷ 4 × (20⁄60 + 20⁄60 + 10⁄60 + ½ + ½) + 3 ÷ 4 × (20⁄60 + 10⁄60 + 20⁄60 + 1) =
   * 2.5208.
   */
  @Test
  void highlyIrritableAndNotOnTheFloor() {
    Suggestion s =
        PLANNER.suggest(
            read(
                """
                {"format":"biokinet-case","version":1,"minutes":6,
                 "positions":["chair","stand"],"equipment":["chair","wall"],
                 "screening":{"settles":"later","easilyProvoked":true,"provokedPain":6,
                              "worstPain":6,"conditions":[{"code":"no-floor"}]},
                 "findings":[
                  {"code":"tilt-right","kind":"one-sided","weight":2.5,"targets":[
                   {"intent":"lengthen","tissue":"upper-trap","side":"left"},
                   {"intent":"lengthen","tissue":"levator","side":"left"},
                   {"intent":"lengthen","tissue":"scalenes","side":"left"},
                   {"motion":"neck-tilt","toward":"right"}]},
                  {"code":"turn-left","kind":"one-sided","weight":3,"targets":[
                   {"intent":"lengthen","tissue":"levator","side":"right"},
                   {"intent":"lengthen","tissue":"scalenes","side":"left"},
                   {"intent":"lengthen","tissue":"suboccipitals","side":"right"},
                   {"motion":"neck-turn","toward":"left"}]}]}
                """));
    assertThat(lines(s))
        .containsExactly(
            "neck-rotation 1 chair",
            "upper-trap-stretch 2x10s chair",
            "levator-stretch 2x10s chair",
            "suboccipital-stretch 2x10s chair");
    assertThat(s.worth()).isCloseTo(2.5 / 4 * (11 / 6.0) + 3 / 4.0 * (11 / 6.0), within(1e-5));
  }

  /**
   * Forward head and early tiring flexors, nothing irritable: the front is opened as far as the
   * band asks (3 × 20 s), the deep flexors and the shoulder blades are strengthened; not one of it
   * without the other.
   */
  @Test
  void forwardHeadBringsStrength() {
    String findings =
        """
        [{"code":"forward-head","kind":"posture","weight":2,"targets":[
          {"intent":"lengthen","tissue":"pec-major"},
          {"intent":"strengthen","tissue":"dnf"},
          {"intent":"strengthen","tissue":"rhomboids"}]}]
        """;
    String with =
        """
        {"format":"biokinet-case","version":1,"minutes":%d,
         "positions":["chair"],"equipment":["chair"],
         "screening":{"settles":"10-min","worstPain":3},
         "findings":%s}
        """;
    Suggestion s = PLANNER.suggest(read(with.formatted(6, findings)));
    assertThat(lines(s))
        .containsExactly(
            "goalpost-chest-opener 3x20s chair",
            "chin-tuck 3x10s chair",
            "scapular-retraction-hold 3x10s chair");
    assertThat(s.served().get(0).inFull()).isTrue();
    // One minute holds the stretch or the strength: the stretch alone would be worth nothing.
    Suggestion brief = PLANNER.suggest(read(with.formatted(1, findings)));
    assertThat(lines(brief)).containsExactly("chin-tuck 3x10s chair");
  }

  /** In the place of the movement before two stretches of the neck only such a one can stand. */
  @Test
  void noStretchOfTheNeckIsLeftWithoutItsMovement() throws Exception {
    Case c = read(Files.readString(Path.of("../docs/formats/example-case.json")));
    Program program = PLANNER.suggest(c).program();
    Finding weak =
        new Finding(
            "flexors",
            Finding.Kind.WEAK,
            "Flexors tire",
            "",
            List.of(new Finding.Target.OfTissue(Intent.STRENGTHEN, Tissue.DNF, Optional.empty())),
            9);
    List<Finding> more = new ArrayList<>(c.findings());
    more.add(weak);
    Case asked = c.withFindings(more);
    assertThat(PLANNER.runnersUp(asked, program, /* place= */ 0))
        .allMatch(r -> Together.movesTheNeckStraight(r.item().exercise()));
    // In the place of a stretch it is the first of all.
    assertThat(PLANNER.runnersUp(asked, program, /* place= */ 1).get(0).item().exercise().id())
        .isEqualTo("chin-tuck");
  }

  /** A fuller hand: greedy takes what is worth most and then has no time for two that are more. */
  @Test
  void twoSmallOnesCanBeMoreThanOneGreatOne() {
    long above = 0;
    for (long seed = 0; seed < 60; seed++) {
      Planner.Solved s = PLANNER.solve(SeededCase.of(seed).withMinutes(4));
      if (s.best().worth() > Greedy.worth(s.model())) above++;
    }
    assertThat(above).isGreaterThan(20);
  }
}
