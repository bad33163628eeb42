package org.biokinet.core.screening;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.time.Instant;
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
      Set.of(
          "settles",
          "easilyProvoked",
          "provokedPain",
          "worstPain",
          "armSymptoms",
          "conditions",
          "examined");
  private static final Set<String> CONDITION_KEYS = Set.of("code", "side");

  /** Of a document that says so; who it was, and what was found, stands elsewhere. */
  private static final Clearance EXAMINED =
      new Clearance(Instant.EPOCH, "", "as recorded", "as recorded", "");

  private ScreeningDocument() {}

  /**
   * Reads it, and what it comes to; empty where something is wrong.
   *
   * @param fields where the faults go
   */
  public static Optional<Assessment> read(Fields fields, JsonNode node) {
    List<String> faults = fields.faults();
    String where = "screening: ";
    if (!fields.object(where, node, SCREENING_KEYS)) return Optional.empty();
    int before = faults.size();
    Irritability.Settles settles =
        fields.coded(where, node, "settles", Irritability.Settles.class, null);
    boolean easily = fields.flag(where, node, "easilyProvoked");
    boolean arm = fields.flag(where, node, "armSymptoms");
    boolean examined = fields.flag(where, node, "examined");
    int worst = fields.whole(where, node, "worstPain", 0, TenPoint.MOST, null);
    OptionalInt provoked =
        node.has("provokedPain")
            ? OptionalInt.of(fields.whole(where, node, "provokedPain", 0, TenPoint.MOST, null))
            : OptionalInt.empty();
    Map<Condition, Optional<Side>> conditions = conditions(fields, node.path("conditions"));
    if (faults.size() > before) return Optional.empty();
    Screening told =
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
            false);
    return Optional.of(Assessment.of(told, examined ? Optional.of(EXAMINED) : Optional.empty()));
  }

  /** Writes what is in force; reading it back limits the same. */
  public static ObjectNode write(Assessment assessment) {
    Screening told = assessment.screening();
    ObjectNode node = JsonNodeFactory.instance.objectNode();
    node.put("settles", told.settles().code()).put("easilyProvoked", told.easilyProvoked());
    told.provokedPain().ifPresent(pain -> node.put("provokedPain", pain));
    node.put("worstPain", told.worstPain()).put("armSymptoms", told.armSymptoms());
    node.put("examined", assessment.result().open());
    ArrayNode conditions = node.putArray("conditions");
    assessment.inForce().entrySet().stream()
        .sorted(Map.Entry.comparingByKey())
        .forEach(
            e -> {
              ObjectNode one = conditions.addObject().put("code", e.getKey().code());
              e.getValue().ifPresent(side -> one.put("side", Fields.code(side)));
            });
    return node;
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
