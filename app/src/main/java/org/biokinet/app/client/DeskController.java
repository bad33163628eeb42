package org.biokinet.app.client;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.biokinet.app.account.AccountService;
import org.biokinet.app.account.Audit;
import org.biokinet.app.account.Me;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The front desk: who, how to reach, and that something is urgent; never why. */
@Controller
@RequestMapping("/desk")
class DeskController {

  /**
   * One client as the desk sees it.
   *
   * @param urgent whether a practitioner has to be told at once
   * @param pin whether another PIN is wanted
   */
  record Line(Client client, String practitioner, boolean urgent, boolean pin) {}

  private static final int PER_PAGE = 50;

  private final ClientService clients;
  private final LinkService links;
  private final AccountService accounts;
  private final Urgent urgent;
  private final Audit audit;
  private final Clock clock;

  DeskController(
      ClientService clients,
      LinkService links,
      AccountService accounts,
      Urgent urgent,
      Audit audit,
      Clock clock) {
    this.clients = clients;
    this.links = links;
    this.accounts = accounts;
    this.urgent = urgent;
    this.audit = audit;
    this.clock = clock;
  }

  @GetMapping
  String all(
      @AuthenticationPrincipal Me me,
      @RequestParam(defaultValue = "") String q,
      @RequestParam(defaultValue = "0") int page,
      Model model) {
    String wanted = q.strip().toLowerCase(Locale.ROOT);
    List<Client> all =
        clients.all(me).stream()
            .filter(c -> !c.archived())
            .filter(
                c ->
                    c.name().toLowerCase(Locale.ROOT).contains(wanted)
                        || c.phone().contains(wanted))
            .toList();
    Set<UUID> pressing = urgent.among(me);
    List<UUID> ids = all.stream().map(Client::getId).toList();
    Map<UUID, History> histories = clients.histories(ids);
    List<Line> lines =
        all.stream()
            .map(
                c ->
                    new Line(
                        c,
                        accounts.practitionerName(c.practitionerId()),
                        pressing.contains(c.getId()),
                        histories.getOrDefault(c.getId(), History.NONE).pinForgotten()))
            .sorted((a, b) -> Boolean.compare(b.urgent(), a.urgent()))
            .toList();
    int pages = Math.max(1, (lines.size() + PER_PAGE - 1) / PER_PAGE);
    int at = Math.max(0, Math.min(page, pages - 1));
    model.addAttribute("q", q.strip());
    model.addAttribute("total", lines.size());
    model.addAttribute("page", at);
    model.addAttribute("pages", pages);
    model.addAttribute("lines", lines.stream().skip((long) at * PER_PAGE).limit(PER_PAGE).toList());
    return "client/desk";
  }

  @GetMapping("/new")
  String blank(@AuthenticationPrincipal Me me, Model model) {
    List<AccountService.Colleague> colleagues = accounts.colleagues(me);
    ClientForm form = ClientForm.blank(ZoneId.of(me.zone()), colleagues.get(0).id());
    return form(me, form, Map.of(), model);
  }

  @PostMapping("/new")
  String add(
      @AuthenticationPrincipal Me me,
      @RequestParam MultiValueMap<String, String> sent,
      Model model,
      HttpServletResponse response) {
    ClientForm form = ClientForm.read(sent);
    Map<String, String> problems = form.contactProblems(today(me));
    Set<UUID> colleagues =
        accounts.colleagues(me).stream()
            .map(AccountService.Colleague::id)
            .collect(Collectors.toSet());
    if (form.practitioner().filter(colleagues::contains).isEmpty()) {
      problems.put("practitioner", "Choose whose client it is.");
    }
    if (problems.isEmpty() && !form.get("anyway").equals("yes")) {
      List<Client> alike = clients.alike(me, form.contact());
      model.addAttribute("alike", alike);
      if (!alike.isEmpty()) problems.put("name", "This person may be known already; see above.");
    }
    if (!problems.isEmpty()) {
      response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
      return form(me, form, problems, model);
    }
    Client client =
        clients.add(
            me,
            form.practitioner().orElseThrow(),
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
    return one(
        me, client, ClientForm.of(client, List.of(), Set.of()), client.version(), Map.of(), model);
  }

  @PostMapping("/{id}")
  String change(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam int seen,
      @RequestParam MultiValueMap<String, String> sent,
      Model model,
      HttpServletResponse response) {
    Client client = clients.get(me, id);
    ClientForm form = ClientForm.read(sent);
    Map<String, String> problems = form.contactProblems(today(me));
    if (!problems.isEmpty()) {
      response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
      return one(me, client, form, seen, problems, model);
    }
    if (clients.change(me, id, seen, form.contact())) return "redirect:/desk/" + id + "?saved";
    response.setStatus(HttpStatus.CONFLICT.value());
    model.addAttribute("overtaken", true);
    return one(me, client, form, client.version(), Map.of(), model);
  }

  private String one(
      Me me, Client client, ClientForm form, int seen, Map<String, String> problems, Model model) {
    model.addAttribute("client", client);
    model.addAttribute("seen", seen);
    model.addAttribute("urgent", urgent.among(me).contains(client.getId()));
    model.addAttribute("hasLink", links.current(client.getId()).isPresent());
    model.addAttribute("pin", clients.history(client.getId()).pinForgotten());
    model.addAttribute("treats", accounts.practitionerName(client.practitionerId()));
    return form(me, form, problems, model);
  }

  private String form(Me me, ClientForm form, Map<String, String> problems, Model model) {
    model.addAttribute("form", form);
    model.addAttribute("problems", problems);
    model.addAttribute("colleagues", accounts.colleagues(me));
    model.addAttribute("today", today(me));
    return "client/desk-client";
  }

  private LocalDate today(Me me) {
    return clock.instant().atZone(ZoneId.of(me.zone())).toLocalDate();
  }
}
