package org.biokinet.app.worklist;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

/** The last seven days of one client about the axis, newest at the foot. */
public record Week(List<Day> days) {

  /** One day: whether the left and the right were worked, and whether something was stopped. */
  public record Day(LocalDate date, boolean left, boolean right, boolean stopped) {}

  static Week of(List<Standing.Day> done, LocalDate today) {
    List<Day> days = new ArrayList<>();
    for (int back = 6; back >= 0; back--) {
      LocalDate date = today.minusDays(back);
      days.add(
          done.stream()
              .filter(d -> d.date().equals(date))
              .findFirst()
              .map(d -> new Day(date, d.left(), d.right(), d.stopped()))
              .orElse(new Day(date, false, false, false)));
    }
    return new Week(days);
  }
}
