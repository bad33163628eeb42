package org.biokinet.core.progress;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import java.util.stream.Stream;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.progress.Simulated.Phase;
import org.junit.jupiter.api.Test;

/** Made-up clients keep to what was said of them, and are the same each time. */
class SimulatedTest {

  private static final Simulated STEADY = new Simulated(0.8, 0.6, 3, -0.5, 1, 3);

  private static double mean(List<Simulated.Day> days, ToDoubleFunction<Simulated.Day> of) {
    return days.stream().mapToDouble(of).average().orElseThrow();
  }

  @Test
  void oneSeedAlwaysTellsTheSame() {
    assertThat(Simulated.days(7, new Phase(40, STEADY)))
        .isEqualTo(Simulated.days(7, new Phase(40, STEADY)))
        .isNotEqualTo(Simulated.days(8, new Phase(40, STEADY)));
  }

  @Test
  void theyKeepToWhatWasSaidOfThem() {
    List<Simulated.Day> days = new ArrayList<>();
    for (int seed = 0; seed < 400; seed++) days.addAll(Simulated.days(seed, new Phase(14, STEADY)));
    assertThat(mean(days, d -> d.done() ? 1 : 0)).isCloseTo(0.8, within(0.02));
    assertThat(mean(days, d -> d.morning().isPresent() ? 1 : 0)).isCloseTo(0.6, within(0.02));
    assertThat(mean(days, d -> d.highest() - d.before())).isCloseTo(1, within(0.05));
    assertThat(mean(days, Simulated.Day::felt)).isCloseTo(3, within(0.05));
    assertThat(mean(days.stream().filter(d -> d.day() == 0).toList(), Simulated.Day::before))
        .isCloseTo(3, within(0.1));
    assertThat(mean(days.stream().filter(d -> d.day() == 13).toList(), Simulated.Day::before))
        .as("half a point a week")
        .isCloseTo(3 - 0.5 * 13 / 7, within(0.1));
  }

  @Test
  void nothingIsToldBesideTheScale() {
    Stream.of(new Simulated(1, 1, -3, -1, 0, -2), new Simulated(1, 1, 14, 1, 9, 14))
        .flatMap(s -> Simulated.days(1, new Phase(30, s)).stream())
        .forEach(
            d -> {
              assertThat(d.before()).isBetween(0, 10);
              assertThat(d.highest()).isBetween(d.before(), 10);
              assertThat(d.felt()).isBetween(0, 10);
              assertThat(d.settled().isPresent()).isEqualTo(d.highest() - d.before() >= 2);
            });
  }

  @Test
  void aDiaryHoldsWhatWasToldOfThem() {
    Program program =
        new Program(
            "desk",
            5,
            Pacing.DEFAULT,
            Stream.of("chin-tuck", "upper-trap-stretch")
                .map(id -> Catalogue.load().get(id))
                .map(e -> new Item(e, e.start()))
                .toList());
    List<Simulated.Day> days = Simulated.days(3, new Phase(14, STEADY));
    LocalDate first = LocalDate.of(2026, 3, 20);
    Diary diary =
        Simulated.diary(program, Optional.empty(), first, ZoneId.of("Europe/Lisbon"), days);
    assertThat(diary.today()).isEqualTo(first.plusDays(14));
    assertThat(diary.sessions())
        .extracting(s -> s.day() + " " + s.painBefore().orElseThrow())
        .isEqualTo(
            days.stream()
                .filter(Simulated.Day::done)
                .map(d -> first.plusDays(d.day()) + " " + d.before())
                .toList());
    assertThat(diary.mornings())
        .hasSize((int) days.stream().filter(d -> d.morning().isPresent()).count());
    assertThat(Review.of(diary).decisions()).hasSize(3);
  }
}
