package org.biokinet.core.exercise;

import static java.util.Map.entry;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import org.biokinet.core.anatomy.SidedMotion;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.Mode;
import org.junit.jupiter.api.Test;

/**
 * A muscle is lengthened by the reverse of its actions. Actions after Gray's Anatomy and Kendall,
 * Muscles: Testing and Function, all recalled from memory; "away" and "toward" are seen from the
 * muscle's own side.
 */
class StretchTargetTest {

  private static final Map<Tissue, Set<String>> LENGTHENED_BY =
      Map.<Tissue, Set<String>>ofEntries(
          // Bends the head to its side, turns it to the other, lifts the shoulder.
          entry(Tissue.UPPER_TRAP, Set.of("tilt away", "turn toward", "shoulder down")),
          // Bends and turns the head to its side, lifts the shoulder blade's inner corner.
          entry(Tissue.LEVATOR, Set.of("tilt away", "turn away", "neck flexed")),
          entry(Tissue.SCALENES, Set.of("tilt away", "neck extended")),
          // Bends the head to its side, turns it to the other.
          entry(Tissue.SCM, Set.of("tilt away", "turn toward", "neck extended")),
          // Nod the head back and turn it to their own side.
          entry(Tissue.SUBOCCIPITALS, Set.of("nod", "turn away")),
          entry(Tissue.NECK_EXTENSORS, Set.of("neck flexed", "tilt away", "turn away")),
          entry(Tissue.ANTERIOR_NECK, Set.of("neck extended")),
          // Draw the shoulder blade to the spine.
          entry(Tissue.RHOMBOIDS, Set.of("blade forward")),
          entry(Tissue.POSTERIOR_DELTOID, Set.of("arm across")),
          entry(Tissue.EXTERNAL_ROTATORS, Set.of("arm across", "arm turned in")),
          // Draws the arm across and turns it in.
          entry(Tissue.PEC_MAJOR, Set.of("arm out and back", "arm back")),
          // Extends the elbow, and with its long head the shoulder.
          entry(Tissue.TRICEPS, Set.of("arm up, elbow bent")),
          // Draws the arm down and back, bends the trunk to its side.
          entry(Tissue.LATS, Set.of("arm up", "trunk tilt away")),
          entry(Tissue.THORACIC_EXTENSORS, Set.of("trunk flexed")),
          entry(Tissue.WRIST_FLEXORS, Set.of("wrist back")),
          entry(Tissue.WRIST_EXTENSORS, Set.of("wrist down")),
          // Extends the hip and turns the thigh out.
          entry(Tissue.GLUTES, Set.of("hip flexed")));

  /** What the words of an exercise say beside the sided motion in its facts. */
  private static final Map<String, Set<String>> ALSO_CONTAINS =
      Map.<String, Set<String>>ofEntries(
          entry("neck-flexor-pull", Set.of("neck flexed")),
          entry("suboccipital-stretch", Set.of("nod")),
          entry("anterior-neck-stretch", Set.of("neck extended")),
          entry("neck-extension-guided", Set.of("neck extended")),
          entry("supported-neck-extension", Set.of("neck extended")),
          entry("supported-extension-elbows-in", Set.of("neck extended")),
          entry("cradled-curl-and-open", Set.of("neck flexed")),
          entry("twisted-curl", Set.of("neck flexed", "blade forward")),
          entry("cross-body-stretch", Set.of("arm across")),
          entry("crossed-arm-wrap", Set.of("arm across", "blade forward")),
          entry("crossed-arm-wrap-fold", Set.of("arm across", "blade forward")),
          entry("overhead-triceps-stretch", Set.of("arm up, elbow bent")),
          entry("overhead-triceps-both", Set.of("arm up, elbow bent")),
          entry("hands-behind-back-reach", Set.of("arm turned in")),
          entry("hands-behind-back-lift", Set.of("arm back")),
          entry("chair-back-chest-opener", Set.of("arm back")),
          entry("goalpost-chest-opener", Set.of("arm out and back")),
          entry("floor-pec-stretch", Set.of("arm out and back")),
          entry("interlaced-forward-reach", Set.of("blade forward")),
          entry("interlaced-diagonal-reach", Set.of("blade forward")),
          entry("interlaced-overhead-reach", Set.of("arm up")),
          entry("chair-lat-stretch", Set.of("arm up")),
          entry("chair-lat-stretch-angled", Set.of("arm up")),
          entry("seated-side-bend", Set.of("arm up")),
          entry("seated-forward-fold", Set.of("trunk flexed")),
          entry("childs-pose", Set.of("arm up")),
          entry("childs-pose-side", Set.of("arm up")),
          entry("kneeling-lat-stretch", Set.of("arm up")),
          entry("wrist-flexor-stretch", Set.of("wrist back")),
          entry("wrist-extensor-stretch", Set.of("wrist down")),
          entry("glute-stretch", Set.of("hip flexed")));

  @Test
  void theFirstTargetOfEveryStretchIsLengthenedByItsMotion() {
    int checked = 0;
    for (Exercise e : Catalogue.load().all()) {
      Tissue first = e.targets().get(0);
      if (e.doseContext().mode() != Mode.HOLD || first.kind() != Tissue.Kind.MUSCLE) continue;
      checked++;
      Set<String> contained = new HashSet<>(ALSO_CONTAINS.getOrDefault(e.id(), Set.of()));
      e.motion()
          .filter(m -> !m.ofALimb())
          .ifPresent(m -> contained.add(words(m) + " " + e.relation().orElseThrow().code()));
      e.turn().ifPresent(t -> contained.add("turn " + t.code()));
      Set<String> lengthening = LENGTHENED_BY.getOrDefault(first, Set.of());
      assertThat(lengthening).as("%s: actions of %s", e.id(), first.label()).isNotEmpty();
      assertThat(contained).as(e.id()).containsAnyElementsOf(lengthening);
      // No turn that would shorten it again.
      if (lengthening.contains("turn away")) assertThat(contained).doesNotContain("turn toward");
      if (lengthening.contains("turn toward")) assertThat(contained).doesNotContain("turn away");
    }
    assertThat(checked).isGreaterThan(40);
  }

  private static String words(SidedMotion motion) {
    return switch (motion) {
      case NECK_LATERAL_FLEXION -> "tilt";
      case NECK_ROTATION -> "turn";
      case TRUNK_LATERAL_FLEXION -> "trunk tilt";
      case TRUNK_ROTATION -> "trunk turn";
      default -> throw new IllegalArgumentException(motion.code());
    };
  }
}
