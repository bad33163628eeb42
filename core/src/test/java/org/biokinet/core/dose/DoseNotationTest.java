package org.biokinet.core.dose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DoseNotationTest {

  static final DoseContext STRETCH = new DoseContext(Mode.HOLD, Sidedness.EACH, true, List.of());
  static final DoseContext BILATERAL = new DoseContext(Mode.HOLD, Sidedness.BOTH, false, List.of());
  static final DoseContext ISO = new DoseContext(Mode.ISO, Sidedness.BOTH, false, List.of());
  static final DoseContext MOVE = new DoseContext(Mode.MOVE, Sidedness.EACH, false, List.of());
  static final DoseContext CIRCLE =
      new DoseContext(
          Mode.CIRCLE,
          Sidedness.EACH_AND_DIRECTIONS,
          false,
          List.of(Direction.BACKWARD, Direction.FORWARD));
  static final DoseContext BREATH = new DoseContext(Mode.BREATH, Sidedness.BOTH, false, List.of());
  static final DoseContext RELEASE =
      new DoseContext(Mode.RELEASE, Sidedness.BOTH, false, List.of());

  static DoseContext context(String name) {
    return switch (name) {
      case "stretch" -> STRETCH;
      case "bilateral" -> BILATERAL;
      case "iso" -> ISO;
      case "move" -> MOVE;
      case "circle" -> CIRCLE;
      case "breath" -> BREATH;
      default -> RELEASE;
    };
  }

  private static String canonical(String text, DoseContext context) {
    Parsed parsed = DoseNotation.parse(text, context);
    assertThat(parsed).as(text).isInstanceOf(Parsed.Understood.class);
    return ((Parsed.Understood) parsed).canonical();
  }

  private static Parsed.Fault fault(String text, DoseContext context) {
    Parsed parsed = DoseNotation.parse(text, context);
    assertThat(parsed).as(text).isInstanceOf(Parsed.Fault.class);
    return (Parsed.Fault) parsed;
  }

  @Property(seed = "20261124")
  void whatIsWrittenIsReadBackTheSame(@ForAll("doses") AnyDose.InContext any) {
    String text = DoseNotation.format(any.dose());
    assertThat(DoseNotation.parse(text, any.context()))
        .as(text)
        .isEqualTo(new Parsed.Understood(any.dose(), text));
  }

  @Provide
  Arbitrary<AnyDose.InContext> doses() {
    return AnyDose.all();
  }

  @Property(seed = "20261124")
  void anyTypedTextGetsAnAnswerWithItsPlaceInTheText(@ForAll("typing") String text) {
    Parsed parsed = DoseNotation.parse(text, STRETCH);
    if (parsed instanceof Parsed.Fault f) {
      assertThat(f.from()).isBetween(0, text.length());
      assertThat(f.to()).isBetween(f.from(), text.length());
      f.fixes().forEach(fix -> canonical(fix, STRETCH));
    } else {
      String once = ((Parsed.Understood) parsed).canonical();
      assertThat(canonical(once, STRETCH)).isEqualTo(once);
    }
  }

  @Provide
  Arbitrary<String> typing() {
    return Arbitraries.of(
            "L",
            "R",
            "3",
            "30",
            "x",
            "s",
            "br",
            "@",
            "4",
            "/side",
            "cr3(6s+15s)",
            " ",
            ",",
            "-",
            "2/d",
            "rest",
            "q45m",
            "%",
            "(",
            ")",
            "hold",
            "each way",
            "99999999999",
            "½",
            "\"")
        .list()
        .ofMaxSize(9)
        .map(parts -> String.join("", parts));
  }

  /** Typed texts that practitioners use: common practice, no source. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "stretch | 2x15s/side @3      | 2x15s @3",
        "stretch | 3 x 30 sec         | 3x30s",
        "stretch | 3 × 30 SEC         | 3x30s",
        "stretch | 30\"               | 30s",
        "stretch | 1 min              | 60s",
        "stretch | 1 min 30 s         | 90s",
        "stretch | 30s x3             | 3x30s",
        "stretch | 30sx3              | 3x30s",
        "stretch | hold 20s x 3       | 3x20s",
        "stretch | 3 holds of 20 s    | 3x20s",
        "stretch | 3 sets of 30s      | 3x30s",
        "stretch | 1x30s              | 30s",
        "stretch | 5 breaths          | 5br",
        "stretch | 2x30s ea side      | 2x30s",
        "stretch | 2x30s @4/10        | 2x30s @4",
        "stretch | 2x30s daily        | 2x30s 1/d",
        "stretch | 2x30s bid          | 2x30s 2/d",
        "stretch | 2x30s tid          | 2x30s 3/d",
        "stretch | 2x30s 2x/day       | 2x30s 2/d",
        "stretch | 2x30s twice a day 5 days a week | 2x30s 2/d 5/w",
        "stretch | 2x30s every 45 min | 2x30s q45m",
        "stretch | 30s on the left    | L 30s",
        "stretch | R 2x20s L 3x30s @4 | L 3x30s R 2x20s @4",
        "stretch | L 3x30s @4 R 2x20s @3 | L 3x30s @4 R 2x20s @3",
        "stretch | L 30s R 30s        | 30s",
        "stretch | CR3(6s + 15s) 30%  | cr3(6s+15s) 30%",
        "stretch | 2xcr3(6s+2br)      | 2xcr3(6s+2br)",
        "stretch | 2x3x20s rest 15s   | 2x3x20s rest 15s",
        "move    | 2×10               | 2x10",
        "move    | 10 reps            | 10",
        "move    | 3 sets of 10       | 3x10",
        "move    | 10 (5s hold)       | 10x5s",
        "move    | 1x6s               | 1x6s",
        "move    | 1 x 6 sec @3       | 1x6s @3",
        "move    | 10 reps, 5s hold   | 10x5s",
        "move    | 10 2x/day          | 10 2/d",
        "move    | 10 t6s             | 10 t6s",
        "circle  | 5 each way         | 5",
        "circle  | 8 back             | 8 back",
        "circle  | 5 30%              | 5 30%",
        "iso     | 3x10s              | 3x10s",
        "iso     | 3x10x5s            | 3x10x5s",
        "breath  | 6 breaths          | 6br",
        "release | 60s                | 60s",
      })
  void typedTextsAreUnderstood(String context, String typed, String canonical) {
    assertThat(canonical(typed, context(context))).isEqualTo(canonical);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "stretch | 10          | 10s,10br",
        "stretch | 3x20        | 3x20s,3x20br",
        "iso     | 3x20        | 3x20s,3x20br",
        "iso     | 3x40        | 3x40s",
        "move    | 10-15       | 10,15",
        "stretch | 3x20-30s    | 3x20s,3x30s",
        "breath  | 6           | 6br",
        "release | 60          | 60s",
        "stretch | 30s @4 @6   | 30s @4,30s @6",
        "stretch | 30s 3/d q45m| 30s 3/d,30s q45m",
        "circle  | 5 fwd back  | 5 fwd,5 back",
        "stretch | 3x400s      | 3x300s",
        "stretch | 30s t4s     | 30s",
        "bilateral | 30s/side  | 30s",
        "bilateral | L 30s     | 30s",
        "stretch | L 3x30s @4 R 2x20s | L 3x30s R 2x20s @4",
      })
  void whatIsAmbiguousOrWrongIsAnsweredWithOneTapFixes(String context, String typed, String fixes) {
    Parsed.Fault fault = fault(typed, context(context));
    if (typed.startsWith("L 3x30s @4")) {
      assertThat(fault.message()).contains("@4", "first side only");
    } else {
      assertThat(fault.fixes()).containsExactlyInAnyOrder(fixes.split(","));
    }
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "circle  | 30s         | a circle takes repetitions, such as 5, not a hold",
        "move    | 30s         | a movement takes repetitions, such as 10, or repetitions with a"
            + " short hold, such as 10x5s",
        "move    | 10x20s      | a hold at the end of a movement: 1 to 15 s, not 20",
        "breath  | 30s         | a breathing exercise takes breaths, such as 6br",
        "release | 6br         | a release takes seconds, such as 20s",
        "stretch | 30s @7      | @7 is too much: the ceiling is @1 to @6, and 7 or more on the"
            + " stretch scale is too strong",
        "stretch | 2.5s        | numbers are whole: 2.5",
        "stretch | 30s 20%     | 20% is an effort, for active, isometric or contract movements;"
            + " this is a stretch",
        "stretch | cr9(6s+15s) | contract–relax cycles: 1 to 6, not 9",
        "bilateral | cr3(6s+15s) | contract–relax does not suit this exercise; a stretch takes"
            + " holds, such as 2x30s or 3x4br",
        "circle  | 5 cw        | cw: this exercise goes back or fwd",
        "stretch | L 30s L 20s | L is given twice",
        "stretch | L 30s/side  | L and /side contradict each other",
        "stretch | 30s banana  | did not understand banana",
        "move    | 10 rest 5s  | rest 5s stands between sets, and there is one set",
        "stretch | 999999999999s | a hold: 1 to 300 s, not 2147483647",
      })
  void errorsSayWhatWasReadAndWhatFits(String context, String typed, String message) {
    assertThat(fault(typed, context(context)).message()).isEqualTo(message);
  }

  @Test
  void anErrorPointsAtItsPlace() {
    Parsed.Fault fault = fault("3x30s @9", STRETCH);
    assertThat("3x30s @9".substring(fault.from(), fault.to())).isEqualTo("@9");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "stretch | 2x15s @3 | 2 holds of 15 s each side, up to 3 of 10",
        "stretch | L 3x30s R 2x20s @3 1/d | 3 holds of 30 s on the left, 2 holds of 20 s on the"
            + " right, up to 3 of 10, once a day",
        "stretch | L 30s @4 R 20s @3 | 1 hold of 30 s on the left, 1 hold of 20 s on the right, up"
            + " to 4 of 10 on the left, up to 3 of 10 on the right",
        "stretch | R 30s | 1 hold of 30 s on the right, nothing on the other side",
        "circle  | 3     | 3 circles each way each side, 12 in all",
        "circle  | 8 back | 8 circles backward only each side",
        "breath  | 6br   | 6 breaths",
        "stretch | cr3(6s+15s) | 3 times contract 6 s, then 15 s deeper each side",
        "iso     | 3x10x5s | 3 sets of 10 holds of 5 s",
        "move    | 1x6s    | 1 repetition with 6 s held at the end each side",
      })
  void theMeaningIsShownBack(String context, String typed, String meaning) {
    DoseContext c = context(context);
    Dose dose = ((Parsed.Understood) DoseNotation.parse(typed, c)).dose();
    assertThat(new DoseWords(c, Locale.ENGLISH).of(dose)).isEqualTo(meaning);
  }

  static final DoseContext ROW = new DoseContext(Mode.MOVE, Sidedness.BOTH, false, true, List.of());
  static final DoseContext WALK = new DoseContext(Mode.WALK, Sidedness.BOTH, false, List.of());

  /** Handbook section 4: "n kg | band 1..5", halves allowed; "walk: one length in min". */
  @Test
  void loadsAndMinutesAreRead() {
    assertThat(canonical("2x10 band2", ROW)).isEqualTo("2x10 band2");
    assertThat(canonical("2 x 10, band 2", ROW)).isEqualTo("2x10 band2");
    assertThat(canonical("8 1.5kg", ROW)).isEqualTo("8 1.5kg");
    assertThat(canonical("8 reps 2.0 kg t6s", ROW)).isEqualTo("8 2kg t6s");
    assertThat(canonical("10 30kg", ROW)).isEqualTo("10 30kg");
    assertThat(canonical("10 min", WALK)).isEqualTo("10min");
    assertThat(canonical("10 minutes 2/d", WALK)).isEqualTo("10min 2/d");
    assertThat(fault("8 31kg", ROW).message()).contains("0.5 to 30 kg");
    assertThat(fault("8 1.3kg", ROW).message()).contains("halves");
    assertThat(fault("8 band6", ROW).message()).contains("1 to 5");
    assertThat(fault("8 band2 3kg", ROW).message()).contains("band2", "3kg", "contradict");
    assertThat(fault("10 3kg", MOVE).message()).contains("is a load");
    assertThat(fault("61min", WALK).message()).contains("1 to 60 min");
    assertThat(fault("2x10min", WALK).message()).contains("one length");
    assertThat(DoseNotation.parse("600s", WALK))
        .isInstanceOfSatisfying(
            Parsed.Fault.class, f -> assertThat(f.fixes()).containsExactly("10min"));
  }
}
