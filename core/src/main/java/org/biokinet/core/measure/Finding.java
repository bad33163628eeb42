package org.biokinet.core.measure;

import java.util.List;
import java.util.Optional;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Intent;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.SidedMotion;
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
    String code, Kind kind, String title, String evidence, List<Target> treat, double weight) {

  /** What sort of finding it is, as far as planning asks. */
  public enum Kind implements Coded {
    /** A motion falls short of its norm. */
    LIMITED("limited"),
    /** A motion is flagged as less than that of the other side. */
    ONE_SIDED("one-sided"),
    /** Stretching alone is not thought to change it, so strength comes along. */
    POSTURE("posture"),
    WEAK("weak"),
    /** Something hurts there. */
    FELT("felt");

    private final String code;

    Kind(String code) {
      this.code = code;
    }

    @Override
    public String code() {
      return code;
    }
  }

  /** What to do about it: something to a tissue, or a motion to be practised. */
  public sealed interface Target {

    Intent intent();

    /** "lengthen the right upper trapezius". */
    String words();

    /**
     * @param side the treated side; empty for both
     */
    record OfTissue(Intent intent, Tissue tissue, Optional<Side> side) implements Target {
      @Override
      public String words() {
        return "%s %s%s"
            .formatted(intent.code(), side.map(s -> word(s) + " ").orElse(""), tissue.label());
      }
    }

    /**
     * @param toward where the motion goes; of a limb, whose it is
     */
    record OfMotion(SidedMotion motion, Side toward) implements Target {
      @Override
      public Intent intent() {
        return Intent.MOBILISE;
      }

      @Override
      public String words() {
        return motion.ofALimb()
            ? "mobilise: %s %s".formatted(word(toward), motion.label())
            : "mobilise: %s to the %s".formatted(motion.label(), word(toward));
      }
    }

    private static String word(Side side) {
      return side == Side.LEFT ? "left" : "right";
    }
  }

  public Finding {
    treat = List.copyOf(treat);
  }

  /** "tilting left 31° of 45, 11° less than right → lengthen right upper trapezius". */
  public String words() {
    String targets = String.join(", ", treat.stream().map(Target::words).toList());
    return targets.isEmpty() ? evidence : evidence + " → " + targets;
  }
}
