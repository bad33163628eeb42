package org.biokinet.app.session.web;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.biokinet.app.program.Permitted;
import org.biokinet.app.program.VersionService;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Direction;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.dose.TenPoint;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.ExerciseWords;
import org.biokinet.core.figure.draw.Figure;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.screening.Beginning;
import org.biokinet.core.session.Asking;
import org.biokinet.core.session.Eased;
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
 * @param roseBy how much more than before pain has to be, to be asked where it rose
 * @param ceiling the lowest of the session; where more was felt it is asked where
 * @param pairs the stretches that are done on either side, by place: which was tighter is asked
 * @param sounds all that is heard, in the order of time
 * @param instead what may be done in place of a part that cannot have a smaller dose
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
    int roseBy,
    int ceiling,
    List<Integer> pairs,
    List<Step> steps,
    List<Heard> sounds,
    List<Instead> instead) {

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

    /** The same after coming back. */
    Heard later() {
      return new Heard(at + COME_BACK_SECONDS, tone, text, breath);
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
      int skip) {

    /** The step before what takes the place of something. */
    static Step comeBack(String words, int item, String next) {
      int seconds = COME_BACK_SECONDS;
      return new Step(
          0,
          seconds,
          seconds,
          Segment.Kind.EXIT.name(),
          false,
          item,
          Optional.empty(),
          Optional.empty(),
          0,
          0,
          "",
          words,
          "",
          "",
          "",
          "",
          0,
          0,
          next,
          0,
          1);
    }

    /** The same of this item after coming back. */
    Step later(int place) {
      return new Step(
          start + COME_BACK_SECONDS,
          seconds,
          easy,
          kind,
          work,
          place,
          side,
          toward,
          figureFrom,
          figureTo,
          count,
          headline,
          detail,
          not,
          limits,
          watch,
          breaths,
          breath,
          next,
          back + 1,
          skip + 1);
    }
  }

  /**
   * Something easier that is done in place of the rest of a part.
   *
   * @param part the item and side that it replaces; without a side all of the item
   * @param sent how that is told afterwards
   * @param left how long each step of the session still is once that part falls away
   * @param steps from coming back out of what was done, on; likewise {@code sounds}
   */
  record Instead(
      String part,
      String sent,
      int item,
      String exercise,
      String name,
      int seconds,
      List<Integer> left,
      List<Step> steps,
      List<Heard> sounds) {}

  /** To come back out of what was too much, before something else; our choice. */
  private static final int COME_BACK_SECONDS = 4;

  /**
   * What is said around the session.
   *
   * @param end what comes after the last step
   * @param comeBack before something easier takes the place of an exercise
   * @param after what comes after that
   */
  record Said(String end, String comeBack, String after) {}

  /** Whose words they are. */
  private record Voice(Catalogue catalogue, Map<String, Set<String>> usual, Locale locale) {
    Cues cues() {
      return new Cues(catalogue, locale, usual);
    }

    String name(Exercise e) {
      return catalogue.words(e, locale).name();
    }
  }

  /**
   * @param today the entries as they are now, of which something easier may be chosen
   */
  static PlayerScript of(
      Permitted now,
      Program session,
      int painBefore,
      Instant leaseUntil,
      Said said,
      Map<String, Set<String>> usual,
      Catalogue today,
      boolean preview,
      Locale locale) {
    VersionService.Replay replay = now.replay();
    Timeline timeline = Timeline.compile(session);
    Voice voice = new Voice(replay.catalogue(), usual, locale);
    List<Integer> easy = Easier.seconds(timeline, Timeline.compile(Beginning.ONE_DOWN.of(session)));
    List<Step> steps = steps(timeline, easy, voice, said.end());
    return new PlayerScript(
        preview,
        replay.version().program(),
        replay.version().number(),
        session.leadOr(Side.LEFT),
        session.length(),
        session.paused().stream().sorted().toList(),
        now.permit().beginning(),
        painBefore,
        leaseUntil,
        ANSWER_SECONDS,
        Session.SLEPT.toSeconds(),
        Session.RETURN_WITHIN.toSeconds(),
        Session.PUT_RIGHT_WITHIN.toSeconds(),
        timeline.seconds(),
        CueSheet.INWARD,
        replay.program().items().stream().map(item -> voice.name(item.exercise())).toList(),
        Asking.ROSE_BY,
        ceiling(session),
        pairs(session, timeline.segments()),
        steps,
        voice.cues().sheet(timeline).sounds().stream().map(Heard::of).toList(),
        instead(now, timeline, steps, new Voice(today, usual, locale), said));
  }

  /** Each segment as it is seen. */
  private static List<Step> steps(Timeline timeline, List<Integer> easy, Voice voice, String end) {
    Cues words = voice.cues();
    List<Cue> cues = words.of(timeline);
    List<Segment> segments = timeline.segments();
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
      Exercise exercise = timeline.program().items().get(s.item()).exercise();
      Span span = span(s, exercise);
      steps.add(
          new Step(
              s.start(),
              s.seconds(),
              easy.get(i),
              s.kind().name(),
              s.kind().isWork(),
              s.item(),
              s.side(),
              toward(exercise, s),
              span.from(),
              span.to(),
              words.count(timeline, s),
              cue.headline(),
              cue.detail(),
              cue.not(),
              cue.limits(),
              watch(exercise, segments, i, voice),
              s.breaths(),
              breath(s, timeline.program().breathSeconds()),
              words.next(timeline, cues, i).orElse(end),
              i == begin ? before : begin,
              firstOfNextItem(segments, i)));
    }
    return steps;
  }

  /** What takes the place of whatever has no smaller dose, where something may. */
  private static List<Instead> instead(
      Permitted now, Timeline timeline, List<Step> steps, Voice today, Said said) {
    List<Instead> all = new ArrayList<>();
    for (int i = 0; i < timeline.program().items().size(); i++) {
      int item = i;
      List<Step> work = steps.stream().filter(s -> s.work() && s.item() == item).toList();
      Set<ItemSide> parts =
          work.stream().map(s -> new ItemSide(item, s.side())).collect(Collectors.toSet());
      Set<ItemSide> least =
          parts.stream()
              .filter(
                  p ->
                      work.stream()
                          .filter(s -> s.side().equals(p.side()))
                          .allMatch(s -> s.easy() == s.seconds()))
              .collect(Collectors.toSet());
      least.forEach(p -> instead(now, timeline, p, today, said).ifPresent(all::add));
      ItemSide whole = new ItemSide(item, Optional.empty());
      if (parts.size() > 1 && least.equals(parts)) {
        instead(now, timeline, whole, today, said).ifPresent(all::add);
      }
    }
    all.sort(Comparator.comparing(Instead::part));
    return all;
  }

  private static Optional<Instead> instead(
      Permitted now, Timeline timeline, ItemSide part, Voice today, Said said) {
    Item item = timeline.program().items().get(part.item());
    return now.permit()
        .easier(today.catalogue(), item, part.side())
        .map(form -> instead(timeline, part, form, today, said));
  }

  private static Instead instead(
      Timeline timeline, ItemSide part, Item form, Voice today, Said said) {
    Program session = timeline.program();
    Timeline block = Timeline.compile(session.of(List.of(form)));
    List<Integer> own = block.segments().stream().map(Segment::seconds).toList();
    List<Step> steps = new ArrayList<>();
    steps.add(Step.comeBack(said.comeBack(), part.item(), today.name(form.exercise())));
    steps(block, own, today, said.after()).forEach(s -> steps.add(s.later(part.item())));
    List<Heard> sounds = new ArrayList<>();
    sounds.add(new Heard(0, "", said.comeBack(), false));
    today.cues().sheet(block).sounds().stream()
        .filter(s -> s.at() < block.seconds()) // the session is not at its end
        .map(Heard::of)
        .map(Heard::later)
        .forEach(sounds::add);
    return new Instead(
        part.text(),
        new Eased(part, Optional.of(form.exercise().id())).text(),
        part.item(),
        form.exercise().id(),
        today.name(form.exercise()),
        block.seconds() + COME_BACK_SECONDS,
        Easier.without(timeline, part.item(), part.side()),
        steps,
        sounds);
  }

  /** The faults that were seen in this client, with their mend, on the side that comes first. */
  private static String watch(Exercise e, List<Segment> segments, int i, Voice voice) {
    Segment s = segments.get(i);
    boolean ready =
        s.kind() == Segment.Kind.SETUP
            || s.kind() == Segment.Kind.POSITION
            || s.kind() == Segment.Kind.EQUIPMENT;
    Set<String> seen = voice.usual().getOrDefault(e.id(), Set.of());
    if (!ready || seen.isEmpty()) return "";
    Optional<Side> first =
        segments.subList(i, segments.size()).stream()
            .filter(t -> t.item() == s.item())
            .flatMap(t -> t.side().stream())
            .findFirst();
    Locale locale = voice.locale();
    ExerciseWords entry = voice.catalogue().words(e, locale);
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

  /**
   * One item on one side, so that it can be pointed to.
   *
   * @param done the part that is done when it is: a stretch of both sides at once may be felt on
   *     one
   */
  record Part(String text, String done, String name, Optional<Side> side, boolean stretch) {}

  /** Whatever of the session is work, in its order. */
  List<Part> parts(Program session) {
    return steps.stream()
        .filter(Step::work)
        .map(s -> new ItemSide(s.item(), s.side()))
        .distinct()
        .sorted(Comparator.comparing(ItemSide::item))
        .flatMap(p -> felt(p, session.items().get(p.item()).exercise()))
        .toList();
  }

  private Stream<Part> felt(ItemSide done, Exercise e) {
    boolean stretch = e.doseContext().mode() == Mode.HOLD;
    Stream<ItemSide> own = Stream.of(done);
    Stream<ItemSide> sides =
        stretch && done.side().isEmpty()
            ? Stream.of(Side.values()).map(s -> new ItemSide(done.item(), Optional.of(s)))
            : Stream.empty();
    return Stream.concat(own, sides)
        .map(p -> new Part(p.text(), done.text(), items.get(p.item()), p.side(), stretch));
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

  /**
   * One picture of the session: an item on one side, or on none.
   *
   * @param instead what is done in its place, where it is a picture of that
   * @param stills where in its round each pose is reached, for whoever wants no motion
   */
  record Picture(
      int item,
      Optional<Side> side,
      String instead,
      String view,
      List<Double> stills,
      String svg) {}

  /** Every picture that the steps need, for exercises that are drawn. */
  List<Picture> pictures(VersionService.Replay replay, Catalogue today) {
    List<Picture> pictures = new ArrayList<>();
    for (int i = 0; i < items.size(); i++) {
      int item = i;
      Exercise exercise = replay.program().items().get(i).exercise();
      pictures(steps, i, exercise, "", items.get(i)).forEach(pictures::add);
      instead.stream()
          .filter(x -> x.item() == item)
          .collect(Collectors.groupingBy(Instead::exercise, TreeMap::new, Collectors.toList()))
          .forEach(
              (code, ways) ->
                  pictures(
                          ways.stream().flatMap(x -> x.steps().stream()).toList(),
                          item,
                          today.get(code),
                          code,
                          ways.get(0).name())
                      .forEach(pictures::add));
    }
    return pictures;
  }

  private static Stream<Picture> pictures(
      List<Step> steps, int item, Exercise exercise, String instead, String name) {
    return steps.stream()
        .filter(s -> s.item() == item && s.work())
        .map(Step::side)
        .distinct()
        .flatMap(
            side ->
                Figure.of(exercise, side.orElse(Side.RIGHT)).stream()
                    .map(
                        f ->
                            new Picture(
                                item,
                                side,
                                instead,
                                f.bestView().code(),
                                f.reached(),
                                f.moving(f.bestView(), name))));
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

  private static Optional<Side> toward(Exercise exercise, Segment s) {
    boolean moving =
        s.kind().isWork() || s.kind() == Segment.Kind.ENTER || s.kind() == Segment.Kind.RISE;
    return moving ? s.side().flatMap(exercise::movesToward) : Optional.empty();
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
