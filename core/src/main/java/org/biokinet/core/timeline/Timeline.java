package org.biokinet.core.timeline;

import java.util.List;
import java.util.Optional;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.program.Program;

/**
 * The one sequence everything about time is derived from: countdown, printed minutes, ledger,
 * calendar length. Segments follow one another without gap or overlap, in whole seconds.
 */
public final class Timeline {

  /** Our choice: nobody stretches at home for longer; beyond it something was mistyped. */
  public static final int LONGEST_SECONDS = 2 * 60 * 60;

  /**
   * Counts up whenever the arithmetic of a timeline changes, so that old totals can be explained.
   */
  public static final int RULE_SET = 1;

  /** The program is longer than {@link #LONGEST_SECONDS}. */
  public static final class TooLong extends IllegalArgumentException {
    TooLong(int seconds) {
      super(
          "the session lasts %d:%02d:%02d; 2 hours is the most"
              .formatted(seconds / 3600, seconds / 60 % 60, seconds % 60));
    }
  }

  private static final Optional<Side> LEFT = Optional.of(Side.LEFT);
  private static final Optional<Side> RIGHT = Optional.of(Side.RIGHT);

  private final Program program;
  private final List<Segment> segments;

  private final int[] stretchLeft;
  private final int[] stretchRight;

  private Timeline(Program program, List<Segment> segments) {
    this.program = program;
    this.segments = segments;
    stretchLeft = new int[program.items().size()];
    stretchRight = new int[program.items().size()];
    for (Segment s : segments) {
      if (!Performance.isStretch(this, s)) continue;
      if (!s.side().equals(RIGHT)) stretchLeft[s.item()] += s.seconds();
      if (!s.side().equals(LEFT)) stretchRight[s.item()] += s.seconds();
    }
  }

  /**
   * @throws TooLong when the session would last more than two hours
   */
  public static Timeline compile(Program program) {
    List<Segment> segments = new Compiler(program, Selection.of(program)).compile();
    Timeline timeline = new Timeline(program, segments);
    if (timeline.seconds() > LONGEST_SECONDS) throw new TooLong(timeline.seconds());
    return timeline;
  }

  /**
   * Whether a program of this rule set is replayed to the same second. So far there is one; whoever
   * adds another keeps the arithmetic of the ones before it.
   */
  public static boolean replays(int ruleSet) {
    return ruleSet == RULE_SET;
  }

  public Program program() {
    return program;
  }

  public List<Segment> segments() {
    return segments;
  }

  public int seconds() {
    return segments.isEmpty() ? 0 : segments.get(segments.size() - 1).end();
  }

  /** All seconds of an item, its position change and set-up included; items sum to the total. */
  public int seconds(int item) {
    int sum = 0;
    for (Segment s : segments) if (s.item() == item) sum += s.seconds();
    return sum;
  }

  /**
   * Seconds of stretch on one side: the holds of a stretch, or the deeper phases of contract–relax.
   * A stretch of both sides at once counts fully for each.
   */
  public int stretchSeconds(int item, Side side) {
    return (side == Side.LEFT ? stretchLeft : stretchRight)[item];
  }

  /** Minutes and seconds, such as 4:08. */
  public static String clock(int seconds) {
    return "%d:%02d".formatted(seconds / 60, seconds % 60);
  }
}
