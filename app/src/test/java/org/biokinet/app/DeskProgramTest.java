package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.fasterxml.jackson.databind.node.ObjectNode;
import jakarta.servlet.http.Cookie;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.concurrent.CopyOnWriteArrayList;
import org.biokinet.app.client.Circumstances;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.Contact;
import org.biokinet.app.practice.Me;
import org.biokinet.app.program.DraftService;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.app.session.SessionUpload;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.progress.Attention;
import org.biokinet.core.session.Ended;
import org.biokinet.core.session.Session;
import org.hamcrest.Matchers;
import org.junit.jupiter.api.Test;
import org.springframework.http.MediaType;
import org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors;

/** The short program that stands beside the main one. */
class DeskProgramTest extends AppTest {

  private static String why(DraftService.Outcome outcome) {
    assertThat(outcome).isInstanceOf(DraftService.Outcome.Refused.class);
    return ((DraftService.Outcome.Refused) outcome).why();
  }

  private ProgramVersion desk(Me me, Client client, String... exerciseAndDose) {
    DraftService.Outcome outcome = tryToShare(me, client, ProgramKind.DESK, exerciseAndDose);
    assertThat(outcome).isInstanceOf(DraftService.Outcome.Shared.class);
    return ((DraftService.Outcome.Shared) outcome).version();
  }

  @Test
  void eachHasItsOwnDraftAndVersions() {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "2x15s @3");
    share(me, client, "chin-tuck", "3x5s");
    drafts.edit(
        me, client.getId(), ProgramKind.MAIN, 0, new DraftEdit.Add("m", "neck-rotation", "5"));
    assertThat(desk(me, client, "neck-rotation", "3").name())
        .isEqualTo(new ProgramVersion.Name(ProgramKind.DESK, 1));
    DraftService.State main = drafts.state(me, client.getId(), ProgramKind.MAIN);
    assertThat(main.started()).as("its draft is as it was").isTrue();
    assertThat(main.next()).isEqualTo(new ProgramVersion.Name(ProgramKind.MAIN, 3));
    assertThat(drafts.state(me, client.getId(), ProgramKind.DESK).draft().items())
        .extracting(i -> i.exercise())
        .containsExactly("neck-rotation");
    assertThat(versions.all(client.getId())).extracting(ProgramVersion::number).contains(1, 2);
  }

  @Test
  void whatHasNoPlaceAtTheDeskIsNotShared() {
    Me me = practitioner();
    Client client = client(me);
    assertThat(why(tryToShare(me, client, ProgramKind.DESK, "floor-pec-stretch", "2x10s @3")))
        .contains("not at the desk: lying face down");
    Client other = client(me);
    assertThat(why(tryToShare(me, other, ProgramKind.DESK, "upper-trap-stretch", "4x30s @3")))
        .isEqualTo(
            "A desk program takes 3 min at most, and this one takes 5:28:"
                + " make doses smaller or leave something out.");
    assertThat(versions.all(other.getId())).isEmpty();
  }

  /** Dizziness: the start dose once a day, wherever it stands. */
  @Test
  void whereTheDayIsLimitedBothCountTogetherAndTheDeskWaits() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    screen(me, client, Set.of(), Set.of(), Set.of("dizziness"));
    share(me, client, "neck-rotation", "3");
    String refused = why(tryToShare(me, client, ProgramKind.DESK, "neck-rotation", "3"));
    assertThat(refused).contains("no more than the start dose", "together with 3 besides");
    // The other way round: what the main program takes up later waits at the desk.
    Client later = client(me);
    screen(me, later, Set.of(), Set.of(), Set.of("dizziness"));
    desk(me, later, "neck-rotation", "3", "shoulder-roll", "5");
    share(me, later, "neck-rotation", "3");
    Cookie device = device(me, later);
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(Matchers.not(Matchers.containsString("line-through"))));
    mvc.perform(get("/me/today").param("program", "DESK").cookie(device))
        .andExpect(content().string(Matchers.containsString("line-through")))
        .andExpect(content().string(Matchers.containsString("Shoulder rolls")));
    // A device that has done it all the same: kept, and put before the practitioner.
    sessions.record(
        asClient(later), session(later, ProgramKind.DESK, clock.instant(), Ended.FINISHED));
    assertThat(standing(later).attention()).isEqualTo(Attention.WHILE_CLOSED);
    device(me, client);
    sessions.record(asClient(client), session(client, clock.instant(), Ended.FINISHED));
    assertThat(standing(client).attention()).isEqualTo(Attention.DRAFT_NOT_SHARED);
  }

  @Test
  void todayOffersBothAndSessionsKnowWhichTheyAre() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "2x15s @3");
    desk(me, client, "neck-rotation", "3");
    Cookie device = device(me, client);
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(Matchers.containsString("At the desk")))
        .andExpect(content().string(Matchers.containsString("Upper trapezius stretch")));
    mvc.perform(
            post("/me/today")
                .cookie(device)
                .with(SecurityMockMvcRequestPostProcessors.csrf())
                .param("pain", "2")
                .param("program", "DESK"))
        .andExpect(redirectedUrl("/me/player?pain=2&length=USUAL&program=DESK"));
    mvc.perform(get("/me/player?pain=2&length=USUAL&program=DESK").cookie(device))
        .andExpect(status().isOk())
        .andExpect(content().string(Matchers.containsString("\"program\":\"DESK\"")));
    mvc.perform(get("/me/player?pain=2&length=LONG&program=DESK").cookie(device))
        .andExpect(redirectedUrl("/me/today?program=DESK"));

    sessions.record(
        asClient(client), session(client, ProgramKind.DESK, Instant.now(), Ended.FINISHED));
    Session kept = sessions.page(client.getId(), 0, 1).getContent().get(0);
    assertThat(List.of(kept.program(), kept.version())).containsExactly(ProgramKind.DESK, 1);
    assertThat(sessions.nextLead(client.getId(), ProgramKind.DESK)).isEqualTo(Side.RIGHT);
    assertThat(sessions.nextLead(client.getId(), ProgramKind.MAIN)).isEqualTo(Side.LEFT);
    mvc.perform(as(me, get("/clients/" + client.getId() + "/review")))
        .andExpect(content().string(Matchers.containsString(">desk v1</td>")));
    mvc.perform(
            as(me, get("/clients/" + client.getId() + "/versions/1.json")).param("program", "DESK"))
        .andExpect(content().string(Matchers.containsString("neck-rotation")));
  }

  /** A player from before there were two does not say which: it was the main one. */
  @Test
  void whatAnOlderPlayerSendsIsOfTheMainProgram() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "2x15s @3");
    desk(me, client, "neck-rotation", "3");
    Cookie device = device(me, client);
    ObjectNode sent = json.valueToTree(session(client, Instant.now(), Ended.FINISHED));
    sent.remove("program");
    mvc.perform(
            post("/me/sessions")
                .param("client", client.getId().toString())
                .cookie(device)
                .with(SecurityMockMvcRequestPostProcessors.csrf())
                .contentType(MediaType.APPLICATION_JSON)
                .content(json.writeValueAsString(sent)))
        .andExpect(status().isNoContent());
    assertThat(sessions.page(client.getId(), 0, 1).getContent().get(0).program())
        .isEqualTo(ProgramKind.MAIN);
    SessionUpload none =
        json.treeToValue(
            sent.put("program", "DESK").put("version", 7).put("uploadId", "" + client.getId()),
            SessionUpload.class);
    sessions.record(asClient(client), none);
    assertThat(sessions.conflicts(client.getId())).as("kept as it came").isEqualTo(1);
  }

  /** Who has only a desk program has a program. */
  @Test
  void aDeskProgramAloneIsShownAtOnce() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    desk(me, client, "neck-rotation", "3");
    Cookie device = device(me, client);
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(Matchers.containsString("Active neck rotation")));
    assertThat(standing(client).attention()).isEqualTo(Attention.NOT_STARTED);
  }

  @Test
  void bothCanBeSharedAtOnce() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    for (ProgramKind program : ProgramKind.values()) {
      drafts.edit(me, client.getId(), program, 0, new DraftEdit.Add("a", "neck-rotation", "3"));
    }
    List<ProgramKind> left = new CopyOnWriteArrayList<>(ProgramKind.values());
    atOnce(2, () -> drafts.share(me, client.getId(), left.remove(0), 1, "It is only a test."));
    assertThat(versions.all(client.getId()))
        .extracting(ProgramVersion::name)
        .containsExactlyInAnyOrder(
            new ProgramVersion.Name(ProgramKind.MAIN, 1),
            new ProgramVersion.Name(ProgramKind.DESK, 1));
  }

  /** Who can only lie down has no desk program, and Plan says so instead of failing. */
  @Test
  void whoNeitherSitsNorStandsGetsNone() throws Exception {
    Me me = practitioner();
    Client client =
        clients.add(
            me,
            Contact.of("Lena Lies", LISBON),
            Circumstances.of("forecaster").with(new Means(Set.of(Position.SUPINE), Set.of())));
    screen(me, client, Set.of(), Set.of(), Set.of());
    mvc.perform(
            as(me, get("/clients/" + client.getId() + "/plan/suggestion")).param("program", "DESK"))
        .andExpect(content().string(Matchers.containsString("this client can do neither")));
    mvc.perform(as(me, get("/clients/" + client.getId() + "/plan")).param("program", "DESK"))
        .andExpect(status().isOk());
  }
}
