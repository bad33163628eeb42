package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.Duration;
import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
import org.biokinet.app.client.Client;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.program.DraftService;
import org.biokinet.app.review.ReviewService;
import org.biokinet.app.settings.SettingsService;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.dose.Pace;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.ledger.Band;
import org.biokinet.core.planning.Preferences;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.progress.Line;
import org.biokinet.core.progress.Threshold;
import org.biokinet.core.progress.Thresholds;
import org.biokinet.core.timeline.Timeline;
import org.hamcrest.Matchers;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.ResultActions;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;

/** What a practice chooses for itself, and what Plan makes of it. */
class SettingsTest extends AppTest {

  @Autowired SettingsService settings;
  @Autowired ReviewService reviews;

  private static MockHttpServletRequestBuilder form(String seen, Map<Pace, String> typed) {
    MockHttpServletRequestBuilder request = post("/settings").param("seen", seen);
    for (Pace p : Pace.values()) {
      request.param(p.code(), typed.getOrDefault(p, Integer.toString(p.usual())));
    }
    return request;
  }

  private ResultActions prefer(Me me, String most, String seen) throws Exception {
    return mvc.perform(
        as(me, post("/settings/preferences"))
            .param("counting", "BREATHS")
            .param("circles", "true")
            .param("mostItems", most)
            .param("seen", seen));
  }

  /** The second of two who choose at once is told, and finds what was chosen still there. */
  @Test
  void whatIsLikedIsKeptAndNotOverwrittenUnseen() throws Exception {
    Practice practice = practice();
    Me me = practitioner(practice);
    prefer(me, "4", "").andExpect(redirectedUrl("/settings?preferred#suggested"));
    Preferences kept = new Preferences(Preferences.Counting.BREATHS, false, true, 4);
    assertThat(settings.preferences(practice.id())).isEqualTo(kept);
    Me other = practitioner(practice);
    prefer(other, "5", "")
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(Matchers.containsString("has changed this while you")))
        .andExpect(content().string(Matchers.containsString("value=\"5\"")));
    prefer(other, "lots", settings.preferencesRevision(practice.id()).orElseThrow().toString())
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(Matchers.containsString("A whole number, 1 to 12.")))
        .andExpect(content().string(Matchers.containsString("value=\"lots\"")));
    assertThat(settings.preferences(practice.id())).isEqualTo(kept);
    prefer(other, "5", settings.preferencesRevision(practice.id()).orElseThrow().toString())
        .andExpect(redirectedUrl("/settings?preferred#suggested"));
  }

  @Test
  void aSharedVersionKeepsThePacingThatItWasSharedWith() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "3x30s");
    mvc.perform(as(me, form("", Map.of(Pace.CHANGE_SIDES, "6"))))
        .andExpect(redirectedUrl("/settings?saved"));
    // Handbook section 5: 248 s; five changes of side, each 2 s longer, make 258.
    assertThat(
            Timeline.compile(versions.latest(client, ProgramKind.MAIN).orElseThrow().program())
                .seconds())
        .isEqualTo(248);
    mvc.perform(as(me, get("/clients/" + client.getId() + "/plan")))
        .andExpect(content().string(Matchers.containsString(">4:18</span>")));
    share(me, client, "neck-rotation", "5");
    assertThat(versions.latest(client, ProgramKind.MAIN).orElseThrow().program().pacing())
        .isEqualTo(Pacing.of(Map.of(Pace.CHANGE_SIDES, 6)));
    mvc.perform(as(me, get("/settings")))
        .andExpect(content().string(Matchers.containsString("change sides 4 → 6 s")));
  }

  @Test
  void faultsStandBesideTheirFieldAndNothingTypedIsLost() throws Exception {
    Me me = practitioner();
    mvc.perform(as(me, form("", Map.of(Pace.MOVE, "99", Pace.CIRCLE, "six", Pace.SETTLE, "5"))))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(Matchers.containsString("1 to 30 s.")))
        .andExpect(content().string(Matchers.containsString("Whole seconds, 1 to 30.")))
        .andExpect(content().string(Matchers.containsString("value=\"six\"")))
        .andExpect(content().string(Matchers.containsString("value=\"5\"")));
    mvc.perform(as(me, form("", Map.of(Pace.FLOOR, "2"))))
        .andExpect(content().string(Matchers.containsString("twice the way to the floor")));
    assertThat(settings.pacing(me.practiceId())).isEqualTo(Pacing.DEFAULT);
  }

  @Test
  void theSecondOfTwoEditorsDoesNotOverwriteTheFirst() throws Exception {
    Practice practice = practice();
    Me first = practitioner(practice);
    Me second = practitioner(practice);
    settings.setPacing(first, Pacing.of(Map.of(Pace.MOVE, 5)), Optional.empty());
    mvc.perform(as(second, form("", Map.of(Pace.MOVE, "6"))))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(Matchers.containsString(first.name())));
    assertThat(settings.pacing(practice.id()).seconds(Pace.MOVE)).isEqualTo(5);
    String seen = settings.pacingRevision(practice.id()).map(UUID::toString).orElseThrow();
    mvc.perform(as(second, form(seen, Map.of(Pace.MOVE, "6"))))
        .andExpect(redirectedUrl("/settings?saved"));
    // Another practice keeps its own.
    assertThat(settings.pacing(practitioner().practiceId())).isEqualTo(Pacing.DEFAULT);
  }

  @Test
  void anOrderOfOnesOwnIsKeptExplainedAndPutRightByOneTap() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    drafts.edit(
        me, client.getId(), ProgramKind.MAIN, 0, new DraftEdit.Add("tuck", "chin-tuck", "3x10s"));
    String plan = "/clients/" + client.getId() + "/plan";
    mvc.perform(as(me, post(plan + "/add")).param("seq", "1").param("exercise", "neck-rotation"))
        .andExpect(
            content()
                .string(
                    Matchers.containsString(
                        "Item 2 (mobility in straight planes) usually comes before strength")));
    assertThat(drafts.state(me, client.getId(), ProgramKind.MAIN).draft().items())
        .extracting(i -> i.exercise())
        .containsExactly("chin-tuck", "neck-rotation");
    mvc.perform(
            as(me, post(plan + "/fix"))
                .param("seq", "2")
                .param("kind", "ORDER")
                .param("fix", "put in the usual order"))
        .andExpect(content().string(Matchers.not(Matchers.containsString("usually comes before"))));
    assertThat(drafts.state(me, client.getId(), ProgramKind.MAIN).draft().items().get(0).exercise())
        .isEqualTo("neck-rotation");
  }

  @Test
  void sidesOrderPriorityAndPositionAreChosenAndUndone() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    drafts.edit(
        me,
        client.getId(),
        ProgramKind.MAIN,
        0,
        new DraftEdit.Add("a", "upper-trap-stretch", "2x15s"));
    String set = "/clients/" + client.getId() + "/plan/set";
    String[][] choices = {
      {"order", "BLOCK"},
      {"item-lead", "RIGHT"},
      {"priority", "HIGH"},
      {"position", "STAND"},
      {"lead", "RIGHT"},
    };
    int seq = 1;
    for (String[] c : choices) {
      mvc.perform(
              as(me, post(set))
                  .param("seq", Integer.toString(seq++))
                  .param("key", "a")
                  .param("what", c[0])
                  .param("value", c[1]))
          .andExpect(status().isOk());
    }
    var draft = drafts.state(me, client.getId(), ProgramKind.MAIN).draft();
    assertThat(draft.items().get(0).position()).contains(Position.STAND);
    assertThat(draft.lead()).isPresent();
    mvc.perform(
            as(me, post(set))
                .param("seq", "6")
                .param("key", "a")
                .param("what", "order")
                .param("value", "SIDEWAYS"))
        .andExpect(status().isBadRequest());
    for (int i = 0; i < choices.length; i++)
      drafts.undo(me, client.getId(), ProgramKind.MAIN, seq + i);
    assertThat(drafts.state(me, client.getId(), ProgramKind.MAIN).draft().items().get(0).priority())
        .isEmpty();
  }

  @Test
  void theLedgerSaysOverAndUnderAndWhatRisesTooFast() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "2x15s");
    String plan = "/clients/" + client.getId() + "/plan";
    String key = drafts.state(me, client.getId(), ProgramKind.MAIN).draft().items().get(0).key();
    mvc.perform(as(me, get(plan + "/live")).param("key", key).param("dose", "L 2x15s R 4x30s"))
        .andExpect(content().string(Matchers.containsString("left 30 s under, right 120 s over")))
        .andExpect(
            content()
                .string(
                    Matchers.containsString(
                        "Right upper trapezius: 210 → 840 s a week; at most 420 is advised")));
    mvc.perform(as(me, post(plan + "/band")).param("band", "THOMAS"))
        .andExpect(content().string(Matchers.containsString("band 43 to 86 s a day")));
    assertThat(settings.band(me.practiceId())).isEqualTo(Band.THOMAS);
  }

  @Test
  void theClientsBreathIsUsedAndAWrongOneIsKeptAndExplained() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    drafts.edit(
        me,
        client.getId(),
        ProgramKind.MAIN,
        0,
        new DraftEdit.Add("a", "diaphragmatic-breathing", "10br"));
    String breath = "/clients/" + client.getId() + "/plan/breath";
    mvc.perform(as(me, post(breath)).param("breath", "4,5"))
        // 5 + 4 + 10 × 4.5 s.
        .andExpect(content().string(Matchers.containsString(">0:54</span>")));
    mvc.perform(as(me, post(breath)).param("breath", "40"))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(Matchers.containsString("value=\"40\"")))
        .andExpect(content().string(Matchers.containsString("Seconds from 2 to 20")));
    // Undone like everything on the page; what is shared is the client's from then on.
    assertThat(clients.get(me, client.getId()).breathSeconds()).isEqualTo(5);
    mvc.perform(as(me, post("/clients/" + client.getId() + "/plan/undo")).param("seq", "2"))
        .andExpect(content().string(Matchers.containsString(">0:59</span>")));
    drafts.redo(me, client.getId(), ProgramKind.MAIN, 3);
    assertThat(drafts.share(me, client.getId(), ProgramKind.MAIN, 4, "It is only a test."))
        .isInstanceOf(DraftService.Outcome.Shared.class);
    assertThat(clients.get(me, client.getId()).breathSeconds()).isEqualTo(4.5);
  }

  /** Two save the pacing that both have read at once: the second is told, and one is in force. */
  @Test
  void ofTwoWhoSaveAtOnceOneIsTold() throws Exception {
    Me me = practitioner();
    AtomicInteger told = new AtomicInteger();
    AtomicInteger next = new AtomicInteger(2);
    atOnce(
        4,
        () -> {
          Pacing mine = Pacing.of(Map.of(Pace.SET_UP, next.getAndIncrement()));
          if (settings.setPacing(me, mine, Optional.empty()).isPresent()) told.incrementAndGet();
        });
    assertThat(told).hasValue(3);
    assertThat(settings.pacingHistory(me.practiceId())).hasSize(1);
  }

  private static MockHttpServletRequestBuilder thresholds(
      String seen, Map<Threshold, String> typed) {
    MockHttpServletRequestBuilder request = post("/settings/thresholds").param("seen", seen);
    for (Threshold t : Threshold.values()) {
      request.param(t.code(), typed.getOrDefault(t, Integer.toString(t.usual())));
    }
    return request;
  }

  /** A review asks them from now on; a fault stands beside its field, and two do not overwrite. */
  @Test
  void aPracticeDecidesByItsOwnThresholds() throws Exception {
    Practice practice = practice();
    Me me = practitioner(practice);
    mvc.perform(as(me, thresholds("", Map.of(Threshold.PAIN_AT_REST, "9"))))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(Matchers.containsString("A whole number, 5 to 7.")))
        .andExpect(content().string(Matchers.containsString("value=\"9\"")));
    assertThat(settings.thresholds(practice.id())).isEqualTo(Thresholds.USUAL);
    Client client = client(me);
    share(me, client, "chin-tuck", "3x5s");
    LocalDate first = tomorrow();
    for (int n = 0; n < 2; n++) day(client, first.plusDays(n), 2, 2);
    clock.moveTo(clock.instant().plus(Duration.ofDays(4)));
    assertThat(line(me, client)).isEqualTo(Line.NOT_KNOWN);
    mvc.perform(as(me, thresholds("", Map.of(Threshold.RETURN_DAYS, "5"))))
        .andExpect(redirectedUrl("/settings/thresholds?saved"));
    assertThat(line(me, client)).isEqualTo(Line.RETURN);
    mvc.perform(as(practitioner(practice), thresholds("", Map.of(Threshold.OVERDOING, "120"))))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(Matchers.containsString("while you were typing")))
        .andExpect(content().string(Matchers.containsString("value=\"120\"")));
    mvc.perform(as(me, get("/settings/thresholds")))
        .andExpect(content().string(Matchers.containsString("goes a rung lower 7 → 5")));
  }

  private Line line(Me me, Client client) {
    return reviews
        .open(clients.get(me, client.getId()))
        .orElseThrow()
        .review()
        .decisions()
        .get(0)
        .line();
  }
}
