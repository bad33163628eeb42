package org.biokinet.app.demo;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.biokinet.app.account.AccountService;
import org.biokinet.app.account.Me;
import org.biokinet.app.account.Practice;
import org.biokinet.app.account.Practitioners;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.LinkService;
import org.biokinet.app.library.LibraryService;
import org.biokinet.app.program.DraftService;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.screening.Answers;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.session.CheckInUpload;
import org.biokinet.app.session.SessionRow;
import org.biokinet.app.session.SessionService;
import org.biokinet.app.session.SessionUpload;
import org.biokinet.app.support.AdjustableClock;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.exercise.OwnExercise;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.safety.Irritability;
import org.biokinet.core.timeline.Segment;
import org.biokinet.core.timeline.Timeline;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/**
 * Loads the made-up demo practice once: a coastal weather-forecast office and its sore necks. All
 * people are invented; all dates count back from the day it is loaded.
 */
@Component
@ConditionalOnProperty("biokinet.demo")
public class DemoLoader implements ApplicationRunner {

  public static final String PRACTITIONER = "okafor@harbourlane.example";
  public static final String PASSWORD = "harbour-lane-demo";
  public static final String CLIENT_TOKEN = "demo-ines";
  public static final String CLIENT_PIN = "246810";
  private static final ZoneId ZONE = ZoneId.of("Europe/Lisbon");

  private final AccountService accounts;
  private final Practitioners practitioners;
  private final ClientService clients;
  private final LinkService links;
  private final LibraryService library;
  private final ScreeningService screenings;
  private final DraftService drafts;
  private final VersionService versions;
  private final SessionService sessions;
  private final AdjustableClock clock;
  private LocalDate today = LocalDate.EPOCH;

  DemoLoader(
      AccountService accounts,
      Practitioners practitioners,
      ClientService clients,
      LinkService links,
      LibraryService library,
      ScreeningService screenings,
      DraftService drafts,
      VersionService versions,
      SessionService sessions,
      AdjustableClock clock) {
    this.accounts = accounts;
    this.practitioners = practitioners;
    this.clients = clients;
    this.links = links;
    this.library = library;
    this.screenings = screenings;
    this.drafts = drafts;
    this.versions = versions;
    this.sessions = sessions;
    this.clock = clock;
  }

  @Override
  public void run(@Nullable ApplicationArguments arguments) {
    if (practitioners.findByEmail(PRACTITIONER).isEmpty()) load();
  }

  /** Goes through the services like everybody else, so that the demo obeys every rule. */
  public void load() {
    today = clock.instant().atZone(ZONE).toLocalDate();
    try {
      at(11, 9 * 60);
      Practice practice = accounts.addPractice("Harbour Lane Physiotherapy", ZONE, "555 0142");
      Me okafor = accounts.addPractitioner(practice, PRACTITIONER, "M. Okafor", PASSWORD);
      chartTable(okafor);
      ines(okafor);
      at(4, 10 * 60);
      tobias(okafor);
      flagged(okafor);
      at(1, 16 * 60);
      clients.add(
          okafor,
          "Chen Wei-Ting",
          LocalDate.of(1998, 3, 2),
          "chart drafter, just referred",
          ZONE,
          5);
    } finally {
      clock.backToNow();
    }
  }

  /** Moves the clock to so many days back, at this minute of the day. */
  private void at(int daysBack, int minute) {
    clock.moveTo(
        today
            .minusDays(daysBack)
            .atTime(LocalTime.ofSecondOfDay(minute * 60L))
            .atZone(ZONE)
            .toInstant());
  }

  /** An exercise of the practice's own, for people who stand at a chart table. */
  private void chartTable(Me me) {
    OwnExercise levator = library.entry(me, "levator-stretch").copied();
    Map<String, String> facts = new HashMap<>(levator.facts());
    facts.put("positions", "stand");
    facts.put("precautions", "cx-rot");
    Map<String, String> words = new HashMap<>(levator.words());
    words.put("name", "Levator stretch at the chart table");
    words.put("also", "table levator");
    words.put("setup", "Stand at the table, {side} hand flat on it.");
    words.put("how", "Let the {side} shoulder sink. Look lower as you breathe out.");
    words.put("fault-2", "the {side} arm pushes → let it rest");
    words.put("out", "Lift the head slowly. Take the {side} hand off the table.");
    words.put("why", "For chart drafters: the table keeps the shoulder down, no hand on the head.");
    library.save(me, new OwnExercise("", facts, words), 0);
  }

  /** One for each closed gate; nobody of them has a program yet. */
  private void flagged(Me me) {
    at(2, 11 * 60);
    Client rui =
        clients.add(
            me, "Rui Taveira", LocalDate.of(1969, 9, 30), "marine-radio operator, nights", ZONE, 5);
    screen(me, rui, Set.of(), Set.of("weakness"), Set.of(), 5);
    at(1, 9 * 60);
    Client amara =
        clients.add(
            me, "Amara Nwosu", LocalDate.of(1978, 2, 11), "night-shift supervisor", ZONE, 5);
    screen(me, amara, Set.of("electric"), Set.of(), Set.of(), 4);
    Client lena =
        clients.add(
            me,
            "Lena Sandvik",
            today.minusYears(17).withDayOfYear(40),
            "trainee at the chart table",
            ZONE,
            5);
    screen(me, lena, Set.of(), Set.of(), Set.of(), 3);
  }

  private void screen(
      Me me,
      Client client,
      Set<String> signs,
      Set<String> flags,
      Set<String> conditions,
      int worst) {
    screenings.save(
        me,
        client.getId(),
        Answers.of(
            signs, flags, conditions, worst, Irritability.Settles.WITHIN_10_MINUTES, worst > 3));
  }

  private void ines(Me me) {
    Client ines =
        clients.add(
            me,
            "Ines Caldeira",
            LocalDate.of(1985, 5, 17),
            "night forecaster, four screens",
            ZONE,
            5);
    screen(me, ines, Set.of(), Set.of(), Set.of("headache"), 4);
    write(
        me,
        ines,
        "First weeks at the desk",
        List.of(
            new String[] {"diaphragmatic-breathing", "4br"},
            new String[] {"neck-lateral-flexion", "L 3 R 5"},
            new String[] {"shoulder-roll", "6"},
            new String[] {"upper-trap-stretch", "L 2x15s R 3x20s @3"},
            new String[] {"levator-stretch", "L 2x15s R 3x15s @3"},
            new String[] {"chin-tuck", "3x5s"}));
    links.make(me, ines.getId(), new LinkService.Made(CLIENT_TOKEN, CLIENT_PIN));
    at(11, 19 * 60);
    links.open(CLIENT_TOKEN, CLIENT_PIN);
    // Days back, minutes after midnight, pain before, highest pain, stretch felt.
    int[][] days = {
      {10, 425, 4, 5, 3}, {9, 430, 4, 4, 3}, {8, 445, 4, 5, 4}, {7, 420, 3, 4, 3},
      {6, 1215, 3, 4, 3}, {5, 428, 3, 3, 2}, {4, 433, 3, 4, 3}, {3, 440, 2, 3, 3},
      {2, 422, 2, 3, 3}, {1, 436, 2, 2, 3},
    };
    for (int[] d : days) {
      perform(ines, d[0], d[1], d[2], d[3], d[4], d[0] == 8 ? "Pulled a little on the right." : "");
    }
  }

  private void tobias(Me me) {
    Client tobias =
        clients.add(
            me,
            "Tobias Renner",
            LocalDate.of(1971, 11, 30),
            "marine-radio operator, rotating shifts",
            ZONE,
            6);
    screen(me, tobias, Set.of(), Set.of(), Set.of(), 2);
    write(
        me,
        tobias,
        "Between watches",
        List.of(
            new String[] {"neck-rotation", "5"},
            new String[] {"seated-trunk-rotation", "2x3br"},
            new String[] {"goalpost-chest-opener", "2x15s @3"}));
  }

  private void write(Me me, Client client, String title, List<String[]> items) {
    int seq = 0;
    drafts.edit(me, client.getId(), seq++, new DraftEdit.SetTitle(title));
    for (String[] i : items) {
      drafts.edit(
          me, client.getId(), seq++, new DraftEdit.Add(UUID.randomUUID().toString(), i[0], i[1]));
    }
    drafts.share(me, client.getId(), seq);
  }

  private void perform(
      Client client, int daysBack, int minute, int before, int highest, int felt, String note) {
    ClientMe me =
        new ClientMe(
            client.getId(),
            client.practiceId(),
            client.firstName(),
            client.zone(),
            client.language());
    VersionService.Replay replay = versions.latest(client.getId()).orElseThrow();
    Side lead = sessions.nextLead(client.getId());
    List<Integer> done = new ArrayList<>();
    for (Segment s : Timeline.compile(replay.session(lead, SessionLength.USUAL)).segments())
      done.add(s.seconds());
    at(daysBack, minute);
    Instant started = clock.instant();
    at(daysBack, minute + 9);
    UUID id = UUID.randomUUID();
    sessions.record(
        me,
        new SessionUpload(
            id,
            replay.version().number(),
            lead,
            SessionLength.USUAL,
            OffsetDateTime.ofInstant(started, ZoneOffset.UTC),
            ZONE.getId(),
            before,
            SessionRow.Ended.FINISHED,
            "",
            done));
    sessions.record(me, new CheckInUpload(UUID.randomUUID(), id, highest, felt, note));
  }
}
