package org.biokinet.core.dose;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.biokinet.core.anatomy.Side;
import org.jspecify.annotations.Nullable;

/**
 * The one line of text that says a whole dose. Forgiving on input, exactly one form on output:
 * {@code parse(format(d)) = d} for every valid dose.
 *
 * <pre>
 * 3x30s @4        three holds of 30 s, up to 4 of 10
 * L 3x30s R 2x20s each side its own
 * 2x10 band2     against the second band
 * 10min           a walk
 * 2x10 t6s 2/d    two sets of ten, 6 s each, twice a day
 * cr3(6s+15s)     contract 6 s, deeper 15 s, three times
 * </pre>
 */
public final class DoseNotation {

  /** The longest text that is read at all; a dose is one short line. */
  public static final int LONGEST_TEXT = 120;

  private DoseNotation() {}

  /** Reads a typed dose; never throws on bad input. */
  public static Parsed parse(String text, DoseContext context) {
    if (text.length() > LONGEST_TEXT) {
      return new Parsed.Fault(
          "a dose is at most " + LONGEST_TEXT + " characters",
          LONGEST_TEXT,
          text.length(),
          List.of());
    }
    try {
      Dose dose = new DoseParser(text, context).parse();
      return new Parsed.Understood(dose, format(dose));
    } catch (DoseParser.Refusal refusal) {
      return refusal.toFault(text, context);
    }
  }

  /**
   * The canonical form; L stands before R, and a factor of 1 is left out unless it is the one
   * repetition of a movement that ends in a hold.
   */
  public static String format(Dose dose) {
    StringBuilder out = new StringBuilder(32);
    if (dose instanceof Dose.Alike alike) {
      work(out, alike.both().work());
      parts(out, alike.both(), null);
    } else if (dose instanceof Dose.OneSide one) {
      out.append(one.side().letter()).append(' ');
      work(out, one.dose().work());
      parts(out, one.dose(), null);
    } else if (dose instanceof Dose.LeftAndRight sided) {
      out.append(Side.LEFT.letter()).append(' ');
      work(out, sided.left().work());
      parts(out, sided.left(), sided.right());
      out.append(' ').append(Side.RIGHT.letter()).append(' ');
      work(out, sided.right().work());
      parts(out, sided.right(), null);
    }
    return out.toString();
  }

  private static void work(StringBuilder out, Work work) {
    if (work.sets() > 1) out.append(work.sets()).append('x');
    if (work instanceof Work.Repetitions r) {
      out.append(r.reps());
    } else if (work instanceof Work.Holds h) {
      if (h.reps() > 1 || h.atEnd()) out.append(h.reps()).append('x');
      length(out, h.hold());
    } else if (work instanceof Work.ContractRelax c) {
      out.append("cr").append(c.cycles()).append('(').append(c.contractSeconds()).append("s+");
      length(out, c.deeper());
      out.append(')');
    }
  }

  private static void length(StringBuilder out, Length length) {
    out.append(length.amount()).append(unit(length.unit()));
  }

  private static String unit(Length.Unit unit) {
    return switch (unit) {
      case SECONDS -> "s";
      case BREATHS -> "br";
      case MINUTES -> "min";
    };
  }

  /** Parts in canonical order; what a later side repeats is common and printed there only. */
  private static void parts(StringBuilder out, SideDose dose, @Nullable SideDose later) {
    Optional<Direction> only = dose.only();
    if (only.isPresent() && (later == null || !only.equals(later.only()))) {
      out.append(' ').append(only.get().code());
    }
    part(out, " @", dose.ceiling(), "", later == null ? null : later.ceiling());
    part(out, " ", dose.effort(), "%", later == null ? null : later.effort());
    if (dose.resistance().isPresent()
        && (later == null || !dose.resistance().equals(later.resistance()))) {
      out.append(' ').append(dose.resistance().get().text());
    }
    part(out, " t", dose.tempo(), "s", later == null ? null : later.tempo());
    part(out, " rest ", dose.rest(), "s", later == null ? null : later.rest());
    part(out, " ", dose.perDay(), "/d", later == null ? null : later.perDay());
    part(out, " ", dose.perWeek(), "/w", later == null ? null : later.perWeek());
    part(out, " q", dose.everyMinutes(), "m", later == null ? null : later.everyMinutes());
  }

  private static void part(
      StringBuilder out,
      String before,
      OptionalInt value,
      String after,
      @Nullable OptionalInt later) {
    if (value.isPresent() && !value.equals(later)) {
      out.append(before).append(value.getAsInt()).append(after);
    }
  }
}
