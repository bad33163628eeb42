package org.biokinet.app.review.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
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
import org.biokinet.app.review.ReviewService;
import org.biokinet.core.progress.Choice;
import org.biokinet.core.progress.Pace;
import org.biokinet.core.progress.Part;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The decisions of a review: what is suggested, what somebody chooses, what is made of it. */
@Controller
@RequestMapping("/clients/{id}/review")
class DecideController {

  private static final String GRID = "review/decision-parts :: decisions";
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

  /** What a review would decide, put into the page when that is there. */
  @GetMapping("/decisions")
  String decisions(@AuthenticationPrincipal Me me, @PathVariable UUID id, Model model) {
    return grid(clients.get(me, id), Optional.empty(), model);
  }

  private String grid(Client client, Optional<DecisionGrid.Typed> typed, Model model) {
    model.addAttribute("client", client);
    ReviewService.Page page = reviews.page(client);
    page.open()
        .map(open -> DecisionGrid.of(open, typed, Library.LANGUAGE))
        .ifPresent(grid -> model.addAttribute("grid", grid));
    model.addAttribute("past", page.made().stream().map(made -> past(made, client)).toList());
    model.addAttribute("due", page.due().map(Days::day).orElse(""));
    return GRID;
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
            ? "nothing changes"
            : "version %d%s"
                .formatted(made.toVersion().getAsInt(), made.shared() ? "" : ", as a draft"),
        Days.day(made.next()));
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

  @GetMapping("/make")
  String making(@AuthenticationPrincipal Me me, @PathVariable UUID id, Model model) {
    return making(me, clients.get(me, id), Optional.empty(), model);
  }

  private String making(Me me, Client client, Optional<ReviewService.Said> typed, Model model) {
    model.addAttribute("client", client);
    typed.ifPresent(said -> model.addAttribute("said", said)); // whatever becomes of it
    reviews.proposal(me, client).ifPresent(p -> show(p, typed.orElse(p.said()), model));
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
      @RequestParam LocalDate next,
      Model model,
      HttpServletResponse response) {
    ReviewService.Said said = new ReviewService.Said(note, why, pace, next);
    try {
      ReviewService.Made made = reviews.make(me, id, mark, how == How.SHARE, said);
      String to = made.toVersion().isPresent() && !made.shared() ? "/plan" : "/review?made";
      response.setHeader("HX-Redirect", "/clients/" + id + to);
      return grid(clients.get(me, id), Optional.empty(), model);
    } catch (ReviewService.Refused refused) {
      response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
      model.addAttribute("refused", refused.why());
      return making(me, clients.get(me, id), Optional.of(said), model);
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
    return "review/past";
  }
}
