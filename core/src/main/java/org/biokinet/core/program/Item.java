package org.biokinet.core.program;

import java.util.Optional;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.Group;

/**
 * An exercise with its dose in a program.
 *
 * @param order alternate or block; empty for the usual one
 * @param lead the leading side; empty for the session's
 * @param target where its ladder ends, on each side; empty for the catalogue's
 */
public record Item(
    Exercise exercise,
    Dose dose,
    Position position,
    Optional<Order> order,
    Optional<Side> lead,
    Priority priority,
    Optional<Dose> target) {

  /** What a short session keeps. */
  public enum Priority implements Coded {
    HIGH("high"),
    NORMAL("normal");

    private final String code;

    Priority(String code) {
      this.code = code;
    }

    @Override
    public String code() {
      return code;
    }
  }

  public Item {
    if (!exercise.positions().contains(position)) {
      throw new IllegalArgumentException(
          exercise.id() + " is not done " + position.label() + " (" + position.code() + ")");
    }
    if (!exercise.sided()
        && !(dose instanceof Dose.Alike
            && target.stream().allMatch(Dose.Alike.class::isInstance))) {
      throw new IllegalArgumentException(exercise.id() + " has no sides");
    }
  }

  public Item(Exercise exercise, Dose dose) {
    this(
        exercise,
        dose,
        exercise.usualPosition(),
        Optional.empty(),
        Optional.empty(),
        Priority.NORMAL,
        Optional.empty());
  }

  /** The same with another dose. */
  public Item dosed(Dose other) {
    return new Item(exercise, other, position, order, lead, priority, target);
  }

  /** Whether it can be told which side was tighter: of a stretch that is done on both. */
  public boolean comparesSides() {
    return exercise.sided()
        && exercise.doseContext().mode() == Mode.HOLD
        && dose.on(Side.LEFT).isPresent()
        && dose.on(Side.RIGHT).isPresent();
  }

  /** The same in another position. */
  public Item in(Position other) {
    return new Item(exercise, dose, other, order, lead, priority, target);
  }

  /** The end of the ladder on one side; empty where that side is not treated. */
  public Optional<SideDose> target(Side side) {
    if (dose.on(side).isEmpty()) return Optional.empty();
    return target.flatMap(t -> t.on(side)).or(() -> exercise.target().on(side));
  }

  /**
   * The order of the sides: holds and timed work alternate, neck mobility alternates through the
   * middle, all other movements and circles finish one side first.
   */
  public Order effectiveOrder() {
    Mode mode = exercise.doseContext().mode();
    boolean oneSideFirst =
        mode == Mode.CIRCLE || (mode == Mode.MOVE && exercise.group() != Group.NECK_MOBILITY);
    return order.orElse(oneSideFirst ? Order.BLOCK : Order.ALTERNATE);
  }
}
