package org.biokinet.core.figure.draw;

import java.util.List;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.figure.body.Ball;
import org.biokinet.core.figure.body.Vec;
import org.biokinet.core.figure.body.View;

/** Turns hulls round balls into shapes on paper and keeps how far they reach. Millimetres. */
final class Silhouette {

  /** Radii of shapes that look round with few corners, in centimetres. */
  private static final double FINE = 2.4;

  private static final double LIMB = 4.9;

  private final View view;
  private final Side treated;
  private final boolean coarse;
  private long left = Long.MAX_VALUE;
  private long top = Long.MAX_VALUE;
  private long right = Long.MIN_VALUE;
  private long bottom = Long.MIN_VALUE;

  /**
   * @param coarse whether shapes have fewer corners, because there are many of them
   */
  Silhouette(View view, Side treated, boolean coarse) {
    this.view = view;
    this.treated = treated;
    this.coarse = coarse;
  }

  long left() {
    return left;
  }

  long top() {
    return top;
  }

  long width() {
    return right - left;
  }

  long height() {
    return bottom - top;
  }

  /** Takes a point on paper, in centimetres, into what is reached. */
  void reach(Vec point) {
    reach(Math.round(10 * point.x()), Math.round(10 * point.y()));
  }

  private void reach(long x, long y) {
    left = Math.min(left, x);
    right = Math.max(right, x);
    top = Math.min(top, y);
    bottom = Math.max(bottom, y);
  }

  /** Always the same number for a shape, so that one frame can turn into the next. */
  private int corners(List<Ball> shape) {
    double most = shape.stream().mapToDouble(Ball::radius).max().orElse(0);
    if (most < FINE) return 8;
    if (coarse) return most < LIMB ? 10 : 14;
    return most < LIMB ? 12 : 20;
  }

  /** The hull of a shape on paper: for each direction the outermost point. */
  String path(List<Ball> shape) {
    List<Vec> centres = shape.stream().map(b -> view.project(b.centre(), treated)).toList();
    StringBuilder d = new StringBuilder();
    long lastX = 0;
    long lastY = 0;
    int corners = corners(shape);
    for (int k = 0; k < corners; k++) {
      double angle = 2 * Math.PI * k / corners;
      double ux = Math.cos(angle);
      double uy = Math.sin(angle);
      double most = -Double.MAX_VALUE;
      int outermost = 0;
      for (int i = 0; i < centres.size(); i++) {
        Vec c = centres.get(i);
        double support = c.x() * ux + c.y() * uy + shape.get(i).radius();
        if (support > most) {
          most = support;
          outermost = i;
        }
      }
      double radius = shape.get(outermost).radius();
      long x = Math.round(10 * (centres.get(outermost).x() + radius * ux));
      long y = Math.round(10 * (centres.get(outermost).y() + radius * uy));
      reach(x, y);
      if (k == 0) {
        d.append('M').append(x).append(' ').append(y).append('l');
      } else {
        d.append(k == 1 ? "" : " ").append(x - lastX).append(' ').append(y - lastY);
      }
      lastX = x;
      lastY = y;
    }
    return d.append('z').toString();
  }
}
