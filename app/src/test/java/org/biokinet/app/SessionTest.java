package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.hasToString;
import static org.hamcrest.Matchers.not;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.flash;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.model;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import jakarta.servlet.http.Cookie;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import org.biokinet.app.client.Circumstances;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.Contact;
import org.biokinet.app.practice.Me;
import org.biokinet.app.session.CheckInUpload;
import org.biokinet.app.session.FollowUpUpload;
import org.biokinet.app.session.SessionService;
import org.biokinet.app.session.SessionUpload;
import org.biokinet.app.worklist.WorklistService.Whose;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.figure.draw.Figure;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.session.CheckIn;
import org.biokinet.core.session.Ended;
import org.biokinet.core.session.Session;
import org.biokinet.core.session.Tighter;
import org.biokinet.core.timeline.Performance;
import org.biokinet.core.timeline.Segment;
import org.biokinet.core.timeline.Timeline;
import org.hamcrest.Matchers;
import org.junit.jupiter.api.Test;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.ResultActions;

/** What the player sends, and what may start. */
class SessionTest extends AppTest {

  private ResultActions send(Cookie device, String path, Object body) throws Exception {
    return send(device, path, owner(device), body);
  }

  private String owner(Cookie device) {
    return devices.clientOf(device.getValue()).orElseThrow().id().toString();
  }

  private ResultActions send(Cookie device, String path, String owner, Object body)
      throws Exception {
    return mvc.perform(
        post(path)
            .param("client", owner)
            .cookie(device)
            .with(csrf())
            .accept(MediaType.APPLICATION_JSON)
            .contentType(MediaType.APPLICATION_JSON)
            .content(json.writeValueAsString(body)));
  }

  @Test
  void aSessionSentTwiceCountsOnceAndOtherContentIsKeptAsAConflict() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "2x15s @3");
    Cookie device = device(me, client);
    SessionUpload upload = session(client, Instant.now(), Ended.FINISHED);
    send(device, "/me/sessions", upload).andExpect(status().isNoContent());
    send(device, "/me/sessions", upload).andExpect(status().isNoContent());
    assertThat(sessions.page(client.getId(), 0, 10).getTotalElements()).isEqualTo(1);
    assertThat(sessions.conflicts(client.getId())).isZero();
    SessionUpload other =
        new SessionUpload(
            upload.uploadId(),
            null,
            ProgramKind.MAIN,
            upload.version(),
            upload.lead(),
            upload.length(),
            null,
            null,
            null,
            upload.startedAt(),
            upload.zone(),
            5,
            Ended.EARLY,
            "",
            upload.done(),
            null,
            null);
    send(device, "/me/sessions", other).andExpect(status().isNoContent());
    Session kept = sessions.page(client.getId(), 0, 10).getContent().get(0);
    assertThat(kept.painBefore()).contains(2);
    assertThat(sessions.conflicts(client.getId())).isEqualTo(1);
    // Both sides see it; the client is told for a week.
    mvc.perform(as(me, get("/clients/" + client.getId() + "/review")))
        .andExpect(content().string(containsString("One thing came under an id")))
        .andExpect(content().string(containsString("pain before")));
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(containsString("came in two ways")));
    mvc.perform(get("/me/back").cookie(device))
        .andExpect(content().string(containsString("Told in two ways")))
        .andExpect(content().string(containsString("early")));
    clock.moveTo(clock.instant().plus(Duration.ofDays(8)));
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(not(containsString("came in two ways"))));
  }

  private static SessionUpload revised(
      SessionUpload of, int revision, Ended ended, List<Integer> done) {
    return new SessionUpload(
        of.uploadId(),
        revision,
        of.program(),
        of.version(),
        of.lead(),
        of.length(),
        null,
        null,
        null,
        of.startedAt(),
        of.zone(),
        of.painBefore(),
        ended,
        "",
        done,
        null,
        null);
  }

  /** Gone on with after a reload it is one session, whichever word of it comes in last. */
  @Test
  void aSessionThatWasGoneOnWithStaysOne() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    Cookie device = device(me, client);
    SessionUpload whole = session(client, clock.instant(), Ended.FINISHED);
    List<Integer> half = new ArrayList<>(whole.done());
    for (int i = half.size() / 2; i < half.size(); i++) half.set(i, 0);
    SessionUpload early = revised(whole, 0, Ended.EARLY, half);
    SessionUpload finished = revised(whole, 1, Ended.FINISHED, whole.done());
    send(device, "/me/sessions", early).andExpect(status().isNoContent());
    send(device, "/me/sessions", finished).andExpect(status().isNoContent());
    assertThat(sessions.page(client.getId(), 0, 10).getTotalElements()).isEqualTo(1);
    Session kept = sessions.last(client.getId()).orElseThrow();
    assertThat(kept.ended()).isEqualTo(Ended.FINISHED);
    assertThat(kept.parts().get(0).reps()).isEqualTo(3);
    // The earlier word comes once more, late: it changes nothing.
    send(device, "/me/sessions", early).andExpect(status().isNoContent());
    assertThat(sessions.last(client.getId()).orElseThrow().ended()).isEqualTo(Ended.FINISHED);
  }

  /** A tap by mistake is taken back within minutes; after that a stop stays a stop. */
  @Test
  void aStopByMistakeIsTakenBackAtOnceOrNotAtAll() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    Cookie device = device(me, client);
    SessionUpload stop = session(client, clock.instant(), Ended.STOPPED);
    send(device, "/me/sessions", stop).andExpect(status().isNoContent());
    assertThat(standing(client).isPaused()).isTrue();
    clock.moveTo(clock.instant().plus(Session.PUT_RIGHT_WITHIN));
    send(device, "/me/sessions", revised(stop, 1, Ended.EARLY, stop.done()))
        .andExpect(status().isNoContent());
    assertThat(standing(client).isPaused()).isFalse();
    mvc.perform(get("/me/player").cookie(device).param("pain", "2")).andExpect(status().isOk());
    // It does not vanish: the practitioner reads of it.
    assertThat(sessions.last(client.getId()).orElseThrow().putRight())
        .contains("tapped stop by mistake");

    SessionUpload again = session(client, clock.instant(), Ended.STOPPED);
    send(device, "/me/sessions", again).andExpect(status().isNoContent());
    clock.moveTo(clock.instant().plus(Session.PUT_RIGHT_WITHIN).plus(Duration.ofMinutes(3)));
    send(device, "/me/sessions", revised(again, 1, Ended.EARLY, again.done()))
        .andExpect(status().isNoContent());
    assertThat(standing(client).isPaused()).isTrue();
    assertThat(sessions.conflicts(client.getId())).isEqualTo(1);
  }

  @Test
  void stretchSecondsAreThoseOfTheCore() {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "L 2x15s R 3x20s @3");
    sessions.record(asClient(client), session(client, Instant.now(), Ended.FINISHED));
    Session row = sessions.page(client.getId(), 0, 1).getContent().get(0);
    assertThat(List.of(row.stretchSeconds(Side.LEFT), row.stretchSeconds(Side.RIGHT)))
        .containsExactly(30, 60);
    assertThat(sessions.nextLead(client.getId(), ProgramKind.MAIN)).isEqualTo(Side.RIGHT);
  }

  @Test
  void aShortSessionIsOfferedAndRecordedAsSuch() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "2x15s", "neck-rotation", "5", "chin-tuck", "3x10s");
    Cookie device = device(me, client);
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(Matchers.containsString("value=\"SHORT\"")))
        .andExpect(content().string(Matchers.containsString("value=\"LONG\"")));
    // A limit on one item: the long session is not offered, nor to be had by its address.
    screen(me, client, Set.of(), Set.of(), Set.of("jaw"));
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(Matchers.not(Matchers.containsString("value=\"LONG\""))));
    mvc.perform(get("/me/player").cookie(device).param("pain", "2").param("length", "LONG"))
        .andExpect(redirectedUrl("/me/today"));
    // Half of 203 s: the stretch (109 s) does not fit, rotation (47 s) and chin tuck (40 s) do.
    var brief =
        Timeline.compile(
            versions
                .latest(client, ProgramKind.MAIN)
                .orElseThrow()
                .session(Side.LEFT, SessionLength.SHORT));
    assertThat(brief.segments()).extracting(Segment::item).doesNotContain(0).contains(1, 2);
    send(
            device,
            "/me/sessions",
            new SessionUpload(
                UUID.randomUUID(),
                null,
                ProgramKind.MAIN,
                1,
                Side.LEFT,
                SessionLength.SHORT,
                null,
                null,
                null,
                session(client, Instant.now(), Ended.FINISHED).startedAt(),
                "Europe/Lisbon",
                2,
                Ended.FINISHED,
                "",
                brief.segments().stream().map(Segment::seconds).toList(),
                null,
                null))
        .andExpect(status().isNoContent());
    Session row = sessions.page(client.getId(), 0, 1).getContent().get(0);
    assertThat(row.length()).isEqualTo(SessionLength.SHORT);
    assertThat(row.secondsPlanned()).isEqualTo(brief.seconds());
    assertThat(row.stretchSeconds(Side.LEFT)).isZero();
  }

  @Test
  void aDayIsADayWhereTheClientLives() {
    Me me = practitioner();
    Client client =
        clients.add(
            me, Contact.of("Far Away", ZoneId.of("Pacific/Auckland")), Circumstances.of(""));
    screen(me, client, Set.of(), Set.of(), Set.of());
    share(me, client, "chin-tuck", "3x10s");
    // 23:30 UTC is half past noon of the next day in Auckland in November.
    Instant at = Instant.parse("2025-11-10T23:30:00Z");
    clock.moveTo(at.plus(Duration.ofMinutes(5)));
    sessions.record(asClient(client), session(client, at, Ended.FINISHED));
    assertThat(sessions.page(client.getId(), 0, 1).getContent().get(0).day())
        .isEqualTo(LocalDate.of(2025, 11, 11));
  }

  @Test
  void aCheckInMayComeBeforeItsSession() {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    SessionUpload session = session(client, Instant.now(), Ended.FINISHED);
    sessions.record(
        asClient(client),
        new CheckInUpload(
            UUID.randomUUID(), session.uploadId(), 4, 3, null, null, null, null, "ok"));
    sessions.record(asClient(client), session);
    List<Session> rows = sessions.page(client.getId(), 0, 1).getContent();
    assertThat(rows.get(0).checkIn().orElseThrow().highestPain()).contains(4);
  }

  /** By the item it was asked of; what was not told is not 0. */
  @Test
  void whichSideWasTighterIsKeptByItem() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "15s", "chin-tuck", "3x10s");
    Cookie device = device(me, client);
    SessionUpload session = session(client, clock.instant(), Ended.FINISHED);
    send(device, "/me/sessions", session).andExpect(status().isNoContent());
    Map<Integer, Tighter> tighter = Map.of(0, Tighter.LEFT);
    CheckInUpload said =
        new CheckInUpload(
            UUID.randomUUID(), session.uploadId(), null, null, tighter, null, null, null, "");
    send(device, "/me/check-ins", said).andExpect(status().isNoContent());
    assertThat(sessions.last(client.getId()).orElseThrow().checkIn())
        .contains(
            new CheckIn(
                Optional.empty(), Optional.empty(), tighter, Set.of(), Set.of(), Map.of(), ""));
  }

  private SessionUpload told(
      SessionUpload of, OffsetDateTime startedAt, String zone, Ended ended, List<Integer> done) {
    return new SessionUpload(
        UUID.randomUUID(),
        null,
        ProgramKind.MAIN,
        of.version(),
        of.lead(),
        of.length(),
        of.paused(),
        of.reEntry(),
        of.beginning(),
        startedAt,
        zone,
        2,
        ended,
        "Stopped in Chin tuck, tingling",
        done,
        null,
        null);
  }

  /**
   * A stop reaches the list whatever else is wrong with it; the clock and the zone are put right.
   */
  @Test
  void aStopIsNeverLost() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    Cookie device = device(me, client);
    SessionUpload good = session(client, clock.instant(), Ended.STOPPED);
    SessionUpload ahead =
        told(good, good.startedAt().plusMinutes(11), "Mars/Olympus", Ended.STOPPED, good.done());
    send(device, "/me/sessions", ahead).andExpect(status().isNoContent());
    assertThat(standing(client).isPaused()).isTrue();
    Session kept = sessions.page(client.getId(), 0, 1).getContent().get(0);
    assertThat(kept.startedAt()).isBeforeOrEqualTo(clock.instant());
    assertThat(kept.putRight()).contains("the device's clock said", "Mars/Olympus");
    mvc.perform(as(me, get("/clients/" + client.getId() + "/review")))
        .andExpect(content().string(containsString("Put right: the device")));

    Client other = client(me);
    share(me, other, "chin-tuck", "3x10s");
    Cookie second = device(me, other);
    SessionUpload odd =
        told(good, good.startedAt(), "Europe/Lisbon", Ended.STOPPED, good.done().subList(1, 4));
    for (int i = 0; i < 2; i++) {
      send(second, "/me/sessions", odd).andExpect(status().isNoContent());
    }
    assertThat(standing(other).isPaused()).isTrue();
    assertThat(sessions.page(other.getId(), 0, 1)).isEmpty();
    assertThat(sessions.conflicts(other.getId())).as("kept as it came, once").isEqualTo(1);
    mvc.perform(as(me, get("/"))).andExpect(content().string(containsString("tingling")));
  }

  /** Only what is no upload at all is refused, and then nothing is stored. */
  @Test
  void whatIsNoUploadIsRefused() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    Cookie device = device(me, client);
    for (String path : new String[] {"/me/check-ins", "/me/sessions"}) {
      for (String odd : new String[] {"{\"uploadId\":null}", "[]", "7", "null"}) {
        send(device, path, json.readTree(odd)).andExpect(status().is4xxClientError());
      }
    }
    assertThat(sessions.page(client.getId(), 0, 1)).isEmpty();
    assertThat(sessions.conflicts(client.getId())).isZero();
  }

  /** A phone goes from hand to hand: what one client has done never stands in another's record. */
  @Test
  void whatWaitsForOneClientIsNotTakenFromAnother() throws Exception {
    Me me = practitioner();
    Client one = client(me);
    Client other = client(me);
    share(me, one, "chin-tuck", "3x10s");
    share(me, other, "chin-tuck", "3x10s");
    Cookie device = device(me, other);
    SessionUpload upload = session(one, clock.instant(), Ended.FINISHED);
    CheckInUpload checkIn =
        new CheckInUpload(
            UUID.randomUUID(), upload.uploadId(), 3, 3, null, null, null, null, "of the other");
    send(device, "/me/sessions", one.getId().toString(), upload).andExpect(status().isConflict());
    send(device, "/me/check-ins", one.getId().toString(), checkIn).andExpect(status().isConflict());
    assertThat(sessions.page(other.getId(), 0, 1)).isEmpty();
    assertThat(sessions.page(one.getId(), 0, 1)).isEmpty();
    Cookie own = device(me, one);
    send(own, "/me/sessions", upload).andExpect(status().isNoContent());
    assertThat(sessions.page(one.getId(), 0, 1)).hasSize(1);
  }

  /** Another order, a field more, or nothing said in another way is no other content. */
  @Test
  void theSameInOtherWordsIsNoConflict() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    Cookie device = device(me, client);
    SessionUpload upload = session(client, clock.instant(), Ended.FINISHED);
    ObjectNode sent = json.valueToTree(upload);
    send(device, "/me/sessions", sent).andExpect(status().isNoContent());
    ObjectNode again = json.createObjectNode();
    List<String> names = new ArrayList<>();
    sent.fieldNames().forEachRemaining(names::add);
    Collections.reverse(names);
    names.forEach(n -> again.set(n, sent.get(n)));
    again.putArray("paused");
    again.remove("reEntry");
    send(device, "/me/sessions", again).andExpect(status().isNoContent());
    assertThat(sessions.conflicts(client.getId())).isZero();
    again.put("painBefore", 5);
    for (int i = 0; i < 3; i++) {
      send(device, "/me/sessions", again).andExpect(status().isNoContent());
    }
    assertThat(sessions.conflicts(client.getId())).as("the same conflict once").isEqualTo(1);
  }

  /** Resends that race: one session, one check-in, and the same answer for each. */
  @Test
  void manyAtOnceAreOne() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    SessionUpload upload = session(client, clock.instant(), Ended.FINISHED);
    CheckInUpload checkIn =
        new CheckInUpload(UUID.randomUUID(), upload.uploadId(), 3, 3, null, null, null, null, "");
    atOnce(
        8,
        () -> {
          sessions.record(asClient(client), checkIn);
          sessions.record(asClient(client), upload);
        });
    assertThat(sessions.page(client.getId(), 0, 5)).hasSize(1);
    assertThat(sessions.conflicts(client.getId())).isZero();
    assertThat(sessions.page(client.getId(), 0, 5).getContent().get(0).checkIn()).isPresent();
  }

  /** Day 88 sent on day 91 was right; what was done while closed is flagged whenever it comes. */
  @Test
  void theGateIsThatOfTheTimeWhenItWasDone() {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    Instant start = clock.instant();
    for (int day = 10; day < 88; day += 10) {
      clock.moveTo(start.plus(Duration.ofDays(day)));
      sessions.record(asClient(client), session(client, clock.instant(), Ended.FINISHED));
    }
    clock.moveTo(start.plus(Duration.ofDays(91)));
    assertThat(screenings.gate(clients.get(me, client.getId())).open()).isFalse();
    Instant day88 = start.plus(Duration.ofDays(88));
    sessions.record(asClient(client), session(client, day88, Ended.FINISHED));
    assertThat(whileClosed(client)).as("day 88, sent on day 91").isFalse();
    Instant closed = clock.instant();
    clock.moveTo(start.plus(Duration.ofDays(92)));
    screen(me, client, Set.of(), Set.of(), Set.of());
    assertThat(screenings.gate(clients.get(me, client.getId())).open()).isTrue();
    sessions.record(asClient(client), session(client, closed, Ended.FINISHED));
    assertThat(whileClosed(client)).as("day 91, sent after opening").isTrue();
    sessions.record(asClient(client), session(client, clock.instant(), Ended.FINISHED));
    assertThat(whileClosed(client)).isFalse();
  }

  /** The device knew of the stop, the practice did not: what was done after it is flagged. */
  @Test
  void whatWasDoneAfterAStopThatCameInLaterIsFlagged() {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    Instant start = clock.instant();
    clock.moveTo(start.plus(Duration.ofHours(9)));
    sessions.record(
        asClient(client), session(client, start.plus(Duration.ofHours(1)), Ended.STOPPED));
    sessions.record(
        asClient(client), session(client, start.plus(Duration.ofHours(5)), Ended.FINISHED));
    assertThat(whileClosed(client)).isTrue();
  }

  private boolean whileClosed(Client client) {
    return sessions.page(client.getId(), 0, 1).getContent().get(0).whileClosed();
  }

  /** Pain that was not told is no 0, and nothing is rounded or read out of its position. */
  @Test
  void whatWasNotToldIsNotTold() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    Cookie device = device(me, client);
    SessionUpload good = session(client, clock.instant(), Ended.FINISHED);
    for (String odd : new String[] {"\"painBefore\":2.9", "\"ended\":2"}) {
      String field = odd.substring(0, odd.indexOf(':') + 1);
      String content = json.writeValueAsString(good).replaceFirst(field + "(\\w+|\"\\w+\")", odd);
      assertThat(content).contains(odd);
      send(device, "/me/sessions", json.readTree(content)).andExpect(status().isNoContent());
    }
    assertThat(sessions.page(client.getId(), 0, 1)).as("not counted, but kept").isEmpty();
    assertThat(sessions.conflicts(client.getId())).isEqualTo(2);
    ObjectNode stop = json.valueToTree(session(client, clock.instant(), Ended.STOPPED));
    stop.put("painBefore", 2.9);
    send(device, "/me/sessions", stop).andExpect(status().isNoContent());
    assertThat(standing(client).isPaused()).as("a stop in any case").isTrue();
    clients.dealtWith(me, client.getId(), clock.instant(), "called; it is well");
    var silent = json.valueToTree(good).deepCopy();
    ((ObjectNode) silent).remove("painBefore");
    send(device, "/me/sessions", silent).andExpect(status().isNoContent());
    Session kept = sessions.page(client.getId(), 0, 1).getContent().get(0);
    assertThat(kept.painBefore()).isEmpty();
    send(
            device,
            "/me/check-ins",
            new CheckInUpload(
                UUID.randomUUID(), good.uploadId(), 9, null, null, null, null, null, "sore"))
        .andExpect(status().isNoContent());
    Session then = sessions.page(client.getId(), 0, 1).getContent().get(0);
    assertThat(then.checkIn().orElseThrow().stretchFelt()).isEmpty();
    mvc.perform(as(me, get("/clients/" + client.getId() + "/review")))
        .andExpect(content().string(containsString("– → 9")));
    mvc.perform(as(me, get("/")))
        .andExpect(content().string(Matchers.not(containsString("Pain rose"))));
  }

  /** What a week must not hide, and a chart not leave out: a stop, and pain that rose. */
  @Test
  void aStopIsInTheWeekAndPainDuringInTheChart() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    SessionUpload stop = session(client, clock.instant(), Ended.STOPPED);
    sessions.record(asClient(client), stop);
    sessions.record(
        asClient(client),
        new CheckInUpload(UUID.randomUUID(), stop.uploadId(), 8, 4, null, null, null, null, ""));
    assertThat(
            worklist
                .look(me, Whose.ALL)
                .wanting(Optional.empty(), 0, 1)
                .getContent()
                .get(0)
                .week()
                .days())
        .last()
        .satisfies(d -> assertThat(d.stopped()).isTrue());
    mvc.perform(as(me, get("/clients/" + client.getId() + "/review/decisions")))
        .andExpect(model().attribute("chart", hasToString(containsString("highest 8"))));
  }

  /** A clock of the year 1 is bounded, not a fault of the database. */
  @Test
  void aClockOfAnotherAgeIsPutRight() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    Cookie device = device(me, client);
    SessionUpload good = session(client, clock.instant(), Ended.FINISHED);
    for (int year : new int[] {1, -999_999_999, 999_999_999}) {
      OffsetDateTime odd = OffsetDateTime.of(year, 1, 1, 12, 0, 0, 0, ZoneOffset.UTC);
      send(device, "/me/sessions", told(good, odd, "Europe/Lisbon", Ended.FINISHED, good.done()))
          .andExpect(status().isNoContent());
    }
    assertThat(sessions.page(client.getId(), 0, 5))
        .hasSize(3)
        .allSatisfy(s -> assertThat(s.putRight()).contains("clock"));
  }

  @Test
  void painOfSevenOrMoreMeansNoSessionAndThePractitionerIsTold() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    Cookie device = device(me, client);
    mvc.perform(post("/me/today").cookie(device).with(csrf()).param("pain", "6"))
        .andExpect(redirectedUrl("/me/player?pain=6&length=USUAL"));
    mvc.perform(post("/me/today").cookie(device).with(csrf()).param("pain", "7"))
        .andExpect(redirectedUrl("/me/rest"));
    mvc.perform(get("/me/player").cookie(device).param("pain", "7"))
        .andExpect(redirectedUrl("/me/today"));
    mvc.perform(post("/me/today").cookie(device).with(csrf()))
        .andExpect(redirectedUrl("/me/today?missing"));
    mvc.perform(as(me, get("/")))
        .andExpect(content().string(Matchers.containsString("Too sore to start")));
  }

  @Test
  void afterAStopTheProgramWaitsUntilThePractitionerHasWrittenWhatWasDone() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    Cookie device = device(me, client);
    sessions.record(asClient(client), session(client, Instant.now(), Ended.STOPPED));
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(Matchers.containsString("Your program waits")));
    mvc.perform(get("/me/player").cookie(device).param("pain", "2"))
        .andExpect(redirectedUrl("/me/today"));
    mvc.perform(as(me, get("/")))
        .andExpect(content().string(Matchers.containsString("Stopped in Chin tuck, today")));
    String page = "/clients/" + client.getId();
    mvc.perform(as(me, post(page + "/dealt-with")).param("note", "  "))
        .andExpect(redirectedUrl(page + "/do"));
    mvc.perform(get("/me/player").cookie(device).param("pain", "2"))
        .andExpect(redirectedUrl("/me/today"));
    mvc.perform(
            as(me, post(page + "/dealt-with"))
                .param("read", clock.instant().toString())
                .param("note", "Called, no signs, may go on."))
        .andExpect(redirectedUrl(page + "/do"));
    mvc.perform(get("/me/player").cookie(device).param("pain", "2"))
        .andExpect(redirectedUrl("/me/today"));
    clock.moveTo(clock.instant().plusSeconds(60));
    screen(me, client, Set.of(), Set.of(), Set.of());
    mvc.perform(get("/me/player").cookie(device).param("pain", "2")).andExpect(status().isOk());
  }

  /** A page that was loaded before is asked about again: each thing that may have changed. */
  @Test
  void startIsAskedAgain() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "2x15s", "chin-tuck", "3x10s");
    Cookie device = device(me, client);
    assertThat(mayStart(device, "1", "2", "LONG", "")).isTrue();
    assertThat(mayStart(device, "1", "7", "USUAL", "")).as("too sore").isFalse();
    assertThat(mayStart(device, "2", "2", "USUAL", "")).as("another version").isFalse();
    screen(me, client, Set.of(), Set.of(), Set.of("jaw"));
    assertThat(mayStart(device, "1", "2", "LONG", "")).as("long is off").isFalse();
    screen(me, client, Set.of(), Set.of(), Set.of("inflammatory"));
    assertThat(mayStart(device, "1", "2", "USUAL", "")).as("an item waits now").isFalse();
    assertThat(mayStart(device, "1", "2", "USUAL", "0")).as("and the page knows it").isTrue();
    sessions.record(asClient(client), session(client, clock.instant(), Ended.STOPPED));
    assertThat(mayStart(device, "1", "2", "USUAL", "0")).as("stopped elsewhere").isFalse();
  }

  private boolean mayStart(Cookie d, String version, String pain, String length, String paused)
      throws Exception {
    return json.readTree(
            mvc.perform(
                    get("/me/may-start")
                        .cookie(d)
                        .param("client", owner(d))
                        .param("version", version)
                        .param("pain", pain)
                        .param("length", length)
                        .param("beginning", "AS_SHARED")
                        .param("paused", paused))
                .andExpect(status().isOk())
                .andReturn()
                .getResponse()
                .getContentAsString())
        .get("may")
        .booleanValue();
  }

  /** An item of three days a week in a program of every day: due, not, due. */
  @Test
  void whatIsDoneOnFewerDaysIsLeftOutOnTheOthers() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s 3/w", "upper-trap-stretch", "2x15s");
    Cookie device = device(me, client);
    clock.moveTo(tomorrow().atTime(8, 0).atZone(LISBON).toInstant());
    assertThat(page(device, "/me/today")).doesNotContain("not today");
    JsonNode kept = json.readTree(page(device, "/me/kept"));
    sessions.record(asClient(client), session(client, clock.instant(), Ended.FINISHED));
    assertThat(page(device, "/me/today")).as("again on that day").doesNotContain("not today");

    clock.moveTo(tomorrow().atTime(8, 0).atZone(LISBON).toInstant());
    assertThat(page(device, "/me/today")).containsOnlyOnce("not today");
    assertThat(page(device, "/me/player?pain=2")).contains("\"paused\":[0]");
    assertThat(json.readTree(page(device, "/me/kept")).path("mark"))
        .as("devices fetch their pages anew")
        .isNotEqualTo(kept.path("mark"));
    assertThat(mayStart(device, "1", "2", "USUAL", "0")).isTrue();
    assertThat(mayStart(device, "1", "2", "USUAL", "")).as("yesterday's page").isTrue();

    // Ticked on paper afterwards, for this day and the next.
    LocalDate off = LocalDate.ofInstant(clock.instant(), LISBON);
    clock.moveTo(off.plusDays(2).atTime(8, 0).atZone(LISBON).toInstant());
    for (LocalDate day : List.of(off, off.plusDays(1))) {
      SessionService.Ticked ticked = new SessionService.Ticked(day, 1, OptionalInt.empty());
      sessions.recordOnPaper(me, client.getId(), ProgramKind.MAIN, List.of(ticked));
    }
    assertThat(sessions.since(client.getId(), off))
        .extracting(s -> s.parts().stream().map(Performance.Part::item).distinct().toList())
        .containsExactly(List.of(1), List.of(0, 1));
    assertThat(page(device, "/me/today")).as("the day after one").containsOnlyOnce("not today");
  }

  private String page(Cookie device, String address) throws Exception {
    return mvc.perform(get(address).cookie(device))
        .andExpect(status().isOk())
        .andReturn()
        .getResponse()
        .getContentAsString();
  }

  /** Two tabs: what came in after the page was opened was read by nobody, and stays open. */
  @Test
  void whatCameInAfterThePageWasOpenedIsNotDealtWith() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    String page = "/clients/" + client.getId();
    sessions.record(asClient(client), session(client, clock.instant(), Ended.STOPPED));
    Instant read = clients.matters(client.getId()).get(0).at();
    mvc.perform(as(me, get(page + "/do")))
        .andExpect(content().string(Matchers.containsString("value=\"%s\"".formatted(read))));
    clock.moveTo(clock.instant().plusSeconds(60));
    sessions.record(asClient(client), session(client, clock.instant(), Ended.STOPPED));
    mvc.perform(
            as(me, post(page + "/dealt-with"))
                .param("read", read.toString())
                .param("note", "Called about the first."))
        .andExpect(flash().attribute("noteTyped", "Called about the first."))
        .andExpect(flash().attribute("noteError", Matchers.containsString("Read it first")));
    assertThat(standing(client).isPaused()).as("the second stop stays").isTrue();
    mvc.perform(as(me, get("/clients/" + client.getId() + "/review")))
        .andExpect(content().string(containsString("Done while closed.")));
    Instant now = clients.matters(client.getId()).get(0).at();
    mvc.perform(
        as(me, post(page + "/dealt-with")).param("read", now.toString()).param("note", "Both."));
    assertThat(clients.matters(client.getId())).isEmpty();
  }

  /** Something stronger stands first, but nothing is dealt with that was not on the page. */
  @Test
  void allThatIsOpenStandsOnThePage() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    followUps.recordForm(
        asClient(client),
        FollowUpUpload.start(
            UUID.randomUUID(), 8, clock.instant().atZone(LISBON).toOffsetDateTime()));
    screen(me, client, Set.of(), Set.of("weakness"), Set.of());
    mvc.perform(as(me, get("/clients/" + client.getId() + "/do")))
        .andExpect(content().string(containsString("Examine first")))
        .andExpect(content().string(containsString("<b>too sore to start</b>")))
        .andExpect(content().string(containsString("pain 8 of 10")));
  }

  /** The figure enters, holds and leaves with the stretch, and goes round with a movement. */
  @Test
  void thePlayerIsToldWhereItsFigureIsInEveryStep() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "15s", "shoulder-roll", "2", "chin-tuck", "10s");
    String page =
        mvc.perform(get("/me/player").param("pain", "2").cookie(device(me, client)))
            .andReturn()
            .getResponse()
            .getContentAsString();
    int start = page.indexOf('{', page.indexOf("application/json"));
    String script = page.substring(start, page.indexOf("</script>", start));
    JsonNode steps = json.readTree(script).get("steps");
    double held = Figure.ROUND / 2.0; // these two stretches go from rest to one end and back
    double round = Figure.ROUND;
    Set<String> kinds = new HashSet<>();
    int rolls = 0;
    for (JsonNode s : steps) {
      double from = s.get("figureFrom").asDouble();
      double to = s.get("figureTo").asDouble();
      String kind = s.get("kind").asText();
      kinds.add(kind);
      switch (kind) {
        case "ENTER", "RISE" -> assertThat(List.of(from, to)).containsExactly(0.0, held);
        case "HOLD" -> assertThat(List.of(from, to)).containsExactly(held, held);
        case "EXIT" -> assertThat(List.of(from, to)).containsExactly(held, round);
        case "MOVE" -> {
          // Two one way, then two the other way, which is the same backward.
          boolean backward = rolls++ >= 2;
          assertThat(List.of(from, to))
              .containsExactly(backward ? round : 0.0, backward ? 0.0 : round);
        }
        default -> assertThat(List.of(from, to)).containsExactly(0.0, 0.0);
      }
    }
    assertThat(kinds).contains("ENTER", "HOLD", "EXIT", "MOVE", "SWITCH_SIDE");
    assertThat(rolls).isEqualTo(4);
    // Both sides of the stretch, and one picture of each that has none.
    int instead = page.split("data-instead=\"[a-z]", -1).length - 1; // of what may take their place
    assertThat(page.split("class=\"picture\"", -1)).hasSize(1 + 2 + 1 + 1 + instead);
    assertThat(page).contains("data-side=\"LEFT\"", "data-side=\"RIGHT\"");
  }
}
