package org.biokinet.app.workday.web;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.platform.Days;
import org.biokinet.app.workday.PlannedDay;
import org.biokinet.app.workday.WorkdayService;
import org.biokinet.core.calendar.Span;
import org.biokinet.core.workday.Busy;

/** What is in a day, one under the other. */
final class DayLines {

  /**
   * One of it.
   *
   * @param what the key of its words
   * @param state the key of the words for what became of it; empty where there is nothing to say
   * @param title what a calendar calls it; or empty
   * @param place of a session that can be moved; empty for anything else
   * @param offers times to which it can be moved by one tap
   * @param byHand of what can be taken away again
   */
  record Line(
      Instant at,
      String from,
      String until,
      String what,
      String state,
      String title,
      Optional<Integer> place,
      List<String> offers,
      Optional<UUID> byHand) {}

  /** Where a session can be moved to. */
  interface Offers {
    List<Instant> of(int place, Instant is);
  }

  private final ZoneId zone;
  private final Offers offers;
  private final List<Line> lines = new ArrayList<>();

  private DayLines(ZoneId zone, Offers offers) {
    this.zone = zone;
    this.offers = offers;
  }

  static List<Line> of(PlannedDay day, List<WorkdayService.Held> held, ZoneId zone, Offers offers) {
    DayLines all = new DayLines(zone, offers);
    for (Span w : day.day().work()) all.add(w, "work.line.work", "");
    for (WorkdayService.Held h : held) all.held(h);
    day.breaks().forEach(b -> all.add(b.span(), "work.line.break", "work.state." + b.state()));
    day.extra().forEach(s -> all.add(s, "work.line.break", "work.state.DONE"));
    for (int i = 0; i < day.sessions().size(); i++) {
      int place = i;
      day.sessions().get(i).ifPresent(s -> all.session(s, place));
    }
    return all.lines.stream().sorted(Comparator.comparing(Line::at)).toList();
  }

  private void add(Span span, String what, String state) {
    add(span, what, state, "", Optional.empty(), Optional.empty());
  }

  private void session(PlannedDay.Placed s, int place) {
    add(
        s.span(),
        "work.line.session",
        s.done() ? "work.state.DONE" : s.moved() ? "work.state.MOVED" : "",
        "",
        s.done() ? Optional.empty() : Optional.of(place),
        Optional.empty());
  }

  private void held(WorkdayService.Held h) {
    // Shifts are the work, which has its line already.
    if (h.busy().kind() == Busy.Kind.SHIFT) return;
    add(
        h.busy().span(),
        "work.line." + h.busy().kind(),
        "",
        h.title(),
        Optional.empty(),
        h.byHand());
  }

  private void add(
      Span span,
      String what,
      String state,
      String title,
      Optional<Integer> place,
      Optional<UUID> byHand) {
    lines.add(
        new Line(
            span.from(),
            Days.time(span.from(), zone),
            Days.time(span.until(), zone),
            what,
            state,
            title,
            place,
            place.stream()
                .flatMap(p -> offers.of(p, span.from()).stream())
                .map(at -> Days.time(at, zone))
                .toList(),
            byHand));
  }
}
