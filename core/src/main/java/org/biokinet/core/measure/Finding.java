package org.biokinet.core.measure;

import java.util.List;
import java.util.Optional;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;

/**
 * What the measures point to. It chooses exercises and biases sides; it is no diagnosis, and a
 * practitioner confirms or dismisses it.
 *
 * @param code the same for the same finding at every visit
 * @param evidence in numbers: "tilting left 31° of 45, 11° less than right"
 * @param treat what to treat, the most promising first
 * @param weight for ranking, larger first
 */
public record Finding(
    String code, String title, String evidence, List<Target> treat, double weight) {

  /**
   * @param side the treated side; empty for both
   */
  public record Target(Tissue tissue, Optional<Side> side) {

    /** "right upper trapezius". */
    public String words() {
      return side.map(s -> s == Side.LEFT ? "left " : "right ").orElse("") + tissue.label();
    }
  }

  public Finding {
    treat = List.copyOf(treat);
  }

  /** "tilting left 31° of 45, 11° less than right → right upper trapezius, right levator". */
  public String words() {
    String targets = String.join(", ", treat.stream().map(Target::words).toList());
    return targets.isEmpty() ? evidence : evidence + " → " + targets;
  }
}
