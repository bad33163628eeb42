package org.biokinet.core.workday;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.biokinet.core.calendar.Span;

/**
 * When somebody stands up on a day.
 *
 * @param breaks that are still to come, in order
 * @param sittings without one, all of the day, in order
 */
public record BreakPlan(List<Span> breaks, List<Span> sittings) {

  /**
   * What a plan is made from.
   *
   * @param from when the first break can be; what is before is as it was
   * @param taken breaks that were had, and whatever else nobody sat in
   * @param before beginnings of breaks as they were planned before, which stay where they can
   */
  public record Situation(
      Workday day, BreakWish wish, Instant from, List<Span> taken, List<Instant> before) {
    public Situation {
      from = upToTheMinute(from);
      taken = Workday.whole(taken);
      before = List.copyOf(before);
    }

    private static Instant upToTheMinute(Instant moment) {
      if (moment.equals(Instant.MIN)) return moment;
      Instant minute = moment.truncatedTo(ChronoUnit.MINUTES);
      return minute.equals(moment) ? minute : minute.plus(1, ChronoUnit.MINUTES);
    }

    /** A day of which nothing is over and nothing is planned. */
    public static Situation fresh(Workday day, BreakWish wish) {
      return new Situation(day, wish, Instant.MIN, List.of(), List.of());
    }
  }

  public BreakPlan {
    breaks = List.copyOf(breaks);
    sittings = List.copyOf(sittings);
  }

  public static BreakPlan of(Workday day, BreakWish wish) {
    return of(Situation.fresh(day, wish));
  }

  /** The best plan, by docs/WORKDAY.md; exact. */
  public static BreakPlan of(Situation s) {
    List<Span> breaks = new BreakSearch(s).best();
    List<Span> rests = new ArrayList<>(s.taken());
    rests.addAll(breaks);
    return new BreakPlan(breaks, Span.without(s.day().work(), rests));
  }

  /** The longest time without a break, of two as long the first; empty where nobody sits at all. */
  public Optional<Span> longest() {
    return sittings.stream()
        .max(
            Comparator.comparingLong(Span::minutes)
                .thenComparing(Span::from, Comparator.reverseOrder()));
  }
}
