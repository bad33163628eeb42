package org.biokinet.core.figure.draw;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.figure.body.Base;
import org.biokinet.core.figure.body.Part;
import org.biokinet.core.figure.body.Pose;
import org.biokinet.core.figure.body.PoseText;
import org.biokinet.core.figure.body.Skeleton;
import org.biokinet.core.figure.body.Vec;
import org.biokinet.core.figure.body.View;

/**
 * The plain outline of a standing body, to mark things on. Millimetres on paper, to the right and
 * down.
 *
 * @param path of an SVG, one closed shape after the other
 */
public record BodyOutline(View view, String path, long left, long top, long width, long height) {

  /** Arms a little off the trunk, so that there is room to mark both. */
  private static final Pose POSE = PoseText.read("both arm 16/90", Pose.resting(Base.STAND));

  private static final Skeleton BODY = Skeleton.of(POSE);
  private static final int MARGIN = 20;

  /** Nobody is drawn otherwise, so each is drawn once. */
  private static final BodyOutline FRONT = drawn(View.FRONT);

  private static final BodyOutline BACK = drawn(View.BACK);

  /**
   * @param view from the front, as in a mirror, or from the back: the left is on the left in both
   */
  public static BodyOutline of(View view) {
    if (view != View.FRONT && view != View.BACK) {
      throw new IllegalArgumentException("marked are front and back, not the " + view.code());
    }
    return view == View.FRONT ? FRONT : BACK;
  }

  private static BodyOutline drawn(View view) {
    Silhouette silhouette = new Silhouette(view, Side.LEFT, false);
    String path =
        Solid.body(List.of(BODY), false).stream()
            .flatMap(solid -> solid.frames().get(0).stream())
            .map(silhouette::path)
            .collect(Collectors.joining());
    return new BodyOutline(
        view,
        path,
        silhouette.left() - MARGIN,
        silhouette.top() - MARGIN,
        silhouette.width() + 2 * MARGIN,
        silhouette.height() + 2 * MARGIN);
  }

  /**
   * Where a point of the body is on paper.
   *
   * @param local centimetres from the part's joint
   * @return to the right and down, in millimetres; {@code z} is toward the viewer
   */
  public Vec at(Part part, Vec local) {
    return view.project(BODY.point(part, local), Side.LEFT).times(10);
  }

  public String svg(String title) {
    return """
        <svg class="body-outline" xmlns="http://www.w3.org/2000/svg" viewBox="%d %d %d %d" \
        role="img"><title>%s</title><path class="fig-body" fill="#e9e3d6" stroke="#59616a" \
        stroke-width="10" stroke-linejoin="round" paint-order="stroke" d="%s"/></svg>"""
        .formatted(left, top, width, height, Drawing.escaped(title), path);
  }

  /** Which side of the body a place on paper is on; empty near the middle. */
  public Optional<Side> side(double x, double tolerance) {
    if (Math.abs(x) <= tolerance) return Optional.empty();
    return Optional.of(x < 0 ? Side.LEFT : Side.RIGHT);
  }
}
