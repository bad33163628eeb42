package org.biokinet.app.people.web;

import jakarta.servlet.http.HttpSession;
import java.time.Clock;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import org.biokinet.app.people.AccountService;
import org.biokinet.app.people.PeopleService;
import org.biokinet.app.people.SignInHistory;
import org.biokinet.app.platform.Days;
import org.biokinet.app.practice.Me;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** My own account: password, sign-ins, keys; and choosing a password by a link. */
@Controller
class AccountController {

  /** One try to sign in, as the page shows it. */
  record Tried(String when, String outcome, boolean bad, String address, String device) {}

  private static final int SHOWN = 20;

  private final AccountService accounts;
  private final PeopleService people;
  private final SignInHistory history;
  private final Clock clock;

  AccountController(
      AccountService accounts, PeopleService people, SignInHistory history, Clock clock) {
    this.accounts = accounts;
    this.people = people;
    this.history = history;
    this.clock = clock;
  }

  @GetMapping("/account")
  String mine(@AuthenticationPrincipal Me me, Model model) {
    model.addAttribute("me", me);
    List<Tried> tried =
        history.newest(me.id(), SHOWN).stream()
            .map(
                r ->
                    new Tried(
                        Days.when(r.at(), clock.instant(), ZoneId.of(me.zone())),
                        r.outcome().label(),
                        r.outcome() != SignInHistory.Outcome.IN,
                        r.address(),
                        r.device()))
            .toList();
    model.addAttribute("tried", tried);
    return "people/account";
  }

  @PostMapping("/account/password")
  String password(
      @AuthenticationPrincipal Me me,
      @RequestParam(defaultValue = "") String present,
      @RequestParam(defaultValue = "") String password,
      @RequestParam(defaultValue = "") String again,
      HttpSession session,
      RedirectAttributes once) {
    Optional<String> problem = PeopleService.problem(password, again);
    if (problem.isPresent()) {
      once.addFlashAttribute("passwordError", problem.get());
    } else {
      switch (people.changeMine(me, present, password, session.getId())) {
        case RIGHT -> once.addFlashAttribute("passwordChanged", true);
        case WRONG -> once.addFlashAttribute("presentError", "That is not your present password.");
        case WAIT -> once.addFlashAttribute("presentError", "Too many tries; wait a few minutes.");
      }
    }
    return "redirect:/account";
  }

  @PostMapping("/settings/keys")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void keys(@AuthenticationPrincipal Me me, @RequestParam(defaultValue = "false") boolean on) {
    accounts.useSingleKeys(me, on);
  }

  @GetMapping("/password/{token}")
  String choose(@PathVariable String token, Model model) {
    model.addAttribute("name", people.mayChoose(token).orElse(null));
    return "people/password";
  }

  @PostMapping("/password/{token}")
  String chosen(
      @PathVariable String token,
      @RequestParam(defaultValue = "") String password,
      @RequestParam(defaultValue = "") String again,
      RedirectAttributes once) {
    Optional<String> problem = PeopleService.problem(password, again);
    if (problem.isEmpty() && people.choose(token, password)) return "redirect:/sign-in?chosen";
    problem.ifPresent(p -> once.addFlashAttribute("passwordError", p));
    once.addAttribute("token", token);
    return "redirect:/password/{token}";
  }
}
