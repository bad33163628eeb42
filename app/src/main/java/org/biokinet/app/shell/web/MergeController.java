package org.biokinet.app.shell.web;

import java.util.List;
import java.util.UUID;
import org.biokinet.app.client.Client;
import org.biokinet.app.client.ClientService;
import org.biokinet.app.practice.Me;
import org.biokinet.app.shell.Merging;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Page;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The same person twice: finding the other record and joining it to this one. */
@Controller
class MergeController {

  private static final int MOST = 8;

  private final ClientService clients;
  private final Merging merging;

  MergeController(ClientService clients, Merging merging) {
    this.clients = clients;
    this.merging = merging;
  }

  /** Records that could be joined to this one, by a part of the name. */
  @GetMapping("/clients/{id}/others")
  String others(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "") String name,
      Model model) {
    clients.get(me, id);
    String part = name.strip();
    Page<Client> named = part.isEmpty() ? Page.empty() : clients.named(me, part, MOST + 1);
    List<Client> others = named.stream().filter(c -> !c.getId().equals(id)).limit(MOST).toList();
    model.addAttribute("part", part);
    model.addAttribute("others", others);
    model.addAttribute("more", named.getTotalElements() > MOST + 1);
    return "shell/others";
  }

  /** Joins another record to this one. */
  @PostMapping("/clients/{id}/merge")
  String merge(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam(required = false) @Nullable UUID duplicate,
      RedirectAttributes once) {
    clients.get(me, id);
    if (duplicate == null) {
      once.addFlashAttribute("mergeError", "Type a part of the name and choose the other record.");
      return "redirect:/clients/" + id + "/about";
    }
    switch (merging.merge(me, id, duplicate)) {
      case DONE -> {}
      case ITSELF -> once.addFlashAttribute("mergeError", "Choose the other record.");
      case UNSETTLED ->
          once.addFlashAttribute(
              "mergeError", "Something is open in the other record; settle that first.");
    }
    return "redirect:/clients/" + id + "/about";
  }
}
