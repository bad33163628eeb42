package org.biokinet.core.session;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.timeline.Performance;

/**
 * One performance of a program, as it was done and told.
 *
 * @param program which of the client's two was done
 * @param version number of the shared version of it
 * @param lead the side that went first
 * @param day in the client's zone
 * @param painBefore 0–10; empty where it was not told
 * @param secondsDone of all segments, the pauses too; {@code secondsPlanned} likewise
 * @param whileClosed whether the gate was closed to it: then it is no session for the gate
 * @param putRight what of it the device had told wrongly, in words; empty where nothing was
 * @param told how it became known
 * @param parts what was done of each item and side
 * @param checkIn what was said afterwards; it may come later
 * @param eased what was made easier while it was done
 * @param pressed back, on, too strong, in the order in which it was pressed
 * @param settled the last word about that; empty where it was not told
 */
public record Session(
    ProgramKind program,
    int version,
    Side lead,
    SessionLength length,
    Instant startedAt,
    LocalDate day,
    Optional<Integer> painBefore,
    Ended ended,
    int secondsDone,
    int secondsPlanned,
    boolean whileClosed,
    String putRight,
    Told told,
    List<Performance.Part> parts,
    Optional<CheckIn> checkIn,
    Optional<Settled> settled,
    Set<Eased> eased,
    List<Pressed> pressed) {

  /**
   * Whether the pain that rose in it had settled.
   *
   * @param at when that was told
   */
  public record Settled(boolean settled, Instant at) {}

  /** A gap in a device's timer longer than this was slept, not worked; our choice. */
  public static final Duration SLEPT = Duration.ofSeconds(15);

  /** After a longer pause the body is cold and pain is asked again; our choice. */
  public static final Duration RETURN_WITHIN = Duration.ofMinutes(30);

  /** How long a tap by mistake, on an end or an answer, can be put right; our choice. */
  public static final Duration PUT_RIGHT_WITHIN = Duration.ofMinutes(5);

  public Session {
    parts = List.copyOf(parts);
    eased = Set.copyOf(eased);
    pressed = List.copyOf(pressed);
  }

  /** As the player tells of it where nothing was eased or put right. */
  public static Session plain(
      ProgramKind program,
      int version,
      Instant startedAt,
      LocalDate day,
      Optional<Integer> painBefore,
      Ended ended,
      int secondsDone,
      int secondsPlanned,
      List<Performance.Part> parts,
      Optional<CheckIn> checkIn,
      Optional<Settled> settled) {
    return new Session(
        program,
        version,
        Side.LEFT,
        SessionLength.USUAL,
        startedAt,
        day,
        painBefore,
        ended,
        secondsDone,
        secondsPlanned,
        false,
        "",
        Told.PLAYER,
        parts,
        checkIn,
        settled,
        Set.of(),
        List.of());
  }

  /** Seconds of stretch done on one side; a stretch of both sides at once counts for each. */
  public int stretchSeconds(Side side) {
    return new Performance(parts).stretchSeconds(side);
  }

  /** During it, 0–10; empty where it was not told. */
  public Optional<Integer> highestPain() {
    return checkIn.flatMap(CheckIn::highestPain);
  }

  /** Highest pain minus pain before; empty while either was not told. */
  public Optional<Integer> rise() {
    return highestPain().flatMap(high -> painBefore.map(before -> high - before));
  }

  /**
   * Where it was too strong: as it was said afterwards, where what was pressed is gone over; as it
   * was pressed where nothing was said.
   */
  public Set<ItemSide> tooStrong() {
    return checkIn.map(CheckIn::tooStrong).orElseGet(() -> parts(Pressed.What.TOO_STRONG));
  }

  /** Where this was pressed, however often. */
  public Set<ItemSide> parts(Pressed.What what) {
    return pressed.stream()
        .filter(p -> p.what() == what)
        .map(Pressed::part)
        .collect(Collectors.toUnmodifiableSet());
  }

  public boolean stopped() {
    return ended == Ended.STOPPED;
  }
}
