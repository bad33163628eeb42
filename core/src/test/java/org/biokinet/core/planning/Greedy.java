package org.biokinet.core.planning;

import java.util.ArrayList;
import java.util.List;

/** What somebody does who always adds what is worth most at the moment, and still fits. */
final class Greedy {

  private Greedy() {}

  static long worth(Model m) {
    List<Activity> chosen = new ArrayList<>();
    while (chosen.size() < m.most()) {
      Activity next = null;
      for (Activity a : m.free()) {
        if (!fits(m, chosen, a)) continue;
        if (next == null || with(m, chosen, a) > with(m, chosen, next)) next = a;
      }
      if (next == null || with(m, chosen, next) <= m.worth(chosen)) break;
      chosen.add(next);
    }
    return m.worth(chosen);
  }

  private static long with(Model m, List<Activity> chosen, Activity a) {
    List<Activity> more = new ArrayList<>(chosen);
    more.add(a);
    return m.worth(more);
  }

  private static boolean fits(Model m, List<Activity> chosen, Activity a) {
    int index = m.free().indexOf(a);
    if (chosen.stream().anyMatch(x -> m.apart().get(index).get(m.free().indexOf(x)))) return false;
    List<Activity> more = new ArrayList<>(chosen);
    more.add(a);
    boolean moved = more.stream().anyMatch(x -> Together.movesTheNeckStraight(x.exercise()));
    boolean stretched = more.stream().anyMatch(x -> Together.stretchesTheNeck(x.exercise()));
    return (moved || !stretched)
        && Placement.best(more, m.possible(), m.pacing(), m.seconds()).isPresent();
  }
}
