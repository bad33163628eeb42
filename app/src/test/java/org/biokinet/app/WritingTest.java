package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.biokinet.app.client.Circumstances;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.Contact;
import org.biokinet.app.handout.Paper;
import org.biokinet.app.measurement.MeasurementService;
import org.biokinet.app.message.MessageService;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.settings.SettingsService;
import org.biokinet.app.writing.Writing;
import org.biokinet.app.writing.Writing.Kind;
import org.biokinet.app.writing.Writing.Section;
import org.biokinet.app.writing.WritingService;
import org.biokinet.app.writing.WritingService.Outcome;
import org.biokinet.core.measure.Goal;
import org.biokinet.core.measure.Measured;
import org.biokinet.core.session.Ended;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;

/** Notes and letters: made of one record, gone over, signed, never changed. */
class WritingTest extends AppTest {

  @Autowired private WritingService writings;
  @Autowired private MeasurementService measurements;
  @Autowired private MessageService messages;
  @Autowired private SettingsService settings;

  private LocalDate today() {
    return tomorrow().minusDays(1);
  }

  private Writing begun(Me me, Client client, Kind kind) {
    return writings.get(me, client.getId(), writings.begin(me, client.getId(), kind, today()));
  }

  private static String of(Writing w, String heading) {
    return w.sections().stream()
        .filter(s -> s.heading().equals(heading))
        .map(Section::text)
        .findFirst()
        .orElseThrow();
  }

  private Outcome write(Me me, Client client, Writing w, boolean sign, String... texts) {
    return writings.write(
        me, client.getId(), w.id(), w.version(), "Dr Example", List.of(texts), sign);
  }

  private void pain(Me me, Client client, int now) {
    measurements.save(me, client.getId(), new Measured.Pain(now, null, null));
  }

  @Test
  void theNoteOfAVisitHoldsWhatWasDoneOnThatDay() {
    Me me = practitioner();
    Client client = unscreened(me);
    pain(me, client, 6);
    clients.called(me, client.getId(), "Reached: of the day before");
    clock.moveTo(tomorrow().atTime(9, 0).atZone(LISBON).toInstant());
    screen(me, client, Set.of(), Set.of(), Set.of());
    pain(me, client, 3);
    share(me, client, "chin-tuck", "3x10s");
    clients.called(me, client.getId(), "Reached: sleeps better. Next: rings on Friday");
    Writing note = begun(me, client, Kind.NOTE);
    assertThat(of(note, "Screening")).startsWith("Screened: ");
    assertThat(of(note, "Measured")).contains("Pain now: from 6 to 3 (3 better, important)");
    assertThat(of(note, "Decided")).contains("Shared version 1");
    assertThat(of(note, "Calls and messages"))
        .isEqualTo("Call: Reached: sleeps better. Next: rings on Friday");
    assertThat(of(note, "What follows")).startsWith("Next review planned for ");
    assertThat(writings.begin(me, client.getId(), Kind.NOTE, today()))
        .as("one draft of a day")
        .isEqualTo(note.id());
  }

  @Test
  void whatIsSignedNeverChangesAndIsAmendedByAnother() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    Writing draft = begun(me, client, Kind.NOTE);
    String path = "/clients/%s/writing/%s".formatted(client.getId(), draft.id());
    assertThat(write(me, client, draft, false, "Neck is better.")).isEqualTo(Outcome.DONE);
    assertThat(write(me, client, draft, true, "Another window.")).isEqualTo(Outcome.OVERTAKEN);
    mvc.perform(as(me, post(path)).param("seen", "0").param("text", "Typed, and kept here."))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("Typed, and kept here.")));
    Writing now = writings.get(me, client.getId(), draft.id());
    mvc.perform(
            as(me, post(path))
                .param("seen", Integer.toString(now.version()))
                .param("sign", "true")
                .param("text", "Neck is better, by far."))
        .andExpect(redirectedUrl(path));
    Writing signed = writings.get(me, client.getId(), draft.id());
    assertThat(signed.signed()).isPresent();
    assertThat(write(me, client, signed, false, "No.")).isEqualTo(Outcome.OVERTAKEN);
    writings.anew(me, client.getId(), draft.id());
    writings.discard(me, client.getId(), draft.id());
    assertThat(writings.get(me, client.getId(), draft.id())).isEqualTo(signed);

    UUID amending = writings.amend(me, client.getId(), draft.id());
    assertThat(writings.amend(me, client.getId(), draft.id())).isEqualTo(amending);
    Writing second = writings.get(me, client.getId(), amending);
    assertThat(of(second, "Told")).isEqualTo("Neck is better, by far.");
    assertThat(write(me, client, second, true, "The left side of it.")).isEqualTo(Outcome.DONE);
    assertThat(writings.text(me, client.getId(), amending))
        .contains("The left side of it.", "This amends what A. Practitioner signed on");
    assertThat(writings.get(me, client.getId(), draft.id())).isEqualTo(signed);
    mvc.perform(as(me, get(path))).andExpect(content().string(containsString("Amended: ")));
    mvc.perform(as(me, get("/clients/%s/happened".formatted(client.getId()))))
        .andExpect(content().string(containsString("Visit note, amended")));
  }

  @Test
  void onlyItsAuthorSeesADraft() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    Writing draft = begun(me, client, Kind.PROGRESS);
    Me colleague = practitioner(new Practice(me.practiceId(), "", LISBON, ""));
    String path = "/clients/%s/writing".formatted(client.getId());
    mvc.perform(as(colleague, get(path + "/" + draft.id()))).andExpect(status().isNotFound());
    mvc.perform(as(colleague, get(path)))
        .andExpect(content().string(containsString("Nothing written yet")));
    assertThat(write(me, client, draft, true, "Course.")).isEqualTo(Outcome.DONE);
    mvc.perform(as(colleague, get(path + "/" + draft.id()))).andExpect(status().isOk());
    // Whoever has not written it amends it under their own name, and changes nothing of it.
    mvc.perform(as(colleague, post(path + "/" + draft.id())).param("seen", "1"))
        .andExpect(status().isNotFound());
  }

  @Test
  void badInputIsSaidAndKept() throws Exception {
    Me me = practitioner();
    Client client = unscreened(me);
    Writing draft = begun(me, client, Kind.NOTE);
    assertThat(write(me, client, draft, true)).isEqualTo(Outcome.EMPTY);
    String path = "/clients/%s/writing/%s".formatted(client.getId(), draft.id());
    String tooLong = "x".repeat(Writing.LONGEST_SECTION + 1);
    mvc.perform(as(me, post(path)).param("seen", "0").param("text", tooLong))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("Not kept: at most")))
        .andExpect(content().string(containsString(tooLong)));
    mvc.perform(
            as(me, post("/clients/%s/writing".formatted(client.getId()))).param("document", "?"))
        .andExpect(status().isBadRequest());
  }

  @Test
  void aDischargeSummaryHoldsBaselineAndNowWhatWasDoneAndWhatToWatchFor() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    change(me, client, Set.of(), List.of(new Goal("reading for an hour", 3, 8)));
    pain(me, client, 7);
    share(me, client, "chin-tuck", "3x10s");
    LocalDate first = tomorrow();
    for (int d = 0; d < 9; d++) day(client, first.plusDays(d), 6 - d / 2, 6, 3);
    pain(me, client, 2);
    measurements.save(me, client.getId(), new Measured.Activity("reading for an hour", 8));
    Writing w = begun(me, client, Kind.DISCHARGE);
    assertThat(of(w, "At first and now")).contains("Pain now: from 7 to 2 (5 better, important)");
    assertThat(of(w, "Goals")).isEqualTo("reading for an hour: from 3 to 8 of 10, wanted 8 (met)");
    assertThat(of(w, "What was done"))
        .contains("One version of a program", "9 sessions on 9 days")
        .contains("Mean pain before a session: ");
    assertThat(of(w, "Advice")).contains("Chin tuck: ");
    assertThat(of(w, "What to watch for")).contains("To be seen at once with any of these:");
    settings.setLetterhead(
        me, List.of("12 Harbour Lane", "555 0100"), settings.letterheadRevision(me.practiceId()));
    List<String> texts = w.sections().stream().map(Section::text).toList();
    assertThat(
            writings.write(
                me, client.getId(), w.id(), w.version(), "Dr Example\n1 High St", texts, true))
        .isEqualTo(Outcome.DONE);
    settings.setLetterhead(
        me, List.of("Somewhere else"), settings.letterheadRevision(me.practiceId()));
    try (PDDocument pdf = Loader.loadPDF(writings.pdf(me, client.getId(), w.id(), Paper.A4))) {
      String text = new PDFTextStripper().getText(pdf).replaceAll("\\s+", " ");
      assertThat(text)
          .contains("12 Harbour Lane", "Dr Example", "Discharge summary: Ada Example")
          .contains("reading for an hour: from 3 to 8", "Signed by A. Practitioner")
          .doesNotContain("Somewhere else");
      assertThat(pdf.getDocumentCatalog().getMarkInfo().isMarked()).as("read aloud").isTrue();
    }
    String text = writings.text(me, client.getId(), w.id());
    assertThat(text).startsWith("Practice ").contains("12 Harbour Lane", "1 High St");
    mvc.perform(as(me, get("/clients/%s/writing/%s/text".formatted(client.getId(), w.id()))))
        .andExpect(content().string(text));
  }

  /** Of each client of a made-up practice everything that can be typed holds a word of its own. */
  @ParameterizedTest
  @ValueSource(longs = {21, 22, 23})
  void nothingOfAnotherClientStandsInALetter(long seed) throws Exception {
    Random random = new Random(seed);
    Me me = practitioner();
    List<Client> all = new ArrayList<>();
    List<String> words = new ArrayList<>();
    int many = random.nextInt(2, 5);
    for (int n = 0; n < many; n++) {
      String word = "own" + random.nextInt(1000, 9999) + "word" + n;
      words.add(word);
      Client client =
          clients.add(me, Contact.of("Name " + word, LISBON), Circumstances.of("work " + word));
      all.add(client);
      screen(me, client, Set.of(), Set.of(), Set.of());
      change(me, client, Set.of(), List.of(new Goal("goal " + word, 2, 9)));
      measurements.save(me, client.getId(), new Measured.Activity("goal " + word, 4));
      measurements.add(me, client.getId(), "finding " + word);
      clients.called(me, client.getId(), "call " + word);
      atOneMoment.executeWithoutResult(one -> messages.tell(me, client.getId(), "message " + word));
      share(me, client, "chin-tuck", random.nextInt(2, 5) + "x10s");
      sessions.record(asClient(client), session(client, clock.instant(), Ended.FINISHED));
    }
    for (int n = 0; n < all.size(); n++) {
      Client client = all.get(n);
      for (Kind kind : Kind.values()) {
        Writing w = begun(me, client, kind);
        String text = writings.text(me, client.getId(), w.id());
        assertThat(text).contains("Name " + words.get(n));
        for (int other = 0; other < words.size(); other++) {
          if (other != n) assertThat(text).as(kind.label()).doesNotContain(words.get(other));
        }
        if (kind == Kind.NOTE) assertThat(text).contains("call " + words.get(n));
        if (kind == Kind.DISCHARGE) assertThat(text).contains("goal " + words.get(n));
      }
      int own = n;
      mvc.perform(as(me, get("/clients/%s/happened".formatted(client.getId()))))
          .andExpect(content().string(containsString("message " + words.get(own))))
          .andExpect(content().string(not(containsString(words.get((own + 1) % many)))));
    }
  }

  @Test
  void whatHappenedIsAskedForByKindAndByTime() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    day(client, tomorrow(), 3, 3);
    clients.called(me, client.getId(), "Reached: all well");
    String path = "/clients/%s/happened".formatted(client.getId());
    mvc.perform(as(me, get(path)))
        .andExpect(content().string(containsString("Shared version 1")))
        .andExpect(content().string(containsString("pain before 2, highest 3, stretch felt 3")))
        .andExpect(content().string(containsString("Of the morning")))
        .andExpect(content().string(containsString("Reached: all well")));
    mvc.perform(as(me, get(path + "?only=CALL&only=SESSION")))
        .andExpect(content().string(containsString("Reached: all well")))
        .andExpect(content().string(not(containsString("Shared version 1"))));
    mvc.perform(as(me, get(path + "?until=" + today().minusDays(40))))
        .andExpect(content().string(containsString("Nothing of that in this time.")));
    mvc.perform(as(me, get(path + "?from=2200-01-01&until=1000-01-01"))).andExpect(status().isOk());
  }
}
