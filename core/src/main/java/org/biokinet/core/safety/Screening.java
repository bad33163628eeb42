package org.biokinet.core.safety;

import java.util.EnumMap;
import java.util.EnumSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.anatomy.Side;

/**
 * What a client, or a practitioner for one, has answered.
 *
 * @param worstPain of the last 24 hours, NPRS 0–10
 * @param armSymptoms arm pain with numbness or weakness
 * @param settles how soon what was stirred up settles
 * @param easilyProvoked whether a small thing stirs it up
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
    Map<Condition, Optional<Side>> conditions,
    String baseline,
    String medicines,
    String surgery,
    boolean minor,
    boolean consent) {

  public Screening {
    emergencies = Set.copyOf(emergencies);
    redFlags = Set.copyOf(redFlags);
    if (!PainBefore.valid(worstPain)) throw new IllegalArgumentException("pain is 0 to 10");
    conditions.forEach(
        (condition, side) -> {
          if (side.isPresent() && !condition.sided()) {
            throw new IllegalArgumentException(condition.code() + " has no side");
          }
        });
    conditions = Map.copyOf(conditions);
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
        conditions,
        baseline,
        medicines,
        surgery,
        minor,
        consent);
  }

  public Irritability irritability() {
    return Irritability.of(settles, easilyProvoked, worstPain);
  }

  /**
   * The conditions, with those that examined red flags and signs leave on.
   *
   * @param cleared whether what was found has been examined
   */
  public Map<Condition, Optional<Side>> inForce(boolean cleared) {
    Map<Condition, Optional<Side>> all = new EnumMap<>(Condition.class);
    all.putAll(conditions);
    if (!cleared) return all;
    for (RedFlag flag : redFlags) {
      flag.leaves().ifPresent(c -> all.putIfAbsent(c, Optional.empty()));
    }
    if (armSymptoms) all.putIfAbsent(Condition.NERVE_ROOT, Optional.empty());
    Set<EmergencySign> dizzy = EnumSet.of(EmergencySign.DIZZINESS, EmergencySign.NYSTAGMUS);
    if (emergencies.stream().anyMatch(dizzy::contains)) {
      all.putIfAbsent(Condition.DIZZINESS, Optional.empty());
    }
    return all;
  }
}
