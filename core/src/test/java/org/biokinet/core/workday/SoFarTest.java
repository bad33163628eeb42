package org.biokinet.core.workday;

import static org.assertj.core.api.Assertions.assertThat;
import static org.biokinet.core.workday.BreakPlanTest.at;
import static org.biokinet.core.workday.BreakPlanTest.day;
import static org.biokinet.core.workday.BreakPlanTest.span;
import static org.biokinet.core.workday.BreakPlanTest.spans;
import static org.biokinet.core.workday.BreakPlanTest.times;

import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import org.biokinet.core.calendar.Span;
import org.junit.jupiter.api.Test;

/** A morning from 9 to 12 with breaks planned at 09:44, 10:30 and 11:15, and what becomes of it. */
class SoFarTest {

  private static final List<Instant> PLANNED = List.of(at("9:44"), at("10:30"), at("11:15"));

  private static SoFar morning(String now, List<Span> had, Moment... told) {
    return new SoFar(
        day(spans("9:00-12:00"), List.of()),
        BreakWish.USUAL,
        at(now),
        had,
        Arrays.asList(told),
        PLANNED);
  }

  private static Moment moment(Moment.Kind kind, String at) {
    return new Moment(kind, at(at));
  }

  private static List<String> rest(SoFar soFar) {
    return times(BreakPlan.of(soFar.situation()));
  }

  private static List<SoFar.State> states(SoFar soFar) {
    return PLANNED.stream().map(soFar::state).toList();
  }

  @Test
  void aDayThatGoesAsPlannedStaysAsItIs() {
    assertThat(rest(morning("9:00", List.of()))).containsExactly("09:44", "10:30", "11:15");
    SoFar done = morning("9:50", List.of(), moment(Moment.Kind.HAD, "9:45"));
    assertThat(rest(done)).containsExactly("10:30", "11:15");
    assertThat(states(done))
        .containsExactly(SoFar.State.DONE, SoFar.State.COMING, SoFar.State.COMING);
  }

  /** Nobody said anything: nothing is asked again, and nothing is called done. */
  @Test
  void whatNobodySpokeOfIsTakenAsHad() {
    SoFar later = morning("10:00", List.of());
    assertThat(states(later).get(0)).isEqualTo(SoFar.State.PASSED);
    assertThat(rest(later)).containsExactly("10:30", "11:15");
    assertThat(later.breaksHad()).isEmpty();
    assertThat(states(morning("9:46", List.of())).get(0)).isEqualTo(SoFar.State.NOW);
    assertThat(states(morning("9:49", List.of())).get(0)).isEqualTo(SoFar.State.PASSED);
  }

  @Test
  void inAMoment() {
    SoFar later = morning("9:46", List.of(), moment(Moment.Kind.LATER, "9:46"));
    assertThat(states(later).get(0)).isEqualTo(SoFar.State.NOT_HAD);
    assertThat(rest(later)).containsExactly("09:51", "10:30", "11:15");
  }

  /** Put off and then had: the first one was not, and it is one break. */
  @Test
  void putOffAndThenHad() {
    SoFar had =
        new SoFar(
            day(spans("9:00-12:00"), List.of()),
            BreakWish.USUAL,
            at("9:55"),
            List.of(),
            List.of(moment(Moment.Kind.LATER, "9:46"), moment(Moment.Kind.HAD, "9:51")),
            List.of(at("9:44"), at("9:51"), at("10:30")));
    assertThat(had.state(at("9:44"))).isEqualTo(SoFar.State.NOT_HAD);
    assertThat(had.state(at("9:51"))).isEqualTo(SoFar.State.DONE);
    assertThat(had.breaksHad()).hasSize(1);
  }

  /** 20 minutes is the least there is between two. */
  @Test
  void leftOut() {
    assertThat(rest(morning("9:46", List.of(), moment(Moment.Kind.SKIPPED, "9:46"))))
        .containsExactly("10:06", "10:30", "11:15");
  }

  /** Who is in something is asked ten minutes later. */
  @Test
  void notAnswered() {
    SoFar missed = morning("9:50", List.of(), moment(Moment.Kind.MISSED, "9:49"));
    assertThat(states(missed).get(0)).isEqualTo(SoFar.State.NOT_HAD);
    assertThat(rest(missed)).containsExactly("09:59", "10:30", "11:15");
  }

  /** A desk program that was done early is a break; the next one is 45 minutes after it. */
  @Test
  void hadEarly() {
    SoFar early = morning("9:25", List.of(span("9:20-9:22")));
    assertThat(early.breaksHad()).containsExactly(span("9:20-9:22"));
    assertThat(BreakPlan.of(early.situation()).sittings())
        .allMatch(s -> s.minutes() <= 45)
        .first()
        .isEqualTo(span("9:00-9:20"));
  }

  /** The desk program is done where the tap said "now": one break, not two. */
  @Test
  void toldTwiceIsHadOnce() {
    SoFar twice = morning("9:50", List.of(span("9:45-9:47")), moment(Moment.Kind.HAD, "9:45"));
    assertThat(twice.breaksHad()).containsExactly(span("9:45-9:47"));
    assertThat(twice.situation().wish().number()).isEqualTo(BreakWish.USUAL.number() - 1);
  }

  /**
   * What was put off to 09:50 is one break with it; what was left out is one, and so is an extra.
   */
  @Test
  void whatIsPutOffIsCountedOnce() {
    Moment later = moment(Moment.Kind.LATER, "9:45");
    Moment had = moment(Moment.Kind.HAD, "9:51");
    List<Instant> replanned = List.of(at("9:44"), at("9:50"), at("10:30"), at("11:15"));
    SoFar day = morning("12:00", List.of(), later, had);
    assertThat(day.state(at("9:44"))).isEqualTo(SoFar.State.NOT_HAD);
    assertThat(day.number(replanned)).isEqualTo(3);
    assertThat(day.breaksHad()).hasSize(1);
    SoFar skipped =
        morning("12:00", List.of(span("9:10-9:12")), moment(Moment.Kind.SKIPPED, "9:45"));
    assertThat(skipped.number(PLANNED)).isEqualTo(4);
    assertThat(morning("12:00", List.of()).number(PLANNED)).isEqualTo(3);
  }
}
