package org.biokinet.core.timeline;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import org.biokinet.core.dose.Mode;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.Group;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;

/**
 * Which items a session of a given length does, in order, by their place in the program. The rule
 * is common practice (do all; stop here when short of time; go round again when there is time),
 * without a source; that a second round never stretches again is our choice, since it would double
 * the dose in one tap.
 */
final class Selection {

  private Selection() {}

  static List<Integer> of(Program program) {
    List<Integer> all = new ArrayList<>();
    for (int i = 0; i < program.items().size(); i++) {
      if (!program.paused().contains(i)) all.add(i);
    }
    return switch (program.length()) {
      case USUAL -> all;
      case SHORT -> shortened(program, all);
      case LONG -> {
        List<Integer> twice = new ArrayList<>(all);
        all.stream().filter(i -> mayRepeat(program.items().get(i).exercise())).forEach(twice::add);
        yield twice;
      }
    };
  }

  /** Items stay whole, so both sides of each; at least one item stays. */
  private static List<Integer> shortened(Program program, List<Integer> all) {
    int[] seconds = new int[program.items().size()];
    int total = 0;
    for (Segment s : new Compiler(program, all).compile()) {
      seconds[s.item()] += s.seconds();
      total += s.seconds();
    }
    int left = total / 2;
    TreeSet<Integer> chosen = new TreeSet<>();
    for (int i : all) {
      if (program.items().get(i).priority() == Item.Priority.HIGH) {
        chosen.add(i);
        left -= seconds[i];
      }
    }
    for (int i : all) {
      if (!chosen.contains(i) && seconds[i] <= left) {
        chosen.add(i);
        left -= seconds[i];
      }
    }
    if (chosen.isEmpty() && !all.isEmpty()) {
      int briefest = all.get(0);
      for (int i : all) if (seconds[i] < seconds[briefest]) briefest = i;
      chosen.add(briefest);
    }
    return List.copyOf(chosen);
  }

  private static boolean mayRepeat(Exercise e) {
    Group g = e.group();
    boolean family =
        g == Group.BREATH
            || g == Group.NECK_MOBILITY
            || g == Group.SHOULDER_MOBILITY
            || g == Group.THORACIC_MOBILITY
            || g == Group.RELEASE;
    return family && e.doseContext().mode() != Mode.HOLD;
  }
}
