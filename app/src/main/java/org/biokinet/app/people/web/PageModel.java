package org.biokinet.app.people.web;

import org.biokinet.app.people.AccountService;
import org.biokinet.app.practice.Me;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.autoconfigure.web.ServerProperties;
import org.springframework.security.core.Authentication;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.thymeleaf.context.LazyContextVariable;

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
  void practitioner(@Nullable Authentication who, Model model) {
    if (who != null && who.getPrincipal() instanceof Me me) {
      model.addAttribute("practitioner", me);
      // Looked up by the head of a page; a part of one has none.
      model.addAttribute(
          "singleKeys",
          new LazyContextVariable<Boolean>() {
            @Override
            protected Boolean loadValue() {
              return accounts.usesSingleKeys(me);
            }
          });
      // The server ends a session after this time; the pages cover themselves by the same.
      model.addAttribute("idleMinutes", server.getServlet().getSession().getTimeout().toMinutes());
    }
  }
}
