package org.biokinet.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.LoadState;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import org.biokinet.app.access.LinkService;
import org.biokinet.app.client.Client;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.screening.Answers;
import org.biokinet.app.session.SessionUpload;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.cli.Main;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.screening.Gate;
import org.biokinet.core.screening.Irritability;
import org.biokinet.core.session.Ended;
import org.biokinet.core.session.Session;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The main paths through the real interface. */
class BrowserTest extends WithBrowser {

  @TempDir Path folder;

  @Test
  void prescribePerformLogSee() throws IOException {
    Page desk = desk();
    signIn(desk, newPractitioner(practice()), PASSWORD);

    // A new client, from the worklist, by keyboard.
    desk.keyboard().press("n");
    assertThat(desk.getByLabel("Name")).isFocused();
    desk.getByLabel("Name").fill("Ada Example");
    desk.keyboard().press("Enter");
    desk.waitForURL("**/screen");
    accessible(desk);

    // Screened in 15 keystrokes: nothing found, pain 2, not irritable.
    String[] keys = {
      "Space", "Tab", "Space", "Tab", "2", "Tab", "Space", "Tab", "Space", "Tab", "Space", "Tab",
      "Space", "Tab", "Enter"
    };
    for (String key : keys) desk.keyboard().press(key);
    desk.waitForURL("**/screen?saved");
    assertThat(desk.locator(".gate-word")).hasText("clear");
    accessible(desk);
    desk.getByText("Go to Plan").click();
    desk.waitForURL("**/plan");

    // Find an exercise and type a dose; the meaning and the minutes follow while typing.
    desk.keyboard().press("a");
    desk.getByLabel("Add an exercise").fill("upper trap hand");
    desk.keyboard().press("Enter"); // without waiting for the hits
    Locator dose = desk.locator(".dose").first();
    assertThat(dose).isFocused();
    settled(desk);
    desk.keyboard().type("2x15s/side @3");
    assertThat(desk.locator(".meaning").first())
        .containsText("2 holds of 15 s each side, up to 3 of 10");
    // 5 + 4 + 4 × (3+15+3) + 3 × 4 + 3 = 108 s, handbook section 5.
    assertThat(desk.locator("#total")).hasText("1:48");
    dose.press("Enter");
    assertThat(desk.locator(".meaning").first()).containsText("2x15s @3");
    accessible(desk);

    desk.getByText("Share version 1 with Ada").click();
    desk.waitForURL("**/do?shared");
    accessible(desk);

    // The command line gives the same second for the shared document.
    Path document = folder.resolve("version-1.json");
    Files.write(
        document,
        desk.context()
            .request()
            .get(desk.getByLabel("Document of version 1").getAttribute("href"))
            .body());
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    assertThat(
            Main.run(
                List.of("timeline", document.toString()),
                new PrintStream(out, true, StandardCharsets.UTF_8),
                System.err))
        .isZero();
    assertThat(out.toString(StandardCharsets.UTF_8)).contains("Total 1:48");

    desk.locator("form button").getByText("Make a link").click();
    String link = desk.getByLabel("Link").inputValue();
    String pin = desk.locator("#made-pin").textContent();

    // The client's phone.
    Page phone = phone();
    phone.clock().install();
    openLink(phone, link, pin);
    assertThat(phone.locator("main")).containsText("1:48 min");
    accessible(phone);
    phone.getByText("2", new Page.GetByTextOptions().setExact(true)).click();
    phone.waitForURL("**/player?pain=2**");
    perform(phone, 108);
    phone.clock().resume();
    phone.locator("[name=highestPain][value='3']").check(new Locator.CheckOptions().setForce(true));
    phone.locator("[name=stretchFelt][value='4']").check(new Locator.CheckOptions().setForce(true));
    // Both sides were stretched, so it is asked which was tighter.
    phone.locator("[name=tighter-0][value=RIGHT]").check(new Locator.CheckOptions().setForce(true));
    phone.locator("#note").fill("Right was tighter.");
    accessible(phone);
    phone.getByText("Save").click();
    assertThat(phone.locator("#panel-saved [data-outcome]")).hasText("Sent.");

    // And back at the desk. The telephone's clock has run ahead by the length of the session.
    clock.moveTo(clock.instant().plus(Duration.ofHours(1)));
    desk.locator(".stops a").last().click();
    desk.waitForURL("**/review");
    Locator row = desk.locator(".sessions tbody tr").first();
    assertThat(row).containsText("1:48 / 1:48");
    assertThat(row).containsText("2 → 3");
    assertThat(desk.locator(".sessions")).containsText("Right was tighter.");
    assertThat(desk.locator(".sessions"))
        .containsText("Tighter: right in Upper trapezius stretch, hand on head.");
    assertThat(
            desk.locator(".chart title").filter(new Locator.FilterOptions().setHasText("R 30 s")))
        .hasCount(1);
    accessible(desk);
  }

  /** Runs the player to its end by the browser's own clock, looking at what it shows. */
  /** The server is asked first, so that time may only go on once the session runs. */
  private static void start(Page phone) {
    phone.locator("#start").click();
    assertThat(phone.locator("#panel-running")).isVisible();
  }

  private void perform(Page phone, int seconds) {
    holdTime(phone);
    start(phone);
    assertThat(phone.locator("#left")).hasText("1:48");
    phone.clock().runFor(9_500); // position 5, set-up 4, then the first movement
    assertThat(phone.locator("#headline")).hasText("Tilt right");
    assertThat(phone.locator("#detail")).containsText("Let the left shoulder sink.");
    assertThat(phone.locator("#rep")).hasText("Hold 1 of 2 on the left");
    assertThat(phone.locator(".picture[data-side=LEFT] [data-now] .fig-tissue-left")).isVisible();
    assertThat(phone.locator(".picture[data-side=RIGHT]:visible")).hasCount(0);
    // With reduced motion the pose is marked in which entering ends, halfway through the round.
    assertThat(
            phone.evaluate(
                "document.querySelector('.picture:not([hidden]) [data-now] svg').getCurrentTime()"))
        .isEqualTo(3);

    // Paused, the time stands still.
    phone.locator("#pause").click();
    String left = phone.locator("#left").textContent();
    phone.clock().runFor(10_000);
    assertThat(phone.locator("#left")).hasText(left);
    phone.locator("#pause").click();

    phone.clock().runFor((seconds - 10) * 1000L);
    assertThat(phone.locator("#panel-running")).isVisible();
    assertThat(phone.locator("#left")).hasText(Pattern.compile("0:0[01]"));
    phone.clock().runFor(1_000);
    assertThat(phone.locator("#panel-after")).isVisible();
  }

  @Test
  void skipBackAndEndingEarlyAreCountedAsDone() {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "2x15s @3", "chin-tuck", "3x10s");
    LinkService.Made made = links.make(me, client.getId());
    Page phone = phone();
    phone.clock().install();
    openLink(phone, "/c/" + made.token(), made.pin());
    phone.getByText("0", new Page.GetByTextOptions().setExact(true)).click();
    holdTime(phone);
    start(phone);
    phone.clock().runFor(20_000); // 8 s into the first hold
    phone.locator("#skip").click();
    assertThat(phone.locator("#exercise")).hasText("Chin tuck");
    phone.locator("#back").click();
    assertThat(phone.locator("#rep")).hasText("Hold 2 of 2 on the right");
    phone.locator("#end-early").click();
    assertThat(phone.locator("#panel-after [data-outcome]")).hasText("Sent.");
    var row = sessions.page(client.getId(), 0, 1).getContent().get(0);
    assertThat(row.ended().name()).isEqualTo("EARLY");
    assertThat(row.stretchSeconds(Side.LEFT)).isEqualTo(8);
    assertThat(row.stretchSeconds(Side.RIGHT)).isZero();
  }

  @Test
  void somethingWrongEndsTheSessionAndStandsFirst() {
    Practice practice = practice();
    String email = newPractitioner(practice);
    Me me = practitioner(practice);
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    LinkService.Made made = links.make(me, client.getId());
    Page phone = phone();
    openLink(phone, "/c/" + made.token(), made.pin());
    phone.getByText("3", new Page.GetByTextOptions().setExact(true)).click();
    start(phone);
    accessible(phone);
    phone.getByText("Something is wrong").click();
    assertThat(phone.locator("#panel-wrong h1"))
        .hasText("Bring your head slowly to the middle. Sit.");
    accessible(phone);
    phone.getByText("New or worrying").click();
    assertThat(phone.locator("#panel-stopped [data-outcome]")).hasText("Sent.");
    assertThat(phone.locator("#panel-stopped")).containsText("555 0100");
    accessible(phone);
    Page desk = desk();
    signIn(desk, email, PASSWORD);
    assertThat(desk.locator(".worklist li").first()).containsText("Stopped in Chin tuck, today");
    accessible(desk);
  }

  /** The second door: the same tingling as on record eases the item; a new one stops. */
  @Test
  void knownTinglingEasesAndNewTinglingStops() {
    Practice practice = practice();
    Me me = practitioner(practice);
    Client client = unscreened(me);
    Answers answers =
        Answers.of(Set.of(), Set.of(), Set.of(), 2, Irritability.Settles.WITHIN_10_MINUTES, false);
    screenings.save(me, client.getId(), answers.withBaseline("left little finger"));
    share(me, client, "neck-rotation", "5", "chin-tuck", "3x10s");
    LinkService.Made made = links.make(me, client.getId());
    Page phone = phone();
    phone.clock().install();
    openLink(phone, "/c/" + made.token(), made.pin());
    phone.getByText("2", new Page.GetByTextOptions().setExact(true)).click();
    start(phone);
    phone.getByText("Something is wrong").click();
    phone.getByText("Tingling or numbness that I already had").click();
    assertThat(phone.locator("#panel-known")).containsText("left little finger");
    accessible(phone);
    phone.getByText("Just the same").click();
    assertThat(phone.locator("#exercise")).containsText("Chin tuck");
    assertThat(phone.locator("#note")).hasValue(Pattern.compile("Known tingling in .*rotation.*"));
    phone.getByText("Something is wrong").click();
    phone.getByText("Tingling or numbness that I already had").click();
    phone.locator("#known-worse").click();
    assertThat(phone.locator("#panel-stopped h1")).isVisible();
    assertThat(phone.locator("#panel-stopped [data-outcome]")).hasText("Sent.");
    assertThat(standing(client).isPaused()).isTrue();
  }

  /** A page that goes in the middle loses nothing; while it is open nobody else sends its part. */
  @Test
  void aPageThatGoesInTheMiddleLosesNothing() {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    LinkService.Made made = links.make(me, client.getId());
    Page phone = phone();
    phone.clock().install();
    openLink(phone, "/c/" + made.token(), made.pin());
    phone.getByText("3", new Page.GetByTextOptions().setExact(true)).click();
    holdTime(phone);
    start(phone);
    phone.clock().runFor(15_500); // into the first hold
    Page other = phone.context().newPage();
    other.navigate("/me/today");
    other.waitForLoadState(LoadState.NETWORKIDLE);
    assertThat(waiting(other)).as("what is still being written").isEqualTo(1);
    assertThat(sessions.page(client.getId(), 0, 1)).isEmpty();
    phone.navigate("/me/today");
    phone.waitForCondition(() -> waiting(phone) == 0);
    Session session = sessions.page(client.getId(), 0, 1).getContent().get(0);
    assertThat(session.ended()).isEqualTo(Ended.EARLY);
    assertThat(session.secondsDone()).isBetween(15, 16);
  }

  @Test
  void withoutAConnectionTheSessionWaitsOnTheDevice() {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    LinkService.Made made = links.make(me, client.getId());
    Page phone = phone();
    openLink(phone, "/c/" + made.token(), made.pin());
    phone.getByText("3", new Page.GetByTextOptions().setExact(true)).click();
    start(phone);
    network(phone, false);
    phone.locator("#end-early").click();
    assertThat(phone.locator("#panel-after [data-outcome]"))
        .hasText(Pattern.compile("Kept on this device"));
    assertThat(sessions.page(client.getId(), 0, 1)).isEmpty();
    network(phone, true);
    phone.navigate("/me/today");
    phone.waitForCondition(() -> waiting(phone) == 0);
    assertThat(sessions.page(client.getId(), 0, 1)).hasSize(1);
  }

  /** How many uploads wait on the device. */
  private static int waiting(Page phone) {
    return (int) onDevice(phone, "count()");
  }

  /** Asks the device's own store of what is still to be sent. */
  private static Object onDevice(Page phone, String asked) {
    return phone.evaluate(
        """
        () => new Promise((answer, fail) => {
          const opening = indexedDB.open("biokinet");
          opening.onerror = fail;
          opening.onsuccess = () => {
            const store = opening.result.transaction("waiting", "readwrite").objectStore("waiting");
            const asking = store.%s;
            asking.onerror = fail;
            asking.onsuccess = () => {
              opening.result.close();
              answer(asking.result);
            };
          };
        })"""
            .formatted(asked));
  }

  /** The phone goes to another client before the connection is back: nothing is mixed up. */
  @Test
  void whatWaitsForOneClientStaysWhenAnotherComesIn() {
    Me me = practitioner();
    Client client = client(me);
    Client other = client(me);
    share(me, client, "chin-tuck", "3x10s");
    share(me, other, "chin-tuck", "3x10s");
    LinkService.Made made = links.make(me, client.getId());
    LinkService.Made another = links.make(me, other.getId());
    Page phone = phone();
    openLink(phone, "/c/" + made.token(), made.pin());
    phone.getByText("3", new Page.GetByTextOptions().setExact(true)).click();
    start(phone);
    network(phone, false);
    phone.locator("#end-early").click();
    assertThat(phone.locator("#panel-after [data-outcome]"))
        .hasText(Pattern.compile("Kept on this device"));
    // Its own page would send it as soon as there is a connection.
    phone.navigate("about:blank");
    network(phone, true);
    openLink(phone, "/c/" + another.token(), another.pin());
    phone.waitForLoadState(LoadState.NETWORKIDLE);
    assertThat(waiting(phone)).isEqualTo(1);
    assertThat(sessions.page(other.getId(), 0, 1)).isEmpty();
    LinkService.Made again = links.make(me, client.getId());
    openLink(phone, "/c/" + again.token(), again.pin());
    phone.waitForCondition(() -> waiting(phone) == 0);
    assertThat(sessions.page(client.getId(), 0, 1)).hasSize(1);
    // What the server has not taken for an upload stays here, and says so to whom it belongs.
    assertThat(phone.locator("#not-taken")).isHidden();
    onDevice(
        phone,
        "put({id: 'x', url: '/me/sessions', body: {}, order: 1, refused: true, client: '%s'})"
            .formatted(client.getId()));
    phone.reload();
    assertThat(phone.locator("#not-taken")).isVisible();
  }

  /** The gate closes while the player stands open: Start asks, and says why not. */
  @Test
  void aPageFromBeforeTheGateClosedDoesNotStart() {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    LinkService.Made made = links.make(me, client.getId());
    Page phone = phone();
    openLink(phone, "/c/" + made.token(), made.pin());
    phone.getByText("3", new Page.GetByTextOptions().setExact(true)).click();
    assertThat(phone.locator("#start")).isEnabled();
    screen(me, client, Set.of(), Set.of("weakness"), Set.of());
    phone.locator("#start").click();
    assertThat(phone.getByRole(AriaRole.ALERT)).containsText("Not started");
    assertThat(phone.locator("h1")).hasText("Your program waits");
  }

  /** Without a network the lease decides, and the device's clock says when it is over. */
  @Test
  void withoutANetworkAStartIsPossibleForAsLongAsTheLeaseHolds() {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    LinkService.Made made = links.make(me, client.getId());
    Page phone = phone();
    openLink(phone, "/c/" + made.token(), made.pin());
    phone.getByText("3", new Page.GetByTextOptions().setExact(true)).click();
    assertThat(phone.locator("#start")).isEnabled();
    network(phone, false);
    phone.evaluate(
        "h => { const now = Date.now; Date.now = () => now() + h * 3600000; }",
        (int) Gate.LEASE.toHours() + 1);
    phone.locator("#start").click();
    assertThat(phone.locator("#no-lease")).isVisible();
    assertThat(phone.locator("#panel-running")).isHidden();
    phone.evaluate("h => { const now = Date.now; Date.now = () => now() - h * 3600000; }", 2);
    phone.locator("#start").click();
    assertThat(phone.locator("#panel-running")).isVisible();
    network(phone, true);
  }

  @Test
  void planByKeyboardReordersRemovesAndUndoes() {
    Practice practice = practice();
    String email = newPractitioner(practice);
    Me me = practitioner(practice);
    Client client = client(me);
    Me writer = accounts.find(email).orElseThrow();
    drafts.edit(
        writer, client.getId(), ProgramKind.MAIN, 0, new DraftEdit.Add("a", "chin-tuck", "3x10s"));
    drafts.edit(
        writer, client.getId(), ProgramKind.MAIN, 1, new DraftEdit.Add("b", "neck-rotation", "5"));
    Page desk = desk();
    signIn(desk, email, PASSWORD);
    desk.keyboard().press("/");
    desk.keyboard().type("ada");
    desk.keyboard().press("Enter");
    desk.waitForURL("**/plan");
    Locator names = desk.locator(".items .name");
    desk.locator("#item-b").focus();
    desk.keyboard().press("Alt+ArrowUp");
    assertThat(names).hasText(new String[] {"Active neck rotation", "Chin tuck"});
    // The focus stays on the row that moved.
    assertThat(desk.locator("#item-b")).isFocused();
    settled(desk);
    desk.keyboard().press("x");
    assertThat(names).hasText(new String[] {"Chin tuck"});
    settled(desk);
    desk.keyboard().press("u");
    assertThat(names).hasText(new String[] {"Active neck rotation", "Chin tuck"});
    settled(desk);
    desk.keyboard().press("u");
    assertThat(names).hasText(new String[] {"Chin tuck", "Active neck rotation"});
    settled(desk);
    desk.keyboard().press("r");
    assertThat(names).hasText(new String[] {"Active neck rotation", "Chin tuck"});
    // Two readings: nothing is guessed, either is one tap.
    desk.locator("#dose-a").fill("3x20");
    desk.locator("#dose-a").press("Enter");
    assertThat(desk.locator("#dose-a")).hasAttribute("aria-invalid", "true");
    accessible(desk);
    // Nor can it be shared meanwhile.
    assertThat(desk.locator("#share")).isDisabled();
    desk.locator(".fix").first().click();
    assertThat(desk.locator("#dose-a")).hasValue("3x20s");
    assertThat(desk.locator("#meaning-a")).containsText("3 holds of 20 s");
    assertThat(desk.locator("#share")).isEnabled();
  }

  /** The pages around a session: each in two sizes, by its names and without sideways scrolling. */
  @Test
  void thePagesOfTheDayAreReachable() {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "2x15s @3 3/w", "chin-tuck", "3x10s 3/w");
    clock.moveTo(clock.instant().minus(Duration.ofHours(30)));
    SessionUpload session = session(client, clock.instant(), Ended.FINISHED);
    sessions.record(asClient(client), session);
    clock.backToNow();
    LinkService.Made made = links.make(me, client.getId());
    Page phone = phone();
    openLink(phone, "/c/" + made.token(), made.pin());
    for (String address :
        List.of(
            "/me/today",
            "/me/today?days",
            "/me/exercises/0",
            "/me/messages",
            "/me/self-check",
            "/me/log",
            "/me/back",
            "/me/times",
            "/me/rate",
            "/me/rate/map",
            "/me/pause",
            "/me/renew",
            "/me/day",
            "/me/day/week",
            "/me/day/usual",
            "/me/desk",
            "/c/who")) {
      phone.navigate(address);
      for (int[] size : new int[][] {{390, 844}, {320, 568}, {1280, 800}}) {
        phone.setViewportSize(size[0], size[1]);
        assertThat((Integer) phone.evaluate("document.documentElement.scrollWidth"))
            .as(address + " at " + size[0])
            .isLessThanOrEqualTo(size[0]);
      }
      accessible(phone);
    }
    // By keyboard alone.
    phone.navigate("/me/log");
    phone.keyboard().press("Tab");
    phone.keyboard().press("Space");
    assertThat(phone.locator("[name=item]").first()).isChecked();
  }

  /** Keys that come quicker than the answers: the first hit and its dose, in one go. */
  @Test
  void anExerciseAndItsDoseAreTypedInOneGo() {
    Practice practice = practice();
    String email = newPractitioner(practice);
    Client client = client(practitioner(practice));
    Page desk = desk();
    signIn(desk, email, PASSWORD);
    desk.navigate("/clients/" + client.getId() + "/plan");
    settled(desk);
    for (String typed : List.of("chin tuck", "levator")) {
      desk.locator("#add").focus();
      desk.keyboard().type(typed);
      desk.keyboard().press("Enter");
      desk.keyboard().type("2x7s");
      desk.keyboard().press("Enter");
      settled(desk);
    }
    assertThat(desk.locator(".items .name"))
        .hasText(new String[] {"Chin tuck", "Levator scapulae stretch, nose toward the knee"});
    desk.reload();
    assertThat(desk.locator(".items .dose").nth(0)).hasValue("2x7s");
    assertThat(desk.locator(".items .dose").nth(1)).hasValue("2x7s");
    // A colleague is in another draft: nothing is added, and no keys are held back for a row.
    Me colleague = practitioner(practice);
    Client other = client(colleague);
    desk.navigate("/clients/" + other.getId() + "/plan");
    settled(desk);
    drafts.edit(colleague, other.getId(), ProgramKind.MAIN, 0, new DraftEdit.SetTitle("Quicker"));
    desk.locator("#add").focus();
    desk.keyboard().type("cat cow");
    desk.keyboard().press("Enter");
    assertThat(desk.locator("#title")).hasValue("Quicker");
    complaints.removeIf(c -> c.contains("status of 409")); // so it was refused
    settled(desk);
    desk.locator("#add").focus();
    desk.keyboard().type("open");
    assertThat(desk.locator("#add")).hasValue("open");
  }

  @Test
  void aSessionThatRanOutKeepsThePage() {
    Practice practice = practice();
    String email = newPractitioner(practice);
    Me me = practitioner(practice);
    Client client = client(me);
    Me writer = accounts.find(email).orElseThrow();
    drafts.edit(
        writer, client.getId(), ProgramKind.MAIN, 0, new DraftEdit.Add("a", "chin-tuck", "3x10s"));
    Page desk = desk();
    signIn(desk, email, PASSWORD);
    desk.navigate("/clients/" + client.getId() + "/plan");
    desk.context().clearCookies();
    desk.locator("#dose-a").fill("3x12s");
    assertThat(desk.locator("#sign-in-again")).isVisible();
    accessible(desk);
    desk.locator("#again-email").fill(email);
    desk.locator("#again-password").fill(PASSWORD);
    desk.locator("#again-password").press("Enter");
    assertThat(desk.locator("#sign-in-again")).isHidden();
    assertThat(desk.locator("#dose-a")).hasValue("3x12s");
    // What was typed meanwhile is saved without being typed again.
    assertThat(desk.locator("#meaning-a")).containsText("3 holds of 12 s");
    desk.reload();
    assertThat(desk.locator("#dose-a")).hasValue("3x12s");
    complaints.removeIf(c -> c.contains("401") || c.contains("403"));
  }

  @Test
  void darkAndNarrowPagesHaveContrastAndNoSidewaysScrolling() {
    Practice practice = practice();
    String email = newPractitioner(practice);
    Me me = practitioner(practice);
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "L 2x15s R 3x20s @3", "shoulder-roll", "6");
    String one = "/clients/" + client.getId();
    for (int width : new int[] {1280, 390}) {
      Page page = page(width, 844, ColorScheme.DARK);
      signIn(page, email, PASSWORD);
      for (String path :
          List.of(
              "/",
              "/settings",
              "/account",
              "/desk",
              "/desk/" + client.getId(),
              "/clients/new",
              one + "/about",
              one + "/screen",
              one + "/screen?again=true",
              one + "/measure",
              one + "/plan",
              one + "/do",
              one + "/review")) {
        page.navigate(path);
        accessible(page);
        assertThat(page.evaluate("() => document.documentElement.scrollWidth"))
            .as(path)
            .isEqualTo(width);
      }
    }
  }
}
