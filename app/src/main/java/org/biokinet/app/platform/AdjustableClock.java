package org.biokinet.app.platform;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;

/**
 * The system's time in UTC, which the demo loader and tests can move: they live through days in
 * seconds, by the same rules as everybody. It ticks in microseconds, as the database keeps them.
 */
public final class AdjustableClock extends Clock {

  private volatile Duration offset = Duration.ZERO;

  /** From now on it is this instant, and time goes on from there. */
  public void moveTo(Instant instant) {
    offset = Duration.between(Instant.now(), instant);
  }

  public void backToNow() {
    offset = Duration.ZERO;
  }

  @Override
  public Instant instant() {
    return Instant.now().plus(offset).truncatedTo(ChronoUnit.MICROS);
  }

  @Override
  public ZoneId getZone() {
    return ZoneOffset.UTC;
  }

  @Override
  public Clock withZone(ZoneId zone) {
    throw new UnsupportedOperationException("instants are in UTC; days take the client's zone");
  }
}
