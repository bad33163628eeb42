package org.biokinet.core.safety;

import org.biokinet.core.anatomy.Coded;

/**
 * What wants a doctor today and not this program. Vascular signs after Rushton and others 2020
 * (IFOMPT framework), the others after Finucane and others 2020 (red flags) and common practice;
 * recalled from memory. The words are ours.
 */
public enum EmergencySign implements Coded {
  SUDDEN_PAIN(
      "sudden-pain", "Sudden, severe or unfamiliar pain in head or neck, like a thunderclap"),
  DIZZINESS("dizziness", "Dizziness"),
  DOUBLE_VISION("double-vision", "Double vision"),
  SPEECH("speech", "Trouble speaking or swallowing"),
  DROP_ATTACK("drop-attack", "Sudden falls without warning"),
  NYSTAGMUS("nystagmus", "Eyes that flicker by themselves"),
  FACE_NUMB("face-numb", "Numbness in the face"),
  GAIT("gait", "Unsteady walking"),
  EYELID("eyelid", "A drooping eyelid with a small pupil"),
  CLUMSY_HANDS("clumsy-hands", "Clumsy hands"),
  BOTH_ARMS("both-arms", "Numbness, tingling or weakness in both arms"),
  LEGS("legs", "Legs that are weak or stiff"),
  ELECTRIC("electric", "Electric shocks when the neck bends"),
  BLADDER("bladder", "A change of bladder or bowel"),
  SADDLE("saddle", "Numbness between the legs"),
  CHEST("chest", "Chest pain, or jaw or left-arm pain with effort"),
  TEMPLE("temple", "Over 50: a new headache with a tender jaw or scalp"),
  HOT_JOINT("hot-joint", "A hot, swollen joint with fever");

  private final String code;
  private final String label;

  EmergencySign(String code, String label) {
    this.code = code;
    this.label = label;
  }

  @Override
  public String code() {
    return code;
  }

  public String label() {
    return label;
  }
}
