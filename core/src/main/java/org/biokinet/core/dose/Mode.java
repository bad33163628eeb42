package org.biokinet.core.dose;

import org.biokinet.core.anatomy.Coded;

/** How an exercise is done, and therefore how it is counted. */
public enum Mode implements Coded {
  /** A static stretch. */
  HOLD("hold", "a stretch"),
  /** An isometric hold: effort without movement. */
  ISO("iso", "an isometric hold"),
  /** Repetitions through range. */
  MOVE("move", "a movement"),
  /** Repetitions of a circle. */
  CIRCLE("circle", "a circle"),
  /** Breathing, counted in breaths. */
  BREATH("breath", "a breathing exercise"),
  /** Looking, timed. */
  GAZE("gaze", "a gaze exercise"),
  /** Resting, shaking, massaging: timed. */
  RELEASE("release", "a release"),
  /** Small fast repetitions for a time. */
  PULSE("pulse", "a timed movement"),
  /** Walking, or another paced activity: minutes. */
  WALK("walk", "a walk");

  private final String code;
  private final String noun;

  Mode(String code, String noun) {
    this.code = code;
    this.noun = noun;
  }

  @Override
  public String code() {
    return code;
  }

  /** With its article, for messages: "a circle takes repetitions". */
  public String noun() {
    return noun;
  }

  /** Timed work that is neither stretch nor effort. */
  public boolean isTimed() {
    return this == GAZE || this == RELEASE || this == PULSE || this == WALK;
  }
}
