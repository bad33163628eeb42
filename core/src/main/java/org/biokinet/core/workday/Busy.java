package org.biokinet.core.workday;

import java.util.Locale;
import java.util.Optional;
import org.biokinet.core.calendar.CalendarFile.Event;
import org.biokinet.core.calendar.CalendarFile.Shown;
import org.biokinet.core.calendar.CalendarWriter;
import org.biokinet.core.calendar.Span;

/** Something that a calendar holds. */
public record Busy(Span span, Kind kind) {

  /**
   * What an event of a calendar is to a day; empty where it is nothing to it: it takes no time, it
   * may not take place and has no time, or it is one of ours that came back.
   *
   * @param shifts a word in the titles of what are shifts and no meetings; empty where there is
   *     none
   */
  public static Optional<Busy> of(Event e, String shifts) {
    if (e.shown() == Shown.FREE || !e.until().isAfter(e.from())) return Optional.empty();
    if (e.id().endsWith(CalendarWriter.OURS)) return Optional.empty();
    boolean shift =
        !shifts.isBlank()
            && e.title().toLowerCase(Locale.ROOT).contains(shifts.strip().toLowerCase(Locale.ROOT));
    boolean tentative = e.shown() == Shown.TENTATIVE;
    if (e.wholeDay() && (shift || tentative)) return Optional.empty();
    Kind kind = e.wholeDay() ? Kind.AWAY : shift ? Kind.SHIFT : tentative ? Kind.SOFT : Kind.HARD;
    return Optional.of(new Busy(new Span(e.from(), e.until()), kind));
  }

  /** What becomes of a day by it. */
  public enum Kind {
    /** They work then; where there are any, nothing else says when. */
    SHIFT,
    /** A meeting in which nobody can stand up. */
    HARD,
    /** One in which somebody can, if need be. */
    SOFT,
    /** They are not at work at all. */
    AWAY
  }
}
