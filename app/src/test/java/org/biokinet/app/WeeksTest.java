package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.LocalDate;
import org.biokinet.app.client.Client;
import org.biokinet.app.platform.Days;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.program.CourseService;
import org.biokinet.app.program.DraftService;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.program.Course;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.DraftItem;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.progress.Forecast;
import org.biokinet.core.progress.Forecast.Move;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.ResultActions;

/** The weeks ahead: what is laid out, moved and kept, and that the dose in force stays. */
class WeeksTest extends AppTest {

  @Autowired CourseService courses;

  private DraftService.State state(Me me, Client client) {
    return drafts.state(me, client.getId(), ProgramKind.MAIN);
  }

  private Forecast forecast(Me me, Client client) {
    return courses.ahead(state(me, client), 9, 2).forecast().orElseThrow();
  }

  private ResultActions change(Me me, Client client, String key, String what, int week)
      throws Exception {
    return mvc.perform(
        as(me, post("/clients/%s/weeks/item".formatted(client.getId())))
            .param("seq", Integer.toString(state(me, client).seq()))
            .param("what", what)
            .param("key", key)
            .param("week", Integer.toString(week)));
  }

  private static String dose(Forecast f, String key, int week) {
    return f.weeks().get(week).state(key) instanceof Forecast.State.Done d
        ? DoseNotation.format(d.item().dose())
        : "";
  }

  private String first(Me me, Client client) {
    return state(me, client).draft().items().get(0).key();
  }

  @Test
  void everyWeekIsLaidOutAndLabelledAsAForecast() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "2x15s @3", "chin-tuck", "3x10s");
    mvc.perform(as(me, get("/clients/%s/weeks".formatted(client.getId()))))
        .andExpect(status().isOk())
        .andExpect(content().string(containsString("A forecast, if reviews agree")))
        .andExpect(content().string(containsString(">2x20s<")))
        .andExpect(content().string(containsString("left: one step, to 2x20s @3")));
    mvc.perform(as(me, get("/clients/%s/weeks".formatted(client(me).getId()))))
        .andExpect(status().isOk())
        .andExpect(content().string(containsString("Nothing to lay out yet")));
  }

  /** Later, and earlier again; and why it cannot be any sooner. */
  @Test
  void aStepMovesLaterAndEarlierAndTheDoseInForceStays() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "2x15s @3");
    String key = first(me, client);
    change(me, client, key, "LATER", 1)
        .andExpect(status().isOk())
        .andExpect(content().string(containsString("left: held")));
    assertThat(dose(forecast(me, client), key, 1)).isEqualTo("2x15s @3");
    assertThat(dose(forecast(me, client), key, 2)).isEqualTo("2x20s @3");
    change(me, client, key, "EARLIER", 2).andExpect(status().isOk());
    assertThat(dose(forecast(me, client), key, 1)).isEqualTo("2x20s @3");
    change(me, client, key, "EARLIER", 1)
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("No sooner")));
    assertThat(state(me, client).shared().orElseThrow().program().items().get(0).dose())
        .as("nothing here changes what is done")
        .extracting(DoseNotation::format)
        .isEqualTo("2x15s @3");
    assertThat(versions.all(client.getId())).hasSize(1);
    mvc.perform(
            as(me, post("/clients/%s/weeks/item".formatted(client.getId())))
                .param("seq", "2")
                .param("what", "HOLD")
                .param("key", key)
                .param("week", "1")
                .param("sides", "LEFT"))
        .andExpect(status().isOk());
    assertThat(dose(forecast(me, client), key, 1)).isEqualTo("L 2x15s R 2x20s @3");
    mvc.perform(
            as(me, post("/clients/%s/weeks/item".formatted(client.getId())))
                .param("seq", "3")
                .param("what", "MOVE")
                .param("key", key)
                .param("week", "1")
                .param("to", "3")
                .param("sides", "RIGHT"))
        .andExpect(status().isOk());
    assertThat(forecast(me, client).nextStep(key, Side.RIGHT, 0)).contains(3);
    mvc.perform(as(me, post("/clients/%s/weeks/undo".formatted(client.getId()))).param("seq", "4"))
        .andExpect(status().isOk());
    assertThat(forecast(me, client).nextStep(key, Side.RIGHT, 0)).contains(1);
  }

  /** What comes in later is not shared as something to do; the next draft still has it. */
  @Test
  void anItemOfALaterWeekIsNotDoneNow() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    drafts.edit(
        me,
        client.getId(),
        ProgramKind.MAIN,
        0,
        new DraftEdit.Add("later", "upper-trap-stretch", "2x15s @3"));
    change(me, client, "later", "BRING", 2).andExpect(status().isOk());
    assertThat(forecast(me, client).weeks().get(1).state("later"))
        .isEqualTo(new Forecast.State.Later(""));
    assertThat(dose(forecast(me, client), "later", 2)).isEqualTo("2x15s @3");
    LocalDate today = state(me, client).today();
    mvc.perform(as(me, get("/clients/%s/plan".formatted(client.getId()))))
        .andExpect(content().string(containsString("from " + Days.day(today.plusDays(14)))));
    drafts.share(me, client.getId(), ProgramKind.MAIN, 2, "It is only a test.");
    assertThat(state(me, client).shared().orElseThrow().program().items()).hasSize(1);
    assertThat(state(me, client).draft().items()).extracting(DraftItem::key).contains("later");
    assertThat(forecast(me, client).move("later", Side.LEFT, 3)).contains(Move.STEP);
    change(me, client, "later", "BRING", 0).andExpect(status().isOk());
    assertThat(dose(forecast(me, client), "later", 0)).isEqualTo("2x15s @3");
    change(me, client, "later", "END", 4).andExpect(status().isOk());
    assertThat(forecast(me, client).weeks().get(4).state("later"))
        .isEqualTo(new Forecast.State.Ended());
    change(me, client, "gone", "END", 4)
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("not in the draft any more")));
  }

  @Test
  void theTargetOfEachSideIsTypedOnTheRow() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "2x15s @3");
    String key = first(me, client);
    String set = "/clients/%s/plan/set".formatted(client.getId());
    mvc.perform(
            as(me, post(set))
                .param("seq", "0")
                .param("what", "target")
                .param("key", key)
                .param("value", "L 2x20s R 2x30s @9"))
        .andExpect(content().string(containsString("L 2x20s R 2x30s @9")))
        .andExpect(content().string(containsString("aria-invalid=\"true\"")));
    assertThat(drafts.share(me, client.getId(), ProgramKind.MAIN, 1, "It is only a test."))
        .isInstanceOfSatisfying(
            DraftService.Outcome.Refused.class,
            r -> assertThat(r.why()).startsWith("Target of item 1"));
    mvc.perform(
        as(me, post(set))
            .param("seq", "1")
            .param("what", "target")
            .param("key", key)
            .param("value", "L 2x20s R 2x30s @3"));
    assertThat(dose(forecast(me, client), key, 8)).isEqualTo("L 2x20s R 2x30s @3");
    drafts.share(me, client.getId(), ProgramKind.MAIN, 2, "It is only a test.");
    assertThat(state(me, client).shared().orElseThrow().program().items().get(0).target())
        .map(DoseNotation::format)
        .contains("L 2x20s R 2x30s @3");
  }

  @Test
  void phasesHaveTheNamesOfThePractice() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "2x15s @3");
    mvc.perform(as(me, post("/settings/phases")).param("names", "calm\n\n build \n"))
        .andExpect(redirectedUrl("/settings?phases#phases"));
    String weeks = "/clients/%s/weeks".formatted(client.getId());
    mvc.perform(as(me, get(weeks))).andExpect(content().string(containsString("value=\"build\"")));
    mvc.perform(as(me, post("/settings/phases")).param("names", "one").param("seen", ""))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("has changed this while you were typing")));
    mvc.perform(as(me, post("/settings/phases")).param("names", " "))
        .andExpect(status().isUnprocessableEntity());
    mvc.perform(
            as(me, post(weeks + "/phase"))
                .param("seq", "0")
                .param("week", "2")
                .param("name", "build"))
        .andExpect(content().string(containsString("<span class=\"phase\">build</span>")));
    mvc.perform(
            as(me, post(weeks + "/phase"))
                .param("seq", "1")
                .param("week", "2")
                .param("name", "x".repeat(50)))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("x".repeat(50))));
    mvc.perform(
            as(me, post(weeks + "/phase")).param("seq", "1").param("week", "2").param("name", ""))
        .andExpect(content().string(not(containsString("<span class=\"phase\">build</span>"))));
    mvc.perform(as(me, post(weeks + "/reviews")).param("seq", "2").param("every", "2"))
        .andExpect(status().isOk());
    assertThat(state(me, client).draft().course().map(Course::everyWeeks)).contains(2);
  }

  @Test
  void whoIsOvertakenSeesByWhom() throws Exception {
    Practice practice = practice();
    Me me = practitioner(practice);
    Me other = practitioner(practice);
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "2x15s @3");
    String key = first(me, client);
    drafts.edit(other, client.getId(), ProgramKind.MAIN, 0, new DraftEdit.SetTitle("Mine"));
    mvc.perform(
            as(me, post("/clients/%s/weeks/item".formatted(client.getId())))
                .param("seq", "0")
                .param("what", "LATER")
                .param("key", key)
                .param("week", "1"))
        .andExpect(status().isConflict())
        .andExpect(content().string(containsString("Nothing of yours was saved in it")));
    assertThat(state(me, client).draft().items().get(0).weeks()).isEmpty();
  }
}
