package org.biokinet.core.program;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.biokinet.core.anatomy.Side;

/**
 * How an item goes through the weeks to come. Days are days of the client's; a plan keeps them
 * while today moves on.
 *
 * @param from the first day on which it is done; empty where it is done already
 * @param until the first day on which it is done no longer; empty where it goes on
 * @param holds the reviews at which no step is wanted
 */
public record Weeks(Optional<LocalDate> from, Optional<LocalDate> until, List<Hold> holds) {

  /** Done from now on, with every step as soon as it may be. */
  public static final Weeks USUAL = new Weeks(Optional.empty(), Optional.empty(), List.of());

  /**
   * No step at a review.
   *
   * @param side empty for both
   */
  public record Hold(LocalDate review, Optional<Side> side) {

    boolean on(Side other) {
      return side.isEmpty() || side.get() == other;
    }
  }

  public Weeks {
    holds = List.copyOf(holds);
  }

  /** Whether it is done on a day. */
  public boolean done(LocalDate day) {
    return from.filter(day::isBefore).isEmpty() && !ended(day);
  }

  public boolean ended(LocalDate day) {
    return until.filter(u -> !day.isBefore(u)).isPresent();
  }

  /**
   * Whether the step of a side is held at a review.
   *
   * @param after the review before; a hold between the two belongs to the later
   */
  public boolean held(LocalDate after, LocalDate review, Side side) {
    return holds.stream()
        .anyMatch(h -> h.on(side) && h.review().isAfter(after) && !h.review().isAfter(review));
  }

  public Weeks from(Optional<LocalDate> day) {
    return new Weeks(day, until.filter(u -> day.filter(d -> !d.isBefore(u)).isEmpty()), holds);
  }

  public Weeks until(Optional<LocalDate> day) {
    return new Weeks(from.filter(f -> day.filter(d -> !f.isBefore(d)).isEmpty()), day, holds);
  }

  /** With a hold on these sides, which are one or both; held already stays held. */
  public Weeks hold(LocalDate after, LocalDate review, List<Side> sides) {
    List<Hold> all = new ArrayList<>(holds);
    for (Side side : sides) {
      if (!held(after, review, side)) all.add(new Hold(review, Optional.of(side)));
    }
    return new Weeks(from, until, all);
  }

  /** Without one on these sides; a side that is not named keeps what it has. */
  public Weeks release(LocalDate after, LocalDate review, List<Side> sides) {
    List<Hold> left = new ArrayList<>();
    for (Hold h : holds) {
      boolean here = h.review().isAfter(after) && !h.review().isAfter(review);
      if (!here) {
        left.add(h);
        continue;
      }
      for (Side side : Side.values()) {
        if (h.on(side) && !sides.contains(side)) left.add(new Hold(h.review(), Optional.of(side)));
      }
    }
    return new Weeks(from, until, left);
  }
}
