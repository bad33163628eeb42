package org.biokinet.core.figure.body;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.exercise.CatalogueException;
import org.junit.jupiter.api.Test;

/** Hands go where they are sent, if an arm can. Centimetres. */
class ReachTest {

  private static final Pose STANDING = Pose.resting(Base.STAND);

  private static Vec palm(Pose pose, Side side) {
    return Reach.point(Skeleton.of(pose), side, Reach.PALM);
  }

  /** Points before the chest, up to 45 cm away: a shoulder reaches all of them. */
  @Property(tries = 200)
  void whatIsNearIsReached(
      @ForAll @DoubleRange(min = -10, max = 30) double aside,
      @ForAll @DoubleRange(min = -25, max = 15) double up,
      @ForAll @DoubleRange(min = 18, max = 34) double ahead,
      @ForAll @DoubleRange(min = 0, max = 80) double swivel) {
    for (Side side : Side.values()) {
      double sign = side == Side.LEFT ? 1 : -1;
      Vec shoulder = Skeleton.of(STANDING).part(Part.of(side, "UPPER_ARM")).origin();
      Vec target = shoulder.plus(new Vec(-sign * aside, up, ahead));
      Pose reached = Reach.to(STANDING, side, target, Reach.PALM, Reach.Elbow.hanging(swivel));
      assertThat(palm(reached, side).minus(target).length()).isLessThan(4);
    }
  }

  @Test
  void whatIsTooFarIsReachedForInItsDirection() {
    Vec shoulder = Skeleton.of(STANDING).part(Part.LEFT_UPPER_ARM).origin();
    Pose reached =
        Reach.to(
            STANDING,
            Side.LEFT,
            shoulder.plus(new Vec(0, 0, 300)),
            Reach.PALM,
            Reach.Elbow.hanging(0));
    Vec way =
        palm(reached, Side.LEFT).minus(Skeleton.of(reached).part(Part.LEFT_UPPER_ARM).origin());
    assertThat(way.unit().z()).isGreaterThan(0.97);
    assertThat(reached.angle(Joint.ELBOW, Side.LEFT)).isLessThan(20);
  }

  @Test
  void aPalmLiesFlatOnTheFloor() {
    Pose kneeling = PoseText.read("both hand floor", Pose.resting(Base.ALL_FOURS));
    Skeleton body = Skeleton.of(kneeling);
    Vec fingers = body.part(Part.RIGHT_HAND).turn().apply(new Vec(0, -1, 0));
    assertThat(fingers.z()).as("they point ahead").isGreaterThan(0.9);
    assertThat(palm(kneeling, Side.RIGHT).y()).isCloseTo(0, within(3.0));
  }

  @Test
  void aHandOnTheForeheadDoesNotStickOut() {
    Pose pose = PoseText.read("neck flex -30, R hand forehead @40", Pose.resting(Base.CHAIR));
    Skeleton body = Skeleton.of(pose);
    Vec outward = Place.FOREHEAD.outward(body, Side.RIGHT);
    Vec fingers = body.part(Part.RIGHT_HAND).turn().apply(new Vec(0, -1, 0));
    assertThat(Math.abs(fingers.dot(outward))).isLessThan(0.35);
  }

  @Test
  void everyPlacePointsAwayFromTheBody() {
    Skeleton body = Skeleton.of(STANDING);
    for (Place place : Place.values()) {
      for (Side side : Side.values()) {
        Vec outward = place.outward(body, side);
        if (outward.length() == 0) continue;
        assertThat(outward.length()).as(place.name()).isCloseTo(1, within(1e-6));
        assertThat(place.outward(body, side.opposite()).x())
            .as(place.name())
            .isCloseTo(-outward.x(), within(1e-6));
      }
    }
    assertThat(Place.FOREHEAD.outward(body, Side.LEFT).z()).isGreaterThan(0.8);
    assertThat(Place.BACK_OF_HEAD.outward(body, Side.LEFT).z()).isLessThan(-0.8);
  }

  @Test
  void anArmThatIsLiftedLetsGo() {
    Pose pose = PoseText.read("R hand floor, R arm 90/90", Pose.resting(Base.ALL_FOURS));
    assertThat(pose.angle(Joint.ARM_LIFT, Side.RIGHT)).isEqualTo(90);
    assertThat(pose.angle(Joint.ARM_PLANE, Side.RIGHT)).isEqualTo(90);
  }

  @Test
  void whatCannotBeReachedIsRefusedByName() {
    assertThatThrownBy(() -> PoseText.read("R hand ankle", STANDING))
        .isInstanceOf(CatalogueException.class)
        .hasMessageContaining("RIGHT hand ends")
        .hasMessageContaining("cm off");
    assertThatThrownBy(() -> PoseText.read("R hand floor 20", STANDING))
        .hasMessageContaining("out/ahead");
    assertThatThrownBy(() -> PoseText.read("R hand moon", STANDING))
        .hasMessageContaining("no place moon");
  }

  /** Straight arms have a free elbow; the solver must not spin it to nonsense. */
  @Test
  void theElbowIsNeverOutOfItsLimits() {
    for (int swivel = -90; swivel <= 180; swivel += 30) {
      for (double y = 60; y <= 190; y += 10) {
        Pose pose =
            Reach.to(
                STANDING, Side.RIGHT, new Vec(-30, y, 20), Reach.PALM, Reach.Elbow.hanging(swivel));
        for (Joint joint : new Joint[] {Joint.ELBOW, Joint.ARM_LIFT, Joint.ARM_ROTATION}) {
          double angle = pose.angle(joint, Side.RIGHT);
          assertThat(joint.allows(angle)).as(joint + " " + angle).isTrue();
        }
      }
    }
  }
}
