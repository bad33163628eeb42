package org.biokinet.core.timeline;

import static org.assertj.core.api.Assertions.assertThat;
import static org.biokinet.core.timeline.TimelineTest.item;

import java.util.List;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.junit.jupiter.api.Test;

class EasierTest {

  private static Timeline of(Item... items) {
    return Timeline.compile(new Program("Neck", 5, Pacing.DEFAULT, List.of(items)));
  }

  private static int sum(List<Integer> seconds) {
    return seconds.stream().mapToInt(Integer::intValue).sum();
  }

  /** Whatever falls away or is shorter, what is left is just the smaller session. */
  @Test
  void whatIsLeftIsTheSmallerSession() {
    String[][] pairs = {
      {"upper-trap-stretch", "3x30s", "2x20s"},
      {"upper-trap-stretch", "L 2x30s R 3x30s", "L 2x30s R 2x20s"},
      {"neck-rotation", "8", "5"},
      {"upper-trap-anchored", "cr3(6s+15s)", "cr2(6s+10s)"},
      {"chin-tuck", "3x10x5s", "2x8x5s"},
      {"shoulder-roll", "6", "4"},
      {"diaphragmatic-breathing", "8br", "6br"},
    };
    for (String[] p : pairs) {
      Timeline full = of(item(p[0], p[1]), item("distance-gaze", "20s"));
      Timeline less = of(item(p[0], p[2]), item("distance-gaze", "20s"));
      assertThat(sum(Easier.seconds(full, less))).as(p[0]).isEqualTo(less.seconds());
    }
  }

  @Test
  void nothingEverLastsLonger() {
    Timeline full = of(item("upper-trap-stretch", "2x20s"));
    Timeline more = of(item("upper-trap-stretch", "2x30s"));
    assertThat(Easier.seconds(full, more))
        .isEqualTo(full.segments().stream().map(Segment::seconds).toList());
  }
}
