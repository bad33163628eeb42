package org.biokinet.core.timeline;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Mode;

/**
 * What of a timeline was really done, per item and side. Only the prescribed work counts, not the
 * getting there and resting.
 */
public record Performance(List<Part> parts) {

  /**
   * One item on one side.
   *
   * @param side empty where both sides work at once
   * @param stretchSeconds seconds of stretch done, on each side that this part stands for
   * @param reps work segments done in full: holds, repetitions, breaths runs
   */
  public record Part(
      int item,
      Optional<Side> side,
      int seconds,
      int plannedSeconds,
      int stretchSeconds,
      int reps,
      int plannedReps) {}

  private record Key(int item, Optional<Side> side) {}

  public Performance {
    parts = List.copyOf(parts);
  }

  /**
   * Sums up what was done.
   *
   * @param done seconds spent in each segment, in the order of the timeline
   * @throws IllegalArgumentException when the list does not fit the timeline, or a segment is said
   *     to have lasted longer than it does
   */
  public static Performance of(Timeline timeline, List<Integer> done) {
    if (done.size() != timeline.segments().size()) {
      throw new IllegalArgumentException(
          "%d segments, not %d".formatted(timeline.segments().size(), done.size()));
    }
    Map<Key, int[]> sums = new LinkedHashMap<>();
    for (int i = 0; i < done.size(); i++) {
      Segment s = timeline.segments().get(i);
      int seconds = done.get(i);
      if (seconds < 0 || seconds > s.seconds()) {
        throw new IllegalArgumentException(
            "segment %d lasts %d s, not %d".formatted(i, s.seconds(), seconds));
      }
      if (!s.kind().isWork()) continue;
      int[] sum = sums.computeIfAbsent(new Key(s.item(), s.side()), k -> new int[5]);
      sum[0] += seconds;
      sum[1] += s.seconds();
      if (isStretch(timeline, s)) sum[2] += seconds;
      if (endsRepetition(timeline, i)) {
        if (seconds == s.seconds()) sum[3]++;
        sum[4]++;
      }
    }
    List<Part> parts = new ArrayList<>();
    sums.forEach((k, v) -> parts.add(new Part(k.item(), k.side(), v[0], v[1], v[2], v[3], v[4])));
    return new Performance(parts);
  }

  /** All of it done. */
  public static Performance inFull(Timeline timeline) {
    return of(timeline, timeline.segments().stream().map(Segment::seconds).toList());
  }

  static boolean isStretch(Timeline timeline, Segment s) {
    Mode mode = timeline.program().items().get(s.item()).exercise().doseContext().mode();
    return mode == Mode.HOLD && (s.kind() == Segment.Kind.HOLD || s.kind() == Segment.Kind.DEEPER);
  }

  /** The last work segment of a repetition: contract–relax and held movements have several. */
  private static boolean endsRepetition(Timeline timeline, int i) {
    List<Segment> all = timeline.segments();
    if (i + 1 == all.size()) return true;
    Segment a = all.get(i);
    Segment b = all.get(i + 1);
    boolean same =
        b.kind().isWork()
            && a.item() == b.item()
            && a.side().equals(b.side())
            && a.direction().equals(b.direction())
            && a.set() == b.set()
            && a.rep() == b.rep();
    return !same;
  }

  public int seconds() {
    return parts.stream().mapToInt(Part::seconds).sum();
  }

  /** Seconds of stretch done on one side; a stretch of both sides at once counts for each. */
  public int stretchSeconds(Side side) {
    return parts.stream()
        .filter(p -> p.side().map(side::equals).orElse(true))
        .mapToInt(Part::stretchSeconds)
        .sum();
  }
}
