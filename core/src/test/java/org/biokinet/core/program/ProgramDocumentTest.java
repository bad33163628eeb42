package org.biokinet.core.program;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Pace;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.dose.Parsed;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.junit.jupiter.api.Test;

/** The open format (docs/formats): what is written is read as it was, and every fault is said. */
class ProgramDocumentTest {

  private static final Catalogue CATALOGUE = Catalogue.load();

  private static Program read(String text) {
    return ((ProgramDocument.Reading.Ok) ProgramDocument.read(text, CATALOGUE)).program();
  }

  private static List<String> faults(String text) {
    return ((ProgramDocument.Reading.Bad) ProgramDocument.read(text, CATALOGUE))
        .faults().stream()
            .map(f -> (f.item().isPresent() ? f.item().getAsInt() + ": " : "") + f.message())
            .toList();
  }

  private static String program(String parts, String items) {
    return "{\"format\":\"biokinet-program\",\"version\":1,\"title\":\"T\"%s,\"items\":[%s]}"
        .formatted(parts.isEmpty() ? "" : "," + parts, items);
  }

  private static final String TUCK = "{\"exercise\":\"chin-tuck\",\"dose\":\"3x10s\"}";

  private static Dose dose(Exercise e, String text) {
    return ((Parsed.Understood) DoseNotation.parse(text, e.doseContext())).dose();
  }

  @Test
  void everythingComesBackAsItWas() {
    Exercise trap = CATALOGUE.get("upper-trap-stretch");
    Exercise tuck = CATALOGUE.get("chin-tuck");
    Position other =
        trap.positions().stream().filter(p -> p != trap.usualPosition()).findFirst().orElseThrow();
    Program program =
        new Program(
            "Before the night watch",
            4.5,
            Pacing.of(Map.of(Pace.SET_UP, 6, Pace.LEAVE, 4)),
            Optional.of(Side.RIGHT),
            SessionLength.SHORT,
            List.of(
                new Item(
                    trap,
                    dose(trap, "L 2x15s R 3x20s @3"),
                    other,
                    Optional.of(Order.BLOCK),
                    Optional.of(Side.LEFT),
                    Item.Priority.HIGH,
                    Optional.empty()),
                new Item(
                    tuck,
                    dose(tuck, "3x10s"),
                    tuck.usualPosition(),
                    Optional.empty(),
                    Optional.empty(),
                    Item.Priority.NORMAL,
                    Optional.empty())),
            Set.of());
    Program back = read(ProgramDocument.write(program));
    assertThat(back).isEqualTo(program);
    assertThat(back.lead()).contains(Side.RIGHT);
    assertThat(ProgramDocument.write(back)).isEqualTo(ProgramDocument.write(program));
  }

  @Test
  void whatIsNotSaidIsTheUsual() {
    Program p = read(program("", TUCK));
    assertThat(p.breathSeconds()).isEqualTo(Pacing.DEFAULT_BREATH_SECONDS);
    assertThat(p.lead()).isEmpty();
    assertThat(p.length()).isEqualTo(SessionLength.USUAL);
    assertThat(p.pacing().changes()).isEmpty();
    assertThat(p.items().get(0).position()).isEqualTo(CATALOGUE.get("chin-tuck").usualPosition());
    assertThat(p.items().get(0).priority()).isEqualTo(Item.Priority.NORMAL);
    assertThat(ProgramDocument.write(p)).doesNotContain("length", "pacing", "priority", "lead");
  }

  @Test
  void everyFaultOfTheDocumentIsSaid() {
    assertThat(faults("{")).singleElement().asString().contains("not JSON", "line 1");
    assertThat(faults("[]")).singleElement().asString().contains("JSON object");
    assertThat(faults("{\"format\":\"other\",\"version\":2,\"title\":7,\"more\":1,\"items\":[]}"))
        .containsExactly(
            "\"more\" is unknown",
            "format: \"biokinet-program\", not \"other\"",
            "version: 1, not 2",
            "title: a text, not 7",
            "items: a list of at least one item");
    assertThat(faults("{\"format\":\"biokinet-program\",\"version\":1}"))
        .containsExactly("title: a text, not left out", "items: a list of at least one item");
    String long61 = "x".repeat(Program.LONGEST_TITLE + 1);
    assertThat(faults(program("", TUCK).replace("\"T\"", "\"" + long61 + "\"")))
        .containsExactly("title: at most %d characters".formatted(Program.LONGEST_TITLE));
    assertThat(read(program("", TUCK).replace("\"T\"", "\"" + long61.substring(1) + "\"")))
        .isNotNull();
  }

  @Test
  void aBreathAndAPaceHaveBounds() {
    for (String odd : List.of("1.9", "20.1", "\"5\"", "null")) {
      assertThat(faults(program("\"breathSeconds\":" + odd, TUCK)))
          .containsExactly("breathSeconds: a number from 2 to 20, not " + odd);
    }
    assertThat(read(program("\"breathSeconds\":2", TUCK)).breathSeconds()).isEqualTo(2);
    assertThat(read(program("\"breathSeconds\":20", TUCK)).breathSeconds()).isEqualTo(20);
    assertThat(faults(program("\"pacing\":{\"hop\":3,\"setUp\":\"6\",\"leave\":2.5}", TUCK)))
        .hasSize(3)
        .anyMatch(f -> f.endsWith("not \"hop\""))
        .contains("pacing setUp: whole seconds, not \"6\"", "pacing leave: whole seconds, not 2.5");
    assertThat(faults(program("\"pacing\":7", TUCK)))
        .containsExactly("pacing: an object such as {\"setUp\": 6}, not 7");
    assertThat(faults(program("\"pacing\":{\"setUp\":600}", TUCK)))
        .singleElement()
        .asString()
        .startsWith("pacing: ");
    assertThat(read(program("\"pacing\":{\"setUp\":6}", TUCK)).pacing().seconds(Pace.SET_UP))
        .isEqualTo(6);
  }

  @Test
  void everyFaultOfAnItemIsSaidWithItsNumber() {
    String items =
        String.join(
            ",",
            TUCK,
            "7",
            "{\"exercise\":\"nothing\",\"dose\":\"1\"}",
            "{\"dose\":\"1\"}",
            "{\"exercise\":\"chin-tuck\"}",
            "{\"exercise\":\"chin-tuck\",\"dose\":\"3x10\",\"position\":\"kneel\",\"more\":1}",
            "{\"exercise\":\"chin-tuck\",\"dose\":\"3x10s\",\"order\":\"block\",\"lead\":\"up\"}",
            "{\"exercise\":\"upper-trap-stretch\",\"dose\":\"30s\",\"order\":\"x\",\"priority\":1}");
    List<String> faults = faults(program("\"lead\":\"middle\",\"length\":\"endless\"", items));
    assertThat(faults.stream().map(f -> f.substring(0, 3)).collect(Collectors.joining(" ")))
        .isEqualTo("lea len 2:  3:  4:  5:  6:  6:  6:  7:  7:  8:  8: ");
    assertThat(faults)
        .contains("lead: left or right, not \"middle\"", "7: lead: left or right, not \"up\"")
        .anyMatch(f -> f.startsWith("3: exercise: \"nothing\" is not in the catalogue"))
        .anyMatch(f -> f.startsWith("4: exercise: nothing is not in the catalogue"))
        .contains("7: order: chin-tuck has no sides", "6: \"more\" is unknown")
        .anyMatch(f -> f.startsWith("5: dose: a text such as \"3x10s\""))
        .anyMatch(f -> f.startsWith("6: dose \"3x10\": ") && f.contains("would be right: "))
        .anyMatch(
            f -> f.startsWith("6: position: chin-tuck is done in ") && f.endsWith("\"kneel\""))
        .anyMatch(f -> f.startsWith("8: order: ") && f.endsWith("not \"x\""))
        .anyMatch(f -> f.startsWith("8: priority: ") && f.endsWith("not 1"));
  }

  @Test
  void aProgramHasAnEnd() {
    String many = String.join(",", Collections.nCopies(Program.MOST_ITEMS, TUCK));
    assertThat(read(program("", many)).items()).hasSize(Program.MOST_ITEMS);
    assertThat(faults(program("", many + "," + TUCK)))
        .containsExactly(
            "items: at most %d, not %d".formatted(Program.MOST_ITEMS, Program.MOST_ITEMS + 1));
  }
}
