package org.biokinet.core.workday;

import static org.assertj.core.api.Assertions.assertThat;
import static org.biokinet.core.workday.BreakPlanTest.DAY;
import static org.biokinet.core.workday.BreakPlanTest.at;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.UnaryOperator;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.biokinet.core.calendar.Span;
import org.biokinet.core.workday.BreakPlan.Situation;

/** What holds of every plan, on days as full as they come. */
class BreakPropertyTest {

  /** A day with some meetings of either sort, quiet hours, and maybe a part of it behind. */
  private static Situation any(long seed) {
    SplittableRandom random = new SplittableRandom(seed);
    List<Span> work = new ArrayList<>();
    for (int i = 0, t = random.nextInt(600); i < random.nextInt(1, 4); i++) {
      int minutes = random.nextInt(20, 400);
      work.add(later(t, minutes));
      t += minutes + random.nextInt(10, 200);
    }
    int preferred = random.nextInt(30, 61);
    BreakWish wish =
        new BreakWish(
            preferred,
            random.nextInt(10, preferred + 1),
            random.nextInt(preferred, 121),
            random.nextInt(0, 25),
            random.nextInt(1, 6));
    Workday day = new Workday(DAY, work, some(random, 6), some(random, 3), some(random, 2));
    boolean behind = random.nextBoolean();
    Instant from = behind ? at("0:00").plusSeconds(60L * random.nextInt(1000)) : Instant.MIN;
    List<Span> taken =
        behind ? List.of(later(random.nextInt(900), random.nextInt(1, 10))) : List.of();
    List<Instant> before =
        behind ? BreakPlan.of(day, wish).breaks().stream().map(Span::from).toList() : List.of();
    return new Situation(day, wish, from, taken, before);
  }

  private static List<Span> some(SplittableRandom random, int most) {
    List<Span> some = new ArrayList<>();
    for (int i = random.nextInt(most + 1); i > 0; i--) {
      some.add(later(random.nextInt(1200), random.nextInt(1, 180)));
    }
    return some;
  }

  private static Span later(int minute, int minutes) {
    return Span.ofMinutes(at("0:00").plusSeconds(60L * minute), minutes);
  }

  @Property(tries = 500)
  void breaksAreWhereTheyMayBe(@ForAll long seed) {
    Situation s = any(seed);
    List<Span> breaks = BreakPlan.of(s).breaks();
    assertThat(BreakPlanTest.allowed(s, breaks)).isTrue();
    for (Span b : breaks) {
      assertThat(s.day().hard()).noneMatch(b::overlaps);
      assertThat(s.day().quiet()).noneMatch(b::overlaps);
      assertThat(b.minutes()).isEqualTo(s.wish().length());
    }
    assertThat(breaks).hasSizeLessThanOrEqualTo(s.wish().number());
  }

  @Property(tries = 200)
  void anHourLaterIsTheSameAnHourLater(@ForAll long seed) {
    Situation s = any(seed);
    UnaryOperator<Span> hour =
        x -> new Span(x.from().plusSeconds(3600), x.until().plusSeconds(3600));
    Workday day = s.day();
    Situation later =
        new Situation(
            new Workday(
                DAY,
                day.work().stream().map(hour).toList(),
                day.hard().stream().map(hour).toList(),
                day.soft().stream().map(hour).toList(),
                day.quiet().stream().map(hour).toList()),
            s.wish(),
            s.from().equals(Instant.MIN) ? s.from() : s.from().plusSeconds(3600),
            s.taken().stream().map(hour).toList(),
            s.before().stream().map(t -> t.plus(Duration.ofHours(1))).toList());
    assertThat(BreakPlan.of(later).breaks())
        .isEqualTo(BreakPlan.of(s).breaks().stream().map(hour).toList());
  }

  /** One break more never makes the longest sitting longer. */
  @Property(tries = 100)
  void moreBreaksAreNoWorse(@ForAll long seed) {
    Situation s = any(seed);
    BreakWish w = s.wish();
    if (w.number() == BreakWish.MOST_BREAKS) return;
    BreakWish more = new BreakWish(w.preferred(), w.least(), w.most(), w.number() + 1, w.length());
    Situation with = new Situation(s.day(), more, s.from(), s.taken(), s.before());
    assertThat(
            BreakPlanTest.compare(
                BreakPlanTest.worth(with, BreakPlan.of(with).breaks()).subList(0, 40),
                BreakPlanTest.worth(s, BreakPlan.of(s).breaks()).subList(0, 40)))
        .isLessThanOrEqualTo(0);
  }
}
