package org.biokinet.app.people;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.Optional;
import java.util.function.Supplier;
import org.biokinet.app.platform.Changes;
import org.biokinet.app.platform.Secrets;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.stereotype.Service;

/**
 * Slows down guessing of passwords and PINs: a try is counted before anybody looks at it, so that
 * many at once are no way round. All figures are our choice: so many tries, then a pause that
 * doubles from one minute up to an hour.
 */
@Service
public class Throttle {

  static final Duration FIRST_PAUSE = Duration.ofMinutes(1);
  static final Duration LONGEST_PAUSE = Duration.ofHours(1);

  /** What is counted. */
  private enum Kind {
    /** Tries under one name, or at one link. */
    NAME(5, Duration.ofDays(1)),
    /** Tries from one address, behind which a whole practice may sit. */
    SENDER(20, Duration.ofHours(1));

    final int freeTries;
    final Duration forgottenAfter;

    Kind(int freeTries, Duration forgottenAfter) {
      this.freeTries = freeTries;
      this.forgottenAfter = forgottenAfter;
    }
  }

  /** What came of a try. */
  public enum Outcome {
    RIGHT,
    WRONG,
    /** Not even looked at, after too many tries. */
    WAIT
  }

  /**
   * @param howLong to wait; zero unless that is the outcome
   */
  public record Try(Outcome outcome, Duration howLong) {}

  private final Buckets buckets;

  Throttle(Buckets buckets) {
    this.buckets = buckets;
  }

  /**
   * Looks at what somebody has typed, unless too much was tried under this name or from where it
   * comes. Looking takes long on purpose, so it is done outside of any transaction.
   */
  public Try look(String name, String sender, Supplier<Boolean> right) {
    String from = "from " + sender;
    Optional<Duration> wait =
        (known(sender) ? buckets.count(Kind.SENDER, from) : Optional.<Duration>empty())
            .or(() -> buckets.count(Kind.NAME, name));
    if (wait.isPresent()) return new Try(Outcome.WAIT, wait.get());
    if (!right.get()) return new Try(Outcome.WRONG, Duration.ZERO);
    buckets.forget(name);
    buckets.takeBack(Kind.SENDER, from);
    return new Try(Outcome.RIGHT, Duration.ZERO);
  }

  /** This machine itself is nobody: a proxy here that does not say for whom it asks. */
  private static boolean known(String sender) {
    return !sender.isEmpty() && !sender.startsWith("127.") && !sender.equals("0:0:0:0:0:0:0:1");
  }

  /** Nothing was tried under this name, as far as we are concerned. */
  public void forget(String name) {
    buckets.forget(name);
  }

  /** The counts, each change a short transaction of its own. */
  @Component
  static class Buckets {

    private final JdbcClient db;
    private final Clock clock;

    Buckets(JdbcClient db, Clock clock) {
      this.db = db;
      this.clock = clock;
    }

    private record Counted(int failures, Instant last, Optional<Instant> lockedUntil) {}

    /** Counts a try; answers how long to wait where there were too many, and counts nothing. */
    @Changes
    public Optional<Duration> count(Kind kind, String name) {
      Instant now = clock.instant();
      String bucket = Secrets.hash(name);
      // One row for all that come at once: they take turns from here on.
      db.sql(
              "insert into throttle (bucket, failures, last_failure) values (?, 0, ?)"
                  + " on duplicate key update bucket = bucket")
          .params(bucket, utc(now))
          .update();
      Counted before =
          db.sql("select failures, last_failure, locked_until from throttle where bucket = ?")
              .param(bucket)
              .query(
                  (row, i) ->
                      new Counted(row.getInt(1), instant(row, 2).orElseThrow(), instant(row, 3)))
              .single();
      Optional<Instant> locked = before.lockedUntil().filter(now::isBefore);
      if (locked.isPresent()) return locked.map(until -> Duration.between(now, until));
      boolean forgotten = before.last().plus(kind.forgottenAfter).isBefore(now);
      int failures = (forgotten ? 0 : before.failures()) + 1;
      int over = failures - kind.freeTries;
      db.sql(
              "update throttle set failures = ?, last_failure = ?, locked_until = ? where bucket ="
                  + " ?")
          .params(failures, utc(now), over < 0 ? null : utc(now.plus(pause(over))), bucket)
          .update();
      return Optional.empty();
    }

    private static LocalDateTime utc(Instant at) {
      return LocalDateTime.ofInstant(at, ZoneOffset.UTC);
    }

    private static Optional<Instant> instant(ResultSet row, int column) throws SQLException {
      return Optional.ofNullable(row.getObject(column, LocalDateTime.class))
          .map(t -> t.toInstant(ZoneOffset.UTC));
    }

    private static Duration pause(int over) {
      Duration pause = FIRST_PAUSE.multipliedBy(1L << Math.min(over, 6));
      return pause.compareTo(LONGEST_PAUSE) > 0 ? LONGEST_PAUSE : pause;
    }

    @Changes
    public void forget(String name) {
      db.sql("delete from throttle where bucket = ?").param(Secrets.hash(name)).update();
    }

    /** The one try that was right is no failure; the ones before it stay. */
    @Changes
    public void takeBack(Kind kind, String name) {
      db.sql(
              "update throttle set locked_until = if(failures > ?, locked_until, null),"
                  + " failures = failures - 1 where bucket = ? and failures > 0")
          .params(kind.freeTries, Secrets.hash(name))
          .update();
    }
  }
}
