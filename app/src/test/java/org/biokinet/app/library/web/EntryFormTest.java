package org.biokinet.app.library.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.UUID;
import org.biokinet.core.exercise.WordsCheck;
import org.junit.jupiter.api.Test;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;

/** What a browser sends becomes the lines of an entry, whatever it sends. */
class EntryFormTest {

  private static EntryForm read(String... keysAndValues) {
    MultiValueMap<String, String> sent = new LinkedMultiValueMap<>();
    for (int i = 0; i < keysAndValues.length; i += 2) {
      sent.add(keysAndValues[i], keysAndValues[i + 1]);
    }
    return EntryForm.read(sent);
  }

  @Test
  void theFirstChoiceStaysFirstAndNothingStandsTwice() {
    EntryForm form =
        read("targets", "levator", "targets", "scalenes", "targets", "levator", "positions", "");
    assertThat(form.value("targets")).isEqualTo("levator, scalenes");
    assertThat(form.first("targets")).isEqualTo("levator");
    assertThat(form.rest("targets")).containsExactly("scalenes");
    assertThat(form.first("positions")).isEmpty();
    assertThat(form.typed().facts()).doesNotContainKey("positions");
  }

  @Test
  void aDoseIsOneValueHoweverItIsTyped() {
    assertThat(read("start", "L 2x15s, R 3x15s").value("start")).isEqualTo("L 2x15s, R 3x15s");
    assertThat(read("target", "?,?,?").value("target")).isEqualTo("?,?,?");
  }

  @Test
  void aFaultIsKeptInTwoHalvesEvenWhenOneIsMissing() {
    EntryForm form =
        read("fault-1-what", "it slips", "fault-1-mend", "hold it", "fault-2-mend", "alone");
    assertThat(form.value("fault-1")).isEqualTo("it slips → hold it");
    assertThat(form.fault(1, 0)).isEqualTo("it slips");
    assertThat(form.fault(1, 1)).isEqualTo("hold it");
    assertThat(form.fault(2, 0)).isEmpty();
    assertThat(form.fault(2, 1)).isEqualTo("alone");
    assertThat(form.fault(3, 0)).isEmpty();
  }

  @Test
  void whatIsNotOfTheFormIsNotTaken() {
    EntryForm form = read("revision", "7", "nonsense", "x", "name", "A name", "base", "-1x");
    assertThat(form.typed().facts()).isEmpty();
    assertThat(form.typed().words()).containsOnlyKeys("name");
    assertThat(form.base()).isZero();
    assertThat(read("draft", "no id").draft()).isEmpty();
    UUID id = UUID.randomUUID();
    assertThat(read("draft", id.toString()).draft()).contains(id);
  }

  /** What the form does not show is kept, as long as what it is about is still there. */
  @Test
  void whatIsNotShownGoesWithWhatItIsAbout() {
    String[] sent = {
      "sides", "each",
      "precautions", "gh-elev, cx-rot",
      "treated-limb", "gh-elev, gh-ext",
      "targets", "dnf, scm",
      "intents", "dnf strengthen, levator lengthen",
      "tempo", "8s"
    };
    EntryForm form = read(sent);
    assertThat(form.value("treated-limb")).isEqualTo("gh-elev");
    assertThat(form.value("intents")).isEqualTo("dnf strengthen");
    assertThat(form.value("tempo")).isEqualTo("8s");
    sent[1] = "both";
    assertThat(read(sent).value("treated-limb")).isEmpty();
  }

  @Test
  void anEndlessTextIsCut() {
    assertThat(read("how", "a".repeat(10_000)).value("how")).hasSize(800);
  }

  @Test
  void problemsStandBesideTheirFieldsUnderTheirNames() {
    EntryForm form =
        read("name", "x")
            .with(
                List.of(
                    new WordsCheck.Problem("how", "Too long."),
                    new WordsCheck.Problem("how", "Reads hard."),
                    new WordsCheck.Problem("targets", "Choose at least one.")));
    assertThat(form.problem("how")).isEqualTo("Too long. Reads hard.");
    assertThat(form.problem("feel")).isEmpty();
    assertThat(form.label("how")).isEqualTo("How to do it");
    assertThat(form.label("targets")).isEqualTo("For, first of all");
    assertThat(form.keys()).contains("how", "targets", "fault-1", "drawn-as");
    assertThat(form.heading()).isEqualTo("New exercise");
  }

  @Test
  void aBlankFormIsNearlyRight() {
    EntryForm blank = EntryForm.blank();
    assertThat(blank.code()).isEmpty();
    assertThat(blank.typed().exercise()).isPresent();
    assertThat(blank.value("targets")).as("nobody is led to a target").isEmpty();
  }
}
