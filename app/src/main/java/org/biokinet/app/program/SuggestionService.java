package org.biokinet.app.program;

import java.time.Clock;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.library.Library;
import org.biokinet.app.library.LibraryService;
import org.biokinet.app.measurement.MeasurementService;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.practice.Me;
import org.biokinet.app.program.internal.LeftOutRow;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.settings.SettingsService;
import org.biokinet.core.advice.Warning;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.measure.Finding;
import org.biokinet.core.planning.Case;
import org.biokinet.core.planning.Planner;
import org.biokinet.core.planning.Suggestion;
import org.biokinet.core.program.Draft;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.DraftItem;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.FlarePlan;
import org.biokinet.core.screening.Gate;
import org.biokinet.core.screening.Rest;
import org.biokinet.core.timeline.DraftTimeline;
import org.biokinet.core.timeline.Timeline;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Suggests what a client's findings ask for. It changes nothing: what it gives is an edit of the
 * draft, which whoever asked may take.
 */
@Service
public class SuggestionService {

  interface LeftOuts extends JpaRepository<LeftOutRow, UUID> {
    List<LeftOutRow> findByClientIdOrderByAt(UUID clientId);
  }

  /** Minutes more in which one exercise for a finding is looked for (our choice). */
  private static final int MINUTES_FOR_ONE = 5;

  private final LeftOuts leftOuts;
  private final ClientService clients;
  private final Audit audit;
  private final Clock clock;
  private final MeasurementService measurements;
  private final ScreeningService screenings;
  private final SettingsService settings;
  private final LibraryService library;

  SuggestionService(
      LeftOuts leftOuts,
      ClientService clients,
      Audit audit,
      Clock clock,
      MeasurementService measurements,
      ScreeningService screenings,
      SettingsService settings,
      LibraryService library) {
    this.leftOuts = leftOuts;
    this.clients = clients;
    this.audit = audit;
    this.clock = clock;
    this.measurements = measurements;
    this.screenings = screenings;
    this.settings = settings;
    this.library = library;
  }

  /**
   * What is looked at in the place of what is on record; nothing is written down by it.
   *
   * @param positions in which the program may be done
   * @param findings by code, those that are to be served
   */
  public record WhatIf(
      OptionalInt minutes, Optional<Set<Position>> positions, Optional<Set<String>> findings) {
    public WhatIf {
      positions = positions.map(Set::copyOf);
      findings = findings.map(Set::copyOf);
    }

    public static final WhatIf NOTHING =
        new WhatIf(OptionalInt.empty(), Optional.empty(), Optional.empty());

    private Means means(Means recorded) {
      return positions.map(p -> new Means(p, recorded.equipment())).orElse(recorded);
    }

    private boolean serves(Finding f) {
      return findings.isEmpty() || findings.get().contains(f.code());
    }
  }

  /**
   * What can be chosen, and what is.
   *
   * @param positions that such a program knows
   * @param findings that stand and could be treated
   */
  public record Choices(
      int minutes, List<Choice<Position>> positions, List<Choice<Finding>> findings) {
    public Choices {
      positions = List.copyOf(positions);
      findings = List.copyOf(findings);
    }
  }

  /**
   * @param recorded whether it is as it stands in the record
   */
  public record Choice<T>(T of, boolean chosen, boolean recorded) {}

  /** What came of asking. */
  public sealed interface Answer {

    /**
     * A program to take.
     *
     * @param edit that would bring it about
     * @param minutes for which it was made
     * @param changes against the draft, in words; empty where it is that already
     * @param secondsNow of the draft
     */
    record Proposal(
        Suggestion suggestion,
        DraftEdit edit,
        int minutes,
        List<String> changes,
        int secondsNow,
        Library library)
        implements Answer {
      public Proposal {
        changes = List.copyOf(changes);
      }
    }

    /** Nothing can be suggested yet. */
    record Not(String why) implements Answer {}
  }

  /** A case with the draft that it is about. */
  private record Asked(Case of, Planner planner, Library library, DraftTimeline draft) {

    List<DraftTimeline.TimedItem> understood() {
      return draft.lines().stream().filter(l -> l.itemNow().isPresent()).toList();
    }

    List<Item> items() {
      return draft.timeline().map(t -> t.program().items()).orElse(List.of());
    }
  }

  /** What is not suggested to a client. */
  @Transactional(readOnly = true)
  public List<LeftOut> leftOut(Client client) {
    Map<String, LeftOut> newest = new LinkedHashMap<>();
    leftOuts
        .findByClientIdOrderByAt(client.getId())
        .forEach(r -> newest.put(r.exercise(), new LeftOut(r.exercise(), r.reason())));
    return newest.values().stream().filter(l -> l.reason() != LeftOut.Reason.NONE).toList();
  }

  /** Leaves an exercise out of what is suggested to this client from now on, or no longer. */
  @Changes
  public void leaveOut(Me me, UUID clientId, LeftOut what) {
    clients.lock(me, clientId);
    leftOuts.save(
        new LeftOutRow(clientId, what.exercise(), what.reason(), me.id(), clock.instant()));
    audit.changed(me, clientId, "suggestions", what.exercise() + ": " + what.reason().label());
  }

  /** The minutes that a client has for a session of a program. */
  public static int minutes(DraftService.State state) {
    ProgramKind program = state.program();
    return program == ProgramKind.DESK
        ? program.usualMinutes()
        : state.client().circumstances().minutes().orElse(program.usualMinutes());
  }

  /** What a flare plan can begin with, of what the client does now; an edit of its draft. */
  @Transactional(readOnly = true)
  public DraftEdit flarePlan(DraftService.State state) {
    Client client = state.client();
    List<Item> now =
        state.inForce().of(ProgramKind.MAIN).map(r -> r.program().items()).orElse(List.of());
    Predicate<Exercise> may =
        Rest.of(
                library.of(client.practice()).catalogue(),
                screenings.gate(client).answers(),
                client.means())
            ::contains;
    return new DraftEdit.Insert(
        FlarePlan.of(now, client.breathSeconds(), library.of(client.practice()).catalogue(), may)
            .stream()
            .map(DocumentService::row)
            .toList());
  }

  /** What can be chosen when something is suggested for this draft. */
  @Transactional(readOnly = true)
  public Choices choices(DraftService.State state, WhatIf whatIf) {
    Client client = state.client();
    Set<Position> recorded = client.means().positions();
    List<Choice<Position>> positions =
        Arrays.stream(Position.values())
            .filter(state.program()::knows)
            .map(p -> choice(p, whatIf.positions().orElse(recorded).contains(p), recorded))
            .toList();
    List<Choice<Finding>> findings =
        measurements.found(client, library.of(client.practice())).standing().stream()
            .flatMap(j -> j.finding().stream())
            .filter(f -> !f.treat().isEmpty())
            .map(f -> new Choice<>(f, whatIf.serves(f), whatIf.serves(f)))
            .toList();
    return new Choices(whatIf.minutes().orElse(minutes(state)), positions, findings);
  }

  private static Choice<Position> choice(Position p, boolean chosen, Set<Position> recorded) {
    return new Choice<>(p, chosen, chosen == recorded.contains(p));
  }

  /**
   * What would be best now: everything that is the practitioner's own stays, the rest is chosen
   * anew.
   */
  @Transactional(readOnly = true)
  public Answer propose(DraftService.State state, WhatIf whatIf) {
    Optional<String> not = closed(state, whatIf);
    if (not.isPresent()) return new Answer.Not(not.get());
    Asked asked = asked(state, whatIf);
    if (asked.of().findings().isEmpty()) {
      return new Answer.Not(
          whatIf.findings().isEmpty()
              ? "Nothing was found by measuring that could be treated."
              : "Choose at least one finding.");
    }
    if (asked.items().size() < asked.understood().size()) {
      return new Answer.Not(asked.draft().problem().orElse("The draft cannot be timed yet."));
    }
    Suggestion s = asked.planner().suggest(asked.of());
    List<DraftItem> items = items(s.program(), state.draft(), asked);
    return new Answer.Proposal(
        s,
        new DraftEdit.Suggest(items),
        asked.of().minutes(),
        changes(state.draft().items(), items, asked.library()),
        asked.draft().seconds(),
        asked.library());
  }

  private Optional<String> closed(DraftService.State state, WhatIf whatIf) {
    if (!state.program().servesFindings()) {
      return Optional.of("What is done in a flare is not made of findings.");
    }
    if (whatIf.positions().filter(Set::isEmpty).isPresent()) {
      return Optional.of("Choose at least one position.");
    }
    Gate gate = screenings.gate(state.client());
    if (gate instanceof Gate.Closed c) {
      return Optional.of("The gate is closed: %s. %s".formatted(c.why().label(), c.why().opens()));
    }
    return state.program().within(whatIf.means(state.client().means())).isPresent()
        ? Optional.empty()
        : Optional.of("At the desk one sits on a chair or stands; this client can do neither.");
  }

  /** What the draft serves as it is; empty while the gate is closed or nothing was found. */
  @Transactional(readOnly = true)
  public Optional<Suggestion> served(DraftService.State state) {
    if (closed(state, WhatIf.NOTHING).isPresent()) return Optional.empty();
    Asked asked = asked(state, WhatIf.NOTHING);
    if (asked.of().findings().isEmpty() || asked.items().isEmpty()) return Optional.empty();
    return Optional.of(asked.planner().explain(asked.of(), asked.items()));
  }

  /** Findings that nothing in the draft serves, each with the best that could be added for it. */
  @Transactional(readOnly = true)
  public List<Warning> unserved(DraftService.State state) {
    if (closed(state, WhatIf.NOTHING).isPresent()) return List.of();
    Asked asked = asked(state, WhatIf.NOTHING);
    if (asked.of().findings().isEmpty() || asked.items().isEmpty()) return List.of();
    return asked.planner().explain(asked.of(), asked.items()).served().stream()
        .filter(s -> s.share() == 0)
        .map(s -> unserved(s, asked))
        .toList();
  }

  private static Warning unserved(Suggestion.Served s, Asked asked) {
    Case c = asked.of();
    int most = Math.min(c.kind().mostMinutes(), c.minutes() + MINUTES_FOR_ONE);
    Suggestion with =
        asked
            .planner()
            .suggest(
                new Case(
                        c.kind(),
                        List.of(s.finding()),
                        c.allowed(),
                        most,
                        c.timesADay(),
                        c.pacing(),
                        c.band(),
                        c.preferences(),
                        c.avoided(),
                        c.pinch(),
                        asked.items(),
                        Optional.empty(),
                        c.beside())
                    .withMost(asked.items().size() + 1));
    List<Warning.Fix> fixes = new ArrayList<>();
    for (int i = 0; i < with.places().size(); i++) {
      if (with.places().get(i).given()) continue;
      Item item = with.places().get(i).item();
      String dose = DoseNotation.format(item.dose());
      String words = "add %s %s".formatted(asked.library().name(item.exercise()), dose);
      DraftEdit edit =
          new DraftEdit.Add(
              UUID.randomUUID().toString(),
              item.exercise().id(),
              dose,
              Optional.of(i),
              Optional.of(item.position()));
      fixes.add(new Warning.Fix(words, edit, "→ " + Timeline.clock(with.seconds())));
    }
    String why = s.missing().isEmpty() ? "" : ": " + s.missing().get(0);
    return new Warning(
        Warning.Kind.FINDING,
        Optional.empty(),
        "%s is not served%s".formatted(s.finding().title(), why),
        Warning.Weight.REASON,
        fixes);
  }

  /** Worth at other lengths of a session, chosen anew. */
  @Transactional(readOnly = true)
  public List<Suggestion.Point> curve(
      DraftService.State state, WhatIf whatIf, List<Integer> minutes) {
    if (closed(state, whatIf).isPresent()) return List.of();
    Asked asked = asked(state, whatIf);
    return asked.of().findings().isEmpty() ? List.of() : asked.planner().curve(asked.of(), minutes);
  }

  /** What could stand in the place of an item of the draft; none where it is not understood. */
  @Transactional(readOnly = true)
  public List<Suggestion.RunnerUp> runnersUp(DraftService.State state, String key) {
    if (closed(state, WhatIf.NOTHING).isPresent()) return List.of();
    Asked asked = asked(state, WhatIf.NOTHING);
    int place = place(asked, key);
    if (place < 0 || asked.of().findings().isEmpty()) return List.of();
    Program program = program(state.draft(), asked, asked.items());
    return asked.planner().runnersUp(asked.of(), program, place);
  }

  /** The edit that puts one of the runners-up in its place; empty where it is none. */
  @Transactional(readOnly = true)
  public Optional<DraftEdit> swap(DraftService.State state, String key, String exercise) {
    Asked asked = asked(state, WhatIf.NOTHING);
    return runnersUp(state, key).stream()
        .filter(r -> r.item().exercise().id().equals(exercise))
        .findFirst()
        .map(r -> new DraftEdit.Suggest(items(r.program(), state.draft(), asked)));
  }

  private static int place(Asked asked, String key) {
    List<DraftTimeline.TimedItem> understood = asked.understood();
    for (int i = 0; i < understood.size(); i++) {
      if (understood.get(i).draft().key().equals(key)) return i;
    }
    return -1;
  }

  // ---- the case ----------------------------------------------------------------------------

  private Asked asked(DraftService.State state, WhatIf whatIf) {
    Client client = state.client();
    SettingsService.Chosen chosen = settings.of(client.practice());
    Library mine = library.of(client.practice());
    MeasurementService.Found found = measurements.found(client, mine);
    List<Finding> findings =
        found.standing().stream()
            .flatMap(j -> j.finding().stream())
            .filter(whatIf::serves)
            .toList();
    DraftTimeline draft =
        DraftTimeline.of(
            state.draft(),
            client.breathSeconds(),
            chosen.pacing(),
            mine.catalogue(),
            state.today());
    ProgramKind program = state.program();
    Means means = program.within(whatIf.means(client.means())).orElseThrow();
    Allowed allowed =
        Allowed.of(screenings.gate(client), means, client.breathSeconds()).orElseThrow();
    Case of =
        new Case(
            program,
            findings,
            allowed,
            Math.min(program.mostMinutes(), whatIf.minutes().orElse(minutes(state))),
            client.circumstances().timesPerDay().orElse(1),
            chosen.pacing(),
            chosen.band(),
            chosen.preferences(),
            leftOut(client).stream().map(LeftOut::exercise).collect(Collectors.toSet()),
            found.pinches(),
            List.of(),
            Optional.empty(),
            state.inForce().beside(program));
    Asked asked = new Asked(of, new Planner(mine.catalogue(), Library.LANGUAGE), mine, draft);
    return new Asked(staying(state, asked), asked.planner(), mine, draft);
  }

  /** What is suggested gives way; what stands in the version in force stays if it may. */
  private static Case staying(DraftService.State state, Asked asked) {
    Set<String> shared = new HashSet<>();
    state.shared().ifPresent(r -> r.program().items().forEach(i -> shared.add(i.exercise().id())));
    List<Item> pinned = new ArrayList<>();
    List<Item> inForce = new ArrayList<>();
    List<DraftTimeline.TimedItem> lines = asked.understood();
    for (int i = 0; i < lines.size() && i < asked.items().size(); i++) {
      Item item = asked.items().get(i);
      if (lines.get(i).draft().suggested()) continue;
      (shared.contains(item.exercise().id()) ? inForce : pinned).add(item);
    }
    Case c = asked.of().withPinned(pinned);
    return inForce.isEmpty() ? c : c.after(program(state.draft(), asked, inForce));
  }

  private static Program program(Draft draft, Asked asked, List<Item> items) {
    return new Program(
        draft.title(),
        asked.of().breathSeconds(),
        asked.of().pacing(),
        draft.lead(),
        SessionLength.USUAL,
        items,
        Set.of());
  }

  // ---- the edit ----------------------------------------------------------------------------

  /**
   * Rows that are there already keep their key; what nobody can read yet, or does now, stays at the
   * end.
   */
  private static List<DraftItem> items(Program program, Draft draft, Asked asked) {
    Map<String, Deque<DraftItem>> rows = new HashMap<>();
    asked.understood().stream()
        .map(DraftTimeline.TimedItem::draft)
        .forEach(row -> rows.computeIfAbsent(row.exercise(), x -> new ArrayDeque<>()).addLast(row));
    List<DraftItem> items = new ArrayList<>();
    Set<String> used = new HashSet<>();
    for (Item item : program.items()) {
      Deque<DraftItem> there = rows.getOrDefault(item.exercise().id(), new ArrayDeque<>());
      DraftItem row = there.pollFirst();
      boolean own = row != null && !row.suggested();
      String key = row == null ? UUID.randomUUID().toString() : row.key();
      used.add(key);
      items.add(own ? row : row(key, item));
    }
    Set<String> understood = new HashSet<>();
    asked.understood().forEach(l -> understood.add(l.draft().key()));
    draft.items().stream()
        .filter(row -> !understood.contains(row.key()) && !used.contains(row.key()))
        .forEach(items::add);
    return items;
  }

  private static DraftItem row(String key, Item item) {
    return DraftItem.of(key, item.exercise().id(), DoseNotation.format(item.dose()))
        .withPosition(item.position())
        .suggested(true);
  }

  /** In words: what comes, what goes, what has another dose. */
  private static List<String> changes(List<DraftItem> before, List<DraftItem> after, Library mine) {
    Map<String, DraftItem> old = new HashMap<>();
    before.forEach(row -> old.put(row.exercise(), row));
    Set<String> left = new HashSet<>(old.keySet());
    List<String> changes = new ArrayList<>();
    for (DraftItem row : after) {
      DraftItem was = old.get(row.exercise());
      left.remove(row.exercise());
      if (was == null) {
        changes.add("+ %s %s".formatted(name(row, mine), row.dose()));
      } else if (!was.dose().equals(row.dose())) {
        changes.add("%s %s → %s".formatted(name(row, mine), was.dose(), row.dose()));
      } else if (!was.position().equals(row.position()) && row.position().isPresent()) {
        changes.add("%s %s".formatted(name(row, mine), row.position().get().label()));
      }
    }
    Stream<String> gone =
        before.stream()
            .filter(row -> left.contains(row.exercise()))
            .map(row -> "− " + name(row, mine));
    return Stream.concat(changes.stream(), gone).toList();
  }

  private static String name(DraftItem row, Library mine) {
    return mine.name(mine.catalogue().get(row.exercise()));
  }
}
