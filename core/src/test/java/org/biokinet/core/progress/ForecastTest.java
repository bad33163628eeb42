package org.biokinet.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.dose.Volume;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.ledger.Ledger;
import org.biokinet.core.planning.Case;
import org.biokinet.core.planning.Planner;
import org.biokinet.core.planning.SeededCase;
import org.biokinet.core.program.Course;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Item.Priority;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.Weeks;
import org.biokinet.core.progress.Forecast.Move;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.Irritability.Settles;
import org.biokinet.core.timeline.Timeline;
import org.junit.jupiter.api.Test;

/** The weeks ahead, by handbook sections 6 and 10; every ladder is written out by hand. */
class ForecastTest {

  private static final Catalogue CATALOGUE = Catalogue.load();
  private static final LocalDate TODAY = LocalDate.parse("2026-11-26");
  private static final Program EMPTY = new Program("Weeks", 5, Pacing.DEFAULT, List.of());

  private static final Allowed LOW = DiaryBuilder.allowed(Settles.WITHIN_10_MINUTES);

  private static Forecast.Row row(String exercise, String dose, String target) {
    return row(exercise, dose, target, Priority.NORMAL, Weeks.USUAL);
  }

  private static Forecast.Row row(
      String exercise, String dose, String target, Priority priority, Weeks weeks) {
    Exercise e = CATALOGUE.get(exercise);
    Optional<Dose> end =
        target.isEmpty() ? Optional.empty() : Optional.of(DiaryBuilder.dose(e, target));
    Item item =
        new Item(
            e,
            DiaryBuilder.dose(e, dose),
            e.usualPosition(),
            Optional.empty(),
            Optional.empty(),
            priority,
            end);
    return new Forecast.Row(exercise, item, weeks);
  }

  private static Forecast.Given given(Allowed allowed, Course course, Forecast.Row... rows) {
    return new Forecast.Given(
        EMPTY, List.of(rows), course, TODAY, Optional.of(allowed), List.of(), Ledger.NOTHING);
  }

  private static Forecast forecast(int weeks, Forecast.Row... rows) {
    return Forecast.of(given(LOW, Course.USUAL, rows), weeks);
  }

  private static Item item(Forecast f, String key, int week) {
    return ((Forecast.State.Done) f.weeks().get(week).state(key)).item();
  }

  private static List<String> doses(Forecast f, String key) {
    return IntStream.range(0, f.weeks().size())
        .filter(w -> f.weeks().get(w).state(key) instanceof Forecast.State.Done)
        .mapToObj(w -> DoseNotation.format(item(f, key, w).dose()))
        .toList();
  }

  private static Move move(Forecast f, String key, Side side, int week) {
    return f.move(key, side, week).orElseThrow();
  }

  /** 2x15s to 2x30s: 30, 40, 60 s; each adds no more than 30 s a day to the upper trapezius. */
  @Test
  void oneRungAWeekToTheTarget() {
    Forecast f = forecast(5, row("upper-trap-stretch", "2x15s", ""));
    assertThat(doses(f, "upper-trap-stretch"))
        .containsExactly("2x15s", "2x20s", "2x30s", "2x30s", "2x30s");
    assertThat(move(f, "upper-trap-stretch", Side.RIGHT, 2)).isEqualTo(Move.STEP);
    assertThat(move(f, "upper-trap-stretch", Side.RIGHT, 3)).isEqualTo(Move.AT_TARGET);
    assertThat(f.weeks().get(1).from()).isEqualTo(LocalDate.parse("2026-12-03"));
    assertThat(f.weeks().get(0).review()).isFalse();
  }

  /** The target may differ: the right goes on when the left has arrived. */
  @Test
  void eachSideClimbsItsOwnLadder() {
    Forecast f = forecast(4, row("upper-trap-stretch", "2x15s", "L 2x20s R 2x30s"));
    assertThat(doses(f, "upper-trap-stretch"))
        .containsExactly("2x15s", "2x20s", "L 2x20s R 2x30s", "L 2x20s R 2x30s");
    assertThat(move(f, "upper-trap-stretch", Side.LEFT, 2)).isEqualTo(Move.AT_TARGET);
    assertThat(move(f, "upper-trap-stretch", Side.RIGHT, 2)).isEqualTo(Move.STEP);
  }

  @Test
  void aSideThatIsNotTreatedHasNoLadder() {
    Forecast f = forecast(3, row("upper-trap-stretch", "R 2x15s", "2x30s"));
    assertThat(doses(f, "upper-trap-stretch")).containsExactly("R 2x15s", "R 2x20s", "R 2x30s");
    assertThat(f.move("upper-trap-stretch", Side.LEFT, 1)).isEmpty();
  }

  /** "At high irritability one step a fortnight"; the dose is within its limits all the same. */
  @Test
  void aStepAFortnightWhenIrritable() {
    Forecast f =
        Forecast.of(
            given(
                DiaryBuilder.allowed(Settles.LATER),
                Course.USUAL,
                row("upper-trap-stretch", "2x5s @2", "2x30s @2")),
            6);
    assertThat(doses(f, "upper-trap-stretch"))
        .containsExactly("2x5s @2", "2x5s @2", "2x10s @2", "2x10s @2", "2x10s @2", "2x10s @2");
    assertThat(move(f, "upper-trap-stretch", Side.LEFT, 1)).isEqualTo(Move.FORTNIGHT);
    assertThat(move(f, "upper-trap-stretch", Side.LEFT, 4))
        .as("2 × 10 s is the most at high irritability")
        .isEqualTo(Move.SCREENING);
  }

  /** "At most one step on a tissue side": what is kept in a short session goes first. */
  @Test
  void oneStepOnATissueSide() {
    Forecast f =
        forecast(
            2,
            row("levator-stretch", "2x15s", ""),
            row("levator-stretch-hand-on-shoulder", "2x15s", "", Priority.HIGH, Weeks.USUAL));
    assertThat(move(f, "levator-stretch-hand-on-shoulder", Side.LEFT, 1)).isEqualTo(Move.STEP);
    assertThat(move(f, "levator-stretch", Side.LEFT, 1)).isEqualTo(Move.TISSUE);
  }

  /** "and two items in a region": the third of the neck waits a week. */
  @Test
  void twoItemsInARegion() {
    Forecast f =
        forecast(
            3,
            row("upper-trap-stretch", "2x15s", "2x20s"),
            row("levator-stretch", "2x15s", "2x20s"),
            row("chin-tuck", "3x10s", ""));
    assertThat(move(f, "chin-tuck", Side.LEFT, 1)).isEqualTo(Move.REGION);
    assertThat(move(f, "chin-tuck", Side.LEFT, 2)).isEqualTo(Move.STEP);
    assertThat(doses(f, "chin-tuck")).containsExactly("3x10s", "3x10s", "3x15s");
  }

  /**
   * 60 s a day after nothing is more than 30 s more: it waits, and says so; 2x15s may come in, and
   * then has nothing to stand against its steps.
   */
  @Test
  void whatComesInMayNotRiseTooFast() {
    Weeks second = Weeks.USUAL.from(Optional.of(TODAY.plusDays(14)));
    Forecast much =
        forecast(
            4,
            row("chin-tuck", "3x20s", ""),
            row("upper-trap-stretch", "2x30s", "", Priority.NORMAL, second));
    assertThat(much.weeks().get(1).state("upper-trap-stretch"))
        .isEqualTo(new Forecast.State.Later(""));
    assertThat(much.weeks().get(2).state("upper-trap-stretch"))
        .isInstanceOfSatisfying(
            Forecast.State.Later.class,
            l -> assertThat(l.why()).contains("0 → 420 s a week", "at most 210"));
    Forecast little =
        forecast(
            4,
            row("chin-tuck", "3x20s", ""),
            row("upper-trap-stretch", "2x15s", "", Priority.NORMAL, second));
    assertThat(doses(little, "upper-trap-stretch"))
        .as("new in week 2, and a step a week later")
        .containsExactly("2x15s", "2x20s");
    assertThat(little.weeks().get(2).seconds()).isGreaterThan(little.weeks().get(1).seconds());
  }

  @Test
  void whatIsHeldMovesEveryStepAfterIt() {
    LocalDate first = TODAY.plusDays(7);
    Weeks held = Weeks.USUAL.hold(TODAY, first, List.of(Side.LEFT));
    Forecast f = forecast(4, row("upper-trap-stretch", "2x15s", "", Priority.NORMAL, held));
    assertThat(doses(f, "upper-trap-stretch"))
        .containsExactly("2x15s", "L 2x15s R 2x20s", "L 2x20s R 2x30s", "2x30s");
    assertThat(move(f, "upper-trap-stretch", Side.LEFT, 1)).isEqualTo(Move.HELD);
    assertThat(f.nextStep("upper-trap-stretch", Side.LEFT, 0)).contains(2);
    assertThat(held.release(TODAY, first, List.of(Side.LEFT))).isEqualTo(Weeks.USUAL);
  }

  /** A plan made on Thursday is the same plan on Sunday: a hold keeps its review. */
  @Test
  void daysStayDaysWhileTodayMovesOn() {
    Weeks weeks = Weeks.USUAL.hold(TODAY, TODAY.plusDays(7), List.of(Side.values()));
    LocalDate sunday = TODAY.plusDays(3);
    assertThat(weeks.held(sunday, sunday.plusDays(7), Side.RIGHT)).isTrue();
    assertThat(weeks.held(sunday.plusDays(7), sunday.plusDays(14), Side.RIGHT)).isFalse();
  }

  @Test
  void whatHasEndedIsDoneNoLonger() {
    Weeks until = Weeks.USUAL.until(Optional.of(TODAY.plusDays(14)));
    Forecast f =
        forecast(
            3,
            row("upper-trap-stretch", "2x30s", ""),
            row("chin-tuck", "3x20s", "", Priority.NORMAL, until));
    assertThat(f.weeks().get(1).state("chin-tuck")).isInstanceOf(Forecast.State.Done.class);
    assertThat(f.weeks().get(2).state("chin-tuck")).isEqualTo(new Forecast.State.Ended());
  }

  @Test
  void betweenReviewsNothingSteps() {
    Forecast f =
        Forecast.of(given(LOW, Course.USUAL.every(2), row("upper-trap-stretch", "2x15s", "")), 5);
    assertThat(doses(f, "upper-trap-stretch"))
        .containsExactly("2x15s", "2x15s", "2x20s", "2x20s", "2x30s");
    assertThat(move(f, "upper-trap-stretch", Side.LEFT, 1)).isEqualTo(Move.NO_REVIEW);
  }

  @Test
  void nothingIsForeseenForSomebodyWhoIsNotScreened() {
    Forecast.Given one = given(LOW, Course.USUAL, row("upper-trap-stretch", "2x15s", ""));
    Forecast f =
        Forecast.of(
            new Forecast.Given(
                one.program(),
                one.rows(),
                one.course(),
                TODAY,
                Optional.empty(),
                List.of(),
                Ledger.NOTHING),
            3);
    assertThat(doses(f, "upper-trap-stretch")).containsOnly("2x15s");
    assertThat(move(f, "upper-trap-stretch", Side.LEFT, 1)).isEqualTo(Move.NOT_SCREENED);
  }

  /** Breaths do not lead to seconds, and a target below the dose is none to climb to. */
  @Test
  void whereNoStepLeadsItSaysSo() {
    Forecast f = forecast(2, row("upper-trap-stretch", "2x3br", "2x30s"));
    assertThat(move(f, "upper-trap-stretch", Side.LEFT, 1)).isEqualTo(Move.NO_WAY);
    assertThat(doses(f, "upper-trap-stretch")).containsOnly("2x3br");
    assertThat(move(forecast(2, row("chin-tuck", "3x20s", "3x10s")), "chin-tuck", Side.LEFT, 1))
        .isEqualTo(Move.AT_TARGET);
  }

  /** 3 × 20 s is as much as 2 × 30 s: longer holds as often would be more than the target. */
  @Test
  void noStepGoesPastTheTarget() {
    Forecast f = forecast(3, row("upper-trap-stretch", "L 2x15s R 3x20s", "2x30s"));
    assertThat(doses(f, "upper-trap-stretch"))
        .containsExactly("L 2x15s R 3x20s", "L 2x20s R 3x20s", "L 2x30s R 3x20s");
    assertThat(move(f, "upper-trap-stretch", Side.RIGHT, 1)).isEqualTo(Move.NO_WAY);
  }

  /** Times a day said on one side only have to be said on the other: once. */
  @Test
  void timesADayOfOneSide() {
    Forecast f = forecast(3, row("upper-trap-stretch", "20s", "L 20s 1/d R 20s 2/d"));
    assertThat(doses(f, "upper-trap-stretch").get(2)).isEqualTo("L 20s 1/d R 20s 2/d");
  }

  /**
   * Whatever is planned, no week breaks the rise limit or what the screening allows, no tissue side
   * steps twice at a review, and nothing is ever less than the week before.
   */
  @Property(tries = 60)
  void noWeekBreaksARule(@ForAll @LongRange(min = 1, max = 100_000) long seed) {
    Random random = new Random(seed);
    Case c = SeededCase.of(seed);
    Planner planner = new Planner(CATALOGUE, Locale.ENGLISH);
    List<Forecast.Row> rows = new ArrayList<>();
    for (Item item : planner.suggest(c).program().items()) {
      rows.add(new Forecast.Row("row-" + rows.size(), item, weeks(random)));
    }
    Course course = Course.USUAL.every(1 + random.nextInt(2));
    Forecast f =
        Forecast.of(
            new Forecast.Given(
                EMPTY, rows, course, TODAY, Optional.of(c.allowed()), List.of(), Ledger.NOTHING),
            8);
    for (int w = 1; w < f.weeks().size(); w++) {
      Forecast.Week before = f.weeks().get(w - 1);
      Forecast.Week week = f.weeks().get(w);
      assertThat(week.stretch().risesFrom(before.stretch())).isEmpty();
      assertThat(Ledger.of(Timeline.compile(week.program())))
          .as("the sum of the items is the ledger of the program")
          .isEqualTo(week.stretch());
      Map<String, Integer> steps = new HashMap<>();
      for (String key : week.states().keySet()) {
        if (!(week.state(key) instanceof Forecast.State.Done done)) continue;
        Item item = done.item();
        assertThat(c.allowed().objections(item.exercise(), item.position(), item.dose())).isEmpty();
        for (Side side : done.sides().keySet()) {
          if (move(f, key, side, w) != Move.STEP) continue;
          Volume was = volume(item(f, key, w - 1), side);
          Volume now = volume(item, side);
          assertThat(was.equals(now)).isFalse();
          Tissue t = item.exercise().targets().get(0);
          List<Side> sides = item.exercise().sided() ? List.of(side) : List.of(Side.values());
          sides.forEach(s -> steps.merge(t + " " + s, 1, Integer::sum));
        }
      }
      assertThat(steps.values()).allMatch(n -> n == 1);
    }
  }

  private static Volume volume(Item item, Side side) {
    return Volume.of(item.dose().on(side).orElseThrow(), item.exercise().doseContext(), 5);
  }

  private static Weeks weeks(Random random) {
    Optional<LocalDate> from =
        random.nextInt(3) == 0 ? Optional.of(TODAY.plusDays(random.nextInt(40))) : Optional.empty();
    Optional<LocalDate> until =
        random.nextInt(4) == 0
            ? Optional.of(TODAY.plusDays(40 + random.nextInt(20)))
            : Optional.empty();
    return new Weeks(from, until, List.of());
  }
}
