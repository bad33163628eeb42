package org.biokinet.app.session;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Instant;
import java.util.List;
import org.biokinet.app.platform.Cut;

/**
 * What came and could not be counted, because something else had come under its id, or because it
 * could not be read.
 *
 * @param said what it said, as far as people care, in their order
 */
public record Beside(Instant receivedAt, Kind kind, List<Said> said) {

  /** What it was to be. */
  public enum Kind {
    SESSION,
    CHECK_IN,
    FOLLOW_UP
  }

  /** A field of an upload, as it came. */
  public record Said(String field, String value) {}

  private static final List<String> OF_INTEREST =
      List.of(
          "startedAt",
          "ended",
          "reason",
          "painBefore",
          "highestPain",
          "stretchFelt",
          "pain",
          "woken",
          "settled",
          "note");

  /** The longest of a value that is shown; the whole lies in the record. */
  private static final int LONGEST = 200;

  static Beside of(Instant receivedAt, String content, ObjectMapper json) {
    JsonNode sent = read(content, json);
    Kind kind =
        sent.has("kind")
            ? Kind.FOLLOW_UP
            : sent.has("sessionUploadId") ? Kind.CHECK_IN : Kind.SESSION;
    return new Beside(
        receivedAt,
        kind,
        OF_INTEREST.stream()
            .filter(f -> sent.path(f).isValueNode() && !sent.path(f).asText().isBlank())
            .map(f -> new Said(f, Cut.to(LONGEST, sent.path(f).asText())))
            .toList());
  }

  private static JsonNode read(String content, ObjectMapper json) {
    try {
      return json.readTree(content);
    } catch (JsonProcessingException e) {
      return json.missingNode();
    }
  }
}
