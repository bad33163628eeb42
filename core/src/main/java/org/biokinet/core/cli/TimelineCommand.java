package org.biokinet.core.cli;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintStream;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramDocument;
import org.biokinet.core.program.SessionLength;
import org.biokinet.core.timeline.Cue;
import org.biokinet.core.timeline.CueSheet;
import org.biokinet.core.timeline.Cues;
import org.biokinet.core.timeline.Segment;
import org.biokinet.core.timeline.Timeline;

/** Compiles a program document: as an aligned table, or as JSON. */
final class TimelineCommand {

  private static final String USAGE =
      "usage: biokinet timeline FILE [--json] [--length short|usual|long]";

  private final PrintStream out;
  private final PrintStream err;

  TimelineCommand(PrintStream out, PrintStream err) {
    this.out = out;
    this.err = err;
  }

  int run(List<String> arguments) {
    List<String> files = new ArrayList<>();
    boolean asJson = false;
    Optional<SessionLength> length = Optional.empty();
    for (Iterator<String> rest = arguments.iterator(); rest.hasNext(); ) {
      String argument = rest.next();
      if (argument.equals("--json")) {
        asJson = true;
      } else if (argument.equals("--length") && rest.hasNext()) {
        length = Coded.find(SessionLength.class, rest.next());
        if (length.isEmpty()) return usage();
      } else if (argument.startsWith("--")) {
        return usage();
      } else {
        files.add(argument);
      }
    }
    if (files.size() != 1) return usage();
    Optional<String> text = Main.text(files.get(0), err);
    if (text.isEmpty()) return Main.BAD_INPUT;
    Catalogue catalogue = Catalogue.load();
    ProgramDocument.Reading reading = ProgramDocument.read(text.get(), catalogue);
    if (reading instanceof ProgramDocument.Reading.Bad bad) {
      bad.faults().forEach(err::println);
      return Main.BAD_INPUT;
    }
    Timeline timeline;
    try {
      Program program = ((ProgramDocument.Reading.Ok) reading).program();
      timeline = Timeline.compile(program.session(Side.LEFT, length.orElse(program.length())));
    } catch (Timeline.TooLong e) {
      err.println(e.getMessage());
      return Main.BAD_INPUT;
    }
    Cues words = new Cues(catalogue, Locale.ENGLISH);
    List<Cue> cues = words.of(timeline);
    if (asJson) {
      out.println(json(timeline, cues, words.sheet(timeline)).toPrettyString());
    } else {
      table(timeline, cues);
    }
    return Main.OK;
  }

  private int usage() {
    err.println(USAGE);
    return Main.BAD_INPUT;
  }

  private static ObjectNode json(Timeline timeline, List<Cue> cues, CueSheet sheet) {
    ObjectNode root = new ObjectMapper().createObjectNode();
    root.put("seconds", timeline.seconds());
    ArrayNode items = root.putArray("items");
    for (int i = 0; i < timeline.program().items().size(); i++) {
      ObjectNode item = items.addObject();
      item.put("exercise", timeline.program().items().get(i).exercise().id());
      item.put("seconds", timeline.seconds(i));
      item.putObject("stretchSeconds")
          .put("left", timeline.stretchSeconds(i, Side.LEFT))
          .put("right", timeline.stretchSeconds(i, Side.RIGHT));
    }
    ArrayNode segments = root.putArray("segments");
    for (int i = 0; i < cues.size(); i++) {
      Segment s = timeline.segments().get(i);
      ObjectNode node = segments.addObject();
      node.put("start", s.start()).put("seconds", s.seconds()).put("kind", s.kind().name());
      node.put("item", s.item());
      s.side().ifPresent(side -> node.put("side", side.name()));
      s.direction().ifPresent(d -> node.put("direction", d.name()));
      if (s.rep() > 0) node.put("set", s.set()).put("rep", s.rep());
      if (s.breaths() > 0) node.put("breaths", s.breaths());
      node.put("cue", cues.get(i).spoken());
    }
    ArrayNode sounds = root.putArray("sounds");
    for (CueSheet.Sound sound : sheet.sounds()) {
      ObjectNode node = sounds.addObject().put("at", sound.at());
      if (sound instanceof CueSheet.Toned t) node.put("tone", t.tone().name());
      if (sound instanceof CueSheet.Said s) node.put("text", s.text()).put("breath", s.breath());
    }
    return root;
  }

  private void table(Timeline timeline, List<Cue> cues) {
    out.println(timeline.program().title());
    int last = -1;
    for (int i = 0; i < cues.size(); i++) {
      Segment s = timeline.segments().get(i);
      if (s.item() != last) {
        Item item = timeline.program().items().get(s.item());
        out.println();
        out.println(
            "%d. %s  %s  %s"
                .formatted(
                    s.item() + 1,
                    item.exercise().id(),
                    DoseNotation.format(item.dose()),
                    Timeline.clock(timeline.seconds(s.item()))));
        last = s.item();
      }
      out.println(
          "%7s %6s  %-16s %-5s %3s  %s"
              .formatted(
                  Timeline.clock(s.start()),
                  Timeline.clock(s.seconds()),
                  s.kind().name().toLowerCase(Locale.ROOT).replace('_', ' '),
                  s.side().map(Side::label).orElse(""),
                  s.rep() > 0 ? Integer.toString(s.rep()) : "",
                  cues.get(i).spoken()));
    }
    out.println();
    out.println("Total %s".formatted(Timeline.clock(timeline.seconds())));
  }
}
