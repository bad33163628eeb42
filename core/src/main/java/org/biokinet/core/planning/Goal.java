package org.biokinet.core.planning;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.biokinet.core.anatomy.Intent;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.dose.Volume;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.measure.Finding;
import org.biokinet.core.program.Item;
import org.biokinet.core.timeline.Timeline;

/**
 * One thing to be reached on one side: a muscle lengthened up to the lower edge of the band, or
 * something strengthened, mobilised or calmed at all.
 *
 * @param target with its side
 * @param strengthToo whether it counts only in a program that strengthens something, since it comes
 *     of a posture finding
 * @param weight of all findings that ask for it, in millionths
 * @param given half seconds of stretch that what the client does besides brings; what is done
 *     without being counted in seconds is as good again at another time of the day (our choice)
 * @param enough credit from which it is reached in full: half seconds of stretch a day, or halves
 *     of a fitting item
 */
record Goal(Finding.Target target, boolean strengthToo, long weight, int given, int enough) {

  /** Credit of an item whose first target it is, and of one that does it by the way. */
  private static final int FIRST = 2;

  private static final int BY_THE_WAY = 1;
  private static final double MILLIONTHS = 1e6;

  /** A finding's part in a goal. */
  record Share(int goal, long weight) {}

  /**
   * The goals of all findings, each once, and what each finding has of them.
   *
   * @param shares by finding, in the order of the case; a finding that names nothing to treat has
   *     none
   */
  record Goals(List<Goal> all, List<List<Share>> shares) {

    static Goals of(Case c) {
      Map<Goal, Integer> places = new HashMap<>();
      List<Goal> all = new ArrayList<>();
      List<List<Share>> shares = new ArrayList<>();
      for (Finding f : c.findings()) {
        List<Share> mine = new ArrayList<>();
        for (Finding.Target t : f.treat()) {
          List<Finding.Target> sided = sided(t);
          long weight =
              Math.round(Math.max(0, f.weight()) * MILLIONTHS / f.treat().size() / sided.size());
          for (Finding.Target one : sided) {
            Goal key = new Goal(one, f.kind() == Finding.Kind.POSTURE, 0, 0, enough(one, c));
            int place = places.computeIfAbsent(key, k -> all.size());
            if (place == all.size()) all.add(key);
            all.set(place, all.get(place).weighing(weight));
            mine.add(new Share(place, weight));
          }
        }
        shares.add(mine);
      }
      List<Timeline> beside = c.beside().stream().map(i -> Activity.alone(i, c)).toList();
      return new Goals(all.stream().map(g -> g.after(beside)).toList(), shares);
    }
  }

  private static List<Finding.Target> sided(Finding.Target t) {
    if (!(t instanceof Finding.Target.OfTissue o) || o.side().isPresent()) return List.of(t);
    return List.of(on(o, Side.LEFT), on(o, Side.RIGHT));
  }

  private static Finding.Target on(Finding.Target.OfTissue t, Side side) {
    return new Finding.Target.OfTissue(t.intent(), t.tissue(), Optional.of(side));
  }

  private static int enough(Finding.Target t, Case c) {
    return stretched(t) ? 2 * edge(c) : FIRST;
  }

  /** Seconds a day that are enough stretch of a muscle on one side. */
  static int edge(Case c) {
    return c.band().leastOn(7);
  }

  private static boolean stretched(Finding.Target t) {
    return t.intent() == Intent.LENGTHEN;
  }

  private Goal weighing(long more) {
    return new Goal(target, strengthToo, weight + more, given, enough);
  }

  private Goal after(List<Timeline> beside) {
    int stretch = inSeconds() ? beside.stream().mapToInt(this::credit).sum() : 0;
    return new Goal(target, strengthToo, weight, stretch, enough);
  }

  /** Whether its credit is in half seconds of stretch. */
  boolean inSeconds() {
    return stretched(target);
  }

  /** The side that it is on; of a motion, where it goes. */
  Side side() {
    return target instanceof Finding.Target.OfTissue t
        ? t.side().orElseThrow()
        : ((Finding.Target.OfMotion) target).toward();
  }

  /**
   * What an item brings it, as the ledger counts: the first target in full, others at half.
   *
   * @param alone the item compiled by itself
   */
  int credit(Timeline alone) {
    Item item = alone.program().items().get(0);
    Optional<SideDose> dose = treated(item.exercise()).flatMap(item.dose()::on);
    if (dose.isEmpty()) return 0;
    int part = part(item.exercise());
    return inSeconds() ? part * alone.stretchSeconds(0, side()) * Volume.times(dose.get()) : part;
  }

  /** Whether an exercise could do something for it. */
  boolean servedBy(Exercise e) {
    return treated(e).isPresent() && part(e) > 0;
  }

  /** The side to treat; any for an exercise without sides. */
  Optional<Side> treated(Exercise e) {
    return target instanceof Finding.Target.OfMotion m
        ? e.treatedSideFor(m.motion(), m.toward())
        : Optional.of(side());
  }

  private int part(Exercise e) {
    if (target instanceof Finding.Target.OfTissue t) {
      if (!e.serves(t.tissue(), t.intent())) return 0;
      return e.targets().get(0) == t.tissue() ? FIRST : BY_THE_WAY;
    }
    // What is first of all for a muscle moves the neck or the trunk by the way; of an arm or a leg
    // it may be any of the joint's motions, so there that is nothing.
    if (e.targets().get(0).kind() != Tissue.Kind.MUSCLE) return FIRST;
    return ((Finding.Target.OfMotion) target).motion().ofALimb() ? 0 : BY_THE_WAY;
  }
}
