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

import jakarta.servlet.http.Cookie;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.biokinet.app.client.Circumstances;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.Contact;
import org.biokinet.app.measurement.MeasurementService;
import org.biokinet.app.people.AbsenceService;
import org.biokinet.app.platform.Days;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.session.SessionUpload;
import org.biokinet.app.worklist.LaterService;
import org.biokinet.app.worklist.StandingWords;
import org.biokinet.app.worklist.WorklistService;
import org.biokinet.app.worklist.WorklistService.Whose;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.measure.BodyArea;
import org.biokinet.core.measure.PainMap;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.progress.Attention;
import org.biokinet.core.screening.Beginning;
import org.biokinet.core.session.Ended;
import org.biokinet.core.timeline.Segment;
import org.biokinet.core.timeline.Timeline;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;

/** Whom to call first. */
class WorklistTest extends AppTest {

  @Autowired private JdbcTemplate jdbc;
  @Autowired private AbsenceService absences;
  @Autowired private LaterService later;
  @Autowired private MeasurementService measurements;

  @Test
  void oneReasonAloneAndHowManyThereAreOfEach() throws Exception {
    Me me = practitioner();
    client(me);
    for (int n = 0; n < 2; n++) share(me, client(me), "chin-tuck", "3x10s");
    assertThat(worklist.look(me, Whose.ALL).reasons())
        .containsExactly(
            new WorklistService.Reason(Attention.NOT_OPENED, "Not opened", 2),
            new WorklistService.Reason(Attention.NO_PROGRAM, "No program", 1));
    assertThat(worklist.look(me, Whose.ALL).wanting(Optional.of(Attention.NOT_OPENED), 0, 10))
        .extracting(WorklistService.Row::attention)
        .containsExactly(Attention.NOT_OPENED, Attention.NOT_OPENED);
    assertThat(worklist.look(me, Whose.ALL).wanting(Optional.empty(), 0, 10)).hasSize(3);
    mvc.perform(as(me, get("/?reason=NOT_OPENED")))
        .andExpect(content().string(containsString("3 want you")))
        .andExpect(content().string(containsString("Not opened 2")))
        .andExpect(content().string(not(containsString("Nothing prescribed yet"))));
    mvc.perform(as(me, get("/?reason=nonsense"))).andExpect(status().isBadRequest());
    Me elsewhere = practitioner();
    assertThat(worklist.look(elsewhere, Whose.ALL).reasons()).isEmpty();
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
    return worklist.look(me, Whose.ALL).wanting(Optional.empty(), 0, 10).stream()
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
        .andExpect(redirectedUrl("/#row-" + client.getId()));
    assertThat(wanting(me)).isEmpty();
    assertThat(worklist.look(me, Whose.ALL).reasons()).isEmpty();
    assertThat(worklist.look(me, Whose.ALL).steady(0, 10)).isEmpty();
    String words = "Later, on %s: waits for the scan".formatted(Days.day(until));
    assertThat(worklist.look(me, Whose.ALL).later(0, 10))
        .extracting(WorklistService.Row::word, WorklistService.Row::reason)
        .containsExactly(tuple("No program", words));
    mvc.perform(as(me, get("/"))).andExpect(content().string(containsString("1 later")));
    clock.moveTo(until.atStartOfDay(LISBON).toInstant().minusSeconds(1));
    assertThat(wanting(me)).isEmpty();
    clock.moveTo(until.atStartOfDay(LISBON).toInstant());
    assertThat(wanting(me)).containsExactly(Attention.NO_PROGRAM);
    assertThat(worklist.look(me, Whose.ALL).later(0, 10)).isEmpty();
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
      mvc.perform(as(me, post(path + "/end"))).andExpect(redirectedUrl("/#row-" + client.getId()));
      assertThat(wanting(me)).containsExactly(Attention.NO_PROGRAM);
    }
  }

  /** One line; it stands beside the reason until there is a newer one. */
  @Test
  void aCallIsWrittenDownInOneLine() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    raise(client, Attention.MESSAGE);
    clock.moveTo(clock.instant().plus(Duration.ofMinutes(5)));
    String path = "/clients/%s/call".formatted(client.getId());
    mvc.perform(as(me, get("/"))).andExpect(content().string(containsString(path)));
    mvc.perform(as(me, post(path)).param("said", "left still pulls").param("next", "on Friday"))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("Reached, or not?")))
        .andExpect(content().string(containsString("left still pulls")))
        .andExpect(content().string(containsString("on Friday")));
    mvc.perform(as(me, post(path)).param("reached", "true"))
        .andExpect(content().string(containsString("What was said?")));
    mvc.perform(
            as(me, post(path))
                .param("reached", "false")
                .param("said", "x".repeat(300))
                .param("next", "y".repeat(151)))
        .andExpect(content().string(containsString("At most 150 characters.")));
    assertThat(clients.lastCall(client.getId())).isEmpty();
    mvc.perform(
            as(me, post(path))
                .param("reached", "false")
                .param("said", "x".repeat(300))
                .param("next", "y".repeat(150)))
        .andExpect(redirectedUrl("/#row-" + client.getId()));
    clock.moveTo(clock.instant().plus(Duration.ofMinutes(5)));
    mvc.perform(
            as(me, post(path))
                .param("reached", "true")
                .param("said", " left still pulls ")
                .param("next", "rings on Friday"))
        .andExpect(redirectedUrl("/#row-" + client.getId()));
    assertThat(standing(client).attention()).as("not answered by it").isEqualTo(Attention.MESSAGE);
    assertThat(reason(client)).endsWith(" Reached: left still pulls. Next: rings on Friday");
    clock.moveTo(clock.instant().plus(Duration.ofMinutes(5)));
    raise(client, Attention.MESSAGE);
    assertThat(reason(client)).as("wrote again since").doesNotContain("Reached");
  }

  // ---- what is read off the record -----------------------------------------------------------

  private String reason(Client client) {
    return StandingWords.of(standing(client), "", clock.instant(), LISBON).reason();
  }

  private Client begun(Me me, String... exerciseAndDose) {
    Client client = client(me);
    share(me, client, exerciseAndDose);
    device(me, client);
    return client;
  }

  @Test
  void whoMayGoOnOrIsToBeEasedStandsOnTheList() {
    Me me = practitioner();
    Client client = begun(me, "upper-trap-stretch", "2x15s @3", "chin-tuck", "3x5s");
    LocalDate first = tomorrow();
    for (int n = 0; n < 5; n++) day(client, first.plusDays(n), 2, 3);
    assertThat(standing(client).attention()).isEqualTo(Attention.STEADY);
    day(client, first.plusDays(5), 2, 3);
    assertThat(standing(client).attention()).as("a week").isEqualTo(Attention.READY);
    assertThat(reason(client))
        .isEqualTo("Upper trapezius stretch, hand on head (left) and 2 more.");
    day(client, first.plusDays(6), 2, 5);
    day(client, first.plusDays(7), 2, 5);
    assertThat(standing(client).attention()).isEqualTo(Attention.WORSE);
    assertThat(reason(client))
        .isEqualTo(
            "Upper trapezius stretch, hand on head (left) and 1 more:"
                + " stretch over its ceiling on 2 of the last 3 days.");
    assertThat(putOff(me, client, Attention.WORSE, tomorrow().plusDays(5), "call on Monday"))
        .isEmpty();
    assertThat(wanting(me)).isEmpty();
  }

  @Test
  void afterAGapDosesAreSmallerUntilSomebodyHasLooked() {
    Me me = practitioner();
    Client client = begun(me, "chin-tuck", "3x10s");
    LocalDate first = tomorrow();
    for (int n = 0; n < 2; n++) day(client, first.plusDays(n), 2, 3);
    clock.moveTo(first.plusDays(9).atTime(8, 0).atZone(LISBON).toInstant());
    assertThat(standing(client).attention()).isEqualTo(Attention.QUIET);
    sessions.record(asClient(client), begunAgain(client));
    assertThat(standing(client).attention()).isEqualTo(Attention.RETURNED);
    assertThat(reason(client)).contains("one rung down, until you have looked");
  }

  private SessionUpload begunAgain(Client client) {
    SessionUpload whole = session(client, clock.instant(), Ended.FINISHED);
    List<Integer> seconds =
        Timeline.compile(
                versions
                    .latest(client, ProgramKind.MAIN)
                    .orElseThrow()
                    .begun(Beginning.ONE_DOWN)
                    .session(Side.LEFT, SessionLength.USUAL))
            .segments()
            .stream()
            .map(Segment::seconds)
            .toList();
    return done(whole, Beginning.ONE_DOWN, seconds);
  }

  @Test
  void aSideThatIsLeftOutIsSeen() {
    Me me = practitioner();
    Client client = begun(me, "upper-trap-stretch", "2x15s @3");
    for (int n = 0; n < 3; n++) {
      clock.moveTo(tomorrow().atTime(8, 0).atZone(LISBON).toInstant());
      SessionUpload whole = session(client, clock.instant(), Ended.FINISHED);
      List<Segment> segments =
          Timeline.compile(
                  versions
                      .latest(client, ProgramKind.MAIN)
                      .orElseThrow()
                      .session(Side.LEFT, SessionLength.USUAL))
              .segments();
      List<Integer> rightOnly =
          segments.stream()
              .map(s -> s.side().equals(Optional.of(Side.LEFT)) ? 0 : s.seconds())
              .toList();
      sessions.record(asClient(client), done(whole, Beginning.AS_SHARED, rightOnly));
    }
    assertThat(standing(client).attention()).isEqualTo(Attention.ONE_SIDE);
    assertThat(reason(client))
        .isEqualTo("Of the last days 0 % is done on the left, 100 % on the right.");
  }

  private static SessionUpload done(SessionUpload u, Beginning beginning, List<Integer> seconds) {
    return new SessionUpload(
        u.uploadId(),
        null,
        u.program(),
        u.version(),
        u.lead(),
        u.length(),
        null,
        null,
        beginning,
        u.startedAt(),
        u.zone(),
        u.painBefore(),
        u.ended(),
        "",
        seconds,
        null,
        null);
  }

  @Test
  void aDeskProgramThatNobodyDoesIsSilentAfterFiveDays() {
    clock.moveTo(tomorrow().atTime(8, 0).atZone(LISBON).toInstant());
    Me me = practitioner();
    Client client = begun(me, "chin-tuck", "3x10s");
    tryToShare(me, client, ProgramKind.DESK, "neck-rotation", "3");
    assertThat(versions.latest(client, ProgramKind.DESK)).isPresent();
    LocalDate first = tomorrow();
    for (int n = 0; n < 4; n++) day(client, first.plusDays(n), 2, 3);
    assertThat(standing(client).attention()).isEqualTo(Attention.STEADY);
    clock.moveTo(first.plusDays(4).atTime(9, 0).atZone(LISBON).toInstant());
    assertThat(standing(client).attention()).isEqualTo(Attention.DESK_SILENT);
    assertThat(reason(client)).startsWith("No break at the desk since ");
    sessions.record(
        asClient(client), session(client, ProgramKind.DESK, clock.instant(), Ended.FINISHED));
    assertThat(standing(client).attention()).isEqualTo(Attention.STEADY);
  }

  private static PainMap.Mark neck(Side side) {
    return new PainMap.Mark(BodyArea.LOWER_NECK, side, PainMap.Feeling.ACHE, 4);
  }

  /** A first map has nothing new; tapped by mistake and cleared it was nothing. */
  @Test
  void whatIsNewOnTheClientsOwnMapIsTold() {
    Me me = practitioner();
    Client client = begun(me, "chin-tuck", "3x10s");
    measurements.mark(asClient(client), neck(Side.RIGHT), false);
    assertThat(standing(client).attention()).isEqualTo(Attention.NOT_STARTED);
    clock.moveTo(tomorrow().atTime(8, 0).atZone(LISBON).toInstant());
    measurements.mark(asClient(client), neck(Side.RIGHT), false);
    assertThat(standing(client).attention()).as("as before").isEqualTo(Attention.NOT_STARTED);
    measurements.mark(asClient(client), neck(Side.LEFT), false);
    assertThat(standing(client).attention()).isEqualTo(Attention.NEW_SYMPTOM);
    assertThat(reason(client)).contains("left").contains("ache 4");
    measurements.mark(asClient(client), neck(Side.LEFT), true);
    assertThat(standing(client).attention()).as("cleared").isEqualTo(Attention.NOT_STARTED);
  }

  /** Of several for the same reason whoever has waited longest, whatever their names. */
  @Test
  void whoHasWaitedLongestComesFirst() {
    Me me = practitioner();
    List<Client> clients = Stream.generate(() -> client(me)).limit(3).toList();
    for (int n : List.of(2, 0, 1)) {
      raise(clients.get(n), Attention.MESSAGE);
      clock.moveTo(clock.instant().plus(Duration.ofMinutes(1)));
    }
    assertThat(worklist.look(me, Whose.ALL).wanting(Optional.empty(), 0, 10))
        .extracting(WorklistService.Row::id)
        .containsExactly(clients.get(2).getId(), clients.get(0).getId(), clients.get(1).getId());
  }

  private List<String> names(Me me, Whose whose) {
    return worklist.look(me, whose).wanting(Optional.empty(), 0, 10).stream()
        .map(WorklistService.Row::name)
        .sorted()
        .toList();
  }

  private Client named(Me me, String name) {
    return clients.add(me, Contact.of(name, LISBON), Circumstances.of(""));
  }

  @Test
  void mineMyTeamAndEverybodys() throws Exception {
    Practice practice = practice();
    Me me = practitioner(practice);
    Me colleague = practitioner(practice);
    named(me, "Mine");
    named(colleague, "Theirs");
    Client together = named(colleague, "Together");
    change(colleague, together, Set.of(me.id()), List.of());
    assertThat(names(me, Whose.MINE)).containsExactly("Mine");
    assertThat(names(me, Whose.TEAM)).containsExactly("Mine", "Together");
    assertThat(names(me, Whose.ALL)).containsExactly("Mine", "Theirs", "Together");
    change(colleague, together, Set.of(), List.of());
    assertThat(names(me, Whose.TEAM)).containsExactly("Mine");
    assertThat(worklist.look(me, Whose.TEAM).reasons())
        .extracting(WorklistService.Reason::clients)
        .containsExactly(1L);
    mvc.perform(as(me, get("/?whose=MINE")))
        .andExpect(content().string(containsString("Mine")))
        .andExpect(content().string(not(containsString("Theirs"))));
  }

  /** Away from the first day to the last, in the zone of the practice, and not an hour longer. */
  @Test
  void whoeverCoversHasTheirClientsAmongTheirOwn() throws Exception {
    Practice practice = practice();
    Me me = practitioner(practice);
    Me away = practitioner(practice);
    Me third = practitioner(practice);
    named(away, "Theirs");
    LocalDate from = tomorrow();
    LocalDate last = from.plusDays(2);
    assertThat(absences.add(away, away.id(), me.id(), from, last)).isEmpty();
    assertThat(names(me, Whose.MINE)).isEmpty();
    clock.moveTo(from.atStartOfDay(LISBON).toInstant());
    assertThat(names(me, Whose.MINE)).containsExactly("Theirs");
    assertThat(names(third, Whose.MINE)).isEmpty();
    assertThat(names(away, Whose.MINE)).as("nothing changes hands").containsExactly("Theirs");
    mvc.perform(as(me, get("/?whose=MINE")))
        .andExpect(content().string(containsString("You cover for")));
    clock.moveTo(last.plusDays(1).atStartOfDay(LISBON).toInstant().minusSeconds(1));
    assertThat(names(me, Whose.MINE)).containsExactly("Theirs");
    clock.moveTo(last.plusDays(1).atStartOfDay(LISBON).toInstant());
    assertThat(names(me, Whose.MINE)).isEmpty();
  }

  @Test
  void whoIsAwayCoversForNobody() throws Exception {
    Practice practice = practice();
    Me me = practitioner(practice);
    Me away = practitioner(practice);
    Me third = practitioner(practice);
    LocalDate from = tomorrow();
    LocalDate last = from.plusDays(5);
    assertThat(absences.add(away, away.id(), me.id(), from, last)).isEmpty();
    assertThat(absences.add(me, me.id(), third.id(), last, last.plusDays(3)))
        .as("covers on the last day")
        .containsInstanceOf(AbsenceService.Fault.Covers.class);
    assertThat(absences.add(third, third.id(), away.id(), last, last))
        .containsInstanceOf(AbsenceService.Fault.CoverAway.class);
    assertThat(absences.add(away, away.id(), third.id(), last, last.plusDays(9)))
        .containsInstanceOf(AbsenceService.Fault.Already.class);
    assertThat(absences.add(me, third.id(), me.id(), from, last))
        .containsInstanceOf(AbsenceService.Fault.NotYours.class);
    assertThat(absences.add(me, me.id(), me.id(), from, last))
        .containsInstanceOf(AbsenceService.Fault.NoCover.class);
    assertThat(absences.add(me, me.id(), third.id(), from.minusDays(2), last))
        .containsInstanceOf(AbsenceService.Fault.Days.class);
    assertThat(absences.add(me, me.id(), third.id(), last.plusDays(1), last.plusDays(3))).isEmpty();
    mvc.perform(
            as(third, post("/absences"))
                .param("from", last.toString())
                .param("last", last.toString())
                .param("cover", away.id().toString()))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("is away")));
    UUID id = absences.ahead(me).get(0).id();
    mvc.perform(as(third, post("/absences/%s/end".formatted(id)))).andExpect(status().isNotFound());
    mvc.perform(as(away, post("/absences/%s/end".formatted(id))))
        .andExpect(redirectedUrl("/absences"));
    assertThat(absences.ahead(me)).hasSize(1);
  }

  @Test
  void aClientIsGivenToSomebodyElseOnce() throws Exception {
    Practice practice = practice();
    Me me = practitioner(practice);
    Me other = practitioner(practice);
    Me third = practitioner(practice);
    Client client = named(me, "Ada Example");
    String path = "/clients/%s/give".formatted(client.getId());
    mvc.perform(as(me, post(path)).param("of", me.id().toString()))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("Choose somebody of the practice")));
    mvc.perform(
            as(me, post(path))
                .param("of", me.id().toString())
                .param("colleague", other.id().toString())
                .param("why", "wants evenings"))
        .andExpect(redirectedUrl("/#row-" + client.getId()));
    assertThat(names(other, Whose.MINE)).containsExactly("Ada Example");
    assertThat(names(me, Whose.MINE)).isEmpty();
    mvc.perform(
            as(me, post(path))
                .param("of", me.id().toString())
                .param("colleague", third.id().toString())
                .param("why", "typed"))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("Somebody was faster")))
        .andExpect(content().string(containsString("value=\"typed\"")));
    assertThat(names(other, Whose.MINE)).containsExactly("Ada Example");
    mvc.perform(as(me, get("/clients/%s/happened".formatted(client.getId()))))
        .andExpect(content().string(containsString("wants evenings")));
  }

  /** Whoever has dealt with one goes on where they were. */
  @Test
  void backFromACallIsToTheSameList() throws Exception {
    Me me = practitioner();
    Client client = named(me, "Ada Example");
    Cookie session =
        mvc.perform(as(me, get("/?reason=NO_PROGRAM")))
            .andReturn()
            .getResponse()
            .getCookie("biokinet");
    mvc.perform(
            as(me, post("/clients/%s/call".formatted(client.getId())).cookie(session))
                .param("reached", "false"))
        .andExpect(redirectedUrl("/?reason=NO_PROGRAM#row-" + client.getId()));
  }

  /** After a change of the application nothing is shown as whole that is not. */
  @Test
  void whoIsNotLookedAtYetIsSaidToBeMissing() throws Exception {
    Me me = practitioner();
    for (int n = 0; n < 45; n++) named(me, "Client " + n);
    String practice = me.practiceId().toString();
    atOneMoment.executeWithoutResult(
        one -> jdbc.update("update standing set form = 1 where practice_id = ?", practice));
    mvc.perform(as(me, get("/")))
        .andExpect(content().string(containsString("Not complete: 5")))
        .andExpect(content().string(containsString("40 clients")));
    mvc.perform(as(me, get("/"))).andExpect(content().string(containsString("45 clients")));
  }
}
