package org.biokinet.app.worklist;

import com.fasterxml.jackson.annotation.JsonIgnore;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.biokinet.app.client.Matter;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.core.progress.Attention;
import org.biokinet.core.progress.Pause;
import org.biokinet.core.progress.SideShare;
import org.biokinet.core.screening.Beginning;
import org.biokinet.core.screening.Gate;

/**
 * Where a client stands, as facts; {@link StandingWords} says them. Whatever depends on the time of
 * day (today, yesterday) is left to the words, so that this changes only with the record, or at
 * {@code validUntil}.
 *
 * @param since when the reason began
 * @param validUntil when time alone changes something; empty where it does not
 * @param open what waits to be dealt with, the newest first
 * @param called the newest call, if it was after the reason began
 * @param result what the screening comes to; empty where the gate is closed
 * @param linkMade of the link in force
 * @param everOpened whether any link was ever opened
 * @param week the days of the last week and a day on which something was done
 * @param measured the day of the last visit
 * @param away the newest pause, over or not
 * @param suggested what the record comes to, where it says more than to stay
 * @param smaller with which smaller doses they have begun again; empty where with none
 * @param share how much of each side is done; empty where too little is known
 * @param review when the next one is due; empty where there is nothing to review
 * @param desk since when there was no break at the desk; empty where there is no program for it
 * @param later where they are put off; empty where they are not, or something has come up since
 */
public record Standing(
    Attention attention,
    Instant since,
    Optional<Instant> validUntil,
    List<Matter> open,
    Optional<Called> called,
    Optional<Gate.Why> closed,
    String result,
    boolean renewable,
    Optional<LocalDate> gateUntil,
    List<String> locks,
    Optional<OpenedBy> openedBy,
    Optional<Instant> pinForgotten,
    Optional<Instant> linkMade,
    Optional<Instant> linkOpened,
    boolean everOpened,
    Optional<Shared> shared,
    Optional<ProgramVersion.Name> draft,
    Optional<Last> last,
    List<Day> week,
    Optional<LocalDate> measured,
    Optional<Flaring> flare,
    Optional<Away> away,
    Optional<Suggested> suggested,
    Optional<Beginning> smaller,
    Optional<SideShare> share,
    Optional<LocalDate> review,
    Optional<Instant> desk,
    Optional<Later> later) {

  /** Counts up when this record or the order changes; rows of another form are made anew. */
  public static final int FORM = 8;

  /** The record on which the gate stands open. */
  public record OpenedBy(String who, Instant at, String examined, String found) {}

  /** That somebody has called, and what came of it. */
  public record Called(Instant at, String note) {}

  public record Shared(ProgramVersion.Name version, Instant at) {}

  /** A flare that lasts, and until when its plan is followed. */
  public record Flaring(Instant begun, Instant until) {}

  /**
   * The strongest of what a review would suggest.
   *
   * @param what the item, with its side
   * @param why the first thing that speaks for it
   * @param others how many there are beside
   */
  public record Suggested(String what, String why, int others) {}

  /** When they are back on the list, and why not before. */
  public record Later(Instant until, String reason) {}

  /** The newest pause, whether it is to come, lasts or is over. */
  public record Away(Pause.Kind kind, LocalDate from, LocalDate last) {}

  /** The last session, with what was said of pain. */
  public record Last(Instant at, Optional<Integer> painBefore, Optional<Integer> highestPain) {}

  /** One day on which something was done, in the client's zone. */
  public record Day(LocalDate date, boolean left, boolean right, boolean stopped, int sessions) {}

  /** What waits of this sort; empty where nothing does. */
  public Optional<Matter> open(Attention as) {
    return open.stream().filter(o -> o.as() == as).findFirst();
  }

  /** After a stop nothing goes on until the outcome is written down. */
  @JsonIgnore
  public boolean isPaused() {
    return open(Attention.STOPPED).isPresent();
  }

  /** Sessions of the seven days that end today. */
  public int sessions(LocalDate today) {
    return week.stream()
        .filter(d -> d.date().isAfter(today.minusDays(7)))
        .mapToInt(Day::sessions)
        .sum();
  }
}
