package org.biokinet.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.ReducedMotion;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.biokinet.app.access.LinkService;
import org.biokinet.app.client.Client;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.cli.Main;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.program.ProgramDocument;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.session.CheckIn;
import org.biokinet.core.session.Eased;
import org.biokinet.core.session.Ended;
import org.biokinet.core.session.ItemSide;
import org.biokinet.core.session.Pressed;
import org.biokinet.core.session.Session;
import org.biokinet.core.session.SkipReason;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A session by ear alone, with the browser's clock held: what is said, sounded, seen and kept. */
class PlayerTest extends WithBrowser {

  private static final ObjectMapper JSON = new ObjectMapper();

  /** How much waits on a device to be sent. */
  static final String WAITING =
      "() => new Promise(answer => { indexedDB.open('biokinet').onsuccess = open => { open.target"
          + ".result.transaction('waiting').objectStore('waiting').count().onsuccess = count =>"
          + " answer(count.target.result); }; })";

  @TempDir Path folder;

  private record Ready(Client client, Page phone) {}

  /** A client before Start, with time held. */
  private Ready ready(String... items) {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, items);
    LinkService.Made made = links.make(me, client.getId());
    Page phone = phone();
    phone.clock().install();
    openLink(phone, "/c/" + made.token(), made.pin());
    phone.getByText("2", new Page.GetByTextOptions().setExact(true)).click();
    phone.waitForURL("**/player?**");
    holdTime(phone);
    return new Ready(client, phone);
  }

  private static void start(Page phone) {
    phone.locator("#start").click();
    assertThat(phone.locator("#panel-running")).isVisible();
  }

  private record Heard(double at, String what) {}

  private static List<Heard> log(Page phone) {
    List<?> lines =
        (List<?>)
            phone.evaluate(
                "() => [...document.querySelectorAll('#cue-log li')]"
                    + ".map(l => l.dataset.at + '|' + (l.dataset.tone || l.textContent))");
    return lines.stream()
        .map(l -> String.valueOf(l).split("\\|", 2))
        .map(l -> new Heard(Double.parseDouble(l[0]), l[1]))
        .toList();
  }

  /**
   * One step less on the left, from the middle of its first hold: 20 of 30 s (the ladder of the
   * handbook, section 10), with its last seconds and its way out; the right stays as it was.
   */
  @Test
  void easierIsOneStepLessOnThatSideAndIsSaid() {
    Ready r = ready("upper-trap-stretch", "2x30s @3");
    start(r.phone());
    r.phone().clock().runFor(14_000);
    assertThat(r.phone().locator("#player")).hasAttribute("data-side", "LEFT");
    r.phone().locator("#easier").click();
    assertThat(r.phone().locator("#easier")).hasAttribute("aria-pressed", "true");
    r.phone().clock().runFor(180_000);
    assertThat(r.phone().locator("#panel-after")).isVisible();
    assertThat(log(r.phone()).stream().filter(h -> h.what().equals("LAST"))).hasSize(12);
    assertThat(r.phone().locator("#panel-after [data-outcome]")).hasText("Sent.");
    Session session = sessions.last(r.client().getId()).orElseThrow();
    assertThat(session.eased())
        .containsExactly(new Eased(new ItemSide(0, Optional.of(Side.LEFT)), Optional.empty()));
    assertThat(session.stretchSeconds(Side.LEFT)).isEqualTo(40);
    assertThat(session.stretchSeconds(Side.RIGHT)).isEqualTo(60);
    // Pain up by two: where is asked, of what was done; and what was felt above the ceiling.
    r.phone().locator("label:has([name=highestPain][value='4'])").click();
    r.phone().locator("#provoked label[data-part='0L']").click();
    r.phone().locator("label:has([name=stretchFelt][value='5'])").click();
    r.phone().locator("#too-strong-where label[data-part='0R']").click();
    r.phone().clock().resume();
    accessible(r.phone());
    r.phone().locator("#answers .primary").click();
    assertThat(r.phone().locator("#panel-saved [data-outcome]")).hasText("Sent.");
    CheckIn said = sessions.last(r.client().getId()).flatMap(Session::checkIn).orElseThrow();
    assertThat(said.provoked()).containsExactly(new ItemSide(0, Optional.of(Side.LEFT)));
    assertThat(said.tooStrong()).containsExactly(new ItemSide(0, Optional.of(Side.RIGHT)));
  }

  /** What both sides do at once can have been felt on one. */
  @Test
  void aStretchOfBothSidesMayHurtOnOne() {
    Ready r = ready("overhead-triceps-both", "1x15s @3");
    start(r.phone());
    r.phone().clock().runFor(60_000);
    assertThat(r.phone().locator("#panel-after [data-outcome]")).hasText("Sent.");
    r.phone().locator("label:has([name=highestPain][value='4'])").click();
    assertThat(r.phone().locator("#provoked label:visible")).hasCount(3);
    r.phone().locator("#provoked label[data-part='0R']").click();
    r.phone().locator("label:has([name=stretchFelt][value='3'])").click();
    assertThat(r.phone().locator("#too-strong-where")).isHidden();
    r.phone().locator("#answers .primary").click();
    assertThat(r.phone().locator("#panel-saved [data-outcome]")).hasText("Sent.");
    CheckIn said = sessions.last(r.client().getId()).flatMap(Session::checkIn).orElseThrow();
    assertThat(said.provoked()).containsExactly(new ItemSide(0, Optional.of(Side.RIGHT)));
  }

  /**
   * At the foot of the ladder there is no smaller dose: the easier form takes the place of the left
   * side, with its own name and count, and the right is done as it was written.
   */
  @Test
  void whereNoDoseIsSmallerAnEasierFormTakesItsPlace() {
    Ready r = ready("upper-trap-stretch", "1x15s @3");
    start(r.phone());
    r.phone().clock().runFor(14_000);
    assertThat(r.phone().locator("#player")).hasAttribute("data-side", "LEFT");
    r.phone().locator("#easier").click();
    assertThat(r.phone().locator("#exercise")).hasText("Active neck lateral flexion");
    assertThat(r.phone().locator("#headline")).containsText("Come back slowly");
    r.phone().clock().runFor(15_000);
    assertThat(r.phone().locator("#player")).hasAttribute("data-side", "LEFT");
    assertThat(r.phone().locator("#rep")).containsText("of 3 on the left");
    assertThat(r.phone().locator(".picture:visible"))
        .hasAttribute("data-instead", "neck-lateral-flexion");
    r.phone().clock().runFor(180_000);
    assertThat(r.phone().locator("#panel-after")).isVisible();
    List<String> heard = log(r.phone()).stream().map(Heard::what).toList();
    assertThat(heard.stream().filter(h -> h.equals("END"))).hasSize(1);
    assertThat(heard)
        .containsSubsequence(
            "Come back slowly. Something easier in its place.",
            "Next: Active neck lateral flexion. Grow tall, both shoulders low.",
            "3. Tilt right.")
        .filteredOn(h -> h.contains("left hand"))
        .as("the other side is got ready for")
        .isNotEmpty();
    assertThat(r.phone().locator("#skipped")).isHidden();
    assertThat(r.phone().locator("#panel-after [data-outcome]")).hasText("Sent.");
    Session session = sessions.last(r.client().getId()).orElseThrow();
    assertThat(session.ended()).isEqualTo(Ended.FINISHED);
    assertThat(session.eased())
        .containsExactly(
            new Eased(
                new ItemSide(0, Optional.of(Side.LEFT)), Optional.of("neck-lateral-flexion")));
    assertThat(session.stretchSeconds(Side.LEFT)).isLessThan(15);
    assertThat(session.stretchSeconds(Side.RIGHT)).isEqualTo(15);
  }

  /** "Too strong" is told of the item and the side, even where nothing is answered afterwards. */
  @Test
  void whatWasTooStrongIsToldOfItsSide() {
    Ready r = ready("upper-trap-stretch", "1x15s @3", "chin-tuck", "2x5s");
    start(r.phone());
    r.phone().clock().runFor(14_000);
    assertThat(r.phone().locator("#player")).hasAttribute("data-side", "LEFT");
    r.phone().locator("#something-wrong").click();
    r.phone().locator("#too-strong").click();
    r.phone().clock().runFor(90_000);
    assertThat(r.phone().locator("#panel-after")).isVisible();
    assertThat(r.phone().locator("#panel-after [data-outcome]")).hasText("Sent.");
    Session session = sessions.last(r.client().getId()).orElseThrow();
    ItemSide left = new ItemSide(0, Optional.of(Side.LEFT));
    assertThat(session.pressed())
        .extracting(Pressed::what, Pressed::part)
        .containsExactly(tuple(Pressed.What.TOO_STRONG, left));
    assertThat(session.tooStrong()).containsExactly(left);
    assertThat(session.checkIn()).isEmpty();
    // Ticked already, and nothing else is asked about.
    assertThat(r.phone().locator("#too-strong-where label:visible")).hasCount(1);
    assertThat(r.phone().locator("#too-strong-where [value='0L']")).isChecked();
  }

  /**
   * Without motion the pose is marked that is moved to: out, and in again within one repetition.
   */
  @Test
  void withoutMotionTheWayOutAndBackIsMarked() {
    Page phone = ready("neck-rotation", "1x3").phone();
    start(phone);
    Locator poses = phone.locator(".picture:not([hidden]) .pose");
    for (int i = 0; i < 40 && !phone.locator("#headline").innerText().startsWith("Turn"); i++) {
      phone.clock().runFor(500);
    }
    assertThat(phone.locator("#headline")).containsText("Turn");
    phone.clock().runFor(500);
    assertThat(poses.nth(1)).hasAttribute("data-now", "");
    phone.clock().runFor(2_000);
    assertThat(poses.nth(0)).hasAttribute("data-now", "");
    assertThat(phone.locator("#headline")).containsText("Turn");
  }

  /** On and back are told of what was being done then, at its second, in their order. */
  @Test
  void whatWasPressedIsToldOfItsItemAndSide() {
    Ready r = ready("upper-trap-stretch", "1x15s @3", "chin-tuck", "2x5s");
    start(r.phone());
    r.phone().clock().runFor(14_000);
    r.phone().locator("#skip").click();
    r.phone().clock().runFor(12_000);
    assertThat(r.phone().locator("#exercise")).hasText("Chin tuck");
    r.phone().locator("#back").click();
    r.phone().clock().runFor(120_000);
    assertThat(r.phone().locator("#panel-after [data-outcome]")).hasText("Sent.");
    List<Pressed> pressed = sessions.last(r.client().getId()).orElseThrow().pressed();
    assertThat(pressed)
        .extracting(Pressed::what, Pressed::part)
        .containsExactly(
            tuple(Pressed.What.SKIP, new ItemSide(0, Optional.of(Side.LEFT))),
            tuple(Pressed.What.BACK, new ItemSide(1, Optional.empty())));
    assertThat(pressed.get(0).second()).isEqualTo(14);
    assertThat(pressed.get(1).second()).isGreaterThan(14);
  }

  /** As the client sees it, ten times as quick; and nothing of it is left anywhere. */
  @Test
  void aPreviewLeavesNoTraces() {
    Practice practice = practice();
    String email = newPractitioner(practice);
    Me me = accounts.find(email).orElseThrow();
    Client client = client(practitioner(practice));
    share(me, client, "upper-trap-stretch", "2x15s @3");
    Page desk = desk();
    signIn(desk, email, PASSWORD);
    desk.clock().install();
    desk.navigate("/clients/" + client.getId() + "/player");
    holdTime(desk);
    desk.locator(".preview select").selectOption("10");
    start(desk);
    desk.clock().runFor(5_000);
    assertThat(desk.locator("#player")).hasAttribute("data-side", "RIGHT");
    desk.clock().runFor(8_000);
    assertThat(desk.locator("#panel-after")).isVisible();
    desk.locator("label:has([name=highestPain][value='9'])").click();
    desk.locator("#answers .primary").click();
    assertThat(desk.locator("#panel-saved")).isVisible();
    assertThat(sessions.last(client.getId())).isEmpty();
    assertThat(clients.matters(client.getId())).isEmpty();
    desk.locator("#panel-saved a.primary").click();
    desk.waitForURL("**/do");
    desk.clock().resume();
    assertThat(desk.evaluate(WAITING)).isEqualTo(0);
    assertThat(desk.evaluate("Object.keys(localStorage).filter(k => k.includes('session')).length"))
        .isEqualTo(0);
  }

  /** What was left out is asked about in one tap, and only that. */
  @Test
  void whatWasSkippedIsAskedAbout() {
    Ready r = ready("chin-tuck", "2x8s", "neck-rotation", "2");
    start(r.phone());
    r.phone().clock().runFor(1_000);
    r.phone().locator("#skip").click();
    r.phone().clock().runFor(60_000);
    assertThat(r.phone().locator("#panel-after")).isVisible();
    assertThat(r.phone().locator("#skipped [data-skipped]:visible")).hasCount(1);
    r.phone().locator("#skipped label:has([name=skipped-0][value=NO_TIME])").click();
    r.phone().locator("#answers .primary").click();
    assertThat(r.phone().locator("#panel-saved [data-outcome]")).hasText("Sent.");
    assertThat(sessions.last(r.client().getId()).flatMap(Session::checkIn).orElseThrow().skipped())
        .isEqualTo(Map.of(0, SkipReason.NO_TIME));
  }

  /** What the command line says of the shared program is what is heard, to a tenth of a second. */
  @Test
  void everyToneAndWordComesWhenTheTimelineSaysSo() throws IOException {
    String[][] programs = {
      {"upper-trap-stretch", "20s @3", "upper-trap-anchored", "cr2(6s+10s) @3"},
      {"neck-rotation", "2", "neck-rotation", "2x4s", "shoulder-roll", "2"},
      {"chin-tuck", "2x8s", "distance-gaze", "20s", "open-book", "2"},
      {
        "diaphragmatic-breathing",
        "3br",
        "arm-reach-shake",
        "10s @3",
        "upper-trap-stretch",
        "2br @3"
      },
      {"neck-isometric-lateral", "5s", "levator-stretch", "R 10s @3"},
      {"walking", "1min", "roller-rock", "10s"},
    };
    Set<Mode> modes = EnumSet.noneOf(Mode.class);
    for (String[] items : programs) {
      Ready r = ready(items);
      versions.latest(r.client(), ProgramKind.MAIN).orElseThrow().program().items().stream()
          .map(i -> i.exercise().doseContext().mode())
          .forEach(modes::add);
      Path file = folder.resolve("program.json");
      Files.writeString(
          file,
          ProgramDocument.write(
              versions.latest(r.client(), ProgramKind.MAIN).orElseThrow().program()));
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      Main.run(
          List.of("timeline", file.toString(), "--json"),
          new PrintStream(out, true, StandardCharsets.UTF_8),
          System.err);
      JsonNode timeline = JSON.readTree(out.toString(StandardCharsets.UTF_8));
      List<Heard> planned = new ArrayList<>();
      for (JsonNode s : timeline.path("sounds")) {
        if (s.path("breath").asBoolean()) continue; // only for who wants it
        String what = s.has("tone") ? s.path("tone").asText() : s.path("text").asText();
        planned.add(new Heard(s.path("at").asDouble(), what));
      }
      start(r.phone());
      r.phone().clock().runFor((timeline.path("seconds").asInt() + 1) * 1000L);
      assertThat(r.phone().locator("#panel-after")).isVisible();
      List<Heard> heard = log(r.phone());
      assertThat(heard.stream().map(Heard::what))
          .isEqualTo(planned.stream().map(Heard::what).toList());
      for (int i = 0; i < heard.size(); i++) {
        assertThat(heard.get(i).at() - planned.get(i).at())
            .as(planned.get(i).toString())
            .isBetween(-0.01, 0.1);
      }
      // And what was done is what was planned, item by item and side by side.
      assertThat(r.phone().locator("#panel-after [data-outcome]")).hasText("Sent.");
      Session session = sessions.last(r.client().getId()).orElseThrow();
      assertThat(session.ended()).isEqualTo(Ended.FINISHED);
      assertThat(session.parts())
          .allSatisfy(
              p -> {
                assertThat(p.seconds()).isEqualTo(p.plannedSeconds());
                assertThat(p.reps()).isEqualTo(p.plannedReps());
              });
      int left = 0;
      int right = 0;
      for (JsonNode item : timeline.path("items")) {
        left += item.at("/stretchSeconds/left").asInt();
        right += item.at("/stretchSeconds/right").asInt();
      }
      assertThat(session.stretchSeconds(Side.LEFT)).isEqualTo(left);
      assertThat(session.stretchSeconds(Side.RIGHT)).isEqualTo(right);
    }
    assertThat(modes).containsExactlyInAnyOrder(Mode.values());
  }

  /** Where everything of the figure is on the screen: its angle, whatever clock moves it. */
  private static String pose(Page phone) {
    return String.valueOf(
        phone.evaluate(
            "() => [...document.querySelectorAll('.picture:not([hidden]) svg path')].map(p => {"
                + " const b = p.getBoundingClientRect();"
                + " return [b.x, b.y, b.width, b.height].map(n => n.toFixed(1)).join(); }).join(' ')"));
  }

  /** Every frame of the figure has a clock of its own in the browser; none may go by itself. */
  private static void ownClocksStand(Page phone) {
    List<?> running =
        (List<?>)
            phone.evaluate(
                "() => [...document.querySelectorAll('.picture svg')]"
                    + ".filter(s => !s.animationsPaused()).map(s => s.outerHTML.slice(0, 80))");
    assertThat(running).isEmpty();
    int frames = (int) phone.evaluate("document.querySelectorAll('.picture svg svg').length");
    assertThat(frames).as("frames inside the picture").isPositive();
  }

  /** A stretch that is held stands still: what is seen is asked, not a clock. */
  @Test
  void theFigureStaysInTheStretchWhileItIsHeld() {
    Ready r = ready("upper-trap-stretch", "2x30s");
    Page phone = r.phone();
    phone.emulateMedia(
        new Page.EmulateMediaOptions().setReducedMotion(ReducedMotion.NO_PREFERENCE));
    start(phone);
    phone.clock().runFor(9_200); // it has just begun to tilt
    String upright = pose(phone);
    phone.clock().runFor(5_000); // two seconds into the hold
    String held = pose(phone);
    assertThat(held).isNotEqualTo(upright);
    ownClocksStand(phone); // nothing in it can move but by the player
    phone.clock().runFor(6_000);
    assertThat(pose(phone)).as("held").isEqualTo(held);
    phone.locator("#pause").click();
    ownClocksStand(phone);
    phone.clock().runFor(4_000);
    assertThat(pose(phone)).as("paused").isEqualTo(held);
    phone.locator("#pause").click();
    phone.emulateMedia(new Page.EmulateMediaOptions().setReducedMotion(ReducedMotion.REDUCE));
    phone.clock().runFor(1_000);
    ownClocksStand(phone);
    // Its poses stand beside each other, numbered; the one that is held is marked.
    assertThat(phone.locator(".picture:not([hidden]) .pose")).hasCount(2);
    assertThat(phone.locator(".picture:not([hidden]) .pose").nth(1)).hasAttribute("data-now", "");
    String stills = pose(phone);
    phone.clock().runFor(3_000);
    assertThat(pose(phone)).as("reduced motion").isEqualTo(stills);
    phone.emulateMedia(
        new Page.EmulateMediaOptions().setReducedMotion(ReducedMotion.NO_PREFERENCE));
    phone.clock().runFor(1_000);
    assertThat(pose(phone)).as("moving again").isEqualTo(held);
  }

  /** Nobody is left waiting in silence: a device that slept says so until somebody answers. */
  @Test
  void aDeviceThatSleptSaysSoAgainAndAgain() {
    Ready r = ready("chin-tuck", "3x10s");
    Page phone = r.phone();
    start(phone);
    phone.clock().runFor(15_000); // into the first hold
    phone.clock().fastForward(10_000); // a stall: it catches up, with the last words
    phone.clock().runFor(100);
    assertThat(phone.locator("#player")).hasAttribute("data-state", "running");
    assertThat(phone.locator("#rep")).hasText("Hold 2 of 3");
    phone.clock().fastForward(20_000);
    phone.clock().runFor(100);
    assertThat(phone.locator("#player")).hasAttribute("data-state", "paused");
    phone.clock().runFor(9_000);
    List<String> heard = log(phone).stream().map(Heard::what).toList();
    assertThat(heard.stream().filter("PAUSED"::equals)).hasSize(2);
    assertThat(heard.stream().filter(h -> h.startsWith("Paused, because"))).hasSize(2);
    phone.locator("#pause").click();
    // Whoever was away begins the exercise again, set-up and all.
    assertThat(phone.locator("#headline")).hasText("Sit tall on a chair");
    assertThat(phone.locator("#notice")).hasText("You were away: Chin tuck begins again.");
    phone.clock().runFor(10_000);
    assertThat(log(phone).stream().map(Heard::what).filter("PAUSED"::equals)).hasSize(2);
    phone.locator("#end-early").click();
    assertThat(phone.locator("#panel-after [data-outcome]")).hasText("Sent.");
    // 15 s and 10 s were worked, the 20 s were not; done again it is not done twice.
    assertThat(sessions.last(r.client().getId()).orElseThrow().secondsDone()).isEqualTo(25);
  }

  /** After a reload it goes on, and is one session. */
  @Test
  void aReloadGoesOnWhereItWas() {
    Ready r = ready("upper-trap-stretch", "15s", "chin-tuck", "2x10s");
    Page phone = r.phone();
    start(phone);
    phone.clock().runFor(70_000); // in the second exercise
    assertThat(phone.locator("#exercise")).hasText("Chin tuck");
    phone.reload();
    assertThat(phone.locator("#broken-off")).containsText("Chin tuck");
    // The page of today knows of it too.
    phone.navigate("/me/today");
    assertThat(phone.locator("#unfinished")).containsText("Chin tuck");
    phone.locator("#unfinished a").click();
    phone.locator("#resume").click();
    assertThat(phone.locator("#exercise")).hasText("Chin tuck");
    assertThat(phone.locator("#headline")).hasText("Chin tuck");
    phone.clock().runFor(60_000);
    assertThat(phone.locator("#panel-after [data-outcome]")).hasText("Sent.");
    assertThat(sessions.page(r.client().getId(), 0, 9).getTotalElements()).isEqualTo(1);
    Session session = sessions.last(r.client().getId()).orElseThrow();
    assertThat(session.ended()).isEqualTo(Ended.FINISHED);
    assertThat(session.parts()).allSatisfy(p -> assertThat(p.reps()).isEqualTo(p.plannedReps()));
    phone.navigate("/me/today");
    assertThat(phone.locator("#unfinished")).isHidden();
  }

  /** After half an hour the body is cold: pain is asked again before anything goes on. */
  @Test
  void aPauseOfMoreThanHalfAnHourEndsTheSession() {
    Ready r = ready("chin-tuck", "3x10s");
    Page phone = r.phone();
    start(phone);
    phone.clock().runFor(15_000);
    phone.locator("#pause").click();
    phone.clock().fastForward(31 * 60_000);
    phone.locator("#pause").click();
    assertThat(phone.locator("#panel-after")).containsText("longer than half an hour");
    assertThat(phone.locator("#undo-end")).isHidden();
    assertThat(phone.locator("#panel-after [data-outcome]")).hasText("Sent.");
    phone.navigate("/me/today");
    assertThat(phone.locator("#unfinished")).isHidden();
  }

  /** The second window takes over, and the first says so: nothing is done twice. */
  @Test
  void aSecondWindowTakesOver() {
    Ready r = ready("chin-tuck", "3x10s");
    Page phone = r.phone();
    start(phone);
    phone.clock().runFor(15_000);
    Page other = phone.context().newPage();
    other.onConsoleMessage(m -> complaints.add(m.type() + ": " + m.text()));
    other.navigate(phone.url());
    other.locator("#resume").click();
    assertThat(other.locator("#panel-running")).isVisible();
    assertThat(phone.locator("#panel-elsewhere h1")).hasText("It goes on in another window");
    other.locator("#end-early").click();
    assertThat(other.locator("#panel-after [data-outcome]")).hasText("Sent.");
    assertThat(sessions.page(r.client().getId(), 0, 9).getTotalElements()).isEqualTo(1);
  }

  /** Space is pause, whatever has the focus; the eyes are closed. */
  @Test
  void spaceIsPauseWhateverHasTheFocus() {
    Ready r = ready("chin-tuck", "3x10s");
    Page phone = r.phone();
    phone.locator("#start").focus();
    phone.keyboard().press("Enter");
    assertThat(phone.locator("#panel-running")).isVisible();
    phone.clock().runFor(3_000);
    assertThat(phone.locator("#headline")).isFocused();
    for (String focus : List.of("#headline", "#something-wrong", "#skip", "#end-early")) {
      phone.locator(focus).focus();
      phone.keyboard().press("Space");
      assertThat(phone.locator("#player")).hasAttribute("data-state", "paused");
      assertThat(phone.locator("#panel-running")).isVisible();
      phone.keyboard().press("Space");
      assertThat(phone.locator("#player")).hasAttribute("data-state", "running");
    }
    // "It is all right" goes on by itself, and what comes is heard.
    phone.locator("#something-wrong").click();
    phone.locator("#carry-on").click();
    assertThat(phone.locator("#player")).hasAttribute("data-state", "running");
    phone.locator("#something-wrong").click();
    phone.locator("#too-strong").click();
    assertThat(phone.locator("#panel-after")).isVisible();
    // A tap by mistake: it goes on from the beginning of the exercise.
    assertThat(phone.locator("#undo-end")).isHidden();
  }

  /** After a skip in a pause the next set-up is heard, with its tone, when it goes on. */
  @Test
  void aSkipInAPauseIsHeardWhenItGoesOn() {
    Ready r = ready("chin-tuck", "10s", "neck-rotation", "3");
    Page phone = r.phone();
    start(phone);
    phone.clock().runFor(12_000);
    phone.locator("#pause").click();
    phone.locator("#skip").click();
    int before = log(phone).size();
    phone.locator("#pause").click();
    phone.clock().runFor(200);
    assertThat(log(phone).subList(before, log(phone).size()).stream().map(Heard::what))
        .startsWith("READY")
        .anySatisfy(h -> assertThat(h).contains("Active neck rotation"));
  }

  /** A stop or an end by mistake is put right within five minutes; later it is not offered. */
  @Test
  void aTapByMistakeIsPutRight() {
    Ready r = ready("chin-tuck", "3x10s");
    Page phone = r.phone();
    start(phone);
    phone.clock().runFor(15_000);
    phone.locator("#something-wrong").click();
    phone.locator("#worrying").click();
    assertThat(phone.locator("#panel-stopped [data-outcome]")).hasText("Sent.");
    assertThat(standing(r.client()).isPaused()).isTrue();
    phone.locator("#undo-stop button").click();
    assertThat(phone.locator("#panel-running")).isVisible();
    assertThat(standing(r.client()).isPaused()).isFalse();
    phone.clock().runFor(5_000);
    phone.locator("#end-early").click();
    phone.locator("#undo-end").click();
    assertThat(phone.locator("#panel-running")).isVisible();
    phone.clock().runFor(60_000);
    assertThat(phone.locator("#panel-after [data-outcome]")).hasText("Sent.");
    assertThat(sessions.page(r.client().getId(), 0, 9).getTotalElements()).isEqualTo(1);
    assertThat(sessions.last(r.client().getId()).orElseThrow().ended()).isEqualTo(Ended.FINISHED);

    // The newest answers count; saving twice is saving once.
    answer(phone, 3, 4);
    phone.locator("#change-answers").click();
    answer(phone, 5, 4);
    phone.clock().fastForward(301_000);
    assertThat(phone.locator("#change-answers")).isHidden();
    assertThat(
            sessions.last(r.client().getId()).orElseThrow().checkIn().orElseThrow().highestPain())
        .contains(5);
  }

  /** Which side was tighter is asked of whoever has done both. */
  @Test
  void whichSideWasTighterIsAskedWhereBothWereDone() {
    Ready r = ready("upper-trap-stretch", "10s", "chin-tuck", "5s");
    Page phone = r.phone();
    start(phone);
    phone.clock().runFor(15_000); // in the hold on the left
    phone.locator("#end-early").click();
    assertThat(phone.locator("#answers .scale").first()).isVisible();
    assertThat(phone.locator("#tighter")).isHidden();
    phone.locator("#undo-end").click();
    assertThat(phone.locator("#panel-running")).isVisible();
    phone.clock().runFor(80_000);
    assertThat(phone.locator("#tighter .pair")).hasCount(1);
    assertThat(phone.locator("#tighter")).isVisible();
    // Nothing must be answered.
    phone.clock().resume();
    accessible(phone);
    phone.locator("#answers button.primary").click();
    assertThat(phone.locator("#panel-saved [data-outcome]")).hasText("Sent.");
    assertThat(
            sessions.last(r.client().getId()).orElseThrow().checkIn().orElseThrow().highestPain())
        .isEmpty();
  }

  private static void answer(Page phone, int pain, int felt) {
    Locator.CheckOptions force = new Locator.CheckOptions().setForce(true);
    phone.locator("[name=highestPain][value='%d']".formatted(pain)).check(force);
    phone.locator("[name=stretchFelt][value='%d']".formatted(felt)).check(force);
    phone.locator("#answers button.primary").dblclick();
    assertThat(phone.locator("#panel-saved [data-outcome]")).hasText("Sent.");
  }

  /** Whatever the words, the count and the buttons stay where they are, and in sight. */
  @Test
  void everythingStaysInItsPlace() {
    Ready r =
        ready(
            "lateral-neck-arm-reach-wrist", "5s",
            "anterior-neck-stretch-tilt", "5s",
            "chin-tuck", "5s",
            "diaphragmatic-breathing", "2br");
    Page phone = r.phone();
    start(phone);
    Set<String> headlines = new TreeSet<>();
    for (int[] size : new int[][] {{390, 844}, {320, 568}, {667, 375}, {1280, 800}}) {
      phone.setViewportSize(size[0], size[1]);
      for (String fixed : List.of("#count", "#pause", "#something-wrong", "#headline", "#next")) {
        assertThat(phone.locator(fixed)).isInViewport();
      }
      Set<String> places = new TreeSet<>();
      for (int i = 0; i < 12; i++) {
        headlines.add(phone.locator("#headline").textContent());
        BoundingBox count = phone.locator("#count").boundingBox();
        BoundingBox pause = phone.locator("#pause").boundingBox();
        assertThat(pause.y + pause.height).isLessThanOrEqualTo(size[1]);
        assertThat(count.height).as("readable at two metres").isGreaterThanOrEqualTo(60);
        places.add("%.0f %.0f".formatted(count.y, pause.y));
        phone.clock().runFor(2_000);
      }
      assertThat(places).as(size[0] + "×" + size[1]).hasSize(1);
    }
    assertThat(headlines.size()).isGreaterThan(8);
    phone.clock().resume();
    accessible(phone);
  }

  /** How one is told is asked once on a device, can be tried, and is kept. */
  @Test
  void howOneIsToldIsAskedOnce() {
    Ready r = ready("diaphragmatic-breathing", "4br");
    Page phone = r.phone();
    assertThat(phone.locator("#ear [name=way]").first()).isVisible();
    phone.getByLabel("Vibration only").check();
    phone.getByLabel("Lead my breathing").check();
    phone.locator("#try-ear").click();
    start(phone);
    phone.clock().runFor(23_000);
    assertThat(phone.locator(".pacer")).isVisible();
    assertThat(phone.locator("#breath")).hasText("Breath 3 of 4");
    assertThat(log(phone).stream().map(Heard::what)).contains("In", "Out");
    phone.locator("#end-early").click();
    assertThat(phone.locator("#panel-after [data-outcome]")).hasText("Sent.");
    phone.reload();
    assertThat(phone.locator("#ear [name=way]").first()).isHidden();
    assertThat(phone.locator("#ear summary")).containsText("Vibration only");
  }
}
