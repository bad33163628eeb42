package org.biokinet.app.shell.web;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.biokinet.app.audit.Audit;
import org.biokinet.app.client.Circumstances;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientForm;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.Newcomers;
import org.biokinet.app.people.AccountService;
import org.biokinet.app.practice.Me;
import org.biokinet.app.worklist.Standing;
import org.biokinet.app.worklist.StandingService;
import org.biokinet.app.worklist.WorklistService;
import org.springframework.data.domain.Page;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.validation.BindingResult;
import org.springframework.validation.annotation.Validated;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The front desk: who, how to reach, and that something is urgent; never why. */
@Controller
@RequestMapping("/desk")
class DeskController {

  private static final int PER_PAGE = 25;

  private final ClientService clients;
  private final AccountService accounts;
  private final WorklistService worklist;
  private final StandingService standings;
  private final Newcomers newcomers;
  private final Audit audit;
  private final Clock clock;

  DeskController(
      ClientService clients,
      AccountService accounts,
      WorklistService worklist,
      StandingService standings,
      Newcomers newcomers,
      Audit audit,
      Clock clock) {
    this.clients = clients;
    this.accounts = accounts;
    this.worklist = worklist;
    this.standings = standings;
    this.newcomers = newcomers;
    this.audit = audit;
    this.clock = clock;
  }

  @GetMapping
  String all(
      @AuthenticationPrincipal Me me,
      @RequestParam(defaultValue = "") String q,
      @RequestParam(defaultValue = "0") int page,
      Model model) {
    Page<WorklistService.DeskRow> lines = worklist.desk(me, q.strip(), page, PER_PAGE);
    model.addAttribute("q", q.strip());
    model.addAttribute("lines", lines);
    model.addAttribute("missing", worklist.missing(me));
    model.addAttribute("treats", accounts.names(me));
    return "shell/desk";
  }

  @GetMapping("/new")
  String blank(@AuthenticationPrincipal Me me, Model model) {
    List<AccountService.Colleague> colleagues = accounts.colleagues(me);
    return form(me, ClientForm.blank(ZoneId.of(me.zone()), colleagues.get(0).id()), model);
  }

  @PostMapping("/new")
  String add(
      @AuthenticationPrincipal Me me,
      @Validated(ClientForm.Reach.class) @ModelAttribute("form") ClientForm form,
      BindingResult errors,
      Model model,
      HttpServletResponse response) {
    form.checkReach(today(me), errors);
    Set<UUID> colleagues =
        accounts.colleagues(me).stream()
            .map(AccountService.Colleague::id)
            .collect(Collectors.toSet());
    form.checkPractitioner(colleagues, errors);
    newcomers.notice(me, form, errors, model);
    if (errors.hasErrors()) {
      response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
      return form(me, form, model);
    }
    Client client =
        clients.add(
            me,
            form.practitionerId().orElseThrow(),
            form.contact(),
            Circumstances.of(""),
            Set.of(),
            List.of());
    return "redirect:/desk/" + client.getId() + "?added";
  }

  @GetMapping("/{id}")
  String one(@AuthenticationPrincipal Me me, @PathVariable UUID id, Model model) {
    Client client = clients.get(me, id);
    audit.saw(me, id, "front desk");
    return one(me, client, ClientForm.of(client, List.of(), Set.of()), client.version(), model);
  }

  @PostMapping("/{id}")
  String change(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam int seen,
      @Validated(ClientForm.Reach.class) @ModelAttribute("form") ClientForm form,
      BindingResult errors,
      Model model,
      HttpServletResponse response) {
    Client client = clients.get(me, id);
    form.checkReach(today(me), errors);
    if (errors.hasErrors()) {
      response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
      return one(me, client, form, seen, model);
    }
    if (clients.change(me, id, seen, form.contact())) return "redirect:/desk/" + id + "?saved";
    response.setStatus(HttpStatus.CONFLICT.value());
    model.addAttribute("overtaken", true);
    return one(me, client, form, client.version(), model);
  }

  private String one(Me me, Client client, ClientForm form, int seen, Model model) {
    model.addAttribute("client", client);
    model.addAttribute("seen", seen);
    Standing standing = standings.of(client, clock.instant());
    model.addAttribute("urgent", standing.attention().urgent());
    model.addAttribute("hasLink", standing.linkMade().isPresent());
    model.addAttribute("pin", standing.pinForgotten().isPresent());
    model.addAttribute("treats", accounts.practitionerName(client.practitionerId()));
    return form(me, form, model);
  }

  private String form(Me me, ClientForm form, Model model) {
    model.addAttribute("form", form);
    model.addAttribute("colleagues", accounts.colleagues(me));
    model.addAttribute("today", today(me));
    return "shell/desk-client";
  }

  private LocalDate today(Me me) {
    return clock.instant().atZone(ZoneId.of(me.zone())).toLocalDate();
  }
}
