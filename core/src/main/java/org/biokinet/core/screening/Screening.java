package org.biokinet.core.screening;

import java.time.LocalDate;
import java.time.Period;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.TenPoint;

/**
 * What a client, or a practitioner for one, has answered.
 *
 * @param worstPain of the last 24 hours, NPRS 0–10
 * @param armSymptoms arm pain with numbness or weakness
 * @param settles how soon what was stirred up settles
 * @param easilyProvoked whether a small thing stirs it up
 * @param provokedPain what it reaches when it is stirred up, NPRS 0–10; empty where nobody has
 *     asked, and then it counts as too much
 * @param conditions with the side where they have one; empty side: both, or not said
 * @param baseline numbness or tingling that is known and stable, in words; empty for none
 * @param minor under 18
 * @param consent a guardian's consent is on record
 */
public record Screening(
    Set<EmergencySign> emergencies,
    Set<RedFlag> redFlags,
    int worstPain,
    boolean armSymptoms,
    Irritability.Settles settles,
    boolean easilyProvoked,
    OptionalInt provokedPain,
    Map<Condition, Optional<Side>> conditions,
    String baseline,
    String medicines,
    String surgery,
    boolean minor,
    boolean consent) {

  /** Below this age a guardian consents (common practice; local law may ask for more). */
  private static final int ADULT = 18;

  /** A neck that was just hurt asks for the C-Spine Rule, or for a physician. */
  public boolean neckJustHurt() {
    return redFlags.contains(RedFlag.TRAUMA_NEW);
  }

  /** Somebody whose birth date is not known counts as grown up; the form says so. */
  public static boolean minor(Optional<LocalDate> birthDate, LocalDate day) {
    return birthDate.filter(born -> Period.between(born, day).getYears() < ADULT).isPresent();
  }

  public Screening {
    emergencies = Set.copyOf(emergencies);
    redFlags = Set.copyOf(redFlags);
    if (!TenPoint.valid(worstPain) || !TenPoint.valid(provokedPain.orElse(0)))
      throw new IllegalArgumentException("pain is 0 to 10");
    conditions.forEach(
        (condition, side) -> {
          if (side.isPresent() && !condition.sided()) {
            throw new IllegalArgumentException(condition.code() + " has no side");
          }
        });
    conditions = Map.copyOf(conditions);
  }

  /**
   * What a client answers when asked again whether anything is new.
   *
   * @param worstPain as in a screening, like the rest
   * @param news whether anything else is new
   */
  public record Renewal(
      Set<EmergencySign> emergencies,
      Set<RedFlag> redFlags,
      int worstPain,
      boolean armSymptoms,
      boolean easilyProvoked,
      OptionalInt provokedPain,
      boolean news) {}

  /**
   * These answers in place of the earlier ones; what is not asked again stays.
   *
   * @param inForce what locks and limits now, with what an examined red flag, sign or arm symptom
   *     has left on: it becomes a condition, so that renewing unlocks nothing
   */
  public Screening renewed(Renewal again, Map<Condition, Optional<Side>> inForce) {
    Set<RedFlag> raised = EnumSet.noneOf(RedFlag.class);
    raised.addAll(again.redFlags());
    if (again.news()) raised.add(RedFlag.NEWS);
    return new Screening(
        again.emergencies(),
        raised,
        again.worstPain(),
        again.armSymptoms(),
        settles,
        again.easilyProvoked(),
        again.provokedPain(),
        inForce,
        baseline,
        medicines,
        surgery,
        minor,
        consent);
  }

  /** The same answers with these signs, flags and arm symptoms. */
  Screening with(Set<EmergencySign> signs, Set<RedFlag> flags, boolean arm) {
    return new Screening(
        signs,
        flags,
        worstPain,
        arm,
        settles,
        easilyProvoked,
        provokedPain,
        conditions,
        baseline,
        medicines,
        surgery,
        minor,
        consent);
  }

  public Irritability irritability() {
    return Irritability.of(settles, easilyProvoked, provokedPain);
  }

  /**
   * The conditions, with those that red flags, signs and arm symptoms bring along, whatever was
   * recorded about them: a clearance opens the gate, not the neck.
   */
  public Map<Condition, Optional<Side>> inForce() {
    return adding(brought()).conditions;
  }

  /** The conditions that red flags, signs and arm symptoms bring along. */
  Set<Condition> brought() {
    Set<Condition> brought = EnumSet.noneOf(Condition.class);
    redFlags.forEach(flag -> flag.leaves().ifPresent(brought::add));
    emergencies.forEach(sign -> brought.addAll(sign.leaves()));
    if (armSymptoms) brought.add(Condition.NERVE_ROOT);
    return brought;
  }

  /** The same with these conditions too; one that is there keeps its side. */
  Screening adding(Set<Condition> more) {
    Map<Condition, Optional<Side>> all = new EnumMap<>(Condition.class);
    all.putAll(conditions);
    more.forEach(c -> all.putIfAbsent(c, Optional.empty()));
    return new Screening(
        emergencies,
        redFlags,
        worstPain,
        armSymptoms,
        settles,
        easilyProvoked,
        provokedPain,
        all,
        baseline,
        medicines,
        surgery,
        minor,
        consent);
  }
}
