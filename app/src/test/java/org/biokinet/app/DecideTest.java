package org.biokinet.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.Matter;
import org.biokinet.app.measurement.MeasurementService;
import org.biokinet.app.platform.Days;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Practice;
import org.biokinet.app.program.DraftService;
import org.biokinet.app.program.VersionService;
import org.biokinet.app.review.KeptDecision;
import org.biokinet.app.review.ReviewService;
import org.biokinet.app.review.Terms;
import org.biokinet.core.anatomy.Side;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.measure.BodyArea;
import org.biokinet.core.measure.Goal;
import org.biokinet.core.measure.Measured;
import org.biokinet.core.measure.Motion;
import org.biokinet.core.measure.PainMap;
import org.biokinet.core.measure.Readings;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.ProgramKind;
import org.biokinet.core.progress.Attention;
import org.biokinet.core.progress.Choice;
import org.biokinet.core.progress.Decision;
import org.biokinet.core.progress.DiaryDocument;
import org.biokinet.core.progress.Outcome;
import org.biokinet.core.progress.Pace;
import org.biokinet.core.progress.Part;
import org.biokinet.core.progress.Review;
import org.biokinet.core.screening.Policy;
import org.biokinet.core.session.Ended;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** The record suggests, somebody chooses, and only then a version is made. */
class DecideTest extends AppTest {

  private static final String L = "upper-trap-stretch L";
  private static final String R = "upper-trap-stretch R";
  private static final String TUCK = "chin-tuck";

  @Autowired MeasurementService measurements;
  @Autowired private ReviewService reviews;

  /** Eight good days of two exercises; the right of the stretch may go on. */
  private Client ready(Me me) {
    return ready(me, "2x15s @3");
  }

  private Client ready(Me me, String stretch) {
    Client client = client(me);
    share(me, client, "upper-trap-stretch", stretch, "chin-tuck", "3x5s");
    LocalDate first = tomorrow();
    for (int n = 0; n < 8; n++) day(client, first.plusDays(n), 2, 3);
    return client;
  }

  private ReviewService.Open open(Client client) {
    return reviews.open(client).orElseThrow();
  }

  private ReviewService.Line line(Client client, String part) {
    return open(client).lines().stream()
        .filter(l -> l.decision().part().text().equals(part))
        .findFirst()
        .orElseThrow();
  }

  private Optional<String> choose(
      Me me, Client client, String part, Choice.Kind kind, String dose, String reason) {
    String seen = line(client, part).seen();
    return reviews.choose(me, client.getId(), Part.of(part), seen, kind, dose, reason);
  }

  private void acceptAll(Me me, Client client) {
    assertThat(reviews.acceptAll(me, client.getId(), open(client).mark())).isPresent();
  }

  private ReviewService.Made make(Me me, Client client, boolean share, String why) {
    return reviews.make(me, client.getId(), open(client).mark(), share, said("", why));
  }

  private ReviewService.Said said(String note, String why) {
    return new ReviewService.Said(
        note,
        why,
        new Terms(Pace.USUAL, Policy.COMFORT_FIRST, false),
        false,
        tomorrow().plusDays(13));
  }

  private List<String> doses(Client client) {
    return versions.latest(client, ProgramKind.MAIN).orElseThrow().program().items().stream()
        .map(i -> DoseNotation.format(i.dose()))
        .toList();
  }

  /** Sessions, measures and goals stand before what is decided on them. */
  @Test
  void theRecordIsLookedAtFirst() throws Exception {
    Me me = practitioner();
    Client client = client(me);
    change(me, client, Set.of(), List.of(new Goal("driving", 3, 8)));
    share(me, client, "upper-trap-stretch", "2x15s @3", "chin-tuck", "3x5s");
    measurements.save(me, client.getId(), new Measured.Pain(6, null, null));
    measurements.save(me, client.getId(), new Measured.Activity("driving", 3));
    for (int n = 0; n < 3; n++) day(client, tomorrow(), n == 1 ? 6 : 2, 3);
    measurements.save(me, client.getId(), new Measured.Pain(3, null, null));
    measurements.save(me, client.getId(), new Measured.Activity("driving", 8));
    mvc.perform(as(me, get("/clients/%s/review/decisions".formatted(client.getId()))))
        .andExpect(content().string(containsString("3 sessions in 7 days")))
        .andExpect(content().string(containsString("Pain now: 3 better, important")))
        .andExpect(content().string(containsString("driving: 8 of the 8 wanted, met")))
        .andExpect(content().string(containsString("a session red")));
  }

  @Test
  void whereItGoesIsSaidInASentenceAndThenRowByRow() throws Exception {
    Me me = practitioner();
    Client client = ready(me);
    String decisions = "/clients/%s/review/decisions".formatted(client.getId());
    mvc.perform(as(me, get(decisions)))
        .andExpect(content().string(containsString("No clear change in 8 weeks")))
        .andExpect(content().string(containsString("Pain before a session: no clear change, 2.0")))
        .andExpect(content().string(containsString("8 values of the last 8 weeks")));
    LocalDate first = tomorrow();
    for (int n = 0; n < 12; n++) day(client, first.plusDays(n), n < 8 ? 2 : 4, 3);
    mvc.perform(as(me, get(decisions)))
        .andExpect(
            content()
                .string(
                    containsString(
                        "Pain in sessions is above the usual 2.0 since "
                            + Days.day(first.plusDays(8)))));
  }

  @Test
  void whatIsAcceptedBecomesTheNextVersion() {
    Me me = practitioner();
    Client client = ready(me);
    assertThat(line(client, L).decision().outcome()).isEqualTo(Outcome.GO_ON);
    acceptAll(me, client);
    ReviewService.Proposal seen = reviews.proposal(me, client).orElseThrow();
    assertThat(seen.said().note()).contains("One step more", "Upper trapezius stretch");
    ReviewService.Made made =
        reviews.make(me, client.getId(), seen.open().mark(), true, seen.said());
    assertThat(made.toVersion()).hasValue(2);
    VersionService.Replay now = versions.latest(client, ProgramKind.MAIN).orElseThrow();
    assertThat(now.version().number()).isEqualTo(2);
    assertThat(now.version().note()).isEqualTo(seen.said().note());
    assertThat(doses(client).get(0)).isEqualTo("2x20s @3");
    assertThat(made.rules()).isEqualTo(Decision.RULES);
    assertThat(made.decided()).extracting(KeptDecision::kind).containsOnly(Choice.Kind.ACCEPT);
    assertThat(open(client).undecided()).as("a new review begins").isEqualTo(3);
    assertThat(open(client).kept().diary().decided())
        .extracting(d -> d.part().text() + " " + d.outcome())
        .containsExactlyInAnyOrderElementsOf(
            made.decided().stream().map(d -> d.part() + " " + d.outcome()).toList());
  }

  @Test
  void eachSideAndItemIsWhatWasChosenForIt() throws Exception {
    Me me = practitioner();
    Client client = ready(me);
    assertThat(choose(me, client, L, Choice.Kind.REJECT, "", "travels next week")).isEmpty();
    assertThat(choose(me, client, R, Choice.Kind.ALTER, "2x18s @3", "half a step")).isEmpty();
    assertThat(choose(me, client, TUCK, Choice.Kind.ALTER, "", "rests")).isEmpty();
    ReviewService.Made made = make(me, client, true, "so agreed");
    assertThat(doses(client)).containsExactly("L 2x15s R 2x18s @3");
    assertThat(made.decided())
        .extracting(d -> d.part() + " " + d.outcome() + " " + d.dose().orElse("out"))
        .containsExactly(L + " STAY 2x15s @3", R + " GO_ON 2x18s @3", TUCK + " EASE out");
    mvc.perform(as(me, get("/clients/%s/review/%s".formatted(client.getId(), made.id()))))
        .andExpect(status().isOk())
        .andExpect(content().string(containsString("travels next week")))
        .andExpect(content().string(containsString("Chin tuck")));
    Me other = practitioner();
    mvc.perform(as(other, get("/clients/%s/review/%s".formatted(client.getId(), made.id()))))
        .andExpect(status().isNotFound());
    Client beside = client(me);
    mvc.perform(as(me, get("/clients/%s/review/%s".formatted(beside.getId(), made.id()))))
        .andExpect(status().isNotFound());
  }

  @Test
  void whatIsWrongIsSaidAndKeepsWhatWasTyped() throws Exception {
    Me me = practitioner();
    Client client = ready(me);
    mvc.perform(
            as(me, post("/clients/%s/review/decisions".formatted(client.getId())))
                .param("part", L)
                .param("seen", line(client, L).seen())
                .param("kind", "ALTER")
                .param("dose", "2x18 bananas")
                .param("reason", "half a step"))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("2x18 bananas")))
        .andExpect(content().string(containsString("half a step")));
    assertThat(choose(me, client, L, Choice.Kind.ALTER, "2x18s @3", "")).contains("say why");
    assertThat(choose(me, client, L, Choice.Kind.ALTER, "L 2x18s", "x"))
        .get()
        .asString()
        .contains("without L or R");
    assertThat(choose(me, client, L, Choice.Kind.REJECT, "", "x".repeat(301)))
        .get()
        .asString()
        .contains("300");
    assertThat(open(client).undecided()).isEqualTo(3);
  }

  private void tilt(Me me, Client client, Side side, String degrees) {
    Readings.Reading read =
        Readings.parse(degrees, Motion.NECK_LATERAL_FLEXION, Readings.Protocol.USUAL);
    measurements.save(
        me,
        client.getId(),
        new Measured.Range(
            Motion.NECK_LATERAL_FLEXION,
            side,
            ((Readings.Reading.Ok) read).readings(),
            Measured.Source.TYPED));
  }

  /** What tilts the head left too little is the right side: one press gives it a hold more. */
  @Test
  void theSideThatFallsShortIsOfferedAHoldMore() throws Exception {
    Me me = practitioner();
    Client client = ready(me);
    tilt(me, client, Side.LEFT, "30 31 30");
    tilt(me, client, Side.RIGHT, "44 44 45");
    String grid = "/clients/%s/review/decisions".formatted(client.getId());
    mvc.perform(as(me, get(grid)))
        .andExpect(content().string(not(containsString("one hold more here"))));
    measurements.mark(
        me,
        client.getId(),
        new PainMap.Mark(BodyArea.LOWER_NECK, Side.LEFT, PainMap.Feeling.ACHE, 3),
        false);
    mvc.perform(as(me, get(grid)))
        .andExpect(content().string(containsString("one hold more here")))
        .andExpect(content().string(containsString("value=\"3x15s @3\"")));
    assertThat(choose(me, client, R, Choice.Kind.ALTER, "3x15s @3", "falls short")).isEmpty();
    acceptAll(me, client);
    make(me, client, true, "so agreed");
    assertThat(doses(client).get(0)).startsWith("L 2x20s R 3x15s");
  }

  private ReviewService.Said tolerable() {
    return new ReviewService.Said(
        "",
        "so agreed",
        new Terms(Pace.USUAL, Policy.TOLERABLE_STRETCH, false),
        false,
        tomorrow().plusDays(13));
  }

  /** Chosen at a review alone; what is found later takes it back by itself. */
  @Test
  void howStrongAStretchMayBeIsChosenAtAReview() throws Exception {
    Me me = practitioner();
    Client client = ready(me);
    UUID id = client.getId();
    assertThat(tryToShare(me, client(me), ProgramKind.MAIN, "upper-trap-stretch", "2x15s @5"))
        .isNotInstanceOf(DraftService.Outcome.Shared.class);
    acceptAll(me, client);
    ReviewService.Made made = reviews.make(me, id, open(client).mark(), true, tolerable());
    assertThat(made.terms().policy()).isEqualTo(Policy.TOLERABLE_STRETCH);
    client = clients.get(me, id);
    assertThat(open(client).kept().diary().policy()).isEqualTo(Policy.TOLERABLE_STRETCH);
    share(me, client, "upper-trap-stretch", "2x15s @5");
    screen(me, client, Set.of(), Set.of(), Set.of("hypermobility"));
    assertThat(tryToShare(me, client, ProgramKind.MAIN, "upper-trap-stretch", "2x16s @5"))
        .isNotInstanceOf(DraftService.Outcome.Shared.class);
    acceptAll(me, client);
    String mark = open(client).mark();
    assertThatThrownBy(() -> reviews.make(me, id, mark, true, tolerable()))
        .isInstanceOf(ReviewService.Refused.class)
        .hasMessageContaining("hypermobility");
    mvc.perform(as(me, get("/clients/%s/review/make".formatted(id))))
        .andExpect(content().string(containsString("not now: general hypermobility")));
    clients.beginEpisode(me, id, "shoulder");
    assertThat(clients.get(me, id).policy()).isEqualTo(Policy.COMFORT_FIRST);
  }

  @Test
  void nothingIsMadeBeforeAllIsDecided() throws Exception {
    Me me = practitioner();
    Client client = ready(me);
    choose(me, client, L, Choice.Kind.ACCEPT, "", "");
    assertThatThrownBy(() -> make(me, client, true, ""))
        .isInstanceOf(ReviewService.Refused.class)
        .hasMessageContaining("2 are not decided");
    assertThat(reviews.proposal(me, client)).isEmpty();
    mvc.perform(
            as(me, post("/clients/%s/review/make".formatted(client.getId())))
                .param("mark", open(client).mark())
                .param("how", "SHARE")
                .param("pace", "USUAL")
                .param("policy", "COMFORT_FIRST")
                .param("next", tomorrow().toString())
                .param("note", "See you in two weeks"))
        .andExpect(status().isUnprocessableEntity())
        .andExpect(content().string(containsString("2 are not decided")))
        .andExpect(content().string(containsString("See you in two weeks")));
    assertThat(doses(client).get(0)).isEqualTo("2x15s @3");
    reviews.clear(me, client.getId(), Part.of(L));
    assertThat(open(client).undecided()).isEqualTo(3);
  }

  /** A late upload makes another suggestion of it, and then the choice does not count. */
  @Test
  void aChoiceDoesNotOutliveItsSuggestion() {
    Me me = practitioner();
    Client client = ready(me);
    String before = line(client, L).seen();
    acceptAll(me, client);
    day(client, tomorrow().minusDays(1), 6, 3, "0L");
    assertThat(line(client, L).chosen()).get().matches(ReviewService.Chosen::stale);
    assertThat(open(client).undecided()).isPositive();
    assertThat(reviews.choose(me, client.getId(), Part.of(L), before, Choice.Kind.ACCEPT, "", ""))
        .get()
        .asString()
        .contains("come in since");
  }

  @Test
  void nothingIsMadeOfWhatWasNotSeen() {
    Practice practice = practice();
    Me me = practitioner(practice);
    Me colleague = practitioner(practice);
    Client client = ready(me);
    acceptAll(me, client);
    String seen = open(client).mark();
    assertThat(choose(colleague, client, L, Choice.Kind.REJECT, "", "not yet")).isEmpty();
    assertThatThrownBy(() -> reviews.make(me, client.getId(), seen, true, said("", "")))
        .isInstanceOf(ReviewService.Refused.class)
        .hasMessageContaining("once more");
    assertThat(reviews.acceptAll(me, client.getId(), seen)).isEmpty();
    assertThat(reviews.page(client).made()).isEmpty();
  }

  @Test
  void twoAtOnceMakeOne() throws Exception {
    Me me = practitioner();
    Client client = ready(me);
    acceptAll(me, client);
    String mark = open(client).mark();
    List<String> came = Collections.synchronizedList(new ArrayList<>());
    atOnce(
        4,
        () -> {
          try {
            came.add(
                "made " + reviews.make(me, client.getId(), mark, true, said("", "")).toVersion());
          } catch (ReviewService.Refused refused) {
            came.add("refused");
          }
        });
    assertThat(came)
        .containsExactlyInAnyOrder("made OptionalInt[2]", "refused", "refused", "refused");
    assertThat(reviews.page(client).made()).hasSize(1);
    assertThat(versions.all(client.getId())).hasSize(2);
  }

  @Test
  void whatIsLeftAsADraftIsNotDecidedBeforeItIsShared() {
    Me me = practitioner();
    Client client = ready(me);
    acceptAll(me, client);
    ReviewService.Made made = make(me, client, false, "");
    assertThat(made.shared()).isFalse();
    assertThat(made.toVersion()).hasValue(2);
    assertThat(doses(client).get(0)).isEqualTo("2x15s @3");
    DraftService.State draft = drafts.state(me, client.getId(), ProgramKind.MAIN);
    assertThat(draft.draft().items().get(0).dose()).isEqualTo("2x20s @3");
    assertThat(open(client).kept().diary().decided()).isEmpty();
    drafts.share(me, client.getId(), ProgramKind.MAIN, draft.seq(), "");
    assertThat(open(client).kept().diary().decided()).hasSize(3);
  }

  /** What somebody else has begun is not shared by the way, and nothing of it is lost. */
  @Test
  void anOpenDraftTakesTheDosesAndIsSharedInPlan() {
    Practice practice = practice();
    Me me = practitioner(practice);
    Me colleague = practitioner(practice);
    Client client = ready(me);
    acceptAll(me, client);
    drafts.edit(
        colleague,
        client.getId(),
        ProgramKind.MAIN,
        0,
        new DraftEdit.SetTitle("After the holidays"));
    assertThatThrownBy(() -> make(me, client, true, ""))
        .isInstanceOf(ReviewService.Refused.class)
        .hasMessageContaining("being written already");
    assertThatThrownBy(() -> make(me, client, false, ""))
        .as("a colleague is in it")
        .isInstanceOf(ReviewService.Refused.class)
        .hasMessageContaining("is in the draft");
    assertThat(reviews.page(client).made()).isEmpty();
    clock.moveTo(clock.instant().plusSeconds(3600));
    String tuck = drafts.state(me, client.getId(), ProgramKind.MAIN).draft().items().get(1).key();
    drafts.edit(
        me,
        client.getId(),
        ProgramKind.MAIN,
        drafts.state(me, client.getId(), ProgramKind.MAIN).seq(),
        new DraftEdit.Remove(tuck));
    assertThat(reviews.proposal(me, client).orElseThrow().proposed().missing())
        .as("said before anything is made")
        .containsExactly("Chin tuck");
    assertThat(make(me, client, false, "").toVersion()).hasValue(2);
    DraftService.State draft = drafts.state(me, client.getId(), ProgramKind.MAIN);
    assertThat(draft.draft().title()).isEqualTo("After the holidays");
    assertThat(draft.draft().items().get(0).dose()).isEqualTo("2x20s @3");
  }

  /** A refusal leaves no draft behind. */
  @Test
  void whatIsRefusedLeavesNothing() {
    Me me = practitioner();
    Client client = ready(me);
    choose(me, client, L, Choice.Kind.ALTER, "6x60s @3", "wants more");
    acceptAll(me, client);
    assertThatThrownBy(() -> make(me, client, true, "")).isInstanceOf(ReviewService.Refused.class);
    assertThat(drafts.state(me, client.getId(), ProgramKind.MAIN).started()).isFalse();
    assertThat(reviews.page(client).made()).isEmpty();
    assertThat(open(client).undecided()).as("what was chosen is kept").isZero();
  }

  /** As in Plan: what is too long is said, and nothing is cut or done. */
  @Test
  void whatIsTooLongIsSaid() {
    Me me = practitioner();
    Client client = ready(me);
    acceptAll(me, client);
    String mark = open(client).mark();
    assertThatThrownBy(
            () -> reviews.make(me, client.getId(), mark, true, said("x".repeat(501), "")))
        .isInstanceOf(ReviewService.Refused.class)
        .hasMessageContaining("500");
    assertThatThrownBy(
            () -> reviews.make(me, client.getId(), mark, true, said("", "x".repeat(301))))
        .isInstanceOf(ReviewService.Refused.class)
        .hasMessageContaining("300");
    assertThat(reviews.page(client).made()).isEmpty();
    reviews.make(me, client.getId(), mark, true, said("x".repeat(500), ""));
    assertThat(reviews.page(client).made()).hasSize(1);
  }

  @Test
  void whereNothingChangesTheReviewIsKeptAlone() {
    Me me = practitioner();
    Client client = ready(me);
    for (String part : List.of(L, R, TUCK)) {
      assertThat(choose(me, client, part, Choice.Kind.REJECT, "", "first the other knee"))
          .isEmpty();
    }
    ReviewService.Made made = make(me, client, true, "");
    assertThat(made.toVersion()).isEmpty();
    assertThat(versions.all(client.getId())).hasSize(1);
    assertThat(drafts.state(me, client.getId(), ProgramKind.MAIN).started()).isFalse();
    assertThat(open(client).kept().diary().decided()).hasSize(3);
  }

  // ---- by itself ---------------------------------------------------------------------------

  /** Eight good days after which all was left as it is, and it may be eased by itself. */
  private Client allowed(Me me) {
    Client client = ready(me, "2x20s @3");
    for (String part : List.of(L, R, TUCK)) {
      assertThat(choose(me, client, part, Choice.Kind.REJECT, "", "another week")).isEmpty();
    }
    ReviewService.Said said =
        new ReviewService.Said(
            "",
            "",
            new Terms(Pace.USUAL, Policy.COMFORT_FIRST, true),
            false,
            tomorrow().plusDays(13));
    reviews.make(me, client.getId(), open(client).mark(), true, said);
    return client;
  }

  /** Two days on which the left is too much, with one between them. */
  private void tooMuch(Client client) {
    day(client, tomorrow(), 5, 3, "0L");
    day(client, tomorrow(), 2, 3);
    day(client, tomorrow(), 5, 3, "0L");
  }

  private List<Attention> waiting(Client client) {
    return clients.matters(client.getId()).stream().map(Matter::as).toList();
  }

  @Test
  void itIsEasedByItselfWhereSomebodyAllowedIt() throws Exception {
    Me me = practitioner();
    Client client = allowed(me);
    assertThat(reviews.automatic()).contains(client.getId());
    assertThat(reviews.byItself(client.getId())).as("nothing is too much").isEmpty();
    tooMuch(client);
    ReviewService.Made made = reviews.byItself(client.getId()).orElseThrow();
    assertThat(made.byItself()).isTrue();
    assertThat(made.by()).isEqualTo(me.name());
    assertThat(made.terms().automatic()).as("until somebody reviews it").isTrue();
    assertThat(made.decided())
        .filteredOn(KeptDecision::changes)
        .singleElement()
        .satisfies(d -> assertThat(d.part()).isEqualTo(L))
        .satisfies(d -> assertThat(d.outcome()).isEqualTo(Outcome.EASE));
    assertThat(doses(client).get(0)).isEqualTo("L 2x15s R 2x20s @3");
    // Both are told, and it waits to be seen.
    mvc.perform(get("/me/today").cookie(device(me, client)))
        .andExpect(content().string(containsString("One step less")))
        .andExpect(content().string(containsString("came about by itself")));
    assertThat(waiting(client)).contains(Attention.BY_ITSELF);
    mvc.perform(as(me, get("/clients/%s/review".formatted(client.getId()))))
        .andExpect(content().string(containsString("Eased by itself")));
    assertThat(reviews.byItself(client.getId())).as("one after the other").isEmpty();
    Me other = practitioner();
    String back = "/clients/%s/review/%s/take-back".formatted(client.getId(), made.id());
    mvc.perform(as(other, post(back))).andExpect(status().isNotFound());
    mvc.perform(as(me, post(back))).andExpect(status().is3xxRedirection());
    assertThat(doses(client).get(0)).isEqualTo("2x20s @3");
    mvc.perform(get("/me/today").cookie(device(me, client)))
        .andExpect(content().string(containsString("everything is as it was before")));
    assertThat(waiting(client)).doesNotContain(Attention.BY_ITSELF);
    assertThatThrownBy(() -> reviews.takeBack(me, client.getId(), made.id()))
        .hasMessageContaining("in force by now");
    assertThat(reviews.byItself(client.getId())).as("not for the same again").isEmpty();
  }

  /** What one practitioner has allowed another has to allow anew. */
  @Test
  void itIsAllowedByName() {
    Practice practice = practice();
    Me me = practitioner(practice);
    Client client = allowed(me);
    day(client, tomorrow(), 2, 3);
    acceptAll(me, client);
    assertThat(reviews.proposal(me, client).orElseThrow().said().terms().automatic()).isTrue();
    Me other = practitioner(practice);
    assertThat(reviews.proposal(other, client).orElseThrow().said().terms().automatic()).isFalse();
  }

  /** On the day of the review it stays by itself where nothing would change. */
  @Test
  void itStaysByItselfOnTheDayOfTheReview() throws Exception {
    Me me = practitioner();
    Client client = allowed(me);
    for (int n = 0; n < 7; n++) day(client, tomorrow(), 4, 3);
    assertThat(open(client).review().decisions())
        .allSatisfy(d -> assertThat(d.outcome()).isEqualTo(Outcome.STAY));
    ReviewService.Made made = reviews.byItself(client.getId()).orElseThrow();
    assertThat(made.toVersion()).isEmpty();
    assertThat(reviews.due(client)).contains(made.next());
    mvc.perform(get("/me/messages").cookie(device(me, client)))
        .andExpect(content().string(containsString("everything stays as it is")));
    reviews.seen(me, client.getId());
    assertThat(waiting(client)).isEmpty();
  }

  @Test
  void nothingIsMadeByItselfWhereSomebodyIsAtIt() {
    Me me = practitioner();
    Client notAllowed = ready(me);
    tooMuch(notAllowed);
    assertThat(reviews.automatic()).doesNotContain(notAllowed.getId());
    assertThat(reviews.byItself(notAllowed.getId())).isEmpty();
    Client chosen = allowed(me);
    tooMuch(chosen);
    assertThat(choose(me, chosen, TUCK, Choice.Kind.REJECT, "", "later")).isEmpty();
    assertThat(reviews.byItself(chosen.getId())).isEmpty();
    reviews.clear(me, chosen.getId(), Part.of(TUCK));
    drafts.edit(
        me,
        chosen.getId(),
        ProgramKind.MAIN,
        drafts.state(me, chosen.getId(), ProgramKind.MAIN).seq(),
        new DraftEdit.SetTitle("Being written"));
    assertThat(reviews.byItself(chosen.getId())).isEmpty();
  }

  /** Whatever comes later, it is opened as it was, and decided on alike. */
  @Test
  void whatItWasDecidedOnIsKept() throws Exception {
    Me me = practitioner();
    Client client = ready(me);
    acceptAll(me, client);
    Review seen = open(client).review();
    ReviewService.Made made = make(me, client, true, "");
    day(client, tomorrow(), 7, 8);
    String path = "/clients/%s/review/%s".formatted(client.getId(), made.id());
    mvc.perform(as(me, get(path)))
        .andExpect(content().string(containsString("The 14 days before it")))
        .andExpect(content().string(containsString("pain before 2")))
        .andExpect(content().string(not(containsString("highest 7"))));
    String file =
        mvc.perform(as(me, get(path + "/diary.json")))
            .andExpect(status().isOk())
            .andReturn()
            .getResponse()
            .getContentAsString();
    DiaryDocument.Reading read = DiaryDocument.read(file, Catalogue.load());
    assertThat(read).isInstanceOf(DiaryDocument.Reading.Ok.class);
    assertThat(Review.of(((DiaryDocument.Reading.Ok) read).diary())).isEqualTo(seen);
    Client beside = ready(me);
    mvc.perform(as(me, get(path.replace(client.getId().toString(), beside.getId().toString()))))
        .andExpect(status().isNotFound());
  }

  /** What comes late is said of a review, and changes nothing in it. */
  @Test
  void whatComesLateIsSaid() throws Exception {
    Me me = practitioner();
    Client client = ready(me);
    acceptAll(me, client);
    ReviewService.Made made = make(me, client, true, "so agreed");
    assertThat(reviews.late(client.getId(), made)).isEqualTo(new ReviewService.Late(0, 0));
    clock.moveTo(made.at().plusSeconds(600));
    sessions.record(asClient(client), session(client, made.at().plusSeconds(60), Ended.FINISHED));
    assertThat(reviews.late(client.getId(), made))
        .as("begun after")
        .isEqualTo(new ReviewService.Late(0, 0));
    sessions.record(
        asClient(client), session(client, made.at().minusSeconds(3600), Ended.FINISHED));
    assertThat(reviews.late(client.getId(), made)).isEqualTo(new ReviewService.Late(1, 0));
    assertThat(reviews.of(client.getId(), made.id()).decided()).isEqualTo(made.decided());
    mvc.perform(as(me, get("/clients/%s/review/%s".formatted(client.getId(), made.id()))))
        .andExpect(content().string(containsString("sessions 1, answers 0")));
  }

  /** A sign that nobody has examined is not accepted with the rest, nor chosen away. */
  @Test
  void aStopIsNotAcceptedWithTheRest() {
    Me me = practitioner();
    Client client = ready(me);
    sessions.record(asClient(client), session(client, clock.instant(), Ended.STOPPED));
    clock.moveTo(clock.instant().plusSeconds(3600));
    acceptAll(me, client);
    assertThat(open(client).undecided()).isEqualTo(3);
    assertThat(choose(me, client, L, Choice.Kind.REJECT, "", "it is fine"))
        .get()
        .asString()
        .contains("examined");
    assertThat(
            open(client).kept().diary().signs().stream()
                .map(s -> s.kind().words())
                .collect(Collectors.toSet()))
        .containsExactly("a stop rule");
  }
}
