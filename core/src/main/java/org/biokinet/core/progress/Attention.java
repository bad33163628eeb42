package org.biokinet.core.progress;

import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.screening.Gate;
import org.biokinet.core.session.Session;

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
  /** A flare has not settled in time, or is the second within four weeks. */
  FLARE_EXAMINE(Level.STOP),
  /** Pain before a session was too high to start. */
  PAIN_TOO_HIGH(Level.STOP),
  /** A flare lasts, and the plan for it is followed. */
  FLARE(Level.EASE),
  /** Pain rose by 3 or more in the last session. */
  PAIN_ROSE(Level.EASE),
  /** The client has marked something on the body map that was not there before. */
  NEW_SYMPTOM(Level.EASE),
  /** A part is to be eased for the second time within four weeks. */
  RE_EXAMINE(Level.STOP),
  /** The record says that a part is to be eased. */
  WORSE(Level.EASE),
  /** It was eased, or stays, by itself, and nobody has seen that. */
  BY_ITSELF(Level.EASE),
  /** Nothing may start before somebody has been screened, or screened again. */
  SCREEN(Level.STAY),
  /** Back after a gap, with smaller doses until somebody has looked. */
  RETURNED(Level.STAY),
  /** Nothing done for {@link #QUIET_AFTER}. */
  QUIET(Level.STAY),
  /** Far less is done on one side than on the other. */
  ONE_SIDE(Level.STAY),
  /** The client has asked or said something that nobody has answered. */
  MESSAGE(Level.STAY),
  /** The client has forgotten the PIN and asks for another. */
  NEW_PIN(Level.PLAIN),
  /** The record says that a part may go on, before its day. */
  READY(Level.PLAIN),
  /** The day that was planned for the next review has come. */
  REVIEW_DUE(Level.STAY),
  /** The screening ends soon; who is asked in time is not shut out. */
  SCREEN_SOON(Level.PLAIN),
  /** No break at the desk for {@link #QUIET_AFTER}, although there is a program for it. */
  DESK_SILENT(Level.PLAIN),
  /** Opened, but no session yet. */
  NOT_STARTED(Level.PLAIN),
  /** Shared, but no link was made or it was never opened. */
  NOT_OPENED(Level.PLAIN),
  /** A draft waits to be shared. */
  DRAFT_NOT_SHARED(Level.PLAIN),
  /** No program yet. */
  NO_PROGRAM(Level.PLAIN),
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
   * @param newSymptom the last new mark on the client's own map that nobody has dealt with
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
      Optional<Instant> byItself,
      Optional<Instant> newSymptom,
      Progress progress) {

    /** Neither pause nor flare, no review planned, and nothing to be read off the record. */
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
          Optional.empty(),
          Optional.empty(),
          Progress.NONE);
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

  /**
   * What the record comes to.
   *
   * @param reExamine whether a part is to be eased for the second time, {@code worse} whether one
   *     is to be eased, {@code ready} whether one may go on
   * @param returned whether doses are smaller after a gap
   * @param behind the side on which far less is done
   * @param desk since when there was no break at the desk; empty where there is no program for it
   */
  public record Progress(
      boolean reExamine,
      boolean worse,
      boolean ready,
      boolean returned,
      Optional<Side> behind,
      Optional<Instant> desk) {

    public static final Progress NONE =
        new Progress(false, false, false, false, Optional.empty(), Optional.empty());

    /** Whoever has just decided to wait with a step is not asked again at once; our choice. */
    static final Duration DECIDED = Duration.ofDays(7);

    /**
     * @param review of now; empty where there is nothing to review
     * @param decided when a review was made last: what nothing has been done since is decided
     * @param lately sessions of the last days
     */
    public static Progress of(
        Optional<Review> review,
        Optional<Instant> decided,
        Instant now,
        boolean returned,
        Collection<Session> lately,
        Optional<Instant> desk) {
      boolean news =
          lately.stream().anyMatch(s -> decided.filter(at -> !s.startedAt().isAfter(at)).isEmpty());
      List<Decision> all = review.filter(r -> news).map(Review::decisions).orElse(List.of());
      boolean settled = decided.filter(at -> at.plus(DECIDED).isAfter(now)).isPresent();
      return new Progress(
          all.stream().anyMatch(d -> d.asks().contains(Decision.Ask.RE_EXAMINE)),
          all.stream().anyMatch(d -> d.line() == Line.EASE),
          !settled && all.stream().anyMatch(d -> d.line() == Line.GO_ON),
          returned,
          SideShare.behind(lately),
          desk);
    }
  }

  /** When time alone may change it, the gate aside; empty where it does not. */
  public static Optional<Instant> changes(Facts f, Instant now) {
    // Quiet is who has been for longer than that.
    Stream<Instant> quiet =
        f.quietSince(now).stream().map(at -> at.plus(QUIET_AFTER).plusMillis(1));
    Stream<Instant> pause = Stream.concat(f.rest().away().stream(), f.rest().back().stream());
    Stream<Instant> flare = f.rest().flare().filter(Flare::lasts).map(Flare::examinedFrom).stream();
    Stream<Instant> desk =
        f.progress().desk().stream().map(at -> at.plus(QUIET_AFTER).plusMillis(1));
    return Stream.of(quiet, pause, flare, desk, f.review().stream())
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
    Optional<Flare> flare = f.rest().flare().filter(Flare::lasts);
    if (f.rest().examine().isPresent() || flare.filter(x -> x.unsettled(now)).isPresent()) {
      return FLARE_EXAMINE;
    }
    if (f.painTooHigh().isPresent()) return PAIN_TOO_HIGH;
    if (flare.isPresent()) return FLARE;
    if (f.lastRise().filter(r -> r >= ROSE_BY).isPresent()) return PAIN_ROSE;
    if (f.newSymptom().isPresent()) return NEW_SYMPTOM;
    if (f.progress().reExamine()) return RE_EXAMINE;
    if (f.progress().worse()) return WORSE;
    if (f.byItself().isPresent()) return BY_ITSELF;
    if (f.closed().isPresent()) return SCREEN;
    boolean away = f.rest().isAway(now);
    boolean quiet = !away && longAgo(f.quietSince(now), now);
    if (f.progress().returned() && !away && !quiet && f.lastSession().isPresent()) return RETURNED;
    if (quiet) return QUIET;
    boolean behind = f.shared().isPresent() && f.progress().behind().isPresent();
    if (!away && behind) return ONE_SIDE;
    if (f.message().isPresent()) return MESSAGE;
    if (f.pinForgotten()) return NEW_PIN;
    boolean due = f.lastSession().isPresent() && !away;
    if (due && f.progress().ready()) return READY;
    if (due && f.review().filter(at -> !now.isBefore(at)).isPresent()) return REVIEW_DUE;
    if (f.renewable()) return SCREEN_SOON;
    if (due && longAgo(f.progress().desk(), now)) return DESK_SILENT;
    if (f.shared().isPresent() && f.linkOpened() && f.lastSession().isEmpty()) return NOT_STARTED;
    if (f.shared().isPresent() && !f.linkOpened()) return NOT_OPENED;
    if (f.draftWaits()) return DRAFT_NOT_SHARED;
    if (f.shared().isEmpty()) return NO_PROGRAM;
    if (away) return AWAY;
    return STEADY;
  }

  private static boolean longAgo(Optional<Instant> last, Instant now) {
    return last.filter(at -> at.plus(QUIET_AFTER).isBefore(now)).isPresent();
  }
}
