package org.biokinet.app.library.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Direction;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.DoseWords;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.ExerciseWords;
import org.biokinet.core.figure.draw.Figure;
import org.biokinet.core.program.Ladder;

/**
 * An entry as its page shows it.
 *
 * @param lines what the client hears and reads
 * @param ladder from the start dose to the target
 * @param drawn whether there is a picture of it
 * @param revision of the practice's own; 0 as shipped
 */
public record EntryView(
    Exercise exercise,
    ExerciseWords words,
    List<Aspect> lines,
    boolean circles,
    List<Rung> ladder,
    Optional<Link> easier,
    Optional<Link> harder,
    boolean drawn,
    boolean retired,
    int revision) {

  /** One part of the words on each side; an entry without sides has the same on both. */
  public record Aspect(String label, String left, String right) {
    public boolean same() {
      return left.equals(right);
    }
  }

  public record Rung(String dose, String meaning) {}

  public record Link(String id, String name) {}

  static EntryView of(Catalogue catalogue, Exercise e, Locale locale) {
    ExerciseWords words = catalogue.words(e, locale);
    Optional<Direction> first = e.doseContext().directions().stream().findFirst();
    Optional<Side> left = e.sided() ? Optional.of(Side.LEFT) : Optional.empty();
    Optional<Side> right = e.sided() ? Optional.of(Side.RIGHT) : Optional.empty();
    DoseWords doses = new DoseWords(e.doseContext(), locale);
    return new EntryView(
        e,
        words,
        lines(words.on(e, left, first, locale), words.on(e, right, first, locale), locale),
        first.isPresent(),
        Ladder.of(e).rungs().stream()
            .map(r -> (Dose) new Dose.Alike(r))
            .map(d -> new Rung(DoseNotation.format(d), doses.of(d)))
            .toList(),
        e.easier().map(catalogue::get).map(x -> link(catalogue, x, locale)),
        e.harder().map(catalogue::get).map(x -> link(catalogue, x, locale)),
        Figure.of(e, Side.RIGHT).isPresent(),
        catalogue.isRetired(e),
        catalogue.revision(e));
  }

  private static Link link(Catalogue catalogue, Exercise e, Locale locale) {
    return new Link(e.id(), catalogue.words(e, locale).name());
  }

  /** The parts that there are, in the order of the work. */
  static List<Aspect> lines(ExerciseWords left, ExerciseWords right, Locale locale) {
    List<Aspect> lines = new ArrayList<>();
    add(lines, "Movement", left.move(), right.move());
    add(lines, "Set-up", left.setup(), right.setup());
    add(lines, "How", left.how(), right.how());
    add(lines, "Contract", left.contract(), right.contract());
    add(lines, "Where it is felt", left.feel(), right.feel());
    add(lines, "Where not", left.not(), right.not());
    for (int i = 0; i < Math.min(left.faults().size(), right.faults().size()); i++) {
      add(
          lines,
          "If wrong",
          left.faults().get(i).printed(locale),
          right.faults().get(i).printed(locale));
    }
    add(lines, "Way out", left.out(), right.out());
    return lines;
  }

  private static void add(List<Aspect> lines, String label, String left, String right) {
    if (!left.isEmpty() || !right.isEmpty()) lines.add(new Aspect(label, left, right));
  }
}
