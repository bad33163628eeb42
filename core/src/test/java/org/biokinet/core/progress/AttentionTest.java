package org.biokinet.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.screening.Gate;
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

  /** On the day, for who has begun and is not away. */
  @Test
  void aReviewIsDueOnItsDay() {
    Attention.Facts begun = reviewed(Optional.of(YESTERDAY), Attention.Rest.NONE);
    assertThat(Attention.of(begun, NOW.minusMillis(1))).isEqualTo(Attention.STEADY);
    assertThat(Attention.changes(begun, NOW.minusMillis(1))).contains(NOW);
    assertThat(Attention.of(begun, NOW)).isEqualTo(Attention.REVIEW_DUE);
    assertThat(Attention.of(reviewed(Optional.empty(), Attention.Rest.NONE), NOW))
        .isEqualTo(Attention.NOT_STARTED);
    Attention.Rest away =
        new Attention.Rest(
            Optional.empty(),
            Optional.empty(),
            Optional.of(YESTERDAY),
            Optional.of(NOW.plusSeconds(60)));
    assertThat(Attention.of(reviewed(Optional.of(YESTERDAY), away), NOW)).isEqualTo(Attention.AWAY);
  }

  private static Attention.Facts reviewed(Optional<Instant> lastSession, Attention.Rest rest) {
    return new Attention.Facts(
        Optional.empty(),
        Optional.empty(),
        false,
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        Optional.empty(),
        false,
        Optional.empty(),
        lastSession,
        Optional.of(YESTERDAY),
        false,
        true,
        Optional.of(NOW),
        rest,
        Optional.empty(),
        Optional.empty(),
        Attention.Progress.NONE);
  }

  /** What gives each state, without what would give a stronger one. */
  private record Giving(
      boolean stopped,
      Optional<Gate.Why> closed,
      boolean renewable,
      boolean whileClosed,
      boolean mapAsks,
      boolean tooHigh,
      boolean message,
      boolean pin,
      boolean rise,
      boolean quiet,
      boolean notShared,
      boolean draft,
      boolean notOpened,
      boolean notStarted,
      boolean examine,
      boolean flare,
      boolean away,
      boolean due,
      boolean byItself,
      boolean newSymptom,
      boolean reExamine,
      boolean worse,
      boolean returned,
      boolean behind,
      boolean ready,
      boolean deskSilent) {

    static Giving of(Attention a) {
      return new Giving(
          a == Attention.STOPPED,
          switch (a) {
            case EMERGENCY -> Optional.of(Gate.Why.EMERGENCY);
            case EXAMINE -> Optional.of(Gate.Why.EXAMINE);
            case SCREEN -> Optional.of(Gate.Why.LAPSED);
            default -> Optional.empty();
          },
          a == Attention.SCREEN_SOON,
          a == Attention.WHILE_CLOSED,
          a == Attention.MAP_ASKS,
          a == Attention.PAIN_TOO_HIGH,
          a == Attention.MESSAGE,
          a == Attention.NEW_PIN,
          a == Attention.PAIN_ROSE,
          a == Attention.QUIET,
          a == Attention.NO_PROGRAM,
          a == Attention.DRAFT_NOT_SHARED,
          a == Attention.NOT_OPENED,
          a == Attention.NOT_STARTED,
          a == Attention.FLARE_EXAMINE,
          a == Attention.FLARE,
          a == Attention.AWAY,
          a == Attention.REVIEW_DUE,
          a == Attention.BY_ITSELF,
          a == Attention.NEW_SYMPTOM,
          a == Attention.RE_EXAMINE,
          a == Attention.WORSE,
          a == Attention.RETURNED,
          a == Attention.ONE_SIDE,
          a == Attention.READY,
          a == Attention.DESK_SILENT);
    }

    /** Both at once; empty where one excludes the other. */
    Optional<Attention.Facts> with(Giving o) {
      if (closed.isPresent() && o.closed.isPresent()) return Optional.empty();
      if ((renewable || o.renewable) && (closed.isPresent() || o.closed.isPresent())) {
        return Optional.empty();
      }
      if ((quiet || o.quiet || rise || o.rise) && (notStarted || o.notStarted)) {
        return Optional.empty();
      }
      if ((away || o.away) && (quiet || o.quiet || due || o.due)) return Optional.empty();
      if ((due || o.due) && (notStarted || o.notStarted)) return Optional.empty();
      boolean begun = returned || o.returned || ready || o.ready || deskSilent || o.deskSilent;
      if (begun && (notStarted || o.notStarted)) return Optional.empty();
      if ((away || o.away) && (begun || behind || o.behind)) return Optional.empty();
      if ((returned || o.returned) && (quiet || o.quiet)) return Optional.empty();
      // Whoever has not opened the link has not started either, and nothing shared is none of both.
      if ((notOpened || o.notOpened) && (notStarted || o.notStarted)) return Optional.empty();
      boolean ofShared =
          notOpened || o.notOpened || notStarted || o.notStarted || behind || o.behind;
      if ((notShared || o.notShared) && ofShared) return Optional.empty();
      return Optional.of(
          new Attention.Facts(
              at(stopped || o.stopped),
              closed.or(() -> o.closed),
              renewable || o.renewable,
              at(whileClosed || o.whileClosed),
              at(mapAsks || o.mapAsks),
              at(tooHigh || o.tooHigh),
              at(message || o.message),
              pin || o.pin,
              rise || o.rise ? Optional.of(3) : Optional.empty(),
              notStarted || o.notStarted
                  ? Optional.empty()
                  : Optional.of(quiet || o.quiet ? NOW.minus(Duration.ofDays(6)) : YESTERDAY),
              at(!notShared && !o.notShared),
              draft || o.draft,
              !notOpened && !o.notOpened,
              at(due || o.due),
              new Attention.Rest(
                  flare || o.flare
                      ? Optional.of(new Flare(YESTERDAY, 2, Optional.empty(), Optional.empty()))
                      : Optional.empty(),
                  at(examine || o.examine),
                  at(away || o.away),
                  away || o.away ? Optional.of(NOW.plus(Duration.ofDays(1))) : Optional.empty()),
              at(byItself || o.byItself),
              at(newSymptom || o.newSymptom),
              new Attention.Progress(
                  reExamine || o.reExamine,
                  worse || o.worse,
                  ready || o.ready,
                  returned || o.returned,
                  behind || o.behind ? Optional.of(Side.LEFT) : Optional.empty(),
                  deskSilent || o.deskSilent
                      ? Optional.of(NOW.minus(Duration.ofDays(6)))
                      : Optional.empty())));
    }

    private static Optional<Instant> at(boolean yes) {
      return yes ? Optional.of(YESTERDAY) : Optional.empty();
    }
  }

  @Test
  void everyPlaceIsOfOne() {
    for (Attention a : Attention.values()) assertThat(Attention.at(a.place())).isEqualTo(a);
  }

  /** Of any two reasons the one that stands first in the list is said. */
  @Test
  void ofTwoReasonsTheStrongerIsSaid() {
    int pairs = 0;
    for (Attention strong : Attention.values()) {
      for (Attention weak : Attention.values()) {
        if (weak.compareTo(strong) < 0) continue;
        Optional<Attention.Facts> both = Giving.of(strong).with(Giving.of(weak));
        if (both.isEmpty()) continue;
        assertThat(Attention.of(both.get(), NOW)).as(strong + " and " + weak).isEqualTo(strong);
        pairs++;
      }
    }
    assertThat(pairs).isGreaterThan(280);
  }
}
