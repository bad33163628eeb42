package org.biokinet.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class AttentionTest {

  private static final Instant NOW = Instant.parse("2026-11-24T09:00:00Z");
  private static final Instant YESTERDAY = NOW.minus(Duration.ofDays(1));

  private static Attention.Facts facts(
      Optional<Instant> stopped, Optional<Integer> rise, Optional<Instant> last, boolean draft) {
    return new Attention.Facts(
        stopped,
        Optional.empty(),
        false,
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        false,
        rise,
        last,
        Optional.of(YESTERDAY),
        draft,
        true);
  }

  @Test
  void aStopComesBeforeEverything() {
    assertThat(
            Attention.of(
                facts(Optional.of(YESTERDAY), Optional.of(5), Optional.empty(), true), NOW))
        .isEqualTo(Attention.STOPPED);
  }

  @Test
  void aRiseOfThreeWantsALookAndARiseOfTwoDoesNot() {
    assertThat(
            Attention.of(
                facts(Optional.empty(), Optional.of(3), Optional.of(YESTERDAY), false), NOW))
        .isEqualTo(Attention.PAIN_ROSE);
    assertThat(
            Attention.of(
                facts(Optional.empty(), Optional.of(2), Optional.of(YESTERDAY), false), NOW))
        .isEqualTo(Attention.STEADY);
  }

  /** Day 76 of 90: the practitioner is told before the client is shut out. */
  @Test
  void aScreeningThatEndsSoonIsSaidInTime() {
    Attention.Facts due =
        new Attention.Facts(
            Optional.empty(),
            Optional.empty(),
            true,
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            false,
            Optional.empty(),
            Optional.of(YESTERDAY),
            Optional.of(YESTERDAY),
            false,
            true);
    assertThat(Attention.of(due, NOW)).isEqualTo(Attention.SCREEN_SOON);
  }

  @Test
  void quietBeginsAfterFiveWholeDays() {
    Instant five = NOW.minus(Attention.QUIET_AFTER);
    assertThat(
            Attention.of(facts(Optional.empty(), Optional.empty(), Optional.of(five), false), NOW))
        .isEqualTo(Attention.STEADY);
    assertThat(
            Attention.of(
                facts(Optional.empty(), Optional.empty(), Optional.of(five.minusSeconds(1)), true),
                NOW))
        .isEqualTo(Attention.QUIET);
  }
}
