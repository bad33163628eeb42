package org.biokinet.core.workday;

import java.time.Duration;

/** Rest for the eyes: look at something far away for a while. Common practice, no source. */
public final class ScreenRest {

  public static final int METRES = 6;

  public static final Duration LASTS = Duration.ofSeconds(20);

  private ScreenRest() {}
}
