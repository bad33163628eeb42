package org.biokinet.core.screening;

import java.util.Optional;
import org.biokinet.core.anatomy.Coded;
import org.jspecify.annotations.Nullable;

/**
 * What a practitioner examines, or refers, before anything is prescribed. After Finucane and others
 * 2020, Rushton and others 2020 and Stiell and others 2001, recalled from memory; periods of weeks
 * are common practice, no source. The words are ours.
 */
public enum RedFlag implements Coded {
  TRAUMA_NEW(
      "trauma-new", "A blow or whiplash to the neck in the last 48 hours", Condition.NECK_TRAUMA),
  TRAUMA(
      "trauma",
      "A fall or blow to the neck that nobody has examined, even a small one",
      Condition.NECK_TRAUMA),
  WEAKNESS("weakness", "Weakness or numbness that grows or spreads", Condition.NERVE_ROOT),
  FEVER("fever", "Fever, night sweats or weight loss without a reason", null),
  CANCER("cancer", "Cancer, now or earlier", null),
  IMMUNE("immune", "A weakened immune system, or drugs by needle", null),
  NIGHT_PAIN("night-pain", "Constant pain at night", null),
  UNCHANGING("unchanging", "Pain that no posture and no movement changes", null),
  HEADACHE_AFTER(
      "headache-after",
      "A new headache after an infection, or after a neck was manipulated",
      Condition.VASCULAR),
  INFLAMMATORY(
      "inflammatory",
      "Inflammatory joint disease, Down syndrome, connective-tissue disease or an unstable upper"
          + " neck",
      Condition.INFLAMMATORY),
  SURGERY("surgery", "Surgery of neck or shoulder in the last 12 weeks", Condition.NECK_SURGERY),
  FUSION(
      "fusion", "An older fusion or joint replacement in neck or shoulder", Condition.NECK_SURGERY),
  LOCKED_SHOULDER(
      "locked-shoulder", "A shoulder that is locked or cannot lift after an injury", null),
  BONE("bone", "Long-term steroids or osteoporosis, with new pain", Condition.OSTEOPOROSIS),
  VASCULAR(
      "vascular",
      "Smoking, high blood pressure, an earlier clot or stroke, a recent infection, pregnancy or"
          + " the weeks after, together with symptoms that are new to you",
      Condition.VASCULAR),
  /** Told through the link, without saying what. */
  NEWS("news", "Anything else that is new since the last screening", null);

  private final String code;
  private final String label;
  private final @Nullable Condition leaves;

  RedFlag(String code, String label, @Nullable Condition leaves) {
    this.code = code;
    this.label = label;
    this.leaves = leaves;
  }

  @Override
  public String code() {
    return code;
  }

  public String label() {
    return label;
  }

  /** What it locks and limits from then on, also when it was examined and cleared. */
  public Optional<Condition> leaves() {
    return Optional.ofNullable(leaves);
  }
}
