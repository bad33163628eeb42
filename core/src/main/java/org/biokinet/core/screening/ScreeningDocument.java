package org.biokinet.core.screening;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.document.Fields;
import org.biokinet.core.dose.TenPoint;

/** A screening as it stands in documents: what sets limits, without signs and flags. */
public final class ScreeningDocument {

  private static final Set<String> SCREENING_KEYS =
      Set.of("settles", "easilyProvoked", "provokedPain", "worstPain", "armSymptoms", "conditions");
  private static final Set<String> CONDITION_KEYS = Set.of("code", "side");

  private ScreeningDocument() {}

  /**
   * Reads it; empty where something is wrong.
   *
   * @param fields where the faults go
   */
  public static Optional<Screening> read(Fields fields, JsonNode node) {
    List<String> faults = fields.faults();
    String where = "screening: ";
    if (!fields.object(where, node, SCREENING_KEYS)) return Optional.empty();
    int before = faults.size();
    Irritability.Settles settles =
        fields.coded(where, node, "settles", Irritability.Settles.class, null);
    boolean easily = fields.flag(where, node, "easilyProvoked");
    boolean arm = fields.flag(where, node, "armSymptoms");
    int worst = fields.whole(where, node, "worstPain", 0, TenPoint.MOST, null);
    OptionalInt provoked =
        node.has("provokedPain")
            ? OptionalInt.of(fields.whole(where, node, "provokedPain", 0, TenPoint.MOST, null))
            : OptionalInt.empty();
    Map<Condition, Optional<Side>> conditions = conditions(fields, node.path("conditions"));
    if (faults.size() > before) return Optional.empty();
    return Optional.of(
        new Screening(
            Set.of(),
            Set.of(),
            worst,
            arm,
            settles,
            easily,
            provoked,
            conditions,
            "",
            "",
            "",
            false,
            false));
  }

  private static Map<Condition, Optional<Side>> conditions(Fields fields, JsonNode node) {
    List<String> faults = fields.faults();
    Map<Condition, Optional<Side>> conditions = new EnumMap<>(Condition.class);
    if (!node.isMissingNode() && !node.isArray()) faults.add("screening: conditions: a list");
    int number = 0;
    for (JsonNode one : node) {
      String where = "condition " + ++number + ": ";
      if (!fields.object(where, one, CONDITION_KEYS)) continue;
      int before = faults.size();
      Condition condition = fields.coded(where, one, "code", Condition.class, null);
      Optional<Side> side = fields.side(where, one, "side");
      if (faults.size() > before) continue;
      if (side.isPresent() && !condition.sided()) {
        faults.add(where + condition.code() + " has no side");
      }
      conditions.put(condition, side);
    }
    return conditions;
  }
}
