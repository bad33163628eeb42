package org.biokinet.core.program;

import java.util.OptionalInt;

/**
 * One thing wrong with a program document.
 *
 * @param item number of the item, from 1; empty for the document as a whole
 * @param message what was read and what would be right
 */
public record Fault(OptionalInt item, String message) {

  static Fault of(String message) {
    return new Fault(OptionalInt.empty(), message);
  }

  static Fault at(int item, String message) {
    return new Fault(OptionalInt.of(item), message);
  }

  @Override
  public String toString() {
    return (item.isPresent() ? "item " + item.getAsInt() + ": " : "") + message;
  }
}
