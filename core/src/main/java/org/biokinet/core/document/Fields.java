package org.biokinet.core.document;

import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.json.JsonMapper;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.function.Function;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Side;
import org.jspecify.annotations.Nullable;

/**
 * Reads the values of a document and gathers all that is wrong with them. Where a value is wrong a
 * fault is added and something harmless returned: nothing is made of a document with faults.
 */
public final class Fields {

  private static final ObjectMapper JSON =
      JsonMapper.builder()
          .enable(JsonParser.Feature.STRICT_DUPLICATE_DETECTION)
          .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
          .build();

  /** Our choice. */
  private static final int LONGEST_TEXT = 120;

  private final List<String> faults = new ArrayList<>();

  /** All that was found so far, in the order of the document; what else is wrong is added here. */
  public List<String> faults() {
    return faults;
  }

  /**
   * An object with a format and a version of its own.
   *
   * @param what it is, for people
   */
  public Optional<JsonNode> root(String text, String what, String format, int version) {
    JsonNode root;
    try {
      root = JSON.readTree(text);
    } catch (JsonProcessingException e) {
      String where = e.getLocation() == null ? "" : " (line " + e.getLocation().getLineNr() + ")";
      faults.add("not JSON: " + e.getOriginalMessage() + where);
      return Optional.empty();
    }
    if (!root.isObject()) {
      faults.add("a %s is a JSON object".formatted(what));
      return Optional.empty();
    }
    if (!root.path("format").asText().equals(format)) {
      faults.add("format: \"%s\", not %s".formatted(format, root.path("format")));
    }
    if (!root.path("version").isInt() || root.path("version").asInt() != version) {
      faults.add("version: %d, not %s".formatted(version, root.path("version")));
    }
    return Optional.of(root);
  }

  /** Whether it is an object; fields that are not known are faults. */
  public boolean object(String where, JsonNode node, Set<String> keys) {
    if (!node.isObject()) {
      faults.add("%san object, not %s".formatted(where, shown(node)));
      return false;
    }
    known(where, node, keys);
    return true;
  }

  public void known(String where, JsonNode node, Set<String> keys) {
    for (Iterator<String> names = node.fieldNames(); names.hasNext(); ) {
      String name = names.next();
      if (!keys.contains(name)) faults.add("%s\"%s\" is unknown".formatted(where, name));
    }
  }

  public String text(String where, JsonNode node, String key) {
    String text = node.path(key).isTextual() ? node.path(key).asText().strip() : "";
    if (text.isEmpty() || text.length() > LONGEST_TEXT) {
      faults.add(
          "%s%s: a text of 1 to %d characters, not %s"
              .formatted(where, key, LONGEST_TEXT, shown(node.path(key))));
    }
    return text;
  }

  /** False where it is left out. */
  public boolean flag(String where, JsonNode node, String key) {
    JsonNode flag = node.path(key);
    if (!flag.isMissingNode() && !flag.isBoolean()) {
      faults.add("%s%s: true or false, not %s".formatted(where, key, flag));
    }
    return flag.asBoolean();
  }

  /**
   * @param usual where it is left out; null where it must not be
   */
  public int whole(
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
  public <T extends Enum<T> & Coded> T coded(
      String where, JsonNode node, String key, Class<T> type, @Nullable T usual) {
    JsonNode value = node.path(key);
    if (value.isMissingNode() && usual != null) return usual;
    Optional<T> found = value.isTextual() ? Coded.find(type, value.asText()) : Optional.empty();
    if (found.isEmpty()) {
      faults.add("%s%s: %s, not %s".formatted(where, key, Coded.codes(type), shown(value)));
    }
    return found.orElse(type.getEnumConstants()[0]);
  }

  public <T extends Enum<T> & Coded> Set<T> codes(JsonNode root, String key, Class<T> type) {
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

  public Optional<Side> side(String where, JsonNode node, String key) {
    JsonNode value = node.path(key);
    if (value.isMissingNode()) return Optional.empty();
    Optional<Side> side = side(value);
    if (side.isEmpty()) faults.add("%s%s: left or right, not %s".formatted(where, key, value));
    return side;
  }

  public static Optional<Side> side(JsonNode value) {
    return switch (value.asText()) {
      case "left" -> Optional.of(Side.LEFT);
      case "right" -> Optional.of(Side.RIGHT);
      default -> Optional.empty();
    };
  }

  /** The reverse of {@link #side(JsonNode)}. */
  public static String code(Side side) {
    return side == Side.LEFT ? "left" : "right";
  }

  public static String shown(JsonNode node) {
    return node.isMissingNode() ? "nothing" : node.toString();
  }

  /** A moment with its distance from UTC. */
  public Instant moment(String where, JsonNode node, String key) {
    return parsed(
        where,
        node,
        key,
        "a moment such as 2026-11-27T08:00:00Z",
        Instant.EPOCH,
        t -> OffsetDateTime.parse(t).toInstant());
  }

  /** The same; empty where it is left out. */
  public Optional<Instant> momentOrNone(String where, JsonNode node, String key) {
    return node.has(key) ? Optional.of(moment(where, node, key)) : Optional.empty();
  }

  public LocalDate day(String where, JsonNode node, String key) {
    return parsed(where, node, key, "a day such as 2026-11-27", LocalDate.EPOCH, LocalDate::parse);
  }

  /**
   * A text that is more than that.
   *
   * @param form what it is to be, for people
   * @param read throws a runtime exception of its own where it is not
   */
  public <T> T parsed(
      String where, JsonNode node, String key, String form, T otherwise, Function<String, T> read) {
    JsonNode value = node.path(key);
    if (value.isTextual()) {
      try {
        return read.apply(value.asText());
      } catch (DateTimeException | IllegalArgumentException e) {
        // said below
      }
    }
    faults.add("%s%s: %s, not %s".formatted(where, key, form, shown(value)));
    return otherwise;
  }

  /**
   * Each of a list that can be left out.
   *
   * @param one what each is, for people: "session 3: "
   * @param read told where it stands
   */
  public void each(JsonNode root, String key, String one, BiConsumer<String, JsonNode> read) {
    JsonNode list = root.path(key);
    if (!list.isMissingNode() && !list.isArray()) faults.add(key + ": a list");
    int number = 0;
    for (JsonNode node : list) read.accept("%s %d: ".formatted(one, ++number), node);
  }
}
