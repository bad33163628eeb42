package org.biokinet.app.program;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Direction;
import org.biokinet.core.dose.DoseWords;
import org.biokinet.core.dose.Parsed;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.ExerciseWords;
import org.biokinet.core.timeline.DraftTimeline;
import org.biokinet.core.timeline.Timeline;

/**
 * The Plan page's list as the template shows it.
 *
 * @param total of one session, m:ss
 * @param longest the longest stretch bar on one side, in seconds, for the scale of all bars
 */
public record PlanView(
    String title,
    List<Line> lines,
    String total,
    int longest,
    Optional<String> problem,
    int seq,
    boolean canUndo,
    boolean canRedo,
    boolean started,
    int nextVersion) {

  /**
   * One item.
   *
   * @param ways which way each side goes: "L: Tilt right · R: Tilt left"
   * @param canonical the one form in which this dose is written; as typed when not understood
   * @param meaning the dose in words, or what is wrong with it
   */
  public record Line(
      String key,
      int number,
      String name,
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
      List<Position> positions) {}

  static PlanView of(
      DraftService.State state, double breathSeconds, Catalogue catalogue, Locale locale) {
    DraftTimeline timed = DraftTimeline.of(state.draft(), breathSeconds, catalogue);
    List<Line> lines = new ArrayList<>();
    for (DraftTimeline.Line line : timed.lines()) {
      lines.add(line(line, lines.size() + 1, catalogue, locale));
    }
    int longest = lines.stream().mapToInt(l -> Math.max(l.left(), l.right())).max().orElse(0);
    return new PlanView(
        state.draft().title(),
        lines,
        Timeline.clock(timed.seconds()),
        Math.max(60, longest),
        timed.problem(),
        state.seq(),
        state.canUndo(),
        state.canRedo(),
        state.started(),
        state.nextVersion());
  }

  private static Line line(
      DraftTimeline.Line line, int number, Catalogue catalogue, Locale locale) {
    Exercise e = line.exercise();
    ExerciseWords words = catalogue.words(e, locale);
    boolean understood = line.parsed() instanceof Parsed.Understood;
    String meaning =
        line.parsed() instanceof Parsed.Understood ok
            ? new DoseWords(e.doseContext(), locale).of(ok.dose())
            : ((Parsed.Fault) line.parsed()).message();
    return new Line(
        line.draft().key(),
        number,
        words.name(),
        ways(e, words, locale),
        line.draft().dose(),
        line.parsed() instanceof Parsed.Understood ok ? ok.canonical() : line.draft().dose(),
        understood,
        meaning,
        line.parsed() instanceof Parsed.Fault f ? f.fixes() : List.of(),
        understood ? Timeline.clock(line.seconds()) : "–:––",
        line.stretchLeft(),
        line.stretchRight(),
        line.position(),
        e.positions());
  }

  private static String ways(Exercise e, ExerciseWords words, Locale locale) {
    Optional<Direction> first = e.doseContext().directions().stream().findFirst();
    if (!e.sided()) {
      return ExerciseWords.fill(words.move(), e, Optional.empty(), first, locale);
    }
    List<String> sides = new ArrayList<>();
    for (Side side : Side.values()) {
      sides.add(
          side.letter()
              + ": "
              + ExerciseWords.fill(words.move(), e, Optional.of(side), first, locale));
    }
    return String.join(" · ", sides);
  }
}
