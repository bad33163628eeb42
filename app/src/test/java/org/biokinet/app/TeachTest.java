package org.biokinet.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.microsoft.playwright.Page;
import jakarta.servlet.http.Cookie;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.biokinet.app.client.Client;
import org.biokinet.app.practice.Me;
import org.biokinet.app.teaching.Lesson;
import org.biokinet.app.teaching.Mark;
import org.biokinet.app.teaching.TeachingService;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.session.Ended;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Teaching in the room: what is seen is kept, becomes a note, and is said in the player. */
class TeachTest extends WithBrowser {

  private static final String CREEPS = "the {side} shoulder creeps up";

  @Autowired TeachingService teaching;

  private TeachingService.Answer.Ready lesson(Me me, Client client) {
    return (TeachingService.Answer.Ready) teaching.lesson(me, client.getId(), ProgramKind.MAIN);
  }

  private void mark(Me me, Client client, int step, Mark.Kind kind, int fault) {
    teaching.mark(me, client.getId(), ProgramKind.MAIN, new Mark(step, kind, fault));
  }

  @Test
  void whatIsSeenIsKeptAndBecomesANoteAndACue() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "L 2x15s R 3x20s @3");
    assertThat(lesson(me, client).lesson().steps())
        .extracting(s -> s.move() + ", " + s.hold() + " s: " + s.dose())
        .containsExactly(
            "Tilt right, 15 s: 2 holds of 15 s on the left, 3 holds of 20 s on the right, up to 3 of"
                + " 10",
            "Tilt left, 20 s: 2 holds of 15 s on the left, 3 holds of 20 s on the right, up to 3 of"
                + " 10");
    mark(me, client, 0, Mark.Kind.WELL, 0);
    mark(me, client, 1, Mark.Kind.FAULT, 0);
    mark(me, client, 1, Mark.Kind.FAULT, 1);
    mark(me, client, 1, Mark.Kind.FAULT, 1); // once more: taken back
    mark(me, client, 1, Mark.Kind.TOO_MUCH, 0);
    mark(me, client, 9, Mark.Kind.WELL, 0); // no such step, and no such fault
    mark(me, client, 1, Mark.Kind.FAULT, 7);
    assertThat(lesson(me, client).marks()).hasSize(3);
    String note = TeachingService.draft(lesson(me, client).lesson(), lesson(me, client).marks());
    assertThat(note)
        .contains("left: done well")
        .contains("The right shoulder creeps up: breathe out and let it sink; too much");

    String path = "/clients/%s/teach/note".formatted(client.getId());
    mvc.perform(as(me, get(path))).andExpect(content().string(containsString("creeps up")));
    mvc.perform(as(me, post(path)).param("note", " "))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("Write a word about it.")));
    mvc.perform(as(me, post(path)).param("note", note + "\nOn Friday again.").param("said", "1-0"))
        .andExpect(redirectedUrl("/clients/%s/do?taught".formatted(client.getId())));
    assertThat(teaching.usual(client.getId()))
        .isEqualTo(Map.of("upper-trap-stretch", Set.of(CREEPS)));
    mvc.perform(as(me, get("/clients/%s/do".formatted(client.getId()))))
        .andExpect(content().string(containsString("On Friday again.")));
    Cookie device = device(me, client);
    mvc.perform(get("/me/player?pain=2").cookie(device))
        .andExpect(content().string(containsString("If the right shoulder creeps up, breathe out")))
        // And it is shown while getting ready, on the side that comes first.
        .andExpect(content().string(containsString("\"watch\":\"The left shoulder creeps up")));
    mvc.perform(get("/me/exercises/0").cookie(device))
        .andExpect(content().string(containsString("watch for this one")));

    // The next time it begins anew, with what is said already; not chosen, it is not said any more.
    assertThat(lesson(me, client).marks()).isEmpty();
    mvc.perform(as(me, get(path))).andExpect(content().string(containsString("creeps up")));
    mvc.perform(as(me, post(path)).param("note", "All well."));
    assertThat(teaching.usual(client.getId())).isEmpty();
  }

  /** The room opens nothing that a start does not. */
  @Test
  void nothingIsTaughtPastAClosedGate() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    sessions.record(asClient(client), session(client, clock.instant(), Ended.STOPPED));
    mvc.perform(as(me, get("/clients/%s/teach".formatted(client.getId()))))
        .andExpect(content().string(containsString("The gate is closed")))
        .andExpect(content().string(not(containsString("Done well"))));
    mark(me, client, 0, Mark.Kind.WELL, 0);
    assertThat(teaching.notes(client.getId())).isEmpty();
  }

  @Test
  void twoAtOnceAreKeptOnceEach() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "2x15s");
    List<Lesson.Step> steps = lesson(me, client).lesson().steps();
    assertThat(steps).hasSize(2);
    atOnce(3, () -> mark(me, client, 0, Mark.Kind.WELL, 0));
    assertThat(lesson(me, client).marks()).hasSize(1); // kept, taken back, kept
  }

  @Test
  void byKeysInTheRoom() {
    String email = newPractitioner(practice());
    Me me = accounts.find(email).orElseThrow();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "2x15s");
    Page desk = desk();
    signIn(desk, email, PASSWORD);
    desk.navigate("/clients/%s/do".formatted(client.getId()));
    desk.getByLabel("Teach the main program in the room").click();
    assertThat(desk.getByText("Tilt right")).isVisible();
    desk.waitForLoadState(); // who presses keys before that is too quick for any page
    desk.keyboard().press("h");
    assertThat(desk.locator(".teach-count .total")).hasText("1");
    desk.keyboard().press("d");
    assertThat(desk.getByText("✓ Done well")).isVisible();
    settled(desk);
    desk.keyboard().press("n");
    assertThat(desk.getByText("Tilt left")).isVisible();
    settled(desk);
    desk.keyboard().press("1");
    assertThat(desk.getByText("✓ The right shoulder creeps up")).isVisible();
    accessible(desk);
    desk.keyboard().press("e");
    desk.waitForURL("**/teach/note?**");
    accessible(desk);
    desk.getByText("Keep the note").click();
    desk.waitForURL("**/do?taught");
    assertThat(desk.getByText("Taught version 1 in the room.")).isVisible();
    assertThat(teaching.usual(client.getId())).containsKey("upper-trap-stretch");
  }
}
