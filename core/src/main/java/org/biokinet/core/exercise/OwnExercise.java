package org.biokinet.core.exercise;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Position;
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
    if (!problems.isEmpty()) return problems;
    OwnExercise canonical = canonical();
    fact(
        problems,
        "easier",
        () -> catalogue.with(canonical.withoutWords().snapshot(locale), Set.of()));
    Stanza text = new Stanza(id, words);
    if (!words.containsKey("name")) problems.add(new WordsCheck.Problem("name", "Give it a name."));
    if (!words.containsKey("move")) {
      problems.add(new WordsCheck.Problem("move", "Say the movement in a few words."));
    }
    words.forEach(
        (key, value) -> {
          if (key.startsWith("fault-") && !value.matches("\\S.* → .*\\S")) {
            problems.add(
                new WordsCheck.Problem(key, "Say what goes wrong, and what mends it, both."));
          }
        });
    if (problems.isEmpty()) {
      Exercise exercise = Catalogue.exercise(new Stanza(id, canonical.facts));
      problems.addAll(WordsCheck.of(exercise, Catalogue.words(text), locale));
    }
    return problems;
  }

  /** The same with doses in their one form. Only for facts that passed {@link #check}. */
  public OwnExercise canonical() {
    DoseContext context = Catalogue.context(new Stanza(id, facts));
    Map<String, String> lines = new LinkedHashMap<>(facts);
    for (String key : List.of("start", "target")) {
      if (DoseNotation.parse(lines.getOrDefault(key, ""), context)
          instanceof Parsed.Understood ok) {
        lines.put(key, ok.canonical());
      }
    }
    return new OwnExercise(id, lines, words);
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
