package org.biokinet.core.screening;

import static org.biokinet.core.screening.Condition.CORD;
import static org.biokinet.core.screening.Condition.PRESSURE;
import static org.biokinet.core.screening.Condition.VASCULAR;

import java.util.Arrays;
import java.util.List;
import org.biokinet.core.anatomy.Coded;

/**
 * What wants a doctor today and not this program. Vascular signs after Rushton and others 2020
 * (IFOMPT framework), the others after Finucane and others 2020 (red flags) and common practice;
 * recalled from memory. The words are ours.
 */
@SuppressWarnings("ImmutableEnumChecker") // the list is an unmodifiable copy
public enum EmergencySign implements Coded {
  SUDDEN_PAIN(
      "sudden-pain",
      "Sudden, severe or unfamiliar pain in head or neck, like a thunderclap",
      VASCULAR),
  SICK_HEADACHE(
      "sick-headache", "A new headache with vomiting, or with fever and a stiff neck", VASCULAR),
  DIZZINESS("dizziness", "New, unexplained or worsening dizziness", Condition.DIZZINESS, VASCULAR),
  DOUBLE_VISION("double-vision", "Double vision, or sight that is lost", VASCULAR),
  SPEECH("speech", "Trouble speaking or swallowing", VASCULAR),
  DROP_ATTACK("drop-attack", "Sudden falls without warning", VASCULAR),
  NYSTAGMUS("nystagmus", "Eyes that flicker by themselves", Condition.DIZZINESS, VASCULAR),
  FACE_NUMB("face-numb", "Numbness in the face, or a face that droops", VASCULAR),
  ONE_SIDE("one-side", "Weakness of one side of the body", VASCULAR),
  GAIT("gait", "Unsteady walking", CORD, VASCULAR),
  EYELID("eyelid", "A drooping eyelid with a small pupil", VASCULAR),
  CLUMSY_HANDS("clumsy-hands", "Clumsy hands", CORD),
  BOTH_ARMS("both-arms", "Numbness, tingling or weakness in both arms", CORD),
  LEGS("legs", "Legs that are weak or stiff", CORD),
  ELECTRIC("electric", "Electric shocks when the neck bends", CORD),
  BLADDER("bladder", "A change of bladder or bowel", CORD),
  SADDLE("saddle", "Numbness between the legs", CORD),
  CHEST(
      "chest",
      "Chest pain, breathlessness, or pain in the jaw or either arm with effort",
      PRESSURE),
  TEMPLE("temple", "Over 50: a new headache with a tender jaw or scalp"),
  HOT_JOINT("hot-joint", "A hot, swollen joint with fever");

  private final String code;
  private final String label;
  private final List<Condition> leaves;

  EmergencySign(String code, String label, Condition... leaves) {
    this.code = code;
    this.label = label;
    this.leaves = List.copyOf(Arrays.asList(leaves));
  }

  @Override
  public String code() {
    return code;
  }

  public String label() {
    return label;
  }

  /** What it locks and limits from then on, also when a doctor has cleared it; our choice. */
  public List<Condition> leaves() {
    return leaves;
  }
}
