package org.biokinet.core.dose;

import java.util.List;
import java.util.Optional;

/**
 * What a dose asks of one side: how much at once, and how often on a day. Forms that are counted
 * differently (seconds, breaths, repetitions, contract–relax) become comparable by it; what one
 * form has and the other has not counts as more, so that nothing slips past for want of a common
 * measure.
 *
 * @param longest seconds of the longest stay without coming out; all cycles of contract–relax are
 *     one stay
 * @param seconds seconds under way at once, all holds of all sets together
 * @param repetitions at once, of all sets and directions together
 * @param effort percent of an isometric or tensed movement; 0 where the dose has none. The effort
 *     of contract–relax is no more of the same and has a bound of its own, see {@link
 *     #effort(SideDose, DoseContext)}
 * @param resistance in its own unit; 0 for none
 * @param times a day
 */
public record Volume(
    double longest,
    double seconds,
    double repetitions,
    int effort,
    Optional<Resistance> resistance,
    int times) {

  /** Of a side on which nothing is done. */
  public static final Volume NONE = new Volume(0, 0, 0, 0, Optional.empty(), 0);

  /** Percent of an isometric hold that says nothing about it (our choice). */
  public static final int USUAL_ISOMETRIC_EFFORT = 30;

  /** Percent of a contraction that says nothing about it: Garber 2011, recalled from memory. */
  public static final int USUAL_CONTRACT_EFFORT = 20;

  /** A day at the desk, for doses "every n minutes": eight hours (our choice). */
  public static final int DESK_MINUTES = 480;

  /**
   * @param breathSeconds one breath of this client
   */
  public static Volume of(SideDose dose, DoseContext context, double breathSeconds) {
    int ways = context.directions().size() == 2 && dose.only().isEmpty() ? 2 : 1;
    Work work = dose.work();
    double longest = 0;
    double seconds = 0;
    double repetitions = 0;
    if (work instanceof Work.Repetitions r) {
      repetitions = (double) ways * r.sets() * r.reps();
    } else if (work instanceof Work.Holds h) {
      longest = h.hold().toSeconds(breathSeconds);
      seconds = longest * ways * h.sets() * h.reps();
      if (context.mode() == Mode.MOVE) repetitions = (double) ways * h.sets() * h.reps();
    } else if (work instanceof Work.ContractRelax cr) {
      longest =
          cr.cycles() * (double) (cr.contractSeconds() + cr.deeper().toSeconds(breathSeconds));
      seconds = longest * cr.sets();
    }
    int effort = work instanceof Work.ContractRelax ? 0 : effort(dose, context);
    return new Volume(longest, seconds, repetitions, effort, dose.resistance(), times(dose));
  }

  /** Times on a day on which it is done: once unless said otherwise. */
  public static int times(SideDose dose) {
    if (dose.everyMinutes().isPresent()) return DESK_MINUTES / dose.everyMinutes().getAsInt();
    return dose.perDay().orElse(1);
  }

  /** Percent, as said or as usual for its form; 0 for a form without effort. */
  public static int effort(SideDose dose, DoseContext context) {
    if (dose.effort().isPresent()) return dose.effort().getAsInt();
    if (dose.work() instanceof Work.ContractRelax) return USUAL_CONTRACT_EFFORT;
    return context.mode() == Mode.ISO ? USUAL_ISOMETRIC_EFFORT : 0;
  }

  public double secondsADay() {
    return seconds * times;
  }

  public double repetitionsADay() {
    return repetitions * times;
  }

  /** Whether it asks more than another in anything at all. */
  public boolean exceeds(Volume limit) {
    return longest > limit.longest
        || seconds > limit.seconds
        || repetitions > limit.repetitions
        || secondsADay() > limit.secondsADay()
        || repetitionsADay() > limit.repetitionsADay()
        || effort > limit.effort
        || resistance
            .filter(r -> limit.resistance.isEmpty() || r.moreThan(limit.resistance.get()))
            .isPresent();
  }

  /** Whether with others of the same it comes to more on a day. */
  public boolean exceedsDaily(Volume limit, List<Volume> others) {
    double seconds = others.stream().mapToDouble(Volume::secondsADay).sum();
    double repetitions = others.stream().mapToDouble(Volume::repetitionsADay).sum();
    return secondsADay() + seconds > limit.secondsADay()
        || repetitionsADay() + repetitions > limit.repetitionsADay();
  }

  /** The same, so many times a day. */
  public Volume daily(int often) {
    return new Volume(longest, seconds, repetitions, effort, resistance, often);
  }
}
