package org.biokinet.core.workday;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.biokinet.core.calendar.Span;

/**
 * When somebody usually works and wants quiet.
 *
 * @param hours that are looked at where no shift is known
 * @param quiet of every day
 */
public record WorkRhythm(List<Hours> hours, List<TimeOfDay> quiet, ZoneId zone) {
  public WorkRhythm {
    hours = List.copyOf(hours);
    quiet = List.copyOf(quiet);
  }

  /**
   * Days as they come of this and of a calendar, the first first. Work belongs to the day on which
   * it begins; what two days would both have, the earlier one has.
   */
  public List<Workday> days(Collection<Busy> calendar, LocalDate first, LocalDate last) {
    List<Workday> days = new ArrayList<>();
    // The night before may still be at work in the morning.
    List<Span> earlier = work(calendar, first.minusDays(1));
    for (LocalDate d = first; !d.isAfter(last); d = d.plusDays(1)) {
      List<Span> work = Span.without(work(calendar, d), earlier);
      days.add(
          new Workday(
              d,
              work,
              during(calendar, Busy.Kind.HARD, work),
              during(calendar, Busy.Kind.SOFT, work),
              quiet(d)));
      earlier = work;
    }
    return days;
  }

  /** Quiet hours that may touch a day and the night after it. */
  List<Span> quiet(LocalDate date) {
    return Stream.of(date.minusDays(1), date, date.plusDays(1))
        .flatMap(d -> quiet.stream().map(q -> q.on(d, zone)))
        .flatMap(Optional::stream)
        .toList();
  }

  private List<Span> work(Collection<Busy> calendar, LocalDate date) {
    List<Span> shifts = spans(calendar, Busy.Kind.SHIFT);
    List<Span> work =
        shifts.isEmpty()
            ? hours.stream()
                .filter(h -> h.day() == date.getDayOfWeek())
                .flatMap(h -> h.time().on(date, zone).stream())
                .toList()
            : shifts.stream()
                .filter(s -> s.from().atZone(zone).toLocalDate().equals(date))
                .toList();
    return Span.without(work, spans(calendar, Busy.Kind.AWAY));
  }

  private static List<Span> spans(Collection<Busy> calendar, Busy.Kind kind) {
    return calendar.stream().filter(b -> b.kind() == kind).map(Busy::span).toList();
  }

  private static List<Span> during(Collection<Busy> calendar, Busy.Kind kind, List<Span> work) {
    return spans(calendar, kind).stream().filter(s -> work.stream().anyMatch(s::overlaps)).toList();
  }
}
