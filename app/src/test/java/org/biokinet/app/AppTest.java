package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.servlet.http.Cookie;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.biokinet.app.access.DeviceService;
import org.biokinet.app.access.LinkService;
import org.biokinet.app.client.Circumstances;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.Contact;
import org.biokinet.app.people.AccountService;
import org.biokinet.app.platform.AdjustableClock;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.practice.PracticeService;
import org.biokinet.app.practice.Role;
import org.biokinet.app.program.DraftService;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.screening.Answers;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.session.CheckInUpload;
import org.biokinet.app.session.FollowUpService;
import org.biokinet.app.session.FollowUpUpload;
import org.biokinet.app.session.SessionService;
import org.biokinet.app.session.SessionUpload;
import org.biokinet.app.worklist.Standing;
import org.biokinet.app.worklist.StandingService;
import org.biokinet.app.worklist.WorklistService;
import org.biokinet.app.worklist.WorklistService.Whose;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.measure.Goal;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.screening.Irritability;
import org.biokinet.core.session.Ended;
import org.biokinet.core.timeline.Segment;
import org.biokinet.core.timeline.Timeline;
import org.junit.jupiter.api.AfterEach;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.autoconfigure.web.servlet.AutoConfigureMockMvc;
import org.springframework.boot.test.autoconfigure.web.servlet.MockMvcPrint;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.context.SpringBootTest.WebEnvironment;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Import;
import org.springframework.context.annotation.Primary;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.AuthorityUtils;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.springframework.transaction.support.TransactionTemplate;

/** One application on one database for all tests; every test makes its own practice. */
@SpringBootTest(
    webEnvironment = WebEnvironment.RANDOM_PORT,
    properties = {
      "biokinet.demo=true",
      "biokinet.mail-from=practice@harbourlane.example",
      "biokinet.mail-rounds=false"
    })
@AutoConfigureMockMvc(print = MockMvcPrint.NONE)
@Import(AppTest.QuickPasswords.class)
abstract class AppTest {

  /** What is made slow for who tries out passwords need not be for who makes a thousand people. */
  @TestConfiguration
  static class QuickPasswords {
    private static final int LEAST_ROUNDS = 4;

    @Bean
    @Primary
    PasswordEncoder quickEncoder() {
      return new BCryptPasswordEncoder(LEAST_ROUNDS);
    }
  }

  static final ZoneId LISBON = ZoneId.of("Europe/Lisbon");
  static final String PASSWORD = "a long enough password";

  @Autowired MockMvc mvc;
  @Autowired AccountService accounts;
  @Autowired PracticeService practices;
  @Autowired ClientService clients;
  @Autowired LinkService links;
  @Autowired DeviceService devices;
  @Autowired DraftService drafts;
  @Autowired VersionService versions;
  @Autowired SessionService sessions;
  @Autowired FollowUpService followUps;
  @Autowired ScreeningService screenings;
  @Autowired WorklistService worklist;
  @Autowired StandingService standings;

  /** A browser that was closed may have sent something that the server takes meanwhile. */
  @Autowired TransactionTemplate atOneMoment;

  @Autowired AdjustableClock clock;
  @Autowired ObjectMapper json;
  @LocalServerPort int port;

  private final List<Me> people = new ArrayList<>();

  /** What is kept of where clients stand is what their records say, whatever a test did. */
  @AfterEach
  void everybodyStandsWhereTheRecordsSay() {
    try {
      for (Me me : people) {
        worklist
            .look(me, Whose.ALL)
            .wanting(Optional.empty(), 0, 1); // whose time is over is brought up before it is shown
        for (Client c : clients.all(me)) {
          atOneMoment.executeWithoutResult(
              one -> assertThat(standings.kept(c)).as(c.name()).isEqualTo(standings.made(c)));
        }
      }
    } finally {
      clock.backToNow();
    }
  }

  Practice practice() {
    return practices.add("Practice " + UUID.randomUUID(), LISBON, "555 0100");
  }

  Me practitioner(Practice practice) {
    return person(practice, Role.PRACTITIONER);
  }

  Me person(Practice practice, Role role) {
    Me me =
        accounts.addPractitioner(
            practice, UUID.randomUUID() + "@practice.example", "A. Practitioner", role, PASSWORD);
    people.add(me);
    return me;
  }

  /** Where a client stands now. */
  Standing standing(Client client) {
    return standings.of(client, clock.instant());
  }

  Me practitioner() {
    return practitioner(practice());
  }

  /** Screened, and clear. */
  Client client(Me me) {
    Client client = unscreened(me);
    screen(me, client, Set.of(), Set.of(), Set.of());
    return client;
  }

  Client unscreened(Me me) {
    return clients.add(me, Contact.of("Ada Example", LISBON), Circumstances.of("forecaster"));
  }

  /** Changes who treats a client and what the client wants, nothing else. */
  void change(Me me, Client client, Set<UUID> team, List<Goal> goals) {
    Client now = clients.get(me, client.getId());
    clients.change(
        me, now.getId(), now.version(), now.contact(), now.circumstances(), me.id(), team, goals);
  }

  void screen(Me me, Client client, Set<String> signs, Set<String> flags, Set<String> conditions) {
    screenings.save(
        me,
        client.getId(),
        Answers.of(signs, flags, conditions, 2, Irritability.Settles.WITHIN_10_MINUTES, false));
  }

  /** Writes a program of exercise and dose pairs and shares it. */
  ProgramVersion share(Me me, Client client, String... exerciseAndDose) {
    DraftService.Outcome outcome = tryToShare(me, client, ProgramKind.MAIN, exerciseAndDose);
    assertThat(outcome).isInstanceOf(DraftService.Outcome.Shared.class);
    return ((DraftService.Outcome.Shared) outcome).version();
  }

  /** The same of either program, whatever comes of it. */
  DraftService.Outcome tryToShare(
      Me me, Client client, ProgramKind program, String... exerciseAndDose) {
    int seq = drafts.state(me, client.getId(), program).seq();
    for (int i = 0; i < exerciseAndDose.length; i += 2) {
      drafts.edit(
          me,
          client.getId(),
          program,
          seq++,
          new DraftEdit.Add(
              UUID.randomUUID().toString(), exerciseAndDose[i], exerciseAndDose[i + 1]));
    }
    return drafts.share(me, client.getId(), program, seq, "It is only a test.");
  }

  /** A flare plan of breathing and a movement, shared ahead. */
  void flarePlan(Me me, Client client) {
    int seq = 0;
    for (DraftEdit edit :
        new DraftEdit[] {
          new DraftEdit.SetTitle("Calm"),
          new DraftEdit.Add("a", "diaphragmatic-breathing", "3br"),
          new DraftEdit.Add("b", "neck-rotation", "3"),
          new DraftEdit.SetDays(2)
        }) {
      drafts.edit(me, client.getId(), ProgramKind.FLARE, seq++, edit);
    }
    assertThat(drafts.share(me, client.getId(), ProgramKind.FLARE, seq, "It is only a test."))
        .isInstanceOf(DraftService.Outcome.Shared.class);
  }

  ClientMe asClient(Client c) {
    return ClientMe.of(c);
  }

  /** A session done in full, started at this instant. */
  SessionUpload session(Client client, Instant started, Ended ended) {
    return session(client, ProgramKind.MAIN, started, ended);
  }

  SessionUpload session(Client client, ProgramKind program, Instant started, Ended ended) {
    return session(client, program, started, ended, 2);
  }

  private SessionUpload session(
      Client client, ProgramKind program, Instant started, Ended ended, int painBefore) {
    VersionService.Replay replay = versions.latest(client, program).orElseThrow();
    List<Integer> done =
        Timeline.compile(replay.session(Side.LEFT, SessionLength.USUAL)).segments().stream()
            .map(Segment::seconds)
            .toList();
    return new SessionUpload(
        UUID.randomUUID(),
        null,
        program,
        replay.version().number(),
        Side.LEFT,
        SessionLength.USUAL,
        null,
        null,
        null,
        OffsetDateTime.ofInstant(started, ZoneOffset.UTC),
        "Europe/Lisbon",
        painBefore,
        ended,
        ended == Ended.STOPPED ? "Stopped in Chin tuck," : "",
        done,
        null,
        null);
  }

  /** The device cookie of a client who has opened a new link. */
  Cookie device(Me me, Client client) {
    LinkService.Made made = links.make(me, client.getId());
    LinkService.Opening opening = links.open(made.token(), made.pin(), "");
    return new Cookie("biokinet-client", ((LinkService.Opening.Opened) opening).cookie());
  }

  /** Does the same many times at once; fails where one of them does. */
  static void atOnce(int times, ThrowingRunnable each) throws Exception {
    CyclicBarrier together = new CyclicBarrier(times);
    ExecutorService threads = Executors.newFixedThreadPool(times);
    try {
      List<Future<Object>> all =
          threads.invokeAll(
              Collections.nCopies(
                  times,
                  () -> {
                    together.await();
                    each.run();
                    return "";
                  }));
      for (Future<Object> one : all) one.get();
    } finally {
      threads.shutdownNow();
    }
  }

  /** Something that may fail. */
  interface ThrowingRunnable {
    void run() throws Exception;
  }

  /**
   * A day of a client's: a session at eight with what was told of it, and the morning after; the
   * clock stands there then.
   *
   * @param provoked where pain rose, as devices write it
   */
  void day(Client client, LocalDate day, int highest, int felt, String... provoked) {
    day(client, day, 2, highest, felt, provoked);
  }

  void day(Client client, LocalDate day, int before, int highest, int felt, String... provoked) {
    clock.moveTo(day.atTime(8, 0).atZone(LISBON).toInstant());
    SessionUpload session =
        session(client, ProgramKind.MAIN, clock.instant(), Ended.FINISHED, before);
    sessions.record(asClient(client), session);
    sessions.record(
        asClient(client),
        new CheckInUpload(
            UUID.randomUUID(),
            session.uploadId(),
            highest,
            felt,
            null,
            provoked.length == 0 ? null : List.of(provoked),
            null,
            null,
            ""));
    ZonedDateTime next = day.plusDays(1).atTime(7, 0).atZone(LISBON);
    clock.moveTo(next.toInstant());
    followUps.recordForm(
        asClient(client),
        FollowUpUpload.morning(
            UUID.randomUUID(), day.plusDays(1), 2, false, next.toOffsetDateTime()));
  }

  LocalDate tomorrow() {
    return LocalDate.ofInstant(clock.instant(), LISBON).plusDays(1);
  }

  MockHttpServletRequestBuilder as(Me me, MockHttpServletRequestBuilder request) {
    return request.with(signedIn(me)).with(csrf());
  }

  static RequestPostProcessor signedIn(Me me) {
    return authentication(
        UsernamePasswordAuthenticationToken.authenticated(
            me, null, AuthorityUtils.createAuthorityList(me.role().authorities())));
  }
}
