package org.biokinet.core.exercise;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.SidedMotion;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.Direction;
import org.biokinet.core.dose.DoseContext;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.dose.Parsed;
import org.biokinet.core.dose.Sidedness;

/**
 * An entry as a practice writes it: the lines of the catalogue's format, not yet known to be right.
 *
 * @param facts key to value, as in the catalogue's facts
 * @param words key to value, as in its words
 */
public record OwnExercise(String id, Map<String, String> facts, Map<String, String> words) {

  /** A word like "Shoulder", but not "TV". */
  private static final Pattern ONE_CAPITAL = Pattern.compile("^\\p{Lu}(?=\\p{Ll}|\\s)");

  public OwnExercise {
    facts = oneLineEach(facts);
    words = oneLineEach(words);
  }

  private static Map<String, String> oneLineEach(Map<String, String> values) {
    Map<String, String> lines = new LinkedHashMap<>();
    values.forEach(
        (key, value) -> {
          String line = value.replaceAll("\\s+", " ").strip();
          if (!line.isEmpty()) lines.put(key, line);
        });
    return lines;
  }

  /** The lines of an entry that there is, to copy or to edit. */
  public static OwnExercise of(Catalogue.Snapshot snapshot, String id, Locale locale) {
    Stanza facts = Stanza.readAll(snapshot.facts()).get(id);
    if (facts == null) throw new CatalogueException("no exercise is called " + id);
    Stanza words =
        Stanza.readAll(snapshot.words().getOrDefault(locale.getLanguage(), ""))
            .getOrDefault(id, new Stanza(id, Map.of()));
    return new OwnExercise(id, facts.values(), words.values());
  }

  public OwnExercise copiedAs(String newId) {
    return new OwnExercise(newId, facts, words);
  }

  public Catalogue.Snapshot snapshot(Locale locale) {
    return new Catalogue.Snapshot(
        new Stanza(id, facts).write(), Map.of(locale.getLanguage(), new Stanza(id, words).write()));
  }

  /** A new exercise that begins as this one and keeps its picture as long as it moves alike. */
  public OwnExercise copied() {
    Map<String, String> lines = new LinkedHashMap<>(facts);
    lines.putIfAbsent(Catalogue.DRAWN_AS, id);
    return new OwnExercise("", lines, words);
  }

  /** The same without an easier and a harder one, which are all that it needs of others. */
  public OwnExercise withoutLinks() {
    Map<String, String> lines = new LinkedHashMap<>(facts);
    lines.keySet().removeAll(List.of("easier", "harder"));
    return new OwnExercise(id, lines, words);
  }

  public OwnExercise asRevision(int number) {
    Map<String, String> lines = new LinkedHashMap<>(facts);
    lines.put(Catalogue.REVISION, Integer.toString(number));
    return new OwnExercise(id, lines, words);
  }

  /** The keys that say something else in the other one, facts first. */
  public Set<String> differences(OwnExercise other) {
    Set<String> keys = new LinkedHashSet<>();
    different(facts, other.facts, keys);
    different(words, other.words, keys);
    keys.remove(Catalogue.REVISION);
    return keys;
  }

  private static void different(Map<String, String> a, Map<String, String> b, Set<String> keys) {
    Set<String> all = new LinkedHashSet<>(a.keySet());
    all.addAll(b.keySet());
    for (String k : all) if (!a.getOrDefault(k, "").equals(b.getOrDefault(k, ""))) keys.add(k);
  }

  /**
   * The exercise that its facts make, for {@link #preview} only: it does without a target as long
   * as none is chosen. Empty while the facts are not right.
   */
  public Optional<Exercise> exercise() {
    try {
      Map<String, String> known = new LinkedHashMap<>(canonical().facts);
      known.putIfAbsent("targets", Tissue.BREATH.code());
      return Optional.of(Catalogue.exercise(new Stanza(id, known)));
    } catch (CatalogueException | IllegalArgumentException e) {
      return Optional.empty();
    }
  }

  /** Its words for one side, as far as they can be filled; a field that cannot be is as typed. */
  public ExerciseWords preview(Exercise exercise, Optional<Side> treated, Locale locale) {
    Map<String, String> filled = new LinkedHashMap<>();
    Optional<Direction> direction = Catalogue.directionsOf(exercise).get(0);
    words.forEach(
        (key, value) -> {
          try {
            ExerciseWords one = Catalogue.words(new Stanza(id, Map.of("name", "x", "move", value)));
            filled.put(key, one.on(exercise, treated, direction, locale).move());
          } catch (CatalogueException e) {
            filled.put(key, value);
          }
        });
    return new OwnExercise(id, facts, filled).written();
  }

  /**
   * Everything that speaks against taking it into this catalogue, by field; empty when nothing
   * does.
   */
  public List<WordsCheck.Problem> check(Catalogue catalogue, Locale locale) {
    List<WordsCheck.Problem> problems = new ArrayList<>();
    Stanza s = new Stanza(id, facts);
    fact(problems, "group", () -> Catalogue.code(s, "group", Group.class));
    fact(problems, "mode", () -> Catalogue.code(s, "mode", Mode.class));
    fact(problems, "sides", () -> Catalogue.code(s, "sides", Sidedness.class));
    fact(problems, "targets", () -> some(Catalogue.codes(s, "targets", Tissue.class)));
    fact(problems, "positions", () -> some(Catalogue.codes(s, "positions", Position.class)));
    fact(problems, "equipment", () -> Catalogue.codes(s, "equipment", Equipment.class));
    fact(problems, "precautions", () -> Catalogue.codes(s, "precautions", Precaution.class));
    fact(problems, "directions", () -> Catalogue.codes(s, "directions", Direction.class));
    fact(problems, "moves", () -> optional(s, "moves", Relation.class));
    fact(problems, "turns", () -> optional(s, "turns", Relation.class));
    fact(problems, "moves-in", () -> optional(s, "moves-in", SidedMotion.class));
    if (problems.isEmpty()) fact(problems, "directions", () -> Catalogue.context(s));
    if (problems.isEmpty()) {
      DoseContext context = Catalogue.context(s);
      for (String key : List.of("start", "target")) {
        String typed = s.optional(key).orElse("");
        if (DoseNotation.parse(typed, context) instanceof Parsed.Fault fault) {
          problems.add(new WordsCheck.Problem(key, fault.message()));
        }
      }
      if (facts.containsKey("moves") && !context.sides().sided()) {
        problems.add(new WordsCheck.Problem("moves", "Only an exercise with sides moves to one."));
      }
      if (facts.containsKey("turns") && !context.sides().sided()) {
        problems.add(new WordsCheck.Problem("turns", "Only an exercise with sides turns to one."));
      }
      if (facts.containsKey("moves-in") != facts.containsKey("moves")
          && facts.containsKey("moves-in")) {
        problems.add(new WordsCheck.Problem("moves", "Say also which way this motion goes."));
      }
    }
    if (problems.isEmpty()) {
      fact(
          problems,
          "easier",
          () -> catalogue.with(canonical().withoutWords().snapshot(locale), Set.of()));
    }
    words.forEach(
        (key, value) -> {
          if (key.startsWith("fault-") && !isFault(value)) {
            problems.add(
                new WordsCheck.Problem(key, "Say what goes wrong, and what mends it, both."));
          }
        });
    exercise().ifPresent(e -> problems.addAll(WordsCheck.of(e, written(), locale)));
    if (isTaken(words.getOrDefault("name", ""), catalogue, locale)) {
      problems.add(
          new WordsCheck.Problem("name", "Another exercise has this name; tell them apart."));
    }
    return problems;
  }

  private boolean isTaken(String name, Catalogue catalogue, Locale locale) {
    return catalogue.all().stream()
        .filter(e -> !e.id().equals(id))
        .anyMatch(e -> catalogue.words(e, locale).name().equalsIgnoreCase(name));
  }

  private static boolean isFault(String value) {
    return value.matches("\\S.* → .*\\S");
  }

  /** Its words as far as they are written. */
  private ExerciseWords written() {
    Map<String, String> lines = new LinkedHashMap<>(words);
    lines.entrySet().removeIf(e -> e.getKey().startsWith("fault-") && !isFault(e.getValue()));
    lines.putIfAbsent("name", "");
    lines.putIfAbsent("move", "");
    return Catalogue.words(new Stanza(id, lines));
  }

  /**
   * The same as it is kept: doses in their one form, faults without capital and full stop.
   *
   * @throws CatalogueException when mode or sides are not known
   */
  public OwnExercise canonical() {
    DoseContext context = Catalogue.context(new Stanza(id, facts));
    Map<String, String> lines = new LinkedHashMap<>(facts);
    for (String key : List.of("start", "target")) {
      if (DoseNotation.parse(lines.getOrDefault(key, ""), context)
          instanceof Parsed.Understood ok) {
        lines.put(key, ok.canonical());
      }
    }
    Map<String, String> texts = new LinkedHashMap<>(words);
    texts.replaceAll((key, value) -> key.startsWith("fault-") ? insideSentence(value) : value);
    return new OwnExercise(id, lines, texts);
  }

  private static String insideSentence(String fault) {
    return Arrays.stream(fault.split(Catalogue.FAULT_ARROW, -1))
        .map(String::strip)
        .map(part -> part.endsWith(".") ? part.substring(0, part.length() - 1) : part)
        .map(
            part -> ONE_CAPITAL.matcher(part).replaceFirst(m -> m.group().toLowerCase(Locale.ROOT)))
        .collect(Collectors.joining(" " + Catalogue.FAULT_ARROW + " "));
  }

  private OwnExercise withoutWords() {
    return new OwnExercise(id, facts, Map.of("name", "x", "move", "x"));
  }

  private static <T extends Enum<T> & Coded> void optional(Stanza s, String key, Class<T> type) {
    if (s.optional(key).isPresent()) Catalogue.code(s, key, type);
  }

  private static void some(List<?> values) {
    if (values.isEmpty()) throw new CatalogueException("Choose at least one.");
  }

  private static void fact(List<WordsCheck.Problem> problems, String field, Runnable reading) {
    try {
      reading.run();
    } catch (CatalogueException | IllegalArgumentException e) {
      problems.add(new WordsCheck.Problem(field, String.valueOf(e.getMessage())));
    }
  }
}
