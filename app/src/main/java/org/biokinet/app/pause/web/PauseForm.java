package org.biokinet.app.pause.web;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.Optional;
import java.util.stream.Stream;
import org.biokinet.core.progress.Pause;

/** A pause as it is typed in. */
final class PauseForm {

  private PauseForm() {}

  /**
   * Empty where something is missing or is no date.
   *
   * @param from today where it is empty
   * @param fever "yes" or "no", asked of an illness
   */
  static Optional<Pause> read(
      String kind, String from, String until, String fever, LocalDate today) {
    Optional<Pause.Kind> which =
        Stream.of(Pause.Kind.values()).filter(k -> k.name().equals(kind)).findFirst();
    Optional<LocalDate> begins = from.isBlank() ? Optional.of(today) : day(from);
    Optional<LocalDate> ends = day(until);
    if (which.isEmpty() || begins.isEmpty() || ends.isEmpty()) return Optional.empty();
    boolean ill = which.get() == Pause.Kind.ILLNESS;
    if (ill && !fever.equals("yes") && !fever.equals("no")) return Optional.empty();
    return Optional.of(
        new Pause(
            which.get(), begins.get(), ends.get(), ill && fever.equals("yes"), Optional.empty()));
  }

  private static Optional<LocalDate> day(String typed) {
    try {
      return Optional.of(LocalDate.parse(typed.strip()));
    } catch (DateTimeParseException e) {
      return Optional.empty();
    }
  }
}
