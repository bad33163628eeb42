package org.biokinet.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.util.regex.Pattern;
import org.biokinet.app.practice.Practice;
import org.junit.jupiter.api.Test;

/** The library in a real browser: found by typing, read on both sides, written with the palette. */
class LibraryBrowserTest extends WithBrowser {

  private Page signedIn(Page page) {
    Practice practice = practice();
    signIn(page, newPractitioner(practice), PASSWORD);
    return page;
  }

  @Test
  void findReadAndCompareWithTheKeyboardAlone() {
    Page desk = signedIn(desk());
    desk.keyboard().press("l");
    desk.waitForURL("**/library");
    accessible(desk);
    desk.keyboard().type("can't kneel, back of neck");
    assertThat(desk.locator("#found-list")).containsText("left out what needs: kneeling");
    settled(desk);
    desk.keyboard().press("ArrowDown");
    assertThat(desk.locator("[data-row]").first()).isFocused();
    desk.keyboard().press("Enter");
    desk.waitForURL("**/library/*");
    accessible(desk);
    desk.goBack();
    assertThat(desk.getByLabel("Search the library")).hasValue("can't kneel, back of neck");

    desk.navigate("/library/upper-trap-stretch");
    assertThat(desk.locator(".about-axis .differ").first()).containsText("Tilt right");
    assertThat(desk.locator(".about-axis .differ").first()).containsText("Tilt left");
    // The figure on both sides, here still; from another side it is another drawing.
    assertThat(desk.locator(".rests .fig-tissue-left")).isVisible();
    assertThat(desk.locator(".rests .fig-tissue-right")).isVisible();
    assertThat(desk.locator("#figure")).containsText("upper trapezius +");
    desk.locator(".views button").filter(new Locator.FilterOptions().setHasText("back")).click();
    assertThat(desk.locator(".views [aria-pressed=true]")).hasText("back");
    settled(desk);
    desk.getByLabel("on a chair").uncheck();
    assertThat(desk.locator("#instead li").first()).containsText("standing");
    settled(desk);
    desk.getByLabel("Compare with").fill("levator nose knee");
    desk.locator("#others a").first().click();
    desk.waitForURL("**/compare?a=upper-trap-stretch&b=levator-stretch");
    accessible(desk);
  }

  @Test
  void writeAnExerciseForOneSideAndSeeTheOther() {
    Page desk = signedIn(page(1280, 800, ColorScheme.DARK));
    desk.navigate("/library");
    desk.keyboard().press("Escape");
    desk.locator("main a.button").click();
    desk.waitForURL("**/new");
    accessible(desk);
    desk.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Seated side bend");
    desk.locator("#moves").selectOption("away");
    desk.locator("#move").fill("Lean {way}");
    desk.locator("#setup").fill("Sit tall, feet flat.");
    desk.locator("#how").fill("Reach the left arm up.");
    assertThat(desk.locator("#problem-how")).containsText("“left” would be wrong");
    assertThat(desk.locator("#preview")).containsText("Lean right");
    assertThat(desk.locator("#preview")).containsText("Lean left");
    // A fault stays until it is mended, and saving keeps what was typed.
    desk.locator("main .button.primary").click();
    assertThat(desk.locator(".notice.bad")).containsText("Not saved");
    assertThat(desk.locator("#how")).hasValue("Reach the left arm up.");
    complaints.removeIf(c -> c.contains("422"));
    accessible(desk);

    desk.locator("#how").fill("Reach the");
    desk.locator("#how").press("End");
    desk.locator("[data-insert='{side}']").click();
    desk.keyboard().type(" arm up. Lean as you breathe out.");
    assertThat(desk.locator("#how")).hasValue("Reach the {side} arm up. Lean as you breathe out.");
    assertThat(desk.locator("#problem-how")).isEmpty();
    desk.locator("#feel").fill("Feel it along the {side} ribs.");
    desk.locator("#not").fill("No pinch in the lower back.");
    desk.locator("#fault-1").fill("The trunk turns.");
    desk.getByLabel("Mend of fault 1").fill("Look straight ahead.");
    desk.locator("#out").fill("Come up slowly.");
    desk.locator("#targets").selectOption("lats");
    desk.locator("#group").selectOption("trunk");
    desk.locator("main .button.primary").click();
    desk.waitForURL("**/library/own-seated-side-bend?saved");
    assertThat(desk.locator(".about-axis"))
        .containsText("Reach the right arm up. Lean as you breathe out.");
    assertThat(desk.locator(".about-axis")).containsText("The trunk turns: look straight ahead.");
    accessible(desk);
    desk.getByText("Retire").click();
    assertThat(desk.locator("main")).containsText("Not offered for new programs");
  }

  /** Sliders pose the figure; a wrong side is said before it is saved, and refused. */
  @Test
  void poseAFigureAndBeToldWhenTheSideIsWrong() {
    Page desk = signedIn(desk());
    desk.navigate("/library/neck-lateral-flexion/copy");
    desk.locator("#name").fill("Slow side tilt");
    desk.locator("details.picture summary").first().click();
    desk.getByText("Pose a figure").click();
    assertThat(desk.locator("#posed-figure svg.figure")).hasCount(2);
    accessible(desk);
    Locator tilt = desk.locator("input[name='angle-neck-tilt']");
    assertThat(tilt).hasValue("26");
    // The left end of the slider is the client's left.
    tilt.press("ArrowLeft");
    assertThat(tilt).hasValue("27");
    assertThat(desk.locator("#posed")).hasValue(Pattern.compile(".*neck tilt 27.*"));
    String before = desk.locator("#posed-figure svg.figure").first().innerHTML();
    tilt.evaluate("e => { e.value = -20; e.dispatchEvent(new Event('input', {bubbles: true})); }");
    assertThat(desk.locator("#problem-posed")).containsText("the words go to the");
    assertThat(desk.locator("#posed-figure svg.figure").first().innerHTML()).isNotEqualTo(before);
    desk.locator("main .button.primary").click();
    assertThat(desk.locator(".notice.bad")).containsText("Picture");
    complaints.removeIf(c -> c.contains("422"));
    // It is as it was left, and every pose can be seen, added and taken away.
    assertThat(desk.locator("input[name='angle-neck-tilt']")).hasValue("-20");
    Locator poses = desk.locator(".pose-bar [aria-pressed]");
    desk.getByText("add a pose").click();
    assertThat(poses).hasCount(3);
    desk.getByText("remove this one").click();
    assertThat(poses).hasCount(2);
    poses.first().click();
    assertThat(desk.locator("input[name='angle-neck-tilt']")).hasValue("0");
    poses.last().click();
    Locator again = desk.locator("input[name='angle-neck-tilt']");
    assertThat(again).hasValue("-20");
    again.evaluate("e => { e.value = 22; e.dispatchEvent(new Event('input', {bubbles: true})); }");
    assertThat(desk.locator("#problem-posed")).isEmpty();
    desk.locator("main .button.primary").click();
    desk.waitForURL("**/library/own-slow-side-tilt?saved");
    assertThat(desk.locator("#figure .rests svg.figure")).hasCount(2);
  }

  @Test
  void nothingBreaksOnANarrowScreen() {
    Page phone = signedIn(phone());
    for (String path :
        new String[] {"/library", "/library/levator-stretch-hand-on-shoulder", "/library/new"}) {
      phone.navigate(path);
      assertThat((Integer) phone.evaluate("document.documentElement.scrollWidth"))
          .as(path)
          .isLessThanOrEqualTo(390);
      assertThat(phone.locator("h1")).isVisible();
    }
    Locator rows = phone.locator("[data-row]");
    phone.navigate("/library?q=levator");
    assertThat(rows.first()).isVisible();
  }
}
