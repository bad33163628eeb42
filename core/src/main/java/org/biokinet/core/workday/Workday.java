package org.biokinet.core.workday;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.biokinet.core.calendar.Span;

/**
 * A day of somebody who sits at work, in whole minutes.
 *
 * @param date on which its work begins; a night shift is of the day of its evening
 * @param work when they sit, unless they have a break; between two of these they do not
 * @param hard meetings in which nobody can stand up
 * @param soft meetings in which somebody can, if need be
 * @param quiet when they are not to be disturbed
 */
public record Workday(
    LocalDate date, List<Span> work, List<Span> hard, List<Span> soft, List<Span> quiet) {
  public Workday {
    work = Span.union(whole(work));
    // One meeting after another stay two: where one ends is where a gap is easiest to have.
    hard = whole(hard);
    soft = whole(soft);
    quiet = Span.union(whole(quiet));
  }

  /** In order, in whole minutes. */
  static List<Span> whole(List<Span> spans) {
    return spans.stream().map(Span::wholeMinutes).sorted(Comparator.comparing(Span::from)).toList();
  }

  /** When no break can be, whatever it would be good for. */
  List<Span> closed() {
    return Span.union(Stream.concat(hard.stream(), quiet.stream()).toList());
  }

  /**
   * Until when a break can be put off.
   *
   * @param rest a break as it is planned
   * @return the last moment at which it can begin before work ends, or a time comes in which there
   *     can be none; its own beginning where it cannot be put off
   */
  public Instant latest(Span rest) {
    Duration lasts = Duration.between(rest.from(), rest.until());
    return Span.without(work, closed()).stream()
        .filter(open -> open.holds(rest.from()))
        .map(open -> open.until().minus(lasts))
        .filter(rest.from()::isBefore)
        .findFirst()
        .orElse(rest.from());
  }
}
