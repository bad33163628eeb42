package org.biokinet.core.figure.body;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.junit.jupiter.api.Test;

/** A body lies, kneels and stands on things, not in them nor over them. Centimetres. */
class ContactTest {

  private static final Catalogue CATALOGUE = Catalogue.load();

  /** Half the thickness of a limb at its thinnest; our choice. */
  private static final double CLOSE = 5;

  private static Movement movement(Exercise e) {
    return Movements.shipped().of(e, Side.RIGHT).orElseThrow();
  }

  private static double lowest(Skeleton body, Predicate<Part> of) {
    return Outline.body().stream()
        .flatMap(g -> g.shapes().stream())
        .flatMap(s -> s.balls().stream())
        .filter(b -> of.test(b.part()))
        .mapToDouble(b -> body.point(b.part(), b.local()).y() - b.radius())
        .min()
        .orElseThrow();
  }

  @Test
  void nothingGoesThroughTheFloor() {
    for (Exercise e : CATALOGUE.all()) {
      for (Pose pose : movement(e).poses()) {
        Skeleton body = Skeleton.of(pose);
        assertThat(lowest(body, p -> true)).as(e.id()).isGreaterThan(-CLOSE);
      }
    }
  }

  @Test
  void whatCarriesTheBodyIsDown() {
    for (Exercise e : CATALOGUE.all()) {
      Movement m = movement(e);
      boolean onRoller = m.props().stream().anyMatch(p -> p.code().startsWith("roller a"));
      for (Pose pose : m.poses()) {
        Skeleton body = Skeleton.of(pose);
        Set<String> down =
            switch (pose.base()) {
              case CHAIR -> Set.of();
              case STAND -> Set.of("LEFT_FOOT", "RIGHT_FOOT");
              case KNEEL, ALL_FOURS -> Set.of("SHANK");
              case FLOOR_SIT -> Set.of("PELVIS");
              case SIDE_LYING, SIDE_LYING_ON_THE_RIGHT -> Set.of("SCAPULA");
              case SUPINE -> onRoller ? Set.of() : Set.of("THORAX");
              case PRONE -> Set.of("THIGH");
            };
        for (String part : down) {
          assertThat(lowest(body, p -> p.name().endsWith(part)))
              .as("%s: %s", e.id(), part)
              .isCloseTo(0, within(CLOSE));
        }
      }
    }
  }

  /** Feet of who sits on a chair are on the floor, unless they are what moves. */
  @Test
  void theFeetOfWhoSitsAreDown() {
    Skeleton body = Skeleton.of(Pose.resting(Base.CHAIR));
    assertThat(lowest(body, p -> p.name().endsWith("FOOT"))).isCloseTo(0, within(CLOSE));
  }

  /** Between the surface of a roller and that of the trunk there is no gap and little overlap. */
  @Test
  void aRollerCarriesTheTrunk() {
    int checked = 0;
    for (Exercise e : CATALOGUE.all()) {
      Movement m = movement(e);
      for (Prop prop : List.of(Prop.ROLLER_ALONG, Prop.ROLLER_ACROSS)) {
        if (!m.props().contains(prop)) continue;
        for (Pose pose : m.poses()) {
          Skeleton body = Skeleton.of(pose);
          List<Ball> roller = prop.shapes(Skeleton.of(m.rest()), body, true).get(0);
          double gap =
              Outline.bearing().stream()
                  .filter(b -> b.part() == Part.THORAX || b.part() == Part.LUMBAR)
                  .mapToDouble(
                      b ->
                          toLine(body.point(b.part(), b.local()), roller)
                              - b.radius()
                              - roller.get(0).radius())
                  .min()
                  .orElseThrow();
          assertThat(gap).as("%s: %s", e.id(), prop.code()).isBetween(-CLOSE, CLOSE);
          checked++;
        }
      }
    }
    assertThat(checked).isGreaterThan(15);
  }

  private static double toLine(Vec p, List<Ball> line) {
    Vec a = line.get(0).centre();
    Vec way = line.get(1).centre().minus(a);
    double along = Math.max(0, Math.min(1, p.minus(a).dot(way) / way.dot(way)));
    return p.minus(a.plus(way.times(along))).length();
  }
}
