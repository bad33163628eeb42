package org.biokinet.app.session;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import org.biokinet.app.platform.Secrets;

/** Something that a client's device has sent under an id of its own. */
public sealed interface Sent<T> {

  UUID uploadId();

  /**
   * What was sent, in a form of its own: a field more in a later player, another order, or saying
   * nothing in another way is no other content.
   */
  String content();

  /** Of the content, 64 characters. */
  default String hash() {
    return Secrets.hash(content());
  }

  /** An upload that could be read. */
  record Read<T>(UUID uploadId, String content, T upload) implements Sent<T> {}

  /**
   * One that could not, or not all of it; kept as it came.
   *
   * @param why what was wrong, for people
   * @param stopped whether it said that the client has stopped
   * @param reason the client's words about that, as far as there were any
   */
  record Unread<T>(UUID uploadId, String content, String why, boolean stopped, String reason)
      implements Sent<T> {}

  /** Fields in the order of their names; without those that say nothing. */
  static String canonical(JsonNode node) {
    if (node.isObject()) {
      Map<String, String> fields = new TreeMap<>();
      for (Map.Entry<String, JsonNode> f : node.properties()) {
        boolean silent =
            f.getValue().isNull() || (f.getValue().isArray() && f.getValue().isEmpty());
        if (!silent) fields.put(f.getKey(), canonical(f.getValue()));
      }
      return fields.entrySet().stream()
          .map(f -> "\"%s\":%s".formatted(f.getKey(), f.getValue()))
          .collect(Collectors.joining(",", "{", "}"));
    }
    if (node.isArray()) {
      StringBuilder all = new StringBuilder("[");
      for (JsonNode each : node) all.append(all.length() > 1 ? "," : "").append(canonical(each));
      return all.append(']').toString();
    }
    return node.toString();
  }
}
