package org.biokinet.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import org.biokinet.app.client.Client;
import org.biokinet.app.demo.DemoLoader;
import org.biokinet.app.practice.Me;
import org.biokinet.app.review.ReviewService;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.progress.Line;
import org.biokinet.core.progress.Review;
import org.biokinet.core.screening.Gate;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/**
 * The demo world loads by the same rules as everybody's data, once; its main views become the
 * pictures in target/pictures, from which those in docs/screenshots are taken.
 */
class DemoTest extends WithBrowser {

  @Autowired DemoLoader demo;
  @Autowired ReviewService reviews;

  private static void picture(Page page, String name) {
    page.screenshot(
        new Page.ScreenshotOptions().setPath(Path.of("target", "pictures", name + ".png")));
  }

  private static Locator exactly(Page page, String text) {
    return page.getByText(text, new Page.GetByTextOptions().setExact(true));
  }

  @Test
  void loadingTwiceChangesNothing() {
    Page desk = desk();
    signIn(desk, DemoLoader.PRACTITIONER, DemoLoader.PASSWORD);
    int before = desk.locator(".worklist li").count();
    demo.run(null);
    desk.reload();
    assertThat(desk.locator(".worklist li")).hasCount(before);
    assertThat(before).isGreaterThanOrEqualTo(3);
  }

  /** Open, open with precautions, and every reason for which a gate is closed by itself. */
  @Test
  void everyResultOfTheGateIsAmongTheDemo() {
    Me okafor = demo.okafor();
    Set<String> found = new TreeSet<>();
    for (Client client : clients.all(okafor)) {
      Gate gate = screenings.gate(client);
      found.add(
          gate instanceof Gate.Closed closed
              ? closed.why().name()
              : ((Gate.Open) gate).assessment().result().name());
    }
    assertThat(found)
        .contains(
            "CLEAR",
            "PRECAUTIONS",
            "EXAMINE",
            "EMERGENCY",
            "CONSENT",
            "TO_CONFIRM",
            "STOPPED",
            "LONG_PAUSE",
            "ARCHIVED");
  }

  @Test
  void everyLineOfADecisionIsAmongTheDemo() {
    Map<Line, String> found = new EnumMap<>(Line.class);
    for (Client client : clients.all(demo.okafor())) {
      reviews
          .open(client)
          .ifPresent(
              open -> open.review().decisions().forEach(d -> found.put(d.line(), client.name())));
    }
    assertThat(found.keySet()).containsExactly(Line.values());
    somebodyFinishes();
  }

  /** Who has done all of it for long enough keeps it up in half the sessions. */
  private void somebodyFinishes() {
    Client ready =
        clients.all(demo.okafor()).stream()
            .filter(c -> c.name().equals("Beatriz Nakagawa"))
            .findFirst()
            .orElseThrow();
    assertThat(reviews.open(ready).orElseThrow().review().course()).contains(Review.Whole.FINISH);
    Me me = demo.okafor();
    reviews.acceptAll(me, ready.getId(), reviews.open(ready).orElseThrow().mark());
    ReviewService.Proposal finish = reviews.proposal(me, ready).orElseThrow();
    assertThat(finish.said().whole()).isTrue();
    assertThat(finish.said().note()).contains("3 days a week");
    assertThat(finish.said().next()).isEqualTo(finish.earliest().plusDays(27));
    ReviewService.Proposal each = reviews.proposal(me, ready, false).orElseThrow();
    assertThat(each.said().whole()).isFalse();
    assertThat(each.said().note()).as("item by item").contains("Only on some days from now on");
    chosenOtherwise(ready);
    reviews.make(me, ready.getId(), finish.open().mark(), true, finish.said());
    assertThat(versions.latest(ready, ProgramKind.MAIN).orElseThrow().program().items())
        .allSatisfy(i -> assertThat(i.dose().on(Side.LEFT).orElseThrow().perWeek()).hasValue(3));
    painIsBack(me, ready);
  }

  /** As often as before again, and one step smaller, with a look after a week. */
  private void painIsBack(Me me, Client client) {
    assertThat(doses(client)).containsExactly("10 3/w", "2x30s @3 3/w", "3x20s 3/w");
    LocalDate first = tomorrow();
    for (int n = 0; n < 9; n++) day(client, first.plusDays(n), 5, 5, 3);
    ReviewService.Open open = reviews.open(client).orElseThrow();
    assertThat(open.review().course()).contains(Review.Whole.FULL_AGAIN);
    reviews.acceptAll(me, client.getId(), open.mark());
    ReviewService.Proposal again = reviews.proposal(me, client).orElseThrow();
    assertThat(again.said().note()).contains("as often as before");
    assertThat(again.said().next()).isEqualTo(again.earliest().plusDays(6));
    ReviewService.Said said = again.said();
    ReviewService.Said why =
        new ReviewService.Said(said.note(), "Sore again", said.terms(), true, said.next());
    ReviewService.Made made = reviews.make(me, client.getId(), again.open().mark(), true, why);
    assertThat(made.whole()).contains(Review.Whole.FULL_AGAIN);
    assertThat(doses(client)).containsExactly("8", "2x20s @3", "3x15s");
    assertThat(reviews.open(client).orElseThrow().kept().diary().keptUp()).isEmpty();
  }

  private List<String> doses(Client client) {
    return versions.latest(client, ProgramKind.MAIN).orElseThrow().program().items().stream()
        .map(i -> DoseNotation.format(i.dose()))
        .toList();
  }

  /** What was typed stays, whether it is finished or not. */
  private void chosenOtherwise(Client client) {
    Page desk = desk();
    signIn(desk, DemoLoader.PRACTITIONER, DemoLoader.PASSWORD);
    desk.navigate("/clients/%s/review".formatted(client.getId()));
    assertThat(desk.locator("#decisions")).containsText("4 of 4 decided");
    settled(desk);
    desk.locator("[data-key=m]").click();
    assertThat(desk.locator("#make-note")).hasValue(Pattern.compile(".*3 days a week.*"));
    desk.locator("#make-note").fill("Until spring");
    desk.locator("[name=whole]").uncheck();
    assertThat(desk.locator("[name=whole]"))
        .hasAttribute("hx-get", Pattern.compile(".*whole=true"));
    settled(desk);
    assertThat(desk.locator("[name=whole]")).not().isChecked();
    desk.locator("[name=whole]").check();
    assertThat(desk.locator("[name=whole]"))
        .hasAttribute("hx-get", Pattern.compile(".*whole=false"));
    assertThat(desk.locator("#make-note")).hasValue("Until spring");
    assertThat(desk.locator("#make")).containsText("3x20s 3/w");
  }

  @Test
  void theDesk() {
    Page desk = desk();
    signIn(desk, DemoLoader.PRACTITIONER, DemoLoader.PASSWORD);
    picture(desk, "worklist");
    desk.getByText("Ines Caldeira").first().click();
    desk.locator(".stops a").first().click();
    desk.waitForURL("**/screen");
    picture(desk, "screen");
    desk.getByText("about", new Page.GetByTextOptions().setExact(true)).click();
    desk.waitForURL("**/about");
    picture(desk, "about");
    desk.locator(".stops a").nth(1).click();
    desk.waitForURL("**/measure");
    String[][] readings = {
      {"neck-rotation-LEFT", "70 71"},
      {"neck-rotation-RIGHT", "58 60"},
      {"neck-lateral-flexion-LEFT", "33 34"},
      {"neck-lateral-flexion-RIGHT", "44 45"}
    };
    for (String[] r : readings) {
      desk.locator("#readings-" + r[0]).fill(r[1]);
      desk.locator("#readings-" + r[0]).press("Tab");
      settled(desk);
    }
    desk.locator("#mark-line").fill("r top ache 3");
    desk.locator("#mark-line").press("Enter");
    assertThat(desk.locator(".marks")).containsText("right top of the shoulder, ache 3");
    picture(desk, "measure");
    desk.getByText("Posture from a side photograph").click();
    desk.waitForURL("**/posture");
    assertThat(desk.locator(".landmark")).hasCount(5);
    picture(desk, "posture");
    desk.goBack();
    desk.getByText("All visits side by side").click();
    desk.waitForURL("**/history");
    picture(desk, "measures-history");
    desk.locator(".stops a").nth(2).click();
    desk.waitForURL("**/plan");
    assertThat(desk.locator("#total")).not().hasText("0:00");
    desk.waitForFunction(
        "() => [...document.querySelectorAll('.items img')].slice(0, 6)"
            + ".every(i => i.complete && i.naturalWidth > 0)");
    picture(desk, "plan");
    weeksByKeyboard(desk);
    picture(desk, "weeks");
    desk.locator(".stops a").nth(3).click();
    desk.waitForURL("**/do");
    desk.getByLabel("Sheet to print of version 1").click();
    desk.waitForURL("**/sheet*");
    assertThat(desk.locator(".sheet-item")).hasCount(6);
    picture(desk, "sheet");
    desk.goBack();
    desk.getByLabel("Teach the main program in the room").click();
    desk.waitForURL("**/teach?**");
    desk.waitForLoadState();
    for (String key : new String[] {"n", "n", "n", "n", "1"}) {
      desk.keyboard().press(key);
      settled(desk);
    }
    assertThat(desk.locator(".teach")).containsText("Tilt right");
    picture(desk, "teach");
    desk.goBack();
    desk.locator(".stops a").last().click();
    desk.waitForURL("**/review");
    assertThat(desk.locator(".sessions tbody tr").first()).isVisible();
    assertThat(desk.locator("#decisions table")).isVisible();
    settled(desk); // what is ahead is put in when the rest is there
    accessible(desk);
    picture(desk, "review");
    String review = desk.url();
    exactly(desk, "what happened").click();
    desk.waitForURL("**/happened");
    picture(desk, "happened");
    exactly(desk, "notes and letters").click();
    exactly(desk, "Discharge summary").click();
    desk.getByLabel("To (name and address)").fill("Dr R. Example\n4 Quay Street");
    exactly(desk, "Sign").click();
    assertThat(desk.locator(".writing-text")).containsText("To be seen at once");
    accessible(desk);
    picture(desk, "letter");
    desk.navigate("/library?q=trap without a wall");
    assertThat(desk.locator("[data-row]").first()).isVisible();
    desk.navigate("/library/upper-trap-stretch");
    picture(desk, "exercise");
    desk.navigate("/library/own-levator-stretch-at-the-chart-table/edit");
    desk.locator("#how").scrollIntoViewIfNeeded();
    assertThat(desk.locator("#preview")).containsText("left hand flat on it");
    picture(desk, "own-exercise");
    Page dark = page(1280, 800, ColorScheme.DARK);
    signIn(dark, DemoLoader.PRACTITIONER, DemoLoader.PASSWORD);
    dark.navigate(review);
    assertThat(dark.locator("#decisions table")).isVisible();
    settled(dark);
    accessible(dark);
  }

  @Test
  void thePhone() {
    Page phone = phone();
    phone.clock().install();
    openLink(phone, "/c/" + DemoLoader.CLIENT_TOKEN, DemoLoader.CLIENT_PIN);
    picture(phone, "today");
    phone.navigate("/me/day/week");
    assertThat(phone.locator(".day-strip").first()).isVisible();
    accessible(phone);
    picture(phone, "workday");
    phone.navigate("/me/back");
    assertThat(phone.getByText("Your mornings are 2 points easier")).isVisible();
    picture(phone, "back");
    phone.navigate("/me/today");
    phone.getByText("2", new Page.GetByTextOptions().setExact(true)).click();
    phone.locator("#start").click();
    assertThat(phone.locator("#panel-running")).isVisible();
    for (int i = 0; i < 3; i++) phone.locator("#skip").click();
    phone.clock().runFor(12_000);
    assertThat(phone.locator("#headline")).containsText("Tilt");
    picture(phone, "player");
  }

  /** From the list into the weeks, a step later, and earlier again: no mouse. */
  private static void weeksByKeyboard(Page desk) {
    desk.keyboard().press("w");
    desk.waitForURL("**/weeks*");
    desk.locator(".week-cell[data-week='0']").first().focus();
    desk.keyboard().press("ArrowRight");
    assertThat(desk.locator("#week")).containsText("one step, to 5br");
    desk.keyboard().press("l");
    assertThat(desk.locator("#week")).containsText("held");
    assertThat(desk.locator(".week-cell[data-week='1']").first()).isFocused();
    settled(desk); // in the moment before that the cells that have come do not listen yet
    desk.keyboard().press("ArrowRight");
    assertThat(desk.locator("#week")).containsText("one step, to 5br");
    desk.keyboard().press("e");
    assertThat(desk.locator(".week-cell[data-week='1']").first()).containsText("5br");
  }
}
