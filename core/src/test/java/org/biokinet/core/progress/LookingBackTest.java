package org.biokinet.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.biokinet.core.progress.LookingBack.What;
import org.biokinet.core.session.Morning;
import org.junit.jupiter.api.Test;

/**
 * A change of pain is said from 2.1 of 10 on (Cleland 2008, recalled from memory), and only of
 * means of at least three values (handbook, section 10).
 */
class LookingBackTest {

  private static final LocalDate TODAY = LocalDate.of(2026, 11, 27);

  /** The same pain on so many mornings of a week that ended so many weeks ago. */
  private static List<Morning> mornings(int weeksAgo, int times, int pain) {
    List<Morning> all = new ArrayList<>();
    for (int i = 0; i < times; i++) {
      all.add(
          new Morning(
              TODAY.minusWeeks(weeksAgo).minusDays(i), Optional.of(pain), Optional.empty()));
    }
    return all;
  }

  private static LookingBack of(List<Morning> now, List<Morning> then) {
    List<Morning> all = new ArrayList<>(now);
    all.addAll(then);
    return LookingBack.of(TODAY, 8, List.of(), all);
  }

  @Test
  void onlyWhatIsBeyondErrorIsSaid() {
    LookingBack better = of(mornings(0, 3, 2), mornings(3, 7, 5));
    assertThat(better.said())
        .hasValueSatisfying(
            s -> {
              assertThat(s.what()).isEqualTo(What.MORNINGS);
              assertThat(s.weeksAgo()).isEqualTo(3);
              assertThat(s.change().better()).isTrue();
              assertThat(s.change().by()).isEqualTo(-3);
            });
    assertThat(of(mornings(0, 7, 3), mornings(3, 7, 5)).said()).isEmpty();
    assertThat(of(mornings(0, 7, 6), mornings(3, 7, 3)).said())
        .hasValueSatisfying(s -> assertThat(s.change().better()).isFalse());
  }

  @Test
  void twoValuesAreNoWeek() {
    assertThat(of(mornings(0, 2, 2), mornings(3, 7, 5)).said()).isEmpty();
    assertThat(of(mornings(0, 7, 2), mornings(3, 2, 5)).said()).isEmpty();
  }

  /** Where three weeks ago nothing is known, another week is named. */
  @Test
  void theWeekThatIsKnownIsNamed() {
    assertThat(of(mornings(0, 7, 1), mornings(2, 4, 5)).said())
        .hasValueSatisfying(s -> assertThat(s.weeksAgo()).isEqualTo(2));
  }

  /** What is not told is left out, and no day is in two weeks. */
  @Test
  void everyDayIsInOneWeek() {
    List<Morning> all = new ArrayList<>();
    for (int i = 0; i < 56; i++) {
      all.add(new Morning(TODAY.minusDays(i), Optional.of(i / 7), Optional.empty()));
    }
    all.add(new Morning(TODAY, Optional.empty(), Optional.of(true)));
    LookingBack back = LookingBack.of(TODAY, 8, List.of(), all);
    for (int n = 0; n < 8; n++) {
      assertThat(back.weeks().get(n).morning().orElseThrow()).isEqualTo(n);
      assertThat(back.weeks().get(n).from()).isEqualTo(TODAY.minusDays(7L * n + 6));
    }
  }
}
