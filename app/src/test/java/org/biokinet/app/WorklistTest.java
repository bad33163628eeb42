package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.biokinet.app.client.Client;
import org.biokinet.app.platform.Days;
import org.biokinet.app.practice.Me;
import org.biokinet.app.worklist.LaterService;
import org.biokinet.app.worklist.WorklistService;
import org.biokinet.core.progress.Attention;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Whom to call first. */
class WorklistTest extends AppTest {

  @Autowired private LaterService later;

  @Test
  void oneReasonAloneAndHowManyThereAreOfEach() throws Exception {
    Me me = practitioner();
    client(me);
    for (int n = 0; n < 2; n++) share(me, client(me), "chin-tuck", "3x10s");
    assertThat(worklist.reasons(me, false))
        .containsExactly(
            new WorklistService.Reason(Attention.NO_PROGRAM, "No program", 1),
            new WorklistService.Reason(Attention.NOT_OPENED, "Not opened", 2));
    assertThat(worklist.wanting(me, false, Optional.of(Attention.NOT_OPENED), 0, 10))
        .extracting(WorklistService.Row::attention)
        .containsExactly(Attention.NOT_OPENED, Attention.NOT_OPENED);
    assertThat(worklist.wanting(me, false, Optional.empty(), 0, 10)).hasSize(3);
    mvc.perform(as(me, get("/?reason=NOT_OPENED")))
        .andExpect(content().string(containsString("3 want you")))
        .andExpect(content().string(containsString("Not opened 2")))
        .andExpect(content().string(not(containsString("Nothing prescribed yet"))));
    mvc.perform(as(me, get("/?reason=nonsense"))).andExpect(status().isBadRequest());
    Me elsewhere = practitioner();
    assertThat(worklist.reasons(elsewhere, false)).isEmpty();
  }

  /** Who was dealt with meanwhile is not looked for in vain. */
  @Test
  void whereNobodyIsLeftOfOneReasonThereIsAWayBack() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    mvc.perform(as(me, get("/?reason=NO_PROGRAM")))
        .andExpect(content().string(containsString("Nothing prescribed yet")));
    share(me, client, "chin-tuck", "3x10s");
    mvc.perform(as(me, get("/?reason=NO_PROGRAM")))
        .andExpect(content().string(containsString("Nobody is here for that any more")))
        .andExpect(content().string(containsString("All 1")));
  }

  private Optional<LaterService.Fault> putOff(
      Me me, Client client, Attention seen, LocalDate until, String reason) {
    return later.putOff(me, client.getId(), seen, until, reason);
  }

  private List<Attention> wanting(Me me) {
    return worklist.wanting(me, false, Optional.empty(), 0, 10).stream()
        .map(WorklistService.Row::attention)
        .toList();
  }

  private void raise(Client client, Attention as) {
    atOneMoment.executeWithoutResult(one -> clients.raise(client.getId(), as, "something"));
  }

  @Test
  void whoIsPutOffIsBackOnTheDay() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    String path = "/clients/%s/later".formatted(client.getId());
    LocalDate until = tomorrow().plusDays(2);
    mvc.perform(as(me, get(path)))
        .andExpect(content().string(containsString("value=\"%s\"".formatted(until))));
    mvc.perform(
            as(me, post(path))
                .param("was", "NO_PROGRAM")
                .param("until", until.toString())
                .param("reason", " waits for the scan "))
        .andExpect(redirectedUrl("/"));
    assertThat(wanting(me)).isEmpty();
    assertThat(worklist.reasons(me, false)).isEmpty();
    assertThat(worklist.steady(me, false, 0, 10)).isEmpty();
    String words = "Later, on %s: waits for the scan".formatted(Days.day(until));
    assertThat(worklist.later(me, false, 0, 10))
        .extracting(WorklistService.Row::word, WorklistService.Row::reason)
        .containsExactly(tuple("No program", words));
    mvc.perform(as(me, get("/"))).andExpect(content().string(containsString("1 later")));
    clock.moveTo(until.atStartOfDay(LISBON).toInstant().minusSeconds(1));
    assertThat(wanting(me)).isEmpty();
    clock.moveTo(until.atStartOfDay(LISBON).toInstant());
    assertThat(wanting(me)).containsExactly(Attention.NO_PROGRAM);
    assertThat(worklist.later(me, false, 0, 10)).isEmpty();
  }

  @Test
  void whateverIsNewOrPressesMoreBringsThemBack() {
    Me me = practitioner();
    Client client = client(me);
    raise(client, Attention.MESSAGE);
    assertThat(putOff(me, client, Attention.MESSAGE, tomorrow(), "asked back")).isEmpty();
    assertThat(wanting(me)).isEmpty();
    clock.moveTo(clock.instant().plusSeconds(60));
    raise(client, Attention.MESSAGE);
    assertThat(wanting(me)).as("another message").containsExactly(Attention.MESSAGE);
    assertThat(putOff(me, client, Attention.MESSAGE, tomorrow(), "asked back")).isEmpty();
    clock.moveTo(clock.instant().plusSeconds(60));
    raise(client, Attention.STOPPED);
    assertThat(wanting(me)).containsExactly(Attention.STOPPED);
  }

  @Test
  void whoWasStoppedIsNotPutOffAndWhatIsWrongIsSaid() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    LocalDate first = tomorrow();
    assertThat(putOff(me, client, Attention.NO_PROGRAM, first.minusDays(1), "why"))
        .containsInstanceOf(LaterService.Fault.Day.class);
    assertThat(putOff(me, client, Attention.NO_PROGRAM, first.plusDays(28), "why"))
        .containsInstanceOf(LaterService.Fault.Day.class);
    assertThat(putOff(me, client, Attention.NO_PROGRAM, first, "  "))
        .containsInstanceOf(LaterService.Fault.Reason.class);
    assertThat(putOff(me, client, Attention.NO_PROGRAM, first, "x".repeat(201)))
        .containsInstanceOf(LaterService.Fault.Reason.class);
    assertThat(putOff(me, client, Attention.MESSAGE, first, "why"))
        .containsInstanceOf(LaterService.Fault.Overtaken.class);
    String path = "/clients/%s/later".formatted(client.getId());
    mvc.perform(
            as(me, post(path))
                .param("was", "NO_PROGRAM")
                .param("until", first.minusDays(1).toString())
                .param("reason", "waits for the scan"))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("waits for the scan")))
        .andExpect(content().string(containsString("From " + Days.day(first))));
    raise(client, Attention.STOPPED);
    assertThat(putOff(me, client, Attention.STOPPED, first, "why"))
        .containsInstanceOf(LaterService.Fault.MayNotWait.class);
    mvc.perform(as(me, get(path)))
        .andExpect(content().string(containsString("does not wait")))
        .andExpect(content().string(not(containsString("later-why"))));
    assertThat(wanting(me)).containsExactly(Attention.STOPPED);
    // The last day and the longest reason are allowed.
    Client other = client(me);
    assertThat(putOff(me, other, Attention.NO_PROGRAM, first.plusDays(27), "x".repeat(200)))
        .isEmpty();
  }

  @Test
  void whoWasPutOffIsBroughtBackAtOnce() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    String path = "/clients/%s/later".formatted(client.getId());
    assertThat(putOff(me, client, Attention.NO_PROGRAM, tomorrow(), "why")).isEmpty();
    mvc.perform(as(me, get(path)))
        .andExpect(content().string(containsString("Back on the list now")));
    for (int n = 0; n < 2; n++) {
      mvc.perform(as(me, post(path + "/end"))).andExpect(redirectedUrl("/"));
      assertThat(wanting(me)).containsExactly(Attention.NO_PROGRAM);
    }
  }
}
