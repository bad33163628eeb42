package org.biokinet.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.io.IOException;
import org.biokinet.app.access.LinkService;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.message.MessageService;
import org.biokinet.app.practice.Me;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.session.Ended;
import org.biokinet.core.session.Session;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** The client's pages while the server is away, not only for the page but for its worker too. */
class OfflineTest extends WithBrowser {

  @Autowired private MessageService messages;

  private Wire wire;

  @BeforeEach
  void wire() throws IOException {
    wire = new Wire(port);
  }

  /** A server that is away is said in the console. */
  @Override
  boolean meant(String c) {
    return c.contains("net::ERR_") || c.contains("status of 503") || c.contains("status of 401");
  }

  private record In(Client client, String pin, Page phone) {}

  /** A client whose device has kept all that it is to keep. */
  private In in(String... items) {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, items);
    LinkService.Made made = links.make(me, client.getId());
    Page phone = phone();
    openLink(phone, wire.address("/c/" + made.token()), made.pin());
    phone.waitForCondition(() -> !kept(phone, "plan?.mark ?? ''").isEmpty());
    return new In(client, made.pin(), phone);
  }

  /** Something of what a device keeps, as text. */
  private static String kept(Page phone, String expression) {
    return String.valueOf(
        phone.evaluate(
            "async () => { const db = await new Promise(done => { const asked ="
                + " indexedDB.open('biokinet-kept'); asked.onsuccess = () => done(asked.result); });"
                + " const get = (name) => new Promise(done => { const asked ="
                + " db.transaction('state').objectStore('state').get(name); asked.onsuccess = () =>"
                + " done(asked.result); });"
                + " const pages = await new Promise(done => { const asked ="
                + " db.transaction('pages').objectStore('pages').getAllKeys(); asked.onsuccess = () =>"
                + " done(asked.result); });"
                + " const [plan, door, open] = [await get('plan'), await get('door'), await get('open')];"
                + " db.close(); return String("
                + expression
                + "); }"));
  }

  /** Changes what a device has written down. */
  private static void rewrite(Page phone, String name, String change) {
    phone.evaluate(
        "async () => { const db = await new Promise(done => { const asked ="
            + " indexedDB.open('biokinet-kept'); asked.onsuccess = () => done(asked.result); });"
            + " const store = db.transaction('state', 'readwrite').objectStore('state');"
            + " await new Promise(done => { store.get('"
            + name
            + "').onsuccess = (e) => { const it = e.target.result; "
            + change
            + "; store.put(it, '"
            + name
            + "').onsuccess = done; }; }); db.close(); }");
  }

  private static void pain(Page phone, String pain) {
    phone.locator("#begin button[name=pain][value='" + pain + "']").click();
  }

  @Test
  void aSessionIsBegunAndEndedWhileTheServerIsAway() throws Exception {
    In in = in("upper-trap-stretch", "1x15s @3", "chin-tuck", "2x5s");
    Page phone = in.phone();
    wire.cut();
    phone.clock().install();
    phone.navigate(wire.address("/me/today"));
    assertThat(phone.locator("h1")).isVisible();
    assertThat(phone.locator("#begin")).isVisible();
    pain(phone, "3");
    phone.waitForURL("**/me/player?**");
    phone.locator("#start").click();
    assertThat(phone.locator("#panel-running")).isVisible();
    phone.clock().runFor(150_000);
    assertThat(phone.locator("#panel-after")).isVisible();
    assertThat(phone.locator("#panel-after [data-outcome]"))
        .hasAttribute("data-outcome", "waiting");
    phone.locator("label:has([name=highestPain][value='4'])").click();
    phone.locator("#answers .primary").click();
    assertThat(phone.locator("#panel-saved [data-outcome]"))
        .hasAttribute("data-outcome", "waiting");
    phone.navigate(wire.address("/me/today"));
    assertThat(phone.locator("#waiting")).containsText("2 things");
    // The next one without a server begins with the other side.
    pain(phone, "2");
    phone.waitForURL("**/me/player?lead=RIGHT**");
    assertThat(sessions.last(in.client().getId())).isEmpty();
    wire.mend();
    phone.navigate(wire.address("/me/today"));
    phone.waitForCondition(
        () -> sessions.last(in.client().getId()).flatMap(Session::checkIn).isPresent());
    assertThat(phone.locator("#waiting")).isHidden();
    Session done = sessions.last(in.client().getId()).orElseThrow();
    assertThat(done.ended()).isEqualTo(Ended.FINISHED);
    assertThat(done.painBefore()).contains(3);
    assertThat(done.lead()).isEqualTo(Side.LEFT);
    assertThat(done.highestPain()).contains(4);
  }

  /** Pain that is too high to begin with is so without a server too. */
  @Test
  void tooMuchPainBeginsNothing() throws Exception {
    In in = in("chin-tuck", "2x5s");
    wire.cut();
    in.phone().navigate(wire.address("/me/today"));
    pain(in.phone(), "8");
    in.phone().waitForURL("**/me/rest");
    assertThat(in.phone().locator("h1")).isVisible();
  }

  @Test
  void thePinGuardsWhatIsKept() throws Exception {
    In in = in("chin-tuck", "2x5s");
    Page phone = in.phone();
    rewrite(phone, "open", "it.until = 0");
    wire.cut();
    phone.navigate(wire.address("/me/today"));
    assertThat(phone.locator("#locked")).isVisible();
    assertThat(phone.locator("body")).not().containsText("Chin tuck");
    accessible(phone);
    phone.getByLabel("PIN").fill(in.pin().equals("111111") ? "222222" : "111111");
    phone.keyboard().press("Enter");
    assertThat(phone.locator("#pin-error")).containsText("9 tries are left");
    phone.getByLabel("PIN").fill(in.pin());
    phone.keyboard().press("Enter");
    assertThat(phone.locator("#begin")).isVisible();
    // After ten that were wrong nothing is left to be opened.
    rewrite(phone, "open", "it.until = 0");
    rewrite(phone, "door", "it.tries = 9");
    phone.navigate(wire.address("/me/today"));
    phone.getByLabel("PIN").fill("000000");
    phone.keyboard().press("Enter");
    assertThat(phone.locator("#nothing")).isVisible();
    assertThat(kept(phone, "pages.length")).isEqualTo("0");
  }

  @Test
  void afterTheLeaseOnlyTheReasonIsShown() throws Exception {
    In in = in("chin-tuck", "2x5s");
    rewrite(in.phone(), "plan", "it.until = '2020-01-01T00:00:00Z'");
    wire.cut();
    in.phone().navigate(wire.address("/me/today"));
    assertThat(in.phone().locator("h1")).hasText("Please connect once");
    assertThat(in.phone().locator("a[href^='tel:']")).isVisible();
    in.phone().navigate(wire.address("/me/player?pain=2"));
    assertThat(in.phone().locator("h1")).hasText("Please connect once");
  }

  @Test
  void aDeviceThatWasSentAwayKeepsNothing() throws Exception {
    In in = in("chin-tuck", "2x5s");
    Page phone = in.phone();
    ClientMe me = ClientMe.of(in.client());
    devices.end(me, devices.of(me.id(), "").get(0).id());
    phone.navigate(wire.address("/me/today"));
    phone.waitForURL("**/me/gone");
    phone.waitForCondition(() -> kept(phone, "pages.length").equals("0"));
    wire.cut();
    phone.navigate(wire.address("/me/today"));
    assertThat(phone.locator("#nothing")).isVisible();
  }

  /** The server has it, the phone does not know: it sends it again, and it is there once. */
  @Test
  void anAnswerThatIsLostDoublesNothing() throws Exception {
    In in = in("chin-tuck", "2x5s");
    Page phone = in.phone();
    phone.clock().install();
    phone.navigate(wire.address("/me/today"));
    pain(phone, "1");
    phone.waitForURL("**/me/player?**");
    phone.locator("#start").click();
    assertThat(phone.locator("#panel-running")).isVisible();
    wire.loseAnswers();
    phone.clock().runFor(60_000);
    assertThat(phone.locator("#panel-after")).isVisible();
    assertThat(phone.locator("#panel-after [data-outcome]"))
        .hasAttribute("data-outcome", "waiting");
    wire.cut();
    wire.mend();
    phone.navigate(wire.address("/me/today"));
    phone.waitForCondition(() -> sessions.last(in.client().getId()).isPresent());
    assertThat(phone.locator("#waiting")).isHidden();
    assertThat(sessions.page(in.client().getId(), 0, 10).getTotalElements()).isEqualTo(1);
    assertThat(sessions.conflicts(in.client().getId())).isZero();
  }

  /** Two on one telephone: what one of them told waits for them, and nobody reads their pages. */
  @Test
  void whatOneClientKeepsIsNotAnothers() throws Exception {
    In first = in("upper-trap-stretch", "1x15s @3");
    Page phone = first.phone();
    phone.navigate(wire.address("/me/messages"));
    wire.cut();
    phone.locator("#text").fill("May I swim?");
    phone.locator("main form .primary").click();
    phone.waitForURL("**/me/today?told");
    wire.mend();
    Me me = practitioner();
    Client other = client(me);
    share(me, other, "neck-rotation", "2");
    LinkService.Made made = links.make(me, other.getId());
    openLink(phone, wire.address("/c/" + made.token()), made.pin());
    phone.waitForCondition(
        () ->
            kept(phone, "(door?.client ?? '') + (plan?.mark ? '!' : '')")
                .equals(other.getId() + "!"));
    assertThat(messages.unread(other.getId())).isZero();
    wire.cut();
    phone.navigate(wire.address("/me/today"));
    assertThat(phone.locator("body")).containsText("Active neck rotation");
    assertThat(phone.locator("body")).not().containsText("Upper trapezius");
    assertThat(phone.locator("#waiting")).isHidden();
    // The first one is back, by name and PIN: now it goes on its way.
    wire.mend();
    phone.navigate(wire.address("/c/who"));
    phone.getByLabel("PIN").fill(first.pin());
    phone.keyboard().press("Enter");
    phone.waitForURL("**/me/today");
    phone.waitForCondition(() -> phone.evaluate(PlayerTest.WAITING).equals(0));
    phone.navigate(wire.address("/me/messages"));
    assertThat(phone.locator(".messages")).containsText("May I swim?");
  }

  /** Another worker waits as long as a session runs, and takes over on the next page after it. */
  @Test
  void anotherVersionTakesOverBetweenSessions() throws Exception {
    In in = in("chin-tuck", "2x5s");
    Page phone = in.phone();
    phone.navigate(wire.address("/me/today"));
    pain(phone, "1");
    phone.waitForURL("**/me/player?**");
    phone.locator("#start").click();
    assertThat(phone.locator("#panel-running")).isVisible();
    wire.replace("self.KEPT_FILES=[", "this.KEPT_FILES=[");
    Page second = phone.context().newPage();
    second.navigate(wire.address("/me/today"));
    // A browser looks for another one when it has time; here it is asked to.
    second.evaluate("async () => (await navigator.serviceWorker.getRegistration('/me/')).update()");
    second.waitForCondition(() -> worker(second, "r.waiting !== null").equals("true"));
    second.navigate(wire.address("/me/today"));
    assertThat(second.locator("#begin")).isVisible();
    assertThat(worker(second, "r.waiting !== null")).as("a session runs").isEqualTo("true");
    phone.close();
    second.navigate(wire.address("/me/today"));
    second.waitForCondition(
        () -> worker(second, "r.waiting === null && r.active.state").equals("activated"));
    // What is kept is fetched by the new one, and opens.
    second.waitForCondition(() -> !kept(second, "plan?.mark ?? ''").isEmpty());
    wire.cut();
    second.navigate(wire.address("/me/today"));
    assertThat(second.locator("#begin")).isVisible();
  }

  private static String worker(Page page, String expression) {
    return String.valueOf(
        page.evaluate(
            "async () => { const r = await navigator.serviceWorker.getRegistration('/me/');"
                + " return String("
                + expression
                + "); }"));
  }
}
