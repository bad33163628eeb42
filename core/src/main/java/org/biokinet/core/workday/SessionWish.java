package org.biokinet.core.workday;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.biokinet.core.calendar.Span;

/**
 * When somebody would like to do their sessions.
 *
 * @param times of the day, in order, at most {@link #MOST}
 * @param minutes of one session
 * @param apart minutes from the end of one to the beginning of the next, at least
 */
public record SessionWish(List<LocalTime> times, int minutes, int apart) {

  /** One or two a day: common practice, no source. */
  public static final int MOST = 2;

  /** At the start and at the end of the day: common practice, no source; the times our choice. */
  public static final List<LocalTime> USUAL = List.of(LocalTime.of(7, 30), LocalTime.of(18, 0));

  /** Our choice. */
  public static final int USUAL_APART = 240;

  private static final int LONGEST = 180;
  private static final int FARTHEST = 720;

  /** More than any distance within a day. */
  private static final long UNPLACED = 1_000_000;

  /**
   * @throws IllegalArgumentException for more times, for sessions of no or more than three hours,
   *     or for more than twelve hours apart
   */
  public SessionWish {
    times = times.stream().distinct().sorted().toList();
    if (times.size() > MOST) throw new IllegalArgumentException("at most %d times".formatted(MOST));
    if (minutes < 1 || minutes > LONGEST) throw new IllegalArgumentException("minutes: 1 to 180");
    if (apart < 0 || apart > FARTHEST) throw new IllegalArgumentException("apart: 0 to 720");
  }

  /**
   * Where they go on a day: as many as can be, then as near to their times as can be, in minutes
   * all together; exact. Of two as near, the earlier.
   *
   * @param taken when none can be
   * @param moved where the client has put one, by its place among the times; there it is
   * @param after the end of the last one of the day before; empty where there is none
   * @return one for each time; empty where there is no room for it
   */
  public List<Optional<Span>> on(
      LocalDate date,
      ZoneId zone,
      Collection<Span> taken,
      List<Optional<Instant>> moved,
      Optional<Instant> after) {
    Instant midnight = date.atStartOfDay(zone).toInstant();
    int day = minute(midnight, date.plusDays(1).atStartOfDay(zone).toInstant());
    boolean[] free = free(day, midnight, taken);
    int early = after.map(a -> Math.max(0, minute(midnight, a) + apart)).orElse(0);
    int[] wanted = new int[times.size()];
    for (int i = 0; i < wanted.length; i++) {
      wanted[i] = minute(midnight, date.atTime(times.get(i)).atZone(zone).toInstant());
    }
    // The best for those from one on, none of them before a minute.
    long[][] best = new long[times.size() + 1][day + 1];
    for (int i = times.size() - 1; i >= 0; i--) {
      for (int t = day; t >= 0; t--) {
        best[i][t] = UNPLACED + best[i + 1][t];
        if (t < day) best[i][t] = Math.min(best[i][t], best[i][t + 1]);
        if (may(i, t, free, moved, midnight, early)) {
          best[i][t] = Math.min(best[i][t], there(i, t, wanted, best));
        }
      }
    }
    List<Optional<Span>> placed = new ArrayList<>();
    int t = 0;
    for (int i = 0; i < times.size(); i++) {
      int at = t;
      while (at < day
          && !(may(i, at, free, moved, midnight, early)
              && there(i, at, wanted, best) == best[i][t])) {
        at++;
      }
      if (at == day) {
        placed.add(Optional.empty());
        continue;
      }
      placed.add(Optional.of(Span.ofMinutes(midnight.plus(Duration.ofMinutes(at)), minutes)));
      t = Math.min(day, at + minutes + apart);
    }
    return placed;
  }

  /** What stands against having one somewhere. */
  public enum Against {
    /** It is another day there. */
    ANOTHER_DAY,
    /** Something else is there in which none can be. */
    TAKEN,
    /** Another one would be nearer than wished, or have no room any more. */
    TOO_NEAR
  }

  /**
   * What stands against putting one somewhere.
   *
   * @param closed when none may be put, which is less than {@code taken}: at work somebody may put
   *     one who wants to
   * @param place of it among the times
   */
  public Optional<Against> against(
      LocalDate date,
      ZoneId zone,
      Collection<Span> closed,
      Collection<Span> taken,
      List<Optional<Instant>> moved,
      Optional<Instant> after,
      int place,
      Instant to) {
    Span there = Span.ofMinutes(to, minutes);
    LocalDate last = there.until().minusSeconds(1).atZone(zone).toLocalDate();
    if (!to.atZone(zone).toLocalDate().equals(date) || !last.equals(date)) {
      return Optional.of(Against.ANOTHER_DAY);
    }
    if (closed.stream().anyMatch(there::overlaps)) return Optional.of(Against.TAKEN);
    List<Optional<Instant>> then = new ArrayList<>();
    for (int i = 0; i < times.size(); i++) {
      then.add(i == place ? Optional.of(to) : i < moved.size() ? moved.get(i) : Optional.empty());
    }
    boolean early = after.filter(a -> to.isBefore(a.plus(Duration.ofMinutes(apart)))).isPresent();
    if (early
        || placed(on(date, zone, taken, then, after))
            < placed(on(date, zone, taken, moved, after))) {
      return Optional.of(Against.TOO_NEAR);
    }
    return Optional.empty();
  }

  private static long placed(List<Optional<Span>> sessions) {
    return sessions.stream().filter(Optional::isPresent).count();
  }

  /** What it costs to have one there, with the best of those after it. */
  private long there(int i, int t, int[] wanted, long[][] best) {
    int next = Math.min(best[i].length - 1, t + minutes + apart);
    return Math.abs(t - wanted[i]) + best[i + 1][next];
  }

  private static boolean may(
      int i, int t, boolean[] free, List<Optional<Instant>> moved, Instant midnight, int early) {
    Optional<Instant> fixed = i < moved.size() ? moved.get(i) : Optional.empty();
    if (fixed.isPresent()) return minute(midnight, fixed.get()) == t;
    return t >= early && t < free.length && free[t];
  }

  /** Minutes at which a session can begin, so that it ends within the day. */
  private boolean[] free(int day, Instant midnight, Collection<Span> taken) {
    boolean[] free = new boolean[Math.max(0, day - minutes + 1)];
    Arrays.fill(free, true);
    for (Span s : taken) {
      Span whole = s.wholeMinutes();
      int from = Math.max(0, minute(midnight, whole.from()) - minutes + 1);
      int until = Math.min(free.length, minute(midnight, whole.until()));
      for (int t = from; t < until; t++) free[t] = false;
    }
    return free;
  }

  private static int minute(Instant midnight, Instant moment) {
    return (int) Duration.between(midnight, moment).toMinutes();
  }
}
