package org.biokinet.core.safety;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Parsed;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.Precaution;
import org.junit.jupiter.api.Test;

/** What a screening comes to. The tables are those of the handbook, section 8, typed in again. */
class AssessmentTest {

  private static final Catalogue CATALOGUE = Catalogue.load();

  static final Clearance EXAMINED =
      new Clearance(Instant.EPOCH, "M. Okafor", "reflexes, strength", "nothing found", "");
  static final Clearance MEDICAL =
      new Clearance(Instant.EPOCH, "M. Okafor", "seen today", "well", "clinic: discharged");

  static Screening calm() {
    return with(Set.of(), Set.of(), 3, Map.of());
  }

  static Screening with(
      Set<EmergencySign> signs,
      Set<RedFlag> flags,
      int worst,
      Map<Condition, Optional<Side>> conditions) {
    return new Screening(
        signs,
        flags,
        worst,
        false,
        Irritability.Settles.WITHIN_10_MINUTES,
        false,
        conditions,
        "",
        "",
        "",
        false,
        false);
  }

  private static Assessment having(Condition... conditions) {
    Map<Condition, Optional<Side>> map = new EnumMap<>(Condition.class);
    for (Condition c : conditions) map.put(c, Optional.empty());
    return Assessment.of(with(Set.of(), Set.of(), 3, map), Optional.empty());
  }

  private static Feature.Setting usual(Exercise e) {
    return new Feature.Setting(e.usualPosition(), false);
  }

  @Test
  void everyEmergencySignClosesAndOnlyAMedicalOutcomeOpens() {
    for (EmergencySign sign : EmergencySign.values()) {
      Screening s = with(Set.of(sign), Set.of(), 2, Map.of());
      assertThat(Assessment.of(s, Optional.empty()))
          .satisfies(a -> assertThat(a.result()).isEqualTo(Assessment.Result.EMERGENCY))
          .satisfies(a -> assertThat(a.causes()).containsExactly(sign.label()));
      assertThat(Assessment.of(s, Optional.of(EXAMINED)).result())
          .as(sign.code())
          .isEqualTo(Assessment.Result.EMERGENCY);
      assertThat(Assessment.of(s, Optional.of(MEDICAL)).result().open()).as(sign.code()).isTrue();
    }
  }

  @Test
  void everyRedFlagClosesUntilExamined() {
    for (RedFlag flag : RedFlag.values()) {
      Screening s = with(Set.of(), Set.of(flag), 2, Map.of());
      assertThat(Assessment.of(s, Optional.empty()).result())
          .as(flag.code())
          .isEqualTo(Assessment.Result.EXAMINE);
      // A neck that was just hurt has a rule of its own, see CSpineRuleTest.
      Clearance record = flag == RedFlag.TRAUMA_NEW ? MEDICAL : EXAMINED;
      Assessment examined = Assessment.of(s, Optional.of(record));
      assertThat(examined.result().open()).as(flag.code()).isTrue();
      assertThat(examined.inForce().keySet())
          .isEqualTo(flag.leaves().map(Set::of).orElse(Set.of()));
    }
  }

  @Test
  void aBareReasonIsNoRecord() {
    assertThatThrownBy(() -> new Clearance(Instant.EPOCH, "M. Okafor", "", "fine", ""))
        .hasMessageContaining("examined and found");
    assertThatThrownBy(() -> new Clearance(Instant.EPOCH, "M. Okafor", "reflexes", " ", ""))
        .hasMessageContaining("examined and found");
  }

  /** Up to 6 may exercise at home; from 7, or with arm symptoms, an examination comes first. */
  @Test
  void severityIsExaminedFrom7() {
    for (int worst = 0; worst <= 10; worst++) {
      assertThat(
              Assessment.of(with(Set.of(), Set.of(), worst, Map.of()), Optional.empty())
                  .result()
                  .open())
          .as("worst " + worst)
          .isEqualTo(worst < 7);
    }
    Screening arm =
        new Screening(
            Set.of(),
            Set.of(),
            2,
            true,
            Irritability.Settles.WITHIN_10_MINUTES,
            false,
            Map.of(),
            "",
            "",
            "",
            false,
            false);
    assertThat(Assessment.of(arm, Optional.empty()).result()).isEqualTo(Assessment.Result.EXAMINE);
    assertThat(Assessment.of(arm, Optional.of(EXAMINED)).inForce())
        .containsOnlyKeys(Condition.NERVE_ROOT);
  }

  @Test
  void under18NeedsConsent() {
    Screening s =
        new Screening(
            Set.of(),
            Set.of(),
            2,
            false,
            Irritability.Settles.WITHIN_10_MINUTES,
            false,
            Map.of(),
            "",
            "",
            "",
            true,
            false);
    assertThat(Assessment.of(s, Optional.of(EXAMINED)).result())
        .isEqualTo(Assessment.Result.CONSENT);
  }

  /** Handbook, section 8: high, else low, else moderate. */
  @Test
  void irritabilityIsDecidedInOrder() {
    assertThat(Irritability.of(Irritability.Settles.LATER, false, 1)).isEqualTo(Irritability.HIGH);
    assertThat(Irritability.of(Irritability.Settles.WITHIN_10_MINUTES, true, 7))
        .isEqualTo(Irritability.HIGH);
    assertThat(Irritability.of(Irritability.Settles.WITHIN_10_MINUTES, true, 6))
        .isEqualTo(Irritability.MODERATE);
    assertThat(Irritability.of(Irritability.Settles.WITHIN_10_MINUTES, false, 9))
        .isEqualTo(Irritability.LOW);
    assertThat(Irritability.of(Irritability.Settles.WITHIN_AN_HOUR, false, 1))
        .isEqualTo(Irritability.MODERATE);
    assertThat(Irritability.HIGH.ceiling()).isEqualTo(2);
    assertThat(Irritability.MODERATE.ceiling()).isEqualTo(3);
    assertThat(Irritability.LOW.ceiling()).isEqualTo(4);
    assertThat(Irritability.HIGH.mostPerDay()).isEqualTo(2);
    assertThat(Irritability.HIGH.daysBetweenSteps()).isEqualTo(14);
  }

  /** condition: locked codes | limited codes, as in the handbook's table. */
  private static final String TABLE =
      """
      dizziness: cx-ext cx-circle head-down overpressure | cx-rot
      nerve-root: neural cx-circle overpressure | cx-ext cx-rot
      cervical-stenosis: cx-ext cx-circle | overpressure cx-rot
      inflammatory: overpressure cx-circle cx-ext cx-rot | neck
      rotator-cuff: gh-ir | gh-elev gh-adduct
      frozen-shoulder: gh-ir gh-er-abd | gh-elev gh-ext gh-adduct
      shoulder-front: gh-er-abd gh-ext | gh-elev
      shoulder-back: gh-adduct gh-er-abd gh-ext | gh-elev
      hypermobility: cx-circle | overpressure gh-er-abd gh-ext
      osteoporosis: spine-flex roller overpressure cx-circle | spine-ext trunk-rotation
      lumbar: spine-ext |
      pressure: head-down | effort
      blood-thinners: roller | self-massage
      pregnancy: prone | supine
      jaw: | anterior-neck
      knee: kneeling |
      wrist: wrist-load |
      no-floor: floor kneeling prone |
      poor-balance: balance | standing
      headache: | cx-ext suboccipital
      """;

  @Test
  void everyCellOfTheTableOverTheWholeCatalogue() {
    Map<String, String> rows = new HashMap<>();
    TABLE
        .lines()
        .forEach(l -> rows.put(l.substring(0, l.indexOf(':')), l.substring(l.indexOf(':') + 1)));
    assertThat(rows).hasSize(Condition.values().length);
    for (Condition c : Condition.values()) {
      String[] cells = rows.getOrDefault(c.code(), "").split("\\|", -1);
      Assessment a = having(c);
      int locked = 0;
      for (Exercise e : CATALOGUE.all()) {
        for (Position position : e.positions()) {
          Feature.Setting at = new Feature.Setting(position, false);
          boolean lock = any(cells[0], e, position);
          boolean limit = any(cells[1], e, position);
          Assessment.Verdict verdict = a.of(e, at);
          assertThat(verdict.locked()).as("%s: %s %s", c.code(), e.id(), position).isEqualTo(lock);
          assertThat(verdict.limited())
              .as("%s: %s %s", c.code(), e.id(), position)
              .isEqualTo(limit && !lock);
          if (verdict.limited()) assertThat(verdict.ceiling()).isLessThanOrEqualTo(3);
          if (lock || limit) locked++;
        }
      }
      assertThat(locked).as(c.code() + " touches something").isPositive();
    }
  }

  /** The features again, without {@link Feature}: codes of precautions, or words of this test. */
  private static boolean any(String cell, Exercise e, Position p) {
    Set<String> codes = e.precautions().stream().map(Precaution::code).collect(Collectors.toSet());
    for (String code : cell.strip().split("\\s+", -1)) {
      boolean has =
          switch (code) {
            case "" -> false;
            case "floor" -> p != Position.CHAIR && p != Position.STAND;
            case "kneeling" -> Set.of("kneel", "all-fours").contains(p.code());
            case "prone", "supine" -> p.code().equals(code);
            case "standing" -> p.code().equals("stand");
            case "wrist-load" ->
                p.code().equals("all-fours")
                    || (p.code().equals("prone") && e.id().contains("press"));
            case "neck" ->
                e.group().code().startsWith("neck")
                    || e.targets().get(0).region().name().equals("NECK");
            case "trunk-rotation" ->
                e.targets().stream().anyMatch(t -> t.code().equals("thoracic-rotation"))
                    || e.motion().map(m -> m.code().equals("trunk-turn")).orElse(false);
            case "effort" ->
                e.doseContext().mode().code().equals("iso") || e.doseContext().contractRelax();
            case "self-massage" ->
                e.group().code().equals("release")
                    && e.targets().get(0).kind().name().equals("MUSCLE");
            case "anterior-neck" ->
                e.targets().stream()
                    .anyMatch(
                        t ->
                            Set.of("anterior-neck", "scm", "dnf", "c-retraction")
                                .contains(t.code()));
            case "suboccipital" ->
                e.targets().stream().anyMatch(t -> t.code().equals("suboccipitals"));
            default -> codes.contains(code);
          };
      if (has) return true;
    }
    return false;
  }

  /** More conditions never unlock anything, nor raise a ceiling. */
  @Property(tries = 60)
  void aConditionMoreNeverUnlocks(
      @ForAll @IntRange(min = 0, max = 19) int first,
      @ForAll @IntRange(min = 0, max = 19) int second,
      @ForAll @IntRange(min = 0, max = 19) int more) {
    Condition[] all = Condition.values();
    Assessment less = having(all[first], all[second]);
    Assessment with = having(all[first], all[second], all[more]);
    for (Exercise e : CATALOGUE.all()) {
      Assessment.Verdict a = less.of(e, usual(e));
      Assessment.Verdict b = with.of(e, usual(e));
      if (a.locked()) assertThat(b.locked()).isTrue();
      if (!a.limits().isEmpty()) assertThat(b.limits()).isNotEmpty();
      assertThat(b.ceiling()).isLessThanOrEqualTo(a.ceiling());
      if (a.effort().isPresent()) {
        assertThat(b.effort().orElse(100)).isLessThanOrEqualTo(a.effort().getAsInt());
      }
    }
    assertThat(with.againstStrongPull(true)).containsAll(less.againstStrongPull(true));
  }

  @Test
  void aBedIsNotTheFloor() {
    Exercise lying = CATALOGUE.get("supine-spine-press");
    Assessment a = having(Condition.NO_FLOOR);
    assertThat(a.of(lying, new Feature.Setting(Position.SUPINE, false)).locked()).isTrue();
    assertThat(a.of(lying, new Feature.Setting(Position.SUPINE, true)).locked()).isFalse();
  }

  @Test
  void generalHypermobilityKeepsEverythingGentle() {
    Exercise e = CATALOGUE.get("upper-trap-anchored");
    assertThat(having(Condition.HYPERMOBILITY).of(e, usual(e)).ceiling()).isEqualTo(2);
  }

  @Test
  void theStrongPullIsRefusedWhereItCouldHarm() {
    assertThat(having().againstStrongPull(true)).isEmpty();
    assertThat(having().againstStrongPull(false)).containsExactly("no review yet");
    for (Condition c :
        EnumSet.of(
            Condition.NERVE_ROOT,
            Condition.SHOULDER_FRONT,
            Condition.SHOULDER_BACK,
            Condition.HYPERMOBILITY,
            Condition.INFLAMMATORY)) {
      assertThat(having(c).againstStrongPull(true)).as(c.code()).containsExactly(c.label());
    }
  }

  /** Highly irritable: the smaller of the catalogue's start and 2 × 10 s; half the repetitions. */
  @Test
  void highlyIrritableStartsSmaller() {
    Map<String, String> starts = new HashMap<>();
    for (String id : List.of("upper-trap-stretch", "neck-rotation", "chin-tuck")) {
      Exercise e = CATALOGUE.get(id);
      Assessment.Verdict verdict = having().of(e, usual(e));
      starts.put(id, DoseNotation.format(StartDose.of(e, Irritability.HIGH, verdict)));
      assertThat(StartDose.of(e, Irritability.MODERATE, verdict)).as(id).isEqualTo(e.start());
    }
    assertThat(starts.get("upper-trap-stretch")).isEqualTo("2x10s");
    assertThat(starts.get("neck-rotation")).isEqualTo("1");
    Exercise nod = CATALOGUE.get("suboccipital-stretch");
    Assessment headache = having(Condition.HEADACHE);
    assertThat(
            DoseNotation.format(StartDose.of(nod, Irritability.LOW, headache.of(nod, usual(nod)))))
        .contains("5s");
  }

  @Test
  void aLockedExerciseHasAnEasierOneThatIsNot() {
    List<String> found = new ArrayList<>();
    Assessment a = having(Condition.NERVE_ROOT);
    for (Exercise e : CATALOGUE.all()) {
      if (!a.of(e, usual(e)).locked()) continue;
      a.easier(CATALOGUE, e, usual(e))
          .ifPresent(
              x -> {
                found.add(e.id());
                assertThat(a.of(x, usual(x)).locked()).isFalse();
              });
    }
    assertThat(found).isNotEmpty();
  }

  private static Optional<String> objection(Assessment a, String id, String dose) {
    Exercise e = CATALOGUE.get(id);
    Parsed.Understood ok = (Parsed.Understood) DoseNotation.parse(dose, e.doseContext());
    return DoseCheck.objection(a, e, usual(e), ok.dose());
  }

  /** Low irritability: up to 4; a limit: up to 3 and no more than the start dose. */
  @Test
  void aDoseKeepsToWhatTheScreeningAllows() {
    Assessment clear = having();
    assertThat(objection(clear, "upper-trap-stretch", "3x30s @4")).isEmpty();
    assertThat(objection(clear, "upper-trap-stretch", "L 3x30s @3 R 2x20s @5"))
        .hasValueSatisfying(w -> assertThat(w).contains("up to 4 of 10", "low irritability"));
    Assessment stenosis = having(Condition.CERVICAL_STENOSIS);
    assertThat(objection(stenosis, "upper-trap-stretch", "2x15s @3")).isEmpty();
    assertThat(objection(stenosis, "upper-trap-stretch", "2x15s @4"))
        .hasValueSatisfying(w -> assertThat(w).contains("up to 3 of 10", "stenosis"));
    assertThat(objection(stenosis, "upper-trap-stretch", "3x30s"))
        .hasValueSatisfying(w -> assertThat(w).contains("no more than the start dose"));
    assertThat(objection(stenosis, "full-neck-circle", "3"))
        .hasValueSatisfying(w -> assertThat(w).contains("locked"));
    assertThat(objection(having(Condition.HEADACHE), "chin-tuck", "3x10s")).isPresent();
    assertThat(objection(having(Condition.HEADACHE), "chin-tuck", "3x5s")).isEmpty();
    Screening provoked =
        new Screening(
            Set.of(),
            Set.of(),
            3,
            false,
            Irritability.Settles.LATER,
            false,
            Map.of(),
            "",
            "",
            "",
            false,
            false);
    Assessment high = Assessment.of(provoked, Optional.empty());
    assertThat(objection(high, "upper-trap-stretch", "2x10s 3/d"))
        .hasValueSatisfying(w -> assertThat(w).contains("2 times a day"));
  }
}
