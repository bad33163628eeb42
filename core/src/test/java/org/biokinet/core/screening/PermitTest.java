package org.biokinet.core.screening;

import static java.util.stream.Collectors.toMap;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Stream;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.dose.Parsed;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramKind;
import org.junit.jupiter.api.Test;

/** What may be done now: handbook section 7 (the gate, precautions) and section 10, line 3. */
class PermitTest {

  private static final Catalogue CATALOGUE = Catalogue.load();
  private static final Means ALL =
      new Means(EnumSet.allOf(Position.class), EnumSet.allOf(Equipment.class));

  private static Item item(String id, String dose) {
    Exercise e = CATALOGUE.get(id);
    return new Item(e, ((Parsed.Understood) DoseNotation.parse(dose, e.doseContext())).dose());
  }

  private static Assessment assessment(Irritability.Settles settles, Condition... conditions) {
    Screening told =
        new Screening(
            Set.of(),
            Set.of(),
            3,
            false,
            settles,
            false,
            OptionalInt.of(2),
            Stream.of(conditions).collect(toMap(c -> c, c -> Optional.empty())),
            "",
            "",
            "",
            false,
            false);
    return Assessment.of(told, Optional.empty());
  }

  private static Gate open(Assessment assessment, Beginning beginning, boolean flare) {
    return new Gate.Open(assessment, false, beginning, flare, LocalDate.parse("2026-12-31"));
  }

  private static Gate low() {
    return open(assessment(Irritability.Settles.WITHIN_10_MINUTES), Beginning.AS_SHARED, false);
  }

  private static Permit permit(ProgramKind kind, Gate gate, Item... items) {
    Program program = new Program("One", 5, Pacing.DEFAULT, List.of(items));
    return Permit.of(kind, program, List.of(), ALL, gate, CATALOGUE);
  }

  private static final Item TUCK = item("chin-tuck", "3x10s");

  @Test
  void behindAClosedGateNothingIsLeft() {
    Permit p = permit(ProgramKind.MAIN, new Gate.Closed(Gate.Why.LAPSED, Optional.empty()), TUCK);
    assertThat(p.closed()).contains(Gate.Why.LAPSED);
    assertThat(p.nothing()).isTrue();
    assertThat(p.notItsTurn()).isEmpty();
    assertThat(p.waiting()).isEmpty();
    assertThat(p.longSession()).isFalse();
    assertThat(p.beginning()).isEqualTo(Beginning.AS_SHARED);
  }

  @Test
  void inAFlareItsPlanTakesThePlaceOfTheOthers() {
    Gate flare = open(assessment(Irritability.Settles.WITHIN_10_MINUTES), Beginning.TWO_DOWN, true);
    Permit main = permit(ProgramKind.MAIN, flare, TUCK);
    assertThat(main.notItsTurn()).contains(Permit.Turn.FLARE_LASTS);
    assertThat(main.nothing()).isTrue();
    assertThat(main.beginning()).isEqualTo(Beginning.TWO_DOWN);
    Item breathing = item("diaphragmatic-breathing", "6br");
    Permit plan = permit(ProgramKind.FLARE, flare, breathing);
    assertThat(plan.notItsTurn()).isEmpty();
    assertThat(plan.nothing()).isFalse();
    assertThat(plan.beginning()).as("small as it is").isEqualTo(Beginning.AS_SHARED);
    assertThat(permit(ProgramKind.FLARE, low(), breathing).notItsTurn())
        .contains(Permit.Turn.NO_FLARE);
    assertThat(Permit.Turn.NO_FLARE.words()).startsWith("no flare");
    assertThat(Permit.Turn.FLARE_LASTS.words()).startsWith("a flare lasted");
  }

  /** Over the ceiling of comfort-first, 4. */
  @Test
  void whatIsObjectedToWaitsAndTheRestGoesOn() {
    Item strong = item("upper-trap-stretch", "2x15s @6");
    Permit p = permit(ProgramKind.MAIN, low(), TUCK, strong);
    assertThat(p.waiting()).containsExactly(1);
    assertThat(p.nothing()).isFalse();
    assertThat(permit(ProgramKind.MAIN, low(), strong).nothing()).isTrue();
    assertThat(permit(ProgramKind.MAIN, low(), TUCK).waiting()).isEmpty();
  }

  @Test
  void aLongSessionIsForThoseWhomNothingLimits() {
    Item stretch = item("upper-trap-stretch", "2x15s @3");
    assertThat(permit(ProgramKind.MAIN, low(), stretch).longSession()).isTrue();
    Assessment calm = assessment(Irritability.Settles.WITHIN_10_MINUTES);
    assertThat(
            permit(ProgramKind.MAIN, open(calm, Beginning.ONE_DOWN, false), stretch).longSession())
        .as("after a break")
        .isFalse();
    Assessment high = assessment(Irritability.Settles.LATER);
    assertThat(
            permit(ProgramKind.MAIN, open(high, Beginning.AS_SHARED, false), stretch).longSession())
        .as("highly irritable")
        .isFalse();
    Assessment limited =
        assessment(Irritability.Settles.WITHIN_10_MINUTES, Condition.HYPERMOBILITY);
    assertThat(
            permit(ProgramKind.MAIN, open(limited, Beginning.AS_SHARED, false), stretch)
                .longSession())
        .as("a precaution limits it")
        .isFalse();
  }

  @Test
  void anEasierFormKeepsToTheScreeningAndTheProgram() {
    Permit p = permit(ProgramKind.MAIN, low(), TUCK);
    assertThat(p.easier(CATALOGUE, TUCK, Optional.empty()).orElseThrow().exercise().id())
        .isEqualTo("chin-nod");
    Permit closed =
        permit(ProgramKind.MAIN, new Gate.Closed(Gate.Why.NOT_SCREENED, Optional.empty()), TUCK);
    assertThat(closed.easier(CATALOGUE, TUCK, Optional.empty())).isEmpty();
  }

  /** Of what is done the rest, breathing and easy movement, at half; breathing always. */
  @Test
  void aFlarePlanBeginsWithBreathingAndHalfOfWhatIsEasy() {
    List<Item> now =
        List.of(item("neck-rotation", "10"), item("upper-trap-stretch", "2x15s"), TUCK);
    List<Item> plan = FlarePlan.of(now, 5, CATALOGUE, e -> true);
    assertThat(plan).hasSize(2);
    assertThat(plan.get(0).exercise().isRest()).isTrue();
    assertThat(plan.get(0).dose()).isEqualTo(plan.get(0).exercise().start());
    assertThat(plan.get(1).exercise().id()).isEqualTo("neck-rotation");
    assertThat(DoseNotation.format(plan.get(1).dose())).isEqualTo("3");
    List<Item> breathes = new ArrayList<>(now);
    breathes.add(item("diaphragmatic-breathing", "6br"));
    assertThat(FlarePlan.of(breathes, 5, CATALOGUE, e -> true))
        .extracting(i -> i.exercise().id())
        .containsExactly("neck-rotation", "diaphragmatic-breathing");
    assertThat(FlarePlan.of(now, 5, CATALOGUE, e -> false))
        .extracting(i -> i.exercise().id())
        .containsExactly("neck-rotation");
  }

  /** Handbook section 7: what a record opens, what an outcome does, what the client can renew. */
  @Test
  void whatOpensAGate() {
    assertThat(Stream.of(Gate.Why.values()).filter(Gate.Why::opensByRecord))
        .containsExactly(Gate.Why.EMERGENCY, Gate.Why.EXAMINE);
    assertThat(Stream.of(Gate.Why.values()).filter(Gate.Why::needsPhysician))
        .containsExactly(Gate.Why.EMERGENCY);
    assertThat(Stream.of(Gate.Why.values()).filter(Gate.Why::opensByOutcome))
        .containsExactly(Gate.Why.STOPPED);
    assertThat(Stream.of(Gate.Why.values()).filter(Gate.Why::unsettled))
        .containsExactly(Gate.Why.EMERGENCY, Gate.Why.EXAMINE, Gate.Why.STOPPED);
    assertThat(Stream.of(Gate.Why.values()).filter(Gate.Why::renewedByClient))
        .containsExactly(Gate.Why.LAPSED, Gate.Why.AFTER_FEVER, Gate.Why.LONG_PAUSE);
    assertThat(new Gate.Closed(Gate.Why.STOPPED, Optional.empty()).unsettled()).isTrue();
    assertThat(new Gate.Closed(Gate.Why.LAPSED, Optional.empty()).unsettled()).isFalse();
    assertThat(low().unsettled()).isFalse();
  }

  /** Section 7, "how strong": 4 and 6 of 10, a rise of 1 and of 2; what is smaller than what. */
  @Test
  void policiesAndBeginningsInFigures() {
    assertThat(Policy.COMFORT_FIRST.words())
        .isEqualTo("comfort-first: up to 4 of 10, a rise of 1 is borne");
    assertThat(Policy.TOLERABLE_STRETCH.words())
        .isEqualTo("tolerable-stretch: up to 6 of 10, a rise of 2 is borne");
    assertThat(Policy.TOLERABLE_STRETCH.borne()).isEqualTo(2);
    assertThat(Policy.TOLERABLE_STRETCH.ceiling()).isEqualTo(6);
    assertThat(Policy.TOLERABLE_STRETCH.code()).isEqualTo("tolerable-stretch");
    assertThat(Beginning.RE_ENTRY.asksLessThan(Beginning.ONE_DOWN)).isTrue();
    assertThat(Beginning.ONE_DOWN.asksLessThan(Beginning.ONE_DOWN)).isFalse();
    assertThat(Beginning.AS_SHARED.asksLessThan(Beginning.ONE_DOWN)).isFalse();
    assertThat(Beginning.AS_SHARED.smaller()).isFalse();
    assertThat(Beginning.ONE_DOWN.smaller()).isTrue();
    assertThat(Beginning.ONE_DOWN.words()).contains("one rung down");
  }
}
