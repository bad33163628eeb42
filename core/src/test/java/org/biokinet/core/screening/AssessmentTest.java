package org.biokinet.core.screening;

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
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Setting;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.DoseNotation;
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
        OptionalInt.of(3),
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

  private static Setting usual(Exercise e) {
    return new Setting(e.usualPosition(), false);
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

  /** Handbook section 8: "an examined and cleared red flag or sign leaves its row on". */
  private static final Map<RedFlag, Set<Condition>> LEFT_ON =
      Map.of(
          RedFlag.TRAUMA_NEW, Set.of(Condition.NECK_TRAUMA),
          RedFlag.TRAUMA, Set.of(Condition.NECK_TRAUMA),
          RedFlag.WEAKNESS, Set.of(Condition.NERVE_ROOT),
          RedFlag.INFLAMMATORY, Set.of(Condition.INFLAMMATORY),
          RedFlag.SURGERY, Set.of(Condition.NECK_SURGERY),
          RedFlag.FUSION, Set.of(Condition.NECK_SURGERY),
          RedFlag.BONE, Set.of(Condition.OSTEOPOROSIS),
          RedFlag.VASCULAR, Set.of(Condition.VASCULAR),
          RedFlag.HEADACHE_AFTER, Set.of(Condition.VASCULAR));

  @Test
  void aClearedSignLeavesItsRowOn() {
    Map<EmergencySign, Condition> rows =
        Map.of(
            EmergencySign.CLUMSY_HANDS, Condition.CORD,
            EmergencySign.ELECTRIC, Condition.CORD,
            EmergencySign.LEGS, Condition.CORD,
            EmergencySign.BOTH_ARMS, Condition.CORD,
            EmergencySign.DROP_ATTACK, Condition.VASCULAR,
            EmergencySign.SPEECH, Condition.VASCULAR,
            EmergencySign.DIZZINESS, Condition.DIZZINESS);
    rows.forEach(
        (sign, row) -> {
          Screening s = with(Set.of(sign), Set.of(), 2, Map.of());
          Assessment cleared = Assessment.of(s, Optional.of(MEDICAL));
          assertThat(cleared.result()).as(sign.code()).isEqualTo(Assessment.Result.PRECAUTIONS);
          assertThat(cleared.inForce()).as(sign.code()).containsKey(row);
        });
    Exercise fold = CATALOGUE.get("neck-flexor-pull");
    Screening electric = with(Set.of(EmergencySign.ELECTRIC), Set.of(), 2, Map.of());
    assertThat(Assessment.of(electric, Optional.of(MEDICAL)).of(fold, usual(fold)).locked())
        .as("shocks on bending the neck, and a pull into bending it")
        .isTrue();
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
      assertThat(examined.inForce().keySet()).isEqualTo(LEFT_ON.getOrDefault(flag, Set.of()));
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
            OptionalInt.of(3),
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
            OptionalInt.of(3),
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
    assertThat(Irritability.of(Irritability.Settles.LATER, false, OptionalInt.of(1)))
        .isEqualTo(Irritability.HIGH);
    assertThat(Irritability.of(Irritability.Settles.WITHIN_10_MINUTES, true, OptionalInt.of(7)))
        .isEqualTo(Irritability.HIGH);
    assertThat(Irritability.of(Irritability.Settles.WITHIN_10_MINUTES, true, OptionalInt.of(6)))
        .isEqualTo(Irritability.MODERATE);
    assertThat(Irritability.of(Irritability.Settles.WITHIN_10_MINUTES, false, OptionalInt.of(9)))
        .isEqualTo(Irritability.LOW);
    assertThat(Irritability.of(Irritability.Settles.WITHIN_AN_HOUR, false, OptionalInt.of(1)))
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
      cord: cx-ext cx-flex cx-circle overpressure neural | cx-rot
      vascular: cx-ext cx-circle overpressure | cx-rot
      neck-surgery: overpressure cx-circle cx-ext | neck
      neck-trauma: overpressure cx-circle | neck
      thoracic-outlet: neural gh-er-abd | gh-elev
      dizziness: cx-ext cx-circle head-down overpressure | cx-rot
      nerve-root: neural cx-circle overpressure | cx-ext cx-rot lateral
      cervical-stenosis: cx-ext cx-circle | overpressure cx-rot
      inflammatory: overpressure cx-circle cx-ext cx-flex cx-rot | neck
      rotator-cuff: gh-ir | gh-elev gh-adduct
      frozen-shoulder: gh-ir gh-er-abd | gh-elev gh-ext gh-adduct
      shoulder-front: gh-er-abd gh-ext | gh-elev
      shoulder-back: gh-adduct gh-er-abd gh-ext | gh-elev
      hypermobility: cx-circle | overpressure gh-er-abd gh-ext
      osteoporosis: spine-flex cx-flex roller overpressure cx-circle | spine-ext trunk-rot
      lumbar: spine-ext |
      sciatica: head-down | spine-flex
      hip-replacement: | hip-deep
      pressure: head-down | effort
      blood-thinners: roller | self-massage
      pregnancy: prone | supine
      jaw: | chin
      knee: kneeling | knee-load
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
          Setting at = new Setting(position, false);
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
            case "wrist-load" -> p.code().equals("all-fours") || codes.contains(code);
            case "lateral" ->
                e.motion().map(m -> m.code().equals("neck-tilt")).orElse(false)
                    || (!e.sided()
                        && e.targets().stream().anyMatch(t -> t.code().equals("c-lateral")));
            case "neck" ->
                e.group().code().startsWith("neck")
                    || e.targets().get(0).region().name().equals("NECK");
            case "effort" ->
                e.doseContext().mode().code().equals("iso")
                    || DoseNotation.format(e.start()).contains("%")
                    || DoseNotation.format(e.start()).matches(".*(kg|band).*");
            case "self-massage" ->
                e.group().code().equals("release")
                    && e.targets().get(0).kind().name().equals("MUSCLE");
            case "chin" ->
                e.id().startsWith("suboccipital")
                    || e.targets().stream()
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
      @ForAll @IntRange(min = 0, max = 26) int first,
      @ForAll @IntRange(min = 0, max = 26) int second,
      @ForAll @IntRange(min = 0, max = 26) int more) {
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
    assertThat(with.againstStrongPull()).containsAll(less.againstStrongPull());
  }

  @Test
  void aBedIsNotTheFloor() {
    Exercise lying = CATALOGUE.get("supine-spine-press");
    Assessment a = having(Condition.NO_FLOOR);
    assertThat(a.of(lying, new Setting(Position.SUPINE, false)).locked()).isTrue();
    assertThat(a.of(lying, new Setting(Position.SUPINE, true)).locked()).isFalse();
  }

  @Test
  void generalHypermobilityKeepsEverythingGentle() {
    Exercise e = CATALOGUE.get("upper-trap-anchored");
    assertThat(having(Condition.HYPERMOBILITY).of(e, usual(e)).ceiling()).isEqualTo(2);
  }

  @Test
  void theStrongPullIsRefusedWhereItCouldHarm() {
    assertThat(having().againstStrongPull()).isEmpty();
    for (Condition c :
        EnumSet.of(
            Condition.NERVE_ROOT,
            Condition.SHOULDER_FRONT,
            Condition.SHOULDER_BACK,
            Condition.HYPERMOBILITY,
            Condition.INFLAMMATORY)) {
      assertThat(having(c).againstStrongPull()).as(c.code()).containsExactly(c.label());
    }
  }

  /** Highly irritable: the smaller of the catalogue's start and 2 × 10 s; half the repetitions. */
  @Test
  void highlyIrritableStartsSmaller() {
    Map<String, String> starts = new HashMap<>();
    for (String id :
        List.of(
            "upper-trap-stretch",
            "neck-rotation",
            "chin-tuck",
            "cradled-curl-and-open",
            "neck-wedge-rest",
            "quiet-finish")) {
      Exercise e = CATALOGUE.get(id);
      starts.put(id, DoseNotation.format(StartDose.of(high(), e, usual(e), 5)));
      assertThat(StartDose.of(having(), e, usual(e), 5)).as(id).isEqualTo(e.start());
    }
    assertThat(starts.get("upper-trap-stretch")).isEqualTo("2x10s");
    assertThat(starts.get("neck-rotation")).isEqualTo("1");
    assertThat(starts.get("cradled-curl-and-open")).as("2x2br is 20 s").isEqualTo("2x2br");
    assertThat(starts.get("neck-wedge-rest")).as("rest is exempt").isEqualTo("60s");
    assertThat(starts.get("quiet-finish")).as("breathing is exempt").isEqualTo("4br");
    Exercise reach = CATALOGUE.get("lateral-neck-arm-reach");
    assertThat(DoseNotation.format(reach.start())).isEqualTo("2x3br");
    assertThat(DoseNotation.format(StartDose.of(high(), reach, usual(reach), 5)))
        .as("30 s become 20 s")
        .isEqualTo("2x2br");
    assertThat(DoseNotation.format(StartDose.of(high(), reach, usual(reach), 12)))
        .as("slow breaths: one of 12 s, two would be 24 s")
        .isEqualTo("1br");
    Exercise nod = CATALOGUE.get("suboccipital-stretch");
    Assessment headache = having(Condition.HEADACHE);
    assertThat(DoseNotation.format(StartDose.of(headache, nod, usual(nod), 5))).isEqualTo("2x5s");
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

  private static Assessment high() {
    return Assessment.of(
        new Screening(
            Set.of(),
            Set.of(),
            3,
            false,
            Irritability.Settles.LATER,
            false,
            OptionalInt.of(3),
            Map.of(),
            "",
            "",
            "",
            false,
            false),
        Optional.empty());
  }

  /** Known, and asked for itself: provoked pain, not the worst of the day. */
  @Test
  void irritabilityAsksForProvokedPainItself() {
    Screening s = with(Set.of(), Set.of(), 6, Map.of());
    Screening provoked =
        new Screening(
            s.emergencies(),
            s.redFlags(),
            6,
            false,
            Irritability.Settles.WITHIN_AN_HOUR,
            true,
            OptionalInt.of(7),
            Map.of(),
            "",
            "",
            "",
            false,
            false);
    assertThat(provoked.irritability()).isEqualTo(Irritability.HIGH);
  }

  /**
   * A client who answers "nothing new" opens nothing that a sign, flag or condition has left on.
   */
  @Test
  void renewingUnlocksNothing() {
    Screening.Renewal nothing =
        new Screening.Renewal(Set.of(), Set.of(), 0, false, false, OptionalInt.empty(), false);
    List<Screening> all = new ArrayList<>();
    for (EmergencySign s : EmergencySign.values()) all.add(with(Set.of(s), Set.of(), 3, Map.of()));
    for (RedFlag f : RedFlag.values()) all.add(with(Set.of(), Set.of(f), 3, Map.of()));
    for (Condition c : Condition.values()) {
      all.add(with(Set.of(), Set.of(), 3, Map.of(c, Optional.empty())));
      if (c.sided()) all.add(with(Set.of(), Set.of(), 3, Map.of(c, Optional.of(Side.LEFT))));
    }
    for (Screening before : all) {
      Screening after = before.renewed(nothing, before.inForce());
      assertThat(after.inForce()).as(before.toString()).containsAllEntriesOf(before.inForce());
      assertThat(after.settles()).isEqualTo(before.settles());
    }
    Screening news =
        calm()
            .renewed(
                new Screening.Renewal(
                    Set.of(), Set.of(), 0, false, false, OptionalInt.empty(), true),
                Map.of());
    assertThat(Assessment.of(news, Optional.empty()).result()).isEqualTo(Assessment.Result.EXAMINE);
  }
}
