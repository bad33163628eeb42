package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.flash;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import jakarta.servlet.http.Cookie;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import org.biokinet.app.client.Client;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.program.DraftService;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.app.session.SessionUpload;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.DraftItem;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.progress.Attention;
import org.biokinet.core.session.Ended;
import org.hamcrest.Matchers;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.ResultActions;

/** Shared versions beside each other, and back to one of them. */
class VersionTest extends AppTest {

  private static String path(Client client) {
    return "/clients/%s/versions".formatted(client.getId());
  }

  private DraftService.State state(Me me, Client client) {
    return drafts.state(me, client.getId(), ProgramKind.MAIN);
  }

  /** The second version has more on the right and a chin tuck less. */
  private Client twice(Me me) {
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "2x15s @3", "chin-tuck", "3x5s");
    DraftService.State now = state(me, client);
    drafts.edit(
        me,
        client.getId(),
        ProgramKind.MAIN,
        0,
        new DraftEdit.SetDose(now.draft().items().get(0).key(), "L 2x15s R 3x20s @3"));
    drafts.edit(
        me,
        client.getId(),
        ProgramKind.MAIN,
        1,
        new DraftEdit.Remove(now.draft().items().get(1).key()));
    drafts.share(me, client.getId(), ProgramKind.MAIN, 2, "It is only a test.");
    return client;
  }

  @Test
  void whatIsDifferentIsSaidWithItsSide() throws Exception {
    Me me = practitioner();
    Client client = twice(me);
    mvc.perform(as(me, get(path(client))))
        .andExpect(status().isOk())
        .andExpect(content().string(Matchers.containsString("2x15s @3 → 3x20s @3")))
        .andExpect(content().string(Matchers.containsString("class=\"side-R\">R</b>")))
        .andExpect(content().string(Matchers.containsString("+30 s a day")))
        .andExpect(content().string(Matchers.containsString("Chin tuck")))
        .andExpect(content().string(Matchers.containsString("left 30 to 30 s, right 30 to 60 s")));
    mvc.perform(as(me, get(path(client))).param("from", "2").param("to", "1"))
        .andExpect(content().string(Matchers.containsString("−30 s a day")));
    mvc.perform(as(me, get(path(client))).param("from", "1").param("to", "1"))
        .andExpect(content().string(Matchers.containsString("Nothing is different.")));
    mvc.perform(as(me, get(path(client))).param("from", "1").param("to", "3"))
        .andExpect(status().isNotFound());
    mvc.perform(as(me, get(path(client))).param("program", "DESK"))
        .andExpect(status().isNotFound());
  }

  @Test
  void anOlderVersionIsTakenBackAsADraftAndOneUndoTakesThatOut() throws Exception {
    Me me = practitioner();
    Client client = twice(me);
    mvc.perform(as(me, post(path(client) + "/1/back")).param("seq", "0"))
        .andExpect(redirectedUrl("/clients/%s/plan?program=MAIN".formatted(client.getId())));
    assertThat(state(me, client).draft().items())
        .extracting(DraftItem::dose)
        .containsExactly("2x15s @3", "3x5s");
    assertThat(versions.all(client.getId())).as("nothing is shared by it").hasSize(2);
    drafts.undo(me, client.getId(), ProgramKind.MAIN, 1);
    assertThat(state(me, client).draft().items()).hasSize(1);
    mvc.perform(as(me, post(path(client) + "/9/back")).param("seq", "0"))
        .andExpect(status().isNotFound());
  }

  /** A word of the practitioner's, and what is different, in plain words on the client's page. */
  @Test
  void theClientReadsWhatIsNewAndWhatThePractitionerSays() throws Exception {
    Me me = practitioner();
    Client client = twice(me);
    Cookie device = device(me, client);
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(Matchers.containsString("No longer: Chin tuck")))
        .andExpect(content().string(Matchers.containsString("3 holds of 20 s on the right")))
        .andExpect(content().string(Matchers.not(Matchers.containsString("“"))));
    mvc.perform(
            as(me, post("/clients/%s/plan/set".formatted(client.getId())))
                .param("seq", "0")
                .param("what", "note")
                .param("value", "  Well done: <b>slowly</b> on. "))
        .andExpect(content().string(Matchers.containsString(">Well done: &lt;b&gt;slowly")));
    drafts.share(me, client.getId(), ProgramKind.MAIN, 1, "It is only a test.");
    assertThat(versions.all(client.getId()).get(2).note())
        .isEqualTo("Well done: <b>slowly</b> on.");
    assertThat(state(me, client).draft().note()).as("said once").isEmpty();
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(Matchers.containsString("“Well done: &lt;b&gt;slowly")))
        .andExpect(content().string(Matchers.not(Matchers.containsString("No longer"))));
  }

  private ResultActions withdraw(Me me, Client client, int number, String why) throws Exception {
    return mvc.perform(
        as(me, post(path(client) + "/%d/withdraw".formatted(number))).param("why", why));
  }

  /** Nothing of it starts, wherever it is asked; what comes in all the same is put forward. */
  @Test
  void aWithdrawnVersionIsInForceNowhere() throws Exception {
    Me me = practitioner();
    Client client = twice(me);
    Cookie device = device(me, client);
    SessionUpload late = session(client, clock.instant(), Ended.FINISHED);
    withdraw(me, client, 2, " ")
        .andExpect(flash().attribute("withdrawError", Matchers.startsWith("Say why")));
    assertThat(versions.latest(client, ProgramKind.MAIN)).isPresent();
    withdraw(me, client, 1, "An older one.")
        .andExpect(flash().attribute("withdrawError", Matchers.startsWith("It is not in force")));
    withdraw(me, client, 2, "We wait for the <scan>.");
    assertThat(versions.latest(client, ProgramKind.MAIN)).as("not the older one either").isEmpty();
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(Matchers.containsString("“We wait for the &lt;scan&gt;.”")))
        .andExpect(content().string(Matchers.containsString("555 0100")));
    mvc.perform(get("/me/player?pain=2").cookie(device)).andExpect(redirectedUrl("/me/today"));
    mvc.perform(
            get("/me/may-start")
                .param("client", client.getId().toString())
                .param("version", "2")
                .param("pain", "2")
                .param("length", "USUAL")
                .param("beginning", "AS_SHARED")
                .cookie(device))
        .andExpect(content().string("{\"may\":false}"));
    assertThat(standing(client).attention()).isEqualTo(Attention.NO_PROGRAM);
    sessions.record(asClient(client), startedNow(late));
    assertThat(standing(client).attention()).isEqualTo(Attention.WHILE_CLOSED);
    mvc.perform(as(me, get("/clients/%s/do".formatted(client.getId()))))
        .andExpect(content().string(Matchers.containsString("We wait for the &lt;scan&gt;.")))
        .andExpect(content().string(Matchers.containsString("version 2 had been withdrawn")));
    mvc.perform(as(me, get("/clients/%s/plan".formatted(client.getId()))))
        .andExpect(content().string(Matchers.containsString("Version 2 was withdrawn.")))
        .andExpect(content().string(Matchers.not(Matchers.containsString("Version 2 is shared"))));
    withdraw(me, client, 2, "Twice.")
        .andExpect(flash().attribute("withdrawError", Matchers.startsWith("It is not in force")));
  }

  /** What a page that was open before has done. */
  private SessionUpload startedNow(SessionUpload of) {
    return new SessionUpload(
        of.uploadId(),
        null,
        of.program(),
        of.version(),
        of.lead(),
        of.length(),
        null,
        null,
        null,
        OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC),
        of.zone(),
        of.painBefore(),
        of.ended(),
        of.reason(),
        of.done(),
        null,
        null);
  }

  /** The other program goes on, and says what was taken back. */
  @Test
  void theOtherProgramGoesOnAndANewVersionComesInItsPlace() throws Exception {
    Me me = practitioner();
    Client client = twice(me);
    tryToShare(me, client, ProgramKind.DESK, "neck-rotation", "3");
    Cookie device = device(me, client);
    withdraw(me, client, 2, "Too much for now.");
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(Matchers.containsString("Active neck rotation")))
        .andExpect(content().string(Matchers.containsString("Main program was taken back.")));
    assertThat(share(me, client, "chin-tuck", "3x5s").number()).isEqualTo(3);
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(Matchers.containsString("Chin tuck")))
        .andExpect(content().string(Matchers.not(Matchers.containsString("taken back"))));
  }

  /** Two who withdraw at once: it happens once, and the other is told. */
  @Test
  void twoWithdrawAtOnce() throws Exception {
    Me me = practitioner();
    Client client = twice(me);
    ProgramVersion.Name name = new ProgramVersion.Name(ProgramKind.MAIN, 2);
    AtomicInteger done = new AtomicInteger();
    atOnce(
        3,
        () -> {
          if (drafts.withdraw(me, client.getId(), name, "why")) done.incrementAndGet();
        });
    assertThat(done.get()).isEqualTo(1);
  }

  /** What somebody else has written in between is not replaced unseen. */
  @Test
  void aDraftThatSomebodyElseIsInStays() throws Exception {
    Practice practice = practice();
    Me me = practitioner(practice);
    Client client = twice(me);
    Me other = practitioner(practice);
    drafts.edit(
        other, client.getId(), ProgramKind.MAIN, 0, new DraftEdit.Add("x", "shoulder-roll", "5"));
    mvc.perform(as(me, post(path(client) + "/1/back")).param("seq", "0"))
        .andExpect(status().isConflict())
        .andExpect(content().string(Matchers.containsString("has changed the draft")));
    assertThat(state(me, client).draft().items())
        .extracting(DraftItem::exercise)
        .contains("shoulder-roll");
  }

  /** What is taken back is asked for like anything else before it is shared. */
  @Test
  void whatTheScreeningHasLockedSinceIsNotSharedAgain() throws Exception {
    Me me = practitioner();
    Client client = twice(me);
    screen(me, client, Set.of(), Set.of(), Set.of("headache"));
    drafts.edit(
        me, client.getId(), ProgramKind.MAIN, 0, new DraftEdit.Add("t", "chin-tuck", "3x10s"));
    assertThat(drafts.share(me, client.getId(), ProgramKind.MAIN, 1, "It is only a test."))
        .isInstanceOf(DraftService.Outcome.Refused.class);
    mvc.perform(as(me, post(path(client) + "/1/back")).param("seq", "1"));
    assertThat(drafts.share(me, client.getId(), ProgramKind.MAIN, 2, "It is only a test."))
        .isInstanceOf(DraftService.Outcome.Shared.class);
    assertThat(versions.all(client.getId())).hasSize(3);
  }
}
