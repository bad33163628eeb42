package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.hamcrest.Matchers.allOf;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.biokinet.app.client.Client;
import org.biokinet.app.library.Library;
import org.biokinet.app.library.LibraryService;
import org.biokinet.app.library.LibraryService.Outcome;
import org.biokinet.app.platform.NotFound;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.program.ProgramVersion;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.OwnExercise;
import org.biokinet.core.program.ProgramKind;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.transaction.support.TransactionTemplate;

/** The library, and what a practice makes of it: checked, kept, never another practice's. */
class LibraryTest extends AppTest {

  @Autowired LibraryService library;
  @Autowired JdbcTemplate jdbc;
  @Autowired TransactionTemplate transactions;

  private OwnExercise with(OwnExercise entry, String key, String value) {
    Map<String, String> facts = new HashMap<>(entry.facts());
    Map<String, String> words = new HashMap<>(entry.words());
    (facts.containsKey(key) ? facts : words).put(key, value);
    return new OwnExercise(entry.id(), facts, words);
  }

  private String saved(Outcome outcome) {
    return ((Outcome.Saved) outcome).code();
  }

  private String how(Me me, String code) {
    Library mine = library.of(me.practiceId());
    return mine.catalogue().words(mine.catalogue().get(code), Library.LANGUAGE).how();
  }

  private List<String> found(Me me, String line) {
    return library.of(me.practiceId()).offered(line).stream().map(Exercise::id).toList();
  }

  @Test
  void aCopyGetsACodeFromItsNameAndIsFoundByIt() {
    Me me = practitioner();
    OwnExercise copy =
        with(library.entry(me, "upper-trap-stretch").copiedAs(""), "name", "Étirement du matin");
    String code = saved(library.save(me, copy, 0));
    assertThat(code).isEqualTo("own-etirement-du-matin");
    assertThat(found(me, "etirement matin")).first().isEqualTo(code);
    OwnExercise likeIt = with(copy, "name", "Etirement du matin!");
    assertThat(saved(library.save(me, likeIt, 0))).isEqualTo("own-etirement-du-matin-2");
    assertThat(found(practitioner(), "etirement matin")).isEmpty();
  }

  @Test
  void whatIsWrongIsSaidAndNothingIsSaved() {
    Me me = practitioner();
    OwnExercise typed =
        with(library.entry(me, "upper-trap-stretch"), "how", "Let the left shoulder sink.");
    Outcome outcome = library.save(me, typed, 0);
    assertThat(((Outcome.Wrong) outcome).problems())
        .singleElement()
        .satisfies(p -> assertThat(p.field()).isEqualTo("how"));
    assertThat(library.revisions(me, "upper-trap-stretch")).isEmpty();
  }

  @Test
  void sharedVersionsKeepTheRevisionTheyWereSharedWith() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "upper-trap-stretch", "2x15s");
    String before = how(me, "upper-trap-stretch");
    OwnExercise changed =
        with(library.entry(me, "upper-trap-stretch"), "how", "Let the {side} shoulder go.");
    library.save(me, changed, 0);
    assertThat(how(me, "upper-trap-stretch")).isEqualTo("Let the {side} shoulder go.");
    assertThat(sharedHow(client, 1)).isEqualTo(before);
    mvc.perform(as(me, get("/clients/" + client.getId() + "/plan")))
        .andExpect(content().string(containsString("rewritten since version 1")));
    share(me, client, "chin-tuck", "3x10s");
    assertThat(sharedHow(client, 2)).isEqualTo("Let the {side} shoulder go.");
    var second =
        versions
            .of(client.getId(), new ProgramVersion.Name(ProgramKind.MAIN, 2))
            .orElseThrow()
            .catalogue();
    assertThat(second.revision(second.get("upper-trap-stretch"))).isEqualTo(1);
    assertThat(second.revision(second.get("chin-tuck"))).isZero();
  }

  private String sharedHow(Client client, int version) {
    var catalogue =
        versions
            .of(client.getId(), new ProgramVersion.Name(ProgramKind.MAIN, version))
            .orElseThrow()
            .catalogue();
    return catalogue.words(catalogue.get("upper-trap-stretch"), Library.LANGUAGE).how();
  }

  @Test
  void everyRevisionIsKeptAndTheShippedEntryCanComeBack() throws Exception {
    Me me = practitioner();
    OwnExercise shipped = library.entry(me, "chin-tuck");
    library.save(me, with(shipped, "how", "Slide the chin back. Breathe out."), 0);
    library.save(me, with(shipped, "how", "Slide the chin back. Breathe on."), 1);
    library.backToShipped(me, "chin-tuck", 2);
    assertThat(how(me, "chin-tuck")).isEqualTo(shipped.words().get("how"));
    assertThat(library.revisions(me, "chin-tuck"))
        .extracting(LibraryService.Revision::what)
        .containsExactly("back to the shipped entry", "changed: how", "changed: how");
    mvc.perform(as(me, get("/library/chin-tuck/edit").param("from", "1")))
        .andExpect(content().string(containsString("Slide the chin back. Breathe out.")));
  }

  @Test
  void whatIsRetiredIsNotOfferedButStaysInPrograms() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    share(me, client, "chin-tuck", "3x10s");
    library.retire(me, "chin-tuck", true, 0);
    assertThat(found(me, "chin tuck")).isNotEmpty().doesNotContain("chin-tuck");
    String plan = "/clients/" + client.getId() + "/plan";
    mvc.perform(as(me, get(plan)))
        .andExpect(content().string(containsString("retired by the practice")));
    mvc.perform(as(me, post(plan + "/add")).param("seq", "0").param("exercise", "chin-tuck"))
        .andExpect(status().isBadRequest());
    assertThat(share(me, client, "neck-rotation", "5").number()).isEqualTo(2);
    mvc.perform(as(me, get("/library").param("show", "retired")))
        .andExpect(content().string(containsString("/library/chin-tuck")));
    library.retire(me, "chin-tuck", false, 1);
    assertThat(found(me, "chin tuck")).contains("chin-tuck");
  }

  @Test
  void theSecondOfTwoEditorsSeesWhoAndKeepsTheirsAsADraft() throws Exception {
    Practice practice = practice();
    Me first = practitioner(practice);
    Me second = practitioner(practice);
    OwnExercise shipped = library.entry(first, "chin-tuck");
    library.save(first, with(shipped, "how", "Slide the chin back. Breathe out."), 0);
    OwnExercise mine = with(shipped, "how", "Draw the chin in softly.");

    mvc.perform(as(second, sent("/library/save", mine, 0)))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(
            content()
                .string(
                    allOf(
                        containsString("A. Practitioner</b>"),
                        containsString("Slide the chin back. Breathe out."),
                        containsString(">Draw the chin in softly.</textarea>"))));
    assertThat(how(second, "chin-tuck")).isEqualTo("Slide the chin back. Breathe out.");

    String draft =
        mvc.perform(as(second, sent("/library/keep", mine, 0)))
            .andReturn()
            .getResponse()
            .getRedirectedUrl();
    assertThat(draft).startsWith("/library/drafts/");
    mvc.perform(as(second, get(draft)))
        .andExpect(content().string(containsString(">Draw the chin in softly.</textarea>")))
        .andExpect(content().string(containsString("saved another revision")));
    mvc.perform(as(second, get("/library")))
        .andExpect(content().string(containsString("Your drafts")));
    mvc.perform(as(first, get(draft))).andExpect(status().isNotFound());

    // Having seen it, saving is a decision; the draft has done its work.
    UUID id = library.drafts(second).get(0).id();
    mvc.perform(as(second, sent("/library/save", mine, 1).param("draft", id.toString())))
        .andExpect(redirectedUrl("/library/chin-tuck?saved"));
    assertThat(how(first, "chin-tuck")).isEqualTo("Draw the chin in softly.");
    assertThat(library.drafts(second)).isEmpty();
    assertThat(library.revisions(first, "chin-tuck")).hasSize(2);
  }

  /** The form as a browser sends it. */
  private MockHttpServletRequestBuilder sent(String path, OwnExercise entry, int base) {
    MockHttpServletRequestBuilder request =
        post(path).param("code", entry.id()).param("base", Integer.toString(base));
    entry.facts().forEach((k, v) -> request.param(k, v.split(", ", -1)));
    entry
        .words()
        .forEach(
            (k, v) -> {
              if (k.startsWith("fault-")) {
                String[] parts = v.split(" → ", -1);
                request.param(k + "-what", parts[0]).param(k + "-mend", parts[1]);
              } else {
                request.param(k, v);
              }
            });
    return request;
  }

  @Test
  void twoWhoSaveAtTheSameMomentDoNotOverwriteEachOther() throws Exception {
    Practice practice = practice();
    OwnExercise shipped = library.entry(practitioner(practice), "chin-tuck");
    ExecutorService pool = Executors.newFixedThreadPool(4);
    List<Future<Outcome>> all = new ArrayList<>();
    for (int i = 0; i < 4; i++) {
      Me me = practitioner(practice);
      OwnExercise mine = with(shipped, "how", "Slide the chin back. Count to %d.".formatted(i));
      all.add(pool.submit(() -> library.save(me, mine, 0)));
    }
    Set<Class<?>> outcomes = new HashSet<>();
    int won = 0;
    for (Future<Outcome> f : all) {
      outcomes.add(f.get().getClass());
      if (f.get() instanceof Outcome.Saved) won++;
    }
    pool.shutdown();
    assertThat(won).isEqualTo(1);
    assertThat(outcomes).contains(Outcome.Overtaken.class);
  }

  /** As when the software is updated: what was right once no longer fits what ships. */
  @Test
  void linksThatNoLongerFitDoNotTakeTheLibraryAway() throws Exception {
    Me me = practitioner();
    OwnExercise ring =
        with(library.entry(me, "upper-trap-stretch"), "harder", "upper-trap-stretch");
    String entry = json.writeValueAsString(ring);
    transactions.executeWithoutResult(
        t -> {
          jdbc.update(
              "insert into exercise_revision (id, practice_id, code, number, retired, entry,"
                  + " made_by, made_at) values (?, ?, ?, 1, false, ?, ?, now(6))",
              UUID.randomUUID().toString(),
              me.practiceId().toString(),
              ring.id(),
              entry,
              me.id().toString());
          jdbc.update(
              "update practice set changes = changes + 1 where id = ?", me.practiceId().toString());
        });
    Library mine = library.of(me.practiceId());
    assertThat(mine.catalogue().get(ring.id()).harder()).isEmpty();
    assertThat(mine.catalogue().revision(mine.catalogue().get(ring.id()))).isEqualTo(1);
  }

  @Test
  void anotherPracticesEntriesDoNotExist() throws Exception {
    Me owner = practitioner();
    Me stranger = practitioner();
    String code =
        saved(
            library.save(
                owner,
                with(library.entry(owner, "chin-tuck").copiedAs(""), "name", "Ours alone"),
                0));
    for (String path : List.of("", "/edit", "/copy")) {
      mvc.perform(as(stranger, get("/library/" + code + path))).andExpect(status().isNotFound());
    }
    mvc.perform(as(stranger, get("/library/compare").param("a", code).param("b", "chin-tuck")))
        .andExpect(status().isNotFound());
    mvc.perform(
            as(
                stranger,
                post("/library/" + code + "/retire").param("retired", "true").param("base", "1")))
        .andExpect(status().isNotFound());
    OwnExercise forged = library.entry(owner, code);
    mvc.perform(as(stranger, sent("/library/save", forged, 1))).andExpect(status().isNotFound());
    mvc.perform(as(stranger, sent("/library/keep", forged, 1))).andExpect(status().isNotFound());
    assertThat(library.revisions(owner, code)).hasSize(1);
    UUID draft = library.keep(owner, Optional.empty(), forged, 1);
    mvc.perform(as(stranger, post("/library/drafts/" + draft + "/drop")));
    assertThat(library.drafts(owner)).hasSize(1);
    assertThatThrownBy(() -> library.draft(stranger, draft)).isInstanceOf(NotFound.class);
  }

  @Test
  void thePageShowsBothSidesAndWhatToDoInstead() throws Exception {
    Me me = practitioner();
    mvc.perform(as(me, get("/library/upper-trap-stretch")))
        .andExpect(content().string(containsString("Tilt right")))
        .andExpect(content().string(containsString("Tilt left")))
        .andExpect(content().string(containsString("2x20s")))
        .andExpect(content().string(containsString("common practice, no source")));
    mvc.perform(
            as(me, get("/library/hinged-t-hold").param("as", "chair")).header("HX-Request", "true"))
        .andExpect(status().isOk())
        .andExpect(content().string(containsString("on a chair instead of standing")))
        .andExpect(content().string(not(containsString("Dose ladder"))));
  }

  @Test
  void filtersNarrowTheListAndSayWhatWasUnderstood() throws Exception {
    Me me = practitioner();
    mvc.perform(as(me, get("/library").param("q", "pec stretch without a wall")))
        .andExpect(content().string(containsString("left out what needs: wall")));
    mvc.perform(as(me, get("/library").param("group", "eyes").header("HX-Request", "true")))
        .andExpect(content().string(containsString("/library/distance-gaze")))
        .andExpect(content().string(not(containsString("/library/chin-tuck"))))
        .andExpect(content().string(not(containsString("<html"))));
    mvc.perform(as(me, get("/library").param("q", "zzzz").param("target", "no-such")))
        .andExpect(content().string(containsString("Nothing fits")));
    mvc.perform(as(me, get("/library").param("most", "999999")))
        .andExpect(status().isOk())
        .andExpect(content().string(not(containsString("Show more"))));
  }

  @Test
  void aPictureIsShownAsLongAsItIsRight() throws Exception {
    Me me = practitioner();
    mvc.perform(as(me, get("/library/chin-tuck/still.svg")))
        .andExpect(status().isOk())
        .andExpect(content().contentType("image/svg+xml"))
        .andExpect(header().string("Cache-Control", containsString("private")));
    // A copy is drawn as what it was copied from, until it moves otherwise.
    OwnExercise own = with(library.entry(me, "neck-rotation").copied(), "name", "Ours alone");
    String code = saved(library.save(me, own, 0));
    mvc.perform(as(me, get("/library/" + code + "/still.svg"))).andExpect(status().isOk());
    Map<String, String> facts = new HashMap<>(library.entry(me, code).facts());
    facts.put("moves", "away");
    library.save(me, new OwnExercise(code, facts, own.words()), 1);
    mvc.perform(as(me, get("/library/" + code + "/still.svg"))).andExpect(status().isNotFound());
    mvc.perform(as(me, get("/library/" + code)))
        .andExpect(status().isOk())
        .andExpect(content().string(not(containsString("id=\"figure\""))));
  }

  @Test
  void theHeadFindsExercisesToo() throws Exception {
    mvc.perform(as(practitioner(), get("/find").param("q", "levator")))
        .andExpect(content().string(containsString("/library/levator-stretch")));
  }

  @Test
  void aDraftIsKeptHoweverUnfinished() throws Exception {
    Me me = practitioner();
    String path =
        mvc.perform(
                as(me, post("/library/keep")).param("name", "Half an idea").param("start", "??"))
            .andReturn()
            .getResponse()
            .getRedirectedUrl();
    mvc.perform(as(me, get(path)))
        .andExpect(status().isOk())
        .andExpect(content().string(containsString("value=\"Half an idea\"")))
        .andExpect(content().string(containsString("value=\"??\"")));
  }
}
