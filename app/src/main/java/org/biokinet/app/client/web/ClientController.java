package org.biokinet.app.client.web;

import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.groups.Default;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.LinkedHashSet;
import java.util.Set;
import java.util.UUID;
import org.biokinet.app.client.Circumstances;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientForm;
import org.biokinet.app.client.ClientHeader;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.client.Newcomers;
import org.biokinet.app.people.AccountService;
import org.biokinet.app.practice.Me;
import org.biokinet.core.anatomy.Equipment;
import org.biokinet.core.anatomy.Position;
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
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Who a client is: new ones, what is known about them, and coming and going. */
@Controller
class ClientController {

  private static final int LONGEST_REASON = 300;

  private final ClientService clients;
  private final AccountService accounts;
  private final ClientHeader header;
  private final Newcomers newcomers;
  private final Clock clock;

  ClientController(
      ClientService clients,
      AccountService accounts,
      ClientHeader header,
      Newcomers newcomers,
      Clock clock) {
    this.clients = clients;
    this.accounts = accounts;
    this.header = header;
    this.newcomers = newcomers;
    this.clock = clock;
  }

  @GetMapping("/clients/new")
  String blank(@AuthenticationPrincipal Me me, Model model) {
    return form(me, ClientForm.blank(ZoneId.of(me.zone()), me.id()), model);
  }

  @PostMapping("/clients/new")
  String add(
      @AuthenticationPrincipal Me me,
      @Validated({Default.class, ClientForm.Reach.class}) @ModelAttribute("form") ClientForm form,
      BindingResult errors,
      Model model,
      HttpServletResponse response) {
    Set<UUID> colleagues = colleagues(me);
    form.check(today(me), colleagues, errors);
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
            form.circumstances(),
            form.careTeam(colleagues),
            form.wanted());
    return "redirect:/clients/" + client.getId() + "/screen";
  }

  @GetMapping("/clients/{id}/about")
  String about(@AuthenticationPrincipal Me me, @PathVariable UUID id, Model model) {
    Client client = clients.get(me, id);
    ClientForm form = ClientForm.of(client, clients.goals(id), clients.careTeam(me, id));
    return about(me, client, form, client.version(), model);
  }

  @PostMapping("/clients/{id}/about")
  String change(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam int seen,
      @Validated({Default.class, ClientForm.Reach.class}) @ModelAttribute("form") ClientForm form,
      BindingResult errors,
      Model model,
      HttpServletResponse response) {
    Client client = clients.get(me, id);
    Set<UUID> colleagues = colleagues(me);
    colleagues.add(client.practitionerId());
    form.check(today(me), colleagues, errors);
    if (errors.hasErrors()) {
      response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
      return about(me, client, form, seen, model);
    }
    boolean done =
        clients.change(
            me,
            id,
            seen,
            form.contact(),
            form.circumstances(),
            form.practitionerId().orElseThrow(),
            form.careTeam(colleagues),
            form.wanted());
    if (done) return "redirect:/clients/" + id + "/about?saved";
    response.setStatus(HttpStatus.CONFLICT.value());
    model.addAttribute("overtaken", true);
    return about(me, client, form, client.version(), model);
  }

  private String about(Me me, Client client, ClientForm form, int seen, Model model) {
    header.show(me, client.getId(), null, model);
    model.addAttribute("seen", seen);
    model.addAttribute("merged", clients.merged(client.getId()));
    model.addAttribute("into", client.mergedInto().map(into -> clients.get(me, into)).orElse(null));
    return form(me, form, model);
  }

  private String form(Me me, ClientForm form, Model model) {
    model.addAttribute("form", form);
    model.addAttribute("colleagues", accounts.colleagues(me));
    model.addAttribute("positionList", Position.values());
    model.addAttribute("equipmentList", Equipment.values());
    model.addAttribute("shiftList", Circumstances.Shifts.values());
    model.addAttribute("handList", Circumstances.Hand.values());
    model.addAttribute("today", today(me));
    return "client/about";
  }

  private Set<UUID> colleagues(Me me) {
    Set<UUID> ids = new LinkedHashSet<>();
    accounts.colleagues(me).forEach(c -> ids.add(c.id()));
    return ids;
  }

  private LocalDate today(Me me) {
    return clock.instant().atZone(ZoneId.of(me.zone())).toLocalDate();
  }

  @PostMapping("/clients/{id}/archive")
  String archive(@AuthenticationPrincipal Me me, @PathVariable UUID id) {
    clients.archive(me, id);
    return "redirect:/clients/" + id + "/about";
  }

  @PostMapping("/clients/{id}/reactivate")
  String reactivate(@AuthenticationPrincipal Me me, @PathVariable UUID id) {
    clients.reactivate(me, id);
    return "redirect:/clients/" + id + "/about";
  }

  @PostMapping("/clients/{id}/episode")
  String episode(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "") String reason,
      RedirectAttributes once) {
    clients.get(me, id);
    String text = reason.strip();
    if (text.isEmpty() || text.length() > LONGEST_REASON) {
      once.addFlashAttribute("reasonTyped", reason);
      once.addFlashAttribute(
          "reasonError",
          text.isEmpty() ? "Say in a few words what the client comes with." : "At most 300.");
      return "redirect:/clients/" + id + "/about";
    }
    clients.beginEpisode(me, id, text);
    return "redirect:/clients/" + id + "/screen";
  }
}
