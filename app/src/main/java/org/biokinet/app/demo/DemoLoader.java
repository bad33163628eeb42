package org.biokinet.app.demo;

import jakarta.persistence.EntityManager;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.biokinet.app.access.LinkService;
import org.biokinet.app.client.Circumstances;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.Contact;
import org.biokinet.app.library.LibraryService;
import org.biokinet.app.measurement.MeasurementService;
import org.biokinet.app.measurement.PhotographService;
import org.biokinet.app.measurement.SamplePhoto;
import org.biokinet.app.message.MessageService;
import org.biokinet.app.people.AccountService;
import org.biokinet.app.platform.AdjustableClock;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.practice.PracticeService;
import org.biokinet.app.practice.Role;
import org.biokinet.app.program.DraftService;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.review.ReviewService;
import org.biokinet.app.screening.Answers;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.session.CheckInUpload;
import org.biokinet.app.session.FollowUpService;
import org.biokinet.app.session.FollowUpUpload;
import org.biokinet.app.session.SessionService;
import org.biokinet.app.session.SessionUpload;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.exercise.OwnExercise;
import org.biokinet.core.measure.BodyArea;
import org.biokinet.core.measure.Goal;
import org.biokinet.core.measure.Measured;
import org.biokinet.core.measure.Motion;
import org.biokinet.core.measure.PainMap;
import org.biokinet.core.measure.Questionnaire;
import org.biokinet.core.measure.Readings;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.progress.Simulated;
import org.biokinet.core.screening.Irritability;
import org.biokinet.core.session.Ended;
import org.biokinet.core.timeline.Segment;
import org.biokinet.core.timeline.Timeline;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Loads the made-up demo practice once: a coastal weather-forecast office and its sore necks. All
 * people are invented; all dates count back from the day it is loaded.
 */
@Component
@ConditionalOnProperty("biokinet.demo")
public class DemoLoader implements ApplicationRunner {

  public static final String PRACTITIONER = "okafor@harbourlane.example";
  private static final String WATCH = "a whole watch without rubbing the neck";
  private static final String PARKING = "looking over the right shoulder when parking";
  public static final String COLLEAGUE = "aldana@harbourlane.example";
  public static final String DESK = "desk@harbourlane.example";
  public static final String PASSWORD = "harbour-lane-demo";
  public static final String CLIENT_TOKEN = "demo-ines";
  public static final String CLIENT_PIN = "246810";

  /** Days since Ines got her desk program. */
  private static final int DESK_SINCE = 5;

  /** The minute of the day of a simulated session. */
  private static final int SIMULATED_AT = 8 * 60;

  static final ZoneId ZONE = ZoneId.of("Europe/Lisbon");

  private final AccountService accounts;
  private final PracticeService practices;
  private final ClientService clients;
  private final LinkService links;
  private final LibraryService library;
  private final ScreeningService screenings;
  private final MeasurementService measurements;
  private final PhotographService photographs;
  private final DraftService drafts;
  private final VersionService versions;
  private final SessionService sessions;
  private final FollowUpService followUps;
  private final MessageService messages;
  private final ReviewService reviews;
  private final DemoWorkday workday;
  private final TransactionTemplate whole;
  private final EntityManager entities;
  private final AdjustableClock clock;
  private final List<Client> nights = new ArrayList<>();
  private LocalDate today = LocalDate.EPOCH;

  DemoLoader(
      AccountService accounts,
      PracticeService practices,
      ClientService clients,
      LinkService links,
      LibraryService library,
      ScreeningService screenings,
      MeasurementService measurements,
      PhotographService photographs,
      DraftService drafts,
      VersionService versions,
      SessionService sessions,
      FollowUpService followUps,
      MessageService messages,
      ReviewService reviews,
      DemoWorkday workday,
      TransactionTemplate whole,
      EntityManager entities,
      AdjustableClock clock) {
    this.accounts = accounts;
    this.practices = practices;
    this.clients = clients;
    this.links = links;
    this.library = library;
    this.screenings = screenings;
    this.measurements = measurements;
    this.photographs = photographs;
    this.drafts = drafts;
    this.versions = versions;
    this.sessions = sessions;
    this.followUps = followUps;
    this.messages = messages;
    this.reviews = reviews;
    this.workday = workday;
    this.whole = whole;
    this.entities = entities;
    this.clock = clock;
  }

  @Override
  public void run(@Nullable ApplicationArguments arguments) {
    // All of it or nothing: one that was interrupted is begun anew.
    if (accounts.find(PRACTITIONER).isEmpty()) {
      whole.executeWithoutResult(status -> load());
    }
  }

  /** The practitioner of the demo, once it is loaded. */
  public Me okafor() {
    return accounts.find(PRACTITIONER).orElseThrow();
  }

  /** Goes through the services like everybody else, so that the demo obeys every rule. */
  public void load() {
    today = clock.instant().atZone(ZONE).toLocalDate();
    nights.clear();
    try {
      at(95, 9 * 60);
      Practice practice = practices.add("Harbour Lane Physiotherapy", ZONE, "555 0142");
      Me okafor = add(practice, PRACTITIONER, "M. Okafor", Role.OWNER);
      Me aldana = add(practice, COLLEAGUE, "J. Aldana", Role.PRACTITIONER);
      add(practice, DESK, "P. Quist", Role.FRONT_DESK);
      chartTable(okafor);
      longAgo(okafor, aldana);
      at(11, 9 * 60);
      ines(okafor, aldana);
      at(4, 10 * 60);
      tobias(okafor);
      stopped(aldana);
      flagged(okafor);
      referred(okafor);
      for (DemoDiary diary : DemoDiary.ALL) simulated(okafor, diary);
      for (Client night : nights) workday.of(night, today, "07:05", "17:30");
    } finally {
      clock.backToNow();
    }
  }

  private Me add(Practice practice, String email, String name, Role role) {
    return accounts.addPractitioner(practice, email, name, role, PASSWORD);
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
    // No hand on the head: the arm stays down.
    facts.put("precautions", "cx-flex, cx-rot");
    facts.remove("other-limb");
    Map<String, String> words = new HashMap<>(levator.words());
    words.put("name", "Levator stretch at the chart table");
    words.put("also", "table levator");
    words.put("setup", "Stand at the table, {side} hand flat on it.");
    words.put("how", "Let the {side} shoulder sink. Look lower as you breathe out.");
    words.put("fault-2", "the {side} arm pushes → let it rest");
    words.put("out", "Lift the head slowly. Take the {side} hand off the table.");
    words.put("why", "For chart drafters: the table keeps the shoulder down, no hand on the head.");
    if (library.save(me, new OwnExercise("", facts, words), 0)
        instanceof LibraryService.Outcome.Wrong wrong) {
      throw new IllegalStateException(wrong.problems().toString());
    }
  }

  /** One whose screening ends soon, one back from leave, and one whose treatment has ended. */
  private void longAgo(Me okafor, Me aldana) {
    at(80, 11 * 60);
    Client hana =
        clients.add(
            aldana,
            Contact.of("Hana Iwasaki", ZONE)
                .born(LocalDate.of(1981, 8, 3))
                .reachedBy("555 0163", ""),
            Circumstances.of("forecaster, early watch").agreed(today.minusDays(80)));
    screen(aldana, hana, Set.of(), Set.of(), Set.of("wrist"), 2);
    write(
        aldana,
        hana,
        "Early watch",
        List.of(
            new String[] {"shoulder-roll", "6"},
            new String[] {"upper-trap-stretch", "2x20s @3"},
            new String[] {"chin-tuck", "3x8s"}));
    at(70, 15 * 60);
    Client mateus =
        clients.add(
            okafor,
            Contact.of("Mateus Brandt", ZONE).born(LocalDate.of(1963, 1, 22)).reachedBy("", ""),
            Circumstances.of("chart drafter, retired since").agreed(today.minusDays(70)));
    screen(okafor, mateus, Set.of(), Set.of(), Set.of(), 1);
    clients.archive(okafor, mateus.getId());
    at(40, 10 * 60);
    Client soraya =
        clients.add(
            okafor,
            Contact.of("Soraya Haddad", ZONE)
                .born(LocalDate.of(1990, 12, 9))
                .reachedBy("555 0158", "soraya@forecast.example"),
            Circumstances.of("forecaster, back from leave").agreed(today.minusDays(40)));
    screen(okafor, soraya, Set.of(), Set.of(), Set.of(), 3);
    write(
        okafor,
        soraya,
        "Before leave",
        List.of(new String[] {"neck-rotation", "5"}, new String[] {"levator-stretch", "2x15s @3"}));
    for (int day = 38; day > 30; day -= 2) perform(soraya, day, 440, 3, 3, 3, "");
    for (int day = 30; day > 1; day -= day > 10 ? 4 : 2) perform(hana, day, 400, 2, 2, 2, "");
    at(9, 12 * 60);
    reviewed(aldana, hana);
  }

  /** One whose weeks are simulated. */
  private void simulated(Me me, DemoDiary diary) {
    List<Simulated.Day> days =
        Simulated.days(diary.seed(), diary.phases().toArray(Simulated.Phase[]::new));
    at(days.size() + 1, 15 * 60);
    Client client =
        clients.add(
            me,
            Contact.of(diary.name(), ZONE).born(diary.born()).reachedBy(diary.phone(), ""),
            Circumstances.of(diary.work()).agreed(today.minusDays(days.size() + 1L)));
    screen(me, client, Set.of(), Set.of(), Set.of(), 2);
    write(me, client, "At the desk", diary.program());
    String token = "demo-" + client.firstName().toLowerCase(Locale.ROOT);
    links.make(me, client.getId(), new LinkService.Made(token, CLIENT_PIN));
    links.open(token, CLIENT_PIN, "");
    if (diary.work().equals(DemoDiary.SUPERVISOR)) {
      beside(me, client);
      nights.add(client);
    }
    for (Simulated.Day d : days) {
      int daysBack = days.size() - d.day();
      // What was written before is not looked through again for each day.
      entities.flush();
      entities.clear();
      if (d.done()) told(client, daysBack, d);
      if (d.morning().isPresent()) {
        morning(client, daysBack - 1, 7 * 60, d.morning().getAsInt());
      }
      if (diary.reviewed().contains(daysBack)) {
        at(daysBack, 17 * 60);
        reviewed(me, client);
      }
    }
  }

  private void told(Client client, int daysBack, Simulated.Day d) {
    UUID id = perform(client, daysBack, SIMULATED_AT, d.before(), d.highest(), d.felt(), "");
    if (d.settled().isEmpty()) return;
    at(daysBack, SIMULATED_AT + 60);
    followUps.recordForm(
        asClient(client),
        FollowUpUpload.settled(
            UUID.randomUUID(),
            id,
            d.settled().get(),
            clock.instant().atZone(ZONE).toOffsetDateTime()));
  }

  /** All that is suggested is accepted, and shared where anything changes. */
  private void reviewed(Me me, Client client) {
    UUID id = client.getId();
    reviews.acceptAll(me, id, reviews.open(client).orElseThrow().mark());
    ReviewService.Proposal proposal = reviews.proposal(me, client).orElseThrow();
    reviews.make(me, id, proposal.open().mark(), true, proposal.said());
  }

  /** One who stopped a session this morning. */
  private void stopped(Me me) {
    Client yusuf =
        clients.add(
            me,
            Contact.of("Yusuf Demir", ZONE)
                .born(LocalDate.of(1987, 6, 30))
                .reachedBy("555 0171", ""),
            Circumstances.of("night-shift supervisor").agreed(today.minusDays(4)));
    screen(me, yusuf, Set.of(), Set.of(), Set.of(), 4);
    write(
        me,
        yusuf,
        "After the night",
        List.of(
            new String[] {"neck-rotation", "5"}, new String[] {"upper-trap-stretch", "2x15s @3"}));
    at(1, 6 * 60);
    record(yusuf, ProgramKind.MAIN, 1, 6 * 60, 4, Ended.STOPPED);
  }

  /** One for each closed gate; nobody of them has a program yet. */
  private void flagged(Me me) {
    at(2, 11 * 60);
    Client rui =
        clients.add(
            me,
            Contact.of("Rui Taveira", ZONE)
                .born(LocalDate.of(1969, 9, 30))
                .reachedBy("555 0119", ""),
            Circumstances.of("marine-radio operator, nights").agreed(today.minusDays(2)));
    screen(me, rui, Set.of(), Set.of("weakness"), Set.of(), 5);
    at(1, 9 * 60);
    Client amara =
        clients.add(
            me,
            Contact.of("Amara Nwosu", ZONE)
                .born(LocalDate.of(1978, 2, 11))
                .reachedBy("555 0125", ""),
            Circumstances.of("night-shift supervisor").agreed(today.minusDays(1)));
    screen(me, amara, Set.of("electric"), Set.of(), Set.of(), 4);
    Client lena =
        clients.add(
            me,
            Contact.of("Lena Sandvik", ZONE).born(today.minusYears(17).withDayOfYear(40)),
            Circumstances.of("trainee at the chart table"));
    screen(me, lena, Set.of(), Set.of(), Set.of(), 3);
  }

  /** Just referred, and has answered at home before the first visit. */
  private void referred(Me me) {
    at(1, 16 * 60);
    Client chen =
        clients.add(
            me,
            Contact.of("Chen Wei-Ting", ZONE)
                .born(LocalDate.of(1998, 3, 2))
                .reachedBy("555 0134", "chen@forecast.example"),
            Circumstances.of("chart drafter, just referred"));
    links.make(me, chen.getId(), new LinkService.Made("demo-chen", CLIENT_PIN));
    at(1, 20 * 60);
    screenings.saveBeforeVisit(
        asClient(chen),
        Answers.of(
            Set.of(), Set.of(), Set.of("wrist"), 5, Irritability.Settles.WITHIN_AN_HOUR, true));
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

  private void ines(Me me, Me colleague) {
    Client ines =
        clients.add(
            me,
            me.id(),
            Contact.of("Ines Caldeira", ZONE)
                .born(LocalDate.of(1985, 5, 17))
                .reachedBy("555 0177", "ines@forecast.example"),
            Circumstances.of("night forecaster, four screens")
                .desk(9, 4, Circumstances.Shifts.NIGHTS)
                .time(10, 2, Circumstances.Hand.RIGHT)
                .agreed(today.minusDays(11)),
            Set.of(colleague.id()),
            List.of(new Goal(WATCH, 4, 8), new Goal(PARKING, 5, 9)));
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
    links.open(CLIENT_TOKEN, CLIENT_PIN, "");
    // Days back, minutes after midnight, pain before, highest pain, stretch felt.
    measured(me, ines);
    int[][] days = {
      {10, 425, 4, 5, 3}, {9, 430, 4, 4, 3}, {8, 445, 4, 5, 4}, {7, 420, 3, 4, 3},
      {6, 1215, 3, 4, 3}, {5, 428, 3, 3, 2}, {4, 433, 3, 4, 3}, {3, 440, 2, 3, 3},
      {2, 422, 2, 3, 3}, {1, 436, 2, 2, 3},
    };
    for (int[] d : days) {
      if (d[0] == DESK_SINCE) desk(me, ines);
      if (d[0] < MORNINGS.length) morning(ines, d[0], d[1] - 20, MORNINGS[d[0]]);
      perform(ines, d[0], d[1], d[2], d[3], d[4], d[0] == 8 ? "Pulled a little on the right." : "");
      if (d[0] == 4 || d[0] == 2) record(ines, ProgramKind.DESK, d[0], 1390, d[2], Ended.FINISHED);
    }
    asks(me, ines);
    nights.add(ines);
    morning(ines, 0, 1, MORNINGS[0]);
  }

  /** Pain in the morning, by days back; today she does not say. */
  private static final @Nullable Integer[] MORNINGS = {null, 2, 2, 2, 2, 2, 3, 4, 4, 5};

  private void morning(Client client, int daysBack, int minute, @Nullable Integer pain) {
    at(daysBack, minute);
    followUps.recordForm(
        asClient(client),
        FollowUpUpload.morning(
            UUID.randomUUID(),
            today.minusDays(daysBack),
            pain,
            pain == null ? null : pain > 4,
            clock.instant().atZone(ZONE).toOffsetDateTime()));
  }

  private void asks(Me me, Client ines) {
    at(3, 17 * 60);
    messages.ask(
        asClient(ines),
        UUID.randomUUID(),
        "May I do the neck stretches standing when all the chairs at the desk are taken?",
        Optional.empty());
    at(2, 9 * 60);
    messages.answer(
        me,
        ines.getId(),
        UUID.randomUUID(),
        "Yes, with your back to a wall. Leave each stretch as slowly as you do in the chair.");
  }

  /** Something small for the long nights beside the main program. */
  private void beside(Me me, Client client) {
    write(
        me,
        client,
        ProgramKind.DESK,
        "Between two charts",
        List.of(
            new String[] {"neck-rotation", "3"},
            new String[] {"shoulder-roll", "5"},
            new String[] {"seated-trunk-rotation", "1x2br"}));
  }

  /** That, and a plan for a flare. */
  private void desk(Me me, Client ines) {
    at(DESK_SINCE, 6 * 60);
    beside(me, ines);
    write(
        me,
        ines,
        ProgramKind.FLARE,
        "When it flares up",
        List.of(
            new String[] {"diaphragmatic-breathing", "4br"},
            new String[] {"neck-lateral-flexion", "2"},
            new String[] {"shoulder-roll", "3"}));
  }

  /** Three visits: the right side comes back, the left tilt more slowly. */
  private void measured(Me me, Client ines) {
    visit(me, ines, 11, new int[] {5, 3, 6}, "64 66", "50 52", "30 32", "41 43", 4, 5, 19);
    measurements.save(
        me, ines.getId(), photographs.keep(me, ines.getId(), SamplePhoto.of(44, Side.LEFT)));
    visit(me, ines, 6, new int[] {4, 2, 5}, "66 68", "56 59", "33 34", "42 43", 5, 6, 27);
    visit(me, ines, 1, new int[] {2, 1, 3}, "68 70", "63 65", "35 37", "43 44", 7, 8, 41);
    measurements.save(
        me, ines.getId(), photographs.keep(me, ines.getId(), SamplePhoto.of(48, Side.RIGHT)));
  }

  private void visit(
      Me me,
      Client client,
      int daysBack,
      int[] pain,
      String turnLeft,
      String turnRight,
      String tiltLeft,
      String tiltRight,
      int watch,
      int parking,
      int held) {
    at(daysBack, 11 * 60);
    UUID id = client.getId();
    measurements.save(me, id, new Measured.Pain(pain[0], pain[1], pain[2]));
    range(me, id, Motion.NECK_ROTATION, Side.LEFT, turnLeft);
    range(me, id, Motion.NECK_ROTATION, Side.RIGHT, turnRight);
    range(me, id, Motion.NECK_LATERAL_FLEXION, Side.LEFT, tiltLeft);
    range(me, id, Motion.NECK_LATERAL_FLEXION, Side.RIGHT, tiltRight);
    measurements.mark(
        me,
        id,
        new PainMap.Mark(
            BodyArea.TOP_OF_SHOULDER, Side.RIGHT, PainMap.Feeling.ACHE, Math.max(1, pain[2] - 1)),
        false);
    measurements.mark(
        me,
        id,
        new PainMap.Mark(BodyArea.LOWER_NECK, Side.RIGHT, PainMap.Feeling.PULL, pain[0]),
        false);
    measurements.save(me, id, new Measured.Activity(WATCH, watch));
    measurements.save(me, id, new Measured.Activity(PARKING, parking));
    measurements.save(me, id, new Measured.Endurance(held));
    int item = pain[0] / 2;
    measurements.save(
        me,
        id,
        new Measured.Form(
            Questionnaire.NDI,
            Collections.nCopies(Questionnaire.NDI.topics().size(), item),
            false));
  }

  private void range(Me me, UUID id, Motion motion, Side side, String readings) {
    if (Readings.parse(readings, motion, Readings.Protocol.USUAL)
        instanceof Readings.Reading.Ok ok) {
      measurements.save(
          me, id, new Measured.Range(motion, side, ok.readings(), Measured.Source.TYPED));
    }
  }

  private void tobias(Me me) {
    Client tobias =
        clients.add(
            me,
            Contact.of("Tobias Renner", ZONE).born(LocalDate.of(1971, 11, 30)),
            Circumstances.of("marine-radio operator, rotating shifts").agreed(today.minusDays(4)));
    clients.setBreath(me, tobias.getId(), 6);
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
    write(me, client, ProgramKind.MAIN, title, items);
  }

  private void write(
      Me me, Client client, ProgramKind program, String title, List<String[]> items) {
    UUID id = client.getId();
    int seq = 0;
    drafts.edit(me, id, program, seq++, new DraftEdit.SetTitle(title));
    for (String[] i : items) {
      DraftEdit add = new DraftEdit.Add(UUID.randomUUID().toString(), i[0], i[1]);
      drafts.edit(me, id, program, seq++, add);
    }
    if (drafts.share(me, id, program, seq, "First program; the ladders go on from here.")
        instanceof DraftService.Outcome.Refused refused) {
      throw new IllegalStateException("%s: %s".formatted(client.name(), refused.why()));
    }
  }

  private UUID perform(
      Client client, int daysBack, int minute, int before, int highest, int felt, String note) {
    UUID id = record(client, ProgramKind.MAIN, daysBack, minute, before, Ended.FINISHED);
    sessions.record(
        asClient(client),
        new CheckInUpload(UUID.randomUUID(), id, highest, felt, null, null, null, null, note));
    return id;
  }

  private UUID record(
      Client client, ProgramKind program, int daysBack, int minute, int before, Ended ended) {
    VersionService.Replay replay = versions.latest(client, program).orElseThrow();
    Side lead = sessions.nextLead(client.getId(), program);
    List<Integer> done =
        Timeline.compile(replay.session(lead, SessionLength.USUAL)).segments().stream()
            .map(Segment::seconds)
            .toList();
    at(daysBack, minute);
    Instant started = clock.instant();
    at(daysBack, minute + 9);
    UUID id = UUID.randomUUID();
    sessions.record(
        asClient(client),
        new SessionUpload(
            id,
            null,
            program,
            replay.version().number(),
            lead,
            SessionLength.USUAL,
            null,
            null,
            null,
            OffsetDateTime.ofInstant(started, ZoneOffset.UTC),
            ZONE.getId(),
            before,
            ended,
            ended == Ended.STOPPED ? "Stopped in Upper trapezius stretch," : "",
            done,
            null,
            null));
    return id;
  }

  private static ClientMe asClient(Client client) {
    return ClientMe.of(client);
  }
}
