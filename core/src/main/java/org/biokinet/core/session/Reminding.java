package org.biokinet.core.session;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * When a client wants to be reminded of what is due.
 *
 * @param times of the client's day, each once, in order; none where nobody wants to be reminded
 */
public record Reminding(List<LocalTime> times) {

  /** More often than that in a day nobody is written to; our choice. */
  public static final int MOST = 3;

  /** A reminder that would come later than that is left out; our choice. */
  private static final Duration LATE = Duration.ofHours(2);

  /** Who has done one session just now is not called to the next; our choice. */
  private static final Duration JUST_DONE = Duration.ofHours(2);

  /**
   * @throws IllegalArgumentException for more than {@link #MOST}
   */
  public Reminding {
    times = times.stream().distinct().sorted().toList();
    if (times.size() > MOST) throw new IllegalArgumentException("at most %d times".formatted(MOST));
  }

  /**
   * The first time after a moment. An hour that a change of the clocks leaves out comes as much
   * later, one that it repeats comes once.
   */
  public Optional<Instant> after(Instant moment, ZoneId zone) {
    return around(moment, zone).filter(at -> at.isAfter(moment)).min(Comparator.naturalOrder());
  }

  /** The newest time that has come and of which it still makes sense to remind. */
  public Optional<Instant> meant(Instant now, ZoneId zone) {
    return around(now, zone)
        .filter(at -> !at.isAfter(now) && now.isBefore(at.plus(LATE)))
        .max(Comparator.naturalOrder());
  }

  /** All of the day before until two days after; a day may be left out by the date line. */
  private Stream<Instant> around(Instant moment, ZoneId zone) {
    LocalDate day = moment.atZone(zone).toLocalDate();
    return day.minusDays(1)
        .datesUntil(day.plusDays(3))
        .flatMap(d -> times.stream().map(time -> d.atTime(time).atZone(zone).toInstant()));
  }

  /** Whether a client who has done these sessions lately wants to hear of the next one. */
  public static boolean rested(Collection<Session> recent, Instant now) {
    return recent.stream()
        .filter(s -> s.secondsDone() > 0)
        .noneMatch(s -> s.startedAt().plus(JUST_DONE).isAfter(now));
  }
}
