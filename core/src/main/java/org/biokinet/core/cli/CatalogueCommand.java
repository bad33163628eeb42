package org.biokinet.core.cli;

import java.io.PrintStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.Direction;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.ExerciseWords;
import org.biokinet.core.exercise.Precaution;
import org.biokinet.core.program.Ladder;
import org.biokinet.core.search.Search;

/** Lists the catalogue, or what of it fits some words; shows one entry in full. */
final class CatalogueCommand {

  private static final Locale LANGUAGE = Locale.ENGLISH;

  private final PrintStream out;
  private final PrintStream err;

  CatalogueCommand(PrintStream out, PrintStream err) {
    this.out = out;
    this.err = err;
  }

  int run(List<String> arguments) {
    List<String> words = new ArrayList<>();
    List<Side> sides = List.of(Side.LEFT, Side.RIGHT);
    for (int i = 0; i < arguments.size(); i++) {
      String argument = arguments.get(i);
      if (argument.equals("--side") && i + 1 < arguments.size()) {
        Optional<Side> side = side(arguments.get(++i));
        if (side.isEmpty()) return usage();
        sides = List.of(side.get());
      } else if (argument.startsWith("--")) {
        return usage();
      } else {
        words.add(argument);
      }
    }
    Catalogue catalogue = Catalogue.load();
    String wanted = String.join(" ", words);
    Optional<Exercise> one = catalogue.find(wanted);
    if (one.isPresent()) {
      show(catalogue, one.get(), sides);
      return Main.OK;
    }
    List<Exercise> found =
        wanted.isBlank()
            ? catalogue.all()
            : new Search(catalogue, catalogue.all(), LANGUAGE).find(wanted);
    if (found.isEmpty()) {
      err.println("no exercise fits \"" + wanted + "\"; try a muscle or a motion");
      return Main.BAD_INPUT;
    }
    found.forEach(this::line);
    return Main.OK;
  }

  private int usage() {
    err.println("usage: biokinet catalogue [WORD …] · biokinet catalogue ID [--side left|right]");
    return Main.BAD_INPUT;
  }

  private static Optional<Side> side(String name) {
    return switch (name) {
      case "left", "L" -> Optional.of(Side.LEFT);
      case "right", "R" -> Optional.of(Side.RIGHT);
      default -> Optional.empty();
    };
  }

  private void line(Exercise e) {
    out.println(
        "%-32s %-7s %-9s %-12s %-12s %-30s %s"
            .formatted(
                e.id(),
                e.doseContext().mode().code(),
                e.doseContext().sides().code(),
                DoseNotation.format(e.start()),
                DoseNotation.format(e.target()),
                e.positions().stream().map(Coded::code).collect(Collectors.joining(",")),
                e.targets().stream().map(Tissue::label).collect(Collectors.joining(", "))));
  }

  private void show(Catalogue catalogue, Exercise e, List<Side> sides) {
    ExerciseWords words = catalogue.words(e, LANGUAGE);
    out.println(words.name());
    field(
        "to",
        e.targets().stream()
            .map(t -> e.intentFor(t).code() + " " + t.label())
            .collect(Collectors.joining(", ")));
    field("why", words.why());
    field(
        "positions", e.positions().stream().map(Position::label).collect(Collectors.joining(", ")));
    field(
        "equipment",
        e.equipment().stream().map(Equipment::label).sorted().collect(Collectors.joining(", ")));
    field(
        "precautions",
        e.precautions().stream().map(Precaution::label).sorted().collect(Collectors.joining(", ")));
    field(
        "dose ladder",
        Ladder.of(e).rungs().stream()
            .map(r -> DoseNotation.format(new Dose.Alike(r)))
            .collect(Collectors.joining(" → ")));
    field("easier", e.easier().orElse(""));
    field("harder", e.harder().orElse(""));
    field("also called", String.join(", ", words.also()));
    Optional<Direction> direction = e.doseContext().directions().stream().findFirst();
    if (!e.sided()) {
      text(words.on(e, Optional.empty(), direction, LANGUAGE));
      return;
    }
    for (Side side : sides) {
      out.println();
      out.println("Treating the " + (side == Side.LEFT ? "left" : "right") + " side");
      text(words.on(e, Optional.of(side), direction, LANGUAGE));
    }
  }

  private void text(ExerciseWords words) {
    field("move", words.move());
    field("set-up", words.setup());
    field("how", words.how());
    field("contract", words.contract());
    field("where", words.feel());
    field("where not", words.not());
    words.faults().forEach(f -> field("if wrong", f.printed(LANGUAGE)));
    field("way out", words.out());
  }

  private void field(String label, String value) {
    if (!value.isEmpty()) out.println("  %-12s %s".formatted(label, value));
  }
}
