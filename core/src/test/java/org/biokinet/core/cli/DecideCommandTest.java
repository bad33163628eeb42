package org.biokinet.core.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.biokinet.core.progress.Decision;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class DecideCommandTest {

  private static final Path FORMATS = Path.of("../docs/formats");
  private static final Path EXAMPLE = FORMATS.resolve("example-diary.json");
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
    return Files.writeString(folder.resolve("diary.json"), text).toString();
  }

  /** The left side rose by 3 the day before yesterday; all else was good. */
  @Test
  void theExampleStaysOnTheLeftAndGoesOnOnTheRight() {
    assertThat(run("decide", EXAMPLE.toString())).isZero();
    assertThat(out.toString(StandardCharsets.UTF_8))
        .isEqualTo(
            """
            upper-trap-stretch L: stay  2x20s @3
              line 8, stay
              6 of 7 days green, next-morning pain 2 → 2, stretch felt 3 against a ceiling of 3
              barred: a red day among the last 3
              otherwise: 3 days without a red one
            upper-trap-stretch R: go on  2x20s @3 → 2x30s @3
              line 9, go on one rung
              7 of 7 days green, next-morning pain 2 → 2, stretch felt 3 against a ceiling of 3
              otherwise: a red day, or two not green
            chin-tuck: go on  3x5s → 3x7s
              line 9, go on one rung
              7 of 7 days green, next-morning pain 2 → 2
              otherwise: a red day, or two not green
            """);
  }

  @Test
  void asJsonItSaysTheSameWithTheLineItself() throws Exception {
    assertThat(run("decide", EXAMPLE.toString(), "--json")).isZero();
    JsonNode root = JSON.readTree(out.toString(StandardCharsets.UTF_8));
    assertThat(root.path("rules").asInt()).isEqualTo(Decision.RULES);
    assertThat(root.path("decisions")).hasSize(3);
    assertThat(root.at("/decisions/0/line/number").asInt()).isEqualTo(8);
    assertThat(root.at("/decisions/0/line/condition").asText()).contains("any red");
    assertThat(root.at("/decisions/1/next").asText()).isEqualTo("2x30s @3");
  }

  @Test
  void theExampleFitsTheSchema() throws Exception {
    String schema = Files.readString(FORMATS.resolve("biokinet-diary.schema.json"));
    assertThat(
            JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
                .getSchema(schema)
                .validate(JSON.readTree(Files.readString(EXAMPLE))))
        .isEmpty();
  }

  @Test
  void allThatIsWrongIsSaidAtOnce() throws Exception {
    ObjectNode bad = (ObjectNode) JSON.readTree(Files.readString(EXAMPLE));
    bad.put("zone", "Lisboa").put("pace", "fast").put("mood", "good");
    ((ObjectNode) bad.at("/sessions/0")).put("painBefore", 11).put("startedAt", "yesterday");
    ((ObjectNode) bad.at("/sessions/1")).putArray("provoked").add("0X").add("9L");
    ((ObjectNode) bad.at("/versions/0/program")).put("title", "");
    bad.putObject("thresholds").put("return-days", 9).put("mercy", 1);
    bad.putArray("decided").addObject().put("at", "2026-11-20T09:00:00Z").put("part", "X");
    assertThat(run("decide", file(bad.toString()))).isEqualTo(2);
    assertThat(err.toString(StandardCharsets.UTF_8).lines())
        .anyMatch(l -> l.equals("\"mood\" is unknown"))
        .anyMatch(l -> l.startsWith("zone: a zone such as Europe/Lisbon, not \"Lisboa\""))
        .anyMatch(l -> l.startsWith("pace: "))
        .anyMatch(l -> l.startsWith("thresholds: return-days: a whole number from 5 to 7"))
        .anyMatch(l -> l.contains("\"mercy\" is unknown"))
        .anyMatch(l -> l.startsWith("version 1: title"))
        .anyMatch(l -> l.startsWith("session 1: painBefore: a whole number from 0 to 10, not 11"))
        .anyMatch(l -> l.startsWith("session 1: startedAt: a moment"))
        .anyMatch(l -> l.startsWith("session 2: provoked: an item such as 0L or 3, not \"0X\""))
        .anyMatch(l -> l.startsWith("decision 1: outcome: stop, re-enter"))
        .anyMatch(l -> l.startsWith("decision 1: part: an item is such as"));
    assertThat(out.size()).isZero();
  }

  @Test
  void whatIsNoDiaryIsRefused() throws Exception {
    assertThat(run("decide")).isEqualTo(2);
    assertThat(run("decide", folder.resolve("none.json").toString())).isEqualTo(2);
    assertThat(run("decide", file("{"))).isEqualTo(2);
    assertThat(run("decide", file("{}"))).isEqualTo(2);
    assertThat(err.toString(StandardCharsets.UTF_8))
        .contains("usage: biokinet decide")
        .contains("there is no file")
        .contains("not JSON")
        .contains("versions: a list of at least one");
  }

  @Test
  void aVersionOfTomorrowIsRefused() throws Exception {
    ObjectNode bad = (ObjectNode) JSON.readTree(Files.readString(EXAMPLE));
    ((ObjectNode) bad.at("/versions/0")).put("sharedAt", "2026-11-28T08:00:00Z");
    assertThat(run("decide", file(bad.toString()))).isEqualTo(2);
    assertThat(err.toString(StandardCharsets.UTF_8))
        .isEqualTo("version 1: sharedAt: not after now\n");
  }

  /** An item that is not there is said, whatever the report is. */
  @Test
  void aReportOfNoItemIsRefused() throws Exception {
    ObjectNode bad = (ObjectNode) JSON.readTree(Files.readString(EXAMPLE));
    ((ObjectNode) bad.at("/sessions/1")).putArray("left").add(2);
    assertThat(run("decide", file(bad.toString()))).isEqualTo(2);
    assertThat(err.toString(StandardCharsets.UTF_8))
        .isEqualTo("session 2: there is no item 2; they count from 0\n");
  }
}
