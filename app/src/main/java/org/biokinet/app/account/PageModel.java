package org.biokinet.app.account;

import org.jspecify.annotations.Nullable;
import org.springframework.security.core.Authentication;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;

/** What the head of every practitioner page shows. */
@ControllerAdvice
class PageModel {

  private final AccountService accounts;

  PageModel(AccountService accounts) {
    this.accounts = accounts;
  }

  @ModelAttribute
  void practitioner(@Nullable Authentication who, Model model) {
    if (who != null && who.getPrincipal() instanceof Me me) {
      model.addAttribute("practitioner", me);
      model.addAttribute("singleKeys", accounts.usesSingleKeys(me));
    }
  }
}
