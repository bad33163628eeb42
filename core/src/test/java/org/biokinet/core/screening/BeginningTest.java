package org.biokinet.core.screening;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.AnyDose;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.dose.Parsed;
import org.biokinet.core.dose.Volume;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramKind;
import org.junit.jupiter.api.Test;

/** Handbook section 10, lines 2, 3 and 5: half, two rungs lower, one rung down once. */
class BeginningTest {

  private static final Catalogue CATALOGUE = Catalogue.load();
  private static final LocalDate DAY = LocalDate.of(2026, 11, 24);
  private static final Instant NOON = Instant.parse("2026-11-24T12:00:00Z");

  private static Program of(Exercise e, Dose dose) {
    return new Program("One", 5, Pacing.DEFAULT, List.of(new Item(e, dose)));
  }

  private static String of(Beginning beginning, String id, String text) {
    Exercise e = CATALOGUE.get(id);
    Dose dose = ((Parsed.Understood) DoseNotation.parse(text, e.doseContext())).dose();
    return DoseNotation.format(beginning.of(of(e, dose)).items().get(0).dose());
  }

  /** The series of handbook section 10: hold, then repetitions, with the catalogue's start. */
  @Test
  void rungsDown() {
    assertThat(of(Beginning.ONE_DOWN, "upper-trap-stretch", "3x20s @3")).isEqualTo("2x20s @3");
    assertThat(of(Beginning.TWO_DOWN, "upper-trap-stretch", "3x20s @3")).isEqualTo("2x15s @3");
    assertThat(of(Beginning.ONE_DOWN, "upper-trap-stretch", "2x15s"))
        .as("start")
        .isEqualTo("2x15s");
    assertThat(of(Beginning.ONE_DOWN, "upper-trap-stretch", "2x10s")).as("less").isEqualTo("2x10s");
    assertThat(of(Beginning.ONE_DOWN, "neck-rotation", "10")).isEqualTo("8");
    assertThat(of(Beginning.TWO_DOWN, "neck-rotation", "10")).isEqualTo("6");
    assertThat(of(Beginning.ONE_DOWN, "upper-trap-stretch", "L 2x15s R 3x20s"))
        .isEqualTo("L 2x15s R 2x20s");
    assertThat(of(Beginning.ONE_DOWN, "diaphragmatic-breathing", "6br"))
        .as("rest")
        .isEqualTo("6br");
    assertThat(of(Beginning.AS_SHARED, "neck-rotation", "10")).isEqualTo("10");
    assertThat(of(Beginning.RE_ENTRY, "neck-rotation", "10")).isEqualTo("3");
  }

  record Dosed(Exercise exercise, Dose dose) {}

  @Provide
  Arbitrary<Dosed> anyDose() {
    return Arbitraries.of(CATALOGUE.all())
        .flatMap(e -> AnyDose.doses(e.doseContext()).map(d -> new Dosed(e, d)));
  }

  /** Whoever comes back is never asked for more than before, in any form of dose, on any side. */
  @Property(tries = 500, seed = "20261126")
  void neverMoreThanBefore(@ForAll("anyDose") Dosed d) {
    for (Beginning b : List.of(Beginning.ONE_DOWN, Beginning.TWO_DOWN)) {
      Dose lower = b.of(of(d.exercise(), d.dose())).items().get(0).dose();
      for (Side side : Side.values()) {
        assertThat(lower.on(side).isPresent()).isEqualTo(d.dose().on(side).isPresent());
        if (lower.on(side).isEmpty()) continue;
        Volume now = Volume.of(lower.on(side).get(), d.exercise().doseContext(), 5);
        Volume before = Volume.of(d.dose().on(side).get(), d.exercise().doseContext(), 5);
        assertThat(now.exceeds(before)).as("%s %s", b, d).isFalse();
        assertThat(lower.on(side).get().perWeek()).isEqualTo(d.dose().on(side).get().perWeek());
      }
    }
  }

  private static Gate gate(Optional<Instant> looked, int daysSinceSession, Gate.Lately lately) {
    Answered asked =
        new Answered(
            AssessmentTest.calm(),
            NOON.minus(Duration.ofDays(40)),
            DAY.minusDays(40),
            Answered.Source.PRACTITIONER,
            "okafor",
            Optional.empty(),
            Set.of());
    return Gate.of(
        new Gate.Facts(
            false,
            List.of(asked),
            Optional.empty(),
            Optional.empty(),
            false,
            looked,
            Optional.of(DAY.minusDays(daysSinceSession)),
            lately,
            Policy.COMFORT_FIRST),
        DAY);
  }

  private static Gate.Lately lately(Instant session, Optional<Instant> returned) {
    return new Gate.Lately(
        Optional.of(session),
        returned,
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty());
  }

  private static Instant daysAgo(int days) {
    return NOON.minus(Duration.ofDays(days));
  }

  private static Beginning main(Gate gate) {
    return Beginning.of(ProgramKind.MAIN, gate);
  }

  @Test
  void aWeekWithoutASessionIsARungDownUntilSomebodyHasLooked() {
    for (int days = 0; days < Gate.PAUSE_DAYS; days++) {
      assertThat(main(gate(Optional.empty(), days, lately(daysAgo(days), Optional.empty()))))
          .as("%d days", days)
          .isEqualTo(days < 7 ? Beginning.AS_SHARED : Beginning.ONE_DOWN);
    }
    // Back for a session, it stays one rung, once, until a practitioner has shared or looked.
    Gate.Lately back = lately(daysAgo(1), Optional.of(daysAgo(1)));
    assertThat(main(gate(Optional.empty(), 1, back))).isEqualTo(Beginning.ONE_DOWN);
    assertThat(main(gate(Optional.of(daysAgo(0)), 1, back))).isEqualTo(Beginning.AS_SHARED);
    // What was shared in the gap is the practitioner's word on it.
    assertThat(main(gate(Optional.of(daysAgo(3)), 9, lately(daysAgo(9), Optional.empty()))))
        .isEqualTo(Beginning.AS_SHARED);
    assertThat(gate(Optional.empty(), 14, lately(daysAgo(14), Optional.empty())).open()).isFalse();
  }

  private static Gate.Lately flare(Optional<Instant> ended, Optional<Instant> undone) {
    return new Gate.Lately(
        Optional.of(daysAgo(1)),
        Optional.empty(),
        Optional.empty(),
        Optional.of(daysAgo(3)),
        ended,
        undone);
  }

  /** While a flare lasts only its plan is open; after it everything else is two rungs lower. */
  @Test
  void aFlareAndWhatComesAfterIt() {
    Gate lasts = gate(Optional.empty(), 1, flare(Optional.empty(), Optional.empty()));
    Exercise rest = CATALOGUE.get("diaphragmatic-breathing");
    Program program = of(rest, rest.start());
    assertThat(turn(ProgramKind.MAIN, program, lasts)).contains(Permit.Turn.FLARE_LASTS);
    assertThat(turn(ProgramKind.DESK, program, lasts)).contains(Permit.Turn.FLARE_LASTS);
    assertThat(turn(ProgramKind.FLARE, program, lasts)).isEmpty();
    Gate over = gate(Optional.empty(), 1, flare(Optional.of(daysAgo(1)), Optional.empty()));
    assertThat(turn(ProgramKind.MAIN, program, over)).isEmpty();
    assertThat(turn(ProgramKind.FLARE, program, over)).contains(Permit.Turn.NO_FLARE);
    assertThat(main(over)).isEqualTo(Beginning.TWO_DOWN);
    Gate undone = gate(Optional.empty(), 1, flare(Optional.empty(), Optional.of(daysAgo(3))));
    assertThat(turn(ProgramKind.MAIN, program, undone)).isEmpty();
    assertThat(main(undone)).as("a tap by mistake").isEqualTo(Beginning.AS_SHARED);
  }

  private static Optional<Permit.Turn> turn(ProgramKind kind, Program program, Gate gate) {
    Permit permit = Permit.of(kind, program, List.of(), AllowedTest.EVERYTHING, gate, CATALOGUE);
    assertThat(permit.nothing()).isEqualTo(permit.notItsTurn().isPresent());
    return permit.notItsTurn();
  }

  /** Line 5: "a feverish illness asks the red flags first". */
  @Test
  void aFeverAsksFirst() {
    Gate.Lately fever =
        new Gate.Lately(
            Optional.of(daysAgo(2)),
            Optional.empty(),
            Optional.of(daysAgo(1)),
            Optional.empty(),
            Optional.empty(),
            Optional.empty());
    Gate gate = gate(Optional.empty(), 2, fever);
    assertThat(((Gate.Closed) gate).why()).isEqualTo(Gate.Why.AFTER_FEVER);
    assertThat(Gate.Why.AFTER_FEVER.renewedByClient()).isTrue();
  }
}
