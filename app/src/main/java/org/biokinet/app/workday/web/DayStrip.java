package org.biokinet.app.workday.web;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.biokinet.app.platform.Days;
import org.biokinet.app.workday.PlannedDay;
import org.biokinet.core.calendar.Span;

/**
 * A day to scale, 1000 units wide: sitting and meetings, breaks and sessions.
 *
 * @param fromMinute where it begins, in minutes since the epoch
 * @param minutes how long it is
 * @param now where the present is; empty where that is another day
 */
record DayStrip(
    long fromMinute, long minutes, List<Bar> bars, List<Tick> ticks, Optional<Double> now) {

  /** One stretch of it. */
  record Bar(String css, double x, double width, int y, int height) {}

  /** A full hour. */
  record Tick(double x, String label) {}

  /** On a day without anything it is from eight to six. */
  private static final Duration EMPTY_FROM = Duration.ofHours(8);

  private static final Duration EMPTY_UNTIL = Duration.ofHours(18);

  private static final int HOUR = 3600;

  /** Labels stand no nearer than that. */
  private static final int MOST_TICKS = 6;

  /** A break is two minutes of ten hours: narrower than that it is not seen. */
  private static final double NARROWEST = 5;

  /** A day by itself. */
  static DayStrip of(PlannedDay day, Instant now, ZoneId zone) {
    return of(List.of(day), now, zone).get(0);
  }

  /** Days below each other: an hour is in the same place on each. */
  static List<DayStrip> of(List<PlannedDay> days, Instant now, ZoneId zone) {
    List<Duration> clocks =
        days.stream().flatMap(day -> clocks(day, zone)).collect(Collectors.toList());
    // Days with little in them are no narrower than a usual one.
    if (days.stream().allMatch(day -> day.day().work().isEmpty())) {
      clocks.add(EMPTY_FROM);
      clocks.add(EMPTY_UNTIL);
    }
    // Whole hours around all of it.
    long first = Math.floorDiv(Collections.min(clocks).toSeconds(), HOUR);
    long last = -Math.floorDiv(-Collections.max(clocks).toSeconds(), HOUR);
    return days.stream()
        .map(
            day -> {
              LocalDateTime midnight = day.date().atStartOfDay();
              Instant from = midnight.plusHours(first).atZone(zone).toInstant();
              Instant until = midnight.plusHours(last).atZone(zone).toInstant();
              return new Drawing(new Span(from, until), now, zone).of(day);
            })
        .toList();
  }

  /** When what is in a day begins and ends on the clock, since its midnight. */
  private static Stream<Duration> clocks(PlannedDay day, ZoneId zone) {
    return Stream.of(
            day.day().work().stream(),
            day.sessions().stream().flatMap(Optional::stream).map(PlannedDay.Placed::span),
            day.breaks().stream().map(PlannedDay.Break::span))
        .flatMap(s -> s)
        .flatMap(s -> Stream.of(s.from(), s.until()))
        .map(at -> Duration.between(day.date().atStartOfDay(), LocalDateTime.ofInstant(at, zone)));
  }

  private record Drawing(Span whole, Instant now, ZoneId zone) {

    DayStrip of(PlannedDay day) {
      List<Bar> bars = new ArrayList<>();
      day.sittings().forEach(s -> bars.add(bar("day-sit", s, 12, 16)));
      day.day().soft().forEach(s -> bars.add(bar("day-soft", s, 12, 16)));
      day.day().hard().forEach(s -> bars.add(bar("day-hard", s, 12, 16)));
      day.breaks()
          .forEach(
              b ->
                  bars.add(
                      bar(
                          switch (b.state()) {
                            case DONE -> "day-break done";
                            case NOT_HAD -> "day-break not";
                            default -> "day-break";
                          },
                          b.span(),
                          6,
                          28)));
      day.extra().forEach(s -> bars.add(bar("day-break done", s, 6, 28)));
      day.sessions().stream()
          .flatMap(Optional::stream)
          .forEach(
              s -> bars.add(bar(s.done() ? "day-session done" : "day-session", s.span(), 6, 28)));
      return new DayStrip(
          Math.floorDiv(whole.from().getEpochSecond(), 60),
          whole.minutes(),
          bars.stream().filter(b -> b.width() > 0).toList(),
          ticks(),
          whole.holds(now) ? Optional.of(x(now)) : Optional.empty());
    }

    private double x(Instant at) {
      return 1000.0 * Duration.between(whole.from(), at).toSeconds() / (60 * whole.minutes());
    }

    private Bar bar(String css, Span span, int y, int height) {
      double from = Math.max(0, x(span.from()));
      double until = Math.min(1000, x(span.until()));
      double least = until > from ? NARROWEST : 0;
      return new Bar(css, from, Math.max(least, until - from), y, height);
    }

    private List<Tick> ticks() {
      List<Tick> ticks = new ArrayList<>();
      long hours = whole.minutes() / 60;
      long every = (hours + MOST_TICKS - 1) / MOST_TICKS;
      for (long h = 0; h <= hours; h += every) {
        Instant at = whole.from().plus(Duration.ofHours(h));
        ticks.add(new Tick(x(at), Days.time(at, zone)));
      }
      return ticks;
    }
  }
}
