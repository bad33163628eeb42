package org.biokinet.app.program;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.library.Library;
import org.biokinet.app.library.LibraryService;
import org.biokinet.app.people.AccountService;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.platform.NotFound;
import org.biokinet.app.practice.Me;
import org.biokinet.app.program.internal.DraftEntryRow;
import org.biokinet.app.program.internal.DraftRow;
import org.biokinet.app.program.internal.ProgramVersionRow;
import org.biokinet.app.program.internal.ProgramVersions;
import org.biokinet.app.program.internal.WithdrawalRow;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.settings.SettingsService;
import org.biokinet.core.advice.Warning;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.program.Draft;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.DraftItem;
import org.biokinet.core.program.DraftLog;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramDocument;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.screening.Gate;
import org.biokinet.core.screening.Permit;
import org.biokinet.core.timeline.DraftTimeline;
import org.biokinet.core.timeline.Timeline;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Drafts: every change is a line in a log, so that nothing is lost and everything can be undone.
 */
@Service
public class DraftService {

  interface Drafts extends JpaRepository<DraftRow, UUID> {
    Optional<DraftRow> findFirstByClientIdAndOpenSlotOrderByMadeAt(UUID clientId, byte slot);

    /** A line of the open draft's log, with the draft; one without a line where there is none. */
    record OpenDraft(DraftRow draft, @Nullable DraftEntryRow entry) {}

    @Query(
        """
        select new org.biokinet.app.program.DraftService$Drafts$OpenDraft(d, e) from DraftRow d
        left join DraftEntryRow e on e.key.draftId = d.id
        where d.clientId = :client and d.program = :program and d.openSlot = 1 order by e.key.seq
        """)
    List<OpenDraft> open(UUID client, ProgramKind program);
  }

  interface Withdrawals extends JpaRepository<WithdrawalRow, UUID> {}

  interface Entries extends JpaRepository<DraftEntryRow, DraftEntryRow.Key> {}

  private static final byte OPEN = 1;

  /** Whoever changed a draft within this time is in it (our choice). */
  private static final Duration IN_IT = Duration.ofMinutes(30);

  /**
   * A draft as it stands.
   *
   * @param inForce what the client does now, of both programs
   * @param seq length of the log, sent along with the next change
   * @param today of the client
   * @param next what it would be shared as
   * @param started whether anything was changed since then
   * @param lately who changed it lately, the last of them at the end
   */
  public record State(
      Client client,
      ProgramKind program,
      VersionService.InForce inForce,
      LocalDate today,
      ProgramVersion.Name next,
      Draft draft,
      int seq,
      boolean canUndo,
      boolean canRedo,
      boolean started,
      List<Turn> lately) {

    public State {
      lately = List.copyOf(lately);
    }

    /** Somebody else who is in this draft. */
    public Optional<Turn> other(Me me) {
      return lately.stream().filter(t -> !t.by().equals(me.id())).reduce((a, b) -> b);
    }

    /** The version of it that was shared last. */
    public Optional<VersionService.Replay> shared() {
      return inForce.of(program);
    }

    public State with(Draft other) {
      return new State(
          client, program, inForce, today, next, other, seq, canUndo, canRedo, started, lately);
    }
  }

  /**
   * Somebody who is in a draft.
   *
   * @param since the first change of the last half hour
   * @param last the newest one
   */
  public record Turn(UUID by, Instant since, Instant last) {}

  /** What came of a change. */
  public sealed interface Outcome {
    record Done(State state) implements Outcome {}

    /** Somebody else changed the draft in between; nothing was changed. */
    record Overtaken(State state, String by) implements Outcome {}

    record Shared(ProgramVersion version) implements Outcome {}

    /** Cannot be shared yet. */
    record Refused(State state, String why) implements Outcome {}
  }

  public static final int LONGEST_REASON = 300;

  private final Drafts drafts;
  private final Entries entries;
  private final Withdrawals withdrawals;
  private final ProgramVersions versions;
  private final VersionService replays;
  private final ClientService clients;
  private final AccountService accounts;
  private final SettingsService settings;
  private final LibraryService library;
  private final ScreeningService screenings;
  private final AdviceService advice;
  private final Audit audit;
  private final ApplicationEventPublisher publisher;
  private final ObjectMapper json;
  private final Clock clock;

  DraftService(
      Drafts drafts,
      Entries entries,
      Withdrawals withdrawals,
      ProgramVersions versions,
      VersionService replays,
      ClientService clients,
      AccountService accounts,
      SettingsService settings,
      LibraryService library,
      ScreeningService screenings,
      AdviceService advice,
      Audit audit,
      ApplicationEventPublisher publisher,
      ObjectMapper json,
      Clock clock) {
    this.drafts = drafts;
    this.entries = entries;
    this.withdrawals = withdrawals;
    this.versions = versions;
    this.replays = replays;
    this.clients = clients;
    this.accounts = accounts;
    this.settings = settings;
    this.library = library;
    this.screenings = screenings;
    this.advice = advice;
    this.audit = audit;
    this.publisher = publisher;
    this.json = json;
    this.clock = clock;
  }

  @Transactional(readOnly = true)
  public State state(Me me, UUID clientId, ProgramKind program) {
    return state(clients.get(me, clientId), program);
  }

  /** The same of a client that is at hand. */
  @Transactional(readOnly = true)
  public State state(Client client, ProgramKind program) {
    return open(client.getId(), program)
        .map(o -> state(client, o))
        .orElseGet(() -> untouched(client, program));
  }

  /** A draft that is open, with its log. */
  private record Open(DraftRow row, List<DraftEntryRow> log) {}

  private Optional<Open> open(UUID clientId, ProgramKind program) {
    List<Drafts.OpenDraft> lines = drafts.open(clientId, program);
    return lines.stream()
        .findFirst()
        .map(
            first ->
                new Open(
                    first.draft(),
                    lines.stream().flatMap(l -> Stream.ofNullable(l.entry())).toList()));
  }

  /**
   * A draft that nobody has shared yet.
   *
   * @param next what it would be shared as
   */
  public record Begun(ProgramVersion.Name next, Instant at) {}

  /** The oldest of those that are open. */
  @Transactional(readOnly = true)
  public Optional<Begun> begun(Client client) {
    return drafts
        .findFirstByClientIdAndOpenSlotOrderByMadeAt(client.getId(), OPEN)
        .map(d -> new Begun(next(replays.newest(client.getId()), d.program()), d.madeAt()));
  }

  @Changes
  public Outcome edit(Me me, UUID clientId, ProgramKind program, int seq, DraftEdit edit) {
    return append(me, clientId, program, seq, DraftEntryRow.Kind.EDIT, edit);
  }

  @Changes
  public Outcome undo(Me me, UUID clientId, ProgramKind program, int seq) {
    return append(me, clientId, program, seq, DraftEntryRow.Kind.UNDO, null);
  }

  @Changes
  public Outcome redo(Me me, UUID clientId, ProgramKind program, int seq) {
    return append(me, clientId, program, seq, DraftEntryRow.Kind.REDO, null);
  }

  /** Makes an older version the draft, as one edit; nothing is shared by it. */
  @Changes
  public Outcome takeBack(Me me, UUID clientId, ProgramVersion.Name version, int seq) {
    VersionService.Replay then =
        replays.of(clients.get(me, clientId).getId(), version).orElseThrow(NotFound::new);
    DraftEdit edit = new DraftEdit.Replace(start(then));
    return append(me, clientId, version.program(), seq, DraftEntryRow.Kind.EDIT, edit);
  }

  private Outcome append(
      Me me,
      UUID clientId,
      ProgramKind program,
      int seq,
      DraftEntryRow.Kind kind,
      @Nullable DraftEdit payload) {
    Client client = clients.lock(me, clientId);
    Instant now = clock.instant();
    Open open =
        open(clientId, program).orElseGet(() -> new Open(begin(client, program, now), List.of()));
    DraftRow row = open.row();
    List<DraftEntryRow> log = open.log();
    Optional<UUID> other = overtakenBy(me, seq, log);
    if (other.isPresent()) {
      return new Outcome.Overtaken(state(client, open), accounts.practitionerName(other.get()));
    }
    entries.saveAndFlush(
        new DraftEntryRow(
            new DraftEntryRow.Key(row.getId(), log.size() + 1), kind, payload, me.id(), now));
    String what = payload == null ? "" : payload.toString();
    audit.changed(me, clientId, "draft " + kind.name().toLowerCase(Locale.ROOT), what);
    return new Outcome.Done(state(client, program));
  }

  private DraftRow begin(Client client, ProgramKind program, Instant now) {
    publisher.publishEvent(new DraftBegun(client.getId()));
    Draft start = start(program, replays.latest(client, program));
    return drafts.save(new DraftRow(client.getId(), program, start, now));
  }

  /**
   * My own newer lines (a second tab, a quick double click) do not stand in my way. Who has seen
   * more lines than there are has seen another draft, and nothing of this one.
   */
  private static Optional<UUID> overtakenBy(Me me, int seq, List<DraftEntryRow> log) {
    return log.stream()
        .skip(seq < 0 || seq > log.size() ? 0 : seq)
        .map(DraftEntryRow::madeBy)
        .filter(by -> !by.equals(me.id()))
        .findFirst();
  }

  /**
   * Makes the draft an immutable version and closes it.
   *
   * <p>Nothing is shared past a closed gate, nor an exercise that the screening locks; what is only
   * warned of takes a reason.
   *
   * @param reason why it is shared all the same; kept with the version, where there was a warning
   */
  @Changes
  public Outcome share(Me me, UUID clientId, ProgramKind kind, int seq, String reason) {
    Client client = clients.lock(me, clientId);
    Optional<Open> open = open(clientId, kind);
    State state = open.map(o -> state(client, o)).orElseGet(() -> untouched(client, kind));
    if (open.isEmpty())
      return new Outcome.Refused(state, "Nothing has changed since it was shared.");
    Optional<UUID> other = overtakenBy(me, seq, open.get().log());
    if (other.isPresent()) {
      return new Outcome.Overtaken(state, accounts.practitionerName(other.get()));
    }
    Gate gate = screenings.gate(client);
    if (gate instanceof Gate.Closed closed) {
      audit.changed(me, clientId, "share refused", closed.why().label());
      return new Outcome.Refused(
          state,
          "The gate is closed: %s. %s".formatted(closed.why().label(), closed.why().opens()));
    }
    Library mine = library.of(client.practice());
    Catalogue catalogue = mine.catalogue();
    DraftTimeline check =
        DraftTimeline.of(
            state.draft(),
            client.breathSeconds(),
            settings.of(client.practice()).pacing(),
            catalogue,
            state.today());
    if (check.problem().isPresent()) return new Outcome.Refused(state, check.problem().get());
    Program program = check.timeline().orElseThrow().program();
    Optional<String> objection =
        Permit.of(program, state.inForce().before(kind), client.means(), gate, catalogue)
            .objections()
            .entrySet()
            .stream()
            .findFirst()
            .map(e -> against(program.items().get(e.getKey()), e.getValue().words(), mine));
    if (objection.isPresent()) {
      audit.changed(me, clientId, "share refused", "beyond the screening");
      return new Outcome.Refused(state, objection.get());
    }
    Optional<String> misplaced = misplaced(kind, check, mine);
    if (misplaced.isPresent()) return new Outcome.Refused(state, misplaced.get());
    List<String> over =
        advice.all(state).stream()
            .filter(w -> w.weight() == Warning.Weight.REASON)
            .map(Warning::words)
            .toList();
    if (!over.isEmpty() && reason.isBlank()) {
      return new Outcome.Refused(
          state,
          "Say why it is shared all the same (the reason is kept): %s."
              .formatted(String.join(". ", over)));
    }
    Catalogue.Snapshot snapshot =
        catalogue.snapshot(program.items().stream().map(i -> i.exercise().id()).toList());
    ProgramVersionRow version =
        versions.save(
            new ProgramVersionRow(
                clientId,
                kind,
                state.next().number(),
                program.title(),
                ProgramDocument.write(program),
                write(snapshot),
                Timeline.RULE_SET,
                check.seconds(),
                state.draft().note().orElse(""),
                asShared(state.draft(), check),
                over,
                over.isEmpty() ? "" : reason.strip(),
                me.id(),
                clock.instant()));
    open.get().row().close();
    screenings.lookedAt(clientId);
    publisher.publishEvent(new VersionShared(clientId, version.version().name()));
    audit.changed(me, clientId, "shared", version.version().name().inFull());
    return new Outcome.Shared(version.version());
  }

  /**
   * Takes a version out of force: from now on nothing of it may be started, and the client reads
   * why. What was done of it stays.
   *
   * @param why for the client
   * @return false where it is not in force, or not any more
   */
  @Changes
  public boolean withdraw(Me me, UUID clientId, ProgramVersion.Name name, String why) {
    Client client = clients.lock(me, clientId);
    Optional<VersionService.Replay> now = replays.latest(client, name.program());
    if (now.filter(r -> r.version().name().equals(name)).isEmpty()) return false;
    withdrawals.save(
        new WithdrawalRow(now.get().version().id(), clientId, me.id(), clock.instant(), why));
    publisher.publishEvent(new VersionWithdrawn(clientId, name));
    audit.changed(me, clientId, "withdrawn", name.inFull() + ": " + why);
    return true;
  }

  /** What has no place in a program of this kind, or makes it too long for one. */
  private static Optional<String> misplaced(ProgramKind kind, DraftTimeline check, Library mine) {
    Optional<String> item =
        check.timeline().orElseThrow().program().items().stream()
            .flatMap(
                i ->
                    kind.against(i.exercise(), i.position()).stream()
                        .map(why -> against(i, why, mine)))
            .findFirst();
    if (item.isPresent() || kind.fits(check.seconds())) return item;
    return Optional.of(
        "A %s takes %d min at most, and this one takes %s: make doses smaller or leave something out."
            .formatted(kind.label(), kind.mostMinutes(), Timeline.clock(check.seconds())));
  }

  private static String against(Item item, String why, Library mine) {
    return "%s: %s.".formatted(mine.name(item.exercise()), why);
  }

  private State state(Client client, Open open) {
    DraftLog replayed =
        DraftLog.replay(
            open.row().startState(), open.log().stream().map(DraftService::entry).toList());
    ProgramKind program = open.row().program();
    List<ProgramVersions.Found> newest = replays.newest(client.getId());
    return new State(
        client,
        program,
        replays.inForce(newest, client),
        today(client),
        next(newest, program),
        replayed.draft(),
        open.log().size(),
        replayed.canUndo(),
        replayed.canRedo(),
        true,
        lately(open.log()));
  }

  /** The changes of the last half hour, person by person. */
  private List<Turn> lately(List<DraftEntryRow> log) {
    Instant from = clock.instant().minus(IN_IT);
    Map<UUID, Turn> turns = new LinkedHashMap<>();
    for (DraftEntryRow line : log) {
      if (line.madeAt().isBefore(from)) continue;
      Turn before = turns.remove(line.madeBy());
      Instant since = before == null ? line.madeAt() : before.since();
      turns.put(line.madeBy(), new Turn(line.madeBy(), since, line.madeAt()));
    }
    return List.copyOf(turns.values());
  }

  private LocalDate today(Client client) {
    return LocalDate.ofInstant(clock.instant(), client.zone());
  }

  private State untouched(Client client, ProgramKind program) {
    List<ProgramVersions.Found> newest = replays.newest(client.getId());
    VersionService.InForce inForce = replays.inForce(newest, client);
    return new State(
        client,
        program,
        inForce,
        today(client),
        next(newest, program),
        start(program, inForce.of(program)),
        0,
        false,
        false,
        false,
        List.of());
  }

  /** Numbers go on from episode to episode. */
  private static ProgramVersion.Name next(List<ProgramVersions.Found> newest, ProgramKind program) {
    int last =
        newest.stream()
            .map(ProgramVersions.Found::version)
            .filter(v -> v.program() == program)
            .mapToInt(ProgramVersionRow::number)
            .max()
            .orElse(0);
    return new ProgramVersion.Name(program, last + 1);
  }

  /** A draft starts from what was shared last; the keys are the same each time it is made. */
  private static Draft start(ProgramKind program, Optional<VersionService.Replay> shared) {
    return shared.map(DraftService::start).orElseGet(() -> Draft.empty(program.title()));
  }

  /**
   * Every dose in its one form, nothing marked as suggested: what is shared is the practitioner's.
   */
  private static Draft asShared(Draft draft, DraftTimeline check) {
    return draft.withItems(
        check.lines().stream()
            .map(
                line -> {
                  Item i = line.item().orElseThrow();
                  return line.draft()
                      .withDose(DoseNotation.format(i.dose()))
                      .withTarget(i.target().map(DoseNotation::format));
                })
            .toList());
  }

  /** As it was written; what was shared before that was kept, from its program. */
  static Draft start(VersionService.Replay replay) {
    Draft then = replay.draft().orElseGet(() -> read(replay));
    return new Draft(then.title(), then.lead(), Optional.empty(), then.items(), then.course());
  }

  private static Draft read(VersionService.Replay replay) {
    List<DraftItem> items = new ArrayList<>();
    for (Item i : replay.program().items()) {
      items.add(
          new DraftItem(
              "v%d-%d".formatted(replay.version().number(), items.size() + 1),
              i.exercise().id(),
              DoseNotation.format(i.dose()),
              Optional.of(i.position()),
              i.order(),
              i.lead(),
              Optional.of(i.priority()),
              Optional.empty(),
              i.target().map(DoseNotation::format),
              Optional.empty()));
    }
    return Draft.empty(replay.program().title()).withItems(items).withLead(replay.program().lead());
  }

  private static DraftLog.Entry entry(DraftEntryRow row) {
    return switch (row.kind()) {
      case EDIT -> new DraftLog.Entry.Edited(row.payload().orElseThrow());
      case UNDO -> new DraftLog.Entry.Undone();
      case REDO -> new DraftLog.Entry.Redone();
    };
  }

  private String write(Catalogue.Snapshot snapshot) {
    try {
      return json.writeValueAsString(snapshot);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException(e);
    }
  }
}
