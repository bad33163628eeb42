package org.biokinet.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/**
 * Handbook section 10, line 3: 48 h, quiet for 24 h, not settled after 72 h, a second in 4 weeks.
 */
class FlareTest {

  private static final Instant BEGUN = Instant.parse("2026-11-24T09:00:00Z");
  private static final Flare FLARE = new Flare(BEGUN, 2, Optional.empty(), Optional.empty());

  private static Instant after(int hours) {
    return BEGUN.plus(Duration.ofHours(hours));
  }

  @Test
  void itsHours() {
    assertThat(FLARE.maySettle(after(23))).isFalse();
    assertThat(FLARE.maySettle(after(24))).isTrue();
    assertThat(FLARE.asks(after(47))).isFalse();
    assertThat(FLARE.asks(after(48))).isTrue();
    assertThat(FLARE.unsettled(after(71))).isFalse();
    assertThat(FLARE.unsettled(after(72))).isTrue();
    Flare over = new Flare(BEGUN, 2, Optional.of(after(40)), Optional.empty());
    assertThat(over.unsettled(after(90))).isFalse();
    assertThat(over.maySettle(after(90))).isFalse();
  }

  @Test
  void aSecondWithinFourWeeks() {
    assertThat(FLARE.again()).isFalse();
    assertThat(before(27).again()).isTrue();
    assertThat(before(28).again()).isFalse();
  }

  private static Flare before(int days) {
    return new Flare(BEGUN, 2, Optional.empty(), Optional.of(BEGUN.minus(Duration.ofDays(days))));
  }

  private static Attention.Facts facts(
      Optional<Flare> flare, Optional<Instant> examine, Optional<Instant> away, Instant back) {
    return new Attention.Facts(
        Optional.empty(),
        Optional.empty(),
        false,
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        false,
        Optional.of(3),
        Optional.of(BEGUN.minus(Duration.ofDays(6))),
        Optional.of(BEGUN.minus(Duration.ofDays(20))),
        false,
        true,
        Optional.empty(),
        new Attention.Rest(flare, examine, away, Optional.of(back)),
        Optional.empty(),
        Optional.empty(),
        Attention.Progress.NONE);
  }

  @Test
  void theListKnowsOfIt() {
    Attention.Facts flaring = facts(Optional.of(FLARE), Optional.empty(), Optional.empty(), BEGUN);
    assertThat(Attention.of(flaring, after(1))).isEqualTo(Attention.FLARE);
    assertThat(Attention.changes(flaring, after(1))).contains(after(72));
    assertThat(Attention.of(flaring, after(72))).isEqualTo(Attention.FLARE_EXAMINE);
    assertThat(
            Attention.of(
                facts(Optional.empty(), Optional.of(BEGUN), Optional.empty(), BEGUN), after(1)))
        .as("told, and the flare over")
        .isEqualTo(Attention.FLARE_EXAMINE);
  }

  /** Nobody who is away has gone quiet, nor for five days after. */
  @Test
  void awayIsNotQuiet() {
    Instant back = after(72);
    Attention.Facts away =
        new Attention.Facts(
            Optional.empty(),
            Optional.empty(),
            false,
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            false,
            Optional.empty(),
            Optional.of(BEGUN.minus(Duration.ofDays(6))),
            Optional.of(BEGUN.minus(Duration.ofDays(20))),
            false,
            true,
            Optional.empty(),
            new Attention.Rest(
                Optional.empty(), Optional.empty(), Optional.of(BEGUN), Optional.of(back)),
            Optional.empty(),
            Optional.empty(),
            Attention.Progress.NONE);
    assertThat(Attention.of(away, BEGUN.minusSeconds(1))).isEqualTo(Attention.QUIET);
    assertThat(Attention.of(away, BEGUN)).isEqualTo(Attention.AWAY);
    assertThat(Attention.AWAY.steady()).isTrue();
    assertThat(Attention.of(away, back)).isEqualTo(Attention.STEADY);
    assertThat(Attention.of(away, back.plus(Attention.QUIET_AFTER).plusMillis(1)))
        .isEqualTo(Attention.QUIET);
    assertThat(Attention.changes(away, BEGUN)).contains(back);
  }

  @Test
  void anIllnessIsOverWhenThatIsTold() {
    LocalDate day = LocalDate.of(2026, 11, 24);
    Pause ill = new Pause(Pause.Kind.ILLNESS, day, day.plusDays(2), false, Optional.empty());
    assertThat(ill.waits(day.minusDays(1))).isFalse();
    assertThat(ill.waits(day.plusDays(9))).isTrue();
    assertThat(ill.over(day.plusDays(9))).isFalse();
    Pause well =
        new Pause(Pause.Kind.ILLNESS, day, day.plusDays(9), false, Optional.of(day.plusDays(3)));
    assertThat(well.waits(day.plusDays(3))).isFalse();
    assertThat(well.last()).isEqualTo(day.plusDays(2));
    assertThat(well.holds(day.plusDays(3))).isFalse();
    Pause away = new Pause(Pause.Kind.HOLIDAY, day, day.plusDays(2), false, Optional.empty());
    assertThat(away.waits(day)).isFalse();
    assertThat(away.holds(day.plusDays(2))).isTrue();
    assertThat(away.over(day.plusDays(3))).isTrue();
  }
}
