package org.biokinet.core.timeline;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.program.Item;
import org.junit.jupiter.api.Test;

/** What is heard and when, reckoned by hand from the seconds of handbook section 5. */
class CueSheetTest {

  private static List<CueSheet.Sound> sounds(Timeline t) {
    return new Cues(TimelineTest.CATALOGUE, Locale.ENGLISH).sheet(t).sounds();
  }

  private static List<String> tones(Timeline t) {
    return sounds(t).stream()
        .filter(CueSheet.Toned.class::isInstance)
        .map(s -> s.at() + " " + ((CueSheet.Toned) s).tone())
        .toList();
  }

  @Test
  void everyTurnOfASessionHasItsTone() {
    // 5 position, 4 set-up, 3 in, 30 hold, 3 out, 4 change, 3 in, 30 hold, 3 out, 3 settle.
    Timeline t = TimelineTest.compile(TimelineTest.item("upper-trap-stretch", "30s"));
    assertThat(tones(t))
        .containsExactly(
            "0.0 READY",
            "5.0 READY",
            "9.0 START",
            "12.0 HOLD",
            "27.0 HALF",
            "39.0 LAST",
            "40.0 LAST",
            "41.0 LAST",
            "42.0 OUT",
            "45.0 CHANGE",
            "49.0 START",
            "52.0 HOLD",
            "67.0 HALF",
            "79.0 LAST",
            "80.0 LAST",
            "81.0 LAST",
            "82.0 OUT",
            "85.0 REST",
            "88.0 END");
  }

  @Test
  void aShortHoldIsNeitherHalvedNorCountedOut() {
    Timeline t = TimelineTest.compile(TimelineTest.item("upper-trap-stretch", "L 5s"));
    assertThat(tones(t))
        .containsExactly(
            "0.0 READY",
            "5.0 READY",
            "9.0 START",
            "12.0 HOLD",
            "17.0 OUT",
            "20.0 REST",
            "23.0 END");
  }

  /** The way out is over with the hold it ends, also where it is told on the way to that hold. */
  @Test
  void anEndingEndsWithTheHold() {
    Timeline t = TimelineTest.compile(TimelineTest.item("chin-tuck", "10s"));
    // 5 position, 4 set-up, 1 rise, 10 hold: until 20. Nine words at 2.5 a second: 3.6 s before.
    assertThat(sounds(t))
        .contains(
            new CueSheet.Said(
                20 - "Then: Let the chin drift forward to rest.".split(" ", -1).length / 2.5,
                "Then: Let the chin drift forward to rest.",
                false));
  }

  @Test
  void breathsOfADoseAreLedWhereNothingElseIsSaid() {
    // 4 breaths of 5 s from 9 s on; out begins after two fifths, and until 17 s there is talk.
    Timeline t = TimelineTest.compile(TimelineTest.item("diaphragmatic-breathing", "4br"));
    List<CueSheet.Said> led = new ArrayList<>();
    for (CueSheet.Sound s : sounds(t)) {
      if (s instanceof CueSheet.Said said && said.breath()) led.add(said);
    }
    assertThat(led).isNotEmpty();
    assertThat(led)
        .allSatisfy(
            s -> {
              double within = (s.at() - 9) % 5;
              assertThat(within).isEqualTo(s.text().equals("In") ? 0.0 : 2.0);
            });
    Timeline seconds = TimelineTest.compile(TimelineTest.item("upper-trap-stretch", "30s"));
    assertThat(sounds(seconds)).noneMatch(s -> s instanceof CueSheet.Said said && said.breath());
  }

  /**
   * Nothing is begun before what was begun is said, at 2.5 words a second; and the second half of a
   * long hold is quiet but for its way out.
   */
  @Test
  void nobodyIsCutOff() {
    int checked = 0;
    for (Exercise e : TimelineTest.CATALOGUE.all()) {
      Timeline t = TimelineTest.compile(new Item(e, e.target()), new Item(e, e.start()));
      double free = 0;
      for (CueSheet.Sound s : sounds(t)) {
        if (!(s instanceof CueSheet.Said said)) continue;
        assertThat(said.at()).as("%s: %s", e.id(), said).isGreaterThanOrEqualTo(free - 1e-9);
        free = said.at() + said.text().split(" ", -1).length / 2.5;
        checked++;
      }
    }
    assertThat(checked).isGreaterThan(3000);
  }

  @Test
  void theSecondHalfOfALongHoldIsQuiet() {
    int checked = 0;
    for (Exercise e : TimelineTest.CATALOGUE.all()) {
      Timeline t = TimelineTest.compile(new Item(e, e.target()));
      List<Cue> cues = new Cues(TimelineTest.CATALOGUE, Locale.ENGLISH).of(t);
      for (int i = 0; i < cues.size(); i++) {
        Segment s = t.segments().get(i);
        if (s.kind() != Segment.Kind.HOLD || s.seconds() < 20) continue;
        int words = cues.get(i).spoken().split(" ", -1).length;
        assertThat(words / 2.5).as(e.id()).isLessThanOrEqualTo(s.seconds() / 2.0);
        checked++;
      }
    }
    assertThat(checked).isGreaterThan(50);
  }
}
