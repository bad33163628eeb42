package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.biokinet.app.client.Client;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.program.SavedPlans;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.DraftItem;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.screening.Condition;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Plans of the practice, and what another client does, to begin with. */
class SavedPlanTest extends AppTest {

  @Autowired SavedPlans plans;

  private List<DraftItem> items(Me me, Client client) {
    return drafts.state(me, client.getId(), ProgramKind.MAIN).draft().items();
  }

  private static String path(Client client) {
    return "/clients/%s/plans".formatted(client.getId());
  }

  /** Two items, one with a ladder of its own; saved for the practice. */
  private UUID saved(Me me) {
    Client client = client(me);
    List<DraftEdit> edits =
        List.of(
            new DraftEdit.Add("a", "chin-tuck", "3x10s"),
            new DraftEdit.SetTarget("a", Optional.of("3x15s")),
            new DraftEdit.SetNote(Optional.of("Dear Ada")),
            new DraftEdit.Add("b", "full-neck-circle", "3"));
    for (int i = 0; i < edits.size(); i++) {
      drafts.edit(me, client.getId(), ProgramKind.MAIN, i, edits.get(i));
    }
    plans.save(
        me,
        drafts.state(me, client.getId(), ProgramKind.MAIN),
        "Desk neck",
        "stiff, low irritability");
    return plans.find(me, ProgramKind.MAIN, "").get(0).id();
  }

  @Test
  void aPlanIsFoundByWhatItIsFor() throws Exception {
    Practice practice = practice();
    Me me = practitioner(practice);
    saved(me);
    Me colleague = practitioner(practice);
    for (String words : List.of("desk", "LOW irrit", "chin tuck", "")) {
      assertThat(plans.find(colleague, ProgramKind.MAIN, words)).as(words).hasSize(1);
    }
    assertThat(plans.find(me, ProgramKind.MAIN, "shoulder")).isEmpty();
    assertThat(plans.find(me, ProgramKind.DESK, "")).isEmpty();
    assertThat(plans.find(practitioner(), ProgramKind.MAIN, "")).as("another practice").isEmpty();
    mvc.perform(as(me, get(path(client(me))).param("q", "nothing")))
        .andExpect(content().string(containsString("No plan fits")));
  }

  /** What is locked is struck and left out, even where somebody asks for it by hand. */
  @Test
  void whatTheScreeningLocksIsStruckAndLeftOut() throws Exception {
    Me me = practitioner();
    UUID plan = saved(me);
    Client client = unscreened(me);
    screen(me, client, Set.of(), Set.of(), Set.of(Condition.CERVICAL_STENOSIS.code()));
    mvc.perform(as(me, get(path(client))).param("plan", plan.toString()))
        .andExpect(status().isOk())
        .andExpect(content().string(containsString("line-through")))
        .andExpect(content().string(containsString("stenosis")))
        .andExpect(content().string(containsString("3x10s to 3x15s")))
        .andExpect(content().string(not(containsString("Dear Ada"))));
    mvc.perform(
            as(me, post(path(client) + "/insert"))
                .param("seq", "0")
                .param("plan", plan.toString())
                .param("items", "0", "1"))
        .andExpect(redirectedUrl("/clients/%s/plan?program=MAIN".formatted(client.getId())));
    assertThat(items(me, client)).extracting(DraftItem::exercise).containsExactly("chin-tuck");
    assertThat(items(me, client).get(0).target()).contains("3x15s");
    assertThat(items(me, client).get(0).key()).as("a key of its own").isNotEqualTo("a");
    drafts.undo(me, client.getId(), ProgramKind.MAIN, 1);
    assertThat(items(me, client)).isEmpty();
    mvc.perform(
            as(me, post(path(client) + "/insert"))
                .param("seq", "2")
                .param("plan", plan.toString())
                .param("items", "1"))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("Choose at least one item")));
  }

  @Test
  void fromAnotherClientComeItemsAndNeverNamesOrNotes() throws Exception {
    Me me = practitioner();
    Client other = client(me);
    drafts.edit(me, other.getId(), ProgramKind.MAIN, 0, new DraftEdit.SetTitle("For Ada, slowly"));
    drafts.edit(
        me, other.getId(), ProgramKind.MAIN, 1, new DraftEdit.SetNote(Optional.of("Dear Ada")));
    drafts.edit(
        me, other.getId(), ProgramKind.MAIN, 2, new DraftEdit.Add("a", "chin-tuck", "3x10s"));
    drafts.share(me, other.getId(), ProgramKind.MAIN, 3, "It is only a test.");
    Client client = client(me);
    mvc.perform(as(me, get(path(client))).param("from", other.getId().toString()))
        .andExpect(content().string(containsString("Chin tuck")))
        .andExpect(content().string(not(containsString("Dear Ada"))))
        .andExpect(content().string(not(containsString("For Ada, slowly"))));
    mvc.perform(
        as(me, post(path(client) + "/insert"))
            .param("seq", "0")
            .param("from", other.getId().toString())
            .param("items", "0"));
    assertThat(items(me, client)).extracting(DraftItem::dose).containsExactly("3x10s");
    Client stranger = client(practitioner());
    mvc.perform(as(me, get(path(client))).param("from", stranger.getId().toString()))
        .andExpect(status().isNotFound());
  }

  @Test
  void savingNeedsATitleAndAPlanCanBeTakenOutOfUse() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    mvc.perform(as(me, post(path(client) + "/save")).param("title", "Mine"))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("nothing in the draft")));
    drafts.edit(
        me, client.getId(), ProgramKind.MAIN, 0, new DraftEdit.Add("a", "chin-tuck", "3x10s"));
    mvc.perform(
            as(me, post(path(client) + "/save")).param("title", " ").param("forWhom", "<b>all</b>"))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("It needs a title.")))
        .andExpect(content().string(containsString("&lt;b&gt;all")));
    mvc.perform(as(me, post(path(client) + "/save")).param("title", "Mine"))
        .andExpect(redirectedUrl(path(client) + "?program=MAIN"));
    UUID plan = plans.find(me, ProgramKind.MAIN, "").get(0).id();
    Me stranger = practitioner();
    mvc.perform(as(stranger, post("%s/%s/retire".formatted(path(client(stranger)), plan))))
        .andExpect(status().isNotFound());
    mvc.perform(as(me, post("%s/%s/retire".formatted(path(client), plan))));
    assertThat(plans.find(me, ProgramKind.MAIN, "")).isEmpty();
  }
}
