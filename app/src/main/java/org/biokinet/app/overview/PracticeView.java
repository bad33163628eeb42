package org.biokinet.app.overview;

import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * A practice as a whole, of the last {@link #WEEKS} weeks: what waits, and what to improve. It
 * compares no people, and says nothing of fewer than {@link #LEAST} clients.
 *
 * @param steps where clients are, the most pressing first
 * @param reviewsDue clients whose review is due, whatever else they are on the list for
 * @param screeningsDue clients whose screening ends within two weeks, likewise
 * @param stops what became of sessions that were stopped
 * @param programs by title, the one that most clients do first
 * @param exercises what is left out or hurts most first
 * @param changes by exercise and measure
 */
public record PracticeView(
    List<Step> steps,
    int reviewsDue,
    int screeningsDue,
    Stops stops,
    List<OfProgram> programs,
    List<OfExercise> exercises,
    List<Changed> changes) {

  public static final int WEEKS = 4;

  /** Of fewer somebody could be made out; our choice, as registries often have it. */
  public static final int LEAST = 5;

  /** How many clients are on the list for one reason; calm ones too. */
  public record Step(String word, String sign, long clients) {}

  /**
   * @param called of these, after how many somebody has called or dealt with it
   * @param median until then; empty with fewer than {@link #LEAST}
   * @param longest likewise
   */
  public record Stops(
      int stopped, int called, Optional<Duration> median, Optional<Duration> longest) {}

  /**
   * @param perWeek sessions of a client in a week
   * @param done percent of the seconds of the sessions that were begun
   */
  public record OfProgram(String title, long clients, double perWeek, int done) {}

  /**
   * @param done percent of the seconds that were planned in sessions that were begun
   * @param leftOut percent of the times in which nothing of it was done
   * @param provoked percent of the check-ins that name it as where pain rose
   */
  public record OfExercise(
      String id, String name, long clients, int done, int leftOut, int provoked) {}

  /**
   * How a measure has changed of those whose program holds an exercise. Whoever does it does other
   * things as well: it is no proof that it helps.
   *
   * @param median from the first to the newest, in the measure's own unit
   */
  public record Changed(String exercise, String measure, int clients, double median) {}

  public PracticeView {
    steps = List.copyOf(steps);
    programs = List.copyOf(programs);
    exercises = List.copyOf(exercises);
    changes = List.copyOf(changes);
  }

  /** Clients on the list, whatever for. */
  public long clients() {
    return steps.stream().mapToLong(Step::clients).sum();
  }

  static LocalDate from(LocalDate today) {
    return today.minusWeeks(WEEKS);
  }

  /** In percent of whole; empty where there is none. */
  static OptionalInt percent(long part, long whole) {
    return whole == 0
        ? OptionalInt.empty()
        : OptionalInt.of((int) Math.round(100.0 * part / whole));
  }
}
