package org.biokinet.core.screening;

import static org.assertj.core.api.Assertions.assertThat;

import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.AnyDose;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Parsed;
import org.biokinet.core.dose.Volume;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.junit.jupiter.api.Test;

/** Handbook section 10, line 2: "the lesser of half the hold or repetitions and the start rung". */
class ReEntryTest {

  private static final Catalogue CATALOGUE = Catalogue.load();

  private static String of(String id, String text) {
    Exercise e = CATALOGUE.get(id);
    Dose dose = ((Parsed.Understood) DoseNotation.parse(text, e.doseContext())).dose();
    return DoseNotation.format(ReEntry.of(e, dose, 5));
  }

  @Test
  void halfOrTheStartWhicheverIsLess() {
    assertThat(of("upper-trap-stretch", "3x30s @4")).as("start 2x15s").isEqualTo("2x15s @4");
    assertThat(of("upper-trap-stretch", "2x20s")).as("half is 20 s in all").isEqualTo("2x10s");
    assertThat(of("upper-trap-stretch", "cr4(6s+15s) 40%")).as("start 2x15s").isEqualTo("2x15s");
    assertThat(of("neck-rotation", "10")).as("start 3").isEqualTo("3");
    assertThat(of("neck-rotation", "4")).isEqualTo("2");
    assertThat(of("upper-trap-stretch", "L 3x30s R 2x10s")).isEqualTo("L 2x15s R 2x5s");
    assertThat(of("upper-trap-stretch", "R 3x30s")).isEqualTo("R 2x15s");
    assertThat(of("scapular-controlled-circle", "5 50%")).isEqualTo("2 30%");
    assertThat(of("neck-rotation", "4x3s")).as("start 3, without a hold").isEqualTo("3");
    assertThat(of("band-row", "2x12 band3")).as("start 8 band1").isEqualTo("8 band1");
    assertThat(of("walking", "20min")).isEqualTo("5min");
    assertThat(of("neck-wedge-rest", "180s")).as("rest").isEqualTo("180s");
  }

  record Dosed(Exercise exercise, Dose dose) {}

  @Provide
  Arbitrary<Dosed> anyDose() {
    return Arbitraries.of(CATALOGUE.all())
        .flatMap(e -> AnyDose.doses(e.doseContext()).map(d -> new Dosed(e, d)));
  }

  /** It is never more than what was done before, in any form of dose. */
  @Property(tries = 500, seed = "20261126")
  void neverMoreThanBefore(@ForAll("anyDose") Dosed d) {
    Dose again = ReEntry.of(d.exercise(), d.dose(), 5);
    for (Side side : Side.values()) {
      assertThat(again.on(side).isPresent()).isEqualTo(d.dose().on(side).isPresent());
      if (again.on(side).isEmpty()) continue;
      Volume now = Volume.of(again.on(side).get(), d.exercise().doseContext(), 5);
      Volume before = Volume.of(d.dose().on(side).get(), d.exercise().doseContext(), 5);
      assertThat(now.seconds()).as("%s", d).isLessThanOrEqualTo(before.seconds());
      assertThat(now.repetitions()).as("%s", d).isLessThanOrEqualTo(before.repetitions());
      assertThat(now.effort()).isLessThanOrEqualTo(before.effort());
      assertThat(now.times()).isEqualTo(before.times());
    }
  }
}
