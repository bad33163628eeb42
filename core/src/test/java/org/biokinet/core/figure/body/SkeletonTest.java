package org.biokinet.core.figure.body;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.assertj.core.data.Offset;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.exercise.CatalogueException;
import org.joml.Quaterniond;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;

/** The mathematics of the body, against a library, a table and itself in the mirror. */
class SkeletonTest {

  private static final Offset<Double> CLOSE = within(1e-6);

  private static void same(Vec ours, Vector3d theirs) {
    assertThat(ours.x()).isCloseTo(theirs.x, CLOSE);
    assertThat(ours.y()).isCloseTo(theirs.y, CLOSE);
    assertThat(ours.z()).isCloseTo(theirs.z, CLOSE);
  }

  /** Against JOML 1.10. */
  @Property(tries = 300)
  void rotationsAreThoseOfAnIndependentLibrary(
      @ForAll @DoubleRange(min = -180, max = 180) double first,
      @ForAll @DoubleRange(min = -180, max = 180) double second,
      @ForAll @DoubleRange(min = 0.1, max = 1) double x,
      @ForAll @DoubleRange(min = -1, max = 1) double y) {
    Vec axis = new Vec(x, y, 0.3);
    Rotation ours = Rotation.about(axis, first).times(Rotation.aboutY(second));
    Quaterniond theirs =
        new Quaterniond()
            .rotateAxis(Math.toRadians(first), x, y, 0.3)
            .rotateAxis(Math.toRadians(second), 0, 1, 0);
    same(ours.apply(new Vec(1, 2, 3)), theirs.transform(new Vector3d(1, 2, 3)));
    same(ours.inverse().apply(new Vec(1, 2, 3)), theirs.invert().transform(new Vector3d(1, 2, 3)));
  }

  /** Shares of the height: Drillis and Contini 1966, in Winter, recalled from memory. */
  @Test
  void lengthsAreThoseOfTheTable() {
    Skeleton body = Skeleton.of(Pose.resting(Base.STAND));
    double h = Skeleton.HEIGHT;
    assertThat(between(body, Part.LEFT_UPPER_ARM, Part.LEFT_FOREARM)).isCloseTo(0.186 * h, CLOSE);
    assertThat(between(body, Part.LEFT_FOREARM, Part.LEFT_HAND)).isCloseTo(0.146 * h, CLOSE);
    assertThat(between(body, Part.LEFT_THIGH, Part.LEFT_SHANK)).isCloseTo(0.245 * h, CLOSE);
    assertThat(between(body, Part.LEFT_SHANK, Part.LEFT_FOOT)).isCloseTo(0.246 * h, CLOSE);
    assertThat(body.part(Part.LEFT_THIGH).origin().y()).isCloseTo(0.530 * h, within(0.01 * h));
    assertThat(body.part(Part.LEFT_UPPER_ARM).origin().y()).isCloseTo(0.818 * h, within(0.02 * h));
    assertThat(body.point(Part.HEAD, new Vec(0, 7, 8)).y()).isCloseTo(0.936 * h, within(0.01 * h));
    assertThat(body.point(Part.HEAD, new Vec(0, 17.4, 0)).y()).isCloseTo(h, within(0.01 * h));
    // Biacromial breadth 0.259 of the height.
    assertThat(between(body, Part.LEFT_SCAPULA, Part.RIGHT_SCAPULA))
        .isCloseTo(0.259 * h, within(0.05 * h));
  }

  private static double between(Skeleton body, Part a, Part b) {
    return body.part(a).origin().minus(body.part(b).origin()).length();
  }

  private static Pose pose(Joint joint, double degrees) {
    return Pose.resting(Base.STAND)
        .with(joint, joint.ofASide() ? Optional.of(Side.LEFT) : Optional.empty(), degrees);
  }

  /** Signs as the clinic says them: flexion forward, tilting and turning to the left. */
  @Test
  void anglesHaveClinicalSigns() {
    Vec top = new Vec(0, 15, 0);
    Vec nose = new Vec(0, 5, 10);
    assertThat(Skeleton.of(pose(Joint.NECK_FLEX, 30)).point(Part.HEAD, top).z()).isGreaterThan(5);
    assertThat(Skeleton.of(pose(Joint.NECK_TILT, 30)).point(Part.HEAD, top).x()).isGreaterThan(5);
    assertThat(Skeleton.of(pose(Joint.NECK_TURN, 40)).point(Part.HEAD, nose).x()).isGreaterThan(5);
    Vec hand = new Vec(0, -10, 0);
    Pose forward = pose(Joint.ARM_LIFT, 90);
    assertThat(Skeleton.of(forward).point(Part.LEFT_HAND, hand).z()).isGreaterThan(50);
    Pose out = forward.with(Joint.ARM_PLANE, Optional.of(Side.LEFT), 90);
    assertThat(Skeleton.of(out).point(Part.LEFT_HAND, hand).x()).isGreaterThan(70);
    assertThat(Skeleton.of(pose(Joint.ELBOW, 90)).point(Part.LEFT_HAND, hand).z())
        .isGreaterThan(30);
    // Outward rotation with the elbow bent brings the hand out.
    Pose rotated = pose(Joint.ELBOW, 90).with(Joint.ARM_ROTATION, Optional.of(Side.LEFT), 60);
    assertThat(Skeleton.of(rotated).point(Part.LEFT_HAND, hand).x()).isGreaterThan(40);
    assertThat(ahead(pose(Joint.HIP_FLEX, 90), Part.LEFT_SHANK)).isGreaterThan(35);
    assertThat(ahead(pose(Joint.KNEE, 90), Part.LEFT_FOOT)).isLessThan(-30);
  }

  /** How far a part is ahead of the hip joint, in centimetres. */
  private static double ahead(Pose pose, Part part) {
    Skeleton body = Skeleton.of(pose);
    return body.part(part).origin().z() - body.part(Part.LEFT_THIGH).origin().z();
  }

  @Test
  void theMirrorIsItsOwnInverseAndMirrorsEveryPoint() {
    for (Base base : Base.values()) mirrors(base);
  }

  private static void mirrors(Base base) {
    Pose pose =
        PoseText.read(
            "neck tilt 20, head turn -15, thorax turn 10, R arm 60/40, R elbow 50, R wrist 30,"
                + " L arm 30/100, R hip flex 30, lumbar tilt 8, R blade rotation 10",
            Pose.resting(base));
    assertThat(pose.mirrored().mirrored()).isEqualTo(pose);
    Skeleton body = Skeleton.of(pose);
    Skeleton other = Skeleton.of(pose.mirrored());
    Vec local = new Vec(3, -5, 2);
    for (Part p : Part.values()) {
      Vec expected = body.point(p, local).mirrored();
      assertThat(other.point(p.mirrored(), local.mirrored()).minus(expected).length())
          .as(p.name())
          .isLessThan(1e-6);
      // Seen in the mirrored view it is the mirrored drawing.
      for (View v : View.values()) {
        Vec right = v.project(body.point(p, local), Side.RIGHT);
        Vec left = v.project(expected, Side.LEFT);
        assertThat(left.minus(new Vec(-right.x(), right.y(), right.z())).length()).isLessThan(1e-6);
      }
    }
  }

  @Test
  void aHandGoesWhereItIsSentOrItIsSaid() {
    Pose pose = PoseText.read("neck tilt 25, L hand temple R @50", Pose.resting(Base.CHAIR));
    Skeleton body = Skeleton.of(pose);
    Vec palm = Reach.point(body, Side.LEFT, Reach.PALM);
    assertThat(palm.minus(Place.TEMPLE.in(body, Side.RIGHT)).length())
        .isLessThan(PoseText.LARGEST_GAP);
    assertThatThrownBy(() -> PoseText.read("L hand ankle R", Pose.resting(Base.STAND)))
        .isInstanceOf(CatalogueException.class)
        .hasMessageContaining("cm off");
  }

  @Test
  void whatIsNotUnderstoodOrBeyondALimitIsSaid() {
    Pose standing = Pose.resting(Base.STAND);
    assertThatThrownBy(() -> PoseText.read("neck bow 10", standing))
        .hasMessageContaining("no joint");
    assertThatThrownBy(() -> PoseText.read("elbow 10", standing))
        .hasMessageContaining("needs L, R");
    assertThatThrownBy(() -> PoseText.read("neck tilt 80", standing))
        .hasMessageContaining("beyond -40 to 40");
    assertThatThrownBy(() -> PoseText.read("L hand moon", standing))
        .hasMessageContaining("no place");
    assertThatThrownBy(
            () -> new Pose(Base.STAND, Map.of(new Pose.Key(Joint.ELBOW, Optional.empty()), 1.0)))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void halfwayIsBetween() {
    Pose a = Pose.resting(Base.STAND);
    Pose b = pose(Joint.NECK_TILT, 30);
    assertThat(a.toward(b, 0.5).angle(Joint.NECK_TILT)).isEqualTo(15);
    assertThat(a.toward(b, 1)).isEqualTo(b);
  }
}
