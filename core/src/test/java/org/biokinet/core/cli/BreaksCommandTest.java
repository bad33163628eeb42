package org.biokinet.core.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class BreaksCommandTest {

  @TempDir private Path folder;

  private final ByteArrayOutputStream out = new ByteArrayOutputStream();
  private final ByteArrayOutputStream err = new ByteArrayOutputStream();

  private int run(String calendar, String... options) throws Exception {
    Path file = folder.resolve("week.ics");
    Files.writeString(file, calendar);
    List<String> arguments = new ArrayList<>(List.of("breaks", file.toString()));
    arguments.addAll(List.of(options));
    return Main.run(
        arguments,
        new PrintStream(out, true, StandardCharsets.UTF_8),
        new PrintStream(err, true, StandardCharsets.UTF_8));
  }

  private String out() {
    return out.toString(StandardCharsets.UTF_8);
  }

  private String err() {
    return err.toString(StandardCharsets.UTF_8);
  }

  private static String calendar(String... events) {
    StringBuilder all = new StringBuilder("BEGIN:VCALENDAR\r\nVERSION:2.0\r\n");
    for (String e : events) {
      all.append("BEGIN:VEVENT\r\n").append(e.replace("\n", "\r\n")).append("\r\nEND:VEVENT\r\n");
    }
    return all.append("END:VCALENDAR\r\n").toString();
  }

  private static final String BRIEFING =
      """
      UID:1
      SUMMARY:Briefing
      DTSTART;TZID=Europe/Lisbon:20260504T090000
      DTEND;TZID=Europe/Lisbon:20260504T123000
      RRULE:FREQ=WEEKLY;BYDAY=MO""";

  @Test
  void aWeekIsPrinted() throws Exception {
    int status =
        run(
            calendar(BRIEFING, "UID:2\nSUMMARY:odd"),
            "--from",
            "2026-05-03",
            "--to",
            "2026-05-04",
            "--zone",
            "Europe/Lisbon");
    assertThat(status).isEqualTo(Main.OK);
    assertThat(out().lines())
        .containsExactly(
            "sun 2026-05-03  no work",
            "mon 2026-05-04  6 breaks, longest sitting 3 h 30",
            "  work   09:00–17:00",
            "  booked 09:00–12:30",
            "  break  12:30–12:32",
            "  break  13:15–13:17",
            "  break  14:00–14:02",
            "  break  14:45–14:47",
            "  break  15:30–15:32",
            "  break  16:15–16:17",
            "  ! 09:00–12:30 booked: longest sitting 3 h 30; a 2-minute gap at 10:44 would make it"
                + " 1 h 44");
    assertThat(err()).isEqualTo("left out: odd: it has no beginning\n");
  }

  @Test
  void shiftsOverMidnightAsJson() throws Exception {
    int status =
        run(
            calendar(
                "UID:1\nSUMMARY:Night shift\nDTSTART:20260504T210000Z\nDTEND:20260505T050000Z",
                "UID:2\nSUMMARY:Handover\nDTSTART:20260505T040000Z\nDTEND:20260505T043000Z"),
            "--from",
            "2026-05-04",
            "--to",
            "2026-05-04",
            "--zone",
            "Europe/Lisbon",
            "--shifts",
            "shift",
            "--quiet",
            "02:00-03:00",
            "--number",
            "12",
            "--json");
    assertThat(status).isEqualTo(Main.OK);
    JsonNode day = new ObjectMapper().readTree(out()).at("/days/0");
    assertThat(day.at("/work/0/until").asText()).isEqualTo("2026-05-05T05:00:00Z");
    assertThat(day.at("/hard/0/from").asText()).isEqualTo("2026-05-05T04:00:00Z");
    assertThat(day.at("/breaks").size()).isBetween(8, 12);
    assertThat(day.at("/longestMinutes").asInt()).isEqualTo(60); // the quiet hour
    assertThat(day.has("unkept")).isFalse();
  }

  @Test
  void whatIsWrongIsSaid() throws Exception {
    String[] good = {"--from", "2026-05-04", "--to", "2026-05-04", "--zone", "UTC"};
    for (String[] bad :
        new String[][] {
          {"--to", "2026-05-04", "--zone", "UTC"},
          {"--from", "x", "--to", "2026-05-04", "--zone", "UTC"},
          {"--from", "2026-05-04", "--to", "2026-05-04", "--zone", "Nowhere"},
          {"--from", "2026-05-05", "--to", "2026-05-04", "--zone", "UTC"},
          {"--from", "2026-05-04", "--to", "2028-05-04", "--zone", "UTC"},
          {"--from", "" + LocalDate.MIN, "--to", "" + LocalDate.MIN, "--zone", "UTC"},
          {"--from", "" + LocalDate.MAX, "--to", "" + LocalDate.MAX, "--zone", "UTC"},
          with(good, "--hours", "mon"),
          with(good, "--hours", "xyz 09:00-17:00"),
          with(good, "--quiet", "09:00-09:00"),
          with(good, "--interval", "20"),
          with(good, "--number", "x"),
          with(good, "--odd", "x"),
          with(good, "--hours"),
          with(good, "another.ics"),
        }) {
      err.reset();
      assertThat(run(calendar(BRIEFING), bad)).as(String.join(" ", bad)).isEqualTo(Main.BAD_INPUT);
      assertThat(err()).as(String.join(" ", bad)).contains("usage: biokinet breaks");
    }
    err.reset();
    assertThat(run("no calendar", good)).isEqualTo(Main.BAD_INPUT);
    assertThat(err()).contains("week.ics: ");
    assertThat(out()).isEmpty();
  }

  @Test
  void hoursOverTheWeekend() throws Exception {
    run(
        calendar(BRIEFING),
        with(
            new String[] {"--from", "2026-05-07", "--to", "2026-05-11", "--zone", "UTC"},
            "--hours",
            "fri-mon 09:00-09:40"));
    assertThat(out().lines().filter(l -> l.contains("no work")))
        .containsExactly("thu 2026-05-07  no work");
  }

  private static String[] with(String[] those, String... more) {
    List<String> all = new ArrayList<>(List.of(those));
    all.addAll(List.of(more));
    return all.toArray(String[]::new);
  }
}
