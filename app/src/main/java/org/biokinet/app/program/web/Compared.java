package org.biokinet.app.program.web;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.biokinet.app.library.Library;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.app.program.VersionService;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.ledger.Ledger;
import org.biokinet.core.program.Difference;
import org.biokinet.core.program.Difference.Change;
import org.biokinet.core.program.Item;
import org.biokinet.core.timeline.Timeline;

/**
 * Two versions beside each other, as the template shows them.
 *
 * @param clocks of one session, before and after
 * @param rows stretch a day of every tissue that either of them stretches
 */
record Compared(
    ProgramVersion before,
    ProgramVersion after,
    String clocks,
    List<Line> lines,
    boolean reordered,
    List<Row> rows) {

  /**
   * One change.
   *
   * @param sign "+", "−", or empty for what is in both
   * @param side where it changed, or empty
   * @param more how much more or less a day, or empty
   */
  record Line(String sign, String name, Optional<Side> side, String what, String more) {}

  /**
   * Stretch of one tissue, seconds a day.
   *
   * @param scale seconds at the end of the drawing
   */
  record Row(String tissue, int leftBefore, int rightBefore, int left, int right, int scale) {

    /** Units of the drawing, of 100 on either side. */
    public int units(int seconds) {
      return 100 * seconds / scale;
    }
  }

  /** The scale reaches at least this many seconds, so that small doses look small. */
  private static final int SCALE = 120;

  static Compared of(VersionService.Replay before, VersionService.Replay after) {
    Timeline was = Timeline.compile(before.program());
    Timeline is = Timeline.compile(after.program());
    Difference d = Difference.of(before.program(), after.program());
    return new Compared(
        before.version(),
        after.version(),
        ServedView.clocks(was.seconds(), is.seconds()),
        d.changes().stream().map(c -> line(c, before, after)).toList(),
        d.reordered(),
        rows(Ledger.of(was), Ledger.of(is)));
  }

  private static Line line(
      Change change, VersionService.Replay before, VersionService.Replay after) {
    if (change instanceof Change.Added c) {
      return new Line("+", name(c.item(), after), Optional.empty(), dose(c.item()), "");
    }
    if (change instanceof Change.Removed c) {
      return new Line("−", name(c.item(), before), Optional.empty(), dose(c.item()), "");
    }
    if (change instanceof Change.Dosed c) {
      String what = "%s → %s".formatted(dose(c.was()), dose(c.now()));
      String more = c.more(after.program().breathSeconds()).words();
      return new Line("", name(c.item(), after), c.side(), what, more);
    }
    Change.Placed c = (Change.Placed) change;
    String what = "%s → %s".formatted(c.before().label(), c.item().position().label());
    return new Line("", name(c.item(), after), Optional.empty(), what, "");
  }

  private static String name(Item item, VersionService.Replay of) {
    return of.catalogue().words(item.exercise(), Library.LANGUAGE).name();
  }

  private static String dose(Item item) {
    return DoseNotation.format(item.dose());
  }

  private static String dose(Optional<SideDose> dose) {
    return dose.map(d -> DoseNotation.format(new Dose.Alike(d))).orElse("nothing");
  }

  private static List<Row> rows(Ledger before, Ledger after) {
    Set<Tissue> tissues = new LinkedHashSet<>();
    int scale = SCALE;
    for (Ledger ledger : List.of(after, before)) {
      for (Ledger.Entry e : ledger.entries()) {
        tissues.add(e.tissue());
        for (Side side : Side.values()) scale = Math.max(scale, day(ledger, e.tissue(), side));
      }
    }
    List<Row> rows = new ArrayList<>();
    for (Tissue t : tissues) {
      rows.add(
          new Row(
              t.label(),
              day(before, t, Side.LEFT),
              day(before, t, Side.RIGHT),
              day(after, t, Side.LEFT),
              day(after, t, Side.RIGHT),
              scale));
    }
    return rows;
  }

  private static int day(Ledger ledger, Tissue tissue, Side side) {
    return ledger.find(tissue).map(e -> (int) Math.round(e.on(side).aDay())).orElse(0);
  }
}
