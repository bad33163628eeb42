package org.biokinet.core.cli;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintStream;
import java.util.List;
import java.util.Optional;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.progress.Decision;
import org.biokinet.core.progress.DiaryDocument;
import org.biokinet.core.progress.Review;

/** Decides a diary, item by item and side by side: as text, or as JSON. */
final class DecideCommand {

  private static final String USAGE = "usage: biokinet decide DIARY [--json]";

  private final PrintStream out;
  private final PrintStream err;

  DecideCommand(PrintStream out, PrintStream err) {
    this.out = out;
    this.err = err;
  }

  int run(List<String> arguments) {
    boolean asJson = arguments.contains("--json");
    List<String> files = arguments.stream().filter(a -> !a.equals("--json")).toList();
    if (files.size() != 1 || files.get(0).startsWith("--")) {
      err.println(USAGE);
      return Main.BAD_INPUT;
    }
    Optional<String> text = Main.text(files.get(0), err);
    if (text.isEmpty()) return Main.BAD_INPUT;
    DiaryDocument.Reading reading = DiaryDocument.read(text.get(), Catalogue.load());
    if (reading instanceof DiaryDocument.Reading.Bad bad) {
      bad.faults().forEach(err::println);
      return Main.BAD_INPUT;
    }
    Review review = Review.of(((DiaryDocument.Reading.Ok) reading).diary());
    if (asJson) out.println(json(review).toPrettyString());
    else print(review);
    return Main.OK;
  }

  private static ObjectNode json(Review review) {
    ObjectNode root = new ObjectMapper().createObjectNode();
    root.put("rules", Decision.RULES);
    for (Decision d : review.decisions()) {
      ObjectNode node = root.withArray("decisions").addObject();
      node.put("part", d.part().text()).put("outcome", d.outcome().word());
      node.putObject("line")
          .put("number", d.line().number())
          .put("title", d.line().title())
          .put("condition", d.line().condition());
      node.put("now", dose(d.now())).put("atTarget", d.atTarget());
      d.next().ifPresent(n -> node.put("next", dose(n)));
      d.evidence().forEach(node.putArray("evidence")::add);
      d.barred().forEach(node.putArray("barred")::add);
      d.takes().forEach(node.putArray("takes")::add);
      d.asks().stream().sorted().map(Decision.Ask::words).forEach(node.putArray("asks")::add);
    }
    review.course().ifPresent(c -> root.put("program", c.words()));
    return root;
  }

  private void print(Review review) {
    for (Decision d : review.decisions()) {
      String next = d.next().map(DecideCommand::dose).orElse("–");
      String dose = next.equals(dose(d.now())) ? next : dose(d.now()) + " → " + next;
      out.println("%s: %s  %s".formatted(d.part().text(), d.outcome().word(), dose));
      out.println("  line %d, %s".formatted(d.line().number(), d.line().title()));
      out.println("  " + String.join(", ", d.evidence()));
      d.barred().forEach(b -> out.println("  barred: " + b));
      out.println("  otherwise: " + String.join("; ", d.takes()));
      d.asks().stream().sorted().forEach(a -> out.println("  ! " + a.words()));
    }
    review.course().ifPresent(c -> out.println("program: " + c.words()));
  }

  private static String dose(SideDose dose) {
    return DoseNotation.format(new Dose.Alike(dose));
  }
}
