package org.biokinet.core.safety;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Open or closed, and until when. Days are those of the handbook, section 8. */
class GateTest {

  private static final LocalDate DAY = LocalDate.of(2026, 3, 1);

  private static Gate on(
      Optional<Screening> s, boolean stopped, Optional<LocalDate> last, int daysLater) {
    return Gate.of(
        new Gate.Facts(s, DAY, Optional.empty(), stopped, last), DAY.plusDays(daysLater));
  }

  private static Gate calm(int daysLater) {
    return on(Optional.of(AssessmentTest.calm()), false, Optional.empty(), daysLater);
  }

  private static Gate.Why why(Gate gate) {
    return ((Gate.Closed) gate).why();
  }

  @Test
  void closedBeforeAnythingIsKnown() {
    assertThat(why(on(Optional.empty(), false, Optional.empty(), 0)))
        .isEqualTo(Gate.Why.NOT_SCREENED);
  }

  @Test
  void openFor90DaysAndRenewableFromDay76() {
    assertThat(calm(0))
        .isInstanceOfSatisfying(Gate.Open.class, o -> assertThat(o.renewable()).isFalse());
    assertThat(calm(75))
        .isInstanceOfSatisfying(Gate.Open.class, o -> assertThat(o.renewable()).isFalse());
    assertThat(calm(76))
        .isInstanceOfSatisfying(Gate.Open.class, o -> assertThat(o.renewable()).isTrue());
    assertThat(calm(89).open()).isTrue();
    assertThat(why(calm(90))).isEqualTo(Gate.Why.LAPSED);
  }

  @Test
  void closedAfterAStopAndAfter14DaysWithoutASession() {
    Optional<Screening> s = Optional.of(AssessmentTest.calm());
    assertThat(why(on(s, true, Optional.empty(), 1))).isEqualTo(Gate.Why.STOPPED);
    assertThat(on(s, false, Optional.of(DAY), 13).open()).isTrue();
    assertThat(why(on(s, false, Optional.of(DAY), 14))).isEqualTo(Gate.Why.LONG_PAUSE);
    assertThat(on(s, false, Optional.of(DAY.minusDays(40)), 1).open())
        .as("screened again since")
        .isTrue();
    assertThat(why(on(s, false, Optional.of(DAY.minusDays(40)), 14)))
        .as("and again no session")
        .isEqualTo(Gate.Why.LONG_PAUSE);
    assertThat(on(s, false, Optional.empty(), 60).open()).as("never begun").isTrue();
  }

  @Test
  void theWorstReasonIsSaidFirst() {
    Screening s =
        AssessmentTest.with(Set.of(EmergencySign.LEGS), Set.of(RedFlag.FEVER), 9, Map.of());
    assertThat(why(on(Optional.of(s), true, Optional.empty(), 200))).isEqualTo(Gate.Why.EMERGENCY);
    Screening flag = AssessmentTest.with(Set.of(), Set.of(RedFlag.FEVER), 2, Map.of());
    assertThat(why(on(Optional.of(flag), true, Optional.empty(), 200))).isEqualTo(Gate.Why.EXAMINE);
  }

  /** 72 hours since the last contact, and never past the screening's last day. */
  @Test
  void aLeaseEndsWithTheScreening() {
    Gate.Open early = (Gate.Open) calm(10);
    Instant contact = DAY.plusDays(10).atTime(7, 0).toInstant(ZoneOffset.UTC);
    assertThat(early.leaseUntil(contact, ZoneOffset.UTC)).isEqualTo(contact.plus(Gate.LEASE));
    Gate.Open late = (Gate.Open) calm(89);
    Instant lastDay = DAY.plusDays(89).atTime(7, 0).toInstant(ZoneOffset.UTC);
    assertThat(late.leaseUntil(lastDay, ZoneId.of("Europe/Lisbon")))
        .isEqualTo(DAY.plusDays(90).atStartOfDay(ZoneId.of("Europe/Lisbon")).toInstant());
  }
}
