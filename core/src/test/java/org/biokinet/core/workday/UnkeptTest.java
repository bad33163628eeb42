package org.biokinet.core.workday;

import static org.assertj.core.api.Assertions.assertThat;
import static org.biokinet.core.workday.BreakPlanTest.DAY;
import static org.biokinet.core.workday.BreakPlanTest.at;
import static org.biokinet.core.workday.BreakPlanTest.spans;

import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import org.biokinet.core.calendar.Span;
import org.biokinet.core.workday.BreakPlan.Situation;
import org.junit.jupiter.api.Test;

/** What is said of a day that cannot be kept. */
class UnkeptTest {

  private static List<String> words(Workday day, BreakWish wish) {
    Situation s = Situation.fresh(day, wish);
    return Unkept.of(s, BreakPlan.of(s)).stream().map(u -> u.words(ZoneOffset.UTC)).toList();
  }

  private static Workday day(List<Span> work, List<Span> hard, List<Span> quiet) {
    return new Workday(DAY, work, hard, List.of(), quiet);
  }

  /** Two minutes before the end of the second: 118 minutes before it, 90 after it. */
  @Test
  void aMorningThatIsBooked() {
    assertThat(
            words(
                day(
                    spans("9:00-13:00"),
                    spans("9:00-10:00", "10:00-11:00", "11:00-12:30"),
                    List.of()),
                BreakWish.USUAL))
        .containsExactly(
            "09:00–12:30 booked: longest sitting 3 h 30; a 2-minute gap at 10:58 would make it 1 h"
                + " 58");
  }

  /** One meeting of three hours has no end inside: then it is its middle, 89 minutes each. */
  @Test
  void oneMeetingIsSplitInTheMiddle() {
    assertThat(words(day(spans("9:00-12:00"), spans("9:00-12:00"), List.of()), BreakWish.USUAL))
        .containsExactly(
            "09:00–12:00 booked: longest sitting 3 h; a 2-minute gap at 10:29 would make it 1 h 29");
  }

  @Test
  void nothingIsAskedOfQuietHours() {
    assertThat(words(day(spans("9:00-12:00"), List.of(), spans("9:00-12:00")), BreakWish.USUAL))
        .containsExactly("09:00–12:00 booked: longest sitting 3 h");
  }

  @Test
  void tooFewBreaksAreSaidToBeTheReason() {
    assertThat(
            words(day(spans("9:00-12:00"), List.of(), List.of()), new BreakWish(45, 20, 60, 1, 2)))
        .containsExactly(
            "09:00–10:29: longest sitting 1 h 29, with no more breaks left for the day",
            "10:31–12:00: longest sitting 1 h 29, with no more breaks left for the day");
  }

  @Test
  void aDayThatIsKeptHasNothingToExplain() {
    assertThat(words(day(spans("9:00-12:00"), List.of(), List.of()), BreakWish.USUAL)).isEmpty();
  }

  /** What is over by now is not said any more. */
  @Test
  void theMorningIsNotSpokenOfInTheAfternoon() {
    Workday day = day(spans("9:00-17:00"), spans("9:00-12:30"), List.of());
    Situation s = new Situation(day, BreakWish.USUAL, at("12:30"), List.of(), List.of());
    assertThat(Unkept.of(s, BreakPlan.of(s))).isEmpty();
  }

  @Test
  void timesAreThoseOfTheZone() {
    Workday day = day(spans("9:00-12:00"), spans("9:00-12:00"), List.of());
    Situation s = Situation.fresh(day, BreakWish.USUAL);
    assertThat(Unkept.of(s, BreakPlan.of(s)).get(0).words(ZoneId.of("Asia/Kolkata")))
        .startsWith("14:30–17:30 booked");
  }

  @Test
  void minutesAsAPersonSaysThem() {
    assertThat(Unkept.length(48)).isEqualTo("48 min");
    assertThat(Unkept.length(60)).isEqualTo("1 h");
    assertThat(Unkept.length(125)).isEqualTo("2 h 05");
  }
}
