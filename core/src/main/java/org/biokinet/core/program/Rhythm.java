package org.biokinet.core.program;

import java.time.DayOfWeek;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.dose.Volume;

/**
 * How often a program is done: as often as the item of it that is done most often.
 *
 * @param perDay times on a day on which it is done
 * @param perWeek days a week
 */
public record Rhythm(int perDay, int perWeek) {

  private static final int WEEK = DayOfWeek.values().length;

  public Rhythm {
    if (perDay < 1 || perWeek < 1 || perWeek > WEEK) {
      throw new IllegalArgumentException("%d a day, %d a week".formatted(perDay, perWeek));
    }
  }

  /** Of what does not wait; an item that says nothing is done once a day. */
  public static Rhythm of(Program program) {
    List<Dose> doses =
        IntStream.range(0, program.items().size())
            .filter(i -> !program.paused().contains(i))
            .mapToObj(i -> program.items().get(i).dose())
            .toList();
    return new Rhythm(
        doses.stream().flatMap(Rhythm::sides).mapToInt(Volume::times).max().orElse(1),
        doses.stream().mapToInt(Rhythm::daysAWeek).max().orElse(WEEK));
  }

  /** Days a week on which an item is done: those of the side that is done on more of them. */
  public static int daysAWeek(Dose dose) {
    return sides(dose).mapToInt(Rhythm::daysAWeek).max().orElse(WEEK);
  }

  public static int daysAWeek(SideDose dose) {
    return dose.perWeek().orElse(WEEK);
  }

  private static Stream<SideDose> sides(Dose dose) {
    return Stream.of(Side.values()).map(dose::on).flatMap(Optional::stream);
  }

  public boolean daily() {
    return perWeek == WEEK;
  }

  /** Spread over the week as evenly as whole days allow, from Monday on; our choice. */
  public Set<DayOfWeek> usualDays() {
    Set<DayOfWeek> days = EnumSet.noneOf(DayOfWeek.class);
    for (int i = 0; i < perWeek; i++) days.add(DayOfWeek.of(1 + i * WEEK / perWeek));
    return days;
  }
}
