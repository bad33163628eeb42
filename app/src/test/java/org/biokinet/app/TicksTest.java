package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.biokinet.app.client.Client;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.practice.Role;
import org.biokinet.app.session.SessionService;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.session.CheckIn;
import org.biokinet.core.session.Ended;
import org.biokinet.core.session.Session;
import org.biokinet.core.session.Told;
import org.junit.jupiter.api.Test;

/** Ticked sheets come back into the record, told on paper, by the front desk too. */
class TicksTest extends AppTest {

  private List<Session> all(Client client) {
    return sessions.since(client.getId(), LocalDate.EPOCH);
  }

  private LocalDate today(Client client) {
    return LocalDate.ofInstant(clock.instant(), client.zone());
  }

  @Test
  void theFrontDeskTypesInWhatIsTicked() throws Exception {
    Practice practice = practice();
    Me me = practitioner(practice);
    Me desk = person(practice, Role.FRONT_DESK);
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "L 2x15s R 3x20s @3");
    LocalDate first = today(client);
    clock.moveTo(clock.instant().plus(Duration.ofDays(3)));
    String path = "/desk/%s/ticks".formatted(client.getId());
    mvc.perform(as(desk, get(path)))
        .andExpect(status().isOk())
        .andExpect(content().string(containsString("value=\"%s\"".formatted(first))));
    mvc.perform(
            as(desk, post(path))
                .param("first", first.toString())
                .param("s-1-1", "on")
                .param("s-3-1", "on")
                .param("p-3", "4"))
        .andExpect(redirectedUrl(path + "?program=MAIN&kept=2"));
    assertThat(all(client)).hasSize(2).allMatch(s -> s.told() == Told.PAPER);
    assertThat(all(client)).extracting(Session::day).containsExactly(first, first.plusDays(2));
    Session third = all(client).get(1);
    assertThat(third.ended()).isEqualTo(Ended.FINISHED);
    assertThat(third.painBefore()).as("nobody asked").isEmpty();
    assertThat(third.checkIn().flatMap(CheckIn::highestPain)).contains(4);
    assertThat(third.checkIn().flatMap(CheckIn::stretchFelt)).isEmpty();
    assertThat(third.stretchSeconds(Side.RIGHT)).isEqualTo(60);
    mvc.perform(as(me, get("/clients/%s/review".formatted(client.getId()))))
        .andExpect(content().string(containsString("on paper")));
  }

  /** The same sheet again, and a day on which the timer told of a session, add nothing. */
  @Test
  void nothingIsToldTwice() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    clock.moveTo(clock.instant().plus(Duration.ofHours(1)));
    sessions.record(
        asClient(client), session(client, clock.instant().minusSeconds(600), Ended.FINISHED));
    LocalDate day = today(client);
    List<SessionService.Ticked> ticked =
        List.of(new SessionService.Ticked(day, 2, OptionalInt.of(0)));
    assertThat(sessions.recordOnPaper(me, client.getId(), ProgramKind.MAIN, ticked)).isEqualTo(1);
    assertThat(sessions.recordOnPaper(me, client.getId(), ProgramKind.MAIN, ticked)).isZero();
    assertThat(all(client))
        .extracting(Session::told)
        .containsExactlyInAnyOrder(Told.PLAYER, Told.PAPER);
    assertThat(all(client))
        .as("0 is an answer, and said once")
        .filteredOn(s -> s.checkIn().flatMap(CheckIn::highestPain).equals(Optional.of(0)))
        .hasSize(1);
    assertThat(all(client))
        .as("nothing lies in the future")
        .noneMatch(s -> s.startedAt().isAfter(clock.instant()));
  }

  @Test
  void twoAtOnceKeepASheetOnce() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    clock.moveTo(clock.instant().plus(Duration.ofHours(1)));
    List<SessionService.Ticked> ticked =
        List.of(new SessionService.Ticked(today(client), 3, OptionalInt.empty()));
    atOnce(4, () -> sessions.recordOnPaper(me, client.getId(), ProgramKind.MAIN, ticked));
    assertThat(all(client)).hasSize(3);
  }

  @Test
  void whatIsWrongIsSaidAndWhatWasTypedStays() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    String path = "/desk/%s/ticks".formatted(client.getId());
    mvc.perform(as(me, get(path)))
        .andExpect(content().string(containsString("there can be no sheet")));
    share(me, client, "chin-tuck", "3x10s");
    String first = today(client).toString();
    mvc.perform(as(me, post(path)).param("first", first).param("s-1-1", "on").param("p-1", "11"))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("0 to 10")))
        .andExpect(content().string(containsString("value=\"11\"")))
        .andExpect(content().string(containsString("checked=\"checked\"")));
    mvc.perform(as(me, post(path)).param("first", first).param("p-1", "3"))
        .andExpect(content().string(containsString("no session is ticked")));
    mvc.perform(as(me, post(path)).param("first", first).param("s-2-1", "on"))
        .andExpect(content().string(containsString("not yet")));
    mvc.perform(as(me, post(path)).param("first", "tomorrow").param("s-1-1", "on"))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("A date, such as")));
    mvc.perform(as(me, post(path)).param("first", first))
        .andExpect(content().string(containsString("Nothing is ticked.")));
    assertThat(all(client)).isEmpty();
  }

  /** A day before anything was shared has nothing that could have been done. */
  @Test
  void nothingIsKeptFromBeforeTheFirstVersion() {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    List<SessionService.Ticked> ticked =
        List.of(new SessionService.Ticked(today(client).minusDays(1), 1, OptionalInt.of(2)));
    assertThat(sessions.recordOnPaper(me, client.getId(), ProgramKind.MAIN, ticked)).isZero();
    assertThat(all(client)).isEmpty();
  }
}
