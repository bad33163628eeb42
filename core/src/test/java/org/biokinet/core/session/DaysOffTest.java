package org.biokinet.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.dose.Parsed;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.timeline.Performance;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How the days are spread is our choice; the rows were written by hand. */
class DaysOffTest {

  private static final LocalDate FIRST = LocalDate.parse("2026-10-05");
  private static final Catalogue CATALOGUE = Catalogue.load();

  private static Item item(String id, String dose) {
    Exercise e = CATALOGUE.get(id);
    Dose understood = ((Parsed.Understood) DoseNotation.parse(dose, e.doseContext())).dose();
    return new Item(e, understood);
  }

  private static Program program(Item... items) {
    return new Program("on some days", 5, Pacing.DEFAULT, List.of(items));
  }

  private static Session session(ProgramKind kind, int version, LocalDate day, Set<Integer> done) {
    Instant at = day.atTime(8, 0).toInstant(ZoneOffset.UTC);
    List<Performance.Part> parts =
        done.stream()
            .map(place -> new Performance.Part(place, Optional.of(Side.LEFT), 30, 30, 30, 1, 1))
            .toList();
    return Session.plain(
        kind,
        version,
        at,
        day,
        Optional.of(2),
        Ended.FINISHED,
        60,
        60,
        parts,
        Optional.empty(),
        Optional.empty());
  }

  /** Which days of three weeks the first item is done on, where the client comes on these. */
  private static List<Integer> days(Program program, List<Integer> comes) {
    List<Session> sessions = new ArrayList<>();
    List<Integer> done = new ArrayList<>();
    for (int day : comes) {
      LocalDate date = FIRST.plusDays(day);
      Set<Integer> off = DaysOff.of(program, ProgramKind.MAIN, 1, date, sessions);
      Set<Integer> items =
          IntStream.range(0, program.items().size())
              .filter(i -> !off.contains(i))
              .boxed()
              .collect(Collectors.toSet());
      sessions.add(session(ProgramKind.MAIN, 1, date, items));
      if (items.contains(0)) done.add(day);
    }
    return done;
  }

  private static List<Integer> every(int day) {
    return IntStream.range(0, 21).filter(d -> d % day == 0).boxed().toList();
  }

  @ParameterizedTest
  @CsvSource({
    "1, '0 7 14'",
    "2, '0 3 7 10 14 17'",
    "3, '0 2 4 7 9 11 14 16 18'",
    "4, '0 1 3 5 7 8 10 12 14 15 17 19'",
    "5, '0 1 2 4 5 7 8 9 11 12 14 15 16 18 19'",
    "6, '0 1 2 3 4 5 7 8 9 10 11 12 14 15 16 17 18 19'",
  })
  void whoComesEveryDayDoesItOnDaysThatAreSpread(int perWeek, String expected) {
    Program p =
        program(
            item("chin-tuck", "3x5s %d/w".formatted(perWeek)),
            item("goalpost-chest-opener", "2x20s"));
    assertThat(days(p, every(1)).stream().map(String::valueOf).collect(Collectors.joining(" ")))
        .isEqualTo(expected);
  }

  @Test
  void whoComesSeldomDoesAllOfItEachTime() {
    Program p = program(item("chin-tuck", "3x5s 2/w"), item("goalpost-chest-opener", "2x20s"));
    assertThat(days(p, every(4))).isEqualTo(every(4));
  }

  @Test
  void theProgramIsNotDoneOftenerThanItsItems() {
    Program p = program(item("chin-tuck", "3x5s 3/w"), item("goalpost-chest-opener", "2x20s 3/w"));
    assertThat(DaysOff.rarer(p)).isEmpty();
    assertThat(days(p, every(1))).as("extra days are the client's").isEqualTo(every(1));
  }

  /** While one waits, the other makes the rhythm. */
  @Test
  void neverAllOfIt() {
    Program p = program(item("chin-tuck", "3x5s 3/w"), item("goalpost-chest-opener", "2x20s"));
    assertThat(DaysOff.rarer(p)).containsExactly(0);
    assertThat(DaysOff.rarer(p.without(Set.of(1)))).isEmpty();
    assertThat(DaysOff.rarer(p.without(Set.of(0)))).as("it waits anyway").isEmpty();
  }

  @Test
  void theSideThatIsDoneOftenerCounts() {
    Program p =
        program(
            item("upper-trap-stretch", "L 2x20s @3 3/w R 2x20s @3 7/w"), item("chin-tuck", "3x5s"));
    assertThat(DaysOff.rarer(p)).isEmpty();
  }

  @Test
  void onlyWhatWasDoneOfThisVersionOnEarlierDaysCounts() {
    Program p = program(item("chin-tuck", "3x5s 3/w"), item("goalpost-chest-opener", "2x20s"));
    List<Session> none =
        List.of(
            session(ProgramKind.MAIN, 1, FIRST.minusDays(1), Set.of(0, 1)),
            session(ProgramKind.DESK, 2, FIRST.minusDays(1), Set.of(0)),
            session(ProgramKind.MAIN, 2, FIRST.minusDays(1), Set.of(1)),
            session(ProgramKind.MAIN, 2, FIRST, Set.of(0, 1)));
    assertThat(DaysOff.of(p, ProgramKind.MAIN, 2, FIRST, none)).isEmpty();
    List<Session> yesterday =
        List.of(session(ProgramKind.MAIN, 2, FIRST.minusDays(1), Set.of(0, 1)));
    assertThat(DaysOff.of(p, ProgramKind.MAIN, 2, FIRST, yesterday)).containsExactly(0);
  }

  /** Whenever somebody comes: no seven days hold more, and no two weeks of daily sessions less. */
  @Property(tries = 300)
  void neverMoreInSevenDays(
      @ForAll @IntRange(min = 1, max = 6) int perWeek, @ForAll long seed, @ForAll boolean daily) {
    Random random = new Random(seed);
    Program p =
        program(
            item("chin-tuck", "3x5s %d/w".formatted(perWeek)),
            item("goalpost-chest-opener", "2x20s"));
    List<Integer> comes =
        IntStream.range(0, 42).filter(d -> daily || random.nextInt(3) > 0).boxed().toList();
    List<Integer> done = days(p, comes);
    for (int from = 0; from <= 35; from++) {
      int first = from;
      long in7 = done.stream().filter(d -> d >= first && d < first + 7).count();
      assertThat(in7).isLessThanOrEqualTo(perWeek);
      if (daily) assertThat(in7).isEqualTo(perWeek);
    }
  }
}
