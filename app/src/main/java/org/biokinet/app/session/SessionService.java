package org.biokinet.app.session;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.biokinet.app.account.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientEvent;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.library.Library;
import org.biokinet.app.program.Limits;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.support.BadUpload;
import org.biokinet.app.support.Changes;
import org.biokinet.app.support.Secrets;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.safety.Allowed;
import org.biokinet.core.safety.Gate;
import org.biokinet.core.safety.PainBefore;
import org.biokinet.core.timeline.Performance;
import org.biokinet.core.timeline.Timeline;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.PageRequest;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Sessions and check-ins as they come in, each kept once and never changed. */
@Service
public class SessionService {

  interface Sessions extends JpaRepository<SessionRow, UUID> {
    Optional<SessionRow> findByClientIdAndUploadId(UUID clientId, UUID uploadId);

    Optional<SessionRow> findFirstByClientIdOrderByStartedAtDesc(UUID clientId);

    Page<SessionRow> findByClientIdOrderByStartedAtDesc(UUID clientId, Pageable page);

    List<SessionRow> findByClientIdInAndLocalDateGreaterThanEqualOrderByStartedAt(
        Collection<UUID> clientIds, LocalDate from);

    /** The newest day of a client's on which something was done that was open. */
    interface LastDay {
      UUID getClientId();

      LocalDate getDay();
    }

    @Query(
        """
        select s.clientId as clientId, max(s.localDate) as day from SessionRow s
        where s.clientId in :clients and s.whileClosed = false and s.secondsDone > 0
        group by s.clientId
        """)
    List<LastDay> lastDays(Collection<UUID> clients);

    @Query(
        """
        select s from SessionRow s where s.clientId in :clients and s.startedAt =
          (select max(t.startedAt) from SessionRow t where t.clientId = s.clientId)
        """)
    List<SessionRow> newest(Collection<UUID> clients);
  }

  interface Items extends JpaRepository<SessionItemRow, SessionItemRow.Key> {}

  interface CheckIns extends JpaRepository<CheckInRow, UUID> {
    Optional<CheckInRow> findByClientIdAndUploadId(UUID clientId, UUID uploadId);

    List<CheckInRow> findByClientIdInAndSessionUploadIdInOrderByReceivedAt(
        Collection<UUID> clientIds, Collection<UUID> sessionUploadIds);
  }

  interface Conflicts extends JpaRepository<UploadConflictRow, UUID> {
    long countByClientId(UUID clientId);

    List<UploadConflictRow> findByClientIdAndUploadId(UUID clientId, UUID uploadId);
  }

  /** A device's clock may be this far ahead; our choice. */
  private static final Duration CLOCK_SLACK = Duration.ofMinutes(10);

  /** Nobody does a version before it is shared, but a clock may be a day behind; our choice. */
  private static final Duration BEFORE_SHARED = Duration.ofDays(1);

  private static final int LONGEST_NOTE = 1000;

  private final Sessions sessions;
  private final Items items;
  private final CheckIns checkIns;
  private final Conflicts conflicts;
  private final VersionService versions;
  private final ClientService clients;
  private final ScreeningService screenings;
  private final Limits limits;
  private final Audit audit;
  private final ObjectMapper json;
  private final Clock clock;

  SessionService(
      Sessions sessions,
      Items items,
      CheckIns checkIns,
      Conflicts conflicts,
      VersionService versions,
      ClientService clients,
      ScreeningService screenings,
      Limits limits,
      Audit audit,
      ObjectMapper json,
      Clock clock) {
    this.sessions = sessions;
    this.items = items;
    this.checkIns = checkIns;
    this.conflicts = conflicts;
    this.versions = versions;
    this.clients = clients;
    this.screenings = screenings;
    this.limits = limits;
    this.audit = audit;
    this.json = json;
    this.clock = clock;
  }

  /** The side that leads the next session: the sides take turns. */
  @Transactional(readOnly = true)
  public Side nextLead(UUID clientId) {
    return sessions
        .findFirstByClientIdOrderByStartedAtDesc(clientId)
        .map(s -> s.lead().opposite())
        .orElse(Side.LEFT);
  }

  /** Pain was too high to start: kept, so that the practitioner is told. */
  @Changes
  public void refusedStart(ClientMe me, PainBefore pain) {
    clients.lock(me);
    clients.happened(
        me.id(), ClientEvent.Kind.PAIN_TOO_HIGH, null, "pain %d of 10".formatted(pain.nprs()));
    audit.changedByClient(me.practiceId(), me.id(), "start refused", "pain " + pain.nprs());
  }

  /** Somebody asked for the player past a closed gate. */
  @Changes
  public void refusedAtGate(ClientMe me, String why) {
    audit.changedByClient(me.practiceId(), me.id(), "start refused", cut(why, 300));
  }

  /**
   * Keeps a session, whatever is wrong with it: a clock or a zone is put right and said, and what
   * does not fit the program is kept as it came. A stop reaches the practitioner in any case.
   */
  @Changes
  public void record(ClientMe me, SessionUpload upload) {
    clients.lock(me);
    try {
      keep(me, upload);
    } catch (BadUpload e) {
      keepUnread(me, upload, String.valueOf(e.getBody().getDetail()));
    }
  }

  /** As it came, once, and put before the practitioner. */
  private void keepUnread(ClientMe me, SessionUpload upload, String why) {
    String content = write(upload);
    boolean known =
        conflicts.findByClientIdAndUploadId(me.id(), upload.uploadId()).stream()
            .anyMatch(c -> c.content().equals(content));
    if (known) return;
    conflicts.save(new UploadConflictRow(me.id(), upload.uploadId(), content, clock.instant()));
    String said = cut("it could not be read: " + why, 300);
    clients.happened(me.id(), ClientEvent.Kind.WHILE_CLOSED, null, said);
    stopped(me, upload);
    audit.changedByClient(me.practiceId(), me.id(), "session not read", said);
  }

  private void stopped(ClientMe me, SessionUpload upload) {
    if (upload.ended() != SessionRow.Ended.STOPPED) return;
    clients.happened(me.id(), ClientEvent.Kind.STOPPED, null, cut(upload.reason(), 300));
  }

  private void keep(ClientMe me, SessionUpload upload) {
    String content = write(upload);
    String hash = Secrets.hash(content);
    Optional<SessionRow> before = sessions.findByClientIdAndUploadId(me.id(), upload.uploadId());
    if (before.isPresent()) {
      keepConflict(me, upload.uploadId(), content, hash, before.get().contentHash());
      return;
    }
    VersionService.Replay shared =
        versions
            .number(me.id(), upload.version())
            .orElseThrow(() -> new BadUpload("there is no version " + upload.version()));
    VersionService.Replay replay = upload.beginsAgain() ? shared.beginningAgain() : shared;
    Timeline timeline;
    Performance performance;
    try {
      timeline =
          Timeline.compile(replay.session(upload.lead(), upload.lengthDone(), upload.waiting()));
      performance = Performance.of(timeline, upload.done());
    } catch (IllegalArgumentException e) {
      throw new BadUpload(String.valueOf(e.getMessage()));
    }
    if (!ofTen(upload.painBefore())) throw new BadUpload("painBefore is 0 to 10");
    Instant now = clock.instant();
    List<String> putRight = new ArrayList<>();
    Instant started = plausible(upload.startedAt(), replay, now, putRight);
    String zone = zone(upload.zone(), me, putRight);
    // Asked before it is kept: a session does not open the gate that was closed to it.
    boolean closed = !screenings.gate(clients.byId(me.id())).open();
    Optional<String> past =
        pastTheGate(clients.byId(me.id()), replay, upload.beginsAgain(), performance);
    SessionRow row =
        sessions.save(
            new SessionRow(
                me.id(),
                upload.uploadId(),
                hash,
                replay.version().getId(),
                upload.lead(),
                upload.lengthDone(),
                replay.program().breathSeconds(),
                started,
                upload.startedAt().getOffset().getTotalSeconds() / 60,
                zone,
                started.atZone(me.zone()).toLocalDate(),
                now,
                upload.painBefore(),
                upload.ended(),
                upload.done().stream().mapToInt(Integer::intValue).sum(),
                timeline.seconds(),
                performance.stretchSeconds(Side.LEFT),
                performance.stretchSeconds(Side.RIGHT),
                closed,
                cut(String.join("; ", putRight), 300)));
    items.saveAll(
        performance.parts().stream().map(p -> new SessionItemRow(row.getId(), p)).toList());
    past.ifPresent(
        why -> {
          // Kept all the same: what was done was done.
          clients.happened(me.id(), ClientEvent.Kind.WHILE_CLOSED, null, why);
          audit.changedByClient(me.practiceId(), me.id(), "session while closed", why);
        });
    stopped(me, upload);
    audit.changedByClient(
        me.practiceId(), me.id(), "session", upload.ended().name().toLowerCase(Locale.ROOT));
  }

  /** Why this session should not have been done, or not all of it; empty where it was right. */
  private Optional<String> pastTheGate(
      Client client, VersionService.Replay replay, boolean beganAgain, Performance performance) {
    Gate gate = screenings.gate(client);
    if (gate instanceof Gate.Closed closed) {
      return Optional.of("the gate was " + closed.why().label());
    }
    Gate.Open open = (Gate.Open) gate;
    Map<Integer, Allowed.Objection> against =
        limits.objections(client, open.assessment(), replay.program());
    Optional<String> notAllowed =
        performance.parts().stream()
            .filter(p -> p.seconds() > 0 && against.containsKey(p.item()))
            .map(Performance.Part::item)
            .findFirst()
            .map(place -> notAllowed(replay, place, Objects.requireNonNull(against.get(place))));
    if (notAllowed.isPresent()) return notAllowed;
    return open.reEntry() && !beganAgain
        ? Optional.of("only half doses were open after the pause")
        : Optional.empty();
  }

  private static String notAllowed(
      VersionService.Replay replay, int place, Allowed.Objection objection) {
    Exercise e = replay.program().items().get(place).exercise();
    String name = replay.catalogue().words(e, Library.LANGUAGE).name();
    return objection.limit() == Allowed.Limit.LOCKED
        ? "“%s” was locked".formatted(name)
        : "“%s” was more than the screening allows".formatted(name);
  }

  /**
   * Keeps a check-in; its session may come later.
   *
   * @throws BadUpload when it cannot be right
   */
  @Changes
  public void record(ClientMe me, CheckInUpload upload) {
    String content = write(upload);
    String hash = Secrets.hash(content);
    Optional<CheckInRow> before = checkIns.findByClientIdAndUploadId(me.id(), upload.uploadId());
    if (before.isPresent()) {
      keepConflict(me, upload.uploadId(), content, hash, before.get().contentHash());
      return;
    }
    if (!ofTen(upload.highestPain()) || !ofTen(upload.stretchFelt())) {
      throw new BadUpload("highestPain and stretchFelt are 0 to 10");
    }
    checkIns.save(
        new CheckInRow(
            me.id(),
            upload.uploadId(),
            hash,
            upload.sessionUploadId(),
            upload.highestPain(),
            upload.stretchFelt(),
            cut(upload.note(), LONGEST_NOTE),
            clock.instant(),
            null));
    audit.changedByClient(me.practiceId(), me.id(), "check-in", "");
  }

  /** Told on the scale, or not told: what was not told is never taken for a 0. */
  private static boolean ofTen(@Nullable Integer told) {
    return told == null || PainBefore.valid(told);
  }

  private void keepConflict(
      ClientMe me, UUID uploadId, String content, String hash, String earlierHash) {
    if (hash.equals(earlierHash)) return; // sent twice: nothing new
    conflicts.save(new UploadConflictRow(me.id(), uploadId, content, clock.instant()));
    audit.changedByClient(me.practiceId(), me.id(), "upload conflict", uploadId.toString());
  }

  @Transactional(readOnly = true)
  public long conflicts(UUID clientId) {
    return conflicts.countByClientId(clientId);
  }

  @Transactional(readOnly = true)
  public Page<SessionRow> page(UUID clientId, int page, int size) {
    return sessions.findByClientIdOrderByStartedAtDesc(clientId, PageRequest.of(page, size));
  }

  @Transactional(readOnly = true)
  public List<SessionRow> since(Collection<UUID> clientIds, LocalDate from) {
    return clientIds.isEmpty()
        ? List.of()
        : sessions.findByClientIdInAndLocalDateGreaterThanEqualOrderByStartedAt(clientIds, from);
  }

  /** The newest session of each of these clients that has one. */
  @Transactional(readOnly = true)
  public Map<UUID, SessionRow> newest(Collection<UUID> clientIds) {
    return clientIds.isEmpty()
        ? Map.of()
        : sessions.newest(clientIds).stream()
            .collect(Collectors.toMap(SessionRow::clientId, Function.identity(), (a, b) -> b));
  }

  /** The check-in in force for each of these sessions, by the session's upload id. */
  @Transactional(readOnly = true)
  public Map<UUID, CheckInRow> checkIns(Collection<SessionRow> of) {
    if (of.isEmpty()) return Map.of();
    return checkIns
        .findByClientIdInAndSessionUploadIdInOrderByReceivedAt(
            of.stream().map(SessionRow::clientId).distinct().toList(),
            of.stream().map(SessionRow::uploadId).toList())
        .stream()
        .collect(Collectors.toMap(CheckInRow::sessionUploadId, Function.identity(), (a, b) -> b));
  }

  /** When it began, as far as the device's clock can be believed; else when it came in. */
  private static Instant plausible(
      OffsetDateTime told, VersionService.Replay replay, Instant now, List<String> putRight) {
    boolean ahead = told.toInstant().isAfter(now.plus(CLOCK_SLACK));
    boolean before = told.toInstant().isBefore(replay.version().sharedAt().minus(BEFORE_SHARED));
    if (!ahead && !before) return told.toInstant();
    putRight.add("the device's clock said " + told);
    return now;
  }

  private static String zone(String told, ClientMe me, List<String> putRight) {
    try {
      return ZoneId.of(told).getId();
    } catch (DateTimeException e) {
      putRight.add("the device's zone, %s, is not known".formatted(cut(told, 64)));
      return me.zone().getId();
    }
  }

  private static String cut(String text, int most) {
    String stripped = text.strip();
    return stripped.length() > most ? stripped.substring(0, most) : stripped;
  }

  private String write(Object upload) {
    try {
      return json.writeValueAsString(upload);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException(e);
    }
  }
}
