package org.biokinet.app.session.internal;

import jakarta.persistence.AttributeConverter;
import java.util.Arrays;
import java.util.Set;
import java.util.stream.Collectors;
import org.biokinet.core.session.ItemSide;

/** Items and sides, as "0L 3R 4". */
class PlacesText implements AttributeConverter<Set<ItemSide>, String> {

  @Override
  public String convertToDatabaseColumn(Set<ItemSide> places) {
    return places.stream().map(ItemSide::text).sorted().collect(Collectors.joining(" "));
  }

  @Override
  public Set<ItemSide> convertToEntityAttribute(String text) {
    if (text.isEmpty()) return Set.of();
    return ItemSide.all(Arrays.asList(text.split(" ", -1)));
  }
}
