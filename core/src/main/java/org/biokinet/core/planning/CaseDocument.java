package org.biokinet.core.planning;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Intent;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.SidedMotion;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.document.Fields;
import org.biokinet.core.dose.Bounds;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.ledger.Band;
import org.biokinet.core.measure.Finding;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramDocument;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.Assessment;
import org.biokinet.core.screening.ScreeningDocument;

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
  private static final Set<String> PREFERENCE_KEYS =
      Set.of("counting", "contractRelax", "circles", "mostItems");

  private final Catalogue catalogue;
  private final Fields fields = new Fields();
  private final List<String> faults = fields.faults();

  private CaseDocument(Catalogue catalogue) {
    this.catalogue = catalogue;
  }

  /** Reads a document and reports all that is wrong with it at once. */
  public static Reading read(String text, Catalogue catalogue) {
    return new CaseDocument(catalogue).read(text);
  }

  private Reading read(String text) {
    Optional<JsonNode> read = fields.root(text, "case", FORMAT, VERSION);
    if (read.isEmpty()) return new Reading.Bad(faults);
    JsonNode root = read.get();
    fields.known("", root, KEYS);
    List<Finding> findings = findings(root.path("findings"));
    Optional<Assessment> screening = ScreeningDocument.read(fields, root.path("screening"));
    Set<Position> positions = fields.codes(root, "positions", Position.class);
    if (positions.isEmpty()) faults.add("positions: a list of at least one");
    Set<Equipment> equipment = fields.codes(root, "equipment", Equipment.class);
    ProgramKind kind = fields.coded("", root, "program", ProgramKind.class, ProgramKind.MAIN);
    int minutes = fields.whole("", root, "minutes", 1, kind.mostMinutes(), null);
    int times = fields.whole("", root, "timesADay", 1, Bounds.PER_DAY.most(), 1);
    Band band = fields.coded("", root, "band", Band.class, Band.ACSM);
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
        new Allowed(screening.orElseThrow(), means.orElseThrow(), basis.breathSeconds());
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
    if (!fields.object(where, node, FINDING_KEYS)) return Optional.empty();
    int before = faults.size();
    String code = fields.text(where, node, "code");
    String title = node.has("title") ? fields.text(where, node, "title") : code;
    Finding.Kind kind = fields.coded(where, node, "kind", Finding.Kind.class, null);
    double weight = node.path("weight").isNumber() ? node.path("weight").asDouble() : -1;
    if (!(weight > 0 && weight <= HEAVIEST)) {
      faults.add(
          "%sweight: a number above 0, at most %.0f, not %s"
              .formatted(where, HEAVIEST, Fields.shown(node.path("weight"))));
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
      if (!fields.object(where, node, MOTION_KEYS)) return Optional.empty();
      SidedMotion motion = fields.coded(where, node, "motion", SidedMotion.class, null);
      Optional<Side> toward = fields.side(where, node, "toward");
      if (toward.isEmpty() && faults.size() == before) {
        faults.add(where + "toward: left or right, not nothing");
      }
      if (faults.size() > before) return Optional.empty();
      return Optional.of(new Finding.Target.OfMotion(motion, toward.orElseThrow()));
    }
    if (!fields.object(where, node, TISSUE_KEYS)) return Optional.empty();
    Intent intent = fields.coded(where, node, "intent", Intent.class, null);
    Tissue tissue = fields.coded(where, node, "tissue", Tissue.class, null);
    Optional<Side> side = fields.side(where, node, "side");
    if (faults.size() > before) return Optional.empty();
    return Optional.of(new Finding.Target.OfTissue(intent, tissue, side));
  }

  // ---- the rest ----------------------------------------------------------------------------

  private Preferences preferences(JsonNode node) {
    if (node.isMissingNode()) return Preferences.USUAL;
    String where = "preferences: ";
    if (!fields.object(where, node, PREFERENCE_KEYS)) return Preferences.USUAL;
    Preferences usual = Preferences.USUAL;
    return new Preferences(
        fields.coded(where, node, "counting", Preferences.Counting.class, usual.counting()),
        fields.flag(where, node, "contractRelax"),
        fields.flag(where, node, "circles"),
        fields.whole(where, node, "mostItems", 1, Preferences.MOST, usual.mostItems()));
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
      Optional<Side> found = Fields.side(side);
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
    ObjectNode document = JsonNodeFactory.instance.objectNode();
    document.put("format", ProgramDocument.FORMAT).put("version", ProgramDocument.VERSION);
    return document.put("title", title);
  }

  private static void copy(JsonNode from, ObjectNode to, String key) {
    if (from.has(key)) to.set(key, from.get(key));
  }
}
