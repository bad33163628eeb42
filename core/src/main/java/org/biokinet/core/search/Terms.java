package org.biokinet.core.search;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.ResourceBundle;
import java.util.Set;
import java.util.stream.Stream;
import org.biokinet.core.anatomy.Coded;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.SidedMotion;
import org.biokinet.core.anatomy.Tissue;
import org.biokinet.core.exercise.Precaution;

/** What the things of the catalogue are called in practice, beside their labels. */
final class Terms {

  private static final String POSTURE = "posture.";

  private final ResourceBundle bundle;

  Terms(Locale locale) {
    bundle = ResourceBundle.getBundle("org.biokinet.core.search.terms", locale);
  }

  List<String> of(Tissue tissue) {
    return with(tissue.label(), "tissue", tissue);
  }

  List<String> of(Position position) {
    return with(position.label(), "position", position);
  }

  List<String> of(Equipment equipment) {
    return with(equipment.label(), "equipment", equipment);
  }

  List<String> of(Precaution precaution) {
    return with(precaution.label(), "precaution", precaution);
  }

  List<String> of(SidedMotion motion) {
    return with(motion.label(), "motion", motion);
  }

  /** Words that ask for a position: "standing", "seated". */
  Map<String, Set<Position>> postures() {
    Map<String, Set<Position>> postures = new HashMap<>();
    for (String key : bundle.keySet()) {
      if (!key.startsWith(POSTURE)) continue;
      Set<Position> meant = EnumSet.noneOf(Position.class);
      for (String code : list(bundle.getString(key))) {
        Coded.find(Position.class, code).ifPresent(meant::add);
      }
      postures.put(key.substring(POSTURE.length()), meant);
    }
    return postures;
  }

  private List<String> with(String label, String kind, Coded coded) {
    String key = kind + "." + coded.code();
    String others = bundle.containsKey(key) ? bundle.getString(key) : "";
    return Stream.concat(Stream.of(label), list(others).stream()).toList();
  }

  private static List<String> list(String commas) {
    return Arrays.stream(commas.split(",", -1))
        .map(String::strip)
        .filter(t -> !t.isEmpty())
        .toList();
  }
}
