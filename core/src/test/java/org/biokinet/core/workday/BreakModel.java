package org.biokinet.core.workday;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.biokinet.core.calendar.Span;
import org.biokinet.core.workday.BreakPlan.Situation;
import org.ojalgo.optimisation.Expression;
import org.ojalgo.optimisation.ExpressionsBasedModel;
import org.ojalgo.optimisation.Optimisation;
import org.ojalgo.optimisation.Variable;

/**
 * The breaks of a day as integer programs for a solver that is not ours: a path through the day,
 * with a binary for each sitting between two places where somebody can stand up. One measure after
 * the other is made as small as can be and then held.
 */
final class BreakModel {

  /** From a minute to another one, both since the epoch; a break follows unless work ends. */
  private record Sitting(long from, long until, boolean thenBreak) {}

  private static final double HARDLY = 1e-6;

  private final Situation s;
  private final Map<Sitting, Variable> sittings = new HashMap<>();
  private final ExpressionsBasedModel model = new ExpressionsBasedModel();
  private int names;

  private BreakModel(Situation s) {
    this.s = s;
    for (Span piece : Span.without(s.day().work(), s.taken())) path(piece);
    Expression all = expression("number").upper(s.wish().number());
    sittings.forEach(
        (x, v) -> {
          if (x.thenBreak) all.set(v, 1);
        });
  }

  /**
   * What the solver comes to, in the order in which it counts: by how much sittings are longer, the
   * most first, filled up with 0 to forty; breaks; breaks that moved; squares.
   */
  static List<Long> ask(Situation s) {
    return new BreakModel(s).solved();
  }

  private Expression expression(String name) {
    return model.newExpression(name + names++);
  }

  private static long minute(Instant at) {
    return Math.floorDiv(at.getEpochSecond(), 60);
  }

  private static Instant moment(long minute) {
    return Instant.ofEpochSecond(60 * minute);
  }

  /** Whoever comes to a place leaves it again; the first place is the beginning of the work. */
  private void path(Span piece) {
    long first = minute(piece.from());
    long last = minute(piece.until());
    List<Long> starts = new ArrayList<>();
    for (long t = first; t + s.wish().length() <= last; t++) if (open(t)) starts.add(t);
    Map<Long, Expression> balance = new HashMap<>();
    TreeSet<Long> begins = new TreeSet<>(List.of(first));
    for (long t : starts) begins.add(t + s.wish().length());
    for (long from : begins) {
      for (long t : starts) {
        if (t - from >= s.wish().least()) {
          Variable v = binary(new Sitting(from, t, true));
          at(balance, from).add(v, 1);
          at(balance, t + s.wish().length()).add(v, -1);
        }
      }
      if (from < last) {
        at(balance, from).add(binary(new Sitting(from, last, false)), 1);
      }
    }
    // A break that ends with the work is followed by no sitting.
    if (balance.containsKey(last) && last != first) {
      at(balance, last).add(binary(new Sitting(last, last, false)), 1);
    }
    at(balance, first).level(1);
  }

  private Expression at(Map<Long, Expression> balance, long minute) {
    return balance.computeIfAbsent(minute, m -> expression("balance").level(0));
  }

  private Variable binary(Sitting x) {
    Variable v = model.newVariable("x" + names++);
    v.binary();
    sittings.put(x, v);
    return v;
  }

  private boolean open(long minute) {
    Span one = Span.ofMinutes(moment(minute), s.wish().length());
    return !one.from().isBefore(s.from())
        && s.day().hard().stream().noneMatch(one::overlaps)
        && s.day().quiet().stream().noneMatch(one::overlaps);
  }

  /** What a sitting, with the break after it, adds of this size of too much. */
  private int adds(Sitting x, int size) {
    int adds = x.until - x.from - s.wish().preferred() == size ? 1 : 0;
    Span then = Span.ofMinutes(moment(x.until), s.wish().length());
    boolean soft = x.thenBreak && s.day().soft().stream().anyMatch(then::overlaps);
    return soft && Math.max(1, s.wish().most() - s.wish().preferred()) == size ? adds + 1 : adds;
  }

  private List<Long> solved() {
    List<Long> worth = new ArrayList<>();
    TreeSet<Integer> sizes = new TreeSet<>();
    int soft = Math.max(1, s.wish().most() - s.wish().preferred());
    for (Sitting x : sittings.keySet()) {
      int beyond = (int) (x.until - x.from) - s.wish().preferred();
      if (beyond > 0) sizes.add(beyond);
      if (adds(x, soft) > 0) sizes.add(soft);
    }
    // As few as can be of the largest, then of the next: that is the most first.
    for (int size : sizes.descendingSet()) {
      long many = least("beyond", x -> adds(x, size));
      for (long i = 0; i < many; i++) worth.add((long) size);
    }
    while (worth.size() < 40) worth.add(0L);
    worth.add(least("breaks", x -> x.thenBreak ? 1 : 0));
    worth.add(
        s.before().isEmpty()
            ? 0
            : least("moved", x -> x.thenBreak && !s.before().contains(moment(x.until)) ? 1 : 0));
    worth.add(
        least(
            "uneven",
            x -> {
              long off = x.until - x.from - s.wish().preferred();
              return x.from == x.until ? 0 : off * off;
            }));
    return worth;
  }

  private interface Measure {
    long of(Sitting x);
  }

  /** The least that a measure can be, held from now on. */
  private long least(String name, Measure measure) {
    Expression e = expression(name);
    boolean any = false;
    for (Map.Entry<Sitting, Variable> x : sittings.entrySet()) {
      long value = measure.of(x.getKey());
      if (value != 0) e.set(x.getValue(), value);
      any |= value != 0;
    }
    if (!any) return 0;
    e.weight(1);
    Optimisation.Result result = model.minimise();
    if (!result.getState().isOptimal()) throw new IllegalStateException("" + result.getState());
    // What was measured before is part of what is made small, and can be no smaller than it is.
    long least = 0;
    for (Map.Entry<Sitting, Variable> x : sittings.entrySet()) {
      if (result.doubleValue(model.indexOf(x.getValue())) > 0.5) least += measure.of(x.getKey());
    }
    e.upper(least + HARDLY);
    return least;
  }
}
