package org.biokinet.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Clock;
import com.microsoft.playwright.FrameLocator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.biokinet.app.access.LinkService;
import org.biokinet.app.client.Client;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.workday.DayPlans;
import org.biokinet.app.workday.PlannedDay;
import org.biokinet.app.workday.WorkdayService;
import org.biokinet.core.calendar.Span;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.session.Session;
import org.biokinet.core.workday.Busy;
import org.biokinet.core.workday.Hours;
import org.biokinet.core.workday.SoFar;
import org.biokinet.core.workday.TimeOfDay;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** A morning at the desk: the page that counts down, and the day to scale. */
class WorkdayBrowserTest extends WithBrowser {

  private static final LocalDate DAY = LocalDate.of(2027, 3, 10);

  @Autowired private WorkdayService workdays;
  @Autowired private DayPlans plans;

  private Me me;
  private Client client;
  private Page page;

  @BeforeEach
  void works() {
    clock.moveTo(at("08:59"));
    me = practitioner();
    client = client(me);
    share(me, client, "chin-tuck", "3x10s", "upper-trap-stretch", "2x15s");
    workdays.say(
        asClient(client),
        new WorkdayService.Usual(
            Stream.of(DayOfWeek.values())
                .map(d -> new Hours(d, new TimeOfDay(LocalTime.of(9, 0), LocalTime.of(12, 0))))
                .toList(),
            List.of(),
            List.of(LocalTime.of(18, 0)),
            240,
            "",
            /* titles= */ false));
    LinkService.Made made = links.make(me, client.getId());
    page = desk();
    page.clock().install(new Clock.InstallOptions().setTime(clock.millis()));
    openLink(page, "/c/" + made.token(), made.pin());
  }

  private static Instant at(String time) {
    return DAY.atTime(LocalTime.parse(time)).atZone(LISBON).toInstant();
  }

  /** The clock on the wall, for the page and for the server; for the page it stands still then. */
  private void until(String time) {
    clock.moveTo(at(time));
    page.clock().pauseAt(at(time).toEpochMilli());
  }

  /** Whoever looks needs time that goes on. */
  private void accessibleNow() {
    page.clock().resume();
    accessible(page);
  }

  /** What is left on the page, but for the seconds that it took to load. */
  private void left(String minutesAndSeconds) {
    assertThat(page.locator("#clock")).hasText(Pattern.compile(minutesAndSeconds));
  }

  private PlannedDay day() {
    return plans.plan(client, DAY, DAY).get(0);
  }

  private void shown(String id) {
    for (String each : List.of("waits", "asks", "runs", "does")) {
      assertThat(page.locator("#" + each)).isVisible(visible(each.equals(id)));
    }
  }

  private static LocatorAssertions.IsVisibleOptions visible(boolean is) {
    return new LocatorAssertions.IsVisibleOptions().setVisible(is);
  }

  private void press(String name) {
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true))
        .click();
  }

  @Test
  void aMorningAtTheDesk() {
    page.navigate("/me/desk");
    // Planned for 09:44.
    until("09:04");
    left("40:[0-2].");
    accessibleNow();
    until("09:44:20");
    shown("asks");
    assertThat(page.locator("#take")).isFocused();
    assertThat(page).hasTitle("Stand up for a moment");
    accessibleNow();
    until("09:44:40");
    press("In 5 minutes");
    shown("waits");
    assertThat(page).hasTitle("At the desk");
    // 09:49:40 is in the minute before 09:50.
    left("5:[23].");
    until("09:50:20");
    shown("asks");
    page.keyboard().press("Enter");
    shown("runs");
    assertThat(page.locator("#tally")).hasText("1 of 3 breaks today");
    accessibleNow();
    until("09:50:50");
    assertThat(page.locator("#look")).hasText("0");
    press("Back to the desk");
    shown("waits");
    left("39:[0-3]."); // to 10:30
    // Nobody answers: no word about that, only the next one.
    until("10:30:20");
    shown("asks");
    until("10:35:20");
    shown("waits");
    left("10:[3-5]."); // ten minutes after that, at 10:46
    assertThat(day().breaks())
        .extracting(PlannedDay.Break::state)
        .startsWith(SoFar.State.NOT_HAD, SoFar.State.DONE, SoFar.State.NOT_HAD, SoFar.State.COMING);
  }

  /** A page that is never closed hears of a meeting that came, and of the next morning. */
  @Test
  void aPageThatStaysOpenGoesOn() {
    page.navigate("/me/desk");
    until("09:10");
    left("34:[0-2].");
    workdays.put(asClient(client), new Busy(new Span(at("09:30"), at("10:00")), Busy.Kind.HARD));
    until("09:16");
    left("1[0-3]:[0-5].");
    until("13:00");
    assertThat(page.locator("#none")).isVisible();
    Instant morning = at("09:10").plus(Duration.ofDays(1));
    clock.moveTo(morning);
    page.clock().pauseAt(morning.toEpochMilli());
    left("34:[0-2].");
  }

  /** A break that stands right before a meeting cannot wait: later is not offered. */
  @Test
  void whatCannotBePutOffIsNot() {
    Span meeting = new Span(at("09:46"), at("10:30"));
    workdays.put(asClient(client), new Busy(meeting, Busy.Kind.HARD));
    assertThat(day().breaks().get(0).span()).isEqualTo(new Span(at("09:44"), at("09:46")));
    page.navigate("/me/desk");
    until("09:44:20");
    shown("asks");
    assertThat(page.locator("#later")).isHidden();
    assertThat(page.locator("#take")).isVisible();
    // What it told was heard: it asks then what comes next.
    page.waitForResponse("**/me/desk/plan", () -> press("Not this one"));
    shown("waits");
    assertThat(day().breaks().get(0).state()).isEqualTo(SoFar.State.NOT_HAD);
  }

  /** The desk program is done in the middle of the page, each time with an answer of its own. */
  @Test
  void theDeskProgramRunsInPlace() {
    tryToShare(me, client, ProgramKind.DESK, "neck-rotation", "3");
    page.navigate("/me/desk");
    for (int times = 1; times <= 2; times++) {
      until("09:1" + times);
      press("I am having one now");
      page.locator("#begin button[value='2']").click();
      shown("does");
      FrameLocator program = page.frameLocator("#program");
      assertThat(program.locator("#panel-ready")).isVisible();
      assertThat(program.locator("#panel-ready").getByText("Back to today")).isHidden();
      accessibleNow();
      program.locator("#start").click();
      assertThat(program.locator("#panel-running")).isVisible();
      program.locator("#end-early").click();
      program.locator("input[name=highestPain][value='2']").dispatchEvent("click");
      program.locator("input[name=stretchFelt][value='3']").dispatchEvent("click");
      program.locator("#answers button.primary").click();
      program.getByText("Back to the desk page").click();
      shown("waits");
      assertThat(page).hasURL(Pattern.compile("/me/desk$"));
      assertThat(page.locator("#program").contentFrame().locator("main")).hasCount(0);
    }
    assertThat(sessions.since(client.getId(), DAY))
        .extracting(Session::program)
        .containsExactly(ProgramKind.DESK, ProgramKind.DESK);
  }

  @Test
  void withoutANetworkItGoesOnAndTellsLater() {
    page.navigate("/me/desk");
    until("09:10");
    left("34:[0-2].");
    network(page, false);
    until("09:44:20");
    shown("asks");
    press("Now");
    press("Back to the desk");
    left("45:[3-5]."); // 10:30, as it was planned last
    assertThat(day().had()).isZero();
    network(page, true);
    assertThat(page.locator("#tally")).hasText("1 of 3 breaks today");
    assertThat(day().breaks().get(0).state()).isEqualTo(SoFar.State.DONE);
  }

  /** The interval stands beside the desk program, and keeping it leaves the rest where it is. */
  @Test
  void thePractitionerSetsTheIntervalInPlan() {
    Practice practice = practice();
    String email = newPractitioner(practice);
    Me me = accounts.find(email).orElseThrow();
    Client theirs = client(me);
    Page desk = desk();
    signIn(desk, email, PASSWORD);
    desk.navigate("/clients/%s/plan?program=DESK".formatted(theirs.getId()));
    desk.getByLabel("min of sitting").fill("30");
    desk.getByLabel("up to").press("Enter");
    assertThat(desk.locator(".desk-breaks")).containsText("Kept");
    assertThat(desk.locator("#add")).isVisible();
    assertThat(workdays.wish(theirs.getId()).preferred()).isEqualTo(30);
    accessible(desk);
    desk.getByLabel("min of sitting").fill("20");
    desk.getByLabel("min of sitting").press("Enter");
    assertThat(desk.locator(".desk-breaks .field-error")).hasText("interval: 30 to 60");
    assertThat(desk.getByLabel("min of sitting")).hasValue("20");
    complaints.removeIf(c -> c.contains("422")); // said on purpose
  }

  @Test
  void aMeetingIsDrawnOverTheDay() {
    page.navigate("/me/day");
    BoundingBox strip = page.locator(".day-strip").boundingBox();
    // From nine in the morning to a quarter past six: 09:30 to 11:00 of it.
    double minutes = Double.parseDouble(page.locator(".day-strip").getAttribute("data-minutes"));
    assertThat(minutes).isEqualTo(600);
    page.mouse().move(strip.x + strip.width * 30 / minutes, strip.y + 20);
    page.mouse().down();
    page.mouse().move(strip.x + strip.width * 120 / minutes, strip.y + 20);
    page.mouse().up();
    assertThat(page.locator("#busy-from")).hasValue("09:30");
    assertThat(page.locator("#busy-until")).hasValue("11:00");
    accessible(page);
    press("Add it");
    page.waitForURL("**/me/day?on=2027-03-10");
    assertThat(page.locator(".day-lines")).containsText("09:30–11:00");
    assertThat(page.locator(".notice")).containsText("09:30–11:00 booked: longest sitting");
    assertThat(workdays.held(client.getId(), at("00:00"), at("23:00")))
        .extracting(h -> h.busy().kind())
        .containsExactly(Busy.Kind.HARD);
    press("Take it away");
    assertThat(page.locator(".day-lines")).not().containsText("09:30–11:00");
  }
}
