package org.biokinet.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.progress.DiaryBuilder.Answers;
import org.junit.jupiter.api.Test;

/**
 * Six weeks of a client, decided by hand beforehand. Every review makes the next version; in the
 * third week pain rises by 3 on the left, twice, and settles by the next morning. The rise that is
 * red is our choice, after the pain-monitoring model of Thomeé (1997) and Silbernagel (2007),
 * values from memory.
 */
class SixWeeksTest {

  private static final String STRETCH = "upper-trap-stretch";
  private static final String TUCK = "chin-tuck";
  private static final Answers RED = Answers.of(2, 5, 3).provoked("0L");

  private final Map<String, String> doses =
      new TreeMap<>(Map.of(STRETCH + " L", "2x15s @3", STRETCH + " R", "2x15s @3", TUCK, "3x5s"));
  private final DiaryBuilder diary = new DiaryBuilder(program());

  private String[] program() {
    String stretch = "L %s R %s".formatted(doses.get(STRETCH + " L"), doses.get(STRETCH + " R"));
    return new String[] {
      STRETCH, stretch, "3x30s @3", TUCK, String.valueOf(doses.get(TUCK)), "3x10s"
    };
  }

  /** Reviews at noon of a day, shares on its evening, and says what was decided. */
  private String review(int day) {
    Review review = Review.of(diary.on(day));
    for (Decision d : review.decisions()) {
      diary.decided(day, d.part().text(), d.outcome(), d.atTarget());
      d.next().ifPresent(n -> doses.put(d.part().text(), text(n)));
    }
    diary.share(day + 1, program());
    return review.decisions().stream()
        .map(d -> "%s %s %s".formatted(d.part().text(), d.line(), doses.get(d.part().text())))
        .map(line -> line.replace(STRETCH, "trap").replace(TUCK, "tuck"))
        .collect(Collectors.joining("; "));
  }

  private static String text(SideDose dose) {
    return DoseNotation.format(new Dose.Alike(dose));
  }

  @Test
  void aFlareUpOnTheLeftHoldsBackTheLeft() {
    diary.good(0, 6);
    assertThat(review(7))
        .isEqualTo("trap L GO_ON 2x20s @3; trap R GO_ON 2x20s @3; tuck GO_ON 3x7s");
    diary.good(8, 14);
    assertThat(review(15))
        .isEqualTo("trap L GO_ON 2x30s @3; trap R GO_ON 2x30s @3; tuck GO_ON 3x10s");
    diary.good(16, 19).day(20, RED, 2).good(21, 21).day(22, RED, 2);
    // The tuck is at its target, and nothing of the region goes on beside what is eased.
    assertThat(review(23))
        .isEqualTo("trap L EASE 2x20s @3; trap R GO_ON 3x30s @3; tuck STAY 3x10s");
    diary.good(24, 30);
    assertThat(review(31))
        .isEqualTo("trap L GO_ON 2x30s @3; trap R HOLD 3x30s @3; tuck HOLD 3x10s");
    diary.good(32, 38);
    assertThat(review(39))
        .isEqualTo("trap L GO_ON 3x30s @3; trap R HOLD 3x30s @3; tuck MAINTAIN 3x10s 3/w");
    diary.good(40, 46);
    assertThat(review(47))
        .isEqualTo("trap L HOLD 3x30s @3; trap R MAINTAIN 3x30s @3; tuck MAINTAIN 3x10s 3/w");
  }

  /** A red day that was told without a place eases both sides. */
  @Test
  void whatIsNotNamedIsBothSides() {
    Answers unnamed = Answers.of(2, 5, 3);
    diary.good(0, 3).day(4, unnamed, 2).good(5, 5).day(6, unnamed, 2);
    assertThat(review(7)).isEqualTo("trap L EASE 2x15s @3; trap R EASE 2x15s @3; tuck EASE 3x5s");
  }
}
