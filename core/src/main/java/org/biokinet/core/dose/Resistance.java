package org.biokinet.core.dose;

/** What a resisted movement or hold works against. */
public sealed interface Resistance {

  /**
   * A weight.
   *
   * @param halves in half kilograms, so that 1.5 kg is a whole number
   */
  record Weight(int halves) implements Resistance {
    public Weight {
      Bounds.HALF_KILOGRAMS.check(halves);
    }

    /** As it is written: {@code 1.5kg}. */
    @Override
    public String text() {
      return number() + "kg";
    }

    public String number() {
      return halves / 2 + (halves % 2 == 0 ? "" : ".5");
    }
  }

  /** An elastic band, from the weakest on. */
  record Band(int level) implements Resistance {
    public Band {
      Bounds.BAND.check(level);
    }

    @Override
    public String text() {
      return "band" + level;
    }
  }

  /** The one form in which it is written. */
  String text();

  /** For comparing like with like; a weight and a band are not. */
  default int amount() {
    return this instanceof Weight w ? w.halves() : ((Band) this).level();
  }

  /** Whether it is more than another; what cannot be compared counts as more. */
  default boolean moreThan(Resistance other) {
    return getClass() != other.getClass() || amount() > other.amount();
  }
}
