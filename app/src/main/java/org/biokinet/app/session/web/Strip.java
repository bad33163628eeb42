package org.biokinet.app.session.web;

import java.util.ArrayList;
import java.util.List;
import org.biokinet.core.anatomy.Side;

/**
 * A session to scale, 1000 units wide: work on the left above, on the right below, work without
 * sides between.
 */
record Strip(List<Bar> bars) {

  /** One piece of work. */
  record Bar(String css, double x, double width, int y, int height) {}

  static Strip of(PlayerScript script) {
    List<Bar> bars = new ArrayList<>();
    for (PlayerScript.Step s : script.steps()) {
      if (!s.work()) continue;
      double x = 1000.0 * s.start() / script.seconds();
      double width = 1000.0 * s.seconds() / script.seconds();
      boolean left = s.side().filter(Side.LEFT::equals).isPresent();
      boolean sided = s.side().isPresent();
      bars.add(
          new Bar(
              !sided ? "fill-quiet" : left ? "fill-left" : "fill-right",
              x,
              Math.max(1, width - 1),
              !sided ? 9 : left ? 2 : 16,
              12));
    }
    return new Strip(bars);
  }
}
