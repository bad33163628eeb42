package org.biokinet.core.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.program.ProgramDocument;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SuggestCommandTest {

  private static final Path FORMATS = Path.of("../docs/formats");
  private static final ObjectMapper JSON = new ObjectMapper();

  @TempDir Path folder;
  private final ByteArrayOutputStream out = new ByteArrayOutputStream();
  private final ByteArrayOutputStream err = new ByteArrayOutputStream();

  private int run(String... arguments) {
    return Main.run(
        List.of(arguments),
        new PrintStream(out, true, StandardCharsets.UTF_8),
        new PrintStream(err, true, StandardCharsets.UTF_8));
  }

  private String file(String text) throws Exception {
    return Files.writeString(folder.resolve("case.json"), text).toString();
  }

  @Test
  void theExampleGivesAProgramThatCanBeReadAndWhatItServes() throws Exception {
    assertThat(run("suggest", FORMATS.resolve("example-case.json").toString(), "--json")).isZero();
    JsonNode root = JSON.readTree(out.toString(StandardCharsets.UTF_8));
    assertThat(ProgramDocument.read(root.path("program").toString(), Catalogue.load()))
        .isInstanceOf(ProgramDocument.Reading.Ok.class);
    assertThat(root.path("worth").asDouble()).isLessThan(root.path("bound").asDouble());
    assertThat(root.at("/items/1/serves/0/words").asText())
        .isEqualTo("lengthen right upper trapezius 30 of 60 s a day");
    assertThat(root.at("/findings/0/share").asDouble()).isBetween(0.5, 0.6);
    assertThat(root.path("curve")).hasSize(11);
  }

  @Test
  void theTextSaysTheSameForReaders() {
    assertThat(run("suggest", FORMATS.resolve("example-case.json").toString())).isZero();
    assertThat(out.toString(StandardCharsets.UTF_8))
        .startsWith("4:06 of 8 min · worth 2.76 of 5.10\n")
        .contains("2. upper-trap-stretch  2x15s  on a chair  1:43\n");
  }

  @Test
  void theExampleFitsTheSchema() throws Exception {
    String schema = Files.readString(FORMATS.resolve("biokinet-case.schema.json"));
    String example = Files.readString(FORMATS.resolve("example-case.json"));
    assertThat(
            JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
                .getSchema(schema)
                .validate(JSON.readTree(example)))
        .isEmpty();
  }

  @Test
  void everyFaultIsSaidAndNothingGoesToStandardOut() throws Exception {
    String file =
        file(
            """
            {"format":"biokinet-case","version":1,"colour":1,"minutes":0,
             "positions":["hover"],"avoided":["no-such"],"pinch":["up"],
             "screening":{"settles":"soon","worstPain":11,
                          "conditions":[{"code":"pregnancy","side":"left"}]},
             "findings":[{"code":"a","kind":"felt","weight":-1,"targets":[
               {"intent":"lengthen","tissue":"heart"},{"motion":"neck-tilt"}]}],
             "pinned":[{"exercise":"upper-trap-stretch","dose":"3x20"}]}
            """);
    assertThat(run("suggest", file, "--json")).isEqualTo(2);
    assertThat(out.size()).isZero();
    assertThat(err.toString(StandardCharsets.UTF_8).lines())
        .hasSize(13)
        .contains(
            "\"colour\" is unknown",
            "finding 1: weight: a number above 0, at most 1000, not -1",
            "finding 1: target 2: toward: left or right, not nothing",
            "screening: worstPain: a whole number from 0 to 10, not 11",
            "condition 1: pregnancy has no side",
            "minutes: a whole number from 1 to 60, not 0",
            "avoided: \"no-such\" is not in the catalogue",
            "pinch: left or right, not \"up\"",
            "pinned item 1: dose \"3x20\": 3x20: seconds or breaths?"
                + " (would be right: 3x20s or 3x20br)");
  }

  @Test
  void aDeskProgramIsShortAndCountsWhatIsDoneBesides() throws Exception {
    String text = Files.readString(FORMATS.resolve("example-case.json"));
    String beside =
        """
        {"format":"biokinet-program","version":1,"title":"Main",
         "items":[{"exercise":"upper-trap-stretch","dose":"R 3x20s"}]}
        """;
    String desk =
        text.replaceFirst("\\{", "{\"program\":\"desk\",\"beside\":%s,".formatted(beside))
            .replaceFirst("\"minutes\": *\\d+", "\"minutes\": 2");
    assertThat(run("suggest", file(desk))).isZero();
    assertThat(out.toString(StandardCharsets.UTF_8))
        .contains("1. ")
        .doesNotContain("Upper trapezius stretch", "lying", "floor");
    String long4 = desk.replaceFirst("\"minutes\": 2", "\"minutes\": 4");
    assertThat(run("suggest", file(long4))).isEqualTo(2);
    assertThat(err.toString(StandardCharsets.UTF_8))
        .contains("minutes: a whole number from 1 to 3, not 4");
  }

  @Test
  void nothingIsSuggestedPastAClosedGate() throws Exception {
    String text = Files.readString(FORMATS.resolve("example-case.json"));
    String file = file(text.replace("\"worstPain\": 5", "\"worstPain\": 8"));
    assertThat(run("suggest", file)).isZero();
    assertThat(out.toString(StandardCharsets.UTF_8))
        .contains("! the gate is closed, examine first: worst pain 8 of 10 in the last 24 hours")
        .doesNotContain("1. ");
  }

  @Test
  void aFileThatIsNotThereIsSaid() {
    assertThat(run("suggest", folder.resolve("none.json").toString())).isEqualTo(2);
    assertThat(err.toString(StandardCharsets.UTF_8)).contains("there is no file");
  }
}
