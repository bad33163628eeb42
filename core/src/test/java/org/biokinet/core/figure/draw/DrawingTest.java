package org.biokinet.core.figure.draw;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.figure.body.Movement;
import org.biokinet.core.figure.body.Movements;
import org.biokinet.core.figure.body.Vec;
import org.biokinet.core.figure.body.View;
import org.biokinet.core.figure.body.Views;
import org.junit.jupiter.api.Test;

/** What is on paper: both sides are mirror images, and each is seen from where it shows. */
class DrawingTest {

  private static final Catalogue CATALOGUE = Catalogue.load();
  private static final Pattern PATH = Pattern.compile(" d=\"(M-?\\d+ -?\\d+l[^\"]*)\"");
  private static final Pattern BOX = Pattern.compile("viewBox=\"(-?\\d+) (-?\\d+) (\\d+) (\\d+)\"");

  /** The frame round each filled shape of a still, in millimetres: left, right, top, bottom. */
  private static List<double[]> frames(String svg) {
    List<double[]> frames = new ArrayList<>();
    Matcher path = PATH.matcher(svg);
    while (path.find()) {
      for (String shape : path.group(1).split("z", -1)) {
        if (shape.isEmpty()) continue;
        String[] numbers = shape.substring(1).split("[l ]", -1);
        double[] frame = {1e9, -1e9, 1e9, -1e9};
        double x = 0;
        double y = 0;
        for (int i = 0; i + 1 < numbers.length; i += 2) {
          x += Double.parseDouble(numbers[i]);
          y += Double.parseDouble(numbers[i + 1]);
          frame[0] = Math.min(frame[0], x);
          frame[1] = Math.max(frame[1], x);
          frame[2] = Math.min(frame[2], y);
          frame[3] = Math.max(frame[3], y);
        }
        frames.add(frame);
      }
    }
    return frames;
  }

  private static double sum(List<double[]> frames, int edge) {
    return frames.stream().mapToDouble(f -> f[edge]).sum();
  }

  private static String still(Exercise e, Side treated, View view) {
    return Figure.of(e, treated).orElseThrow().still(view, "");
  }

  @Test
  void treatingTheOtherSideIsTheMirrorImageFromEveryView() {
    for (Exercise e : CATALOGUE.all()) {
      if (!e.sided()) continue;
      for (View view : Figure.of(e, Side.RIGHT).orElseThrow().views()) {
        List<double[]> right = frames(still(e, Side.RIGHT, view));
        List<double[]> left = frames(still(e, Side.LEFT, view));
        assertThat(right).as(e.id()).hasSizeGreaterThan(15);
        assertThat(left).as(e.id() + " " + view).hasSameSizeAs(right);
        // Rounding may move an edge by a millimetre.
        double slack = right.size();
        assertThat(sum(left, 0)).as(e.id() + view).isCloseTo(-sum(right, 1), within(slack));
        assertThat(sum(left, 1)).as(e.id() + view).isCloseTo(-sum(right, 0), within(slack));
        assertThat(sum(left, 2)).as(e.id() + view).isCloseTo(sum(right, 2), within(slack));
        assertThat(sum(left, 3)).as(e.id() + view).isCloseTo(sum(right, 3), within(slack));
        Matcher a = BOX.matcher(still(e, Side.RIGHT, view));
        Matcher b = BOX.matcher(still(e, Side.LEFT, view));
        assertThat(a.find() && b.find()).isTrue();
        double width = Double.parseDouble(a.group(3));
        assertThat(Double.parseDouble(b.group(1)))
            .as(e.id() + view)
            .isCloseTo(-Double.parseDouble(a.group(1)) - width, within(3.0));
      }
    }
  }

  /** As in a mirror: the client's left hand is on the left of the picture. */
  @Test
  void fromTheFrontTheLeftIsOnTheLeft() {
    Vec left = new Vec(20, 100, 0);
    for (View view : List.of(View.FRONT, View.BACK, View.ABOVE)) {
      assertThat(view.project(left, Side.RIGHT).x()).as(view.code()).isNegative();
      assertThat(view.project(left, Side.LEFT).x()).as(view.code()).isNegative();
    }
    Vec ahead = new Vec(0, 100, 20);
    assertThat(View.FRONT.project(ahead, Side.LEFT).z()).isPositive();
    assertThat(View.BACK.project(ahead, Side.LEFT).z()).isNegative();
    // A side view shows the treated side.
    assertThat(View.SIDE.project(left, Side.LEFT).z()).isPositive();
    assertThat(View.SIDE.project(left, Side.RIGHT).z()).isNegative();
  }

  private static View best(String id) {
    return Figure.of(CATALOGUE.get(id), Side.RIGHT).orElseThrow().bestView();
  }

  @Test
  void theViewIsTheOneThatShowsTheMovement() {
    assertThat(best("upper-trap-stretch")).isEqualTo(View.FRONT);
    assertThat(best("neck-lateral-flexion")).isEqualTo(View.FRONT);
    assertThat(best("seated-side-bend")).isEqualTo(View.FRONT);
    assertThat(best("chin-tuck")).isEqualTo(View.SIDE);
    assertThat(best("neck-flexion-extension")).isEqualTo(View.SIDE);
    assertThat(best("cat-cow")).isEqualTo(View.SIDE);
    for (Exercise e : CATALOGUE.all()) {
      Movement m = Movements.shipped().of(e, Side.RIGHT).orElseThrow();
      if (m.rest().base().position() != Position.SUPINE) continue;
      assertThat(Views.best(m, Side.RIGHT)).as(e.id()).isIn(View.ABOVE, View.SIDE);
    }
  }

  @Test
  void legsAreLeftOutWhereTheyOnlySitOrStand() {
    for (String id : List.of("upper-trap-stretch", "cross-body-stretch", "wall-slide")) {
      assertThat(
              Views.upperBody(Movements.shipped().of(CATALOGUE.get(id), Side.LEFT).orElseThrow()))
          .as(id)
          .isTrue();
      assertThat(still(CATALOGUE.get(id), Side.LEFT, View.FRONT)).doesNotContain("fig-shoe");
    }
    for (String id : List.of("squat-to-fold", "childs-pose", "ankle-controlled-circle")) {
      assertThat(still(CATALOGUE.get(id), Side.LEFT, View.SIDE)).as(id).contains("fig-shoe");
    }
  }

  @Test
  void theFaceIsSeenFromTheFrontOnly() {
    Exercise e = CATALOGUE.get("upper-trap-stretch");
    assertThat(still(e, Side.RIGHT, View.FRONT)).contains("fig-ink");
    assertThat(still(e, Side.RIGHT, View.BACK)).doesNotContain("fig-ink");
  }

  @Test
  void whatHasNoSidesHasNoSidesColour() {
    String both = still(CATALOGUE.get("neck-flexor-pull"), Side.RIGHT, View.SIDE);
    assertThat(both).contains("fig-tissue-both").doesNotContain("fig-tissue-right");
  }

  @Test
  void everyPaintHasAColourForPrint() {
    String svg = still(CATALOGUE.get("squat-to-fold"), Side.RIGHT, View.SIDE);
    for (String paint : List.of("skin", "shirt", "trousers", "shoe", "hair")) {
      assertThat(svg).containsPattern("fig-" + paint + "\" fill=\"#[0-9a-f]{6}\"");
    }
  }
}
