package org.biokinet.core.workday;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.biokinet.core.calendar.Span;

/**
 * A sitting that is longer than the most, why, and what would help.
 *
 * @param booked what leaves no room for a break in it, the longest of that; empty where only the
 *     number of breaks does
 * @param gap where a break would help most if a meeting made room for it
 * @param then the longest sitting with that gap, in minutes; 0 where there is none
 */
public record Unkept(Span sitting, Optional<Span> booked, Optional<Span> gap, long then) {

  /** A gap at the end of a meeting is easier to have: it need only bring it down so far. */
  private static final double GOOD_ENOUGH = 2 / 3.0;

  /** All of a plan, the first first; what is over by then is left out. */
  public static List<Unkept> of(BreakPlan.Situation s, BreakPlan plan) {
    return plan.sittings().stream()
        .filter(x -> x.minutes() > s.wish().most() && x.until().isAfter(s.from()))
        .map(x -> of(s, x))
        .toList();
  }

  private static Unkept of(BreakPlan.Situation s, Span sitting) {
    Optional<Span> booked =
        s.day().closed().stream()
            .flatMap(c -> within(c, sitting).stream())
            .max(Comparator.comparingLong(Span::minutes));
    // Where a break could be and there is none, there were none left.
    boolean open =
        Span.without(List.of(sitting), s.day().closed()).stream()
            .anyMatch(
                free ->
                    free.minutes() >= s.wish().length()
                        && !free.from()
                            .isBefore(sitting.from().plus(Duration.ofMinutes(s.wish().least()))));
    if (open || booked.isEmpty()) {
      return new Unkept(sitting, Optional.empty(), Optional.empty(), 0);
    }
    Optional<Span> gap = gap(s, sitting);
    return new Unkept(sitting, booked, gap, gap.map(g -> longer(sitting, g)).orElse(0L));
  }

  private static Optional<Span> within(Span one, Span other) {
    Instant from = one.from().isAfter(other.from()) ? one.from() : other.from();
    Instant until = one.until().isBefore(other.until()) ? one.until() : other.until();
    return until.isAfter(from) ? Optional.of(new Span(from, until)) : Optional.empty();
  }

  /** The one that leaves the least sitting at once, at the end of a meeting where that will do. */
  private static Optional<Span> gap(BreakPlan.Situation s, Span sitting) {
    int length = s.wish().length();
    List<Span> ends = new ArrayList<>();
    List<Span> anywhere = new ArrayList<>();
    for (long t = s.wish().least(); t + length < sitting.minutes(); t++) {
      Span gap = Span.ofMinutes(sitting.from().plus(Duration.ofMinutes(t)), length);
      if (s.day().quiet().stream().anyMatch(gap::overlaps) || gap.from().isBefore(s.from())) {
        continue;
      }
      anywhere.add(gap);
      if (s.day().hard().stream().anyMatch(m -> m.until().equals(gap.until()))) ends.add(gap);
    }
    Comparator<Span> best = Comparator.comparingLong(g -> longer(sitting, g));
    return Stream.concat(
            ends.stream()
                .min(best)
                .filter(g -> longer(sitting, g) <= GOOD_ENOUGH * sitting.minutes())
                .stream(),
            anywhere.stream().min(best).stream())
        .findFirst();
  }

  /** The longer one of what is before and after. */
  private static long longer(Span sitting, Span gap) {
    return Math.max(
        Duration.between(sitting.from(), gap.from()).toMinutes(),
        Duration.between(gap.until(), sitting.until()).toMinutes());
  }

  /** One line, in the times of a zone. */
  public String words(ZoneId zone) {
    String sits = "longest sitting " + length(sitting.minutes());
    if (booked.isEmpty()) {
      return "%s–%s: %s, with no more breaks left for the day"
          .formatted(time(sitting.from(), zone), time(sitting.until(), zone), sits);
    }
    return "%s–%s booked: %s%s"
        .formatted(
            time(booked.get().from(), zone),
            time(booked.get().until(), zone),
            sits,
            gap.map(
                    g ->
                        "; a %d-minute gap at %s would make it %s"
                            .formatted(g.minutes(), time(g.from(), zone), length(then)))
                .orElse(""));
  }

  /** Minutes as a person says them: 48 min, 2 h, 3 h 30. */
  public static String length(long minutes) {
    if (minutes < 60) return minutes + " min";
    return minutes % 60 == 0
        ? minutes / 60 + " h"
        : "%d h %02d".formatted(minutes / 60, minutes % 60);
  }

  private static LocalTime time(Instant at, ZoneId zone) {
    return LocalTime.ofInstant(at, zone);
  }
}
