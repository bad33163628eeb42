package org.biokinet.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

/** The stand-in's known truth is found again, through noise, drift, gaps and nonsense. */
class RangeCaptureTest {

  private static List<Double> taken(Motion motion, Inclinometer device, long millis) {
    RangeCapture capture = new RangeCapture(motion);
    List<Double> taken = new ArrayList<>();
    for (long at = 0; at < millis; at += Inclinometer.EVERY_MILLIS) {
      if (capture.sample(at, device.degrees(at)) instanceof RangeCapture.Event.Taken t) {
        taken.add(t.degrees());
      }
    }
    return taken;
  }

  /** A thousand made-up necks, four tries each: every try is caught once, and the truth is met. */
  @Test
  void theTruthIsFoundWithinItsNoise() {
    double errors = 0;
    double squares = 0;
    int readings = 0;
    for (int seed = 0; seed < 1_000; seed++) {
      double truth = 15 + seed % 70;
      List<Double> taken =
          taken(Motion.NECK_ROTATION, new SimulatedInclinometer(truth, seed), 4 * 6_700);
      assertThat(taken).as("seed " + seed).hasSize(4);
      for (double t : taken) {
        assertThat(t).as("seed " + seed).isCloseTo(truth, within(6.0));
        errors += t - truth;
        squares += (t - truth) * (t - truth);
        readings++;
      }
    }
    assertThat(errors / readings).as("no bias").isCloseTo(0, within(0.15));
    // What is left is the client's own unsteadiness from try to try, not the instrument's.
    assertThat(Math.sqrt(squares / readings))
        .isCloseTo(SimulatedInclinometer.TRIES_DIFFER, within(0.25));
  }

  @Test
  void theSameSeedIsTheSameNeck() {
    assertThat(taken(Motion.NECK_ROTATION, new SimulatedInclinometer(60, 7), 20_000))
        .isEqualTo(taken(Motion.NECK_ROTATION, new SimulatedInclinometer(60, 7), 20_000))
        .isNotEqualTo(taken(Motion.NECK_ROTATION, new SimulatedInclinometer(60, 8), 20_000));
  }

  @Test
  void nonsenseIsNeverTaken() {
    Inclinometer nonsense = at -> OptionalDouble.of(at < 1_000 ? 0 : at < 3_000 ? 500 : Double.NaN);
    assertThat(taken(Motion.NECK_ROTATION, nonsense, 10_000)).isEmpty();
    // A jump and back within a sample is no motion.
    Inclinometer spike = at -> OptionalDouble.of(at % 500 == 0 ? 70 : 0.1);
    assertThat(taken(Motion.NECK_ROTATION, spike, 10_000)).isEmpty();
  }

  @Test
  void aLostInstrumentIsSaidAndComesBack() {
    RangeCapture capture = new RangeCapture(Motion.NECK_ROTATION);
    capture.sample(0, OptionalDouble.of(0));
    assertThat(capture.sample(1_000, OptionalDouble.empty()))
        .isInstanceOf(RangeCapture.Event.Quiet.class);
    assertThat(capture.sample(1_600, OptionalDouble.empty()))
        .isInstanceOf(RangeCapture.Event.Lost.class);
    assertThat(capture.sample(1_650, OptionalDouble.of(3)))
        .isInstanceOf(RangeCapture.Event.Angle.class);
  }

  /** Standing still at the end gives one reading, not one after the other. */
  @Test
  void oneReadingForEachTry() {
    Inclinometer held = at -> OptionalDouble.of(Math.min(50, Math.max(0, (at - 2_000) / 20.0)));
    assertThat(taken(Motion.NECK_ROTATION, held, 30_000)).hasSize(1);
  }

  @Test
  void byHandItIsReadAsItStands() {
    RangeCapture capture = new RangeCapture(Motion.NECK_ROTATION);
    assertThat(capture.now()).isEmpty();
    for (long at = 0; at <= 1_000; at += 50) capture.sample(at, OptionalDouble.of(2));
    for (long at = 1_050; at <= 3_000; at += 50) {
      capture.sample(at, OptionalDouble.of(Math.min(42, 2 + (at - 1_000) / 25.0)));
    }
    assertThat(capture.now().orElseThrow()).isCloseTo(40, within(0.5));
  }
}
