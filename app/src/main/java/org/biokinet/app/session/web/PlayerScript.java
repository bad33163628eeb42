package org.biokinet.app.session.web;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.biokinet.app.program.VersionService;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Direction;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.dose.TenPoint;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.ExerciseWords;
import org.biokinet.core.figure.draw.Figure;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.screening.Beginning;
import org.biokinet.core.session.Asking;
import org.biokinet.core.session.ItemSide;
import org.biokinet.core.session.Session;
import org.biokinet.core.timeline.Cue;
import org.biokinet.core.timeline.CueSheet;
import org.biokinet.core.timeline.Cues;
import org.biokinet.core.timeline.Easier;
import org.biokinet.core.timeline.Segment;
import org.biokinet.core.timeline.Timeline;

/**
 * All that the player needs: it walks these steps by the clock and decides nothing itself.
 *
 * @param preview whether a practitioner looks at it: then nothing is sent or kept
 * @param leaseUntil until when it may be started without asking the server
 * @param answerSeconds how long Start waits for the server's answer before it goes by the lease
 * @param sleptSeconds a gap in the timer longer than this was not worked
 * @param returnSeconds how long a session that was broken off can be gone on with
 * @param putRightSeconds how long a tap by mistake can be put right
 * @param inward the part of a breath that goes in
 * @param roseFrom highest pain from which on it is asked where it rose
 * @param ceiling the lowest of the session; where more was felt it is asked where
 * @param pairs the stretches that are done on either side, by place: which was tighter is asked
 * @param sounds all that is heard, in the order of time
 */
record PlayerScript(
    boolean preview,
    ProgramKind program,
    int version,
    Side lead,
    SessionLength length,
    List<Integer> paused,
    Beginning beginning,
    int painBefore,
    Instant leaseUntil,
    int answerSeconds,
    long sleptSeconds,
    long returnSeconds,
    long putRightSeconds,
    int seconds,
    double inward,
    List<String> items,
    int roseFrom,
    int ceiling,
    List<Integer> pairs,
    List<Step> steps,
    List<Heard> sounds) {

  /**
   * One thing that is heard.
   *
   * @param tone what it tells; empty for words
   * @param text what is said; empty for a tone
   * @param breath whether it is only for those who want their breath to be led
   */
  record Heard(double at, String tone, String text, boolean breath) {

    static Heard of(CueSheet.Sound sound) {
      return sound instanceof CueSheet.Said said
          ? new Heard(said.at(), "", said.text(), said.breath())
          : new Heard(sound.at(), ((CueSheet.Toned) sound).tone().name(), "", false);
    }
  }

  /** Whoever has pressed Start does not wait longer for a network that is hardly there. */
  private static final int ANSWER_SECONDS = 4;

  /**
   * One segment.
   *
   * @param figureFrom where in the round of its figure the step begins, in the figure's seconds
   * @param figureTo where it ends; a long step goes round more than once
   * @param count where in the count it stands: "Hold 2 of 3 on the right"
   * @param toward the absolute direction of the movement, where it has one
   * @param easy seconds of it once this exercise is made easier; 0 where it falls away then
   * @param breaths that it lasts; 0 where it is not counted in breaths
   * @param breath seconds of one breath: of the dose, or the client's own where it is held
   * @param not where it must not be felt
   * @param watch what this client does wrong most, while getting ready; empty otherwise
   * @param limits how strong, how hard and against what
   * @param next what comes after it, as the client reads it
   * @param back index of the step to go to when "back" is pressed: the beginning of this
   *     repetition, or of the one before when already there
   * @param skip index of the first step of the next exercise
   */
  record Step(
      int start,
      int seconds,
      int easy,
      String kind,
      boolean work,
      int item,
      Optional<Side> side,
      Optional<Side> toward,
      double figureFrom,
      double figureTo,
      String count,
      String headline,
      String detail,
      String not,
      String limits,
      String watch,
      int breaths,
      double breath,
      String next,
      int back,
      int skip) {}

  static PlayerScript of(
      VersionService.Replay replay,
      Program session,
      Beginning beginning,
      int painBefore,
      Instant leaseUntil,
      String end,
      Map<String, Set<String>> usual,
      boolean preview,
      Locale locale) {
    Timeline timeline = Timeline.compile(session);
    Cues words = new Cues(replay.catalogue(), locale, usual);
    List<Cue> cues = words.of(timeline);
    List<Segment> segments = timeline.segments();
    List<Integer> easy = Easier.seconds(timeline, Timeline.compile(Beginning.ONE_DOWN.of(session)));
    List<Step> steps = new ArrayList<>();
    int begin = 0;
    int before = 0;
    for (int i = 0; i < segments.size(); i++) {
      Segment s = segments.get(i);
      if (i > 0 && beginsBout(segments.get(i - 1), s)) {
        before = begin;
        begin = i;
      }
      Cue cue = cues.get(i);
      Span span = span(s, replay.program().items().get(s.item()).exercise());
      steps.add(
          new Step(
              s.start(),
              s.seconds(),
              easy.get(i),
              s.kind().name(),
              s.kind().isWork(),
              s.item(),
              s.side(),
              toward(replay, s),
              span.from(),
              span.to(),
              words.count(timeline, s),
              cue.headline(),
              cue.detail(),
              cue.not(),
              cue.limits(),
              watch(replay, segments, i, usual, locale),
              s.breaths(),
              breath(s, session.breathSeconds()),
              words.next(timeline, cues, i).orElse(end),
              i == begin ? before : begin,
              firstOfNextItem(segments, i)));
    }
    List<String> names =
        replay.program().items().stream()
            .map(item -> replay.catalogue().words(item.exercise(), locale).name())
            .toList();
    return new PlayerScript(
        preview,
        replay.version().program(),
        replay.version().number(),
        session.leadOr(Side.LEFT),
        session.length(),
        session.paused().stream().sorted().toList(),
        beginning,
        painBefore,
        leaseUntil,
        ANSWER_SECONDS,
        Session.SLEPT.toSeconds(),
        Session.RETURN_WITHIN.toSeconds(),
        Session.PUT_RIGHT_WITHIN.toSeconds(),
        timeline.seconds(),
        CueSheet.INWARD,
        names,
        painBefore + Asking.ROSE_BY,
        ceiling(session),
        pairs(session, segments),
        steps,
        words.sheet(timeline).sounds().stream().map(Heard::of).toList());
  }

  /** The faults that were seen in this client, with their mend, on the side that comes first. */
  private static String watch(
      VersionService.Replay replay,
      List<Segment> segments,
      int i,
      Map<String, Set<String>> usual,
      Locale locale) {
    Segment s = segments.get(i);
    boolean ready =
        s.kind() == Segment.Kind.SETUP
            || s.kind() == Segment.Kind.POSITION
            || s.kind() == Segment.Kind.EQUIPMENT;
    Exercise e = replay.program().items().get(s.item()).exercise();
    Set<String> seen = usual.getOrDefault(e.id(), Set.of());
    if (!ready || seen.isEmpty()) return "";
    Optional<Side> first =
        segments.subList(i, segments.size()).stream()
            .filter(t -> t.item() == s.item())
            .flatMap(t -> t.side().stream())
            .findFirst();
    ExerciseWords entry = replay.catalogue().words(e, locale);
    ExerciseWords words =
        entry.on(e, first, e.doseContext().directions().stream().findFirst(), locale);
    return words.seen(entry, seen).stream()
        .map(f -> f.printed(locale))
        .collect(Collectors.joining(" "));
  }

  private static int ceiling(Program session) {
    return session.items().stream()
        .flatMap(i -> Stream.of(Side.values()).map(i.dose()::on).flatMap(Optional::stream))
        .flatMapToInt(d -> d.ceiling().stream())
        .min()
        .orElse(TenPoint.MOST);
  }

  /** One item on one side, so that it can be pointed to. */
  record Part(String text, String name, Optional<Side> side, boolean stretch) {}

  /** Whatever of the session is work, in its order. */
  List<Part> parts(Program session) {
    return steps.stream()
        .filter(Step::work)
        .map(s -> new ItemSide(s.item(), s.side()))
        .distinct()
        .sorted(Comparator.comparing(ItemSide::item))
        .map(
            p ->
                new Part(
                    p.text(),
                    items.get(p.item()),
                    p.side(),
                    session.items().get(p.item()).exercise().doseContext().mode() == Mode.HOLD))
        .toList();
  }

  /** The items that are in it; what waits is not. */
  List<Integer> places() {
    return steps.stream().filter(Step::work).map(Step::item).distinct().sorted().toList();
  }

  private static List<Integer> pairs(Program session, List<Segment> segments) {
    return segments.stream()
        .map(Segment::item)
        .distinct()
        .filter(item -> session.items().get(item).comparesSides())
        .sorted()
        .toList();
  }

  /** One picture of the session: an item on one side, or on none. */
  record Picture(int item, Optional<Side> side, String view, String svg) {}

  /** Every picture that the steps need, for exercises that are drawn. */
  List<Picture> pictures(VersionService.Replay replay) {
    List<Picture> pictures = new ArrayList<>();
    for (int i = 0; i < items.size(); i++) {
      int item = i;
      Exercise exercise = replay.program().items().get(i).exercise();
      steps.stream()
          .filter(s -> s.item() == item && s.work())
          .map(Step::side)
          .distinct()
          .forEach(
              side ->
                  Figure.of(exercise, side.orElse(Side.RIGHT))
                      .ifPresent(
                          f ->
                              pictures.add(
                                  new Picture(
                                      item,
                                      side,
                                      f.bestView().code(),
                                      f.moving(f.bestView(), items.get(item))))));
    }
    return pictures;
  }

  /** From where to where in the round of a figure. */
  private record Span(double from, double to) {}

  /** A stretch is entered, held and left; a movement goes round once, the second way backward. */
  private static Span span(Segment s, Exercise exercise) {
    double round = Figure.ROUND;
    double held = Figure.of(exercise, s.side().orElse(Side.RIGHT)).map(Figure::held).orElse(0.0);
    return switch (s.kind()) {
      case ENTER, RISE -> new Span(0, held);
      case HOLD, CONTRACT, DEEPER -> new Span(held, held);
      case EXIT -> new Span(held, round);
      case MOVE -> {
        List<Direction> ways = exercise.doseContext().directions();
        boolean backward = s.direction().map(ways::indexOf).orElse(0) > 0;
        yield backward ? new Span(round, 0) : new Span(0, round);
      }
      case BREATHE, TIMED -> new Span(0, round * Math.max(1, Math.round(s.seconds() / round)));
      default -> new Span(0, 0);
    };
  }

  /** 0 where nothing is held. */
  private static double breath(Segment s, double own) {
    if (s.breaths() > 0) return (double) s.seconds() / s.breaths();
    return switch (s.kind()) {
      case HOLD, DEEPER, BREATHE, TIMED -> own;
      default -> 0;
    };
  }

  private static Optional<Side> toward(VersionService.Replay replay, Segment s) {
    boolean moving =
        s.kind().isWork() || s.kind() == Segment.Kind.ENTER || s.kind() == Segment.Kind.RISE;
    return moving
        ? s.side().flatMap(replay.program().items().get(s.item()).exercise()::movesToward)
        : Optional.empty();
  }

  /** A new exercise, or a new repetition, side or direction of it. */
  private static boolean beginsBout(Segment before, Segment s) {
    boolean begins =
        switch (s.kind()) {
          case ENTER, RISE, MOVE, BREATHE, TIMED -> true;
          default -> false;
        };
    return begins || beginsItem(before, s);
  }

  /** In a long session an item may follow itself. */
  private static boolean beginsItem(Segment before, Segment s) {
    boolean after = before.kind().isWork() || before.kind() == Segment.Kind.EXIT;
    boolean gettingThere =
        s.kind() == Segment.Kind.SETUP
            || s.kind() == Segment.Kind.POSITION
            || s.kind() == Segment.Kind.EQUIPMENT;
    return before.item() != s.item() || (after && gettingThere);
  }

  private static int firstOfNextItem(List<Segment> segments, int i) {
    int next = i + 1;
    while (next < segments.size() && !beginsItem(segments.get(next - 1), segments.get(next)))
      next++;
    return next;
  }
}
