package org.biokinet.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import org.biokinet.app.access.LinkService;
import org.biokinet.app.client.Client;
import org.biokinet.app.measurement.MeasurementService;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.program.SuggestionService;
import org.biokinet.app.screening.Answers;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.measure.BodyArea;
import org.biokinet.core.measure.Measured;
import org.biokinet.core.measure.Motion;
import org.biokinet.core.measure.PainMap;
import org.biokinet.core.measure.Readings;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.DraftItem;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.screening.Irritability;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** From what was found to a program that is shared. */
class SuggestBrowserTest extends WithBrowser {

  @Autowired SuggestionService suggestions;
  @Autowired MeasurementService measurements;

  /** Tilting left is short, and the right side aches. */
  private Client measured(Me me) {
    Client client = unscreened(me);
    screenings.save(
        me,
        client.getId(),
        Answers.of(Set.of(), Set.of(), Set.of(), 5, Irritability.Settles.WITHIN_AN_HOUR, true));
    tilt(me, client, Side.LEFT, 28);
    tilt(me, client, Side.RIGHT, 41);
    measurements.save(
        me,
        client.getId(),
        new Measured.BodyMap(
            PainMap.EMPTY.with(
                new PainMap.Mark(BodyArea.TOP_OF_SHOULDER, Side.RIGHT, PainMap.Feeling.ACHE, 4))));
    return client;
  }

  private void tilt(Me me, Client client, Side side, double degrees) {
    Readings readings = new Readings(Readings.Protocol.STRICT, List.of(degrees, degrees, degrees));
    measurements.save(
        me,
        client.getId(),
        new Measured.Range(
            Motion.NECK_LATERAL_FLEXION, side, readings, Measured.Source.INCLINOMETER));
  }

  private Page planning(Page page, Practice practice, Client client) {
    signIn(page, newPractitioner(practice), PASSWORD);
    page.navigate("/clients/" + client.getId() + "/plan");
    return page;
  }

  /** On Plan, with what was suggested taken. */
  private Page suggested(Practice practice, Client client) {
    Page desk = planning(desk(), practice, client);
    desk.locator("body").press("s");
    settled(desk);
    return desk;
  }

  /** Suggest, share, and there it is: two actions. */
  @Test
  void fromFindingsToASharedProgramInTwoActions() {
    Practice practice = practice();
    Me me = practitioner(practice);
    Client client = measured(me);
    Page desk = suggested(practice, client);
    assertThat(desk.locator(".items .mark").first()).hasText("suggested");
    assertThat(desk.locator("#served")).containsText("of what was found");
    assertThat(desk.locator("#served")).containsText("Neck lateral flexion left");
    accessible(desk);
    desk.getByRole(
            AriaRole.BUTTON,
            new Page.GetByRoleOptions().setName(Pattern.compile("^Share version 1")))
        .click();
    desk.waitForURL("**/do?shared");
    assertThat(versions.all(client.getId())).hasSize(1);
  }

  /** The desk has a tab of its own: suggested and shared there, and begun on the phone. */
  @Test
  void aDeskProgramIsSuggestedSharedAndDone() {
    Practice practice = practice();
    Me me = practitioner(practice);
    Client client = measured(me);
    share(me, client, "neck-rotation", "3", "upper-trap-stretch", "1x10s");
    Page desk = planning(desk(), practice, client);
    desk.getByText("Desk program").click();
    desk.locator("body").press("s");
    settled(desk);
    assertThat(desk.locator(".items .mark").first()).hasText("suggested");
    assertThat(desk.locator("#ledger")).containsText("Both programs together");
    accessible(desk);
    desk.getByText("Share desk version 1 with").click();
    desk.waitForURL("**/do?shared");
    assertThat(desk.getByText("Desk version 1 is shared with")).isVisible();
    assertThat(drafts.state(me, client.getId(), ProgramKind.MAIN).started()).isFalse();

    LinkService.Made made = links.make(me, client.getId());
    Page phone = phone();
    openLink(phone, "/c/" + made.token(), made.pin());
    phone.getByText("At the desk").click();
    assertThat(phone.locator("h1")).hasText("Desk program");
    accessible(phone);
    phone.locator("button[name=pain][value='2']").click();
    phone.waitForURL("**/player?**program=DESK");
    phone.locator("#start").click();
    phone.locator("#end-early").click();
    phone.waitForCondition(() -> sessions.page(client.getId(), 0, 1).getTotalElements() == 1);
    assertThat(sessions.page(client.getId(), 0, 1).getContent().get(0).program())
        .isEqualTo(ProgramKind.DESK);
  }

  /** Another position or finding says what it would change, and changes nothing on record. */
  @Test
  void whatIfIsLookedAtBeforeItIsTaken() {
    Practice practice = practice();
    Me me = practitioner(practice);
    Client client = measured(me);
    Page desk = suggested(practice, client);
    desk.locator("body").press("s");
    assertThat(desk.locator("#suggestion")).containsText("The program is that already.");
    desk.getByText("What if other positions or findings counted?").click();
    desk.getByLabel("Neck lateral flexion left").uncheck();
    assertThat(desk.locator("#suggestion .changes li").first()).isVisible();
    assertThat(desk.locator("#suggestion .what-if")).containsText("(left out)");
    String seq = desk.locator("#seq").inputValue();
    desk.getByText("Take it").click();
    assertThat(desk.locator("#suggestion .changes")).hasCount(0);
    assertThat(desk.locator("#seq")).not().hasValue(seq);
    assertThat(desk.locator(".plan-findings")).containsText("tilting left");
    desk.locator("body").press("s");
    desk.getByText("What if other positions or findings counted?").click();
    Locator positions = desk.locator("#suggestion input[name=positions]:checked");
    for (int left = positions.count(); left > 0; left--) {
      assertThat(positions).hasCount(left);
      positions.first().click(); // what is checked no more is not found by that name any more
      settled(desk);
    }
    assertThat(desk.locator("#suggestion [role=alert]")).hasText("Choose at least one position.");
    assertThat(desk.locator("#suggestion .what-if[open]")).isVisible();
    accessible(desk);
  }

  /** Each row says what it is there for. */
  @Test
  void aRowSaysWhatItServes() {
    Practice practice = practice();
    Client client = measured(practitioner(practice));
    Page desk = suggested(practice, client);
    assertThat(desk.locator(".items li", named("Levator scapulae stretch")).locator(".serves"))
        .containsText("Neck lateral flexion left: lengthen right levator");
  }

  /** One undo takes the whole suggestion back, and redo brings it again. */
  @Test
  void oneUndoTakesItBack() {
    Practice practice = practice();
    Client client = measured(practitioner(practice));
    Page desk = suggested(practice, client);
    int rows = desk.locator(".items li").count();
    assertThat(rows).isGreaterThan(2);
    desk.locator("body").press("u");
    settled(desk);
    assertThat(desk.locator(".items li")).hasCount(0);
    desk.locator("body").press("r");
    settled(desk);
    assertThat(desk.locator(".items li")).hasCount(rows);
  }

  /** A row that was touched is the practitioner's own: it stays, whatever is suggested anew. */
  @Test
  void whatIsKeptStaysAndTheRestIsChosenAnew() {
    Practice practice = practice();
    Me me = practitioner(practice);
    Client client = measured(me);
    Page desk = suggested(practice, client);
    Locator levator = desk.locator(".items li", named("Levator scapulae stretch"));
    levator.focus();
    levator.press("p");
    settled(desk);
    assertThat(desk.locator(".items li", named("Levator scapulae stretch")).locator(".mark"))
        .hasCount(0);
    desk.locator("body").press("s");
    Locator minutes = desk.locator("#suggestion input[name=minutes]");
    minutes.fill("3");
    minutes.press("Tab");
    assertThat(desk.locator("#suggestion .curve-bar.now")).hasText("3");
    assertThat(desk.locator("#suggestion .changes")).containsText("− ");
    assertThat(desk.locator("#suggestion .changes")).not().containsText("− Levator");
    desk.getByText("Take it").click();
    settled(desk);
    assertThat(desk.locator(".items li", named("Levator scapulae stretch"))).hasCount(1);
    assertThat(desk.locator("#total")).hasText(Pattern.compile("[0-2]:\\d\\d|3:00"));
  }

  private static Page.LocatorOptions named(String name) {
    return new Page.LocatorOptions().setHasText(name);
  }

  /** Others for a place are offered with what they change; taking one changes that row alone. */
  @Test
  void anotherTakesThePlaceOfARow() {
    Practice practice = practice();
    Me me = practitioner(practice);
    Client client = measured(me);
    Page desk = suggested(practice, client);
    List<String> before = exercises(me, client);
    Locator row = desk.locator(".items li", named("Levator scapulae stretch"));
    row.focus();
    row.press("o");
    Locator others = desk.locator(".others-list button");
    assertThat(others.first()).isVisible();
    assertThat(others.count()).isBetween(1, 3);
    assertThat(desk.locator(".others-list").first()).containsText("s");
    others.first().click();
    settled(desk);
    List<String> after = exercises(me, client);
    assertThat(after).hasSameSizeAs(before).doesNotContain("levator-stretch");
    before.remove("levator-stretch");
    assertThat(after).containsAll(before);
  }

  private List<String> exercises(Me me, Client client) {
    return new ArrayList<>(
        drafts.state(me, client.getId(), ProgramKind.MAIN).draft().items().stream()
            .map(DraftItem::exercise)
            .toList());
  }

  /** What a client does already and may do stays as it is; the new finding is served beside it. */
  @Test
  void aProgramInForceIsChangedAsLittleAsCanBe() {
    Me me = practitioner();
    Client client = measured(me);
    share(me, client, "neck-lateral-flexion", "5", "upper-trap-stretch", "2x20s");
    SuggestionService.Answer answer =
        suggestions.propose(
            drafts.state(me, client.getId(), ProgramKind.MAIN), SuggestionService.WhatIf.NOTHING);
    SuggestionService.Answer.Proposal p = (SuggestionService.Answer.Proposal) answer;
    assertThat(((DraftEdit.Suggest) p.edit()).items())
        .extracting(DraftItem::exercise, DraftItem::dose)
        .contains(tuple("neck-lateral-flexion", "5"), tuple("upper-trap-stretch", "2x20s"));
    assertThat(p.changes()).isNotEmpty().allMatch(c -> c.startsWith("+ "));
  }

  /** What the client disliked goes, and does not come back until it is allowed again. */
  @Test
  void whatWasDislikedIsNotSuggestedAgain() {
    Practice practice = practice();
    Me me = practitioner(practice);
    Client client = measured(me);
    Page desk = suggested(practice, client);
    Locator row = desk.locator(".items li", named("Levator scapulae stretch"));
    row.focus();
    row.locator("select[name=reason]").selectOption("disliked");
    settled(desk);
    assertThat(desk.locator(".items li", named("Levator scapulae stretch"))).hasCount(0);
    desk.locator("body").press("s");
    assertThat(desk.locator("#suggestion h2")).isVisible();
    assertThat(desk.locator("#suggestion")).not().containsText("+ Levator scapulae stretch");
    desk.getByText("allow again").click();
    settled(desk);
    desk.locator("body").press("s");
    assertThat(desk.locator("#suggestion .changes")).containsText("+ Levator scapulae stretch");
  }

  /** A practice that counts in breaths gets breaths, and no more exercises than it wants. */
  @Test
  void thePracticesLikingIsFollowed() {
    Practice practice = practice();
    Me me = practitioner(practice);
    Client client = measured(me);
    Page desk = planning(desk(), practice, client);
    desk.navigate("/settings");
    desk.getByLabel("Stretches are counted").selectOption("in breaths");
    desk.getByLabel("Exercises in a program, at most").fill("20");
    desk.getByText("Save what is liked").click();
    assertThat(desk.locator("#most-error")).hasText("A whole number, 1 to 12.");
    assertThat(desk.getByLabel("Stretches are counted")).hasValue("BREATHS");
    complaints.removeIf(c -> c.contains("status of 422"));
    desk.getByLabel("Exercises in a program, at most").fill("2");
    desk.getByText("Save what is liked").click();
    assertThat(desk.locator("#suggested .notice")).isVisible();
    accessible(desk);
    desk.navigate("/clients/" + client.getId() + "/plan");
    desk.locator("body").press("s");
    settled(desk);
    assertThat(drafts.state(me, client.getId(), ProgramKind.MAIN).draft().items())
        .hasSize(2)
        .anyMatch(i -> i.dose().equals("2x3br"));
  }

  /** Nothing of the practitioner's own is lost: one exercise twice, and a dose not readable yet. */
  @Test
  void rowsOfOnesOwnStayWhateverTheyAre() {
    Me me = practitioner();
    Client client = measured(me);
    drafts.edit(
        me, client.getId(), ProgramKind.MAIN, 0, new DraftEdit.Add("a", "chin-tuck", "3x10s"));
    drafts.edit(
        me, client.getId(), ProgramKind.MAIN, 1, new DraftEdit.Add("b", "chin-tuck", "2x5s"));
    drafts.edit(
        me,
        client.getId(),
        ProgramKind.MAIN,
        2,
        new DraftEdit.Add("c", "upper-trap-stretch", "3x20"));
    SuggestionService.Answer.Proposal p =
        (SuggestionService.Answer.Proposal)
            suggestions.propose(
                drafts.state(me, client.getId(), ProgramKind.MAIN),
                SuggestionService.WhatIf.NOTHING);
    assertThat(((DraftEdit.Suggest) p.edit()).items())
        .filteredOn(i -> !i.suggested())
        .extracting(DraftItem::key, DraftItem::dose)
        .containsExactlyInAnyOrder(tuple("a", "3x10s"), tuple("b", "2x5s"), tuple("c", "3x20"));
  }

  /** Past a closed gate nothing is suggested, and the page says why. */
  @Test
  void nothingIsSuggestedPastAClosedGate() {
    Me me = practitioner();
    Client client = unscreened(me);
    tilt(me, client, Side.LEFT, 28);
    tilt(me, client, Side.RIGHT, 41);
    SuggestionService.Answer answer =
        suggestions.propose(
            drafts.state(me, client.getId(), ProgramKind.MAIN), SuggestionService.WhatIf.NOTHING);
    assertThat(((SuggestionService.Answer.Not) answer).why()).startsWith("The gate is closed");
  }

  /** What the screening has come to lock is not kept for having been there. */
  @Test
  void whatIsLockedNowIsLeftOutWithItsReason() {
    Me me = practitioner();
    Client client = measured(me);
    share(me, client, "neck-lateral-flexion", "5", "upper-trap-stretch", "2x20s");
    screen(me, client, Set.of(), Set.of(), Set.of("dizziness"));
    SuggestionService.Answer.Proposal p =
        (SuggestionService.Answer.Proposal)
            suggestions.propose(
                drafts.state(me, client.getId(), ProgramKind.MAIN),
                SuggestionService.WhatIf.NOTHING);
    assertThat(p.suggestion().left()).anyMatch(line -> line.contains("dizziness on neck movement"));
    assertThat(p.changes()).anyMatch(c -> c.startsWith("− "));
  }

  @Test
  void itIsUsableOnAPhone() {
    Practice practice = practice();
    Client client = measured(practitioner(practice));
    Page phone = planning(phone(), practice, client);
    phone.getByText(Pattern.compile("^Suggest a main program")).click();
    settled(phone);
    assertThat(phone.locator("#served")).containsText("of what was found");
    phone.locator("button[data-key=s]").click();
    assertThat(phone.locator("#suggestion .curve")).isVisible();
    Object wide =
        phone.evaluate(
            "document.documentElement.scrollWidth > document.documentElement.clientWidth");
    assertThat(wide).isEqualTo(false);
    accessible(phone);
  }
}
