package org.biokinet.core.figure.body;

import java.util.Locale;
import org.biokinet.core.anatomy.Side;

/**
 * From where the body is seen. From the front it is a mirror: the client's left is on the left. The
 * others show the treated side, so that the mirrored body gives the mirrored drawing.
 */
public enum View {
  FRONT,
  SIDE,
  BACK,
  THREE_QUARTER,
  /** For those who lie on the back: as from the front. */
  ABOVE;

  private static final double QUARTER = 35;

  public String code() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** In words, for a choice. */
  public String label() {
    return switch (this) {
      case FRONT -> "front, as in a mirror";
      case SIDE -> "side";
      case BACK -> "back";
      case THREE_QUARTER -> "three quarters";
      case ABOVE -> "from above";
    };
  }

  /** A point on paper, in centimetres: to the right, down, and toward the viewer. */
  public Vec project(Vec p, Side treated) {
    double sign = treated == Side.LEFT ? 1 : -1;
    return switch (this) {
      case FRONT -> new Vec(-p.x(), -p.y(), p.z());
      case BACK -> new Vec(-p.x(), -p.y(), -p.z());
      case ABOVE -> new Vec(-p.x(), p.z(), p.y());
      case SIDE -> new Vec(-sign * p.z(), -p.y(), sign * p.x());
      case THREE_QUARTER -> {
        Vec turned = Rotation.aboutY(-sign * QUARTER).apply(p);
        yield new Vec(-turned.x(), -turned.y(), turned.z());
      }
    };
  }
}
