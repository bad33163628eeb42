package org.biokinet.core.anatomy;

import java.util.Arrays;
import java.util.Optional;
import java.util.stream.Collectors;

/** A value written as a short code in documents and in the catalogue. */
public interface Coded {
  String code();

  static <T extends Enum<T> & Coded> Optional<T> find(Class<T> type, String code) {
    return Arrays.stream(type.getEnumConstants()).filter(v -> v.code().equals(code)).findFirst();
  }

  /** All codes of a type, for messages that say what would be right. */
  static <T extends Enum<T> & Coded> String codes(Class<T> type) {
    return Arrays.stream(type.getEnumConstants())
        .map(Coded::code)
        .collect(Collectors.joining(", "));
  }
}
