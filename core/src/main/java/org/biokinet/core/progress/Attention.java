package org.biokinet.core.progress;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.Optional;
import java.util.stream.Stream;
import org.biokinet.core.screening.Gate;

/** Why a client wants the practitioner, strongest first. */
public enum Attention {
  /** The client stopped a session because something was wrong. */
  STOPPED(Level.URGENT),
  /** Signs of an emergency wait for a medical outcome. */
  EMERGENCY(Level.URGENT),
  /** A session came in while the gate was closed. */
  WHILE_CLOSED(Level.URGENT),
  /** Something wants to be examined first. */
  EXAMINE(Level.STOP),
  /** Something on the client's own body map asks for the signs of an emergency. */
  MAP_ASKS(Level.URGENT),
  /** Pain before a session was too high to start. */
  PAIN_TOO_HIGH(Level.STOP),
  /** A flare has not settled in time, or is the second within four weeks. */
  FLARE_EXAMINE(Level.STOP),
  /** A flare lasts, and the plan for it is followed. */
  FLARE(Level.EASE),
  /** Pain rose by 3 or more in the last session. */
  PAIN_ROSE(Level.EASE),
  /** It was eased, or stays, by itself, and nobody has seen that. */
  BY_ITSELF(Level.EASE),
  /** Nothing may start before somebody has been screened, or screened again. */
  SCREEN(Level.STAY),
  /** Nothing done for {@link #QUIET_AFTER}. */
  QUIET(Level.STAY),
  /** The client has asked or said something that nobody has answered. */
  MESSAGE(Level.STAY),
  /** The client has forgotten the PIN and asks for another. */
  NEW_PIN(Level.PLAIN),
  /** The day that was planned for the next review has come. */
  REVIEW_DUE(Level.STAY),
  /** The screening ends soon; who is asked in time is not shut out. */
  SCREEN_SOON(Level.PLAIN),
  /** A draft waits to be shared. */
  DRAFT_NOT_SHARED(Level.PLAIN),
  /** No program yet. */
  NO_PROGRAM(Level.PLAIN),
  /** Shared, but no link was made or it was never opened. */
  NOT_OPENED(Level.PLAIN),
  /** Opened, but no session yet. */
  NOT_STARTED(Level.PLAIN),
  /** Away or ill, as was told: nothing is missed. */
  AWAY(Level.STEADY),
  /** Nothing wants doing. */
  STEADY(Level.STEADY);

  /** How much it presses, and how that is marked so that colour never stands alone. */
  public enum Level {
    /** A practitioner is told at once, by whoever sees it. */
    URGENT("✕"),
    STOP("✕"),
    EASE("△"),
    STAY(""),
    PLAIN(""),
    STEADY("");

    private final String sign;

    Level(String sign) {
      this.sign = sign;
    }

    public String sign() {
      return sign;
    }
  }

  private final Level level;

  Attention(Level level) {
    this.level = level;
  }

  public Level level() {
    return level;
  }

  /** Whether a practitioner has to be told at once. */
  public boolean urgent() {
    return level == Level.URGENT;
  }

  /** The place in the order, from 0 for the most pressing. */
  @SuppressWarnings("EnumOrdinal") // what is kept of it is made anew when the order changes
  public int place() {
    return ordinal();
  }

  /** The one at a place in the order. */
  public static Attention at(int place) {
    return values()[place];
  }

  public boolean steady() {
    return level == Level.STEADY;
  }

  /** Our choice: shorter than the 7 days at which handbook rules take a client a rung back. */
  public static final Duration QUIET_AFTER = Duration.ofDays(5);

  /**
   * A rise that colours a comfort-first session red: our choice, after the pain-monitoring model of
   * Thomeé 1997 and Silbernagel 2007, which were made for knee and Achilles; values recalled from
   * memory.
   */
  public static final int ROSE_BY = 3;

  /**
   * What is known about a client.
   *
   * @param stopped the last stop that nobody has dealt with
   * @param closed why the gate is closed; empty while it is open
   * @param renewable whether the gate is open and it is time to ask again
   * @param whileClosed the last session that came in past a closed gate and nobody has dealt with
   * @param mapAsks the last mark that asks for the signs and nobody has dealt with
   * @param painTooHigh the last refused start that nobody has dealt with
   * @param message the last message that nobody has answered
   * @param pinForgotten whether the client waits for another PIN
   * @param lastRise highest pain minus pain before in the last session
   * @param linkOpened whether the client's link was ever opened
   * @param review when the next review is due; empty where there is nothing to review
   * @param rest pauses and flares
   * @param byItself when it was last reviewed by itself and nobody has seen that
   */
  public record Facts(
      Optional<Instant> stopped,
      Optional<Gate.Why> closed,
      boolean renewable,
      Optional<Instant> whileClosed,
      Optional<Instant> mapAsks,
      Optional<Instant> painTooHigh,
      Optional<Instant> message,
      boolean pinForgotten,
      Optional<Integer> lastRise,
      Optional<Instant> lastSession,
      Optional<Instant> shared,
      boolean draftWaits,
      boolean linkOpened,
      Optional<Instant> review,
      Rest rest,
      Optional<Instant> byItself) {

    /** Neither pause nor flare, and no review planned. */
    public Facts(
        Optional<Instant> stopped,
        Optional<Gate.Why> closed,
        boolean renewable,
        Optional<Instant> whileClosed,
        Optional<Instant> mapAsks,
        Optional<Instant> painTooHigh,
        Optional<Instant> message,
        boolean pinForgotten,
        Optional<Integer> lastRise,
        Optional<Instant> lastSession,
        Optional<Instant> shared,
        boolean draftWaits,
        boolean linkOpened) {
      this(
          stopped,
          closed,
          renewable,
          whileClosed,
          mapAsks,
          painTooHigh,
          message,
          pinForgotten,
          lastRise,
          lastSession,
          shared,
          draftWaits,
          linkOpened,
          Optional.empty(),
          Rest.NONE,
          Optional.empty());
    }

    /** Since when somebody who does nothing has been quiet: a pause is none. */
    private Optional<Instant> quietSince(Instant now) {
      Optional<Instant> back =
          rest.away().filter(at -> !now.isBefore(at)).flatMap(x -> rest.back());
      return lastSession.map(at -> back.filter(at::isBefore).orElse(at));
    }
  }

  /**
   * When the program rests.
   *
   * @param flare the newest
   * @param examine when it was told that a flare has to be examined, and nobody has dealt with it
   * @param away when the newest pause begins
   * @param back when it is over
   */
  public record Rest(
      Optional<Flare> flare,
      Optional<Instant> examine,
      Optional<Instant> away,
      Optional<Instant> back) {
    public static final Rest NONE =
        new Rest(Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());

    private boolean isAway(Instant now) {
      return away.filter(at -> !now.isBefore(at)).isPresent()
          && back.filter(now::isBefore).isPresent();
    }
  }

  /** When time alone may change it, the gate aside; empty where it does not. */
  public static Optional<Instant> changes(Facts f, Instant now) {
    // Quiet is who has been for longer than that.
    Stream<Instant> quiet =
        f.quietSince(now).stream().map(at -> at.plus(QUIET_AFTER).plusMillis(1));
    Stream<Instant> pause = Stream.concat(f.rest().away().stream(), f.rest().back().stream());
    Stream<Instant> flare = f.rest().flare().filter(Flare::lasts).map(Flare::examinedFrom).stream();
    return Stream.of(quiet, pause, flare, f.review().stream())
        .flatMap(s -> s)
        .filter(now::isBefore)
        .min(Comparator.naturalOrder());
  }

  public static Attention of(Facts f, Instant now) {
    if (f.stopped().isPresent()) return STOPPED;
    if (f.closed().equals(Optional.of(Gate.Why.EMERGENCY))) return EMERGENCY;
    if (f.whileClosed().isPresent()) return WHILE_CLOSED;
    if (f.closed().equals(Optional.of(Gate.Why.EXAMINE))) return EXAMINE;
    if (f.mapAsks().isPresent()) return MAP_ASKS;
    if (f.painTooHigh().isPresent()) return PAIN_TOO_HIGH;
    Optional<Flare> flare = f.rest().flare().filter(Flare::lasts);
    if (f.rest().examine().isPresent() || flare.filter(x -> x.unsettled(now)).isPresent()) {
      return FLARE_EXAMINE;
    }
    if (flare.isPresent()) return FLARE;
    if (f.lastRise().filter(r -> r >= ROSE_BY).isPresent()) return PAIN_ROSE;
    if (f.byItself().isPresent()) return BY_ITSELF;
    if (f.closed().isPresent()) return SCREEN;
    boolean away = f.rest().isAway(now);
    if (!away && f.quietSince(now).filter(at -> at.plus(QUIET_AFTER).isBefore(now)).isPresent()) {
      return QUIET;
    }
    if (f.message().isPresent()) return MESSAGE;
    if (f.pinForgotten()) return NEW_PIN;
    boolean due = f.lastSession().isPresent() && !away;
    if (due && f.review().filter(at -> !now.isBefore(at)).isPresent()) return REVIEW_DUE;
    if (f.renewable()) return SCREEN_SOON;
    if (f.draftWaits()) return DRAFT_NOT_SHARED;
    if (f.shared().isEmpty()) return NO_PROGRAM;
    if (!f.linkOpened()) return NOT_OPENED;
    if (f.lastSession().isEmpty()) return NOT_STARTED;
    if (away) return AWAY;
    return STEADY;
  }
}
