package org.biokinet.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.apache.commons.geometry.euclidean.twod.Vector2D;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.figure.body.Vec;
import org.biokinet.core.figure.draw.SidePhotograph;
import org.biokinet.core.measure.Posture.Marks;
import org.biokinet.core.measure.Posture.Point;
import org.junit.jupiter.api.Test;

/** Angles on a side photograph, against Commons Geometry and the figure's known posture. */
class PostureTest {

  private static final Point TOP = new Point(0, -100);
  private static final Point BOTTOM = new Point(0, 100);

  private static Marks marks(Side facing, Point tragus, Point c7, Point shoulder) {
    return new Marks(facing, TOP, BOTTOM, tragus, c7, shoulder);
  }

  @Test
  void fortyFiveDegreesBothWays() {
    Posture right =
        Posture.of(marks(Side.RIGHT, new Point(10, -10), new Point(0, 0), new Point(10, 10)));
    assertThat(right.craniovertebral()).isCloseTo(45, within(1e-9));
    assertThat(right.shoulder()).isCloseTo(45, within(1e-9));
    Posture left =
        Posture.of(marks(Side.LEFT, new Point(-10, -10), new Point(0, 0), new Point(-5, 10)));
    assertThat(left.craniovertebral()).isCloseTo(45, within(1e-9));
    assertThat(left.shoulder()).as("less rounded").isGreaterThan(45);
  }

  /** The acceptance: marking the true points of a sample gives its angle within 0.1°. */
  @Test
  void theFiguresKnownAngleIsFound() {
    for (Side facing : Side.values()) {
      for (double angle : new double[] {38, 44.5, 49.9, 55}) {
        SidePhotograph photo = SidePhotograph.of(angle, facing);
        Posture found =
            Posture.of(
                marks(facing, point(photo.tragus()), point(photo.c7()), point(photo.shoulder())));
        assertThat(found.craniovertebral())
            .as("%s %s", facing, angle)
            .isCloseTo(angle, within(0.1));
        assertThat(found.forwardHead()).isEqualTo(angle < 50);
      }
    }
  }

  private static Point point(Vec v) {
    return new Point(v.x(), v.y());
  }

  /** The same angle by another library: between the line and the horizontal, y upward. */
  @Property
  void itIsTheAngleThatAGeometryLibraryFinds(
      @ForAll @DoubleRange(min = 1, max = 80) double dx,
      @ForAll @DoubleRange(min = 1, max = 80) double dy) {
    double theirs = Math.toDegrees(Vector2D.of(dx, dy).angle(Vector2D.of(1, 0)));
    Posture ours =
        Posture.of(marks(Side.RIGHT, new Point(dx, -dy), new Point(0, 0), new Point(1, 1)));
    assertThat(ours.craniovertebral()).isCloseTo(theirs, within(1e-9));
  }

  /** A camera that leans changes nothing, since something hangs true beside the client. */
  @Property
  void theTiltOfTheCameraIsTakenOut(
      @ForAll @DoubleRange(min = -29, max = 29) double tilt,
      @ForAll @DoubleRange(min = 20, max = 80) double angle) {
    double radians = Math.toRadians(angle);
    Point tragus = new Point(50 * Math.cos(radians), -50 * Math.sin(radians));
    Marks straight = marks(Side.RIGHT, tragus, new Point(0, 0), new Point(8, 30));
    AffineTransform turn = AffineTransform.getRotateInstance(Math.toRadians(tilt));
    Marks leaning =
        new Marks(
            Side.RIGHT,
            turned(turn, straight.plumbTop()),
            turned(turn, straight.plumbBottom()),
            turned(turn, straight.tragus()),
            turned(turn, straight.c7()),
            turned(turn, straight.shoulder()));
    assertThat(Posture.of(leaning).craniovertebral()).isCloseTo(angle, within(1e-6));
    assertThat(Posture.of(leaning).shoulder())
        .isCloseTo(Posture.of(straight).shoulder(), within(1e-6));
  }

  private static Point turned(AffineTransform turn, Point p) {
    Point2D to = turn.transform(new Point2D.Double(p.x(), p.y()), null);
    return new Point(to.getX(), to.getY());
  }

  @Test
  void slipsAreRefused() {
    Point a = new Point(1, 1);
    assertThatThrownBy(() -> Posture.of(marks(Side.LEFT, a, a, new Point(0, 5))))
        .hasMessageContaining("lie on each other");
    assertThatThrownBy(
            () ->
                Posture.of(new Marks(Side.LEFT, BOTTOM, TOP, new Point(0, 0), a, new Point(0, 5))))
        .hasMessageContaining("upper end");
    assertThatThrownBy(() -> Posture.of(new Marks(Side.LEFT, TOP, TOP, a, BOTTOM, TOP)))
        .hasMessageContaining("two places");
  }

  /** 1.96 √2 SD, worked by hand: SD of 1, 2, 3, 4, 5 is 1.581. */
  @Test
  void aMarkersErrorNeedsFiveMarksAndIsTheSmallestDetectableChange() {
    assertThat(Posture.markerError(List.of(50.0, 50.0, 50.0, 50.0))).isEmpty();
    assertThat(Posture.markerError(List.of(51.0, 52.0, 53.0, 54.0, 55.0)).orElseThrow())
        .isCloseTo(4.383, within(0.001));
  }
}
