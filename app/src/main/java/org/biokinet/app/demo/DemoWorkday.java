package org.biokinet.app.demo;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientMe;
import org.biokinet.app.platform.AdjustableClock;
import org.biokinet.app.platform.Site;
import org.biokinet.app.workday.DayPlans;
import org.biokinet.app.workday.PlannedDay;
import org.biokinet.app.workday.WorkdayService;
import org.biokinet.core.calendar.CalendarFile;
import org.biokinet.core.workday.Moment;
import org.biokinet.core.workday.TimeOfDay;
import org.springframework.stereotype.Component;

/**
 * Rotating nights on the forecast floor, full of meetings, and what became of the breaks in them.
 */
@Component
public class DemoWorkday {

  /** Where it is read from. */
  public static final String ADDRESS = "/demo/calendar/floor.ics";

  private static final int DAYS_BACK = 6;
  private static final int DAYS_AHEAD = 40;

  /** Four nights on, two off. */
  private static final int ROTATION = 6;

  private static final int ON = 4;

  /** Of so many breaks one is not had. */
  private static final int MISSES = 4;

  /** Each with when it begins and how many minutes it has; a call that may not take place. */
  private static final List<String[]> MEETINGS =
      List.of(
          new String[] {"Handover", "22:00", "20", "CONFIRMED"},
          new String[] {"Storm briefing", "00:15", "75", "CONFIRMED"},
          new String[] {"Warnings, second reading", "01:30", "45", "CONFIRMED"},
          new String[] {"Call with the harbour", "03:30", "60", "TENTATIVE"},
          new String[] {"Morning chart", "05:15", "45", "CONFIRMED"});

  private static final DateTimeFormatter STAMP = DateTimeFormatter.ofPattern("yyyyMMdd'T'HHmmss");

  private final WorkdayService workdays;
  private final DayPlans plans;
  private final Site site;
  private final AdjustableClock clock;

  DemoWorkday(WorkdayService workdays, DayPlans plans, Site site, AdjustableClock clock) {
    this.workdays = workdays;
    this.plans = plans;
    this.site = site;
    this.clock = clock;
  }

  /** The calendar of the floor. */
  public static String calendar(LocalDate today) {
    StringBuilder all =
        new StringBuilder("BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//forecast.example//EN\r\n");
    today
        .minusDays(DAYS_BACK + 2L)
        .datesUntil(today.plusDays(DAYS_AHEAD))
        .filter(day -> Math.floorMod(day.toEpochDay(), ROTATION) < ON)
        .forEach(
            day -> {
              event(all, day, "Night shift", "22:00", "510", "CONFIRMED");
              MEETINGS.forEach(m -> event(all, day, m[0], m[1], m[2], m[3]));
            });
    return all.append("END:VCALENDAR\r\n").toString();
  }

  private static void event(
      StringBuilder all, LocalDate day, String title, String from, String minutes, String status) {
    LocalTime time = LocalTime.parse(from);
    LocalDate date = time.getHour() < 12 ? day.plusDays(1) : day;
    all.append("BEGIN:VEVENT\r\nUID:%s-%s@forecast.example\r\n".formatted(day, time))
        .append("DTSTAMP:20260101T000000Z\r\n")
        .append(
            "DTSTART;TZID=%s:%s\r\n".formatted(DemoLoader.ZONE, STAMP.format(date.atTime(time))))
        .append(
            "DURATION:PT%sM\r\nSTATUS:%s\r\nSUMMARY:%s\r\nEND:VEVENT\r\n"
                .formatted(minutes, status, title));
  }

  /** Somebody who gave that calendar, slept after their nights, and had most of their breaks. */
  void of(Client client, LocalDate today, String... sessionTimes) {
    ClientMe me = ClientMe.of(client);
    clock.moveTo(start(today.minusDays(DAYS_BACK), "18:00"));
    workdays.say(
        me,
        new WorkdayService.Usual(
            List.of(),
            List.of(new TimeOfDay(LocalTime.of(9, 0), LocalTime.of(16, 0))),
            Arrays.stream(sessionTimes).map(LocalTime::parse).toList(),
            240,
            "shift",
            /* titles= */ true));
    try {
      workdays.subscribe(
          me, site.address(ADDRESS), calendar(today).getBytes(StandardCharsets.UTF_8));
    } catch (CalendarFile.Unreadable e) {
      throw new IllegalStateException(e);
    }
    int number = 0;
    for (int back = DAYS_BACK; back > 0; back--) {
      LocalDate date = today.minusDays(back);
      clock.moveTo(start(date, "21:30"));
      for (PlannedDay.Break b : plans.plan(client, date, date).get(0).breaks()) {
        clock.moveTo(b.span().from().plusSeconds(40));
        boolean had = ++number % MISSES != 0;
        plans.tell(
            me,
            UUID.randomUUID(),
            new Moment(had ? Moment.Kind.HAD : Moment.Kind.MISSED, clock.instant()));
      }
    }
  }

  private static Instant start(LocalDate day, String time) {
    return day.atTime(LocalTime.parse(time)).atZone(DemoLoader.ZONE).toInstant();
  }
}
