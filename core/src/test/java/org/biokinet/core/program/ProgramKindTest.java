package org.biokinet.core.program;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.Precaution;
import org.junit.jupiter.api.Test;

/** One to three minutes, on a chair or standing, nothing in the hand: our choice. */
class ProgramKindTest {

  private static final Catalogue CATALOGUE = Catalogue.load();
  private static final Means EVERYTHING =
      new Means(EnumSet.allOf(Position.class), EnumSet.allOf(Equipment.class));

  @Test
  void atTheDeskThereIsAChairAFloorToStandOnAndAWall() {
    assertThat(ProgramKind.DESK.within(EVERYTHING))
        .hasValue(
            new Means(
                Set.of(Position.CHAIR, Position.STAND), Set.of(Equipment.CHAIR, Equipment.WALL)));
    assertThat(ProgramKind.MAIN.within(EVERYTHING)).hasValue(EVERYTHING);
    assertThat(ProgramKind.DESK.within(new Means(Set.of(Position.SUPINE), Set.of()))).isEmpty();
    assertThat(ProgramKind.DESK.within(new Means(Set.of(Position.CHAIR), Set.of())))
        .hasValue(new Means(Set.of(Position.CHAIR), Set.of(Equipment.CHAIR)));
  }

  @Test
  void whatIsHeldOrLiesDownHasNoPlaceAtTheDesk() {
    int refused = 0;
    for (Exercise e : CATALOGUE.all()) {
      for (Position p : e.positions()) {
        boolean held =
            e.equipment().stream().anyMatch(x -> x != Equipment.CHAIR && x != Equipment.WALL);
        boolean against = ProgramKind.DESK.against(e, p).isPresent();
        assertThat(against).as("%s %s", e.id(), p).isEqualTo(p.onFloor() || held);
        assertThat(ProgramKind.MAIN.against(e, p)).isEmpty();
        if (against) refused++;
      }
      ProgramKind.DESK
          .position(e, Optional.empty())
          .ifPresent(p -> assertThat(ProgramKind.DESK.against(e, p)).as(e.id()).isEmpty());
    }
    assertThat(refused).isGreaterThan(30);
  }

  /** Where the one before is done, if it has a place there and the exercise can be done so. */
  @Test
  void thePositionIsThatOfTheOneBeforeWhereItCanBe() {
    Exercise rotation = CATALOGUE.get("neck-rotation");
    assertThat(ProgramKind.MAIN.position(rotation, Optional.of(Position.STAND)))
        .contains(Position.STAND);
    assertThat(ProgramKind.DESK.position(rotation, Optional.of(Position.FLOOR_SIT)))
        .contains(rotation.usualPosition());
    assertThat(ProgramKind.MAIN.position(rotation, Optional.of(Position.PRONE)))
        .contains(rotation.usualPosition());
  }

  @Test
  void threeMinutesAndNotASecondMore() {
    assertThat(ProgramKind.DESK.fits(180)).isTrue();
    assertThat(ProgramKind.DESK.fits(181)).isFalse();
    assertThat(ProgramKind.MAIN.fits(4000)).isTrue();
    assertThat(ProgramKind.DESK.lengths()).containsExactly(SessionLength.USUAL);
  }

  /** Handbook section 10, line 3: "only breathing, rest positions and movements in half range". */
  @Test
  void aFlarePlanIsBreathingRestAndEasyMovement() {
    for (String id :
        Set.of("diaphragmatic-breathing", "neck-rotation", "shoulder-roll", "chin-nod")) {
      Exercise e = CATALOGUE.get(id);
      assertThat(ProgramKind.FLARE.against(e, e.usualPosition())).as(id).isEmpty();
    }
    for (String id : Set.of("upper-trap-stretch", "chin-tuck", "band-row")) {
      Exercise e = CATALOGUE.get(id);
      assertThat(ProgramKind.FLARE.against(e, e.usualPosition())).as(id).isPresent();
    }
    for (Exercise e : CATALOGUE.all()) {
      if (ProgramKind.FLARE.against(e, e.usualPosition()).isPresent()) continue;
      assertThat(e.precautions())
          .as(e.id())
          .doesNotContain(Precaution.OVERPRESSURE, Precaution.NEURAL, Precaution.CX_CIRCLE);
      assertThat(e.doseContext().mode()).as(e.id()).isNotIn(Mode.HOLD, Mode.ISO, Mode.PULSE);
    }
  }
}
