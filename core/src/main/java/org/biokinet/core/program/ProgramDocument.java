package org.biokinet.core.program;

import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.document.Fields;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Pace;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.dose.Parsed;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.program.Item.Priority;

/** The open format in which a program is written down; its JSON Schema is in docs/formats. */
public final class ProgramDocument {

  public static final String FORMAT = "biokinet-program";
  public static final int VERSION = 1;

  /** What reading gave. */
  public sealed interface Reading {
    record Ok(Program program) implements Reading {}

    /** Every fault, in the order of the document. */
    record Bad(List<Fault> faults) implements Reading {
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
      Set.of("format", "version", "title", "breathSeconds", "lead", "length", "pacing", "items");
  private static final Set<String> ITEM_KEYS =
      Set.of("exercise", "dose", "position", "order", "lead", "priority", "target");

  private final Catalogue catalogue;
  private final List<Fault> faults = new ArrayList<>();

  private ProgramDocument(Catalogue catalogue) {
    this.catalogue = catalogue;
  }

  /** Reads a document and reports all that is wrong with it at once. */
  public static Reading read(String text, Catalogue catalogue) {
    return new ProgramDocument(catalogue).read(text);
  }

  private Reading read(String text) {
    JsonNode root;
    try {
      root = JSON.readTree(text);
    } catch (JsonProcessingException e) {
      String where = e.getLocation() == null ? "" : " (line " + e.getLocation().getLineNr() + ")";
      return new Reading.Bad(List.of(Fault.of("not JSON: " + e.getOriginalMessage() + where)));
    }
    if (!root.isObject()) {
      return new Reading.Bad(List.of(Fault.of("a program document is a JSON object")));
    }
    unknownKeys(root, KEYS, OptionalInt.empty());
    if (!root.path("format").asText().equals(FORMAT)) {
      fault("format: \"%s\", not %s".formatted(FORMAT, root.path("format")));
    }
    if (!root.path("version").isInt() || root.path("version").asInt() != VERSION) {
      fault("version: %d, not %s".formatted(VERSION, root.path("version")));
    }
    String title = title(root.path("title"));
    double breath = breath(root.path("breathSeconds"));
    Optional<Side> lead = side(root.path("lead"), 0);
    SessionLength length =
        coded(root, "length", OptionalInt.empty(), SessionLength.class).orElse(SessionLength.USUAL);
    Pacing pacing = pacing(root.path("pacing"));
    List<Item> items = items(root.path("items"));
    if (!faults.isEmpty()) return new Reading.Bad(faults);
    return new Reading.Ok(new Program(title, breath, pacing, lead, length, items, Set.of()));
  }

  private String title(JsonNode node) {
    String title = node.isTextual() ? node.asText().strip() : "";
    if (title.isEmpty()) {
      fault("title: a text, not %s".formatted(node.isMissingNode() ? "left out" : node));
    } else if (title.length() > Program.LONGEST_TITLE) {
      fault("title: at most %d characters".formatted(Program.LONGEST_TITLE));
    }
    return title;
  }

  private double breath(JsonNode node) {
    if (node.isMissingNode()) return Pacing.DEFAULT_BREATH_SECONDS;
    double breath = node.isNumber() ? node.asDouble() : 0;
    if (!(breath >= Program.SHORTEST_BREATH && breath <= Program.LONGEST_BREATH)) {
      fault("breathSeconds: a number from 2 to 20, not %s".formatted(node));
    }
    return breath;
  }

  private List<Item> items(JsonNode node) {
    List<Item> items = new ArrayList<>();
    if (!node.isArray() || node.isEmpty()) {
      fault("items: a list of at least one item");
    } else if (node.size() > Program.MOST_ITEMS) {
      fault("items: at most %d, not %d".formatted(Program.MOST_ITEMS, node.size()));
    } else {
      int number = 0;
      for (JsonNode item : node) item(++number, item).ifPresent(items::add);
    }
    return items;
  }

  private Optional<Item> item(int number, JsonNode node) {
    if (!node.isObject()) {
      faults.add(Fault.at(number, "an object with exercise and dose, not " + node));
      return Optional.empty();
    }
    int before = faults.size();
    unknownKeys(node, ITEM_KEYS, OptionalInt.of(number));
    String id = node.path("exercise").asText();
    Optional<Exercise> exercise = catalogue.find(id);
    if (exercise.isEmpty()) {
      faults.add(
          Fault.at(
              number,
              "exercise: %s is not in the catalogue; 'biokinet catalogue' lists all"
                  .formatted(
                      node.path("exercise").isMissingNode() ? "nothing" : "\"" + id + "\"")));
      return Optional.empty();
    }
    Optional<Dose> dose = dose(number, "dose", node, exercise.get());
    Optional<Dose> target =
        node.has("target") ? dose(number, "target", node, exercise.get()) : Optional.empty();
    Position position = position(number, node.path("position"), exercise.get());
    Optional<Order> order = order(number, node, exercise.get());
    Optional<Side> lead = side(node.path("lead"), number);
    Priority priority =
        coded(node, "priority", OptionalInt.of(number), Priority.class).orElse(Priority.NORMAL);
    if (faults.size() > before) return Optional.empty();
    return dose.map(d -> new Item(exercise.get(), d, position, order, lead, priority, target));
  }

  private Optional<Dose> dose(int number, String key, JsonNode item, Exercise exercise) {
    JsonNode node = item.path(key);
    if (!node.isTextual()) {
      faults.add(
          Fault.at(
              number,
              "%s: a text such as \"%s\"".formatted(key, DoseNotation.format(exercise.start()))));
      return Optional.empty();
    }
    Parsed parsed = DoseNotation.parse(node.asText(), exercise.doseContext());
    if (parsed instanceof Parsed.Fault f) {
      String fixes =
          f.fixes().isEmpty() ? "" : " (would be right: " + String.join(" or ", f.fixes()) + ")";
      faults.add(Fault.at(number, "%s %s: %s%s".formatted(key, node, f.message(), fixes)));
      return Optional.empty();
    }
    return Optional.of(((Parsed.Understood) parsed).dose());
  }

  private Position position(int number, JsonNode node, Exercise exercise) {
    if (node.isMissingNode()) return exercise.usualPosition();
    Optional<Position> position =
        Coded.find(Position.class, node.asText()).filter(exercise.positions()::contains);
    if (position.isEmpty()) {
      String right = String.join(", ", exercise.positions().stream().map(Position::code).toList());
      faults.add(
          Fault.at(
              number, "position: %s is done in %s, not %s".formatted(exercise.id(), right, node)));
    }
    return position.orElse(exercise.usualPosition());
  }

  private Optional<Order> order(int number, JsonNode node, Exercise exercise) {
    Optional<Order> order = coded(node, "order", OptionalInt.of(number), Order.class);
    if (order.isPresent() && !exercise.sided()) {
      faults.add(Fault.at(number, "order: %s has no sides".formatted(exercise.id())));
    }
    return order;
  }

  private <T extends Enum<T> & Coded> Optional<T> coded(
      JsonNode parent, String key, OptionalInt item, Class<T> type) {
    JsonNode node = parent.path(key);
    if (node.isMissingNode()) return Optional.empty();
    Optional<T> value = node.isTextual() ? Coded.find(type, node.asText()) : Optional.empty();
    if (value.isEmpty()) {
      faults.add(new Fault(item, "%s: %s, not %s".formatted(key, Coded.codes(type), node)));
    }
    return value;
  }

  private Pacing pacing(JsonNode node) {
    Map<Pace, Integer> changed = new EnumMap<>(Pace.class);
    if (!node.isMissingNode() && !node.isObject()) {
      fault("pacing: an object such as {\"setUp\": 6}, not %s".formatted(node));
    }
    int before = faults.size();
    for (Iterator<String> names = node.fieldNames(); names.hasNext(); ) {
      String name = names.next();
      Optional<Pace> pace = Coded.find(Pace.class, name);
      if (pace.isEmpty()) {
        fault("pacing: %s, not \"%s\"".formatted(Coded.codes(Pace.class), name));
      } else if (!node.path(name).isInt()) {
        fault("pacing %s: whole seconds, not %s".formatted(name, node.path(name)));
      } else {
        changed.put(pace.get(), node.path(name).asInt());
      }
    }
    if (faults.size() > before) return Pacing.DEFAULT;
    try {
      return Pacing.of(changed);
    } catch (IllegalArgumentException e) {
      fault("pacing: " + e.getMessage());
      return Pacing.DEFAULT;
    }
  }

  private Optional<Side> side(JsonNode node, int number) {
    if (node.isMissingNode()) return Optional.empty();
    Optional<Side> side =
        switch (node.asText()) {
          case "left" -> Optional.of(Side.LEFT);
          case "right" -> Optional.of(Side.RIGHT);
          default -> Optional.empty();
        };
    if (side.isEmpty()) {
      String message = "lead: left or right, not %s".formatted(node);
      faults.add(number == 0 ? Fault.of(message) : Fault.at(number, message));
    }
    return side;
  }

  private void unknownKeys(JsonNode node, Set<String> known, OptionalInt item) {
    for (Iterator<String> names = node.fieldNames(); names.hasNext(); ) {
      String name = names.next();
      if (!known.contains(name)) {
        faults.add(new Fault(item, "\"%s\" is unknown".formatted(name)));
      }
    }
  }

  private void fault(String message) {
    faults.add(Fault.of(message));
  }

  /** Writes a program; reading it back gives an equal program. */
  public static String write(Program program) {
    return node(program).toPrettyString();
  }

  /** The same as a part of another document. */
  public static ObjectNode node(Program program) {
    ObjectNode root = JSON.createObjectNode();
    root.put("format", FORMAT).put("version", VERSION).put("title", program.title());
    root.put("breathSeconds", program.breathSeconds());
    program.lead().ifPresent(s -> root.put("lead", Fields.code(s)));
    if (program.length() != SessionLength.USUAL) root.put("length", program.length().code());
    Map<Pace, Integer> changes = program.pacing().changes();
    if (!changes.isEmpty()) {
      ObjectNode pacing = root.putObject("pacing");
      changes.forEach((pace, seconds) -> pacing.put(pace.code(), seconds));
    }
    ArrayNode items = root.putArray("items");
    for (Item item : program.items()) {
      ObjectNode node = items.addObject();
      node.put("exercise", item.exercise().id());
      node.put("dose", DoseNotation.format(item.dose()));
      node.put("position", item.position().code());
      item.order().ifPresent(o -> node.put("order", o.code()));
      item.lead().ifPresent(s -> node.put("lead", Fields.code(s)));
      if (item.priority() != Priority.NORMAL) node.put("priority", item.priority().code());
      item.target().ifPresent(t -> node.put("target", DoseNotation.format(t)));
    }
    return root;
  }
}
