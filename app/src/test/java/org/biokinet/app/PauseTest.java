package org.biokinet.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.microsoft.playwright.Page;
import jakarta.servlet.http.Cookie;
import java.time.Duration;
import java.time.LocalDate;
import org.biokinet.app.access.LinkService;
import org.biokinet.app.client.Client;
import org.biokinet.app.pause.FlareService;
import org.biokinet.app.pause.PauseService;
import org.biokinet.app.practice.Me;
import org.biokinet.app.program.DraftService;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.progress.Attention;
import org.biokinet.core.screening.Beginning;
import org.biokinet.core.screening.Gate;
import org.biokinet.core.session.Ended;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** Away, ill, and a flare: nothing is missed, and what comes after begins smaller. */
class PauseTest extends WithBrowser {

  @Autowired PauseService pauses;
  @Autowired FlareService flares;

  private void days(int days) {
    clock.moveTo(clock.instant().plus(Duration.ofDays(days)));
  }

  private void hours(int hours) {
    clock.moveTo(clock.instant().plus(Duration.ofHours(hours)));
  }

  private LocalDate today() {
    return LocalDate.ofInstant(clock.instant(), LISBON);
  }

  private void train(Client client) {
    sessions.record(asClient(client), session(client, clock.instant(), Ended.FINISHED));
  }

  private static MockHttpServletRequestBuilder mine(String path, Cookie device) {
    return post("/me/" + path).cookie(device).with(csrf());
  }

  private Beginning beginning(Client client) {
    return ((Gate.Open) screenings.gate(client)).beginning();
  }

  @Test
  void onHolidayNothingIsMissedAndTheReturnIsARungLower() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "3x20s @3");
    Cookie device = device(me, client);
    days(1);
    train(client);
    mvc.perform(
            mine("pause", device)
                .param("kind", "HOLIDAY")
                .param("from", today().plusDays(1).toString())
                .param("until", today().plusDays(8).toString()))
        .andExpect(redirectedUrl("/me/today"));
    days(7);
    assertThat(standing(client).attention()).isEqualTo(Attention.AWAY);
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(containsString("Nothing is missed")));
    days(2);
    assertThat(standing(client).attention()).isNotEqualTo(Attention.QUIET);
    assertThat(beginning(client)).isEqualTo(Beginning.ONE_DOWN);
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(containsString("one step smaller")))
        .andExpect(content().string(containsString("2 holds of 20 s")));
    mvc.perform(get("/me/player?pain=2").cookie(device))
        .andExpect(content().string(containsString("\"beginning\":\"ONE_DOWN\"")));
    // A page that was open before has the full doses: it is asked at Start, and refused.
    mvc.perform(
            get("/me/may-start")
                .cookie(device)
                .param("client", client.getId().toString())
                .param("version", "1")
                .param("pain", "2")
                .param("length", "USUAL")
                .param("beginning", "AS_SHARED"))
        .andExpect(content().string("{\"may\":false}"));
    // Done all the same with the full doses, it is kept and put before the practitioner.
    train(client);
    assertThat(standing(client).open(Attention.WHILE_CLOSED)).isPresent();
    days(1);
    assertThat(beginning(client))
        .as("once, until somebody has looked")
        .isEqualTo(Beginning.ONE_DOWN);
    screenings.giveFullDosesBack(me, client.getId());
    assertThat(beginning(client)).isEqualTo(Beginning.AS_SHARED);
  }

  @Test
  void anIllnessWaitsUntilItIsOverAndAFeverAsksTheFlagsFirst() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    Cookie device = device(me, client);
    mvc.perform(mine("pause", device).param("kind", "ILLNESS").param("until", today().toString()))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("whether there is fever")));
    mvc.perform(
            mine("pause", device)
                .param("kind", "ILLNESS")
                .param("until", today().plusDays(2).toString())
                .param("fever", "no"))
        .andExpect(redirectedUrl("/me/today"));
    mvc.perform(get("/me/today").cookie(device)).andExpect(redirectedUrl("/me/pause"));
    mvc.perform(get("/me/player?pain=2").cookie(device)).andExpect(redirectedUrl("/me/today"));
    days(5);
    mvc.perform(get("/me/today").cookie(device)).andExpect(redirectedUrl("/me/pause"));
    mvc.perform(mine("pause/back", device)).andExpect(redirectedUrl("/me/pause?fever"));
    mvc.perform(mine("pause/back", device).param("fever", "yes"))
        .andExpect(redirectedUrl("/me/today"));
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(containsString("You had a fever")))
        .andExpect(content().string(containsString("/me/renew")));
    assertThat(standing(client).closed()).contains(Gate.Why.AFTER_FEVER);
  }

  @Test
  void datesThatCannotBeAreRefusedAndKept() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    Cookie device = device(me, client);
    share(me, client, "chin-tuck", "3x10s");
    for (String until :
        new String[] {
          today().minusDays(1).toString(), today().plusDays(400).toString(), "soon", ""
        }) {
      mvc.perform(mine("pause", device).param("kind", "HOLIDAY").param("until", until))
          .andExpect(status().isUnprocessableEntity())
          .andExpect(content().string(containsString(until)));
    }
    assertThat(pauses.all(client.getId())).isEmpty();
  }

  @Test
  void aFlareIsSeenAtOnceAndOnlyItsPlanIsDone() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "3x20s @3");
    flarePlan(me, client);
    Cookie device = device(me, client);
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(containsString("start the flare plan")))
        .andExpect(content().string(containsString("Upper trapezius")));
    mvc.perform(get("/me/player?pain=2&program=FLARE").cookie(device))
        .andExpect(redirectedUrl("/me/today?program=FLARE"));

    mvc.perform(mine("flare", device)).andExpect(redirectedUrl("/me/today"));
    assertThat(standing(client).attention()).isEqualTo(Attention.FLARE);
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(not(containsString("Upper trapezius"))))
        .andExpect(content().string(containsString("neck rotation")));
    mvc.perform(get("/me/player?pain=2").cookie(device)).andExpect(redirectedUrl("/me/today"));
    mvc.perform(get("/me/player?pain=2&program=FLARE").cookie(device))
        .andExpect(content().string(containsString("Half the way only, gently")));
    // Nor is it printed, or taught; the plan for the flare is, and says how.
    String path = "/clients/%s/".formatted(client.getId());
    for (String page : new String[] {"sheet", "teach"}) {
      mvc.perform(as(me, get(path + page)))
          .andExpect(content().string(containsString("A flare lasts")));
    }
    mvc.perform(as(me, get(path + "sheet?program=FLARE")))
        .andExpect(content().string(containsString("In a flare only, for 2 days.")));
    // Of a page that was open before: kept, and told.
    train(client);
    assertThat(standing(client).open(Attention.WHILE_CLOSED)).isPresent();

    // It is not settled before a day is over.
    mvc.perform(mine("flare/settled", device));
    assertThat(flares.newest(client.getId()).orElseThrow().lasts()).isTrue();
    hours(30);
    mvc.perform(mine("flare/settled", device));
    assertThat(flares.newest(client.getId()).orElseThrow().lasts()).isFalse();
    assertThat(beginning(client)).isEqualTo(Beginning.TWO_DOWN);
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(containsString("2 holds of 15 s")));

    // Another plan for a flare is no look at the other doses; another main program is.
    drafts.edit(me, client.getId(), ProgramKind.FLARE, 0, new DraftEdit.SetDays(3));
    assertThat(drafts.share(me, client.getId(), ProgramKind.FLARE, 1, "It is only a test."))
        .isInstanceOf(DraftService.Outcome.Shared.class);
    assertThat(beginning(client)).isEqualTo(Beginning.TWO_DOWN);

    // A second within four weeks wants to be looked at.
    days(10);
    mvc.perform(mine("flare", device));
    assertThat(standing(client).open(Attention.FLARE_EXAMINE)).isPresent();
    share(me, client, "upper-trap-stretch", "2x15s @3");
    mvc.perform(as(me, post("/clients/%s/flare/end".formatted(client.getId()))));
    assertThat(beginning(client)).isEqualTo(Beginning.TWO_DOWN);
    share(me, client, "chin-tuck", "3x5s");
    assertThat(beginning(client)).isEqualTo(Beginning.AS_SHARED);
  }

  /** A new episode begins without the flare of the last one. */
  @Test
  void aNewEpisodeHasNoFlare() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    flarePlan(me, client);
    mvc.perform(mine("flare", device(me, client)));
    clients.beginEpisode(me, client.getId(), "Something new.");
    assertThat(flares.newest(client.getId()).orElseThrow().lasts()).isFalse();
  }

  @Test
  void aFlareThatDoesNotSettleIsExamined() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    flarePlan(me, client);
    Cookie device = device(me, client);
    mvc.perform(mine("flare", device));
    mvc.perform(mine("flare", device)); // twice is once
    hours(49);
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(containsString("It has not settled")));
    mvc.perform(mine("flare/not-settled", device));
    assertThat(standing(client).attention()).isEqualTo(Attention.FLARE_EXAMINE);
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(containsString("It should be looked at")));
    mvc.perform(as(me, get("/clients/%s/do".formatted(client.getId()))))
        .andExpect(content().string(containsString("End the flare")));
    mvc.perform(as(me, post("/clients/%s/flare/end".formatted(client.getId()))));
    assertThat(flares.newest(client.getId()).orElseThrow().lasts()).isFalse();
    assertThat(beginning(client)).isEqualTo(Beginning.TWO_DOWN);
  }

  /** 72 hours, whether anybody says anything or not. */
  @Test
  void afterThreeDaysItIsExaminedByItself() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    flarePlan(me, client);
    Cookie device = device(me, client);
    mvc.perform(mine("flare", device));
    hours(73);
    assertThat(standing(client).attention()).isEqualTo(Attention.FLARE_EXAMINE);
  }

  @Test
  void aTapByMistakeIsTakenBack() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "3x20s @3");
    flarePlan(me, client);
    Cookie device = device(me, client);
    mvc.perform(mine("flare", device));
    mvc.perform(mine("flare/undo", device));
    assertThat(flares.newest(client.getId())).isEmpty();
    assertThat(beginning(client)).isEqualTo(Beginning.AS_SHARED);
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(containsString("3 holds of 20 s")));
  }

  @Test
  void whatStretchesHasNoPlaceInAFlarePlan() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    drafts.edit(
        me,
        client.getId(),
        ProgramKind.FLARE,
        0,
        new DraftEdit.Add("a", "upper-trap-stretch", "2x15s"));
    assertThat(drafts.share(me, client.getId(), ProgramKind.FLARE, 1, "It is only a test."))
        .isInstanceOf(DraftService.Outcome.Refused.class);
  }

  @Test
  void fromThePlanToThePhone() {
    String email = newPractitioner(practice());
    Me me = accounts.find(email).orElseThrow();
    Client client = client(me);
    share(me, client, "neck-rotation", "10");
    LinkService.Made made = links.make(me, client.getId());
    Page desk = desk();
    signIn(desk, email, PASSWORD);
    desk.navigate("/clients/%s/plan?program=FLARE".formatted(client.getId()));
    desk.getByText("Begin with what fits").click();
    assertThat(desk.locator(".items > li")).hasCount(2);
    desk.getByLabel("Days of the flare plan").selectOption("3");
    settled(desk);
    desk.getByLabel("When Ada should call, in your words").fill("Call me if it wakes you.");
    desk.getByLabel("Why, where something is warned of")
        .fill("Few repetitions, said at the visit.");
    desk.getByText("Share flare version 1 with Ada").click();
    desk.waitForURL("**/do?shared");
    accessible(desk);

    Page phone = phone();
    openLink(phone, "/c/" + made.token(), made.pin());
    assertThat(phone.getByText("Call me if it wakes you.")).isVisible();
    phone.getByText("It has flared up: start the flare plan").click();
    assertThat(phone.getByText("Go only half the way, gently.")).isVisible();
    accessible(phone);
    phone.navigate("/me/pause");
    accessible(phone);
    desk.navigate("/");
    assertThat(desk.getByText("Flare").first()).isVisible();
  }
}
