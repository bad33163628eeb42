package org.biokinet.app.session.web;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.validation.Validator;
import java.util.Comparator;
import java.util.UUID;
import org.biokinet.app.platform.BadUpload;
import org.biokinet.app.session.Sent;
import org.biokinet.core.session.Ended;
import org.springframework.stereotype.Component;

/** Reads what a client's device sends, as it was sent. */
@Component
class Uploads {

  private final ObjectMapper json;
  private final Validator validator;

  Uploads(ObjectMapper json, Validator validator) {
    this.json = json;
    this.validator = validator;
  }

  /**
   * @throws BadUpload when it has no id: then it is no upload at all
   */
  <T> Sent<T> read(JsonNode sent, Class<T> type) {
    UUID id;
    try {
      id = UUID.fromString(sent.path("uploadId").asText());
    } catch (IllegalArgumentException e) {
      throw new BadUpload("uploadId is missing");
    }
    String content = Sent.canonical(sent);
    try {
      T upload = json.treeToValue(sent, type);
      return validator.validate(upload).stream()
          .map(v -> "%s %s".formatted(v.getPropertyPath(), v.getMessage()))
          .min(Comparator.naturalOrder())
          .<Sent<T>>map(why -> unread(id, content, why, sent))
          .orElseGet(() -> new Sent.Read<>(id, content, upload));
    } catch (JsonProcessingException e) {
      return unread(id, content, e.getOriginalMessage(), sent);
    }
  }

  private static <T> Sent<T> unread(UUID id, String content, String why, JsonNode sent) {
    boolean stopped = sent.path("ended").asText().equals(Ended.STOPPED.name());
    return new Sent.Unread<>(id, content, why, stopped, sent.path("reason").asText());
  }
}
