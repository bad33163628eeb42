package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.biokinet.app.client.Client;
import org.biokinet.app.measurement.MeasurementService;
import org.biokinet.app.overview.OverviewService;
import org.biokinet.app.overview.PracticeView;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.practice.Role;
import org.biokinet.core.measure.Measured;
import org.biokinet.core.session.Ended;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** The practice as a whole: counted by hand, and silent about few. */
class OverviewTest extends AppTest {

  @Autowired private OverviewService overviews;
  @Autowired private MeasurementService measurements;

  private void measured(Me me, Client client, int before, int after) {
    measurements.save(me, client.getId(), new Measured.Pain(before, null, null));
    Instant now = clock.instant();
    clock.moveTo(now.plus(Duration.ofDays(1)));
    measurements.save(me, client.getId(), new Measured.Pain(after, null, null));
    clock.moveTo(now);
  }

  private PracticeView view(Practice practice, int many) throws Exception {
    Me owner = person(practice, Role.OWNER);
    Me me = practitioner(practice);
    List<Client> all = new ArrayList<>();
    for (int n = 0; n < many; n++) {
      Client client = client(me);
      all.add(client);
      measured(me, client, 6, 6 - n);
      share(me, client, "upper-trap-stretch", "2x15s", "chin-tuck", "3x10s");
    }
    LocalDate first = tomorrow();
    for (Client client : all) {
      day(client, first, 4, 3, "0L");
      day(client, first.plusDays(1), 2, 3);
    }
    return overviews.of(owner);
  }

  @Test
  void fiveAreCountedAndFourAreNot() throws Exception {
    PracticeView five = view(practice(), PracticeView.LEAST);
    assertThat(five.clients()).isEqualTo(5);
    assertThat(five.programs())
        .extracting(PracticeView.OfProgram::clients, PracticeView.OfProgram::perWeek)
        .containsExactly(tuple(5L, 0.5));
    assertThat(five.exercises())
        .extracting(
            PracticeView.OfExercise::id,
            PracticeView.OfExercise::clients,
            PracticeView.OfExercise::done,
            PracticeView.OfExercise::leftOut,
            PracticeView.OfExercise::provoked)
        .containsExactly(
            tuple("upper-trap-stretch", 5L, 100, 0, 50), tuple("chin-tuck", 5L, 100, 0, 0));
    assertThat(five.changes())
        .extracting(
            PracticeView.Changed::measure,
            PracticeView.Changed::clients,
            PracticeView.Changed::median)
        .as("of 0, -1, -2, -3, -4")
        .containsExactly(tuple("pain now", 5, -2.0), tuple("pain now", 5, -2.0));

    PracticeView four = view(practice(), PracticeView.LEAST - 1);
    assertThat(four.clients()).isEqualTo(4);
    assertThat(four.programs()).isEmpty();
    assertThat(four.exercises()).isEmpty();
    assertThat(four.changes()).isEmpty();
  }

  @Test
  void howLongStoppedClientsWaitForACall() throws Exception {
    Practice practice = practice();
    Me owner = person(practice, Role.OWNER);
    Me me = practitioner(practice);
    for (int n = 1; n <= 6; n++) {
      Client client = client(me);
      share(me, client, "chin-tuck", "3x10s");
      Instant stopped = clock.instant();
      sessions.record(asClient(client), session(client, stopped, Ended.STOPPED));
      clock.moveTo(stopped.plus(Duration.ofHours(n)));
      if (n < 6) clients.called(me, client.getId(), "Reached");
      clock.moveTo(stopped.plusSeconds(1));
    }
    PracticeView.Stops stops = overviews.of(owner).stops();
    assertThat(stops.stopped()).isEqualTo(6);
    assertThat(stops.called()).isEqualTo(5);
    // A session that is told of came in a moment before it is written down.
    assertThat(stops.median().orElseThrow()).isCloseTo(Duration.ofHours(3), Duration.ofMinutes(1));
    assertThat(stops.longest().orElseThrow()).isCloseTo(Duration.ofHours(5), Duration.ofMinutes(1));
    mvc.perform(as(owner, get("/practice/overview")))
        .andExpect(content().string(containsString("3.0 h at the median, 5.0 h the longest")));
    mvc.perform(as(me, get("/practice/overview"))).andExpect(status().isForbidden());
  }

  @Test
  void whatIsDueIsCountedWhateverElseTheyAreOnTheListFor() {
    Practice practice = practice();
    Me owner = person(practice, Role.OWNER);
    Me me = practitioner(practice);
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    assertThat(overviews.of(owner).reviewsDue()).isZero();
    clock.moveTo(clock.instant().plus(Duration.ofDays(8)));
    Me another = person(practice(), Role.OWNER);
    assertThat(overviews.of(another).clients()).isZero();
    assertThat(standing(client).review()).isEqualTo(Optional.of(tomorrow().minusDays(2)));
  }
}
