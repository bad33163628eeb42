package org.biokinet.core.calendar;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.biokinet.core.calendar.CalendarFile.Event;
import org.biokinet.core.calendar.CalendarFile.Fault;
import org.biokinet.core.calendar.CalendarFile.Shown;
import org.biokinet.core.calendar.CalendarFile.Unreadable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a calendar file says; the numbers are sections of RFC 5545. */
class CalendarFileTest {

  private static final ZoneId NEW_YORK = ZoneId.of("America/New_York");

  static String calendar(String... components) {
    return Arrays.stream(components)
        .map(c -> c.strip() + "\n")
        .collect(
            Collectors.joining(
                "", "BEGIN:VCALENDAR\nVERSION:2.0\nPRODID:-//test//EN\n", "END:VCALENDAR\n"))
        .replace("\n", "\r\n");
  }

  static String event(String lines) {
    return "BEGIN:VEVENT\nDTSTAMP:19970901T130000Z\n" + lines.strip() + "\nEND:VEVENT";
  }

  private static CalendarFile read(String file, ZoneId zone, String first, String last)
      throws Unreadable {
    return CalendarFile.read(
        file.getBytes(StandardCharsets.UTF_8), zone, LocalDate.parse(first), LocalDate.parse(last));
  }

  private static List<Event> all(String file) throws Unreadable {
    CalendarFile read = read(file, NEW_YORK, "1996-01-01", "2007-12-31");
    assertThat(read.faults()).isEmpty();
    return read.events();
  }

  /**
   * The examples of 3.8.5.3, recalled from memory, each with the days that the text lists (those
   * that go on for ever as far as it does). All are at nine in New York.
   */
  @ParameterizedTest(name = "{0}")
  @CsvSource(
      delimiter = '|',
      textBlock =
          """
          daily for 10 occurrences | 19970902 | FREQ=DAILY;COUNT=10 | 9-2 9-3 9-4 9-5 9-6 9-7 9-8 9-9 9-10 9-11
          every 10 days, 5 occurrences | 19970902 | FREQ=DAILY;INTERVAL=10;COUNT=5 | 9-2 9-12 9-22 10-2 10-12
          weekly for 10 occurrences | 19970902 | FREQ=WEEKLY;COUNT=10 | 9-2 9-9 9-16 9-23 9-30 10-7 10-14 10-21 10-28 11-4
          weekly on Tuesday and Thursday for five weeks | 19970902 | FREQ=WEEKLY;UNTIL=19971007T000000Z;WKST=SU;BYDAY=TU,TH | 9-2 9-4 9-9 9-11 9-16 9-18 9-23 9-25 9-30 10-2
          every other week on Monday, Wednesday, Friday until December 24 | 19970901 | FREQ=WEEKLY;INTERVAL=2;UNTIL=19971224T000000Z;WKST=SU;BYDAY=MO,WE,FR | 9-1 9-3 9-5 9-15 9-17 9-19 9-29 10-1 10-3 10-13 10-15 10-17 10-27 10-29 10-31 11-10 11-12 11-14 11-24 11-26 11-28 12-8 12-10 12-12 12-22
          every other week on Tuesday and Thursday, 8 | 19970902 | FREQ=WEEKLY;INTERVAL=2;COUNT=8;WKST=SU;BYDAY=TU,TH | 9-2 9-4 9-16 9-18 9-30 10-2 10-14 10-16
          monthly on the first Friday, 10 | 19970905 | FREQ=MONTHLY;COUNT=10;BYDAY=1FR | 9-5 10-3 11-7 12-5 98-1-2 98-2-6 98-3-6 98-4-3 98-5-1 98-6-5
          monthly on the first Friday until December 24 | 19970905 | FREQ=MONTHLY;UNTIL=19971224T000000Z;BYDAY=1FR | 9-5 10-3 11-7 12-5
          every other month on the first and last Sunday, 10 | 19970907 | FREQ=MONTHLY;INTERVAL=2;COUNT=10;BYDAY=1SU,-1SU | 9-7 9-28 11-2 11-30 98-1-4 98-1-25 98-3-1 98-3-29 98-5-3 98-5-31
          monthly on the second-to-last Monday, 6 | 19970922 | FREQ=MONTHLY;COUNT=6;BYDAY=-2MO | 9-22 10-20 11-17 12-22 98-1-19 98-2-16
          monthly on the third-to-the-last day | 19970928 | FREQ=MONTHLY;BYMONTHDAY=-3;COUNT=6 | 9-28 10-29 11-28 12-29 98-1-29 98-2-26
          monthly on the 2nd and 15th, 10 | 19970902 | FREQ=MONTHLY;COUNT=10;BYMONTHDAY=2,15 | 9-2 9-15 10-2 10-15 11-2 11-15 12-2 12-15 98-1-2 98-1-15
          monthly on the first and last day, 10 | 19970930 | FREQ=MONTHLY;COUNT=10;BYMONTHDAY=1,-1 | 9-30 10-1 10-31 11-1 11-30 12-1 12-31 98-1-1 98-1-31 98-2-1
          every 18 months on the 10th thru 15th, 10 | 19970910 | FREQ=MONTHLY;INTERVAL=18;COUNT=10;BYMONTHDAY=10,11,12,13,14,15 | 9-10 9-11 9-12 9-13 9-14 9-15 99-3-10 99-3-11 99-3-12 99-3-13
          yearly in June and July, 10 | 19970610 | FREQ=YEARLY;COUNT=10;BYMONTH=6,7 | 6-10 7-10 98-6-10 98-7-10 99-6-10 99-7-10 00-6-10 00-7-10 01-6-10 01-7-10
          every other year on January, February, March, 10 | 19970310 | FREQ=YEARLY;INTERVAL=2;COUNT=10;BYMONTH=1,2,3 | 3-10 99-1-10 99-2-10 99-3-10 01-1-10 01-2-10 01-3-10 03-1-10 03-2-10 03-3-10
          every third year on the 1st, 100th and 200th day, 10 | 19970101 | FREQ=YEARLY;INTERVAL=3;COUNT=10;BYYEARDAY=1,100,200 | 1-1 4-10 7-19 00-1-1 00-4-9 00-7-18 03-1-1 03-4-10 03-7-19 06-1-1
          every 20th Monday of the year | 19970519 | FREQ=YEARLY;BYDAY=20MO;COUNT=3 | 5-19 98-5-18 99-5-17
          Monday of week number 20 | 19970512 | FREQ=YEARLY;BYWEEKNO=20;BYDAY=MO;COUNT=3 | 5-12 98-5-11 99-5-17
          every Thursday in March | 19970313 | FREQ=YEARLY;BYMONTH=3;BYDAY=TH;COUNT=11 | 3-13 3-20 3-27 98-3-5 98-3-12 98-3-19 98-3-26 99-3-4 99-3-11 99-3-18 99-3-25
          the first Saturday that follows the first Sunday | 19970913 | FREQ=MONTHLY;BYDAY=SA;BYMONTHDAY=7,8,9,10,11,12,13;COUNT=10 | 9-13 10-11 11-8 12-13 98-1-10 98-2-7 98-3-7 98-4-11 98-5-9 98-6-13
          every 4 years, the first Tuesday after a Monday in November | 19961105 | FREQ=YEARLY;INTERVAL=4;BYMONTH=11;BYDAY=TU;BYMONTHDAY=2,3,4,5,6,7,8;COUNT=3 | 96-11-5 00-11-7 04-11-2
          the third instance of Tuesday, Wednesday or Thursday, 3 | 19970904 | FREQ=MONTHLY;COUNT=3;BYDAY=TU,WE,TH;BYSETPOS=3 | 9-4 10-7 11-6
          the second-to-last weekday of the month | 19970929 | FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-2;COUNT=7 | 9-29 10-30 11-27 12-30 98-1-29 98-2-26 98-3-30
          weeks that begin on Monday | 19970805 | FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=MO | 8-5 8-10 8-19 8-24
          weeks that begin on Sunday | 19970805 | FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=SU | 8-5 8-17 8-19 8-31
          a day that is not there is left out | 20070115 | FREQ=MONTHLY;BYMONTHDAY=15,30;COUNT=5 | 07-1-15 07-1-30 07-2-15 07-3-15 07-3-30
          """)
  void theExamplesOfTheStandard(String name, String start, String rule, String days)
      throws Exception {
    String file =
        calendar(
            event(
                "UID:1\nSUMMARY:%s\nDTSTART;TZID=America/New_York:%sT090000\nDURATION:PT1H\nRRULE:%s"
                    .formatted(name, start, rule)));
    assertThat(all(file))
        .extracting(e -> LocalDateTime.ofInstant(e.from(), NEW_YORK))
        .containsExactlyElementsOf(
            Arrays.stream(days.split(" ", -1)).map(CalendarFileTest::nine).toList());
  }

  /** Month and day of 1997, or year, month and day. */
  private static LocalDateTime nine(String day) {
    List<Integer> parts =
        new ArrayList<>(Arrays.stream(day.split("-", -1)).map(Integer::valueOf).toList());
    if (parts.size() == 2) parts.add(0, 97);
    int year = parts.get(0) + (parts.get(0) > 90 ? 1900 : 2000);
    return LocalDateTime.of(year, parts.get(1), parts.get(2), 9, 0);
  }

  /** 3.8.5.3: daily until December 24, 1997, over the end of summer time on October 26. */
  @Test
  void dailyUntilChristmas() throws Exception {
    List<Event> days =
        all(
            calendar(
                event(
                    """
                    UID:1
                    DTSTART;TZID=America/New_York:19970902T090000
                    DURATION:PT1H
                    RRULE:FREQ=DAILY;UNTIL=19971224T000000Z""")));
    assertThat(days).hasSize(113);
    assertThat(days.get(53).from()).isEqualTo("1997-10-25T13:00:00Z");
    assertThat(days.get(54).from()).isEqualTo("1997-10-26T14:00:00Z");
    assertThat(days.get(112).from()).isEqualTo("1997-12-23T14:00:00Z");
  }

  /** 3.8.5.3: every Friday the 13th, without the day on which it begins. */
  @Test
  void fridayTheThirteenth() throws Exception {
    assertThat(
            all(
                calendar(
                    event(
                        """
                        UID:1
                        DTSTART;TZID=America/New_York:19970902T090000
                        DURATION:PT1H
                        EXDATE;TZID=America/New_York:19970902T090000
                        RRULE:FREQ=MONTHLY;BYDAY=FR;BYMONTHDAY=13;UNTIL=20001231T000000Z"""))))
        .extracting(e -> e.from().toString().substring(0, 10))
        .containsExactly("1998-02-13", "1998-03-13", "1998-11-13", "1999-08-13", "2000-10-13");
  }

  /** 3.8.5.3: every 15 minutes for 6 occurrences; every hour and a half for 4. */
  @Test
  void withinADay() throws Exception {
    String lines = "UID:1\nDTSTART;TZID=America/New_York:19970902T090000\nDURATION:PT5M\nRRULE:";
    assertThat(times("1997-09-02", lines + "FREQ=MINUTELY;INTERVAL=15;COUNT=6"))
        .containsExactly("09:00", "09:15", "09:30", "09:45", "10:00", "10:15");
    assertThat(times("1997-09-02", lines + "FREQ=MINUTELY;INTERVAL=90;COUNT=4"))
        .containsExactly("09:00", "10:30", "12:00", "13:30");
  }

  private static List<String> times(String day, String lines) throws Exception {
    return read(calendar(event(lines)), NEW_YORK, day, day).events().stream()
        .map(e -> LocalDateTime.ofInstant(e.from(), NEW_YORK).toLocalTime().toString())
        .toList();
  }

  /**
   * 3.6.1: a meeting with times in UTC, a reminder that is transparent, and days without an end.
   */
  @Test
  void theEventsOfTheStandard() throws Exception {
    List<Event> events =
        all(
            calendar(
                event(
                    """
                    UID:19970901T130000Z-123401@example.com
                    DTSTART:19970903T163000Z
                    DTEND:19970903T190000Z
                    SUMMARY:Annual Employee Review
                    CLASS:PRIVATE"""),
                event(
                    """
                    UID:19970901T130000Z-123402@example.com
                    DTSTART:19970401T163000Z
                    DTEND:19970402T010000Z
                    SUMMARY:Laurel is in sensitivity awareness class.
                    TRANSP:TRANSPARENT"""),
                event(
                    """
                    UID:19970901T130000Z-123403@example.com
                    DTSTART;VALUE=DATE:19971102
                    SUMMARY:Our Blissful Anniversary
                    TRANSP:TRANSPARENT
                    RRULE:FREQ=YEARLY;COUNT=2"""),
                event(
                    """
                    UID:20070423T123432Z-541111@example.com
                    DTSTART;VALUE=DATE:20070628
                    DTEND;VALUE=DATE:20070709
                    SUMMARY:Festival""")));
    assertThat(events)
        .extracting(Event::from, Event::until, Event::shown, Event::wholeDay)
        .map(Object::toString)
        .containsExactly(
            "(1997-04-01T16:30:00Z, 1997-04-02T01:00:00Z, FREE, false)",
            "(1997-09-03T16:30:00Z, 1997-09-03T19:00:00Z, BUSY, false)",
            "(1997-11-02T05:00:00Z, 1997-11-03T05:00:00Z, FREE, true)",
            "(1998-11-02T05:00:00Z, 1998-11-03T05:00:00Z, FREE, true)",
            "(2007-06-28T04:00:00Z, 2007-07-09T04:00:00Z, BUSY, true)");
    assertThat(events.get(1).id()).isEqualTo("19970901T130000Z-123401@example.com");
  }

  /** A day of 23 hours is a whole day as well. */
  @Test
  void theDayOnWhichTheClocksChange() throws Exception {
    assertThat(all(calendar(event("UID:1\nDTSTART;VALUE=DATE:20070311\nRRULE:FREQ=DAILY;COUNT=2"))))
        .extracting(e -> e.from() + " " + e.until())
        .containsExactly(
            "2007-03-11T05:00:00Z 2007-03-12T04:00:00Z",
            "2007-03-12T04:00:00Z 2007-03-13T04:00:00Z");
  }

  private static List<String> titled(String zone, String first, String last, String... events)
      throws Exception {
    String[] all = Arrays.stream(events).map(CalendarFileTest::event).toArray(String[]::new);
    CalendarFile file = read(calendar(all), ZoneId.of(zone), first, last);
    assertThat(file.faults()).isEmpty();
    return file.events().stream().map(e -> e.from() + " " + e.title()).toList();
  }

  /** 3.3.5: a time is local to a zone, of no zone, or of UTC. */
  @Test
  void timesOfEachForm() throws Exception {
    assertThat(
            titled(
                "Europe/Lisbon",
                "2026-12-01",
                "2026-12-01",
                "UID:1\nSUMMARY:in UTC\nDTSTART:20261201T090000Z\nDTEND:20261201T093000Z",
                "UID:2\nSUMMARY:of no zone\nDTSTART:20261201T100000\nDTEND:20261201T103000",
                "UID:3\nSUMMARY:of a zone\nDTSTART;TZID=Europe/Berlin:20261201T120000\nDURATION:PT30M",
                "UID:5\nSUMMARY:called off\nSTATUS:CANCELLED\nDTSTART:20261201T130000Z\nDTEND:20261201T133000Z",
                "UID:6\nSUMMARY:the day after\nDTSTART:20261202T000000Z\nDTEND:20261202T003000Z"))
        .containsExactly(
            "2026-12-01T09:00:00Z in UTC",
            "2026-12-01T10:00:00Z of no zone",
            "2026-12-01T11:00:00Z of a zone");
  }

  /**
   * 3.8.5.3 and 3.8.4.4: daily at nine over the end of summer time in Lisbon (25 October 2026), one
   * day left out, one moved and one called off.
   */
  @Test
  void whatRepeatsKeepsItsHourAndItsExceptions() throws Exception {
    assertThat(
            titled(
                "Europe/Lisbon",
                "2026-10-23",
                "2026-10-28",
                """
                UID:1
                SUMMARY:daily
                DTSTART;TZID=Europe/Lisbon:20261020T090000
                DTEND;TZID=Europe/Lisbon:20261020T093000
                RRULE:FREQ=DAILY
                EXDATE;TZID=Europe/Lisbon:20261024T090000""",
                """
                UID:1
                SUMMARY:moved
                RECURRENCE-ID;TZID=Europe/Lisbon:20261026T090000
                DTSTART;TZID=Europe/Lisbon:20261026T150000
                DTEND;TZID=Europe/Lisbon:20261026T153000""",
                """
                UID:1
                SUMMARY:called off
                STATUS:CANCELLED
                RECURRENCE-ID;TZID=Europe/Lisbon:20261027T090000
                DTSTART;TZID=Europe/Lisbon:20261027T090000
                DTEND;TZID=Europe/Lisbon:20261027T093000"""))
        .containsExactly(
            "2026-10-23T08:00:00Z daily",
            "2026-10-25T09:00:00Z daily",
            "2026-10-26T15:00:00Z moved",
            "2026-10-28T09:00:00Z daily");
  }

  /** 3.1: a line is folded anywhere, by a line break and a space or a tab. */
  @Test
  void foldedLines() throws Exception {
    assertThat(
            all(
                calendar(
                    event(
                        "UID:1\nDTSTART:19970903T16\n 3000Z\nDTEND:19970903T190000Z\nSUMMARY:This is a lo\n ng description\n\t that exists on a long line."))))
        .extracting(Event::title)
        .containsExactly("This is a long description that exists on a long line.");
  }

  /**
   * 3.6.5: a zone by its own rules, under a name that nobody else knows: five hours behind, four in
   * summer, from the first Sunday in April to the last in October.
   */
  @Test
  void aZoneWithRulesOfItsOwn() throws Exception {
    String zone =
        """
        BEGIN:VTIMEZONE
        TZID:Office
        BEGIN:STANDARD
        DTSTART:19671029T020000
        RRULE:FREQ=YEARLY;BYDAY=-1SU;BYMONTH=10
        TZOFFSETFROM:-0400
        TZOFFSETTO:-0500
        TZNAME:EST
        END:STANDARD
        BEGIN:DAYLIGHT
        DTSTART:19870405T020000
        RRULE:FREQ=YEARLY;BYDAY=1SU;BYMONTH=4
        TZOFFSETFROM:-0500
        TZOFFSETTO:-0400
        TZNAME:EDT
        END:DAYLIGHT
        END:VTIMEZONE""";
    assertThat(
            all(
                calendar(
                    zone,
                    event(
                        """
                        UID:1
                        DTSTART;TZID=Office:19980404T090000
                        DTEND;TZID=Office:19980404T100000
                        RRULE:FREQ=DAILY;COUNT=3"""))))
        .extracting(e -> e.from().toString())
        .containsExactly("1998-04-04T14:00:00Z", "1998-04-05T13:00:00Z", "1998-04-06T13:00:00Z");
  }

  /** Common practice, no source: programs of Windows name zones in words of their own. */
  @Test
  void zonesByTheirNamesInWindows() throws Exception {
    assertThat(
            all(
                calendar(
                    event(
                        """
                        UID:1
                        DTSTART;TZID=W. Europe Standard Time:20050704T090000
                        DTEND;TZID=W. Europe Standard Time:20050704T100000"""))))
        .extracting(e -> e.from().toString())
        .containsExactly("2005-07-04T07:00:00Z");
  }

  @Test
  void tentativeAndCalledOff() throws Exception {
    assertThat(
            all(
                calendar(
                    event(
                        "UID:1\nSTATUS:TENTATIVE\nDTSTART:19970903T090000Z\nDTEND:19970903T100000Z"),
                    event(
                        "UID:2\nSTATUS:CANCELLED\nDTSTART:19970903T110000Z\nDTEND:19970903T120000Z"),
                    event(
                        "UID:3\nSTATUS:CONFIRMED\nDTSTART:19970903T130000Z\nDTEND:19970903T140000Z"))))
        .extracting(Event::shown)
        .containsExactly(Shown.TENTATIVE, Shown.BUSY);
  }

  /** A night that began before the first day is still going on. */
  @Test
  void whatBeganBeforeGoesOn() throws Exception {
    String night =
        calendar(
            event(
                "UID:1\nDTSTART:20260503T220000\nDTEND:20260504T060000\nRRULE:FREQ=DAILY;COUNT=5"));
    assertThat(read(night, ZoneId.of("UTC"), "2026-05-05", "2026-05-05").events())
        .extracting(e -> e.from().toString())
        .containsExactly("2026-05-04T22:00:00Z", "2026-05-05T22:00:00Z");
  }

  @Test
  void encodings() throws Exception {
    String file =
        calendar(event("UID:1\nSUMMARY:Café à 9 h\nDTSTART:19970903T090000Z\nDURATION:PT1H"));
    for (byte[] bytes :
        List.of(
            file.getBytes(StandardCharsets.UTF_8),
            ("\uFEFF" + file).getBytes(StandardCharsets.UTF_8),
            file.getBytes(StandardCharsets.UTF_16),
            ("\uFEFF" + file).getBytes(StandardCharsets.UTF_16LE),
            file.getBytes(Charset.forName("windows-1252")))) {
      assertThat(
              CalendarFile.read(bytes, NEW_YORK, LocalDate.of(1997, 9, 3), LocalDate.of(1997, 9, 3))
                  .events())
          .extracting(Event::title)
          .containsExactly("Café à 9 h");
    }
  }

  /** Each fault is said by its event, and the good ones are kept. */
  @Test
  void faultsByEvent() throws Exception {
    CalendarFile read =
        read(
            calendar(
                event("UID:1\nSUMMARY:without a time"),
                event("UID:2\nSUMMARY:odd\nno line"),
                event("UID:3\nSUMMARY:good\nDTSTART:20260504T090000Z\nDTEND:20260504T100000Z"),
                event("UID:4\nSUMMARY:backwards\nDTSTART:20260504T100000Z\nDTEND:20260504T090000Z"),
                event(
                    "UID:5\nSUMMARY:always\nDTSTART:20260504T100000Z\nDURATION:PT1S\nRRULE:FREQ=SECONDLY")),
            NEW_YORK,
            "2026-05-04",
            "2026-05-05");
    assertThat(read.events()).extracting(Event::title).containsExactly("good");
    assertThat(read.faults())
        .containsExactlyInAnyOrder(
            new Fault("without a time", "it has no beginning"),
            new Fault("odd", "cannot be read"),
            new Fault("backwards", "it ends before it begins"),
            new Fault("always", "it repeats too often"));
  }

  private static CalendarFile changed(String repeats, String... changes) throws Unreadable {
    String[] all =
        Stream.concat(Stream.of(repeats), Stream.of(changes))
            .map(lines -> event("UID:1\n" + lines))
            .toArray(String[]::new);
    return read(calendar(all), NEW_YORK, "2026-03-02", "2026-03-31");
  }

  private static List<String> times(CalendarFile read) {
    DateTimeFormatter clock = DateTimeFormatter.ofPattern("d HH:mm");
    return read.events().stream()
        .map(
            e ->
                clock.format(e.from().atZone(NEW_YORK))
                    + "-"
                    + clock.format(e.until().atZone(NEW_YORK)))
        .toList();
  }

  private static final String NEW_YORK_S = ";TZID=America/New_York:";

  /**
   * 3.2.13: "if the given recurrence instance is rescheduled to start 2 hours later, then all
   * subsequent instances are also rescheduled 2 hours later", and they are as long as it is; here
   * over the day on which the clocks change (8 March 2026), by the clock on the wall. Recalled from
   * memory.
   */
  @Test
  void aChangeOfAllThatFollow() throws Exception {
    CalendarFile read =
        changed(
            "SUMMARY:Handover\nDTSTART"
                + NEW_YORK_S
                + "20260305T090000\nDURATION:PT1H\nRRULE:FREQ=DAILY;COUNT=7\n"
                + "EXDATE"
                + NEW_YORK_S
                + "20260310T090000",
            "SUMMARY:Late handover\nRECURRENCE-ID;RANGE=THISANDFUTURE;TZID=America/New_York:"
                + "20260307T090000\nDTSTART"
                + NEW_YORK_S
                + "20260307T110000\nDURATION:PT30M",
            "SUMMARY:Once\nRECURRENCE-ID"
                + NEW_YORK_S
                + "20260309T090000\nDTSTART"
                + NEW_YORK_S
                + "20260309T150000\nDURATION:PT1H");
    assertThat(read.faults()).isEmpty();
    assertThat(times(read))
        .containsExactly(
            "5 09:00-5 10:00",
            "6 09:00-6 10:00",
            "7 11:00-7 11:30",
            "8 11:00-8 11:30",
            "9 15:00-9 16:00",
            "11 11:00-11 11:30");
    assertThat(read.events())
        .extracting(Event::title)
        .containsExactly(
            "Handover", "Handover", "Late handover", "Late handover", "Once", "Late handover");
  }

  /** Of two such changes the later one counts from where it begins; one may call off the rest. */
  @Test
  void aChangeAfterAnother() throws Exception {
    CalendarFile read =
        changed(
            "DTSTART:20260302T150000Z\nDURATION:PT1H\nRRULE:FREQ=WEEKLY",
            "RECURRENCE-ID;RANGE=THISANDFUTURE:20260309T150000Z\nDTSTART:20260310T140000Z\n"
                + "DTEND:20260310T150000Z",
            "RECURRENCE-ID;RANGE=THISANDFUTURE:20260323T150000Z\nDTSTART:20260323T150000Z\n"
                + "DURATION:PT1H\nSTATUS:CANCELLED");
    assertThat(read.faults()).isEmpty();
    assertThat(times(read))
        .containsExactly("2 10:00-2 11:00", "10 10:00-10 11:00", "17 10:00-17 11:00");
  }

  /** What is moved into the days that are asked for is of them, and what is moved out is not. */
  @Test
  void aChangeAcrossTheDaysThatAreRead() throws Exception {
    String week = "DTSTART;VALUE=DATE:20260222\nRRULE:FREQ=WEEKLY";
    CalendarFile later =
        changed(
            week,
            "RECURRENCE-ID;VALUE=DATE;RANGE=THISANDFUTURE:20260222\n"
                + "DTSTART;VALUE=DATE:20260304\nDTEND;VALUE=DATE:20260306");
    assertThat(times(later))
        .containsExactly(
            "4 00:00-6 00:00", "11 00:00-13 00:00", "18 00:00-20 00:00", "25 00:00-27 00:00");
    assertThat(later.events()).allMatch(Event::wholeDay);
    CalendarFile sooner =
        changed(
            week,
            "RECURRENCE-ID;VALUE=DATE;RANGE=THISANDFUTURE:20260322\n"
                + "DTSTART;VALUE=DATE:20260312");
    assertThat(times(sooner))
        .containsExactly(
            "8 00:00-9 00:00",
            "12 00:00-13 00:00",
            "15 00:00-16 00:00",
            "19 00:00-20 00:00",
            "26 00:00-27 00:00");
  }

  /** What cannot be carried on is said, and the first one is kept. */
  @Test
  void aChangeThatCannotBeCarriedOn() throws Exception {
    CalendarFile read =
        changed(
            "DTSTART:20260302T150000Z\nDURATION:PT1H\nRRULE:FREQ=WEEKLY;COUNT=2",
            "SUMMARY:all day\nRECURRENCE-ID;RANGE=THISANDFUTURE:20260302T150000Z\n"
                + "DTSTART;VALUE=DATE:20260302",
            "SUMMARY:next year\nRECURRENCE-ID;RANGE=THISANDFUTURE:20260309T150000Z\n"
                + "DTSTART:20270309T150000Z\nDURATION:PT1H");
    assertThat(times(read)).containsExactly("2 00:00-3 00:00");
    assertThat(read.faults())
        .containsExactly(
            new Fault(
                "all day", "all after it change between days and times: only the first is read"),
            new Fault("next year", "all after it are moved too far: only the first is read"));
  }

  @Test
  void whatIsNone() {
    for (String none : List.of("", "hello", "BEGIN:VCALENDAR\r\nVERSION", calendar())) {
      assertThatThrownBy(() -> all(none)).as(none).isInstanceOf(Unreadable.class);
    }
  }

  @Test
  void tenThousandEvents() throws Exception {
    String[] many =
        IntStream.range(0, 10_000)
            .mapToObj(
                i ->
                    event(
                        "UID:%d\nSUMMARY:%s\nDTSTART;TZID=America/New_York:199709%02dT%02d0000\nDURATION:PT1H"
                            .formatted(i, i, 1 + i % 30, i % 24)))
            .toArray(String[]::new);
    assertThat(all(calendar(many))).hasSize(10_000);
    // The same with one that cannot be read: it costs one.
    many[7000] = event("UID:x\nSUMMARY:odd\nno line");
    CalendarFile read = read(calendar(many), NEW_YORK, "1997-01-01", "1997-12-31");
    assertThat(read.events()).hasSize(9_999);
    assertThat(read.faults()).containsExactly(new Fault("odd", "cannot be read"));
  }
}
