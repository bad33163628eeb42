package org.biokinet.core.exercise;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Direction;

/**
 * The checks that the words of every exercise pass, shipped or a practice's own: whole, short,
 * plain, and right on either side because no side was typed.
 */
public final class WordsCheck {

  /**
   * @param field the key of the words in which it was found, such as {@code feel}
   * @param message what is wrong and what would be right
   */
  public record Problem(String field, String message) {}

  /** A cue is heard once, with the head turned away; our choice. */
  public static final int LONGEST_CUE = 90;

  public static final int LONGEST_NAME = 80;

  /** "Plain English" begins here on Flesch's scale (recalled from memory). */
  public static final double LEAST_READING_EASE = 60;

  private static final Pattern TYPED_SIDE =
      Pattern.compile("\\b(left|right)\\b", Pattern.CASE_INSENSITIVE);
  private static final Pattern RELATIVE =
      Pattern.compile(
          "\\baway\\b|\\bopposite\\b|\\blimited side\\b|\\bother side\\b|\\bsame side\\b"
              + "|\\bbad side\\b|\\btreated\\b",
          Pattern.CASE_INSENSITIVE);
  private static final Pattern HOLDS_BREATH =
      Pattern.compile("(?<!never )(?<!not )hold (?:the|your) breath", Pattern.CASE_INSENSITIVE);

  private final Exercise exercise;
  private final ExerciseWords words;
  private final Locale locale;
  private final Set<Problem> problems = new LinkedHashSet<>();

  private WordsCheck(Exercise exercise, ExerciseWords words, Locale locale) {
    this.exercise = exercise;
    this.words = words;
    this.locale = locale;
  }

  /** What is wrong with these words, in the order of the fields; empty when nothing is. */
  public static List<Problem> of(Exercise exercise, ExerciseWords words, Locale locale) {
    WordsCheck check = new WordsCheck(exercise, words, locale);
    fields(words).forEach(check::whole);
    if (words.faults().isEmpty()) check.add("fault-1", "Say the commonest fault and its mend.");
    if (words.name().length() > LONGEST_NAME) {
      check.add("name", "At most %d characters.".formatted(LONGEST_NAME));
    }
    fields(words).forEach(check::plain);
    for (int i = 0; i < words.faults().size(); i++) {
      ExerciseWords.Fault fault = words.faults().get(i);
      check.plain("fault-" + (i + 1), fault.what() + " " + fault.mend());
    }
    // Filling comes last: it needs every placeholder to be known.
    if (check.problems.isEmpty()) check.filled();
    return List.copyOf(check.problems);
  }

  private void add(String field, String message) {
    problems.add(new Problem(field, message));
  }

  /** The fields that a client hears or reads, by key. */
  private static Map<String, String> fields(ExerciseWords w) {
    Map<String, String> fields = new LinkedHashMap<>();
    fields.put("name", w.name());
    fields.put("move", w.move());
    fields.put("setup", w.setup());
    fields.put("how", w.how());
    fields.put("contract", w.contract());
    fields.put("feel", w.feel());
    fields.put("not", w.not());
    fields.put("out", w.out());
    return fields;
  }

  private void whole(String field, String text) {
    // Only what is contracted says how.
    if (field.equals("contract") && !exercise.doseContext().contractRelax()) return;
    if (text.isBlank()) add(field, "Write this one too; a client needs it.");
  }

  private void plain(String field, String text) {
    Matcher relative = RELATIVE.matcher(text);
    if (relative.find()) {
      add(field, "“%s” can be misheard; use a side from the palette.".formatted(relative.group()));
    }
    Matcher typed = TYPED_SIDE.matcher(text);
    if (typed.find()) {
      add(
          field,
          exercise.sided()
              ? "“%s” would be wrong on the other side; use the palette.".formatted(typed.group())
              : "“%s”: this exercise has no sides.".formatted(typed.group()));
    }
    // A fault may be that somebody does.
    if (!field.startsWith("fault") && HOLDS_BREATH.matcher(text).find()) {
      add(field, "Nobody should hold the breath.");
    }
    for (Optional<Side> side : Catalogue.sidesOf(exercise)) {
      for (Optional<Direction> direction : Catalogue.directionsOf(exercise)) {
        try {
          blank(text).on(exercise, side, direction, locale);
        } catch (CatalogueException e) {
          add(field, unknownPlaceholder());
          return;
        }
      }
    }
  }

  private static ExerciseWords blank(String text) {
    return new ExerciseWords("", List.of(), text, "", "", "", "", "", List.of(), "", "");
  }

  private String unknownPlaceholder() {
    List<String> known = ExerciseWords.placeholders(exercise);
    return known.isEmpty()
        ? "This exercise has neither sides nor directions: write it without { }."
        : "Here only %s have a meaning.".formatted(String.join(" ", known));
  }

  private void filled() {
    for (Optional<Side> side : Catalogue.sidesOf(exercise)) {
      for (Optional<Direction> direction : Catalogue.directionsOf(exercise)) {
        ExerciseWords on = words.on(exercise, side, direction, locale);
        fields(on).forEach((f, text) -> tooLong(f, ExerciseWords.sentences(text, locale)));
        for (int i = 0; i < on.faults().size(); i++) {
          tooLong("fault-" + (i + 1), List.of(on.faults().get(i).spoken(locale)));
        }
        double ease = ReadingEase.of(on.cues(locale));
        if (ease < LEAST_READING_EASE) {
          add(
              "how",
              "Reads hard: %.0f on Flesch's scale, %.0f or more is plain. Shorter words and sentences."
                  .formatted(ease, LEAST_READING_EASE));
        }
      }
    }
    if (exercise.sided() && side(Side.LEFT).move().equals(side(Side.RIGHT).move())) {
      add("move", "Say which side moves or where to, from the palette.");
    }
  }

  private ExerciseWords side(Side side) {
    return words.on(exercise, Optional.of(side), Catalogue.directionsOf(exercise).get(0), locale);
  }

  private void tooLong(String field, List<String> sentences) {
    for (String sentence : sentences) {
      if (sentence.length() >= LONGEST_CUE) {
        add(
            field,
            "%d characters: “%s” At most %d in one sentence."
                .formatted(sentence.length(), sentence, LONGEST_CUE - 1));
      }
    }
  }
}
