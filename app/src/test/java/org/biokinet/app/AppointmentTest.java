package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.biokinet.app.appointment.Appointment;
import org.biokinet.app.appointment.AppointmentService;
import org.biokinet.app.appointment.CalendarFile;
import org.biokinet.app.client.Circumstances;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.Contact;
import org.biokinet.app.practice.Me;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockMultipartFile;

/** The calendar file of a practice: RFC 5545, as far as appointments need it. */
class AppointmentTest extends AppTest {

  @Autowired private AppointmentService appointments;

  private static String calendar(String... events) {
    StringBuilder all =
        new StringBuilder("BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//test//EN\r\n");
    for (String e : events) {
      all.append("BEGIN:VEVENT\r\nDTSTAMP:20261101T080000Z\r\n")
          .append(e.replace("\n", "\r\n"))
          .append("\r\nEND:VEVENT\r\n");
    }
    return all.append("END:VCALENDAR\r\n").toString();
  }

  private static List<String> read(String zone, String first, String last, String... events)
      throws Exception {
    CalendarFile file =
        CalendarFile.read(
            calendar(events).getBytes(StandardCharsets.UTF_8),
            ZoneId.of(zone),
            LocalDate.parse(first),
            LocalDate.parse(last));
    assertThat(file.faults()).isEmpty();
    return file.events().stream().map(e -> e.from() + " " + e.title()).toList();
  }

  /** RFC 5545, 3.3.5: a time is local to a zone, of no zone, or of UTC. */
  @Test
  void timesOfEachForm() throws Exception {
    assertThat(
            read(
                "Europe/Lisbon",
                "2026-12-01",
                "2026-12-01",
                "UID:1\nSUMMARY:in UTC\nDTSTART:20261201T090000Z\nDTEND:20261201T093000Z",
                "UID:2\nSUMMARY:of no zone\nDTSTART:20261201T100000\nDTEND:20261201T103000",
                "UID:3\nSUMMARY:of a zone\nDTSTART;TZID=Europe/Berlin:20261201T120000\nDURATION:PT30M",
                "UID:4\nSUMMARY:the whole day\nDTSTART;VALUE=DATE:20261201",
                "UID:5\nSUMMARY:called off\nSTATUS:CANCELLED\nDTSTART:20261201T130000Z\nDTEND:20261201T133000Z",
                "UID:6\nSUMMARY:the day after\nDTSTART:20261202T000000Z\nDTEND:20261202T003000Z"))
        .containsExactly(
            "2026-12-01T09:00:00Z in UTC",
            "2026-12-01T10:00:00Z of no zone",
            "2026-12-01T11:00:00Z of a zone");
  }

  /**
   * RFC 5545, 3.8.5.3 and 3.8.4.4: daily at nine over the end of summer time in Lisbon (25 October
   * 2026), one day left out, one moved and one called off.
   */
  @Test
  void whatRepeatsKeepsItsHourAndItsExceptions() throws Exception {
    assertThat(
            read(
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

  @Test
  void oneThatCannotBeReadIsSaidAndTheOthersAreKept() throws Exception {
    CalendarFile file =
        CalendarFile.read(
            calendar(
                    "UID:1\nSUMMARY:without a time",
                    "UID:2\nSUMMARY:good\nDTSTART:20261201T090000Z\nDTEND:20261201T093000Z")
                .getBytes(StandardCharsets.UTF_8),
            LISBON,
            LocalDate.parse("2026-12-01"),
            LocalDate.parse("2026-12-01"));
    assertThat(file.events()).extracting(CalendarFile.Event::title).containsExactly("good");
    assertThat(file.faults())
        .containsExactly(new CalendarFile.Fault("without a time", "it has no beginning"));
    for (String none : List.of("", "hello", "BEGIN:VCALENDAR\r\nVERSION", calendar())) {
      assertThatThrownBy(
              () ->
                  CalendarFile.read(
                      none.getBytes(StandardCharsets.UTF_8),
                      LISBON,
                      LocalDate.EPOCH,
                      LocalDate.EPOCH))
          .as(none)
          .isInstanceOf(CalendarFile.Unreadable.class);
    }
  }

  private Client named(Me me, String name, String mail) {
    return clients.add(
        me,
        new Contact(name, Optional.empty(), "", mail, LISBON, Locale.ENGLISH),
        Circumstances.of(""));
  }

  @Test
  void todaysAppointmentsStandAboveTheListWithWhereTheClientStands() throws Exception {
    Me me = practitioner();
    Client byMail = named(me, "Ada Example", "ada@client.example");
    Client byName = named(me, "Berta Example", "");
    named(me, "Ta Examp", ""); // stands within another name
    named(me, "Twin Example", "");
    named(me, "Twin Example", "");
    String day = tomorrow().minusDays(1).toString().replace("-", "");
    String file =
        calendar(
            "UID:1\nSUMMARY:First visit\nATTENDEE:mailto:ADA@client.example\n"
                + "DTSTART:%1$sT100000\nDTEND:%1$sT103000".formatted(day),
            "UID:2\nSUMMARY:berta example\\, review\nDTSTART:%1$sT090000\nDTEND:%1$sT093000"
                .formatted(day),
            "UID:3\nSUMMARY:Twin Example\nDTSTART:%1$sT110000\nDTEND:%1$sT113000".formatted(day));
    mvc.perform(
            multipart("/desk/appointments")
                .file(
                    new MockMultipartFile(
                        "calendar",
                        "week.ics",
                        "text/calendar",
                        file.getBytes(StandardCharsets.UTF_8)))
                .with(signedIn(me))
                .with(csrf()))
        .andExpect(content().string(containsString("Taken: 3 appointments")))
        .andExpect(content().string(containsString("2 with a client")));
    assertThat(appointments.on(me, tomorrow().minusDays(1)))
        .extracting(Appointment::title, Appointment::client)
        .containsExactly(
            tuple("berta example, review", Optional.of(byName.getId())),
            tuple("First visit", Optional.of(byMail.getId())),
            tuple("Twin Example", Optional.empty()));
    mvc.perform(as(me, get("/")))
        .andExpect(content().string(containsString("3 appointments today – show")));
    mvc.perform(as(me, get("/?today=true")))
        .andExpect(content().string(containsString("09:00–09:30")))
        .andExpect(content().string(containsString("Twin Example")));
    mvc.perform(
            multipart("/desk/appointments")
                .file(new MockMultipartFile("calendar", "no.ics", "text/calendar", new byte[] {1}))
                .with(signedIn(me))
                .with(csrf()))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("The one before stays.")));
    assertThat(appointments.on(me, tomorrow().minusDays(1))).hasSize(3);
    assertThat(appointments.on(practitioner(), tomorrow().minusDays(1))).isEmpty();
  }
}
