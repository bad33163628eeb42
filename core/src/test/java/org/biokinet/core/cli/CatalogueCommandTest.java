package org.biokinet.core.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;

class CatalogueCommandTest {

  private final ByteArrayOutputStream out = new ByteArrayOutputStream();
  private final ByteArrayOutputStream err = new ByteArrayOutputStream();

  private int run(String... arguments) {
    return new CatalogueCommand(
            new PrintStream(out, true, StandardCharsets.UTF_8),
            new PrintStream(err, true, StandardCharsets.UTF_8))
        .run(List.of(arguments));
  }

  private String out() {
    return out.toString(StandardCharsets.UTF_8);
  }

  @Test
  void withoutWordsEveryEntryIsListed() {
    assertThat(run()).isZero();
    assertThat(out().lines()).hasSize(135);
  }

  @Test
  void wordsFindAndAnIdShowsTheEntryInFullOnBothSides() {
    assertThat(run("back", "of", "neck")).isZero();
    assertThat(out().lines().limit(6)).anyMatch(l -> l.startsWith("neck-flexor-pull"));
    out.reset();
    assertThat(run("levator-stretch")).isZero();
    assertThat(out())
        .contains("Treating the left side", "Turn right, then nose to the right knee")
        .contains("Treating the right side", "Turn left, then nose to the left knee")
        .contains("2x15s → 2x20s → 2x30s");
  }

  @Test
  void oneSideAloneCanBeAskedFor() {
    assertThat(run("levator-stretch", "--side", "left")).isZero();
    assertThat(out())
        .contains("Feel it at the back of the neck, on the left.")
        .doesNotContain("Treating the right side");
  }

  @Test
  void whatIsNotUnderstoodIsRefused() {
    assertThat(run("levator-stretch", "--side", "middle")).isEqualTo(Main.BAD_INPUT);
    assertThat(run("--all")).isEqualTo(Main.BAD_INPUT);
    assertThat(run("qqqq")).isEqualTo(Main.BAD_INPUT);
    assertThat(err.toString(StandardCharsets.UTF_8))
        .contains("usage: biokinet catalogue")
        .contains("no exercise fits \"qqqq\"");
    assertThat(out()).isEmpty();
  }
}
