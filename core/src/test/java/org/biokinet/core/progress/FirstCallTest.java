package org.biokinet.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.screening.Gate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Mornings on which somebody has ten minutes, and whom one would call first: written by hand before
 * they were tried; common practice, no source. All of it invented.
 */
class FirstCallTest {

  /**
   * @param clients the one to be called stands first
   */
  private record Morning(List<Situation> clients, String who) {
    @Override
    public String toString() {
      return who;
    }
  }

  private static Situation well() {
    return new Situation();
  }

  private static Morning morning(String who, Situation... clients) {
    return new Morning(List.of(clients), who);
  }

  static Stream<Morning> mornings() {
    return Stream.of(
        morning(
            "stopped in the night; a flare since yesterday; wrote",
            well().stopped(7),
            well().flare(20),
            well().wrote(30)),
        morning(
            "answered an emergency sign; too sore; review due",
            well().closed(Gate.Why.EMERGENCY),
            well().tooSore(1),
            well().reviewDue()),
        morning(
            "a session past a closed gate; pain rose by 4; eased by itself",
            well().closed(Gate.Why.LAPSED).doneWhileClosed(12),
            well().rose(4),
            well().byItself(3)),
        morning(
            "a red flag; a flare of the fourth day; a new mark",
            well().closed(Gate.Why.EXAMINE),
            well().flare(80),
            well().newOnTheMap(2)),
        morning(
            "a mark that may be an emergency; a flare of the fourth day; eased twice",
            well().mapAsks(1),
            well().flare(80),
            well().easedTwice()),
        morning(
            "a flare of the fourth day; too sore; a flare of the first day",
            well().flare(80),
            well().tooSore(1),
            well().flare(20)),
        morning(
            "too sore this morning; follows the flare plan; wants easing",
            well().tooSore(1),
            well().flare(20),
            well().worse()),
        morning(
            "follows the flare plan; pain rose by 3; gone for nine days",
            well().flare(20),
            well().rose(3),
            well().lastSession(9 * 24)),
        morning(
            "pain rose by 3; pain rose by 2; a new mark",
            well().rose(3),
            well().rose(2),
            well().newOnTheMap(10)),
        morning(
            "a new mark; eased twice; back from a holiday",
            well().newOnTheMap(10),
            well().easedTwice(),
            well().back()),
        morning(
            "eased twice in a month; once; screening lapsed",
            well().easedTwice(),
            well().worse(),
            well().closed(Gate.Why.LAPSED)),
        morning(
            "two red days; eased by itself; asks something",
            well().worse(),
            well().byItself(2),
            well().wrote(40)),
        morning(
            "cannot start; back from a holiday; ready",
            well().closed(Gate.Why.LAPSED),
            well().back(),
            well().ready()),
        morning(
            "back from a holiday; quiet for six days; leaves out the left",
            well().back(),
            well().lastSession(6 * 24),
            well().behind(Side.LEFT)),
        morning(
            "quiet for six days; away for as long, as told; asks something",
            well().lastSession(6 * 24),
            well().lastSession(6 * 24).away(6 * 24),
            well().wrote(2)),
        morning(
            "leaves out the left; asks something; forgot the PIN",
            well().behind(Side.LEFT),
            well().wrote(2),
            well().forgotPin()),
        morning(
            "asks something; ready; review due",
            well().wrote(2),
            well().ready(),
            well().reviewDue()),
        morning(
            "ready for the next step; review due; screening ends",
            well().ready(),
            well().reviewDue(),
            well().renewable()),
        morning(
            "review due; desk silent; link not opened",
            well().reviewDue(),
            well().deskSilent(7 * 24),
            well().notOpened()),
        morning(
            "desk silent; never started; a draft; all is well",
            well().deskSilent(7 * 24),
            well().neverStarted(),
            well().draft(),
            well()),
        morning(
            "opened, never started; not opened; a draft; away",
            well().neverStarted(),
            well().notOpened(),
            well().draft(),
            well().away(30)));
  }

  @ParameterizedTest
  @MethodSource("mornings")
  void theOneWhomOneWouldCall(Morning morning) {
    List<Situation> order =
        morning.clients().stream()
            .sorted(Comparator.comparing(s -> s.attention().place()))
            .toList();
    assertThat(order.get(0)).isSameAs(morning.clients().get(0));
    assertThat(morning.clients().stream().map(Situation::attention).distinct())
        .as("each for another reason")
        .hasSize(morning.clients().size());
  }

  /** Time alone makes a desk silent, five whole days after the last break. */
  @Test
  void aDeskFallsSilent() {
    Situation five = well().deskSilent(5 * 24);
    assertThat(five.attention()).isEqualTo(Attention.STEADY);
    assertThat(Attention.changes(five.facts(), Situation.NOW))
        .contains(Situation.NOW.plus(Duration.ofMillis(1)));
    assertThat(well().deskSilent(5 * 24 + 1).attention()).isEqualTo(Attention.DESK_SILENT);
    assertThat(well().deskSilent(5 * 24 + 1).away(1).attention()).isEqualTo(Attention.AWAY);
  }

  private static Attention.Progress read(DiaryBuilder diary, int day, Optional<Instant> decided) {
    Diary d = diary.on(day);
    return Attention.Progress.of(
        Optional.of(Review.of(d)), decided, d.now(), false, d.sessions(), Optional.empty());
  }

  /** What somebody has decided on is not asked again before something new is done. */
  @Test
  void whatWasDecidedIsNotAskedAgain() {
    DiaryBuilder good = new DiaryBuilder("chin-tuck", "3x5s", "3x10s").good(0, 8);
    assertThat(read(good, 9, Optional.empty()).ready()).isTrue();
    Optional<Instant> last = Optional.of(good.on(9).now());
    assertThat(read(good, 9, last).ready()).isFalse();
    Instant week = good.on(9).now().minus(Duration.ofDays(7));
    assertThat(read(good, 9, Optional.of(week)).ready()).as("a week on").isTrue();
    assertThat(read(good, 9, Optional.of(week.plusMillis(1))).ready()).isFalse();
    DiaryBuilder.Answers red = DiaryBuilder.Answers.of(2, 5, 3);
    DiaryBuilder sore =
        new DiaryBuilder("chin-tuck", "3x5s", "3x10s")
            .good(0, 4)
            .day(5, red, 2)
            .good(6, 6)
            .day(7, red, 2);
    assertThat(read(sore, 9, Optional.empty()).worse()).isTrue();
    assertThat(read(sore, 9, Optional.of(sore.on(9).now())).worse()).isFalse();
    Optional<Instant> before = Optional.of(DiaryBuilder.at(7, LocalTime.of(7, 0)));
    assertThat(read(sore, 9, before).worse()).as("a red day since").isTrue();
  }
}
