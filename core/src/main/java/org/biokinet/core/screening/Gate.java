package org.biokinet.core.screening;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Whether anything may be prescribed, started or kept up: one rule, asked everywhere. Periods are
 * common practice, no source; the lease is our choice.
 */
public sealed interface Gate {

  /** A screening holds for this many days. */
  int VALID_DAYS = 90;

  /** From this day on it can be renewed, and both sides are reminded. */
  int REMIND_FROM_DAY = 76;

  /** After so many days without a session it is asked again. */
  int PAUSE_DAYS = 14;

  /** After so many days without a session one begins a rung lower. */
  int RETURN_DAYS = 7;

  /** How long a device may start sessions without asking again. */
  Duration LEASE = Duration.ofDays(3);

  /**
   * @param renewable whether it is time to ask again, so that nobody well is shut out
   * @param beginning the doses with which sessions are started
   * @param flare whether a flare lasts, so that only the plan for it is done
   * @param validUntil the last day of it
   */
  record Open(
      Assessment assessment,
      boolean renewable,
      Beginning beginning,
      boolean flare,
      LocalDate validUntil)
      implements Gate {

    /**
     * Until when a device may start sessions by itself.
     *
     * @param contact when it last spoke with the server
     */
    public Instant leaseUntil(Instant contact, ZoneId zone) {
      Instant ends = validUntil.plusDays(1).atStartOfDay(zone).toInstant();
      Instant lease = contact.plus(LEASE);
      return lease.isBefore(ends) ? lease : ends;
    }
  }

  /**
   * @param assessment empty where nobody has answered anything yet
   */
  record Closed(Why why, Optional<Assessment> assessment) implements Gate {}

  /** Why a gate is closed, and what opens it. */
  enum Why {
    ARCHIVED("archived", "Take the client up again first."),
    NOT_SCREENED("not screened yet", "Screen first."),
    EMERGENCY("emergency signs", "It opens on a recorded medical outcome, never on a reason."),
    EXAMINE("examine first", "Record what you examined and found."),
    TO_CONFIRM("answered at home, not confirmed", "Go through the answers and keep them."),
    CONSENT("under 18, no consent on record", "Record a guardian's consent."),
    STOPPED("stopped by the client", "Record the call or the outcome."),
    AFTER_STOP("a stop since the screening", "Screen again: a stop asks for it."),
    LAPSED("screening is over 90 days old", "Screen again, or let the client renew it."),
    AFTER_FEVER("a feverish illness since the screening", "Ask for the red flags first."),
    LONG_PAUSE("no session for 14 days", "Ask again whether anything is new.");

    private final String label;
    private final String opens;

    Why(String label, String opens) {
      this.label = label;
      this.opens = opens;
    }

    public String label() {
      return label;
    }

    public String opens() {
      return opens;
    }

    /** Whether something was answered that waits for an examination or a physician. */
    public boolean opensByRecord() {
      return this == EMERGENCY || this == EXAMINE;
    }

    /** Whether nothing but a medical outcome opens it. */
    public boolean needsPhysician() {
      return this == EMERGENCY;
    }

    /** Whether the outcome of a stop has to be written down. */
    public boolean opensByOutcome() {
      return this == STOPPED;
    }

    /** Whether a sign, a flag or a stop waits to be settled. */
    public boolean unsettled() {
      return opensByRecord() || opensByOutcome();
    }

    /** Whether the client can open it by telling what is new. */
    public boolean renewedByClient() {
      return this == LAPSED || this == AFTER_FEVER || this == LONG_PAUSE;
    }
  }

  /**
   * What a gate is decided on.
   *
   * @param answered the newest first; empty where nobody has answered anything
   * @param askAgain answers from before this moment open nothing any more (a new episode, a joined
   *     record); what they left unsettled still closes
   * @param lastStop when the client last stopped because something was wrong
   * @param stopOpen whether that still waits to be dealt with
   * @param lookedAt when a practitioner last shared a version or gave the full doses back
   * @param lastSession the day of the newest session of this program; empty where none was done
   * @param lately what happened beside the program
   * @param policy that was chosen at the last review
   */
  record Facts(
      boolean archived,
      List<Answered> answered,
      Optional<Instant> askAgain,
      Optional<Instant> lastStop,
      boolean stopOpen,
      Optional<Instant> lookedAt,
      Optional<LocalDate> lastSession,
      Lately lately,
      Policy policy) {
    public Facts {
      answered = List.copyOf(answered);
    }

    /** Nothing beside the program, comfort first. */
    public Facts(
        boolean archived,
        List<Answered> answered,
        Optional<Instant> askAgain,
        Optional<Instant> lastStop,
        boolean stopOpen,
        Optional<Instant> lookedAt,
        Optional<LocalDate> lastSession) {
      this(
          archived,
          answered,
          askAgain,
          lastStop,
          stopOpen,
          lookedAt,
          lastSession,
          Lately.NOTHING,
          Policy.COMFORT_FIRST);
    }
  }

  /**
   * What happened beside the program, each time the newest.
   *
   * @param session when the practice heard of one
   * @param returned a session after {@link #RETURN_DAYS} days or more without one
   * @param fever an illness with fever was told
   * @param flareBegun the client began the plan for a flare
   * @param flareEnded it was told, or written down, that this is over
   * @param flareUndone it was begun by mistake
   */
  record Lately(
      Optional<Instant> session,
      Optional<Instant> returned,
      Optional<Instant> fever,
      Optional<Instant> flareBegun,
      Optional<Instant> flareEnded,
      Optional<Instant> flareUndone) {
    public static final Lately NOTHING =
        new Lately(
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty());

    /** Whether a flare lasts. */
    public boolean flare() {
      return flareBegun
          .filter(at -> flareEnded.filter(end -> !at.isAfter(end)).isEmpty())
          .filter(at -> flareUndone.filter(end -> !at.isAfter(end)).isEmpty())
          .isPresent();
    }
  }

  static Gate of(Facts f, LocalDate today) {
    if (f.answered().isEmpty()) {
      return new Closed(f.archived() ? Why.ARCHIVED : Why.NOT_SCREENED, Optional.empty());
    }
    Answered newest = f.answered().get(0);
    Assessment a =
        Assessment.of(Answered.inForce(f.answered()), newest.clearance()).under(f.policy());
    Optional<Why> why =
        switch (a.result()) {
          case EMERGENCY -> Optional.of(Why.EMERGENCY);
          case EXAMINE -> Optional.of(Why.EXAMINE);
          case CONSENT -> Optional.of(Why.CONSENT);
          case CLEAR, PRECAUTIONS -> closed(f, newest, today);
        };
    if (f.archived()) why = Optional.of(Why.ARCHIVED);
    return why.map(w -> (Gate) new Closed(w, Optional.of(a)))
        .orElseGet(
            () ->
                new Open(
                    a,
                    ChronoUnit.DAYS.between(newest.day(), today) >= REMIND_FROM_DAY,
                    beginning(f, today),
                    f.lately().flare(),
                    newest.day().plusDays(VALID_DAYS - 1L)));
  }

  /**
   * The next day on which time alone may change it; empty where it does not. It may name a day too
   * many, never one too few.
   */
  static Optional<LocalDate> changes(Facts f, LocalDate today) {
    if (f.answered().isEmpty() || f.archived()) return Optional.empty();
    LocalDate asked = f.answered().get(0).day();
    return Stream.concat(
            Stream.of(asked.plusDays(REMIND_FROM_DAY), asked.plusDays(VALID_DAYS)),
            f.lastSession().stream()
                .flatMap(day -> Stream.of(day, asked))
                .map(day -> day.plusDays(PAUSE_DAYS)))
        .filter(day -> day.isAfter(today))
        .min(Comparator.naturalOrder());
  }

  /** Whether it is long since the session before, and not so long that it is asked again. */
  static boolean isReturn(LocalDate before, LocalDate day) {
    long days = ChronoUnit.DAYS.between(before, day);
    return days >= RETURN_DAYS && days < PAUSE_DAYS;
  }

  private static Beginning beginning(Facts f, LocalDate today) {
    if (reEntry(f)) return Beginning.RE_ENTRY;
    Lately lately = f.lately();
    if (sinceLook(f, lately.flareEnded())) return Beginning.TWO_DOWN;
    // Since the last look the doses are the practitioner's: what was before is in them.
    boolean away =
        sinceLook(f, lately.session())
            && f.lastSession().filter(day -> isReturn(day, today)).isPresent();
    return away || sinceLook(f, lately.returned()) ? Beginning.ONE_DOWN : Beginning.AS_SHARED;
  }

  private static boolean sinceLook(Facts f, Optional<Instant> happened) {
    Optional<Instant> looked =
        Stream.concat(
                f.lookedAt().stream(),
                f.answered().stream()
                    .filter(a -> a.source() == Answered.Source.PRACTITIONER)
                    .map(Answered::at))
            .max(Comparator.naturalOrder());
    return happened.filter(at -> looked.isEmpty() || at.isAfter(looked.get())).isPresent();
  }

  /** After a pause only the client has spoken for; a practitioner's look ends it. */
  private static boolean reEntry(Facts f) {
    for (Answered a : f.answered()) {
      boolean looked =
          a.source() == Answered.Source.PRACTITIONER
              || a.clearance().isPresent()
              || f.lookedAt().filter(at -> at.isAfter(a.at())).isPresent();
      if (looked) return false;
      if (a.source() == Answered.Source.AFTER_PAUSE) return true;
    }
    return false;
  }

  /** Whether the newest session is so long ago that it is asked again. */
  static boolean paused(Optional<LocalDate> lastSession, LocalDate today) {
    return lastSession.filter(day -> ChronoUnit.DAYS.between(day, today) >= PAUSE_DAYS).isPresent();
  }

  /** Why nothing may go on although the answers would allow it. */
  private static Optional<Why> closed(Facts f, Answered newest, LocalDate today) {
    if (f.stopOpen()) return Optional.of(Why.STOPPED);
    if (f.askAgain().filter(newest.at()::isBefore).isPresent()) {
      return Optional.of(Why.NOT_SCREENED);
    }
    if (newest.source() == Answered.Source.BEFORE_VISIT) return Optional.of(Why.TO_CONFIRM);
    if (f.lastStop().filter(at -> !at.isBefore(newest.at())).isPresent()) {
      return Optional.of(Why.AFTER_STOP);
    }
    if (f.lately().fever().filter(at -> !at.isBefore(newest.at())).isPresent()) {
      return Optional.of(Why.AFTER_FEVER);
    }
    if (ChronoUnit.DAYS.between(newest.day(), today) >= VALID_DAYS) {
      return Optional.of(Why.LAPSED);
    }
    // What was before the screening was asked about by it; who never began has no pause.
    Optional<LocalDate> since =
        f.lastSession().map(day -> day.isBefore(newest.day()) ? newest.day() : day);
    return paused(since, today) ? Optional.of(Why.LONG_PAUSE) : Optional.empty();
  }

  /** What the answers come to, open or closed; empty where nobody has answered anything. */
  default Optional<Assessment> answers() {
    return this instanceof Open open
        ? Optional.of(open.assessment())
        : ((Closed) this).assessment();
  }

  /** Whether a sign, a flag or a stop waits to be settled. */
  default boolean unsettled() {
    return this instanceof Closed closed && closed.why().unsettled();
  }

  /** Whether anything may go on. */
  default boolean open() {
    return this instanceof Open;
  }
}
