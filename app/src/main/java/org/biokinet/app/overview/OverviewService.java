package org.biokinet.app.overview;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.UUID;
import org.biokinet.app.library.Library;
import org.biokinet.app.library.LibraryService;
import org.biokinet.app.overview.PracticeView.Changed;
import org.biokinet.app.overview.PracticeView.OfExercise;
import org.biokinet.app.overview.PracticeView.OfProgram;
import org.biokinet.app.overview.PracticeView.Step;
import org.biokinet.app.overview.PracticeView.Stops;
import org.biokinet.app.practice.Me;
import org.biokinet.app.worklist.StandingWords;
import org.biokinet.core.measure.Measured;
import org.biokinet.core.progress.Attention;
import org.biokinet.core.session.ItemSide;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Sums over the records of a practice, asked of the database as they stand there: no rule of a
 * client is decided here, and nothing is written. They go from the clients to their rows ({@code
 * straight_join}), which are few of many, whatever the database has counted of them.
 */
@Service
public class OverviewService {

  /** So long a sum is kept: an owner who looks twice does not have all of it counted twice. */
  private static final Duration KEPT = Duration.ofMinutes(5);

  private static final int SCREENING_DAYS = 14;
  private static final int STOPS_DAYS = 90;
  private static final int MOST_LINES = 40;

  private final JdbcClient db;
  private final LibraryService library;
  private final ObjectMapper json;
  private final Clock clock;
  private final Cache<UUID, PracticeView> kept =
      Caffeine.newBuilder().expireAfterWrite(KEPT).maximumSize(1_000).build();

  OverviewService(JdbcClient db, LibraryService library, ObjectMapper json, Clock clock) {
    this.db = db;
    this.library = library;
    this.json = json;
    this.clock = clock;
  }

  /** Of the practice of an owner. */
  @Transactional(readOnly = true)
  public PracticeView of(Me me) {
    return Objects.requireNonNull(kept.get(me.practiceId(), practice -> count(me)));
  }

  private PracticeView count(Me me) {
    UUID practice = me.practiceId();
    LocalDate today = LocalDate.ofInstant(clock.instant(), ZoneId.of(me.zone()));
    LocalDate from = PracticeView.from(today);
    Library names = library.of(practice);
    return new PracticeView(
        steps(practice),
        due(practice, "$.review", today),
        due(practice, "$.gateUntil", today.plusDays(SCREENING_DAYS)),
        stops(practice),
        programs(practice, from),
        exercises(practice, from, names),
        changes(practice, names));
  }

  private List<Step> steps(UUID practice) {
    Map<Attention, Long> at = new TreeMap<>();
    db.sql("select attention, count(*) from standing where practice_id = ? group by attention")
        .param(practice.toString())
        .query((row, i) -> Map.entry(Attention.valueOf(row.getString(1)), row.getLong(2)))
        .list()
        .forEach(e -> at.put(e.getKey(), e.getValue()));
    return at.entrySet().stream()
        .sorted(Comparator.comparing(e -> e.getKey().place()))
        .map(e -> new Step(StandingWords.word(e.getKey()), e.getKey().level().sign(), e.getValue()))
        .toList();
  }

  /** Whose date, among the facts of where they stand, has come by a day. */
  private int due(UUID practice, String fact, LocalDate by) {
    return db.sql(
            "select count(*) from standing where practice_id = ? and json_value(facts, ?) <= ?")
        .params(practice.toString(), fact, by.toString())
        .query(Integer.class)
        .single();
  }

  private Stops stops(UUID practice) {
    List<Optional<Duration>> waits =
        db.sql(
                """
                select m.at, (select min(e.at) from client_event e where e.client_id = m.client_id
                  and e.kind in ('CALLED', 'DEALT_WITH') and e.at >= m.at)
                from matter m join client c on c.id = m.client_id
                where c.practice_id = ? and m.attention = 'STOPPED' and m.at >= ?
                """)
            .params(
                practice.toString(),
                LocalDateTime.ofInstant(
                    clock.instant().minus(Duration.ofDays(STOPS_DAYS)), ZoneOffset.UTC))
            .query(
                (row, i) -> {
                  LocalDateTime at = row.getObject(1, LocalDateTime.class);
                  return Optional.ofNullable(row.getObject(2, LocalDateTime.class))
                      .map(called -> Duration.between(at, called));
                })
            .list();
    List<Duration> called = waits.stream().flatMap(Optional::stream).sorted().toList();
    boolean enough = called.size() >= PracticeView.LEAST;
    return new Stops(
        waits.size(),
        called.size(),
        enough ? Optional.of(called.get(called.size() / 2)) : Optional.empty(),
        enough ? Optional.of(called.get(called.size() - 1)) : Optional.empty());
  }

  private List<OfProgram> programs(UUID practice, LocalDate from) {
    return db.sql(
            """
            select v.title, count(distinct s.client_id), count(*), sum(s.seconds_done),
              sum(s.seconds_planned)
            from client c straight_join session_record s on s.client_id = c.id and s.local_date >= ?
              straight_join program_version v on v.id = s.program_version_id
            where c.practice_id = ? group by v.title
            having count(distinct s.client_id) >= ? order by 2 desc, 1 limit ?
            """)
        .params(from, practice.toString(), PracticeView.LEAST, MOST_LINES)
        .query(
            (row, i) ->
                new OfProgram(
                    row.getString(1),
                    row.getLong(2),
                    (double) row.getLong(3) / row.getLong(2) / PracticeView.WEEKS,
                    PracticeView.percent(row.getLong(4), row.getLong(5)).orElse(0)))
        .list();
  }

  // ---- exercises ---------------------------------------------------------------------------

  /** An item of a version, and which exercise it is. */
  private record Place(String version, int item) {}

  private static final class Sum {
    private final Set<String> clients = new TreeSet<>();
    private long done;
    private long planned;
    private long times;
    private long nothing;
    private long told;
    private long provoked;
  }

  private List<OfExercise> exercises(UUID practice, LocalDate from, Library names) {
    Map<Place, String> exercise = new HashMap<>();
    Map<String, Sum> sums = new TreeMap<>();
    db.sql(
            """
            select t.version, t.item, t.client, t.times, t.nothing, t.done, t.planned,
              json_value(v.document, concat('$.items[', t.item, '].exercise'))
            from (select s.program_version_id as version, i.item as item, s.client_id as client,
                count(*) as times, sum(i.seconds_done = 0) as nothing,
                sum(i.seconds_done) as done, sum(i.seconds_planned) as planned
              from client c straight_join session_record s on s.client_id = c.id and s.local_date >= ?
                straight_join session_item i on i.session_id = s.id
              where c.practice_id = ? group by s.program_version_id, i.item, s.client_id) t
            join program_version v on v.id = t.version
            """)
        .params(from, practice.toString())
        .query(
            row -> {
              String id = row.getString(8);
              if (id == null) return;
              exercise.put(new Place(row.getString(1), row.getInt(2)), id);
              Sum sum = sums.computeIfAbsent(id, x -> new Sum());
              sum.clients.add(row.getString(3));
              sum.times += row.getLong(4);
              sum.nothing += row.getLong(5);
              sum.done += row.getLong(6);
              sum.planned += row.getLong(7);
            });
    told(practice, from, exercise, sums);
    return sums.entrySet().stream()
        .filter(e -> e.getValue().clients.size() >= PracticeView.LEAST)
        .map(e -> line(e.getKey(), e.getValue(), names))
        .sorted(
            Comparator.comparing((OfExercise e) -> -(e.provoked() + e.leftOut()))
                .thenComparing(OfExercise::name))
        .limit(MOST_LINES)
        .toList();
  }

  private static OfExercise line(String id, Sum sum, Library names) {
    return new OfExercise(
        id,
        name(names, id),
        sum.clients.size(),
        PracticeView.percent(sum.done, sum.planned).orElse(0),
        PracticeView.percent(sum.nothing, sum.times).orElse(0),
        PracticeView.percent(sum.provoked, sum.told).orElse(0));
  }

  private static String name(Library names, String id) {
    return names.catalogue().find(id).map(names::name).orElse(id);
  }

  /** Of each check-in that counts, where pain rose in that session. */
  private void told(
      UUID practice, LocalDate from, Map<Place, String> exercise, Map<String, Sum> sums) {
    Map<String, Set<String>> ofVersion = new HashMap<>();
    exercise.forEach(
        (place, id) -> ofVersion.computeIfAbsent(place.version(), v -> new TreeSet<>()).add(id));
    db.sql(
            """
            select s.program_version_id, k.provoked
            from client c straight_join session_record s on s.client_id = c.id and s.local_date >= ?
              straight_join check_in k on k.client_id = s.client_id and k.session_upload_id = s.upload_id
            where c.practice_id = ?
              and not exists (select 1 from check_in n where n.supersedes = k.id)
            """)
        .params(from, practice.toString())
        .query(
            row -> {
              String version = row.getString(1);
              for (String id : ofVersion.getOrDefault(version, Set.of())) {
                Sum sum = sums.get(id);
                if (sum != null) sum.told++;
              }
              Set<String> named = new TreeSet<>();
              String provoked = row.getString(2);
              if (provoked.isEmpty()) return;
              for (ItemSide at : ItemSide.all(List.of(provoked.split(" ", -1)))) {
                String id = exercise.get(new Place(version, at.item()));
                if (id != null) named.add(id);
              }
              for (String id : named) {
                Sum sum = sums.get(id);
                if (sum != null) sum.provoked++;
              }
            });
  }

  // ---- change ------------------------------------------------------------------------------

  /** One measure of a client, first and last. */
  private record Of(String client, String measure) {}

  private List<Changed> changes(UUID practice, Library names) {
    Map<Of, double[]> firstAndLast = new LinkedHashMap<>();
    db.sql(
            """
            select m.client_id, m.value from client c straight_join measurement m on m.client_id = c.id
            where c.practice_id = ? and c.archived_at is null and m.kind in ('PAIN', 'RANGE')
              and m.practitioner_id is not null and m.at >= c.episode_since
              and not exists (select 1 from measurement n where n.supersedes = m.id)
            order by m.local_date, m.at
            """)
        .param(practice.toString())
        .query(
            row -> {
              String client = row.getString(1);
              value(row.getString(2))
                  .ifPresent(
                      v ->
                          firstAndLast.merge(
                              new Of(client, v.getKey()),
                              new double[] {v.getValue(), v.getValue(), 1},
                              (a, b) -> new double[] {a[0], b[1], a[2] + 1}));
            });
    Map<String, Set<String>> exercises = inForce(practice);
    Map<String, Map<String, List<Double>>> by = new TreeMap<>();
    firstAndLast.forEach(
        (of, values) -> {
          if (values[2] < 2) return;
          for (String id : exercises.getOrDefault(of.client(), Set.of())) {
            by.computeIfAbsent(id, x -> new TreeMap<>())
                .computeIfAbsent(of.measure(), x -> new ArrayList<>())
                .add(values[1] - values[0]);
          }
        });
    List<Changed> changed = new ArrayList<>();
    by.forEach(
        (id, measures) ->
            measures.forEach(
                (measure, all) -> {
                  if (all.size() >= PracticeView.LEAST) {
                    changed.add(new Changed(name(names, id), measure, all.size(), median(all)));
                  }
                }));
    return changed.stream()
        .sorted(
            Comparator.comparing((Changed c) -> -c.clients())
                .thenComparing(Changed::measure)
                .thenComparing(Changed::exercise))
        .limit(MOST_LINES)
        .toList();
  }

  /** What it is of, and how much; empty for what has no one value. */
  private Optional<Map.Entry<String, Double>> value(String text) {
    try {
      Measured m = json.readValue(text, Measured.class);
      if (m instanceof Measured.Pain p) return Optional.of(Map.entry("pain now", (double) p.now()));
      if (m instanceof Measured.Range r) {
        String of =
            "%s, °%s"
                .formatted(
                    r.motion().label(), r.sideMeasured().map(s -> " " + s.label()).orElse(""));
        return r.readings().mean().map(mean -> Map.entry(of, mean));
      }
      return Optional.empty();
    } catch (JsonProcessingException e) {
      throw new IllegalStateException(e);
    }
  }

  /** The exercises of everybody's newest main program, by client. */
  private Map<String, Set<String>> inForce(UUID practice) {
    Map<String, Set<String>> exercises = new HashMap<>();
    db.sql(
            """
            select v.client_id, json_extract(v.document, '$.items[*].exercise')
            from client c straight_join program_version v on v.client_id = c.id and v.program = 'MAIN'
            where c.practice_id = ? and v.shared_at >= c.episode_since
              and v.number = (select max(n.number) from program_version n
                where n.client_id = c.id and n.program = 'MAIN')
            """)
        .param(practice.toString())
        .query(
            row -> {
              try {
                exercises.put(
                    row.getString(1), Set.of(json.readValue(row.getString(2), String[].class)));
              } catch (JsonProcessingException e) {
                throw new IllegalStateException(e);
              }
            });
    return exercises;
  }

  private static double median(List<Double> values) {
    List<Double> sorted = values.stream().sorted().toList();
    int n = sorted.size();
    return (sorted.get((n - 1) / 2) + sorted.get(n / 2)) / 2;
  }
}
