package org.biokinet.app.people.web;

import jakarta.servlet.http.HttpSession;
import java.util.Map;
import org.springframework.http.MediaType;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ResponseBody;

/** Signing in. */
@Controller
class SignInController {

  @GetMapping("/sign-in")
  String page(HttpSession session, Model model) {
    Object typed = session.getAttribute("typedEmail");
    session.removeAttribute("typedEmail");
    model.addAttribute("email", typed == null ? "" : typed);
    return "people/sign-in";
  }

  /** A fresh token, for a page that outlived its session. */
  @GetMapping(
      path = {"/csrf", "/me/csrf"},
      produces = MediaType.APPLICATION_JSON_VALUE)
  @ResponseBody
  Map<String, String> csrf(CsrfToken token) {
    return Map.of("header", token.getHeaderName(), "token", token.getToken());
  }
}
