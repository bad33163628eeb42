package org.biokinet.core.progress;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.apache.commons.statistics.distribution.BetaDistribution;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.program.Course;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Ladder;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.Rhythm;
import org.biokinet.core.session.Session;

/**
 * When a program would be where it is meant to go: the weeks ahead, played many times by the rules
 * of a review, with this client's adherence and response as far as both are known. An estimate, and
 * nothing is decided on it.
 *
 * <p>Each time the chance that a session is done, that the morning after is told, and of a red and
 * an amber day are drawn from what the record leaves open (a Beta distribution each); then day
 * follows day, and every review goes on, stays or eases as its lines say. How many steps there are,
 * and which of them have to wait for each other, is read off {@link Forecast}. The model and its
 * figures are our choice; how far it can be trusted is measured on made-up clients
 * (docs/OUTLOOK.md).
 *
 * @param steps reviews that go on until every target is reached, if none does otherwise
 * @param target weeks until then
 * @param finish weeks until every item is only kept up; pain and goals, which a finish asks for as
 *     well, are not foreseen
 * @param sixty the same as {@code target} if 60 % of what is planned were done
 * @param ninety likewise with 90 %
 */
public record Outlook(int steps, Range target, Range finish, Range sixty, Range ninety) {

  /** No further ahead anything is said; our choice. */
  public static final int MOST_WEEKS = 52;

  /** With fewer days of the program behind, too little is known of anybody; our choice. */
  public static final int LEAST_DAYS = 14;

  /** How often the weeks are played. */
  static final int RUNS = 1000;

  /** From the first to the last of this many runs of a hundred. */
  static final int LOW = 10;

  private static final int HIGH = 90;
  private static final int HALF = 50;

  /** So far back what was done counts; our choice. */
  private static final int DAYS_BACK = 42;

  /** Two weeks between reviews at which nothing is taken back. */
  private static final Course FORTNIGHT = Course.USUAL.every(2);

  /**
   * Weeks, rounded up.
   *
   * @param low a tenth of the runs needed less; empty where that is more than a year, like the rest
   * @param high a tenth needed more
   */
  public record Range(OptionalInt low, OptionalInt middle, OptionalInt high) {

    private static Range of(int[] days) {
      Arrays.sort(days);
      return new Range(weeks(days, LOW), weeks(days, HALF), weeks(days, HIGH));
    }

    private static OptionalInt weeks(int[] sorted, int percent) {
      int at = sorted[Math.min(sorted.length - 1, sorted.length * percent / 100)];
      return at > MOST_WEEKS * Evidence.WEEK
          ? OptionalInt.empty()
          : OptionalInt.of((at + Evidence.WEEK - 1) / Evidence.WEEK);
    }

    /** Whether a number of weeks lies in it. */
    public boolean holds(OptionalInt weeks) {
      int beyond = MOST_WEEKS + 1;
      int n = weeks.orElse(beyond);
      return n >= low.orElse(beyond) && n <= high.orElse(beyond);
    }
  }

  /**
   * @param seed the same one says the same
   * @return empty while too few days are behind, the program may not go on now, or the rules lead
   *     to some target not at all or not within a year
   */
  public static Optional<Outlook> of(Diary diary, long seed) {
    Evidence evidence = new Evidence(diary);
    LocalDate begun = LocalDate.ofInstant(diary.versions().get(0).sharedAt(), diary.zone());
    if (ChronoUnit.DAYS.between(begun, diary.today()) < LEAST_DAYS || diary.allowed().isEmpty()) {
      return Optional.empty();
    }
    OptionalInt steps = steps(diary);
    if (steps.isEmpty()) return Optional.empty();
    Known known = Known.of(diary, evidence);
    Plays plays = new Plays(diary, evidence, steps.getAsInt(), known);
    int[][] usual = plays.all(seed, OptionalDouble.empty());
    return Optional.of(
        new Outlook(
            steps.getAsInt(),
            Range.of(usual[0]),
            Range.of(usual[1]),
            Range.of(plays.all(seed, OptionalDouble.of(0.6))[0]),
            Range.of(plays.all(seed, OptionalDouble.of(0.9))[0])));
  }

  /** Whether every side is where it is meant to be. */
  static boolean reached(Program program) {
    return program.items().stream()
        .allMatch(
            item ->
                Arrays.stream(Side.values())
                    .filter(side -> item.dose().on(side).isPresent())
                    .allMatch(side -> reached(item, side)));
  }

  private static boolean reached(Item item, Side side) {
    return item.target(side)
        .map(
            target ->
                Ladder.reached(
                    item.dose().on(side).orElseThrow(), target, item.exercise().doseContext()))
        .orElse(true);
  }

  /**
   * How many reviews have to go on.
   *
   * @return empty where some target is not reached within a year even then
   */
  private static OptionalInt steps(Diary diary) {
    if (reached(diary.version().program())) return OptionalInt.of(0);
    Forecast ahead = Forecast.of(Review.given(diary, FORTNIGHT), MOST_WEEKS);
    List<Forecast.Week> reviews = ahead.weeks().stream().filter(Forecast.Week::review).toList();
    Forecast.Week end = reviews.get(reviews.size() - 1);
    if (!moves(end).allMatch(m -> m == Forecast.Move.AT_TARGET)) return OptionalInt.empty();
    return IntStream.range(0, reviews.size())
        .filter(r -> moves(reviews.get(r)).anyMatch(m -> m == Forecast.Move.STEP))
        .map(r -> r + 1)
        .max();
  }

  private static Stream<Forecast.Move> moves(Forecast.Week week) {
    return week.states().values().stream()
        .filter(Forecast.State.Done.class::isInstance)
        .flatMap(s -> ((Forecast.State.Done) s).sides().values().stream())
        .map(Forecast.Cell::move);
  }

  /**
   * What is known of this client.
   *
   * @param done days of the last weeks on which the program was done, of {@code planned}
   * @param answered of these, those with the morning after
   * @param red of these, and {@code amber} likewise
   */
  private record Known(int done, int planned, int answered, int red, int amber) {

    static Known of(Diary diary, Evidence evidence) {
      LocalDate from = diary.today().minusDays(DAYS_BACK);
      int done = 0;
      int answered = 0;
      int red = 0;
      int amber = 0;
      for (Session s : diary.sessions()) {
        if (s.program() != ProgramKind.MAIN || s.day().isBefore(from)) continue;
        if (!s.day().isBefore(diary.today())) continue;
        done++;
        Colour colour = evidence.colour(s);
        if (colour == Colour.UNCOLOURED) continue;
        answered++;
        if (colour == Colour.RED) red++;
        if (colour == Colour.AMBER) amber++;
      }
      int planned = (int) Math.round(evidence.adherence(DAYS_BACK).planned());
      return new Known(Math.min(done, planned), planned, answered, red, amber);
    }

    /** With so little known beforehand that a week of the record outweighs it; our choice. */
    private static double drawn(double yes, double no, SplittableRandom random) {
      return BetaDistribution.of(yes, no).createSampler(random::nextLong).sample();
    }

    double chanceOfDone(SplittableRandom random) {
      return drawn(1 + done, 1 + planned - done, random);
    }

    double chanceOfAnswer(SplittableRandom random) {
      return drawn(1 + answered, 1 + done - Math.min(done, answered), random);
    }

    double chanceOfRed(SplittableRandom random) {
      return drawn(0.5 + red, 4.5 + answered - red, random);
    }

    double chanceOfAmber(SplittableRandom random) {
      return drawn(0.5 + amber, 2.5 + answered - red - amber, random);
    }
  }

  /** The weeks, again and again. */
  private static final class Plays {
    private final Diary diary;
    private final Known known;
    private final int steps;
    private final int perWeek;
    private final int firstReview;
    private final int rungDays;
    private final List<Colour> rung;
    private final boolean[] lastWeek;

    Plays(Diary diary, Evidence evidence, int steps, Known known) {
      this.diary = diary;
      this.known = known;
      this.steps = steps;
      this.perWeek = Rhythm.of(diary.version().program()).perWeek();
      LocalDate today = diary.today();
      LocalDate shared = day(diary, diary.version());
      LocalDate due =
          Cadence.due(
              diary.decided().stream()
                  .map(Diary.Decided::at)
                  .max(Comparator.naturalOrder())
                  .map(at -> LocalDate.ofInstant(at, diary.zone()).plusDays(Cadence.USUAL_DAYS)),
              shared);
      this.firstReview = (int) Math.max(1, ChronoUnit.DAYS.between(today, due));
      this.rungDays = (int) ChronoUnit.DAYS.between(shared, today);
      this.rung =
          diary.sessions().stream()
              .filter(s -> s.program() == ProgramKind.MAIN)
              .filter(s -> s.version() == diary.version().number())
              .map(evidence::colour)
              .toList();
      this.lastWeek = new boolean[Evidence.WEEK];
      for (Session s : diary.sessions()) {
        int ago = (int) ChronoUnit.DAYS.between(s.day(), today);
        if (s.program() == ProgramKind.MAIN && ago >= 0 && ago < Evidence.WEEK) {
          lastWeek[Evidence.WEEK - 1 - ago] = true;
        }
      }
    }

    private static LocalDate day(Diary diary, Diary.Version version) {
      return LocalDate.ofInstant(version.sharedAt(), diary.zone());
    }

    /**
     * @param adherence instead of the client's own
     * @return days to the target and to the finish of each run
     */
    int[][] all(long seed, OptionalDouble adherence) {
      SplittableRandom random = new SplittableRandom(seed);
      int[][] days = new int[2][RUNS];
      for (int run = 0; run < RUNS; run++) {
        Play play = new Play(random.split(), adherence);
        play.go();
        days[0][run] = play.atTarget;
        days[1][run] = play.finished;
      }
      return days;
    }

    /** Once. */
    private final class Play {
      private static final int NEVER = Integer.MAX_VALUE;
      private final SplittableRandom random;
      private final double done;
      private final boolean targetOnly;
      private final double answer;
      private final double red;
      private final double amber;
      private final List<Colour> atRung = new ArrayList<>(rung);
      private final boolean[] week = lastWeek.clone();
      private int left = steps;
      private int age = rungDays;
      private int atTarget = steps == 0 ? 0 : NEVER;
      private int redAt = -1;
      private int targetReview = -1;
      private int finished = NEVER;

      Play(SplittableRandom random, OptionalDouble adherence) {
        this.random = random;
        this.targetOnly = adherence.isPresent();
        this.done = adherence.orElseGet(() -> known.chanceOfDone(random));
        this.answer = known.chanceOfAnswer(random);
        this.red = known.chanceOfRed(random);
        this.amber = known.chanceOfAmber(random);
      }

      void go() {
        int review = firstReview;
        // What is played with another adherence is asked for the target alone.
        for (int day = 1; day <= MOST_WEEKS * Evidence.WEEK && !over(); day++) {
          live(day);
          if (day == review) review = day + review(day);
        }
      }

      private boolean over() {
        return finished != NEVER || (targetOnly && atTarget != NEVER);
      }

      private void live(int day) {
        age++;
        System.arraycopy(week, 1, week, 0, week.length - 1);
        boolean planned = random.nextDouble() * Evidence.WEEK < perWeek;
        boolean did = planned && random.nextDouble() < done;
        week[week.length - 1] = did;
        if (!did) return;
        Colour colour = Colour.UNCOLOURED;
        if (random.nextDouble() < answer) {
          colour =
              random.nextDouble() < red
                  ? Colour.RED
                  : random.nextDouble() < amber ? Colour.AMBER : Colour.GREEN;
        }
        if (colour == Colour.RED) redAt = day;
        atRung.add(colour);
      }

      /** What a review makes of it, and in how many days the next one is. */
      private int review(int day) {
        List<Colour> last =
            atRung.subList(Math.max(0, atRung.size() - Review.LAST_DAYS), atRung.size());
        long reds = last.stream().filter(k -> k == Colour.RED).count();
        if (reds >= Review.MANY) {
          left++;
          atRung();
          return Cadence.SOON_DAYS;
        }
        if (!goesOn(last, reds)) return Cadence.USUAL_DAYS;
        if (left > 0) {
          left--;
          atRung();
          if (left == 0 && atTarget == NEVER) atTarget = day;
          return Cadence.USUAL_DAYS;
        }
        if (targetReview < 0 || redAt >= targetReview) targetReview = day;
        else if (day - targetReview >= diary.thresholds().of(Threshold.AT_TARGET_DAYS)) {
          finished = day;
        }
        return Cadence.STEADY_DAYS;
      }

      /** Another dose: what was told of the one before counts no more. */
      private void atRung() {
        atRung.clear();
        age = 0;
        targetReview = -1;
      }

      private boolean goesOn(List<Colour> last, long reds) {
        long answered = atRung.stream().filter(k -> k != Colour.UNCOLOURED).count();
        long green = last.stream().filter(k -> k == Colour.GREEN).count();
        int did = 0;
        for (boolean d : week) if (d) did++;
        double percent = 100.0 * did / Math.max(1, perWeek);
        int days =
            Math.max(
                diary.pace().days(),
                diary.allowed().orElseThrow().assessment().irritability().daysBetweenSteps());
        return answered >= diary.pace().answeredDays()
            && age >= days
            && percent >= diary.pace().adherence()
            && reds == 0
            && green >= Review.MANY;
      }
    }
  }
}
