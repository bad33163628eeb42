package org.biokinet.core.workday;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.biokinet.core.workday.BreakPlanTest.DAY;
import static org.biokinet.core.workday.BreakPlanTest.at;
import static org.biokinet.core.workday.BreakPlanTest.span;
import static org.biokinet.core.workday.BreakPlanTest.spans;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.biokinet.core.calendar.Span;
import org.junit.jupiter.api.Test;

/** Where the sessions of a day go. */
class SessionWishTest {

  private static final List<Optional<Instant>> NONE = List.of();

  private static SessionWish wish(int minutes, int apart, String... times) {
    return new SessionWish(List.of(times).stream().map(LocalTime::parse).toList(), minutes, apart);
  }

  private static List<Optional<Span>> on(
      SessionWish wish, List<Span> taken, List<Optional<Instant>> moved, Optional<Instant> after) {
    return wish.on(DAY, ZoneOffset.UTC, taken, moved, after);
  }

  @Test
  void whereTheyAreWantedWhenThereIsRoom() {
    assertThat(on(wish(15, 240, "07:30", "18:00"), spans("9:00-17:00"), NONE, Optional.empty()))
        .containsExactly(Optional.of(span("7:30-7:45")), Optional.of(span("18:00-18:15")));
  }

  /** 08:30 is at work: before it is 45 minutes away, after it 4 hours. */
  @Test
  void theNearestRoomOtherwise() {
    assertThat(on(wish(15, 240, "08:30"), spans("8:00-12:30"), NONE, Optional.empty()))
        .containsExactly(Optional.of(span("7:45-8:00")));
    // As near before as after: the earlier.
    assertThat(on(wish(10, 0, "12:00"), spans("11:50-12:20"), NONE, Optional.empty()))
        .containsExactly(Optional.of(span("11:40-11:50")));
  }

  /** Both would like to be near noon; 4 hours apart they share what it costs. */
  @Test
  void neverTwoTooNear() {
    List<Optional<Span>> both =
        on(wish(20, 240, "12:00", "13:00"), List.of(), NONE, Optional.empty());
    Span first = both.get(0).orElseThrow();
    Span second = both.get(1).orElseThrow();
    assertThat(Duration.between(first.until(), second.from()).toMinutes()).isEqualTo(240);
    assertThat(first.from()).isBeforeOrEqualTo(at("12:00"));
  }

  @Test
  void whatTheClientMovedStaysAndTheOtherGivesWay() {
    List<Optional<Span>> both =
        on(
            wish(15, 240, "07:30", "18:00"),
            spans("9:00-17:00"),
            List.of(Optional.empty(), Optional.of(at("12:10"))),
            Optional.empty());
    assertThat(both)
        .containsExactly(Optional.of(span("7:30-7:45")), Optional.of(span("12:10-12:25")));
    assertThat(
            on(
                wish(15, 240, "07:30", "18:00"),
                List.of(),
                List.of(Optional.of(at("16:00")), Optional.empty()),
                Optional.empty()))
        .containsExactly(Optional.of(span("16:00-16:15")), Optional.of(span("20:15-20:30")));
  }

  private static Optional<SessionWish.Against> against(String to, Optional<Instant> after) {
    return wish(15, 240, "07:30", "18:00")
        .against(
            DAY,
            ZoneOffset.UTC,
            spans("10:00-11:00"),
            spans("9:00-17:00"),
            List.of(Optional.of(at("7:30")), Optional.empty()),
            after,
            1,
            at(to));
  }

  @Test
  void whereOneMayBePut() {
    assertThat(against("17:30", Optional.empty())).isEmpty();
    // At work somebody may who wants to, in a meeting nobody can.
    assertThat(against("12:10", Optional.empty())).isEmpty();
    assertThat(against("11:45", Optional.empty())).isEmpty();
    assertThat(against("10:50", Optional.empty())).contains(SessionWish.Against.TAKEN);
    assertThat(against("9:46", Optional.empty())).contains(SessionWish.Against.TAKEN);
    // The first one was put at 07:30 and ends at 07:45.
    assertThat(against("11:44", Optional.empty())).contains(SessionWish.Against.TOO_NEAR);
    assertThat(against("23:46", Optional.empty())).contains(SessionWish.Against.ANOTHER_DAY);
    assertThat(against("24:00", Optional.empty())).contains(SessionWish.Against.ANOTHER_DAY);
    assertThat(against("12:10", Optional.of(at("8:11")))).contains(SessionWish.Against.TOO_NEAR);
    assertThat(against("12:10", Optional.of(at("8:10")))).isEmpty();
  }

  /** The evening before counts too. */
  @Test
  void notTooNearToTheDayBefore() {
    assertThat(on(wish(15, 480, "07:30"), List.of(), NONE, Optional.of(at("0:30"))))
        .containsExactly(Optional.of(span("8:30-8:45")));
  }

  @Test
  void whereThereIsNoRoomThereIsNone() {
    assertThat(on(wish(15, 240, "07:30"), spans("0:00-23:50"), NONE, Optional.empty()))
        .containsExactly(Optional.empty());
    // One of two is better than none.
    assertThat(
            on(
                    wish(15, 240, "07:30", "18:00"),
                    spans("0:00-7:00", "8:00-24:00"),
                    NONE,
                    Optional.empty())
                .stream()
                .filter(Optional::isPresent))
        .hasSize(1);
  }

  /** The day on which Lisbon puts its clocks back has 25 hours. */
  @Test
  void aDayOfAnotherLength() {
    ZoneId lisbon = ZoneId.of("Europe/Lisbon");
    LocalDate day = LocalDate.of(2026, 10, 25);
    assertThat(wish(15, 240, "00:30", "23:30").on(day, lisbon, List.of(), NONE, Optional.empty()))
        .containsExactly(
            Optional.of(Span.ofMinutes(Instant.parse("2026-10-24T23:30:00Z"), 15)),
            Optional.of(Span.ofMinutes(Instant.parse("2026-10-25T23:30:00Z"), 15)));
  }

  /** The same by trying every pair of minutes, on made-up days. */
  @Test
  void nothingIsNearer() {
    for (long seed = 0; seed < 20; seed++) {
      SplittableRandom random = new SplittableRandom(seed);
      SessionWish wish =
          wish(
              10 + 5 * random.nextInt(4),
              60 * random.nextInt(6),
              "07:30",
              "1%d:00".formatted(random.nextInt(10)));
      List<Span> taken = new ArrayList<>();
      for (int i = 0; i < 5; i++) {
        taken.add(
            Span.ofMinutes(
                at("0:00").plusSeconds(60L * random.nextInt(1400)), random.nextInt(1, 300)));
      }
      List<Optional<Span>> ours = on(wish, taken, NONE, Optional.empty());
      long least = Long.MAX_VALUE;
      for (int a = 0; a + wish.minutes() <= 1440; a++) {
        if (!free(taken, a, wish)) continue;
        for (int b = a + wish.minutes() + wish.apart(); b + wish.minutes() <= 1440; b++) {
          if (free(taken, b, wish)) least = Math.min(least, far(wish, 0, a) + far(wish, 1, b));
        }
      }
      if (ours.stream().allMatch(Optional::isPresent)) {
        long mine = 0;
        for (int i = 0; i < 2; i++) {
          mine +=
              far(
                  wish,
                  i,
                  (int) Duration.between(at("0:00"), ours.get(i).orElseThrow().from()).toMinutes());
        }
        assertThat(mine).as("seed " + seed).isEqualTo(least);
      } else {
        assertThat(least).as("seed " + seed).isEqualTo(Long.MAX_VALUE);
      }
    }
  }

  private static boolean free(List<Span> taken, int minute, SessionWish wish) {
    Span one = Span.ofMinutes(at("0:00").plusSeconds(60L * minute), wish.minutes());
    return taken.stream().noneMatch(one::overlaps);
  }

  private static long far(SessionWish wish, int i, int minute) {
    return Math.abs(minute - wish.times().get(i).toSecondOfDay() / 60);
  }

  @Test
  void aWishHasItsLimits() {
    assertThatThrownBy(() -> wish(15, 60, "07:00", "12:00", "18:00"))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> wish(0, 60, "07:00")).isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> wish(181, 60, "07:00")).isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> wish(15, -1, "07:00")).isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> wish(15, 721, "07:00")).isInstanceOf(IllegalArgumentException.class);
    assertThat(wish(180, 720)).isNotNull();
  }
}
