package org.biokinet.core.exercise;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Intent;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.anatomy.Tissue;
import org.junit.jupiter.api.Test;

/** What an entry says about itself, and what follows where it says nothing. */
class ExerciseTest {

  private static final Catalogue CATALOGUE = Catalogue.load();

  private static Intent intent(String id, Tissue target) {
    return CATALOGUE.get(id).intentFor(target);
  }

  /** Handbook section 2: lengthen, strengthen, mobilise, calm, "an entry may say otherwise". */
  @Test
  void theModeSaysWhatIsDoneUnlessTheEntryDoes() {
    assertThat(intent("upper-trap-stretch", Tissue.UPPER_TRAP)).isEqualTo(Intent.LENGTHEN);
    assertThat(intent("lateral-neck-arm-reach", Tissue.NEURAL_ARM))
        .as("no nerve is stretched")
        .isEqualTo(Intent.MOBILISE);
    assertThat(intent("scapular-retraction-hold", Tissue.MID_TRAP)).isEqualTo(Intent.STRENGTHEN);
    assertThat(intent("wall-slide", Tissue.LOWER_TRAP)).isEqualTo(Intent.STRENGTHEN);
    assertThat(intent("supine-arm-bob", Tissue.EXTERNAL_ROTATORS)).isEqualTo(Intent.STRENGTHEN);
    assertThat(intent("supine-arm-bob", Tissue.SCAPULA))
        .as("a joint is moved, not strengthened")
        .isEqualTo(Intent.MOBILISE);
    assertThat(intent("chin-tuck", Tissue.DNF)).isEqualTo(Intent.STRENGTHEN);
    assertThat(intent("chin-tuck", Tissue.SUBOCCIPITALS))
        .as("the entry says so")
        .isEqualTo(Intent.LENGTHEN);
    assertThat(intent("neck-rotation", Tissue.C_ROTATION)).isEqualTo(Intent.MOBILISE);
    assertThat(intent("shoulder-roll", Tissue.UPPER_TRAP)).isEqualTo(Intent.MOBILISE);
    assertThat(intent("walking", Tissue.HIP)).isEqualTo(Intent.MOBILISE);
    assertThat(intent("upper-trap-self-massage", Tissue.UPPER_TRAP)).isEqualTo(Intent.CALM);
    assertThat(intent("diaphragmatic-breathing", Tissue.BREATH)).isEqualTo(Intent.CALM);
    Exercise row = CATALOGUE.get("band-row");
    assertThat(row.serves(Tissue.MID_TRAP, Intent.STRENGTHEN)).isTrue();
    assertThat(row.serves(Tissue.MID_TRAP, Intent.LENGTHEN)).isFalse();
    assertThat(row.serves(Tissue.LEVATOR, Intent.STRENGTHEN)).isFalse();
  }

  /** So that a finding that asks for strength finds something, with and without things. */
  @Test
  void everyMuscleThatAFindingStrengthensHasAnExercise() {
    for (Tissue t :
        EnumSet.of(
            Tissue.DNF,
            Tissue.MID_TRAP,
            Tissue.LOWER_TRAP,
            Tissue.THORACIC_EXTENSORS,
            Tissue.SERRATUS,
            Tissue.EXTERNAL_ROTATORS)) {
      assertThat(CATALOGUE.all().stream().filter(e -> e.serves(t, Intent.STRENGTHEN)))
          .as(t.label())
          .isNotEmpty();
    }
  }

  @Test
  void whoseArmOrLegMindsAPrecaution() {
    Exercise reach = CATALOGUE.get("hands-behind-back-reach");
    Optional<Side> left = Optional.of(Side.LEFT);
    assertThat(reach.bears(Precaution.GH_IR, left, Side.LEFT)).isTrue();
    assertThat(reach.bears(Precaution.GH_IR, left, Side.RIGHT)).isFalse();
    assertThat(reach.bears(Precaution.GH_ELEV, left, Side.RIGHT)).isTrue();
    assertThat(reach.bears(Precaution.GH_ELEV, left, Side.LEFT)).isFalse();
    assertThat(reach.bears(Precaution.CX_EXT, left, Side.LEFT)).as("it has none").isFalse();
    Exercise wrap = CATALOGUE.get("crossed-arm-wrap");
    assertThat(wrap.bears(Precaution.GH_ADDUCT, left, Side.RIGHT)).as("shared").isTrue();
    Exercise tilt = CATALOGUE.get("lateral-neck-arm-reach");
    assertThat(tilt.bears(Precaution.NEURAL, left, Side.RIGHT)).as("not of a limb").isTrue();
    Exercise both = CATALOGUE.get("wall-slide");
    assertThat(both.bears(Precaution.GH_ELEV, Optional.empty(), Side.LEFT)).isTrue();
  }

  @Test
  void aPrecautionThatIsLearntLaterIsAdded() {
    Exercise nod = CATALOGUE.get("chin-nod");
    Exercise minding = nod.minding(Set.of(Precaution.CX_FLEX));
    assertThat(minding.precautions()).containsExactly(Precaution.CX_FLEX);
    assertThat(minding.target()).isEqualTo(nod.target());
    assertThat(nod.precautions()).isEmpty();
  }

  @Test
  void neckAndStrengthAreGroups() {
    Set<Group> neck = EnumSet.noneOf(Group.class);
    Set<Group> strength = EnumSet.noneOf(Group.class);
    for (Group g : Group.values()) {
      if (g.isNeck()) neck.add(g);
      if (g.isStrength()) strength.add(g);
    }
    assertThat(neck)
        .containsExactlyInAnyOrder(Group.NECK_MOBILITY, Group.NECK_STRETCH, Group.NECK_STRENGTH);
    assertThat(strength)
        .containsExactlyInAnyOrder(
            Group.NECK_STRENGTH, Group.SHOULDER_STRENGTH, Group.SCAPULAR_STRENGTH);
    assertThat(Group.WHOLE_BODY.label()).isEqualTo("whole body");
    assertThat(
            EnumSet.allOf(Precaution.class).stream()
                .filter(Precaution::ofALimb)
                .map(Precaution::code)
                .collect(Collectors.toSet()))
        .containsExactlyInAnyOrder(
            "gh-elev", "gh-ir", "gh-ext", "gh-er-abd", "gh-adduct", "knee-load");
  }

  private static OwnExercise changed(String id, String key, String value) {
    OwnExercise shipped = OwnExercise.of(CATALOGUE.snapshot(List.of(id)), id, Locale.ENGLISH);
    Map<String, String> facts = new HashMap<>(shipped.facts());
    facts.put(key, value);
    return new OwnExercise(id, facts, shipped.words());
  }

  private static void refused(String id, String key, String value, String why) {
    assertThatThrownBy(
            () -> CATALOGUE.with(changed(id, key, value).snapshot(Locale.ENGLISH), Set.of()))
        .as(key + " " + value)
        .hasMessageContaining(why);
  }

  @Test
  void whatCannotBeRightIsRefusedWithItsName() {
    refused("chin-tuck", "intents", "dnf", "a target and what it does");
    refused("chin-tuck", "intents", "dnf bend", "bend is none of");
    refused("chin-tuck", "intents", "levator lengthen", "something it is not for");
    refused("neck-rotation", "tempo", "fast", "such as 10s");
    refused("neck-rotation", "tempo", "31s", "1 to 30 s");
    refused("lateral-lunge", "instead", "chair", "a thing and what stands in");
    refused("lateral-lunge", "treated-limb", "gh-elev", "not borne by one limb here");
    refused("levator-stretch", "other-limb", "cx-rot", "not borne by one limb here");
    refused("wall-slide", "treated-limb", "gh-elev", "not borne by one limb here");
    assertThat(CATALOGUE.get("head-roll-on-roller").instead().get(Equipment.ROLLER))
        .containsExactly(Equipment.ROLLED_TOWEL, Equipment.ROLLED_BLANKET);
  }

  /** Every fact that is wrong is said beside its own field. */
  @Test
  void aWrongFactStandsBesideItsField() {
    Map<String, String> wrong =
        Map.of(
            "group", "leg-day",
            "mode", "jump",
            "sides", "three",
            "targets", "wing",
            "positions", "trapeze",
            "equipment", "rocket",
            "precautions", "dragons",
            "moves", "up",
            "turns", "round",
            "moves-in", "dance");
    wrong.forEach(
        (key, value) ->
            assertThat(changed("levator-stretch", key, value).check(CATALOGUE, Locale.ENGLISH))
                .as(key)
                .extracting(WordsCheck.Problem::field)
                .contains(key));
    assertThat(changed("levator-stretch", "targets", "").check(CATALOGUE, Locale.ENGLISH))
        .extracting(WordsCheck.Problem::message)
        .contains("Choose at least one.");
  }

  @Test
  void aCopyIsDrawnAsWhatItWasCopiedFromAndNeedsNoOther() {
    OwnExercise copy = changed("levator-stretch", "group", "neck-stretch").copied();
    assertThat(copy.id()).isEmpty();
    assertThat(copy.facts()).containsEntry("drawn-as", "levator-stretch").containsKey("harder");
    assertThat(copy.withoutLinks().facts()).doesNotContainKeys("easier", "harder");
    assertThat(copy.withoutLinks().words()).isEqualTo(copy.words());
  }
}
