package org.biokinet.app.client.web;

import jakarta.servlet.http.HttpServletRequest;
import org.biokinet.app.client.ClientMe;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.server.ResponseStatusException;

/** Whose a client's page is, and whether what comes from one is theirs who is in now. */
@ControllerAdvice
class Whose {

  /**
   * @throws ResponseStatusException 409 for what another client told: a phone may go from hand to
   *     hand with what waits on it, and it goes on waiting
   */
  @ModelAttribute
  void whose(@AuthenticationPrincipal @Nullable Object me, HttpServletRequest asked, Model model) {
    if (!(me instanceof ClientMe client)) return;
    model.addAttribute("me", client);
    boolean tells = asked.getMethod().equals("POST") && asked.getRequestURI().startsWith("/me/");
    String told = tells ? asked.getParameter("client") : null;
    if (told != null && !told.equals(client.id().toString())) {
      throw new ResponseStatusException(HttpStatus.CONFLICT, "this waits for another client");
    }
  }
}
