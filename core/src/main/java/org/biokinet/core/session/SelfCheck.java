package org.biokinet.core.session;

import java.time.LocalDate;
import java.util.Map;
import org.biokinet.core.anatomy.Side;

/**
 * How the joints move today against yesterday, as the client feels it. Common practice of those who
 * teach controlled circles, no source.
 *
 * @param day in the client's zone
 * @param felt only what was told
 */
public record SelfCheck(LocalDate day, Map<Part, Felt> felt) {

  /** What is moved. */
  public enum Joint {
    NECK,
    UPPER_BACK,
    SHOULDER_BLADES,
    SHOULDERS,
    ELBOWS,
    WRISTS
  }

  /** How it is. */
  public enum Felt {
    BETTER,
    SAME,
    WORSE
  }

  /** A joint on the client's own left or right. */
  public record Part(Joint joint, Side side) {

    /** The form in which it is sent and kept: {@code NECK-L}. */
    public String text() {
      return joint.name() + "-" + side.letter();
    }

    /**
     * The reverse of {@link #text}.
     *
     * @throws IllegalArgumentException for any other form
     */
    public static Part of(String text) {
      for (Joint joint : Joint.values()) {
        for (Side side : Side.values()) {
          Part part = new Part(joint, side);
          if (part.text().equals(text)) return part;
        }
      }
      throw new IllegalArgumentException("a joint is such as NECK-L, not " + text);
    }
  }

  public SelfCheck {
    felt = Map.copyOf(felt);
  }
}
