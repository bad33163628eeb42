package org.biokinet.core.cli;

import java.io.PrintStream;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;

/** Lists the catalogue, or what of it fits some words. */
final class CatalogueCommand {

  private final PrintStream out;
  private final PrintStream err;

  CatalogueCommand(PrintStream out, PrintStream err) {
    this.out = out;
    this.err = err;
  }

  int run(List<String> arguments) {
    if (arguments.stream().anyMatch(a -> a.startsWith("--"))) {
      err.println("usage: biokinet catalogue [WORD …]");
      return Main.BAD_INPUT;
    }
    Catalogue catalogue = Catalogue.load();
    String wanted = String.join(" ", arguments);
    List<Exercise> found =
        wanted.isBlank() ? List.copyOf(catalogue.all()) : catalogue.search(wanted, Locale.ENGLISH);
    if (found.isEmpty()) {
      err.println("no exercise fits \"" + wanted + "\"; try a muscle or a motion");
      return Main.BAD_INPUT;
    }
    for (Exercise e : found) {
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
    return Main.OK;
  }
}
