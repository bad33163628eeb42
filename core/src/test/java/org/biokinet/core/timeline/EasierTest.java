package org.biokinet.core.timeline;

import static org.assertj.core.api.Assertions.assertThat;
import static org.biokinet.core.timeline.TimelineTest.item;

import java.util.List;
import java.util.Optional;
import org.biokinet.core.anatomy.Side;
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

  /** What falls away takes its side with it; the rest is done as it was, and got ready for. */
  @Test
  void withoutAPartTheRestStays() {
    Timeline full = of(item("upper-trap-stretch", "2x20s"), item("neck-rotation", "5"));
    List<Integer> half = Easier.without(full, 0, Optional.of(Side.LEFT));
    List<Integer> none = Easier.without(full, 0, Optional.empty());
    for (int i = 0; i < half.size(); i++) {
      Segment s = full.segments().get(i);
      boolean left = s.side().equals(Optional.of(Side.LEFT));
      if (s.item() == 1) {
        assertThat(half.get(i)).as("%s", s).isEqualTo(s.seconds()).isEqualTo(none.get(i));
      } else {
        assertThat(none.get(i)).as("%s", s).isZero();
        if (s.kind().isWork()) assertThat(half.get(i)).as("%s", s).isEqualTo(left ? 0 : 20);
      }
    }
    // Whoever leaves out the only side leaves out all of it.
    Timeline right = of(item("upper-trap-stretch", "R 2x20s"), item("neck-rotation", "5"));
    assertThat(Easier.without(right, 0, Optional.of(Side.RIGHT)))
        .isEqualTo(Easier.without(right, 0, Optional.empty()));
  }

  @Test
  void nothingEverLastsLonger() {
    Timeline full = of(item("upper-trap-stretch", "2x20s"));
    Timeline more = of(item("upper-trap-stretch", "2x30s"));
    assertThat(Easier.seconds(full, more))
        .isEqualTo(full.segments().stream().map(Segment::seconds).toList());
  }
}
