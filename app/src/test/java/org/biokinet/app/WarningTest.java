package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import org.biokinet.app.client.Client;
import org.biokinet.app.practice.Me;
import org.biokinet.app.program.AdviceService;
import org.biokinet.app.program.DraftService;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.core.advice.Warning;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.DraftItem;
import org.biokinet.core.program.ProgramKind;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Warnings while a draft is written, what puts them right, and sharing over one. */
class WarningTest extends AppTest {

  @Autowired AdviceService advice;

  private DraftService.State twice(Me me, Client client) {
    int seq = 0;
    for (String key : List.of("a", "b")) {
      drafts.edit(
          me,
          client.getId(),
          ProgramKind.MAIN,
          seq++,
          new DraftEdit.Add(key, "chin-tuck", "3x10s"));
    }
    return drafts.state(me, client.getId(), ProgramKind.MAIN);
  }

  @Test
  void aWarningFollowsWhatIsTypedAndOneTapPutsItRight() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    twice(me, client);
    String plan = "/clients/%s/plan".formatted(client.getId());
    mvc.perform(as(me, get(plan)))
        .andExpect(content().string(containsString("stands twice")))
        .andExpect(content().string(containsString("leave the second out")));
    mvc.perform(as(me, get(plan + "/live")).param("key", "a").param("dose", "3x30s 2/d"))
        .andExpect(content().string(containsString("id=\"warnings\"")))
        .andExpect(content().string(containsString("stands twice")));
    mvc.perform(
            as(me, post(plan + "/fix"))
                .param("seq", "2")
                .param("kind", "TWICE")
                .param("fix", "leave the second out"))
        .andExpect(status().isOk())
        .andExpect(content().string(not(containsString("stands twice"))));
    assertThat(drafts.state(me, client.getId(), ProgramKind.MAIN).draft().items())
        .extracting(DraftItem::key)
        .containsExactly("a");
    mvc.perform(
            as(me, post(plan + "/fix"))
                .param("seq", "3")
                .param("kind", "TWICE")
                .param("fix", "leave the second out"))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("has changed since")));
  }

  @Test
  void sharingOverAWarningTakesAReasonThatIsKept() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    twice(me, client);
    String share = "/clients/%s/plan/share".formatted(client.getId());
    mvc.perform(as(me, post(share)).param("seq", "2").param("reason", "  "))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("Say why it is shared all the same")));
    assertThat(versions.all(client.getId())).isEmpty();
    mvc.perform(
            as(me, post(share)).param("seq", "2").param("reason", " Morning <and> evening apart. "))
        .andExpect(header().exists("HX-Redirect"));
    ProgramVersion shared = versions.all(client.getId()).get(0);
    assertThat(shared.reason()).isEqualTo("Morning <and> evening apart.");
    assertThat(shared.over()).singleElement().asString().contains("stands twice");
    mvc.perform(as(me, get("/clients/%s/versions".formatted(client.getId()))))
        .andExpect(content().string(containsString("Morning &lt;and&gt; evening apart.")));
    mvc.perform(as(me, get("/clients/%s/plan".formatted(client.getId()))))
        .andExpect(
            content().string(containsString("value=\"Morning &lt;and&gt; evening apart.\"")));
  }

  /** Where nothing is warned of nothing is asked, and nothing is kept that was not needed. */
  @Test
  void withoutAWarningNoReasonIsAskedFor() {
    Me me = practitioner();
    Client client = client(me);
    drafts.edit(
        me,
        client.getId(),
        ProgramKind.MAIN,
        0,
        new DraftEdit.Add("a", "upper-trap-stretch", "2x15s @3"));
    DraftService.State state = drafts.state(me, client.getId(), ProgramKind.MAIN);
    assertThat(advice.all(state))
        .as("under the band, on the way there")
        .isNotEmpty()
        .allMatch(w -> w.weight() == Warning.Weight.NOTE);
    assertThat(drafts.share(me, client.getId(), ProgramKind.MAIN, 1, ""))
        .isInstanceOf(DraftService.Outcome.Shared.class);
    assertThat(versions.all(client.getId()).get(0).reason()).isEmpty();
  }
}
