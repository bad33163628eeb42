package org.biokinet.core.cli;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.planning.Case;
import org.biokinet.core.planning.CaseDocument;
import org.biokinet.core.planning.Planner;
import org.biokinet.core.planning.Suggestion;
import org.biokinet.core.program.ProgramDocument;
import org.biokinet.core.timeline.Timeline;

/** Suggests a program for a case: as text, or as JSON. */
final class SuggestCommand {

  private static final String USAGE = "usage: biokinet suggest CASE [--json]";

  /** How far from the minutes of the case the curve goes (our choice). */
  private static final int CURVE = 5;

  private final PrintStream out;
  private final PrintStream err;
  private final Catalogue catalogue = Catalogue.load();
  private final Planner planner = new Planner(catalogue, Locale.ENGLISH);

  SuggestCommand(PrintStream out, PrintStream err) {
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
    CaseDocument.Reading reading = CaseDocument.read(text.get(), catalogue);
    if (reading instanceof CaseDocument.Reading.Bad bad) {
      bad.faults().forEach(err::println);
      return Main.BAD_INPUT;
    }
    Case c = ((CaseDocument.Reading.Ok) reading).read();
    Suggestion suggestion = planner.suggest(c);
    if (asJson) {
      out.println(json(c, suggestion).toPrettyString());
    } else {
      print(c, suggestion);
    }
    return Main.OK;
  }

  private List<Suggestion.Point> curve(Case c) {
    int least = Math.max(1, c.minutes() - CURVE);
    int most = Math.min(c.kind().mostMinutes(), c.minutes() + CURVE);
    return planner.curve(c, IntStream.rangeClosed(least, most).boxed().toList());
  }

  // ---- JSON --------------------------------------------------------------------------------

  private ObjectNode json(Case c, Suggestion s) {
    ObjectMapper mapper = new ObjectMapper();
    ObjectNode root = mapper.createObjectNode();
    try {
      root.set("program", mapper.readTree(ProgramDocument.write(s.program())));
    } catch (JsonProcessingException e) {
      throw new IllegalStateException(e); // it was written a moment ago
    }
    root.put("seconds", s.seconds()).put("worth", s.worth()).put("bound", s.bound());
    ArrayNode items = root.putArray("items");
    for (Suggestion.Place place : s.places()) {
      ObjectNode node = items.addObject();
      node.put("exercise", place.item().exercise().id()).put("seconds", place.seconds());
      node.put("given", place.given());
      ArrayNode serves = node.putArray("serves");
      for (Suggestion.Service service : place.serves()) {
        serves
            .addObject()
            .put("finding", s.served().get(service.finding()).finding().code())
            .put("words", service.words());
      }
    }
    ArrayNode findings = root.putArray("findings");
    for (Suggestion.Served served : s.served()) {
      ObjectNode node = findings.addObject();
      node.put("code", served.finding().code()).put("share", served.share());
      served.missing().forEach(node.withArray("missing")::add);
    }
    s.left().forEach(root.putArray("left")::add);
    s.notes().forEach(root.putArray("notes")::add);
    ArrayNode curve = root.putArray("curve");
    for (Suggestion.Point p : curve(c)) {
      curve.addObject().put("minutes", p.minutes()).put("worth", p.worth());
    }
    return root;
  }

  // ---- text --------------------------------------------------------------------------------

  private void print(Case c, Suggestion s) {
    out.println(
        "%s of %d min · worth %s of %s"
            .formatted(
                Timeline.clock(s.seconds()), c.minutes(), number(s.worth()), number(s.bound())));
    s.notes().forEach(note -> out.println("! " + note));
    int number = 0;
    for (Suggestion.Place place : s.places()) {
      out.println();
      out.println(
          "%d. %s  %s  %s  %s%s"
              .formatted(
                  ++number,
                  place.item().exercise().id(),
                  DoseNotation.format(place.item().dose()),
                  place.item().position().label(),
                  Timeline.clock(place.seconds()),
                  place.given() ? "  (stays)" : ""));
      List<String> serves = new ArrayList<>();
      for (Suggestion.Service service : place.serves()) {
        serves.add(s.served().get(service.finding()).finding().title() + ": " + service.words());
      }
      if (serves.isEmpty()) serves.add("goes before what follows");
      serves.forEach(line -> out.println("     " + line));
    }
    out.println();
    for (Suggestion.Served served : s.served()) {
      out.println(
          "%3.0f %%  %s%s"
              .formatted(
                  100 * served.share(),
                  served.finding().title(),
                  served.missing().isEmpty() ? "" : " – " + String.join("; ", served.missing())));
    }
    s.left().forEach(line -> out.println("left out: " + line));
    out.println();
    for (Suggestion.Point p : curve(c)) {
      out.println("%3d min  worth %s".formatted(p.minutes(), number(p.worth())));
    }
  }

  private static String number(double worth) {
    return String.format(Locale.ROOT, "%.2f", worth);
  }
}
