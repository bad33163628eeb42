package org.biokinet.core.measure;

import java.util.List;
import java.util.Objects;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.biokinet.core.anatomy.Side;

/**
 * Angles on a side photograph, in degrees.
 *
 * @param craniovertebral line C7–tragus against the horizontal; less with the head forward
 * @param shoulder line C7–shoulder against the horizontal; less with the shoulders rounded
 */
public record Posture(double craniovertebral, double shoulder) {

  /**
   * Under this it is read as forward head: common practice, no source; many people in pain are
   * above it. Means: 55.0 (2.9) without and 49.9 (6.1) with neck pain, Yip and others 2008,
   * recalled from memory.
   */
  public static final double FORWARD_HEAD = 50;

  /**
   * A place on the picture, to the right and down, in any unit; one that lies nowhere, or further
   * off than any picture is wide, is an {@link IllegalArgumentException}.
   */
  public record Point(double x, double y) {
    private static final double FURTHEST = 1e6;

    public Point {
      if (!(Math.abs(x) <= FURTHEST && Math.abs(y) <= FURTHEST)) {
        throw new IllegalArgumentException("A mark lies off the picture.");
      }
    }

    private Point minus(Point o) {
      return new Point(x - o.x, y - o.y);
    }

    private double dot(Point o) {
      return x * o.x + y * o.y;
    }

    private double length() {
      return Math.hypot(x, y);
    }
  }

  /**
   * What is marked.
   *
   * @param facing where the client looks on the picture
   * @param plumbTop upper end of something that hangs true, for the tilt of the camera
   * @param plumbBottom its lower end
   */
  public record Marks(
      Side facing, Point plumbTop, Point plumbBottom, Point tragus, Point c7, Point shoulder) {
    public Marks {
      if (Stream.of(facing, plumbTop, plumbBottom, tragus, c7, shoulder)
          .anyMatch(Objects::isNull)) {
        throw new IllegalArgumentException("A mark is missing.");
      }
    }
  }

  /**
   * @throws IllegalArgumentException when marks lie on each other or the vertical is upside down or
   *     leans more than 30°, which is a slip of the marker and no tilt of a camera (our choice)
   */
  public static Posture of(Marks m) {
    Point plumb = m.plumbTop().minus(m.plumbBottom());
    if (plumb.length() == 0) throw new IllegalArgumentException("The vertical wants two places.");
    Point up = new Point(plumb.x() / plumb.length(), plumb.y() / plumb.length());
    if (-up.y() < Math.cos(Math.toRadians(MOST_TILT))) {
      throw new IllegalArgumentException(
          "The vertical leans more than %d°: its upper end is marked first.".formatted(MOST_TILT));
    }
    Point right = new Point(-up.y(), up.x());
    double sign = m.facing() == Side.RIGHT ? 1 : -1;
    Point forward = new Point(sign * right.x(), sign * right.y());
    Point head = m.tragus().minus(m.c7());
    Point shoulder = m.shoulder().minus(m.c7());
    if (head.length() == 0 || shoulder.length() == 0) {
      throw new IllegalArgumentException("Two marks lie on each other.");
    }
    return new Posture(
        Math.toDegrees(Math.atan2(head.dot(up), head.dot(forward))),
        Math.toDegrees(Math.atan2(-shoulder.dot(up), shoulder.dot(forward))));
  }

  private static final int MOST_TILT = 30;

  public boolean forwardHead() {
    return craniovertebral < FORWARD_HEAD;
  }

  /** Fewer marks of the same picture say nothing about an error (our choice). */
  public static final int LEAST_REPEATS = 5;

  /**
   * How large a change has to be to be more than the marker's own unsteadiness: 1.96 √2 times the
   * standard deviation of repeated marks of one picture, the usual smallest detectable change; no
   * source for its use here. Standing and camera add to it, so a change under it is "unchanged" and
   * one over it is not yet a claim about the client.
   *
   * @param repeated angles of one picture by one person, in degrees
   * @return empty with too few
   */
  public static OptionalDouble markerError(List<Double> repeated) {
    if (repeated.size() < LEAST_REPEATS) return OptionalDouble.empty();
    double mean = repeated.stream().mapToDouble(d -> d).average().orElseThrow();
    double squares = repeated.stream().mapToDouble(d -> (d - mean) * (d - mean)).sum();
    double deviation = Math.sqrt(squares / (repeated.size() - 1));
    return OptionalDouble.of(1.96 * Math.sqrt(2) * deviation);
  }
}
