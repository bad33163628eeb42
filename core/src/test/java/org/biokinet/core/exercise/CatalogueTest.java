package org.biokinet.core.exercise;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.biokinet.core.anatomy.SidedMotion.NECK_LATERAL_FLEXION;
import static org.biokinet.core.anatomy.SidedMotion.NECK_ROTATION;
import static org.biokinet.core.anatomy.SidedMotion.SHOULDER;
import static org.biokinet.core.anatomy.SidedMotion.TRUNK_ROTATION;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.SidedMotion;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.dose.Parsed;
import org.junit.jupiter.api.Test;

class CatalogueTest {

  private final Catalogue catalogue = Catalogue.load();

  @Test
  void treatingOneSideMovesTheHeadTheRightWay() {
    // Handbook, section 3: treating the right upper trapezius means the head tilts LEFT.
    assertThat(catalogue.get("upper-trap-stretch").movesToward(Side.RIGHT)).contains(Side.LEFT);
    assertThat(catalogue.get("neck-rotation").movesToward(Side.RIGHT)).contains(Side.RIGHT);
    assertThat(catalogue.get("levator-stretch").headTurnsToward(Side.LEFT)).contains(Side.RIGHT);
    assertThat(catalogue.get("chin-tuck").movesToward(Side.LEFT)).isEmpty();
  }

  @Test
  void allRowsOfTheStartingCatalogueAreThereAndTheirDosesFit() {
    assertThat(catalogue.all()).hasSize(135);
    for (Exercise e : catalogue.all()) {
      for (Dose dose : List.of(e.start(), e.target())) {
        String text = DoseNotation.format(dose);
        assertThat(DoseNotation.parse(text, e.doseContext()))
            .as(e.id() + " " + text)
            .isEqualTo(new Parsed.Understood(dose, text));
      }
    }
  }

  /** Handbook section 3, both examples. */
  @Test
  void aLimitedMotionIsServedByTheSideThatMakesTheExerciseGoThere() {
    assertThat(catalogue.get("neck-rotation").treatedSideFor(NECK_ROTATION, Side.RIGHT))
        .contains(Side.RIGHT);
    assertThat(catalogue.get("levator-stretch").treatedSideFor(NECK_ROTATION, Side.RIGHT))
        .contains(Side.LEFT);
    assertThat(catalogue.get("upper-trap-stretch").treatedSideFor(NECK_ROTATION, Side.RIGHT))
        .isEmpty();
    assertThat(catalogue.get("upper-trap-stretch").treatedSideFor(NECK_LATERAL_FLEXION, Side.LEFT))
        .contains(Side.RIGHT);
    // The trunk turns toward, the head away: each motion has its own side.
    assertThat(catalogue.get("counter-rotation").treatedSideFor(TRUNK_ROTATION, Side.LEFT))
        .contains(Side.LEFT);
    assertThat(catalogue.get("counter-rotation").treatedSideFor(NECK_ROTATION, Side.LEFT))
        .contains(Side.RIGHT);
    assertThat(catalogue.get("cross-body-stretch").treatedSideFor(SHOULDER, Side.LEFT))
        .contains(Side.LEFT);
    assertThat(catalogue.get("ankle-controlled-circle").treatedSideFor(SHOULDER, Side.LEFT))
        .as("an ankle does nothing for a shoulder")
        .isEmpty();
  }

  /** Property over the whole catalogue: treating that side moves toward where it is limited. */
  @Test
  void theMappingIsTheInverseOfTheMovementForEveryExercise() {
    int served = 0;
    for (Exercise e : catalogue.all()) {
      for (SidedMotion motion : SidedMotion.values()) {
        for (Side limited : Side.values()) {
          Optional<Side> treated = e.treatedSideFor(motion, limited);
          if (treated.isEmpty()) continue;
          served++;
          boolean byTurn = motion == NECK_ROTATION && e.turn().isPresent();
          assertThat(byTurn ? e.headTurnsToward(treated.get()) : e.movesToward(treated.get()))
              .as(e.id() + " " + motion)
              .contains(limited);
          assertThat(e.treatedSideFor(motion, limited.opposite()))
              .contains(treated.get().opposite());
        }
      }
    }
    assertThat(served).isGreaterThan(100);
  }

  /**
   * A sternocleidomastoid turns the head to the other side, so it is lengthened by turning to its
   * own (standard anatomy, recalled from memory).
   */
  @Test
  void theHeadTurnsSoThatTheFirstTargetIsLengthened() {
    assertThat(catalogue.get("lateral-neck-elbow-back").headTurnsToward(Side.RIGHT))
        .contains(Side.RIGHT);
    // The levator turns the head to its own side.
    for (String id : List.of("levator-stretch", "ear-tilt-chin-turn")) {
      assertThat(catalogue.get(id).targets().get(0)).isEqualTo(Tissue.LEVATOR);
      assertThat(catalogue.get(id).headTurnsToward(Side.RIGHT)).contains(Side.LEFT);
    }
  }

  @Test
  void aSnapshotReplaysWithoutTheRestOfTheCatalogue() {
    Catalogue.Snapshot snapshot = catalogue.snapshot(List.of("upper-trap-stretch"));
    Catalogue replayed = Catalogue.of(snapshot);
    assertThat(replayed.all()).containsExactly(catalogue.get("upper-trap-stretch"));
    assertThat(replayed.words(replayed.get("upper-trap-stretch"), Locale.ENGLISH))
        .isEqualTo(catalogue.words(catalogue.get("upper-trap-stretch"), Locale.ENGLISH));
  }

  @Test
  void aPracticesOwnEntriesStandBesideAndInPlaceOfTheShippedOnes() {
    Catalogue.Snapshot tuck = catalogue.snapshot(List.of("chin-tuck"));
    Catalogue.Snapshot own =
        new Catalogue.Snapshot(
            tuck.facts().replace("start: 3x10s", "start: 3x5s")
                + tuck.facts().replace("chin-tuck\n", "own-tuck\n"),
            Map.of(
                "en",
                """
                chin-tuck
                  name: Our tuck
                  move: Chin back
                own-tuck
                  name: Second
                  move: Chin back
                """));
    Catalogue practice = catalogue.with(own, Set.of("open-book"));
    assertThat(DoseNotation.format(practice.get("chin-tuck").start())).isEqualTo("3x5s");
    assertThat(practice.words(practice.get("chin-tuck"), Locale.ENGLISH).name())
        .isEqualTo("Our tuck");
    assertThat(practice.all()).hasSize(catalogue.all().size() + 1);
    // What is no longer offered is still there for the programs that have it.
    assertThat(practice.offered()).doesNotContain(practice.get("open-book"));
    assertThat(practice.isRetired(practice.get("open-book"))).isTrue();
    // A link that leads nowhere, or back, is refused.
    assertThatThrownBy(
            () ->
                catalogue.with(
                    new Catalogue.Snapshot(
                        tuck.facts().replace("easier: chin-nod", "easier: nowhere"), tuck.words()),
                    Set.of()))
        .hasMessageContaining("no exercise is called nowhere");
    assertThatThrownBy(
            () ->
                catalogue.with(
                    new Catalogue.Snapshot(
                        tuck.facts().replace("easier: chin-nod", "easier: supine-spine-press"),
                        tuck.words()),
                    Set.of()))
        .hasMessageContaining("leads back to it");
  }

  @Test
  void wrongDataIsNamedWhenRead() {
    String good = catalogue.snapshot(List.of("chin-tuck")).facts();
    Map<String, String> words = catalogue.snapshot(List.of("chin-tuck")).words();
    assertThat(Catalogue.of(new Catalogue.Snapshot(good, words)).get("chin-tuck").doseContext())
        .extracting(c -> c.mode())
        .isEqualTo(Mode.ISO);
    refused(good.replace("mode: iso", "mode: isso"), words, "isso is none of hold, iso");
    refused(good.replace("start: 3x10s", "start: 3 x 10 s"), words, "write 3x10s");
    refused(good.replace("start: 3x10s", "start: 10"), words, "seconds or breaths");
    refused(good.replace("  mode: iso\n", ""), words, "does not say its mode");
  }

  /** Words are checked when they come in; what was shared once is read for ever. */
  @Test
  void wordsAreCheckedWhenTheyComeIn() {
    String facts = catalogue.snapshot(List.of("chin-tuck")).facts();
    Catalogue.Snapshot wrong =
        new Catalogue.Snapshot(
            facts, Map.of("en", "chin-tuck\n  name: x\n  move: Tilt {way}\n  how: h\n  feel: f\n"));
    assertThatThrownBy(() -> catalogue.with(wrong, Set.of()))
        .isInstanceOf(CatalogueException.class)
        .hasMessageContaining("{way} has no meaning");
    assertThat(Catalogue.of(wrong).find("chin-tuck")).isPresent();
  }

  private static void refused(String facts, Map<String, String> words, String message) {
    assertThatThrownBy(() -> Catalogue.of(new Catalogue.Snapshot(facts, words)))
        .isInstanceOf(CatalogueException.class)
        .hasMessageContaining(message);
  }
}
