package org.biokinet.core.session;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.Collection;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.Rhythm;

/**
 * Which items of a program are left out on a day because they are done on fewer days a week than
 * the program is. They are spread over the days as evenly as what was done so far allows: of any
 * days running, no more than an even spread would have; our choice.
 */
public final class DaysOff {

  private static final int WEEK = DayOfWeek.values().length;

  /** What was done before that many days makes no difference. */
  public static final int LOOKS_BACK = WEEK - 1;

  private DaysOff() {}

  /**
   * The items that are left out, by their place; never all of them, and none that waits anyway. An
   * item is left out with both its sides: it is done for as long as one of them is due.
   *
   * @param version of the program; what was done of others is not looked at, so that a new version
   *     begins with all of it
   * @param lately sessions of the days before, of whatever program; those of the day itself do not
   *     count, so that all sessions of a day are the same
   */
  public static Set<Integer> of(
      Program program, ProgramKind kind, int version, LocalDate day, Collection<Session> lately) {
    Set<Integer> off = new TreeSet<>();
    for (int place : rarer(program)) {
      Set<LocalDate> done =
          lately.stream()
              .filter(s -> s.program() == kind && s.version() == version)
              .filter(s -> s.parts().stream().anyMatch(p -> p.item() == place && p.seconds() > 0))
              .map(Session::day)
              .collect(Collectors.toSet());
      if (tooSoon(daysAWeek(program, place), day, done)) off.add(place);
    }
    return off;
  }

  /** The items that are done on fewer days than the program, by their place. */
  public static Set<Integer> rarer(Program program) {
    int all = Rhythm.of(program).perWeek();
    return IntStream.range(0, program.items().size())
        .filter(place -> !program.paused().contains(place))
        .filter(place -> daysAWeek(program, place) < all)
        .boxed()
        .collect(Collectors.toCollection(TreeSet::new));
  }

  private static int daysAWeek(Program program, int place) {
    return Rhythm.daysAWeek(program.items().get(place).dose());
  }

  /** Whether some days running, with this as the last, would hold too many. */
  private static boolean tooSoon(int daysAWeek, LocalDate day, Set<LocalDate> done) {
    int held = 1;
    for (int running = 1; running <= WEEK; running++) {
      if (running > 1 && done.contains(day.minusDays(running - 1L))) held++;
      int most = (running * daysAWeek + WEEK - 1) / WEEK; // rounded up
      if (held > most) return true;
    }
    return false;
  }
}
