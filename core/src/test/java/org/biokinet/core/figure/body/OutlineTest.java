package org.biokinet.core.figure.body;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.figure.draw.BodyOutline;
import org.biokinet.core.figure.draw.SidePhotograph;
import org.joml.Vector2d;
import org.junit.jupiter.api.Test;

/** The plain outline, and photographs with a known angle. */
class OutlineTest {

  @Test
  void theOutlineHasTheLeftOnTheLeftFromFrontAndBack() {
    for (View view : List.of(View.FRONT, View.BACK)) {
      BodyOutline outline = BodyOutline.of(view);
      Vec left = outline.at(Part.LEFT_SCAPULA, Vec.ZERO);
      Vec right = outline.at(Part.RIGHT_SCAPULA, Vec.ZERO);
      assertThat(left.x()).as(view.code()).isNegative().isCloseTo(-right.x(), within(1e-6));
      assertThat(outline.side(left.x(), 20)).contains(Side.LEFT);
      assertThat(outline.side(3, 20)).isEmpty();
      assertThat(left.x()).isBetween((double) outline.left(), 0.0);
      assertThat(outline.svg("Front <view>")).contains("Front &lt;view>", "fig-body");
      // As wide on one side as on the other.
      assertThat(outline.left()).isEqualTo(-(outline.left() + outline.width()));
    }
    Vec nose = new Vec(0, 4, 9);
    assertThat(BodyOutline.of(View.FRONT).at(Part.HEAD, nose).z())
        .isGreaterThan(BodyOutline.of(View.BACK).at(Part.HEAD, nose).z());
    assertThatThrownBy(() -> BodyOutline.of(View.SIDE)).hasMessageContaining("side");
  }

  /** The angle of the true points, by JOML, is the one that was asked for. */
  @Test
  void aPhotographHasTheAngleThatWasAskedFor() {
    for (double asked = 30; asked <= 62; asked += 2) {
      for (Side facing : Side.values()) {
        SidePhotograph photograph = SidePhotograph.of(asked, facing);
        double ahead = facing == Side.LEFT ? -1 : 1;
        Vector2d way =
            new Vector2d(
                ahead * (photograph.tragus().x() - photograph.c7().x()),
                photograph.c7().y() - photograph.tragus().y());
        double angle = Math.toDegrees(new Vector2d(1, 0).angle(way));
        assertThat(angle).as(facing + " " + asked).isCloseTo(asked, within(0.1));
        assertThat(photograph.shoulder().y()).isGreaterThan(photograph.c7().y());
        assertThat(photograph.svg()).contains("fig-skin").doesNotContain("fig-arrow", "animate");
      }
    }
    assertThatThrownBy(() -> SidePhotograph.of(95, Side.LEFT)).hasMessageContaining("no neck");
  }
}
