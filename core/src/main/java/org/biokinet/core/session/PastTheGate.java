package org.biokinet.core.session;

import static java.util.Objects.requireNonNull;

import java.util.Optional;
import java.util.function.IntFunction;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.Beginning;
import org.biokinet.core.screening.Permit;
import org.biokinet.core.timeline.Performance;

/**
 * Why something that was done should not have been, or not all of it. It is kept all the same: what
 * was done was done, and the practitioner hears of it.
 */
public final class PastTheGate {

  private PastTheGate() {}

  /**
   * @param permit of the program that was done, at the moment when it was done
   * @param begun the doses with which it was done
   * @param names what the item at a place is called
   * @return in words; empty where all of it was right
   */
  public static Optional<String> of(
      Permit permit, Performance done, Beginning begun, IntFunction<String> names) {
    if (permit.closed().isPresent()) {
      return Optional.of("the gate was " + permit.closed().get().label());
    }
    if (permit.notItsTurn().isPresent()) return permit.notItsTurn().map(Permit.Turn::words);
    Optional<String> notAllowed =
        done.parts().stream()
            .filter(p -> p.seconds() > 0 && permit.waiting().contains(p.item()))
            .map(Performance.Part::item)
            .findFirst()
            .map(at -> notAllowed(names.apply(at), requireNonNull(permit.objections().get(at))));
    if (notAllowed.isPresent()) return notAllowed;
    if (!permit.beginning().asksLessThan(begun)) return Optional.empty();
    return Optional.of(
        permit.beginning() == Beginning.RE_ENTRY
            ? "only half doses were open after the pause"
            : "only lower doses were open for a while");
  }

  private static String notAllowed(String name, Allowed.Objection objection) {
    return objection.limit() == Allowed.Limit.LOCKED
        ? "“%s” was locked".formatted(name)
        : "“%s” was more than the screening allows".formatted(name);
  }
}
