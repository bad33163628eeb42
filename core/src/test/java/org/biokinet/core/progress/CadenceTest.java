package org.biokinet.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** When the next review is; our choice. */
class CadenceTest {

  @ParameterizedTest
  @CsvSource({
    "GO_ON, STAY, 14",
    "STAY, HOLD, 14",
    "HOLD, MAINTAIN, 28",
    "HOLD, HOLD, 28",
    "GO_ON, EASE, 7",
    "RETURN, HOLD, 7",
    "RE_ENTER, RE_ENTER, 7",
    "FLARE_PLAN, FLARE_PLAN, 7",
  })
  void itIsSoonerWhereSomethingWasTakenBack(Outcome one, Outcome other, int days) {
    assertThat(Cadence.days(List.of(one, other))).isEqualTo(days);
    assertThat(Cadence.days(List.of(other, one))).isEqualTo(days);
  }

  @Test
  void aWeekAfterAVersionWasSharedOrAsPlanned() {
    LocalDate shared = LocalDate.parse("2026-11-16");
    assertThat(Cadence.due(Optional.empty(), shared)).isEqualTo("2026-11-23");
    assertThat(Cadence.due(Optional.of(LocalDate.parse("2026-11-30")), shared))
        .isEqualTo("2026-11-30");
    assertThat(Cadence.due(Optional.of(LocalDate.parse("2026-11-18")), shared))
        .as("shared by hand since")
        .isEqualTo("2026-11-23");
  }
}
