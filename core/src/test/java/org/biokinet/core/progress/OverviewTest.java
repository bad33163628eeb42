package org.biokinet.core.progress;

import static org.assertj.core.api.Assertions.assertThat;
import static org.biokinet.core.progress.DiaryBuilder.FIRST;

import java.time.LocalDate;
import org.biokinet.core.progress.DiaryBuilder.Answers;
import org.junit.jupiter.api.Test;

/** What the record says day by day; all of it invented. */
class OverviewTest {

  private static DiaryBuilder diary() {
    return new DiaryBuilder("upper-trap-stretch", "2x15s @3", "3x30s @3", "chin-tuck", "3x10s", "");
  }

  private static Overview.Day on(Overview overview, LocalDate day) {
    return overview.days().stream().filter(d -> d.day().equals(day)).findFirst().orElseThrow();
  }

  @Test
  void everyDayIsThereAndSaysWhatWasTold() {
    Diary diary = diary().good(0, 2).day(3, Answers.of(2, 5, 3), 4).on(5);
    Overview overview = Overview.of(diary, 14);
    assertThat(overview.days())
        .extracting(Overview.Day::day)
        .isEqualTo(diary.today().minusDays(13).datesUntil(diary.today().plusDays(1)).toList());
    Overview.Day bad = on(overview, FIRST.plusDays(3));
    assertThat(bad.before()).contains(2);
    assertThat(bad.highest()).contains(5);
    assertThat(bad.left()).isEqualTo(30);
    assertThat(bad.right()).isEqualTo(30);
    assertThat(bad.sessions()).containsExactly(Colour.RED);
    assertThat(on(overview, FIRST.plusDays(4)).morning()).contains(4);
    assertThat(on(overview, FIRST.minusDays(1)).version()).as("shared then").contains(1);
    Overview.Day none = on(overview, FIRST.minusDays(5));
    assertThat(none.sessions()).isEmpty();
    assertThat(none.before()).as("not told is not 0").isEmpty();
    assertThat(none.mean()).isEmpty();
  }

  @Test
  void aMeanOfAWeekNeedsThreeValuesAndKnowsNothingOfTomorrow() {
    Overview overview = Overview.of(diary().good(0, 1).day(2, Answers.of(8, 8, 3), 2).on(4), 7);
    assertThat(on(overview, FIRST.plusDays(1)).mean()).isEmpty();
    assertThat(on(overview, FIRST.plusDays(2)).mean()).as("of 2, 2 and 8").hasValue(4);
    assertThat(on(overview, FIRST.plusDays(3)).mean()).hasValue(4);
  }

  @Test
  void daysAwayAreMarkedAndTheLastVersionOfADayStands() {
    DiaryBuilder diary = diary().good(0, 2).pause(4, 5);
    diary.share(3, "chin-tuck", "3x10s", "").share(3, "chin-tuck", "3x12s", "");
    Overview overview = Overview.of(diary.on(8), 10);
    assertThat(overview.days().stream().filter(Overview.Day::paused).map(Overview.Day::day))
        .containsExactly(FIRST.plusDays(4), FIRST.plusDays(5));
    assertThat(on(overview, FIRST.plusDays(2)).version()).contains(3);
  }

  @Test
  void moreThanWasPlannedIsAllOfIt() {
    DiaryBuilder twice = diary();
    for (int day = 0; day < 7; day++)
      twice.day(day, Answers.of(1, 1, 3), 1).day(day, Answers.of(1, 2, 3), 1);
    Overview overview = Overview.of(twice.on(7), 14);
    assertThat(overview.done()).isEqualTo(14);
    assertThat(overview.percent()).isEqualTo(100);
  }
}
