package org.biokinet.core.screening;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.EdgeCasesMode;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.IntRange;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Setting;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.AnyDose;
import org.biokinet.core.dose.Dose;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.dose.Parsed;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.program.Item;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.search.Alternatives;
import org.junit.jupiter.api.Test;

/** What a screening allows, as it is used: handbook section 8. */
class AllowedTest {

  private static final Catalogue CATALOGUE = Catalogue.load();

  private static Assessment having(Condition... conditions) {
    Map<Condition, Optional<Side>> map = new EnumMap<>(Condition.class);
    for (Condition c : conditions) map.put(c, Optional.empty());
    return Assessment.of(AssessmentTest.with(Set.of(), Set.of(), 3, map), Optional.empty());
  }

  static final Means EVERYTHING =
      new Means(EnumSet.allOf(Position.class), EnumSet.allOf(Equipment.class));

  private static final Means NO_BED =
      new Means(EnumSet.allOf(Position.class), EnumSet.complementOf(EnumSet.of(Equipment.BED)));

  private static List<Allowed.Objection> objections(Assessment a, String exercise, String dose) {
    Exercise e = CATALOGUE.get(exercise);
    return new Allowed(a, NO_BED, 5).objections(e, e.usualPosition(), dose(e, dose));
  }

  private static Dose dose(Exercise e, String text) {
    return ((Parsed.Understood) DoseNotation.parse(text, e.doseContext())).dose();
  }

  private static Optional<String> objection(Assessment a, String exercise, String dose) {
    return objections(a, exercise, dose).stream().map(Allowed.Objection::words).findFirst();
  }

  private static Assessment high(Condition... conditions) {
    return irritable(Irritability.Settles.LATER, conditions);
  }

  private static Assessment irritable(Irritability.Settles settles, Condition... conditions) {
    Map<Condition, Optional<Side>> map = new EnumMap<>(Condition.class);
    for (Condition c : conditions) map.put(c, Optional.empty());
    return Assessment.of(
        new Screening(
            Set.of(),
            Set.of(),
            3,
            false,
            settles,
            false,
            OptionalInt.of(3),
            map,
            "",
            "",
            "",
            false,
            false),
        Optional.empty());
  }

  private static Assessment on(Side side, Condition condition) {
    return Assessment.of(
        AssessmentTest.with(Set.of(), Set.of(), 3, Map.of(condition, Optional.of(side))),
        Optional.empty());
  }

  /** Low irritability: up to 4; a limit: up to 3 and no more than the start dose. */
  @Test
  void aDoseKeepsToWhatTheScreeningAllows() {
    Assessment clear = having();
    assertThat(objection(clear, "upper-trap-stretch", "3x30s @4")).isEmpty();
    assertThat(objection(clear, "upper-trap-stretch", "L 3x30s @3 R 2x20s @5"))
        .hasValueSatisfying(
            w -> assertThat(w).contains("right: up to 4 of 10", "low irritability"));
    Assessment stenosis = having(Condition.CERVICAL_STENOSIS);
    assertThat(objection(stenosis, "upper-trap-stretch", "2x15s @3")).isEmpty();
    assertThat(objection(stenosis, "upper-trap-stretch", "2x15s @4"))
        .hasValueSatisfying(w -> assertThat(w).contains("up to 3 of 10", "stenosis"));
    assertThat(objection(stenosis, "full-neck-circle", "3"))
        .hasValueSatisfying(w -> assertThat(w).contains("locked"));
    assertThat(objection(having(Condition.HEADACHE), "chin-tuck", "3x10s")).isPresent();
    assertThat(objection(having(Condition.HEADACHE), "chin-tuck", "3x5s")).isEmpty();
  }

  private static Optional<String> beside(
      Assessment a, String exercise, String dose, String... others) {
    Exercise e = CATALOGUE.get(exercise);
    List<Item> items = new ArrayList<>();
    for (int i = 0; i < others.length; i += 2) {
      Exercise other = CATALOGUE.get(others[i]);
      items.add(new Item(other, dose(other, others[i + 1])));
    }
    return new Allowed(a, NO_BED, 5)
        .beside(items).objections(e, e.usualPosition(), dose(e, dose)).stream()
            .map(Allowed.Objection::words)
            .findFirst();
  }

  /** A day is limited whatever the number of lists on which the exercise stands. */
  @Test
  void whatIsDoneBesidesCountsOnTheSameDay() {
    Assessment dizzy = having(Condition.DIZZINESS);
    assertThat(beside(dizzy, "neck-rotation", "3")).isEmpty();
    assertThat(beside(dizzy, "neck-rotation", "3", "chin-tuck", "3x5s")).isEmpty();
    assertThat(beside(dizzy, "neck-rotation", "3", "neck-rotation", "1"))
        .hasValueSatisfying(w -> assertThat(w).contains("together with 1 besides"));
    assertThat(beside(having(), "neck-rotation", "5", "neck-rotation", "5")).isEmpty();
    // Highly irritable: the start dose, twice a day and no more, on each side by itself.
    Assessment high = high();
    assertThat(beside(high, "upper-trap-stretch", "R 1x10s", "upper-trap-stretch", "1x10s"))
        .isEmpty();
    assertThat(beside(high, "upper-trap-stretch", "R 1x10s", "upper-trap-stretch", "1x10s 2/d"))
        .hasValueSatisfying(w -> assertThat(w).contains("right: 2 times a day at most"));
    assertThat(beside(high, "upper-trap-stretch", "R 1x10s", "upper-trap-stretch", "L 1x10s 2/d"))
        .isEmpty();
  }

  /** The second of the same waits, and what waits does not count. */
  @Test
  void theSameTwiceInOneProgramCountsTogether() {
    Exercise e = CATALOGUE.get("neck-rotation");
    Program program =
        new Program(
            "twice",
            5,
            Pacing.DEFAULT,
            List.of(
                new Item(e, dose(e, "2")), new Item(e, dose(e, "2")), new Item(e, dose(e, "1"))));
    Gate gate =
        new Gate.Open(
            having(Condition.DIZZINESS),
            /* renewable= */ false,
            Beginning.AS_SHARED,
            /* flare= */ false,
            LocalDate.of(2027, 1, 1));
    Permit permit = Permit.of(ProgramKind.MAIN, program, List.of(), EVERYTHING, gate, CATALOGUE);
    assertThat(permit.waiting()).containsExactly(1);
    assertThat(
            Permit.of(
                    ProgramKind.MAIN,
                    program,
                    List.of(new Item(e, dose(e, "3"))),
                    EVERYTHING,
                    gate,
                    CATALOGUE)
                .waiting())
        .containsExactly(0, 1, 2);
  }

  /** What passed while like was compared with like only. */
  @Test
  void theDayCountsInEveryFormOfDose() {
    Assessment dizzy = having(Condition.DIZZINESS);
    assertThat(objection(dizzy, "neck-rotation", "3")).isEmpty();
    for (String more : List.of("50x15s", "3 6/d", "3 q60m", "2x3s", "2x3", "4")) {
      assertThat(objection(dizzy, "neck-rotation", more)).as("neck-rotation " + more).isPresent();
    }
    Assessment stenosis = having(Condition.CERVICAL_STENOSIS);
    assertThat(objection(stenosis, "upper-trap-stretch", "cr1(5s+10s)")).isEmpty();
    for (String more :
        List.of(
            "3x30s",
            "cr6(15s+60s) 75%",
            "cr1(5s+10s) 75%",
            "2x15s 2/d",
            "30s",
            "2x4br",
            "2x15s q30m")) {
      assertThat(objection(stenosis, "upper-trap-stretch", more)).as(more).isPresent();
    }
    Assessment high = high();
    assertThat(objection(high, "upper-trap-stretch", "2x10s 2/d")).isEmpty();
    assertThat(objection(high, "upper-trap-stretch", "2x10s @3")).isPresent();
    for (String more :
        List.of("q15m", "q60m", "3x30s", "10x300s @2", "2x10s 3/d", "4x10s", "2x3br")) {
      String dose = more.startsWith("q") ? "10s " + more : more;
      assertThat(objection(high, "upper-trap-stretch", dose)).as("high " + dose).isPresent();
    }
    assertThat(objection(high, "neck-wedge-rest", "180s")).as("rest").isEmpty();
    assertThat(objection(high, "quiet-finish", "10br 2/d")).as("breathing").isEmpty();
  }

  /** A circle done both ways is twice the circle done one way. */
  @Test
  void directionsCount() {
    Assessment front = having(Condition.ROTATOR_CUFF);
    assertThat(objection(front, "backward-thumb-circle", "8 back")).isEmpty();
    assertThat(objection(front, "backward-thumb-circle", "8")).isPresent();
    assertThat(objection(front, "arm-circle-abducted", "12 back")).isEmpty();
    assertThat(objection(front, "arm-circle-abducted", "13 back")).isPresent();
  }

  @Test
  void aDoseWithoutACeilingHasThatOfTheVerdict() {
    Exercise e = CATALOGUE.get("upper-trap-stretch");
    Allowed stenosis = new Allowed(having(Condition.CERVICAL_STENOSIS), EVERYTHING, 5);
    assertThat(
            stenosis.ceiling(
                e, Position.CHAIR, Side.LEFT, dose(e, "2x15s").on(Side.LEFT).orElseThrow()))
        .isEqualTo(3);
    assertThat(
            stenosis.ceiling(
                e, Position.CHAIR, Side.LEFT, dose(e, "2x15s @2").on(Side.LEFT).orElseThrow()))
        .isEqualTo(2);
    assertThat(inForce(stenosis, "upper-trap-stretch", "L 2x15s @4 R 2x15s @2"))
        .isEqualTo("L 2x15s @3 R 2x15s @2");
    assertThat(inForce(stenosis, "upper-trap-stretch", "R 2x15s")).isEqualTo("R 2x15s @3");
    assertThat(inForce(stenosis, "neck-rotation", "3")).as("no stretch").isEqualTo("3");
  }

  private static String inForce(Allowed allowed, String exercise, String text) {
    Exercise e = CATALOGUE.get(exercise);
    return DoseNotation.format(allowed.inForce(e, e.usualPosition(), dose(e, text)));
  }

  /** "A condition of one side locks that side, and the other only where both share the work". */
  @Test
  void aShoulderLocksItsOwnSide() {
    Assessment left = on(Side.LEFT, Condition.FROZEN_SHOULDER);
    assertThat(objections(left, "shoulder-controlled-circle", "1 30%"))
        .singleElement()
        .satisfies(
            o -> {
              assertThat(o.side()).contains(Side.LEFT);
              assertThat(o.limit()).isEqualTo(Allowed.Limit.LOCKED);
            });
    assertThat(objections(left, "shoulder-controlled-circle", "R 1 30%")).isEmpty();
    assertThat(objections(left, "hands-behind-head-rotation", "4"))
        .as("both arms are behind the head, whichever way it turns")
        .hasSize(2);
    assertThat(objections(left, "elbow-circle-hands-on-shoulders", "4"))
        .as("both arms at once")
        .hasSize(1);
    // The treated hand is behind the back, the other one over the shoulder and turned out.
    assertThat(objections(left, "hands-behind-back-reach", "1br"))
        .extracting(Allowed.Objection::side)
        .containsExactly(Optional.of(Side.LEFT), Optional.of(Side.RIGHT));
    // A left cuff: the left hand lies on the head while the right side of the neck is treated.
    assertThat(objections(on(Side.LEFT, Condition.ROTATOR_CUFF), "upper-trap-stretch", "3x30s"))
        .extracting(Allowed.Objection::side)
        .containsExactly(Optional.of(Side.RIGHT));
    // A left knee bends deeply while the right inner thigh is treated.
    assertThat(objections(on(Side.LEFT, Condition.KNEE), "lateral-lunge", "5"))
        .extracting(Allowed.Objection::side)
        .containsExactly(Optional.of(Side.RIGHT));
  }

  /** "Lateral flexion toward the painful arm" is the tilt that treats the other side. */
  @Test
  void nerveRootPainLimitsTheTiltTowardTheArm() {
    assertThat(objections(on(Side.LEFT, Condition.NERVE_ROOT), "neck-lateral-flexion", "10"))
        .extracting(Allowed.Objection::side)
        .containsExactly(Optional.of(Side.RIGHT));
    assertThat(objections(having(Condition.NERVE_ROOT), "neck-lateral-flexion", "10")).hasSize(2);
    assertThat(objections(on(Side.LEFT, Condition.NERVE_ROOT), "lateral-neck-arm-reach", "2x3br"))
        .as("the nerves of either arm pull on the neck")
        .hasSize(2);
  }

  /** Where the dose has an effort, not where it could have one. */
  @Test
  void effortCountsWhereTheDoseHasIt() {
    Assessment pressure = having(Condition.PRESSURE);
    assertThat(objection(pressure, "scapular-controlled-circle", "2 30%")).isEmpty();
    assertThat(objection(pressure, "scapular-controlled-circle", "5 100%"))
        .hasValueSatisfying(w -> assertThat(w).contains("30 % at most"));
    assertThat(objection(pressure, "upper-trap-stretch", "3x30s")).isEmpty();
    assertThat(objection(pressure, "upper-trap-stretch", "cr1(5s+10s) 40%"))
        .hasValueSatisfying(w -> assertThat(w).contains("30 % at most"));
  }

  private static final List<Exercise> ALL = CATALOGUE.all();
  private static final Irritability.Settles[] SOONER = Irritability.Settles.values();

  /** A random dose of a random exercise, in any form that the notation knows. */
  record Dosed(Exercise exercise, Dose dose) {}

  @Provide
  Arbitrary<Dosed> anyDose() {
    return Arbitraries.of(ALL)
        .flatMap(e -> AnyDose.doses(e.doseContext()).map(d -> new Dosed(e, d)));
  }

  /**
   * No condition more and no higher irritability ever lets through what was refused before: each
   * day that is allowed with more of them is allowed with fewer.
   */
  @Property(tries = 1000, edgeCases = EdgeCasesMode.NONE, seed = "20261125")
  void nothingMoreEverAllowsMore(
      @ForAll("anyDose") Dosed dosed,
      @ForAll Condition first,
      @ForAll Condition more,
      @ForAll @IntRange(min = 0, max = 2) int settles,
      @ForAll @IntRange(min = 0, max = 2) int worse,
      @ForAll EmergencySign sign) {
    int later = Math.max(settles, worse);
    Allowed less = allowed(irritable(SOONER[settles], first));
    List<Allowed> strict =
        List.of(
            allowed(irritable(SOONER[settles], first, more)),
            allowed(irritable(SOONER[later], first)),
            allowed(irritable(SOONER[later], first, more)),
            allowed(signed(SOONER[settles], sign, first)));
    boolean before = allows(less, dosed);
    for (Allowed a : strict) {
      if (allows(a, dosed)) assertThat(before).as("%s", dosed).isTrue();
    }
  }

  private static Allowed allowed(Assessment a) {
    return new Allowed(a, NO_BED, 5);
  }

  private static boolean allows(Allowed a, Dosed d) {
    return a.objections(d.exercise(), d.exercise().usualPosition(), d.dose()).isEmpty();
  }

  private static Assessment signed(
      Irritability.Settles settles, EmergencySign sign, Condition condition) {
    Screening s =
        new Screening(
            Set.of(sign),
            Set.of(),
            3,
            false,
            settles,
            false,
            OptionalInt.of(3),
            Map.of(condition, Optional.empty()),
            "",
            "",
            "",
            false,
            false);
    return Assessment.of(s, Optional.of(AssessmentTest.MEDICAL));
  }

  /** "An examined and cleared red flag leaves its row on": which row, typed in again. */
  @Test
  void examinedFlagsLeaveTheseConditionsOn() {
    assertThat(RedFlag.INFLAMMATORY.leaves()).contains(Condition.INFLAMMATORY);
    assertThat(RedFlag.BONE.leaves()).contains(Condition.OSTEOPOROSIS);
    assertThat(RedFlag.WEAKNESS.leaves()).contains(Condition.NERVE_ROOT);
    assertThat(RedFlag.FEVER.leaves()).isEmpty();
    assertThat(RedFlag.SURGERY.leaves()).contains(Condition.NECK_SURGERY);
    assertThat(RedFlag.TRAUMA.leaves()).contains(Condition.NECK_TRAUMA);
    assertThat(RedFlag.VASCULAR.leaves()).contains(Condition.VASCULAR);
  }

  @Test
  void theHeadListsEveryLockOnce() {
    assertThat(having().lockedFeatures()).isEmpty();
    assertThat(having(Condition.KNEE, Condition.NO_FLOOR).lockedFeatures())
        .containsExactlyInAnyOrder(Feature.KNEELING, Feature.FLOOR, Feature.PRONE);
  }

  /** "Long is not offered with high irritability or a △". */
  @Test
  void theLongSessionIsForWhoHasNoLimit() {
    List<Exercise> program = List.of(CATALOGUE.get("chin-tuck"));
    List<Setting> chair = List.of(new Setting(Position.CHAIR, false));
    assertThat(having().allowsLongSession(program, chair)).isTrue();
    assertThat(having(Condition.HEADACHE).allowsLongSession(program, chair)).isFalse();
    assertThat(having(Condition.KNEE).allowsLongSession(program, chair)).isTrue();
    Screening high =
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
            false);
    assertThat(Assessment.of(high, Optional.empty()).allowsLongSession(program, chair)).isFalse();
    Screening flagged = AssessmentTest.with(Set.of(), Set.of(RedFlag.FEVER), 2, Map.of());
    assertThat(Assessment.of(flagged, Optional.empty()).allowsLongSession(program, chair))
        .isFalse();
  }

  @Test
  void insteadOfWhatIsLockedComesWhatIsNot() {
    Assessment stenosis = having(Condition.CERVICAL_STENOSIS);
    Means means =
        new Means(EnumSet.allOf(Position.class), EnumSet.of(Equipment.CHAIR, Equipment.MAT));
    Exercise circle = CATALOGUE.get("full-neck-circle");
    Alternatives.Alternative nearest =
        stenosis.nearest(new Alternatives(CATALOGUE, Locale.ENGLISH), circle, means).orElseThrow();
    assertThat(nearest.exercise().id()).isNotEqualTo(circle.id());
    assertThat(stenosis.of(nearest.exercise(), Setting.of(nearest.position(), means)).locked())
        .isFalse();
  }

  /** "Isometric and contract–relax: effort ≤ 30 %". */
  @Test
  void effortIsLimitedForGlaucoma() {
    Assessment pressure = having(Condition.PRESSURE);
    assertThat(objection(pressure, "chin-tuck", "3x5s 30%")).isEmpty();
    assertThat(objection(pressure, "chin-tuck", "3x5s 40%"))
        .hasValueSatisfying(w -> assertThat(w).startsWith("30 % at most"));
  }

  @Test
  void aConditionWithoutSidesTakesNone() {
    assertThatThrownBy(
            () ->
                AssessmentTest.with(
                    Set.of(), Set.of(), 2, Map.of(Condition.PREGNANCY, Optional.of(Side.LEFT))))
        .hasMessageContaining("has no side");
    assertThat(Condition.KNEE.sided()).isTrue();
  }

  @Test
  void theRuleIsPrintedAsItHolds() {
    assertThat(Condition.WRIST.rule())
        .contains("✕", Feature.WRIST_LOAD.label())
        .doesNotContain("△");
    assertThat(Condition.JAW.rule()).contains("△").doesNotContain("✕");
    assertThat(Condition.LUMBAR.rule()).contains("✕");
  }

  @Test
  void aGateAnswersWithWhatIsKnown() {
    Gate closed = new Gate.Closed(Gate.Why.NOT_SCREENED, Optional.empty());
    assertThat(closed.answers()).isEmpty();
    Gate open = new Gate.Open(having(), false, Beginning.AS_SHARED, false, LocalDate.EPOCH);
    assertThat(open.answers()).isPresent();
    for (Gate.Why why : Gate.Why.values()) {
      assertThat(why.label()).isNotBlank();
      assertThat(why.opens()).isNotBlank();
    }
    assertThat(new Clearance(Instant.EPOCH, "x", "a", "b", "").lacks(AssessmentTest.calm()))
        .isEmpty();
  }

  private static Optional<Item> easier(Assessment a, Means means, String exercise, Side side) {
    Exercise e = CATALOGUE.get(exercise);
    return new Allowed(a, means, 5)
        .easier(CATALOGUE, new Item(e, e.start()), Optional.of(side)).stream().findFirst();
  }

  /**
   * "Else the easier variant if it is allowed": the catalogue's own, as it begins, on that side.
   */
  @Test
  void anEasierFormTakesThePlaceOfOneSide() {
    Item form = easier(having(), EVERYTHING, "upper-trap-stretch", Side.LEFT).orElseThrow();
    Exercise tilt = CATALOGUE.get("neck-lateral-flexion");
    assertThat(form.exercise()).isEqualTo(tilt);
    assertThat(form.dose().on(Side.LEFT)).isEqualTo(tilt.start().on(Side.LEFT));
    assertThat(form.dose().on(Side.RIGHT)).isEmpty();
    assertThat(form.position()).isEqualTo(CATALOGUE.get("upper-trap-stretch").usualPosition());
    assertThat(easier(having(), EVERYTHING, "chin-nod", Side.LEFT)).as("has none").isEmpty();
  }

  /** Whoever may not do the easier form, or has to move for it, is offered none that is refused. */
  @Test
  void nothingThatIsRefusedTakesThePlaceOfAnything() {
    int found = 0;
    int refused = 0;
    for (Condition c : Condition.values()) {
      Assessment a = having(c);
      for (Exercise e : CATALOGUE.offered()) {
        for (Side side : Side.values()) {
          Optional<Item> form = easier(a, NO_BED, e.id(), side);
          boolean otherwise = easier(having(), NO_BED, e.id(), side).isPresent();
          if (form.isEmpty() && otherwise) refused++;
          if (form.isEmpty()) continue;
          found++;
          Item f = form.get();
          assertThat(new Allowed(a, NO_BED, 5).objections(f.exercise(), f.position(), f.dose()))
              .as("%s for %s with %s", f.exercise().id(), e.id(), c)
              .isEmpty();
          assertThat(f.position()).isEqualTo(e.usualPosition());
        }
      }
    }
    assertThat(found).isGreaterThan(1000);
    assertThat(refused).isGreaterThan(10);
  }

  private static Optional<Item> easier(ProgramKind kind, Assessment a, Exercise e, Item... others) {
    Gate gate = new Gate.Open(a, false, Beginning.AS_SHARED, false, LocalDate.EPOCH);
    Item item = new Item(e, e.start());
    Program program = new Program("x", 5, Pacing.DEFAULT, List.of(item));
    return Permit.of(kind, program, List.of(others), EVERYTHING, gate, CATALOGUE)
        .easier(CATALOGUE, item, Optional.empty());
  }

  /** A flare plan and a desk program keep their own rules; what is done already counts with it. */
  @Test
  void anEasierFormKeepsToTheProgramThatItIsIn() {
    int tooOften = 0;
    for (Exercise e : CATALOGUE.offered()) {
      for (ProgramKind kind : ProgramKind.values()) {
        easier(kind, having(), e)
            .ifPresent(
                form ->
                    assertThat(kind.against(form.exercise(), form.position()))
                        .as("%s for %s in %s", form.exercise().id(), e.id(), kind)
                        .isEmpty());
      }
      Optional<Item> form = easier(ProgramKind.MAIN, having(Condition.DIZZINESS), e);
      if (form.isEmpty()) continue;
      Item again = form.get();
      Optional<Item> then = easier(ProgramKind.MAIN, having(Condition.DIZZINESS), e, again, again);
      if (then.map(Item::exercise).filter(again.exercise()::equals).isEmpty()) tooOften++;
    }
    assertThat(tooOften).as("limits of one exercise count all of it").isPositive();
    Exercise stretch = CATALOGUE.get("upper-trap-stretch");
    assertThat(easier(ProgramKind.MAIN, having(), stretch)).isPresent();
  }
}
