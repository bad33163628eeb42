package org.biokinet.app.program;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.biokinet.app.client.Client;
import org.biokinet.app.library.Library;
import org.biokinet.app.library.LibraryService;
import org.biokinet.app.screening.ScreeningService;
import org.biokinet.app.settings.SettingsService;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.ledger.Ledger;
import org.biokinet.core.program.Course;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.Weeks;
import org.biokinet.core.progress.Forecast;
import org.biokinet.core.progress.Forecast.Move;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.Gate;
import org.biokinet.core.timeline.DraftTimeline;
import org.biokinet.core.timeline.Timeline;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The weeks of a draft: what is behind, what is foreseen, and how that is changed. */
@Service
public class CourseService {

  private final VersionService versions;
  private final SettingsService settings;
  private final LibraryService library;
  private final ScreeningService screenings;

  CourseService(
      VersionService versions,
      SettingsService settings,
      LibraryService library,
      ScreeningService screenings) {
    this.versions = versions;
    this.settings = settings;
    this.library = library;
    this.screenings = screenings;
  }

  /**
   * A week that is over.
   *
   * @param program in force on its last day; empty where there was none
   */
  public record Past(LocalDate from, Optional<Program> program) {}

  /**
   * A draft with its weeks.
   *
   * @param forecast empty where the draft is too long to be timed
   * @param past the oldest first
   */
  public record Ahead(
      DraftService.State state,
      Library library,
      DraftTimeline draft,
      Optional<Forecast> forecast,
      List<Past> past) {
    public Ahead {
      past = List.copyOf(past);
    }

    public Course course() {
      return state.draft().course().orElse(Course.USUAL);
    }

    LocalDate day(int week) {
      return state.today().plusDays((long) week * Forecast.DAYS_A_WEEK);
    }
  }

  /**
   * @param ahead how many weeks, from the one that begins today
   * @param behind how many at most
   */
  @Transactional(readOnly = true)
  public Ahead ahead(DraftService.State state, int ahead, int behind) {
    Client client = state.client();
    Library mine = library.of(client.practice());
    DraftTimeline draft =
        DraftTimeline.of(
            state.draft(),
            client.breathSeconds(),
            settings.of(client.practice()).pacing(),
            mine.catalogue(),
            state.today());
    Gate gate = screenings.gate(client);
    Optional<Forecast> forecast =
        draft.timeline().map(t -> Forecast.of(given(state, draft, t.program(), gate), ahead));
    return new Ahead(state, mine, draft, forecast, past(state, behind));
  }

  /** What is understood; the rest has no dose to go on from. */
  private static Forecast.Given given(
      DraftService.State state, DraftTimeline draft, Program program, Gate gate) {
    List<Forecast.Row> rows = new ArrayList<>();
    for (DraftTimeline.TimedItem line : draft.lines()) {
      Weeks weeks = line.draft().weeks().orElse(Weeks.USUAL);
      line.item().ifPresent(i -> rows.add(new Forecast.Row(line.draft().key(), i, weeks)));
    }
    return new Forecast.Given(
        program,
        rows,
        state.draft().course().orElse(Course.USUAL),
        state.today(),
        Allowed.of(gate, state.client().means(), state.client().breathSeconds()),
        state.inForce().before(state.program()),
        beside(state));
  }

  /** Stretch of the other program. */
  public static Ledger beside(DraftService.State state) {
    return state
        .program()
        .beside()
        .flatMap(state.inForce()::of)
        .map(r -> Ledger.of(Timeline.compile(r.program())))
        .orElse(Ledger.NOTHING);
  }

  private List<Past> past(DraftService.State state, int most) {
    Client client = state.client();
    List<ProgramVersion> all =
        versions.all(client.getId()).stream()
            .filter(v -> v.program() == state.program())
            .filter(v -> !v.sharedAt().isBefore(client.episodeSince()))
            .toList();
    Map<ProgramVersion.Name, Withdrawn> withdrawn = versions.withdrawn(client.getId());
    List<Optional<ProgramVersion.Name>> names = new ArrayList<>();
    List<LocalDate> days = new ArrayList<>();
    for (int w = most; w > 0; w--) {
      LocalDate from = state.today().minusDays((long) w * Forecast.DAYS_A_WEEK);
      Instant end = from.plusDays(Forecast.DAYS_A_WEEK).atStartOfDay(client.zone()).toInstant();
      Optional<ProgramVersion.Name> then =
          all.stream()
              .filter(v -> v.sharedAt().isBefore(end))
              .reduce((a, b) -> b)
              .map(ProgramVersion::name)
              .filter(n -> withdrawn.get(n) == null || withdrawn.get(n).at().isAfter(end));
      if (then.isEmpty() && days.isEmpty()) continue;
      days.add(from);
      names.add(then);
    }
    Set<ProgramVersion.Name> needed =
        names.stream().flatMap(Optional::stream).collect(Collectors.toSet());
    var replays = versions.replays(client.getId(), needed);
    return IntStream.range(0, days.size())
        .mapToObj(
            i ->
                new Past(
                    days.get(i),
                    names.get(i).map(n -> replays.get(n)).map(VersionService.Replay::program)))
        .toList();
  }

  // ---- changing it -------------------------------------------------------------------------

  /** What is done to an item in a week. */
  public enum What {
    /** The step that falls in this week comes at the review before. */
    EARLIER,
    /** It comes at the review after. */
    LATER,
    /** No step at this review, or one again. */
    HOLD,
    /** This is the first week without it, or not any more. */
    END,
    /** This is the first week with it; the first of all is now. */
    BRING,
    /** The step of this week goes to another. */
    MOVE
  }

  /**
   * A change that somebody wants.
   *
   * @param week from 0 for the one that begins today
   * @param to where a step is moved to
   * @param sides one or both
   */
  public record Wish(What what, String key, int week, int to, List<Side> sides) {
    public Wish {
      sides = List.copyOf(sides);
    }
  }

  /** What comes of a wish. */
  public sealed interface Answer {
    record Edit(DraftEdit edit) implements Answer {}

    record Not(String why) implements Answer {}
  }

  /** The edit that does it, or why nothing can. */
  public Answer answer(Ahead ahead, Wish wish) {
    Optional<Weeks> weeks =
        ahead.state().draft().items().stream()
            .filter(i -> i.key().equals(wish.key()))
            .findFirst()
            .map(i -> i.weeks().orElse(Weeks.USUAL));
    if (weeks.isEmpty()) return new Answer.Not("This item is not in the draft any more.");
    if (ahead.forecast().isEmpty()) {
      return new Answer.Not(ahead.draft().problem().orElse("The draft cannot be timed yet."));
    }
    LocalDate day = ahead.day(wish.week());
    return switch (wish.what()) {
      case BRING ->
          edit(wish, weeks.get().from(wish.week() == 0 ? Optional.empty() : Optional.of(day)));
      case END -> {
        boolean ends = weeks.get().until().filter(day::equals).isPresent();
        if (wish.week() == 0 && !ends) {
          yield new Answer.Not("What is to end now is taken out of the list.");
        }
        yield edit(wish, weeks.get().until(ends ? Optional.empty() : Optional.of(day)));
      }
      case HOLD -> {
        int review = reviewFrom(ahead, wish.week());
        boolean held = wish.sides().stream().allMatch(s -> held(ahead, weeks.get(), review, s));
        yield edit(wish, set(ahead, weeks.get(), review, wish.sides(), !held));
      }
      case LATER -> {
        int review = reviewFrom(ahead, wish.week());
        yield edit(wish, set(ahead, weeks.get(), review, wish.sides(), true));
      }
      case EARLIER -> earlier(ahead, wish, weeks.get());
      case MOVE -> moved(ahead, wish, weeks.get());
    };
  }

  private static Answer edit(Wish wish, Weeks weeks) {
    return new Answer.Edit(new DraftEdit.SetWeeks(wish.key(), weeks));
  }

  /** The first review in or after a week; there is none in the first. */
  private static int reviewFrom(Ahead ahead, int week) {
    int every = ahead.course().everyWeeks();
    return Math.max(1, (week + every - 1) / every) * every;
  }

  private static boolean held(Ahead ahead, Weeks weeks, int review, Side side) {
    return weeks.held(ahead.day(review - ahead.course().everyWeeks()), ahead.day(review), side);
  }

  private static Weeks set(Ahead ahead, Weeks weeks, int review, List<Side> sides, boolean held) {
    LocalDate after = ahead.day(review - ahead.course().everyWeeks());
    return held
        ? weeks.hold(after, ahead.day(review), sides)
        : weeks.release(after, ahead.day(review), sides);
  }

  /** The last review before this week at which a step was held is given free. */
  private static Answer earlier(Ahead ahead, Wish wish, Weeks weeks) {
    OptionalInt last =
        IntStream.rangeClosed(1, Math.max(0, wish.week()))
            .map(i -> wish.week() - i + 1)
            .filter(w -> w % ahead.course().everyWeeks() == 0)
            .filter(w -> wish.sides().stream().anyMatch(s -> held(ahead, weeks, w, s)))
            .findFirst();
    if (last.isPresent()) {
      return edit(wish, set(ahead, weeks, last.getAsInt(), wish.sides(), false));
    }
    return new Answer.Not(
        barred(ahead, wish)
            .map(why -> "No sooner: " + why + ".")
            .orElse("No sooner: a step at each review is the most."));
  }

  /** What stood against a step at the review before. */
  private static Optional<String> barred(Ahead ahead, Wish wish) {
    Forecast forecast = ahead.forecast().orElseThrow();
    for (int w = Math.min(wish.week(), forecast.weeks().size()) - 1; w > 0; w--) {
      if (!(forecast.weeks().get(w).state(wish.key()) instanceof Forecast.State.Done done)) break;
      Optional<String> why =
          wish.sides().stream()
              .flatMap(s -> Optional.ofNullable(done.sides().get(s)).stream())
              .filter(c -> c.move().barred())
              .map(Forecast.Cell::why)
              .findFirst();
      if (why.isPresent()) return why;
    }
    return Optional.empty();
  }

  private static Answer moved(Ahead ahead, Wish wish, Weeks weeks) {
    Forecast forecast = ahead.forecast().orElseThrow();
    boolean steps =
        wish.week() < forecast.weeks().size()
            && wish.sides().stream()
                .anyMatch(
                    s ->
                        forecast
                            .move(wish.key(), s, wish.week())
                            .filter(m -> m == Move.STEP)
                            .isPresent());
    if (!steps) return new Answer.Not("There is no step in that week to be moved.");
    Weeks changed = weeks;
    int every = ahead.course().everyWeeks();
    int first = Math.min(wish.week(), wish.to());
    int last = Math.max(wish.week(), wish.to());
    for (int w = reviewFrom(ahead, first); w < last; w += every) {
      changed = set(ahead, changed, w, wish.sides(), wish.to() > wish.week());
    }
    if (wish.to() < wish.week() && changed.equals(weeks)) {
      return earlier(ahead, wish, weeks);
    }
    return edit(wish, changed);
  }
}
