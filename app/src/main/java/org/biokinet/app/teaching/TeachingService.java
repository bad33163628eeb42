package org.biokinet.app.teaching;

import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.library.Library;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.platform.NotFound;
import org.biokinet.app.practice.Me;
import org.biokinet.app.program.PermitService;
import org.biokinet.app.program.Permitted;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.teaching.internal.MarkRow;
import org.biokinet.app.teaching.internal.TeachingRow;
import org.biokinet.app.teaching.internal.UsualFaultRow;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.screening.Gate;
import org.biokinet.core.screening.Permit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Teaching in the room: every key is kept as it is pressed, and a note comes of it. */
@Service
public class TeachingService {

  interface Teachings extends JpaRepository<TeachingRow, UUID> {
    Optional<TeachingRow> findFirstByClientIdAndVersionIdAndKeptAtIsNullOrderByBegunAtDesc(
        UUID clientId, UUID versionId);

    List<TeachingRow> findByClientIdAndKeptAtGreaterThanEqualAndKeptAtLessThan(
        UUID clientId, Instant from, Instant until);

    List<TeachingRow> findTop3ByClientIdAndKeptAtIsNotNullOrderByBegunAtDesc(UUID clientId);
  }

  interface Marks extends JpaRepository<MarkRow, UUID> {
    List<MarkRow> findByTeachingIdOrderByAt(UUID teachingId);
  }

  interface UsualFaults extends JpaRepository<UsualFaultRow, UUID> {
    List<UsualFaultRow> findByClientId(UUID clientId);
  }

  public static final int LONGEST_NOTE = 2000;

  /** What comes of wanting to teach. */
  public sealed interface Answer {

    /**
     * @param marks so far
     */
    record Ready(Lesson lesson, List<Mark> marks) implements Answer {}

    /** Nothing of it may be done now. */
    record Not(String why) implements Answer {}
  }

  /** A note that was kept. */
  public record Kept(Instant at, UUID by, String note) {}

  private final Teachings teachings;
  private final Marks marks;
  private final UsualFaults faults;
  private final PermitService permits;
  private final ClientService clients;
  private final Audit audit;
  private final Clock clock;

  TeachingService(
      Teachings teachings,
      Marks marks,
      UsualFaults faults,
      PermitService permits,
      ClientService clients,
      Audit audit,
      Clock clock) {
    this.teachings = teachings;
    this.marks = marks;
    this.faults = faults;
    this.permits = permits;
    this.clients = clients;
    this.audit = audit;
    this.clock = clock;
  }

  /**
   * What may be done now, step by step: the same answer as at every start. What is for a flare is
   * taught ahead of it.
   *
   * @throws NotFound where nothing of that program is in force
   */
  @Transactional(readOnly = true)
  public Answer lesson(Me me, UUID clientId, ProgramKind program) {
    Client client = clients.get(me, clientId);
    Permitted now = permits.of(client, program).orElseThrow(NotFound::new);
    Permit permit = now.permit();
    if (permit.closed().isPresent()) {
      Gate.Why why = permit.closed().get();
      return new Answer.Not("The gate is closed: %s. %s".formatted(why.label(), why.opens()));
    }
    if (permit.notItsTurn().isPresent() && !now.onlyForAFlare()) {
      return new Answer.Not("A flare lasts, and only the plan for it is done: teach that.");
    }
    VersionService.Replay replay = now.replay();
    Lesson lesson = Lesson.of(replay, permit.waiting(), Library.LANGUAGE);
    if (lesson.steps().isEmpty()) {
      return new Answer.Not("The screening does not allow any item of it now: change it in Plan.");
    }
    return new Answer.Ready(lesson, marks(client, replay));
  }

  private List<Mark> marks(Client client, VersionService.Replay replay) {
    return open(client, replay)
        .map(t -> marks.findByTeachingIdOrderByAt(t.getId()).stream().map(MarkRow::mark).toList())
        .orElse(List.of());
  }

  private Optional<TeachingRow> open(Client client, VersionService.Replay replay) {
    return teachings.findFirstByClientIdAndVersionIdAndKeptAtIsNullOrderByBegunAtDesc(
        client.getId(), replay.version().id());
  }

  /** Keeps what was seen; seen once more, it is taken back. */
  @Changes
  public void mark(Me me, UUID clientId, ProgramKind program, Mark mark) {
    Client client = clients.lock(me, clientId);
    if (!(lesson(me, clientId, program) instanceof Answer.Ready ready)) return;
    List<Lesson.Step> steps = ready.lesson().steps();
    if (mark.step() < 0 || mark.step() >= steps.size()) return;
    int known = mark.kind() == Mark.Kind.FAULT ? steps.get(mark.step()).faults().size() : 1;
    if (mark.fault() < 0 || mark.fault() >= known) return;
    VersionService.Replay replay = ready.lesson().replay();
    TeachingRow row =
        open(client, replay)
            .orElseGet(
                () ->
                    teachings.save(
                        new TeachingRow(
                            clientId, replay.version().id(), me.id(), clock.instant())));
    Optional<MarkRow> there =
        marks.findByTeachingIdOrderByAt(row.getId()).stream()
            .filter(m -> m.mark().equals(mark))
            .findFirst();
    if (there.isPresent()) marks.delete(there.get());
    else marks.save(new MarkRow(row.getId(), mark, clock.instant()));
    audit.changed(me, clientId, "taught", ready.lesson().title(mark.step()));
  }

  /** A note of what was seen, to be gone over. */
  public static String draft(Lesson lesson, List<Mark> marks) {
    List<String> lines = new ArrayList<>();
    lines.add("Taught %s in the room.".formatted(lesson.replay().version().name().inFull()));
    for (int i = 0; i < lesson.steps().size(); i++) {
      int step = i;
      Lesson.Step s = lesson.steps().get(i);
      List<String> seen = new ArrayList<>();
      for (Mark m : marks.stream().filter(m -> m.step() == step).toList()) {
        seen.add(
            switch (m.kind()) {
              case WELL -> "done well";
              case FAULT -> s.faults().get(m.fault()).replaceAll("\\.$", "");
              case TOO_MUCH -> "too much";
            });
      }
      if (!seen.isEmpty()) {
        lines.add("%s: %s".formatted(lesson.title(i), String.join("; ", seen)));
      }
    }
    String note = String.join("\n", lines);
    return note.length() > LONGEST_NOTE ? note.substring(0, LONGEST_NOTE) : note;
  }

  /**
   * Keeps the note, and which mistakes are said in the player from now on.
   *
   * @param said by exercise, as the entry says them; of an exercise that was taught the others are
   *     not said any more
   */
  @Changes
  public void keep(
      Me me, UUID clientId, ProgramKind program, String note, Map<String, Set<String>> said) {
    Client client = clients.lock(me, clientId);
    if (!(lesson(me, clientId, program) instanceof Answer.Ready ready)) return;
    Instant now = clock.instant();
    VersionService.Replay replay = ready.lesson().replay();
    TeachingRow row =
        open(client, replay)
            .orElseGet(
                () ->
                    teachings.save(new TeachingRow(clientId, replay.version().id(), me.id(), now)));
    row.keep(note, now);
    Set<String> taught = new HashSet<>();
    ready.lesson().steps().forEach(s -> taught.add(s.exercise()));
    faults.deleteAll(
        faults.findByClientId(clientId).stream()
            .filter(f -> taught.contains(f.exercise()))
            .toList());
    for (Lesson.Step s : ready.lesson().steps()) {
      if (!taught.remove(s.exercise())) continue;
      s.entry().stream()
          .filter(said.getOrDefault(s.exercise(), Set.of())::contains)
          .forEach(
              what -> faults.save(new UsualFaultRow(clientId, s.exercise(), what, me.id(), now)));
    }
    audit.changed(me, clientId, "teaching note", "");
  }

  /** What a client usually does wrong, by exercise, as the entry says it. */
  @Transactional(readOnly = true)
  public Map<String, Set<String>> usual(UUID clientId) {
    return faults.findByClientId(clientId).stream()
        .collect(
            Collectors.groupingBy(
                UsualFaultRow::exercise,
                Collectors.mapping(UsualFaultRow::what, Collectors.toSet())));
  }

  /** What was taught and kept in a time. */
  @Transactional(readOnly = true)
  List<Kept> between(UUID clientId, Instant from, Instant until) {
    return teachings
        .findByClientIdAndKeptAtGreaterThanEqualAndKeptAtLessThan(clientId, from, until)
        .stream()
        .map(TeachingService::kept)
        .toList();
  }

  private static Kept kept(TeachingRow row) {
    return new Kept(row.keptAt().orElse(row.begunAt()), row.practitionerId(), row.note());
  }

  /** The newest notes. */
  @Transactional(readOnly = true)
  public Collection<Kept> notes(UUID clientId) {
    return teachings.findTop3ByClientIdAndKeptAtIsNotNullOrderByBegunAtDesc(clientId).stream()
        .map(t -> new Kept(t.begunAt(), t.practitionerId(), t.note()))
        .toList();
  }
}
