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
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.view;

import jakarta.servlet.http.Cookie;
import java.time.Duration;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.biokinet.app.client.Circumstances;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.Contact;
import org.biokinet.app.practice.Me;
import org.biokinet.app.program.DraftService;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.screening.Answers;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.session.SessionUpload;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.measure.BodyArea;
import org.biokinet.core.measure.GlobalRating;
import org.biokinet.core.measure.PainMap;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.progress.Attention;
import org.biokinet.core.screening.Beginning;
import org.biokinet.core.screening.Clearance;
import org.biokinet.core.screening.Condition;
import org.biokinet.core.screening.EmergencySign;
import org.biokinet.core.screening.Gate;
import org.biokinet.core.screening.Irritability;
import org.biokinet.core.screening.RedFlag;
import org.biokinet.core.session.Ended;
import org.biokinet.core.timeline.Performance;
import org.biokinet.core.timeline.Segment;
import org.biokinet.core.timeline.Timeline;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.MessageSource;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** The gate, and every way round it that was thought of. */
class ScreeningTest extends AppTest {

  @Autowired MessageSource messages;

  @Autowired JdbcTemplate jdbc;

  private Gate.Why why(Client client) {
    return ((Gate.Closed) screenings.gate(client)).why();
  }

  private ScreeningService.Recorded record(
      Me me, Client client, UUID about, String examined, String found, String medical) {
    return screenings.record(
        me, client.getId(), about, new Clearance(clock.instant(), "", examined, found, medical));
  }

  private DraftService.Outcome tryToShare(Me me, Client client, String exercise, String dose) {
    int seq = drafts.state(me, client.getId(), ProgramKind.MAIN).seq();
    drafts.edit(
        me,
        client.getId(),
        ProgramKind.MAIN,
        seq,
        new DraftEdit.Add(UUID.randomUUID().toString(), exercise, dose));
    return drafts.share(me, client.getId(), ProgramKind.MAIN, seq + 1, "It is only a test.");
  }

  private Attention attention(Client client) {
    return standing(client).attention();
  }

  @Test
  void nothingIsSharedBeforeAScreening() {
    Me me = practitioner();
    Client client = unscreened(me);
    assertThat(why(client)).isEqualTo(Gate.Why.NOT_SCREENED);
    assertThat(tryToShare(me, client, "chin-tuck", "5x5s"))
        .isInstanceOfSatisfying(
            DraftService.Outcome.Refused.class,
            r -> assertThat(r.why()).contains("not screened yet"));
    assertThat(versions.all(client.getId())).isEmpty();
    assertThat(attention(client)).isEqualTo(Attention.SCREEN);
    screen(me, client, Set.of(), Set.of(), Set.of());
    assertThat(drafts.share(me, client.getId(), ProgramKind.MAIN, 1, "It is only a test."))
        .isInstanceOf(DraftService.Outcome.Shared.class);
  }

  @Test
  void whatTheScreeningLocksIsNotShared() {
    Me me = practitioner();
    Client client = unscreened(me);
    screen(me, client, Set.of(), Set.of(), Set.of("nerve-root"));
    assertThat(tryToShare(me, client, "full-neck-circle", "3"))
        .isInstanceOfSatisfying(
            DraftService.Outcome.Refused.class,
            r -> assertThat(r.why()).contains("locked", "nerve-root pain"));
  }

  @Test
  void theFormKeepsWhatWasAnsweredAndSaysWhatIsOpen() throws Exception {
    Me me = practitioner();
    Client client = unscreened(me);
    String path = "/clients/" + client.getId() + "/screen";
    mvc.perform(
            as(me, post(path))
                .param("none", "signs")
                .param("flags", "fever")
                .param("worst", "11")
                .param("medicines", "ibuprofen <daily>"))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("from 0 to 10")))
        .andExpect(content().string(containsString("ibuprofen &lt;daily&gt;")))
        .andExpect(content().string(containsString("Tick what applies")));
    assertThat(screenings.all(me, client.getId())).isEmpty();
    mvc.perform(
            as(me, post(path))
                .param("none", "signs", "flags", "conditions")
                .param("signs", "legs")
                .param("worst", "2"))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("contradict each other")));
  }

  @Test
  void anEmergencyOpensOnAMedicalOutcomeOnly() throws Exception {
    Me me = practitioner();
    Client client = unscreened(me);
    screen(me, client, Set.of("electric"), Set.of(), Set.of());
    assertThat(why(client)).isEqualTo(Gate.Why.EMERGENCY);
    assertThat(attention(client)).isEqualTo(Attention.EMERGENCY);
    UUID about = screenings.all(me, client.getId()).get(0).id();
    String path = "/clients/" + client.getId() + "/screen/record";
    mvc.perform(as(me, post(path)).param("about", about.toString()).param("examined", "all"))
        .andExpect(flash().attributeExists("recordError"))
        .andExpect(flash().attribute("examined", "all"));
    assertThat(record(me, client, about, "reflexes", "fine", ""))
        .isInstanceOf(ScreeningService.Recorded.Lacking.class);
    assertThat(why(client)).isEqualTo(Gate.Why.EMERGENCY);
    assertThat(record(me, client, about, "reflexes", "fine", "clinic: no cord"))
        .isInstanceOf(ScreeningService.Recorded.Done.class);
    assertThat(screenings.gate(client).open()).isTrue();
  }

  @Test
  void aRecordIsAboutTheScreeningThatWasRead() {
    Me me = practitioner();
    Client client = unscreened(me);
    screen(me, client, Set.of(), Set.of("fever"), Set.of());
    UUID read = screenings.all(me, client.getId()).get(0).id();
    clock.moveTo(clock.instant().plusSeconds(60));
    screen(me, client, Set.of("legs"), Set.of(), Set.of());
    assertThat(record(me, client, read, "temperature", "36.8", "seen"))
        .isInstanceOf(ScreeningService.Recorded.Overtaken.class);
    assertThat(why(client)).isEqualTo(Gate.Why.EMERGENCY);
  }

  @Test
  void nobodyElseSeesOrOpensIt() throws Exception {
    Me me = practitioner();
    Client client = unscreened(me);
    screen(me, client, Set.of(), Set.of("fever"), Set.of());
    Me other = practitioner();
    String path = "/clients/" + client.getId() + "/screen";
    mvc.perform(as(other, get(path))).andExpect(status().isNotFound());
    mvc.perform(as(other, post(path)).param("none", "signs")).andExpect(status().isNotFound());
    mvc.perform(
            as(other, post(path + "/record"))
                .param("about", screenings.all(me, client.getId()).get(0).id().toString())
                .param("examined", "x")
                .param("found", "y"))
        .andExpect(status().isNotFound());
    assertThat(why(client)).isEqualTo(Gate.Why.EXAMINE);
  }

  /** Today, the start and the player itself: a direct request gets no further than a click. */
  @Test
  void noSessionStartsPastAClosedGate() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "5x5s");
    Cookie device = device(me, client);
    mvc.perform(get("/me/player?pain=2").cookie(device)).andExpect(view().name("session/player"));
    clock.moveTo(clock.instant().plusSeconds(60));
    screen(me, client, Set.of(), Set.of("night-pain"), Set.of());
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(view().name("session/closed"))
        .andExpect(content().string(containsString("555 0100")));
    mvc.perform(get("/me/player?pain=2").cookie(device)).andExpect(redirectedUrl("/me/today"));
    mvc.perform(get("/me/player?pain=0&length=LONG").cookie(device))
        .andExpect(redirectedUrl("/me/today"));
    assertThat(
            jdbc.queryForObject(
                "select count(*) from audit where client_id = ? and action = 'start refused'",
                Integer.class,
                client.getId().toString()))
        .isEqualTo(2);
  }

  /** A stale tab may still send what was done; it is kept and put before the practitioner. */
  @Test
  void anUploadPastAClosedGateIsKeptAndFlagged() {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "5x5s");
    clock.moveTo(clock.instant().plusSeconds(60));
    screen(me, client, Set.of(), Set.of("night-pain"), Set.of());
    sessions.record(asClient(client), session(client, clock.instant(), Ended.FINISHED));
    assertThat(sessions.page(client.getId(), 0, 5).getTotalElements()).isEqualTo(1);
    assertThat(standing(client).open(Attention.WHILE_CLOSED)).isPresent();
    assertThat(attention(client)).isEqualTo(Attention.WHILE_CLOSED);
  }

  /** One upload, even of nothing done, does not end "no session for 14 days". */
  @Test
  void anUploadDoesNotOpenTheGate() {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "5x5s");
    sessions.record(asClient(client), session(client, clock.instant(), Ended.FINISHED));
    clock.moveTo(clock.instant().plus(Duration.ofDays(15)));
    assertThat(why(client)).isEqualTo(Gate.Why.LONG_PAUSE);
    sessions.record(asClient(client), session(client, clock.instant(), Ended.FINISHED));
    assertThat(why(client)).isEqualTo(Gate.Why.LONG_PAUSE);
    assertThat(standing(client).open(Attention.WHILE_CLOSED))
        .hasValueSatisfying(e -> assertThat(e.detail()).contains("no session for 14 days"));
  }

  /** What nobody knows would be dropped and screen clear: refused, and nothing is stored. */
  @Test
  void anUnknownAnswerIsRefused() throws Exception {
    Me me = practitioner();
    Client client = unscreened(me);
    mvc.perform(
            as(me, post("/clients/" + client.getId() + "/screen"))
                .param("signs", "no-such-sign")
                .param("none", "flags", "conditions")
                .param("worst", "2")
                .param("arm", "no")
                .param("provoked", "no")
                .param("settles", "10-min"))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("An answer is not known here")));
    assertThat(screenings.all(me, client.getId())).isEmpty();
    Client other = client(me);
    share(me, other, "chin-tuck", "3x5s");
    mvc.perform(renewal(device(me, other), "", "no-such-flag", "no"))
        .andExpect(status().isUnprocessableEntity());
    assertThat(screenings.all(me, other.getId())).hasSize(1);
  }

  /** That item alone waits, with a word why; the rest can be done and is recorded. */
  @Test
  void aNewerScreeningThatLocksAnItemHoldsThatItem() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "full-neck-circle", "3", "chin-tuck", "3x5s");
    Cookie device = device(me, client);
    clock.moveTo(clock.instant().plusSeconds(60));
    screen(me, client, Set.of(), Set.of(), Set.of("cervical-stenosis"));
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(view().name("session/today"))
        .andExpect(content().string(containsString("Waits since your last screening")))
        .andExpect(content().string(containsString("stenosis")));
    mvc.perform(get("/me/player?pain=2").cookie(device))
        .andExpect(view().name("session/player"))
        .andExpect(content().string(containsString("\"paused\":[0]")))
        .andExpect(content().string(not(containsString("\"item\":0"))));
    VersionService.Replay replay = versions.latest(client, ProgramKind.MAIN).orElseThrow();
    List<Integer> done =
        Timeline.compile(replay.session(Side.LEFT, SessionLength.USUAL, Set.of(0)))
            .segments()
            .stream()
            .map(Segment::seconds)
            .toList();
    SessionUpload whole = session(client, clock.instant(), Ended.FINISHED);
    sessions.record(
        asClient(client),
        new SessionUpload(
            whole.uploadId(),
            null,
            ProgramKind.MAIN,
            whole.version(),
            whole.lead(),
            whole.length(),
            List.of(0),
            null,
            null,
            whole.startedAt(),
            whole.zone(),
            whole.painBefore(),
            whole.ended(),
            "",
            done,
            null,
            null));
    assertThat(standing(client).open(Attention.WHILE_CLOSED)).isEmpty();
    assertThat(sessions.page(client.getId(), 0, 1).getContent().get(0).parts())
        .extracting(Performance.Part::item)
        .containsOnly(1);
  }

  /** An older tab still has all steps: what it sends is kept, and put before the practitioner. */
  @Test
  void whatIsDoneOfALockedItemIsKeptAndFlagged() {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "full-neck-circle", "3", "chin-tuck", "3x5s");
    SessionUpload before = session(client, clock.instant(), Ended.FINISHED);
    clock.moveTo(clock.instant().plusSeconds(60));
    screen(me, client, Set.of(), Set.of(), Set.of("cervical-stenosis"));
    sessions.record(asClient(client), before);
    assertThat(attention(client)).as("it was allowed then").isNotEqualTo(Attention.WHILE_CLOSED);
    SessionUpload stale = session(client, clock.instant(), Ended.FINISHED);
    sessions.record(asClient(client), stale);
    assertThat(sessions.page(client.getId(), 0, 5).getTotalElements()).isEqualTo(2);
    assertThat(attention(client)).isEqualTo(Attention.WHILE_CLOSED);
  }

  /**
   * Not locks alone: a newer limit or irritability leaves what is over it waiting, at each start.
   */
  @Test
  void aNewerLimitHoldsWhatIsOverIt() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "neck-rotation", "10", "chin-tuck", "3x5s");
    Cookie device = device(me, client);
    mvc.perform(get("/me/player?pain=2").cookie(device))
        .andExpect(content().string(containsString("\"paused\":[]")));
    clock.moveTo(clock.instant().plusSeconds(60));
    screen(me, client, Set.of(), Set.of(), Set.of("dizziness"));
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(containsString("positional vertigo")));
    mvc.perform(get("/me/player?pain=2").cookie(device))
        .andExpect(content().string(containsString("\"paused\":[0]")));
    sessions.record(asClient(client), session(client, clock.instant(), Ended.FINISHED));
    assertThat(standing(client).open(Attention.WHILE_CLOSED))
        .hasValueSatisfying(e -> assertThat(e.detail()).contains("more than the screening allows"));
    clock.moveTo(clock.instant().plusSeconds(60));
    screenings.save(
        me,
        client.getId(),
        Answers.of(Set.of(), Set.of(), Set.of(), 3, Irritability.Settles.LATER, false));
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(containsString("stirred up easily")));
    mvc.perform(get("/me/player?pain=2").cookie(device))
        .andExpect(content().string(containsString("\"paused\":[0]")));
  }

  /** After a pause the client alone opens half doses; a practitioner's look gives the rest back. */
  @Test
  void whoComesBackAfterAPauseBeginsAgainSmaller() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "3x30s");
    sessions.record(asClient(client), session(client, clock.instant(), Ended.FINISHED));
    Cookie device = device(me, client);
    clock.moveTo(clock.instant().plus(Duration.ofDays(15)));
    assertThat(why(client)).isEqualTo(Gate.Why.LONG_PAUSE);
    mvc.perform(renewal(device, "", "", "no")).andExpect(redirectedUrl("/me/today"));
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(containsString("You begin again gently")))
        .andExpect(content().string(containsString("2 holds of 15 s")))
        .andExpect(content().string(containsString("up to 4 of 10")));
    mvc.perform(get("/me/player?pain=2").cookie(device))
        .andExpect(content().string(containsString("\"beginning\":\"RE_ENTRY\"")))
        .andExpect(content().string(containsString("Hold 1 of 2")))
        .andExpect(content().string(not(containsString("Hold 1 of 3"))));
    mvc.perform(get("/me/player?pain=2&length=LONG").cookie(device))
        .andExpect(redirectedUrl("/me/today"));
    VersionService.Replay half =
        versions.latest(client, ProgramKind.MAIN).orElseThrow().begun(Beginning.RE_ENTRY);
    List<Integer> done =
        Timeline.compile(half.session(Side.LEFT, SessionLength.USUAL)).segments().stream()
            .map(Segment::seconds)
            .toList();
    SessionUpload full = session(client, clock.instant(), Ended.FINISHED);
    sessions.record(
        asClient(client),
        new SessionUpload(
            UUID.randomUUID(),
            null,
            ProgramKind.MAIN,
            full.version(),
            full.lead(),
            full.length(),
            List.of(),
            true,
            null,
            full.startedAt(),
            full.zone(),
            2,
            Ended.FINISHED,
            "",
            done,
            null,
            null));
    assertThat(sessions.page(client.getId(), 0, 1).getContent().get(0).stretchSeconds(Side.LEFT))
        .isEqualTo(30);
    assertThat(standing(client).open(Attention.WHILE_CLOSED)).isEmpty();
    clock.moveTo(clock.instant().plusSeconds(60));
    sessions.record(asClient(client), session(client, clock.instant(), Ended.FINISHED));
    assertThat(standing(client).open(Attention.WHILE_CLOSED))
        .as("the full doses were not open")
        .isPresent();
    mvc.perform(as(me, get("/clients/" + client.getId() + "/screen")))
        .andExpect(content().string(containsString("Give the full doses back")));
    clock.moveTo(clock.instant().plusSeconds(60));
    mvc.perform(as(me, post("/clients/" + client.getId() + "/screen/full-doses")))
        .andExpect(redirectedUrl("/clients/" + client.getId() + "/screen"));
    mvc.perform(get("/me/player?pain=2").cookie(device))
        .andExpect(content().string(containsString("\"beginning\":\"AS_SHARED\"")))
        .andExpect(content().string(containsString("Hold 1 of 3")));
  }

  /** Arm symptoms are asked again at home; a yes wants an examination. */
  @Test
  void armSymptomsAtHomeCloseTheGate() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x5s");
    Cookie device = device(me, client);
    MockHttpServletRequestBuilder asked =
        post("/me/renew")
            .with(csrf())
            .cookie(device)
            .param("none", "signs", "flags")
            .param("worst", "2")
            .param("news", "no");
    mvc.perform(asked)
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("Choose one.")));
    mvc.perform(asked.param("arm", "yes").param("provoked", "yes"))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("from 0 to 10")));
    mvc.perform(asked.param("provokedPain", "7")).andExpect(redirectedUrl("/me/today"));
    assertThat(why(client)).isEqualTo(Gate.Why.EXAMINE);
    assertThat(screenings.gate(client).answers().orElseThrow().irritability())
        .isEqualTo(Irritability.HIGH);
  }

  @Test
  void nothingIsLeftWhereEveryItemWaits() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "full-neck-circle", "3");
    Cookie device = device(me, client);
    clock.moveTo(clock.instant().plusSeconds(60));
    screen(me, client, Set.of(), Set.of(), Set.of("cervical-stenosis"));
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(view().name("session/closed"))
        .andExpect(content().string(containsString("Nothing in this program is right for you")));
    mvc.perform(get("/me/player?pain=2").cookie(device)).andExpect(redirectedUrl("/me/today"));
  }

  @Test
  void itLapsesAndALongPauseAsksAgain() {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "5x5s");
    assertThat(((Gate.Open) screenings.gate(client)).renewable()).isFalse();
    clock.moveTo(clock.instant().plus(Duration.ofDays(80)));
    assertThat(((Gate.Open) screenings.gate(client)).renewable()).isTrue();
    clock.moveTo(clock.instant().plus(Duration.ofDays(11)));
    assertThat(why(client)).isEqualTo(Gate.Why.LAPSED);
    screen(me, client, Set.of(), Set.of(), Set.of());
    assertThat(screenings.gate(client).open()).isTrue();
    sessions.record(asClient(client), session(client, clock.instant(), Ended.FINISHED));
    clock.moveTo(clock.instant().plus(Duration.ofDays(15)));
    assertThat(why(client)).isEqualTo(Gate.Why.LONG_PAUSE);
  }

  @Test
  void aStopClosesTheGateUntilItsOutcomeAndAScreening() {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "5x5s");
    sessions.record(asClient(client), session(client, clock.instant(), Ended.STOPPED));
    assertThat(why(client)).isEqualTo(Gate.Why.STOPPED);
    assertThat(attention(client)).isEqualTo(Attention.STOPPED);
    clock.moveTo(clock.instant().plusSeconds(60));
    clients.called(me, client.getId(), "no answer");
    assertThat(why(client)).as("a call is no outcome").isEqualTo(Gate.Why.STOPPED);
    assertThat(clients.dealtWith(me, client.getId(), clock.instant(), "seen, a cramp")).isTrue();
    assertThat(why(client)).isEqualTo(Gate.Why.AFTER_STOP);
    clock.moveTo(clock.instant().plusSeconds(60));
    screen(me, client, Set.of(), Set.of(), Set.of());
    assertThat(screenings.gate(client).open()).isTrue();
  }

  @Test
  void whoIsUnder18NeedsConsent() {
    Me me = practitioner();
    Client child =
        clients.add(
            me,
            Contact.of("Young Example", LISBON)
                .born(LocalDate.ofInstant(clock.instant(), LISBON).minusYears(17)),
            Circumstances.of("trainee"));
    screen(me, child, Set.of(), Set.of(), Set.of());
    assertThat(why(child)).isEqualTo(Gate.Why.CONSENT);
    assertThat(Optional.of(attention(child))).contains(Attention.SCREEN);
  }

  @Test
  void withoutCsrfOrSignInNothingHappens() throws Exception {
    Me me = practitioner();
    Client client = unscreened(me);
    mvc.perform(post("/clients/" + client.getId() + "/screen").with(csrf()).param("none", "signs"))
        .andExpect(status().is3xxRedirection());
    assertThat(screenings.all(me, client.getId())).isEmpty();
  }

  private static MockHttpServletRequestBuilder renewal(
      Cookie device, String signs, String flags, String news) {
    MockHttpServletRequestBuilder request =
        post("/me/renew")
            .with(csrf())
            .cookie(device)
            .param("worst", "2")
            .param("arm", "no")
            .param("provoked", "no")
            .param("news", news);
    if (signs.isEmpty() && flags.isEmpty()) return request.param("none", "signs", "flags");
    if (signs.isEmpty()) return request.param("none", "signs").param("flags", flags);
    return request.param("none", "flags").param("signs", signs);
  }

  /** Only a gate that time alone has closed is the client's to open. */
  @Test
  void theClientOpensNoGateThatSomethingHasClosed() throws Exception {
    Me me = practitioner();
    List<Consumer<Client>> closing =
        List.of(
            c -> screen(me, c, Set.of("legs"), Set.of(), Set.of()),
            c -> screen(me, c, Set.of(), Set.of("fever"), Set.of()),
            c -> sessions.record(asClient(c), session(c, clock.instant(), Ended.STOPPED)),
            c -> clients.beginEpisode(me, c.getId(), "the other shoulder"),
            c -> clients.archive(me, c.getId()));
    for (Consumer<Client> close : closing) {
      Client client = client(me);
      share(me, client, "chin-tuck", "3x5s");
      Cookie device = device(me, client);
      clock.moveTo(clock.instant().plusSeconds(60));
      close.accept(client);
      int answers = screenings.all(me, client.getId()).size();
      Gate.Why why = ((Gate.Closed) screenings.gate(clients.byId(client.getId()))).why();
      clock.moveTo(clock.instant().plusSeconds(60));
      mvc.perform(renewal(device, "", "", "no"));
      assertThat(screenings.all(me, client.getId())).as(why.name()).hasSize(answers);
      assertThat(screenings.gate(clients.byId(client.getId())).open()).as(why.name()).isFalse();
    }
  }

  /** A locked item that was skipped was not done. */
  @Test
  void aLockedItemThatWasNotTouchedIsNotFlagged() {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "full-neck-circle", "3", "chin-tuck", "3x5s");
    clock.moveTo(clock.instant().plusSeconds(60));
    screen(me, client, Set.of(), Set.of(), Set.of("cervical-stenosis"));
    SessionUpload whole = session(client, clock.instant(), Ended.EARLY);
    List<Segment> segments =
        Timeline.compile(
                versions
                    .latest(client, ProgramKind.MAIN)
                    .orElseThrow()
                    .session(Side.LEFT, SessionLength.USUAL))
            .segments();
    List<Integer> skipped =
        segments.stream()
            .map(x -> x.item() == 0 ? Integer.valueOf(0) : (Integer) x.seconds())
            .toList();
    sessions.record(
        asClient(client),
        new SessionUpload(
            whole.uploadId(),
            null,
            ProgramKind.MAIN,
            whole.version(),
            whole.lead(),
            whole.length(),
            null,
            null,
            null,
            whole.startedAt(),
            whole.zone(),
            whole.painBefore(),
            whole.ended(),
            "",
            skipped,
            null,
            null));
    assertThat(attention(client)).isNotEqualTo(Attention.WHILE_CLOSED);
  }

  @Test
  void theClientRenewsItWhenItIsTime() throws Exception {
    Me me = practitioner();
    Client client = unscreened(me);
    screen(me, client, Set.of(), Set.of(), Set.of("knee"));
    share(me, client, "chin-tuck", "5x5s");
    Cookie device = device(me, client);
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(containsString("Something new today?")))
        .andExpect(content().string(not(containsString("Anything new since"))));
    clock.moveTo(clock.instant().plus(Duration.ofDays(80)));
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(containsString("Anything new since")));
    mvc.perform(post("/me/renew").with(csrf()).cookie(device).param("none", "signs"))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("Choose one.")));
    mvc.perform(renewal(device, "", "", "no")).andExpect(redirectedUrl("/me/today"));
    assertThat(screenings.all(me, client.getId()))
        .hasSize(2)
        .first()
        .satisfies(
            k -> {
              assertThat(k.by()).isEqualTo("the client");
              assertThat(k.answers().conditions()).containsExactly("knee");
            });
    assertThat(((Gate.Open) screenings.gate(client)).renewable()).isFalse();
  }

  /** An examined red flag leaves its locks on; "nothing new" at home does not take them off. */
  @Test
  void renewingUnlocksNothing() throws Exception {
    Me me = practitioner();
    Client client = unscreened(me);
    screen(me, client, Set.of(), Set.of("inflammatory"), Set.of());
    UUID about = screenings.all(me, client.getId()).get(0).id();
    record(me, client, about, "upper neck", "stable", "");
    share(me, client, "diaphragmatic-breathing", "4br");
    Cookie device = device(me, client);
    var before = ((Gate.Open) screenings.gate(client)).assessment().lockedFeatures();
    clock.moveTo(clock.instant().plus(Duration.ofDays(80)));
    mvc.perform(renewal(device, "", "", "no")).andExpect(redirectedUrl("/me/today"));
    assertThat(((Gate.Open) screenings.gate(client)).assessment().lockedFeatures())
        .isNotEmpty()
        .containsExactlyElementsOf(before);
  }

  @Test
  void anyYesAtHomeClosesTheGate() throws Exception {
    for (String[] answer :
        new String[][] {{"", "", "yes"}, {"", "fever", "no"}, {"chest", "", "no"}}) {
      clock.backToNow();
      Me me = practitioner();
      Client client = client(me);
      share(me, client, "chin-tuck", "5x5s");
      Cookie device = device(me, client);
      clock.moveTo(clock.instant().plus(Duration.ofDays(95)));
      mvc.perform(renewal(device, answer[0], answer[1], answer[2]))
          .andExpect(redirectedUrl("/me/today"));
      boolean emergency = !answer[0].isEmpty();
      assertThat(why(client)).isEqualTo(emergency ? Gate.Why.EMERGENCY : Gate.Why.EXAMINE);
      assertThat(attention(client)).isEqualTo(emergency ? Attention.EMERGENCY : Attention.EXAMINE);
      mvc.perform(get("/me/today").cookie(device))
          .andExpect(view().name("session/closed"))
          .andExpect(
              content().string(containsString(emergency ? "wants a doctor today" : "in person")))
          .andExpect(content().string(containsString("Call the emergency number")));
    }
  }

  /** Known tingling is offered in the player only where it is on record. */
  @Test
  void theRecordedBaselineIsShownInTheStopFlow() throws Exception {
    Me me = practitioner();
    Client client = unscreened(me);
    mvc.perform(
            as(me, post("/clients/" + client.getId() + "/screen"))
                .param("none", "signs", "flags", "conditions")
                .param("worst", "2")
                .param("arm", "no")
                .param("provoked", "no")
                .param("settles", "10-min")
                .param("baseline", "left little finger, for years"))
        .andExpect(redirectedUrl("/clients/" + client.getId() + "/screen?saved"));
    share(me, client, "chin-tuck", "5x5s");
    mvc.perform(get("/me/player?pain=2").cookie(device(me, client)))
        .andExpect(content().string(containsString("left little finger, for years")))
        .andExpect(content().string(containsString("id=\"known\"")));
    Client other = client(me);
    share(me, other, "chin-tuck", "5x5s");
    mvc.perform(get("/me/player?pain=2").cookie(device(me, other)))
        .andExpect(content().string(not(containsString("id=\"known\""))));
  }

  private static MockHttpServletRequestBuilder atHome(Cookie device, String signs, String worst) {
    MockHttpServletRequestBuilder request =
        post("/me/before-visit")
            .with(csrf())
            .cookie(device)
            .param("worst", worst)
            .param("arm", "no")
            .param("provoked", "no")
            .param("settles", "10-min");
    return signs.isEmpty()
        ? request.param("none", "signs", "flags", "conditions")
        : request.param("none", "flags", "conditions").param("signs", signs);
  }

  @Test
  void theClientAnswersBeforeTheVisitAndThePractitionerConfirms() throws Exception {
    Me me = practitioner();
    Client client = unscreened(me);
    Cookie device = device(me, client);
    mvc.perform(get("/me/today").cookie(device)).andExpect(redirectedUrl("/me/before-visit"));
    mvc.perform(atHome(device, "", "eleven"))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("Not sent yet")));
    mvc.perform(atHome(device, "", "3")).andExpect(redirectedUrl("/me/before-visit"));
    mvc.perform(get("/me/before-visit").cookie(device))
        .andExpect(content().string(containsString("Thank you")));
    assertThat(why(client)).isEqualTo(Gate.Why.TO_CONFIRM);
    String path = "/clients/" + client.getId() + "/screen";
    mvc.perform(as(me, get(path)))
        .andExpect(content().string(containsString("has answered at home")))
        .andExpect(content().string(containsString("name=\"worst\"")));
    assertThat(tryToShare(me, client, "chin-tuck", "3x5s"))
        .isInstanceOf(DraftService.Outcome.Refused.class);
    clock.moveTo(clock.instant().plusSeconds(60));
    screen(me, client, Set.of(), Set.of(), Set.of());
    assertThat(screenings.gate(client).open()).isTrue();
    mvc.perform(get("/me/before-visit").cookie(device)).andExpect(redirectedUrl("/me/today"));
    mvc.perform(atHome(device, "legs", "3")).andExpect(redirectedUrl("/me/before-visit"));
    assertThat(screenings.all(me, client.getId())).as("no longer before the visit").hasSize(2);
  }

  @Test
  void anEmergencyAtHomeSaysCallNowAndAlertsThePractice() throws Exception {
    Me me = practitioner();
    Client client = unscreened(me);
    Cookie device = device(me, client);
    mvc.perform(atHome(device, "legs", "3")).andExpect(redirectedUrl("/me/before-visit"));
    mvc.perform(get("/me/before-visit").cookie(device))
        .andExpect(content().string(containsString("Call now")))
        .andExpect(content().string(containsString("555 0100")));
    assertThat(attention(client)).isEqualTo(Attention.EMERGENCY);
    UUID about = screenings.all(me, client.getId()).get(0).id();
    assertThat(record(me, client, about, "legs", "strong", "clinic: nothing"))
        .as("confirmed first")
        .isInstanceOf(ScreeningService.Recorded.Lacking.class);
    clock.moveTo(clock.instant().plusSeconds(60));
    screen(me, client, Set.of(), Set.of(), Set.of());
    assertThat(why(client)).as("unticking is no record").isEqualTo(Gate.Why.EMERGENCY);
    mvc.perform(as(me, get("/clients/" + client.getId() + "/screen")))
        .andExpect(content().string(containsString("Answering again does not take it away")));
    about = screenings.all(me, client.getId()).get(0).id();
    record(me, client, about, "legs", "strong", "clinic: misread, no sign");
    assertThat(screenings.gate(client).open()).isTrue();
  }

  @Test
  void aNeckThatWasJustHurtOpensByTheRule() throws Exception {
    Me me = practitioner();
    Client client = unscreened(me);
    screen(me, client, Set.of(), Set.of("trauma-new"), Set.of());
    String path = "/clients/" + client.getId() + "/screen";
    mvc.perform(as(me, get(path)))
        .andExpect(content().string(containsString("Canadian C-Spine Rule")));
    String about = screenings.all(me, client.getId()).get(0).id().toString();
    MockHttpServletRequestBuilder record =
        as(me, post(path + "/record"))
            .param("about", about)
            .param("examined", "neck")
            .param("found", "moves freely");
    mvc.perform(record).andExpect(flash().attributeExists("recordError"));
    mvc.perform(
            as(me, post(path + "/record"))
                .param("about", about)
                .param("examined", "neck")
                .param("found", "moves freely")
                .param("neck[alert]", "yes"))
        .andExpect(flash().attribute("recordError", containsString("whole rule")));
    assertThat(why(client)).isEqualTo(Gate.Why.EXAMINE);
    MockHttpServletRequestBuilder whole =
        as(me, post(path + "/record"))
            .param("about", about)
            .param("examined", "neck")
            .param("found", "moves freely")
            .param("neck[alert]", "yes")
            .param("neck[aged]", "no")
            .param("neck[dangerous]", "no")
            .param("neck[tingling]", "no")
            .param("neck[low-risk]", "yes")
            .param("neck[turns]", "yes");
    mvc.perform(whole).andExpect(redirectedUrl(path + "?recorded"));
    assertThat(screenings.gate(client).open()).isTrue();
    mvc.perform(as(me, get(path)))
        .andExpect(content().string(containsString("By the rule no imaging is needed.")))
        .andExpect(content().string(containsString("Opened by")));
  }

  /** Day 76 of 90: both are told, and the worklist says until when. */
  @Test
  void whoseScreeningEndsSoonIsOnTheWorklist() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x5s");
    device(me, client);
    clock.moveTo(clock.instant().plus(Duration.ofDays(77)));
    assertThat(attention(client)).isEqualTo(Attention.SCREEN_SOON);
    mvc.perform(as(me, get("/"))).andExpect(content().string(containsString("Screening due")));
  }

  /** Clients read from the bundles: no sign, flag, condition or choice is without its words. */
  @Test
  void whatAClientIsAskedHasWords() {
    Stream<String> keys =
        Stream.of(
                Arrays.stream(EmergencySign.values()).map(x -> "sign." + x.code()),
                Arrays.stream(RedFlag.values()).map(x -> "flag." + x.code()),
                Arrays.stream(Condition.values()).map(x -> "condition." + x.code()),
                Arrays.stream(Irritability.Settles.values()).map(x -> "settles." + x.code()),
                Arrays.stream(Gate.Why.values()).map(x -> "closed." + x),
                Arrays.stream(BodyArea.values()).map(x -> "area." + x.code()),
                Arrays.stream(Side.values()).map(x -> "map.on." + x),
                Arrays.stream(PainMap.Feeling.values()).map(x -> "map." + x.code()),
                IntStream.rangeClosed(-GlobalRating.MOST, GlobalRating.MOST)
                    .mapToObj(x -> "rating." + x))
            .flatMap(x -> x);
    assertThat(keys)
        .allSatisfy(key -> assertThat(messages.getMessage(key, null, Locale.ENGLISH)).isNotBlank());
  }
}
