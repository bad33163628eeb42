package org.biokinet.core.session;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.Collection;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.program.Rhythm;

/**
 * What of a program is due on a day.
 *
 * @param planned times; 0 on a day off
 * @param done so far
 * @param next the next day after this one on which something is due
 */
public record Due(int planned, int done, LocalDate next) {

  /** One day that was changed for another. */
  public record Move(LocalDate from, LocalDate to) {}

  /** A session that was ended before its half is none for the day; our choice. */
  public static boolean counts(Session s) {
    return s.ended() == Ended.FINISHED || 2 * s.secondsDone() >= s.secondsPlanned();
  }

  /**
   * @param days of the week, as they were chosen with the client; at least one
   * @param moved the last change of one day for another
   * @param sessions of this program, of this day or others
   */
  public static Due of(
      LocalDate today,
      Rhythm rhythm,
      Set<DayOfWeek> days,
      Optional<Move> moved,
      Collection<Session> sessions) {
    if (days.isEmpty()) throw new IllegalArgumentException("a program is done on some day");
    int done = (int) sessions.stream().filter(s -> s.day().equals(today) && counts(s)).count();
    LocalDate next = today.plusDays(1);
    while (!on(next, days, moved)) next = next.plusDays(1);
    return new Due(on(today, days, moved) ? rhythm.perDay() : 0, done, next);
  }

  public boolean stillDue() {
    return done < planned;
  }

  /**
   * This day for the next free one; or, on a day off, the next for this one.
   *
   * @throws IllegalArgumentException where every day is on, or none
   */
  public static Move other(LocalDate today, Set<DayOfWeek> days, Optional<Move> moved) {
    if (days.isEmpty() || days.size() == DayOfWeek.values().length) {
      throw new IllegalArgumentException("there is no other day");
    }
    LocalDate day = today.plusDays(1);
    boolean due = on(today, days, moved);
    while (on(day, days, moved) == due) day = day.plusDays(1);
    return due ? new Move(today, day) : new Move(day, today);
  }

  private static boolean on(LocalDate day, Set<DayOfWeek> days, Optional<Move> moved) {
    if (moved.filter(m -> m.from().equals(day)).isPresent()) return false;
    return moved.filter(m -> m.to().equals(day)).isPresent() || days.contains(day.getDayOfWeek());
  }
}
