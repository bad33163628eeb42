package org.biokinet.core.progress;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Stream;
import org.biokinet.core.measure.Change;
import org.biokinet.core.measure.Scale;
import org.biokinet.core.session.CheckIn;
import org.biokinet.core.session.Morning;
import org.biokinet.core.session.Session;

/**
 * The weeks behind a client, and what can truly be said of them.
 *
 * @param weeks of seven days each, the one that ends today first
 * @param said how pain has changed, where that is beyond error; empty where nothing can be said
 */
public record LookingBack(List<Week> weeks, Optional<Said> said) {

  /** With fewer there is no mean of a week. */
  public static final int LEAST_VALUES = 3;

  /** A week is compared with one of these, the first that has a mean; our choice. */
  private static final List<Integer> WEEKS_AGO = List.of(3, 4, 2, 5, 6, 7, 1);

  /**
   * Seven days.
   *
   * @param before mean pain before a session; empty with fewer than three values
   * @param morning mean pain of the mornings that were told; empty with fewer than three
   * @param highest the highest pain in any session
   * @param felt mean stretch felt, of what was told
   */
  public record Week(
      LocalDate from,
      int sessions,
      OptionalDouble before,
      OptionalDouble morning,
      Optional<Integer> highest,
      OptionalDouble felt) {}

  /** What pain is about. */
  public enum What {
    MORNINGS,
    BEFORE_SESSIONS
  }

  /** A change that is real: beyond the error of one who says a number from 0 to 10. */
  public record Said(What what, Change change, int weeksAgo) {}

  public LookingBack {
    weeks = List.copyOf(weeks);
  }

  /**
   * @param most how many weeks
   * @param sessions in any order; older ones do no harm
   */
  public static LookingBack of(
      LocalDate today, int most, Collection<Session> sessions, Collection<Morning> mornings) {
    List<Week> weeks = new ArrayList<>();
    for (int n = 0; n < most; n++) {
      int week = n;
      List<Session> own = sessions.stream().filter(s -> week(s.day(), today) == week).toList();
      Stream<Integer> morning =
          mornings.stream()
              .filter(m -> week(m.day(), today) == week)
              .flatMap(m -> m.pain().stream());
      weeks.add(
          new Week(
              today.minusDays(7L * week + 6),
              own.size(),
              mean(own.stream().flatMap(s -> s.painBefore().stream()), LEAST_VALUES),
              mean(morning, LEAST_VALUES),
              own.stream().flatMap(s -> s.highestPain().stream()).max(Integer::compare),
              mean(
                  own.stream().flatMap(s -> s.checkIn().flatMap(CheckIn::stretchFelt).stream()),
                  1)));
    }
    return new LookingBack(
        weeks,
        changed(weeks, What.MORNINGS, Week::morning)
            .or(() -> changed(weeks, What.BEFORE_SESSIONS, Week::before)));
  }

  private static long week(LocalDate day, LocalDate today) {
    return Math.floorDiv(ChronoUnit.DAYS.between(day, today), 7L);
  }

  private static OptionalDouble mean(Stream<Integer> values, int least) {
    List<Integer> all = values.toList();
    return all.size() < least
        ? OptionalDouble.empty()
        : all.stream().mapToInt(Integer::intValue).average();
  }

  private static Optional<Said> changed(
      List<Week> weeks, What what, Function<Week, OptionalDouble> of) {
    OptionalDouble now = of.apply(weeks.get(0));
    if (now.isEmpty()) return Optional.empty();
    return WEEKS_AGO.stream()
        .filter(n -> n < weeks.size() && of.apply(weeks.get(n)).isPresent())
        .findFirst()
        .map(
            n ->
                new Said(
                    what,
                    Change.of(Scale.NPRS, of.apply(weeks.get(n)).getAsDouble(), now.getAsDouble()),
                    n))
        .filter(s -> s.change().beyondError());
  }
}
