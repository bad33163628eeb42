package org.biokinet.app.program;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.biokinet.app.account.Me;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientHeader;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.Station;
import org.biokinet.core.anatomy.Position;
import org.biokinet.core.dose.DoseNotation;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.Program;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Plan: find an exercise, type a dose, see what it means and how long it takes. */
@Controller
@RequestMapping("/clients/{id}/plan")
class PlanController {

  private static final int MOST_HITS = 12;

  private final DraftService drafts;
  private final ClientService clients;
  private final ClientHeader header;
  private final Catalogue catalogue;

  PlanController(
      DraftService drafts, ClientService clients, ClientHeader header, Catalogue catalogue) {
    this.drafts = drafts;
    this.clients = clients;
    this.header = header;
    this.catalogue = catalogue;
  }

  @GetMapping
  String page(@AuthenticationPrincipal Me me, @PathVariable UUID id, Model model) {
    header.show(me, id, Station.PLAN, model);
    plan(me, id, drafts.state(me, id), model);
    return "program/plan";
  }

  /** What a dose would mean and cost while it is being typed; changes nothing. */
  @GetMapping("/live")
  String live(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam String key,
      @RequestParam(defaultValue = "") String dose,
      Model model) {
    DraftService.State now = drafts.state(me, id);
    DraftService.State typed =
        new DraftService.State(
            new DraftEdit.SetDose(key, dose).apply(now.draft()),
            now.seq(),
            now.canUndo(),
            now.canRedo(),
            now.started(),
            now.nextVersion());
    plan(me, id, typed, model);
    model.addAttribute("key", key);
    return "program/plan-parts :: live";
  }

  @GetMapping("/exercises")
  String exercises(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "") String q,
      Model model) {
    Client client = clients.get(me, id);
    List<Exercise> hits = catalogue.search(q, Locale.ENGLISH);
    model.addAttribute("client", client);
    model.addAttribute("words", catalogue);
    model.addAttribute("locale", Locale.ENGLISH);
    model.addAttribute("hits", hits.stream().limit(MOST_HITS).toList());
    model.addAttribute("more", Math.max(0, hits.size() - MOST_HITS));
    model.addAttribute("q", q.strip());
    model.addAttribute("seq", drafts.state(me, id).seq());
    return "program/plan-parts :: hits";
  }

  @PostMapping("/add")
  String add(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam int seq,
      @RequestParam String exercise,
      Model model,
      HttpServletResponse response) {
    String start = DoseNotation.format(catalogue.get(exercise).start());
    String key = UUID.randomUUID().toString();
    model.addAttribute("added", key);
    return show(
        me,
        id,
        drafts.edit(me, id, seq, new DraftEdit.Add(key, exercise, start)),
        catalogue.words(catalogue.get(exercise), Locale.ENGLISH).name(),
        model,
        response);
  }

  @PostMapping("/dose")
  String dose(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam int seq,
      @RequestParam String key,
      @RequestParam(defaultValue = "") String dose,
      Model model,
      HttpServletResponse response) {
    String cut =
        dose.length() > DoseNotation.LONGEST_TEXT
            ? dose.substring(0, DoseNotation.LONGEST_TEXT)
            : dose;
    DraftService.Outcome outcome = drafts.edit(me, id, seq, new DraftEdit.SetDose(key, cut));
    String plan = show(me, id, outcome, dose, model, response);
    if (outcome instanceof DraftService.Outcome.Done) {
      // Only what the dose changes, so that the next cell can be typed in meanwhile.
      model.addAttribute("key", key);
      model.addAttribute("saved", true);
      return "program/plan-parts :: live";
    }
    response.setHeader("HX-Retarget", "#plan");
    response.setHeader("HX-Reswap", "outerHTML");
    return plan;
  }

  @PostMapping("/position")
  String position(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam int seq,
      @RequestParam String key,
      @RequestParam Position position,
      Model model,
      HttpServletResponse response) {
    return show(
        me,
        id,
        drafts.edit(me, id, seq, new DraftEdit.SetPosition(key, position)),
        position.label(),
        model,
        response);
  }

  @PostMapping("/title")
  String title(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam int seq,
      @RequestParam(defaultValue = "") String title,
      Model model,
      HttpServletResponse response) {
    String text = title.strip();
    String cut =
        text.length() > Program.LONGEST_TITLE ? text.substring(0, Program.LONGEST_TITLE) : text;
    return show(
        me, id, drafts.edit(me, id, seq, new DraftEdit.SetTitle(cut)), title, model, response);
  }

  @PostMapping("/move")
  String move(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam int seq,
      @RequestParam String key,
      @RequestParam int to,
      Model model,
      HttpServletResponse response) {
    return show(
        me, id, drafts.edit(me, id, seq, new DraftEdit.Move(key, to)), "the move", model, response);
  }

  @PostMapping("/remove")
  String remove(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam int seq,
      @RequestParam String key,
      Model model,
      HttpServletResponse response) {
    return show(
        me, id, drafts.edit(me, id, seq, new DraftEdit.Remove(key)), "removing", model, response);
  }

  @PostMapping("/undo")
  String undo(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam int seq,
      Model model,
      HttpServletResponse response) {
    return show(me, id, drafts.undo(me, id, seq), "undo", model, response);
  }

  @PostMapping("/redo")
  String redo(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam int seq,
      Model model,
      HttpServletResponse response) {
    return show(me, id, drafts.redo(me, id, seq), "redo", model, response);
  }

  @PostMapping("/share")
  String share(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam int seq,
      @RequestParam(defaultValue = "false") boolean screened,
      Model model,
      HttpServletResponse response) {
    DraftService.Outcome outcome = drafts.share(me, id, seq, screened);
    if (outcome instanceof DraftService.Outcome.Shared) {
      response.setHeader("HX-Redirect", "/clients/" + id + "/do?shared");
    }
    return show(me, id, outcome, "sharing", model, response);
  }

  private String show(
      Me me,
      UUID id,
      DraftService.Outcome outcome,
      String mine,
      Model model,
      HttpServletResponse response) {
    DraftService.State state;
    if (outcome instanceof DraftService.Outcome.Done done) {
      state = done.state();
    } else if (outcome instanceof DraftService.Outcome.Overtaken overtaken) {
      state = overtaken.state();
      response.setStatus(HttpStatus.CONFLICT.value());
      model.addAttribute("overtakenBy", overtaken.by());
      model.addAttribute("mine", mine);
    } else if (outcome instanceof DraftService.Outcome.Refused refused) {
      state = refused.state();
      response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
      model.addAttribute("refused", refused.why());
    } else {
      state = drafts.state(me, id);
    }
    plan(me, id, state, model);
    return "program/plan-parts :: plan";
  }

  private void plan(Me me, UUID id, DraftService.State state, Model model) {
    Client client = clients.get(me, id);
    model.addAttribute("client", client);
    model.addAttribute(
        "plan", PlanView.of(state, client.breathSeconds(), catalogue, Locale.ENGLISH));
  }
}
