package org.biokinet.core.timeline;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Direction;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.Length;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.dose.Pace;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.dose.SideDose;
import org.biokinet.core.dose.Work;
import org.biokinet.core.exercise.Group;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Order;
import org.biokinet.core.program.Program;
import org.biokinet.core.timeline.Segment.Kind;
import org.jspecify.annotations.Nullable;

/**
 * Turns a program into segments. Every item is a list of bouts (one hold, one repetition, one
 * contract–relax run), put in order, with the right pause between each two.
 */
final class Compiler {

  /** One performance of the smallest unit of work on one side and in one direction. */
  private record Bout(
      Optional<Side> side,
      Optional<Direction> direction,
      int sideRank,
      int directionRank,
      int set,
      int rep,
      int reps,
      SideDose dose) {}

  /** One side finished first, all its sets; likewise one direction before the other. */
  private static final Comparator<Bout> BLOCK =
      Comparator.comparingInt(Bout::sideRank)
          .thenComparingInt(Bout::directionRank)
          .thenComparingInt(Bout::set)
          .thenComparingInt(Bout::rep);

  /** The sides take turns within a set; what is left over on one side follows. */
  private static final Comparator<Bout> ALTERNATE =
      Comparator.comparingInt(Bout::directionRank)
          .thenComparingInt(Bout::set)
          .thenComparingInt(Bout::rep)
          .thenComparingInt(Bout::sideRank);

  private final Program program;
  private final List<Integer> plan;
  private final Pacing pacing;
  private final List<Segment> segments = new ArrayList<>(256);
  private final Set<Equipment> atHand = EnumSet.noneOf(Equipment.class);
  private @Nullable Position position;
  private int clock;
  private int index;

  /**
   * @param plan places of the items in the program, in the order in which they are done
   */
  Compiler(Program program, List<Integer> plan) {
    this.program = program;
    this.plan = plan;
    this.pacing = program.pacing();
  }

  List<Segment> compile() {
    for (Equipment e : Equipment.values()) if (e.atHand()) atHand.add(e);
    for (int place : plan) {
      index = place;
      item(program.items().get(place));
    }
    return Collections.unmodifiableList(segments);
  }

  private void item(Item item) {
    takePosition(item.position());
    for (Equipment e : Equipment.values()) {
      if (item.exercise().equipment().contains(e) && atHand.add(e)) {
        plain(Kind.EQUIPMENT, pacing.seconds(Pace.FETCH));
      }
    }
    plain(Kind.SETUP, pacing.seconds(Pace.SET_UP));
    List<Bout> bouts = bouts(item);
    Bout before = null;
    for (Bout bout : bouts) {
      if (before != null) between(item, before, bout);
      perform(item, bout);
      before = bout;
    }
    if (item.exercise().sided()) plain(Kind.SETTLE, pacing.seconds(Pace.SETTLE));
  }

  private void takePosition(Position next) {
    if (position == null) {
      plain(Kind.POSITION, pacing.seconds(Pace.FIRST_POSITION));
    } else if (position != next) {
      plain(Kind.POSITION, change(position, next));
    }
    position = next;
  }

  private int change(Position from, Position to) {
    if (from.onFloor() && to.onFloor()) return pacing.seconds(Pace.BETWEEN_FLOOR);
    if (from.onFloor() || to.onFloor()) return pacing.seconds(Pace.FLOOR);
    return pacing.seconds(Pace.CHAIR_STANDING);
  }

  // ---- bouts -------------------------------------------------------------------------------

  private List<Bout> bouts(Item item) {
    List<Bout> bouts = new ArrayList<>();
    if (item.exercise().sided()) {
      Side lead = item.lead().orElse(program.leadOr(Side.LEFT));
      addSide(bouts, item, Optional.of(lead), 0);
      addSide(bouts, item, Optional.of(lead.opposite()), 1);
    } else {
      addSide(bouts, item, Optional.empty(), 0);
    }
    bouts.sort(item.effectiveOrder() == Order.BLOCK ? BLOCK : ALTERNATE);
    return bouts;
  }

  private static void addSide(List<Bout> bouts, Item item, Optional<Side> side, int rank) {
    Optional<SideDose> dose =
        side.isPresent()
            ? item.dose().on(side.get())
            : Optional.of(((Dose.Alike) item.dose()).both());
    if (dose.isEmpty()) return;
    Work work = dose.get().work();
    int reps = repetitions(work);
    List<Direction> directions = item.exercise().doseContext().directions();
    int ways = directions.isEmpty() ? 1 : directions.size();
    for (int way = 0; way < ways; way++) {
      Optional<Direction> direction =
          directions.isEmpty() ? Optional.empty() : Optional.of(directions.get(way));
      if (dose.get().only().isPresent() && !dose.get().only().equals(direction)) continue;
      for (int set = 1; set <= work.sets(); set++) {
        for (int rep = 1; rep <= reps; rep++) {
          bouts.add(new Bout(side, direction, rank, way, set, rep, reps, dose.get()));
        }
      }
    }
  }

  private static int repetitions(Work work) {
    if (work instanceof Work.Repetitions r) return r.reps();
    if (work instanceof Work.Holds h) return h.reps();
    return 1; // all contract–relax cycles are one bout: nobody comes out between them
  }

  // ---- between bouts -----------------------------------------------------------------------

  private void between(Item item, Bout before, Bout next) {
    Mode mode = item.exercise().doseContext().mode();
    if (next.set() > before.set()) {
      int rest = next.dose().rest().orElse(pacing.seconds(Pace.REST_SETS));
      add(Kind.SET_REST, rest, next, 0);
    } else if (!before.side().equals(next.side())) {
      boolean throughTheMiddle =
          mode == Mode.MOVE
              && item.exercise().group() == Group.NECK_MOBILITY
              && item.effectiveOrder() == Order.ALTERNATE;
      if (!throughTheMiddle) add(Kind.SWITCH_SIDE, pacing.seconds(Pace.CHANGE_SIDES), next, 0);
    } else if (!before.direction().equals(next.direction())) {
      add(Kind.SWITCH_DIRECTION, pacing.seconds(Pace.CHANGE_DIRECTION), next, 0);
    } else if (mode != Mode.MOVE && mode != Mode.CIRCLE && mode != Mode.BREATH) {
      // With several sets a rest that was prescribed stands between the sets, not the holds.
      boolean betweenHolds = next.dose().work().sets() == 1;
      int rest =
          betweenHolds
              ? next.dose().rest().orElse(pacing.seconds(Pace.REST_HOLDS))
              : pacing.seconds(Pace.REST_HOLDS);
      add(Kind.REST, rest, next, 0);
    }
  }

  // ---- one bout ----------------------------------------------------------------------------

  private void perform(Item item, Bout bout) {
    Work work = bout.dose().work();
    boolean neck = item.exercise().group().isNeck();
    switch (item.exercise().doseContext().mode()) {
      case HOLD -> {
        add(
            Kind.ENTER,
            neck ? pacing.seconds(Pace.ENTER_NECK) : pacing.seconds(Pace.ENTER),
            bout,
            bout.rep());
        if (work instanceof Work.ContractRelax cr) {
          for (int cycle = 1; cycle <= cr.cycles(); cycle++) {
            add(Kind.CONTRACT, cr.contractSeconds(), bout, cycle, cr.cycles());
            held(Kind.DEEPER, cr.deeper(), bout, cycle, cr.cycles());
          }
        } else {
          held(Kind.HOLD, hold(work), bout, bout.rep(), bout.reps());
        }
        add(
            Kind.EXIT,
            neck ? pacing.seconds(Pace.LEAVE_NECK) : pacing.seconds(Pace.LEAVE),
            bout,
            bout.rep());
      }
      case ISO -> {
        add(Kind.RISE, pacing.seconds(Pace.RISE), bout, bout.rep());
        held(Kind.HOLD, hold(work), bout, bout.rep(), bout.reps());
        add(Kind.RELEASE, pacing.seconds(Pace.RELEASE), bout, bout.rep());
      }
      case MOVE -> {
        int tempo = tempo(item, bout, Pace.MOVE);
        if (work instanceof Work.Holds h) {
          // Out, hold at the end of range, and back.
          add(Kind.MOVE, tempo - tempo / 2, bout, bout.rep());
          held(Kind.HOLD, h.hold(), bout, bout.rep(), bout.reps());
          add(Kind.MOVE_BACK, tempo / 2, bout, bout.rep());
        } else {
          add(Kind.MOVE, tempo, bout, bout.rep());
        }
      }
      case CIRCLE -> add(Kind.MOVE, tempo(item, bout, Pace.CIRCLE), bout, bout.rep());
      case BREATH -> held(Kind.BREATHE, hold(work), bout, bout.rep(), bout.reps());
      case GAZE, RELEASE, PULSE, WALK ->
          held(Kind.TIMED, hold(work), bout, bout.rep(), bout.reps());
    }
  }

  /** As the dose says it, else the entry, else the practice. */
  private int tempo(Item item, Bout bout, Pace usual) {
    return bout.dose().tempo().orElse(item.exercise().tempo().orElse(pacing.seconds(usual)));
  }

  private static Length hold(Work work) {
    return ((Work.Holds) work).hold();
  }

  private int seconds(Length length) {
    return length.toSeconds(program.breathSeconds());
  }

  private void plain(Kind kind, int seconds) {
    push(kind, seconds, Optional.empty(), Optional.empty(), 0, 0, 0, 0);
  }

  private void add(Kind kind, int seconds, Bout bout, int rep) {
    add(kind, seconds, bout, rep, rep == 0 ? 0 : bout.reps());
  }

  private void add(Kind kind, int seconds, Bout bout, int rep, int reps) {
    push(kind, seconds, bout.side(), bout.direction(), rep == 0 ? 0 : bout.set(), rep, reps, 0);
  }

  /** Work that lasts as long as it says, counted in breaths where it says so. */
  private void held(Kind kind, Length length, Bout bout, int rep, int reps) {
    int breaths = length.inBreaths() ? length.amount() : 0;
    push(kind, seconds(length), bout.side(), bout.direction(), bout.set(), rep, reps, breaths);
  }

  private void push(
      Kind kind,
      int seconds,
      Optional<Side> side,
      Optional<Direction> direction,
      int set,
      int rep,
      int reps,
      int breaths) {
    if (seconds == 0) return; // a pause edited to nothing is no segment
    segments.add(
        new Segment(clock, seconds, kind, index, side, direction, set, rep, reps, breaths));
    clock += seconds;
  }
}
