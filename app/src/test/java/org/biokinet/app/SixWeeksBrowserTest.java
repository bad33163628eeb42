package org.biokinet.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.biokinet.app.access.LinkService;
import org.biokinet.app.client.Client;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.review.ReviewService;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.ProgramKind;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/**
 * Six weeks of a client from prescribing to the sixth review, made by keys at a real desk: the
 * decisions are those that core's {@code SixWeeksTest} has by hand, with pain on the left alone in
 * the third week. What the client did comes in as devices send it.
 */
class SixWeeksBrowserTest extends WithBrowser {

  private static final String STRETCH = "upper-trap-stretch";

  @Autowired private ReviewService reviews;

  private LocalDate first = LocalDate.EPOCH;

  private boolean refusals;

  /** The browser logs every answer that is an error; the page says what was wrong. */
  @Override
  boolean meant(String complaint) {
    return refusals && complaint.contains("status of 422");
  }

  private void good(Client client, int from, int to) {
    for (int day = from; day <= to; day++) day(client, first.plusDays(day), 2, 3);
  }

  private List<String> doses(Client client) {
    return versions.latest(client, ProgramKind.MAIN).orElseThrow().program().items().stream()
        .map(i -> DoseNotation.format(i.dose()))
        .toList();
  }

  /** "go on 2x20s @3", in the order of the page. */
  private static List<String> suggested(Page desk) {
    return desk.locator(".decision > details > summary").all().stream()
        .map(
            s -> {
              String dose = s.locator(".mono").innerText();
              String next = dose.substring(dose.lastIndexOf('→') + 1).strip();
              return s.locator("b").innerText() + " " + next;
            })
        .collect(Collectors.toList());
  }

  /** At noon of a day: opened, all accepted, looked at, shared or kept; by keys. */
  private List<String> review(Page desk, Client client, int day) {
    clock.moveTo(first.plusDays(day).atTime(12, 0).atZone(LISBON).toInstant());
    desk.navigate("/clients/" + client.getId() + "/review");
    assertThat(desk.locator(".decision").first()).isVisible();
    settled(desk);
    List<String> suggested = suggested(desk);
    desk.locator("#decisions .section-head").first().click();
    desk.keyboard().press("a");
    assertThat(desk.getByText("3 of 3 decided")).isVisible();
    settled(desk);
    desk.keyboard().press("m");
    assertThat(desk.locator("#make .primary")).isFocused();
    // A small program stays under its band for some weeks, and that takes a reason each time.
    Locator why = desk.locator("#make-why");
    if (why.count() > 0) why.fill("begins gently");
    desk.locator("#make .primary").press("Enter");
    desk.waitForURL("**/review?made");
    return suggested;
  }

  @Test
  void aFlareUpOnTheLeftHoldsBackTheLeft() {
    Practice practice = practice();
    Me me = practitioner(practice);
    String email = newPractitioner(practice);
    Client client = client(me);
    drafts.edit(
        me, client.getId(), ProgramKind.MAIN, 0, new DraftEdit.Add("s", STRETCH, "2x15s @3"));
    drafts.edit(me, client.getId(), ProgramKind.MAIN, 1, target("s", "3x30s @3"));
    drafts.edit(
        me, client.getId(), ProgramKind.MAIN, 2, new DraftEdit.Add("t", "chin-tuck", "3x5s"));
    drafts.edit(me, client.getId(), ProgramKind.MAIN, 3, target("t", "3x10s"));
    drafts.share(me, client.getId(), ProgramKind.MAIN, 4, "begins gently");
    first = tomorrow();
    Page desk = desk();
    signIn(desk, email, PASSWORD);
    desk.keyboard().press("?");
    desk.getByLabel("Use single letters as keys").check();
    settled(desk);

    good(client, 0, 6);
    assertThat(review(desk, client, 7))
        .containsExactly("go on 2x20s @3", "go on 2x20s @3", "go on 3x7s");
    assertThat(doses(client)).containsExactly("2x20s @3", "3x7s");

    good(client, 8, 14);
    assertThat(review(desk, client, 15))
        .containsExactly("go on 2x30s @3", "go on 2x30s @3", "go on 3x10s");
    assertThat(doses(client)).containsExactly("2x30s @3", "3x10s");

    good(client, 16, 19);
    day(client, first.plusDays(20), 5, 3, "0L");
    good(client, 21, 21);
    day(client, first.plusDays(22), 5, 3, "0L");
    assertThat(review(desk, client, 23))
        .containsExactly("ease 2x20s @3", "go on 3x30s @3", "stay 3x10s");
    assertThat(doses(client)).containsExactly("L 2x20s R 3x30s @3", "3x10s");
    LinkService.Made link = links.make(me, client.getId());
    Page phone = phone();
    openLink(phone, "/c/" + link.token(), link.pin());
    assertThat(phone.locator(".said").first())
        .containsText("One step less, so that it can settle: Upper trapezius stretch");

    good(client, 24, 30);
    assertThat(review(desk, client, 31))
        .containsExactly("go on 2x30s @3", "hold 3x30s @3", "hold 3x10s");
    assertThat(doses(client)).containsExactly("L 2x30s R 3x30s @3", "3x10s");

    good(client, 32, 38);
    assertThat(review(desk, client, 39))
        .containsExactly("go on 3x30s @3", "hold 3x30s @3", "maintain 3x10s 3/w");
    assertThat(doses(client)).containsExactly("3x30s @3", "3x10s 3/w");

    good(client, 40, 46);
    assertThat(review(desk, client, 47))
        .containsExactly("hold 3x30s @3", "maintain 3x30s @3", "maintain 3x10s 3/w");
    assertThat(versions.latest(client, ProgramKind.MAIN).orElseThrow().version().number())
        .as("nothing changed at the sixth")
        .isEqualTo(6);
    assertThat(reviews.page(client).made()).hasSize(6);

    desk.locator(
            "#decisions details > summary", new Page.LocatorOptions().setHasText("reviews before"))
        .click();
    desk.locator("#decisions li", new Page.LocatorOptions().setHasText("version 4"))
        .locator("a")
        .click();
    assertThat(desk.locator(".kept")).containsText("2 of the last 3 days red");
    accessible(desk);
  }

  private static DraftEdit target(String key, String dose) {
    return new DraftEdit.SetTarget(key, Optional.of(dose));
  }

  /** What is wrong is said beside it, keeps what was typed, and one key leads into it. */
  @Test
  void anotherDoseIsGivenByKeys() {
    Practice practice = practice();
    Me me = practitioner(practice);
    String email = newPractitioner(practice);
    Client client = client(me);
    share(me, client, STRETCH, "2x15s @3");
    first = tomorrow();
    good(client, 0, 7);
    Page desk = desk();
    signIn(desk, email, PASSWORD);
    desk.keyboard().press("?");
    desk.getByLabel("Use single letters as keys").check();
    settled(desk);
    desk.navigate("/clients/" + client.getId() + "/review");
    Locator left = desk.locator("#d-upper-trap-stretch-L");
    assertThat(left).isVisible();
    settled(desk);
    // What is typed about one is still there when another was decided.
    Locator other = desk.locator("#d-upper-trap-stretch-R").getByLabel("Why it stays as it is");
    desk.locator("#d-upper-trap-stretch-R").focus();
    desk.keyboard().press("r");
    other.fill("not yet");
    left.focus();
    desk.keyboard().press("d");
    Locator dose = left.getByLabel("Another dose", new Locator.GetByLabelOptions().setExact(true));
    assertThat(dose).isFocused();
    dose.fill("2x18s @3");
    refusals = true;
    desk.keyboard().press("Enter");
    assertThat(left.locator(".field-error")).hasText("say why");
    assertThat(dose).hasValue("2x18s @3");
    assertThat(other).hasValue("not yet");
    accessible(desk);
    settled(desk);
    left.getByLabel("Why another dose").fill("half a step, travels next week");
    desk.keyboard().press("Enter");
    assertThat(left).containsText("✓ altered: 2x18s @3");
    settled(desk);
    left.focus();
    desk.keyboard().press("ArrowDown");
    Locator right = desk.locator("#d-upper-trap-stretch-R");
    assertThat(right).isFocused();
    desk.keyboard().press("a");
    assertThat(right).containsText("✓ accepted");
    assertThat(desk.getByText("2 of 2 decided")).isVisible();
    settled(desk);
    desk.keyboard().press("u");
    assertThat(desk.getByText("1 of 2 decided")).isVisible();
    accessible(desk);
  }
}
