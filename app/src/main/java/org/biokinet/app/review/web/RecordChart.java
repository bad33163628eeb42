package org.biokinet.app.review.web;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.biokinet.app.platform.Days;
import org.biokinet.core.progress.Colour;
import org.biokinet.core.progress.Overview;

/**
 * The record of the last weeks on one time axis, newest at the foot: how each session was borne,
 * stretch on the left and on the right of the body's axis, and pain beside. All lengths are in the
 * units of the drawing.
 *
 * @param highest points of the line of the highest pain; {@code mean} likewise
 */
record RecordChart(List<Row> rows, int height, String highest, String mean, int most) {

  static final int ROW = 9;
  static final int TOP = 24;
  static final int AXIS = 220;
  private static final int BAR = 120;
  private static final int COLOURS_FROM = 368;
  private static final int COLOUR = 13;
  static final int PAIN_FROM = 440;
  static final int PAIN_STEP = 19;
  private static final int LEAST_SCALE = 60;

  /**
   * A day.
   *
   * @param label named on Mondays and on the last; else empty
   * @param said all of it in words
   * @param left length of the bar left of the axis
   * @param before where that pain stands; empty where it was not told, like the others
   * @param mark what was shared or measured, or empty
   */
  record Row(
      String label,
      String said,
      int y,
      int left,
      int right,
      List<Dot> colours,
      Optional<Integer> before,
      Optional<Integer> highest,
      Optional<Integer> morning,
      boolean paused,
      String mark) {}

  /** A session, by its form as well as by its colour. */
  record Dot(int x, String state, String form) {}

  /**
   * @param measured days on which something was measured
   */
  static RecordChart of(Overview overview, Collection<LocalDate> measured) {
    int most =
        overview.days().stream()
            .mapToInt(d -> Math.max(d.left(), d.right()))
            .reduce(LEAST_SCALE, Math::max);
    List<Row> rows = new ArrayList<>();
    StringBuilder highest = new StringBuilder();
    StringBuilder mean = new StringBuilder();
    Set<LocalDate> days = Set.copyOf(measured);
    for (Overview.Day d : overview.days()) {
      int y = TOP + rows.size() * ROW;
      int middle = y + ROW / 2;
      d.highest().ifPresent(p -> point(highest, x(p), middle));
      d.mean().ifPresent(m -> point(mean, x(m), middle));
      boolean last = rows.size() == overview.days().size() - 1;
      rows.add(
          new Row(
              last || d.day().getDayOfWeek() == DayOfWeek.MONDAY ? Days.day(d.day()) : "",
              said(d),
              y,
              d.left() * BAR / most,
              d.right() * BAR / most,
              dots(d.sessions()),
              d.before().map(RecordChart::x),
              d.highest().map(RecordChart::x),
              d.morning().map(RecordChart::x),
              d.paused(),
              mark(d, days.contains(d.day()))));
    }
    return new RecordChart(
        rows, TOP + rows.size() * ROW + 8, highest.toString(), mean.toString(), most);
  }

  private static void point(StringBuilder line, int x, int y) {
    line.append(line.isEmpty() ? "" : " ").append(x).append(',').append(y);
  }

  private static int x(double pain) {
    return PAIN_FROM + (int) Math.round(pain * PAIN_STEP);
  }

  private static String mark(Overview.Day d, boolean measured) {
    String version = d.version().map(v -> "v" + v).orElse("");
    if (!measured) return version;
    return version.isEmpty() ? "◇" : version + " ◇";
  }

  private static List<Dot> dots(List<Colour> colours) {
    List<Dot> dots = new ArrayList<>();
    for (Colour c : colours) {
      int x = COLOURS_FROM + dots.size() * COLOUR;
      dots.add(
          switch (c) {
            case GREEN -> new Dot(x, "state-go", "●");
            case UNCOLOURED -> new Dot(x, "", "○");
            case AMBER -> new Dot(x, "state-stay", "▲");
            case RED -> new Dot(x, "state-stop", "✕");
          });
    }
    return dots;
  }

  private static String said(Overview.Day d) {
    List<String> said = new ArrayList<>(List.of(Days.day(d.day())));
    if (d.paused()) said.add("away or ill");
    for (Colour c : d.sessions()) said.add("a session " + c.word());
    if (!d.sessions().isEmpty()) said.add("stretch L %d s, R %d s".formatted(d.left(), d.right()));
    d.before().ifPresent(p -> said.add("pain before " + p));
    d.highest().ifPresent(p -> said.add("highest " + p));
    d.morning().ifPresent(p -> said.add("in the morning " + p));
    d.version().ifPresent(v -> said.add("version %d shared".formatted(v)));
    return String.join(", ", said);
  }
}
