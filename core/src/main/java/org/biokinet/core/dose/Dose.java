package org.biokinet.core.dose;

import java.util.Optional;
import org.biokinet.core.anatomy.Side;

/** How much of one exercise: the same for both sides, each side its own, or one side alone. */
public sealed interface Dose {

  /** Alike on both sides, or an exercise without sides. */
  record Alike(SideDose both) implements Dose {}

  /**
   * Each side its own. Equal sides are {@link Alike}; a kind of part stands on both sides or on
   * neither, because the notation has no other way to say it.
   */
  record LeftAndRight(SideDose left, SideDose right) implements Dose {
    public LeftAndRight {
      if (left.equals(right)) throw new IllegalArgumentException("equal sides are alike");
      if (left.only().isPresent() != right.only().isPresent()
          || left.ceiling().isPresent() != right.ceiling().isPresent()
          || left.effort().isPresent() != right.effort().isPresent()
          || left.resistance().isPresent() != right.resistance().isPresent()
          || left.tempo().isPresent() != right.tempo().isPresent()
          || left.rest().isPresent() != right.rest().isPresent()
          || left.perDay().isPresent() != right.perDay().isPresent()
          || left.perWeek().isPresent() != right.perWeek().isPresent()
          || left.everyMinutes().isPresent() != right.everyMinutes().isPresent()) {
        throw new IllegalArgumentException("a part stands on both sides or on neither");
      }
    }
  }

  /** One side alone. */
  record OneSide(Side side, SideDose dose) implements Dose {}

  /** Both sides, folded to {@link Alike} where they are equal. */
  static Dose of(SideDose left, SideDose right) {
    return left.equals(right) ? new Alike(left) : new LeftAndRight(left, right);
  }

  /** The dose of one side, empty where that side is left out. */
  default Optional<SideDose> on(Side side) {
    if (this instanceof Alike alike) return Optional.of(alike.both());
    if (this instanceof LeftAndRight sided) {
      return Optional.of(side == Side.LEFT ? sided.left() : sided.right());
    }
    OneSide one = (OneSide) this;
    return one.side() == side ? Optional.of(one.dose()) : Optional.empty();
  }

  /** The same dose with left and right exchanged. */
  default Dose mirrored() {
    if (this instanceof LeftAndRight sided) {
      return new LeftAndRight(/* left= */ sided.right(), /* right= */ sided.left());
    }
    if (this instanceof OneSide one) return new OneSide(one.side().opposite(), one.dose());
    return this;
  }
}
