package org.biokinet.core.progress;

import java.util.Collection;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.TreeMap;
import java.util.function.BiFunction;
import java.util.function.Function;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Ladder;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.Rhythm;

/**
 * Keeping what was reached: the same doses in half the sessions, on two days a week at least (our
 * choice); and the way back, should pain return.
 */
public final class Maintenance {

  static final int LEAST_DAYS = 2;

  private Maintenance() {}

  /** Days a week on which the program is kept up, half rounded down of the most in this episode. */
  public static int days(Diary diary) {
    return half(diary, v -> OptionalInt.of(Rhythm.of(v.program()).perWeek()));
  }

  /** An item on one side in half the sessions that it has had at most in this episode. */
  static SideDose seldom(Diary diary, Part part, SideDose dose) {
    int days =
        half(
            diary,
            v ->
                part.dose(v.program())
                    .map(Rhythm::daysAWeek)
                    .map(OptionalInt::of)
                    .orElse(OptionalInt.empty()));
    return onAtMost(dose, days);
  }

  private static int half(Diary diary, Function<Diary.Version, OptionalInt> daysAWeek) {
    int most =
        diary.versions().stream()
            .map(daysAWeek)
            .flatMapToInt(OptionalInt::stream)
            .max()
            .orElseThrow();
    return Math.max(LEAST_DAYS, most / 2);
  }

  /**
   * The doses of all items, by place; what is done more seldom already stays so.
   *
   * @param decided what else changes, by place; an empty one is left out
   */
  public static Map<Integer, Optional<Dose>> doses(
      Diary diary, Map<Integer, Optional<Dose>> decided) {
    Program program = diary.version().program();
    int days = days(diary);
    Map<Integer, Optional<Dose>> doses = new TreeMap<>(decided);
    for (int place = 0; place < program.items().size(); place++) {
      Optional<Dose> dose =
          doses.getOrDefault(place, Optional.of(program.items().get(place).dose()));
      doses.put(place, dose.map(d -> each(d, (side, own) -> onAtMost(own, days))));
    }
    return doses;
  }

  private static SideDose onAtMost(SideDose dose, int days) {
    return Rhythm.daysAWeek(dose) <= days ? dose : dose.withPerWeek(OptionalInt.of(days));
  }

  /**
   * The doses of all items, by place, where pain is back: each as often as before it was only kept
   * up, and on each side one rung lower than it is now, or what was decided for it instead.
   *
   * @param full what was in force before; what came since stays as often as it is
   * @param decided what else changes, by place; an empty one is left out
   * @param kept what somebody has decided to keep as it is
   */
  public static Map<Integer, Optional<Dose>> fullAgain(
      Program full, Program program, Map<Integer, Optional<Dose>> decided, Collection<Part> kept) {
    Map<Integer, Optional<Dose>> doses = new TreeMap<>();
    for (int place = 0; place < program.items().size(); place++) {
      Item item = program.items().get(place);
      Part all = Part.of(program, place, Optional.empty());
      Optional<Item> before = all.place(full).map(full.items()::get);
      Optional<Dose> then = decided.getOrDefault(place, Optional.of(item.dose()));
      doses.put(
          place,
          then.map(
              dose ->
                  each(
                      dose,
                      (side, d) -> {
                        Part own = new Part(all.exercise(), all.nth(), Optional.of(side));
                        boolean stays = kept.contains(own) || kept.contains(all);
                        SideDose lower = stays ? d : lower(item, side, d);
                        return before
                            .flatMap(b -> b.dose().on(side))
                            .map(b -> lower.withPerWeek(b.perWeek()))
                            .orElse(lower);
                      })));
    }
    return doses;
  }

  /** One rung lower; what was decided for this side is no other. */
  private static SideDose lower(Item item, Side side, SideDose decided) {
    Exercise exercise = item.exercise();
    return item.dose().on(side).filter(decided::equals).isPresent()
        ? exercise
            .start()
            .on(side)
            .map(start -> Ladder.down(decided, start, exercise.doseContext(), 1))
            .orElse(decided)
        : decided;
  }

  private static Dose each(Dose dose, BiFunction<Side, SideDose, SideDose> change) {
    if (dose instanceof Dose.OneSide one) {
      return new Dose.OneSide(one.side(), change.apply(one.side(), one.dose()));
    }
    return Dose.of(
        change.apply(Side.LEFT, dose.on(Side.LEFT).orElseThrow()),
        change.apply(Side.RIGHT, dose.on(Side.RIGHT).orElseThrow()));
  }
}
