package org.biokinet.app.program.web;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import org.biokinet.app.client.Circumstances;
import org.biokinet.app.client.Client;
import org.biokinet.app.platform.Days;
import org.biokinet.app.program.DraftService;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Direction;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.DoseWords;
import org.biokinet.core.dose.Parsed;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.ExerciseWords;
import org.biokinet.core.figure.draw.Figure;
import org.biokinet.core.ledger.Band;
import org.biokinet.core.ledger.Ledger;
import org.biokinet.core.program.Item.Priority;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.program.Weeks;
import org.biokinet.core.timeline.DraftTimeline;
import org.biokinet.core.timeline.Timeline;

/**
 * The Plan page's list as the template shows it.
 *
 * @param note to the client, or empty
 * @param total of a usual session, m:ss
 * @param lengths the short and the long session, where they differ from it
 * @param room the time that the client has, in words; empty where nothing is known
 * @param tooLong whether a usual session is longer than that
 * @param breath one breath of this client, in seconds
 * @param lead the side that always goes first, or empty
 * @param longest the longest stretch bar on one side, in seconds, for the scale of all bars
 */
public record PlanView(
    String title,
    String note,
    List<PlannedItem> lines,
    String total,
    List<String> lengths,
    String room,
    boolean tooLong,
    int longest,
    Optional<String> problem,
    int seq,
    boolean canUndo,
    boolean canRedo,
    boolean started,
    ProgramVersion.Name next,
    LedgerView ledger,
    String breath,
    String lead) {

  /**
   * One item.
   *
   * @param order the code of the order chosen, or empty
   * @param lead the side chosen to go first, or empty
   * @param chosen whether any of these differs from the usual
   * @param ways which way each side goes: "L: Tilt right · R: Tilt left"
   * @param id the code of the exercise
   * @param drawn whether there is a picture of it
   * @param news what the practice did to the exercise since the last version, or empty
   * @param canonical the one form in which this dose is written; as typed when not understood
   * @param meaning the dose in words, or what is wrong with it
   * @param when that it is not done now: "from 10 Dec"; or empty
   * @param target where its ladder ends, as typed, or empty for the usual target
   * @param targetFault what is wrong with that, or empty
   * @param suggested whether nobody has touched it since it was suggested
   */
  public record PlannedItem(
      String key,
      int number,
      String id,
      boolean drawn,
      String name,
      String news,
      String ways,
      String dose,
      String canonical,
      boolean understood,
      String meaning,
      List<String> fixes,
      String clock,
      int left,
      int right,
      Position position,
      List<Position> positions,
      boolean sided,
      String order,
      String lead,
      boolean high,
      boolean chosen,
      String when,
      String target,
      String usualTarget,
      String targetFault,
      boolean suggested) {}

  static PlanView of(
      DraftService.State state,
      DraftTimeline timed,
      Band band,
      Catalogue catalogue,
      Locale locale) {
    double breathSeconds = state.client().breathSeconds();
    ProgramKind program = state.program();
    List<PlannedItem> lines = new ArrayList<>();
    for (DraftTimeline.TimedItem line : timed.lines()) {
      lines.add(line(line, lines.size() + 1, state, catalogue, locale));
    }
    int longest = lines.stream().mapToInt(l -> Math.max(l.left(), l.right())).max().orElse(0);
    return new PlanView(
        state.draft().title(),
        state.draft().note().orElse(""),
        lines,
        Timeline.clock(timed.seconds()),
        program.lengths().size() == 1
            ? List.of()
            : timed.timeline().map(PlanView::lengths).orElse(List.of()),
        room(state),
        tooLong(state, timed.seconds()),
        Math.max(60, longest),
        timed.problem(),
        state.seq(),
        state.canUndo(),
        state.canRedo(),
        state.started(),
        state.next(),
        LedgerView.of(
            timed.timeline().map(Ledger::of).orElse(Ledger.NOTHING),
            program.beside().flatMap(beside -> ledger(state, beside)),
            band),
        BigDecimal.valueOf(breathSeconds).stripTrailingZeros().toPlainString(),
        state.draft().lead().map(Enum::name).orElse(""));
  }

  private static Optional<Ledger> ledger(DraftService.State state, ProgramKind program) {
    return state.inForce().of(program).map(r -> Ledger.of(Timeline.compile(r.program())));
  }

  private static boolean tooLong(DraftService.State state, int seconds) {
    if (!state.program().fits(seconds)) return true;
    OptionalInt minutes = state.client().circumstances().minutes();
    return state.program() == ProgramKind.MAIN
        && minutes.isPresent()
        && seconds > 60 * minutes.getAsInt();
  }

  private static String room(DraftService.State state) {
    if (state.program() == ProgramKind.DESK) {
      return "1 to %d min, on a chair or standing, nothing in the hand"
          .formatted(state.program().mostMinutes());
    }
    Client client = state.client();
    Circumstances at = client.circumstances();
    List<String> parts = new ArrayList<>();
    at.minutes().ifPresent(m -> parts.add(m + " min a session"));
    at.timesPerDay().ifPresent(t -> parts.add(t == 1 ? "once a day" : t + " times a day"));
    return parts.isEmpty() ? "" : client.firstName() + " has " + String.join(", ", parts);
  }

  private static List<String> lengths(Timeline usual) {
    List<String> lengths = new ArrayList<>();
    for (SessionLength length : List.of(SessionLength.SHORT, SessionLength.LONG)) {
      try {
        int seconds = Timeline.compile(usual.program().session(Side.LEFT, length)).seconds();
        if (seconds != usual.seconds()) {
          String note = length.needsScreening() ? " (only without limits)" : "";
          lengths.add("%s %s%s".formatted(length.code(), Timeline.clock(seconds), note));
        }
      } catch (Timeline.TooLong e) {
        lengths.add(length.code() + " over 2 h, not offered");
      }
    }
    return lengths;
  }

  private static PlannedItem line(
      DraftTimeline.TimedItem line,
      int number,
      DraftService.State state,
      Catalogue catalogue,
      Locale locale) {
    Exercise e = line.exercise();
    ExerciseWords words = catalogue.words(e, locale);
    boolean high = line.draft().priority().equals(Optional.of(Priority.HIGH));
    String target = line.draft().target().orElse("");
    boolean understood = line.parsed() instanceof Parsed.Understood;
    String meaning =
        line.parsed() instanceof Parsed.Understood ok
            ? new DoseWords(e.doseContext(), locale).of(ok.dose())
            : ((Parsed.Fault) line.parsed()).message();
    return new PlannedItem(
        line.draft().key(),
        number,
        e.id(),
        Figure.of(e, Side.RIGHT).isPresent(),
        words.name(),
        news(e, state, catalogue),
        ways(e, words, locale),
        line.draft().dose(),
        line.parsed() instanceof Parsed.Understood ok ? ok.canonical() : line.draft().dose(),
        understood,
        meaning,
        line.parsed() instanceof Parsed.Fault f ? f.fixes() : List.of(),
        understood && line.now() ? Timeline.clock(line.seconds()) : "–:––",
        line.stretchLeft(),
        line.stretchRight(),
        line.position(),
        e.positions(),
        e.sided(),
        line.draft().order().map(Enum::name).orElse(""),
        line.draft().lead().map(Enum::name).orElse(""),
        high,
        high
            || !target.isEmpty()
            || line.draft().order().isPresent()
            || line.draft().lead().isPresent(),
        when(line, state),
        target,
        DoseNotation.format(e.target()),
        line.target().orElse(null) instanceof Parsed.Fault f ? f.message() : "",
        line.draft().suggested());
  }

  private static String when(DraftTimeline.TimedItem line, DraftService.State state) {
    if (line.now()) return "";
    Weeks weeks = line.draft().weeks().orElse(Weeks.USUAL);
    return weeks.ended(state.today())
        ? "ended " + Days.day(weeks.until().orElseThrow())
        : "from " + Days.day(weeks.from().orElseThrow());
  }

  private static String news(Exercise e, DraftService.State state, Catalogue catalogue) {
    if (catalogue.isRetired(e)) return "retired by the practice";
    return state
        .shared()
        .filter(r -> r.catalogue().find(e.id()).isPresent())
        .filter(r -> r.catalogue().revision(e) != catalogue.revision(e))
        .map(r -> "rewritten since version %d".formatted(r.version().number()))
        .orElse("");
  }

  private static String ways(Exercise e, ExerciseWords words, Locale locale) {
    Optional<Direction> first = e.doseContext().directions().stream().findFirst();
    if (!e.sided()) return words.on(e, Optional.empty(), first, locale).move();
    List<String> sides = new ArrayList<>();
    for (Side side : Side.values()) {
      sides.add(side.letter() + ": " + words.on(e, Optional.of(side), first, locale).move());
    }
    return String.join(" · ", sides);
  }
}
