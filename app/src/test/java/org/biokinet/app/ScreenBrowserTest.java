package org.biokinet.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.time.LocalDate;
import java.util.Set;
import java.util.UUID;
import org.biokinet.app.access.LinkService;
import org.biokinet.app.client.Client;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.practice.Role;
import org.biokinet.core.measure.Goal;
import org.biokinet.core.screening.Gate;
import org.junit.jupiter.api.Test;

/** New clients, screening and the gate, as they are used: by keyboard, and on a phone. */
class ScreenBrowserTest extends WithBrowser {

  /** Counts what a practitioner presses. */
  private static final class Keys {
    private final Page page;
    private int pressed;

    Keys(Page page) {
      this.page = page;
    }

    Keys press(String... keys) {
      for (String key : keys) {
        page.keyboard().press(key);
        pressed++;
      }
      return this;
    }

    Keys type(String text) {
      page.keyboard().type(text);
      pressed += text.length();
      return this;
    }

    /** A name or a number to reach somebody at, which nobody can shorten. */
    Keys contact(String text) {
      page.keyboard().type(text);
      return this;
    }
  }

  private static void tick(Page page, String name, String value) {
    page.locator("input[name='%s'][value='%s']".formatted(name, value)).check();
  }

  /** At most 60 keys beside name and contact for the new client, 40 for the screening. */
  @Test
  void aClientIsAddedAndScreenedWithoutTheMouse() {
    Practice practice = practice();
    Me owner = person(practice, Role.OWNER);
    Page desk = desk();
    signIn(desk, newPractitioner(practice), PASSWORD);
    desk.navigate("/clients/new");
    assertThat(desk.locator("#name")).isFocused();
    Keys keys = new Keys(desk);
    keys.contact("Noor Vermeer").press("Tab");
    keys.type("04021979").press("Tab", "Tab");
    keys.contact("555 0190").press("Tab").contact("noor@forecast.example").press("Tab");
    keys.type("drafter").press("Tab").type("8").press("Tab").type("3").press("Tab");
    keys.type("r").press("Tab").type("l").press("Tab");
    keys.type("10").press("Tab").type("2").press("Tab").press("Space", "Tab");
    keys.type("parking").press("Tab").type("4").press("Tab").type("9").press("Tab");
    keys.type("sleep").press("Tab").type("5").press("Tab").type("9").press("Enter");
    desk.waitForURL("**/screen");
    assertThat(keys.pressed).as("keys for the new client").isLessThanOrEqualTo(60);
    Client client = clients.all(owner).get(0);
    assertThat(client.contact().birthDate()).contains(LocalDate.of(1979, 4, 2));
    assertThat(client.contact().email()).isEqualTo("noor@forecast.example");
    assertThat(client.circumstances().minutes()).hasValue(10);
    assertThat(client.circumstances().consent()).isPresent();
    assertThat(clients.goals(client.getId()))
        .containsExactlyInAnyOrder(new Goal("parking", 4, 9), new Goal("sleep", 5, 9));

    assertThat(desk.locator("input[name=none][value=signs]")).isFocused();
    Keys screen = new Keys(desk);
    screen.press("Space", "Tab", "Space", "Tab").type("2").press("Tab", "Space", "Tab");
    screen.press("Space", "Tab", "Space", "Tab", "Space", "Tab", "Enter");
    desk.waitForURL("**/screen?saved");
    assertThat(screen.pressed).as("keys for the screening").isLessThanOrEqualTo(40);
    assertThat(screenings.gate(client).open()).isTrue();
  }

  @Test
  void anEmergencyAtHomeSaysCallNowOnThePhone() {
    Practice practice = practice();
    Me me = practitioner(practice);
    Client client = unscreened(me);
    LinkService.Made made = links.make(me, client.getId());
    Page phone = phone();
    phone.navigate("/c/" + made.token());
    accessible(phone);
    phone.getByText("I have forgotten the PIN").click();
    assertThat(phone.locator("[role=status]")).containsText("call 555 0100");
    phone.getByLabel("PIN").fill(made.pin());
    phone.keyboard().press("Enter");
    phone.waitForURL("**/me/before-visit");
    accessible(phone);
    tick(phone, "signs", "chest");
    tick(phone, "none", "flags");
    phone.locator("#medicines").fill("ibuprofen");
    phone.getByText("Send my answers").click();
    assertThat(phone.getByText("Not sent yet")).isVisible();
    assertThat(phone.locator("#medicines")).hasValue("ibuprofen");
    assertThat(phone.locator("input[value=chest]")).isChecked();
    tick(phone, "none", "conditions");
    phone.locator("#worst").fill("4");
    for (String question : new String[] {"arm", "provoked"}) tick(phone, question, "no");
    tick(phone, "settles", "10-min");
    phone.getByText("Send my answers").click();
    assertThat(phone.getByText("Call now")).isVisible();
    assertThat(phone.locator("a[href='tel:5550100']")).isVisible();
    accessible(phone);
    assertThat(((Gate.Closed) screenings.gate(client)).why()).isEqualTo(Gate.Why.EMERGENCY);
    complaints.removeIf(c -> c.contains("422"));

    Page desk = desk();
    signIn(desk, newPractitioner(practice), PASSWORD);
    assertThat(desk.locator(".worklist li").first()).containsText("Emergency signs");
    desk.locator(".worklist li").first().locator(".button").click();
    desk.waitForURL("**/screen");
    assertThat(desk.locator("input[value=chest]")).isChecked();
    accessible(desk);
  }

  /** A red flag: recorded, then open; the head of every page says by whom. */
  @Test
  void aRedFlagIsRecordedAndTheHeadSaysByWhom() {
    Practice practice = practice();
    Me me = practitioner(practice);
    Client client = unscreened(me);
    screen(me, client, Set.of(), Set.of("inflammatory"), Set.of());
    Page desk = desk();
    signIn(desk, newPractitioner(practice), PASSWORD);
    desk.navigate("/clients/" + client.getId() + "/screen");
    desk.getByLabel("What you examined").fill("upper-neck ligaments");
    desk.getByText("Record it and open the gate").click();
    assertThat(desk.getByText("Write both")).isVisible();
    assertThat(desk.getByLabel("What you examined")).hasValue("upper-neck ligaments");
    desk.getByLabel("What you found").fill("stable");
    desk.getByText("Record it and open the gate").click();
    desk.waitForURL("**/screen?recorded");
    desk.navigate("/clients/" + client.getId() + "/plan");
    assertThat(desk.locator("main")).containsText("Opened by A. Practitioner");
    assertThat(desk.locator(".locks").first()).containsText("end-range neck extension");
    desk.locator("#add").fill("neck circle");
    assertThat(desk.locator("#hits .line-through").first()).isVisible();
    accessible(desk);
  }

  @Test
  void nobodyAtTheDeskLocksThePageAndItComesBackAsItWas() {
    Practice practice = practice();
    String email = newPractitioner(practice);
    Client client = client(practitioner(practice));
    Page desk = desk();
    desk.clock().install();
    signIn(desk, email, PASSWORD);
    desk.navigate("/clients/" + client.getId() + "/about");
    desk.locator("#work").fill("half a sentence");
    Page second = desk.context().newPage();
    second.navigate("/clients/" + client.getId() + "/plan");
    desk.clock().fastForward("14:00");
    second.keyboard().press("Shift");
    desk.clock().fastForward("02:00");
    assertThat(desk.locator("#sign-in-again")).isHidden();
    desk.clock().fastForward("15:00");
    assertThat(desk.locator("#sign-in-again")).isVisible();
    assertThat(second.locator("#sign-in-again")).isVisible();
    assertThat(desk.locator("#work")).isHidden();
    desk.keyboard().press("Escape");
    assertThat(desk.locator("#sign-in-again")).isVisible();
    // Signed out on the server too, not only covered.
    Page other = desk.context().newPage();
    other.navigate("/clients/" + client.getId() + "/about");
    assertThat(other.locator("h1")).hasText("Sign in");
    desk.locator("#again-email").fill(email);
    desk.locator("#again-password").fill(PASSWORD);
    desk.locator("#again-password").press("Enter");
    assertThat(desk.locator("#sign-in-again")).isHidden();
    assertThat(desk.locator("#work")).hasValue("half a sentence");
    desk.getByText("Save what is known").click();
    desk.waitForURL("**/about?saved");
    assertThat(clients.byId(client.getId()).work()).isEqualTo("half a sentence");
    // The other tab asks for itself; somebody else does not see what stands there.
    assertThat(second.locator("#sign-in-again")).isVisible();
    second.locator("#again-email").fill(newPractitioner(practice()));
    second.locator("#again-password").fill(PASSWORD);
    second.locator("#again-password").press("Enter");
    second.waitForURL(url -> url.endsWith("/"));
    // The browser itself notes what it has cleared.
    complaints.removeIf(c -> c.contains("Clear-Site-Data"));
  }

  @Test
  void ownersManagePeopleAndReadTheAudit() {
    Practice practice = practice();
    String email = UUID.randomUUID() + "@practice.example";
    accounts.addPractitioner(practice, email, "O. Wner", Role.OWNER, PASSWORD);
    for (int width : new int[] {1280, 390}) {
      Page page = page(width, 844, ColorScheme.DARK);
      signIn(page, email, PASSWORD);
      page.navigate("/practice/people");
      page.locator("#name").fill("B. Silva");
      page.locator("#person-email").fill(UUID.randomUUID() + "@practice.example");
      page.locator("aside #role").selectOption("FRONT_DESK");
      page.getByText("Add and make a link").click();
      String link = page.locator("#link").inputValue();
      assertThat(link).contains("/password/");
      accessible(page);
      page.navigate("/practice/audit");
      assertThat(page.locator("main tbody")).containsText("person added");
      accessible(page);
      assertThat(page.evaluate("() => document.documentElement.scrollWidth")).isEqualTo(width);
      Page chosen = phone();
      chosen.navigate(link);
      accessible(chosen);
      chosen.locator("#password").fill("four words without sense");
      chosen.locator("#again").fill("four words without sense");
      chosen.getByText("Use this password").click();
      chosen.waitForURL("**/sign-in?chosen");
    }
  }
}
