package org.biokinet.app.measurement;

import java.util.UUID;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.measure.Inclinometer;
import org.biokinet.core.measure.Motion;
import org.biokinet.core.measure.SimulatedInclinometer;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Where inclinometers come from: a real one would be handed out here in place of the stand-in. */
@Component
public class Instruments {

  /** A made-up neck reaches between these shares of the norm. */
  private static final double LEAST_SHARE = 0.62;

  private static final double MOST_SHARE = 1.02;
  private static final int WITHOUT_NORM = 45;

  /** The same client has the same neck; noise differs each time. */
  public Inclinometer inclinometer(UUID client, Motion motion, @Nullable Side side, long seed) {
    int who = (client.toString() + motion.code() + side).hashCode();
    double share = LEAST_SHARE + (MOST_SHARE - LEAST_SHARE) * Math.floorMod(who, 1000) / 1000.0;
    return new SimulatedInclinometer(share * motion.norm().orElse(WITHOUT_NORM), seed);
  }
}
