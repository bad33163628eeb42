package org.biokinet.core.screening;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.Group;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.ProgramKind;

/**
 * What a flare plan begins with: breathing, and what of the client's program is rest or can be done
 * in half range, at half the dose. A proposal, to be changed; which it is is our choice.
 */
public final class FlarePlan {

  private FlarePlan() {}

  /**
   * @param now what the client does
   * @param breathSeconds one breath of this client
   * @param may whether an exercise is open to this client
   */
  public static List<Item> of(
      List<Item> now, double breathSeconds, Catalogue catalogue, Predicate<Exercise> may) {
    List<Item> plan = new ArrayList<>();
    for (Item i : now) {
      if (ProgramKind.FLARE.against(i.exercise(), i.position()).isEmpty()) {
        plan.add(i.dosed(ReEntry.of(i.exercise(), i.dose(), breathSeconds)));
      }
    }
    if (plan.stream().noneMatch(i -> i.exercise().group() == Group.BREATH)) {
      catalogue.offered().stream()
          .filter(e -> e.group() == Group.BREATH && e.isRest() && may.test(e))
          .findFirst()
          .ifPresent(e -> plan.add(0, new Item(e, e.start())));
    }
    return plan;
  }
}
