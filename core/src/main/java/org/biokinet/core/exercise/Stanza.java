package org.biokinet.core.exercise;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * One entry of the catalogue's own text format: an id at the margin, below it indented {@code key:
 * value} lines. Blank lines and lines that start with {@code #} are skipped.
 */
public record Stanza(String id, Map<String, String> values) {

  public Stanza {
    values = Collections.unmodifiableMap(new LinkedHashMap<>(values));
  }

  public static Map<String, Stanza> readAll(String text) {
    Map<String, Stanza> all = new LinkedHashMap<>();
    String id = "";
    Map<String, String> values = new LinkedHashMap<>();
    int number = 0;
    for (String line : text.split("\n", -1)) {
      number++;
      if (line.isBlank() || line.startsWith("#")) continue;
      if (!Character.isWhitespace(line.charAt(0))) {
        if (!id.isEmpty()) all.put(id, new Stanza(id, values));
        id = line.strip();
        values = new LinkedHashMap<>();
        if (all.containsKey(id)) throw new CatalogueException(id + " stands twice");
        continue;
      }
      int colon = line.indexOf(':');
      if (colon < 0 || id.isEmpty()) {
        throw new CatalogueException("line " + number + " is not 'key: value': " + line.strip());
      }
      String key = line.substring(0, colon).strip();
      if (values.put(key, line.substring(colon + 1).strip()) != null) {
        throw new CatalogueException(id + " says " + key + " twice");
      }
    }
    if (!id.isEmpty()) all.put(id, new Stanza(id, values));
    return all;
  }

  public String write() {
    StringBuilder out = new StringBuilder(id).append('\n');
    values.forEach((k, v) -> out.append("  ").append(k).append(": ").append(v).append('\n'));
    return out.toString();
  }

  public Optional<String> optional(String key) {
    return Optional.ofNullable(values.get(key));
  }

  public String required(String key) {
    return optional(key).orElseThrow(() -> new CatalogueException(id + " does not say its " + key));
  }

  public List<String> list(String key) {
    return optional(key)
        .map(v -> Arrays.stream(v.split(",")).map(String::strip).toList())
        .orElseGet(ArrayList::new);
  }
}
