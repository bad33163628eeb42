package org.biokinet.core.workday;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.List;
import org.biokinet.core.calendar.Span;
import org.junit.jupiter.api.Test;

/**
 * Days of a week as instants. The days on which the clocks change are those of the tz database:
 * Lisbon and the European Union on the last Sundays of March and October at 01:00 UTC, New York on
 * the second Sunday of March and the first of November at 02:00, Lord Howe by half an hour.
 */
class WorkRhythmTest {

  private static TimeOfDay time(String from, String until) {
    return new TimeOfDay(LocalTime.parse(from), LocalTime.parse(until));
  }

  private static WorkRhythm every(String zone, TimeOfDay... times) {
    return new WorkRhythm(
        Arrays.stream(DayOfWeek.values())
            .flatMap(d -> Arrays.stream(times).map(t -> new Hours(d, t)))
            .toList(),
        List.of(),
        ZoneId.of(zone));
  }

  private static Workday one(WorkRhythm rhythm, String date, Busy... calendar) {
    LocalDate day = LocalDate.parse(date);
    return rhythm.days(List.of(calendar), day, day).get(0);
  }

  private static Span span(String from, String until) {
    return new Span(Instant.parse(from), Instant.parse(until));
  }

  /** A night of eight hours by the clock is seven hours or nine when the clocks change in it. */
  @Test
  void nightsOnWhichTheClocksChange() {
    TimeOfDay night = time("22:00", "06:00");
    for (String[] n :
        new String[][] {
          {"Europe/Lisbon", "2026-03-28", "2026-03-28T22:00:00Z", "2026-03-29T05:00:00Z", "420"},
          {"Europe/Lisbon", "2026-10-24", "2026-10-24T21:00:00Z", "2026-10-25T06:00:00Z", "540"},
          {"America/New_York", "2026-03-07", "2026-03-08T03:00:00Z", "2026-03-08T10:00:00Z", "420"},
          {"America/New_York", "2026-10-31", "2026-11-01T02:00:00Z", "2026-11-01T11:00:00Z", "540"},
          {
            "Australia/Lord_Howe",
            "2026-04-04",
            "2026-04-04T11:00:00Z",
            "2026-04-04T19:30:00Z",
            "510"
          },
          {
            "Australia/Lord_Howe",
            "2026-10-03",
            "2026-10-03T11:30:00Z",
            "2026-10-03T19:00:00Z",
            "450"
          }
        }) {
      Workday day = one(every(n[0], night), n[1]);
      assertThat(day.work()).as(Arrays.toString(n)).containsExactly(span(n[2], n[3]));
      assertThat(day.work().get(0).minutes()).isEqualTo(Long.parseLong(n[4]));
      assertThat(BreakPlan.of(day, BreakWish.USUAL).longest().orElseThrow().minutes())
          .isLessThanOrEqualTo(60);
    }
  }

  /** 02:30 is left out on 29 March 2026 in Berlin: it is an hour later by the clock. */
  @Test
  void aTimeThatIsLeftOutComesLater() {
    assertThat(one(every("Europe/Berlin", time("02:30", "10:00")), "2026-03-29").work())
        .containsExactly(span("2026-03-29T01:30:00Z", "2026-03-29T08:00:00Z"));
    assertThat(one(every("Europe/Berlin", time("02:30", "03:00")), "2026-03-29").work()).isEmpty();
    // 02:30 comes twice on 25 October: the first of both.
    assertThat(one(every("Europe/Berlin", time("02:30", "10:00")), "2026-10-25").work())
        .containsExactly(span("2026-10-25T00:30:00Z", "2026-10-25T09:00:00Z"));
  }

  @Test
  void severalShiftsADayAndOneOverMidnight() {
    WorkRhythm rhythm = every("UTC", time("08:00", "10:00"), time("22:00", "02:00"));
    assertThat(one(rhythm, "2026-05-04").work())
        .containsExactly(
            span("2026-05-04T08:00:00Z", "2026-05-04T10:00:00Z"),
            span("2026-05-04T22:00:00Z", "2026-05-05T02:00:00Z"));
  }

  /** A night that goes on into the day's own work is had once. */
  @Test
  void theEarlierDayHasWhatBothWouldHave() {
    WorkRhythm rhythm = every("UTC", time("20:00", "09:00"), time("07:00", "12:00"));
    assertThat(one(rhythm, "2026-05-04").work())
        .containsExactly(
            span("2026-05-04T09:00:00Z", "2026-05-04T12:00:00Z"),
            span("2026-05-04T20:00:00Z", "2026-05-05T09:00:00Z"));
  }

  /** Where a calendar has shifts, a day without one is free, whatever the week says. */
  @Test
  void shiftsTakeThePlaceOfTheWeek() {
    WorkRhythm rhythm = every("UTC", time("09:00", "17:00"));
    Busy night = new Busy(span("2026-05-05T22:00:00Z", "2026-05-06T06:00:00Z"), Busy.Kind.SHIFT);
    assertThat(one(rhythm, "2026-05-04", night).work()).isEmpty();
    assertThat(one(rhythm, "2026-05-05", night).work()).containsExactly(night.span());
    assertThat(one(rhythm, "2026-05-06", night).work()).isEmpty();
    assertThat(one(rhythm, "2026-05-04").work()).hasSize(1);
  }

  @Test
  void whoIsAwayDoesNotWork() {
    WorkRhythm rhythm = every("UTC", time("09:00", "17:00"));
    Busy away = new Busy(span("2026-05-04T12:00:00Z", "2026-05-06T00:00:00Z"), Busy.Kind.AWAY);
    assertThat(one(rhythm, "2026-05-04", away).work())
        .containsExactly(span("2026-05-04T09:00:00Z", "2026-05-04T12:00:00Z"));
    assertThat(one(rhythm, "2026-05-05", away).work()).isEmpty();
    assertThat(one(rhythm, "2026-05-06", away).work()).hasSize(1);
  }

  @Test
  void quietHoursOfTheNightBeforeAndAfterCount() {
    WorkRhythm rhythm =
        new WorkRhythm(
            List.of(new Hours(DayOfWeek.MONDAY, time("05:00", "23:30"))),
            List.of(time("22:00", "06:00")),
            ZoneId.of("UTC"));
    Workday monday = one(rhythm, "2026-05-04");
    BreakPlan plan = BreakPlan.of(monday, new BreakWish(30, 20, 60, 24, 2));
    assertThat(plan.breaks())
        .isNotEmpty()
        .allMatch(b -> !b.from().isBefore(Instant.parse("2026-05-04T06:00:00Z")))
        .allMatch(b -> !b.until().isAfter(Instant.parse("2026-05-04T22:00:00Z")));
  }

  @Test
  void aTimeOfNoLengthIsNone() {
    assertThatThrownBy(() -> time("09:00", "09:00")).isInstanceOf(IllegalArgumentException.class);
  }
}
