package org.biokinet.core.dose;

import java.text.MessageFormat;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalInt;
import java.util.ResourceBundle;
import org.biokinet.core.anatomy.Side;

/** Says a dose in words: "3 holds of 30 s on the left, 2 of 20 s on the right, up to 3 of 10". */
public final class DoseWords {

  private final DoseContext context;
  private final Locale locale;
  private final ResourceBundle bundle;

  public DoseWords(DoseContext context, Locale locale) {
    this.context = context;
    this.locale = locale;
    this.bundle = ResourceBundle.getBundle("org.biokinet.core.dose.words", locale);
  }

  public String of(Dose dose) {
    List<String> clauses = new ArrayList<>();
    if (dose instanceof Dose.Alike alike) {
      clauses.add(work(alike.both().work()) + spread(alike.both()));
      parts(clauses, alike.both());
    } else if (dose instanceof Dose.OneSide one) {
      clauses.add(work(one.dose().work()) + directions(one.dose()) + " " + on(one.side()));
      clauses.add(text("only", on(one.side())));
      parts(clauses, one.dose());
    } else if (dose instanceof Dose.LeftAndRight sided) {
      sided(clauses, sided.left(), Side.LEFT);
      sided(clauses, sided.right(), Side.RIGHT);
      common(clauses, sided);
    }
    return String.join(", ", clauses);
  }

  /** A side's own work, with those parts that differ between the sides. */
  private void sided(List<String> clauses, SideDose dose, Side side) {
    clauses.add(work(dose.work()) + directions(dose) + " " + on(side));
  }

  private void common(List<String> clauses, Dose.LeftAndRight sided) {
    List<String> left = new ArrayList<>();
    List<String> right = new ArrayList<>();
    parts(left, sided.left());
    parts(right, sided.right());
    if (left.equals(right)) {
      clauses.addAll(left);
      return;
    }
    // Same kinds on both sides, so the clauses stand in pairs.
    for (int i = 0; i < left.size(); i++) {
      boolean same = left.get(i).equals(right.get(i));
      clauses.add(
          same
              ? left.get(i)
              : text("pair", left.get(i), on(Side.LEFT), right.get(i), on(Side.RIGHT)));
    }
  }

  private String work(Work work) {
    if (work instanceof Work.Repetitions r) {
      String noun = context.mode() == Mode.CIRCLE ? "circles" : "reps";
      return sets(work, text(noun, r.reps()));
    }
    if (work instanceof Work.Holds h) {
      String length = length(h.hold());
      return switch (context.mode()) {
        case BREATH, GAZE, RELEASE, PULSE, WALK ->
            h.reps() == 1 ? length : text("times", h.reps(), length);
        case MOVE -> sets(work, text("reps.hold", h.reps(), length));
        default -> sets(work, text("holds", h.reps(), length));
      };
    }
    Work.ContractRelax c = (Work.ContractRelax) work;
    return sets(work, text("contract", c.cycles(), c.contractSeconds(), length(c.deeper())));
  }

  private String sets(Work work, String of) {
    return work.sets() == 1 ? of : text("sets", work.sets(), of);
  }

  private String length(Length length) {
    return text(length.unit().name().toLowerCase(Locale.ROOT), length.amount());
  }

  /** Each side, each way, and the sum where both multiply. */
  private String spread(SideDose dose) {
    StringBuilder out = new StringBuilder(directions(dose));
    if (context.sides().sided()) out.append(' ').append(text("each.side"));
    boolean bothWays = context.sides() == Sidedness.EACH_AND_DIRECTIONS && dose.only().isEmpty();
    if (bothWays && dose.work() instanceof Work.Repetitions r) {
      out.append(", ").append(text("in.all", 4 * r.sets() * r.reps()));
    }
    return out.toString();
  }

  private String directions(SideDose dose) {
    if (!context.sides().directed()) return "";
    return " " + dose.only().map(d -> text("only." + d.code())).orElseGet(() -> text("each.way"));
  }

  private void parts(List<String> clauses, SideDose dose) {
    limits(clauses, dose);
    part(clauses, "tempo", dose.tempo());
    part(clauses, dose.work().sets() > 1 ? "rest.sets" : "rest", dose.rest());
    part(clauses, "per.day", dose.perDay());
    part(clauses, "per.week", dose.perWeek());
    part(clauses, "every", dose.everyMinutes());
  }

  /** How strong, how hard and against what, as prescribed or usual: "at 30 % effort". */
  public String limits(SideDose dose) {
    List<String> clauses = new ArrayList<>();
    int effort = Volume.effort(dose, context);
    limits(clauses, effort > 0 ? dose.withEffort(OptionalInt.of(effort)) : dose);
    return String.join(", ", clauses);
  }

  private void limits(List<String> clauses, SideDose dose) {
    part(clauses, "ceiling", dose.ceiling());
    part(clauses, "effort", dose.effort());
    dose.resistance()
        .ifPresent(
            r ->
                clauses.add(
                    r instanceof Resistance.Weight w
                        ? text("weight", w.number())
                        : text("band", r.amount())));
  }

  private void part(List<String> clauses, String key, OptionalInt value) {
    if (value.isPresent()) clauses.add(text(key, value.getAsInt()));
  }

  private String on(Side side) {
    return text(side == Side.LEFT ? "on.left" : "on.right");
  }

  private String text(String key, Object... arguments) {
    return new MessageFormat(bundle.getString(key), locale).format(arguments);
  }
}
