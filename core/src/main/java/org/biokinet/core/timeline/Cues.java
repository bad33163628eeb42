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
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.DoseContext;
import org.biokinet.core.dose.DoseWords;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.ExerciseWords;
import org.biokinet.core.program.Item;
import org.biokinet.core.timeline.Segment.Kind;

/**
 * Generates the words of a timeline from exercise and treated side. The movement comes first, with
 * an absolute direction; where it must not be felt, how it is done and where it is felt are told
 * while there is time, in a shorter form where the whole one takes too long. Nothing is typed per
 * side.
 */
public final class Cues {

  private final Catalogue catalogue;
  private final Locale locale;
  private final ResourceBundle bundle;
  private final Phrases phrases;

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
    this.phrases = new Phrases(locale, text("articles"), text("links"));
  }

  /** One cue for each segment, in order. */
  public List<Cue> of(Timeline timeline) {
    return telling(timeline).cues();
  }

  /** All that is heard of a timeline, in its order. */
  public CueSheet sheet(Timeline timeline) {
    return CueSheet.of(timeline, of(timeline), text("end"), text("breath.in"), text("breath.out"));
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
      Exercise exercise = exercise(timeline, s);
      Segment told = withSide(segments, i);
      words.add(
          catalogue.words(exercise, locale).on(exercise, told.side(), told.direction(), locale));
      cues.add(shown(timeline, s, exercise, words.get(i)));
    }
    Telling telling = new Telling(timeline, cues, words);
    telling.tell();
    return telling;
  }

  static Exercise exercise(Timeline timeline, Segment s) {
    return timeline.program().items().get(s.item()).exercise();
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

  /** Where in the count a segment stands: "Hold 2 of 3 on the right"; empty outside the work. */
  public String count(Timeline timeline, Segment s) {
    if (s.rep() == 0) return "";
    String key =
        s.kind() == Kind.CONTRACT || s.kind() == Kind.DEEPER
            ? "count.cycle"
            : switch (exercise(timeline, s).doseContext().mode()) {
              case HOLD, ISO -> "count.hold";
              case CIRCLE -> "count.circle";
              case MOVE -> "count.repetition";
              case BREATH, GAZE, RELEASE, PULSE, WALK -> "count.time";
            };
    String count = s.reps() == 1 ? "" : text(key, s.rep(), s.reps());
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

  /** What is seen of a segment. */
  private Cue shown(Timeline timeline, Segment s, Exercise exercise, ExerciseWords words) {
    Item item = timeline.program().items().get(s.item());
    Cue cue =
        switch (s.kind()) {
          case POSITION -> Cue.shown(text("position." + item.position().code()), "");
          case EQUIPMENT -> Cue.shown(text("equipment", equipment(exercise)), "");
          // What there is no time to say is read while one gets ready.
          case SETUP -> Cue.shown(words.name(), Phrases.join(words.setup(), words.how()));
          case ENTER, RISE -> Cue.shown(words.move(), words.how());
          case HOLD, DEEPER -> Cue.shown(words.move(), words.feel());
          // A movement has no way there on which to read how it is done.
          case MOVE, BREATHE, TIMED ->
              Cue.shown(words.move(), Phrases.join(words.how(), words.feel()));
          case CONTRACT ->
              words.contract().isEmpty()
                  ? Cue.shown(text("contract.head"), "")
                  : Cue.shown(words.contract(), text("contract.breathe"));
          case EXIT ->
              s.rep() < s.reps() || words.out().isEmpty()
                  ? Cue.shown(text(exercise.group().isNeck() ? "exit.neck" : "exit"), "")
                  : Cue.shown(words.out(), "");
          case MOVE_BACK -> Cue.shown(text("back"), "");
          case RELEASE -> Cue.shown(text("release"), "");
          case REST -> Cue.shown(text("rest"), "");
          case SET_REST -> Cue.shown(text("rest.set"), "");
          case SETTLE ->
              Cue.shown(
                  text("settle.head"), text(item.comparesSides() ? "settle.sides" : "settle"));
          case SWITCH_SIDE -> Cue.shown(text("switch.side"), change(exercise, s, words));
          case SWITCH_DIRECTION -> Cue.shown(text("switch.direction"), text("then", words.move()));
        };
    boolean moving = s.kind().isWork() || s.kind() == Kind.ENTER || s.kind() == Kind.RISE;
    return moving ? cue.limited(words.not(), limits(item, s)) : cue;
  }

  /** How strong, how hard and against what: "at 30 % effort". */
  private String limits(Item item, Segment s) {
    DoseContext context = item.exercise().doseContext();
    return dose(item, s).map(d -> new DoseWords(context, locale).limits(d)).orElse("");
  }

  static Optional<SideDose> dose(Item item, Segment s) {
    return s.side().isPresent()
        ? item.dose().on(s.side().get())
        : item.dose().on(Side.LEFT).or(() -> item.dose().on(Side.RIGHT));
  }

  /** Hands and body may have to change too, so what of the set-up has a side is told first. */
  private String change(Exercise exercise, Segment s, ExerciseWords words) {
    ExerciseWords before =
        catalogue
            .words(exercise, locale)
            .on(exercise, s.side().map(Side::opposite), s.direction(), locale);
    List<String> same = sentences(before.setup());
    List<String> changed =
        sentences(words.setup()).stream().filter(t -> !same.contains(t)).toList();
    return changed.isEmpty() ? text("then", words.move()) : String.join(" ", changed);
  }

  private String equipment(Exercise exercise) {
    return exercise.equipment().stream()
        .filter(e -> !e.atHand())
        .map(Equipment::code)
        .map(code -> text("equipment." + code))
        .sorted()
        .collect(Collectors.joining(", "));
  }

  private List<String> sentences(String... texts) {
    return Arrays.stream(texts).flatMap(t -> ExerciseWords.sentences(t, locale).stream()).toList();
  }

  private String text(String key, Object... arguments) {
    String pattern = bundle.getString(key);
    return arguments.length == 0 ? pattern : new MessageFormat(pattern, locale).format(arguments);
  }

  /**
   * Finds room for what has to be heard. The movement is said first; then, while there is time,
   * where it must not be felt, then the client's usual mistakes, before where it is felt and how it
   * is done. A sentence that fits in no form is skipped, not waited for. The way out ends the last
   * of the work on each side.
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

    List<Cue> cues() {
      return cues;
    }

    void tell() {
      for (int i = 0; i < segments.size(); i++) {
        Cue cue = cues.get(i);
        cues.set(i, tells(i) ? told(i) : cue.saying(Phrases.longest(openings(i), window(i)), ""));
      }
      for (int i = 0; i < segments.size(); i++) if (isLastWork(i)) leftOver(i);
    }

    Map<Integer, List<String>> unheard() {
      Map<Integer, List<String>> left = new TreeMap<>();
      for (int i = 0; i < segments.size(); i++) {
        if (!tells(i)) continue;
        Set<String> heard = heard(i);
        List<String> here = left.computeIfAbsent(segments.get(i).item(), x -> new ArrayList<>());
        sentences(words.get(i).not()).stream()
            .filter(t -> !heard.contains(t) && !here.contains(t))
            .forEach(here::add);
      }
      left.values().removeIf(List::isEmpty);
      return left;
    }

    // ---- what a segment is ----------------------------------------------------------------

    /** Seconds in which it is said: a rise is heard on into the hold that it leads to. */
    private int window(int i) {
      return CueSheet.window(segments, i);
    }

    private Mode mode(int i) {
      return exercise(timeline, segments.get(i)).doseContext().mode();
    }

    /** What is held: of the way to a hold that hold. */
    private int held(int i) {
      return CueSheet.leadsToHold(segments, i) ? i + 1 : i;
    }

    /** Whether there is telling here; the words of a hold may be told on the way to it. */
    private boolean tells(int i) {
      return switch (segments.get(i).kind()) {
        case RISE, DEEPER, MOVE, BREATHE, TIMED -> true;
        case HOLD -> !isHeardOn(i);
        default -> false;
      };
    }

    /** A hold into which the way to it is heard on. */
    private boolean isHeardOn(int i) {
      return i > 0 && CueSheet.leadsToHold(segments, i - 1);
    }

    /** A head that was tilted or turned is brought back before it goes anywhere else. */
    private boolean throughTheMiddle(int i) {
      Exercise e = exercise(timeline, segments.get(i));
      return e.group().isNeck() && e.sided();
    }

    /** Whether the work before it, but for pauses, was the very same. */
    private boolean repeats(int i) {
      Segment s = segments.get(i);
      int before = i - 1;
      while (before >= 0 && !beginsItem(before + 1) && segments.get(before).kind() != s.kind()) {
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

    private boolean beginsItem(int j) {
      Kind kind = segments.get(j).kind();
      return kind == Kind.SETUP
          || kind == Kind.POSITION
          || kind == Kind.EQUIPMENT
          || segments.get(j).item() != segments.get(j - 1).item();
    }

    /** Whether nothing more is done of this item on this side. */
    private boolean isLastWork(int i) {
      if (!tells(i)) return false;
      Segment s = segments.get(i);
      for (int j = i + 1; j < segments.size() && !beginsItem(j); j++) {
        if (segments.get(j).side().equals(s.side()) && tells(j)) return false;
      }
      return true;
    }

    // ---- how it opens and ends ------------------------------------------------------------

    /** What is said first, the longest form before the shorter ones. */
    private List<String> openings(int i) {
      Segment s = segments.get(i);
      ExerciseWords w = words.get(i);
      String headline = Phrases.sentence(cues.get(i).headline());
      return switch (s.kind()) {
        case SETUP -> setUp(w);
        case RISE, MOVE, BREATHE, TIMED -> counted(i, Phrases.sentence(w.move()));
        case HOLD -> isHeardOn(i) ? List.of("") : hold(i, w);
        case CONTRACT -> contract(i, w);
        case DEEPER -> phrases.forms(text("deeper"));
        case EXIT -> exit(i, w);
        case MOVE_BACK -> throughTheMiddle(i) ? middle() : List.of(Phrases.sentence(text("back")));
        case SETTLE -> phrases.forms(cues.get(i).detail());
        case SWITCH_SIDE -> switchSide(i, w);
        case SWITCH_DIRECTION -> {
          String way = s.direction().map(d -> ExerciseWords.way(d, locale)).orElse("");
          yield List.of(text("switch.direction.to", way), headline);
        }
        default -> phrases.forms(headline);
      };
    }

    /** Its name always, and as much of the set-up as there is time for. */
    private List<String> setUp(ExerciseWords w) {
      List<String> forms = new ArrayList<>();
      List<String> names = phrases.names(w.name());
      forms.add(Phrases.join(text("setup", w.name()), w.setup()));
      for (String name : names) forms.add(Phrases.join(name + ".", w.setup()));
      for (String name : names) forms.add(Phrases.join(name + ".", phrases.brief(w.setup())));
      String shortest = names.get(names.size() - 1);
      for (String less : phrases.forms(w.setup())) forms.add(Phrases.join(shortest + ".", less));
      for (String name : names) forms.add(name + ".");
      return forms;
    }

    /** From the second time on it is counted, and what is the very same need not be named. */
    private List<String> counted(int i, String move) {
      Segment s = segments.get(i);
      if (s.rep() <= 1 || s.reps() == 1) return phrases.forms(move);
      List<String> forms = new ArrayList<>();
      for (String form : List.of(move, phrases.brief(move))) {
        forms.add(text("again", s.rep(), form));
      }
      forms.addAll(repeats(i) ? List.of(text("again.only", s.rep())) : phrases.forms(move));
      return forms;
    }

    private List<String> hold(int i, ExerciseWords w) {
      Segment s = segments.get(i);
      // A practice may have taken the way to it out of its pace.
      if (mode(i) != Mode.HOLD) return counted(i, Phrases.sentence(w.move()));
      String hold = text("hold");
      return s.reps() > 1 ? List.of(text("hold.count", s.rep(), s.reps()), hold) : List.of(hold);
    }

    /** What is pressed and where to; entries from before there were words for it say less. */
    private List<String> contract(int i, ExerciseWords w) {
      Segment s = segments.get(i);
      if (w.contract().isEmpty()) return phrases.forms(text("contract"));
      String press = text("contract.gently", w.contract());
      List<String> forms = new ArrayList<>();
      if (s.rep() > 1) {
        forms.add(Phrases.join(text("again", s.rep(), press), text("contract.breathe")));
        forms.add(text("again", s.rep(), press));
      }
      forms.add(
          Phrases.join(
              press, text("contract.limit", cues.get(i).limits()), text("contract.breathe")));
      forms.add(Phrases.join(press, text("contract.breathe")));
      forms.addAll(phrases.forms(press));
      return forms;
    }

    /** The last of its set says the whole way out, where there is time. */
    private List<String> exit(int i, ExerciseWords w) {
      if (throughTheMiddle(i)) return middle();
      List<String> slowly = phrases.forms(Phrases.sentence(text(neck(i) ? "exit.neck" : "exit")));
      Segment s = segments.get(i);
      if (s.rep() < s.reps() || w.out().isEmpty()) return slowly;
      return Stream.concat(Stream.of(w.out(), phrases.brief(w.out())), slowly.stream()).toList();
    }

    private boolean neck(int i) {
      return exercise(timeline, segments.get(i)).group().isNeck();
    }

    private List<String> middle() {
      String slowly = Phrases.sentence(text("exit.neck"));
      return List.of(slowly, phrases.brief(slowly), text("middle"));
    }

    private List<String> switchSide(int i, ExerciseWords w) {
      String change = Phrases.sentence(text("switch.side"));
      String hands = Phrases.sentence(cues.get(i).detail());
      String move = Phrases.sentence(w.move());
      List<String> forms = new ArrayList<>();
      if (!hands.contains(w.move())) {
        forms.add(Phrases.join(change, hands, text("then", move)));
        forms.add(Phrases.join(change, phrases.brief(hands), phrases.brief(move)));
      }
      for (String less : phrases.forms(hands)) forms.add(Phrases.join(change, less));
      forms.add(change);
      return forms;
    }

    /** What ends with the segment: the way out after the last, the middle before the next. */
    private List<String> endings(int i) {
      Segment s = segments.get(i);
      boolean last = isLastWork(i) && !words.get(i).out().isEmpty();
      List<String> forms = new ArrayList<>();
      if (last && !saysWayOut(i)) {
        String out = words.get(i).out();
        forms.add(text("then", out));
        forms.add(text("then", phrases.brief(out)));
        forms.add(text("then", phrases.brief(sentences(out).get(0))));
      }
      boolean thereAndBack = s.kind() == Kind.MOVE && held(i) == i;
      if (thereAndBack && throughTheMiddle(i)) forms.addAll(middle());
      return forms;
    }

    /** Whether the segment in which a stretch is left says all of the way out. */
    private boolean saysWayOut(int i) {
      String whole = phrases.brief(words.get(i).out());
      for (int j = i + 1; j < segments.size() && !beginsItem(j); j++) {
        if (segments.get(j).kind() != Kind.EXIT) continue;
        if (!segments.get(j).side().equals(segments.get(i).side())) continue;
        String said = Phrases.longest(openings(j), window(j));
        return phrases.brief(said).equals(whole);
      }
      return false;
    }

    // ---- what is told meanwhile -----------------------------------------------------------

    private Cue told(int i) {
      int room = window(i);
      List<String> openings = openings(i).stream().filter(o -> Phrases.fits(o, room)).toList();
      if (openings.isEmpty()) return cues.get(i).saying("", "");
      String shortest = openings.get(openings.size() - 1);
      List<String> endings =
          endings(i).stream().filter(e -> Phrases.fits(Phrases.join(shortest, e), room)).toList();
      String last = endings.isEmpty() ? "" : endings.get(endings.size() - 1);
      // The second half of a long hold is quiet but for its end.
      double talk =
          Math.min(
              CueSheet.isLong(segments.get(held(i))) ? room / 2.0 : room,
              room - Phrases.seconds(last));
      String said = add(shortest, must(i), i, talk);
      String opening = longer(openings, shortest, said, talk);
      said = (opening + said.substring(shortest.length())).strip();
      String sofar = said;
      String ending =
          endings.stream()
              .filter(e -> Phrases.fits(Phrases.join(sofar, e), room))
              .findFirst()
              .orElse("");
      boolean named = openings.size() == 1 || !opening.equals(shortest) || !repeats(i);
      if (named) said = add(said, may(i), i, Math.min(talk, room - Phrases.seconds(ending)));
      return cues.get(i).saying(said, ending);
    }

    /** The longest opening that leaves room for what is told after the shortest. */
    private String longer(List<String> openings, String shortest, String said, double talk) {
      String rest = said.substring(shortest.length());
      return openings.stream()
          .filter(o -> Phrases.fits(o + rest, talk))
          .findFirst()
          .orElse(shortest);
    }

    /** Adds what is not told yet, each sentence in the longest form that there is time for. */
    private String add(String said, List<String> sentences, int i, double talk) {
      String all = said;
      for (String sentence : sentences) {
        for (String form : List.of(sentence, phrases.brief(sentence))) {
          String longer = Phrases.join(all, form);
          if (!Phrases.fits(longer, talk)) continue;
          all = longer;
          heard(i).add(sentence);
          break;
        }
      }
      return all;
    }

    private List<String> must(int i) {
      return untold(i, Stream.concat(sentences(words.get(i).not()).stream(), mistakes(i).stream()));
    }

    /** How it comes back is not told while it is held at the end of its range. */
    private List<String> may(int i) {
      ExerciseWords w = words.get(i);
      boolean atTheEnd = mode(i) == Mode.MOVE && held(i) != i;
      Stream<String> how = atTheEnd ? Stream.of() : sentences(w.how()).stream();
      String limits = cues.get(i).limits();
      Stream<String> limit = limits.isEmpty() ? Stream.of() : Stream.of(phrases.opening(limits));
      return untold(i, Stream.of(limit, sentences(w.feel()).stream(), how).flatMap(x -> x));
    }

    private List<String> untold(int i, Stream<String> sentences) {
      return sentences.filter(t -> !heard(i).contains(t)).toList();
    }

    /** The client's usual mistakes, each with its mend, for the side that is told. */
    private List<String> mistakes(int i) {
      Exercise e = exercise(timeline, segments.get(i));
      Set<String> usually = usual.getOrDefault(e.id(), Set.of());
      return words.get(i).seen(catalogue.words(e, locale), usually).stream()
          .map(f -> f.spoken(locale))
          .toList();
    }

    private Set<String> heard(int i) {
      return told.computeIfAbsent(segments.get(i).item(), item -> new HashSet<>());
    }

    // ---- what found no room ---------------------------------------------------------------

    /** It is told on the way there or on the way on. */
    private void leftOver(int last) {
      for (String t : sentences(words.get(last).not())) {
        if (!heard(last).contains(t) && onTheWay(last, t)) heard(last).add(t);
      }
      String out = words.get(last).out();
      boolean missing = !out.isEmpty() && cues.get(last).ending().isEmpty() && !saysWayOut(last);
      if (!missing) return;
      for (int j = last + 1; j < segments.size() && !beginsItem(j); j++) {
        Kind kind = segments.get(j).kind();
        if (kind != Kind.SETTLE && kind != Kind.RELEASE) continue;
        String said = Phrases.longest(List.of(out, phrases.brief(out)), window(j));
        if (said.isEmpty()) continue;
        cues.set(j, cues.get(j).saying(said, ""));
        return;
      }
    }

    /** Tells a sentence before the work, where another side is not being treated. */
    private boolean onTheWay(int last, String sentence) {
      Segment s = segments.get(last);
      for (int j = last; j >= 0 && segments.get(j).item() == s.item(); j--) {
        Segment at = segments.get(j);
        boolean other = at.side().isPresent() && !at.side().equals(s.side());
        boolean quiet =
            switch (at.kind()) {
              case SETUP, SWITCH_SIDE, REST, SET_REST, POSITION, EQUIPMENT, ENTER -> true;
              default -> false;
            };
        if (!quiet || other) continue;
        String sofar = cues.get(j).spoken();
        List<String> forms = openings(j);
        for (String opening : forms.contains(sofar) ? forms : List.of(sofar)) {
          String both = Phrases.join(opening, phrases.brief(sentence));
          if (opening.isEmpty() || !Phrases.fits(both, window(j))) continue;
          cues.set(j, cues.get(j).saying(both, ""));
          return true;
        }
      }
      return false;
    }
  }
}
