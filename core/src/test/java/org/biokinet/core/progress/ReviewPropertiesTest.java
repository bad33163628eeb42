package org.biokinet.core.progress;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.ledger.Ledger;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Ladder;
import org.biokinet.core.program.Program;
import org.biokinet.core.progress.DiaryBuilder.Answers;
import org.biokinet.core.screening.Irritability.Settles;
import org.biokinet.core.screening.Policy;
import org.biokinet.core.session.ItemSide;
import org.biokinet.core.timeline.Timeline;

/** What holds for every diary; handbook, section 10. */
class ReviewPropertiesTest {

  private static final String[] ITEMS = {
    "upper-trap-stretch", "2x20s @3", "3x30s @3",
    "chin-tuck", "3x5s", "3x10s",
    "levator-stretch", "2x15s @3", "2x30s @3",
    "scalene-stretch-arm-behind", "2x15s @3", "2x30s @3",
    "neck-rotation", "3", "8",
  };

  /** What somebody tells of one day; any of it can be left out. */
  private record Entry(Optional<Answers> session, Optional<Integer> morning, boolean woken) {}

  private static final class Life {
    private final Random random;
    private final int items;
    private final List<Entry> entries = new ArrayList<>();
    private final Settles settles;
    private final Pace pace;
    private final Policy policy;
    private final int decidedAt;

    Life(long seed, int items) {
      this.random = new Random(seed);
      this.items = items;
      this.settles = one(List.of(Settles.values()));
      this.pace = one(List.of(Pace.values()));
      this.policy = one(List.of(Policy.values()));
      int days = 6 + random.nextInt(30);
      this.decidedAt = random.nextInt(days);
      double faithful = 0.4 + 0.6 * random.nextDouble();
      int sore = random.nextInt(4);
      for (int day = 0; day < days; day++) {
        Optional<Answers> told =
            random.nextDouble() < faithful ? Optional.of(answers(sore)) : Optional.empty();
        Optional<Integer> morning =
            random.nextInt(5) > 0 ? Optional.of(sore + random.nextInt(2)) : Optional.empty();
        entries.add(new Entry(told, morning, random.nextInt(25) == 0));
      }
    }

    private <T> T one(List<T> of) {
      return of.get(random.nextInt(of.size()));
    }

    private Answers answers(int sore) {
      int rise = random.nextInt(6) == 0 ? 1 + random.nextInt(4) : random.nextInt(2);
      int felt = random.nextInt(8) == 0 ? 5 : 1 + random.nextInt(3);
      Answers told = Answers.of(sore, sore + rise, felt);
      if (random.nextInt(3) == 0) told = told.provoked("0L");
      if (random.nextInt(8) == 0) told = told.settled(Optional.empty());
      return random.nextInt(10) == 0 ? Answers.NONE : told;
    }

    DiaryBuilder diary() {
      String[] program = Arrays.copyOf(ITEMS, 3 * items);
      DiaryBuilder diary = new DiaryBuilder(program).irritable(settles).pace(pace).policy(policy);
      for (int day = 0; day < entries.size(); day++) {
        Entry e = entries.get(day);
        int today = day;
        e.session().ifPresent(told -> diary.session(today, told));
        diary.morning(day + 1, e.morning(), Optional.of(e.woken()));
      }
      return diary.decided(decidedAt, "upper-trap-stretch L", Outcome.STAY, false);
    }

    Diary now() {
      return diary().on(entries.size());
    }

    /** One answer is worse than it was; false where nothing can be. */
    boolean worsen(boolean onlyTheLeft) {
      int day = random.nextInt(entries.size());
      Entry e = entries.get(day);
      int what = random.nextInt(onlyTheLeft ? 2 : 5);
      if (what == 4 && e.morning().filter(m -> m < 10).isPresent()) {
        entries.set(day, new Entry(e.session(), Optional.of(more(e.morning().get())), e.woken()));
        return true;
      }
      if (what == 3 && !e.woken()) {
        entries.set(day, new Entry(e.session(), e.morning(), true));
        return true;
      }
      if (e.session().isEmpty() || e.session().get().highest().isEmpty()) return false;
      Answers a = e.session().get();
      Set<ItemSide> left = ItemSide.all(List.of("0L"));
      if (onlyTheLeft && !a.provoked().equals(left)) return false;
      // What was over every ceiling is no longer the other side's once it is named.
      if (onlyTheLeft && what == 1 && a.felt().filter(f -> f > 3).isPresent()) return false;
      Answers worse =
          switch (what) {
            case 0 -> with(a, a.highest().map(this::more), a.felt(), a.tooStrong(), a.settled());
            case 1 ->
                onlyTheLeft
                    ? with(a, a.highest(), a.felt(), left, a.settled())
                    : with(a, a.highest(), a.felt().map(this::more), a.tooStrong(), a.settled());
            default -> with(a, a.highest(), a.felt(), a.tooStrong(), Optional.of(false));
          };
      entries.set(day, new Entry(Optional.of(worse), e.morning(), e.woken()));
      return true;
    }

    private static Answers with(
        Answers a,
        Optional<Integer> highest,
        Optional<Integer> felt,
        Set<ItemSide> tooStrong,
        Optional<Boolean> settled) {
      return new Answers(a.before(), highest, felt, a.provoked(), tooStrong, settled);
    }

    private int more(int n) {
      return Math.min(10, n + 1 + random.nextInt(3));
    }
  }

  /**
   * Highest pain, stretch felt, settled, woken, the morning; of one item, so that none makes room.
   */
  @Property
  void aWorseAnswerNeverGivesAStrongerOutcome(@ForAll long seed) {
    Life life = new Life(seed, 1);
    Review before = Review.of(life.now());
    for (int n = 0; n < 4; n++) {
      if (!life.worsen(false)) continue;
      Review after = Review.of(life.now());
      for (Decision d : before.decisions()) {
        assertThat(after.of(d.part()).outcome().strength())
            .as("%s: %s, then %s", d.part().text(), d, after.of(d.part()))
            .isLessThanOrEqualTo(d.outcome().strength());
      }
      before = after;
    }
  }

  /** What is told of the left side alone is nothing to the right, but for a flare of the neck. */
  @Property
  void whatIsToldOfOneSideIsNothingToTheOther(@ForAll long seed) {
    Life life = new Life(seed, 1);
    Part right = Part.of("upper-trap-stretch R");
    Decision before = Review.of(life.now()).of(right);
    if (!life.worsen(true)) return;
    Decision after = Review.of(life.now()).of(right);
    if (after.line() != Line.FLARE) assertThat(after).isEqualTo(before);
  }

  @Property
  void orderAndRepetitionChangeNothing(@ForAll long seed) {
    Life life = new Life(seed, 4);
    Review review = Review.of(life.now());
    Diary shuffled = life.diary().shuffled(new Random(seed)).on(life.entries.size());
    assertThat(Review.of(shuffled)).isEqualTo(review);
  }

  /** All steps of a review together: nothing that is locked, no ceiling, no rise of a week. */
  @Property
  void noDecisionBreaksALimit(@ForAll long seed) {
    Diary diary = new Life(seed, 5).now();
    Program now = diary.version().program();
    List<Item> then = new ArrayList<>(now.items());
    int steps = 0;
    for (Decision d : Review.of(diary).decisions()) {
      assertThat(d.evidence()).isNotEmpty();
      assertThat(d.takes()).isNotEmpty();
      if (d.line() == Line.STAY || d.line() == Line.NOT_KNOWN) assertThat(d.barred()).isNotEmpty();
      if (d.line() != Line.GO_ON) continue;
      steps++;
      int place = d.part().place(now).orElseThrow();
      Side side = d.part().side().orElse(Side.LEFT);
      Item item = then.get(place);
      then.set(place, item.dosed(Steps.with(item, side, d.next().orElseThrow())));
    }
    if (steps == 0) return;
    Program next = now.of(then);
    assertThat(ledger(next).risesFrom(ledger(now))).isEmpty();
    for (Item item : then) {
      if (now.items().contains(item)) continue;
      List<Item> others = new ArrayList<>(then);
      others.remove(item);
      assertThat(
              diary
                  .allowed()
                  .orElseThrow()
                  .beside(others)
                  .objections(item.exercise(), item.position(), item.dose()))
          .isEmpty();
    }
  }

  /**
   * Whatever was told: by itself no dose is more than it was, and no outcome stronger than stay.
   */
  @Property
  void nothingBecomesMoreByItself(@ForAll long seed, @ForAll boolean due) {
    Diary diary = new Life(seed, 5).now();
    Program program = diary.version().program();
    for (Agreed a : Automatic.of(Review.of(diary), due).orElse(List.of())) {
      Decision d = a.suggested();
      Item item = program.items().get(d.part().place(program).orElseThrow());
      assertThat(Ladder.reached(d.now(), a.dose().orElseThrow(), item.exercise().doseContext()))
          .as("%s: %s", d.part().text(), a)
          .isTrue();
      assertThat(a.outcome(program).strength()).isLessThanOrEqualTo(Outcome.STAY.strength());
    }
  }

  @Property
  void writtenAndReadAgainItIsDecidedAlike(@ForAll long seed) {
    Diary diary = new Life(seed, 5).now();
    DiaryDocument.Reading read =
        DiaryDocument.read(DiaryWriter.write(diary), DiaryBuilder.CATALOGUE);
    assertThat(read).isInstanceOf(DiaryDocument.Reading.Ok.class);
    Diary again = ((DiaryDocument.Reading.Ok) read).diary();
    assertThat(Review.of(again)).isEqualTo(Review.of(diary));
    assertThat(Overview.of(again, 28)).isEqualTo(Overview.of(diary, 28));
  }

  private static Ledger ledger(Program program) {
    return Ledger.of(Timeline.compile(program));
  }
}
