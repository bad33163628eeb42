package org.biokinet.core.exercise;

import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Intent;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.SidedMotion;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.Direction;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseContext;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.dose.Parsed;
import org.biokinet.core.dose.Sidedness;

/**
 * All exercises with their words, checked when read. A shared program version carries a {@link
 * Snapshot} of the entries it uses, so that it can be replayed when the catalogue has moved on.
 */
public final class Catalogue {

  /** The entries as text, in the catalogue's own format: the facts, and the words by language. */
  public record Snapshot(String facts, Map<String, String> words) {
    public Snapshot {
      words = Map.copyOf(words);
    }
  }

  /** Languages that ship; the first is the fallback. */
  private static final List<String> LANGUAGES = List.of("en");

  static final String FAULT_ARROW = "→";
  static final String REVISION = "revision";
  static final String DRAWN_AS = "drawn-as";

  /** The poses of a practice's own, read by the figure. */
  static final String POSED = "posed";

  private final Map<String, Stanza> facts;
  private final Map<String, Map<String, Stanza>> words;
  private final Set<String> retired;
  private final Map<String, Exercise> exercises = new LinkedHashMap<>();

  private Catalogue(
      Map<String, Stanza> facts, Map<String, Map<String, Stanza>> words, Set<String> retired) {
    this.facts = facts;
    this.words = words;
    this.retired = Set.copyOf(retired);
    facts.values().forEach(s -> exercises.put(s.id(), exercise(s)));
  }

  private static Catalogue read(Snapshot source) {
    return new Catalogue(
        Stanza.readAll(source.facts()),
        source.words().entrySet().stream()
            .collect(Collectors.toMap(Map.Entry::getKey, e -> Stanza.readAll(e.getValue()))),
        Set.of());
  }

  /**
   * The shipped catalogue.
   *
   * @throws CatalogueException when an entry is wrong
   */
  public static Catalogue load() {
    Map<String, String> words = new LinkedHashMap<>();
    for (String language : LANGUAGES)
      words.put(language, Resources.text(Catalogue.class, "words_" + language + ".txt"));
    Catalogue catalogue =
        read(new Snapshot(Resources.text(Catalogue.class, "catalogue.txt"), words));
    catalogue.checkLinks();
    catalogue.checkWords();
    return catalogue;
  }

  /**
   * The catalogue as it was when a program version was shared: read as it is, since its words were
   * checked in their day. Links may lead outside it.
   */
  public static Catalogue of(Snapshot snapshot) {
    return read(snapshot);
  }

  /**
   * This catalogue with a practice's own entries: one with the id of a shipped entry takes its
   * place.
   *
   * @param gone ids that are no longer offered; programs that have them keep them
   */
  public Catalogue with(Snapshot own, Set<String> gone) {
    Map<String, Stanza> allFacts = new LinkedHashMap<>(facts);
    allFacts.putAll(Stanza.readAll(own.facts()));
    Map<String, Map<String, Stanza>> allWords = new HashMap<>(words);
    own.words()
        .forEach(
            (language, text) -> {
              Map<String, Stanza> merged =
                  new LinkedHashMap<>(allWords.getOrDefault(language, Map.of()));
              merged.putAll(Stanza.readAll(text));
              allWords.put(language, merged);
            });
    Catalogue catalogue = new Catalogue(allFacts, allWords, gone);
    catalogue.checkLinks();
    catalogue.checkWords();
    return catalogue;
  }

  public Snapshot snapshot(Collection<String> ids) {
    Set<String> wanted = new HashSet<>(ids);
    return new Snapshot(
        write(facts, wanted),
        words.entrySet().stream()
            .collect(Collectors.toMap(Map.Entry::getKey, e -> write(e.getValue(), wanted))));
  }

  public Optional<Exercise> find(String id) {
    return Optional.ofNullable(exercises.get(id));
  }

  /**
   * @throws CatalogueException when there is no such exercise
   */
  public Exercise get(String id) {
    return find(id).orElseThrow(() -> new CatalogueException("no exercise is called " + id));
  }

  /** In the catalogue's own order, with those no longer offered. */
  public List<Exercise> all() {
    return List.copyOf(exercises.values());
  }

  /** Those that may be prescribed anew. */
  public List<Exercise> offered() {
    return exercises.values().stream().filter(e -> !retired.contains(e.id())).toList();
  }

  public boolean isRetired(Exercise exercise) {
    return retired.contains(exercise.id());
  }

  /** Which of a practice's own revisions this is; 0 for an entry as shipped. */
  public int revision(Exercise exercise) {
    Stanza s = facts.get(exercise.id());
    return s == null ? 0 : s.optional(REVISION).map(Integer::parseInt).orElse(0);
  }

  public ExerciseWords words(Exercise exercise, Locale locale) {
    Map<String, Stanza> language =
        words.getOrDefault(locale.getLanguage(), words.getOrDefault(LANGUAGES.get(0), Map.of()));
    Stanza s = language.get(exercise.id());
    if (s == null) throw new CatalogueException(exercise.id() + " has no words");
    return words(s);
  }

  // ---- reading -----------------------------------------------------------------------------

  private static String write(Map<String, Stanza> stanzas, Set<String> ids) {
    return stanzas.values().stream()
        .filter(s -> ids.contains(s.id()))
        .map(Stanza::write)
        .collect(Collectors.joining());
  }

  static ExerciseWords words(Stanza s) {
    List<ExerciseWords.Fault> faults = new ArrayList<>();
    for (int i = 1; s.optional("fault-" + i).isPresent(); i++) {
      String text = s.required("fault-" + i);
      int arrow = text.indexOf(FAULT_ARROW);
      if (arrow < 0) throw new CatalogueException(s.id() + " fault-" + i + " has no arrow");
      faults.add(
          new ExerciseWords.Fault(
              text.substring(0, arrow).strip(),
              text.substring(arrow + FAULT_ARROW.length()).strip()));
    }
    return new ExerciseWords(
        s.required("name"),
        s.list("also"),
        s.required("move"),
        s.optional("setup").orElse(""),
        s.optional("how").orElse(""),
        s.optional("contract").orElse(""),
        s.optional("feel").orElse(""),
        s.optional("not").orElse(""),
        faults,
        s.optional("out").orElse(""),
        s.optional("why").orElse(""));
  }

  static DoseContext context(Stanza s) {
    return new DoseContext(
        code(s, "mode", Mode.class),
        code(s, "sides", Sidedness.class),
        s.optional("contract-relax").isPresent(),
        s.optional("resisted").isPresent(),
        codes(s, "directions", Direction.class));
  }

  static Exercise exercise(Stanza s) {
    DoseContext context = context(s);
    return new Exercise(
        s.id(),
        code(s, "group", Group.class),
        context,
        s.optional("moves").map(v -> code(s, "moves", Relation.class)),
        s.optional("moves-in").map(v -> code(s, "moves-in", SidedMotion.class)),
        s.optional("turns").map(v -> code(s, "turns", Relation.class)),
        s.optional("closes").isPresent(),
        codes(s, "targets", Tissue.class),
        intents(s),
        s.optional("tempo").map(t -> OptionalInt.of(seconds(s, t))).orElseGet(OptionalInt::empty),
        codes(s, "positions", Position.class),
        set(s, "equipment", Equipment.class),
        instead(s),
        dose(s, "start", context),
        dose(s, "target", context),
        set(s, "precautions", Precaution.class),
        set(s, "treated-limb", Precaution.class),
        set(s, "other-limb", Precaution.class),
        s.optional("easier"),
        s.optional("harder"),
        s.optional(DRAWN_AS),
        s.optional(POSED));
  }

  /** {@code intents: dnf strengthen, suboccipitals lengthen}. */
  private static Map<Tissue, Intent> intents(Stanza s) {
    Map<Tissue, Intent> intents = new EnumMap<>(Tissue.class);
    for (String pair : s.list("intents")) {
      String[] words = pair.split("\\s+", -1);
      if (words.length != 2) {
        throw new CatalogueException(
            "%s intents: a target and what it does, not '%s'".formatted(s.id(), pair));
      }
      intents.put(
          code(s, "intents", words[0], Tissue.class), code(s, "intents", words[1], Intent.class));
    }
    return intents;
  }

  /** {@code instead: roller rolled-towel, roller rolled-blanket}. */
  private static Map<Equipment, List<Equipment>> instead(Stanza s) {
    Map<Equipment, List<Equipment>> instead = new EnumMap<>(Equipment.class);
    for (String pair : s.list("instead")) {
      String[] words = pair.split("\\s+", -1);
      if (words.length != 2) {
        throw new CatalogueException(
            "%s instead: a thing and what stands in, not '%s'".formatted(s.id(), pair));
      }
      instead
          .computeIfAbsent(code(s, "instead", words[0], Equipment.class), e -> new ArrayList<>())
          .add(code(s, "instead", words[1], Equipment.class));
    }
    return instead;
  }

  private static int seconds(Stanza s, String text) {
    if (text.matches("\\d{1,2}s")) return Integer.parseInt(text.substring(0, text.length() - 1));
    throw new CatalogueException("%s tempo: such as 10s, not %s".formatted(s.id(), text));
  }

  static Dose dose(Stanza s, String key, DoseContext context) {
    String text = s.required(key);
    Parsed parsed = DoseNotation.parse(text, context);
    if (parsed instanceof Parsed.Understood ok) {
      if (ok.canonical().equals(text)) return ok.dose();
      throw new CatalogueException(
          "%s %s: write %s, not %s".formatted(s.id(), key, ok.canonical(), text));
    }
    throw new CatalogueException(
        "%s %s %s: %s".formatted(s.id(), key, text, ((Parsed.Fault) parsed).message()));
  }

  static <T extends Enum<T> & Coded> T code(Stanza s, String key, Class<T> type) {
    return code(s, key, s.required(key), type);
  }

  private static <T extends Enum<T> & Coded> T code(
      Stanza s, String key, String value, Class<T> type) {
    return Coded.find(type, value)
        .orElseThrow(
            () ->
                new CatalogueException(
                    "%s %s: %s is none of %s".formatted(s.id(), key, value, Coded.codes(type))));
  }

  static <T extends Enum<T> & Coded> List<T> codes(Stanza s, String key, Class<T> type) {
    return s.list(key).stream().map(v -> code(s, key, v, type)).toList();
  }

  private static <T extends Enum<T> & Coded> Set<T> set(Stanza s, String key, Class<T> type) {
    Set<T> all = EnumSet.noneOf(type);
    all.addAll(codes(s, key, type));
    return all;
  }

  // ---- checks ------------------------------------------------------------------------------

  /** Every easier or harder entry exists, and following either never comes back. */
  private void checkLinks() {
    for (Exercise e : exercises.values()) {
      follow(e, Exercise::easier, "easier");
      follow(e, Exercise::harder, "harder");
    }
  }

  private void follow(Exercise from, Function<Exercise, Optional<String>> link, String name) {
    Set<String> seen = new HashSet<>();
    Optional<Exercise> at = Optional.of(from);
    while (at.isPresent()) {
      if (!seen.add(at.get().id())) {
        throw new CatalogueException("%s: %s leads back to it".formatted(from.id(), name));
      }
      at = link.apply(at.get()).map(this::get);
    }
  }

  /** Every template can be filled for every side and direction the exercise has. */
  private void checkWords() {
    for (String language : words.keySet()) {
      Locale locale = Locale.forLanguageTag(language);
      for (Exercise e : exercises.values()) {
        ExerciseWords w = words(e, locale);
        for (Optional<Side> side : sidesOf(e)) {
          for (Optional<Direction> direction : directionsOf(e)) {
            w.on(e, side, direction, locale);
          }
        }
      }
    }
  }

  static List<Optional<Side>> sidesOf(Exercise e) {
    return e.sided()
        ? List.of(Optional.of(Side.LEFT), Optional.of(Side.RIGHT))
        : List.of(Optional.empty());
  }

  static List<Optional<Direction>> directionsOf(Exercise e) {
    List<Direction> own = e.doseContext().directions();
    return own.isEmpty() ? List.of(Optional.empty()) : own.stream().map(Optional::of).toList();
  }
}
