package org.biokinet.core.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.SessionLength;
import org.junit.jupiter.api.Test;

/** What comes in from a device: which clock is believed, and what was not told. Our choices. */
class ArrivingTest {

  private static final Instant SHARED = Instant.parse("2026-11-20T09:00:00Z");
  private static final Instant RECEIVED = Instant.parse("2026-11-26T07:00:00Z");

  private static Began began(Instant told) {
    return Began.of(OffsetDateTime.ofInstant(told, ZoneOffset.ofHours(1)), SHARED, RECEIVED);
  }

  @Test
  void aClockThatIsALittleOffIsBelieved() {
    Instant ahead = RECEIVED.plus(Duration.ofMinutes(10));
    assertThat(began(ahead)).isEqualTo(new Began(ahead, Optional.empty()));
    Instant behind = SHARED.minus(Duration.ofDays(1));
    assertThat(began(behind)).isEqualTo(new Began(behind, Optional.empty()));
    // But nobody did a version before it was there: the gate is asked of that moment.
    assertThat(began(behind).asked(SHARED)).isEqualTo(SHARED);
    assertThat(began(ahead).asked(SHARED)).isEqualTo(ahead);
  }

  @Test
  void aClockThatCannotBeRightIsPutRightAndSaid() {
    for (Instant wrong :
        List.of(
            RECEIVED.plus(Duration.ofMinutes(10)).plusMillis(1),
            SHARED.minus(Duration.ofDays(1)).minusMillis(1))) {
      Began began = began(wrong);
      assertThat(began.at()).isEqualTo(RECEIVED);
      assertThat(began.putRight().orElseThrow()).contains("+01:00");
    }
  }

  @Test
  void theSidesTakeTurnsAndTheFirstBeginsOnTheLeft() {
    assertThat(Lead.next(Optional.empty())).isEqualTo(Side.LEFT);
    assertThat(Lead.next(Optional.of(Side.LEFT))).isEqualTo(Side.RIGHT);
    assertThat(Lead.next(Optional.of(Side.RIGHT))).isEqualTo(Side.LEFT);
  }

  private static Session session(Optional<Integer> before, Optional<CheckIn> said) {
    return new Session(
        ProgramKind.MAIN,
        1,
        Side.LEFT,
        SessionLength.USUAL,
        RECEIVED,
        LocalDate.of(2026, 11, 26),
        before,
        Ended.FINISHED,
        480,
        480,
        false,
        "",
        Told.PLAYER,
        List.of(),
        said,
        Optional.empty(),
        Set.of(),
        List.of());
  }

  @Test
  void whatWasNotToldIsNoZero() {
    CheckIn five =
        new CheckIn(Optional.of(5), Optional.empty(), Map.of(), Set.of(), Set.of(), Map.of(), "");
    assertThat(session(Optional.of(2), Optional.of(five)).rise()).contains(3);
    assertThat(session(Optional.empty(), Optional.of(five)).rise()).isEmpty();
    assertThat(session(Optional.of(2), Optional.empty()).rise()).isEmpty();
    assertThatThrownBy(
            () ->
                new CheckIn(
                    Optional.of(11), Optional.empty(), Map.of(), Set.of(), Set.of(), Map.of(), ""))
        .hasMessageContaining("0 to 10");
  }
}
