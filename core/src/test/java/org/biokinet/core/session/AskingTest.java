package org.biokinet.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.SessionLength;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * When a client is asked what. Handbook, section 10: pain up by 2 or more is asked about within the
 * hour; the morning is the next local day from 04:00 on, within 36 h of the session's end.
 */
class AskingTest {

  private static final ZonedDateTime EVENING = at("2026-11-26T19:00+01:00[Europe/Berlin]");

  private static ZonedDateTime at(String text) {
    return ZonedDateTime.parse(text);
  }

  private static Asking asking(ZonedDateTime now, List<Session> recent, Morning... told) {
    return Asking.of(now, recent, List.of(told), LocalTime.of(4, 0));
  }

  @Test
  void aRiseOfTwoIsAskedAboutUntilItHasSettledOrItsHourIsOver() {
    Session rose = session(EVENING, 2, 4, Optional.empty());
    Asking soon = asking(EVENING.plusMinutes(20), List.of(rose));
    assertThat(soon.settled()).contains(rose);
    assertThat(soon.hourOver()).isFalse();
    // Eight minutes of session and an hour.
    assertThat(asking(EVENING.plusMinutes(68), List.of(rose)).hourOver()).isTrue();
    // Not yet, said within the hour, is not the last word; after it, it is.
    Session notYet = session(EVENING, 2, 4, settled(false, EVENING.plusMinutes(20)));
    assertThat(asking(EVENING.plusMinutes(70), List.of(notYet)).settled()).contains(notYet);
    Session never = session(EVENING, 2, 4, settled(false, EVENING.plusMinutes(70)));
    assertThat(asking(EVENING.plusMinutes(71), List.of(never)).settled()).isEmpty();
    Session over = session(EVENING, 2, 4, settled(true, EVENING.plusMinutes(20)));
    assertThat(asking(EVENING.plusMinutes(21), List.of(over)).settled()).isEmpty();
  }

  @Test
  void nothingIsAskedAboutARiseOfOneOrOfWhatWasNotTold() {
    assertThat(
            asking(EVENING.plusMinutes(20), List.of(session(EVENING, 2, 3, Optional.empty())))
                .settled())
        .isEmpty();
    assertThat(
            asking(EVENING.plusMinutes(20), List.of(session(EVENING, null, 9, Optional.empty())))
                .settled())
        .isEmpty();
  }

  /** The next morning has a question of its own; who trains after midnight is asked a day later. */
  @Test
  void theMorningTakesItsPlace() {
    Session rose = session(EVENING, 2, 6, Optional.empty());
    Asking night = asking(at("2026-11-27T03:59+01:00[Europe/Berlin]"), List.of(rose));
    assertThat(night.settled()).isPresent();
    assertThat(night.morning()).isFalse();
    Asking morning = asking(at("2026-11-27T04:01+01:00[Europe/Berlin]"), List.of(rose));
    assertThat(morning.settled()).isEmpty();
    assertThat(morning.morning()).isTrue();
    ZonedDateTime afterMidnight = at("2026-11-27T00:30+01:00[Europe/Berlin]");
    Session late = session(afterMidnight, 2, 6, Optional.empty());
    assertThat(asking(at("2026-11-27T07:00+01:00[Europe/Berlin]"), List.of(late)).morning())
        .isFalse();
    assertThat(asking(at("2026-11-28T07:00+01:00[Europe/Berlin]"), List.of(late)).morning())
        .isTrue();
  }

  @Test
  void aMorningIsAskedAboutOnceAndNotWhereItIsKnown() {
    ZonedDateTime morning = at("2026-11-27T07:00+01:00[Europe/Berlin]");
    Session evening = session(EVENING, 2, 2, Optional.empty());
    assertThat(asking(morning, List.of(evening)).morning()).isTrue();
    Morning putOff = new Morning(morning.toLocalDate(), Optional.empty(), Optional.empty());
    assertThat(asking(morning, List.of(evening), putOff).morning()).isFalse();
    Session early = session(morning.minusMinutes(30), 3, 3, Optional.empty());
    assertThat(asking(morning, List.of(evening, early)).morning()).isFalse();
    // More than 36 h after it the morning says nothing about it; nor was there one today.
    assertThat(asking(morning.plusDays(1), List.of(evening)).morning()).isTrue();
    assertThat(asking(morning.plusDays(2), List.of(evening)).morning()).isFalse();
    Session today = session(morning.plusHours(1), null, 2, Optional.empty());
    assertThat(asking(morning.plusHours(3), List.of(today)).morning()).isFalse();
  }

  /**
   * By the clock on the wall: over a change of clocks either way, and on both sides of the date.
   */
  @ParameterizedTest
  @CsvSource({
    "2026-10-24T20:00+02:00[Europe/Berlin], 2026-10-25T05:59+01:00[Europe/Berlin], false",
    "2026-10-24T20:00+02:00[Europe/Berlin], 2026-10-25T06:00+01:00[Europe/Berlin], true",
    "2027-03-27T20:00+01:00[Europe/Berlin], 2027-03-28T05:59+02:00[Europe/Berlin], false",
    "2027-03-27T20:00+01:00[Europe/Berlin], 2027-03-28T06:00+02:00[Europe/Berlin], true",
    "2026-11-26T20:00+14:00[Pacific/Kiritimati], 2026-11-27T06:00+14:00[Pacific/Kiritimati], true",
    "2026-11-26T20:00-11:00[Pacific/Pago_Pago], 2026-11-27T06:00-11:00[Pacific/Pago_Pago], true",
    "2026-11-26T20:00-11:00[Pacific/Pago_Pago], 2026-11-26T23:00-11:00[Pacific/Pago_Pago], false"
  })
  void theHourIsTheClients(String trained, String now, boolean asks) {
    Session session = session(at(trained), 2, 2, Optional.empty());
    assertThat(Asking.of(at(now), List.of(session), List.of(), LocalTime.of(6, 0)).morning())
        .isEqualTo(asks);
  }

  private static Optional<Session.Settled> settled(boolean settled, ZonedDateTime at) {
    return Optional.of(new Session.Settled(settled, at.toInstant()));
  }

  private static Session session(
      ZonedDateTime at,
      @org.jspecify.annotations.Nullable Integer before,
      int highest,
      Optional<Session.Settled> settled) {
    CheckIn said =
        new CheckIn(
            Optional.of(highest), Optional.empty(), Map.of(), Set.of(), Set.of(), Map.of(), "");
    int seconds = (int) Duration.ofMinutes(8).toSeconds();
    return new Session(
        ProgramKind.MAIN,
        1,
        Side.LEFT,
        SessionLength.USUAL,
        at.toInstant(),
        at.toLocalDate(),
        Optional.ofNullable(before),
        Ended.FINISHED,
        seconds,
        seconds,
        false,
        "",
        Told.PLAYER,
        List.of(),
        Optional.of(said),
        settled,
        Set.of(),
        List.of());
  }
}
