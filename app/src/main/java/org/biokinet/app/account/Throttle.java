package org.biokinet.app.account;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.biokinet.app.support.Changes;
import org.biokinet.app.support.Secrets;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.stereotype.Service;

/**
 * Slows down guessing of passwords and PINs. All figures are our choice: five tries, then a pause
 * that doubles from one minute up to an hour; forgotten after a day without failure.
 */
@Service
public class Throttle {

  static final int FREE_TRIES = 5;
  static final Duration FIRST_PAUSE = Duration.ofMinutes(1);
  static final Duration LONGEST_PAUSE = Duration.ofHours(1);
  private static final Duration FORGOTTEN_AFTER = Duration.ofDays(1);

  interface Rows extends JpaRepository<ThrottleRow, String> {}

  private final Rows rows;
  private final Clock clock;

  Throttle(Rows rows, Clock clock) {
    this.rows = rows;
    this.clock = clock;
  }

  /** How long this name still has to wait; empty when it may try. */
  @Changes
  public Optional<Duration> waiting(String name) {
    Instant now = clock.instant();
    return rows.findById(Secrets.hash(name))
        .flatMap(r -> Optional.ofNullable(r.lockedUntil))
        .filter(now::isBefore)
        .map(until -> Duration.between(now, until));
  }

  @Changes
  public void failed(String name) {
    Instant now = clock.instant();
    String bucket = Secrets.hash(name);
    ThrottleRow row = rows.findById(bucket).orElseGet(() -> new ThrottleRow(bucket, now));
    if (row.lastFailure.plus(FORGOTTEN_AFTER).isBefore(now)) row.failures = 0;
    row.failures++;
    row.lastFailure = now;
    if (row.failures >= FREE_TRIES) {
      Duration pause = FIRST_PAUSE.multipliedBy(1L << Math.min(row.failures - FREE_TRIES, 6));
      row.lockedUntil = now.plus(pause.compareTo(LONGEST_PAUSE) > 0 ? LONGEST_PAUSE : pause);
    }
    rows.save(row);
  }

  @Changes
  public void succeeded(String name) {
    rows.findById(Secrets.hash(name)).ifPresent(rows::delete);
  }
}
