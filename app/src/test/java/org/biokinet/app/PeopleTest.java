package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.flash;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
import org.biokinet.app.access.LinkService;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Circumstances;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.Contact;
import org.biokinet.app.people.PeopleService;
import org.biokinet.app.people.Throttle;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.practice.Role;
import org.biokinet.core.progress.Attention;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;

/** People of a practice: coming, going, passwords, who signed in, and who saw what. */
class PeopleTest extends AppTest {

  private static final String NEW_PASSWORD = "four words without sense";

  @Autowired PeopleService people;
  @Autowired Audit audit;

  @Autowired
  @Qualifier("passwordEncoder")
  PasswordEncoder slow;

  @Autowired FindByIndexNameSessionRepository<? extends Session> webSessions;

  private static String address() {
    return UUID.randomUUID() + "@practice.example";
  }

  private void signIn(String email, String password, String leadsTo) throws Exception {
    mvc.perform(post("/sign-in").with(csrf()).param("email", email).param("password", password))
        .andExpect(redirectedUrl(leadsTo));
  }

  @Test
  void whoIsAddedChoosesAPasswordThroughALinkThatWorksOnce() throws Exception {
    Me owner = person(practice(), Role.OWNER);
    String email = address();
    String token = people.add(owner, "B. Silva", email, Role.FRONT_DESK).orElseThrow();
    String link = "/password/" + token;
    mvc.perform(get(link)).andExpect(content().string(containsString("For B. Silva.")));
    mvc.perform(post(link).with(csrf()).param("password", "too short").param("again", "too short"))
        .andExpect(redirectedUrl(link))
        .andExpect(flash().attributeExists("passwordError"));
    mvc.perform(
            post(link).with(csrf()).param("password", NEW_PASSWORD).param("again", "another one"))
        .andExpect(flash().attributeExists("passwordError"));
    mvc.perform(
            post(link).with(csrf()).param("password", NEW_PASSWORD).param("again", NEW_PASSWORD))
        .andExpect(redirectedUrl("/sign-in?chosen"));
    mvc.perform(get(link)).andExpect(content().string(containsString("This link has ended")));
    assertThat(people.choose(token, "quite another password")).isFalse();
    signIn(email, NEW_PASSWORD, "/");
    assertThat(people.add(owner, "Again", email, Role.OWNER)).as("the address is taken").isEmpty();
  }

  /** Tests make people with fewer rounds. At least 10: OWASP; value recalled from memory. */
  @Test
  void passwordsAreSlowToTryOut() {
    assertThat(slow.encode(PASSWORD)).startsWith("$2a$10$");
  }

  @Test
  void aPasswordLinkEndsAfterADayOrWithTheNext() {
    Me owner = person(practice(), Role.OWNER);
    String first = people.add(owner, "B. Silva", address(), Role.PRACTITIONER).orElseThrow();
    UUID id =
        people.all(owner).stream()
            .filter(p -> p.name().equals("B. Silva"))
            .findFirst()
            .orElseThrow()
            .getId();
    String second = people.passwordLink(owner, id);
    assertThat(people.mayChoose(first)).isEmpty();
    assertThat(people.mayChoose(second)).contains("B. Silva");
    clock.moveTo(clock.instant().plus(Duration.ofDays(1)));
    assertThat(people.mayChoose(second)).isEmpty();
  }

  @Test
  void whoHasLeftIsOutAtOnceAndTheLastOwnerStays() throws Exception {
    Practice practice = practice();
    Me owner = person(practice, Role.OWNER);
    String email = address();
    Me other = accounts.addPractitioner(practice, email, "J. Other", Role.PRACTITIONER, PASSWORD);
    signIn(email, PASSWORD, "/");
    assertThat(people.leave(owner, other.id())).isEqualTo(PeopleService.Changed.DONE);
    signIn(email, PASSWORD, "/sign-in?wrong");
    assertThat(accounts.colleagues(owner)).extracting("name").doesNotContain("J. Other");
    people.comeBack(owner, other.id());
    signIn(email, PASSWORD, "/");
    assertThat(people.leave(owner, owner.id())).isEqualTo(PeopleService.Changed.LAST_OWNER);
    assertThat(people.setRole(owner, owner.id(), Role.FRONT_DESK))
        .isEqualTo(PeopleService.Changed.LAST_OWNER);
    people.setRole(owner, other.id(), Role.OWNER);
    assertThat(people.leave(owner, owner.id())).isEqualTo(PeopleService.Changed.DONE);
  }

  @Test
  void anotherPracticesPeopleAreNotFound() throws Exception {
    Me owner = person(practice(), Role.OWNER);
    Me stranger = person(practice(), Role.OWNER);
    for (String what : new String[] {"password-link", "role", "leave", "back"}) {
      mvc.perform(
              as(owner, post("/practice/people/" + stranger.id() + "/" + what))
                  .param("name", "x")
                  .param("role", "OWNER"))
          .andExpect(status().isNotFound());
    }
  }

  @Test
  void everyTryToSignInIsOnMyPage() throws Exception {
    Practice practice = practice();
    String email = address();
    Me me = accounts.addPractitioner(practice, email, "S. Own", Role.PRACTITIONER, PASSWORD);
    signIn(email, "a wrong password", "/sign-in?wrong");
    mvc.perform(
            post("/sign-in")
                .with(csrf())
                .header("User-Agent", "Seaweed/1.0")
                .param("email", email)
                .param("password", PASSWORD))
        .andExpect(redirectedUrl("/"));
    mvc.perform(as(me, get("/account")))
        .andExpect(content().string(containsString("✕ wrong password")))
        .andExpect(content().string(containsString("Seaweed/1.0")))
        .andExpect(content().string(not(containsString("a wrong password"))));
  }

  @Test
  void myPasswordChangesOnlyWithThePresentOne() throws Exception {
    String email = address();
    Me me = accounts.addPractitioner(practice(), email, "S. Own", Role.PRACTITIONER, PASSWORD);
    mvc.perform(
            as(me, post("/account/password"))
                .param("present", "not it")
                .param("password", NEW_PASSWORD)
                .param("again", NEW_PASSWORD))
        .andExpect(flash().attributeExists("presentError"));
    signIn(email, PASSWORD, "/");
    mvc.perform(
            as(me, post("/account/password"))
                .param("present", PASSWORD)
                .param("password", NEW_PASSWORD)
                .param("again", NEW_PASSWORD))
        .andExpect(flash().attributeExists("passwordChanged"));
    signIn(email, NEW_PASSWORD, "/");
  }

  /** Whoever saw something of a client, on whatever page, stands in the list. */
  @Test
  void everyWayOfSeeingIsInTheAudit() throws Exception {
    Practice practice = practice();
    Me me = practitioner(practice);
    Client client = client(me);
    share(me, client, "chin-tuck", "3x5s");
    String id = client.getId().toString();
    mvc.perform(as(me, get("/clients/" + id + "/versions/1.json"))).andExpect(status().isOk());
    assertThat(audit.count(client.getId(), "saw")).isEqualTo(1);
    mvc.perform(as(person(practice, Role.FRONT_DESK), get("/desk/" + id)))
        .andExpect(status().isOk());
    assertThat(audit.count(client.getId(), "saw")).isEqualTo(2);
    for (int i = 0; i < 3; i++) {
      mvc.perform(as(me, get("/clients/" + id + "/plan/live").param("key", "v1-1")))
          .andExpect(status().isOk());
    }
    assertThat(audit.count(client.getId(), "saw")).as("parts of one page").isEqualTo(3);
    clock.moveTo(clock.instant().plus(Duration.ofMinutes(20)));
    mvc.perform(as(me, get("/clients/" + id + "/plan/live").param("key", "v1-1")))
        .andExpect(status().isOk());
    assertThat(audit.count(client.getId(), "saw")).isEqualTo(4);
  }

  /** What a spreadsheet would take for a formula is told apart however it is dressed up. */
  @Test
  void noCellOfTheExportIsAFormula() throws Exception {
    Practice practice = practice();
    Me owner = person(practice, Role.OWNER);
    Me me = practitioner(practice);
    for (String sign :
        List.of("=", "+", "-", "@", "\u00a0=", "\u200b=", "\uff1d", "\u2212", "\ufeff \uff20")) {
      clients.add(me, Contact.of(sign + "1+1 Example", LISBON), Circumstances.of(""));
    }
    String csv =
        mvc.perform(as(owner, get("/practice/audit/export.csv")))
            .andReturn()
            .getResponse()
            .getContentAsString();
    assertThat(csv.lines().filter(l -> l.contains("1+1 Example")))
        .hasSize(9)
        .allMatch(l -> l.contains(",'") || l.contains(",\"'"));
    mvc.perform(as(owner, get("/practice/audit")))
        .andExpect(content().string(containsString("audit exported")));
    String odd = "/practice/audit?from=%2B999999999-12-31&to=-999999999-01-01&page=2147483647";
    mvc.perform(as(owner, get(java.net.URI.create(odd)))).andExpect(status().isOk());
  }

  /** The server ends a session after the time by which the pages cover themselves. */
  @Test
  void oneIdleTimeForServerAndPages() throws Exception {
    assertThat(webSessions.createSession().getMaxInactiveInterval())
        .isEqualTo(Duration.ofMinutes(15));
    mvc.perform(as(practitioner(), get("/")))
        .andExpect(content().string(containsString("data-idle-minutes=\"15\"")));
  }

  /** Guessing it from an open page is slowed like guessing at the door, and is on my page. */
  @Test
  void thePresentPasswordIsNotGuessedEither() throws Exception {
    Me me = accounts.addPractitioner(practice(), address(), "S. Own", Role.PRACTITIONER, PASSWORD);
    AtomicInteger looked = new AtomicInteger();
    atOnce(
        12,
        () -> {
          Throttle.Outcome outcome = people.changeMine(me, "a guess", NEW_PASSWORD, "here");
          if (outcome == Throttle.Outcome.WRONG) looked.incrementAndGet();
        });
    assertThat(looked).hasValue(5);
    assertThat(people.changeMine(me, PASSWORD, NEW_PASSWORD, "here"))
        .isEqualTo(Throttle.Outcome.WAIT);
    mvc.perform(as(me, get("/account")))
        .andExpect(content().string(containsString("wrong password")));
  }

  @Test
  void anotherPasswordEndsMyOtherSessions() {
    Me me = accounts.addPractitioner(practice(), address(), "S. Own", Role.PRACTITIONER, PASSWORD);
    String here = webSession(me);
    String elsewhere = webSession(me);
    assertThat(people.changeMine(me, PASSWORD, NEW_PASSWORD, here))
        .isEqualTo(Throttle.Outcome.RIGHT);
    assertThat(webSessions.findById(elsewhere)).isNull();
    assertThat(webSessions.findById(here)).isNotNull();
  }

  private String webSession(Me me) {
    return webSession(webSessions, me);
  }

  private static <S extends Session> String webSession(
      FindByIndexNameSessionRepository<S> all, Me me) {
    S session = all.createSession();
    session.setAttribute(
        FindByIndexNameSessionRepository.PRINCIPAL_NAME_INDEX_NAME, me.id().toString());
    all.save(session);
    return session.getId();
  }

  /** Two owners who step down at once: one of them stays. */
  @Test
  void onePracticeAlwaysHasAnOwner() throws Exception {
    for (int i = 0; i < 4; i++) {
      Practice practice = practice();
      List<Me> owners = List.of(person(practice, Role.OWNER), person(practice, Role.OWNER));
      AtomicInteger next = new AtomicInteger();
      atOnce(
          2,
          () -> {
            Me owner = owners.get(next.getAndIncrement());
            people.setRole(owner, owner.id(), Role.PRACTITIONER);
          });
      assertThat(people.all(owners.get(0)))
          .filteredOn(p -> p.role() == Role.OWNER)
          .as("round " + i)
          .hasSize(1);
    }
  }

  /** Two links for one person at once: one works. */
  @Test
  void ofTwoPasswordLinksOneWorks() throws Exception {
    Practice practice = practice();
    Me owner = person(practice, Role.OWNER);
    Me other = practitioner(practice);
    List<String> tokens = Collections.synchronizedList(new ArrayList<>());
    atOnce(4, () -> tokens.add(people.passwordLink(owner, other.id())));
    assertThat(tokens).filteredOn(t -> people.mayChoose(t).isPresent()).hasSize(1);
    String token =
        tokens.stream().filter(t -> people.mayChoose(t).isPresent()).findFirst().orElseThrow();
    AtomicInteger chosen = new AtomicInteger();
    atOnce(
        4,
        () -> {
          if (people.choose(token, NEW_PASSWORD)) chosen.incrementAndGet();
        });
    assertThat(chosen).hasValue(1);
  }

  @Test
  void theOwnerReadsAndTakesAwayWhoSawAndChangedWhat() throws Exception {
    Practice practice = practice();
    Me owner = person(practice, Role.OWNER);
    Me me = practitioner(practice);
    Client client = clients.add(me, Contact.of("=cmd|' /C calc'!A0", LISBON), Circumstances.of(""));
    screen(me, client, Set.of(), Set.of("fever"), Set.of());
    mvc.perform(as(me, get("/clients/" + client.getId() + "/screen"))).andExpect(status().isOk());
    mvc.perform(as(owner, get("/practice/audit")).param("client", client.getId().toString()))
        .andExpect(content().string(containsString("examine first")))
        .andExpect(content().string(containsString("saw")));
    String csv =
        mvc.perform(as(owner, get("/practice/audit/export.csv")))
            .andExpect(status().isOk())
            .andReturn()
            .getResponse()
            .getContentAsString();
    assertThat(csv)
        .startsWith("at,by,client,action,detail\r\n")
        .contains("screened")
        .as("no formula for a spreadsheet")
        .contains("'=cmd|")
        .doesNotContain(",=cmd");
    Me stranger = person(practice(), Role.OWNER);
    mvc.perform(as(stranger, get("/practice/audit/export.csv")))
        .andExpect(content().string(not(containsString("screened"))));
    mvc.perform(as(owner, get("/practice/audit")).param("from", "x").param("client", "y"))
        .andExpect(status().isOk());
  }

  /** That something is urgent, not why. */
  @Test
  void theFrontDeskSeesThatSomethingIsUrgentAndNotWhy() throws Exception {
    Practice practice = practice();
    Me me = practitioner(practice);
    Me desk = person(practice, Role.FRONT_DESK);
    Client client = unscreened(me);
    screen(me, client, Set.of("electric"), Set.of(), Set.of());
    mvc.perform(as(desk, get("/"))).andExpect(redirectedUrl("/desk"));
    for (String path : new String[] {"/desk", "/desk/" + client.getId()}) {
      mvc.perform(as(desk, get(path)))
          .andExpect(content().string(containsString("at once")))
          .andExpect(content().string(not(containsString("mergency"))))
          .andExpect(content().string(not(containsString("lectric"))))
          .andExpect(content().string(not(containsString("forecaster"))));
    }
    mvc.perform(as(desk, get("/find")).param("q", "ada"))
        .andExpect(content().string(containsString("/desk/" + client.getId())))
        .andExpect(content().string(not(containsString("forecaster"))));
    mvc.perform(as(desk, get("/find")).param("q", "chin tuck"))
        .andExpect(content().string(not(containsString("/library/"))));
  }

  @Test
  void theFrontDeskAddsAndChangesContactDataOnly() throws Exception {
    Practice practice = practice();
    Me me = practitioner(practice);
    Me desk = person(practice, Role.FRONT_DESK);
    mvc.perform(
            as(desk, post("/desk/new"))
                .param("name", "Noor Vermeer")
                .param("zone", "Europe/Lisbon")
                .param("language", "en")
                .param("practitioner", me.id().toString()))
        .andExpect(status().is3xxRedirection());
    Client client = clients.all(me).get(0);
    assertThat(client.practitionerId()).isEqualTo(me.id());
    mvc.perform(
            as(desk, post("/desk/" + client.getId()))
                .param("seen", Integer.toString(client.version()))
                .param("name", "Noor Vermeer")
                .param("phone", "555 0190")
                .param("zone", "Europe/Lisbon")
                .param("language", "en")
                .param("work", "changed by somebody who may not"))
        .andExpect(redirectedUrl("/desk/" + client.getId() + "?saved"));
    // Whoever has link and PIN sees why: the desk makes neither.
    for (String way : new String[] {"/link", "/pin"}) {
      mvc.perform(as(desk, post("/desk/" + client.getId() + way))).andExpect(status().isNotFound());
    }
    assertThat(links.state(client.getId()).madeAt()).isEmpty();
    Client now = clients.get(me, client.getId());
    assertThat(now.phone()).isEqualTo("555 0190");
    assertThat(now.work()).isEmpty();
  }

  @Test
  void aForgottenPinIsAskedForAndReplacedWithoutANewLink() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x5s");
    LinkService.Made made = links.make(me, client.getId());
    clock.moveTo(clock.instant().plusSeconds(60));
    String link = "/c/" + made.token();
    mvc.perform(post(link + "/forgotten").with(csrf())).andExpect(redirectedUrl(link));
    assertThat(standing(client).attention()).isEqualTo(Attention.NEW_PIN);
    clock.moveTo(clock.instant().plusSeconds(60));
    String pin = links.newPin(me, client.getId()).orElseThrow();
    assertThat(standing(client).attention()).isNotEqualTo(Attention.NEW_PIN);
    assertThat(links.open(made.token(), made.pin(), ""))
        .isInstanceOf(
            pin.equals(made.pin())
                ? LinkService.Opening.Opened.class
                : LinkService.Opening.WrongPin.class);
    assertThat(links.open(made.token(), pin, "")).isInstanceOf(LinkService.Opening.Opened.class);
    assertThat(links.newPin(me, unscreened(me).getId())).isEqualTo(Optional.empty());
    mvc.perform(post("/c/nonsense/forgotten").with(csrf())).andExpect(status().isNotFound());
  }
}
