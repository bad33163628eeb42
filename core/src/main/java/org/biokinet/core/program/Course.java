package org.biokinet.core.program;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * What a program is meant to be over the weeks.
 *
 * @param everyWeeks weeks from one review to the next, 1 to {@value #LONGEST}
 * @param phases in the order of their days
 */
public record Course(int everyWeeks, List<Phase> phases) {

  /** Our choice: nobody is left alone with a program for longer. */
  public static final int LONGEST = 8;

  /** A review each week, the soonest that a step may follow on another; no phases. */
  public static final Course USUAL = new Course(1, List.of());

  public static final int LONGEST_NAME = 40;

  /** What the parts of a course are called where a practice has not said otherwise (our choice). */
  public static final List<String> PHASES = List.of("settle", "restore", "strengthen", "keep");

  /** Our choice. */
  public static final int MOST_PHASES = 12;

  /**
   * A part of the course.
   *
   * @param name of the practice's own
   * @param from its first day
   */
  public record Phase(String name, LocalDate from) {}

  public Course {
    if (everyWeeks < 1 || everyWeeks > LONGEST) {
      throw new IllegalArgumentException("everyWeeks: 1 to 8, not " + everyWeeks);
    }
    List<Phase> sorted = new ArrayList<>(phases);
    sorted.sort(Comparator.comparing(Phase::from));
    phases = List.copyOf(sorted);
  }

  /** The one that a day lies in. */
  public Optional<Phase> phase(LocalDate day) {
    return phases.stream().filter(p -> !p.from().isAfter(day)).reduce((a, b) -> b);
  }

  public Course every(int weeks) {
    return new Course(weeks, phases);
  }

  /** With a phase that begins in these days, instead of what began there; none when unnamed. */
  public Course beginning(LocalDate first, LocalDate last, String name) {
    List<Phase> others = new ArrayList<>(phases);
    others.removeIf(p -> !p.from().isBefore(first) && !p.from().isAfter(last));
    if (!name.isBlank()) others.add(new Phase(name.strip(), first));
    return new Course(everyWeeks, others);
  }
}
