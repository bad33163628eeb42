package org.biokinet.app.workday.web;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
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
  private static final int EMPTY_FROM = 8;

  private static final Duration EMPTY = Duration.ofHours(10);

  /** Labels stand no nearer than that. */
  private static final int MOST_TICKS = 6;

  /** A break is two minutes of ten hours: narrower than that it is not seen. */
  private static final double NARROWEST = 5;

  static DayStrip of(PlannedDay day, Instant now, ZoneId zone) {
    Span whole = whole(day, zone);
    return new Drawing(whole, now, zone).of(day);
  }

  private static Span whole(PlannedDay day, ZoneId zone) {
    List<Span> all =
        Stream.of(
                day.day().work().stream(),
                day.sessions().stream().flatMap(Optional::stream).map(PlannedDay.Placed::span),
                day.breaks().stream().map(PlannedDay.Break::span))
            .flatMap(s -> s)
            .toList();
    // A day with little in it is no narrower than a usual one.
    Instant eight = day.date().atTime(EMPTY_FROM, 0).atZone(zone).toInstant();
    Span usual = new Span(eight, eight.plus(EMPTY));
    Instant first = all.stream().map(Span::from).min(Comparator.naturalOrder()).orElse(eight);
    Instant last =
        all.stream().map(Span::until).max(Comparator.naturalOrder()).orElse(usual.until());
    if (day.day().work().isEmpty()) {
      first = first.isBefore(usual.from()) ? first : usual.from();
      last = last.isAfter(usual.until()) ? last : usual.until();
    }
    Instant from = first.atZone(zone).truncatedTo(ChronoUnit.HOURS).toInstant();
    Instant hour = last.atZone(zone).truncatedTo(ChronoUnit.HOURS).toInstant();
    return new Span(from, hour.equals(last) ? hour : hour.plus(Duration.ofHours(1)));
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
