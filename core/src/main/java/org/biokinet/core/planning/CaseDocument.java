package org.biokinet.core.planning;

import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Intent;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.SidedMotion;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.Bounds;
import org.biokinet.core.dose.TenPoint;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.ledger.Band;
import org.biokinet.core.measure.Finding;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramDocument;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.Assessment;
import org.biokinet.core.screening.Condition;
import org.biokinet.core.screening.Irritability;
import org.biokinet.core.screening.Screening;
import org.jspecify.annotations.Nullable;

/**
 * The open format in which a case is written down; its JSON Schema is in docs/formats. Items and
 * programs in it are those of {@link ProgramDocument}.
 */
public final class CaseDocument {

  public static final String FORMAT = "biokinet-case";
  public static final int VERSION = 1;

  /** Our choice. */
  private static final int MOST_FINDINGS = 40;

  private static final int MOST_TARGETS = 20;
  private static final int LONGEST_TEXT = 120;
  private static final double HEAVIEST = 1000;

  /** What reading gave. */
  public sealed interface Reading {
    record Ok(Case read) implements Reading {}

    /** Every fault, in the order of the document. */
    record Bad(List<String> faults) implements Reading {
      public Bad {
        faults = List.copyOf(faults);
      }
    }
  }

  private static final ObjectMapper JSON =
      JsonMapper.builder()
          .enable(JsonParser.Feature.STRICT_DUPLICATE_DETECTION)
          .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
          .build();

  private static final Set<String> KEYS =
      Set.of(
          "format",
          "version",
          "findings",
          "screening",
          "positions",
          "equipment",
          "minutes",
          "timesADay",
          "breathSeconds",
          "pacing",
          "band",
          "preferences",
          "avoided",
          "pinch",
          "pinned",
          "inForce",
          "program",
          "beside");
  private static final Set<String> FINDING_KEYS =
      Set.of("code", "kind", "title", "weight", "targets");
  private static final Set<String> TISSUE_KEYS = Set.of("intent", "tissue", "side");
  private static final Set<String> MOTION_KEYS = Set.of("motion", "toward");
  private static final Set<String> SCREENING_KEYS =
      Set.of("settles", "easilyProvoked", "provokedPain", "worstPain", "armSymptoms", "conditions");
  private static final Set<String> CONDITION_KEYS = Set.of("code", "side");
  private static final Set<String> PREFERENCE_KEYS =
      Set.of("counting", "contractRelax", "circles", "mostItems");

  private final Catalogue catalogue;
  private final List<String> faults = new ArrayList<>();

  private CaseDocument(Catalogue catalogue) {
    this.catalogue = catalogue;
  }

  /** Reads a document and reports all that is wrong with it at once. */
  public static Reading read(String text, Catalogue catalogue) {
    return new CaseDocument(catalogue).read(text);
  }

  private Reading read(String text) {
    JsonNode root;
    try {
      root = JSON.readTree(text);
    } catch (JsonProcessingException e) {
      String where = e.getLocation() == null ? "" : " (line " + e.getLocation().getLineNr() + ")";
      return new Reading.Bad(List.of("not JSON: " + e.getOriginalMessage() + where));
    }
    if (!root.isObject()) return new Reading.Bad(List.of("a case is a JSON object"));
    known("", root, KEYS);
    if (!root.path("format").asText().equals(FORMAT)) {
      faults.add("format: \"%s\", not %s".formatted(FORMAT, root.path("format")));
    }
    if (!root.path("version").isInt() || root.path("version").asInt() != VERSION) {
      faults.add("version: %d, not %s".formatted(VERSION, root.path("version")));
    }
    List<Finding> findings = findings(root.path("findings"));
    Optional<Screening> screening = screening(root.path("screening"));
    Set<Position> positions = codes(root, "positions", Position.class);
    if (positions.isEmpty()) faults.add("positions: a list of at least one");
    Set<Equipment> equipment = codes(root, "equipment", Equipment.class);
    ProgramKind kind = coded("", root, "program", ProgramKind.class, ProgramKind.MAIN);
    int minutes = whole("", root, "minutes", 1, kind.mostMinutes(), null);
    int times = whole("", root, "timesADay", 1, Bounds.PER_DAY.most(), 1);
    Band band = coded("", root, "band", Band.class, Band.ACSM);
    Preferences preferences = preferences(root.path("preferences"));
    Set<String> avoided = avoided(root.path("avoided"));
    Set<Side> pinch = sides(root.path("pinch"));
    Optional<Program> frame = frame(root);
    List<Item> pinned = pinned(root);
    Optional<Program> inForce = stored("inForce: ", root.path("inForce"));
    Optional<Program> beside = stored("beside: ", root.path("beside"));
    Optional<Means> means =
        positions.isEmpty() ? Optional.empty() : kind.within(new Means(positions, equipment));
    if (means.isEmpty() && !positions.isEmpty()) {
      faults.add("positions: a desk program is done on a chair or standing");
    }
    if (!faults.isEmpty()) return new Reading.Bad(faults);
    Program basis = frame.orElseThrow();
    Allowed allowed =
        new Allowed(
            Assessment.of(screening.orElseThrow(), Optional.empty()),
            means.orElseThrow(),
            basis.breathSeconds());
    return new Reading.Ok(
        new Case(
            kind,
            findings,
            allowed,
            minutes,
            times,
            basis.pacing(),
            band,
            preferences,
            avoided,
            pinch,
            pinned,
            inForce,
            beside.map(Program::items).orElse(List.of())));
  }

  // ---- findings ----------------------------------------------------------------------------

  private List<Finding> findings(JsonNode node) {
    List<Finding> findings = new ArrayList<>();
    if (!node.isArray() || node.isEmpty() || node.size() > MOST_FINDINGS) {
      faults.add("findings: a list of 1 to %d findings".formatted(MOST_FINDINGS));
      return findings;
    }
    int number = 0;
    for (JsonNode f : node) finding("finding " + ++number + ": ", f).ifPresent(findings::add);
    return findings;
  }

  private Optional<Finding> finding(String where, JsonNode node) {
    if (!object(where, node, FINDING_KEYS)) return Optional.empty();
    int before = faults.size();
    String code = text(where, node, "code");
    String title = node.has("title") ? text(where, node, "title") : code;
    Finding.Kind kind = coded(where, node, "kind", Finding.Kind.class, null);
    double weight = node.path("weight").isNumber() ? node.path("weight").asDouble() : -1;
    if (!(weight > 0 && weight <= HEAVIEST)) {
      faults.add(
          "%sweight: a number above 0, at most %.0f, not %s"
              .formatted(where, HEAVIEST, shown(node.path("weight"))));
    }
    List<Finding.Target> targets = new ArrayList<>();
    JsonNode given = node.path("targets");
    if (!given.isArray() || given.size() > MOST_TARGETS) {
      faults.add("%stargets: a list of at most %d".formatted(where, MOST_TARGETS));
    }
    int number = 0;
    for (JsonNode t : given) {
      target(where + "target " + ++number + ": ", t).ifPresent(targets::add);
    }
    if (faults.size() > before) return Optional.empty();
    return Optional.of(new Finding(code, kind, title, "", targets, weight));
  }

  private Optional<Finding.Target> target(String where, JsonNode node) {
    int before = faults.size();
    if (node.has("motion")) {
      if (!object(where, node, MOTION_KEYS)) return Optional.empty();
      SidedMotion motion = coded(where, node, "motion", SidedMotion.class, null);
      Optional<Side> toward = side(where, node, "toward");
      if (toward.isEmpty() && faults.size() == before) {
        faults.add(where + "toward: left or right, not nothing");
      }
      if (faults.size() > before) return Optional.empty();
      return Optional.of(new Finding.Target.OfMotion(motion, toward.orElseThrow()));
    }
    if (!object(where, node, TISSUE_KEYS)) return Optional.empty();
    Intent intent = coded(where, node, "intent", Intent.class, null);
    Tissue tissue = coded(where, node, "tissue", Tissue.class, null);
    Optional<Side> side = side(where, node, "side");
    if (faults.size() > before) return Optional.empty();
    return Optional.of(new Finding.Target.OfTissue(intent, tissue, side));
  }

  // ---- screening ---------------------------------------------------------------------------

  private Optional<Screening> screening(JsonNode node) {
    String where = "screening: ";
    if (!object(where, node, SCREENING_KEYS)) return Optional.empty();
    int before = faults.size();
    Irritability.Settles settles = coded(where, node, "settles", Irritability.Settles.class, null);
    boolean easily = flag(where, node, "easilyProvoked");
    boolean arm = flag(where, node, "armSymptoms");
    int worst = whole(where, node, "worstPain", 0, TenPoint.MOST, null);
    OptionalInt provoked =
        node.has("provokedPain")
            ? OptionalInt.of(whole(where, node, "provokedPain", 0, TenPoint.MOST, null))
            : OptionalInt.empty();
    Map<Condition, Optional<Side>> conditions = conditions(node.path("conditions"));
    if (faults.size() > before) return Optional.empty();
    return Optional.of(
        new Screening(
            Set.of(),
            Set.of(),
            worst,
            arm,
            settles,
            easily,
            provoked,
            conditions,
            "",
            "",
            "",
            false,
            false));
  }

  private Map<Condition, Optional<Side>> conditions(JsonNode node) {
    Map<Condition, Optional<Side>> conditions = new EnumMap<>(Condition.class);
    if (!node.isMissingNode() && !node.isArray()) faults.add("screening: conditions: a list");
    int number = 0;
    for (JsonNode one : node) {
      String where = "condition " + ++number + ": ";
      if (!object(where, one, CONDITION_KEYS)) continue;
      int before = faults.size();
      Condition condition = coded(where, one, "code", Condition.class, null);
      Optional<Side> side = side(where, one, "side");
      if (faults.size() > before) continue;
      if (side.isPresent() && !condition.sided()) {
        faults.add(where + condition.code() + " has no side");
      }
      conditions.put(condition, side);
    }
    return conditions;
  }

  // ---- the rest ----------------------------------------------------------------------------

  private Preferences preferences(JsonNode node) {
    if (node.isMissingNode()) return Preferences.USUAL;
    String where = "preferences: ";
    if (!object(where, node, PREFERENCE_KEYS)) return Preferences.USUAL;
    Preferences usual = Preferences.USUAL;
    return new Preferences(
        coded(where, node, "counting", Preferences.Counting.class, usual.counting()),
        flag(where, node, "contractRelax"),
        flag(where, node, "circles"),
        whole(where, node, "mostItems", 1, Preferences.MOST, usual.mostItems()));
  }

  private Set<String> avoided(JsonNode node) {
    Set<String> avoided = new HashSet<>();
    if (!node.isMissingNode() && !node.isArray()) faults.add("avoided: a list of exercises");
    for (JsonNode id : node) {
      if (catalogue.find(id.asText()).isEmpty()) {
        faults.add("avoided: %s is not in the catalogue".formatted(id));
      }
      avoided.add(id.asText());
    }
    return avoided;
  }

  private Set<Side> sides(JsonNode node) {
    Set<Side> sides = EnumSet.noneOf(Side.class);
    if (!node.isMissingNode() && !node.isArray()) faults.add("pinch: a list of sides");
    for (JsonNode side : node) {
      Optional<Side> found = side(side);
      if (found.isEmpty()) faults.add("pinch: left or right, not " + side);
      found.ifPresent(sides::add);
    }
    return sides;
  }

  /** Breath and pacing, as a program has them. */
  private Optional<Program> frame(JsonNode root) {
    ObjectNode document = document("frame");
    copy(root, document, "breathSeconds");
    copy(root, document, "pacing");
    ObjectNode any = document.putArray("items").addObject();
    any.put("exercise", catalogue.all().get(0).id()).put("dose", "3br");
    return program("", document);
  }

  private List<Item> pinned(JsonNode root) {
    JsonNode items = root.path("pinned");
    if (items.isMissingNode() || (items.isArray() && items.isEmpty())) return List.of();
    ObjectNode document = document("pinned");
    document.set("items", items);
    return program("pinned ", document).map(Program::items).orElse(List.of());
  }

  private Optional<Program> stored(String where, JsonNode node) {
    return node.isMissingNode() ? Optional.empty() : program(where, node);
  }

  private Optional<Program> program(String where, JsonNode document) {
    ProgramDocument.Reading reading = ProgramDocument.read(document.toString(), catalogue);
    if (reading instanceof ProgramDocument.Reading.Ok ok) return Optional.of(ok.program());
    ((ProgramDocument.Reading.Bad) reading).faults().forEach(f -> faults.add(where + f));
    return Optional.empty();
  }

  private static ObjectNode document(String title) {
    ObjectNode document = JSON.createObjectNode();
    document.put("format", ProgramDocument.FORMAT).put("version", ProgramDocument.VERSION);
    return document.put("title", title);
  }

  private static void copy(JsonNode from, ObjectNode to, String key) {
    if (from.has(key)) to.set(key, from.get(key));
  }

  // ---- values ------------------------------------------------------------------------------

  private boolean object(String where, JsonNode node, Set<String> keys) {
    if (!node.isObject()) {
      faults.add("%san object, not %s".formatted(where, shown(node)));
      return false;
    }
    known(where, node, keys);
    return true;
  }

  private void known(String where, JsonNode node, Set<String> keys) {
    for (Iterator<String> names = node.fieldNames(); names.hasNext(); ) {
      String name = names.next();
      if (!keys.contains(name)) faults.add("%s\"%s\" is unknown".formatted(where, name));
    }
  }

  private String text(String where, JsonNode node, String key) {
    String text = node.path(key).isTextual() ? node.path(key).asText().strip() : "";
    if (text.isEmpty() || text.length() > LONGEST_TEXT) {
      faults.add(
          "%s%s: a text of 1 to %d characters, not %s"
              .formatted(where, key, LONGEST_TEXT, shown(node.path(key))));
    }
    return text;
  }

  private boolean flag(String where, JsonNode node, String key) {
    JsonNode flag = node.path(key);
    if (!flag.isMissingNode() && !flag.isBoolean()) {
      faults.add("%s%s: true or false, not %s".formatted(where, key, flag));
    }
    return flag.asBoolean();
  }

  /**
   * @param usual where it is left out; null where it must not be
   */
  private int whole(
      String where, JsonNode node, String key, int least, int most, @Nullable Integer usual) {
    JsonNode value = node.path(key);
    if (value.isMissingNode() && usual != null) return usual;
    if (value.isInt() && value.asInt() >= least && value.asInt() <= most) return value.asInt();
    faults.add(
        "%s%s: a whole number from %d to %d, not %s"
            .formatted(where, key, least, most, shown(value)));
    return least;
  }

  /**
   * @param usual where it is left out; null where it must not be
   */
  private <T extends Enum<T> & Coded> T coded(
      String where, JsonNode node, String key, Class<T> type, @Nullable T usual) {
    JsonNode value = node.path(key);
    if (value.isMissingNode() && usual != null) return usual;
    Optional<T> found = value.isTextual() ? Coded.find(type, value.asText()) : Optional.empty();
    if (found.isEmpty()) {
      faults.add("%s%s: %s, not %s".formatted(where, key, Coded.codes(type), shown(value)));
    }
    return found.orElse(type.getEnumConstants()[0]);
  }

  private <T extends Enum<T> & Coded> Set<T> codes(JsonNode root, String key, Class<T> type) {
    Set<T> all = EnumSet.noneOf(type);
    JsonNode node = root.path(key);
    if (!node.isMissingNode() && !node.isArray()) faults.add(key + ": a list");
    for (JsonNode one : node) {
      Optional<T> found = one.isTextual() ? Coded.find(type, one.asText()) : Optional.empty();
      if (found.isEmpty()) {
        faults.add("%s: %s, not %s".formatted(key, Coded.codes(type), one));
      }
      found.ifPresent(all::add);
    }
    return all;
  }

  private Optional<Side> side(String where, JsonNode node, String key) {
    JsonNode value = node.path(key);
    if (value.isMissingNode()) return Optional.empty();
    Optional<Side> side = side(value);
    if (side.isEmpty()) faults.add("%s%s: left or right, not %s".formatted(where, key, value));
    return side;
  }

  private static Optional<Side> side(JsonNode value) {
    return switch (value.asText()) {
      case "left" -> Optional.of(Side.LEFT);
      case "right" -> Optional.of(Side.RIGHT);
      default -> Optional.empty();
    };
  }

  private static String shown(JsonNode node) {
    return node.isMissingNode() ? "nothing" : node.toString();
  }
}
