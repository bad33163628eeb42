package org.biokinet.app.settings;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.Stream;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.people.AccountService;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.PracticeService;
import org.biokinet.app.practice.PracticeStamp;
import org.biokinet.app.settings.internal.SettingRow;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.dose.Pace;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.ledger.Band;
import org.biokinet.core.planning.Preferences;
import org.biokinet.core.program.Course;
import org.biokinet.core.progress.Threshold;
import org.biokinet.core.progress.Thresholds;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** What a practice has chosen for itself, with the history of each choice. */
@Service
public class SettingsService {

  interface SettingRows extends JpaRepository<SettingRow, UUID> {
    Optional<SettingRow> findFirstByPracticeIdAndNameOrderByMadeAtDesc(
        UUID practiceId, String name);

    List<SettingRow> findByPracticeIdOrderByMadeAt(UUID practiceId);

    List<SettingRow> findByPracticeIdAndNameOrderByMadeAtDesc(UUID practiceId, String name);
  }

  /** A change, in words. */
  public record Change(Instant at, String by, String what) {}

  private static final String PACING = "pacing";
  private static final String BAND = "band";
  private static final String PREFERENCES = "preferences";
  private static final String PHASES = "phases";
  private static final String THRESHOLDS = "thresholds";
  private static final String LETTERHEAD = "letterhead";

  /** Of a letterhead, besides the name of the practice. */
  public static final int MOST_LINES = 6;

  public static final int LONGEST_LINE = 80;

  private final SettingRows rows;
  private final AccountService accounts;
  private final PracticeService practices;
  private final Audit audit;
  private final ApplicationEventPublisher publisher;
  private final ObjectMapper json;
  private final Clock clock;
  private final Cache<UUID, CachedChoice> chosen =
      Caffeine.newBuilder().maximumSize(10_000).build();

  SettingsService(
      SettingRows rows,
      AccountService accounts,
      PracticeService practices,
      Audit audit,
      ApplicationEventPublisher publisher,
      ObjectMapper json,
      Clock clock) {
    this.rows = rows;
    this.accounts = accounts;
    this.practices = practices;
    this.audit = audit;
    this.publisher = publisher;
    this.json = json;
    this.clock = clock;
  }

  /** What a practice has chosen, of all that can be chosen. */
  public record Chosen(
      Pacing pacing,
      Band band,
      Preferences preferences,
      List<String> phases,
      Thresholds thresholds,
      List<String> letterhead) {
    public Chosen {
      phases = List.copyOf(phases);
      letterhead = List.copyOf(letterhead);
    }
  }

  /** Preferences as they are stored. */
  private record Liked(String counting, boolean contractRelax, boolean circles, int mostItems) {

    Preferences read() {
      return new Preferences(
          Coded.find(Preferences.Counting.class, counting).orElseThrow(),
          contractRelax,
          circles,
          mostItems);
    }
  }

  private record CachedChoice(int changes, Chosen chosen) {}

  /** All of it, of a practice that was just asked whether it has changed. */
  @Transactional(readOnly = true)
  public Chosen of(PracticeStamp practice) {
    CachedChoice kept = chosen.getIfPresent(practice.practiceId());
    if (kept != null && kept.changes() == practice.changes()) return kept.chosen();
    Map<String, String> newest = new HashMap<>();
    for (SettingRow r : rows.findByPracticeIdOrderByMadeAt(practice.practiceId())) {
      newest.put(r.name(), r.value());
    }
    Chosen now =
        new Chosen(
            Optional.ofNullable(newest.get(PACING)).map(this::pacing).orElse(Pacing.DEFAULT),
            Optional.ofNullable(newest.get(BAND))
                .flatMap(code -> Coded.find(Band.class, code))
                .orElse(Band.ACSM),
            Optional.ofNullable(newest.get(PREFERENCES))
                .map(this::preferences)
                .orElse(Preferences.USUAL),
            Optional.ofNullable(newest.get(PHASES)).map(this::names).orElse(Course.PHASES),
            Optional.ofNullable(newest.get(THRESHOLDS))
                .map(this::thresholds)
                .orElse(Thresholds.USUAL),
            Optional.ofNullable(newest.get(LETTERHEAD)).map(this::names).orElse(List.of()));
    // What is being changed just now may never be committed.
    if (TransactionSynchronizationManager.isCurrentTransactionReadOnly()) {
      chosen.put(practice.practiceId(), new CachedChoice(practice.changes(), now));
    }
    return now;
  }

  @Transactional(readOnly = true)
  public Pacing pacing(UUID practiceId) {
    return of(practices.stamp(practiceId)).pacing();
  }

  /** Names the pacing in force, so that the second of two editors does not overwrite the first. */
  @Transactional(readOnly = true)
  public Optional<UUID> pacingRevision(UUID practiceId) {
    return current(practiceId, PACING).map(SettingRow::getId);
  }

  /**
   * @param seen the revision that was edited
   * @return the name of whoever changed it in between, then nothing was saved
   */
  @Changes
  public Optional<String> setPacing(Me me, Pacing pacing, Optional<UUID> seen) {
    Map<String, Integer> value = new LinkedHashMap<>();
    pacing.changes().forEach((pace, seconds) -> value.put(pace.code(), seconds));
    return replace(me, PACING, value, seen);
  }

  private Optional<String> replace(Me me, String name, Object value, Optional<UUID> seen) {
    practices.lock(me);
    Optional<SettingRow> now = current(me.practiceId(), name);
    Optional<String> by = overtakenBy(now, seen);
    if (by.isEmpty()) save(me, name, write(value), now);
    return by;
  }

  private Optional<String> overtakenBy(Optional<SettingRow> now, Optional<UUID> seen) {
    if (now.map(SettingRow::getId).equals(seen)) return Optional.empty();
    return now.map(r -> accounts.practitionerName(r.madeBy())).or(() -> Optional.of("Somebody"));
  }

  @Transactional(readOnly = true)
  public List<Change> pacingHistory(UUID practiceId) {
    return history(practiceId, PACING, this::pacing, Pacing.DEFAULT, SettingsService::difference);
  }

  /** The newest first. */
  private <T> List<Change> history(
      UUID practiceId,
      String name,
      Function<String, T> read,
      T usual,
      BiFunction<T, T, List<String>> difference) {
    List<SettingRow> newestFirst = rows.findByPracticeIdAndNameOrderByMadeAtDesc(practiceId, name);
    List<Change> changes = new ArrayList<>();
    for (int i = 0; i < newestFirst.size(); i++) {
      SettingRow row = newestFirst.get(i);
      T before = i + 1 < newestFirst.size() ? read.apply(newestFirst.get(i + 1).value()) : usual;
      List<String> what = difference.apply(before, read.apply(row.value()));
      changes.add(
          new Change(
              row.madeAt(),
              accounts.practitionerName(row.madeBy()),
              what.isEmpty() ? "nothing changed" : String.join(" · ", what)));
    }
    return changes;
  }

  private static List<String> difference(Pacing before, Pacing after) {
    return Stream.of(Pace.values())
        .filter(p -> before.seconds(p) != after.seconds(p))
        .map(p -> "%s %d → %d s".formatted(p.label(), before.seconds(p), after.seconds(p)))
        .toList();
  }

  @Transactional(readOnly = true)
  public Thresholds thresholds(UUID practiceId) {
    return of(practices.stamp(practiceId)).thresholds();
  }

  /** Names the thresholds in force, as {@link #pacingRevision} does the pacing. */
  @Transactional(readOnly = true)
  public Optional<UUID> thresholdsRevision(UUID practiceId) {
    return current(practiceId, THRESHOLDS).map(SettingRow::getId);
  }

  /**
   * By which figures this practice decides from now on; what was decided stays as it was.
   *
   * @param seen the revision that was edited
   * @return the name of whoever changed it in between, then nothing was saved
   */
  @Changes
  public Optional<String> setThresholds(Me me, Thresholds thresholds, Optional<UUID> seen) {
    Map<String, Integer> value = new LinkedHashMap<>();
    thresholds.changes().forEach((threshold, own) -> value.put(threshold.code(), own));
    Optional<String> by = replace(me, THRESHOLDS, value, seen);
    if (by.isEmpty()) publisher.publishEvent(new ThresholdsChanged(me.practiceId()));
    return by;
  }

  @Transactional(readOnly = true)
  public List<Change> thresholdsHistory(UUID practiceId) {
    return history(
        practiceId,
        THRESHOLDS,
        this::thresholds,
        Thresholds.USUAL,
        (before, after) ->
            Stream.of(Threshold.values())
                .filter(t -> before.of(t) != after.of(t))
                .map(t -> "%s %d → %d".formatted(t.label(), before.of(t), after.of(t)))
                .toList());
  }

  /** What is no threshold any more, or outside its bounds by now, is as usual. */
  private Thresholds thresholds(String value) {
    Map<Threshold, Integer> own = new EnumMap<>(Threshold.class);
    codes(value)
        .forEach(
            (code, number) ->
                Coded.find(Threshold.class, code)
                    .filter(t -> t.allows(number))
                    .ifPresent(t -> own.put(t, number)));
    return new Thresholds(own);
  }

  private Map<String, Integer> codes(String value) {
    try {
      return json.readValue(value, new TypeReference<>() {});
    } catch (JsonProcessingException e) {
      throw new IllegalStateException(e);
    }
  }

  /** The published band that Plan shows. */
  @Transactional(readOnly = true)
  public Band band(UUID practiceId) {
    return of(practices.stamp(practiceId)).band();
  }

  @Changes
  public void setBand(Me me, Band band) {
    practices.lock(me);
    Optional<SettingRow> now = current(me.practiceId(), BAND);
    if (band(me.practiceId()) != band) save(me, BAND, band.code(), now);
  }

  @Transactional(readOnly = true)
  public Preferences preferences(UUID practiceId) {
    return of(practices.stamp(practiceId)).preferences();
  }

  /** Names the preferences in force, as {@link #pacingRevision} does the pacing. */
  @Transactional(readOnly = true)
  public Optional<UUID> preferencesRevision(UUID practiceId) {
    return current(practiceId, PREFERENCES).map(SettingRow::getId);
  }

  /**
   * How this practice likes what is suggested.
   *
   * @param seen the revision that was edited
   * @return the name of whoever changed it in between, then nothing was saved
   */
  @Changes
  public Optional<String> setPreferences(Me me, Preferences p, Optional<UUID> seen) {
    Liked liked = new Liked(p.counting().code(), p.contractRelax(), p.circles(), p.mostItems());
    return replace(me, PREFERENCES, liked, seen);
  }

  /**
   * What the practice calls the parts of a course.
   *
   * @param seen the revision that was edited
   * @return the name of whoever changed it in between, then nothing was saved
   */
  @Changes
  public Optional<String> setPhases(Me me, List<String> names, Optional<UUID> seen) {
    return replace(me, PHASES, names, seen);
  }

  /** Names the phases in force, as {@link #pacingRevision} does the pacing. */
  @Transactional(readOnly = true)
  public Optional<UUID> phasesRevision(UUID practiceId) {
    return current(practiceId, PHASES).map(SettingRow::getId);
  }

  @Transactional(readOnly = true)
  public List<String> phases(UUID practiceId) {
    return of(practices.stamp(practiceId)).phases();
  }

  /**
   * What stands above a letter besides the name of the practice: address, mail, registration.
   *
   * @param lines at most {@link #MOST_LINES}
   * @param seen the revision that was edited
   * @return the name of whoever changed it in between, then nothing was saved
   */
  @Changes
  public Optional<String> setLetterhead(Me me, List<String> lines, Optional<UUID> seen) {
    return replace(me, LETTERHEAD, lines, seen);
  }

  /** Names the letterhead in force, as {@link #pacingRevision} does the pacing. */
  @Transactional(readOnly = true)
  public Optional<UUID> letterheadRevision(UUID practiceId) {
    return current(practiceId, LETTERHEAD).map(SettingRow::getId);
  }

  @Transactional(readOnly = true)
  public List<String> letterhead(UUID practiceId) {
    return of(practices.stamp(practiceId)).letterhead();
  }

  private List<String> names(String value) {
    try {
      return json.readValue(value, new TypeReference<>() {});
    } catch (JsonProcessingException e) {
      throw new IllegalStateException(e);
    }
  }

  private Preferences preferences(String value) {
    try {
      return json.readValue(value, Liked.class).read();
    } catch (JsonProcessingException e) {
      throw new IllegalStateException(e);
    }
  }

  private void save(Me me, String name, String value, Optional<SettingRow> before) {
    rows.save(
        new SettingRow(
            me.practiceId(),
            name,
            value,
            me.id(),
            clock.instant(),
            before.map(SettingRow::getId).orElse(null)));
    audit.practiceChanged(me, name, value);
  }

  private Optional<SettingRow> current(UUID practiceId, String name) {
    return rows.findFirstByPracticeIdAndNameOrderByMadeAtDesc(practiceId, name);
  }

  private Pacing pacing(String value) {
    Map<Pace, Integer> changes = new EnumMap<>(Pace.class);
    codes(value).forEach((c, s) -> Coded.find(Pace.class, c).ifPresent(p -> changes.put(p, s)));
    return Pacing.of(changes);
  }

  private String write(Object value) {
    try {
      return json.writeValueAsString(value);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException(e);
    }
  }
}
