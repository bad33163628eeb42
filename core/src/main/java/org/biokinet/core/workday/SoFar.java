package org.biokinet.core.workday;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.biokinet.core.calendar.Span;

/**
 * A day until now: what was planned, what was told, and what the rest of it is planned from.
 *
 * @param had breaks that are known to have been had, as desk programs that were done
 * @param told what else is known, in any order
 * @param planned beginnings of the breaks as they were planned last, in order
 */
public record SoFar(
    Workday day,
    BreakWish wish,
    Instant now,
    List<Span> had,
    List<Moment> told,
    List<Instant> planned) {

  /** For so long somebody is asked; our choice. */
  public static final Duration ASKED = Duration.ofMinutes(5);

  /** "In a moment" is that; our choice. */
  public static final Duration LATER = Duration.ofMinutes(5);

  /** Who did not answer is in something, and is asked no sooner than that; our choice. */
  public static final Duration AGAIN = Duration.ofMinutes(10);

  /** What a planned break is now. */
  public enum State {
    COMING,
    /** It is asked for. */
    NOW,
    DONE,
    /** Nobody said anything: it is taken as had, and not counted as done. */
    PASSED,
    /** It was left out, put off or not answered. */
    NOT_HAD
  }

  public SoFar {
    had =
        Stream.concat(
                had.stream(),
                told.stream()
                    .filter(m -> m.kind() == Moment.Kind.HAD)
                    .map(m -> Span.ofMinutes(m.at(), wish.length())))
            .toList();
    told = List.copyOf(told);
    planned = List.copyOf(planned);
  }

  /** The breaks that were had, whether they were planned or not, once each. */
  public List<Span> breaksHad() {
    return Span.union(Workday.whole(had));
  }

  /** The breaks that were had where none of these was near. */
  public List<Span> besides(List<Instant> begins) {
    return breaksHad().stream().filter(h -> begins.stream().noneMatch(b -> near(h, b))).toList();
  }

  /**
   * How many breaks a day has, had or not: one that was put off or not answered, and came again
   * sooner than the least sitting, is one with what came in its place.
   *
   * @param begins of the planned ones, in order
   */
  public int number(List<Instant> begins) {
    Duration least = Duration.ofMinutes(wish.least());
    int number = begins.size() + besides(begins).size();
    for (int i = 1; i < begins.size(); i++) {
      Duration between = Duration.between(begins.get(i - 1), begins.get(i));
      boolean instead = state(begins.get(i - 1)) == State.NOT_HAD && between.compareTo(least) < 0;
      if (instead) number--;
    }
    return number;
  }

  private Duration near() {
    return Duration.ofMinutes(wish.least()).dividedBy(2);
  }

  private boolean near(Span rest, Instant begin) {
    return Duration.between(rest.from(), begin).abs().compareTo(near()) <= 0;
  }

  /** What a break that was planned to begin then is now. */
  public State state(Instant begin) {
    boolean notHad =
        told.stream()
            .filter(m -> m.kind() != Moment.Kind.HAD)
            .anyMatch(m -> !m.at().isBefore(begin) && m.at().isBefore(begin.plus(near())));
    if (notHad) return State.NOT_HAD;
    if (had.stream().anyMatch(h -> near(h, begin))) return State.DONE;
    if (begin.isAfter(now)) return State.COMING;
    return now.isBefore(begin.plus(ASKED)) ? State.NOW : State.PASSED;
  }

  /** What the rest of the day is planned from. */
  public BreakPlan.Situation situation() {
    List<Span> rests = new ArrayList<>(breaksHad());
    int known = rests.size();
    for (Instant p : planned) {
      State state = state(p);
      if (state == State.PASSED || state == State.NOW) {
        rests.add(Span.ofMinutes(p, wish.length()));
        known++;
      }
    }
    return new BreakPlan.Situation(
        day, wish.less(known), from(), rests, planned.stream().filter(now::isBefore).toList());
  }

  /** When somebody can be asked again. */
  private Instant from() {
    Instant from = now;
    for (Moment m : told) {
      Instant next =
          switch (m.kind()) {
            case HAD -> now;
            case LATER -> m.at().plus(LATER);
            case SKIPPED -> m.at().plus(Duration.ofMinutes(wish.least()));
            case MISSED -> m.at().plus(AGAIN);
          };
      if (next.isAfter(from)) from = next;
    }
    return from;
  }
}
