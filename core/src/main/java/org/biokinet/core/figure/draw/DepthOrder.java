package org.biokinet.core.figure.draw;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.figure.body.Ball;
import org.biokinet.core.figure.body.Vec;
import org.biokinet.core.figure.body.View;

/**
 * What is drawn before what, right in every frame. Paper has one order only, so what is now before
 * and now behind something else stands in it twice, and each is seen in its own frames.
 */
final class DepthOrder {

  /**
   * A place in the order.
   *
   * @param frames in which this one is seen
   */
  record Slot(Solid solid, BitSet frames) {
    boolean always(int count) {
      return frames.cardinality() == count;
    }
  }

  /** Below this much difference two things count as side by side, in centimetres. */
  private static final double SIDE_BY_SIDE = 1;

  /** From this much on a frame has its own order, in centimetres. */
  private static final double CLEARLY = 4;

  /** On paper: to the right, down, toward the viewer. */
  private record Disc(Vec centre, double radius) {}

  /** Discs and the frame round them, so that most pairs need no closer look. */
  private record Spread(List<Disc> all, double left, double right, double top, double bottom) {
    static Spread of(List<Disc> all) {
      double left = Double.MAX_VALUE;
      double right = -Double.MAX_VALUE;
      double top = Double.MAX_VALUE;
      double bottom = -Double.MAX_VALUE;
      for (Disc d : all) {
        left = Math.min(left, d.centre().x() - d.radius());
        right = Math.max(right, d.centre().x() + d.radius());
        top = Math.min(top, d.centre().y() - d.radius());
        bottom = Math.max(bottom, d.centre().y() + d.radius());
      }
      return new Spread(all, left, right, top, bottom);
    }

    boolean near(Spread o) {
      return left < o.right && o.left < right && top < o.bottom && o.top < bottom;
    }
  }

  private final List<Solid> solids;
  private final View view;
  private final Side treated;
  private final int count;

  private DepthOrder(List<Solid> solids, View view, Side treated, int frames) {
    this.solids = solids;
    this.view = view;
    this.treated = treated;
    this.count = frames;
  }

  /** Farthest first. */
  static List<Slot> of(List<Solid> solids, View view, Side treated, int frames) {
    return new DepthOrder(solids, view, treated, frames).slots();
  }

  private List<Slot> slots() {
    int n = solids.size();
    double[] depth = new double[n];
    double[][][] before = new double[count][][];
    for (int f = 0; f < count; f++) {
      before[f] = before(f);
      for (int i = 0; i < n; i++) depth[i] += solids.get(i).depth(f, view, treated) / count;
    }
    List<Integer> common = sorted(sum(before), 0, depth);
    double[] rank = new double[n];
    for (int i = 0; i < n; i++) rank[common.get(i)] = i;
    List<List<Integer>> orders = new ArrayList<>();
    List<Integer> all = List.of();
    for (int f = 0; f < count; f++) {
      orders.add(sorted(before[f], CLEARLY, rank));
      all = merged(all, orders.get(f));
    }
    List<Slot> slots = all.stream().map(i -> new Slot(solids.get(i), new BitSet())).toList();
    for (int f = 0; f < count; f++) {
      int at = 0;
      for (int wanted : orders.get(f)) {
        while (all.get(at) != wanted) at++;
        slots.get(at++).frames().set(f);
      }
    }
    return slots.stream().filter(s -> !s.frames().isEmpty()).toList();
  }

  /** How far one is before another where they meet on paper; 0 where they do not. */
  private double[][] before(int frame) {
    int n = solids.size();
    List<Spread> discs = solids.stream().map(s -> Spread.of(discs(s, frame))).toList();
    double[][] before = new double[n][n];
    for (int i = 0; i < n; i++) {
      for (int j = 0; j < i; j++) {
        if (!discs.get(i).near(discs.get(j))) continue;
        double by =
            before(discs.get(i).all(), discs.get(j).all()) + solids.get(i).liftOver(solids.get(j));
        // NaN where they do not meet.
        if (!(Math.abs(by) >= SIDE_BY_SIDE)) continue;
        before[i][j] = by;
        before[j][i] = -by;
      }
    }
    return before;
  }

  /** The balls of a solid and what lies half-way between two that follow each other. */
  private List<Disc> discs(Solid solid, int frame) {
    List<Disc> discs = new ArrayList<>();
    for (List<Ball> shape : solid.frames().get(frame)) {
      for (int k = 0; k < shape.size(); k++) {
        Ball ball = shape.get(k);
        discs.add(new Disc(view.project(ball.centre(), treated), ball.radius()));
        if (k == 0) continue;
        Ball last = shape.get(k - 1);
        Vec half = ball.centre().plus(last.centre()).times(0.5);
        discs.add(new Disc(view.project(half, treated), (ball.radius() + last.radius()) / 2));
      }
    }
    return discs;
  }

  private static double overlap(Disc a, Disc b) {
    double x = a.centre().x() - b.centre().x();
    double y = a.centre().y() - b.centre().y();
    return a.radius() + b.radius() - Math.sqrt(x * x + y * y);
  }

  private static double before(List<Disc> a, List<Disc> b) {
    double sum = 0;
    double weights = 0;
    for (Disc p : a) {
      for (Disc q : b) {
        double weight = Math.max(0, overlap(p, q));
        sum += weight * (p.centre().z() - q.centre().z());
        weights += weight;
      }
    }
    return sum / weights;
  }

  private double[][] sum(double[][][] frames) {
    int n = solids.size();
    double[][] sum = new double[n][n];
    for (double[][] frame : frames) {
      for (int i = 0; i < n; i++) for (int j = 0; j < n; j++) sum[i][j] += frame[i][j];
    }
    return sum;
  }

  /**
   * Each after all that it is before by more than the least; where nothing decides, by rank. Things
   * can lie before each other in a ring: then the one with the lowest rank goes first.
   */
  private static List<Integer> sorted(double[][] before, double least, double[] rank) {
    List<Integer> left =
        new ArrayList<>(
            IntStream.range(0, rank.length)
                .boxed()
                .sorted(Comparator.comparingDouble(i -> rank[i]))
                .toList());
    List<Integer> sorted = new ArrayList<>();
    while (!left.isEmpty()) {
      int next = left.get(0);
      for (int i : left) {
        if (isNext(i, left, before[i], least)) {
          next = i;
          break;
        }
      }
      sorted.add(next);
      left.remove(Integer.valueOf(next));
    }
    return sorted;
  }

  private static boolean isNext(int i, List<Integer> left, double[] before, double least) {
    for (int j : left) if (j != i && before[j] > least) return false;
    return true;
  }

  /** The shortest list that has both in it, each in its own order. */
  private static List<Integer> merged(List<Integer> a, List<Integer> b) {
    int[][] common = new int[a.size() + 1][b.size() + 1];
    for (int i = a.size() - 1; i >= 0; i--) {
      for (int j = b.size() - 1; j >= 0; j--) {
        common[i][j] =
            a.get(i).equals(b.get(j))
                ? common[i + 1][j + 1] + 1
                : Math.max(common[i + 1][j], common[i][j + 1]);
      }
    }
    List<Integer> merged = new ArrayList<>();
    int i = 0;
    int j = 0;
    while (i < a.size() && j < b.size()) {
      if (a.get(i).equals(b.get(j))) {
        merged.add(a.get(i++));
        j++;
      } else if (common[i + 1][j] >= common[i][j + 1]) {
        merged.add(a.get(i++));
      } else {
        merged.add(b.get(j++));
      }
    }
    merged.addAll(a.subList(i, a.size()));
    merged.addAll(b.subList(j, b.size()));
    return Collections.unmodifiableList(merged);
  }
}
