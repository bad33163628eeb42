package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import jakarta.servlet.http.Cookie;
import java.nio.charset.StandardCharsets;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.biokinet.app.client.Client;
import org.biokinet.app.message.MessageService;
import org.biokinet.app.practice.Me;
import org.biokinet.app.session.CheckInUpload;
import org.biokinet.app.session.FollowUpUpload;
import org.biokinet.app.session.SessionUpload;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.progress.Attention;
import org.biokinet.core.session.CheckIn;
import org.biokinet.core.session.Eased;
import org.biokinet.core.session.Ended;
import org.biokinet.core.session.ItemSide;
import org.biokinet.core.session.Morning;
import org.biokinet.core.session.Session;
import org.biokinet.core.session.SkipReason;
import org.biokinet.core.session.Told;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.ResultActions;
import org.springframework.test.web.servlet.ResultMatcher;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** What is asked of a client, and comes back, between two sessions. */
class FollowUpTest extends AppTest {

  @Autowired MessageService messages;

  private static MockHttpServletRequestBuilder mine(String path, Cookie device) {
    return post("/me/" + path).cookie(device).with(csrf());
  }

  private ResultActions today(Cookie device) throws Exception {
    return mvc.perform(get("/me/today").cookie(device)).andExpect(status().isOk());
  }

  /** To an hour of the client's day, so many days on. */
  private void at(int daysOn, int hour) {
    LocalDate day = LocalDate.ofInstant(clock.instant(), LISBON).plusDays(daysOn);
    clock.moveTo(day.atTime(LocalTime.of(hour, 0)).atZone(LISBON).toInstant());
  }

  private CheckInUpload said(SessionUpload session, int highest) {
    return new CheckInUpload(
        UUID.randomUUID(), session.uploadId(), highest, 3, null, null, null, null, "");
  }

  /** Pain from 2 to 4: settled or not is asked, the last word counts, and Review has it. */
  @Test
  void whetherItHasSettledIsAskedUntilItIsKnown() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "2x15s @3");
    Cookie device = device(me, client);
    at(1, 18);
    SessionUpload session = session(client, clock.instant(), Ended.FINISHED);
    sessions.record(asClient(client), session);
    sessions.record(asClient(client), said(session, 4));
    clock.moveTo(clock.instant().plus(Duration.ofMinutes(20)));
    today(device).andExpect(content().string(containsString("Your pain went up to 4")));
    mvc.perform(
            mine("settled", device)
                .param("id", id())
                .param("session", session.uploadId().toString())
                .param("settled", "false"))
        .andExpect(redirectedUrl("/me/today?told"));
    today(device).andExpect(content().string(containsString("Your pain went up to 4")));
    mvc.perform(
            mine("settled", device)
                .param("id", id())
                .param("session", session.uploadId().toString())
                .param("settled", "true"))
        .andExpect(redirectedUrl("/me/today?told"));
    today(device).andExpect(content().string(not(containsString("Your pain went up"))));
    Session kept = sessions.last(client.getId()).orElseThrow();
    assertThat(kept.settled().map(Session.Settled::settled)).contains(true);
    mvc.perform(as(me, get("/clients/" + client.getId() + "/review")))
        .andExpect(content().string(containsString("Settled within the hour.")));
  }

  /** Told without a network at six, sent at noon of the next day, twice: it is there once, then. */
  @Test
  void aMorningThatComesLateIsThatOfItsDay() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    Cookie device = device(me, client);
    at(2, 6);
    OffsetDateTime told = clock.instant().atZone(LISBON).toOffsetDateTime();
    at(1, 12);
    String form = id();
    for (int again = 0; again < 2; again++) {
      mvc.perform(
              mine("morning", device)
                  .param("id", form)
                  .param("client", client.getId().toString())
                  .param("pain", "4")
                  .param("toldAt", told.toString()))
          .andExpect(redirectedUrl("/me/today?told"));
    }
    LocalDate day = told.toLocalDate();
    assertThat(followUps.since(client.getId(), day).mornings())
        .containsExactly(new Morning(day, Optional.of(4), Optional.empty()));
    assertThat(sessions.conflicts(client.getId())).isZero();
    // Another answer under the same form is another word: kept, and not counted.
    mvc.perform(mine("morning", device).param("id", form).param("pain", "7"))
        .andExpect(redirectedUrl("/me/today?told"));
    assertThat(followUps.since(client.getId(), day).mornings().get(0).pain()).contains(4);
    assertThat(sessions.conflicts(client.getId())).isOne();
    // What another client told on this telephone waits for them.
    mvc.perform(mine("morning", device).param("id", id()).param("client", id()).param("pain", "4"))
        .andExpect(status().isConflict());
  }

  /** The morning comes once, in the client's own zone; a pain just told is not asked again. */
  @Test
  void theMorningIsAskedOnceAndItsPainStartsTheSession() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    Cookie device = device(me, client);
    at(1, 18);
    sessions.record(asClient(client), session(client, clock.instant(), Ended.FINISHED));
    today(device).andExpect(content().string(not(containsString("how is your pain this morning"))));
    at(1, 7);
    today(device)
        .andExpect(content().string(containsString("how is your pain this morning")))
        .andExpect(content().string(not(containsString("id=\"begin\""))));
    mvc.perform(mine("morning", device).param("id", id()).param("pain", "3").param("woken", "true"))
        .andExpect(redirectedUrl("/me/today?told"));
    today(device)
        .andExpect(content().string(not(containsString("how is your pain this morning"))))
        .andExpect(content().string(containsString("Start: pain 3")));
    LocalDate day = LocalDate.ofInstant(clock.instant(), LISBON);
    assertThat(followUps.since(client.getId(), day).mornings())
        .containsExactly(new Morning(day, Optional.of(3), Optional.of(true)));
    clock.moveTo(clock.instant().plus(Duration.ofHours(1)));
    today(device).andExpect(content().string(not(containsString("Start: pain 3"))));
  }

  @Test
  void whoPutsTheMorningOffIsNotAskedAgainAndHasToldNothing() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    Cookie device = device(me, client);
    at(1, 18);
    sessions.record(asClient(client), session(client, clock.instant(), Ended.FINISHED));
    at(1, 7);
    mvc.perform(mine("morning", device).param("id", id()).param("later", "1"))
        .andExpect(redirectedUrl("/me/today?told"));
    today(device).andExpect(content().string(containsString("id=\"begin\"")));
    LocalDate day = LocalDate.ofInstant(clock.instant(), LISBON);
    assertThat(followUps.since(client.getId(), day).mornings())
        .containsExactly(new Morning(day, Optional.empty(), Optional.empty()));
  }

  /** Whatever is odd about it: kept once, and what cannot be right is put before somebody. */
  @Test
  void aFollowUpIsKeptOnceAndAnOddOneBeside() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    Cookie device = device(me, client);
    LocalDate day = LocalDate.ofInstant(clock.instant(), LISBON);
    FollowUpUpload one =
        FollowUpUpload.morning(
            UUID.randomUUID(), day, 2, null, clock.instant().atZone(LISBON).toOffsetDateTime());
    atOnce(4, () -> send(device, client, "follow-ups", json.writeValueAsString(one)));
    assertThat(followUps.since(client.getId(), day).mornings()).hasSize(1);
    FollowUpUpload other = FollowUpUpload.morning(one.uploadId(), day, 5, null, one.toldAt());
    send(device, client, "follow-ups", json.writeValueAsString(other));
    assertThat(followUps.since(client.getId(), day).mornings().get(0).pain()).contains(2);
    assertThat(sessions.conflicts(client.getId())).isOne();
    FollowUpUpload odd = FollowUpUpload.morning(UUID.randomUUID(), day, 14, null, one.toldAt());
    send(device, client, "follow-ups", json.writeValueAsString(odd));
    send(
        device,
        client,
        "follow-ups",
        "{\"uploadId\":\"%s\",\"kind\":\"SETTLED\",\"toldAt\":\"2026-11-28T06:40:00Z\"}"
            .formatted(UUID.randomUUID()));
    assertThat(sessions.conflicts(client.getId())).isEqualTo(3);
    assertThat(standing(client).attention()).isEqualTo(Attention.WHILE_CLOSED);
  }

  /** A phone that is a year ahead has told of today; a day that is not its own is kept beside. */
  @Test
  void aClockThatCannotBeRightIsPutRight() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    Cookie device = device(me, client);
    LocalDate today = LocalDate.ofInstant(clock.instant(), LISBON);
    OffsetDateTime ahead = clock.instant().atZone(LISBON).toOffsetDateTime().plusYears(1);
    FollowUpUpload wrong =
        FollowUpUpload.morning(UUID.randomUUID(), ahead.toLocalDate(), 4, null, ahead);
    send(device, client, "follow-ups", json.writeValueAsString(wrong));
    assertThat(followUps.since(client.getId(), today).mornings())
        .containsExactly(new Morning(today, Optional.of(4), Optional.empty()));
    FollowUpUpload other = FollowUpUpload.morning(UUID.randomUUID(), today, 9, null, ahead);
    send(device, client, "follow-ups", json.writeValueAsString(other));
    assertThat(followUps.since(client.getId(), today).mornings()).hasSize(1);
    assertThat(sessions.conflicts(client.getId())).isOne();
  }

  private void send(Cookie device, Client client, String what, String body) throws Exception {
    mvc.perform(
            mine(what, device)
                .param("client", client.getId().toString())
                .contentType(MediaType.APPLICATION_JSON)
                .content(body))
        .andExpect(status().isNoContent());
  }

  /** What was made easier, by a smaller dose or by a form of its own, and what was pressed. */
  @ParameterizedTest
  @CsvSource({"session-upload-2, 0", "session-upload-3, 2"})
  void whatWasMadeEasierAndPressedIsNamed(String file, int pressed) throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "2x15s @3", "chin-tuck", "3x10s");
    String sent =
        new ClassPathResource("golden/" + file + ".json")
            .getContentAsString(StandardCharsets.UTF_8);
    ObjectNode upload = (ObjectNode) json.readTree(sent);
    SessionUpload done = session(client, clock.instant(), Ended.FINISHED);
    upload.set("done", json.valueToTree(done.done()));
    upload.put("startedAt", done.startedAt().toString());
    send(device(me, client), client, "sessions", upload.toString());
    assertThat(sessions.last(client.getId()).orElseThrow().eased())
        .extracting(Eased::text)
        .containsExactlyInAnyOrder("0L", "1=chin-nod");
    assertThat(sessions.last(client.getId()).orElseThrow().pressed()).hasSize(pressed);
    mvc.perform(as(me, get("/clients/" + client.getId() + "/review")))
        .andExpect(content().string(containsString("hand on head L; Chin tuck (")))
        .andExpect(content().string(containsString(" in its place)")))
        .andExpect(told("Too strong in ", pressed > 0))
        .andExpect(told("Went back in Chin tuck.", pressed > 0));
  }

  @Test
  void answersNameItemsAndSides() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "2x15s @3", "chin-tuck", "3x10s");
    Cookie device = device(me, client);
    String sent =
        new ClassPathResource("golden/check-in-upload-2.json")
            .getContentAsString(StandardCharsets.UTF_8);
    SessionUpload session = session(client, clock.instant(), Ended.FINISHED);
    sessions.record(asClient(client), session);
    send(
        device,
        client,
        "check-ins",
        sent.replaceAll(
            "\"sessionUploadId\": \"[^\"]*\"",
            "\"sessionUploadId\": \"" + session.uploadId() + "\""));
    CheckIn said = sessions.last(client.getId()).flatMap(Session::checkIn).orElseThrow();
    ItemSide left = new ItemSide(0, Optional.of(Side.LEFT));
    assertThat(said.provoked()).isEqualTo(Set.of(left, new ItemSide(1, Optional.empty())));
    assertThat(said.tooStrong()).isEqualTo(Set.of(new ItemSide(0, Optional.of(Side.RIGHT))));
    assertThat(said.skipped()).isEqualTo(Map.of(1, SkipReason.NO_TIME));
    String review = "/clients/" + client.getId() + "/review";
    for (String words : List.of("Pain rose in ", "Too strong in ", "Chin tuck (no time)")) {
      mvc.perform(as(me, get(review))).andExpect(content().string(containsString(words)));
    }
  }

  private static ResultMatcher told(String words, boolean so) {
    return content().string(so ? containsString(words) : not(containsString(words)));
  }

  @Test
  void aQuestionStandsOnTheListUntilItIsAnswered() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    Cookie device = device(me, client);
    sessions.record(asClient(client), session(client, clock.instant(), Ended.FINISHED));
    mvc.perform(mine("messages", device).param("id", id()).param("text", "  "))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("Write something first")));
    String asked = id();
    for (int i = 0; i < 2; i++) {
      mvc.perform(mine("messages", device).param("id", asked).param("text", "May I do it <twice>?"))
          .andExpect(redirectedUrl("/me/messages?sent"));
    }
    assertThat(messages.thread(client.getId())).hasSize(1);
    assertThat(standing(client).attention()).isEqualTo(Attention.MESSAGE);
    String review = "/clients/" + client.getId() + "/review";
    mvc.perform(as(me, get(review)))
        .andExpect(content().string(containsString("May I do it &lt;twice&gt;?")));
    mvc.perform(as(me, post(review + "/answer")).param("answer", id()).param("text", "Yes."))
        .andExpect(redirectedUrl(review + "#messages"));
    assertThat(standing(client).attention()).isEqualTo(Attention.STEADY);
    today(device).andExpect(content().string(containsString("has answered you")));
    mvc.perform(get("/me/messages").cookie(device))
        .andExpect(content().string(containsString("Yes.")))
        .andExpect(content().string(containsString("Nobody watches live.")));
    today(device).andExpect(content().string(not(containsString("has answered you"))));
  }

  /** Three days a week: which, chosen by the client; another number is refused and said. */
  @Test
  void theDaysAreChosenAndOneIsMoved() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s 3/w");
    Cookie device = device(me, client);
    at(0, 9);
    String all = String.valueOf(LocalDate.ofInstant(clock.instant(), LISBON).getDayOfWeek());
    String other = String.valueOf(DayOfWeek.valueOf(all).plus(1));
    mvc.perform(mine("days", device).param("day", all))
        .andExpect(redirectedUrl("/me/today?days=" + all));
    mvc.perform(get("/me/today?days=" + all).cookie(device))
        .andExpect(content().string(containsString("value=\"%s\" checked".formatted(all))))
        .andExpect(content().string(containsString("value=\"%s\"><span>".formatted(other))));
    mvc.perform(get("/me/today?days").cookie(device))
        .andExpect(content().string(containsString("Choose 3 days.")));
    LocalDate day = LocalDate.ofInstant(clock.instant(), LISBON);
    mvc.perform(
            mine("days", device)
                .param("day", all)
                .param("day", String.valueOf(day.plusDays(2).getDayOfWeek()))
                .param("day", String.valueOf(day.plusDays(4).getDayOfWeek())))
        .andExpect(redirectedUrl("/me/today"));
    today(device).andExpect(content().string(containsString("Due today")));
    mvc.perform(mine("days/move", device)).andExpect(redirectedUrl("/me/today"));
    today(device).andExpect(content().string(containsString("Nothing is due today.")));
    mvc.perform(mine("days/move", device)).andExpect(redirectedUrl("/me/today"));
    sessions.record(asClient(client), session(client, clock.instant(), Ended.FINISHED));
    today(device).andExpect(content().string(containsString("Done for today.")));
  }

  @Test
  void anExerciseIsLearntOnBothSides() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "2x15s @3", "chin-tuck", "3x10s");
    Cookie device = device(me, client);
    mvc.perform(get("/me/exercises/0").cookie(device))
        .andExpect(content().string(containsString("Tilt right")))
        .andExpect(content().string(containsString("Tilt left")));
    for (String nowhere : List.of("9", "-1")) {
      mvc.perform(get("/me/exercises/" + nowhere).cookie(device))
          .andExpect(redirectedUrl("/me/today"));
    }
  }

  /** Of yesterday, two of three items: with their seconds, as told, once. */
  @Test
  void whatWasDoneWithoutThePlayerIsTold() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "2x15s @3", "chin-tuck", "3x10s", "shoulder-roll", "6");
    Cookie device = device(me, client);
    mvc.perform(get("/me/log").cookie(device))
        .andExpect(content().string(not(containsString("yesterday"))));
    at(1, 9);
    mvc.perform(mine("log", device).param("id", id()).param("version", "1"))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("Tick what you did.")));
    String id = id();
    for (int i = 0; i < 2; i++) {
      mvc.perform(
              mine("log", device)
                  .param("id", id)
                  .param("version", "1")
                  .param("yesterday", "true")
                  .param("item", "0", "1")
                  .param("highestPain", "3"))
          .andExpect(redirectedUrl("/me/today?told"));
    }
    Session told = sessions.page(client.getId(), 0, 9).getContent().get(0);
    assertThat(sessions.page(client.getId(), 0, 9).getTotalElements()).isOne();
    assertThat(told.told()).isEqualTo(Told.CLIENT);
    assertThat(told.day()).isEqualTo(LocalDate.ofInstant(clock.instant(), LISBON).minusDays(1));
    assertThat(told.stretchSeconds(Side.LEFT)).isEqualTo(30);
    assertThat(told.parts())
        .filteredOn(p -> p.item() == 2)
        .isNotEmpty()
        .allSatisfy(p -> assertThat(p.seconds()).isZero());
    assertThat(told.highestPain()).contains(3);
    mvc.perform(as(me, get("/clients/" + client.getId() + "/review")))
        .andExpect(content().string(containsString("yesterday as told")));
  }

  /** Three weeks of mornings at 5, one at 2: said, since it is beyond the error of 2.1. */
  @Test
  void lookingBackSaysWhatIsTrueAndTheDataCanBeTaken() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "2x15s @3");
    Cookie device = device(me, client);
    mvc.perform(get("/me/back").cookie(device))
        .andExpect(content().string(containsString("No session in the last four weeks.")));
    for (int day = 0; day < 28; day++) {
      at(1, 7);
      int pain = day < 21 ? 5 : 2;
      mvc.perform(mine("morning", device).param("id", id()).param("pain", "" + pain));
      if (day % 2 == 0) {
        sessions.record(asClient(client), session(client, clock.instant(), Ended.FINISHED));
      }
    }
    mvc.perform(get("/me/back").cookie(device))
        .andExpect(
            content().string(containsString("Your mornings are 3 points easier than 3 weeks ago.")))
        .andExpect(content().string(containsString("14 sessions in the last four weeks")));
    String csv =
        mvc.perform(get("/me/back/own-sessions.csv").cookie(device))
            .andReturn()
            .getResponse()
            .getContentAsString(StandardCharsets.UTF_8);
    assertThat(csv.lines()).hasSize(1 + 14 * 2);
    assertThat(csv).contains("started_at,day,program", ",left,30,30,30,2,2,");
    JsonNode own =
        json.readTree(
            mvc.perform(get("/me/back/own-data.json").cookie(device))
                .andReturn()
                .getResponse()
                .getContentAsString(StandardCharsets.UTF_8));
    assertThat(own.path("format").asText()).isEqualTo("biokinet-own-data");
    assertThat(own.path("version").asInt()).isOne();
    assertThat(own.path("sessions")).hasSize(14);
    assertThat(own.path("mornings")).hasSize(28);
    assertThat(own.path("sessions").get(0).has("highestPain")).as("never told").isFalse();
  }

  /** Asked for by a practitioner, told or put off by the client, and not again for a week. */
  @Test
  void theBodyMapIsAskedForWeeklyWhereThatIsWanted() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    Cookie device = device(me, client);
    String asks = "Where do you feel it this week?";
    today(device).andExpect(content().string(not(containsString(asks))));
    String address = "/clients/" + client.getId();
    mvc.perform(as(me, post(address + "/weekly-map")).param("asked", "true"))
        .andExpect(redirectedUrl(address + "/do"));
    today(device).andExpect(content().string(containsString(asks)));
    mvc.perform(
            mine("rate/map", device)
                .param("area", "palm")
                .param("side", "LEFT")
                .param("intensity", "4"))
        .andExpect(redirectedUrl("/me/rate/map"));
    today(device).andExpect(content().string(not(containsString(asks))));
    at(6, 8);
    today(device).andExpect(content().string(not(containsString(asks))));
    at(1, 8);
    today(device).andExpect(content().string(containsString(asks)));
    mvc.perform(mine("rate/map/later", device)).andExpect(redirectedUrl("/me/today"));
    today(device).andExpect(content().string(not(containsString(asks))));
    at(7, 8);
    today(device).andExpect(content().string(containsString(asks)));
    mvc.perform(as(me, post(address + "/weekly-map")).param("asked", "false"))
        .andExpect(redirectedUrl(address + "/do"));
    today(device).andExpect(content().string(not(containsString(asks))));
  }

  /**
   * Asked of nobody unless a practitioner wants it; each side by itself; Review counts the days.
   */
  @Test
  void theJointsAreCheckedDailyWhereThatIsWanted() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    Cookie device = device(me, client);
    String asks = "How do your joints move today?";
    today(device).andExpect(content().string(not(containsString(asks))));
    String address = "/clients/" + client.getId();
    mvc.perform(as(me, post(address + "/self-check")).param("asked", "true"))
        .andExpect(redirectedUrl(address + "/do"));
    for (int day = 0; day < 3; day++) {
      at(1, 8);
      today(device).andExpect(content().string(containsString(asks)));
      mvc.perform(
              mine("self-check", device)
                  .param("id", id())
                  .param("NECK-L", day < 2 ? "WORSE" : "SAME")
                  .param("NECK-R", "SAME")
                  .param("WRISTS-R", "sideways"))
          .andExpect(redirectedUrl("/me/today?told"));
      today(device).andExpect(content().string(not(containsString(asks))));
    }
    LocalDate from = LocalDate.ofInstant(clock.instant(), LISBON).minusDays(4);
    assertThat(followUps.since(client.getId(), from).selfChecks())
        .hasSize(3)
        .allSatisfy(c -> assertThat(c.felt()).hasSize(2));
    mvc.perform(as(me, get(address + "/review/decisions")))
        .andExpect(content().string(containsString("neck L: worse on 2 of 3 days")))
        .andExpect(content().string(not(containsString("neck R"))));
    String odd =
        "{\"uploadId\":\"%s\",\"kind\":\"SELF_CHECK\",\"day\":\"2026-11-28\","
            + "\"joints\":{\"KNEE-L\":\"WORSE\"},\"toldAt\":\"2026-11-28T06:40:00Z\"}";
    send(device, client, "follow-ups", odd.formatted(UUID.randomUUID()));
    assertThat(sessions.conflicts(client.getId())).isOne();
  }

  /** A stretch that names no ceiling has that of the screening, and the player says it. */
  @Test
  void thePlayerSaysTheCeilingOfTheScreening() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "2x15s");
    mvc.perform(get("/me/player?pain=2").cookie(device(me, client)))
        .andExpect(content().string(containsString("up to 4 of 10")))
        .andExpect(content().string(containsString("\"ceiling\":4")));
  }

  private static String id() {
    return UUID.randomUUID().toString();
  }
}
