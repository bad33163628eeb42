package org.biokinet.app.review.web;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.biokinet.app.platform.Days;
import org.biokinet.core.session.SelfCheck;

/** The daily checks of the joints, for the practitioner: what is not the same, and how often. */
final class JointWords {

  private JointWords() {}

  /** "neck L: worse on 3 of 7 days, last 26 Nov", the most often worse first. */
  static List<String> of(List<SelfCheck> checks) {
    Map<String, int[]> counts = new TreeMap<>();
    Map<String, SelfCheck> lastWorse = new TreeMap<>();
    for (SelfCheck check : checks) {
      check
          .felt()
          .forEach(
              (part, felt) -> {
                String name = name(part);
                int[] count = counts.computeIfAbsent(name, n -> new int[3]);
                count[0]++;
                if (felt == SelfCheck.Felt.WORSE) {
                  count[1]++;
                  lastWorse.put(name, check);
                }
                if (felt == SelfCheck.Felt.BETTER) count[2]++;
              });
    }
    List<Map.Entry<String, int[]>> order = new ArrayList<>(counts.entrySet());
    order.sort(Comparator.comparingInt(e -> -e.getValue()[1]));
    List<String> lines = new ArrayList<>();
    for (Map.Entry<String, int[]> e : order) {
      int[] count = e.getValue();
      SelfCheck worse = lastWorse.get(e.getKey());
      if (worse != null) {
        lines.add(
            "%s: worse on %d of %d days, last %s"
                .formatted(e.getKey(), count[1], count[0], Days.day(worse.day())));
      } else if (count[2] > 0) {
        lines.add("%s: better on %d of %d days".formatted(e.getKey(), count[2], count[0]));
      }
    }
    return lines;
  }

  private static String name(SelfCheck.Part part) {
    return part.joint().name().toLowerCase(Locale.ROOT).replace('_', ' ')
        + " "
        + part.side().letter();
  }
}
