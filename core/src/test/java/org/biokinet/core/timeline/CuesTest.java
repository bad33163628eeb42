package org.biokinet.core.timeline;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Direction;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.dose.Parsed;
import org.biokinet.core.dose.SideDose;
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
        .startsWith("Hold, 1 of 2. Not as a pinch on the right side of the neck.")
        .contains("Feel it on the left side of the neck. Let the left shoulder sink.");
    assertThat(holds.get(1)).contains("Feel it on the right side of the neck.");
    assertThat(holds.get(2))
        .isEqualTo(
            "Hold, 2 of 2. Let the hand only weigh, and tilt deeper as you breathe out."
                + " [Hold 2 of 2 on the left]");
  }

  @Test
  void theHeadTurnsAwayFromATreatedLevatorAndTowardATreatedRotation() {
    Timeline levator = TimelineTest.compile(TimelineTest.item("levator-stretch", "R 15s"));
    assertThat(on(levator, Segment.Kind.ENTER).get(0))
        .startsWith("Turn left, then nose to left knee.");
    Timeline rotation = TimelineTest.compile(TimelineTest.item("neck-rotation", "R 3"));
    assertThat(on(rotation, Segment.Kind.MOVE).get(0)).startsWith("Turn right.");
  }

  @Test
  void aChangeOfSideSaysWhatComesNext() {
    Timeline t = TimelineTest.compile(TimelineTest.item("upper-trap-stretch", "15s"));
    assertThat(on(t, Segment.Kind.SWITCH_SIDE))
        .containsExactly("Change sides. Rest left hand on head. Tilt left. []");
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
        .startsWith("3. Roll both shoulders backward.")
        .endsWith("[Circle 3 of 3]");
    Timeline move = TimelineTest.compile(TimelineTest.item("neck-rotation", "2"));
    assertThat(on(move, Segment.Kind.MOVE).get(3))
        .startsWith("2. Turn right.")
        .endsWith("[Repetition 2 of 2 on the right]");
  }

  @Test
  void aMovementThatFollowsOnItselfLeavesTimeToTellTheRest() {
    Timeline t = TimelineTest.compile(TimelineTest.item("open-book", "4"));
    assertThat(on(t, Segment.Kind.MOVE).subList(0, 4))
        .containsExactly(
            "Open the left arm and turn left. [Repetition 1 of 4 on the left]",
            "2. No pinch in the left shoulder, no tingling. [Repetition 2 of 4 on the left]",
            "3. Open the left arm and turn left. [Repetition 3 of 4 on the left]",
            "4. [Repetition 4 of 4 on the left]");
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

  /** A chair that is held, pulled or leaned on has no wheels. */
  @Test
  void aChairThatIsHeldHasNoWheels() {
    Pattern held =
        Pattern.compile("hold the seat|on its back|its back|hand on a chair|on the seat");
    int found = 0;
    for (Exercise e : TimelineTest.CATALOGUE.all()) {
      ExerciseWords w = TimelineTest.CATALOGUE.words(e, Locale.ENGLISH);
      boolean onChair = e.equipment().contains(Equipment.CHAIR) && !e.id().contains("fold");
      if (!onChair && !held.matcher(w.setup()).find()) continue;
      if (e.id().equals("seated-side-bend")) continue; // the hand only rests on the own seat
      found++;
      assertThat(w.setup()).as(e.id()).containsIgnoringCase("without wheels");
    }
    assertThat(found).isGreaterThanOrEqualTo(8);
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

  /**
   * Eyes shut: with the start dose as with the target, on each side, set-up, movement, where it
   * must not be felt and the way out are heard.
   */
  @Test
  void everyExerciseIsToldWholeOnEachSide() {
    for (Exercise e : TimelineTest.CATALOGUE.all()) {
      for (Dose dose : List.of(e.start(), e.target())) {
        for (Side side : e.sided() ? Side.values() : new Side[] {Side.LEFT}) {
          String said = brief(said(TimelineTest.compile(new Item(e, dose))));
          Optional<Direction> way =
              dose.on(side)
                  .flatMap(SideDose::only)
                  .or(() -> e.doseContext().directions().stream().findFirst());
          Optional<Side> treated = e.sided() ? Optional.of(side) : Optional.empty();
          ExerciseWords w =
              TimelineTest.CATALOGUE.words(e, Locale.ENGLISH).on(e, treated, way, Locale.ENGLISH);
          String what = "%s %s %s".formatted(e.id(), DoseNotation.format(dose), side);
          for (String setup : ExerciseWords.sentences(w.setup(), Locale.ENGLISH)) {
            assertThat(said).as(what).contains(brief(setup));
          }
          assertThat(said).as(what).contains(brief(w.move()));
          for (String not : ExerciseWords.sentences(w.not(), Locale.ENGLISH)) {
            assertThat(said).as(what).contains(brief(not));
          }
          String out = ExerciseWords.sentences(w.out(), Locale.ENGLISH).get(0);
          assertThat(said).as(what).contains(brief(out));
        }
      }
    }
  }

  /** Without articles, which a short form leaves out. */
  private static String brief(String text) {
    return (" " + text.toLowerCase(Locale.ENGLISH)).replaceAll(" (the|an|a)(?= )", "").strip();
  }

  private static String said(Timeline t) {
    return String.join(
        " ",
        new Cues(TimelineTest.CATALOGUE, Locale.ENGLISH)
            .of(t).stream().map(c -> c.spoken() + " " + c.ending()).toList());
  }

  /** "Where not" stands on the screen as long as anything is moved or held. */
  @Test
  void whereNotIsShownThroughout() {
    Timeline t = TimelineTest.compile(TimelineTest.item("upper-trap-stretch", "2x15s"));
    List<Cue> cues = new Cues(TimelineTest.CATALOGUE, Locale.ENGLISH).of(t);
    for (int i = 0; i < cues.size(); i++) {
      Segment.Kind kind = t.segments().get(i).kind();
      boolean moving = kind.isWork() || kind == Segment.Kind.ENTER;
      assertThat(cues.get(i).not().isEmpty()).as(kind.name()).isEqualTo(!moving);
    }
  }

  /** A sentence that is too long for its segment is skipped, not waited for. */
  @Test
  void aLongSentenceDoesNotHoldUpTheOthers() {
    Timeline t = TimelineTest.compile(TimelineTest.item("neck-rotation", "5"));
    List<String> said = on(t, Segment.Kind.MOVE);
    assertThat(said.get(0)).startsWith("Turn left. No pinch on left side, no dizziness.");
    assertThat(said.get(2)).startsWith("2. Turn left. [");
  }

  /** The way out is said so that it ends with the last repetition on each side. */
  @Test
  void theWayOutEndsTheLastRepetition() {
    Timeline t = TimelineTest.compile(TimelineTest.item("open-book", "5"));
    List<Cue> cues = new Cues(TimelineTest.CATALOGUE, Locale.ENGLISH).of(t);
    List<String> endings = new ArrayList<>();
    for (int i = 0; i < cues.size(); i++) {
      if (cues.get(i).ending().isEmpty()) continue;
      assertThat(t.segments().get(i).rep()).isEqualTo(5);
      assertThat(cues.get(i).endingSeconds()).isLessThanOrEqualTo(t.segments().get(i).seconds());
      endings.add(cues.get(i).ending());
    }
    assertThat(endings)
        .containsExactly(
            "Then: Close arm, rest, then push up to sit.",
            "Then: Close arm, rest, then push up to sit.");
  }

  /** Contraction has a direction, and a hand only where a hand is. */
  @Test
  void aContractionSaysWhatIsPressedAndWhereTo() {
    Timeline hand = TimelineTest.compile(TimelineTest.item("upper-trap-stretch", "R cr1(6s+15s)"));
    assertThat(on(hand, Segment.Kind.CONTRACT).get(0))
        .startsWith("Press the head right into the hand, gently. Press at 20 % effort. Keep");
    Timeline seat = TimelineTest.compile(TimelineTest.item("upper-trap-anchored", "R cr1(6s+15s)"));
    assertThat(on(seat, Segment.Kind.CONTRACT).get(0))
        .startsWith("Try to lift the right shoulder, gently.")
        .doesNotContain("hand");
  }

  /**
   * A client's usual mistakes are said for the side that is treated, where there is time, and take
   * nothing from what must be heard; what the entry does not know any more is not said.
   */
  @Test
  void usualMistakesAreSaidWithTheirMend() {
    Timeline t = TimelineTest.compile(TimelineTest.item("upper-trap-stretch", "2x15s"));
    Map<String, Set<String>> usual =
        Map.of("upper-trap-stretch", Set.of("the {side} shoulder creeps up", "of another time"));
    Cues cues = new Cues(TimelineTest.CATALOGUE, Locale.ENGLISH, usual);
    String said = String.join(" ", cues.of(t).stream().map(Cue::spoken).toList());
    assertThat(said)
        .contains("If the left shoulder creeps up, breathe out and let it sink.")
        .contains("If the right shoulder creeps up, breathe out and let it sink.")
        .doesNotContain("another time")
        .doesNotContain("the hand pulls");
    assertThat(cues.unheard(t)).isEmpty();
    for (Exercise e : TimelineTest.CATALOGUE.all()) {
      Set<String> all =
          TimelineTest.CATALOGUE.words(e, Locale.ENGLISH).faults().stream()
              .map(ExerciseWords.Fault::what)
              .collect(Collectors.toSet());
      Timeline one = TimelineTest.compile(new Item(e, e.start()));
      Cues with = new Cues(TimelineTest.CATALOGUE, Locale.ENGLISH, Map.of(e.id(), all));
      assertThat(with.unheard(one))
          .as(e.id())
          .isEqualTo(new Cues(TimelineTest.CATALOGUE, Locale.ENGLISH).unheard(one));
      List<Cue> told = with.of(one);
      for (int i = 0; i < told.size(); i++) {
        String words = (told.get(i).spoken() + " " + told.get(i).ending()).strip();
        assertThat(words.split(" ", -1).length)
            .as("%s: %s", e.id(), words)
            .isLessThanOrEqualTo((int) (2.5 * room(one, i)));
      }
    }
  }

  /**
   * Nobody is talked over: at 2.5 words a second every cue ends within its segment, whatever the
   * dose, on either side. The way to a hold is heard on into it.
   */
  @Test
  void whatIsSaidFitsIntoItsSegment() {
    List<String> late = new ArrayList<>();
    for (Exercise e : TimelineTest.CATALOGUE.all()) {
      for (Timeline t : ofEveryForm(e)) {
        List<Cue> cues = new Cues(TimelineTest.CATALOGUE, Locale.ENGLISH).of(t);
        for (int i = 0; i < cues.size(); i++) {
          Segment s = t.segments().get(i);
          int room = room(t, i);
          String all = (cues.get(i).spoken() + " " + cues.get(i).ending()).strip();
          int words = all.isEmpty() ? 0 : all.split(" ", -1).length;
          if (words > 2.5 * room) late.add("%s %s %d s: %s".formatted(e.id(), s.kind(), room, all));
        }
      }
    }
    assertThat(late).isEmpty();
  }

  private static int room(Timeline t, int i) {
    Segment s = t.segments().get(i);
    boolean way = s.kind() == Segment.Kind.RISE || s.kind() == Segment.Kind.MOVE;
    boolean on = way && i + 1 < t.segments().size();
    on = on && t.segments().get(i + 1).kind() == Segment.Kind.HOLD;
    return s.seconds() + (on ? t.segments().get(i + 1).seconds() : 0);
  }

  /** Start and target, one hold, breaths, contract–relax, held at the end of range. */
  private static List<Timeline> ofEveryForm(Exercise e) {
    List<Dose> doses = new ArrayList<>(List.of(e.start(), e.target()));
    for (String typed : List.of("1", "2", "1x5s", "2x40s", "3x6br", "6br", "cr2(6s+15s)", "2x5s")) {
      if (DoseNotation.parse(typed, e.doseContext()) instanceof Parsed.Understood u) {
        doses.add(u.dose());
      }
    }
    return doses.stream().map(d -> TimelineTest.compile(new Item(e, d))).toList();
  }

  /** Eyes shut, a repetition that does not say what is moved could be any. */
  @Test
  void everyRepetitionOpensWithTheMovementOrItsNumber() {
    for (Exercise e : TimelineTest.CATALOGUE.all()) {
      for (Timeline t : ofEveryForm(e)) {
        List<Cue> cues = new Cues(TimelineTest.CATALOGUE, Locale.ENGLISH).of(t);
        for (int i = 0; i < cues.size(); i++) {
          Segment s = t.segments().get(i);
          boolean opens =
              switch (s.kind()) {
                case ENTER, RISE, MOVE, BREATHE, TIMED -> true;
                default -> false;
              };
          if (!opens) continue;
          String said = brief(cues.get(i).spoken());
          String move = brief(cues.get(i).headline()).split("[,.]", -1)[0];
          String what = "%s %s %s".formatted(e.id(), s, said);
          if (s.rep() == 1) assertThat(said).as(what).startsWith(move);
          else assertThat(said).as(what).matches("(?s)(%d\\.|%s).*".formatted(s.rep(), move));
        }
      }
    }
  }

  /** The set-up says which exercise it is, in a shorter form where the whole does not fit. */
  @Test
  void everySetUpSaysTheName() {
    for (Exercise e : TimelineTest.CATALOGUE.all()) {
      Timeline t = TimelineTest.compile(new Item(e, e.start()));
      String name = TimelineTest.CATALOGUE.words(e, Locale.ENGLISH).name();
      String said = on(t, Segment.Kind.SETUP).get(0).replaceFirst("^Next: ", "");
      String called = said.split("\\.", -1)[0];
      assertThat(called).as(e.id()).isNotEmpty();
      assertThat(name).as(e.id()).startsWith(called);
    }
  }

  /** Nothing is said twenty times over: what repeats is counted. */
  @Test
  void noRepetitionSoundsLikeTheOneBefore() {
    for (Exercise e : TimelineTest.CATALOGUE.all()) {
      Timeline t = TimelineTest.compile(new Item(e, e.target()));
      List<Cue> cues = new Cues(TimelineTest.CATALOGUE, Locale.ENGLISH).of(t);
      Set<String> lines = new HashSet<>();
      for (int i = 0; i < cues.size(); i++) {
        Segment s = t.segments().get(i);
        if (!s.kind().isWork() || s.kind() == Segment.Kind.MOVE_BACK) continue;
        String line = cues.get(i).spoken();
        String key = "%s %s %d %s".formatted(s.side(), s.direction(), s.set(), line);
        assertThat(line.isEmpty() || lines.add(key)).as("%s: %s", e.id(), line).isTrue();
      }
    }
  }

  /** A head on its way to one side is brought back before it goes anywhere else. */
  @Test
  void theMiddleIsSaidBeforeTheNextTilt() {
    int found = 0;
    for (Exercise e : TimelineTest.CATALOGUE.all()) {
      boolean tilts = e.group().isNeck() && e.sided() && e.relation().isPresent();
      if (!tilts || e.doseContext().mode() == Mode.ISO) continue;
      for (Timeline t : ofEveryForm(e)) {
        List<Cue> cues = new Cues(TimelineTest.CATALOGUE, Locale.ENGLISH).of(t);
        boolean middle = true;
        for (int i = 0; i < cues.size(); i++) {
          Segment.Kind kind = t.segments().get(i).kind();
          if (kind == Segment.Kind.ENTER || kind == Segment.Kind.MOVE) {
            assertThat(middle).as("%s at %d s", e.id(), t.segments().get(i).start()).isTrue();
            middle = false;
            found++;
          }
          String after = kind == Segment.Kind.MOVE ? cues.get(i).ending() : cues.get(i).spoken();
          middle |= brief(after).contains("middle");
        }
        assertThat(middle).as(e.id()).isTrue();
      }
    }
    assertThat(found).isGreaterThan(300);
  }

  /** At the end of its range nobody is told to come back: that is said when it is time. */
  @Test
  void nothingSaysComeBackWhileItIsHeld() {
    Timeline t = TimelineTest.compile(TimelineTest.item("neck-rotation", "3x10s"));
    assertThat(on(t, Segment.Kind.MOVE))
        .hasSize(6)
        .allSatisfy(said -> assertThat(said).contains("Turn").doesNotContain("back to"));
    assertThat(on(t, Segment.Kind.HOLD)).allSatisfy(said -> assertThat(said).startsWith(" ["));
    assertThat(on(t, Segment.Kind.MOVE_BACK))
        .allSatisfy(said -> assertThat(said).startsWith("Slowly back to the middle."));
  }

  /** What was prescribed reaches the client: how strong, how hard, against what. */
  @Test
  void theLimitsOfADoseAreShownAndSaid() {
    assertThat(limits("upper-trap-stretch", "2x30s @4")).isEqualTo("up to 4 of 10");
    assertThat(limits("chin-tuck", "3x10s")).isEqualTo("at 30 % effort"); // handbook 4
    assertThat(limits("upper-trap-stretch", "cr2(6s+15s)")).isEqualTo("at 20 % effort");
    assertThat(limits("neck-rotation", "3")).isEmpty();
    Timeline t = TimelineTest.compile(TimelineTest.item("upper-trap-stretch", "2x30s @4"));
    assertThat(on(t, Segment.Kind.HOLD).get(0)).contains("Up to 4 of 10.");
  }

  private static String limits(String exercise, String dose) {
    Timeline t = TimelineTest.compile(TimelineTest.item(exercise, dose));
    List<Cue> cues = new Cues(TimelineTest.CATALOGUE, Locale.ENGLISH).of(t);
    for (int i = 0; i < cues.size(); i++) {
      if (t.segments().get(i).kind().isWork()) return cues.get(i).limits();
    }
    throw new AssertionError("no work");
  }

  /** Only who has done both sides can say which was tighter. */
  @Test
  void oneSideAloneIsNotCompared() {
    Timeline one = TimelineTest.compile(TimelineTest.item("upper-trap-stretch", "L 2x15s"));
    assertThat(on(one, Segment.Kind.SETTLE)).containsExactly("Let it settle. []");
    Timeline both = TimelineTest.compile(TimelineTest.item("upper-trap-stretch", "15s"));
    assertThat(on(both, Segment.Kind.SETTLE)).containsExactly("Notice which side felt tighter. []");
    // Of a movement nothing is asked afterwards, so nothing has to be noticed.
    Timeline moved = TimelineTest.compile(TimelineTest.item("neck-rotation", "3"));
    assertThat(on(moved, Segment.Kind.SETTLE)).containsExactly("Let it settle. []");
  }

  /** There is no hold to be counted on the way into contract–relax, nor where there is one. */
  @Test
  void whatIsDoneOnceIsNotCounted() {
    Timeline cr = TimelineTest.compile(TimelineTest.item("upper-trap-stretch", "L cr2(6s+15s)"));
    assertThat(on(cr, Segment.Kind.ENTER)).containsExactly("Tilt right. [on the left]");
  }
}
