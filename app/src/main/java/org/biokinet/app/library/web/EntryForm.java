package org.biokinet.app.library.web;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.biokinet.core.exercise.OwnExercise;
import org.biokinet.core.exercise.WordsCheck;
import org.springframework.util.MultiValueMap;

/**
 * The form in which an entry is written, as it stands.
 *
 * @param code empty for a new exercise
 * @param base the revision that was there when writing began
 * @param draft the draft that is being gone on with
 * @param typed as typed, right or wrong
 * @param problems by field
 */
record EntryForm(
    String code, int base, Optional<UUID> draft, OwnExercise typed, Map<String, String> problems) {

  /** A text of the form, with what helps to write it. */
  record Text(String key, String label, String hint, int rows) {}

  static final List<Text> TEXTS =
      List.of(
          new Text(
              "name", "Name", "The movement in the trade's words, such as “Seated side bend”.", 1),
          new Text(
              "also", "Other names", "How else people call it, with commas. For finding it.", 1),
          new Text("move", "Movement", "First and shortest: “Tilt {way}”.", 1),
          new Text("setup", "Set-up", "Where the body and the hands go before it begins.", 2),
          new Text(
              "how", "How to do it", "One short sentence a cue. Deeper while breathing out.", 3),
          new Text(
              "contract", "Contract", "Only for contract–relax: what presses, and where to.", 1),
          new Text("feel", "Where it is felt", "“Feel it along the {side} side of the neck.”", 2),
          new Text(
              "not",
              "Where not",
              "Where it must not be felt, and tingling where that is likely.",
              2),
          new Text("out", "Way out", "Slowly, and in which direction.", 2),
          new Text("why", "For the practitioner", "Why and for whom. A client never sees it.", 2));

  private static final List<String> FACTS =
      List.of(
          "group",
          "mode",
          "sides",
          "directions",
          "moves",
          "moves-in",
          "turns",
          "closes",
          "targets",
          "positions",
          "equipment",
          "start",
          "target",
          "contract-relax",
          "precautions",
          "easier",
          "harder",
          "drawn-as",
          PoseEditor.FIELD);

  /** Facts of a shipped entry that a copy keeps, and the form does not show. */
  static final List<String> KEPT =
      List.of("treated-limb", "other-limb", "intents", "tempo", "resisted", "instead");

  /** How the form calls what is not a text. */
  private static final Map<String, String> LABELS =
      Map.ofEntries(
          Map.entry("mode", "It is"),
          Map.entry("sides", "Done"),
          Map.entry("directions", "Directions"),
          Map.entry("moves", "The movement goes"),
          Map.entry("moves-in", "in which motion"),
          Map.entry("turns", "The head turns"),
          Map.entry("targets", "For, first of all"),
          Map.entry("positions", "Usual position"),
          Map.entry("start", "Start dose"),
          Map.entry("target", "Target dose"),
          Map.entry(PoseEditor.FIELD, "Picture"));

  private static final int FAULTS = 3;
  private static final int LONGEST_TEXT = 800;

  static EntryForm of(OwnExercise entry, int base) {
    return new EntryForm(entry.id(), base, Optional.empty(), entry, Map.of());
  }

  /** A side stretch in sitting to begin with: what is there already is easier to change. */
  static EntryForm blank() {
    Map<String, String> facts = new LinkedHashMap<>();
    facts.put("group", "neck-stretch");
    facts.put("mode", "hold");
    facts.put("sides", "each");
    facts.put("positions", "chair");
    facts.put("start", "2x15s");
    facts.put("target", "2x30s");
    return of(new OwnExercise("", facts, Map.of()), 0);
  }

  static EntryForm read(MultiValueMap<String, String> sent) {
    Map<String, String> facts = new LinkedHashMap<>();
    for (String key : Stream.concat(FACTS.stream(), KEPT.stream()).toList()) {
      facts.put(
          key,
          sent.getOrDefault(key, List.of()).stream()
              .flatMap(v -> Arrays.stream(v.split(",", -1)))
              .map(String::strip)
              .filter(v -> !v.isEmpty())
              .distinct()
              .collect(Collectors.joining(", ")));
    }
    // A dose may hold a comma and is one value.
    for (String key : List.of("start", "target")) facts.put(key, text(sent, key));
    facts.put(PoseEditor.FIELD, PoseEditor.moved(facts, sent));
    dropWithoutGround(facts);
    Map<String, String> words = new LinkedHashMap<>();
    for (Text t : TEXTS) words.put(t.key(), text(sent, t.key()));
    for (int i = 1; i <= FAULTS; i++) {
      String what = text(sent, "fault-%d-what".formatted(i)).strip();
      String mend = text(sent, "fault-%d-mend".formatted(i)).strip();
      if (!(what + mend).isEmpty()) words.put("fault-" + i, what + " → " + mend);
    }
    return new EntryForm(
        text(sent, "code"),
        number(text(sent, "base")),
        id(text(sent, "draft")),
        new OwnExercise(text(sent, "code"), facts, words),
        Map.of());
  }

  /** What the form does not show goes with what it is about: a code, a target, the sides. */
  private static void dropWithoutGround(Map<String, String> facts) {
    boolean sided = facts.getOrDefault("sides", "").startsWith("each");
    List<String> codes = sided ? list(facts, "precautions") : List.of();
    for (String limb : List.of("treated-limb", "other-limb")) {
      facts.put(limb, only(list(facts, limb), codes::contains));
    }
    List<String> targets = list(facts, "targets");
    facts.put(
        "intents",
        only(list(facts, "intents"), pair -> targets.contains(pair.split("\\s+", -1)[0])));
  }

  private static List<String> list(Map<String, String> facts, String key) {
    return Arrays.stream(facts.getOrDefault(key, "").split(",", -1)).map(String::strip).toList();
  }

  private static String only(List<String> values, Predicate<String> kept) {
    return values.stream().filter(kept).collect(Collectors.joining(", "));
  }

  private static String text(MultiValueMap<String, String> sent, String key) {
    String value = Objects.requireNonNullElse(sent.getFirst(key), "");
    return value.length() > LONGEST_TEXT ? value.substring(0, LONGEST_TEXT) : value;
  }

  private static int number(String text) {
    return text.matches("\\d{1,6}") ? Integer.parseInt(text) : 0;
  }

  private static Optional<UUID> id(String text) {
    try {
      return text.isEmpty() ? Optional.empty() : Optional.of(UUID.fromString(text));
    } catch (IllegalArgumentException e) {
      return Optional.empty();
    }
  }

  EntryForm with(List<WordsCheck.Problem> found) {
    Map<String, String> byField = new LinkedHashMap<>();
    for (WordsCheck.Problem p : found) byField.merge(p.field(), p.message(), (a, b) -> a + " " + b);
    return new EntryForm(code, base, draft, typed, byField);
  }

  EntryForm on(int revision) {
    return new EntryForm(code, revision, draft, typed, problems);
  }

  EntryForm from(UUID keptAs) {
    return new EntryForm(code, base, Optional.of(keptAs), typed, problems);
  }

  // ---- for the template ----------------------------------------------------------------------

  public String heading() {
    return code.isEmpty() ? "New exercise" : "Edit: " + value("name");
  }

  public String value(String key) {
    String fact = typed.facts().get(key);
    return fact != null ? fact : typed.words().getOrDefault(key, "");
  }

  public List<String> values(String key) {
    return Arrays.stream(value(key).split(",", -1))
        .map(String::strip)
        .filter(v -> !v.isEmpty())
        .toList();
  }

  /** The first of several, such as the first target. */
  public String first(String key) {
    return values(key).stream().findFirst().orElse("");
  }

  public List<String> rest(String key) {
    return values(key).stream().skip(1).toList();
  }

  /** What goes wrong (0) or its mend (1). */
  public String fault(int number, int part) {
    String[] parts = value("fault-" + number).split("→", -1);
    return parts.length > part ? parts[part].strip() : "";
  }

  /** What the form calls a field. */
  public String label(String key) {
    return TEXTS.stream()
        .filter(t -> t.key().equals(key))
        .map(Text::label)
        .findFirst()
        .orElse(LABELS.getOrDefault(key, key.replace('-', ' ')));
  }

  public String problem(String key) {
    return problems.getOrDefault(key, "");
  }

  /** Every key that a problem can stand beside. */
  public List<String> keys() {
    return Stream.of(
            FACTS.stream(),
            TEXTS.stream().map(Text::key),
            Stream.iterate(1, i -> i <= FAULTS, i -> i + 1).map(i -> "fault-" + i))
        .flatMap(s -> s)
        .toList();
  }
}
