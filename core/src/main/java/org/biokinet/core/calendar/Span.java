package org.biokinet.core.calendar;

import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;

/** From a moment until another one, which is no longer in it. */
public record Span(Instant from, Instant until) {

  /**
   * @throws IllegalArgumentException where it does not end after it begins
   */
  public Span {
    if (!until.isAfter(from)) throw new IllegalArgumentException("ends before it begins");
  }

  public static Span ofMinutes(Instant from, long minutes) {
    return new Span(from, from.plus(Duration.ofMinutes(minutes)));
  }

  /** As long as it is, a change of the clocks or not; a part of a minute is left out. */
  public long minutes() {
    return Duration.between(from, until).toMinutes();
  }

  /** The minutes that it touches, as a whole. */
  public Span wholeMinutes() {
    Instant end = until.truncatedTo(ChronoUnit.MINUTES);
    return new Span(
        from.truncatedTo(ChronoUnit.MINUTES),
        end.equals(until) ? end : end.plus(1, ChronoUnit.MINUTES));
  }

  public boolean overlaps(Span other) {
    return from.isBefore(other.until) && other.from.isBefore(until);
  }

  public boolean holds(Instant moment) {
    return !moment.isBefore(from) && moment.isBefore(until);
  }

  /** All that is in one of them at least, in order; what touches is one. */
  public static List<Span> union(Collection<Span> spans) {
    List<Span> union = new ArrayList<>();
    for (Span next : spans.stream().sorted(Comparator.comparing(Span::from)).toList()) {
      int last = union.size() - 1;
      if (last < 0 || next.from.isAfter(union.get(last).until)) {
        union.add(next);
      } else if (next.until.isAfter(union.get(last).until)) {
        union.set(last, new Span(union.get(last).from, next.until));
      }
    }
    return union;
  }

  /** What is in one of them, and not in any of the others, in order. */
  public static List<Span> without(Collection<Span> spans, Collection<Span> others) {
    List<Span> left = union(spans);
    for (Span other : others) {
      List<Span> next = new ArrayList<>();
      for (Span s : left) {
        if (!s.overlaps(other)) {
          next.add(s);
          continue;
        }
        if (s.from.isBefore(other.from)) next.add(new Span(s.from, other.from));
        if (other.until.isBefore(s.until)) next.add(new Span(other.until, s.until));
      }
      left = next;
    }
    return left;
  }
}
