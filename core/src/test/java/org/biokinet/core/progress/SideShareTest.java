package org.biokinet.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import java.util.Set;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.session.Ended;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** When a side is behind is our choice; the sums were done by hand. */
class SideShareTest {

  @ParameterizedTest
  @CsvSource({
    "79, 99, LEFT",
    "80, 100,",
    "79, 98,",
    "100, 79, RIGHT",
    "100, 80,",
    "0, 100, LEFT",
    "0, 19,",
    "30, 30,",
  })
  void aSideIsBehindWithFarLess(int left, int right, Side behind) {
    assertThat(new SideShare(left, right).behind()).isEqualTo(Optional.ofNullable(behind));
  }

  private static DiaryBuilder stretching() {
    return new DiaryBuilder("upper-trap-stretch", "2x30s @3", "2x30s @3", "chin-tuck", "3x5s", "");
  }

  @Test
  void whatWasLeftOutOnOneSideCountsFromTheThirdSession() {
    DiaryBuilder diary = stretching().good(0, 1).skips(Side.LEFT).good(2, 2);
    Diary three = diary.on(3);
    assertThat(SideShare.of(three.sessions())).contains(new SideShare(66, 100));
    assertThat(SideShare.of(three.sessions().subList(0, 2))).as("two are chance").isEmpty();
    assertThat(SideShare.behind(diary.good(3, 5).on(6).sessions())).contains(Side.LEFT);
  }

  @Test
  void whatHasNoSidesOrIsDoneAtTheDeskIsNothingToIt() {
    DiaryBuilder tuck = new DiaryBuilder("chin-tuck", "3x5s", "").good(0, 5);
    assertThat(SideShare.of(tuck.on(6).sessions())).isEmpty();
    DiaryBuilder desk = stretching();
    for (int day = 0; day < 5; day++) {
      desk.session(day, DiaryBuilder.GOOD, ProgramKind.DESK, Ended.FINISHED, Set.of());
    }
    assertThat(SideShare.of(desk.on(6).sessions())).isEmpty();
    DiaryBuilder left = new DiaryBuilder("upper-trap-stretch", "L 2x30s @3", "").good(0, 5);
    assertThat(SideShare.of(left.on(6).sessions())).as("prescribed for one").isEmpty();
  }
}
