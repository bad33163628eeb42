package org.biokinet.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.regex.Pattern;
import org.biokinet.app.client.Client;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.core.session.Ended;
import org.junit.jupiter.api.Test;

/** The morning's list in a real browser: it moves while one looks, and is worked by keys. */
class WorklistBrowserTest extends WithBrowser {

  @Test
  void whatComesInIsOnTheListWhileOneLooksAndKeysStayWhereTheyWere() {
    Practice practice = practice();
    Me me = practitioner(practice);
    Client first = client(me);
    share(me, first, "chin-tuck", "3x10s");
    Client waiting = client(me);
    Page desk = desk();
    String email = newPractitioner(practice);
    desk.waitForResponse("**/worklist/moves", () -> signIn(desk, email, PASSWORD));
    Locator row = desk.locator("#row-" + waiting.getId());
    row.focus();
    assertThat(desk.locator("[data-row]").first()).containsText("Not opened");
    sessions.record(asClient(first), session(first, clock.instant(), Ended.STOPPED));
    assertThat(desk.locator("[data-row]").first()).containsText("Stopped");
    assertThat(row).isFocused();
    settled(desk);
    accessible(desk);
    desk.keyboard().press("ArrowUp");
    assertThat(desk.locator("#row-" + first.getId())).isFocused();
    desk.keyboard().press("c");
    desk.waitForURL("**/call");
    accessible(desk);
    desk.getByLabel("Not reached").check();
    desk.keyboard().press("Enter");
    desk.waitForURL("**/#row-*");
    assertThat(desk.locator("#row-" + first.getId())).isFocused();
    assertThat(desk.locator("#row-" + first.getId())).containsText("Called today");
  }

  /** From the list by keys alone: a note of the visit, signed, and the stream that shows it. */
  @Test
  void aNoteIsWrittenAndSigned() {
    Practice practice = practice();
    Me me = practitioner(practice);
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    Page desk = desk();
    signIn(desk, newPractitioner(practice), PASSWORD);
    desk.navigate("/clients/%s/writing".formatted(client.getId()));
    accessible(desk);
    desk.getByText("Visit note", new Page.GetByTextOptions().setExact(true)).click();
    desk.waitForURL("**/writing/*");
    accessible(desk);
    assertThat(desk.getByLabel("Decided")).hasValue(Pattern.compile(".*version 1.*"));
    desk.getByLabel("Told").fill("Neck is easier in the mornings.");
    desk.getByText("Sign", new Page.GetByTextOptions().setExact(true)).click();
    assertThat(desk.locator(".writing-text")).containsText("Neck is easier in the mornings.");
    assertThat(desk.locator(".writing-text")).containsText("Signed by A. Practitioner");
    accessible(desk);
    desk.navigate("/clients/%s/happened".formatted(client.getId()));
    assertThat(desk.locator(".what-day").first()).containsText("Visit note");
    accessible(desk);
  }
}
