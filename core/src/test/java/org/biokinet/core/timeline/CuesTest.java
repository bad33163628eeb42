package org.biokinet.core.timeline;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Direction;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.ExerciseWords;
import org.biokinet.core.program.Item;
import org.junit.jupiter.api.Test;

/** What is said and shown: the movement first, in an absolute direction, then where it is felt. */
class CuesTest {

  private static List<String> on(Timeline t, Segment.Kind kind) {
    Cues cues = new Cues(TimelineTest.CATALOGUE, Locale.ENGLISH);
    List<Cue> all = cues.of(t);
    List<String> out = new ArrayList<>();
    for (int i = 0; i < all.size(); i++) {
      Segment s = t.segments().get(i);
      if (s.kind() == kind) out.add(all.get(i).spoken() + " [" + cues.count(t, s) + "]");
    }
    return out;
  }

  @Test
  void treatingTheRightUpperTrapeziusTiltsTheHeadLeft() {
    // Handbook section 3.
    Timeline t = TimelineTest.compile(TimelineTest.item("upper-trap-stretch", "2x15s"));
    assertThat(on(t, Segment.Kind.ENTER))
        .containsExactly(
            "Tilt right. [Hold 1 of 2 on the left]",
            "Tilt left. [Hold 1 of 2 on the right]",
            "Tilt right. [Hold 2 of 2 on the left]",
            "Tilt left. [Hold 2 of 2 on the right]");
    // While it is held there is time for the rest, once a side.
    List<String> holds = on(t, Segment.Kind.HOLD);
    assertThat(holds.get(0))
        .startsWith("Hold. Let the left shoulder sink.")
        .contains("Feel it on the left side of the neck.");
    assertThat(holds.get(1)).contains("Feel it on the right side of the neck.");
    assertThat(holds.get(2)).isEqualTo("Hold. [Hold 2 of 2 on the left]");
  }

  @Test
  void theHeadTurnsAwayFromATreatedLevatorAndTowardATreatedRotation() {
    Timeline levator = TimelineTest.compile(TimelineTest.item("levator-stretch", "R 15s"));
    assertThat(on(levator, Segment.Kind.ENTER).get(0))
        .startsWith("Turn left, then nose to the left knee.");
    Timeline rotation = TimelineTest.compile(TimelineTest.item("neck-rotation", "R 3"));
    assertThat(on(rotation, Segment.Kind.MOVE).get(0)).startsWith("Turn right.");
  }

  @Test
  void aChangeOfSideSaysWhatComesNext() {
    Timeline t = TimelineTest.compile(TimelineTest.item("upper-trap-stretch", "15s"));
    assertThat(on(t, Segment.Kind.SWITCH_SIDE))
        .containsExactly("Change sides. Rest the left hand on the head. []");
  }

  @Test
  void cyclesCirclesAndRepetitionsAreCountedAsSuch() {
    Timeline cr = TimelineTest.compile(TimelineTest.item("upper-trap-stretch", "L cr2(6s+15s)"));
    assertThat(on(cr, Segment.Kind.DEEPER))
        .last()
        .asString()
        .contains("[Cycle 2 of 2 on the left]");
    Timeline circle = TimelineTest.compile(TimelineTest.item("shoulder-roll", "3 back"));
    assertThat(on(circle, Segment.Kind.MOVE).get(2))
        .startsWith("Roll both shoulders backward.")
        .endsWith("[Circle 3 of 3]");
    Timeline move = TimelineTest.compile(TimelineTest.item("neck-rotation", "2"));
    assertThat(on(move, Segment.Kind.MOVE).get(3))
        .startsWith("Turn right.")
        .endsWith("[Repetition 2 of 2 on the right]");
  }

  @Test
  void aMovementThatFollowsOnItselfLeavesTimeToTellTheRest() {
    Timeline t = TimelineTest.compile(TimelineTest.item("open-book", "4"));
    assertThat(on(t, Segment.Kind.MOVE).subList(0, 4))
        .containsExactly(
            "Open the left arm and turn left. [Repetition 1 of 4 on the left]",
            "Open the left arm and turn left as you breathe in. [Repetition 2 of 4 on the left]",
            "Close it as you breathe out. [Repetition 3 of 4 on the left]",
            "Open the left arm and turn left. [Repetition 4 of 4 on the left]");
  }

  @Test
  void noCueLeavesAPlaceholderOrARelativeDirection() {
    for (Exercise e : TimelineTest.CATALOGUE.all()) {
      Timeline t = TimelineTest.compile(new Item(e, e.target()));
      List<Cue> cues = new Cues(TimelineTest.CATALOGUE, Locale.ENGLISH).of(t);
      for (Cue c : cues) {
        assertThat(c.headline() + " " + c.detail() + " " + c.spoken())
            .as(e.id())
            .doesNotContain("{", "}", "opposite", " away from", "limited side");
      }
      // On the other side the same words, with left and right exchanged. (A circle's direction is
      // exchanged too, and then stands in another place; the words themselves are tested alone.)
      if (e.sided() && !e.doseContext().directions().contains(Direction.CLOCKWISE)) {
        Timeline left = TimelineTest.compile(oneSide(e, Side.LEFT));
        Timeline right = TimelineTest.compile(oneSide(e, Side.RIGHT));
        assertThat(spoken(right)).isEqualTo(exchanged(spoken(left)));
      }
    }
  }

  private static Item oneSide(Exercise e, Side side) {
    return new Item(e, new Dose.OneSide(side, e.start().on(side).orElseThrow()));
  }

  private static String spoken(Timeline t) {
    return String.join(
        " ",
        new Cues(TimelineTest.CATALOGUE, Locale.ENGLISH).of(t).stream().map(Cue::spoken).toList());
  }

  private static String exchanged(String text) {
    return text.replace("left", "#")
        .replace("right", "left")
        .replace("#", "right")
        .replace("Left", "#")
        .replace("Right", "Left")
        .replace("#", "Right");
  }

  /** Eyes shut: on each side set-up, movement, where and the way out are heard, in that order. */
  @Test
  void everyExerciseIsToldWholeOnEachSide() {
    for (Exercise e : TimelineTest.CATALOGUE.all()) {
      if (e.doseContext().mode() != Mode.HOLD || e.target().on(Side.LEFT).isEmpty()) continue;
      for (Side side : e.sided() ? Side.values() : new Side[] {Side.LEFT}) {
        Timeline t =
            TimelineTest.compile(
                e.sided()
                    ? new Item(e, new Dose.OneSide(side, e.target().on(side).orElseThrow()))
                    : new Item(e, e.target()));
        ExerciseWords w =
            TimelineTest.CATALOGUE
                .words(e, Locale.ENGLISH)
                .on(
                    e,
                    e.sided() ? Optional.of(side) : Optional.empty(),
                    Optional.empty(),
                    Locale.ENGLISH);
        assertThat(spoken(t))
            .as(e.id())
            .containsSubsequence(
                w.setup(),
                w.move(),
                w.how().split("\\. ", -1)[0],
                w.feel(),
                ExerciseWords.sentences(w.out(), Locale.ENGLISH).get(0));
      }
    }
  }

  /**
   * Nobody is talked over: at 3.3 words a second, a brisk voice, every cue ends within its segment.
   */
  @Test
  void whatIsSaidFitsIntoItsSegment() {
    List<String> late = new ArrayList<>();
    for (Exercise e : TimelineTest.CATALOGUE.all()) {
      Timeline t = TimelineTest.compile(new Item(e, e.target()));
      List<Cue> cues = new Cues(TimelineTest.CATALOGUE, Locale.ENGLISH).of(t);
      for (int i = 0; i < cues.size(); i++) {
        int words = cues.get(i).spoken().split(" ", -1).length;
        Segment s = t.segments().get(i);
        if (words > 3.3 * s.seconds()) {
          late.add("%s %s %d s: %s".formatted(e.id(), s.kind(), s.seconds(), cues.get(i).spoken()));
        }
      }
    }
    assertThat(late).isEmpty();
  }
}
