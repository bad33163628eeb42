package org.biokinet.app.program;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.biokinet.app.library.Library;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.ledger.Ledger;
import org.biokinet.core.program.Difference;
import org.biokinet.core.program.Difference.Change;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.timeline.Timeline;

/**
 * Two programs beside each other, as templates show them.
 *
 * @param clocks of one session, before and after
 * @param rows stretch a day of every tissue that either of them stretches
 */
public record Comparison(String clocks, List<Line> lines, boolean reordered, List<Row> rows) {

  /**
   * One change.
   *
   * @param sign "+", "−", or empty for what is in both
   * @param side where it changed, or empty
   * @param more how much more or less a day, or empty
   */
  public record Line(String sign, String name, Optional<Side> side, String what, String more) {}

  /**
   * Stretch of one tissue, seconds a day.
   *
   * @param scale seconds at the end of the drawing
   */
  public record Row(
      String tissue, int leftBefore, int rightBefore, int left, int right, int scale) {

    /** Units of the drawing, of 100 on either side. */
    public int units(int seconds) {
      return 100 * seconds / scale;
    }
  }

  /** The scale reaches at least this many seconds, so that small doses look small. */
  private static final int SCALE = 120;

  public static Comparison of(VersionService.Replay before, VersionService.Replay after) {
    return of(before, after.program(), after.catalogue());
  }

  /** A version and what is to take its place; nothing in that is new. */
  public static Comparison of(VersionService.Replay before, Program after) {
    return of(before, after, before.catalogue());
  }

  private static Comparison of(VersionService.Replay before, Program after, Catalogue named) {
    Timeline was = Timeline.compile(before.program());
    Timeline is = Timeline.compile(after);
    Difference d = Difference.of(before.program(), after);
    return new Comparison(
        clocks(was.seconds(), is.seconds()),
        d.changes().stream().map(c -> line(c, before.catalogue(), after, named)).toList(),
        d.reordered(),
        rows(Ledger.of(was), Ledger.of(is)));
  }

  /** "4:06 → 7:45". */
  public static String clocks(int before, int after) {
    return before == after
        ? Timeline.clock(after)
        : Timeline.clock(before) + " → " + Timeline.clock(after);
  }

  private static Line line(Change change, Catalogue before, Program after, Catalogue named) {
    if (change instanceof Change.Added c) {
      return new Line("+", name(c.item(), named), Optional.empty(), dose(c.item()), "");
    }
    if (change instanceof Change.Removed c) {
      return new Line("−", name(c.item(), before), Optional.empty(), dose(c.item()), "");
    }
    if (change instanceof Change.Dosed c) {
      String what = "%s → %s".formatted(dose(c.was()), dose(c.now()));
      String more = c.more(after.breathSeconds()).words();
      return new Line("", name(c.item(), named), c.side(), what, more);
    }
    Change.Placed c = (Change.Placed) change;
    String what = "%s → %s".formatted(c.before().label(), c.item().position().label());
    return new Line("", name(c.item(), named), Optional.empty(), what, "");
  }

  private static String name(Item item, Catalogue of) {
    return of.words(item.exercise(), Library.LANGUAGE).name();
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
