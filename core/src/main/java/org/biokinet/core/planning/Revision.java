package org.biokinet.core.planning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.biokinet.core.program.Item;
import org.biokinet.core.screening.Allowed;

/**
 * The smallest change of a program in force that serves the findings: what goes well stays as it
 * is, and of it gives way only what must, so that every finding that can be served is.
 */
final class Revision {

  private final Planner planner;
  private final Case c;
  private final int most;
  private final List<Item> kept = new ArrayList<>();
  private final List<String> left = new ArrayList<>();

  Revision(Planner planner, Case c, int most) {
    this.planner = planner;
    this.c = c;
    this.most = most;
    for (Item item : c.inForce().orElseThrow().items()) {
      if (pinned(item)) continue;
      if (c.avoided().contains(item.exercise().id())) {
        left.add(planner.name(item) + ": disliked, or it provoked pain");
        continue;
      }
      List<Allowed.Objection> against =
          c.allowed().objections(item.exercise(), item.position(), item.dose());
      if (against.isEmpty() && c.means().positions().contains(item.position())) {
        kept.add(item);
      } else {
        left.add(
            planner.name(item)
                + ": "
                + (against.isEmpty() ? "not " + item.position().label() : against.get(0).words()));
      }
    }
  }

  private boolean pinned(Item item) {
    return c.pinned().stream().anyMatch(p -> p.exercise().id().equals(item.exercise().id()));
  }

  /** A way to do it: what stays, what gives way, and how many findings are served. */
  private record Way(Planner.Solved solved, List<Item> away, long served) {}

  Suggestion suggestion() {
    long can = served(planner.solve(c));
    Way best = way(List.of());
    for (int giving = 1; giving <= most && best.served < can; giving++) {
      Way better =
          choices(giving).stream()
              .map(this::way)
              .max(
                  Comparator.comparingLong(Way::served)
                      .thenComparingLong(w -> w.solved().best().worth()))
              .orElse(best);
      if (better.served > best.served) best = better;
    }
    for (Item item : best.away) left.add(planner.name(item) + ": gives way to what is new");
    return planner.explained(best.solved, left);
  }

  private Way way(List<Item> away) {
    List<Item> stays = new ArrayList<>(c.pinned());
    kept.stream().filter(i -> !away.contains(i)).forEach(stays::add);
    Planner.Solved solved = planner.solve(c.withPinned(stays));
    return new Way(solved, away, served(solved));
  }

  private static long served(Planner.Solved s) {
    return s.shares().stream().filter(share -> share > 0).count();
  }

  private List<List<Item>> choices(int size) {
    List<List<Item>> all = new ArrayList<>(List.of(List.of()));
    for (int round = 0; round < size; round++) {
      List<List<Item>> larger = new ArrayList<>();
      for (List<Item> some : all) {
        int from = some.isEmpty() ? 0 : kept.indexOf(some.get(some.size() - 1)) + 1;
        for (Item item : kept.subList(from, kept.size())) {
          List<Item> more = new ArrayList<>(some);
          more.add(item);
          larger.add(more);
        }
      }
      all = larger;
    }
    return all;
  }
}
