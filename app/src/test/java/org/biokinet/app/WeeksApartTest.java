package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import jakarta.servlet.http.Cookie;
import java.sql.Timestamp;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.biokinet.app.access.LinkService;
import org.biokinet.app.client.Client;
import org.biokinet.app.practice.Me;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.session.CheckInUpload;
import org.biokinet.app.session.FollowUpUpload;
import org.biokinet.app.session.SessionUpload;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.progress.Attention;
import org.biokinet.core.session.Ended;
import org.biokinet.core.timeline.Segment;
import org.biokinet.core.timeline.Timeline;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.JdbcTemplate;

/**
 * Weeks of two devices of one client that are seldom on the network, by seeds: answers are lost,
 * what was sent comes again, in another order, late, from clocks that are wrong, of versions that
 * have changed meanwhile. Whatever was told is there once, on the client's own day.
 */
@SuppressWarnings("NullAway.Init") // set where the first week begins
class WeeksApartTest extends AppTest {

  /** As many as there is time for; the figures of a thousand stand in docs/OFFLINE.md. */
  private static final int WEEKS = Integer.getInteger("biokinet.weeks", 16);

  private static final int WEEKS_OF_ONE_CLIENT = 8;
  private static final Duration STEP = Duration.ofHours(6);

  @Autowired private JdbcTemplate jdbc;

  private enum Seen {
    WEEKS,
    ACTS,
    SENT,
    ANSWERS_LOST,
    SENT_AGAIN,
    OUT_OF_ORDER,
    OF_AN_OLDER_VERSION,
    CLOCK_PUT_RIGHT,
    PUT_RIGHT_BY_THE_CLIENT,
    CONFLICTS
  }

  private final Map<Seen, Integer> seen = new EnumMap<>(Seen.class);

  private void count(Seen what) {
    seen.merge(what, 1, Integer::sum);
  }

  /** What a device would send. */
  private record Told(UUID id, String path, Object body, Instant told) {}

  /** A version as a device knows it. */
  private record Known(int number, Instant sharedAt, List<Integer> seconds) {}

  /** What is to be found of something that was told. */
  private static final class Expected {
    Told last;
    Instant sharedAt = Instant.EPOCH;
    Instant received = Instant.EPOCH;

    Expected(Told last) {
      this.last = last;
    }

    /**
     * By what the device said, unless that cannot be: ten minutes ahead, a day before the version.
     */
    boolean plausible() {
      return !last.told().isAfter(received.plus(Duration.ofMinutes(10)))
          && !last.told().isBefore(sharedAt.minus(Duration.ofDays(1)));
    }

    LocalDate day() {
      return LocalDate.ofInstant(plausible() ? last.told() : received, LISBON);
    }
  }

  private static final class Device {
    final Cookie cookie;
    final Duration off;
    Known known;
    final Map<UUID, Told> queue = new LinkedHashMap<>();

    Device(Cookie cookie, Duration off, Known known) {
      this.cookie = cookie;
      this.off = off;
      this.known = known;
    }
  }

  private Me me;
  private Client client;
  private LinkService.Made link;

  @Test
  void whatWasToldIsThereOnceOnItsDay() throws Exception {
    me = practitioner();
    Instant start = clock.instant().minus(Duration.ofDays(7L * WEEKS_OF_ONE_CLIENT + 1));
    for (int week = 0; week < WEEKS; week++) {
      int nth = week % WEEKS_OF_ONE_CLIENT;
      Instant monday = start.plus(Duration.ofDays(7L * nth));
      clock.moveTo(monday);
      if (nth == 0) {
        client = client(me);
        share(me, client, "chin-tuck", "3x10s");
        link = links.make(me, client.getId());
      }
      week(new Random(week), monday);
      count(Seen.WEEKS);
      // Days that are over fall out of what is kept of a week as soon as something happens again.
      standings.renew(client.getId());
    }
    System.out.println("weeks apart: " + seen);
    assertThat(seen).containsKeys(Seen.values());
  }

  private Known latest() {
    VersionService.Replay replay = versions.latest(client, ProgramKind.MAIN).orElseThrow();
    List<Integer> seconds =
        Timeline.compile(replay.session(Side.LEFT, SessionLength.USUAL)).segments().stream()
            .map(Segment::seconds)
            .toList();
    return new Known(replay.version().number(), replay.version().sharedAt(), seconds);
  }

  private Device device(Random random) {
    LinkService.Opening opening = links.open(link.token(), link.pin(), "");
    String cookie = ((LinkService.Opening.Opened) opening).cookie();
    Duration off =
        random.nextInt(5) > 0
            ? Duration.ZERO
            : Duration.ofMinutes(random.nextInt(72 * 60) - 36 * 60);
    return new Device(new Cookie("biokinet-client", cookie), off, latest());
  }

  private void week(Random random, Instant monday) throws Exception {
    List<Device> both = List.of(device(random), device(random));
    Map<UUID, Expected> expected = new HashMap<>();
    long conflicts = sessions.conflicts(client.getId());
    int others = 0;
    for (int step = 0; step < 28; step++) {
      clock.moveTo(monday.plus(STEP.multipliedBy(step)).plusSeconds(random.nextInt(3600)));
      if (random.nextInt(40) == 0) {
        int seconds = 5 + random.nextInt(6);
        changeTo(seconds);
      }
      Device device = both.get(random.nextInt(2));
      if (random.nextInt(3) == 0) act(random, device, expected);
      for (Device d : both) if (random.nextInt(3) == 0) connect(random, d, expected, true);
      if (random.nextInt(60) == 0) others += tellOtherwise(device, expected);
    }
    clock.moveTo(monday.plus(Duration.ofDays(7)).minusSeconds(60));
    for (Device d : both) connect(random, d, expected, false);
    check(expected, conflicts + others);
  }

  /** Another dose, if it is another. */
  private void changeTo(int seconds) {
    int seq = drafts.state(me, client.getId(), ProgramKind.MAIN).seq();
    String key = drafts.state(me, client.getId(), ProgramKind.MAIN).draft().items().get(0).key();
    drafts.edit(
        me,
        client.getId(),
        ProgramKind.MAIN,
        seq,
        new DraftEdit.SetDose(key, "3x" + seconds + "s"));
    drafts.share(me, client.getId(), ProgramKind.MAIN, seq + 1, "It is only a test.");
  }

  private void act(Random random, Device device, Map<UUID, Expected> expected) throws Exception {
    Instant told = clock.instant().plus(device.off);
    OffsetDateTime at = told.atZone(LISBON).toOffsetDateTime();
    UUID id = UUID.randomUUID();
    count(Seen.ACTS);
    if (random.nextInt(4) == 0) {
      put(
          device,
          expected,
          new Told(
              id,
              "/me/follow-ups",
              FollowUpUpload.morning(id, at.toLocalDate(), random.nextInt(11), null, at),
              told),
          client.createdAt());
      return;
    }
    int how = random.nextInt(30);
    Ended ended = how == 0 ? Ended.STOPPED : how < 6 ? Ended.EARLY : Ended.FINISHED;
    put(device, expected, session(id, null, at, device.known, ended), device.known.sharedAt());
    if (random.nextInt(10) < 7) {
      UUID own = UUID.randomUUID();
      CheckInUpload said =
          new CheckInUpload(own, id, random.nextInt(11), null, null, null, null, null, "");
      put(device, expected, new Told(own, "/me/check-ins", said, told), Instant.EPOCH);
    }
    if (ended == Ended.EARLY && random.nextBoolean()) {
      // Ended by mistake; the first word may or may not have gone out before.
      if (random.nextBoolean()) connect(random, device, expected, false);
      put(
          device,
          expected,
          session(id, 1, at, device.known, Ended.FINISHED),
          device.known.sharedAt());
      count(Seen.PUT_RIGHT_BY_THE_CLIENT);
    }
  }

  private Told session(
      UUID id, @Nullable Integer revision, OffsetDateTime at, Known known, Ended ended) {
    SessionUpload upload =
        new SessionUpload(
            id,
            revision,
            ProgramKind.MAIN,
            known.number(),
            Side.LEFT,
            SessionLength.USUAL,
            null,
            null,
            null,
            at,
            LISBON.getId(),
            2,
            ended,
            "",
            known.seconds(),
            null,
            null);
    return new Told(id, "/me/sessions", upload, at.toInstant());
  }

  /** In the place of what waits there under its id, as a device does. */
  private static void put(
      Device device, Map<UUID, Expected> expected, Told told, Instant sharedAt) {
    device.queue.put(told.id(), told);
    Expected e = expected.computeIfAbsent(told.id(), id -> new Expected(told));
    e.last = told;
    e.sharedAt = sharedAt;
  }

  private void connect(Random random, Device device, Map<UUID, Expected> expected, boolean badly)
      throws Exception {
    List<Told> waiting = new ArrayList<>(device.queue.values());
    if (badly && waiting.size() > 1 && random.nextInt(5) == 0) {
      Collections.shuffle(waiting, random);
      count(Seen.OUT_OF_ORDER);
    }
    for (Told told : waiting) {
      send(told, device, expected);
      if (badly && random.nextInt(10) == 0) {
        send(told, device, expected);
        count(Seen.SENT_AGAIN);
      }
      if (badly && random.nextInt(5) == 0) {
        count(Seen.ANSWERS_LOST); // it stays in the queue
      } else {
        device.queue.remove(told.id());
      }
    }
    device.known = latest();
  }

  private void send(Told told, Device device, Map<UUID, Expected> expected) throws Exception {
    count(Seen.SENT);
    if (told.body() instanceof SessionUpload s && s.version() < latest().number()) {
      count(Seen.OF_AN_OLDER_VERSION);
    }
    Expected e = expected.get(told.id());
    // The moment of what counts: the first that the server has of the last word.
    if (e != null && e.last.equals(told) && !arrived(e)) e.received = clock.instant();
    mvc.perform(
            post(told.path())
                .param("client", client.getId().toString())
                .cookie(device.cookie)
                .with(csrf())
                .accept(MediaType.APPLICATION_JSON)
                .contentType(MediaType.APPLICATION_JSON)
                .content(json.writeValueAsString(told.body())))
        .andExpect(status().isNoContent());
    if (e != null && e.last.equals(told)) arrivals.put(told, clock.instant());
  }

  private final Map<Told, Instant> arrivals = new HashMap<>();

  private boolean arrived(Expected e) {
    return arrivals.containsKey(e.last);
  }

  /** Under the id of something that is there, something else. */
  private int tellOtherwise(Device device, Map<UUID, Expected> expected) throws Exception {
    for (Expected e : expected.values()) {
      if (!(e.last.body() instanceof CheckInUpload said) || !arrived(e)) continue;
      CheckInUpload other =
          new CheckInUpload(
              said.uploadId(),
              said.sessionUploadId(),
              said.highestPain(),
              null,
              null,
              null,
              null,
              null,
              "another word of " + UUID.randomUUID());
      send(new Told(said.uploadId(), "/me/check-ins", other, e.last.told()), device, expected);
      count(Seen.CONFLICTS);
      return 1;
    }
    return 0;
  }

  private void check(Map<UUID, Expected> expected, long conflicts) {
    assertThat(sessions.conflicts(client.getId())).as("conflicts").isEqualTo(conflicts);
    boolean stopped = false;
    for (Expected e : expected.values()) {
      String id = e.last.id().toString();
      String table =
          switch (e.last.path()) {
            case "/me/sessions" -> "session_record";
            case "/me/check-ins" -> "check_in";
            default -> "follow_up";
          };
      List<Map<String, Object>> rows =
          jdbc.queryForList(
              "select * from " + table + " where client_id = ? and upload_id = ?",
              client.getId().toString(),
              id);
      assertThat(rows).as("%s %s", table, id).hasSize(1);
      Map<String, Object> row = rows.get(0);
      if (e.last.body() instanceof SessionUpload s) {
        assertThat(day(row, "local_date")).as("%s", e.last).isEqualTo(e.day());
        assertThat(row.get("ended")).isEqualTo(s.ended().name());
        assertThat(row.get("version")).isEqualTo(s.version());
        assertThat(row.get("seconds_done"))
            .isEqualTo(s.done().stream().mapToInt(Integer::intValue).sum());
        assertThat(String.valueOf(row.get("put_right")).contains("clock"))
            .isEqualTo(!e.plausible());
        if (!e.plausible()) count(Seen.CLOCK_PUT_RIGHT);
        stopped |= s.ended() == Ended.STOPPED;
      } else if (e.last.body() instanceof FollowUpUpload) {
        assertThat(day(row, "day")).as("%s", e.last).isEqualTo(e.day());
      } else if (e.last.body() instanceof CheckInUpload said) {
        assertThat(String.valueOf(row.get("session_upload_id")))
            .isEqualTo(said.sessionUploadId().toString());
        assertThat(row.get("highest_pain")).isEqualTo(said.highestPain());
        assertThat(row.get("note")).isEqualTo("");
      }
    }
    if (stopped) assertThat(standing(client).open(Attention.STOPPED)).isNotEmpty();
    Integer all =
        jdbc.queryForObject(
            "select count(*) from session_record where client_id = ? and received_at > ?",
            Integer.class,
            client.getId().toString(),
            Timestamp.from(clock.instant().minus(Duration.ofDays(7)).plus(Duration.ofMinutes(1))));
    long told =
        expected.values().stream().filter(e -> e.last.body() instanceof SessionUpload).count();
    assertThat(all).as("nothing else").isEqualTo((int) told);
  }

  private static LocalDate day(Map<String, Object> row, String column) {
    return LocalDate.parse(String.valueOf(row.get(column)));
  }
}
