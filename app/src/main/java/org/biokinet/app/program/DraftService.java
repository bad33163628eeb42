package org.biokinet.app.program;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
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
import org.biokinet.app.program.Company.Shelf;
import org.biokinet.app.program.internal.DraftEntryRow;
import org.biokinet.app.program.internal.DraftRow;
import org.biokinet.app.program.internal.ProgramVersionRow;
import org.biokinet.app.program.internal.ProgramVersions;
import org.biokinet.app.program.internal.WithdrawalRow;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.settings.SettingsService;
import org.biokinet.core.advice.Warning;
import org.biokinet.core.dose.Dose;
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

    /** A line of an open draft's log, with the draft; one without a line where there is none. */
    record OpenDraft(DraftRow draft, @Nullable DraftEntryRow entry) {}

    @Query(
        """
        select new org.biokinet.app.program.DraftService$Drafts$OpenDraft(d, e) from DraftRow d
        left join DraftEntryRow e on e.key.draftId = d.id
        where d.clientId = :client and d.program = :program and d.openSlot = 1
        order by d.owner, e.key.seq
        """)
    List<OpenDraft> open(UUID client, ProgramKind program);
  }

  interface Withdrawals extends JpaRepository<WithdrawalRow, UUID> {}

  interface Entries extends JpaRepository<DraftEntryRow, DraftEntryRow.Key> {}

  private static final byte OPEN = 1;

  /**
   * A draft as it stands.
   *
   * @param client with the breath that the draft has
   * @param inForce what the client does now, of both programs
   * @param seq length of the log, sent along with the next change
   * @param today of the client
   * @param next what it would be shared as
   * @param started whether anything was changed since then
   * @param company who else is at it
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
      Company company) {

    /** The version of it that was shared last. */
    public Optional<VersionService.Replay> shared() {
      return inForce.of(program);
    }

    public State with(Draft other) {
      return new State(
          client, program, inForce, today, next, other, seq, canUndo, canRedo, started, company);
    }

    /** What was shared after this draft was begun, and so is not in it. */
    public Optional<ProgramVersion> sharedSince() {
      return shared()
          .map(VersionService.Replay::version)
          .filter(v -> started && v.sharedAt().isAfter(company.begun()));
    }
  }

  /** What came of a change. */
  public sealed interface Outcome {
    record Done(State state) implements Outcome {}

    /**
     * Somebody else is in the draft, or changed it in between; nothing was changed, and what was to
     * be changed is kept in the log.
     */
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
    return state(me, clients.get(me, clientId), program);
  }

  /** The same of a client that is at hand. */
  @Transactional(readOnly = true)
  public State state(Me me, Client client, ProgramKind program) {
    return state(me, client, program, shelf(client.getId(), program));
  }

  private State state(Me me, Client client, ProgramKind program, Shelf shelf) {
    return shelf
        .front(me.id())
        .map(o -> state(me, client, o, shelf))
        .orElseGet(() -> untouched(client, program));
  }

  private Shelf shelf(UUID clientId, ProgramKind program) {
    return new Shelf(
        drafts.open(clientId, program).stream()
            .collect(
                Collectors.groupingBy(
                    Drafts.OpenDraft::draft, LinkedHashMap::new, Collectors.toList()))
            .entrySet()
            .stream()
            .map(
                e ->
                    new Shelf.Open(
                        e.getKey(),
                        e.getValue().stream().flatMap(l -> Stream.ofNullable(l.entry())).toList()))
            .toList());
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
    Shelf shelf = shelf(clientId, program);
    Shelf.Open open =
        shelf
            .front(me.id())
            .orElseGet(() -> new Shelf.Open(begin(client, program, now), List.of()));
    List<DraftEntryRow> log = open.log();
    Optional<UUID> other = overtakenBy(me, seq, log).or(() -> heldBy(me, open, now));
    if (other.isPresent() && payload != null) {
      entries.saveAndFlush(DraftEntryRow.refused(key(open), payload, seen(seq, log), me.id(), now));
    } else if (other.isEmpty()) {
      entries.saveAndFlush(new DraftEntryRow(key(open), kind, payload, me.id(), now));
    }
    String what = payload == null ? "" : payload.toString();
    String done = other.isPresent() ? "draft, not taken: " : "draft ";
    audit.changed(me, clientId, done + kind.name().toLowerCase(Locale.ROOT), what);
    State state = state(me, client, program);
    return other.isPresent()
        ? new Outcome.Overtaken(state, accounts.practitionerName(other.get()))
        : new Outcome.Done(state);
  }

  /** The next line of a log. */
  private static DraftEntryRow.Key key(Shelf.Open open) {
    return new DraftEntryRow.Key(open.row().getId(), open.log().size() + 1);
  }

  private static int seen(int seq, List<DraftEntryRow> log) {
    return Math.max(0, Math.min(seq, log.size()));
  }

  /** Takes the draft that all share over from whoever is in it; nothing in it is changed. */
  @Changes
  public void takeOver(Me me, UUID clientId, ProgramKind program) {
    clients.lock(me, clientId);
    shelf(clientId, program).shared().ifPresent(open -> line(me, open, DraftEntryRow.Kind.TURN));
  }

  private void line(Me me, Shelf.Open open, DraftEntryRow.Kind kind) {
    entries.saveAndFlush(new DraftEntryRow(key(open), kind, null, me.id(), clock.instant()));
    audit.changed(me, open.row().clientId(), "draft " + kind.name().toLowerCase(Locale.ROOT), "");
  }

  /**
   * Goes on in a draft of one's own, beside the one that all share: with all that was seen of that,
   * and with what was not taken. Goes back to it where there is one already.
   */
  @Changes
  public void goApart(Me me, UUID clientId, ProgramKind program) {
    clients.lock(me, clientId);
    Shelf shelf = shelf(clientId, program);
    Optional<Shelf.Open> own = shelf.own(me.id());
    if (own.isPresent()) {
      own.get().row().setAside(false);
      return;
    }
    Optional<Shelf.Open> shared = shelf.shared();
    if (shared.isEmpty()) return;
    List<DraftEntryRow> log = shared.get().log();
    DraftRow row = drafts.save(DraftRow.apart(shared.get().row(), me.id(), clock.instant()));
    List<DraftEntryRow> kept = Company.kept(log, me.id());
    int seen = kept.isEmpty() ? log.size() : kept.get(0).seen();
    int seq = 0;
    for (DraftEntryRow line : log.subList(0, seen)) {
      if (line.kind().counts()) entries.save(line.in(new DraftEntryRow.Key(row.getId(), ++seq)));
    }
    for (DraftEntryRow line : kept) {
      entries.save(
          new DraftEntryRow(
              new DraftEntryRow.Key(row.getId(), ++seq),
              DraftEntryRow.Kind.EDIT,
              line.payload().orElseThrow(),
              me.id(),
              line.madeAt()));
    }
    line(me, shared.get(), DraftEntryRow.Kind.APART);
  }

  /** Looks at the draft that all share; one's own waits meanwhile. */
  @Changes
  public void setAside(Me me, UUID clientId, ProgramKind program) {
    clients.lock(me, clientId);
    shelf(clientId, program).own(me.id()).ifPresent(o -> o.row().setAside(true));
  }

  /**
   * Puts a draft of one's own in the place of the one that all share, as one edit of that, which
   * can be undone; one's own is closed by it.
   *
   * @param shared how much of the log of the one that all share was seen
   * @return who changed that since, and nothing was done
   */
  @Changes
  public Optional<String> putInPlace(Me me, UUID clientId, ProgramKind program, int shared) {
    Client client = clients.lock(me, clientId);
    Shelf shelf = shelf(clientId, program);
    Optional<Shelf.Open> own = shelf.own(me.id());
    if (own.isEmpty()) return Optional.empty();
    Instant now = clock.instant();
    Draft mine = replay(own.get()).draft();
    Shelf.Open open =
        shelf.shared().orElseGet(() -> new Shelf.Open(begin(client, program, now), List.of()));
    Optional<UUID> other = overtakenBy(me, shared, open.log());
    if (other.isPresent()) return other.map(accounts::practitionerName);
    entries.saveAndFlush(
        new DraftEntryRow(
            key(open), DraftEntryRow.Kind.EDIT, new DraftEdit.Replace(mine), me.id(), now));
    own.get().row().close();
    publisher.publishEvent(new DraftsChanged(clientId));
    audit.changed(me, clientId, "draft in the place of the shared one", "");
    return Optional.empty();
  }

  /** Closes a draft of one's own; the one that all share is as it was. */
  @Changes
  public void throwAway(Me me, UUID clientId, ProgramKind program) {
    clients.lock(me, clientId);
    shelf(clientId, program)
        .own(me.id())
        .ifPresent(
            o -> {
              o.row().close();
              publisher.publishEvent(new DraftsChanged(clientId));
              audit.changed(me, clientId, "own draft thrown away", "");
            });
  }

  /** Somebody else who is in the draft that all share. */
  private static Optional<UUID> heldBy(Me me, Shelf.Open open, Instant now) {
    if (!open.row().isShared()) return Optional.empty();
    return Company.holder(open.log(), now).map(Company.Turn::by).filter(by -> !by.equals(me.id()));
  }

  private DraftRow begin(Client client, ProgramKind program, Instant now) {
    publisher.publishEvent(new DraftsChanged(client.getId()));
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
        .filter(line -> line.kind().counts())
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
    Shelf shelf = shelf(clientId, kind);
    Optional<Shelf.Open> open = shelf.front(me.id());
    State state = state(me, client, kind, shelf);
    if (open.isEmpty())
      return new Outcome.Refused(state, "Nothing has changed since it was shared.");
    Optional<UUID> other = overtakenBy(me, seq, open.get().log());
    if (other.isPresent()) {
      return new Outcome.Overtaken(state, accounts.practitionerName(other.get()));
    }
    Shareable shareable = shareable(client, state);
    if (shareable.barred().isPresent()) {
      audit.changed(me, clientId, "share refused", shareable.barred().get());
      return new Outcome.Refused(state, shareable.barred().get());
    }
    List<String> over = shareable.over();
    if (!over.isEmpty() && reason.isBlank()) return new Outcome.Refused(state, sayWhy(over));
    DraftTimeline check = shareable.check();
    Program program = check.timeline().orElseThrow().program();
    Catalogue catalogue = library.of(client.practice()).catalogue();
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
    state.draft().breath().ifPresent(seconds -> clients.setBreath(me, clientId, seconds));
    // What is set ahead for a flare says nothing about the doses of the others.
    if (kind.servesFindings()) screenings.lookedAt(clientId);
    publisher.publishEvent(new VersionShared(clientId, version.version().name()));
    audit.changed(me, clientId, "shared", version.version().name().inFull());
    return new Outcome.Shared(version.version());
  }

  /**
   * Whether a draft may be shared as it is.
   *
   * @param barred what stands against it, in words
   * @param over what it would be shared over, with a reason
   */
  public record Shareable(DraftTimeline check, Optional<String> barred, List<String> over) {}

  private Shareable shareable(Client client, State state) {
    Gate gate = screenings.gate(client);
    Library mine = library.of(client.practice());
    DraftTimeline check =
        DraftTimeline.of(
            state.draft(),
            state.client().breathSeconds(),
            settings.of(client.practice()).pacing(),
            mine.catalogue(),
            state.today());
    Optional<String> barred =
        closed(gate).or(check::problem).or(() -> objection(client, state, check, gate, mine));
    List<String> over =
        barred.isPresent()
            ? List.of()
            : advice.all(state).stream()
                .filter(w -> w.weight() == Warning.Weight.REASON)
                .map(Warning::words)
                .toList();
    return new Shareable(check, barred, over);
  }

  private static Optional<String> closed(Gate gate) {
    return gate instanceof Gate.Closed closed
        ? Optional.of(
            "The gate is closed: %s. %s".formatted(closed.why().label(), closed.why().opens()))
        : Optional.empty();
  }

  private static Optional<String> objection(
      Client client, State state, DraftTimeline check, Gate gate, Library mine) {
    ProgramKind kind = state.program();
    Program program = check.timeline().orElseThrow().program();
    return Permit.of(
            kind, program, state.inForce().before(kind), client.means(), gate, mine.catalogue())
        .objections()
        .entrySet()
        .stream()
        .findFirst()
        .map(e -> against(program.items().get(e.getKey()), e.getValue().words(), mine))
        .or(() -> misplaced(kind, check, mine));
  }

  private static String sayWhy(List<String> over) {
    return "Say why it is shared all the same (the reason is kept): %s."
        .formatted(String.join(". ", over));
  }

  /**
   * What a review would make of the draft.
   *
   * @param state as it would be
   * @param edit by which it becomes that
   * @param missing names of the items that somebody has taken out of the draft meanwhile
   */
  public record Proposed(
      State state, DraftEdit.Review edit, List<String> missing, Shareable shareable) {}

  /**
   * Puts the doses of a review into the draft as it is, without keeping anything.
   *
   * @param of the version that was reviewed
   * @param doses by the place of the item in it; an empty one takes the item out
   * @param note to the client; empty for none
   */
  @Transactional(readOnly = true)
  public Proposed proposed(
      Me me,
      Client client,
      VersionService.Replay of,
      Map<Integer, Optional<Dose>> doses,
      String note) {
    State now = state(me, client, of.version().program());
    Map<String, String> dosed = new LinkedHashMap<>();
    List<String> out = new ArrayList<>();
    List<String> missing = new ArrayList<>();
    doses.forEach(
        (place, dose) -> {
          Optional<String> key = key(now.draft(), of, client, place);
          if (key.isEmpty()) missing.add(of.name(place, Library.LANGUAGE));
          else if (dose.isEmpty()) out.add(key.get());
          else dosed.put(key.get(), DoseNotation.format(dose.get()));
        });
    DraftEdit.Review edit =
        new DraftEdit.Review(dosed, out, Optional.of(note.strip()).filter(n -> !n.isEmpty()));
    State then = now.with(edit.apply(now.draft()));
    return new Proposed(then, edit, missing, shareable(client, then));
  }

  /** Which item of a draft an item of a version is: of several with one exercise the same. */
  private static Optional<String> key(
      Draft draft, VersionService.Replay of, Client client, int place) {
    LocalDate day = LocalDate.ofInstant(of.version().sharedAt(), client.zone());
    List<Item> items = of.program().items();
    String exercise = items.get(place).exercise().id();
    long before =
        items.subList(0, place).stream().filter(i -> i.exercise().id().equals(exercise)).count();
    return draft.items().stream()
        .filter(i -> i.exercise().equals(exercise) && i.done(day))
        .skip(before)
        .findFirst()
        .map(DraftItem::key);
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

  private static DraftLog replay(Shelf.Open open) {
    return DraftLog.replay(
        open.row().startState(), open.log().stream().flatMap(DraftService::entry).toList());
  }

  private State state(Me me, Client client, Shelf.Open open, Shelf shelf) {
    DraftLog replayed = replay(open);
    ProgramKind program = open.row().program();
    List<ProgramVersions.Found> newest = replays.newest(client.getId());
    return new State(
        replayed.draft().breath().map(client::breathing).orElse(client),
        program,
        replays.inForce(newest, client),
        today(client),
        next(newest, program),
        replayed.draft(),
        open.log().size(),
        replayed.canUndo(),
        replayed.canRedo(),
        true,
        shelf.company(me.id(), clock.instant()));
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
        Company.NONE);
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
    return new Draft(
        then.title(),
        then.lead(),
        Optional.empty(),
        then.items(),
        then.course(),
        then.days(),
        Optional.empty());
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

  /** What a line does to the draft; who is in it does nothing to it. */
  private static Stream<DraftLog.Entry> entry(DraftEntryRow row) {
    return switch (row.kind()) {
      case EDIT -> Stream.of(new DraftLog.Entry.Edited(row.payload().orElseThrow()));
      case UNDO -> Stream.of(new DraftLog.Entry.Undone());
      case REDO -> Stream.of(new DraftLog.Entry.Redone());
      case TURN, REFUSED, APART -> Stream.empty();
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
