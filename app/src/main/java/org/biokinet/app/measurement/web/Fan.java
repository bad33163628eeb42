package org.biokinet.app.measurement.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.measure.Asymmetry;
import org.biokinet.core.measure.Motion;
import org.biokinet.core.measure.Visit;

/**
 * The range of one motion on both sides, drawn as a fan about the axis: the client's left on the
 * left. Neck and trunk start upward, as seen from above or from behind; an arm starts hanging down.
 *
 * @param wedges what was reached, one for each measured side
 * @param reach what the norm would fill
 * @param norms where it ends
 * @param before where the last visit ended
 * @param ticks single readings
 */
record Fan(
    Motion motion,
    String seen,
    int height,
    List<Shape> wedges,
    List<Shape> reach,
    List<Shape> norms,
    List<Shape> before,
    List<Shape> ticks,
    List<Label> labels,
    String difference,
    boolean flagged) {

  static final int WIDTH = 320;
  private static final double CENTRE = 160;
  private static final double RADIUS = 128;
  private static final double ARM_RADIUS = 88;
  private static final int NECK_HEIGHT = 176;
  private static final int ARM_HEIGHT = 200;

  /** A path of the drawing. */
  record Shape(Side side, String path) {}

  /** Degrees in figures beside the fan. */
  record Label(Side side, double x, double y, String text) {}

  static Fan of(Motion motion, Visit visit, List<Visit> all) {
    boolean arm = motion.code().startsWith("shoulder");
    double radius = arm ? ARM_RADIUS : RADIUS;
    double middle = arm ? 98 : 148;
    Polar at = new Polar(middle, arm);
    List<Shape> wedges = new ArrayList<>();
    List<Shape> reach = new ArrayList<>();
    List<Shape> norms = new ArrayList<>();
    List<Shape> before = new ArrayList<>();
    List<Shape> ticks = new ArrayList<>();
    List<Label> labels = new ArrayList<>();
    for (Side side : Side.values()) {
      Optional<Side> s = Optional.of(side);
      motion
          .norm()
          .ifPresent(
              n -> {
                reach.add(new Shape(side, at.wedge(side, n, radius)));
                norms.add(new Shape(side, at.line(side, n, radius - 10, radius + 10)));
              });
      visit
          .degrees(motion, s)
          .ifPresent(
              d -> {
                wedges.add(new Shape(side, at.wedge(side, d, radius)));
                labels.add(
                    new Label(
                        side,
                        side == Side.LEFT ? 4 : WIDTH - 4,
                        arm ? 194 : 24,
                        "%s %.0f°".formatted(side.letter(), d)));
              });
      visit
          .range(motion, s)
          .ifPresent(
              r ->
                  r.readings()
                      .degrees()
                      .forEach(
                          d ->
                              ticks.add(
                                  new Shape(side, at.line(side, d, radius - 6, radius + 4)))));
      Visit.before(all, visit.day(), v -> v.degrees(motion, s))
          .ifPresent(d -> before.add(new Shape(side, at.line(side, d, 14, radius + 4))));
    }
    Optional<Asymmetry> difference =
        visit
            .degrees(motion, Optional.of(Side.LEFT))
            .flatMap(
                l -> visit.degrees(motion, Optional.of(Side.RIGHT)).map(r -> Asymmetry.of(l, r)));
    return new Fan(
        motion,
        switch (motion) {
          case NECK_ROTATION, THORACIC_ROTATION -> "from above";
          case NECK_LATERAL_FLEXION -> "from behind";
          default -> "as the client feels it";
        },
        arm ? ARM_HEIGHT : NECK_HEIGHT,
        wedges,
        reach,
        norms,
        before,
        ticks,
        labels,
        difference.map(Fan::words).orElse(""),
        difference.filter(Asymmetry::flagged).isPresent());
  }

  static String words(Asymmetry a) {
    if (a.lower().isEmpty()) return "the same on both sides";
    return "%.0f° (%.0f %%) less to the %s"
        .formatted(a.degrees(), 100 * a.share(), a.lower().get().name().toLowerCase(Locale.ROOT));
  }

  /** Places about the middle: degrees from where the motion starts, toward a side. */
  private record Polar(double middle, boolean fromBelow) {
    private String point(Side side, double degrees, double radius) {
      double a = Math.toRadians(degrees);
      double x = CENTRE + (side == Side.LEFT ? -1 : 1) * radius * Math.sin(a);
      double y = middle + (fromBelow ? 1 : -1) * radius * Math.cos(a);
      return String.format(Locale.ROOT, "%.1f %.1f", x, y);
    }

    String line(Side side, double degrees, double from, double to) {
      return "M%s L%s".formatted(point(side, degrees, from), point(side, degrees, to));
    }

    String wedge(Side side, double degrees, double radius) {
      boolean clockwise = (side == Side.RIGHT) != fromBelow;
      return String.format(
          Locale.ROOT,
          "M%.1f %.1f L%s A%.1f %.1f 0 %d %d %s Z",
          CENTRE,
          middle,
          point(side, 0, radius),
          radius,
          radius,
          degrees > 180 ? 1 : 0,
          clockwise ? 1 : 0,
          point(side, degrees, radius));
    }
  }
}
