package org.biokinet.core.ledger;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.biokinet.core.anatomy.Intent;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.dose.Volume;
import org.biokinet.core.program.Item;
import org.biokinet.core.timeline.Timeline;

/**
 * Planned stretch of every tissue on each side. The seconds are those of the timeline (holds of a
 * stretch, deeper phases of contract–relax); the first target counts in full and every other at
 * half (our choice). A stretch of both sides at once counts fully for each.
 *
 * @param entries in the order of {@link Tissue}; only tissues that are stretched
 */
public record Ledger(List<Entry> entries) {

  public static final Ledger NOTHING = new Ledger(List.of());

  /** Without a word about it an item is done every day (our choice). */
  private static final int EVERY_DAY = 7;

  /** Days at the desk in a week (our choice). */
  private static final int DESK_DAYS = 5;

  /** A rise of a week is flagged above half as much again, or 30 s a day (our choice). */
  private static final double RISE_FACTOR = 1.5;

  private static final double RISE_A_DAY = 30;

  /** One tissue. */
  public record Entry(Tissue tissue, Amount left, Amount right) {

    public Amount on(Side side) {
      return side == Side.LEFT ? left : right;
    }

    /** Only muscles have a band: nobody is urged to stretch a nerve, a joint or a motion. */
    public boolean banded() {
      return tissue.kind() == Tissue.Kind.MUSCLE;
    }

    public Optional<Band.Verdict> verdict(Band band, Side side) {
      return banded() ? Optional.of(band.of(on(side))) : Optional.empty();
    }

    /** Seconds a day that the left has more than the right. */
    public double leftMore() {
      return left.aDay() - right.aDay();
    }
  }

  /**
   * A rise on one side that is more than a week should bring.
   *
   * @param before seconds a week planned until now
   * @param now seconds a week planned from now on
   * @param limit the most that would not be flagged
   */
  public record Rise(Tissue tissue, Side side, double before, double now, double limit) {

    public String words() {
      return "%s %s: %d → %d s a week; at most %d is advised"
          .formatted(
              side.label(), tissue.label(), Math.round(before), Math.round(now), Math.round(limit));
    }
  }

  public Ledger {
    entries = List.copyOf(entries);
  }

  public static Ledger of(Timeline timeline) {
    Map<Tissue, Amount[]> sums = new EnumMap<>(Tissue.class);
    List<Item> items = timeline.program().items();
    for (int i = 0; i < items.size(); i++) {
      for (Side side : Side.values()) {
        int seconds = timeline.stretchSeconds(i, side);
        if (seconds > 0) add(sums, items.get(i), side, seconds);
      }
    }
    List<Entry> entries = new ArrayList<>();
    sums.forEach((tissue, both) -> entries.add(new Entry(tissue, both[0], both[1])));
    return new Ledger(entries);
  }

  private static void add(Map<Tissue, Amount[]> sums, Item item, Side side, int seconds) {
    SideDose dose = item.dose().on(side).orElseThrow();
    int days = days(dose);
    List<Tissue> targets = item.exercise().targets();
    for (int t = 0; t < targets.size(); t++) {
      // A stretch may mobilise or calm one of its targets; that is no stretch of it.
      boolean counts =
          item.exercise().intentFor(targets.get(t)) == Intent.LENGTHEN
              || targets.get(t).kind() != Tissue.Kind.MUSCLE;
      if (!counts) continue;
      double daily = seconds * Volume.times(dose) * (t == 0 ? 1 : 0.5);
      Amount[] both = sums.computeIfAbsent(targets.get(t), x -> none());
      int at = side == Side.LEFT ? 0 : 1;
      both[at] = both[at].plus(daily, days);
    }
  }

  /** Both together, on the same days. */
  public Ledger plus(Ledger other) {
    Map<Tissue, Entry> sums = new EnumMap<>(Tissue.class);
    for (Entry e : entries) sums.put(e.tissue(), e);
    for (Entry e : other.entries) {
      sums.merge(
          e.tissue(),
          e,
          (a, b) -> new Entry(a.tissue(), a.left().plus(b.left()), a.right().plus(b.right())));
    }
    return new Ledger(List.copyOf(sums.values()));
  }

  private static Amount[] none() {
    Amount[] both = new Amount[2];
    Arrays.fill(both, Amount.NONE);
    return both;
  }

  private static int days(SideDose dose) {
    return dose.perWeek().orElse(dose.everyMinutes().isPresent() ? DESK_DAYS : EVERY_DAY);
  }

  public Optional<Entry> find(Tissue tissue) {
    return entries.stream().filter(e -> e.tissue() == tissue).findFirst();
  }

  /** Seconds a week of one tissue side that are not flagged after so many in the week before. */
  public static double mostAfter(double secondsAWeek) {
    return Math.max(secondsAWeek * RISE_FACTOR, secondsAWeek + RISE_A_DAY * EVERY_DAY);
  }

  /** What rises too fast when this ledger follows another. */
  public List<Rise> risesFrom(Ledger before) {
    List<Rise> rises = new ArrayList<>();
    for (Entry e : entries) {
      if (!e.banded()) continue;
      for (Side side : Side.values()) {
        double was = before.find(e.tissue()).map(x -> x.on(side).aWeek()).orElse(0.0);
        double now = e.on(side).aWeek();
        double limit = mostAfter(was);
        if (now > limit) rises.add(new Rise(e.tissue(), side, was, now, limit));
      }
    }
    return rises;
  }
}
