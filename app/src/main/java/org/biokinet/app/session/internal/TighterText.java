package org.biokinet.app.session.internal;

import jakarta.persistence.AttributeConverter;
import java.util.Arrays;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.biokinet.core.session.Tighter;

/** The tighter sides by the place of their item, as "0=LEFT 3=SAME". */
class TighterText implements AttributeConverter<Map<Integer, Tighter>, String> {

  @Override
  public String convertToDatabaseColumn(Map<Integer, Tighter> sides) {
    return new TreeMap<>(sides)
        .entrySet().stream()
            .map(e -> e.getKey() + "=" + e.getValue())
            .collect(Collectors.joining(" "));
  }

  @Override
  public Map<Integer, Tighter> convertToEntityAttribute(String text) {
    if (text.isEmpty()) return Map.of();
    return Arrays.stream(text.split(" ", -1))
        .map(part -> part.split("=", -1))
        .collect(Collectors.toMap(p -> Integer.valueOf(p[0]), p -> Tighter.valueOf(p[1])));
  }
}
