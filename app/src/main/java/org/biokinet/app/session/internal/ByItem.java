package org.biokinet.app.session.internal;

import jakarta.persistence.AttributeConverter;
import java.util.Arrays;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.biokinet.core.session.SkipReason;
import org.biokinet.core.session.Tighter;

/** What was said of single items, by their place, as "0=LEFT 3=SAME". */
abstract class ByItem<E extends Enum<E>> implements AttributeConverter<Map<Integer, E>, String> {

  static class Tight extends ByItem<Tighter> {
    Tight() {
      super(Tighter.class);
    }
  }

  static class Skipped extends ByItem<SkipReason> {
    Skipped() {
      super(SkipReason.class);
    }
  }

  private final Class<E> type;

  ByItem(Class<E> type) {
    this.type = type;
  }

  @Override
  public String convertToDatabaseColumn(Map<Integer, E> said) {
    return new TreeMap<>(said)
        .entrySet().stream()
            .map(e -> e.getKey() + "=" + e.getValue().name())
            .collect(Collectors.joining(" "));
  }

  @Override
  public Map<Integer, E> convertToEntityAttribute(String text) {
    if (text.isEmpty()) return Map.of();
    return Arrays.stream(text.split(" ", -1))
        .map(part -> part.split("=", -1))
        .collect(Collectors.toMap(p -> Integer.valueOf(p[0]), p -> Enum.valueOf(type, p[1])));
  }
}
