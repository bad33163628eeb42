package org.biokinet.app.session.internal;

import jakarta.persistence.AttributeConverter;
import java.util.Arrays;
import java.util.Set;
import java.util.stream.Collectors;
import org.biokinet.core.session.Eased;

/** What was made easier, as "0L 3R=chin-nod". */
class EasedText implements AttributeConverter<Set<Eased>, String> {

  @Override
  public String convertToDatabaseColumn(Set<Eased> eased) {
    return eased.stream().map(Eased::text).sorted().collect(Collectors.joining(" "));
  }

  @Override
  public Set<Eased> convertToEntityAttribute(String text) {
    return text.isEmpty() ? Set.of() : Eased.all(Arrays.asList(text.split(" ", -1)));
  }
}
