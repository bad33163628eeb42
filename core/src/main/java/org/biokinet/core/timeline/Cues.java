package org.biokinet.core.timeline;

import java.text.MessageFormat;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.ResourceBundle;
import java.util.StringTokenizer;
import java.util.stream.Collectors;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.ExerciseWords;
import org.biokinet.core.program.Item;

/**
 * Generates the words of a timeline from exercise and treated side. The movement comes first, with
 * an absolute direction; how it is done, where it is felt and where not are told while there is
 * time, one sentence after the other. Nothing is typed per side.
 */
public final class Cues {

  /** About 180 words a minute, a clear speaking rate; common practice, no source. */
  private static final double WORDS_PER_SECOND = 3;

  private final Catalogue catalogue;
  private final Locale locale;
  private final ResourceBundle bundle;

  public Cues(Catalogue catalogue, Locale locale) {
    this.catalogue = catalogue;
    this.locale = locale;
    this.bundle = ResourceBundle.getBundle("org.biokinet.core.timeline.cues", locale);
  }

  /** An item on one side: each is told once in a session. */
  private record Told(int item, Optional<Side> side) {}

  /** One cue for each segment, in order. */
  public List<Cue> of(Timeline timeline) {
    List<Cue> cues = new ArrayList<>();
    Map<Told, Deque<String>> untold = new HashMap<>();
    List<Segment> segments = timeline.segments();
    for (int i = 0; i < segments.size(); i++) {
      Segment s = segments.get(i);
      Exercise exercise = timeline.program().items().get(s.item()).exercise();
      Segment told = withSide(segments, i);
      ExerciseWords words =
          catalogue.words(exercise, locale).on(exercise, told.side(), told.direction(), locale);
      Cue cue = cue(timeline, s, exercise, words);
      if (s.kind().isWork() && s.kind() != Segment.Kind.CONTRACT) {
        Deque<String> sentences =
            untold.computeIfAbsent(new Told(s.item(), s.side()), k -> toTell(words));
        String spoken = whileThereIsTime(cue.spoken(), sentences, s);
        if (spoken.equals(cue.spoken()) && i > 0 && repeats(segments.get(i - 1), s)) {
          String without = whileThereIsTime("", sentences, s);
          spoken = without.isEmpty() ? spoken : without;
        }
        cue = new Cue(cue.headline(), cue.detail(), spoken);
      }
      cues.add(cue);
    }
    return cues;
  }

  /**
   * Getting there and settling have no side of their own: the first prepares the side that comes
   * next, the second ends the last.
   */
  private static Segment withSide(List<Segment> segments, int i) {
    Segment s = segments.get(i);
    if (s.side().isPresent() || s.direction().isPresent()) return s;
    for (int step : List.of(1, -1)) {
      for (int at = i; at >= 0 && at < segments.size(); at += step) {
        Segment near = segments.get(at);
        if (near.item() != s.item()) break;
        if (near.side().isPresent() || near.direction().isPresent()) return near;
      }
    }
    return s;
  }

  /** A movement that follows on itself need not be named again where there is more to tell. */
  private static boolean repeats(Segment before, Segment s) {
    return before.kind() == s.kind()
        && before.item() == s.item()
        && before.side().equals(s.side())
        && before.direction().equals(s.direction());
  }

  private Deque<String> toTell(ExerciseWords words) {
    Deque<String> sentences = new ArrayDeque<>();
    for (String text : List.of(words.how(), words.feel(), words.not())) {
      sentences.addAll(ExerciseWords.sentences(text, locale));
    }
    return sentences;
  }

  private static String whileThereIsTime(String first, Deque<String> sentences, Segment s) {
    StringBuilder spoken = new StringBuilder(first);
    while (!sentences.isEmpty() && fits(spoken + " " + sentences.element(), s.seconds())) {
      spoken.append(spoken.isEmpty() ? "" : " ").append(sentences.remove());
    }
    return spoken.toString();
  }

  /** Whether it can be said in this many seconds. */
  private static boolean fits(String text, int seconds) {
    return new StringTokenizer(text).countTokens() <= seconds * WORDS_PER_SECOND;
  }

  /** Where in the count a segment stands: "Hold 2 of 3 on the right"; empty outside the work. */
  public String count(Timeline timeline, Segment s) {
    if (s.rep() == 0) return "";
    Item item = timeline.program().items().get(s.item());
    String key =
        s.kind() == Segment.Kind.CONTRACT || s.kind() == Segment.Kind.DEEPER
            ? "count.cycle"
            : switch (item.exercise().doseContext().mode()) {
              case HOLD, ISO -> "count.hold";
              case CIRCLE -> "count.circle";
              case MOVE -> "count.repetition";
              case BREATH, GAZE, RELEASE, PULSE, WALK -> s.reps() == 1 ? "" : "count.time";
            };
    String count = key.isEmpty() ? "" : text(key, s.rep(), s.reps());
    String side = s.side().map(x -> text(x == Side.LEFT ? "count.left" : "count.right")).orElse("");
    return (count + " " + side).strip();
  }

  private Cue cue(Timeline timeline, Segment s, Exercise exercise, ExerciseWords words) {
    Item item = timeline.program().items().get(s.item());
    return switch (s.kind()) {
      case POSITION -> plain(text("position." + item.position().code()));
      case EQUIPMENT -> plain(text("equipment", equipment(exercise)));
      case SETUP -> {
        String next = text("setup", words.name());
        String both = (next + " " + words.setup()).strip();
        boolean inTime = words.setup().isEmpty() || fits(both, s.seconds());
        yield new Cue(words.name(), words.setup(), inTime ? both : words.setup());
      }
      case ENTER -> new Cue(words.move(), words.how(), sentence(words.move()));
      // A rise is too short for the movement; it is told as the hold begins.
      case RISE -> new Cue(words.move(), words.how(), text("rise"));
      case MOVE, BREATHE, TIMED -> new Cue(words.move(), words.feel(), sentence(words.move()));
      case HOLD -> {
        boolean isometric = exercise.doseContext().mode() == Mode.ISO;
        yield new Cue(
            words.move(), words.feel(), isometric ? sentence(words.move()) : text("hold"));
      }
      case CONTRACT -> new Cue(text("contract.head"), "", text("contract"));
      case DEEPER -> new Cue(words.move(), words.feel(), text("deeper"));
      case EXIT -> exit(s, exercise, words);
      case MOVE_BACK -> plain(text("back"));
      case RELEASE -> plain(text("release"));
      case REST -> plain(text("rest"));
      case SET_REST -> plain(text("rest.set"));
      case SETTLE -> new Cue(text("settle.head"), text("settle"), text("settle"));
      case SWITCH_SIDE -> switchSide(exercise, words);
      case SWITCH_DIRECTION -> {
        String change = text("switch.direction");
        yield new Cue(change, text("then", words.move()), sentence(change));
      }
    };
  }

  /** The last of its set says the whole way out, as far as there is time. */
  private Cue exit(Segment s, Exercise exercise, ExerciseWords words) {
    String slowly = text(exercise.group().isNeck() ? "exit.neck" : "exit");
    if (s.rep() < s.reps() || words.out().isEmpty()) return plain(slowly);
    Deque<String> sentences = new ArrayDeque<>(ExerciseWords.sentences(words.out(), locale));
    String said = whileThereIsTime("", sentences, s);
    return new Cue(words.out(), "", said.isEmpty() ? sentence(slowly) : said);
  }

  /** Hands and body may have to change too, so that is told before the movement. */
  private Cue switchSide(Exercise exercise, ExerciseWords words) {
    boolean changes = catalogue.words(exercise, locale).setup().indexOf('{') >= 0;
    String change = text("switch.side");
    String then = changes ? words.setup() : text("then", words.move());
    return new Cue(change, then, sentence(change) + " " + sentence(then));
  }

  private String equipment(Exercise exercise) {
    return exercise.equipment().stream()
        .filter(e -> !e.atHand())
        .map(Equipment::code)
        .map(code -> text("equipment." + code))
        .sorted()
        .collect(Collectors.joining(", "));
  }

  private static Cue plain(String text) {
    return new Cue(text, "", sentence(text));
  }

  private static String sentence(String text) {
    return text.endsWith(".") || text.endsWith("?") ? text : text + ".";
  }

  private String text(String key, Object... arguments) {
    String pattern = bundle.getString(key);
    return arguments.length == 0 ? pattern : new MessageFormat(pattern, locale).format(arguments);
  }
}
