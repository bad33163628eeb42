package org.biokinet.app.measurement;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.library.Library;
import org.biokinet.app.library.LibraryService;
import org.biokinet.app.measurement.internal.DecisionRow;
import org.biokinet.app.measurement.internal.MeasurementRow;
import org.biokinet.app.people.AccountService;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.platform.Cut;
import org.biokinet.app.practice.Me;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.measure.Examination;
import org.biokinet.core.measure.Finding;
import org.biokinet.core.measure.Findings;
import org.biokinet.core.measure.Measured;
import org.biokinet.core.measure.PainMap;
import org.biokinet.core.measure.Visit;
import org.biokinet.core.progress.Attention;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Measures of clients, each kept as it was taken. */
@Service
public class MeasurementService {

  interface MeasurementRows extends JpaRepository<MeasurementRow, UUID> {
    /** Without what was marked on photographs that were taken back. */
    @Query(
        """
        select m from MeasurementRow m where m.clientId = :client
        and not exists (select 1 from PhotographRow p where p.clientId = :client
                        and p.withdrawnAt is not null and collate(cast(p.id as string) as utf8mb4_unicode_ci) = m.part)
        order by m.at
        """)
    List<MeasurementRow> all(UUID client);
  }

  interface Decisions extends JpaRepository<DecisionRow, UUID> {
    List<DecisionRow> findByClientIdOrderByAt(UUID clientId);
  }

  /**
   * A finding with what the practitioner made of it.
   *
   * @param treat what to treat, the most promising first: tissue or motion, side and intent
   * @param weight for ranking, larger first; 0 for the practitioner's own
   * @param finding as it was read off the measures; empty for the practitioner's own
   */
  public record Judged(
      String code,
      String words,
      List<Finding.Target> treat,
      double weight,
      State state,
      Optional<Finding> finding) {

    /** What exercises for it are found by: "upper trapezius", "trunk rotation". */
    public List<String> searches() {
      return treat.stream().map(MeasurementService::searched).distinct().toList();
    }

    /** What was made of it. */
    public enum State {
      OPEN,
      CONFIRMED,
      DISMISSED,
      ADDED
    }

    public boolean confirmed() {
      return state == State.CONFIRMED;
    }

    public boolean dismissed() {
      return state == State.DISMISSED;
    }

    /** Whether it is the practitioner's own. */
    public boolean own() {
      return state == State.ADDED;
    }
  }

  private final MeasurementRows rows;
  private final Decisions decisions;
  private final ClientService clients;
  private final AccountService accounts;
  private final LibraryService library;
  private final Audit audit;
  private final ApplicationEventPublisher publisher;
  private final Clock clock;

  MeasurementService(
      MeasurementRows rows,
      Decisions decisions,
      ClientService clients,
      AccountService accounts,
      LibraryService library,
      Audit audit,
      ApplicationEventPublisher publisher,
      Clock clock) {
    this.rows = rows;
    this.decisions = decisions;
    this.clients = clients;
    this.accounts = accounts;
    this.library = library;
    this.audit = audit;
    this.publisher = publisher;
    this.clock = clock;
  }

  /** Keeps a measure; one of the same kind, part, side, day and author is corrected by it. */
  @Changes
  public void save(Me me, UUID clientId, Measured measured) {
    Client client = clients.lock(me, clientId);
    keep(client, measured, me.id());
    audit.changed(me, clientId, "measured", measured.kind() + " " + measured.part());
  }

  /** The same by the client, through the link. */
  @Changes
  public void save(ClientMe me, Measured measured) {
    keep(clients.lock(me), measured, null);
    audit.changedByClient(me.practiceId(), me.id(), "measured", measured.kind().name());
  }

  /** One mark of the practitioner's map of today; without a mark the place is cleared. */
  @Changes
  public void mark(Me me, UUID clientId, PainMap.Mark mark, boolean clear) {
    Client client = clients.lock(me, clientId);
    PainMap now = visit(client, today(client)).flatMap(v -> v.map(false)).orElse(PainMap.EMPTY);
    PainMap then = clear ? now.without(mark.area(), mark.side()) : now.with(mark);
    keep(client, new Measured.BodyMap(then), me.id());
    audit.changed(me, clientId, "measured", "MAP");
  }

  /**
   * The same on the client's own map, which stands apart. What asks for the signs of an emergency
   * is put before the practitioner.
   *
   * @return whether this mark asks for the signs
   */
  @Changes
  public boolean mark(ClientMe me, PainMap.Mark mark, boolean clear) {
    Client client = clients.lock(me);
    PainMap now = ownMap(client);
    PainMap then = clear ? now.without(mark.area(), mark.side()) : now.with(mark);
    keep(client, new Measured.BodyMap(then), null);
    clients.mapAsked(me);
    audit.changedByClient(me.practiceId(), me.id(), "measured", "MAP");
    List<String> asks =
        then.asksForSigns().stream().filter(a -> !now.asksForSigns().contains(a)).toList();
    if (!asks.isEmpty()) clients.raise(me.id(), Attention.MAP_ASKS, String.join(", ", asks));
    tellNew(client, then);
    return !asks.isEmpty();
  }

  /** What was not on the newest map of either before today; a first map has nothing new. */
  private void tellNew(Client client, PainMap now) {
    LocalDate today = today(client);
    List<Visit> before =
        ofEpisode(client, visits(client)).stream().filter(v -> v.day().isBefore(today)).toList();
    List<PainMap> earlier =
        Stream.of(true, false)
            .flatMap(own -> before.stream().flatMap(v -> v.map(own).stream()).limit(1))
            .toList();
    // Tapped again and again, it is told once, as it stands in the end.
    clients.takeBack(
        client.getId(), Attention.NEW_SYMPTOM, today.atStartOfDay(client.zone()).toInstant());
    List<PainMap.Mark> marks = earlier.isEmpty() ? List.of() : now.notOn(earlier);
    if (marks.isEmpty()) return;
    String words = marks.stream().map(PainMap.Mark::words).collect(Collectors.joining("; "));
    clients.raise(client.getId(), Attention.NEW_SYMPTOM, Cut.to(LONGEST_NEWS, words));
  }

  /** What the client has marked today. */
  @Transactional(readOnly = true)
  public PainMap ownMap(Client client) {
    return visit(client, today(client)).flatMap(v -> v.map(true)).orElse(PainMap.EMPTY);
  }

  /** As much as a matter has room for. */
  private static final int LONGEST_NEWS = 300;

  private void keep(Client client, Measured measured, @Nullable UUID by) {
    LocalDate day = today(client);
    List<MeasurementRow> current = current(client.getId());
    UUID replaced =
        current.stream()
            .filter(r -> r.isOf(measured, day, by == null))
            .map(MeasurementRow::getId)
            .reduce((a, b) -> b)
            .orElse(null);
    rows.save(new MeasurementRow(client.getId(), day, measured, by, clock.instant(), replaced));
    publisher.publishEvent(new MeasuresChanged(client.getId()));
  }

  private List<MeasurementRow> current(UUID clientId) {
    List<MeasurementRow> all = rows.all(clientId);
    Set<UUID> replaced = new HashSet<>();
    all.forEach(r -> r.supersedes().ifPresent(replaced::add));
    return all.stream().filter(r -> !replaced.contains(r.getId())).toList();
  }

  /** All visits, the newest first. */
  @Transactional(readOnly = true)
  public List<Visit> visits(Client client) {
    Map<LocalDate, List<Visit.Taken>> days = new TreeMap<>(Comparator.reverseOrder());
    for (MeasurementRow r : current(client.getId())) {
      days.computeIfAbsent(r.localDate(), d -> new ArrayList<>())
          .add(
              new Visit.Taken(
                  r.getId(),
                  r.value(),
                  r.practitionerId().map(accounts::practitionerName).orElse("the client"),
                  r.practitionerId().isEmpty(),
                  r.at(),
                  r.supersedes().isPresent()));
    }
    return days.entrySet().stream().map(e -> new Visit(e.getKey(), e.getValue())).toList();
  }

  /** What was measured in this episode: like is compared with like. */
  public static List<Visit> ofEpisode(Client client, List<Visit> visits) {
    return visits.stream()
        .map(v -> v.since(client.episodeSince()))
        .filter(v -> !v.taken().isEmpty())
        .toList();
  }

  @Transactional(readOnly = true)
  public Optional<LocalDate> lastVisit(Client client) {
    return current(client.getId()).stream()
        .map(MeasurementRow::localDate)
        .max(Comparator.naturalOrder());
  }

  private Optional<Visit> visit(Client client, LocalDate day) {
    return visits(client).stream().filter(v -> v.day().equals(day)).findFirst();
  }

  public LocalDate today(Client client) {
    return clock.instant().atZone(client.zone()).toLocalDate();
  }

  /**
   * What stands out in a client's measures, read once.
   *
   * @param findings what the newest value of each measure of this episode points to, with what was
   *     made of it; the practitioner's own first
   * @param examined what stood out when the client was last examined; empty when nothing did
   * @param pinches sides toward which a turn of the neck ended with a pinch on that side
   */
  public record Found(List<Judged> findings, List<String> examined, Set<Side> pinches) {

    /** Those that nobody dismissed: planning starts from them. */
    public List<Judged> standing() {
      return findings.stream().filter(f -> !f.dismissed()).toList();
    }
  }

  @Transactional(readOnly = true)
  public Found found(Client client, Library library) {
    List<Visit> visits = visits(client);
    Optional<Examination> last = examination(visits);
    return new Found(
        findings(client, ofEpisode(client, visits), library),
        last.map(Examination::standsOut).orElse(List.of()),
        Arrays.stream(Side.values())
            .filter(side -> last.filter(e -> e.pinches(side)).isPresent())
            .collect(Collectors.toSet()));
  }

  /** The findings among visits of this episode that are at hand. */
  public List<Judged> findings(Client client, List<Visit> ofEpisode, Library library) {
    Map<String, DecisionRow> decided = new LinkedHashMap<>();
    decisions.findByClientIdOrderByAt(client.getId()).forEach(d -> decided.put(d.code(), d));
    List<Judged> judged = new ArrayList<>();
    decided.values().stream()
        .filter(d -> d.decision() == DecisionRow.Decision.ADDED)
        .forEach(
            d ->
                judged.add(
                    new Judged(
                        d.code(), d.words(), List.of(), 0, Judged.State.ADDED, Optional.empty())));
    List<Finding> found = new Findings(library.catalogue()).of(Visit.newest(ofEpisode).measures());
    for (Finding f : found) {
      Judged.State state =
          Optional.ofNullable(decided.get(f.code()))
              .map(d -> Judged.State.valueOf(d.decision().name()))
              .orElse(Judged.State.OPEN);
      judged.add(new Judged(f.code(), f.words(), f.treat(), f.weight(), state, Optional.of(f)));
    }
    return judged;
  }

  /** How an exercise for it is found. */
  private static String searched(Finding.Target target) {
    return target instanceof Finding.Target.OfTissue t
        ? t.tissue().label()
        : ((Finding.Target.OfMotion) target).motion().label();
  }

  private static Optional<Examination> examination(List<Visit> newestFirst) {
    return newestFirst.stream()
        .filter(v -> v.first(Measured.Examined.class).isPresent())
        .findFirst()
        .map(Visit::examination);
  }

  /**
   * Confirms or dismisses a finding.
   *
   * @return false, and nothing is kept, where there is no such finding any more
   */
  @Changes
  public boolean decide(Me me, UUID clientId, String code, boolean confirmed) {
    Client client = clients.lock(me, clientId);
    Optional<Judged> finding =
        found(client, library.of(client.practice())).findings().stream()
            .filter(f -> f.code().equals(code))
            .findFirst();
    if (finding.isEmpty()) return false;
    if (finding.get().state() == Judged.State.ADDED && confirmed) return true;
    decide(
        me,
        clientId,
        code,
        confirmed ? DecisionRow.Decision.CONFIRMED : DecisionRow.Decision.DISMISSED,
        "");
    return true;
  }

  /** Adds a finding of the practitioner's own. */
  @Changes
  public void add(Me me, UUID clientId, String words) {
    clients.lock(me, clientId);
    decide(me, clientId, "own-" + UUID.randomUUID(), DecisionRow.Decision.ADDED, words);
  }

  private void decide(
      Me me, UUID clientId, String code, DecisionRow.Decision decision, String words) {
    decisions.save(new DecisionRow(clientId, code, decision, words, me.id(), clock.instant()));
    publisher.publishEvent(new MeasuresChanged(clientId));
    audit.changed(me, clientId, "finding " + decision.name().toLowerCase(Locale.ROOT), code);
  }
}
