package org.biokinet.core.figure.body;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.exercise.CatalogueException;

/** The rigid segments, those nearer to the pelvis first. */
public enum Part {
  PELVIS,
  LUMBAR,
  THORAX,
  NECK,
  HEAD,
  LEFT_CLAVICLE,
  LEFT_SCAPULA,
  LEFT_UPPER_ARM,
  LEFT_FOREARM,
  LEFT_HAND,
  RIGHT_CLAVICLE,
  RIGHT_SCAPULA,
  RIGHT_UPPER_ARM,
  RIGHT_FOREARM,
  RIGHT_HAND,
  LEFT_THIGH,
  LEFT_SHANK,
  LEFT_FOOT,
  RIGHT_THIGH,
  RIGHT_SHANK,
  RIGHT_FOOT;

  public Optional<Side> side() {
    if (name().startsWith("LEFT_")) return Optional.of(Side.LEFT);
    return name().startsWith("RIGHT_") ? Optional.of(Side.RIGHT) : Optional.empty();
  }

  boolean ofTheArm() {
    return name().endsWith("ARM") || name().endsWith("HAND");
  }

  /** The same part of the other side; one of the middle is its own. */
  public Part mirrored() {
    return side()
        .map(s -> valueOf(s.opposite() + name().substring(s.name().length())))
        .orElse(this);
  }

  /**
   * The part of this name, such as {@code thorax}; the left one where there are two and none is
   * said.
   *
   * @throws CatalogueException when there is none
   */
  static Part named(String name) {
    String wanted = name.replace('-', '_').toUpperCase(Locale.ROOT);
    return Arrays.stream(values())
        .filter(p -> p.name().equals(wanted) || p.name().equals("LEFT_" + wanted))
        .findFirst()
        .orElseThrow(() -> new CatalogueException("no part is called " + name));
  }

  public static Part of(Side side, String name) {
    return valueOf(side + "_" + name);
  }
}
