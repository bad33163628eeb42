package org.biokinet.core.planning;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.dose.Pace;
import org.jspecify.annotations.Nullable;

/**
 * Finds the best choice of a model, exactly, by branch and bound.
 *
 * <p>Credits are capped, so what an activity adds can only become less as others join it. What the
 * best few of those that are left would add now, each by itself, is therefore never less than what
 * any of their combinations can add, and a branch that cannot reach the best found so far is left.
 */
final class ExactSearch {

  /**
   * What was found.
   *
   * @param activities the pinned ones first, then in the order of the catalogue
   * @param worth on the scale of the model
   */
  record Best(List<Activity> activities, Placement placement, long worth) {}

  private static final List<Equipment> EQUIPMENT = List.of(Equipment.values());

  private final Model model;
  private final int goals;
  private final int count;
  private final int budget;
  private final int slots;
  private final long[] unit;
  private final int[][] goalsOf;
  private final int[][] creditsOf;
  private final boolean[] strengthens;
  private final boolean[] stretchesNeck;
  private final boolean[] movesNeck;
  private final long[] things;
  private final int[] own;
  private final int[] exercise;
  private final int[] seen;
  private int mark;
  private int visits;
  private final int fetch;
  private final boolean neckRule;

  private final int[] covered;
  private final double[] risen;
  private final double[][] brings;
  private final int[] chosen;
  private int size;
  private long pinnedThings;
  private int pinnedSeconds;
  private boolean pinnedStrength;
  private boolean pinnedMoves;
  private boolean pinnedStretches;

  private @Nullable Best best;
  private int[] bestPlaces = new int[0];
  private int bestWishes;

  private ExactSearch(Model model, boolean neckRule, int visits) {
    this.model = model;
    this.neckRule = neckRule;
    this.visits = visits;
    goals = model.goals().size();
    count = model.free().size();
    budget = model.seconds();
    slots = model.most() - model.pinned().size();
    fetch = model.pacing().seconds(Pace.FETCH);
    unit = new long[goals];
    for (int g = 0; g < goals; g++) unit[g] = model.unit(g);
    goalsOf = new int[count][];
    creditsOf = new int[count][];
    strengthens = new boolean[count];
    stretchesNeck = new boolean[count];
    movesNeck = new boolean[count];
    things = new long[count];
    own = new int[count];
    exercise = new int[count];
    seen = new int[count];
    covered = new int[goals];
    risen = new double[model.rises().size()];
    brings = new double[risen.length][];
    for (int r = 0; r < risen.length; r++) {
      brings[r] = model.rises().get(r).brings().stream().mapToDouble(Double::doubleValue).toArray();
    }
    chosen = new int[slots];
    for (int i = 0; i < count; i++) learn(i, model.free().get(i));
    for (int g = 0; g < goals; g++) covered[g] = model.goals().get(g).given();
    for (Activity a : model.pinned()) {
      for (int g = 0; g < goals; g++) covered[g] += a.credits().get(g);
      pinnedThings |= bits(a.fetched());
      pinnedSeconds += a.seconds();
      pinnedStrength |= Together.strengthens(a.exercise());
      pinnedMoves |= Together.movesTheNeckStraight(a.exercise());
      pinnedStretches |= Together.stretchesTheNeck(a.exercise());
    }
  }

  private void learn(int i, Activity a) {
    goalsOf[i] = IntStream.range(0, goals).filter(g -> a.credits().get(g) > 0).toArray();
    creditsOf[i] = Arrays.stream(goalsOf[i]).map(g -> a.credits().get(g)).toArray();
    strengthens[i] = Together.strengthens(a.exercise());
    stretchesNeck[i] = Together.stretchesTheNeck(a.exercise());
    movesNeck[i] = Together.movesTheNeckStraight(a.exercise());
    things[i] = bits(a.fetched());
    own[i] = a.seconds();
    exercise[i] =
        i > 0 && model.free().get(i - 1).exercise().id().equals(a.exercise().id())
            ? exercise[i - 1]
            : i;
  }

  private static long bits(Set<Equipment> fetched) {
    long bits = 0;
    for (Equipment e : fetched) bits |= 1L << EQUIPMENT.indexOf(e);
    return bits;
  }

  /**
   * The best choice. Where the pinned items are already too much, it is those alone; where they
   * stretch the neck and nothing may move it before, they stay without.
   *
   * @param visits branches that are looked at: with fewer than all it is something good, and in
   *     most cases the best
   */
  static Optional<Best> of(Model model, int visits) {
    return new ExactSearch(model, /* neckRule= */ true, visits)
        .run()
        .or(() -> new ExactSearch(model, /* neckRule= */ false, visits).run());
  }

  private Optional<Best> run() {
    int[] all = new int[count];
    for (int i = 0; i < count; i++) all[i] = i;
    visit(all, count, pinnedSeconds, pinnedThings, pinnedStrength, pinnedMoves, pinnedStretches, 0);
    return Optional.ofNullable(best);
  }

  private void visit(
      int[] candidates,
      int n,
      int seconds,
      long fetched,
      boolean strength,
      boolean moves,
      boolean stretches,
      int wishes) {
    int least =
        model.pacing().seconds(Pace.FIRST_POSITION) + seconds + Long.bitCount(fetched) * fetch;
    if (moves || !stretches || !neckRule) consider(strength, wishes);
    if (size == slots || --visits < 0) return;

    int[] left = new int[n];
    long[] gain = new long[n];
    int m = 0;
    for (int k = 0; k < n; k++) {
      int i = candidates[k];
      if (!joins(i, least, fetched)) continue;
      long g = gain(i);
      int at = m++;
      for (; at > 0 && gain[at - 1] < g; at--) {
        gain[at] = gain[at - 1];
        left[at] = left[at - 1];
      }
      gain[at] = g;
      left[at] = i;
    }
    long now = worth(/* strength= */ true);
    for (int k = 0; k < m; k++) {
      if (hopeless(now, gain, left, k, m)) return;
      int i = left[k];
      take(i, 1);
      chosen[size++] = i;
      visit(
          Arrays.copyOfRange(left, k + 1, m),
          m - k - 1,
          seconds + own[i],
          fetched | things[i],
          strength || strengthens[i],
          moves || movesNeck[i],
          stretches || stretchesNeck[i],
          wishes + model.free().get(i).wishes());
      size--;
      take(i, -1);
    }
  }

  private void take(int i, int sign) {
    for (int k = 0; k < goalsOf[i].length; k++) covered[goalsOf[i][k]] += sign * creditsOf[i][k];
    for (int r = 0; r < risen.length; r++) risen[r] += sign * brings[r][i];
  }

  /** Whether it can join what is chosen; what cannot now cannot later. */
  private boolean joins(int i, int least, long fetched) {
    if (least + own[i] + fetch * Long.bitCount(things[i] & ~fetched) > budget) return false;
    for (int k = 0; k < size; k++) if (model.apart().get(i).get(chosen[k])) return false;
    for (int r = 0; r < risen.length; r++) {
      double more = brings[r][i];
      if (more > 0 && risen[r] + more > model.rises().get(r).room()) return false;
    }
    return true;
  }

  /** What it would add now, if something strengthens as well. */
  private long gain(int i) {
    long gain = 0;
    for (int k = 0; k < goalsOf[i].length; k++) {
      int g = goalsOf[i][k];
      int missing = model.goals().get(g).enough() - covered[g];
      if (missing > 0) gain += unit[g] * Math.min(missing, creditsOf[i][k]);
    }
    return gain;
  }

  /**
   * Worth of what is chosen.
   *
   * @param strength whether something of it strengthens, or still may
   */
  private long worth(boolean strength) {
    long worth = 0;
    for (int g = 0; g < goals; g++) {
      if (model.goals().get(g).strengthToo() && !strength) continue;
      worth += unit[g] * Math.min(model.goals().get(g).enough(), covered[g]);
    }
    return worth;
  }

  /** Whether nothing that starts with one of these can become the best. */
  private boolean hopeless(long now, long[] gain, int[] left, int from, int m) {
    if (best == null) return false;
    long missing = best.worth() - now;
    int room = slots - size;
    long reach = 0;
    int taken = 0;
    mark++;
    for (int k = from; k < m && taken < room; k++) {
      if (seen[exercise[left[k]]] == mark) continue; // another dose of the same
      seen[exercise[left[k]]] = mark;
      reach += gain[k];
      taken++;
      if (reach > missing) return false;
      if (reach == missing && size + taken <= bestPlaces.length) return false;
    }
    return true;
  }

  // ---- the best ----------------------------------------------------------------------------

  private void consider(boolean strength, int wishes) {
    long worth = worth(strength);
    int beaten = best == null ? -1 : Long.compare(best.worth(), worth);
    if (beaten == 0) beaten = Integer.compare(size, bestPlaces.length);
    if (beaten == 0) beaten = Integer.compare(bestWishes, wishes);
    if (beaten > 0) return;
    int[] places = Arrays.copyOf(chosen, size);
    Arrays.sort(places);
    List<Activity> activities = new ArrayList<>(model.pinned());
    for (int i : places) activities.add(model.free().get(i));
    Optional<Placement> placed =
        Placement.best(activities, model.possible(), model.pacing(), budget);
    if (placed.isEmpty()) return;
    if (beaten == 0 && best != null && !neater(placed.get(), places, best.placement())) return;
    best = new Best(Collections.unmodifiableList(activities), placed.get(), worth);
    bestPlaces = places;
    bestWishes = wishes;
  }

  private boolean neater(Placement p, int[] places, Placement other) {
    if (p.changes() != other.changes()) return p.changes() < other.changes();
    if (p.seconds() != other.seconds()) return p.seconds() < other.seconds();
    return Arrays.compare(places, bestPlaces) < 0;
  }
}
