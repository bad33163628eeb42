package org.biokinet.core.dose;

import java.util.List;

/** What the parser made of a text. */
public sealed interface Parsed {

  /** Understood; {@code canonical} is the one form in which this dose is written. */
  record Understood(Dose dose, String canonical) implements Parsed {}

  /**
   * Not understood.
   *
   * @param message what was read and what fits
   * @param from index of the first character that is wrong
   * @param to index behind the last character that is wrong
   * @param fixes whole doses in canonical form that would do, for one tap each; may be empty
   */
  record Fault(String message, int from, int to, List<String> fixes) implements Parsed {
    public Fault {
      fixes = List.copyOf(fixes);
    }
  }
}
