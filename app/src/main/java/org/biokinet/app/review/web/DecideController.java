package org.biokinet.app.review.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientHeader;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.Station;
import org.biokinet.app.library.Library;
import org.biokinet.app.platform.Days;
import org.biokinet.app.platform.NotFound;
import org.biokinet.app.practice.Me;
import org.biokinet.app.program.Comparison;
import org.biokinet.app.review.DiaryService;
import org.biokinet.app.review.ReviewService;
import org.biokinet.app.review.Terms;
import org.biokinet.core.measure.Visit;
import org.biokinet.core.progress.Choice;
import org.biokinet.core.progress.Diary;
import org.biokinet.core.progress.DiaryWriter;
import org.biokinet.core.progress.Outlook;
import org.biokinet.core.progress.Overview;
import org.biokinet.core.progress.Pace;
import org.biokinet.core.progress.Part;
import org.biokinet.core.screening.Policy;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The decisions of a review: what is suggested, what somebody chooses, what is made of it. */
@Controller
@RequestMapping("/clients/{id}/review")
class DecideController {

  private static final String GRID = "review/decision-parts :: decisions";

  /** Days that are looked back on; our choice. */
  private static final int RECORD_DAYS = 28;

  private static final int LEAST_DAYS = 14;

  private static final String MAKING = "review/decision-parts :: making";

  private final ReviewService reviews;
  private final ClientService clients;
  private final ClientHeader header;
  private final Clock clock;

  DecideController(ReviewService reviews, ClientService clients, ClientHeader header, Clock clock) {
    this.reviews = reviews;
    this.clients = clients;
    this.header = header;
    this.clock = clock;
  }

  /** The record, and what a review would decide on it, put into the page when that is there. */
  @GetMapping("/decisions")
  String decisions(@AuthenticationPrincipal Me me, @PathVariable UUID id, Model model) {
    fill(clients.get(me, id), Optional.empty(), model)
        .ifPresent(open -> record(open.kept(), model));
    return "review/decision-parts :: record";
  }

  /** The weeks ahead, put in when the rest is there: they are played a thousand times. */
  @GetMapping("/ahead")
  String ahead(@AuthenticationPrincipal Me me, @PathVariable UUID id, Model model) {
    Client client = clients.get(me, id);
    model.addAttribute("client", client);
    reviews
        .kept(client)
        .flatMap(
            kept -> Outlook.of(kept.diary(), id.hashCode() + kept.diary().today().toEpochDay()))
        .map(OutlookWords::of)
        .ifPresent(words -> model.addAttribute("ahead", words));
    return "review/decision-parts :: ahead";
  }

  private String grid(Client client, Optional<DecisionGrid.Typed> typed, Model model) {
    fill(client, typed, model);
    return GRID;
  }

  private Optional<ReviewService.Open> fill(
      Client client, Optional<DecisionGrid.Typed> typed, Model model) {
    model.addAttribute("client", client);
    ReviewService.Page page = reviews.page(client);
    page.open()
        .map(open -> DecisionGrid.of(open, typed, Library.LANGUAGE))
        .ifPresent(grid -> model.addAttribute("grid", grid));
    model.addAttribute("past", page.made().stream().map(made -> past(made, client)).toList());
    model.addAttribute("due", page.due().map(Days::day).orElse(""));
    return page.open();
  }

  private static void record(DiaryService.Kept kept, Model model) {
    Overview overview = Overview.of(kept.diary(), days(kept.diary()));
    model.addAttribute("facts", RecordFacts.of(kept, overview));
    model.addAttribute("trend", TrendWords.of(kept));
    model.addAttribute(
        "chart", RecordChart.of(overview, kept.visits().stream().map(Visit::day).toList()));
  }

  /** Not much further back than there is anything. */
  private static int days(Diary diary) {
    LocalDate begun = LocalDate.ofInstant(diary.versions().get(0).sharedAt(), diary.zone());
    long since = ChronoUnit.DAYS.between(begun, diary.today()) + 1;
    return (int) Math.min(RECORD_DAYS, Math.max(LEAST_DAYS, since));
  }

  /**
   * A review that was made, in the list of them.
   *
   * @param what came of it, in words
   */
  record Past(UUID id, String when, String by, String what, String next) {}

  private Past past(ReviewService.Made made, Client client) {
    return new Past(
        made.id(),
        Days.when(made.at(), clock.instant(), client.zone()),
        made.by(),
        made.toVersion().isEmpty()
            ? "nothing changes" + itself(made)
            : "version %d%s%s"
                .formatted(
                    made.toVersion().getAsInt(), made.shared() ? "" : ", as a draft", itself(made)),
        Days.day(made.next()));
  }

  private static String itself(ReviewService.Made made) {
    return made.byItself() ? ", by itself" : "";
  }

  // ---- what was made by itself -------------------------------------------------------------

  @PostMapping("/seen")
  String seen(@AuthenticationPrincipal Me me, @PathVariable UUID id) {
    reviews.seen(me, id);
    return "redirect:/clients/%s/review".formatted(id);
  }

  @PostMapping("/{review}/take-back")
  String takeBack(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @PathVariable UUID review,
      RedirectAttributes redirect) {
    try {
      reviews.takeBack(me, id, review);
    } catch (ReviewService.Refused refused) {
      redirect.addFlashAttribute("refused", refused.why());
    }
    return "redirect:/clients/%s/review".formatted(id);
  }

  /**
   * @param out whether the item is to be left out on this side, instead of another dose
   */
  @PostMapping("/decisions")
  String choose(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam String part,
      @RequestParam String seen,
      @RequestParam Choice.Kind kind,
      @RequestParam(defaultValue = "") String dose,
      @RequestParam(defaultValue = "") String reason,
      @RequestParam(defaultValue = "false") boolean out,
      Model model,
      HttpServletResponse response) {
    Optional<String> fault =
        kind == Choice.Kind.ALTER && dose.isBlank() && !out
            ? Optional.of("another dose, or leave it out")
            : reviews.choose(me, id, part(part), seen, kind, out ? "" : dose, reason);
    if (fault.isPresent()) response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
    return grid(
        clients.get(me, id),
        fault.map(f -> new DecisionGrid.Typed(part, kind, f, dose, reason)),
        model);
  }

  private static Part part(String text) {
    try {
      return Part.of(text);
    } catch (IllegalArgumentException e) {
      throw new NotFound();
    }
  }

  @PostMapping("/decisions/clear")
  String clear(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam String part,
      Model model) {
    reviews.clear(me, id, part(part));
    return grid(clients.get(me, id), Optional.empty(), model);
  }

  @PostMapping("/decisions/all")
  String acceptAll(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam String mark,
      Model model,
      HttpServletResponse response) {
    boolean changed = reviews.acceptAll(me, id, mark).isEmpty();
    if (changed) {
      response.setStatus(HttpStatus.CONFLICT.value());
      model.addAttribute("overtaken", true);
    }
    return grid(clients.get(me, id), Optional.empty(), model);
  }

  // ---- what is made of it ------------------------------------------------------------------

  /**
   * @param whole whether what is suggested for the program as a whole is followed; so it is where
   *     nothing is said
   */
  @GetMapping("/make")
  String making(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam Optional<Boolean> whole,
      @RequestParam(defaultValue = "") String note,
      @RequestParam(defaultValue = "") String why,
      @RequestParam Optional<Pace> pace,
      @RequestParam Optional<Policy> policy,
      @RequestParam(defaultValue = "false") boolean automatic,
      @RequestParam Optional<LocalDate> next,
      Model model) {
    Client client = clients.get(me, id);
    model.addAttribute("client", client);
    if (whole.isEmpty()) {
      reviews.proposal(me, client).ifPresent(p -> show(p, p.said(), model));
      return MAKING;
    }
    // It was chosen otherwise: what was typed stays, what was only suggested is suggested anew.
    model.addAttribute("otherwise", true); // the focus stays where it is
    boolean followed = whole.get();
    Optional<ReviewService.Said> before =
        reviews.proposal(me, client, !followed).map(ReviewService.Proposal::said);
    reviews
        .proposal(me, client, followed)
        .ifPresent(
            p -> {
              ReviewService.Said was = before.orElse(p.said());
              ReviewService.Said now = p.said();
              Terms terms =
                  new Terms(
                      pace.orElse(now.terms().pace()),
                      policy.orElse(now.terms().policy()),
                      automatic);
              show(
                  p,
                  new ReviewService.Said(
                      note.strip().equals(was.note()) ? now.note() : note,
                      why,
                      terms,
                      now.whole(),
                      next.filter(day -> !day.equals(was.next())).orElse(now.next())),
                  model);
            });
    return MAKING;
  }

  private String refused(Me me, Client client, ReviewService.Said typed, Model model) {
    model.addAttribute("client", client);
    model.addAttribute("said", typed); // whatever becomes of it
    reviews.proposal(me, client, typed.whole()).ifPresent(p -> show(p, typed, model));
    return MAKING;
  }

  private static void show(ReviewService.Proposal p, ReviewService.Said said, Model model) {
    model.addAttribute("proposal", p);
    model.addAttribute("said", said);
    model.addAttribute("paces", Pace.values());
    model.addAttribute("next", p.proposed().state().next());
    model.addAttribute("begun", p.proposed().state().started());
    model.addAttribute("barred", p.proposed().shareable().barred().orElse(""));
    model.addAttribute("over", p.proposed().shareable().over());
    p.proposed()
        .shareable()
        .check()
        .timeline()
        .ifPresent(
            then ->
                model.addAttribute(
                    "compared", Comparison.of(p.open().kept().now(), then.program())));
  }

  /** What is to become of it. */
  enum How {
    SHARE,
    DRAFT
  }

  @PostMapping("/make")
  String make(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam String mark,
      @RequestParam How how,
      @RequestParam(defaultValue = "") String note,
      @RequestParam(defaultValue = "") String why,
      @RequestParam Pace pace,
      @RequestParam Policy policy,
      @RequestParam(defaultValue = "false") boolean automatic,
      @RequestParam(defaultValue = "false") boolean whole,
      @RequestParam LocalDate next,
      Model model,
      HttpServletResponse response) {
    ReviewService.Said said =
        new ReviewService.Said(note, why, new Terms(pace, policy, automatic), whole, next);
    try {
      ReviewService.Made made = reviews.make(me, id, mark, how == How.SHARE, said);
      String to = made.toVersion().isPresent() && !made.shared() ? "/plan" : "/review?made";
      response.setHeader("HX-Redirect", "/clients/" + id + to);
      return grid(clients.get(me, id), Optional.empty(), model);
    } catch (ReviewService.Refused refused) {
      response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
      model.addAttribute("refused", refused.why());
      return refused(me, clients.get(me, id), said, model);
    }
  }

  /** A review as it was. */
  @GetMapping("/{review}")
  String past(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @PathVariable UUID review,
      Model model) {
    Client client = header.show(me, id, Station.REVIEW, model);
    ReviewService.Made made = reviews.of(client.getId(), review);
    model.addAttribute("made", made);
    model.addAttribute("late", reviews.late(client.getId(), made));
    model.addAttribute("past", past(made, client));
    reviews
        .diary(client.getId(), review)
        .map(diary -> Overview.of(diary, days(diary)))
        .ifPresent(then -> model.addAttribute("chart", RecordChart.of(then, List.of())));
    return "review/past";
  }

  /** What a review was made on, as a file that can be decided on again. */
  @GetMapping("/{review}/diary.json")
  ResponseEntity<String> diary(
      @AuthenticationPrincipal Me me, @PathVariable UUID id, @PathVariable UUID review) {
    String document = reviews.document(clients.get(me, id).getId(), review);
    return ResponseEntity.ok()
        .contentType(MediaType.APPLICATION_JSON)
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename("diary.json").build().toString())
        .body(DiaryWriter.pretty(document));
  }
}
