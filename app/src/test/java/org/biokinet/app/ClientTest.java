package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.flash;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.view;

import jakarta.servlet.http.Cookie;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
import org.biokinet.app.client.Circumstances;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.Contact;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.practice.Role;
import org.biokinet.app.program.DraftService;
import org.biokinet.app.worklist.WorklistService.Whose;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.measure.Goal;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.screening.Gate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** Who a client is; coming, going, coming back, and the same person twice. */
class ClientTest extends AppTest {

  private MockHttpServletRequestBuilder filled(Me me, String path) {
    return as(me, post(path))
        .param("name", "Noor Vermeer")
        .param("birthDate", "1979-04-02")
        .param("phone", "+351 555 0190")
        .param("email", "noor@forecast.example")
        .param("zone", "Europe/Lisbon")
        .param("language", "en")
        .param("work", "radar desk")
        .param("deskHours", "7.5")
        .param("screens", "3")
        .param("shifts", "rotating")
        .param("hand", "left")
        .param("goal1.activity", "reversing the car")
        .param("goal1.rated", "4")
        .param("goal1.wanted", "9")
        .param("minutes", "10")
        .param("times", "2")
        .param("positions", "chair", "stand", "supine")
        .param("equipment", "chair", "bed")
        .param("practitioner", me.id().toString());
  }

  @Test
  void everythingThatIsTypedIsKept() throws Exception {
    Practice practice = practice();
    Me me = practitioner(practice);
    Me colleague = practitioner(practice);
    mvc.perform(filled(me, "/clients/new").param("team", colleague.id().toString()))
        .andExpect(status().is3xxRedirection());
    Client client = clients.all(me).get(0);
    assertThat(client.contact().phone()).isEqualTo("+351 555 0190");
    assertThat(client.age(LocalDate.of(2026, 4, 1))).contains(46);
    assertThat(client.circumstances().shifts()).contains(Circumstances.Shifts.ROTATING);
    assertThat(client.circumstances().deskHours().orElseThrow()).isEqualByComparingTo("7.5");
    assertThat(client.means().positions())
        .isEqualTo(EnumSet.of(Position.CHAIR, Position.STAND, Position.SUPINE));
    assertThat(clients.goals(client.getId())).containsExactly(new Goal("reversing the car", 4, 9));
    assertThat(clients.careTeam(me, client.getId())).containsExactly(colleague.id());
    mvc.perform(as(me, get("/clients/" + client.getId() + "/about")))
        .andExpect(content().string(containsString("value=\"reversing the car\"")));
  }

  @Test
  void whatIsWrongIsSaidBesideItAndNothingIsLost() throws Exception {
    Me me = practitioner();
    mvc.perform(
            as(me, post("/clients/new"))
                .param("name", "Noor Vermeer")
                .param("zone", "Europe/Lisbon")
                .param("language", "en")
                .param("phone", "call me")
                .param("email", "noor at home")
                .param("deskHours", "30")
                .param("goal1.activity", "reversing the car")
                .param("goal1.rated", "9")
                .param("goal1.wanted", "4")
                .param("goal2.activity", "sleeping through")
                .param("practitioner", UUID.randomUUID().toString()))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("Digits and spaces")))
        .andExpect(content().string(containsString("value=\"noor at home\"")))
        .andExpect(content().string(containsString("Hours from 0 to 24")))
        .andExpect(content().string(containsString("what is wanted is not below what is")))
        .andExpect(content().string(containsString("Two whole numbers from 0 to 10")))
        .andExpect(content().string(containsString("everybody is in some position")))
        .andExpect(content().string(containsString("Choose whose client it is.")));
    assertThat(clients.all(me)).isEmpty();
  }

  /** Names that look like fields of a form, and are none, are no fault of the server's. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "goal1",
        "goal1[0]",
        "goal1[x].activity",
        "goal9.activity",
        "goal1.activity[3]",
        "positions[0]",
        "positions[x]",
        "team[]",
        "name[2147483647]",
        "sides[",
        "sides[x].y",
        "sides[knee-pain]",
        "form",
        "errors",
        "name.x",
        "goal1.",
        ".",
        "[",
        "class.name"
      })
  void aNameThatIsNoFieldIsNoFault(String name) throws Exception {
    Me me = practitioner();
    Client client = client(me);
    for (String path : List.of("/clients/new", "/clients/" + client.getId() + "/screen")) {
      int status =
          mvc.perform(as(me, post(path)).param(name, "y")).andReturn().getResponse().getStatus();
      assertThat(status).as(path).isIn(400, 422);
    }
  }

  @Test
  void theSamePersonIsNoticedBeforeThereAreTwo() throws Exception {
    Me me = practitioner();
    Contact known =
        Contact.of("noor vermeer", LISBON).born(LocalDate.of(1979, 4, 2)).reachedBy("", "");
    Client first = clients.add(me, known, Circumstances.of(""));
    mvc.perform(filled(me, "/clients/new"))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("/clients/" + first.getId())));
    assertThat(clients.all(me)).hasSize(1);
    mvc.perform(filled(me, "/clients/new").param("anyway", "yes"))
        .andExpect(status().is3xxRedirection());
    assertThat(clients.all(me)).hasSize(2);
    Contact samePhone = Contact.of("N. V.", LISBON).reachedBy("+351/5550190", "");
    assertThat(clients.alike(me, samePhone)).hasSize(1);
    Contact twin = Contact.of("Noor Vermeer", LISBON).born(LocalDate.of(2001, 1, 1));
    assertThat(clients.alike(me, twin)).as("another birth date").isEmpty();
  }

  @Test
  void theSecondOfTwoEditorsIsTold() throws Exception {
    Practice practice = practice();
    Me me = practitioner(practice);
    Client client = client(me);
    String path = "/clients/" + client.getId() + "/about";
    String seen = Integer.toString(clients.get(me, client.getId()).version());
    mvc.perform(filled(me, path).param("seen", seen)).andExpect(redirectedUrl(path + "?saved"));
    mvc.perform(filled(practitioner(practice), path).param("seen", seen))
        .andExpect(status().isConflict())
        .andExpect(content().string(containsString("Somebody changed this client")))
        .andExpect(content().string(containsString("value=\"reversing the car\"")));
  }

  /** Who has a bed lies on it: "floor (all floor positions, not a bed)". */
  @Test
  void aBedIsNotTheFloor() {
    Me me = practitioner();
    Client client = unscreened(me);
    screen(me, client, Set.of(), Set.of(), Set.of("no-floor"));
    int seq = 0;
    drafts.edit(
        me,
        client.getId(),
        ProgramKind.MAIN,
        seq++,
        new DraftEdit.Add(UUID.randomUUID().toString(), "supine-spine-press", "20s"));
    assertThat(drafts.share(me, client.getId(), ProgramKind.MAIN, seq, "It is only a test."))
        .isInstanceOf(DraftService.Outcome.Refused.class);
    Circumstances bed =
        Circumstances.of("")
            .with(
                new Means(
                    EnumSet.of(Position.CHAIR, Position.SUPINE),
                    EnumSet.of(Equipment.CHAIR, Equipment.BED)));
    Client now = clients.get(me, client.getId());
    clients.change(
        me, now.getId(), now.version(), now.contact(), bed, me.id(), Set.of(), List.of());
    assertThat(drafts.share(me, client.getId(), ProgramKind.MAIN, seq, "It is only a test."))
        .isInstanceOf(DraftService.Outcome.Shared.class);
  }

  @Test
  void whatCannotBeDoneAtHomeAndWhatIsLockedNamesTheNearest() throws Exception {
    Me me = practitioner();
    Client client = unscreened(me);
    screen(me, client, Set.of(), Set.of(), Set.of("knee"));
    String plan = "/clients/" + client.getId() + "/plan";
    mvc.perform(as(me, get(plan + "/exercises")).param("q", "kneeling"))
        .andExpect(content().string(containsString("✕ knee pain: on the knees")));
    drafts.edit(
        me,
        client.getId(),
        ProgramKind.MAIN,
        0,
        new DraftEdit.Add(UUID.randomUUID().toString(), "supine-arms-wide", "6"));
    mvc.perform(as(me, get(plan)))
        .andExpect(content().string(containsString("no foam roller at home</span>. Nearest: ")));
  }

  @Test
  void nothingGoesOnForWhoIsArchivedUntilTakenUpAgain() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x5s");
    Cookie device = device(me, client);
    String path = "/clients/" + client.getId();
    mvc.perform(as(me, post(path + "/archive"))).andExpect(redirectedUrl(path + "/about"));
    assertThat(worklist.look(me, Whose.ALL).wanting(Optional.empty(), 0, 10)).isEmpty();
    assertThat(worklist.look(me, Whose.ALL).steady(0, 10)).isEmpty();
    mvc.perform(get("/me/today").cookie(device)).andExpect(view().name("session/closed"));
    mvc.perform(get("/me/player?pain=1").cookie(device)).andExpect(redirectedUrl("/me/today"));
    mvc.perform(as(me, get("/find")).param("q", "Ada"))
        .andExpect(content().string(containsString("archived")));
    mvc.perform(as(me, post(path + "/reactivate"))).andExpect(redirectedUrl(path + "/about"));
    mvc.perform(get("/me/today").cookie(device)).andExpect(view().name("session/today"));
  }

  @Test
  void aNewEpisodeBeginsAgainAndKeepsWhatWas() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x5s");
    Cookie device = device(me, client);
    clock.moveTo(clock.instant().plusSeconds(60));
    String path = "/clients/" + client.getId();
    mvc.perform(as(me, post(path + "/episode")).param("reason", " "))
        .andExpect(redirectedUrl(path + "/about"));
    assertThat(screenings.gate(clients.get(me, client.getId())).open()).isTrue();
    mvc.perform(as(me, post(path + "/episode")).param("reason", "shoulder since May"))
        .andExpect(redirectedUrl(path + "/screen"));
    Client back = clients.get(me, client.getId());
    assertThat(((Gate.Closed) screenings.gate(back)).why()).isEqualTo(Gate.Why.NOT_SCREENED);
    assertThat(screenings.all(me, client.getId())).hasSize(1);
    assertThat(versions.latest(back, ProgramKind.MAIN)).isEmpty();
    assertThat(versions.all(client.getId())).hasSize(1);
    mvc.perform(get("/me/player?pain=1").cookie(device)).andExpect(redirectedUrl("/me/today"));
    clock.moveTo(clock.instant().plusSeconds(60));
    screen(me, back, Set.of(), Set.of(), Set.of());
    assertThat(share(me, back, "shoulder-roll", "5").number()).as("numbers go on").isEqualTo(2);
  }

  @Test
  void aDuplicateIsJoinedAndWhoWasScreenedThereIsAskedAgain() throws Exception {
    Me me = practitioner();
    Client stays = client(me);
    Client duplicate =
        clients.add(
            me, Contact.of("Ada Exemple", LISBON).reachedBy("555 0144", ""), Circumstances.of(""));
    screen(me, duplicate, Set.of(), Set.of(), Set.of("knee"));
    Cookie device = device(me, duplicate);
    clock.moveTo(clock.instant().plusSeconds(60));
    mvc.perform(
            as(me, post("/clients/" + stays.getId() + "/merge"))
                .param("duplicate", duplicate.getId().toString()))
        .andExpect(status().is3xxRedirection());
    Client now = clients.get(me, stays.getId());
    assertThat(now.phone()).isEqualTo("555 0144");
    assertThat(((Gate.Closed) screenings.gate(now)).why()).isEqualTo(Gate.Why.NOT_SCREENED);
    assertThat(clients.all(me)).extracting(Client::getId).containsExactly(stays.getId());
    mvc.perform(get("/me/today").cookie(device)).andExpect(redirectedUrl("/me/gone"));
    mvc.perform(as(me, get("/clients/" + duplicate.getId() + "/about")))
        .andExpect(content().string(containsString("found to be a duplicate")));
    mvc.perform(as(me, post("/clients/" + duplicate.getId() + "/reactivate")))
        .andExpect(status().is3xxRedirection());
    assertThat(clients.get(me, duplicate.getId()).archived()).isTrue();
  }

  @Test
  void aDuplicateThatNobodyScreenedChangesNothing() {
    Me me = practitioner();
    Client stays = client(me);
    Client duplicate = unscreened(me);
    clients.merge(me, stays.getId(), duplicate.getId(), screenings.any(duplicate));
    assertThat(screenings.gate(clients.get(me, stays.getId())).open()).isTrue();
  }

  @Test
  void anotherPracticesRecordIsNeverTakenIn() throws Exception {
    Me me = practitioner();
    Client mine = client(me);
    Client theirs = client(practitioner());
    mvc.perform(
            as(me, post("/clients/" + mine.getId() + "/merge"))
                .param("duplicate", theirs.getId().toString()))
        .andExpect(status().isNotFound());
    mvc.perform(as(me, get("/clients/" + mine.getId() + "/about")))
        .andExpect(content().string(not(containsString(theirs.getId().toString()))));
  }

  /** Neither a new episode nor joining records is a way round an open emergency. */
  @Test
  void whatStandsOpenIsNotLostByBeginningAgain() throws Exception {
    Me me = practitioner();
    Client client = unscreened(me);
    screen(me, client, Set.of("legs"), Set.of(), Set.of());
    clock.moveTo(clock.instant().plusSeconds(1200));
    clients.beginEpisode(me, client.getId(), "something else");
    clock.moveTo(clock.instant().plusSeconds(60));
    screen(me, client, Set.of(), Set.of(), Set.of());
    Client now = clients.get(me, client.getId());
    assertThat(((Gate.Closed) screenings.gate(now)).why()).isEqualTo(Gate.Why.EMERGENCY);
    Client other = client(me);
    mvc.perform(
            as(me, post("/clients/" + other.getId() + "/merge"))
                .param("duplicate", client.getId().toString()))
        .andExpect(flash().attribute("mergeError", containsString("settle that first")));
    assertThat(clients.get(me, client.getId()).mergedInto()).isEmpty();
  }

  /** Whoever types another birth date decides whose consent is needed, so everything is asked. */
  @Test
  void aBirthDateAcrossEighteenAsksAgain() throws Exception {
    Practice practice = practice();
    Me me = practitioner(practice);
    Me desk = person(practice, Role.FRONT_DESK);
    LocalDate young = LocalDate.now(LISBON).minusYears(15);
    Client client =
        clients.add(
            me, Contact.of("Ada Example", LISBON).born(young), Circumstances.of("forecaster"));
    screen(me, client, Set.of(), Set.of(), Set.of());
    assertThat(why(me, client)).as("no consent on record").isEqualTo(Gate.Why.CONSENT);
    clock.moveTo(clock.instant().plusSeconds(60));
    typeBirthDate(desk, client, young.minusYears(15));
    assertThat(why(me, client)).as("age stays with the screening").isEqualTo(Gate.Why.CONSENT);
    clock.moveTo(clock.instant().plusSeconds(60));
    screen(me, client, Set.of(), Set.of(), Set.of());
    assertThat(screenings.gate(clients.get(me, client.getId())).open()).isTrue();
    clock.moveTo(clock.instant().plusSeconds(60));
    typeBirthDate(desk, client, young.minusYears(16));
    assertThat(screenings.gate(clients.get(me, client.getId())).open())
        .as("a change on one side of 18 asks nothing")
        .isTrue();
    typeBirthDate(desk, client, young);
    assertThat(why(me, client)).isEqualTo(Gate.Why.NOT_SCREENED);
  }

  private Gate.Why why(Me me, Client client) {
    return ((Gate.Closed) screenings.gate(clients.get(me, client.getId()))).why();
  }

  private void typeBirthDate(Me desk, Client client, LocalDate born) throws Exception {
    mvc.perform(
            as(desk, post("/desk/" + client.getId()))
                .param("seen", Integer.toString(clients.get(desk, client.getId()).version()))
                .param("name", "Ada Example")
                .param("birthDate", born.toString())
                .param("zone", "Europe/Lisbon")
                .param("language", "en"))
        .andExpect(redirectedUrl("/desk/" + client.getId() + "?saved"));
  }

  /** Two join the same two records the other way round: one of them stays, and one is gone. */
  @Test
  void joiningTwiceAtOnceLeavesOne() throws Exception {
    Me me = practitioner();
    for (int i = 0; i < 3; i++) {
      List<Client> two = List.of(client(me), client(me));
      AtomicInteger next = new AtomicInteger();
      atOnce(
          2,
          () -> {
            int at = next.getAndIncrement();
            mvc.perform(
                    as(me, post("/clients/" + two.get(at).getId() + "/merge"))
                        .param("duplicate", two.get(1 - at).getId().toString()))
                .andExpect(status().is3xxRedirection());
          });
      assertThat(two).filteredOn(c -> clients.get(me, c.getId()).mergedInto().isEmpty()).hasSize(1);
    }
  }
}
