package org.biokinet.app.measurement;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import org.biokinet.core.measure.Posture;
import org.springframework.stereotype.Component;

/** Marks as text inside a script element, which must not be closed by its own content. */
@Component("marksJson")
public class MarksJson {

  private final ObjectMapper json;

  MarksJson(ObjectMapper json) {
    this.json = json;
  }

  public String of(Posture.Marks marks) {
    try {
      return json.writeValueAsString(marks).replace("<", "\\u003c");
    } catch (JsonProcessingException e) {
      throw new IllegalStateException(e);
    }
  }
}
