package org.biokinet.core.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.networknt.schema.JsonSchema;
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
import org.biokinet.core.timeline.Timeline;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class TimelineCommandTest {

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
    return Files.writeString(folder.resolve("program.json"), text).toString();
  }

  private static JsonSchema schema() throws Exception {
    String text = Files.readString(FORMATS.resolve("biokinet-program.schema.json"));
    return JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012).getSchema(text);
  }

  @Test
  void theExampleCompilesToTheSecond() throws Exception {
    int status = run("timeline", FORMATS.resolve("example.json").toString(), "--json");
    assertThat(status).isZero();
    JsonNode root = JSON.readTree(out.toString(StandardCharsets.UTF_8));
    // By hand: 5 + 4 + 4 × (3+15+3) + 3 × 4 + 3 = 108, then 4 + 10 × 4 + 3 = 47.
    assertThat(root.path("seconds").asInt()).isEqualTo(155);
    // What is heard comes with it: the end at the very end, tone before words.
    JsonNode sounds = root.path("sounds");
    assertThat(sounds.get(0).toString()).isEqualTo("{\"at\":0.0,\"tone\":\"READY\"}");
    assertThat(sounds.get(sounds.size() - 2).toString())
        .isEqualTo("{\"at\":155.0,\"tone\":\"END\"}");
    assertThat(root.at("/items/0/seconds").asInt()).isEqualTo(108);
    assertThat(root.at("/items/0/stretchSeconds/left").asInt()).isEqualTo(30);
    assertThat(root.at("/items/0/stretchSeconds/right").asInt()).isEqualTo(30);
    assertThat(root.at("/items/1/stretchSeconds/left").asInt()).isZero();
    JsonNode hold = root.at("/segments/7");
    assertThat(hold.toString())
        .startsWith(
            "{\"start\":37,\"seconds\":15,\"kind\":\"HOLD\",\"item\":0,\"side\":\"RIGHT\","
                + "\"set\":1,\"rep\":1,\"cue\":\"Hold, 1 of 2. Not as a pinch on the left side");
  }

  @Test
  void theTableSaysMinutesAndSeconds() throws Exception {
    assertThat(run("timeline", FORMATS.resolve("example.json").toString())).isZero();
    assertThat(out.toString(StandardCharsets.UTF_8))
        .contains("1. upper-trap-stretch  2x15s @3  1:48")
        .contains("   0:37   0:15  hold             right   1  Hold, 1 of 2. Not as a pinch")
        .endsWith("Total 2:35\n");
  }

  @Test
  void everyFaultIsSaidWithItsItemAndNothingGoesToStandardOut() throws Exception {
    String file =
        file(
            """
            {"format":"biokinet-program","version":2,"title":" ","colour":1,"items":[
             {"exercise":"upper-trap-stretch","dose":"3x20","position":"supine"},
             {"exercise":"no-such","dose":"5"},
             {"exercise":"shoulder-roll","dose":"30s","order":"block","lead":"up"}]}
            """);
    assertThat(run("timeline", file, "--json")).isEqualTo(2);
    assertThat(out.size()).isZero();
    assertThat(err.toString(StandardCharsets.UTF_8).lines())
        .containsExactly(
            "\"colour\" is unknown",
            "version: 1, not 2",
            "title: a text, not \" \"",
            "item 1: dose \"3x20\": 3x20: seconds or breaths? (would be right: 3x20s or 3x20br)",
            "item 1: position: upper-trap-stretch is done in chair, stand, floor-sit, kneel, not"
                + " \"supine\"",
            "item 2: exercise: \"no-such\" is not in the catalogue; 'biokinet catalogue' lists all",
            "item 3: dose \"30s\": a circle takes repetitions, such as 5, not a hold",
            "item 3: order: shoulder-roll has no sides",
            "item 3: lead: left or right, not \"up\"");
  }

  @Test
  void leadLengthOrderPriorityAndPacingComeFromTheDocumentAndTheCommandLine() throws Exception {
    String text =
        """
        {"format":"biokinet-program","version":1,"title":"t","lead":"right","length":"short",
         "pacing":{"changeSides":6},"items":[
         {"exercise":"neck-rotation","dose":"5"},
         {"exercise":"upper-trap-stretch","dose":"2x15s","order":"block","priority":"high"}]}
        """;
    assertThat(schema().validate(JSON.readTree(text))).isEmpty();
    String file = file(text);
    assertThat(run("timeline", file, "--json")).isZero();
    // Only the item of high priority: 5 + 4 + 4 × (3+15+3) + 2 rests of 2 + change 6 + 3.
    JsonNode brief = JSON.readTree(out.toString(StandardCharsets.UTF_8));
    assertThat(brief.path("seconds").asInt()).isEqualTo(5 + 4 + 84 + 4 + 6 + 3);
    assertThat(brief.at("/segments/2/side").asText()).isEqualTo("RIGHT");
    assertThat(brief.at("/segments/0/item").asInt()).isEqualTo(1);
    out.reset();
    assertThat(run("timeline", file, "--length", "long")).isZero();
    // The usual session, and the neck mobility once more.
    assertThat(out.toString(StandardCharsets.UTF_8))
        .contains("Total " + Timeline.clock(5 + 47 + 101 + 47));
    assertThat(run("timeline", file, "--length", "endless")).isEqualTo(2);
  }

  @Test
  void wrongPacingAndLengthAreNamed() throws Exception {
    assertThat(
            run(
                "timeline",
                file(
                    """
                    {"format":"biokinet-program","version":1,"title":"t","length":"brief",
                     "pacing":{"setUp":1000},
                     "items":[{"exercise":"chin-tuck","dose":"5s","priority":1}]}
                    """)))
        .isEqualTo(2);
    assertThat(err.toString(StandardCharsets.UTF_8).lines())
        .containsExactly(
            "length: short, usual, long, not \"brief\"",
            "pacing: set up an exercise: 0 to 60 s, not 1000",
            "item 1: priority: high, normal, not 1");
  }

  @Test
  void brokenFilesAreNamed() throws Exception {
    assertThat(run("timeline", folder.resolve("none.json").toString())).isEqualTo(2);
    assertThat(run("timeline", file("{\"format\": "))).isEqualTo(2);
    assertThat(run("timeline", file("[]"))).isEqualTo(2);
    assertThat(run("timeline")).isEqualTo(2);
    assertThat(out.size()).isZero();
    assertThat(err.toString(StandardCharsets.UTF_8).lines()).hasSize(4);
  }

  @Test
  void aSessionOfMoreThanTwoHoursIsAFault() throws Exception {
    String item = "{\"exercise\":\"goalpost-chest-opener\",\"dose\":\"10x300s\"}";
    String file =
        file(
            "{\"format\":\"biokinet-program\",\"version\":1,\"title\":\"t\",\"items\":[%s,%s,%s]}"
                .formatted(item, item, item));
    assertThat(run("timeline", file)).isEqualTo(2);
    assertThat(err.toString(StandardCharsets.UTF_8)).contains("2 hours is the most");
  }

  @Test
  void whatIsWrittenMatchesTheSchemaAndReadsBackTheSame() throws Exception {
    Catalogue catalogue = Catalogue.load();
    String example = Files.readString(FORMATS.resolve("example.json"));
    ProgramDocument.Reading.Ok first =
        (ProgramDocument.Reading.Ok) ProgramDocument.read(example, catalogue);
    String written = ProgramDocument.write(first.program());
    assertThat(schema().validate(JSON.readTree(example))).isEmpty();
    assertThat(schema().validate(JSON.readTree(written))).isEmpty();
    assertThat(ProgramDocument.read(written, catalogue)).isEqualTo(first);
    assertThat(schema().validate(JSON.readTree(example.replace("chair", "sofa")))).isNotEmpty();
  }
}
