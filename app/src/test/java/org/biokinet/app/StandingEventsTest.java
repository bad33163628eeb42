package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import org.biokinet.app.client.Client;
import org.biokinet.app.measurement.MeasurementService;
import org.biokinet.app.message.MessageService;
import org.biokinet.app.pause.FlareService;
import org.biokinet.app.pause.PauseService;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.session.CheckInUpload;
import org.biokinet.app.session.FollowUpUpload;
import org.biokinet.app.session.SessionService;
import org.biokinet.app.session.SessionUpload;
import org.biokinet.app.settings.SettingsService;
import org.biokinet.app.worklist.LaterService;
import org.biokinet.app.worklist.WorklistService;
import org.biokinet.app.worklist.WorklistService.Whose;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.measure.BodyArea;
import org.biokinet.core.measure.PainMap;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.progress.Pause;
import org.biokinet.core.progress.Threshold;
import org.biokinet.core.progress.Thresholds;
import org.biokinet.core.session.Ended;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.data.domain.Page;

/**
 * Whatever happens, by whomever and in whatever order, what is kept of where clients stand is what
 * their records say. How many things happen can be said: {@code -Dbiokinet.events=10000}.
 */
class StandingEventsTest extends AppTest {

  private static final int EVENTS = Integer.getInteger("biokinet.events", 300);
  private static final long SEED = 20_261_128;

  @Autowired private MessageService messages;
  @Autowired private PauseService pauses;
  @Autowired private FlareService flares;
  @Autowired private LaterService later;
  @Autowired private MeasurementService measurements;
  @Autowired private SettingsService settings;

  private final Random random = new Random(SEED);

  /** Something that may happen; what is refused changes nothing, which is as good. */
  private interface Event {
    void happens(Me me, Client client);
  }

  private void session(Client client, Ended ended, int highest, int felt) {
    SessionUpload upload = session(client, clock.instant(), ended);
    sessions.record(asClient(client), upload);
    sessions.record(
        asClient(client),
        new CheckInUpload(
            UUID.randomUUID(), upload.uploadId(), highest, felt, null, null, null, null, ""));
  }

  private LocalDate today() {
    return LocalDate.ofInstant(clock.instant(), LISBON);
  }

  private static PainMap.Mark mark(BodyArea area, int intensity) {
    return new PainMap.Mark(area, Side.RIGHT, PainMap.Feeling.ACHE, intensity);
  }

  private List<Event> events() {
    return List.of(
        (me, c) -> session(c, Ended.FINISHED, 2, 3),
        (me, c) -> session(c, Ended.FINISHED, 2, 3),
        (me, c) -> session(c, Ended.FINISHED, 2, 5),
        (me, c) -> session(c, Ended.FINISHED, 5, 3),
        (me, c) -> session(c, Ended.EARLY, 2, 3),
        (me, c) -> session(c, Ended.STOPPED, 6, 3),
        (me, c) ->
            sessions.recordOnPaper(
                me,
                c.getId(),
                ProgramKind.MAIN,
                List.of(new SessionService.Ticked(today(), 1, OptionalInt.of(2)))),
        (me, c) ->
            followUps.recordForm(
                asClient(c),
                FollowUpUpload.morning(
                    UUID.randomUUID(),
                    today(),
                    3,
                    false,
                    clock.instant().atZone(LISBON).toOffsetDateTime())),
        (me, c) ->
            followUps.recordForm(
                asClient(c),
                FollowUpUpload.start(
                    UUID.randomUUID(), 8, clock.instant().atZone(LISBON).toOffsetDateTime())),
        (me, c) -> messages.ask(asClient(c), UUID.randomUUID(), "is that right?", Optional.empty()),
        (me, c) -> messages.tell(me, c.getId(), "yes"),
        (me, c) -> clients.dealtWith(me, c.getId(), clock.instant(), "called"),
        (me, c) -> clients.called(me, c.getId(), "Not reached"),
        (me, c) -> screen(me, c, Set.of(), Set.of(), Set.of()),
        (me, c) -> screen(me, c, Set.of(), Set.of("weakness"), Set.of()),
        (me, c) -> tryToShare(me, c, ProgramKind.MAIN, "chin-tuck", "3x5s"),
        (me, c) -> tryToShare(me, c, ProgramKind.DESK, "neck-rotation", "3"),
        (me, c) ->
            versions
                .latest(c, ProgramKind.MAIN)
                .ifPresent(r -> drafts.withdraw(me, c.getId(), r.version().name(), "a mistake")),
        (me, c) ->
            later.putOff(
                me, c.getId(), standing(c).attention(), today().plusDays(3), "waits for the scan"),
        (me, c) -> later.bringBack(me, c.getId()),
        (me, c) ->
            pauses.tell(
                asClient(c),
                new Pause(
                    Pause.Kind.HOLIDAY, today(), today().plusDays(2), false, Optional.empty())),
        (me, c) -> pauses.back(asClient(c), false),
        (me, c) -> flares.begin(asClient(c)),
        (me, c) -> flares.end(me, c.getId()),
        (me, c) -> measurements.mark(asClient(c), mark(BodyArea.LOWER_NECK, 4), false),
        (me, c) -> measurements.mark(asClient(c), mark(BodyArea.UPPER_NECK, 3), false),
        (me, c) -> measurements.mark(asClient(c), mark(BodyArea.UPPER_NECK, 3), true),
        (me, c) -> clients.archive(me, c.getId()),
        (me, c) -> clients.reactivate(me, c.getId()),
        (me, c) -> clients.reactivate(me, c.getId()),
        (me, c) -> thresholds(me, Map.of(Threshold.PAIN_AT_REST, 5)),
        (me, c) -> thresholds(me, Map.of()));
  }

  private void thresholds(Me me, Map<Threshold, Integer> own) {
    settings.setThresholds(me, new Thresholds(own), settings.thresholdsRevision(me.practiceId()));
  }

  @Test
  void whatIsKeptIsWhatTheRecordsSayWhateverHappens() throws Exception {
    Practice practice = practice();
    List<Me> people = List.of(practitioner(practice), practitioner(practice));
    List<Client> treated = new ArrayList<>();
    for (int n = 0; n < 4; n++) {
      Client client = client(people.get(n % 2));
      share(people.get(n % 2), client, "upper-trap-stretch", "2x15s @3");
      device(people.get(n % 2), client);
      treated.add(client);
    }
    List<Event> events = events();
    ExecutorService two = Executors.newFixedThreadPool(2);
    try {
      for (int n = 0; n < EVENTS; n += 2) {
        clock.moveTo(clock.instant().plus(Duration.ofMinutes(random.nextInt(600))));
        Client client = treated.get(random.nextInt(treated.size()));
        Client other = random.nextBoolean() ? client : treated.get(random.nextInt(treated.size()));
        Event one = events.get(random.nextInt(events.size()));
        Event another = events.get(random.nextInt(events.size()));
        CyclicBarrier together = new CyclicBarrier(2);
        Future<Boolean> first = two.submit(() -> happens(one, people.get(0), client, together));
        Future<Boolean> second = two.submit(() -> happens(another, people.get(1), other, together));
        if (first.get(60, TimeUnit.SECONDS)) happened++;
        if (second.get(60, TimeUnit.SECONDS)) happened++;
        if (n % 20 == 0) everybodyStandsAsTheRecordsSay(people.get(0), treated);
      }
    } finally {
      two.shutdownNow();
    }
    everybodyStandsAsTheRecordsSay(people.get(0), treated);
    assertThat(happened).as("not only refused").isGreaterThan(EVENTS * 2 / 3);
  }

  private int happened;

  /** Whether it was not refused. */
  private static boolean happens(Event event, Me me, Client client, CyclicBarrier together)
      throws Exception {
    together.await();
    try {
      event.happens(me, client);
      return true;
    } catch (RuntimeException refused) {
      return false;
    }
  }

  private void everybodyStandsAsTheRecordsSay(Me me, List<Client> treated) {
    Set<UUID> listed = new HashSet<>();
    for (Page<WorklistService.Row> page :
        List.of(
            worklist.look(me, Whose.ALL).wanting(Optional.empty(), 0, 10),
            worklist.look(me, Whose.ALL).steady(0, 10),
            worklist.look(me, Whose.ALL).later(0, 10))) {
      page.forEach(row -> assertThat(listed.add(row.id())).as("once").isTrue());
    }
    for (Client c : treated) {
      Client now = clients.get(me, c.getId());
      atOneMoment.executeWithoutResult(
          one -> assertThat(standings.kept(now)).isEqualTo(standings.made(now)));
      assertThat(listed.contains(c.getId())).isEqualTo(!now.archived());
    }
  }
}
