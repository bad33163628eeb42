package org.biokinet.core.calendar;

import static org.assertj.core.api.Assertions.assertThat;

import biweekly.Biweekly;
import biweekly.ICalVersion;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import org.biokinet.core.calendar.CalendarFile.Event;
import org.biokinet.core.calendar.CalendarFile.Shown;
import org.biokinet.core.calendar.CalendarWriter.Entry;
import org.junit.jupiter.api.Test;

/** What we write: read back by the library that wrote it, and by one that did not (biweekly). */
class CalendarWriterTest {

  private static final Instant STAMP = Instant.parse("2026-10-24T12:00:00Z");
  private static final String LONG =
      "Zwölf Minuten; gleich, ohne Eile, am Fenster\\oder draußen. ".repeat(3).strip();

  /** On both sides of the hour that Lisbon and Berlin have twice on 25 October 2026. */
  private static final List<Entry> ENTRIES =
      List.of(
          entry("2026-10-25-s1", 0, "2026-10-24T23:30:00Z", 15, "Session", true),
          entry("2026-10-25-b1", 3, "2026-10-25T00:30:00Z", 2, "Break", false),
          entry("2026-10-25-b2", 3, "2026-10-25T01:30:00Z", 2, LONG, false),
          new Entry(
              "2026-10-25-b3",
              4,
              Span.ofMinutes(Instant.parse("2026-10-25T02:30:00Z"), 2),
              "Break",
              false,
              /* calledOff= */ true,
              Optional.of(Duration.ZERO)));

  private static Entry entry(
      String id, int sequence, String from, int minutes, String title, boolean busy) {
    return new Entry(
        id,
        sequence,
        Span.ofMinutes(Instant.parse(from), minutes),
        title,
        busy,
        false,
        Optional.of(busy ? Duration.ofMinutes(10) : Duration.ZERO));
  }

  private static CalendarFile back(String text, String zone) throws Exception {
    return CalendarFile.read(
        text.getBytes(StandardCharsets.UTF_8),
        ZoneId.of(zone),
        LocalDate.of(2026, 10, 24),
        LocalDate.of(2026, 10, 26));
  }

  /** Whoever reads it in whichever zone has the same moments. */
  @Test
  void isReadBackAsItWas() throws Exception {
    String text = CalendarWriter.write("Breaks", STAMP, ENTRIES);
    for (String zone : List.of("Europe/Lisbon", "America/Los_Angeles")) {
      CalendarFile file = back(text, zone);
      assertThat(file.faults()).isEmpty();
      assertThat(file.events()).hasSize(3);
      for (int i = 0; i < 3; i++) {
        Event e = file.events().get(i);
        Entry was = ENTRIES.get(i);
        assertThat(new Span(e.from(), e.until())).isEqualTo(was.span());
        assertThat(e.title()).isEqualTo(was.title());
        assertThat(e.id()).isEqualTo(was.id() + CalendarWriter.OURS);
        assertThat(e.shown()).isEqualTo(was.busy() ? Shown.BUSY : Shown.FREE);
      }
    }
  }

  @Test
  void anotherReaderReadsTheSame() {
    ICalendar calendar = Biweekly.parse(CalendarWriter.write("Breaks", STAMP, ENTRIES)).first();
    assertThat(calendar.getVersion().getVersion()).isEqualTo("2.0");
    assertThat(calendar.getMethod().getValue()).isEqualTo("PUBLISH");
    assertThat(calendar.getEvents()).hasSameSizeAs(ENTRIES);
    assertThat(calendar.validate(ICalVersion.V2_0).getWarnings()).isEmpty();
    for (int i = 0; i < ENTRIES.size(); i++) {
      VEvent e = calendar.getEvents().get(i);
      Entry was = ENTRIES.get(i);
      assertThat(e.getDateStart().getValue().toInstant()).isEqualTo(was.span().from());
      assertThat(e.getDateEnd().getValue().toInstant()).isEqualTo(was.span().until());
      assertThat(e.getSummary().getValue()).isEqualTo(was.title());
      assertThat(e.getSequence().getValue()).isEqualTo(was.sequence());
      assertThat(e.getUid().getValue()).isEqualTo(was.id() + "@biokinet");
      assertThat(e.getDateTimeStamp().getValue().toInstant()).isEqualTo(STAMP);
      assertThat(e.getStatus().isCancelled()).isEqualTo(was.calledOff());
      assertThat(e.getAlarms()).hasSize(was.calledOff() ? 0 : 1);
    }
    assertThat(calendar.getEvents().get(0).getAlarms().get(0).getTrigger().getDuration().toMillis())
        .isEqualTo(-Duration.ofMinutes(10).toMillis());
    assertThat(calendar.getEvents().get(1).getAlarms().get(0).getTrigger().getDuration().toMillis())
        .isZero();
  }

  /** RFC 5545, 3.1: lines end with CRLF and should have no more than 75 octets. */
  @Test
  void linesAreFolded() {
    Entry folded = entry("1", 0, "2026-10-25T00:30:00Z", 2, "a long title ".repeat(20), false);
    String text = CalendarWriter.write("Breaks", STAMP, List.of(folded));
    assertThat(text).startsWith("BEGIN:VCALENDAR\r\n").endsWith("END:VCALENDAR\r\n");
    assertThat(text.replace("\r\n", "")).doesNotContain("\n", "\r");
    assertThat(text.lines())
        .allMatch(l -> l.getBytes(StandardCharsets.UTF_8).length <= 75, "75 octets");
  }

  @Test
  void nothingIsACalendarToo() {
    assertThat(Biweekly.parse(CalendarWriter.write("Breaks", STAMP, List.of())).first().getEvents())
        .isEmpty();
  }
}
