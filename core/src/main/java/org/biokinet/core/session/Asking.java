package org.biokinet.core.session;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * What a client is asked between two sessions. Nothing is asked twice, and nothing must be
 * answered.
 *
 * @param settled the session whose pain may have settled by now; empty where that is not asked
 * @param hourOver whether its hour is over, so that the answer is the last
 * @param morning whether this morning is asked about
 */
public record Asking(Optional<Session> settled, boolean hourOver, boolean morning) {

  /**
   * From this rise on it is asked where it hurt, and whether it has settled: amber under
   * comfort-first. After the pain-monitoring model of Thomeé 1997 and Silbernagel 2007, made for
   * knee and Achilles; values recalled from memory.
   */
  public static final int ROSE_BY = 2;

  /** Within it pain should be back; same source. */
  public static final Duration SETTLES_WITHIN = Duration.ofHours(1);

  /** What is told later than that in the night is of the next morning; our choice. */
  public static final LocalTime MORNING_FROM = LocalTime.of(4, 0);

  /**
   * The morning of a next day says something about a session that ended no longer ago; our choice.
   */
  public static final Duration MORNING_WITHIN = Duration.ofHours(36);

  /** Days from one body map to the next, where it was asked for; our choice. */
  public static final int MAP_EVERY = 7;

  /**
   * @param now where the client is
   * @param recent sessions of the last two days, in any order
   * @param told mornings that were asked about
   * @param from the hour of day that the client chose for the question; never before 04:00
   */
  public static Asking of(
      ZonedDateTime now, List<Session> recent, List<Morning> told, LocalTime from) {
    Optional<Session> last = recent.stream().max(Comparator.comparing(Session::startedAt));
    ZonedDateTime morning = now.toLocalDate().atTime(MORNING_FROM).atZone(now.getZone());
    Optional<Session> rose =
        last.filter(s -> s.rise().filter(r -> r >= ROSE_BY).isPresent())
            .filter(s -> !now.isAfter(night(s, now)))
            .filter(s -> s.settled().isEmpty() || !over(s, s.settled().get().at()))
            .filter(s -> s.settled().map(t -> !t.settled()).orElse(true));
    boolean asked = told.stream().anyMatch(m -> m.day().equals(now.toLocalDate()));
    // Who has trained this morning has told the pain before it.
    boolean knownAlready =
        recent.stream()
            .anyMatch(
                s -> !s.startedAt().isBefore(morning.toInstant()) && s.painBefore().isPresent());
    boolean somethingToAsk =
        recent.stream()
            .filter(s -> s.secondsDone() > 0 && s.day().isBefore(now.toLocalDate()))
            .anyMatch(s -> end(s).plus(MORNING_WITHIN).isAfter(now.toInstant()));
    LocalTime hour = from.isBefore(MORNING_FROM) ? MORNING_FROM : from;
    boolean time = !now.toLocalTime().isBefore(hour);
    return new Asking(
        rose,
        rose.filter(s -> over(s, now.toInstant())).isPresent(),
        time && somethingToAsk && !asked && !knownAlready);
  }

  /** Until the morning after it, when another question takes its place. */
  private static ZonedDateTime night(Session s, ZonedDateTime now) {
    ZonedDateTime end = end(s).atZone(now.getZone());
    ZonedDateTime same = end.toLocalDate().atTime(MORNING_FROM).atZone(now.getZone());
    return end.isBefore(same)
        ? same
        : end.toLocalDate().plusDays(1).atTime(MORNING_FROM).atZone(now.getZone());
  }

  private static boolean over(Session s, Instant at) {
    return !at.isBefore(end(s).plus(SETTLES_WITHIN));
  }

  /** As far as it is known: pauses are not counted. */
  private static Instant end(Session s) {
    return s.startedAt().plusSeconds(s.secondsDone());
  }
}
