package org.biokinet.app.worklist;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.biokinet.app.session.SessionRow;
import org.biokinet.core.session.Ended;

/** The last seven days of one client about the axis, newest at the foot. */
public record Week(List<Day> days) {

  /** One day: whether the left and the right were worked, and whether something was stopped. */
  public record Day(LocalDate date, boolean left, boolean right, boolean stopped) {}

  static Week of(UUID clientId, LocalDate today, List<SessionRow> sessions) {
    List<Day> days = new ArrayList<>();
    for (int back = 6; back >= 0; back--) {
      LocalDate date = today.minusDays(back);
      List<SessionRow> that =
          sessions.stream()
              .filter(s -> s.clientId().equals(clientId) && s.localDate().equals(date))
              .toList();
      days.add(
          new Day(
              date,
              that.stream().anyMatch(s -> s.stretchLeft() > 0),
              that.stream().anyMatch(s -> s.stretchRight() > 0),
              that.stream().anyMatch(s -> s.ended() == Ended.STOPPED)));
    }
    return new Week(days);
  }
}
