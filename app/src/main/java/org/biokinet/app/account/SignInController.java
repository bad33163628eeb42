package org.biokinet.app.account;

import jakarta.servlet.http.HttpSession;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.bind.annotation.ResponseStatus;

/** Signing in, and a practitioner's own settings. */
@Controller
class SignInController {

  private final AccountService accounts;

  SignInController(AccountService accounts) {
    this.accounts = accounts;
  }

  @GetMapping("/sign-in")
  String page(HttpSession session, Model model) {
    Object typed = session.getAttribute("typedEmail");
    session.removeAttribute("typedEmail");
    model.addAttribute("email", typed == null ? "" : typed);
    return "account/sign-in";
  }

  /** A fresh token, for a page that outlived its session. */
  @GetMapping(
      path = {"/csrf", "/me/csrf"},
      produces = MediaType.APPLICATION_JSON_VALUE)
  @ResponseBody
  Map<String, String> csrf(CsrfToken token) {
    return Map.of("header", token.getHeaderName(), "token", token.getToken());
  }

  @PostMapping("/settings/keys")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void keys(@AuthenticationPrincipal Me me, @RequestParam boolean on) {
    accounts.useSingleKeys(me, on);
  }
}
