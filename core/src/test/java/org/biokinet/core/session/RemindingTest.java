package org.biokinet.core.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** Times of a client's day; the changes of clocks are those of the IANA time zone database. */
class RemindingTest {
  private static final ZoneId LISBON = ZoneId.of("Europe/Lisbon");

  private static Reminding at(String... times) {
    return new Reminding(Stream.of(times).map(LocalTime::parse).toList());
  }

  /** All of them until a moment. */
  private static List<String> all(Reminding r, String from, String until, ZoneId zone) {
    List<String> all = new ArrayList<>();
    Optional<Instant> next = r.after(Instant.parse(from), zone);
    while (next.filter(n -> n.isBefore(Instant.parse(until))).isPresent()) {
      all.add(next.get().toString());
      next = r.after(next.get(), zone);
    }
    return all;
  }

  @Test
  void eachTimeComesOnceADay() {
    assertThat(all(at("18:00", "07:30"), "2026-12-01T07:30:00Z", "2026-12-03T00:00:00Z", LISBON))
        .containsExactly("2026-12-01T18:00:00Z", "2026-12-02T07:30:00Z", "2026-12-02T18:00:00Z");
    assertThat(at().after(Instant.EPOCH, LISBON)).isEmpty();
  }

  /** On 25 October 2026 clocks in Lisbon go from 02:00 back to 01:00, on 29 March on to 02:00. */
  @Test
  void anHourThatComesTwiceRemindsOnceAndOneThatIsLeftOutIsNotForgotten() {
    assertThat(all(at("01:30"), "2026-10-24T12:00:00Z", "2026-10-26T12:00:00Z", LISBON))
        .containsExactly("2026-10-25T00:30:00Z", "2026-10-26T01:30:00Z");
    assertThat(all(at("01:30"), "2026-03-28T12:00:00Z", "2026-03-30T12:00:00Z", LISBON))
        .containsExactly("2026-03-29T01:30:00Z", "2026-03-30T00:30:00Z");
  }

  /** Samoa had no 30 December 2011: it moved across the date line. */
  @Test
  void aDayThatIsLeftOutIsPassedOver() {
    assertThat(
            all(
                at("08:00"),
                "2011-12-28T20:00:00Z",
                "2011-12-31T12:00:00Z",
                ZoneId.of("Pacific/Apia")))
        .containsExactly("2011-12-29T18:00:00Z", "2011-12-30T18:00:00Z");
  }

  @Test
  void oneThatWouldComeHoursLateIsLeftOut() {
    Instant meant = Instant.parse("2026-12-01T07:30:00Z");
    Reminding r = at("07:30", "08:30");
    assertThat(r.meant(meant, LISBON)).contains(meant);
    assertThat(r.meant(meant.minusSeconds(1), LISBON)).isEmpty();
    Instant second = meant.plus(Duration.ofHours(1));
    assertThat(r.meant(second.plus(Duration.ofMinutes(119)), LISBON))
        .as("the newest alone")
        .contains(second);
    assertThat(r.meant(second.plus(Duration.ofHours(2)), LISBON)).isEmpty();
    // One of before midnight is still meant after it.
    Instant late = Instant.parse("2026-12-01T23:30:00Z");
    assertThat(at("23:30").meant(late.plus(Duration.ofHours(1)), LISBON)).contains(late);
  }

  @Test
  void thriceADayIsTheMost() {
    assertThat(at("07:30", "07:30", "12:00", "18:00").times()).hasSize(Reminding.MOST);
    assertThatThrownBy(() -> at("07:30", "12:00", "15:00", "18:00"))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
