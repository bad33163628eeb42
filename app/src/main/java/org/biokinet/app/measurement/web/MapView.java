package org.biokinet.app.measurement.web;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.figure.body.View;
import org.biokinet.core.figure.draw.BodyOutline;
import org.biokinet.core.measure.BodyArea;
import org.biokinet.core.measure.PainMap;

/**
 * One outline to mark on.
 *
 * @param facing whether it is seen as by somebody who faces the client: left and right change
 *     places
 * @param box of the drawing: the upper body
 * @param whole the box of all of it
 * @param top its upper edge
 */
record MapView(
    String label,
    boolean facing,
    String path,
    String box,
    String whole,
    long top,
    List<Spot> spots) {

  /**
   * A place that can be marked.
   *
   * @param mark what is marked there, or empty
   */
  record Spot(
      BodyArea area,
      Side side,
      double x,
      double y,
      double rx,
      double ry,
      Optional<PainMap.Mark> mark) {

    /** As it is read out. */
    public String words() {
      return mark.map(PainMap.Mark::words).orElse(area.on(side) + ", not marked");
    }
  }

  /** From the crown to below the hips, in millimetres. */
  private static final int UPPER_BODY = 1_060;

  private static final int WIDTH = 900;

  static MapView of(View view, PainMap map, boolean facingView) {
    BodyOutline outline = BodyOutline.of(view);
    boolean facing = facingView && view == View.FRONT;
    List<Spot> spots = new ArrayList<>();
    Arrays.stream(BodyArea.values())
        .filter(a -> a.view() == view)
        .forEach(
            a -> {
              for (Side side : Side.values()) {
                BodyArea.Oval o = a.oval(side);
                double x = facing ? -o.x() : o.x();
                spots.add(new Spot(a, side, x, o.y(), o.rx(), o.ry(), map.at(a, side)));
              }
            });
    return new MapView(
        view == View.FRONT ? "front" : "back",
        facing,
        outline.path(),
        "%d %d %d %d".formatted(-WIDTH / 2, outline.top(), WIDTH, UPPER_BODY),
        "%d %d %d %d".formatted(-WIDTH / 2, outline.top(), WIDTH, outline.height()),
        outline.top(),
        spots);
  }
}
