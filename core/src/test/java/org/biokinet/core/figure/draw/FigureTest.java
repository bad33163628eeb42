package org.biokinet.core.figure.draw;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import javax.xml.parsers.DocumentBuilderFactory;
import org.biokinet.core.anatomy.Intent;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.OwnExercise;
import org.biokinet.core.figure.body.Base;
import org.biokinet.core.figure.body.Joint;
import org.biokinet.core.figure.body.Movement;
import org.biokinet.core.figure.body.Movements;
import org.biokinet.core.figure.body.Pose;
import org.biokinet.core.figure.body.PoseCheck;
import org.biokinet.core.figure.body.PoseText;
import org.biokinet.core.figure.body.Skeleton;
import org.biokinet.core.figure.body.TissuePaths;
import org.biokinet.core.figure.body.View;
import org.junit.jupiter.api.Test;
import org.w3c.dom.Document;
import org.xml.sax.InputSource;

/** What the poses of the catalogue lengthen, and that they are drawn. */
class FigureTest {

  private static final Catalogue CATALOGUE = Catalogue.load();
  private static final TissuePaths PATHS = TissuePaths.shipped();

  /** Below this nobody would call it a stretch; the project's own threshold. */
  private static final double LEAST = 0.03;

  private static double lengthening(String pose, Tissue tissue, Side side) {
    return PATHS.lengthening(
        Skeleton.of(PoseText.read(pose, Pose.resting(Base.STAND))), tissue, side);
  }

  /** Actions after Gray's Anatomy, recalled from memory. */
  @Test
  void commonAnatomy() {
    String tilted = "neck tilt 25, head tilt 10";
    for (Tissue t : List.of(Tissue.UPPER_TRAP, Tissue.SCALENES, Tissue.LEVATOR)) {
      assertThat(lengthening(tilted, t, Side.RIGHT)).as(t.label()).isGreaterThan(LEAST);
      assertThat(lengthening(tilted, t, Side.LEFT)).as(t.label()).isNegative();
    }
    assertThat(lengthening("neck flex -8, head flex 16", Tissue.SUBOCCIPITALS, Side.LEFT))
        .isGreaterThan(LEAST);
    assertThat(lengthening("R arm 85/-50", Tissue.POSTERIOR_DELTOID, Side.RIGHT))
        .isGreaterThan(LEAST);
    assertThat(lengthening("R arm 90/120", Tissue.PEC_MAJOR, Side.RIGHT)).isGreaterThan(LEAST);
    assertThat(lengthening("R arm 85/-40", Tissue.PEC_MAJOR, Side.RIGHT)).isNegative();
    // Turning to the left is done by the right sternocleidomastoid.
    String turned = "neck turn 35, head turn 30";
    assertThat(lengthening(turned, Tissue.SCM, Side.RIGHT)).isNegative();
    assertThat(lengthening(turned, Tissue.SCM, Side.LEFT)).isPositive();
    assertThat(lengthening("R arm 170/10", Tissue.LATS, Side.RIGHT)).isGreaterThan(LEAST);
    assertThat(lengthening("R elbow 140, R arm 150/10", Tissue.TRICEPS, Side.RIGHT))
        .isGreaterThan(LEAST);
    assertThat(lengthening("R wrist -70", Tissue.WRIST_FLEXORS, Side.RIGHT)).isGreaterThan(LEAST);
    assertThat(lengthening("R wrist -70", Tissue.WRIST_EXTENSORS, Side.RIGHT)).isNegative();
    assertThat(lengthening("R girdle forward 25", Tissue.RHOMBOIDS, Side.RIGHT))
        .isGreaterThan(LEAST);
    assertThat(lengthening("R girdle up 20", Tissue.UPPER_TRAP, Side.RIGHT)).isNegative();
    assertThat(lengthening("R hip flex -20", Tissue.HIP_FLEXORS, Side.RIGHT)).isPositive();
    assertThat(lengthening("pelvis flex 80", Tissue.HAMSTRINGS, Side.RIGHT)).isGreaterThan(LEAST);
  }

  @Test
  void everyMuscleHasALineAndNothingElseHas() {
    for (Tissue t : Tissue.values()) {
      assertThat(PATHS.has(t)).as(t.label()).isEqualTo(t.kind() == Tissue.Kind.MUSCLE);
    }
  }

  @Test
  void everyExerciseIsDrawn() {
    for (Exercise e : CATALOGUE.all()) {
      assertThat(Movements.shipped().of(e, Side.RIGHT)).as(e.id()).isPresent();
      Base base = Movements.shipped().of(e, Side.RIGHT).orElseThrow().rest().base();
      assertThat(e.positions()).as(e.id()).contains(base.position());
    }
  }

  /**
   * The check that finds a wrong side or target before a sore client does: on either side, by hand
   * and without {@link PoseCheck}, which looks at the right one only.
   */
  @Test
  void everyStretchLengthensWhatItIsFor() {
    for (Exercise e : CATALOGUE.all()) {
      if (e.doseContext().mode() != Mode.HOLD || !PATHS.has(e.targets().get(0))) continue;
      for (Side treated : Side.values()) {
        Skeleton end = Skeleton.of(Movements.shipped().of(e, treated).orElseThrow().end());
        double own = PATHS.lengthening(end, e.targets().get(0), treated);
        double other = PATHS.lengthening(end, e.targets().get(0), treated.opposite());
        assertThat(own).as("%s, treating %s", e.id(), treated).isGreaterThanOrEqualTo(LEAST);
        if (e.sided()) assertThat(own).as(e.id()).isGreaterThan(other);
      }
    }
  }

  @Test
  void everyStretchOfAMotionGoesThatWay() {
    int checked = 0;
    for (Exercise e : CATALOGUE.all()) {
      if (e.doseContext().mode() != Mode.HOLD || PATHS.has(e.targets().get(0))) continue;
      Pose end = Movements.shipped().of(e, Side.RIGHT).orElseThrow().end();
      switch (e.targets().get(0)) {
        case THORACIC_ROTATION -> {
          double sign = e.movesToward(Side.RIGHT).orElseThrow() == Side.LEFT ? 1 : -1;
          assertThat(sign * end.angle(Joint.THORAX_TURN)).as(e.id()).isGreaterThan(20);
        }
        case THORACIC_EXTENSION ->
            assertThat(end.angle(Joint.THORAX_FLEX)).as(e.id()).isLessThan(-10);
        case GH_JOINT ->
            assertThat(Math.abs(end.angle(Joint.ARM_ROTATION, Side.RIGHT)))
                .as(e.id())
                .isGreaterThan(40);
        default -> throw new AssertionError(e.id() + " is for something without a check");
      }
      checked++;
    }
    assertThat(checked).isEqualTo(4);
  }

  /** The main movement of the neck goes where the words say. */
  @Test
  void theHeadGoesWhereTheWordsSendIt() {
    for (Exercise e : CATALOGUE.all()) {
      if (!e.sided()) continue;
      Pose end = Movements.shipped().of(e, Side.RIGHT).orElseThrow().end();
      e.headTurnsToward(Side.RIGHT)
          .ifPresent(
              side ->
                  assertThat((side == Side.LEFT ? 1 : -1) * end.angle(Joint.NECK_TURN))
                      .as(e.id())
                      .isPositive());
      if (e.motion().isEmpty()) continue;
      Joint joint =
          switch (e.motion().get()) {
            case NECK_LATERAL_FLEXION -> Joint.NECK_TILT;
            case NECK_ROTATION -> Joint.NECK_TURN;
            case TRUNK_LATERAL_FLEXION -> Joint.THORAX_TILT;
            case TRUNK_ROTATION -> Joint.THORAX_TURN;
            default -> Joint.PELVIS_FLEX;
          };
      if (joint == Joint.PELVIS_FLEX) continue;
      double sign = e.movesToward(Side.RIGHT).orElseThrow() == Side.LEFT ? 1 : -1;
      assertThat(sign * end.angle(joint)).as(e.id() + " " + joint.code()).isPositive();
    }
  }

  /**
   * No stretch is credited with a muscle that its own geometry shortens. The line of the external
   * rotators does not follow the head of the humerus across the body, so it says nothing there;
   * that the cross-body stretch lengthens them is standard anatomy, recalled from memory.
   */
  @Test
  void noCreditedMuscleIsShortened() {
    for (Exercise e : CATALOGUE.all()) {
      if (e.doseContext().mode() != Mode.HOLD) continue;
      Skeleton end = Skeleton.of(Movements.shipped().of(e, Side.RIGHT).orElseThrow().end());
      for (Tissue t : e.targets()) {
        boolean unknown = e.id().equals("cross-body-stretch") && t == Tissue.EXTERNAL_ROTATORS;
        if (!PATHS.has(t) || unknown || e.intentFor(t) != Intent.LENGTHEN) continue;
        assertThat(PATHS.lengthening(end, t, Side.RIGHT))
            .as("%s: %s", e.id(), t.label())
            .isPositive();
      }
    }
  }

  /** What has no sides goes to both: the spine's poses are the same set in the mirror. */
  @Test
  void whatHasNoSidesIsTheSameInTheMirror() {
    for (Exercise e : CATALOGUE.all()) {
      if (e.sided()) continue;
      Movement m = Movements.shipped().of(e, Side.RIGHT).orElseThrow();
      List<Map<Joint, Double>> seen = m.poses().stream().map(FigureTest::middle).toList();
      for (Pose p : m.poses()) assertThat(seen).as(e.id()).contains(middle(p.mirrored()));
    }
  }

  private static Map<Joint, Double> middle(Pose pose) {
    return pose.angles().entrySet().stream()
        .filter(a -> a.getKey().side().isEmpty() && a.getValue() != 0)
        .collect(
            Collectors.toMap(
                a -> a.getKey().joint(), Map.Entry::getValue, (a, b) -> a, TreeMap::new));
  }

  @Test
  void drawingsAreSmallAndWellFormed() throws Exception {
    for (Exercise e : CATALOGUE.all()) {
      for (Side side : Side.values()) {
        Figure figure = Figure.of(e, side).orElseThrow();
        for (View view : figure.views()) {
          String still = figure.still(view, "A <title> & \"more\"");
          String moving = figure.moving(view, e.id());
          assertThat(still.getBytes(StandardCharsets.UTF_8).length).as(e.id()).isLessThan(10_000);
          assertThat(moving.getBytes(StandardCharsets.UTF_8).length).as(e.id()).isLessThan(25_000);
          assertThat(still).doesNotContain("style=", "NaN", "Infinity");
          if (view == figure.bestView()) {
            Document document =
                DocumentBuilderFactory.newInstance()
                    .newDocumentBuilder()
                    .parse(new InputSource(new StringReader(still)));
            assertThat(document.getElementsByTagName("title").item(0).getTextContent())
                .isEqualTo("A <title> & \"more\"");
            assertThat(document.getElementsByTagName("desc").item(0).getTextContent())
                .as(e.id())
                .contains(view.label());
            assertThat(moving).as(e.id()).contains("<animate ");
          }
        }
      }
    }
  }

  /** The arrow of a tilt to the left points to the left of the picture, as in a mirror. */
  @Test
  void theArrowPointsWhereItGoes() {
    Pattern arrow = Pattern.compile("fig-arrow[^>]* d=\"M(-?\\d+) -?\\d+Q\\S+ \\S+ (-?\\d+) ");
    for (Side treated : Side.values()) {
      Exercise e = CATALOGUE.get("upper-trap-stretch");
      Matcher m = arrow.matcher(Figure.of(e, treated).orElseThrow().still(View.FRONT, ""));
      assertThat(m.find()).isTrue();
      int way = Integer.parseInt(m.group(2)) - Integer.parseInt(m.group(1));
      boolean toTheLeft = e.movesToward(treated).orElseThrow() == Side.LEFT;
      assertThat(way < 0).isEqualTo(toTheLeft);
      assertThat(Math.abs(way)).isGreaterThan(50);
    }
  }

  /** Rest, open, curl, rest: the curl is what is held, two thirds through the round. */
  @Test
  void aStretchIsHeldAtItsEndHoweverManyPosesLeadThere() {
    assertThat(Figure.of(CATALOGUE.get("upper-trap-stretch"), Side.LEFT).orElseThrow().held())
        .isEqualTo(Figure.ROUND / 2.0);
    Exercise curl = CATALOGUE.get("cradled-curl-and-open");
    assertThat(Movements.shipped().of(curl, Side.LEFT).orElseThrow().poses()).hasSize(3);
    assertThat(Figure.of(curl, Side.LEFT).orElseThrow().held()).isEqualTo(Figure.ROUND * 2 / 3.0);
  }

  /** A practice may turn an exercise round; the shipped picture would then show the wrong side. */
  @Test
  void whatAPracticeHasTurnedRoundIsNotDrawn() {
    OwnExercise shipped =
        OwnExercise.of(
            CATALOGUE.snapshot(List.of("upper-trap-stretch")),
            "upper-trap-stretch",
            Locale.ENGLISH);
    Map<String, String> facts = new TreeMap<>(shipped.facts());
    facts.put("moves", "toward");
    Exercise turned =
        new OwnExercise(shipped.id(), facts, shipped.words()).exercise().orElseThrow();
    assertThat(Figure.of(turned, Side.LEFT)).isEmpty();
    assertThat(Figure.of(shipped.exercise().orElseThrow(), Side.LEFT)).isPresent();
    OwnExercise copy = shipped.copied().copiedAs("own-copy");
    assertThat(Figure.of(copy.exercise().orElseThrow(), Side.LEFT)).isPresent();
    facts.put("moves", "away");
    facts.put("positions", "stand");
    Exercise standing =
        new OwnExercise(shipped.id(), facts, shipped.words()).exercise().orElseThrow();
    assertThat(Figure.of(standing, Side.LEFT).orElseThrow().still(View.FRONT, ""))
        .doesNotContain("fig-support"); // no chair
    facts.put("positions", "supine");
    Exercise lying = new OwnExercise(shipped.id(), facts, shipped.words()).exercise().orElseThrow();
    assertThat(Figure.of(lying, Side.LEFT)).isEmpty();
  }

  @Test
  void theTreatedSideHasItsColour() {
    Exercise e = CATALOGUE.get("upper-trap-stretch");
    assertThat(Figure.of(e, Side.LEFT).orElseThrow().still(View.FRONT, ""))
        .contains("fig-tissue-left");
    Figure right = Figure.of(e, Side.RIGHT).orElseThrow();
    assertThat(right.still(View.FRONT, "")).contains("fig-tissue-right");
    assertThat(right.lengthened())
        .first()
        .satisfies(
            l -> {
              assertThat(l.tissue()).isEqualTo(Tissue.UPPER_TRAP);
              assertThat(l.percent()).isBetween(5.0, 40.0);
            });
  }
}
