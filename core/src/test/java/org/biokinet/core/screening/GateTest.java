package org.biokinet.core.screening;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Open or closed, and until when. Days are those of the handbook, section 8. */
class GateTest {

  private static final LocalDate DAY = LocalDate.of(2026, 3, 1);

  private static final Instant NOON = DAY.atTime(12, 0).toInstant(ZoneOffset.UTC);

  private static Answered answered(
      Screening s, Answered.Source source, int minutes, Optional<Clearance> clearance) {
    return new Answered(
        s, NOON.plus(Duration.ofMinutes(minutes)), DAY, source, "okafor", clearance, Set.of());
  }

  private static Answered asked(Screening s, int minutes) {
    return answered(s, Answered.Source.PRACTITIONER, minutes, Optional.empty());
  }

  private static Gate of(Answered... newestFirst) {
    return Gate.of(
        new Gate.Facts(
            false,
            List.of(newestFirst),
            Optional.empty(),
            Optional.empty(),
            false,
            Optional.empty(),
            Optional.empty()),
        DAY);
  }

  private static Gate on(
      Optional<Screening> s, boolean stopped, Optional<LocalDate> last, int daysLater) {
    List<Answered> answered = s.map(x -> List.of(asked(x, 0))).orElse(List.of());
    return Gate.of(
        new Gate.Facts(
            false, answered, Optional.empty(), Optional.empty(), stopped, Optional.empty(), last),
        DAY.plusDays(daysLater));
  }

  private static Screening sign(EmergencySign sign) {
    return AssessmentTest.with(Set.of(sign), Set.of(), 2, Map.of());
  }

  private static Screening flag(RedFlag flag) {
    return AssessmentTest.with(Set.of(), Set.of(flag), 2, Map.of());
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

  /** "Opens only on a recorded medical outcome": a second form is no way round the first. */
  @Test
  void answeringAgainIsNoWayRoundARecord() {
    Screening calm = AssessmentTest.calm();
    Answered electric = asked(sign(EmergencySign.ELECTRIC), 0);
    assertThat(why(of(asked(calm, 60), electric))).isEqualTo(Gate.Why.EMERGENCY);
    assertThat(why(of(asked(calm, 120), asked(calm, 60), electric))).isEqualTo(Gate.Why.EMERGENCY);
    assertThat(why(of(asked(calm, 60), asked(flag(RedFlag.FEVER), 0)))).isEqualTo(Gate.Why.EXAMINE);
    Answered recorded =
        answered(calm, Answered.Source.PRACTITIONER, 60, Optional.of(AssessmentTest.EXAMINED));
    assertThat(why(of(recorded, electric))).as("no doctor asked").isEqualTo(Gate.Why.EMERGENCY);
    Answered medical =
        answered(calm, Answered.Source.PRACTITIONER, 60, Optional.of(AssessmentTest.MEDICAL));
    assertThat(of(medical, electric).open()).isTrue();
    assertThat(of(asked(calm, 120), medical, electric).open()).as("settled by then").isTrue();
    Answered settled =
        answered(
            sign(EmergencySign.ELECTRIC),
            Answered.Source.PRACTITIONER,
            0,
            Optional.of(AssessmentTest.MEDICAL));
    assertThat(of(asked(calm, 60), settled).open()).isTrue();
  }

  /** Our choice: ten minutes, one's own tick only, nothing that a client has answered. */
  @Test
  void aSlipOfOnesOwnIsPutRightAtOnce() {
    Screening calm = AssessmentTest.calm();
    Answered slip = asked(sign(EmergencySign.LEGS), 0);
    assertThat(of(asked(calm, 10), slip).open()).isTrue();
    assertThat(of(asked(calm, 11), slip).open()).isFalse();
    Answered others =
        new Answered(
            calm,
            NOON.plusSeconds(60),
            DAY,
            Answered.Source.PRACTITIONER,
            "somebody else",
            Optional.empty(),
            Set.of());
    assertThat(of(others, slip).open()).isFalse();
    Answered atHome =
        answered(sign(EmergencySign.LEGS), Answered.Source.BEFORE_VISIT, 0, Optional.empty());
    assertThat(why(of(asked(calm, 5), atHome))).isEqualTo(Gate.Why.EMERGENCY);
    assertThat(why(of(asked(calm, 5), slip, atHome)))
        .as("what stood before the slip stands still")
        .isEqualTo(Gate.Why.EMERGENCY);
  }

  @Test
  void somethingNewIsSettledByAskingEverything() {
    Answered news = answered(flag(RedFlag.NEWS), Answered.Source.RENEWAL, 0, Optional.empty());
    assertThat(why(of(news))).isEqualTo(Gate.Why.EXAMINE);
    assertThat(of(asked(AssessmentTest.calm(), 60), news).open()).isTrue();
    assertThat(
            of(answered(AssessmentTest.calm(), Answered.Source.RENEWAL, 60, Optional.empty()), news)
                .open())
        .as("not by the client alone")
        .isFalse();
  }

  @Test
  void whatWasAnsweredAtHomeIsConfirmed() {
    Answered home =
        answered(AssessmentTest.calm(), Answered.Source.BEFORE_VISIT, 0, Optional.empty());
    assertThat(why(of(home))).isEqualTo(Gate.Why.TO_CONFIRM);
    assertThat(of(asked(AssessmentTest.calm(), 600), home).open()).isTrue();
  }

  /** "Re-screening: due after … a stop". */
  @Test
  void aStopAsksForAScreening() {
    Answered before = asked(AssessmentTest.calm(), 0);
    Gate dealtWith =
        Gate.of(
            new Gate.Facts(
                false,
                List.of(before),
                Optional.empty(),
                Optional.of(NOON.plusSeconds(60)),
                false,
                Optional.empty(),
                Optional.of(DAY)),
            DAY);
    assertThat(why(dealtWith)).isEqualTo(Gate.Why.AFTER_STOP);
    Gate since =
        Gate.of(
            new Gate.Facts(
                false,
                List.of(asked(AssessmentTest.calm(), 2), before),
                Optional.empty(),
                Optional.of(NOON.plusSeconds(60)),
                false,
                Optional.empty(),
                Optional.of(DAY)),
            DAY);
    assertThat(since.open()).isTrue();
  }

  @Test
  void nothingGoesOnForWhoIsArchived() {
    Gate gate =
        Gate.of(
            new Gate.Facts(
                true,
                List.of(asked(AssessmentTest.calm(), 0)),
                Optional.empty(),
                Optional.empty(),
                false,
                Optional.empty(),
                Optional.empty()),
            DAY);
    assertThat(why(gate)).isEqualTo(Gate.Why.ARCHIVED);
  }

  /** A new episode asks everything again, and is no way round what stands open. */
  @Test
  void aNewEpisodeOpensNothing() {
    assertThat(why(since(60, asked(AssessmentTest.calm(), 0)))).isEqualTo(Gate.Why.NOT_SCREENED);
    assertThat(why(since(60, asked(sign(EmergencySign.LEGS), 0)))).isEqualTo(Gate.Why.EMERGENCY);
    assertThat(why(since(60, asked(AssessmentTest.calm(), 90), asked(sign(EmergencySign.LEGS), 0))))
        .isEqualTo(Gate.Why.EMERGENCY);
    assertThat(since(60, asked(AssessmentTest.calm(), 90), asked(AssessmentTest.calm(), 0)).open())
        .isTrue();
  }

  private static Gate since(int minutes, Answered... newestFirst) {
    return Gate.of(
        new Gate.Facts(
            false,
            List.of(newestFirst),
            Optional.of(NOON.plus(Duration.ofMinutes(minutes))),
            Optional.empty(),
            false,
            Optional.empty(),
            Optional.empty()),
        DAY);
  }

  /**
   * "After a pause of 14 days or more a renewal opens only re-entry doses" until somebody looks.
   */
  @Test
  void whoRenewsAfterAPauseBeginsAgainSmaller() {
    Answered first = asked(AssessmentTest.calm(), 0);
    Answered renewed =
        answered(AssessmentTest.calm(), Answered.Source.AFTER_PAUSE, 60, Optional.empty());
    assertThat(reEntry(Optional.empty(), renewed, first)).isTrue();
    assertThat(reEntry(Optional.of(renewed.at().plusSeconds(1)), renewed, first))
        .as("a practitioner has looked")
        .isFalse();
    assertThat(reEntry(Optional.of(first.at()), renewed, first)).as("looked before").isTrue();
    Answered again = answered(AssessmentTest.calm(), Answered.Source.RENEWAL, 90, Optional.empty());
    assertThat(reEntry(Optional.empty(), again, renewed, first)).as("renewed once more").isTrue();
    assertThat(reEntry(Optional.empty(), asked(AssessmentTest.calm(), 120), renewed, first))
        .as("screened by a practitioner")
        .isFalse();
    assertThat(reEntry(Optional.empty(), first)).isFalse();
  }

  private static boolean reEntry(Optional<Instant> lookedAt, Answered... newestFirst) {
    Gate gate =
        Gate.of(
            new Gate.Facts(
                false,
                List.of(newestFirst),
                Optional.empty(),
                Optional.empty(),
                false,
                lookedAt,
                Optional.empty()),
            DAY);
    return ((Gate.Open) gate).beginning() == Beginning.RE_ENTRY;
  }

  /** A later screening with "none of these" does not take off what a cleared sign has left on. */
  @Test
  void whatASignLeavesOnStaysUntilAPractitionerEndsIt() {
    Screening shocks = sign(EmergencySign.ELECTRIC);
    Answered then =
        answered(shocks, Answered.Source.PRACTITIONER, 0, Optional.of(AssessmentTest.MEDICAL));
    Answered later = asked(AssessmentTest.calm(), 60);
    Answered muchLater = asked(AssessmentTest.calm(), 120);
    assertThat(inForce(muchLater, later, then)).containsExactly(Condition.CORD);
    Answered ending =
        new Answered(
            AssessmentTest.calm(),
            NOON.plus(Duration.ofHours(3)),
            DAY,
            Answered.Source.PRACTITIONER,
            "okafor",
            Optional.empty(),
            Set.of(Condition.CORD));
    assertThat(inForce(ending, muchLater, later, then)).isEmpty();
    assertThat(inForce(asked(AssessmentTest.calm(), 240), ending, then)).isEmpty();
    Answered slip = asked(shocks, 0);
    assertThat(inForce(asked(AssessmentTest.calm(), 5), slip))
        .as("one's own slip, put right within minutes")
        .isEmpty();
    Answered byClient =
        new Answered(
            AssessmentTest.calm(),
            NOON.plus(Duration.ofHours(3)),
            DAY,
            Answered.Source.RENEWAL,
            "",
            Optional.empty(),
            Set.of(Condition.CORD));
    assertThat(inForce(byClient, then)).as("a client ends nothing").contains(Condition.CORD);
  }

  private static Set<Condition> inForce(Answered... newestFirst) {
    return of(newestFirst).answers().orElseThrow().inForce().keySet();
  }

  /** What was recorded about is no slip: the rows that the sign has left on stay. */
  @Test
  void whatHasARecordIsNoSlip() {
    Answered recorded =
        answered(
            sign(EmergencySign.ELECTRIC),
            Answered.Source.PRACTITIONER,
            0,
            Optional.of(AssessmentTest.MEDICAL));
    List<Answered> corrected = List.of(asked(AssessmentTest.calm(), 5), recorded);
    assertThat(Answered.leftOn(corrected)).isNotEmpty();
    List<Answered> slip =
        List.of(asked(AssessmentTest.calm(), 5), asked(sign(EmergencySign.ELECTRIC), 0));
    assertThat(Answered.leftOn(slip)).isEmpty();
  }

  /** A client who renews says nothing of the arm; what was known of it still limits. */
  @Test
  void armSymptomsAreCarriedByARenewal() {
    Screening arm = AssessmentTest.calm().with(Set.of(), Set.of(), true);
    Answered renewal =
        answered(AssessmentTest.calm(), Answered.Source.RENEWAL, 60, Optional.empty());
    assertThat(Answered.inForce(List.of(renewal, asked(arm, 0))).armSymptoms()).isTrue();
    assertThat(Answered.inForce(List.of(renewal, asked(AssessmentTest.calm(), 0))).armSymptoms())
        .isFalse();
  }

  /** Who is told when time changes a gate misses no change: day after day, for two hundred days. */
  @Test
  void noDayOnWhichTheGateChangesIsMissed() {
    for (int lastSession = -20; lastSession < 100; lastSession += 7) {
      Gate.Facts facts =
          new Gate.Facts(
              false,
              List.of(asked(AssessmentTest.calm(), 0)),
              Optional.empty(),
              Optional.empty(),
              false,
              Optional.empty(),
              Optional.of(DAY.plusDays(lastSession)));
      for (int day = 0; day < 200; day++) {
        LocalDate today = DAY.plusDays(day);
        Gate now = Gate.of(facts, today);
        LocalDate changes = Gate.changes(facts, today).orElse(LocalDate.MAX);
        assertThat(changes).isAfter(today);
        for (LocalDate d = today.plusDays(1);
            d.isBefore(changes) && d.isBefore(DAY.plusDays(200)); ) {
          assertThat(Gate.of(facts, d)).as("%s, last %d", d, lastSession).isEqualTo(now);
          d = d.plusDays(1);
        }
      }
    }
  }
}
