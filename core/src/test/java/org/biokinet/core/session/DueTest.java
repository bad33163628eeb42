package org.biokinet.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.dose.Parsed;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.Rhythm;
import org.biokinet.core.program.SessionLength;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DueTest {

  private static final Catalogue CATALOGUE = Catalogue.load();

  /** A Friday. */
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 27);

  private static final Rhythm THREE = new Rhythm(1, 3);

  private static Rhythm rhythm(String... doses) {
    Exercise tuck = CATALOGUE.get("chin-tuck");
    List<Item> items =
        java.util.Arrays.stream(doses)
            .map(d -> DoseNotation.parse(d, tuck.doseContext()))
            .map(p -> new Item(tuck, ((Parsed.Understood) p).dose()))
            .toList();
    return Rhythm.of(new Program("Neck", 5, Pacing.DEFAULT, items));
  }

  /** Handbook, section 4: n/d alone is every day, n/w alone once on each. */
  @ParameterizedTest
  @CsvSource({
    "3x10s, , 1, 7",
    "3x10s 2/d, , 2, 7",
    "3x10s 3/w, , 1, 3",
    "3x10s 2/d 4/w, , 2, 4",
    "3x10s 3/w, 3x10s 2/d, 2, 7"
  })
  void aProgramIsDoneAsOftenAsItsMostFrequentItem(
      String first, String second, int perDay, int perWeek) {
    assertThat(second == null ? rhythm(first) : rhythm(first, second))
        .isEqualTo(new Rhythm(perDay, perWeek));
  }

  /** No two days next to each other while that can be helped. */
  @Test
  void usualDaysAreSpread() {
    assertThat(new Rhythm(1, 3).usualDays())
        .containsExactlyInAnyOrder(DayOfWeek.MONDAY, DayOfWeek.WEDNESDAY, DayOfWeek.FRIDAY);
    for (int n = 1; n <= 7; n++) assertThat(new Rhythm(1, n).usualDays()).hasSize(n);
    for (int n = 1; n <= 3; n++) {
      Set<DayOfWeek> days = new Rhythm(1, n).usualDays();
      assertThat(days).noneMatch(d -> days.contains(d.plus(1)));
    }
  }

  @Test
  void whatIsDueIsDoneAndThenTheNextDayIsSaid() {
    Due due = Due.of(TODAY, THREE, THREE.usualDays(), Optional.empty(), List.of());
    assertThat(due).isEqualTo(new Due(1, 0, LocalDate.of(2026, 11, 30)));
    assertThat(due.stillDue()).isTrue();
    Due done =
        Due.of(
            TODAY,
            THREE,
            THREE.usualDays(),
            Optional.empty(),
            List.of(session(TODAY, Ended.FINISHED, 480)));
    assertThat(done.stillDue()).isFalse();
    // Neither yesterday's nor one that was broken off at once counts for today.
    Due other =
        Due.of(
            TODAY,
            THREE,
            THREE.usualDays(),
            Optional.empty(),
            List.of(
                session(TODAY.minusDays(1), Ended.FINISHED, 480), session(TODAY, Ended.EARLY, 60)));
    assertThat(other.done()).isZero();
    assertThat(
            Due.of(TODAY.plusDays(1), THREE, THREE.usualDays(), Optional.empty(), List.of())
                .planned())
        .isZero();
  }

  /** Friday for Saturday, and Saturday's for the Friday after all. */
  @Test
  void aDayIsMovedByOneTapAndBackByAnother() {
    Set<DayOfWeek> days = THREE.usualDays();
    Due.Move later = Due.other(TODAY, days, Optional.empty());
    assertThat(later).isEqualTo(new Due.Move(TODAY, TODAY.plusDays(1)));
    Due moved = Due.of(TODAY, THREE, days, Optional.of(later), List.of());
    assertThat(moved.planned()).isZero();
    assertThat(moved.next()).isEqualTo(TODAY.plusDays(1));
    Due.Move back = Due.other(TODAY, days, Optional.of(later));
    assertThat(back).isEqualTo(new Due.Move(TODAY.plusDays(1), TODAY));
    assertThat(Due.of(TODAY, THREE, days, Optional.of(back), List.of()).planned()).isOne();
    // On a day off the next one is done today.
    LocalDate saturday = TODAY.plusDays(1);
    Due.Move early = Due.other(saturday, days, Optional.empty());
    assertThat(early).isEqualTo(new Due.Move(LocalDate.of(2026, 11, 30), saturday));
    assertThat(Due.of(saturday, THREE, days, Optional.of(early), List.of()).next())
        .isEqualTo(LocalDate.of(2026, 12, 2));
  }

  @Test
  void everyDayIsOnItsOwn() {
    Rhythm daily = new Rhythm(2, 7);
    Due due =
        Due.of(
            TODAY,
            daily,
            EnumSet.allOf(DayOfWeek.class),
            Optional.empty(),
            List.of(session(TODAY, Ended.FINISHED, 480)));
    assertThat(due).isEqualTo(new Due(2, 1, TODAY.plusDays(1)));
  }

  private static Session session(LocalDate day, Ended ended, int seconds) {
    return new Session(
        ProgramKind.MAIN,
        1,
        Side.LEFT,
        SessionLength.USUAL,
        Instant.parse("2026-11-27T07:00:00Z"),
        day,
        Optional.empty(),
        ended,
        seconds,
        480,
        false,
        "",
        Told.PLAYER,
        List.of(),
        Optional.empty(),
        Optional.empty(),
        Set.of(),
        List.of());
  }
}
