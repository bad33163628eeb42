package org.biokinet.app.library;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.text.Normalizer;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.UnaryOperator;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.library.internal.ExerciseDraftRow;
import org.biokinet.app.library.internal.RevisionRow;
import org.biokinet.app.people.AccountService;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.platform.NotFound;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.PracticeService;
import org.biokinet.app.practice.PracticeStamp;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.CatalogueException;
import org.biokinet.core.exercise.OwnExercise;
import org.biokinet.core.exercise.WordsCheck;
import org.biokinet.core.figure.body.PoseCheck;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** What ships and what a practice has made of it; every revision is kept. */
@Service
public class LibraryService {

  interface Revisions extends JpaRepository<RevisionRow, UUID> {
    long countByPracticeId(UUID practiceId);

    List<RevisionRow> findByPracticeIdAndCodeOrderByNumber(UUID practiceId, String code);

    @Query(
        """
        select r from RevisionRow r where r.practiceId = :practiceId and r.number =
          (select max(n.number) from RevisionRow n where n.practiceId = r.practiceId
            and n.code = r.code)
        order by r.code
        """)
    List<RevisionRow> inForce(UUID practiceId);
  }

  interface Drafts extends JpaRepository<ExerciseDraftRow, UUID> {
    Optional<ExerciseDraftRow> findByIdAndPractitionerId(UUID id, UUID practitionerId);

    List<ExerciseDraftRow> findByPractitionerIdOrderByMadeAtDesc(UUID practitionerId);
  }

  /**
   * One revision.
   *
   * @param entry empty where the shipped entry was in force
   * @param what changed against the one before, in words
   */
  public record Revision(
      int number, Instant at, String by, String what, Optional<OwnExercise> entry) {}

  /**
   * What somebody has written and not yet saved.
   *
   * @param code empty for a new exercise
   * @param base the revision that it started from
   */
  public record Draft(UUID id, String code, int base, OwnExercise entry, Instant at) {}

  /** What came of saving. */
  public sealed interface Outcome {
    record Saved(String code) implements Outcome {}

    record Wrong(List<WordsCheck.Problem> problems) implements Outcome {}

    /** Somebody saved another revision in between; nothing was changed. */
    record Overtaken(Revision theirs) implements Outcome {}
  }

  /**
   * @param changes of the practice when it was made
   * @param revisions how many there were; they are only added
   */
  private record CachedLibrary(int changes, long revisions, Library library) {}

  private static final Logger LOG = LoggerFactory.getLogger(LibraryService.class);

  /** Begins every code that does not ship, so that no later shipped entry can have it. */
  private static final String OWN = "own-";

  private static final int LONGEST_CODE = 90;

  private final Revisions revisions;
  private final Drafts drafts;
  private final AccountService accounts;
  private final PracticeService practices;
  private final Audit audit;
  private final Clock clock;
  private final Catalogue shipped;
  private final Library untouched;

  private final Cache<UUID, CachedLibrary> libraries =
      Caffeine.newBuilder().maximumSize(200).build();

  LibraryService(
      Revisions revisions,
      Drafts drafts,
      AccountService accounts,
      PracticeService practices,
      Audit audit,
      Clock clock,
      Catalogue shipped) {
    this.revisions = revisions;
    this.drafts = drafts;
    this.accounts = accounts;
    this.practices = practices;
    this.audit = audit;
    this.clock = clock;
    this.shipped = shipped;
    this.untouched = Library.of(shipped);
  }

  @Transactional(readOnly = true)
  public Library of(UUID practiceId) {
    return of(practices.stamp(practiceId));
  }

  /** The same of a practice that was just asked whether it has changed. */
  @Transactional(readOnly = true)
  public Library of(PracticeStamp practice) {
    UUID id = practice.practiceId();
    CachedLibrary kept = libraries.getIfPresent(id);
    if (kept != null && kept.changes() == practice.changes()) return kept.library();
    long count = revisions.countByPracticeId(id);
    Library library =
        kept != null && kept.revisions() == count
            ? kept.library()
            : count == 0 ? untouched : build(revisions.inForce(id));
    // What is being changed just now may never be committed.
    if (TransactionSynchronizationManager.isCurrentTransactionReadOnly()) {
      libraries.put(id, new CachedLibrary(practice.changes(), count, library));
    }
    return library;
  }

  /** A later shipped catalogue may make a ring of a practice's links: then they are left out. */
  private Library build(List<RevisionRow> inForce) {
    try {
      return build(inForce, UnaryOperator.identity());
    } catch (CatalogueException e) {
      LOG.error("own links left out: {}", e.getMessage());
      return build(inForce, OwnExercise::withoutLinks);
    }
  }

  private Library build(List<RevisionRow> inForce, UnaryOperator<OwnExercise> mend) {
    StringBuilder facts = new StringBuilder();
    Map<String, String> words = new LinkedHashMap<>();
    Set<String> retired = new HashSet<>();
    for (RevisionRow row : inForce) {
      if (row.retired()) retired.add(row.code());
      row.entry()
          .map(own -> mend.apply(own).asRevision(row.number()).snapshot(Library.LANGUAGE))
          .ifPresent(
              s -> {
                facts.append(s.facts());
                s.words().forEach((language, text) -> words.merge(language, text, String::concat));
              });
    }
    return Library.of(shipped.with(new Catalogue.Snapshot(facts.toString(), words), retired));
  }

  public boolean ships(String code) {
    return shipped.find(code).isPresent();
  }

  /** The entry in force, as lines to copy or to edit. */
  @Transactional(readOnly = true)
  public OwnExercise entry(Me me, String code) {
    try {
      return OwnExercise.of(
          of(me.practiceId()).catalogue().snapshot(List.of(code)), code, Library.LANGUAGE);
    } catch (CatalogueException e) {
      throw new NotFound();
    }
  }

  /** Newest first; empty where the entry is as shipped. */
  @Transactional(readOnly = true)
  public List<Revision> revisions(Me me, String code) {
    List<Revision> oldestFirst = new ArrayList<>();
    Optional<OwnExercise> before = asShipped(code);
    boolean wasRetired = false;
    for (RevisionRow row : revisions.findByPracticeIdAndCodeOrderByNumber(me.practiceId(), code)) {
      Optional<OwnExercise> entry = row.entry();
      Optional<OwnExercise> inForce = entry.or(() -> asShipped(code));
      String what =
          row.retired() != wasRetired
              ? row.retired() ? "retired" : "offered again"
              : entry.isEmpty() ? "back to the shipped entry" : difference(before, inForce);
      oldestFirst.add(
          new Revision(
              row.number(), row.madeAt(), accounts.practitionerName(row.madeBy()), what, entry));
      before = inForce;
      wasRetired = row.retired();
    }
    List<Revision> newestFirst = new ArrayList<>();
    oldestFirst.forEach(r -> newestFirst.add(0, r));
    return newestFirst;
  }

  private Optional<OwnExercise> asShipped(String code) {
    if (!ships(code)) return Optional.empty();
    return Optional.of(OwnExercise.of(shipped.snapshot(List.of(code)), code, Library.LANGUAGE));
  }

  private static String difference(Optional<OwnExercise> before, Optional<OwnExercise> after) {
    if (before.isEmpty() || after.isEmpty()) return "written";
    Set<String> fields = before.get().differences(after.get());
    return fields.isEmpty() ? "nothing changed" : "changed: " + String.join(", ", fields);
  }

  /**
   * Checks an entry and makes it the one in force.
   *
   * @param typed with an empty id for a new exercise, which gets one from its name
   * @param seen the revision that it started from; 0 for a shipped entry or a new one
   */
  @Changes
  public Outcome save(Me me, OwnExercise typed, int seen) {
    practices.lock(me);
    Catalogue now = of(me.practiceId()).catalogue();
    OwnExercise named = named(typed, now);
    if (!typed.id().isEmpty() && now.find(typed.id()).isEmpty()) throw new NotFound();
    Optional<Revision> newer = newer(me, named.id(), seen);
    if (newer.isPresent()) return new Outcome.Overtaken(newer.get());
    List<WordsCheck.Problem> problems = problems(named, now);
    if (!problems.isEmpty()) return new Outcome.Wrong(problems);
    boolean retired = now.find(named.id()).filter(now::isRetired).isPresent();
    add(me, named.id(), seen + 1, retired, named.canonical());
    return new Outcome.Saved(named.id());
  }

  /** What would speak against saving it. */
  @Transactional(readOnly = true)
  public List<WordsCheck.Problem> check(Me me, OwnExercise typed) {
    Catalogue now = of(me.practiceId()).catalogue();
    return problems(named(typed, now), now);
  }

  /** What is wrong with its facts, its words and its own picture. */
  private static List<WordsCheck.Problem> problems(OwnExercise entry, Catalogue now) {
    List<WordsCheck.Problem> problems = new ArrayList<>(entry.check(now, Library.LANGUAGE));
    entry.exercise().map(PoseCheck::of).orElse(List.of()).stream()
        .map(message -> new WordsCheck.Problem("posed", message))
        .forEach(problems::add);
    return problems;
  }

  private static OwnExercise named(OwnExercise typed, Catalogue now) {
    return typed.id().isEmpty() ? typed.copiedAs(code(typed, now)) : typed;
  }

  /** No longer offered for new programs, or offered again. Programs that have it keep it. */
  @Changes
  public Outcome retire(Me me, String code, boolean retired, int seen) {
    practices.lock(me);
    OwnExercise entry = entry(me, code);
    Optional<Revision> newer = newer(me, code, seen);
    if (newer.isPresent()) return new Outcome.Overtaken(newer.get());
    Optional<Revision> last = revisions(me, code).stream().findFirst();
    add(me, code, seen + 1, retired, last.flatMap(Revision::entry).orElse(null));
    return new Outcome.Saved(entry.id());
  }

  /** Puts the shipped entry back in force; the practice's own revisions stay in the history. */
  @Changes
  public Outcome backToShipped(Me me, String code, int seen) {
    practices.lock(me);
    OwnExercise entry = asShipped(code).orElseThrow(NotFound::new);
    Optional<Revision> newer = newer(me, code, seen);
    if (newer.isPresent()) return new Outcome.Overtaken(newer.get());
    Catalogue now = of(me.practiceId()).catalogue();
    List<WordsCheck.Problem> problems = entry.check(now, Library.LANGUAGE);
    if (!problems.isEmpty()) return new Outcome.Wrong(problems);
    add(me, code, seen + 1, now.isRetired(now.get(code)), null);
    return new Outcome.Saved(code);
  }

  private Optional<Revision> newer(Me me, String code, int seen) {
    return revisions(me, code).stream().findFirst().filter(r -> r.number() != seen);
  }

  private void add(Me me, String code, int number, boolean retired, @Nullable OwnExercise entry) {
    revisions.saveAndFlush(
        new RevisionRow(me.practiceId(), code, number, retired, entry, me.id(), clock.instant()));
    audit.practiceChanged(
        me, "exercise", "%s revision %d%s".formatted(code, number, retired ? " retired" : ""));
  }

  /** From the name, in plain letters; with a number where there is one already. */
  private static String code(OwnExercise typed, Catalogue now) {
    String plain =
        Normalizer.normalize(typed.words().getOrDefault("name", ""), Normalizer.Form.NFD)
            .toLowerCase(Locale.ROOT)
            .replaceAll("\\p{M}+", "")
            .replaceAll("[^a-z0-9]+", "-")
            .replaceAll("^-|-$", "");
    String stem = OWN + (plain.isEmpty() ? "exercise" : plain);
    if (stem.length() > LONGEST_CODE) stem = stem.substring(0, LONGEST_CODE);
    String code = stem;
    for (int n = 2; now.find(code).isPresent(); n++) code = stem + "-" + n;
    return code;
  }

  // ---- drafts --------------------------------------------------------------------------------

  @Transactional(readOnly = true)
  public List<Draft> drafts(Me me) {
    return drafts.findByPractitionerIdOrderByMadeAtDesc(me.id()).stream().map(this::draft).toList();
  }

  /**
   * @throws NotFound for somebody else's draft just as for none
   */
  @Transactional(readOnly = true)
  public Draft draft(Me me, UUID id) {
    return drafts
        .findByIdAndPractitionerId(id, me.id())
        .map(this::draft)
        .orElseThrow(NotFound::new);
  }

  /** Keeps what was typed, right or wrong. */
  @Changes
  public UUID keep(Me me, Optional<UUID> id, OwnExercise typed, int base) {
    if (!typed.id().isEmpty()) entry(me, typed.id());
    Optional<ExerciseDraftRow> row = id.flatMap(i -> drafts.findByIdAndPractitionerId(i, me.id()));
    row.ifPresent(r -> r.write(base, typed, clock.instant()));
    return row.orElseGet(
            () ->
                drafts.save(
                    new ExerciseDraftRow(me.id(), typed.id(), base, typed, clock.instant())))
        .getId();
  }

  @Changes
  public void drop(Me me, UUID id) {
    drafts.findByIdAndPractitionerId(id, me.id()).ifPresent(drafts::delete);
  }

  private Draft draft(ExerciseDraftRow row) {
    return new Draft(row.getId(), row.code(), row.base(), row.entry(), row.madeAt());
  }
}
