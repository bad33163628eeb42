package org.biokinet.app.people.web;

import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.biokinet.app.people.PeopleService;
import org.biokinet.app.platform.Addresses;
import org.biokinet.app.platform.Site;
import org.biokinet.app.practice.Me;
import org.biokinet.app.practice.Role;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The people of a practice; for owners. */
@Controller
@RequestMapping("/practice/people")
class PeopleController {

  private static final int LONGEST_NAME = 120;
  private static final int LONGEST_EMAIL = 254;

  private final PeopleService people;
  private final Site site;

  PeopleController(PeopleService people, Site site) {
    this.people = people;
    this.site = site;
  }

  @GetMapping
  String all(@AuthenticationPrincipal Me me, Model model) {
    model.addAttribute("me", me);
    model.addAttribute("people", people.all(me));
    model.addAttribute("roles", Role.values());
    return "people/people";
  }

  @PostMapping
  String add(
      @AuthenticationPrincipal Me me,
      @RequestParam(defaultValue = "") String name,
      @RequestParam(defaultValue = "") String email,
      @RequestParam(defaultValue = "") String role,
      RedirectAttributes once) {
    String address = email.strip().toLowerCase(Locale.ROOT);
    Optional<Role> as = Role.find(role);
    if (name.isBlank() || name.strip().length() > LONGEST_NAME) {
      once.addFlashAttribute("nameError", "A name of at most 120 characters.");
    } else if (!Addresses.mail(address) || address.length() > LONGEST_EMAIL) {
      once.addFlashAttribute("emailError", "A mail address such as b.silva@practice.example.");
    } else if (as.isEmpty()) {
      once.addFlashAttribute("roleError", "Choose what the person does.");
    } else {
      Optional<String> token = people.add(me, name.strip(), address, as.get());
      if (token.isPresent()) {
        hand(once, name.strip(), token.get());
        return "redirect:/practice/people";
      }
      once.addFlashAttribute("emailError", "Somebody already signs in with this address.");
    }
    once.addFlashAttribute("typedName", name);
    once.addFlashAttribute("typedEmail", email);
    once.addFlashAttribute("typedRole", role);
    return "redirect:/practice/people";
  }

  @PostMapping("/{id}/password-link")
  String passwordLink(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam String name,
      RedirectAttributes once) {
    hand(once, name, people.passwordLink(me, id));
    return "redirect:/practice/people";
  }

  private void hand(RedirectAttributes once, String name, String token) {
    once.addFlashAttribute("linkFor", name);
    once.addFlashAttribute("link", site.address("/password/" + token));
  }

  @PostMapping("/{id}/role")
  String role(
      @AuthenticationPrincipal Me me,
      @PathVariable UUID id,
      @RequestParam Role role,
      RedirectAttributes once) {
    return answer(people.setRole(me, id, role), once);
  }

  @PostMapping("/{id}/leave")
  String leave(@AuthenticationPrincipal Me me, @PathVariable UUID id, RedirectAttributes once) {
    return answer(people.leave(me, id), once);
  }

  @PostMapping("/{id}/back")
  String back(@AuthenticationPrincipal Me me, @PathVariable UUID id) {
    people.comeBack(me, id);
    return "redirect:/practice/people";
  }

  private static String answer(PeopleService.Changed changed, RedirectAttributes once) {
    if (changed == PeopleService.Changed.LAST_OWNER) {
      once.addFlashAttribute("lastOwner", true);
    }
    return "redirect:/practice/people";
  }
}
