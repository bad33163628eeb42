package org.biokinet.core.timeline;

import java.text.MessageFormat;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.ResourceBundle;
import java.util.Set;
import java.util.StringTokenizer;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.ExerciseWords;
import org.biokinet.core.program.Item;
import org.biokinet.core.timeline.Segment.Kind;

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

  /** By exercise, what goes wrong as the entry has it. */
  private final Map<String, Set<String>> usual;

  public Cues(Catalogue catalogue, Locale locale) {
    this(catalogue, locale, Map.of());
  }

  /**
   * @param usual the client's usual mistakes, by exercise, as the entry says them; what the entry
   *     does not know any more is not said
   */
  public Cues(Catalogue catalogue, Locale locale, Map<String, Set<String>> usual) {
    this.catalogue = catalogue;
    this.locale = locale;
    this.usual = usual;
    this.bundle = ResourceBundle.getBundle("org.biokinet.core.timeline.cues", locale);
  }

  /** One cue for each segment, in order. */
  public List<Cue> of(Timeline timeline) {
    return telling(timeline).cues;
  }

  /**
   * What has to be heard and finds no time: where it must not be felt. Sentences by the place of
   * their item, only where there are some. What else finds no time is read on the sheet.
   */
  public Map<Integer, List<String>> unheard(Timeline timeline) {
    return telling(timeline).unheard();
  }

  /** What an exercise is called. */
  public String name(Exercise e) {
    return catalogue.words(e, locale).name();
  }

  private Telling telling(Timeline timeline) {
    List<Cue> cues = new ArrayList<>();
    List<Segment> segments = timeline.segments();
    List<ExerciseWords> words = new ArrayList<>();
    for (int i = 0; i < segments.size(); i++) {
      Segment s = segments.get(i);
      Exercise exercise = timeline.program().items().get(s.item()).exercise();
      Segment told = withSide(segments, i);
      words.add(
          catalogue.words(exercise, locale).on(exercise, told.side(), told.direction(), locale));
      Cue cue = cue(timeline, s, exercise, words.get(i));
      boolean moving = s.kind().isWork() || s.kind() == Kind.ENTER || s.kind() == Kind.RISE;
      cues.add(moving ? cue.showing(words.get(i).not()) : cue);
    }
    Telling telling = new Telling(timeline, cues, words);
    telling.tell();
    return telling;
  }

  /**
   * Finds room for what has to be heard. The movement is said first; then, while there is time,
   * where it must not be felt, then the client's usual mistakes, before how it is done and where it
   * is felt. A sentence that does not fit is skipped, not waited for. The way out ends the last of
   * the work on each side.
   */
  private final class Telling {

    private final Timeline timeline;
    private final List<Segment> segments;
    private final List<Cue> cues;
    private final List<ExerciseWords> words;

    /** Sentences that are told already, by item, so that what both sides share is told once. */
    private final Map<Integer, Set<String>> told = new HashMap<>();

    private Telling(Timeline timeline, List<Cue> cues, List<ExerciseWords> words) {
      this.timeline = timeline;
      this.segments = timeline.segments();
      this.cues = cues;
      this.words = words;
    }

    void tell() {
      for (int i = 0; i < segments.size(); i++) if (tells(i)) cues.set(i, work(i));
      for (int i = 0; i < segments.size(); i++) if (isLastWork(i)) leftOver(i);
    }

    Map<Integer, List<String>> unheard() {
      Map<Integer, List<String>> left = new TreeMap<>();
      for (int i = 0; i < segments.size(); i++) {
        if (!tells(i)) continue;
        Set<String> told = told(i);
        List<String> here = left.computeIfAbsent(segments.get(i).item(), x -> new ArrayList<>());
        sentences(words.get(i).not()).stream()
            .filter(t -> !told.contains(t) && !here.contains(t))
            .forEach(here::add);
      }
      left.values().removeIf(List::isEmpty);
      return left;
    }

    private boolean tells(int i) {
      Kind kind = segments.get(i).kind();
      return kind.isWork() && kind != Kind.CONTRACT;
    }

    private Cue work(int i) {
      Segment s = segments.get(i);
      Cue cue = cues.get(i);
      String ending = isLastWork(i) ? wayOut(i) : "";
      // A movement that follows on itself need not be named again where there is more to tell.
      boolean named = repeats(i);
      if (!fits(join(named ? "" : cue.spoken(), ending), s.seconds())) ending = "";
      List<String> toTell = toTell(i);
      if (toTell.isEmpty() && (!named || fits(join(cue.spoken(), ending), s.seconds()))) {
        return cue.saying(cue.spoken(), ending);
      }
      List<String> chosen = chosen(join(named ? "" : cue.spoken(), ending), toTell, s);
      boolean both = fits(join(cue.spoken(), join(ending, chosen)), s.seconds());
      String first = !named || both ? cue.spoken() : "";
      told(i).addAll(chosen);
      List<String> inOrder = naturally(i).stream().filter(chosen::contains).toList();
      return cue.saying(join(first, inOrder), ending);
    }

    /** Whether the work before it, but for pauses, was the very same. */
    private boolean repeats(int i) {
      Segment s = segments.get(i);
      int before = i - 1;
      while (before >= 0 && !beginsItem(before + 1) && !segments.get(before).kind().isWork()) {
        Kind kind = segments.get(before).kind();
        if (kind == Kind.SWITCH_SIDE || kind == Kind.SWITCH_DIRECTION) return false;
        before--;
      }
      if (before < 0 || beginsItem(before + 1)) return false;
      Segment earlier = segments.get(before);
      return earlier.kind() == s.kind()
          && earlier.side().equals(s.side())
          && earlier.direction().equals(s.direction());
    }

    /** What is most important first, as much of it as fits. */
    private List<String> chosen(String already, List<String> sentences, Segment s) {
      List<String> chosen = new ArrayList<>();
      String said = already;
      for (String sentence : sentences) {
        if (!fits(join(said, sentence), s.seconds())) continue;
        chosen.add(sentence);
        said = join(said, sentence);
      }
      return chosen;
    }

    /** Not told yet, the most important first. */
    private List<String> toTell(int i) {
      ExerciseWords w = words.get(i);
      return Stream.of(sentences(w.not()), mistakes(i), sentences(w.how(), w.feel()))
          .flatMap(List::stream)
          .filter(t -> !told(i).contains(t))
          .toList();
    }

    private List<String> naturally(int i) {
      ExerciseWords w = words.get(i);
      return Stream.of(sentences(w.how(), w.feel(), w.not()), mistakes(i))
          .flatMap(List::stream)
          .toList();
    }

    /** The client's usual mistakes, each with its mend, for the side that is told. */
    private List<String> mistakes(int i) {
      Exercise e = timeline.program().items().get(segments.get(i).item()).exercise();
      Set<String> usually = usual.getOrDefault(e.id(), Set.of());
      if (usually.isEmpty()) return List.of();
      List<ExerciseWords.Fault> entry = catalogue.words(e, locale).faults();
      return IntStream.range(0, entry.size())
          .filter(n -> usually.contains(entry.get(n).what()))
          .mapToObj(n -> words.get(i).faults().get(n).spoken(locale))
          .toList();
    }

    private Set<String> told(int i) {
      return told.computeIfAbsent(segments.get(i).item(), item -> new HashSet<>());
    }

    /** Whether nothing more is done of this item on this side. */
    private boolean isLastWork(int i) {
      if (!tells(i)) return false;
      Segment s = segments.get(i);
      for (int j = i + 1; j < segments.size() && !beginsItem(j); j++) {
        Segment later = segments.get(j);
        if (later.side().equals(s.side()) && tells(j)) return false;
      }
      return true;
    }

    private boolean beginsItem(int j) {
      Kind kind = segments.get(j).kind();
      return kind == Kind.SETUP
          || kind == Kind.POSITION
          || kind == Kind.EQUIPMENT
          || segments.get(j).item() != segments.get(j - 1).item();
    }

    /** A stretch has a segment of its own for it. */
    private String wayOut(int i) {
      Exercise e = timeline.program().items().get(segments.get(i).item()).exercise();
      boolean ownSegment = e.doseContext().mode() == Mode.HOLD;
      String out = words.get(i).out();
      return ownSegment || out.isEmpty() ? "" : text("then", out);
    }

    /** What found no room in the work is told on the way there or on the way on. */
    private void leftOver(int last) {
      List<String> not = sentences(words.get(last).not());
      not.stream()
          .filter(t -> !told(last).contains(t))
          .forEach(
              t -> {
                int before = before(last);
                if (before >= 0 && add(before, t)) told(last).add(t);
              });
      String out = wayOut(last);
      if (out.isEmpty() || !cues.get(last).ending().isEmpty()) return;
      for (int j = last + 1; j < segments.size() && !beginsItem(j); j++) {
        boolean quiet =
            segments.get(j).kind() == Kind.SETTLE || segments.get(j).kind() == Kind.RELEASE;
        if (quiet && fits(words.get(last).out(), segments.get(j).seconds())) {
          cues.set(j, cues.get(j).saying(words.get(last).out(), ""));
          return;
        }
      }
    }

    /** The set-up or the change of sides before the work on this side. */
    private int before(int last) {
      Segment s = segments.get(last);
      for (int j = last; j >= 0 && segments.get(j).item() == s.item(); j--) {
        Segment at = segments.get(j);
        boolean change = at.kind() == Kind.SWITCH_SIDE && at.side().equals(s.side());
        if (change || at.kind() == Kind.SETUP) return j;
      }
      return -1;
    }

    private boolean add(int at, String sentence) {
      Cue cue = cues.get(at);
      Segment s = segments.get(at);
      String longer = join(cue.spoken(), sentence);
      // The name of what comes is seen; what it must not bring has to be heard.
      String withoutName = s.kind() == Kind.SETUP ? join(words.get(at).setup(), sentence) : longer;
      for (String text : List.of(longer, withoutName)) {
        if (!fits(text, s.seconds())) continue;
        cues.set(at, cue.saying(text, cue.ending()));
        return true;
      }
      return false;
    }
  }

  private List<String> sentences(String... texts) {
    return Arrays.stream(texts).flatMap(t -> ExerciseWords.sentences(t, locale).stream()).toList();
  }

  private static String join(String first, String then) {
    return (first + " " + then).strip();
  }

  private static String join(String first, List<String> then) {
    return join(first, String.join(" ", then));
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

  /** Whether it can be said in this many seconds. */
  private static boolean fits(String text, int seconds) {
    return seconds(text) <= seconds;
  }

  /** How long it takes to say, in seconds. */
  static double seconds(String text) {
    return new StringTokenizer(text).countTokens() / WORDS_PER_SECOND;
  }

  /** Where in the count a segment stands: "Hold 2 of 3 on the right"; empty outside the work. */
  public String count(Timeline timeline, Segment s) {
    if (s.rep() == 0) return "";
    Item item = timeline.program().items().get(s.item());
    String key =
        s.kind() == Kind.CONTRACT || s.kind() == Kind.DEEPER
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

  /**
   * What comes after a segment: the next movement or exercise, not the way out of this one nor the
   * pause between; empty where nothing does.
   *
   * @param cues of the timeline, in its order
   * @param i index of the segment
   */
  public Optional<String> next(Timeline timeline, List<Cue> cues, int i) {
    List<Segment> segments = timeline.segments();
    for (int j = i + 1; j < segments.size(); j++) {
      Segment s = segments.get(j);
      if (s.item() != segments.get(i).item()) {
        Exercise exercise = timeline.program().items().get(s.item()).exercise();
        return Optional.of(catalogue.words(exercise, locale).name());
      }
      switch (s.kind()) {
        case HOLD, EXIT, RELEASE, MOVE_BACK, REST, SWITCH_SIDE, SWITCH_DIRECTION -> {}
        default -> {
          return Optional.of(cues.get(j).headline());
        }
      }
    }
    return Optional.empty();
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
      case CONTRACT -> contract(s, words);
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

  /** What is pressed and where to; entries from before there were words for it say less. */
  private Cue contract(Segment s, ExerciseWords words) {
    if (words.contract().isEmpty()) {
      return new Cue(text("contract.head"), "", text("contract"));
    }
    String press = text("contract.gently", words.contract());
    String breathing = join(press, text("contract.breathe"));
    return new Cue(words.contract(), "", fits(breathing, s.seconds()) ? breathing : press);
  }

  /** The last of its set says the whole way out, as far as there is time. */
  private Cue exit(Segment s, Exercise exercise, ExerciseWords words) {
    String slowly = text(exercise.group().isNeck() ? "exit.neck" : "exit");
    if (s.rep() < s.reps() || words.out().isEmpty()) return plain(slowly);
    StringBuilder said = new StringBuilder();
    for (String sentence : sentences(words.out())) {
      if (!fits(join(said.toString(), sentence), s.seconds())) break;
      said.append(said.isEmpty() ? "" : " ").append(sentence);
    }
    return new Cue(words.out(), "", said.isEmpty() ? sentence(slowly) : said.toString());
  }

  /** Hands and body may have to change too, so what of the set-up has a side is told first. */
  private Cue switchSide(Exercise exercise, ExerciseWords words) {
    List<String> template = sentences(catalogue.words(exercise, locale).setup());
    List<String> filled = sentences(words.setup());
    List<String> changed = new ArrayList<>();
    for (int i = 0; i < template.size(); i++) {
      if (template.get(i).indexOf('{') >= 0) changed.add(filled.get(i));
    }
    String change = text("switch.side");
    String then = changed.isEmpty() ? text("then", words.move()) : String.join(" ", changed);
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
