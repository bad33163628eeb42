package org.biokinet.core.measure;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.Size;
import org.biokinet.core.anatomy.Side;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Handbook section 9: range and asymmetry. AMA Guides 5th ed., recalled from memory. */
class ReadingsTest {

  private static Readings.Result strict(Double... degrees) {
    return new Readings(Readings.Protocol.STRICT, Arrays.asList(degrees)).result();
  }

  @Test
  void threeInARowAgreeWithinFiveDegreesUnderFifty() {
    assertThat(strict(40.0, 43.0)).isInstanceOf(Readings.Result.More.class);
    assertThat(strict(40.0, 43.0, 45.0)).isEqualTo(new Readings.Result.Value(128 / 3.0, 45));
    assertThat(strict(40.0, 43.0, 45.1)).isInstanceOf(Readings.Result.More.class);
    assertThat(strict(30.0, 40.0, 42.0, 44.0)).isEqualTo(new Readings.Result.Value(42, 44));
  }

  @Test
  void orWithinTenPercentFromFiftyOn() {
    assertThat(strict(76.0, 80.0, 84.0)).isEqualTo(new Readings.Result.Value(80, 84));
    assertThat(strict(75.0, 80.0, 85.0)).isInstanceOf(Readings.Result.More.class);
    // A mean of just 50: 5° are also 10 %.
    assertThat(strict(47.5, 50.0, 52.5)).isInstanceOf(Readings.Result.Value.class);
  }

  @Test
  void sixTriesWithoutAgreementAreInconsistent() {
    assertThat(strict(20.0, 30.0, 20.0, 30.0, 20.0)).isInstanceOf(Readings.Result.More.class);
    assertThat(strict(20.0, 30.0, 20.0, 30.0, 20.0, 30.0))
        .isInstanceOf(Readings.Result.Inconsistent.class);
    assertThat(strict(20.0, 30.0, 20.0, 31.0, 32.0, 33.0))
        .isEqualTo(new Readings.Result.Value(32, 33));
  }

  @Test
  void byDefaultTheMeanOfWhatThereIs() {
    Readings two = new Readings(Readings.Protocol.USUAL, List.of(31.0, 33.0));
    assertThat(two.result()).isEqualTo(new Readings.Result.Value(32, 33));
    assertThat(new Readings(Readings.Protocol.USUAL, List.of()).mean()).isEmpty();
  }

  @Test
  void aLineOfNumbersIsRead() {
    for (String line : new String[] {"31 33", "31, 33", " 31;33° ", "31.0 33"}) {
      assertThat(Readings.parse(line, Motion.NECK_ROTATION, Readings.Protocol.USUAL))
          .isInstanceOfSatisfying(
              Readings.Reading.Ok.class,
              ok -> assertThat(ok.readings().degrees()).containsExactly(31.0, 33.0));
    }
    for (String line : new String[] {"-4", "31 x", "400", "121", "1 2 3 4 5 6 7", "12.345"}) {
      assertThat(Readings.parse(line, Motion.NECK_ROTATION, Readings.Protocol.USUAL))
          .as(line)
          .isInstanceOf(Readings.Reading.Fault.class);
    }
  }

  /** Flag at ≥ 10° and ≥ 15 %; common practice, no source. */
  @Test
  void asymmetryIsFlaggedAtBothLimitsOnly() {
    assertThat(Asymmetry.of(60, 50).flagged()).as("10°, 16.7 %").isTrue();
    assertThat(Asymmetry.of(60, 50.1).flagged()).as("9.9°").isFalse();
    assertThat(Asymmetry.of(70, 60).flagged()).as("10°, 14.3 %").isFalse();
    assertThat(Asymmetry.of(80, 68).flagged()).as("12°, 15 %").isTrue();
    assertThat(Asymmetry.of(0, 0)).isEqualTo(new Asymmetry(0, 0, Optional.empty()));
    assertThat(Asymmetry.of(31, 42).lower()).contains(Side.LEFT);
    assertThat(Asymmetry.of(42, 31).lower()).contains(Side.RIGHT);
  }

  @Test
  void extraDoseEndsUnderTheFlagTwiceRunning() {
    Asymmetry flag = Asymmetry.of(30, 45);
    Asymmetry even = Asymmetry.of(42, 45);
    assertThat(Asymmetry.evenedOut(List.of(flag, even))).isFalse();
    assertThat(Asymmetry.evenedOut(List.of(flag, even, even))).isTrue();
    assertThat(Asymmetry.evenedOut(List.of(even, even, flag))).isFalse();
    assertThat(Asymmetry.evenedOut(List.of(even))).isFalse();
  }

  @Property
  void sidesAreTreatedAlike(
      @ForAll @DoubleRange(min = 0, max = 180) double a,
      @ForAll @DoubleRange(min = 0, max = 180) double b) {
    Asymmetry one = Asymmetry.of(a, b);
    Asymmetry other = Asymmetry.of(b, a);
    assertThat(one.flagged()).isEqualTo(other.flagged());
    assertThat(one.lower().map(Side::opposite)).isEqualTo(other.lower());
    assertThat(one.share()).isBetween(0.0, 1.0);
  }

  /** Whatever is read, a strict value is a mean of readings that were really taken. */
  @Property
  void aStrictValueLiesAmongItsReadings(
      @ForAll @Size(max = 6) List<@DoubleRange(min = 0, max = 120) Double> degrees) {
    if (new Readings(Readings.Protocol.STRICT, degrees).result()
        instanceof Readings.Result.Value v) {
      assertThat(degrees).contains(v.largest()).hasSizeGreaterThanOrEqualTo(3);
      assertThat(v.mean()).isLessThanOrEqualTo(v.largest());
    }
  }

  /** AMA Guides 5th ed. and AAOS 1965, recalled from memory: handbook section 9. */
  @ParameterizedTest
  @CsvSource({
    "NECK_FLEXION, 50",
    "NECK_EXTENSION, 60",
    "NECK_LATERAL_FLEXION, 45",
    "NECK_ROTATION, 80",
    "SHOULDER_FLEXION, 180",
    "SHOULDER_ABDUCTION, 180",
    "SHOULDER_EXTENSION, 60",
    "SHOULDER_INTERNAL_ROTATION, 70",
    "SHOULDER_EXTERNAL_ROTATION, 90"
  })
  void normsAreThoseOfTheHandbook(Motion motion, int degrees) {
    assertThat(motion.norm()).hasValue(degrees);
  }

  @Test
  void everyMotionSaysHowItIsMeasured() {
    assertThat(Motion.THORACIC_ROTATION.norm()).isEmpty();
    assertThat(Motion.THORACIC_ROTATION.source()).startsWith("no norm");
    for (Motion m : Motion.values()) {
      assertThat(m.how()).isNotBlank();
      assertThat(m.most()).isGreaterThan(m.norm().orElse(0));
    }
  }
}
