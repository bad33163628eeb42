package org.biokinet.core.timeline;

import java.text.MessageFormat;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.ResourceBundle;
import java.util.stream.Collectors;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.ExerciseWords;
import org.biokinet.core.program.Item;

/**
 * Generates the words of a timeline from exercise and treated side. The movement comes first, with
 * an absolute direction; then where it is felt. Nothing is typed per side.
 */
public final class Cues {

  private final Catalogue catalogue;
  private final Locale locale;
  private final ResourceBundle bundle;

  public Cues(Catalogue catalogue, Locale locale) {
    this.catalogue = catalogue;
    this.locale = locale;
    this.bundle = ResourceBundle.getBundle("org.biokinet.core.timeline.cues", locale);
  }

  /** One cue for each segment, in order. */
  public List<Cue> of(Timeline timeline) {
    List<Cue> cues = new ArrayList<>();
    for (Segment s : timeline.segments()) cues.add(cue(timeline, s));
    return cues;
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
              case BREATH, GAZE, RELEASE, PULSE -> s.reps() == 1 ? "" : "count.time";
            };
    String count = key.isEmpty() ? "" : text(key, s.rep(), s.reps());
    String side = s.side().map(x -> text(x == Side.LEFT ? "count.left" : "count.right")).orElse("");
    return (count + " " + side).strip();
  }

  private Cue cue(Timeline timeline, Segment s) {
    Item item = timeline.program().items().get(s.item());
    Exercise exercise = item.exercise();
    ExerciseWords words = catalogue.words(exercise, locale);
    return switch (s.kind()) {
      case POSITION -> plain(text("position." + item.position().code()));
      case EQUIPMENT -> plain(text("equipment", equipment(exercise)));
      case SETUP -> {
        String name = words.name();
        yield new Cue(name, "", text("setup", name));
      }
      case ENTER, RISE, BREATHE, TIMED ->
          movement(s, exercise, words, fill(words.feel(), s, exercise));
      case MOVE -> {
        String move = fill(words.move(), s, exercise);
        String feel = fill(words.feel(), s, exercise);
        // Said in full once a side; then only the movement, so that the voice keeps up.
        yield new Cue(
            move, feel, s.rep() == 1 ? (sentence(move) + " " + feel).strip() : sentence(move));
      }
      case HOLD -> {
        String feel = fill(words.feel(), s, exercise);
        yield new Cue(fill(words.move(), s, exercise), feel, text("hold"));
      }
      case CONTRACT -> new Cue(text("contract.head"), "", text("contract"));
      case DEEPER -> {
        String feel = fill(words.feel(), s, exercise);
        yield new Cue(fill(words.move(), s, exercise), feel, text("deeper"));
      }
      case EXIT -> plain(text(exercise.group().isNeck() ? "exit.neck" : "exit"));
      case MOVE_BACK -> plain(text("back"));
      case RELEASE -> plain(text("release"));
      case REST -> plain(text("rest"));
      case SET_REST -> plain(text("rest.set"));
      case SETTLE -> new Cue(text("settle.head"), text("settle"), text("settle"));
      case SWITCH_SIDE -> next(text("switch.side"), s, exercise, words);
      case SWITCH_DIRECTION -> next(text("switch.direction"), s, exercise, words);
    };
  }

  private Cue movement(Segment s, Exercise exercise, ExerciseWords words, String detail) {
    String move = fill(words.move(), s, exercise);
    return new Cue(move, detail, (sentence(move) + " " + detail).strip());
  }

  private Cue next(String change, Segment s, Exercise exercise, ExerciseWords words) {
    String move = fill(words.move(), s, exercise);
    return new Cue(change, text("then", move), sentence(change) + " " + text("then", move));
  }

  private String fill(String template, Segment s, Exercise exercise) {
    return ExerciseWords.fill(template, exercise, s.side(), s.direction(), locale);
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
