package org.biokinet.app.session.internal;

import jakarta.persistence.AttributeConverter;
import java.util.Arrays;
import java.util.Map;
import java.util.stream.Collectors;
import org.biokinet.core.session.SelfCheck;

/** How the joints are, as "NECK-L=WORSE WRISTS-R=SAME". */
class JointsText implements AttributeConverter<Map<SelfCheck.Part, SelfCheck.Felt>, String> {

  @Override
  public String convertToDatabaseColumn(Map<SelfCheck.Part, SelfCheck.Felt> felt) {
    return felt.entrySet().stream()
        .map(e -> e.getKey().text() + "=" + e.getValue().name())
        .sorted()
        .collect(Collectors.joining(" "));
  }

  @Override
  public Map<SelfCheck.Part, SelfCheck.Felt> convertToEntityAttribute(String text) {
    if (text.isEmpty()) return Map.of();
    return Arrays.stream(text.split(" ", -1))
        .map(part -> part.split("=", -1))
        .collect(
            Collectors.toUnmodifiableMap(
                p -> SelfCheck.Part.of(p[0]), p -> SelfCheck.Felt.valueOf(p[1])));
  }
}
