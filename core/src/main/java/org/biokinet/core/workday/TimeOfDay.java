package org.biokinet.core.workday;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Optional;
import org.biokinet.core.calendar.Span;

/**
 * From a time of the day until another one; of the next day where that is not later.
 *
 * @param from in whole minutes, as is the other
 */
public record TimeOfDay(LocalTime from, LocalTime until) {

  /**
   * @throws IllegalArgumentException where both are the same
   */
  public TimeOfDay {
    if (from.equals(until)) throw new IllegalArgumentException("from and until are the same");
  }

  public boolean overMidnight() {
    return !until.isAfter(from);
  }

  /**
   * On the day on which it begins. A time that a change of the clocks leaves out is as much later,
   * one that it repeats is the first of both; empty where nothing is left of it.
   */
  public Optional<Span> on(LocalDate date, ZoneId zone) {
    Instant begin = date.atTime(from).atZone(zone).toInstant();
    LocalDate last = overMidnight() ? date.plusDays(1) : date;
    Instant end = last.atTime(until).atZone(zone).toInstant();
    return end.isAfter(begin) ? Optional.of(new Span(begin, end)) : Optional.empty();
  }

  @Override
  public String toString() {
    return from + "–" + until;
  }
}
