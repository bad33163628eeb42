package org.biokinet.app.account;

import org.jspecify.annotations.Nullable;
import org.springframework.boot.autoconfigure.web.ServerProperties;
import org.springframework.security.core.Authentication;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.RequestHeader;

/** What the head of every practitioner page shows. */
@ControllerAdvice
class PageModel {

  private final AccountService accounts;
  private final ServerProperties server;

  PageModel(AccountService accounts, ServerProperties server) {
    this.accounts = accounts;
    this.server = server;
  }

  @ModelAttribute
  void practitioner(
      @Nullable Authentication who,
      @RequestHeader(name = "HX-Request", required = false) @Nullable String part,
      Model model) {
    // A part of a page has no head.
    if (part == null && who != null && who.getPrincipal() instanceof Me me) {
      model.addAttribute("practitioner", me);
      model.addAttribute("singleKeys", accounts.usesSingleKeys(me));
      // The server ends a session after this time; the pages cover themselves by the same.
      model.addAttribute("idleMinutes", server.getServlet().getSession().getTimeout().toMinutes());
    }
  }
}
