package org.biokinet.core.figure.draw;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.figure.body.Ball;
import org.biokinet.core.figure.body.Base;
import org.biokinet.core.figure.body.Movement;
import org.biokinet.core.figure.body.Movements;
import org.biokinet.core.figure.body.Pose;
import org.biokinet.core.figure.body.PoseText;
import org.biokinet.core.figure.body.Skeleton;
import org.biokinet.core.figure.body.Vec;
import org.biokinet.core.figure.body.View;
import org.junit.jupiter.api.Test;

/** What is nearer is drawn later, in each frame for itself. */
class DepthOrderTest {

  private static Solid at(String name, Vec... centres) {
    return new Solid(
        name,
        "skin",
        IntStream.range(0, centres.length)
            .mapToObj(f -> List.of(List.of(new Ball(centres[f], 5))))
            .toList(),
        0);
  }

  private static List<String> seen(List<DepthOrder.Slot> slots, int frame) {
    return slots.stream().filter(s -> s.frames().get(frame)).map(s -> s.solid().name()).toList();
  }

  private static List<DepthOrder.Slot> order(int frames, Solid... solids) {
    return DepthOrder.of(List.of(solids), View.FRONT, Side.RIGHT, frames);
  }

  @Test
  void theNearerOneIsLater() {
    Solid near = at("near", new Vec(0, 0, 20));
    Solid far = at("far", new Vec(2, 0, -20));
    assertThat(seen(order(1, near, far), 0)).containsExactly("far", "near");
  }

  @Test
  void whatSwapsIsInTheOrderTwiceAndSeenOnceInEachFrame() {
    Solid still = at("still", Vec.ZERO, Vec.ZERO);
    Solid swings = at("swings", new Vec(0, 0, 20), new Vec(0, 0, -20));
    List<DepthOrder.Slot> slots = order(2, still, swings);
    assertThat(slots).hasSize(3);
    assertThat(seen(slots, 0)).containsExactly("still", "swings");
    assertThat(seen(slots, 1)).containsExactly("swings", "still");
  }

  /** Elsewhere on paper it does not matter which is nearer, so nothing is drawn twice. */
  @Test
  void whatDoesNotMeetKeepsOneOrder() {
    Solid still = at("still", Vec.ZERO, Vec.ZERO);
    Solid swings = at("swings", new Vec(60, 0, 20), new Vec(60, 0, -20));
    assertThat(order(2, still, swings)).hasSize(2);
  }

  @Test
  void aRingIsBrokenAndNothingIsLost() {
    // Three bars, each over the next: no order is right for all of them.
    List<Solid> ring = new ArrayList<>();
    for (int k = 0; k < 3; k++) {
      double a = Math.toRadians(120 * k);
      double b = Math.toRadians(120 * (k + 1));
      Vec from = new Vec(10 * Math.cos(a), 10 * Math.sin(a), 15);
      Vec to = new Vec(10 * Math.cos(b), 10 * Math.sin(b), -15);
      ring.add(
          new Solid(
              "bar " + k,
              "skin",
              List.of(List.of(List.of(new Ball(from, 3), new Ball(to, 3)))),
              0));
    }
    assertThat(seen(DepthOrder.of(ring, View.FRONT, Side.LEFT, 1), 0))
        .containsExactlyInAnyOrder("bar 0", "bar 1", "bar 2");
  }

  /** Every part of the body is seen exactly once in every frame of every drawing. */
  @Test
  void nothingIsLostOrSeenTwice() {
    for (String id : List.of("squat-to-fold", "cradled-curl-and-open", "lunge-with-twist")) {
      Movement m = Movements.shipped().of(Catalogue.load().get(id), Side.LEFT).orElseThrow();
      List<Skeleton> frames = m.poses().stream().map(Skeleton::of).toList();
      List<Solid> body = Solid.body(frames, false);
      for (View view : View.values()) {
        List<DepthOrder.Slot> slots = DepthOrder.of(body, view, Side.LEFT, frames.size());
        for (int f = 0; f < frames.size(); f++) {
          assertThat(seen(slots, f))
              .as(id + view)
              .containsExactlyInAnyOrderElementsOf(body.stream().map(Solid::name).toList());
        }
      }
    }
  }

  /** The arm crosses the chest: from the front it covers the trunk, from behind it is covered. */
  @Test
  void anArmAcrossTheChestIsBeforeIt() {
    Pose pose = PoseText.read("R arm 86/-58, R elbow 25", Pose.resting(Base.STAND));
    List<Solid> body = Solid.body(List.of(Skeleton.of(pose)), true);
    List<String> front = seen(DepthOrder.of(body, View.FRONT, Side.RIGHT, 1), 0);
    assertThat(front.indexOf("right upper")).isGreaterThan(front.indexOf("trunk"));
    List<String> back = seen(DepthOrder.of(body, View.BACK, Side.RIGHT, 1), 0);
    assertThat(back.indexOf("right upper")).isLessThan(back.indexOf("trunk"));
  }
}
