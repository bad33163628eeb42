package org.biokinet.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.FilePayload;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.biokinet.app.access.LinkService;
import org.biokinet.app.client.Client;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.practice.Role;
import org.biokinet.core.measure.Goal;
import org.junit.jupiter.api.Test;

/** Measuring as it is done: by keyboard, with an instrument, on a photograph. */
class MeasureBrowserTest extends WithBrowser {

  private Client withGoal(Me me) {
    Client client = client(me);
    change(me, client, Set.of(), List.of(new Goal("parking", 4, 9)));
    return client;
  }

  private Page measuring(String email, Client client) {
    Page desk = desk();
    signIn(desk, email, PASSWORD);
    desk.navigate("/clients/" + client.getId() + "/measure");
    assertThat(desk.locator("#mark-line")).isFocused();
    return desk;
  }

  /** Map, pain, rotation and tilt both ways, one activity: keys only, counted. */
  @Test
  void theQuickSetIsDoneByKeyboard() {
    Practice practice = practice();
    Client client = withGoal(practitioner(practice));
    Page desk = measuring(newPractitioner(practice), client);
    int keys = 0;
    for (String step :
        new String[] {
          "r top ache 5",
          "Enter",
          "r lower neck pull 4",
          "Enter",
          "Tab",
          "4",
          "Tab",
          "2",
          "Tab",
          "6",
          "Tab",
          "66 68",
          "Tab",
          "52 55",
          "Tab",
          "30 32",
          "Tab",
          "41 43",
          "Tab",
          "5",
          "Tab"
        }) {
      if (step.equals("Enter") || step.equals("Tab")) {
        desk.keyboard().press(step);
        settled(desk);
        keys++;
      } else {
        desk.keyboard().type(step);
        keys += step.length();
      }
    }
    assertThat(keys).as("keys for the quick set").isLessThanOrEqualTo(80);
    assertThat(desk.locator(".marks li")).hasCount(2);
    assertThat(desk.locator(".marks")).containsText("right top of the shoulder, ache 5");
    assertThat(desk.locator("#fans")).containsText("L 67°");
    assertThat(desk.locator("#difference-neck-rotation"))
        .containsText("14° (20 %) less to the right");
    assertThat(desk.locator("#findings")).containsText("tilting left 31° of 45");
    accessible(desk);
    desk.locator("#findings")
        .getByText("confirm", new Locator.GetByTextOptions().setExact(true))
        .first()
        .click();
    assertThat(desk.locator("#findings .is-CONFIRMED")).hasCount(1);
    desk.reload();
    assertThat(desk.locator("#readings-neck-rotation-LEFT")).hasValue("66 68");
    assertThat(desk.locator("[name=rated]").first()).hasValue("5");
  }

  /** The map by mouse and by arrows; what is typed wrong stays. */
  @Test
  void theMapIsMarkedByMouseAndByKeys() {
    Practice practice = practice();
    Client client = client(practitioner(practice));
    Page desk = measuring(newPractitioner(practice), client);
    desk.locator(".spot[data-area='top-of-shoulder'][data-side='LEFT']").click();
    assertThat(desk.locator("#mark-title")).hasText("left top of the shoulder");
    accessible(desk);
    desk.locator("#mark input[value=burn]").check();
    desk.locator("#mark button[value='6']").click();
    assertThat(desk.locator(".marks")).containsText("left top of the shoulder, burn 6");
    assertThat(desk.locator("#mark")).isHidden();
    desk.locator("[data-map] .spot").first().focus();
    desk.keyboard().press("ArrowDown");
    desk.keyboard().press("Enter");
    assertThat(desk.locator("#mark")).isVisible();
    desk.keyboard().press("Escape");
    desk.locator("#mark-line").fill("l shoulder 3");
    desk.locator("#mark-line").press("Enter");
    assertThat(desk.locator("#message-mark")).containsText("Which one");
    assertThat(desk.locator("#mark-line")).hasValue("l shoulder 3");
    desk.locator("input[name=facing]").check();
    assertThat(desk.locator(".is-facing")).containsText("facing you");
    assertThat(desk.locator(".marks")).containsText("left top of the shoulder, burn 6");
    complaints.removeIf(c -> c.contains("422"));
  }

  /** Two readings are taken by stillness alone; the field says where they come from. */
  @Test
  void anInclinometerFillsTheField() {
    Practice practice = practice();
    Client client = client(practitioner(practice));
    Page desk = measuring(newPractitioner(practice), client);
    desk.locator("#readings-neck-rotation-RIGHT").focus();
    desk.keyboard().press("Alt+i");
    assertThat(desk.locator("#inclinometer .angle-now")).hasText(Pattern.compile("\\d+°"));
    accessible(desk);
    assertThat(desk.locator("#inclinometer")).isHidden();
    assertThat(desk.locator("#readings-neck-rotation-RIGHT"))
        .hasValue(Pattern.compile("\\d+(\\.\\d)? \\d+(\\.\\d)?"));
    assertThat(desk.locator("#value-neck-rotation-RIGHT")).containsText("inclinometer");
  }

  @Test
  void enduranceIsTimedWithTheSpaceBar() {
    Practice practice = practice();
    Client client = client(practitioner(practice));
    Page desk = desk();
    desk.clock().install();
    signIn(desk, newPractitioner(practice), PASSWORD);
    desk.navigate("/clients/" + client.getId() + "/measure");
    desk.getByText("Neck flexor endurance").first().click();
    desk.locator(".more-measures [x-ref=button]").focus();
    desk.keyboard().press("Space");
    assertThat(desk.locator(".more-measures [x-ref=button]")).hasText("Stop");
    desk.clock().runFor(21_500);
    desk.keyboard().press("Space");
    assertThat(desk.locator("#scores")).containsText("21 s");
  }

  @Test
  void aPhotographIsMarkedWithTheArrows() throws IOException {
    Practice practice = practice();
    String email = UUID.randomUUID() + "@practice.example";
    Me me =
        accounts.addPractitioner(practice, email, "A. Practitioner", Role.PRACTITIONER, PASSWORD);
    Client client = client(me);
    Page desk = desk();
    signIn(desk, email, PASSWORD);
    desk.navigate("/clients/" + client.getId() + "/measure/posture");
    accessible(desk);
    desk.locator("#file").setInputFiles(new FilePayload("side.png", "image/png", picture()));
    desk.locator("input[name=facing][value=RIGHT]").check();
    desk.getByText("Keep the photograph").click();
    desk.waitForURL("**/posture?photograph=*");
    desk.locator(".landmark").nth(2).focus();
    desk.keyboard().press("ArrowUp");
    assertThat(desk.locator("#angles")).containsText("craniovertebral");
    String before = desk.locator("#angles").textContent();
    for (int i = 0; i < 4; i++) desk.keyboard().press("Shift+ArrowUp");
    assertThat(desk.locator("#angles")).not().hasText(before);
    accessible(desk);
    desk.reload();
    assertThat(desk.locator("#angles")).containsText("craniovertebral");
    desk.navigate("/marking");
    for (int i = 0; i < 5; i++) desk.locator("button:has-text(\"Marked: next\")").click();
    assertThat(desk.locator("#angles")).containsText("Your marking error is");
    accessible(desk);
  }

  private static byte[] picture() throws IOException {
    BufferedImage image = new BufferedImage(600, 800, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = image.createGraphics();
    g.setColor(Color.LIGHT_GRAY);
    g.fillRect(0, 0, 600, 800);
    g.dispose();
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(image, "png", out);
    return out.toByteArray();
  }

  @Test
  void measuringFitsAPhoneAndTheDark() {
    Practice practice = practice();
    Client client = withGoal(practitioner(practice));
    String email = newPractitioner(practice);
    for (int width : new int[] {1280, 390}) {
      Page page = page(width, 844, ColorScheme.DARK);
      signIn(page, email, PASSWORD);
      for (String path : List.of("/measure", "/measure/history", "/measure/posture")) {
        page.navigate("/clients/" + client.getId() + path);
        accessible(page);
        assertThat(page.evaluate("() => document.documentElement.scrollWidth"))
            .as(path)
            .isEqualTo(width);
      }
    }
  }

  /** On the phone the first tap comes closer, the second marks; it stands apart from ours. */
  @Test
  void theClientMarksTheOwnMapOnThePhone() {
    Practice practice = practice();
    Me me = practitioner(practice);
    Client client = client(me);
    share(me, client, "chin-tuck", "3x5s");
    LinkService.Made made = links.make(me, client.getId());
    Page phone = phone();
    openLink(phone, "/c/" + made.token(), made.pin());
    phone.getByText("Tell how it is going").click();
    phone.waitForURL("**/me/rate");
    accessible(phone);
    phone.locator("input[name=now][value='4']").check();
    phone.getByText("Send my answers").click();
    phone.waitForURL("**/me/rate?sent");
    phone.getByText("Show where on the body").click();
    phone.waitForURL("**/me/rate/map");
    accessible(phone);
    Locator spot = phone.locator(".spot[data-area='shoulder-front'][data-side='RIGHT']");
    spot.click();
    assertThat(phone.locator("#mark")).isHidden();
    assertThat(phone.locator(".own-map-head button").first()).isVisible();
    spot.click();
    assertThat(phone.locator("#mark-title")).hasText("right front of the shoulder");
    phone.locator("#mark button[value='5']").click();
    assertThat(phone.locator(".marks")).containsText("right front of the shoulder, ache 5");
    Page desk = measuring(newPractitioner(practice), client);
    assertThat(desk.locator("#maps")).containsText("The client's own map:");
    assertThat(desk.locator(".marks li")).hasCount(0);
  }
}
