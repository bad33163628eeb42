package org.biokinet.app.session;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.library.Library;
import org.biokinet.app.library.LibraryService;
import org.biokinet.app.platform.BadUpload;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.platform.Cut;
import org.biokinet.app.platform.NotFound;
import org.biokinet.app.platform.Pages;
import org.biokinet.app.practice.Me;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.session.internal.CheckInRow;
import org.biokinet.app.session.internal.SessionItemRow;
import org.biokinet.app.session.internal.SessionRow;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.progress.Attention;
import org.biokinet.core.screening.Gate;
import org.biokinet.core.screening.Permit;
import org.biokinet.core.session.Asking;
import org.biokinet.core.session.Began;
import org.biokinet.core.session.CheckIn;
import org.biokinet.core.session.DaysOff;
import org.biokinet.core.session.Ended;
import org.biokinet.core.session.Lead;
import org.biokinet.core.session.PastTheGate;
import org.biokinet.core.session.Session;
import org.biokinet.core.session.Told;
import org.biokinet.core.timeline.Performance;
import org.biokinet.core.timeline.Timeline;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.PageImpl;
import org.springframework.data.domain.PageRequest;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Sessions and check-ins as they come in, each kept once and never changed. */
@Service
public class SessionService {

  interface Sessions extends JpaRepository<SessionRow, UUID> {
    Optional<SessionRow> findByClientIdAndUploadId(UUID clientId, UUID uploadId);

    Optional<SessionRow> findFirstByClientIdOrderByStartedAtDesc(UUID clientId);

    Optional<SessionRow> findFirstByClientIdAndProgramOrderByStartedAtDesc(
        UUID clientId, ProgramKind program);

    Page<SessionRow> findByClientIdOrderByStartedAtDesc(UUID clientId, Pageable page);

    List<SessionRow> findByClientIdAndProgramAndLocalDateOrderByStartedAt(
        UUID clientId, ProgramKind program, LocalDate day);

    List<SessionRow> findByClientIdAndLocalDateGreaterThanEqualOrderByStartedAt(
        UUID clientId, LocalDate from);

    List<SessionRow> findByClientIdAndStartedAtGreaterThanEqualAndStartedAtLessThanOrderByStartedAt(
        UUID clientId, Instant from, Instant until);

    long countByClientIdAndStartedAtBeforeAndReceivedAtAfter(
        UUID clientId, Instant began, Instant came);
  }

  interface Items extends JpaRepository<SessionItemRow, SessionItemRow.Key> {
    List<SessionItemRow> findByKeySessionIdInOrderByKeyItemAscKeySideAsc(
        Collection<UUID> sessionIds);
  }

  interface CheckIns extends JpaRepository<CheckInRow, UUID> {
    Optional<CheckInRow> findByClientIdAndUploadId(UUID clientId, UUID uploadId);

    List<CheckInRow> findByClientIdAndSessionUploadIdInOrderByReceivedAt(
        UUID clientId, Collection<UUID> sessionUploadIds);
  }

  private static final int LONGEST_NOTE = 1000;

  /** Pain of so short a time ago is pain now; our choice. */
  private static final Duration JUST_NOW = Duration.ofMinutes(15);

  /** Nobody writes the hour on a sheet: sessions of a day are put from here on (our choice). */
  private static final LocalTime PAPER_HOUR = LocalTime.of(8, 0);

  private final Sessions sessions;
  private final Items items;
  private final CheckIns checkIns;
  private final Kept kept;
  private final FollowUpService followUps;
  private final VersionService versions;
  private final ClientService clients;
  private final ScreeningService screenings;
  private final LibraryService library;
  private final Audit audit;
  private final ApplicationEventPublisher publisher;
  private final ObjectMapper json;
  private final Clock clock;

  SessionService(
      Sessions sessions,
      Items items,
      CheckIns checkIns,
      Kept kept,
      FollowUpService followUps,
      VersionService versions,
      ClientService clients,
      ScreeningService screenings,
      LibraryService library,
      Audit audit,
      ApplicationEventPublisher publisher,
      ObjectMapper json,
      Clock clock) {
    this.sessions = sessions;
    this.items = items;
    this.checkIns = checkIns;
    this.kept = kept;
    this.followUps = followUps;
    this.versions = versions;
    this.clients = clients;
    this.screenings = screenings;
    this.library = library;
    this.audit = audit;
    this.publisher = publisher;
    this.json = json;
    this.clock = clock;
  }

  /** The side that leads the next session of a program: in each the sides take turns. */
  @Transactional(readOnly = true)
  public Side nextLead(UUID clientId, ProgramKind program) {
    return Lead.next(last(clientId, program).map(Session::lead));
  }

  /** The newest session of one program. */
  @Transactional(readOnly = true)
  public Optional<Session> last(UUID clientId, ProgramKind program) {
    return sessions
        .findFirstByClientIdAndProgramOrderByStartedAtDesc(clientId, program)
        .map(row -> whole(clientId, List.of(row)).get(0));
  }

  /** The newest session of a client. */
  @Transactional(readOnly = true)
  public Optional<Session> last(UUID clientId) {
    return sessions
        .findFirstByClientIdOrderByStartedAtDesc(clientId)
        .map(row -> whole(clientId, List.of(row)).get(0));
  }

  /** Somebody asked for the player past a closed gate. */
  @Changes
  public void refusedAtGate(ClientMe me, String why) {
    audit.changedByClient(
        me.practiceId(), me.id(), "start refused", Cut.to(Kept.LONGEST_WORDS, why));
  }

  /** How many sessions that had begun at a moment came in after it. */
  @Transactional(readOnly = true)
  public long late(UUID clientId, Instant at) {
    return sessions.countByClientIdAndStartedAtBeforeAndReceivedAtAfter(clientId, at, at);
  }

  /**
   * Keeps a session, whatever is wrong with it: a clock or a zone is put right and said, and what
   * does not fit the program is kept as it came. A stop reaches the practitioner in any case.
   */
  @Changes
  public void record(ClientMe me, Sent<SessionUpload> sent) {
    clients.lock(me);
    if (sent instanceof Sent.Unread<SessionUpload> unread) {
      keepUnread(me, unread);
      return;
    }
    Sent.Read<SessionUpload> read = (Sent.Read<SessionUpload>) sent;
    try {
      keep(me, read, Told.PLAYER);
    } catch (BadUpload e) {
      SessionUpload u = read.upload();
      String why = String.valueOf(e.getBody().getDetail());
      boolean stopped = u.ended() == Ended.STOPPED;
      keepUnread(me, new Sent.Unread<>(u.uploadId(), read.content(), why, stopped, u.reason()));
    }
  }

  /** The same of what is at hand as a value. */
  @Changes
  public void record(ClientMe me, SessionUpload upload) {
    record(me, new Sent.Read<>(upload.uploadId(), canonical(upload), upload));
  }

  private String canonical(Object upload) {
    return Sent.canonical(json.valueToTree(upload));
  }

  /** As it came; a stop reaches the practitioner all the same. */
  private void keepUnread(ClientMe me, Sent.Unread<?> unread) {
    if (kept.unread(me, unread, "session") && unread.stopped()) {
      stopped(me, unread.reason(), clock.instant());
    }
  }

  /**
   * @param at when it was, which may be before it came in
   */
  private void stopped(ClientMe me, String reason, Instant at) {
    String then = kept.late(me, at);
    String words = Cut.to(Kept.LONGEST_WORDS - then.length(), reason) + then;
    clients.raise(me.id(), Attention.STOPPED, words.strip());
    screenings.stopped(me.id(), at);
  }

  /** What was to be done and what was, as the version says that was done. */
  private record Done(VersionService.Replay replay, Timeline timeline, Performance performance) {}

  private Done done(ClientMe me, SessionUpload upload) {
    VersionService.Replay shared =
        versions
            .of(me.id(), upload.versionDone())
            .orElseThrow(() -> new BadUpload("there is no version " + upload.version()));
    if (!ofTen(upload.painBefore())) throw new BadUpload("painBefore is 0 to 10");
    VersionService.Replay replay = shared.begun(upload.begun());
    try {
      Timeline timeline =
          Timeline.compile(replay.session(upload.lead(), upload.lengthDone(), upload.waiting()));
      return new Done(replay, timeline, Performance.of(timeline, upload.done()));
    } catch (IllegalArgumentException e) {
      throw new BadUpload(String.valueOf(e.getMessage()));
    }
  }

  /**
   * A tap on stop by mistake is taken back by the player within five minutes; it may come a little
   * later than that. After that a stop stays a stop; our choice.
   */
  private static final Duration STOP_TAKEN_BACK_WITHIN = Session.PUT_RIGHT_WITHIN.plusMinutes(2);

  /** Whether it is the same session, put right or gone on with, and not another word about it. */
  private boolean putsRight(SessionUpload upload, SessionRow before) {
    boolean later = upload.revised() > before.revision();
    boolean inTime =
        before.ended() != Ended.STOPPED
            || clock.instant().isBefore(before.receivedAt().plus(STOP_TAKEN_BACK_WITHIN));
    return later && inTime;
  }

  private void takeBack(ClientMe me, SessionRow before) {
    if (before.ended() == Ended.STOPPED) {
      screenings.stopTakenBack(me.id(), before.startedAt());
      clients.takeBack(me.id(), Attention.STOPPED, before.receivedAt());
    }
    String was = before.ended().name().toLowerCase(Locale.ROOT);
    audit.changedByClient(me.practiceId(), me.id(), "session put right", "was " + was);
    items.deleteAll(items.findByKeySessionIdInOrderByKeyItemAscKeySideAsc(List.of(before.getId())));
    sessions.delete(before);
    sessions.flush(); // its id makes room for the one that follows
  }

  private void keep(ClientMe me, Sent.Read<SessionUpload> sent, Told told) {
    SessionUpload upload = sent.upload();
    Optional<SessionRow> before = sessions.findByClientIdAndUploadId(me.id(), upload.uploadId());
    if (before.isPresent() && !putsRight(upload, before.get())) {
      kept.conflict(me, sent, before.get().contentHash());
      return;
    }
    Done done = done(me, upload);
    before.ifPresent(b -> takeBack(me, b));
    boolean stopTakenBack = before.filter(b -> b.ended() == Ended.STOPPED).isPresent();
    VersionService.Replay replay = done.replay();
    Performance performance = done.performance();
    Instant now = clock.instant();
    List<String> putRight = new ArrayList<>();
    if (stopTakenBack) putRight.add("the client had tapped stop by mistake");
    Began began = Began.of(upload.startedAt(), replay.version().sharedAt(), now);
    began.putRight().ifPresent(putRight::add);
    Instant started = began.at();
    String zone = zone(upload.zone(), me, putRight);
    // The gate of the time when it was done: it may have closed since, or opened. Asked before the
    // session is kept, which does not open the gate that was closed to it.
    Client client = clients.byId(me.id());
    Instant asked = began.asked(replay.version().sharedAt());
    Gate gate = screenings.gate(client, asked);
    ProgramVersion.Name name = replay.version().name();
    Optional<String> withdrawn =
        Optional.of(name.inFull() + " had been withdrawn")
            .filter(w -> versions.withdrawnBy(me.id(), name, started));
    Optional<String> past =
        PastTheGate.of(
                Permit.of(
                    name.program(),
                    replay.program(),
                    versions.before(me.id(), replay.version().program(), asked),
                    client.means(),
                    gate,
                    library.of(client.practice()).catalogue()),
                performance,
                upload.begun(),
                place -> replay.name(place, Library.LANGUAGE))
            .or(() -> withdrawn);
    SessionRow row =
        sessions.save(
            new SessionRow(
                me.id(),
                upload.uploadId(),
                upload.revised(),
                sent.hash(),
                replay.version().id(),
                replay.version().name(),
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
                done.timeline().seconds(),
                !gate.open(),
                Cut.to(Kept.LONGEST_WORDS, String.join("; ", putRight)),
                told,
                upload.easier(),
                upload.allPressed()));
    items.saveAll(
        performance.parts().stream().map(p -> new SessionItemRow(row.getId(), p)).toList());
    past.ifPresent(
        why -> {
          // Kept all the same: what was done was done.
          clients.raise(me.id(), Attention.WHILE_CLOSED, why);
          audit.changedByClient(me.practiceId(), me.id(), "session while closed", why);
        });
    if (upload.ended() == Ended.STOPPED) stopped(me, upload.reason(), row.startedAt());
    if (!row.whileClosed() && row.secondsDone() > 0) {
      screenings.exercised(me.id(), row.startedAt(), row.localDate());
    }
    publisher.publishEvent(new SessionArrived(me.id()));
    if (told == Told.PAPER) return; // who has typed it in is audited, once for the sheet
    audit.changedByClient(
        me.practiceId(), me.id(), "session", upload.ended().name().toLowerCase(Locale.ROOT));
  }

  /**
   * A day of a ticked sheet.
   *
   * @param sessions that were ticked
   * @param highestPain of that day, 0–10; empty where nothing was written
   */
  public record Ticked(LocalDate day, int sessions, OptionalInt highestPain) {}

  /**
   * Keeps what was told on paper. A day never comes to more than was ticked: what the player has
   * told already is not told twice, and the same sheet may be entered again.
   *
   * @return how many sessions are new
   */
  @Changes
  public int recordOnPaper(Me me, UUID clientId, ProgramKind program, List<Ticked> days) {
    Client client = clients.lock(me, clientId);
    ClientMe them = ClientMe.of(client);
    int kept = 0;
    for (Ticked t : days) kept += onPaper(them, client, program, t);
    audit.changed(me, clientId, "ticked sheet", "%d new sessions".formatted(kept));
    return kept;
  }

  private int onPaper(ClientMe them, Client client, ProgramKind program, Ticked t) {
    Instant end = t.day().plusDays(1).atStartOfDay(client.zone()).toInstant();
    Optional<ProgramVersion> version =
        versions.all(client.getId()).stream()
            .filter(v -> v.program() == program && v.sharedAt().isBefore(end))
            .reduce((a, b) -> b);
    if (version.isEmpty()) return 0;
    List<SessionRow> there =
        sessions.findByClientIdAndProgramAndLocalDateOrderByStartedAt(
            client.getId(), program, t.day());
    List<UUID> uploads = new ArrayList<>(there.stream().map(SessionRow::uploadId).toList());
    for (int n = there.size(); n < t.sessions(); n++) {
      UUID id = paperId(client.getId(), program, t.day(), "session " + n);
      SessionUpload upload = told(id, version.get(), client, t.day(), n, Optional.empty());
      keep(them, read(id, upload), Told.PAPER);
      uploads.add(id);
    }
    if (t.highestPain().isPresent() && !uploads.isEmpty()) {
      UUID own = paperId(client.getId(), program, t.day(), "pain");
      pain(them, own, uploads, t.highestPain().getAsInt());
    }
    return uploads.size() - there.size();
  }

  private static UUID paperId(UUID client, ProgramKind program, LocalDate day, String what) {
    String name = "%s %s %s %s".formatted(client, program, day, what);
    return UUID.nameUUIDFromBytes(name.getBytes(StandardCharsets.UTF_8));
  }

  private Sent.Read<SessionUpload> read(UUID id, SessionUpload upload) {
    return new Sent.Read<>(id, canonical(upload), upload);
  }

  /**
   * What a client did without the player, told afterwards: in full as far as anybody knows.
   *
   * @param id of the form in which it is told: sent twice it is one
   * @param places of the items that were done, in the program
   */
  @Changes
  public void tellDone(
      ClientMe me,
      UUID id,
      ProgramVersion version,
      LocalDate day,
      Set<Integer> places,
      Optional<Integer> highestPain) {
    Client client = clients.lock(clients.byId(me.id()));
    if (sessions.findByClientIdAndUploadId(me.id(), id).isPresent()) return;
    int before =
        sessions
            .findByClientIdAndProgramAndLocalDateOrderByStartedAt(me.id(), version.program(), day)
            .size();
    keep(me, read(id, told(id, version, client, day, before, Optional.of(places))), Told.CLIENT);
    UUID own = paperId(me.id(), version.program(), day, "pain of " + id);
    highestPain.ifPresent(
        pain -> record(me, new CheckInUpload(own, id, pain, null, null, null, null, null, "")));
  }

  /**
   * A session of that day, after it was shared and before now.
   *
   * @param n how many there are before it on that day
   * @param places of the items that were done; empty where it was all that did not wait
   */
  private SessionUpload told(
      UUID id,
      ProgramVersion version,
      Client client,
      LocalDate day,
      int n,
      Optional<Set<Integer>> places) {
    Side lead = nextLead(client.getId(), version.program());
    VersionService.Replay replay =
        versions.of(client.getId(), version.name()).orElseThrow(NotFound::new);
    Instant usual = day.atTime(PAPER_HOUR.plusHours(n)).atZone(client.zone()).toInstant();
    Instant latest = clock.instant().minusSeconds(version.seconds());
    Instant at = usual.isAfter(latest) ? latest : usual;
    if (at.isBefore(version.sharedAt())) at = version.sharedAt();
    // What waited then, or began again, was so on the sheet too; what was done did not wait.
    Permit permit =
        Permit.of(
            version.program(),
            replay.program(),
            versions.before(client.getId(), version.program(), at),
            client.means(),
            screenings.gate(client, at),
            library.of(client.practice()).catalogue());
    Set<Integer> waiting = new HashSet<>(permit.nothing() ? Set.of() : permit.waiting());
    waiting.addAll(off(client, version, replay.program().without(waiting), day));
    places.ifPresent(waiting::removeAll);
    VersionService.Replay then = replay.begun(permit.beginning());
    List<Integer> seconds =
        Timeline.compile(then.session(lead, SessionLength.USUAL, waiting)).segments().stream()
            .map(s -> places.map(p -> p.contains(s.item())).orElse(true) ? s.seconds() : 0)
            .toList();
    return new SessionUpload(
        id,
        null,
        version.program(),
        version.number(),
        lead,
        SessionLength.USUAL,
        waiting.stream().sorted().toList(),
        null,
        permit.beginning(),
        at.atZone(client.zone()).toOffsetDateTime(),
        client.zone().getId(),
        null,
        Ended.FINISHED,
        "",
        seconds,
        null,
        null);
  }

  /** What was not due on a day, since it is done on fewer days than the rest. */
  private Set<Integer> off(Client client, ProgramVersion version, Program left, LocalDate day) {
    return DaysOff.rarer(left).isEmpty()
        ? Set.of()
        : DaysOff.of(
            left,
            version.program(),
            version.number(),
            day,
            since(client.getId(), day.minusDays(DaysOff.LOOKS_BACK)));
  }

  /**
   * Said of the first session of the day of which nothing is said yet; typed in again it is the
   * same, or a conflict that is kept and shown.
   */
  private void pain(ClientMe them, UUID own, List<UUID> uploads, int highest) {
    Set<UUID> said =
        checkIns.findByClientIdAndSessionUploadIdInOrderByReceivedAt(them.id(), uploads).stream()
            .map(CheckInRow::sessionUploadId)
            .collect(Collectors.toSet());
    checkIns
        .findByClientIdAndUploadId(them.id(), own)
        .map(CheckInRow::sessionUploadId)
        .or(() -> uploads.stream().filter(id -> !said.contains(id)).findFirst())
        .ifPresent(
            id ->
                record(
                    them, new CheckInUpload(own, id, highest, null, null, null, null, null, "")));
  }

  /** Keeps a check-in; its session may come later. One that cannot be right is kept as it came. */
  @Changes
  public void recordCheckIn(ClientMe me, Sent<CheckInUpload> sent) {
    clients.lock(me);
    if (sent instanceof Sent.Unread<CheckInUpload> unread) {
      kept.unread(me, unread, "check-in");
      return;
    }
    CheckInUpload upload = ((Sent.Read<CheckInUpload>) sent).upload();
    Optional<CheckInRow> before = checkIns.findByClientIdAndUploadId(me.id(), upload.uploadId());
    if (before.isPresent()) {
      kept.conflict(me, sent, before.get().contentHash());
      return;
    }
    if (!ofTen(upload.highestPain()) || !ofTen(upload.stretchFelt())) {
      String why = "highestPain and stretchFelt are 0 to 10";
      kept.unread(
          me, new Sent.Unread<>(sent.uploadId(), sent.content(), why, false, ""), "check-in");
      return;
    }
    checkIns.save(
        new CheckInRow(
            me.id(),
            upload.uploadId(),
            sent.hash(),
            upload.sessionUploadId(),
            upload.told(Cut.to(LONGEST_NOTE, upload.note())),
            clock.instant(),
            null));
    publisher.publishEvent(new CheckInArrived(me.id()));
    audit.changedByClient(me.practiceId(), me.id(), "check-in", "");
  }

  /** The same of what is at hand as a value. */
  @Changes
  public void record(ClientMe me, CheckInUpload upload) {
    recordCheckIn(me, new Sent.Read<>(upload.uploadId(), canonical(upload), upload));
  }

  /** Told on the scale, or not told: what was not told is never taken for a 0. */
  private static boolean ofTen(@Nullable Integer told) {
    return CheckIn.told(Optional.ofNullable(told));
  }

  @Transactional(readOnly = true)
  public long conflicts(UUID clientId) {
    return kept.count(clientId);
  }

  /** What came and was not counted, the newest first. */
  @Transactional(readOnly = true)
  public List<Beside> beside(UUID clientId) {
    return kept.newest(clientId);
  }

  /** The newest first. */
  @Transactional(readOnly = true)
  public Page<Session> page(UUID clientId, int page, int size) {
    Page<SessionRow> rows = rows(clientId, page, size);
    return new PageImpl<>(
        whole(clientId, rows.getContent()), rows.getPageable(), rows.getTotalElements());
  }

  private Page<SessionRow> rows(UUID clientId, int page, int size) {
    return sessions.findByClientIdOrderByStartedAtDesc(
        clientId, PageRequest.of(Pages.bounded(page), size));
  }

  /** From a day on, the oldest first. */
  @Transactional(readOnly = true)
  public List<Session> since(UUID clientId, LocalDate from) {
    return whole(
        clientId,
        sessions.findByClientIdAndLocalDateGreaterThanEqualOrderByStartedAt(clientId, from));
  }

  /** Those that began in a time, the oldest first. */
  @Transactional(readOnly = true)
  List<Session> between(UUID clientId, Instant from, Instant until) {
    return whole(
        clientId,
        sessions.findByClientIdAndStartedAtGreaterThanEqualAndStartedAtLessThanOrderByStartedAt(
            clientId, from, until));
  }

  /** Sessions, the oldest first, and what was told besides. */
  public record Log(List<Session> sessions, FollowUpService.Told told) {}

  /** The same with what was told besides, read once. */
  @Transactional(readOnly = true)
  public Log log(UUID clientId, LocalDate from) {
    FollowUpService.Told told = followUps.since(clientId, from);
    return new Log(
        whole(
            clientId,
            sessions.findByClientIdAndLocalDateGreaterThanEqualOrderByStartedAt(clientId, from),
            told.settled()),
        told);
  }

  /**
   * What is asked of a client now.
   *
   * @param session the one that it is about, where it is about one
   * @param toldNow pain of this morning where it was told a moment ago, so as not to be asked again
   * @param selfChecked whether the joints of today were told
   * @param recent all sessions of the last days, the oldest first, without their items
   */
  public record Asked(
      Asking asking,
      Optional<UUID> session,
      Optional<Integer> toldNow,
      List<Session> recent,
      boolean selfChecked) {}

  @Transactional(readOnly = true)
  public Asked asked(Client me) {
    ZonedDateTime now = clock.instant().atZone(me.zone());
    LocalDate today = now.toLocalDate();
    List<SessionRow> rows =
        sessions.findByClientIdAndLocalDateGreaterThanEqualOrderByStartedAt(
            me.getId(), today.minusDays(2));
    FollowUpService.Told told = followUps.since(me.getId(), today.minusDays(2));
    Map<UUID, CheckIn> said = said(me.getId(), rows);
    List<Session> recent =
        rows.stream()
            .map(
                r ->
                    r.session(
                        List.of(),
                        Optional.ofNullable(said.get(r.uploadId())),
                        Optional.ofNullable(told.settled().get(r.uploadId()))))
            .toList();
    Asking asking =
        Asking.of(now, recent, told.mornings(), me.morningFrom().orElse(Asking.MORNING_FROM));
    return new Asked(
        asking,
        asking.settled().map(s -> rows.get(recent.indexOf(s)).uploadId()),
        told.painSince(clock.instant().minus(JUST_NOW)),
        recent,
        told.selfChecks().stream().anyMatch(c -> c.day().equals(today)));
  }

  /** With what was done of each item and what was said afterwards. */
  private List<Session> whole(UUID clientId, List<SessionRow> rows) {
    List<UUID> uploads = rows.stream().map(SessionRow::uploadId).toList();
    return rows.isEmpty() ? List.of() : whole(clientId, rows, followUps.settled(clientId, uploads));
  }

  private List<Session> whole(
      UUID clientId, List<SessionRow> rows, Map<UUID, Session.Settled> settled) {
    if (rows.isEmpty()) return List.of();
    Map<UUID, List<Performance.Part>> parts =
        items
            .findByKeySessionIdInOrderByKeyItemAscKeySideAsc(
                rows.stream().map(SessionRow::getId).toList())
            .stream()
            .collect(
                Collectors.groupingBy(
                    i -> i.getId().sessionId(),
                    Collectors.mapping(SessionItemRow::part, Collectors.toList())));
    Map<UUID, CheckIn> said = said(clientId, rows);
    return rows.stream()
        .map(
            r ->
                r.session(
                    parts.getOrDefault(r.getId(), List.of()),
                    Optional.ofNullable(said.get(r.uploadId())),
                    Optional.ofNullable(settled.get(r.uploadId()))))
        .toList();
  }

  /** The last word about each of these sessions, by its upload. */
  private Map<UUID, CheckIn> said(UUID clientId, List<SessionRow> rows) {
    if (rows.isEmpty()) return Map.of();
    return checkIns
        .findByClientIdAndSessionUploadIdInOrderByReceivedAt(
            clientId, rows.stream().map(SessionRow::uploadId).toList())
        .stream()
        .collect(Collectors.toMap(CheckInRow::sessionUploadId, CheckInRow::checkIn, (a, b) -> b));
  }

  private static String zone(String told, ClientMe me, List<String> putRight) {
    try {
      return ZoneId.of(told).getId();
    } catch (DateTimeException e) {
      putRight.add("the device's zone, %s, is not known".formatted(Cut.to(64, told)));
      return me.zone().getId();
    }
  }
}
