package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.biokinet.app.client.Circumstances;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.Contact;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.program.DraftService;
import org.biokinet.app.program.DraftService.Outcome;
import org.biokinet.app.program.DraftService.State;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.DraftItem;
import org.biokinet.core.program.ProgramDocument;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.timeline.Timeline;
import org.hamcrest.Matchers;
import org.junit.jupiter.api.Test;

/** Writing a program: nothing is lost, everything can be undone, what is shared stays. */
class DraftTest extends AppTest {

  private static DraftEdit add(String key) {
    return new DraftEdit.Add(key, "chin-tuck", "3x10s");
  }

  @Test
  void undoAndRedoSurviveLeavingThePage() {
    Me me = practitioner();
    Client client = client(me);
    drafts.edit(me, client.getId(), ProgramKind.MAIN, 0, add("a"));
    drafts.edit(me, client.getId(), ProgramKind.MAIN, 1, new DraftEdit.SetDose("a", "3x20s"));
    drafts.undo(me, client.getId(), ProgramKind.MAIN, 2);
    State state = drafts.state(me, client.getId(), ProgramKind.MAIN);
    assertThat(state.draft().items().get(0).dose()).isEqualTo("3x10s");
    assertThat(state.canRedo()).isTrue();
    drafts.redo(me, client.getId(), ProgramKind.MAIN, state.seq());
    assertThat(drafts.state(me, client.getId(), ProgramKind.MAIN).draft().items().get(0).dose())
        .isEqualTo("3x20s");
  }

  @Test
  void theSecondOfTwoEditorsSeesWhoAndKeepsWhatWasTyped() throws Exception {
    Practice practice = practice();
    Me first = practitioner(practice);
    Me second = practitioner(practice);
    Client client = client(first);
    drafts.edit(first, client.getId(), ProgramKind.MAIN, 0, add("a"));
    int seen = drafts.state(second, client.getId(), ProgramKind.MAIN).seq();
    drafts.edit(first, client.getId(), ProgramKind.MAIN, seen, new DraftEdit.SetDose("a", "3x15s"));
    mvc.perform(
            as(second, post("/clients/" + client.getId() + "/plan/dose"))
                .param("seq", Integer.toString(seen))
                .param("key", "a")
                .param("dose", "2x20s"))
        .andExpect(status().isConflict())
        .andExpect(content().string(Matchers.containsString(first.name())))
        .andExpect(content().string(Matchers.containsString("2x20s")));
    assertThat(drafts.state(first, client.getId(), ProgramKind.MAIN).draft().items().get(0).dose())
        .isEqualTo("3x15s");
  }

  /** Nobody shares what a colleague has changed since, nor with the page of an earlier draft. */
  @Test
  void nobodySharesWhatAColleagueHasChangedSince() {
    Practice practice = practice();
    Me first = practitioner(practice);
    Me second = practitioner(practice);
    Client client = client(first);
    drafts.edit(first, client.getId(), ProgramKind.MAIN, 0, add("a"));
    int seen = drafts.state(second, client.getId(), ProgramKind.MAIN).seq();
    drafts.edit(first, client.getId(), ProgramKind.MAIN, seen, new DraftEdit.SetDose("a", "3x15s"));
    assertThat(drafts.share(second, client.getId(), ProgramKind.MAIN, seen, "It is only a test."))
        .isInstanceOf(DraftService.Outcome.Overtaken.class);
    assertThat(drafts.share(second, client.getId(), ProgramKind.MAIN, 99, "It is only a test."))
        .isInstanceOf(DraftService.Outcome.Overtaken.class);
    assertThat(versions.all(client.getId())).isEmpty();
    assertThat(
            drafts.share(
                second,
                client.getId(),
                ProgramKind.MAIN,
                drafts.state(second, client.getId(), ProgramKind.MAIN).seq(),
                "It is only a test."))
        .isInstanceOf(DraftService.Outcome.Shared.class);
  }

  @Test
  void editsAtTheSameMomentAllLand() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    ExecutorService pool = Executors.newFixedThreadPool(6);
    List<Future<Outcome>> all = new ArrayList<>();
    for (int i = 0; i < 12; i++) {
      String key = "k" + i;
      all.add(pool.submit(() -> drafts.edit(me, client.getId(), ProgramKind.MAIN, 0, add(key))));
    }
    for (Future<Outcome> f : all) assertThat(f.get()).isInstanceOf(Outcome.Done.class);
    pool.shutdown();
    assertThat(drafts.state(me, client.getId(), ProgramKind.MAIN).draft().items()).hasSize(12);
  }

  /** What is added stays where it was put, and is done as what comes before it, where it can be. */
  @Test
  void whatIsAddedGoesToTheEndInThePositionOfTheOneBefore() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    edit(me, client, new DraftEdit.Add("a", "chin-tuck", "3x10s"));
    edit(me, client, new DraftEdit.SetPosition("a", Position.STAND));
    String plan = "/clients/" + client.getId() + "/plan";
    for (String exercise : List.of("neck-rotation", "open-book")) {
      String seq = Integer.toString(drafts.state(me, client.getId(), ProgramKind.MAIN).seq());
      mvc.perform(as(me, post(plan + "/add")).param("seq", seq).param("exercise", exercise))
          .andExpect(status().isOk());
    }
    Catalogue catalogue = Catalogue.load();
    assertThat(drafts.state(me, client.getId(), ProgramKind.MAIN).draft().items())
        .extracting(DraftItem::exercise, i -> i.position(catalogue.get(i.exercise())))
        .containsExactly(
            tuple("chin-tuck", Position.STAND),
            tuple("neck-rotation", Position.STAND),
            // It is done lying on the side and in no other way.
            tuple("open-book", catalogue.get("open-book").usualPosition()));
  }

  @Test
  void everyDoseThatCannotBeReadIsNamed() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    edit(me, client, new DraftEdit.Add("a", "upper-trap-stretch", "3x20"));
    edit(me, client, new DraftEdit.Add("b", "neck-rotation", "5"));
    edit(me, client, new DraftEdit.Add("c", "chin-tuck", "3x"));
    mvc.perform(as(me, get("/clients/" + client.getId() + "/plan")))
        .andExpect(content().string(Matchers.containsString("Item 1: ")))
        .andExpect(content().string(Matchers.containsString("Item 3: ")));
  }

  @Test
  void nothingIsSharedWithAFault() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    drafts.edit(
        me,
        client.getId(),
        ProgramKind.MAIN,
        0,
        new DraftEdit.Add("a", "upper-trap-stretch", "3x20"));
    String share = "/clients/" + client.getId() + "/plan/share";
    mvc.perform(as(me, post(share)).param("seq", "1"))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(Matchers.containsString("seconds or breaths?")));
    assertThat(versions.all(client.getId())).isEmpty();
  }

  @Test
  void aSharedVersionReplaysFromWhatItHoldsItself() {
    Me me = practitioner();
    Client client = client(me);
    ProgramVersion one = share(me, client, "upper-trap-stretch", "3x30s");
    share(me, client, "neck-rotation", "5");
    assertThat(one.number()).isEqualTo(1);
    var replay =
        versions.of(client.getId(), new ProgramVersion.Name(ProgramKind.MAIN, 1)).orElseThrow();
    // Handbook section 5, worked example: 248 s.
    assertThat(Timeline.compile(replay.program()).seconds()).isEqualTo(248);
    assertThat(one.seconds()).isEqualTo(248);
    assertThat(ProgramDocument.read(one.document(), replay.catalogue()))
        .isInstanceOf(ProgramDocument.Reading.Ok.class);
    assertThat(
            versions
                .of(client.getId(), new ProgramVersion.Name(ProgramKind.MAIN, 2))
                .orElseThrow()
                .program()
                .items())
        .hasSize(2);
  }

  @Test
  void whatIsTypedWrongIsKeptAndExplainedWithFixes() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    drafts.edit(
        me,
        client.getId(),
        ProgramKind.MAIN,
        0,
        new DraftEdit.Add("a", "upper-trap-stretch", "2x15s"));
    mvc.perform(
            as(me, post("/clients/" + client.getId() + "/plan/dose"))
                .param("seq", "1")
                .param("key", "a")
                .param("dose", "3x20"))
        .andExpect(status().isOk())
        .andExpect(content().string(Matchers.containsString("seconds or breaths?")))
        .andExpect(content().string(Matchers.containsString(">3x20s</button>")))
        .andExpect(content().string(Matchers.containsString(">3x20br</button>")));
    mvc.perform(as(me, get("/clients/" + client.getId() + "/plan")))
        .andExpect(content().string(Matchers.containsString("value=\"3x20\"")));
  }

  @Test
  void pagesWithNothingAndWithLongNamesOpen() throws Exception {
    Me me = practitioner();
    Client empty =
        clients.add(me, Contact.of("N".repeat(120), LISBON), Circumstances.of("w".repeat(160)));
    for (String station : List.of("screen", "measure", "plan", "do", "review")) {
      mvc.perform(as(me, get("/clients/" + empty.getId() + "/" + station)))
          .andExpect(status().isOk());
    }
  }

  @Test
  void aNewClientWithAFaultKeepsWhatWasTyped() throws Exception {
    Me me = practitioner();
    mvc.perform(
            as(me, post("/clients/new"))
                .param("name", "")
                .param("birthDate", "2999-01-01")
                .param("work", "chart drafter")
                .param("zone", "Lisbon"))
        .andExpect(content().string(Matchers.containsString("A name is needed.")))
        .andExpect(content().string(Matchers.containsString("A date in the past")))
        .andExpect(content().string(Matchers.containsString("such as Europe/Lisbon")))
        .andExpect(content().string(Matchers.containsString("value=\"chart drafter\"")));
    assertThat(clients.all(me)).isEmpty();
  }

  /** What is chosen moves together and leaves together; one undo takes either back. */
  @Test
  void severalMoveTogether() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    int seq = 0;
    for (String key : List.of("a", "b", "c", "d")) {
      drafts.edit(me, client.getId(), ProgramKind.MAIN, seq++, add(key));
    }
    String plan = "/clients/" + client.getId() + "/plan";
    mvc.perform(
            as(me, post(plan + "/move"))
                .param("seq", "4")
                .param("key", "d")
                .param("to", "2")
                .param("keys", "b", "d"))
        .andExpect(status().isOk())
        .andExpect(content().string(Matchers.containsString("checked=\"checked\"")));
    assertThat(keys(me, client)).containsExactly("b", "d", "a", "c");
    mvc.perform(
        as(me, post(plan + "/remove")).param("seq", "5").param("key", "b").param("keys", "b", "a"));
    assertThat(keys(me, client)).containsExactly("d", "c");
    drafts.undo(me, client.getId(), ProgramKind.MAIN, 6);
    assertThat(keys(me, client)).containsExactly("b", "d", "a", "c");
    mvc.perform(as(me, post(plan + "/duplicate")).param("seq", "7").param("key", "d"))
        .andExpect(status().isOk());
    assertThat(keys(me, client)).hasSize(5).containsSequence("b", "d").endsWith("a", "c");
  }

  /** Handed over to another process and after a new sign-in alike: the log is all there is. */
  @Test
  void fiftyStepsAreTakenBackAndBroughtBack() {
    Me me = practitioner();
    Client client = client(me);
    for (int i = 0; i < 55; i++) {
      drafts.edit(me, client.getId(), ProgramKind.MAIN, i, new DraftEdit.SetTitle("Title " + i));
    }
    for (int i = 0; i < 50; i++) drafts.undo(me, client.getId(), ProgramKind.MAIN, 55 + i);
    DraftService.State back = drafts.state(me, client.getId(), ProgramKind.MAIN);
    assertThat(back.draft().title()).isEqualTo("Title 4");
    for (int i = 0; i < 50; i++) drafts.redo(me, client.getId(), ProgramKind.MAIN, 105 + i);
    assertThat(drafts.state(me, client.getId(), ProgramKind.MAIN).draft().title())
        .isEqualTo("Title 54");
  }

  private List<String> keys(Me me, Client client) {
    return drafts.state(me, client.getId(), ProgramKind.MAIN).draft().items().stream()
        .map(DraftItem::key)
        .toList();
  }

  /** Who else is in it and since when is said when it is opened; an hour later nobody is. */
  @Test
  void whoIsInADraftIsSaid() throws Exception {
    Practice practice = practice();
    Me first = practitioner(practice);
    Me second = practitioner(practice);
    Client client = client(first);
    String plan = "/clients/" + client.getId() + "/plan";
    drafts.edit(first, client.getId(), ProgramKind.MAIN, 0, add("a"));
    mvc.perform(as(second, get(plan)))
        .andExpect(content().string(Matchers.containsString("is in this draft since")));
    mvc.perform(as(first, get(plan)))
        .andExpect(
            content().string(Matchers.not(Matchers.containsString("is in this draft since"))));
    clock.moveTo(clock.instant().plusSeconds(3600));
    mvc.perform(as(second, get(plan)))
        .andExpect(
            content().string(Matchers.not(Matchers.containsString("is in this draft since"))));
  }

  /**
   * Only one is in a draft: the other is told, may take it over, and what they wanted to change is
   * neither merged nor lost.
   */
  @Test
  void whoeverComesSecondTakesOverOrGoesOnApart() throws Exception {
    Practice practice = practice();
    Me first = practitioner(practice);
    Me second = practitioner(practice);
    Client client = client(first);
    drafts.edit(first, client.getId(), ProgramKind.MAIN, 0, add("a"));
    drafts.edit(second, client.getId(), ProgramKind.MAIN, 1, new DraftEdit.SetDose("a", "3x15s"));
    drafts.edit(second, client.getId(), ProgramKind.MAIN, 1, add("b"));
    assertThat(state(second, client).company().kept()).isEqualTo(2);
    assertThat(dose(first, client)).isEqualTo("3x10s");

    // Reloaded, it is still said what was not taken.
    String plan = "/clients/" + client.getId() + "/plan";
    mvc.perform(as(second, get(plan)))
        .andExpect(content().string(Matchers.containsString("2 changes of yours")));
    choose(second, client, "APART");
    assertThat(state(second, client).company().apart()).isTrue();
    assertThat(state(second, client).company().kept()).isZero();
    assertThat(dose(second, client)).isEqualTo("3x15s");
    assertThat(keys(second, client)).containsExactly("a", "b");
    assertThat(keys(first, client)).containsExactly("a");
    mvc.perform(as(first, get(plan)))
        .andExpect(content().string(Matchers.containsString("Kept beside it: a draft of")));

    // Each goes on with their own, and either can be looked at; undo reaches back over both.
    drafts.edit(first, client.getId(), ProgramKind.MAIN, 3, new DraftEdit.SetDose("a", "2x10s"));
    drafts.undo(second, client.getId(), ProgramKind.MAIN, 3);
    assertThat(keys(second, client)).containsExactly("a");
    choose(second, client, "ASIDE");
    assertThat(dose(second, client)).isEqualTo("2x10s");
    assertThat(state(second, client).company().waiting()).isPresent();
    choose(second, client, "APART");
    assertThat(dose(second, client)).isEqualTo("3x15s");

    // Put in the place of the shared one: not over what was not seen of it, and it can be undone.
    mvc.perform(
            as(second, post(plan + "/company")).param("choice", "IN_PLACE").param("shared", "1"))
        .andExpect(status().is3xxRedirection());
    assertThat(dose(first, client)).isEqualTo("2x10s");
    int seen = state(second, client).company().shared();
    mvc.perform(
            as(second, post(plan + "/company"))
                .param("choice", "IN_PLACE")
                .param("shared", Integer.toString(seen)))
        .andExpect(status().is3xxRedirection());
    assertThat(dose(first, client)).isEqualTo("3x15s");
    assertThat(state(second, client).company().apart()).isFalse();
    drafts.undo(second, client.getId(), ProgramKind.MAIN, state(second, client).seq());
    assertThat(dose(first, client)).isEqualTo("2x10s");
  }

  @Test
  void whoTakesOverIsInItAndTheOtherIsTold() throws Exception {
    Practice practice = practice();
    Me first = practitioner(practice);
    Me second = practitioner(practice);
    Client client = client(first);
    drafts.edit(first, client.getId(), ProgramKind.MAIN, 0, add("a"));
    choose(second, client, "TAKE_OVER");
    assertThat(state(second, client).company().holder()).isEmpty();
    assertThat(
            drafts.edit(
                second,
                client.getId(),
                ProgramKind.MAIN,
                state(second, client).seq(),
                new DraftEdit.SetDose("a", "3x15s")))
        .isInstanceOf(Outcome.Done.class);
    assertThat(drafts.undo(first, client.getId(), ProgramKind.MAIN, 1))
        .isInstanceOf(Outcome.Overtaken.class);
    assertThat(drafts.share(first, client.getId(), ProgramKind.MAIN, 1, "It is only a test."))
        .isInstanceOf(Outcome.Overtaken.class);
    assertThat(dose(first, client)).isEqualTo("3x15s");
  }

  /** A draft of one's own is shared as it is; the other stays, and says what was shared since. */
  @Test
  void whatIsSharedOfOnesOwnLeavesTheOtherDraftAsItWas() throws Exception {
    Practice practice = practice();
    Me first = practitioner(practice);
    Me second = practitioner(practice);
    Client client = client(first);
    drafts.edit(first, client.getId(), ProgramKind.MAIN, 0, add("a"));
    drafts.edit(second, client.getId(), ProgramKind.MAIN, 1, new DraftEdit.SetDose("a", "2x10s"));
    choose(second, client, "APART");
    clock.moveTo(clock.instant().plusSeconds(60));
    assertThat(drafts.share(second, client.getId(), ProgramKind.MAIN, 2, "It is only a test."))
        .isInstanceOf(Outcome.Shared.class);
    assertThat(dose(first, client)).isEqualTo("3x10s");
    assertThat(state(first, client).sharedSince()).isPresent();
    assertThat(state(second, client).company().apart()).isFalse();
    mvc.perform(as(first, get("/clients/" + client.getId() + "/plan")))
        .andExpect(content().string(Matchers.containsString("version 1 was shared by")));
  }

  @Test
  void aDraftOfOnesOwnCanBeThrownAway() throws Exception {
    Practice practice = practice();
    Me first = practitioner(practice);
    Me second = practitioner(practice);
    Client client = client(first);
    drafts.edit(first, client.getId(), ProgramKind.MAIN, 0, add("a"));
    choose(second, client, "APART");
    choose(second, client, "THROW_AWAY");
    assertThat(state(second, client).company().waiting()).isEmpty();
    assertThat(state(second, client).company().apart()).isFalse();
    assertThat(keys(first, client)).containsExactly("a");
  }

  private void choose(Me me, Client client, String choice) throws Exception {
    mvc.perform(
            as(me, post("/clients/" + client.getId() + "/plan/company")).param("choice", choice))
        .andExpect(status().is3xxRedirection());
  }

  private State state(Me me, Client client) {
    return drafts.state(me, client.getId(), ProgramKind.MAIN);
  }

  private String dose(Me me, Client client) {
    return state(me, client).draft().items().get(0).dose();
  }

  private void edit(Me me, Client client, DraftEdit edit) {
    int seq = drafts.state(me, client.getId(), ProgramKind.MAIN).seq();
    drafts.edit(me, client.getId(), ProgramKind.MAIN, seq, edit);
  }
}
