package org.biokinet.core.figure;

import java.util.Optional;
import org.biokinet.core.anatomy.Side;

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

  /** The same part of the other side; one of the middle is its own. */
  public Part mirrored() {
    return side()
        .map(s -> valueOf(s.opposite() + name().substring(s.name().length())))
        .orElse(this);
  }

  static Part of(Side side, String name) {
    return valueOf(side + "_" + name);
  }
}
