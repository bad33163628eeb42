package org.biokinet.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.FrameLocator;
import com.microsoft.playwright.Page;
import java.io.IOException;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.biokinet.app.access.LinkService;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.message.Message;
import org.biokinet.app.message.MessageService;
import org.biokinet.app.offline.ClientFiles;
import org.biokinet.app.practice.Me;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.progress.Attention;
import org.biokinet.core.session.Ended;
import org.biokinet.core.session.Session;
import org.biokinet.core.timeline.Performance;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;

/** The client's pages while the server is away, not only for the page but for its worker too. */
class OfflineTest extends WithBrowser {

  @Autowired private MessageService messages;
  @Autowired private ClientFiles files;
  @Autowired private JdbcTemplate jdbc;

  private Wire wire;

  @BeforeEach
  void wire() throws IOException {
    wire = new Wire(port);
  }

  /** A server that is away is said in the console. */
  @Override
  boolean meant(String c) {
    return c.contains("net::ERR_")
        || c.contains("status of 503")
        || c.contains("status of 401")
        || c.contains("fetching the script"); // which the browser does now and then by itself
  }

  private record In(Me me, Client client, String pin, Page phone) {}

  /** A client whose device has kept all that it is to keep. */
  private In in(String... items) {
    return in(practitioner(), phone(), items);
  }

  private In in(Me me, Page phone, String... items) {
    Client client = client(me);
    share(me, client, items);
    LinkService.Made made = links.make(me, client.getId());
    openLink(phone, wire.address("/c/" + made.token()), made.pin());
    phone.waitForCondition(() -> !kept(phone, "plan?.mark ?? ''").isEmpty());
    return new In(me, client, made.pin(), phone);
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

  /** The page on the desk and the program in its middle go on without a server. */
  @Test
  void theDeskProgramIsDoneWhileTheServerIsAway() throws Exception {
    In in = in("chin-tuck", "2x5s");
    tryToShare(in.me(), in.client(), ProgramKind.DESK, "neck-rotation", "3");
    Page phone = in.phone();
    phone.navigate(wire.address("/me/desk"));
    phone.waitForCondition(() -> kept(phone, "plan.players").contains("DESK"));
    phone.waitForCondition(() -> !kept(phone, "plan.mark").isEmpty());
    wire.cut();
    phone.navigate(wire.address("/me/desk"));
    assertThat(phone.locator("#without")).isVisible();
    phone.locator("#early").click();
    pain(phone, "2");
    FrameLocator program = phone.frameLocator("#program");
    program.locator("#start").click();
    assertThat(program.locator("#panel-running")).isVisible();
    program.locator("#end-early").click();
    program.locator("label:has([name=highestPain][value='2'])").click();
    program.locator("#answers .primary").click();
    assertThat(program.locator("#panel-saved [data-outcome]"))
        .hasAttribute("data-outcome", "waiting");
    program.locator("#panel-saved .primary").click();
    assertThat(phone.locator("#waits")).isVisible();
    wire.mend();
    phone.navigate(wire.address("/me/today"));
    phone.waitForCondition(() -> phone.evaluate(PlayerTest.WAITING).equals(0));
    Session done = sessions.last(in.client().getId()).orElseThrow();
    assertThat(done.program()).isEqualTo(ProgramKind.DESK);
    assertThat(done.highestPain()).contains(2);
  }

  /** Pain that is too high to begin with is so without a server too; it is told once, later. */
  @Test
  void tooMuchPainBeginsNothing() throws Exception {
    In in = in("chin-tuck", "2x5s");
    Page phone = in.phone();
    wire.cut();
    phone.navigate(wire.address("/me/today"));
    pain(phone, "8");
    phone.waitForURL("**/me/rest");
    assertThat(phone.locator("h1")).isVisible();
    wire.mend();
    wire.loseAnswersTo("POST /me/today");
    phone.navigate(wire.address("/me/today"));
    phone.waitForCondition(() -> !clients.matters(in.client().getId()).isEmpty());
    wire.cut();
    wire.mend();
    phone.navigate(wire.address("/me/today"));
    phone.waitForCondition(() -> phone.evaluate(PlayerTest.WAITING).equals(0));
    assertThat(clients.matters(in.client().getId())).hasSize(1);
    assertThat(sessions.conflicts(in.client().getId())).isZero();
  }

  /** Each time that a kept page is opened its forms are new: two questions are two. */
  @Test
  void whatIsToldFromTheSamePageTwiceIsToldTwice() throws Exception {
    In in = in("chin-tuck", "2x5s", "neck-rotation", "2");
    Page phone = in.phone();
    phone.navigate(wire.address("/me/messages"));
    phone.navigate(wire.address("/me/log?program=MAIN"));
    phone.navigate(wire.address("/me/desk"));
    wire.cut();
    phone.navigate(wire.address("/me/desk"));
    phone.locator("#early").click();
    assertThat(phone.locator("#runs")).isVisible();
    for (String question : List.of("May I swim?", "And dive?")) {
      phone.navigate(wire.address("/me/messages")); // opened once today
      phone.locator("#text").fill(question);
      phone.locator("main form .primary").click();
      phone.waitForURL("**/me/today?told");
    }
    phone.locator("a[href^='/me/log']").click();
    phone.locator("[name=item][value='1']").check();
    phone.locator("main form .primary").click();
    phone.waitForURL("**/me/today?told");
    assertThat(phone.locator("#waiting")).containsText("4 things");
    // What is not kept needs a network, and says so; nothing is lost by trying.
    phone.navigate(wire.address("/me/back"));
    assertThat(phone.locator("#not-this")).isVisible();
    // Another version is shared meanwhile: what was done is of the one that lay there.
    share(in.me(), in.client(), "chin-tuck", "2x8s");
    wire.mend();
    phone.navigate(wire.address("/me/today"));
    phone.waitForCondition(() -> phone.evaluate(PlayerTest.WAITING).equals(0));
    assertThat(messages.thread(in.client().getId()))
        .extracting(Message::text)
        .containsExactly("And dive?", "May I swim?");
    assertThat(
            jdbc.queryForObject(
                "select count(*) from desk_moment where client_id = ?",
                Integer.class,
                in.client().getId()))
        .as("a break that was had meanwhile")
        .isEqualTo(1);
    Session done = sessions.last(in.client().getId()).orElseThrow();
    assertThat(done.version()).isEqualTo(1);
    assertThat(done.parts())
        .filteredOn(p -> p.seconds() > 0)
        .extracting(Performance.Part::item)
        .containsOnly(1);
  }

  @Test
  void whatNeedsANetworkSaysSoAndKeepsWhatWasEntered() throws Exception {
    In in = in("chin-tuck", "2x5s");
    Page phone = in.phone();
    phone.navigate(wire.address("/me/pause"));
    wire.cut();
    phone.locator("[name=until]").fill("2026-12-24");
    phone.locator("form[action='/me/pause'] .primary").first().click();
    assertThat(phone.locator("#not-sent")).isVisible();
    accessible(phone);
    wire.mend();
    phone.locator("#back").click();
    phone.waitForURL("**/me/pause");
    assertThat(phone.locator("[name=until]")).hasValue("2026-12-24");
  }

  /** The network goes with each kind of part of a session, and comes back with the next. */
  @Test
  void theNetworkGoesInEveryPartOfASession() throws Exception {
    In in = in("upper-trap-stretch", "2x15s @3", "chin-tuck", "2x5s", "neck-rotation", "2");
    Page phone = in.phone();
    phone.clock().install();
    phone.navigate(wire.address("/me/today"));
    pain(phone, "1");
    phone.waitForURL("**/me/player?**");
    phone.locator("#start").click();
    assertThat(phone.locator("#panel-running")).isVisible();
    Set<String> cut = new HashSet<>();
    for (int second = 0; second < 400 && phone.locator("#panel-after").isHidden(); second++) {
      if (cut.add(phone.locator("#headline").textContent())) wire.cut();
      else wire.mend();
      phone.clock().runFor(1000);
    }
    assertThat(phone.locator("#panel-after")).isVisible();
    assertThat(cut)
        .contains("Tilt left", "Let go", "Rest", "Change sides", "Slide the chin straight back");
    wire.mend();
    phone.navigate(wire.address("/me/today"));
    phone.waitForCondition(() -> sessions.last(in.client().getId()).isPresent());
    Session done = sessions.last(in.client().getId()).orElseThrow();
    assertThat(done.ended()).isEqualTo(Ended.FINISHED);
    assertThat(done.secondsDone()).isEqualTo(done.secondsPlanned());
    assertThat(sessions.page(in.client().getId(), 0, 5)).hasSize(1);
  }

  /** A flat battery: what was told lies there, and goes when there is a network. */
  @Test
  void aBrowserThatIsKilledLosesNothing(@TempDir Path folder) throws Exception {
    In in = in(practitioner(), phoneThatKeeps(folder), "chin-tuck", "2x5s");
    in.phone().context().close(); // a browser writes its cookies down when it has time, or ends
    Page before = phoneThatKeeps(folder);
    wire.cut();
    before.clock().install();
    before.navigate(wire.address("/me/today"));
    pain(before, "2");
    before.waitForURL("**/me/player?**");
    before.locator("#start").click();
    before.clock().runFor(60_000);
    assertThat(before.locator("#panel-after [data-outcome]"))
        .hasAttribute("data-outcome", "waiting");
    kill(folder);
    // The server is away still when it is opened again.
    Page after = phoneThatKeeps(folder);
    after.navigate(wire.address("/me/today"));
    assertThat(after.locator("#waiting")).containsText("waits to be sent");
    wire.mend();
    after.navigate(wire.address("/me/today"));
    after.waitForCondition(() -> sessions.last(in.client().getId()).isPresent());
    assertThat(after.locator("#waiting")).isHidden();
    assertThat(sessions.last(in.client().getId()).map(Session::ended)).contains(Ended.FINISHED);
    after.context().close();
  }

  /** Taken back while the telephone had no network: it is kept, flagged, and not begun again. */
  @Test
  void aVersionThatWasTakenBackMeanwhile() throws Exception {
    In in = in("chin-tuck", "2x5s");
    Page phone = in.phone();
    wire.cut();
    phone.clock().install();
    phone.navigate(wire.address("/me/today"));
    ProgramVersion.Name first = new ProgramVersion.Name(ProgramKind.MAIN, 1);
    assertThat(drafts.withdraw(in.me(), in.client().getId(), first, "We wait for the scan."))
        .isTrue();
    pain(phone, "2");
    phone.waitForURL("**/me/player?**");
    phone.locator("#start").click();
    phone.clock().runFor(60_000);
    assertThat(phone.locator("#panel-after")).isVisible();
    wire.mend();
    phone.navigate(wire.address("/me/today"));
    assertThat(phone.locator("main")).containsText("We wait for the scan.");
    phone.waitForCondition(() -> sessions.last(in.client().getId()).isPresent());
    assertThat(clients.matters(in.client().getId()))
        .anySatisfy(m -> assertThat(m.as()).isEqualTo(Attention.WHILE_CLOSED));
    // It is known here by now, and nothing of it opens any more.
    phone.waitForCondition(() -> !kept(phone, "pages.join(' ')").contains("/me/player"));
    wire.cut();
    phone.navigate(wire.address("/me/player?pain=2"));
    assertThat(phone.locator("#not-this")).isVisible();
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
    wire.loseAnswersTo("POST /me/sessions");
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
    String style =
        files.all().stream()
            .map(ClientFiles.File::url)
            .filter(f -> f.matches("/built/player-.*css"))
            .findFirst()
            .orElseThrow();
    String was = "\"%s\"".formatted(style);
    wire.replace(
        "\"url\":" + was,
        "\"url\":" + ("%-" + was.length() + "s").formatted("\"/built/player.css\""));
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
    // A page of the version before has its files still, though the new one knows nothing of them.
    assertThat(second.evaluate("async (file) => Boolean(await caches.match(file))", style))
        .isEqualTo(true);
    wire.cut();
    second.navigate(wire.address("/me/player?pain=2"));
    assertThat(second.locator("#start")).isVisible();
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
