package org.biokinet.core.screening;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Setting;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Pain;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.search.Alternatives;

/**
 * What a screening comes to: the result, what caused it, and what it means for each exercise. It
 * does not diagnose; it blocks by default and a licensed practitioner decides on the record.
 *
 * @param causes the answers that made the result, in words
 * @param policy the one in force, which is comfort first where something speaks against another
 */
public record Assessment(
    Result result,
    List<String> causes,
    Screening screening,
    Map<Condition, Optional<Side>> inForce,
    Policy policy) {

  /** From the least to the most. */
  public enum Result {
    CLEAR("clear"),
    PRECAUTIONS("precautions"),
    CONSENT("a guardian's consent is missing"),
    EXAMINE("examine first"),
    EMERGENCY("emergency");

    private final String label;

    Result(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }

    public boolean open() {
      return this == CLEAR || this == PRECAUTIONS;
    }
  }

  /** Why something is locked or limited. */
  public record Reason(Condition condition, Feature feature, String note) {
    public String words() {
      return condition.label() + ": " + feature.label() + (note.isEmpty() ? "" : ", " + note);
    }
  }

  /**
   * What becomes of an exercise.
   *
   * @param ceiling the highest stretch intensity, of 10
   * @param effort the highest effort, in percent
   * @param startSeconds the longest hold to start with
   */
  public record Verdict(
      List<Reason> locks,
      List<Reason> limits,
      int ceiling,
      OptionalInt effort,
      OptionalInt startSeconds) {

    public boolean locked() {
      return !locks.isEmpty();
    }

    /** Then the start dose holds, no harder rung, and the easier form is offered first. */
    public boolean limited() {
      return !locked() && !limits.isEmpty();
    }
  }

  public Assessment {
    causes = List.copyOf(causes);
    inForce = Map.copyOf(inForce);
  }

  /**
   * @param clearance what was recorded about this very screening
   */
  public static Assessment of(Screening s, Optional<Clearance> clearance) {
    boolean settled = clearance.filter(c -> c.settles(s)).isPresent();
    Map<Condition, Optional<Side>> inForce = s.inForce();
    List<String> causes = new ArrayList<>();
    Result result = inForce.isEmpty() ? Result.CLEAR : Result.PRECAUTIONS;
    if (s.irritability() == Irritability.HIGH) {
      result = Result.PRECAUTIONS;
      causes.add("highly irritable");
    }
    inForce.keySet().stream().sorted().map(Condition::label).forEach(causes::add);
    if (s.minor() && !s.consent()) {
      result = Result.CONSENT;
      causes.add(0, "under 18");
    }
    List<String> examine = toExamine(s);
    if (!examine.isEmpty() && !settled) {
      result = Result.EXAMINE;
      causes = examine;
    }
    if (!s.emergencies().isEmpty() && !settled) {
      result = Result.EMERGENCY;
      causes = s.emergencies().stream().sorted().map(EmergencySign::label).toList();
    }
    return new Assessment(result, causes, s, inForce, Policy.COMFORT_FIRST);
  }

  private static List<String> toExamine(Screening s) {
    List<String> found =
        new ArrayList<>(s.redFlags().stream().sorted().map(RedFlag::label).toList());
    if (s.worstPain() >= Pain.TOO_MUCH) {
      found.add("worst pain %d of 10 in the last 24 hours".formatted(s.worstPain()));
    }
    if (s.armSymptoms()) found.add("arm pain with numbness or weakness");
    return found;
  }

  /** The same under a policy that was chosen, where nothing speaks against it. */
  public Assessment under(Policy chosen) {
    Policy holds = chosen.against(this).isEmpty() ? chosen : Policy.COMFORT_FIRST;
    return new Assessment(result, causes, screening, inForce, holds);
  }

  public Irritability irritability() {
    return screening.irritability();
  }

  /** What becomes of an exercise as it is done; locks beat limits, the smallest limit counts. */
  public Verdict of(Use use) {
    List<Reason> locks = new ArrayList<>();
    List<Reason> limits = new ArrayList<>();
    int ceiling = policy.ceiling(irritability());
    OptionalInt effort = OptionalInt.empty();
    OptionalInt start = OptionalInt.empty();
    for (Condition c : inForce.keySet().stream().sorted().toList()) {
      Optional<Side> affected = inForce.getOrDefault(c, Optional.empty());
      for (Feature f : sorted(c.locks())) {
        if (f.of(use, affected)) locks.add(new Reason(c, f, ""));
      }
      for (Caution caution : c.cautions()) {
        if (!caution.feature().of(use, affected)) continue;
        limits.add(new Reason(c, caution.feature(), caution.note()));
        ceiling = Math.min(ceiling, caution.ceiling());
        effort = smaller(effort, caution.effort());
        start = smaller(start, caution.startSeconds());
      }
      ceiling = Math.min(ceiling, c.generalCeiling().orElse(ceiling));
    }
    return new Verdict(List.copyOf(locks), List.copyOf(limits), ceiling, effort, start);
  }

  /**
   * What becomes of it at the catalogue's start dose, on the side that may do more: locked only
   * where no side can be treated.
   */
  public Verdict of(Exercise e, Setting at) {
    return Arrays.stream(Side.values())
        .flatMap(side -> Use.atStart(e, at, side).stream())
        .map(this::of)
        .min(Comparator.comparing(Verdict::locked).thenComparing(Verdict::limited))
        .orElseThrow();
  }

  private static OptionalInt smaller(OptionalInt a, OptionalInt b) {
    if (a.isEmpty()) return b;
    if (b.isEmpty()) return a;
    return OptionalInt.of(Math.min(a.getAsInt(), b.getAsInt()));
  }

  /** The features that are locked by anything, for the head of the client's page. */
  public Set<Feature> lockedFeatures() {
    Set<Feature> all = new LinkedHashSet<>();
    inForce.keySet().stream().sorted().forEach(c -> all.addAll(sorted(c.locks())));
    return all;
  }

  private static List<Feature> sorted(Set<Feature> features) {
    return features.stream().sorted(Comparator.naturalOrder()).toList();
  }

  /**
   * Why a strong pull may not be chosen as this client's policy, so that it stays with comfort
   * first; empty when it may.
   */
  public List<String> againstStrongPull() {
    List<String> reasons = new ArrayList<>();
    if (!result.open()) reasons.add("the gate is closed");
    if (irritability() == Irritability.HIGH) reasons.add("high irritability");
    inForce.keySet().stream()
        .filter(Condition::forbidsStrongPull)
        .sorted()
        .map(Condition::label)
        .forEach(reasons::add);
    return reasons;
  }

  /** Whether the long session may be offered: not to the highly irritable, nor with a limit. */
  public boolean allowsLongSession(List<Exercise> program, List<Setting> settings) {
    if (!result.open() || irritability() == Irritability.HIGH) return false;
    for (int i = 0; i < program.size(); i++) {
      Exercise e = program.get(i);
      Setting at = settings.get(i);
      boolean limited =
          Arrays.stream(Side.values())
              .flatMap(side -> Use.atStart(e, at, side).stream())
              .anyMatch(use -> of(use).limited());
      if (limited) return false;
    }
    return true;
  }

  /**
   * What comes nearest to an exercise that is locked, for a client who has these means: the first
   * of its alternatives that nothing locks. Empty only where all of them are.
   */
  public Optional<Alternatives.Alternative> nearest(
      Alternatives alternatives, Exercise e, Means means) {
    return alternatives.of(e, means).stream()
        .filter(a -> !of(a.exercise(), Setting.of(a.position(), means)).locked())
        .findFirst();
  }

  /** The nearest easier exercise that is not locked; empty when there is none. */
  public Optional<Exercise> easier(Catalogue catalogue, Exercise e, Setting at) {
    Optional<Exercise> next = e.easier().map(catalogue::get);
    while (next.isPresent() && of(next.get(), at).locked()) {
      next = next.get().easier().map(catalogue::get);
    }
    return next;
  }
}
