package org.biokinet.core.timeline;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import org.biokinet.core.anatomy.Side;
import org.junit.jupiter.api.Test;

class PerformanceTest {

  private static List<Integer> all(Timeline t) {
    return new ArrayList<>(t.segments().stream().map(Segment::seconds).toList());
  }

  @Test
  void everythingDoneIsWhatWasPlanned() {
    Timeline t =
        TimelineTest.compile(
            TimelineTest.item("upper-trap-stretch", "L 3x30s R 20s"),
            TimelineTest.item("goalpost-chest-opener", "2x15s"),
            TimelineTest.item("neck-rotation", "5x3s"));
    Performance p = Performance.of(t, all(t));
    assertThat(p.stretchSeconds(Side.LEFT)).isEqualTo(90 + 30);
    assertThat(p.stretchSeconds(Side.RIGHT)).isEqualTo(20 + 30);
    Performance.Part left = p.parts().get(0);
    assertThat(left.reps()).isEqualTo(3).isEqualTo(left.plannedReps());
    assertThat(p.parts()).allSatisfy(x -> assertThat(x.seconds()).isEqualTo(x.plannedSeconds()));
    assertThat(p.parts().get(3).plannedReps()).isEqualTo(5);
  }

  @Test
  void aHoldBrokenOffCountsItsSecondsButNotAsAHold() {
    Timeline t = TimelineTest.compile(TimelineTest.item("upper-trap-stretch", "R 2x15s"));
    List<Integer> done = all(t);
    int last = done.lastIndexOf(15);
    for (int i = last; i < done.size(); i++) done.set(i, 0);
    done.set(last, 6);
    Performance.Part right = Performance.of(t, done).parts().get(0);
    assertThat(right.seconds()).isEqualTo(21);
    assertThat(right.reps()).isEqualTo(1);
    assertThat(right.plannedReps()).isEqualTo(2);
  }

  @Test
  void contractRelaxStretchIsTheDeeperPhases() {
    Timeline t = TimelineTest.compile(TimelineTest.item("upper-trap-stretch", "L cr3(6s+15s)"));
    Performance p = Performance.of(t, all(t));
    assertThat(p.stretchSeconds(Side.LEFT)).isEqualTo(45);
    assertThat(p.seconds()).isEqualTo(63);
    assertThat(p.parts().get(0).plannedReps()).isEqualTo(3);
  }

  @Test
  void moreThanWasPlannedIsRefused() {
    Timeline t = TimelineTest.compile(TimelineTest.item("chin-tuck", "10s"));
    List<Integer> done = all(t);
    done.set(0, 99);
    assertThatThrownBy(() -> Performance.of(t, done)).hasMessageContaining("segment 0 lasts 5 s");
    assertThatThrownBy(() -> Performance.of(t, List.of())).hasMessageContaining("5 segments");
  }
}
