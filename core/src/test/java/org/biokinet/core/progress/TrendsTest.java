package org.biokinet.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.measure.Goal;
import org.biokinet.core.measure.Measured;
import org.biokinet.core.measure.Visit;
import org.junit.jupiter.api.Test;

/** Rows and sentences; the figures behind them are checked in {@link TrendTest}. */
class TrendsTest {

  private static DiaryBuilder diary() {
    return new DiaryBuilder("upper-trap-stretch", "2x20s @3", "", "chin-tuck", "3x10s", "");
  }

  private static Trends trends(Diary diary) {
    return Trends.of(diary, List.of(), List.of());
  }

  private static List<String> sentences(Trends trends) {
    return trends.rows().stream().map(Trends.Row::sentence).toList();
  }

  private static Trends.Row row(Trends trends, String name) {
    return trends.rows().stream().filter(r -> r.name().equals(name)).findFirst().orElseThrow();
  }

  @Test
  void whatGoesNowhereIsSaidToAndWhatIsTooFewIsCounted() {
    Trends trends = trends(diary().good(0, 9).on(10));
    assertThat(sentences(trends))
        .containsExactly(
            "Pain in the morning: no clear change, 2.0",
            "Pain before a session: no clear change, 2.0",
            "Highest pain in a session: no clear change, 2.0",
            "Stretch felt: no clear change, 3.0",
            "Done of what is planned, left: 1 of the 5 values that a trend takes",
            "Done of what is planned, right: 1 of the 5 values that a trend takes");
    assertThat(trends.rows()).noneMatch(Trends.Row::worse);
    assertThat(row(trends, "Done of what is planned, left").why()).isEmpty();
    assertThat(trends.lead()).isEmpty();
    assertThat(trends.known()).isTrue();
    assertThat(trends(diary().good(0, 3).on(4)).known()).isFalse();
    assertThat(trends(diary().on(10)).rows()).isEmpty();
  }

  /** A point a day, by hand: 7 a week; nothing scatters, so it is sure. */
  @Test
  void whatFallsAndWhatRisesIsSaidByTheWeek() {
    DiaryBuilder diary = diary();
    for (int day = 0; day < 6; day++) {
      diary.day(day, DiaryBuilder.Answers.of(6 - day, 6 - day, day), 2);
    }
    Trends trends = trends(diary.on(6));
    Trends.Row before = row(trends, "Pain before a session");
    assertThat(before.sentence()).startsWith("Pain before a session falls by 7.0 a week, 3.");
    assertThat(before.why()).contains("per week −7.0 (95 % from −7.0 to −7.0)");
    assertThat(before.worse()).isFalse();
    Trends.Row felt = row(trends, "Stretch felt");
    assertThat(felt.sentence()).startsWith("Stretch felt rises by 7.0 a week");
    assertThat(felt.worse()).isFalse();
    assertThat(trends.lead()).contains(before);
  }

  @Test
  void painThatClearlyRisesIsWorseAndWatched() {
    DiaryBuilder diary = diary().good(0, 20);
    for (int day = 21; day < 26; day++) diary.day(day, DiaryBuilder.Answers.of(5, 5, 3), 5);
    Trends trends = trends(diary.on(26));
    assertThat(row(trends, "Pain before a session").worse()).isTrue();
    assertThat(row(trends, "Pain in the morning").worse()).isTrue();
    assertThat(trends.watch())
        .contains(
            new Watch(DiaryBuilder.FIRST.plusDays(21), DiaryBuilder.FIRST.plusDays(22), 2, true));
    assertThat(trends(diary().good(0, 25).on(26)).watch()).isEmpty();
  }

  /** The level before a version and after it, three weeks at most on either side. */
  @Test
  void whatChangedWithAVersionIsAmongTheFigures() {
    DiaryBuilder diary = diary();
    for (int day = 0; day < 10; day++) diary.day(day, DiaryBuilder.Answers.of(5, 5, 3), 5);
    diary.share(10, "upper-trap-stretch", "2x15s @3", "");
    Trends trends = trends(diary.good(10, 19).on(20));
    assertThat(row(trends, "Pain before a session").why())
        .contains("since version 2 −3.0 (95 % from −3.0 to −3.0)");
  }

  @Test
  void theSideThatIsLeftOutFallsBehind() {
    DiaryBuilder diary = diary().good(0, 20).skips(Side.LEFT).good(21, 41);
    Trends trends = trends(diary.on(42));
    assertThat(row(trends, "Done of what is planned, right").sentence())
        .isEqualTo("Done of what is planned, right: no clear change, 100 %");
    Trends.Row left = row(trends, "Done of what is planned, left");
    assertThat(left.worse()).isTrue();
    assertThat(trends.lead()).contains(left);
    assertThat(left.sentence()).contains("falls by").contains("% a week");
  }

  /** Weeks that begin before the program, and days of a pause, are not missed. */
  @Test
  void whatWasNotPlannedIsNotMissed() {
    DiaryBuilder diary = diary().good(0, 6).good(14, 48).pause(7, 13);
    assertThat(row(trends(diary.on(49)), "Done of what is planned, left").sentence())
        .isEqualTo("Done of what is planned, left: no clear change, 100 %");
    Trends none = trends(new DiaryBuilder("chin-tuck", "3x10s", "").good(0, 20).on(21));
    assertThat(none.rows()).noneMatch(r -> r.name().startsWith("Done"));
  }

  @Test
  void anActivityGetsWorseWhereItGoesDown() {
    List<Visit> visits =
        IntStream.range(0, 5)
            .mapToObj(n -> visit(DiaryBuilder.FIRST.plusDays(7L * n), 8 - n))
            .toList();
    Trends trends =
        Trends.of(diary().good(0, 34).on(35), visits, List.of(new Goal("driving", 3, 8)));
    assertThat(row(trends, "driving").sentence()).startsWith("driving falls by 1.0 a week");
    assertThat(row(trends, "driving").worse()).isTrue();
  }

  private static Visit visit(LocalDate day, int rated) {
    Measured measured = new Measured.Activity("driving", rated);
    return new Visit(
        day,
        List.of(
            new Visit.Taken(
                UUID.nameUUIDFromBytes(new byte[] {(byte) rated}),
                measured,
                "A. Practitioner",
                false,
                Instant.EPOCH,
                false)));
  }
}
