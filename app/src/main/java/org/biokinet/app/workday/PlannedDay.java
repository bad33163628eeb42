package org.biokinet.app.workday;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.core.calendar.Span;
import org.biokinet.core.workday.SoFar;
import org.biokinet.core.workday.Unkept;
import org.biokinet.core.workday.Workday;

/**
 * A day of a client as it is planned now.
 *
 * @param id the same for the day, however often it is planned
 * @param revision more each time that it was planned otherwise
 * @param breaks all of the day, in order
 * @param had how many breaks were had, planned or not
 * @param number how many there are with those, what was put off counted once
 * @param extra those of them that were not planned
 * @param sittings without a break, as far as is known
 * @param sessions by their place; empty where there was no room for one
 * @param everBreaks as many as there ever were; {@code everSessions} likewise
 * @param deskProgram whether there is one that may be done
 */
public record PlannedDay(
    UUID id,
    LocalDate date,
    Workday day,
    int revision,
    List<Break> breaks,
    int had,
    int number,
    List<Span> extra,
    List<Span> sittings,
    List<Optional<Placed>> sessions,
    List<Unkept> unkept,
    int everBreaks,
    int everSessions,
    boolean deskProgram) {

  /** A planned break, and what it is now. */
  public record Break(Span span, SoFar.State state) {}

  /**
   * A session.
   *
   * @param moved whether the client put it there
   */
  public record Placed(Span span, boolean done, boolean moved) {}

  /** The longest sitting in minutes; 0 on a day without work. */
  public long longest() {
    return sittings.stream().mapToLong(Span::minutes).max().orElse(0);
  }

  /** The break that is asked for now, or comes next. */
  public Optional<Break> next() {
    return breaks.stream()
        .filter(b -> b.state() == SoFar.State.NOW || b.state() == SoFar.State.COMING)
        .findFirst();
  }

  /** Whether work is still going on, or to come. */
  public boolean over(Instant now) {
    return day.work().stream().noneMatch(w -> w.until().isAfter(now));
  }
}
