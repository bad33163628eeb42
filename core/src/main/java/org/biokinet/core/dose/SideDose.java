package org.biokinet.core.dose;

import java.util.Optional;
import java.util.OptionalInt;

/**
 * A whole dose as it holds for one side, or for an exercise without sides.
 *
 * @param only the one direction, where the other is left out
 * @param ceiling intensity ceiling on the 0–10 stretch scale
 * @param effort percent of maximum effort of an active, isometric or contract movement
 * @param resistance of a resisted movement or hold
 * @param tempo seconds a repetition, there and back
 * @param rest seconds between holds, or between sets where there are several
 * @param perDay times a day
 * @param perWeek days a week
 * @param everyMinutes at the desk, every so many minutes; excludes {@code perDay}
 */
public record SideDose(
    Work work,
    Optional<Direction> only,
    OptionalInt ceiling,
    OptionalInt effort,
    Optional<Resistance> resistance,
    OptionalInt tempo,
    OptionalInt rest,
    OptionalInt perDay,
    OptionalInt perWeek,
    OptionalInt everyMinutes) {

  public SideDose {
    ceiling.ifPresent(Bounds.CEILING::check);
    effort.ifPresent(
        (work instanceof Work.ContractRelax ? Bounds.CONTRACT_EFFORT : Bounds.EFFORT)::check);
    tempo.ifPresent(Bounds.TEMPO::check);
    rest.ifPresent(Bounds.REST::check);
    perDay.ifPresent(Bounds.PER_DAY::check);
    perWeek.ifPresent(Bounds.PER_WEEK::check);
    everyMinutes.ifPresent(Bounds.EVERY_MINUTES::check);
    if (perDay.isPresent() && everyMinutes.isPresent()) {
      throw new IllegalArgumentException("times a day and every n minutes contradict each other");
    }
  }

  public SideDose withWork(Work other) {
    return new SideDose(
        other, only, ceiling, effort, resistance, tempo, rest, perDay, perWeek, everyMinutes);
  }

  public SideDose withCeiling(OptionalInt other) {
    return new SideDose(
        work, only, other, effort, resistance, tempo, rest, perDay, perWeek, everyMinutes);
  }

  public SideDose withEffort(OptionalInt other) {
    return new SideDose(
        work, only, ceiling, other, resistance, tempo, rest, perDay, perWeek, everyMinutes);
  }

  public SideDose withResistance(Optional<Resistance> other) {
    return new SideDose(
        work, only, ceiling, effort, other, tempo, rest, perDay, perWeek, everyMinutes);
  }

  public SideDose withPerWeek(OptionalInt other) {
    return new SideDose(
        work, only, ceiling, effort, resistance, tempo, rest, perDay, other, everyMinutes);
  }

  public SideDose withPerDay(OptionalInt other) {
    return new SideDose(
        work, only, ceiling, effort, resistance, tempo, rest, other, perWeek, everyMinutes);
  }

  /** Only the work, no parts. */
  public static SideDose of(Work work) {
    OptionalInt none = OptionalInt.empty();
    return new SideDose(
        work, Optional.empty(), none, none, Optional.empty(), none, none, none, none, none);
  }
}
