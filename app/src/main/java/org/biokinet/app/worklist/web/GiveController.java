package org.biokinet.app.worklist.web;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientHeader;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.people.AccountService;
import org.biokinet.app.people.AccountService.Colleague;
import org.biokinet.app.practice.Me;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Gives a client to somebody else of the practice. */
@Controller
@RequestMapping("/clients/{id}/give")
class GiveController {

  private static final int LONGEST_WHY = 200;

  private final ClientService clients;
  private final AccountService accounts;
  private final ClientHeader header;

  GiveController(ClientService clients, AccountService accounts, ClientHeader header) {
    this.clients = clients;
    this.accounts = accounts;
    this.header = header;
  }

  @GetMapping
  String page(@AuthenticationPrincipal Me me, @PathVariable UUID id, Model model) {
    return show(me, header.show(me, id, null, model), Optional.empty(), "", model);
  }

  private String show(Me me, Client client, Optional<UUID> to, String why, Model model) {
    model.addAttribute("of", client.practitionerId());
    model.addAttribute("now", accounts.practitionerName(client.practitionerId()));
    model.addAttribute("others", others(me, client));
    model.addAttribute("to", to.orElse(null));
    model.addAttribute("why", why);
    model.addAttribute("longest", LONGEST_WHY);
    return "worklist/give";
  }

  /** "to B. Silva: wants evenings", as it is kept. */
  private String words(UUID colleague, String reason) {
    return "to " + accounts.practitionerName(colleague) + (reason.isEmpty() ? "" : ": " + reason);
  }

  private List<Colleague> others(Me me, Client client) {
    return accounts.colleagues(me).stream()
        .filter(c -> !c.id().equals(client.practitionerId()))
        .toList();
  }

  @PostMapping
  String give(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam UUID of,
      @RequestParam Optional<UUID> colleague,
      @RequestParam(defaultValue = "") String why,
      Model model,
      HttpServletRequest request,
      HttpServletResponse response) {
    Client client = clients.get(me, id);
    String reason = why.strip();
    if (colleague.isEmpty()
        || others(me, client).stream().noneMatch(c -> c.id().equals(colleague.get()))) {
      model.addAttribute("toError", "Choose somebody of the practice who treats.");
    } else if (reason.length() > LONGEST_WHY) {
      model.addAttribute("whyError", "At most %d characters.".formatted(LONGEST_WHY));
    } else if (clients.give(me, id, of, colleague.get(), words(colleague.get(), reason))) {
      return LastList.back(request, id);
    } else {
      model.addAttribute("overtaken", true);
    }
    response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
    return show(me, header.show(me, id, null, model), colleague, why, model);
  }
}
