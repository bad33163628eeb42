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

import com.icegreen.greenmail.util.GreenMail;
import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import jakarta.servlet.http.Cookie;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.biokinet.app.client.Circumstances;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.Contact;
import org.biokinet.app.mail.Letter;
import org.biokinet.app.mail.Outbox;
import org.biokinet.app.mail.Postman;
import org.biokinet.app.pause.FlareService;
import org.biokinet.app.pause.PauseService;
import org.biokinet.app.practice.Me;
import org.biokinet.app.program.DraftService;
import org.biokinet.app.reminder.ReminderService;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.progress.Pause;
import org.biokinet.core.session.Ended;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Reminders come when something is due, at the client's own hour, and never to who should rest. */
class ReminderTest extends AppTest {

  @Autowired ReminderService reminders;
  @Autowired PauseService pauses;
  @Autowired FlareService flares;
  @Autowired Outbox outbox;
  @Autowired Postman postman;
  @Autowired GreenMail server;

  private final String address = UUID.randomUUID() + "@client.example";
  private LocalDate today;
  private Me me;
  private Client client;
  private Cookie device;

  /** At noon of tomorrow, so that no earlier reminder of the day is late. */
  @BeforeEach
  void somebodyWhoChose0730And1800() throws Exception {
    today = LocalDate.ofInstant(clock.instant(), LISBON).plusDays(1);
    me = practitioner();
    client =
        clients.add(
            me,
            Contact.of("Ada Example", LISBON).reachedBy("", address),
            Circumstances.of("forecaster"));
    screen(me, client, Set.of(), Set.of(), Set.of());
    share(me, client, "chin-tuck", "3x10s 2/d");
    device = device(me, client);
    at("04:30");
    choose("07:30", "18:00", "");
  }

  private void at(String time) {
    at(today, time, LISBON);
  }

  private void at(LocalDate day, String time, ZoneId zone) {
    clock.moveTo(day.atTime(LocalTime.parse(time)).atZone(zone).toInstant());
  }

  private void choose(String... times) throws Exception {
    mvc.perform(post("/me/times").cookie(device).with(csrf()).param("time", times))
        .andExpect(redirectedUrl("/me/times?kept"));
  }

  /** Looks whose time has come, and how many were written to this client by now. */
  private int written() {
    if (reminders.due().contains(client.getId())) reminders.remind(client.getId());
    return outbox.of(client.getId(), Letter.Kind.REMINDER).size();
  }

  private void train() {
    sessions.record(asClient(client), session(client, clock.instant(), Ended.FINISHED));
  }

  @Test
  void itComesAtTheTimesThatWereChosenWhileSomethingIsDue() {
    at("07:29");
    assertThat(written()).isZero();
    at("07:31");
    assertThat(written()).isEqualTo(1);
    assertThat(written()).isEqualTo(1);
    train();
    at("18:00");
    assertThat(written()).as("one of two is done").isEqualTo(2);
    train();
    today = today.plusDays(1);
    at("07:30");
    assertThat(written()).as("a new day").isEqualTo(3);
    train();
    at("12:00");
    train();
    at("18:00");
    assertThat(written()).as("both are done").isEqualTo(3);
  }

  @Test
  void ofSeveralThatLookAtOnceOneWrites() throws Exception {
    at("07:30");
    atOnce(6, () -> reminders.remind(client.getId()));
    assertThat(outbox.of(client.getId(), Letter.Kind.REMINDER)).hasSize(1);
  }

  @Test
  void whoHasJustDoneOneIsLeftAlone() {
    at("06:30");
    train();
    at("07:30");
    assertThat(written()).isZero();
    at("18:00");
    assertThat(written()).isEqualTo(1);
  }

  /** The application was down: a reminder of the morning is nothing for the evening. */
  @Test
  void whatIsHoursLateIsLeftOut() {
    at("10:00");
    assertThat(written()).isZero();
    at("18:01");
    assertThat(written()).isEqualTo(1);
  }

  @Test
  void noneWhilePausedStoppedWithdrawnArchivedOrWithoutAWayIn() {
    pauses.tell(
        asClient(client),
        new Pause(Pause.Kind.HOLIDAY, today, today.plusDays(1), false, Optional.empty()));
    at("07:30");
    assertThat(written()).as("away").isZero();
    pauses.back(asClient(client), false);
    at("18:00");
    assertThat(written()).as("back").isEqualTo(1);
    today = today.plusDays(1);
    links.end(me, client.getId());
    at("07:30");
    assertThat(written()).as("no link").isEqualTo(1);
    device = device(me, client);
    sessions.record(asClient(client), session(client, clock.instant(), Ended.STOPPED));
    at("18:00");
    assertThat(written()).as("stopped").isEqualTo(1);
  }

  @Test
  void noneAfterTheProgramWasTakenBackNorToWhomNobodyTreats() {
    drafts.withdraw(me, client.getId(), versions.all(client.getId()).get(0).name(), "A mistake.");
    at("07:30");
    assertThat(written()).isZero();
    share(me, client, "chin-tuck", "3x10s");
    clients.archive(me, client.getId());
    at("18:00");
    assertThat(written()).isZero();
  }

  @Test
  void noneInAFlare() {
    flarePlan(me, client);
    flares.begin(asClient(client));
    at("07:30");
    assertThat(written()).isZero();
    assertThat(reminders.due()).doesNotContain(client.getId());
  }

  @Test
  void noneOnADayOff() throws Exception {
    DraftService.State draft = drafts.state(me, client.getId(), ProgramKind.MAIN);
    String key = draft.draft().items().get(0).key();
    drafts.edit(
        me, client.getId(), ProgramKind.MAIN, draft.seq(), new DraftEdit.SetDose(key, "3x10s 3/w"));
    share(me, client);
    String other = today.plusDays(1).getDayOfWeek().name();
    String third = today.plusDays(2).getDayOfWeek().name();
    String fourth = today.plusDays(3).getDayOfWeek().name();
    mvc.perform(post("/me/days").cookie(device).with(csrf()).param("day", other, third, fourth))
        .andExpect(status().is3xxRedirection());
    at("07:30");
    assertThat(written()).isZero();
    today = today.plusDays(1);
    at("07:30");
    assertThat(written()).isEqualTo(1);
  }

  @Test
  void timesMoveWithTheClient() throws Exception {
    Contact contact = clients.get(me, client.getId()).contact();
    int version = clients.get(me, client.getId()).version();
    ZoneId there = ZoneId.of("Asia/Tokyo");
    Contact moved =
        new Contact(contact.name(), contact.birthDate(), "", address, there, contact.language());
    assertThat(clients.change(me, client.getId(), version, moved)).isTrue();
    at("07:30");
    assertThat(written()).isZero();
    at(today, "18:00", there);
    // 09:00 in Lisbon: the first of theirs that is not over.
    assertThat(written()).isEqualTo(1);
  }

  /** RFC 8058: one-click, by POST alone; RFC 2369 for the header. */
  @Test
  void oneTapInTheMailEndsThem() throws Exception {
    at("07:30");
    assertThat(written()).isEqualTo(1);
    postman.round();
    MimeMessage mail =
        Arrays.stream(server.getReceivedMessages())
            .filter(m -> to(m).equals(address))
            .findFirst()
            .orElseThrow();
    String text = (String) mail.getContent();
    assertThat(text).contains("Hello Ada").contains("/me/today").doesNotContain("tuck");
    assertThat(mail.getHeader("List-Unsubscribe-Post"))
        .containsExactly("List-Unsubscribe=One-Click");
    Pattern off = Pattern.compile("<https?://[^/]+(/off/[\\w-]+)>");
    Matcher found = off.matcher(mail.getHeader("List-Unsubscribe")[0]);
    assertThat(found.matches()).isTrue();
    assertThat(text).contains(found.group(1));
    mvc.perform(get(found.group(1))).andExpect(status().isOk());
    at("18:00");
    assertThat(written()).as("looking ends nothing").isEqualTo(2);
    mvc.perform(post(found.group(1)).param("List-Unsubscribe", "One-Click"))
        .andExpect(status().isOk())
        .andExpect(content().string(containsString("No more reminders.")));
    today = today.plusDays(1);
    at("07:30");
    assertThat(written()).isEqualTo(2);
    mvc.perform(post("/off/" + UUID.randomUUID())).andExpect(status().isNotFound());
    choose("18:00");
    at("18:00");
    assertThat(written()).as("chosen again").isEqualTo(3);
  }

  private static String to(MimeMessage m) {
    try {
      return m.getAllRecipients()[0].toString();
    } catch (MessagingException e) {
      throw new IllegalStateException(e);
    }
  }

  @Test
  void whatIsNoTimeIsSaidAndKeptAsTyped() throws Exception {
    mvc.perform(
            post("/me/times").cookie(device).with(csrf()).param("time", "half past", "18:00", ""))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("half past")))
        .andExpect(content().string(containsString("A time is such as 07:30.")));
    assertThat(reminders.of(client).reminding().times())
        .isEqualTo(List.of(LocalTime.of(7, 30), LocalTime.of(18, 0)));
  }

  @Test
  void whoHasNoAddressOnRecordIsToldSo() throws Exception {
    Client other = client(me);
    mvc.perform(get("/me/times").cookie(device(me, other)))
        .andExpect(content().string(containsString("has no mail address of you")));
  }

  @Test
  void theMorningIsAskedAboutFromTheHourThatWasChosen() throws Exception {
    train();
    mvc.perform(post("/me/times/morning").cookie(device).with(csrf()).param("from", "09:15"))
        .andExpect(redirectedUrl("/me/times?kept"));
    today = today.plusDays(1);
    at("09:14");
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(not(containsString("id=\"morning\""))));
    at("09:15");
    mvc.perform(get("/me/today").cookie(device))
        .andExpect(content().string(containsString("id=\"morning\"")));
  }
}
