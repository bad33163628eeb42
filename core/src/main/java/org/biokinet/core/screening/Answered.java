package org.biokinet.core.screening;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * A screening as it came in.
 *
 * @param day in the client's zone
 * @param who has answered, as an id; only compared
 * @param clearance what a practitioner has recorded about it
 * @param ended what earlier signs and flags have left on and this practitioner says no longer holds
 */
public record Answered(
    Screening screening,
    Instant at,
    LocalDate day,
    Source source,
    String who,
    Optional<Clearance> clearance,
    Set<Condition> ended) {

  public Answered {
    ended = Set.copyOf(ended);
  }

  /** Where answers come from. */
  public enum Source {
    /** A practitioner has asked. */
    PRACTITIONER,
    /** The client, asked again through the link whether anything is new. */
    RENEWAL,
    /** The same after a pause: full doses wait until a practitioner has looked. */
    AFTER_PAUSE,
    /** The client, before the first visit; a practitioner confirms it. */
    BEFORE_VISIT
  }

  /** For so long a practitioner may put right what they ticked themselves (our choice). */
  public static final Duration CORRECTABLE = Duration.ofMinutes(10);

  /**
   * What earlier signs, flags and arm symptoms have left on, whoever has answered since: a
   * clearance opens the gate, and only a practitioner's word ends the row. A slip that was put
   * right has left nothing.
   */
  public static Set<Condition> leftOn(List<Answered> newestFirst) {
    Set<Condition> left = EnumSet.noneOf(Condition.class);
    for (int i = newestFirst.size() - 1; i >= 0; i--) {
      Answered a = newestFirst.get(i);
      boolean slip = i > 0 && newestFirst.get(i - 1).corrects(a);
      if (slip) continue;
      if (a.source == Source.PRACTITIONER) left.removeAll(a.ended);
      left.addAll(a.screening.brought());
    }
    return left;
  }

  /** The answers that count, with all that earlier ones have left open or left on. */
  static Screening inForce(List<Answered> newestFirst) {
    return open(newestFirst).adding(leftOn(newestFirst));
  }

  /**
   * The newest answers, with every sign and flag of earlier ones that nobody has settled: answering
   * again is not a way round a record. A worst pain of the day is no such thing, since it passes;
   * "something is new" is settled by a practitioner who asks everything.
   *
   * @param newestFirst not empty
   */
  private static Screening open(List<Answered> newestFirst) {
    Answered newest = newestFirst.get(0);
    if (newestFirst.size() == 1) return newest.screening;
    Answered before = newestFirst.get(1);
    List<Answered> rest = newestFirst.subList(1, newestFirst.size());
    if (newest.corrects(before)) return skipping(newest, rest);
    Screening earlier = open(rest);
    if (before.clearance.filter(c -> c.settles(earlier)).isPresent()) return newest.screening;
    return newest.carrying(earlier);
  }

  /** Without the slip that was put right, but with what came before it. */
  private static Screening skipping(Answered newest, List<Answered> slipAndBefore) {
    if (slipAndBefore.size() == 1) return newest.screening;
    List<Answered> chain = new ArrayList<>(slipAndBefore);
    chain.set(0, newest);
    return open(chain);
  }

  private boolean corrects(Answered slip) {
    return source == Source.PRACTITIONER
        && slip.source == Source.PRACTITIONER
        && slip.who.equals(who)
        && slip.clearance.isEmpty()
        && !slip.at.plus(CORRECTABLE).isBefore(at);
  }

  private Screening carrying(Screening earlier) {
    Set<RedFlag> flags = EnumSet.noneOf(RedFlag.class);
    flags.addAll(earlier.redFlags());
    if (source == Source.PRACTITIONER) flags.remove(RedFlag.NEWS);
    flags.addAll(screening.redFlags());
    Set<EmergencySign> signs = EnumSet.noneOf(EmergencySign.class);
    signs.addAll(earlier.emergencies());
    signs.addAll(screening.emergencies());
    return screening.with(signs, flags, screening.armSymptoms() || earlier.armSymptoms());
  }
}
