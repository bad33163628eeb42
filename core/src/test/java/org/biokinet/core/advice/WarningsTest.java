package org.biokinet.core.advice;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Function;
import org.biokinet.core.advice.Warning.Kind;
import org.biokinet.core.advice.Warning.Weight;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Means;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.Pacing;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.ledger.Band;
import org.biokinet.core.ledger.Ledger;
import org.biokinet.core.program.Draft;
import org.biokinet.core.program.DraftItem;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.screening.Allowed;
import org.biokinet.core.screening.Assessment;
import org.biokinet.core.screening.Condition;
import org.biokinet.core.screening.Irritability.Settles;
import org.biokinet.core.screening.Screening;
import org.biokinet.core.timeline.Cues;
import org.biokinet.core.timeline.DraftTimeline;
import org.biokinet.core.timeline.Timeline;
import org.junit.jupiter.api.Test;

/** Each warning with what it says and what its fix brings; the figures are counted by hand. */
class WarningsTest {

  private static final Catalogue CATALOGUE = Catalogue.load();
  private static final LocalDate TODAY = LocalDate.parse("2026-11-26");

  private Map<Condition, Optional<Side>> conditions = Map.of();
  private OptionalInt minutes = OptionalInt.empty();
  private Optional<Ledger> inForce = Optional.empty();
  private ProgramKind kind = ProgramKind.MAIN;
  private Ledger beside = Ledger.NOTHING;

  private static Draft draft(String... exerciseAndDose) {
    Draft draft = Draft.empty("A draft");
    List<DraftItem> items = new ArrayList<>();
    for (int i = 0; i < exerciseAndDose.length; i += 2) {
      items.add(DraftItem.of("k" + i / 2, exerciseAndDose[i], exerciseAndDose[i + 1]));
    }
    return draft.withItems(items);
  }

  private static DraftTimeline timed(Draft draft) {
    return DraftTimeline.of(draft, 5, Pacing.DEFAULT, CATALOGUE, TODAY);
  }

  private static Ledger ledger(Draft draft) {
    return Ledger.of(timed(draft).timeline().orElseThrow());
  }

  private List<Warning> warnings(Draft draft) {
    Screening told =
        new Screening(
            Set.of(),
            Set.of(),
            3,
            false,
            Settles.WITHIN_10_MINUTES,
            false,
            OptionalInt.of(3),
            conditions,
            "",
            "",
            "",
            false,
            false);
    Allowed allowed =
        new Allowed(
            Assessment.of(told, Optional.empty()),
            new Means(EnumSet.allOf(Position.class), EnumSet.allOf(Equipment.class)),
            5);
    Function<Draft, DraftTimeline> timing = WarningsTest::timed;
    return Warnings.of(
        new Warnings.Given(
            draft,
            kind,
            timing,
            Optional.of(allowed),
            List.of(),
            beside,
            inForce,
            minutes,
            Band.ACSM,
            new Cues(CATALOGUE, Locale.ENGLISH)));
  }

  private Warning one(Draft draft, Kind of) {
    List<Warning> found = warnings(draft).stream().filter(w -> w.kind() == of).toList();
    assertThat(found).as(of + " of " + warnings(draft)).hasSize(1);
    return found.get(0);
  }

  private static Draft fixed(Draft draft, Warning w) {
    return w.fixes().get(0).edit().apply(draft);
  }

  /** The most pressing first, and nothing where nothing is to be said. */
  @Test
  void aDraftWithoutFaultSaysNothing() {
    assertThat(warnings(draft("upper-trap-stretch", "3x20s"))).isEmpty();
    assertThat(warnings(draft())).isEmpty();
  }

  /** Handbook section 5: 3x30s on each side takes 4:08; a hold less on both sides is 72 s less. */
  @Test
  void overTheMinutesTheThirdHoldIsDropped() {
    minutes = OptionalInt.of(3);
    Draft draft = draft("upper-trap-stretch", "3x30s");
    Warning w = one(draft, Kind.MINUTES);
    assertThat(w.words()).isEqualTo("4:08, and there are 3 min: 1:08 too much");
    assertThat(w.weight()).isEqualTo(Weight.REASON);
    assertThat(w.fixes().get(0).words())
        .isEqualTo("drop the third hold of Upper trapezius stretch, hand on head");
    assertThat(w.fixes().get(0).cost()).isEqualTo("→ 2:48; left scalenes 30 of 60 s");
    assertThat(timed(fixed(draft, w)).seconds()).isEqualTo(168);
    assertThat(fixed(draft, w).items().get(0).dose()).isEqualTo("2x30s");
  }

  @Test
  void aDeskProgramOfMoreThanThreeMinutesIsNotShared() {
    kind = ProgramKind.DESK;
    assertThat(one(draft("upper-trap-stretch", "3x30s"), Kind.MINUTES).weight())
        .isEqualTo(Weight.BLOCKS);
  }

  /** 2 × 15 s is under 60 s; the target 2 × 30 s is not: as it should be on the way. */
  @Test
  void underTheBandOnTheWayThereTakesNoReason() {
    Draft draft = draft("upper-trap-stretch", "R 2x15s");
    Warning w = one(draft, Kind.UNDER);
    assertThat(w.words())
        .isEqualTo("right upper trapezius: 30 of 60 s a day; its ladder leads there");
    assertThat(w.weight()).isEqualTo(Weight.NOTE);
    assertThat(fixed(draft, w).items().get(0).dose()).isEqualTo("R 4x15s");
    DraftItem low = draft.items().get(0).withTarget(Optional.of("R 2x20s"));
    Warning never = one(draft.withItems(List.of(low)), Kind.UNDER);
    assertThat(never.words()).endsWith("30 of 60 s a day, and 40 s at the end of its ladder");
    assertThat(never.weight()).isEqualTo(Weight.REASON);
  }

  /** 3 × 30 s on seven days are 630 s, and 600 is the most (Ingram 2025). */
  @Test
  void overTheBandOneHoldLessIsInside() {
    Draft draft = draft("upper-trap-stretch", "R 3x30s");
    Warning w = one(draft, Kind.OVER);
    assertThat(w.words()).isEqualTo("right upper trapezius: 630 s a week, more than 600");
    assertThat(fixed(draft, w).items().get(0).dose()).isEqualTo("R 2x30s");
  }

  /** From 30 s to 90 s a day: 630 after 210 s a week, and 420 are advised at most. */
  @Test
  void aRiseTooFastIsLoweredUntilItIsNone() {
    inForce = Optional.of(ledger(draft("upper-trap-stretch", "R 2x15s")));
    Draft draft = draft("upper-trap-stretch", "R 4x20s");
    Warning w = one(draft, Kind.RISE);
    assertThat(w.words()).contains("210 → 560 s a week; at most 420 is advised");
    assertThat(fixed(draft, w).items().get(0).dose()).isEqualTo("R 3x20s");
    assertThat(ledger(fixed(draft, w)).risesFrom(inForce.orElseThrow())).isEmpty();
  }

  /**
   * A first desk program beside a main one: 630 + 210 after 210 s a week is a rise all the same.
   */
  @Test
  void aFirstProgramBesideAnotherRisesToo() {
    kind = ProgramKind.DESK;
    beside = ledger(draft("upper-trap-stretch", "R 2x15s"));
    assertThat(warnings(draft("upper-trap-stretch", "R 3x30s")))
        .filteredOn(w -> w.kind() == Kind.RISE)
        .extracting(Warning::words)
        .containsExactly(
            "right upper trapezius: 210 → 840 s a week; at most 420 is advised",
            "right scalenes: 105 → 420 s a week; at most 315 is advised");
    beside = Ledger.NOTHING;
    assertThat(warnings(draft("upper-trap-stretch", "R 3x30s")))
        .as("a first program has no week before it")
        .noneMatch(x -> x.kind() == Kind.RISE);
  }

  @Test
  void whatIsLockedIsLeftOutOrDoneOnTheOtherSide() {
    conditions = Map.of(Condition.FROZEN_SHOULDER, Optional.of(Side.RIGHT));
    Draft draft = draft("hands-behind-back-reach", "2x15s");
    List<Warning> found = warnings(draft);
    assertThat(found.get(0).kind()).isEqualTo(Kind.LOCKED);
    assertThat(found.get(0).weight()).isEqualTo(Weight.BLOCKS);
    assertThat(found.get(0).fixes()).extracting(Warning.Fix::words).contains("leave it out");
    assertThat(warnings(fixed(draft, found.get(0)))).noneMatch(w -> w.weight() == Weight.BLOCKS);
  }

  /** Under a limit no more than the start dose, up to 3 of 10. */
  @Test
  void aLimitIsMetByTheStartDose() {
    conditions = Map.of(Condition.CERVICAL_STENOSIS, Optional.empty());
    Draft draft = draft("upper-trap-stretch", "3x30s @4");
    Warning w = one(draft, Kind.LIMIT);
    assertThat(fixed(draft, w).items().get(0).dose()).isEqualTo("2x15s");
    assertThat(warnings(fixed(draft, w))).noneMatch(x -> x.weight() == Weight.BLOCKS);
  }

  @Test
  void theSameTwiceAndTheOrderAreSaidWithWhatPutsThemRight() {
    Draft twice = draft("chin-tuck", "3x10s", "chin-tuck", "3x10s");
    assertThat(fixed(twice, one(twice, Kind.TWICE)).items()).hasSize(1);
    Draft order = draft("chin-tuck", "3x10s", "neck-rotation", "5");
    Warning w = one(order, Kind.ORDER);
    assertThat(w.weight()).isEqualTo(Weight.NOTE);
    assertThat(fixed(order, w).items())
        .extracting(DraftItem::exercise)
        .containsExactly("neck-rotation", "chin-tuck");
    assertThat(warnings(fixed(order, w))).noneMatch(x -> x.kind() == Kind.ORDER);
  }

  /** Handbook, section 5: nothing after a forward fold but slow rising. */
  @Test
  void whatComesAfterAFoldTakesAReason() {
    Draft fold = draft("seated-forward-fold", "20s", "chin-tuck", "3x10s");
    Warning w = one(fold, Kind.AFTER_FOLD);
    assertThat(w.weight()).isEqualTo(Weight.REASON);
    assertThat(fixed(fold, w).items().get(0).exercise()).isEqualTo("chin-tuck");
  }

  @Test
  void hoppingBetweenPositionsIsItsOwnWarning() {
    List<DraftItem> items =
        draft("neck-rotation", "3", "neck-flexion-extension", "3", "neck-lateral-flexion", "3")
            .items();
    Draft draft =
        Draft.empty("Hop")
            .withItems(
                List.of(items.get(0), items.get(1).withPosition(Position.STAND), items.get(2)));
    assertThat(one(draft, Kind.HOPPING).fixes().get(0).cost()).startsWith("→ ");
    assertThat(warnings(draft)).noneMatch(x -> x.kind() == Kind.ORDER);
  }

  /** At 150 words a minute (common practice) nobody can say in 1 s where it must not be felt. */
  @Test
  void wordsThatFindNoTimeAreNamed() {
    Draft draft = draft("upper-trap-anchored", "1s");
    Warning w = one(draft, Kind.UNHEARD);
    assertThat(w.words()).contains("no time to say “");
    assertThat(warnings(fixed(draft, w))).noneMatch(x -> x.kind() == Kind.UNHEARD);
    Timeline enough = timed(draft("upper-trap-anchored", "2x15s")).timeline().orElseThrow();
    assertThat(new Cues(CATALOGUE, Locale.ENGLISH).unheard(enough)).isEmpty();
  }

  /** Whatever a fix does, it does what it says: the length in its cost is that of the draft. */
  @Test
  void everyFixBringsWhatItSays() {
    minutes = OptionalInt.of(5);
    Draft draft =
        draft(
            "chin-tuck", "3x20s",
            "upper-trap-stretch", "3x30s",
            "levator-stretch", "3x30s",
            "levator-stretch", "2x15s",
            "neck-rotation", "10");
    int checked = 0;
    for (Warning w : warnings(draft)) {
      for (Warning.Fix f : w.fixes()) {
        String clock = "→ " + Timeline.clock(timed(f.edit().apply(draft)).seconds());
        if (f.cost().startsWith("→")) assertThat(f.cost()).startsWith(clock);
        checked++;
      }
    }
    assertThat(checked).isGreaterThan(6);
  }
}
