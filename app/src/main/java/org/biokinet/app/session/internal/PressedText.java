package org.biokinet.app.session.internal;

import jakarta.persistence.AttributeConverter;
import java.util.List;
import java.util.stream.Collectors;
import org.biokinet.core.session.Pressed;

/** What was pressed, a line for each. */
class PressedText implements AttributeConverter<List<Pressed>, String> {

  @Override
  public String convertToDatabaseColumn(List<Pressed> pressed) {
    return pressed.stream().map(Pressed::text).collect(Collectors.joining("\n"));
  }

  @Override
  public List<Pressed> convertToEntityAttribute(String text) {
    return Pressed.all(text.lines().toList());
  }
}
