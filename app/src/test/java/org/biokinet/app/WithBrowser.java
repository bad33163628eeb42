package org.biokinet.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.ReducedMotion;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.practice.Role;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;

/**
 * A real browser before the application. Any console message, page error or report of the content
 * security policy (which the console shows) fails the test.
 */
abstract class WithBrowser extends AppTest {

  private static Playwright playwright;
  private static Browser browser;

  final List<String> complaints = new ArrayList<>();
  private boolean wasAway;
  private final List<BrowserContext> contexts = new ArrayList<>();

  /** How long a slow machine may take, in milliseconds; nothing waits this long on a quick one. */
  private static final double PATIENCE = 60_000;

  private static final Path CHROMIUM = Path.of("/usr/bin/chromium");

  private static final List<String> ARGUMENTS =
      List.of(
          "--no-sandbox",
          "--disable-gpu",
          "--disable-quic",
          "--no-first-run",
          "--disable-background-networking",
          "--disable-component-update",
          "--disable-sync");

  @BeforeAll
  static void start() {
    PlaywrightAssertions.setDefaultAssertionTimeout(PATIENCE);
    playwright =
        Playwright.create(
            new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
    browser =
        playwright
            .chromium()
            .launch(new BrowserType.LaunchOptions().setExecutablePath(CHROMIUM).setArgs(ARGUMENTS));
  }

  @AfterAll
  static void stop() {
    playwright.close();
  }

  @AfterEach
  void nothingWasComplainedAbout() {
    contexts.forEach(BrowserContext::close);
    complaints.removeIf(this::meant);
    assertThat(complaints).isEmpty();
  }

  /** Whether a test has brought this about. */
  boolean meant(String complaint) {
    return wasAway
        && (complaint.contains("ERR_INTERNET_DISCONNECTED")
            // The browser looks for a new worker whenever it likes.
            || complaint.contains("fetching the script"));
  }

  /** Takes a browser's network away; what the browser itself says of that is no complaint. */
  void network(Page page, boolean there) {
    wasAway |= !there;
    page.context().setOffline(!there);
  }

  Page page(int width, int height, ColorScheme scheme) {
    BrowserContext context =
        browser.newContext(
            new Browser.NewContextOptions()
                .setViewportSize(width, height)
                .setColorScheme(scheme)
                .setReducedMotion(ReducedMotion.REDUCE)
                .setTimezoneId("Europe/Lisbon")
                .setBaseURL("http://127.0.0.1:" + port));
    contexts.add(context);
    return listened(context, context.newPage());
  }

  private Page listened(BrowserContext context, Page page) {
    context.setDefaultTimeout(PATIENCE);
    page.onConsoleMessage(m -> complaints.add(m.type() + ": " + m.text()));
    page.onPageError(complaints::add);
    return page;
  }

  /** A telephone whose browser keeps what it has in a folder, to be killed and opened again. */
  Page phoneThatKeeps(Path folder) {
    BrowserContext context =
        playwright
            .chromium()
            .launchPersistentContext(
                folder,
                new BrowserType.LaunchPersistentContextOptions()
                    .setExecutablePath(CHROMIUM)
                    .setArgs(ARGUMENTS)
                    .setViewportSize(390, 844)
                    .setReducedMotion(ReducedMotion.REDUCE)
                    .setTimezoneId("Europe/Lisbon")
                    .setBaseURL("http://127.0.0.1:" + port));
    return listened(context, context.pages().get(0));
  }

  /** Ends the browser of a folder as a flat battery does. */
  static void kill(Path folder) {
    ProcessHandle.current()
        .descendants()
        .filter(p -> p.info().commandLine().filter(c -> c.contains(folder.toString())).isPresent())
        .forEach(ProcessHandle::destroyForcibly);
  }

  Page desk() {
    return page(1280, 800, ColorScheme.LIGHT);
  }

  Page phone() {
    return page(390, 844, ColorScheme.LIGHT);
  }

  String newPractitioner(Practice practice) {
    String email = UUID.randomUUID() + "@practice.example";
    accounts.addPractitioner(practice, email, "A. Practitioner", Role.PRACTITIONER, PASSWORD);
    return email;
  }

  static void signIn(Page page, String email, String password) {
    page.navigate("/sign-in");
    assertThat(page.getByLabel("Mail address")).isFocused(); // as the page does by itself
    page.getByLabel("Mail address").fill(email);
    page.getByLabel("Password").fill(password);
    page.keyboard().press("Enter");
    page.waitForURL("**/");
  }

  static void openLink(Page page, String link, String pin) {
    page.navigate(link);
    assertThat(page.getByLabel("PIN")).isFocused();
    page.getByLabel("PIN").fill(pin);
    page.keyboard().press("Enter");
    page.waitForURL("**/me/today");
  }

  /**
   * Contrast, names, roles; the automatic part of WCAG A and AA: 2.2 for clients, 2.1 at a desk.
   */
  static void accessible(Page page) {
    page.bringToFront(); // a page in the background may never answer
    List<String> tags = new ArrayList<>(List.of("wcag2a", "wcag2aa", "wcag21a", "wcag21aa"));
    if (page.locator("main.client").count() > 0) tags.add("wcag22aa");
    assertThat(new AxeBuilder(page).withTags(tags).analyze().getViolations())
        .as(page.url())
        .isEmpty();
  }

  /** Fragments are in place and listening. */
  static void settled(Page page) {
    assertThat(page.locator(".htmx-request, .htmx-swapping, .htmx-settling, .htmx-added"))
        .hasCount(0);
  }

  /** From here on the page's time stands still but for what a test lets pass. */
  void holdTime(Page page) {
    page.clock().pauseAt(clock.millis() + 60_000);
  }
}
