package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import org.biokinet.app.client.Client;
import org.biokinet.app.practice.Me;
import org.biokinet.app.review.ReviewService;
import org.biokinet.app.session.FollowUpUpload;
import org.biokinet.core.progress.Decision;
import org.biokinet.core.progress.Line;
import org.biokinet.core.progress.Part;
import org.biokinet.core.session.Ended;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.ResultActions;

/** From what a client's device has sent to what a review would decide. */
class DecisionTest extends AppTest {

  @Autowired private ReviewService reviews;

  /** So many days with a session each and the morning after; on the last the left is too much. */
  private void days(Client client, int many) {
    LocalDate first = tomorrow();
    for (int n = 0; n < many - 1; n++) day(client, first.plusDays(n), 2, 3);
    day(client, first.plusDays(many - 1L), 5, 3, "0L");
  }

  private Decision decide(Client client, String part) {
    return reviews.open(client).orElseThrow().review().of(Part.of(part));
  }

  private ResultActions page(Me me, Client client) throws Exception {
    return mvc.perform(as(me, get("/clients/" + client.getId() + "/review/decisions")))
        .andExpect(status().isOk());
  }

  @Test
  void theRecordDecidesSideBySide() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    page(me, client).andExpect(content().string(not(containsString("<table"))));
    share(me, client, "upper-trap-stretch", "2x15s @3");
    days(client, 8);
    assertThat(decide(client, "upper-trap-stretch L").line()).isEqualTo(Line.STAY);
    assertThat(decide(client, "upper-trap-stretch R").line()).isEqualTo(Line.GO_ON);
    page(me, client)
        .andExpect(content().string(containsString("a red day among the last 3")))
        .andExpect(content().string(containsString("2x15s @3 → 2x20s @3")))
        .andExpect(content().string(containsString("8 of 8 days green")))
        .andExpect(content().string(containsString("line 9, go on one rung")));
    Me other = practitioner();
    mvc.perform(as(other, get("/clients/" + client.getId() + "/review/decisions")))
        .andExpect(status().isNotFound());
  }

  /** A stop stops everything, whatever the days before were. */
  @Test
  void aStopStopsUntilSomebodyHasLooked() {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "2x15s @3");
    days(client, 3);
    Instant stopped = clock.instant();
    sessions.record(asClient(client), session(client, stopped, Ended.STOPPED));
    clock.moveTo(stopped.plusSeconds(3600));
    assertThat(decide(client, "upper-trap-stretch R").line()).isEqualTo(Line.STOP);
  }

  /** Pain with which nothing was begun stands in the record, and eases. */
  @Test
  void aStartThatWasRefusedIsEvidence() {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    followUps.recordForm(
        asClient(client),
        FollowUpUpload.start(
            UUID.randomUUID(), 8, clock.instant().atZone(LISBON).toOffsetDateTime()));
    clock.moveTo(clock.instant().plusSeconds(60));
    assertThat(decide(client, "chin-tuck").line()).isEqualTo(Line.EASE);
    assertThat(decide(client, "chin-tuck").evidence())
        .containsExactly("pain of 8 since the last review");
  }
}
