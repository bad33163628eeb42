package org.biokinet.core.screening;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * The Canadian C-Spine Rule for a neck that was hurt in the last 48 hours, in people of 16 and over
 * who are alert and stable: Stiell and others 2001, JAMA 286:1841, recalled from memory. It says
 * whether imaging is needed before the neck is moved further; it diagnoses nothing.
 *
 * @param alert alert and stable, 16 or over; else the rule does not hold
 * @param aged 65 or over
 * @param dangerous a dangerous mechanism: a fall from 1 m or five stairs, a load on top of the
 *     head, a fast, rolling or ejecting car crash, a motorised recreational vehicle, a bicycle
 * @param tingling tingling in arms or legs
 * @param lowRisk at least one of: a simple rear-end crash, sitting when seen, walking at any time
 *     since, neck pain that came later, no tenderness in the midline
 * @param turns whether the neck turns 45° left and right by itself; only tried when all before
 *     allows it
 */
public record CSpineRule(
    boolean alert,
    boolean aged,
    boolean dangerous,
    boolean tingling,
    boolean lowRisk,
    Optional<Boolean> turns) {

  /** The age from which it counts as high risk. */
  public static final int AGED = 65;

  /** The age from which the rule holds. */
  public static final int LEAST_AGE = 16;

  private static final Set<RedFlag> NOT_WITH =
      EnumSet.of(
          RedFlag.INFLAMMATORY, RedFlag.SURGERY, RedFlag.FUSION, RedFlag.BONE, RedFlag.WEAKNESS);

  private static final Set<Condition> NOT_WITH_CONDITIONS =
      EnumSet.of(
          Condition.INFLAMMATORY,
          Condition.NECK_SURGERY,
          Condition.OSTEOPOROSIS,
          Condition.CERVICAL_STENOSIS,
          Condition.CORD);

  /** What it comes to. */
  public enum Result {
    NO_IMAGING("By the rule no imaging is needed."),
    IMAGING("By the rule imaging comes first."),
    UNFINISHED("The rule wants to know whether the neck turns 45° both ways."),
    DOES_NOT_HOLD("The rule does not hold here.");

    private final String label;

    Result(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  /**
   * Why the rule says nothing about a neck like this, and so opens nothing: known vertebral
   * disease, an earlier operation, acute weakness (Stiell and others 2001, recalled from memory).
   * Empty where it may be used.
   */
  public static List<String> doesNotHoldFor(Screening s) {
    List<String> why = new ArrayList<>();
    s.redFlags().stream().filter(NOT_WITH::contains).sorted().forEach(f -> why.add(f.label()));
    s.conditions().keySet().stream()
        .filter(NOT_WITH_CONDITIONS::contains)
        .sorted()
        .forEach(c -> why.add(c.label()));
    if (s.armSymptoms()) why.add("arm pain with numbness or weakness");
    return why;
  }

  public Result result() {
    if (!alert) return Result.DOES_NOT_HOLD;
    if (!mayTurn()) return Result.IMAGING;
    return turns.map(t -> t ? Result.NO_IMAGING : Result.IMAGING).orElse(Result.UNFINISHED);
  }

  /** Whether turning may be tried at all. */
  public boolean mayTurn() {
    return alert && !aged && !dangerous && !tingling && lowRisk;
  }
}
