package org.biokinet.app.program.web;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientHeader;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.Station;
import org.biokinet.app.practice.Me;
import org.biokinet.app.program.DraftService;
import org.biokinet.app.program.SavedPlans;
import org.biokinet.core.program.DraftEdit;
import org.biokinet.core.program.Program;
import org.biokinet.core.program.ProgramKind;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Beginning with a plan of the practice, or with what another client does. */
@Controller
@RequestMapping("/clients/{id}/plans")
class SavedPlanController {

  private static final int MOST_CLIENTS = 8;

  private final SavedPlans plans;
  private final DraftService drafts;
  private final ClientService clients;
  private final ClientHeader header;

  SavedPlanController(
      SavedPlans plans, DraftService drafts, ClientService clients, ClientHeader header) {
    this.plans = plans;
    this.drafts = drafts;
    this.clients = clients;
    this.header = header;
  }

  /**
   * @param q looked for among the plans
   * @param plan that is looked at
   * @param who looked for among the clients
   * @param from the other client whose program is looked at
   */
  @GetMapping
  String page(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam(defaultValue = "") String q,
      @RequestParam Optional<UUID> plan,
      @RequestParam(defaultValue = "") String who,
      @RequestParam Optional<UUID> from,
      Model model) {
    Client client = header.show(me, id, Station.PLAN, model);
    DraftService.State state = drafts.state(me, client, program);
    model.addAttribute("program", program);
    model.addAttribute("state", state);
    model.addAttribute("q", q);
    model.addAttribute("plans", plans.find(me, program, q));
    model.addAttribute("who", who);
    List<Client> others =
        who.isBlank()
            ? List.of()
            : clients.named(me, who.strip(), MOST_CLIENTS).stream()
                .filter(c -> !c.getId().equals(id))
                .toList();
    model.addAttribute("others", others);
    offer(me, state, plan, from).ifPresent(o -> model.addAttribute("offer", o));
    model.addAttribute("plan", plan.map(UUID::toString).orElse(""));
    model.addAttribute("from", from.map(UUID::toString).orElse(""));
    return "program/plans";
  }

  private Optional<SavedPlans.Offer> offer(
      Me me, DraftService.State state, Optional<UUID> plan, Optional<UUID> from) {
    return plan.map(p -> plans.offer(me, state, p))
        .or(() -> from.map(f -> plans.offerFrom(me, state, f)));
  }

  /** Puts what is chosen into the draft, as one edit. */
  @PostMapping("/insert")
  String insert(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam int seq,
      @RequestParam Optional<UUID> plan,
      @RequestParam Optional<UUID> from,
      @RequestParam(defaultValue = "") Set<Integer> items,
      Model model,
      HttpServletResponse response) {
    DraftService.State state = drafts.state(me, id, program);
    Optional<DraftEdit> edit =
        offer(me, state, plan, from).flatMap(o -> SavedPlans.insert(o, items));
    String wrong = edit.isEmpty() ? "Choose at least one item that is not locked." : "";
    if (state.draft().items().size() + items.size() > Program.MOST_ITEMS) {
      wrong = "A program has at most %d items.".formatted(Program.MOST_ITEMS);
    }
    if (wrong.isEmpty()
        && drafts.edit(me, id, program, seq, edit.orElseThrow())
            instanceof DraftService.Outcome.Overtaken overtaken) {
      wrong = overtaken.by() + " changed the draft meanwhile. Look at it, then insert again.";
    }
    if (wrong.isEmpty()) return "redirect:/clients/%s/plan?program=%s".formatted(id, program);
    response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
    model.addAttribute("refused", wrong);
    model.addAttribute("chosen", items);
    return page(me, id, program, "", plan, "", from, model);
  }

  /** Keeps the draft as a plan of the practice. */
  @PostMapping("/save")
  String save(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "MAIN") ProgramKind program,
      @RequestParam(defaultValue = "") String title,
      @RequestParam(defaultValue = "") String forWhom,
      Model model,
      HttpServletResponse response,
      RedirectAttributes once) {
    DraftService.State state = drafts.state(me, id, program);
    String wrong = "";
    if (state.draft().items().isEmpty()) wrong = "There is nothing in the draft to be saved.";
    if (title.isBlank()) wrong = "It needs a title.";
    if (title.strip().length() > Program.LONGEST_TITLE) {
      wrong = "A title has at most %d characters.".formatted(Program.LONGEST_TITLE);
    }
    if (forWhom.strip().length() > SavedPlans.LONGEST_FOR) {
      wrong = "For whom: at most %d characters.".formatted(SavedPlans.LONGEST_FOR);
    }
    if (!wrong.isEmpty()) {
      response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
      model.addAttribute("saveError", wrong);
      model.addAttribute("titleTyped", title);
      model.addAttribute("forTyped", forWhom);
      return page(me, id, program, "", Optional.empty(), "", Optional.empty(), model);
    }
    plans.save(me, state, title.strip(), forWhom.strip());
    once.addFlashAttribute("saved", title.strip());
    return "redirect:/clients/%s/plans?program=%s".formatted(id, program);
  }

  /** Takes a plan out of use for the whole practice. */
  @PostMapping("/{plan}/retire")
  String retire(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @PathVariable UUID plan,
      @RequestParam(defaultValue = "MAIN") ProgramKind program) {
    clients.get(me, id);
    plans.retire(me, plan);
    return "redirect:/clients/%s/plans?program=%s".formatted(id, program);
  }
}
