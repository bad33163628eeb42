package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Optional;
import org.biokinet.app.appointment.Appointment;
import org.biokinet.app.appointment.AppointmentService;
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
            "UID:3\nSUMMARY:Twin Example\nDTSTART:%1$sT110000\nDTEND:%1$sT113000".formatted(day),
            "UID:4\nSUMMARY:Berta Example\nDTSTART;VALUE=DATE:%s".formatted(day));
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
