package org.biokinet.app.client;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;

/**
 * How a client works and lives, as far as a program has to fit it.
 *
 * @param work in words
 * @param deskHours of a working day
 * @param means positions that the client can take and equipment at home
 * @param minutes for one session
 * @param consent the day on which the client agreed to treatment and to this record
 */
public record Circumstances(
    String work,
    Optional<BigDecimal> deskHours,
    OptionalInt screens,
    Optional<Shifts> shifts,
    Optional<Hand> hand,
    Means means,
    OptionalInt minutes,
    OptionalInt timesPerDay,
    Optional<LocalDate> consent) {

  /** When a client works. */
  public enum Shifts implements Coded {
    DAYS("days"),
    NIGHTS("nights"),
    ROTATING("rotating");

    private final String code;

    Shifts(String code) {
      this.code = code;
    }

    @Override
    public String code() {
      return code;
    }
  }

  /** The dominant hand. */
  public enum Hand implements Coded {
    LEFT("left"),
    RIGHT("right"),
    BOTH("both");

    private final String code;

    Hand(String code) {
      this.code = code;
    }

    @Override
    public String code() {
      return code;
    }
  }

  /**
   * What is taken to be at hand until somebody says otherwise; no bed, which is the safer guess.
   */
  static final Set<Equipment> USUAL_EQUIPMENT =
      EnumSet.of(Equipment.CHAIR, Equipment.WALL, Equipment.TOWEL, Equipment.ROLLED_TOWEL);

  /** Nothing known but the work. */
  public static Circumstances of(String work) {
    return new Circumstances(
        work,
        Optional.empty(),
        OptionalInt.empty(),
        Optional.empty(),
        Optional.empty(),
        new Means(EnumSet.allOf(Position.class), USUAL_EQUIPMENT),
        OptionalInt.empty(),
        OptionalInt.empty(),
        Optional.empty());
  }

  public Circumstances with(Means other) {
    return new Circumstances(
        work, deskHours, screens, shifts, hand, other, minutes, timesPerDay, consent);
  }

  public Circumstances agreed(LocalDate day) {
    return new Circumstances(
        work, deskHours, screens, shifts, hand, means, minutes, timesPerDay, Optional.of(day));
  }

  public Circumstances desk(double hours, int displays, Shifts when) {
    return new Circumstances(
        work,
        Optional.of(BigDecimal.valueOf(hours)),
        OptionalInt.of(displays),
        Optional.of(when),
        hand,
        means,
        minutes,
        timesPerDay,
        consent);
  }

  public Circumstances time(int mostMinutes, int times, Hand dominant) {
    return new Circumstances(
        work,
        deskHours,
        screens,
        shifts,
        Optional.of(dominant),
        means,
        OptionalInt.of(mostMinutes),
        OptionalInt.of(times),
        consent);
  }

  public static String codes(Set<? extends Coded> of) {
    return of.stream().map(Coded::code).sorted().collect(Collectors.joining(" "));
  }

  public static <T extends Enum<T> & Coded> Set<T> read(Class<T> type, String codes) {
    return Arrays.stream(codes.split(" ", -1))
        .flatMap(code -> Coded.find(type, code).stream())
        .collect(Collectors.toCollection(() -> EnumSet.noneOf(type)));
  }
}
