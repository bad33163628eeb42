package org.biokinet.app.program;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.library.Library;
import org.biokinet.app.library.LibraryService;
import org.biokinet.app.people.AccountService;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.platform.NotFound;
import org.biokinet.app.practice.Me;
import org.biokinet.app.program.internal.SavedPlanRow;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.core.anatomy.Setting;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.program.Draft;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.DraftItem;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.Weeks;
import org.biokinet.core.screening.Assessment;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Plans of the practice to begin with, and the program of another client as one. */
@Service
public class SavedPlans {

  interface Rows extends JpaRepository<SavedPlanRow, UUID> {
    List<SavedPlanRow> findByPracticeIdAndProgramAndRetiredAtIsNullOrderByMadeAtDesc(
        UUID practiceId, ProgramKind program);
  }

  public static final int LONGEST_FOR = 300;

  /** Our choice: whoever needs more of them looks for them. */
  private static final int MOST_SHOWN = 30;

  /**
   * A plan as it is found.
   *
   * @param by who saved it
   */
  public record Found(UUID id, String title, String forWhom, String by, int items) {}

  /**
   * What can be taken from somewhere.
   *
   * @param title of the plan; of a client's program its title, and never a name
   */
  public record Offer(String title, List<Offered> items) {
    public Offer {
      items = List.copyOf(items);
    }
  }

  /**
   * One item of it.
   *
   * @param name of the exercise
   * @param locked why this client may not have it, or empty
   */
  public record Offered(DraftItem item, String name, String locked) {}

  private final Rows rows;
  private final ClientService clients;
  private final VersionService versions;
  private final LibraryService library;
  private final ScreeningService screenings;
  private final AccountService accounts;
  private final Audit audit;
  private final Clock clock;

  SavedPlans(
      Rows rows,
      ClientService clients,
      VersionService versions,
      LibraryService library,
      ScreeningService screenings,
      AccountService accounts,
      Audit audit,
      Clock clock) {
    this.rows = rows;
    this.clients = clients;
    this.versions = versions;
    this.library = library;
    this.screenings = screenings;
    this.accounts = accounts;
    this.audit = audit;
    this.clock = clock;
  }

  /** Saves the items of a draft with their ladders; no note, no dates, nobody's name. */
  @Changes
  public void save(Me me, DraftService.State state, String title, String forWhom) {
    List<DraftItem> items = state.draft().items().stream().map(SavedPlans::plain).toList();
    rows.save(
        new SavedPlanRow(
            me.practiceId(),
            state.program(),
            title,
            forWhom,
            Draft.empty(title).withItems(items),
            me.id(),
            clock.instant()));
    audit.practiceChanged(me, "saved plan", title);
  }

  /** The weeks are days of one client's, and a mark is of one suggestion. */
  private static DraftItem plain(DraftItem item) {
    return item.withWeeks(Weeks.USUAL).suggested(false);
  }

  /** By title, for whom, or the name of an exercise; the newest first. */
  @Transactional(readOnly = true)
  public List<Found> find(Me me, ProgramKind program, String words) {
    Library mine = library.of(me.practiceId());
    String wanted = words.strip().toLowerCase(Locale.ROOT);
    return rows
        .findByPracticeIdAndProgramAndRetiredAtIsNullOrderByMadeAtDesc(me.practiceId(), program)
        .stream()
        .filter(r -> wanted.isEmpty() || text(r, mine).contains(wanted))
        .limit(MOST_SHOWN)
        .map(
            r ->
                new Found(
                    r.getId(),
                    r.title(),
                    r.forWhom(),
                    accounts.practitionerName(r.madeBy()),
                    r.plan().items().size()))
        .toList();
  }

  private static String text(SavedPlanRow row, Library mine) {
    String names =
        row.plan().items().stream()
            .flatMap(i -> mine.catalogue().find(i.exercise()).stream())
            .map(mine::name)
            .collect(Collectors.joining(" "));
    return "%s %s %s".formatted(row.title(), row.forWhom(), names).toLowerCase(Locale.ROOT);
  }

  /** Takes a plan out of use; who has begun with it keeps what was taken. */
  @Changes
  public void retire(Me me, UUID id) {
    SavedPlanRow row = mine(me, id);
    row.retire(clock.instant());
    audit.practiceChanged(me, "saved plan out of use", row.title());
  }

  private SavedPlanRow mine(Me me, UUID id) {
    return rows.findById(id)
        .filter(r -> r.practiceId().equals(me.practiceId()))
        .orElseThrow(NotFound::new);
  }

  /** A saved plan for a client. */
  @Transactional(readOnly = true)
  public Offer offer(Me me, DraftService.State state, UUID plan) {
    SavedPlanRow row = mine(me, plan);
    return offer(state, row.title(), row.plan().items());
  }

  /** What another client does now: its items, and neither name nor note. */
  @Transactional(readOnly = true)
  public Offer offerFrom(Me me, DraftService.State state, UUID otherId) {
    Client other = clients.get(me, otherId);
    audit.sawPart(me, otherId, "program, to copy from");
    Draft there =
        versions.latest(other, state.program()).map(DraftService::start).orElseThrow(NotFound::new);
    return offer(
        state,
        "The %s that is done now".formatted(state.program().label()),
        there.items().stream().map(SavedPlans::plain).toList());
  }

  private Offer offer(DraftService.State state, String title, List<DraftItem> items) {
    Library mine = library.of(state.client().practice());
    List<Offered> offered = new ArrayList<>();
    for (DraftItem item : items) {
      Optional<Exercise> e = mine.catalogue().find(item.exercise());
      String name = e.map(mine::name).orElse(item.exercise());
      offered.add(new Offered(item, name, locked(state, mine, item, e)));
    }
    return new Offer(title, offered);
  }

  private String locked(
      DraftService.State state, Library mine, DraftItem item, Optional<Exercise> found) {
    if (found.isEmpty()) return "not in the library any more";
    Exercise e = found.get();
    if (mine.catalogue().isRetired(e)) return "retired by the practice";
    var position = item.position().filter(e.positions()::contains).orElse(e.usualPosition());
    Setting at = Setting.of(position, state.client().means());
    return screenings
        .gate(state.client())
        .answers()
        .flatMap(a -> a.of(e, at).locks().stream().map(Assessment.Reason::words).findFirst())
        .or(() -> state.program().against(e, position))
        .orElse("");
  }

  /**
   * The edit that puts what is chosen of an offer behind what there is; empty where nothing of it
   * may be taken.
   *
   * @param chosen places in the offer; what is locked is left out whatever is chosen
   */
  public static Optional<DraftEdit> insert(Offer offer, Set<Integer> chosen) {
    List<DraftItem> items = new ArrayList<>();
    for (int i = 0; i < offer.items().size(); i++) {
      Offered o = offer.items().get(i);
      if (chosen.contains(i) && o.locked().isEmpty()) {
        items.add(o.item().keyed(UUID.randomUUID().toString()));
      }
    }
    return items.isEmpty() ? Optional.empty() : Optional.of(new DraftEdit.Insert(items));
  }
}
