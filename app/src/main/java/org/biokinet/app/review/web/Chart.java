package org.biokinet.app.review.web;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.biokinet.app.platform.Days;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.session.CheckIn;
import org.biokinet.core.session.Morning;
import org.biokinet.core.session.Session;

/**
 * Days down the axis, newest at the foot: stretch on the left and on the right of it, and the
 * highest pain beside. All lengths are in the units of the drawing.
 */
record Chart(List<Day> days, int height, String painLine, int most, int scaleLeft, int scaleRight) {

  static final int ROW = 20;
  static final int TOP = 24;

  private static final int AXIS = 150;
  private static final int BAR = 80;
  private static final int PAIN_FROM = 250;
  private static final int PAIN_STEP = 9;

  /**
   * One day.
   *
   * @param left length of the bar left of the axis
   * @param versions shared on this day, the newest of each program; empty for none
   * @param painX where the highest pain of the day stands, 0 for none
   * @param morning pain of the morning, where it was told
   * @param morningX where that stands, 0 for none
   */
  record Day(
      String label,
      int y,
      int left,
      int right,
      int leftSeconds,
      int rightSeconds,
      String versions,
      Optional<Integer> pain,
      int painX,
      Optional<Integer> morning,
      int morningX) {}

  static Chart of(
      LocalDate from,
      LocalDate to,
      List<Session> sessions,
      Collection<Morning> mornings,
      Collection<ProgramVersion> versions,
      ZoneId zone) {
    Map<LocalDate, int[]> stretch = new TreeMap<>();
    Map<LocalDate, Integer> pain = new TreeMap<>();
    for (Session s : sessions) {
      int[] sum = stretch.computeIfAbsent(s.day(), d -> new int[2]);
      sum[0] += s.stretchSeconds(Side.LEFT);
      sum[1] += s.stretchSeconds(Side.RIGHT);
      s.painBefore().ifPresent(p -> pain.merge(s.day(), p, Math::max));
      s.checkIn().flatMap(CheckIn::highestPain).ifPresent(p -> pain.merge(s.day(), p, Math::max));
    }
    int most = Math.max(60, stretch.values().stream().flatMapToInt(IntStream::of).max().orElse(0));
    List<Day> days = new ArrayList<>();
    StringBuilder line = new StringBuilder();
    for (LocalDate date = from; !date.isAfter(to); date = date.plusDays(1)) {
      LocalDate day = date;
      int[] sum = stretch.getOrDefault(day, new int[2]);
      int y = TOP + days.size() * ROW;
      Optional<Integer> p = Optional.ofNullable(pain.get(day));
      int x = p.map(v -> PAIN_FROM + v * PAIN_STEP).orElse(0);
      p.ifPresent(
          v -> line.append(line.isEmpty() ? "" : " ").append(x).append(',').append(y + ROW / 2));
      Optional<Integer> woke =
          mornings.stream().filter(m -> m.day().equals(day)).findFirst().flatMap(Morning::pain);
      days.add(
          new Day(
              Days.day(day),
              y,
              sum[0] * BAR / most,
              sum[1] * BAR / most,
              sum[0],
              sum[1],
              shared(
                  versions.stream()
                      .filter(v -> v.sharedAt().atZone(zone).toLocalDate().equals(day))
                      .toList()),
              p,
              x,
              woke,
              woke.map(v -> PAIN_FROM + v * PAIN_STEP).orElse(0)));
    }
    return new Chart(
        days, TOP + days.size() * ROW + 8, line.toString(), most, AXIS - BAR, AXIS + BAR);
  }

  /** "v3 · desk v1", where they were shared on one day. */
  private static String shared(List<ProgramVersion> versions) {
    Map<ProgramKind, ProgramVersion.Name> newest = new EnumMap<>(ProgramKind.class);
    versions.forEach(
        v -> newest.merge(v.program(), v.name(), (a, b) -> a.number() > b.number() ? a : b));
    return newest.values().stream()
        .map(ProgramVersion.Name::words)
        .collect(Collectors.joining(" · "));
  }
}
