package org.biokinet.core.progress;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.session.Session;
import org.biokinet.core.timeline.Performance;

/**
 * How much of what a session had for a side was done on it.
 *
 * @param left in percent, rounded down, {@code right} likewise
 */
public record SideShare(int left, int right) {

  /** Fewer sessions than that are chance; our choice. */
  static final int LEAST_SESSIONS = 3;

  /** A side is behind with less than that, in percent; our choice. */
  static final int ENOUGH = 80;

  /** And with so many points less than the other, which has its reasons too; our choice. */
  static final int BY_POINTS = 20;

  /**
   * Of the sessions of the main program together, and of what was planned for both sides.
   *
   * @return empty with too few of them, or without anything that has sides
   */
  public static Optional<SideShare> of(Collection<Session> sessions) {
    List<Session> main =
        sessions.stream().filter(s -> s.program() == ProgramKind.MAIN && sided(s)).toList();
    if (main.size() < LEAST_SESSIONS) return Optional.empty();
    OptionalInt left = percent(main, Side.LEFT);
    OptionalInt right = percent(main, Side.RIGHT);
    return left.isPresent() && right.isPresent()
        ? Optional.of(new SideShare(left.getAsInt(), right.getAsInt()))
        : Optional.empty();
  }

  /** The side on which far less is done; empty where none is. */
  static Optional<Side> behind(Collection<Session> sessions) {
    return of(sessions).flatMap(SideShare::behind);
  }

  /** The side on which far less is done; empty where none is. */
  public Optional<Side> behind() {
    if (left < ENOUGH && left + BY_POINTS <= right) return Optional.of(Side.LEFT);
    return right < ENOUGH && right + BY_POINTS <= left ? Optional.of(Side.RIGHT) : Optional.empty();
  }

  private static boolean sided(Session s) {
    return s.parts().stream().anyMatch(p -> p.side().isPresent());
  }

  private static OptionalInt percent(List<Session> sessions, Side side) {
    List<Performance.Part> own =
        sessions.stream()
            .flatMap(s -> s.parts().stream())
            .filter(p -> p.side().equals(Optional.of(side)))
            .toList();
    int planned = own.stream().mapToInt(Performance.Part::plannedSeconds).sum();
    int done = own.stream().mapToInt(Performance.Part::seconds).sum();
    return planned == 0 ? OptionalInt.empty() : OptionalInt.of(100 * done / planned);
  }
}
