package org.biokinet.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class PutOffTest {

  private static final Instant AT = Instant.parse("2026-11-24T10:00:00Z");
  private static final Instant UNTIL = Instant.parse("2026-12-01T00:00:00Z");
  private static final Instant BEFORE = UNTIL.minusSeconds(1);

  /** Whoever was stopped, or is to be examined first, is not put off. */
  @ParameterizedTest
  @EnumSource
  void nothingUrgentWaits(Attention what) {
    Set<Attention> never =
        Set.of(
            Attention.STOPPED,
            Attention.EMERGENCY,
            Attention.WHILE_CLOSED,
            Attention.EXAMINE,
            Attention.MAP_ASKS,
            Attention.PAIN_TOO_HIGH,
            Attention.FLARE_EXAMINE,
            Attention.RE_EXAMINE,
            Attention.AWAY,
            Attention.STEADY);
    assertThat(PutOff.may(what)).isEqualTo(!never.contains(what));
    if (never.contains(what)) {
      assertThat(new PutOff(Attention.FLARE, AT, UNTIL).holds(what, AT, BEFORE)).isFalse();
    }
  }

  @Test
  void itEndsOnItsDayAndWithWhateverIsNewOrPressesMore() {
    PutOff message = new PutOff(Attention.MESSAGE, AT, UNTIL);
    assertThat(message.holds(Attention.MESSAGE, AT, BEFORE)).isTrue();
    assertThat(message.holds(Attention.MESSAGE, AT, UNTIL)).isFalse();
    assertThat(message.holds(Attention.MESSAGE, AT.plusSeconds(1), BEFORE)).as("new").isFalse();
    assertThat(message.holds(Attention.REVIEW_DUE, AT, BEFORE)).as("presses less").isTrue();
    assertThat(message.holds(Attention.QUIET, AT, BEFORE)).as("presses more").isFalse();
    assertThat(message.holds(Attention.STOPPED, AT, BEFORE)).isFalse();
  }
}
